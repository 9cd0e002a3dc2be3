package palmtally.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.ss.usermodel.Workbook;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Workbooks are written by Apache POI, which is not the library that reads them here. */
class SheetFileTest {
    private static byte[] bytes(Workbook book) throws IOException {
        var out = new ByteArrayOutputStream();
        book.write(out);
        return out.toByteArray();
    }

    private static List<List<String>> csv(byte[] file) throws FormatException {
        return SheetFile.read(file, 0).rows();
    }

    private static List<List<String>> csv(String text) throws FormatException {
        return csv(text.getBytes(StandardCharsets.UTF_8));
    }

    private static String reason(byte[] file, int sheet) {
        try {
            SheetFile.read(file, sheet);
            throw new AssertionError("was read");
        } catch (FormatException e) {
            return e.faults().get(0).reason();
        }
    }

    @Test
    void a_workbook_is_read_as_it_is_seen() throws Exception {
        try (var book = new XSSFWorkbook()) {
            book.createSheet("Cover");
            var sheet = book.createSheet("Marks");
            var style = book.createCellStyle();
            style.setDataFormat(book.createDataFormat().getFormat("dd.mm.yyyy"));
            var share = book.createCellStyle();
            share.setDataFormat(book.createDataFormat().getFormat("0 %"));
            var head = sheet.createRow(2);
            for (int c = 0; c < 6; c++) head.createCell(c).setCellValue("column " + c);
            var row = sheet.createRow(4);
            row.createCell(0).setCellValue("Żaneta \"Oar\" Łoś");
            row.createCell(1).setCellValue(LocalDate.of(2025, 11, 3));
            row.getCell(1).setCellStyle(style);
            row.createCell(2).setCellValue(0.85);
            row.getCell(2).setCellStyle(share);
            row.createCell(3).setCellFormula("4.05*2");
            row.createCell(4).setCellFormula("1/0");
            row.createCell(6).setCellValue(true);
            book.getCreationHelper().createFormulaEvaluator().evaluateAll();
            book.createSheet("More").createRow(0).createCell(0).setCellValue(7.5);
            var file = bytes(book);

            var read = SheetFile.read(file, 0);
            assertThat(read.names()).containsExactly("Marks", "More");
            assertThat(read.rows())
                    .containsExactly(
                            List.of(),
                            List.of(),
                            List.of("column 0", "column 1", "column 2", "column 3", "column 4", "column 5"),
                            List.of(),
                            List.of("Żaneta \"Oar\" Łoś", "2025-11-03", "85 %", "8.1", "#DIV/0!", "", "TRUE"));
            assertThat(SheetFile.read(file, 1).rows()).containsExactly(List.of("7.5"));
            assertThat(reason(file, 2)).isEqualTo("has 2 sheets that hold something, and not one more");
            // A byte of the middle flipped, and half of it.
            for (int cut : new int[] {file.length / 2, file.length - 10})
                assertThat(reason(Arrays.copyOf(file, cut), 0)).contains("is damaged");
        }
    }

    @ParameterizedTest
    @ValueSource(chars = {',', ';', '\t', '|'})
    void a_list_is_read_by_whatever_parts_it(char by) throws Exception {
        var text =
                "name;mark;what\r\n\"Brook; Lena, \"\"Lee\"\"\";\"7,5\";\"two\nlines\"\r\nMats;8;\r\n".replace(';', by);
        assertThat(csv(text))
                .containsExactly(
                        List.of("name", "mark", "what"),
                        List.of("Brook; Lena, \"Lee\"".replace(';', by), "7,5", "two\nlines"),
                        List.of("Mats", "8", ""));
    }

    @Test
    void decimal_commas_do_not_part_a_list() throws Exception {
        assertThat(csv("a;b;c\n1,5;2,5;3,5\n4,5;5,5;6,5\n").get(1)).containsExactly("1,5", "2,5", "3,5");
        assertThat(csv("sep=|\na,b|c,d\n")).containsExactly(List.of("a,b", "c,d"));
    }

