package palmtally.formats;

import static org.assertj.core.api.Assertions.assertThat;

import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Read back by readers that are not the writers: FastCSV, and Apache POI. */
class TableTest {
    private static final Table MARKS = new Table(
            "Marks",
            List.of("student", "region", "level", "secure"),
            List.of(
                    Arrays.asList("Ana \"Oar\" Quill, the elder", "neck", 71.456, 3),
                    Arrays.asList("Żaneta Łoś\nin two lines", "hip", null, 0)));

    private static List<CsvRecord> csv(Table table) {
        return CsvReader.builder().ofCsvRecord(table.csv()).stream().toList();
    }

    @Test
    void a_table_as_csv_is_read_back_as_it_was() {
        var rows = csv(MARKS);
        assertThat(rows.get(0).getFields()).containsExactly("student", "region", "level", "secure");
        assertThat(rows.get(1).getFields()).containsExactly("Ana \"Oar\" Quill, the elder", "neck", "71.46", "3");
        assertThat(rows.get(2).getFields()).containsExactly("Żaneta Łoś\nin two lines", "hip", "", "0");
        assertThat(MARKS.csv()).as("RFC 4180, 2.1").contains("secure\r\n");
    }

    @Test
    void a_table_in_a_workbook_is_read_back_with_numbers_as_numbers() throws IOException {
        try (var book = new XSSFWorkbook(new ByteArrayInputStream(Table.workbook(List.of(MARKS, MARKS))))) {
            // Two sheets of one name cannot be; the second is told apart.
            assertThat(book.getNumberOfSheets()).isEqualTo(2);
            var sheet = book.getSheetAt(0);
            assertThat(sheet.getRow(0).getCell(2).getStringCellValue()).isEqualTo("level");
            assertThat(sheet.getRow(1).getCell(0).getStringCellValue()).isEqualTo("Ana \"Oar\" Quill, the elder");
            assertThat(sheet.getRow(1).getCell(2).getCellType()).isEqualTo(CellType.NUMERIC);
            assertThat(sheet.getRow(1).getCell(2).getNumericCellValue()).isEqualTo(71.46);
            assertThat(sheet.getRow(2).getCell(0).getStringCellValue()).isEqualTo("Żaneta Łoś\nin two lines");
            assertThat(sheet.getRow(2).getCell(2)).isNull();
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "=HYPERLINK(\"http://x\",\"y\")",
                "+1+1",
                "-2+3",
                "@SUM(A1)",
                "\t=1+1",
                "\r=1+1",
                "=cmd|' /C calc'!A0"
            })
    void a_name_that_looks_like_a_formula_is_text_in_both(String name) throws IOException {
        var table = new Table("Marks", List.of("student"), List.of(List.of(name)));
        var cell = csv(table).get(1).getField(0);
        assertThat(cell).startsWith("'");
        assertThat(cell.substring(1)).isEqualTo(name);
        try (var book = new XSSFWorkbook(new ByteArrayInputStream(Table.workbook(List.of(table))))) {
            assertThat(book.getSheetAt(0).getRow(1).getCell(0).getCellType()).isEqualTo(CellType.STRING);
        }
    }

    @Test
    void a_number_below_nothing_is_a_number_and_no_formula() {
        var table = new Table("Marks", List.of("difference"), List.of(List.of(-4.5)));
        assertThat(csv(table).get(1).getField(0)).isEqualTo("-4.5");
    }

    @Test
    void what_a_workbook_cannot_hold_becomes_a_space() throws IOException {
        var table = new Table("Marks", List.of("student"), List.of(List.of("a\u0001b\uFFFEc")));
        try (var book = new XSSFWorkbook(new ByteArrayInputStream(Table.workbook(List.of(table))))) {
            assertThat(book.getSheetAt(0).getRow(1).getCell(0).getStringCellValue())
                    .isEqualTo("a b c");
        }
    }
}
