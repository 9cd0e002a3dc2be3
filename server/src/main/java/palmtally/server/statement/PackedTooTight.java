package palmtally.server.statement;

import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;

/** Whether a PDF would become very large when it is read: what is packed in it is unpacked here first, so far and no further. */
final class PackedTooTight {
    /** A statement unpacks to less than a tenth of this. */
    static final int MOST_UNPACKED = 24 << 20;

    private static final int MOST_PACKED = 16 << 20;
    private static final int MOST_PARTS = 2000;

    /** Ways to pack that no statement uses. */
    private static final Pattern OTHER =
            Pattern.compile("/(?:LZW|RunLength|ASCII85|ASCIIHex|JBIG2|JPX|CCITTFax)Decode|/[A-Za-z]*#[0-9A-Fa-f]{2}");

    private static final byte[] STREAM = "stream".getBytes(StandardCharsets.US_ASCII);

    private final byte[] buffer = new byte[64 << 10];
    private long unpacked;
    private long packed;

    private PackedTooTight() {}

    static boolean is(byte[] pdf) {
        if (OTHER.matcher(new String(pdf, StandardCharsets.ISO_8859_1)).find()) return true;
        var all = new PackedTooTight();
        int parts = 0;
        for (int i = 0; i + STREAM.length < pdf.length; i++) {
            if (!begins(pdf, i)) continue;
            int from = i + STREAM.length;
            while (from < pdf.length && (pdf[from] == '\r' || pdf[from] == '\n')) from++;
            if (++parts > MOST_PARTS || all.tooMuch(pdf, from)) return true;
        }
        return false;
    }

    private static boolean begins(byte[] pdf, int at) {
        for (int k = 0; k < STREAM.length; k++) if (pdf[at + k] != STREAM[k]) return false;
        return true;
    }

    private boolean tooMuch(byte[] pdf, int from) {
        var inflater = new Inflater();
        try {
            inflater.setInput(pdf, from, pdf.length - from);
            boolean first = true;
            while (!inflater.finished() && !inflater.needsInput()) {
                int n = inflater.inflate(buffer);
                if (n == 0) break;
                // What is packed twice is not looked into a second time.
                if (first && n > 1 && (buffer[0] & 0x0f) == 8 && ((buffer[0] & 0xff) << 8 | buffer[1] & 0xff) % 31 == 0)
                    return true;
                first = false;
                unpacked += n;
                if (unpacked > MOST_UNPACKED) return true;
            }
        } catch (DataFormatException e) {
            // Nothing that is packed so stands here.
        } finally {
            packed += inflater.getBytesRead();
            inflater.end();
        }
        return packed > MOST_PACKED;
    }
}