    @Test
    void letters_are_those_that_were_written_whatever_the_program() throws Exception {
        var text = "Zoë;Ångström – “8”\n";
        for (var charset : List.of(StandardCharsets.UTF_8, Charset.forName("windows-1252")))
            assertThat(csv(text.getBytes(charset)))
                    .as(charset.toString())
                    .containsExactly(List.of("Zoë", "Ångström – “8”"));
        for (var charset : List.of(StandardCharsets.UTF_16LE, StandardCharsets.UTF_16BE, StandardCharsets.UTF_8))
            assertThat(csv(("\uFEFF" + text).getBytes(charset)))
                    .as(charset + " with its mark")
                    .containsExactly(List.of("Zoë", "Ångström – “8”"));
    }

    @Test
    void a_quote_that_is_nobodys_is_a_letter() throws Exception {
        assertThat(csv("name;note\nLena;\"lee\nMats;8\n").size()).isGreaterThanOrEqualTo(2);
        assertThat(csv("name;note\nLena;5\" towel\nMats;8\n").get(1)).containsExactly("Lena", "5\" towel");
    }

    /** Written part after part, each with its size behind it: as our own workbooks are. */
    @Test
    void a_workbook_that_was_packed_while_it_was_written_is_read() throws Exception {
        var table = new Table("Marks", List.of("Name", "Draping"), List.of(List.of("Ana", 71.5), List.of("Žofie", 40)));
        var read = SheetFile.read(Table.workbook(List.of(table)), 0);
        assertThat(read.names()).containsExactly("Marks");
        assertThat(read.rows())
                .containsExactly(List.of("Name", "Draping"), List.of("Ana", "71.5"), List.of("Žofie", "40"));
    }

    @Test
    void what_is_no_list_is_refused_with_what_to_do() throws Exception {
        assertThat(reason(new byte[0], 0)).isEqualTo("holds nothing");
        assertThat(reason(new byte[SheetFile.MOST_BYTES + 1], 0)).startsWith("has 8388609 bytes; at most 8388608");
        assertThat(reason(new byte[] {1, 0, 0, 7}, 0)).isEqualTo("is no list: neither a workbook (.xlsx) nor CSV");
        // Fewer bytes than any mark of a kind has.
        assertThat(reason(new byte[] {0, 1, 2}, 0)).startsWith("is no list");
        assertThat(csv(new byte[] {'8'})).containsExactly(List.of("8"));
        try (var old = new HSSFWorkbook()) {
            old.createSheet().createRow(0).createCell(0).setCellValue(1);
            assertThat(reason(bytes(old), 0))
                    .isEqualTo(
                            "is a workbook of an old kind, or one with a password: save it as .xlsx without one, or as CSV");
        }
        try (var empty = new XSSFWorkbook()) {
            empty.createSheet();
            assertThat(reason(bytes(empty), 0)).isEqualTo("holds no cell");
        }
        var packed = new ByteArrayOutputStream();
        try (var zip = new ZipOutputStream(packed)) {
            zip.putNextEntry(new ZipEntry("xl/workbook.xml"));
            for (int i = 0; i < 140; i++) zip.write(new byte[1 << 20]);
        }
        assertThat(packed.size()).isLessThan(300_000);
        assertThat(reason(packed.toByteArray(), 0)).startsWith("is packed too tight");
        assertThatThrownBy(() -> csv("a\n".repeat(50_001))).isInstanceOf(FormatException.class);
    }

    @Test
    void a_workbook_that_names_a_file_of_this_computer_reads_none() throws Exception {
        var out = new ByteArrayOutputStream();
        try (var zip = new ZipOutputStream(out)) {
            for (var part : new String[] {"[Content_Types].xml", "_rels/.rels", "xl/workbook.xml"}) {
                zip.putNextEntry(new ZipEntry(part));
                zip.write("<!DOCTYPE x [<!ENTITY e SYSTEM \"file:///etc/hostname\">]><x>&e;</x>"
                        .getBytes(StandardCharsets.UTF_8));
            }
        }
        assertThat(reason(out.toByteArray(), 0)).contains("is damaged");
    }
}
