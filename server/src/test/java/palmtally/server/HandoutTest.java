package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.pdfparser.PDFStreamParser;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.formats.Json;
import tools.jackson.databind.node.ObjectNode;

/** Paper, read back with Debian's poppler-utils: text, fonts, size. */
@ExtendWith(App.class)
class HandoutTest {
    @TempDir
    Path folder;

    private Path pdf(Visitor visitor, String path) throws IOException {
        var file = folder.resolve("page.pdf");
        var bytes = visitor.bytes(path);
        assertThat(new String(bytes, 0, 5, StandardCharsets.US_ASCII)).isEqualTo("%PDF-");
        Files.write(file, bytes);
        return file;
    }

    private static String run(String... command) throws IOException, InterruptedException {
        var process = new ProcessBuilder(command).redirectErrorStream(true).start();
        var said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor())
                .as(String.join(" ", command) + "\n" + said)
                .isZero();
        return said;
    }

    private static String text(Path pdf) throws Exception {
        return run("pdftotext", "-layout", pdf.toString(), "-").replaceAll("\\s+", " ");
    }

    @ParameterizedTest
    @CsvSource({"a4, 595.27", "letter, 612"})
    void a_sequence_carries_its_steps_cautions_and_room_for_notes(String paper, String width, App.Running app)
            throws Exception {
        var pdf = pdf(Visitor.as(app.url(), "nadia"), "/api/sequences/hip/handout?paper=" + paper);
        assertThat(run("pdfinfo", pdf.toString())).contains("Page size:       " + width.substring(0, 3));
        var text = text(pdf);
        assertThat(text)
                .contains("Sitting all day in a boat", "Local codes and licensed practice decide.", "Notes", "To mind")
                .contains("Ask before, say with the sheet or without");
        for (var step : Visitor.as(app.url(), "nadia")
                .get("/api/sequences/hip")
                .json()
                .get("sequence")
                .get("blocks"))
            for (var s : step.get("steps"))
                assertThat(text).contains(s.get("name").asString().split(" ")[0]);
    }

    private static String criterion(String id) {
        return palmtally.core.finding.Criterion.valueOf(id.toUpperCase(java.util.Locale.ROOT))
                .label();
    }

    /** What is said of each drawing, in the order in which it is read. */
    private static List<String> spoken(Path pdf) throws IOException {
        var all = new ArrayList<String>();
        try (var document = Loader.loadPDF(pdf.toFile())) {
            collect(document.getDocumentCatalog().getStructureTreeRoot(), all);
        }
        return all;
    }

    private static void collect(PDStructureNode node, List<String> all) {
        for (var kid : node.getKids())
            if (kid instanceof PDStructureElement e) {
                if (e.getAlternateDescription() != null) all.add(e.getAlternateDescription());
                collect(e, all);
            }
    }

    /** Each step is there as a picture whose words are those of its plan, in any of three densities. */
    @ParameterizedTest
    @CsvSource({"words, 2, 3", "cards, 1, 2", "order, 1, 1"})
    void a_sequence_is_printed_in_three_densities(String density, int least, int most, App.Running app)
            throws Exception {
        var nadia = Visitor.as(app.url(), "nadia");
        var pdf = pdf(nadia, "/api/sequences/hip/handout?density=" + density);
        var spoken = spoken(pdf).stream()
                .filter(s -> !s.startsWith("The steps over"))
                .toList();
        var names = new ArrayList<String>();
        for (var block : nadia.get("/api/sequences/hip").json().get("sequence").get("blocks"))
            for (var s : block.get("steps")) names.add(s.get("name").asString());
        assertThat(spoken).hasSameSizeAs(names);
        for (int i = 0; i < names.size(); i++) assertThat(spoken.get(i)).startsWith(names.get(i) + ": ");
        assertThat(spoken.get(3)).contains("forearm", "Low back, beside the spine", "each side", "along the fibre");
        try (var document = Loader.loadPDF(pdf.toFile())) {
            assertThat(document.getNumberOfPages()).isBetween(least, most);
        }
        var text = text(pdf);
        assertThat(text.contains("Usual cautions for teaching")).isEqualTo(!density.equals("order"));
        assertThat(text.contains("Quadratus lumborum")).isEqualTo(density.equals("words"));
        assertThat(nadia.get("/api/sequences/hip/handout?density=tiny")
                        .json()
                        .get("detail")
                        .asString())
                .contains("must be words, cards or order");
    }

    /** All that is printed can be read aloud: tagged, titled, in a language, with headings and words for each picture. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "/api/sequences/hip/handout?density=words",
                "/api/sequences/calves/handout?density=cards&paper=letter",
                "/api/sequences/side-neck/handout?density=order",
                "/api/terms/TERM/weeks/9/plan",
                "/api/terms/TERM/report",
                "/api/terms/TERM/watch/list",
                "/api/competency/students/STUDENT/report"
            })
    void what_is_printed_is_accessible(String path, App.Running app) throws Exception {
        var nadia = Visitor.as(app.url(), "nadia");
        var student = nadia.get("/api/terms/" + nadia.term() + "/competency")
                .json()
                .get("students")
                .get(0)
                .get("id")
                .asString();
        var pdf = pdf(nadia, path.replace("TERM", nadia.term()).replace("STUDENT", student));
        var keep = System.getenv("PALM_KEEP_PDF");
        if (keep != null)
            Files.copy(
                    pdf,
                    Path.of(keep, path.replaceAll("[^a-z0-9]+", "-") + ".pdf"),
                    java.nio.file.StandardCopyOption.REPLACE_EXISTING);
        PdfUa.assertAccessible(pdf);
    }

    @Test
    void every_font_is_embedded_and_nothing_is_in_colour(App.Running app) throws Exception {
        var pdf = pdf(Visitor.as(app.url(), "nadia"), "/api/sequences/calves/handout");
        var fonts = run("pdffonts", pdf.toString()).lines().skip(2).toList();
        assertThat(fonts).isNotEmpty().allSatisfy(f -> assertThat(f).containsPattern("\\syes\\s+yes\\s+yes\\s"));
        assertThat(fonts.toString()).contains("AtkinsonHyperlegibleNext", "BricolageGrotesque");
        try (var document = Loader.loadPDF(pdf.toFile())) {
            for (var page : document.getPages()) {
                var tokens = new PDFStreamParser(page).parse();
                for (int i = 0; i < tokens.size(); i++)
                    if (tokens.get(i) instanceof Operator o
                            && List.of("rg", "RG").contains(o.getName()))
                        assertThat(((COSNumber) tokens.get(i - 3)).floatValue())
                                .isEqualTo(((COSNumber) tokens.get(i - 2)).floatValue())
                                .isEqualTo(((COSNumber) tokens.get(i - 1)).floatValue());
            }
        }
    }

    @Test
    void a_sequence_with_a_stop_says_so_on_paper(App.Running app) throws Exception {
        assertThat(text(pdf(Visitor.as(app.url(), "nadia"), "/api/sequences/calves/handout?version=1")))
                .contains("Not to be shown as it is.");
        assertThat(text(pdf(Visitor.as(app.url(), "nadia"), "/api/sequences/hip/handout")))
                .doesNotContain("Not to be shown as it is.");
    }

    @Test
    void any_script_and_any_hostile_name_goes_on_paper(App.Running app) throws Exception {
        var nadia = Visitor.as(app.url(), "nadia");
        var sequence = (ObjectNode) nadia.get("/api/sequences/feet").json().get("sequence");
        sequence.put("id", "hostile");
        sequence.put("name", "Łódź Жанна Ωμέγα <b>&amp;</b> \"x\" \u0001 \uD83D\uDE00 ]]>");
        sequence.put("note", "</p></body><script>alert(1)</script>");
        assertThat(nadia.put("/api/sequences/hostile", "{\"from\":0,\"sequence\":" + sequence + "}")
                        .status())
                .isEqualTo(200);
        var text = text(pdf(nadia, "/api/sequences/hostile/handout"));
        assertThat(text).contains("Łódź Жанна Ωμέγα <b>&amp;</b>", "<script>alert(1)</script>");
    }

    @ParameterizedTest
    @CsvSource({"9, a4", "9, letter", "5, a4", "11, a4"})
    void a_week_is_one_page(int week, String paper, App.Running app) throws Exception {
        var nadia = Visitor.as(app.url(), "nadia");
        var pdf = pdf(nadia, "/api/terms/" + nadia.term() + "/weeks/" + week + "/plan?paper=" + paper);
        assertThat(run("pdfinfo", pdf.toString())).containsPattern("Pages:\\s+1\\n");
        var text = text(pdf);
        assertThat(text).contains("Week " + week + " of 15", "Local codes and licensed practice decide.");
        if (week == 9)
            assertThat(text)
                    .contains(
                            "Foot and ankle",
                            "Olle Strand",
                            "Tuesday, 18:00, Boathouse",
                            "18:00 – 19:00",
                            "Sacrum and hip");
        if (week == 11) assertThat(text).contains("This week is off.");
    }

    @Test
    void a_very_full_week_still_fits_one_page(App.Running app) throws Exception {
        var lead = Visitor.as(app.url(), "lead");
        var terms = lead.post(
                        "/api/school/terms",
                        "{\"name\":\"Full\",\"cohort\":\"c\",\"startsOn\":\"2025-01-06\",\"weeks\":2}")
                .json();
        var term = "";
        for (var t : terms)
            if (t.get("name").asString().equals("Full")) term = t.get("id").asString();
        var curriculum = (ObjectNode)
                lead.get("/api/terms/" + term + "/curriculum").json().get("curriculum");
        var lessons = Json.MAPPER.createArrayNode();
        for (int i = 0; i < 24; i++) {
            var lesson = Json.MAPPER
                    .createObjectNode()
                    .put("id", "l" + i)
                    .put("week", 1)
                    .put("lab", 1 + i % 2)
                    .put("region", "neck")
                    .put("aim", "practise")
                    .put("minutes", 10.0)
                    .put("sequence", "neck")
                    .put("note", "Lesson " + i + ": supported thumbs, slow hands, ask twice.");
            lesson.putArray("steps");
            lessons.add(lesson);
        }
        curriculum.set("lessons", lessons);
        assertThat(lead.put("/api/terms/" + term + "/curriculum", "{\"from\":0,\"curriculum\":" + curriculum + "}")
                        .status())
                .isEqualTo(200);
        var pdf = pdf(lead, "/api/terms/" + term + "/weeks/1/plan");
        assertThat(run("pdfinfo", pdf.toString())).containsPattern("Pages:\\s+1\\n");
        assertThat(text(pdf)).contains("Lesson 0:", "Lesson 23:");
    }

    @Test
    void what_is_not_there_is_said(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        assertThat(nadia.get("/api/sequences/nowhere/handout").status()).isEqualTo(404);
        assertThat(nadia.get("/api/sequences/hip/handout?paper=a5")
                        .json()
                        .get("detail")
                        .asString())
                .contains("must be a4 or letter");
        assertThat(nadia.get("/api/terms/" + nadia.term() + "/weeks/16/plan").status())
                .isEqualTo(404);
    }

    @Test
    @InWeeks(from = 9)
    void a_cohort_carries_its_students_what_it_misses_and_who_will_not_be_secure(App.Running app) throws Exception {
        var nadia = Visitor.as(app.url(), "nadia");
        var term = "/api/terms/" + nadia.term();
        var pdf = pdf(nadia, term + "/report");
        var text = text(pdf);
        var palms = new ArrayList<String>();
        for (var s : nadia.get(term + "/competency").json().get("students"))
            for (var p : s.get("palms")) {
                var words = new ArrayList<String>();
                for (var b : p.get("bars"))
                    words.add(criterion(b.get("criterion").asString()) + " "
                            + b.get("state").asString().replace('-', ' '));
                palms.add(String.join(", ", words));
            }
        assertThat(palms).hasSizeGreaterThan(50);
        assertThat(spoken(pdf)).containsExactlyElementsOf(palms);
        for (var s : nadia.get(term + "/competency").json().get("students"))
            // A long name goes on in the next line, where the other columns lie between.
            assertThat(text).contains(s.get("name").asString().split(" ")[0]);
        assertThat(text)
                .contains("What the class misses most", "Not secure by the end of the term at this pace")
                .contains(nadia.get(term + "/steps")
                        .json()
                        .get("steps")
                        .get(0)
                        .get("name")
                        .asString()
                        .split(" ")[0])
                .contains("Local codes and licensed practice decide.");
    }

    @Test
    void a_list_of_looks_carries_who_what_and_how_long_onto_the_floor(App.Running app) throws Exception {
        var nadia = Visitor.as(app.url(), "nadia");
        var term = "/api/terms/" + nadia.term();
        var text = text(pdf(nadia, term + "/watch/list?minutes=12"));
        for (var l : nadia.get(term + "/watch?minutes=12").json().get("looks"))
            assertThat(text).contains(l.get("name").asString().split(" ")[0]);
        assertThat(text).contains("of 12 minutes", "Look at", "Seen");
    }

    @Test
    void a_students_report_of_a_hostile_name_is_text(App.Running app) throws Exception {
        var lead = Visitor.as(app.url(), "lead");
        var made = lead.post(
                        "/api/school/terms/" + lead.term() + "/class",
                        Json.MAPPER
                                .createObjectNode()
                                .put("text", "<b>Zoe & \u202eTar</b>,hostile-zoe")
                                .toString())
                .json()
                .get(0)
                .get("id")
                .asString();
        assertThat(text(pdf(lead, "/api/competency/students/" + made + "/report")))
                .contains("<b>Zoe &", "Nothing has been seen and released yet.");
        lead.delete("/api/school/terms/" + lead.term() + "/people/" + made);
    }
}
