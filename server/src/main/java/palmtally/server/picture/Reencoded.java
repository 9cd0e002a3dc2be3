package palmtally.server.picture;

import com.twelvemonkeys.imageio.metadata.CompoundDirectory;
import com.twelvemonkeys.imageio.metadata.jpeg.JPEG;
import com.twelvemonkeys.imageio.metadata.jpeg.JPEGSegmentUtil;
import com.twelvemonkeys.imageio.metadata.tiff.TIFF;
import com.twelvemonkeys.imageio.metadata.tiff.TIFFReader;
import java.awt.Color;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Iterator;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.ImageWriteParam;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.MemoryCacheImageInputStream;
import javax.imageio.stream.MemoryCacheImageOutputStream;
import org.jspecify.annotations.Nullable;
import palmtally.server.problem.Refusal;

/**
 * A picture as it is kept: decoded from what was sent and encoded anew, so that nothing of the file but what is seen is left.
 *
 * @param jpeg at most {@link #MOST_KEPT} bytes
 */
public record Reencoded(int width, int height, byte[] jpeg) {
    static final int MOST_SENT = 10_000_000;
    static final long MOST_PIXELS = 40_000_000;
    static final int MOST_KEPT = 300_000;
    private static final float[] QUALITIES = {0.85f, 0.75f, 0.65f, 0.5f};

    static {
        ImageIO.setUseCache(false);
    }

    /**
     * @param sent a PNG, JPEG or WebP picture
     * @param longest pixels that no side is kept longer than
     * @throws Refusal where it is none, too large, or damaged; its size is read from its header before anything is decoded
     */
    static Reencoded of(byte[] sent, int longest) {
        if (sent.length > MOST_SENT)
            throw Refusal.tooLarge(
                    "A picture may have " + MOST_SENT / 1_000_000 + " MB; save it smaller and try again.");
        var format = format(sent);
        if (format == null)
            throw Refusal.invalid("no-picture", "This is no PNG, JPEG or WebP picture. Save it as one and try again.");
        var reader = reader(format);
        try (ImageInputStream in = new MemoryCacheImageInputStream(new ByteArrayInputStream(sent))) {
            reader.setInput(in, true, true);
            int width = reader.getWidth(0);
            int height = reader.getHeight(0);
            if ((long) width * height > MOST_PIXELS)
                throw Refusal.invalid(
                        "too-large",
                        "The picture has " + (long) width * height / 1_000_000 + " megapixels; it may have "
                                + MOST_PIXELS / 1_000_000 + ".");
            var param = reader.getDefaultReadParam();
            int every = Math.max(1, Math.max(width, height) / (2 * longest));
            param.setSourceSubsampling(every, every, 0, 0);
            return small(reader.read(0, param), format.equals("jpeg") ? orientation(sent) : 1, longest);
        } catch (IOException | RuntimeException e) {
            if (e instanceof Refusal refusal) throw refusal;
            throw Refusal.invalid(
                    "damaged-picture",
                    "This picture cannot be read: it is damaged, or of an unusual kind. Save it anew.");
        } finally {
            reader.dispose();
        }
    }

    private static @Nullable String format(byte[] b) {
        if (b.length < 16) return null;
        if ((b[0] & 0xFF) == 0x89 && b[1] == 'P' && b[2] == 'N' && b[3] == 'G') return "png";
        if ((b[0] & 0xFF) == 0xFF && (b[1] & 0xFF) == 0xD8 && (b[2] & 0xFF) == 0xFF) return "jpeg";
        boolean riff = b[0] == 'R' && b[1] == 'I' && b[2] == 'F' && b[3] == 'F';
        return riff && b[8] == 'W' && b[9] == 'E' && b[10] == 'B' && b[11] == 'P' ? "webp" : null;
    }

    private static ImageReader reader(String format) {
        Iterator<ImageReader> readers = ImageIO.getImageReadersByFormatName(format);
        if (!readers.hasNext()) throw new IllegalStateException("no reader of " + format + " on the class path");
        return readers.next();
    }

    /** Which way up it was taken, 1 to 8 as EXIF counts (CIPA DC-008, table 6, from memory); 1 where it is not said. */
    private static int orientation(byte[] jpeg) {
        try (var in = new MemoryCacheImageInputStream(new ByteArrayInputStream(jpeg))) {
            for (var segment : JPEGSegmentUtil.readSegments(in, JPEG.APP1, "Exif")) {
                var data = segment.data();
                if (data.read() < 0) continue;
                try (var exif = new MemoryCacheImageInputStream(data)) {
                    var read = new TIFFReader().read(exif);
                    var first = read instanceof CompoundDirectory all ? all.getDirectory(0) : read;
                    var entry = first.getEntryById(TIFF.TAG_ORIENTATION);
                    if (entry != null && entry.getValue() instanceof Number n && n.intValue() >= 1 && n.intValue() <= 8)
                        return n.intValue();
                }
            }
        } catch (IOException | RuntimeException e) {
            return 1; // What it tells of itself is damaged; the picture may be whole.
        }
        return 1;
    }

    private static Reencoded small(BufferedImage read, int orientation, int longest) throws IOException {
        boolean turned = orientation >= 5;
        int wide = turned ? read.getHeight() : read.getWidth();
        int high = turned ? read.getWidth() : read.getHeight();
        for (double scale = Math.min(1, (double) longest / Math.max(wide, high)); ; scale *= 0.75) {
            int width = Math.max(1, (int) Math.round(wide * scale));
            int height = Math.max(1, (int) Math.round(high * scale));
            var image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
            var g = image.createGraphics();
            g.setColor(Color.WHITE);
            g.fillRect(0, 0, width, height);
            g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
            g.setRenderingHint(RenderingHints.KEY_RENDERING, RenderingHints.VALUE_RENDER_QUALITY);
            var upright = AffineTransform.getScaleInstance((double) width / wide, (double) height / high);
            upright.concatenate(upright(orientation, read.getWidth(), read.getHeight()));
            g.drawImage(read, upright, null);
            g.dispose();
            for (float quality : QUALITIES) {
                var jpeg = encoded(image, quality);
                if (jpeg.length <= MOST_KEPT) return new Reencoded(width, height, jpeg);
            }
        }
    }

    /** Turns and mirrors a picture of this size upright, its corner at the origin. */
    private static AffineTransform upright(int orientation, int w, int h) {
        return switch (orientation) {
            case 2 -> new AffineTransform(-1, 0, 0, 1, w, 0);
            case 3 -> new AffineTransform(-1, 0, 0, -1, w, h);
            case 4 -> new AffineTransform(1, 0, 0, -1, 0, h);
            case 5 -> new AffineTransform(0, 1, 1, 0, 0, 0);
            case 6 -> new AffineTransform(0, 1, -1, 0, h, 0);
            case 7 -> new AffineTransform(0, -1, -1, 0, h, w);
            case 8 -> new AffineTransform(0, -1, 1, 0, 0, w);
            default -> new AffineTransform();
        };
    }

    private static byte[] encoded(BufferedImage image, float quality) {
        var writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        var out = new ByteArrayOutputStream();
        try (var stream = new MemoryCacheImageOutputStream(out)) {
            var param = writer.getDefaultWriteParam();
            param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            param.setCompressionQuality(quality);
            writer.setOutput(stream);
            writer.write(null, new IIOImage(image, null, null), param);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            writer.dispose();
        }
        return out.toByteArray();
    }
}
