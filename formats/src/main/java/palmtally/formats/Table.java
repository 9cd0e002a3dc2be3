package palmtally.formats;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.dhatim.fastexcel.Workbook;
import org.jspecify.annotations.Nullable;

/**
 * A table for a spreadsheet: as CSV (RFC 4180, UTF-8) or as a sheet of a workbook (Office Open XML). Text is text: what a spreadsheet
 * would take for a formula has an apostrophe in front in CSV, and is typed as text in a workbook.
 *
 * @param name of the sheet, at most 31 characters
 * @param rows cells of a row: text, numbers, or null for none; as many as there are columns
 */
public record Table(String name, List<String> columns, List<List<@Nullable Object>> rows) {
    private static final String FORMULA = "=+-@\t\r";

    public Table {
        columns = List.copyOf(columns);
        rows = List.copyOf(rows);
    }

    public String csv() {
        var out = new StringBuilder();
        try (var printer = CSVFormat.RFC4180
                .builder()
                .setHeader(columns.toArray(String[]::new))
                .get()
                .print(out)) {
            for (var row : rows) {
                for (var cell : row) printer.print(cell instanceof Number n ? number(n) : text(cell));
                printer.println();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    /** A workbook of one sheet a table. */
    public static byte[] workbook(List<Table> tables) {
        var out = new ByteArrayOutputStream();
        try (var book = new Workbook(out, "Palm Tally", "1.0")) {
            for (var table : tables) {
                var sheet = book.newWorksheet(table.name);
                for (int c = 0; c < table.columns.size(); c++) {
                    sheet.value(0, c, table.columns.get(c));
                    sheet.style(0, c).bold().set();
                }
                sheet.freezePane(1, 1);
                for (int r = 0; r < table.rows.size(); r++)
                    for (int c = 0; c < table.columns.size(); c++) {
                        var cell = table.rows.get(r).get(c);
                        if (cell instanceof Number n) sheet.value(r + 1, c, Math.round(n.doubleValue() * 100) / 100.0);
                        else if (cell != null) sheet.value(r + 1, c, written(cell.toString()));
                    }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static String number(Number n) {
        return java.math.BigDecimal.valueOf(Math.round(n.doubleValue() * 100))
                .movePointLeft(2)
                .stripTrailingZeros()
                .toPlainString();
    }

    private static String text(@Nullable Object cell) {
        var text = cell == null ? "" : cell.toString();
        return !text.isEmpty() && FORMULA.indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
    }

    /** What XML cannot hold becomes a space. */
    private static String written(String text) {
        return text.codePoints()
                .map(c -> c == '\t' || c == '\n' || c == '\r' || c >= 0x20 && c != 0xFFFE && c != 0xFFFF ? c : ' ')
                .filter(c -> !(c >= 0xD800 && c <= 0xDFFF))
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
    }
}
