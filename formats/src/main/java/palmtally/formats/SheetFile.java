package palmtally.formats;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.apache.commons.csv.CSVFormat;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ExcelReaderException;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.ReadingOptions;
import org.dhatim.fastexcel.reader.Row;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue.Fault;

/**
 * A sheet as somebody else's program wrote it, as rows of text: a workbook (Office Open XML), or CSV with commas, semicolons, tabs or bars, in
 * UTF-8, UTF-16 or Windows-1252.
 *
 * @param names of the sheets that hold something, in their order; one without a name where the file is no workbook
 * @param sheet which of them was read, from 0
 * @param rows cells as they are shown: a date as ISO 8601, a share as per cent
 */
public record SheetFile(List<String> names, int sheet, List<List<String>> rows) {
    /** Larger ones are taken for a mistake. */
    public static final int MOST_BYTES = 8 * 1024 * 1024;

    private static final int MOST_ROWS = 50_000;
    private static final int MOST_COLUMNS = 500;
    private static final long MOST_UNPACKED = 128L * 1024 * 1024;
    private static final int MOST_ENTRIES = 2_000;
    private static final int SAMPLE_LINES = 40;

    /**
     * Reads a sheet.
     *
     * @param sheet which of those that hold something, from 0
     * @throws FormatException where it is too large, is no such file or is damaged, with what to do instead
     */
    public static SheetFile read(byte[] file, int sheet) throws FormatException {
        if (file.length == 0) throw fault("holds nothing");
        if (file.length > MOST_BYTES) throw fault("has " + file.length + " bytes; at most " + MOST_BYTES + " are read");
        if (starts(file, 'P', 'K', 3, 4)) return workbook(file, sheet);
        if (starts(file, 0xD0, 0xCF, 0x11, 0xE0))
            throw fault(
                    "is a workbook of an old kind, or one with a password: save it as .xlsx without one, or as CSV");
        return new SheetFile(List.of(""), 0, csv(text(file)));
    }

    private static FormatException fault(String reason) {
        return new FormatException(List.of(new Fault("file", "", reason)));
    }

    private static SheetFile workbook(byte[] file, int sheet) throws FormatException {
        measure(file);
        try (var book = new ReadableWorkbook(new ByteArrayInputStream(file), new ReadingOptions(true, true))) {
            var names = new ArrayList<String>();
            var all = new ArrayList<List<List<String>>>();
            for (var each : book.getSheets().toList()) {
                var rows = rows(each.openStream().iterator(), book.isDate1904());
                if (rows.stream().allMatch(r -> r.stream().allMatch(String::isBlank))) continue;
                names.add(each.getName());
                all.add(rows);
            }
            if (all.isEmpty()) throw fault("holds no cell");
            if (sheet < 0 || sheet >= all.size())
                throw fault("has " + all.size() + " sheets that hold something, and not one more");
            return new SheetFile(List.copyOf(names), sheet, all.get(sheet));
        } catch (IOException
                | UncheckedIOException
                | ExcelReaderException
                | IllegalArgumentException
                | java.util.NoSuchElementException e) {
            throw fault("is no workbook that can be read, or is damaged: save it anew, or as CSV");
        }
    }

    /**
     * It is unpacked once and thrown away before anything is made of it, so that no small file grows without bounds. Its parts are those of
     * its directory, as the reader takes them: one that was packed while it was written says the size of none before it.
     */
    private static void measure(byte[] file) throws FormatException {
        long bytes = 0;
        int entries = 0;
        var block = new byte[1 << 16];
        try (var zip = ZipFile.builder().setByteArray(file).get()) {
            for (var part : Collections.list(zip.getEntries())) {
                if (++entries > MOST_ENTRIES) throw fault("is packed of too many parts");
                try (var in = zip.getInputStream(part)) {
                    for (int n = in.read(block); n >= 0; n = in.read(block)) {
                        bytes += n;
                        if (bytes > MOST_UNPACKED)
                            throw fault("is packed too tight: unpacked it is larger than any list of marks");
                    }
                }
            }
        } catch (IOException | IllegalArgumentException e) {
            throw fault("is no workbook that can be read, or is damaged: save it anew, or as CSV");
        }
    }

    private static List<List<String>> rows(java.util.Iterator<Row> of, boolean since1904) throws FormatException {
        var rows = new ArrayList<List<String>>();
        while (of.hasNext()) {
            var row = of.next();
            // Rows in which nothing stands are not written; they count all the same.
            if (row.getRowNum() > MOST_ROWS) throw fault("has more than " + MOST_ROWS + " rows");
            while (rows.size() < row.getRowNum() - 1) rows.add(List.of());
            if (row.getCellCount() > MOST_COLUMNS) throw fault("has more than " + MOST_COLUMNS + " columns");
            var cells = new ArrayList<String>();
            for (int c = 0; c < row.getCellCount(); c++) cells.add(shown(row.getCell(c), since1904));
            while (!cells.isEmpty() && cells.get(cells.size() - 1).isBlank()) cells.remove(cells.size() - 1);
            rows.add(List.copyOf(cells));
        }
        return List.copyOf(rows);
    }

    /** What a reader of the sheet sees in a cell, but for how many digits. */
    private static String shown(@Nullable Cell cell, boolean since1904) {
        if (cell == null || cell.getType() == CellType.EMPTY) return "";
        if (cell.getType() == CellType.BOOLEAN) return cell.getText().toUpperCase(Locale.ROOT);
        var raw = cell.getType() == CellType.STRING ? null : number(cell.getRawValue());
        if (raw == null) {
            var text = cell.getText();
            return text == null ? "" : text;
        }
        var format = cell.getDataFormatString();
        if (format != null) {
            var bare = format.replaceAll("\"[^\"]*\"|\\[[^\\]]*\\]|\\\\.", "").toLowerCase(Locale.ROOT);
            if (bare.contains("%"))
                return raw.movePointRight(2).stripTrailingZeros().toPlainString() + " %";
            if (bare.contains("y") && bare.contains("m") || bare.contains("d") && bare.contains("m")) {
                // Day 60 of 1900 is one that never was; days are counted from 30 December 1899 from then on (ECMA-376,
                // 18.17.4.1).
                long days = raw.longValue() + (since1904 ? 1462 : 0);
                if (days >= 1 && days < 2_958_466)
                    return java.time.LocalDate.of(1899, 12, 30).plusDays(days).toString();
            }
        }
        return raw.stripTrailingZeros().toPlainString();
    }

    private static java.math.@Nullable BigDecimal number(@Nullable String raw) {
        if (raw == null || raw.length() > 40) return null;
        try {
            var number = new java.math.BigDecimal(raw);
            // What a binary fraction makes of 8.1 is no more exact than fifteen digits.
            return Math.abs(number.scale()) > 400 ? null : number.round(new java.math.MathContext(15));
        } catch (NumberFormatException e) {
            return null;
        }
    }

    /** By the mark in front; else UTF-8 where it is that, and Windows-1252, in which old programs write. */
    private static String text(byte[] file) throws FormatException {
        Charset charset = null;
        int skip = 0;
        if (starts(file, 0xEF, 0xBB, 0xBF)) {
            charset = StandardCharsets.UTF_8;
            skip = 3;
        } else if (starts(file, 0xFF, 0xFE)) {
            charset = StandardCharsets.UTF_16LE;
            skip = 2;
        } else if (starts(file, 0xFE, 0xFF)) {
            charset = StandardCharsets.UTF_16BE;
            skip = 2;
        }
        String text;
        try {
            text = (charset == null ? StandardCharsets.UTF_8 : charset)
                    .newDecoder()
                    .decode(ByteBuffer.wrap(file, skip, file.length - skip))
                    .toString();
        } catch (CharacterCodingException e) {
            if (charset != null) throw fault("is no text in " + charset + ", as its first bytes say");
            text = new String(file, Charset.forName("windows-1252"));
        }
        if (text.indexOf('\0') >= 0) throw fault("is no list: neither a workbook (.xlsx) nor CSV");
        return text;
    }

    private static boolean starts(byte[] file, int... first) {
        if (file.length < first.length) return false;
        for (int i = 0; i < first.length; i++) if ((file[i] & 0xFF) != first[i]) return false;
        return true;
    }

    private static List<List<String>> csv(String text) throws FormatException {
        char separator = separator(text);
        // Some programs say their separator in a line of its own.
        var body = text.replaceFirst("^sep=.\\R", "");
        boolean lenient = false;
        while (true)
            try (var parser = CSVFormat.DEFAULT
                    .builder()
                    .setDelimiter(separator)
                    .setIgnoreEmptyLines(false)
                    .setLenientEof(true)
                    .setTrailingData(true)
                    .setQuote(lenient ? null : '"')
                    .get()
                    .parse(new StringReader(body))) {
                var rows = new ArrayList<List<String>>();
                for (var record : parser) {
                    if (rows.size() >= MOST_ROWS) throw fault("has more than " + MOST_ROWS + " rows");
                    if (record.size() > MOST_COLUMNS) throw fault("has more than " + MOST_COLUMNS + " columns");
                    rows.add(List.copyOf(record.toList()));
                }
                return List.copyOf(rows);
            } catch (IOException | UncheckedIOException e) {
                // A quote that is nobody's is a letter.
                if (lenient) throw fault("is no CSV that can be read: " + e.getMessage());
                lenient = true;
            }
    }

    /** The one that parts the first lines into the most cells, equally many on each. */
    private static char separator(String text) {
        if (text.startsWith("sep=") && text.length() > 5 && (text.charAt(5) == '\n' || text.charAt(5) == '\r'))
            return text.charAt(4);
        var lines = text.lines().filter(l -> !l.isBlank()).limit(SAMPLE_LINES).toList();
        char best = ',';
        double most = 0;
        for (char c : new char[] {';', '\t', ',', '|'}) {
            var counts = lines.stream().map(l -> outside(l, c)).toList();
            int usual =
                    counts.stream().sorted().skip(counts.size() / 2).findFirst().orElse(0);
            double alike = counts.stream().filter(n -> n == usual).count() / (double) Math.max(1, counts.size());
            double score = usual * alike;
            if (score > most + 1e-9) {
                most = score;
                best = c;
            }
        }
        return best;
    }

    /** How often a separator stands outside of quotes. */
    private static int outside(String line, char separator) {
        boolean quoted = false;
        int n = 0;
        for (int i = 0; i < line.length(); i++) {
            char c = line.charAt(i);
            if (c == '"') quoted = !quoted;
            else if (c == separator && !quoted) n++;
        }
        return n;
    }
}
