package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.security.MessageDigest;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.stream.StreamSupport;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.ZipInputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Initials under awards, statements of results, and what a paper is told to be when it, an award or a signature was changed. */
@ExtendWith(App.class)
class StatementTest {
    private static final String TYPED = "{\"typed\":\"NK\"}";

    private static String sha(byte[] bytes) throws Exception {
        return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
    }

    private static String text(byte[] pdf) throws Exception {
        try (var document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
        }
    }

    private static JsonNode verify(App.Running app, String code, byte[] file) throws Exception {
        var answer = Visitor.at(app.url())
                .post(
                        "/api/verify",
                        "{\"code\":" + (code == null ? null : "\"" + code + "\"")
                                + (file == null ? "" : ",\"digest\":\"" + sha(file) + "\"") + "}");
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private static String today(App.Running app) {
        return DateTimeFormatter.ofPattern("d MMM yyyy", Locale.UK).format(LocalDate.now(app.clock()));
    }

    private static void sign(Lab lab) {
        for (var a : lab.teacher().get(lab.at("/unsigned")).json())
            assertThat(lab.teacher()
                            .post(
                                    lab.at("/signatures"),
                                    "{\"awards\":[{\"practical\":\""
                                            + a.get("practical").asString() + "\",\"revision\":"
                                            + a.get("revision").asInt() + "}]}")
                            .status())
                    .isEqualTo(200);
    }

    private static JsonNode issued(Lab lab, String student) {
        var made = lab.teacher().post(lab.at("/statements/" + student), "");
        assertThat(made.status()).as(made.text()).isEqualTo(201);
        return made.json();
    }

    private static byte[] file(Lab lab, JsonNode statement) {
        return lab.teacher().bytes("/api/statements/" + statement.get("id").asString() + "/file");
    }

    private static List<String> words(JsonNode all) {
        return StreamSupport.stream(all.spliterator(), false)
                .map(JsonNode::asString)
                .toList();
    }

    @Test
    void a_statement_says_results_with_their_days_graders_and_initials(App.Running app) throws Exception {
        var lab = Lab.in(app, "Paper");
        var ada = lab.students().get(0);
        assertThat(lab.teacher().post(lab.at("/statements/" + ada), "").code()).isEqualTo("nothing-to-state");
        lab.awarded(ada, 55, false, "");
        assertThat(lab.teacher().post(lab.at("/statements/" + ada), "").code()).isEqualTo("nothing-to-state");
        lab.awarded(ada, 71, true, "");
        assertThat(lab.teacher().put("/api/me/initials", TYPED).status()).isEqualTo(200);
        assertThat(lab.teacher().get(lab.at("/unsigned")).json()).hasSize(2);
        sign(lab);
        assertThat(lab.teacher().get(lab.at("/unsigned")).json()).isEmpty();
        var statement = issued(lab, ada);
        var pdf = file(lab, statement);
        var on = Files.createTempFile("statement", ".pdf");
        PdfUa.assertAccessible(Files.write(on, pdf));
        Files.delete(on);
        var today = today(app);
        // What is not released is not stated.
        assertThat(text(pdf))
                .contains(
                        "Ada One",
                        "Paper · as of " + today,
                        statement.get("code").asString())
                .contains("71 pass Paper Teacher NK " + today);
        assertThat(text(pdf).split("Regatta calves", -1)).hasSize(2);
        assertThat(statement.get("changes")).isEmpty();
        var mine = Visitor.as(app.url(), "paperadaone", "regatta-student");
        assertThat(mine.get("/api/me/statements").json().findValuesAsString("code"))
                .containsExactly(statement.get("code").asString());
        assertThat(text(mine.bytes("/api/statements/" + statement.get("id").asString() + "/file")))
                .contains("71 pass");
        var other = Visitor.as(app.url(), "paperadatwo", "regatta-student");
        assertThat(other.get("/api/statements/" + statement.get("id").asString() + "/file")
                        .status())
                .isEqualTo(403);
        assertThat(other.get("/api/me/statements").json()).isEmpty();
        assertThat(mine.post("/api/statements/" + statement.get("id").asString() + "/signature", "")
                        .status())
                .isEqualTo(403);
    }

    @Test
    void another_award_another_signature_and_one_digit_are_each_told(App.Running app) throws Exception {
        var lab = Lab.in(app, "Seal");
        var ada = lab.students().get(0);
        var practical = lab.awarded(ada, 71, true, "");
        lab.teacher().put("/api/me/initials", TYPED);
        sign(lab);
        var statement = issued(lab, ada);
        var path = "/api/statements/" + statement.get("id").asString();
        assertThat(lab.teacher().post(path + "/signature", "").json().get("signed"))
                .hasSize(1);
        var code = statement.get("code").asString();
        var pdf = file(lab, statement);
        var asIs = verify(app, code, pdf);
        assertThat(asIs.get("file").asString()).isEqualTo("as-handed-out");
        assertThat(asIs.get("outdated").asBoolean()).isFalse();
        assertThat(asIs.get("changes")).isEmpty();
        assertThat(words(asIs.get("signedBy"))).containsExactly("Seal Teacher");
        // The one who holds it is told neither whose it is nor what it says.
        assertThat(asIs.toString()).doesNotContain("Ada").doesNotContain("71");

        // One digit.
        var forged = pdf.clone();
        forged[forged.length / 2] ^= 1;
        assertThat(verify(app, code, forged).get("file").asString()).isEqualTo("changed");
        assertThat(verify(app, code, null).get("file").asString()).isEqualTo("not-asked");

        // Signed again: the paper of before is told, a new one has it.
        lab.teacher().post(path + "/signature", "");
        var signed = verify(app, code, pdf);
        assertThat(signed.get("file").asString()).isEqualTo("as-handed-out");
        assertThat(signed.get("outdated").asBoolean()).isTrue();
        assertThat(words(signed.get("changes")))
                .containsExactly("The statement was signed again by Seal Teacher on " + today(app)
                        + ", after this paper was made.");
        assertThat(verify(app, code, file(lab, statement)).get("changes")).isEmpty();

        // The award was signed again.
        assertThat(lab.teacher()
                        .post(
                                lab.at("/signatures"),
                                "{\"awards\":[{\"practical\":\"" + practical + "\",\"revision\":1}]}")
                        .status())
                .isEqualTo(200);
        assertThat(words(verify(app, code, null).get("changes")).get(0)).contains("was signed again by Seal Teacher");

        // Awarded anew: initials do not go over to another award.
        lab.award(practical, 1, 48, true);
        assertThat(words(verify(app, code, file(lab, statement)).get("changes")))
                .containsExactly("The practical of " + today(app) + ", " + name(lab)
                        + ", was awarded anew after this was issued.");
        assertThat(lab.teacher()
                        .get(lab.at("/statements"))
                        .json()
                        .get(0)
                        .get("changes")
                        .toString())
                .contains("it was 71, pass and is 48, fail.");
        assertThat(lab.teacher().get(lab.at("/unsigned")).json()).hasSize(1);
        lab.teacher().put("/api/practicals/" + practical + "/void", "{\"reason\":\"a fire drill\"}");
        assertThat(words(verify(app, code, null).get("changes")).get(0)).contains("does not count any more");
    }

    private static String name(Lab lab) {
        return lab.teacher()
                .get("/api/sequences/calves")
                .json()
                .get("sequence")
                .get("name")
                .asString();
    }

    /** What somebody wrote over it is told line by line, to those who teach. */
    @Test
    void a_file_is_laid_beside_what_was_handed_out(App.Running app) throws Exception {
        var lab = Lab.in(app, "Beside");
        var ada = lab.students().get(0);
        lab.awarded(ada, 71, true, "");
        var statement = issued(lab, ada);
        var pdf = file(lab, statement);
        byte[] written;
        try (var document = Loader.loadPDF(pdf)) {
            var page = document.getPage(0);
            try (var pen = new PDPageContentStream(document, page, PDPageContentStream.AppendMode.APPEND, true, true)) {
                pen.beginText();
                pen.setFont(new PDType1Font(Standard14Fonts.FontName.HELVETICA), 9);
                pen.newLineAtOffset(60, 30);
                pen.showText("Draping secure 91");
                pen.endText();
            }
            var out = new ByteArrayOutputStream();
            document.save(out);
            written = out.toByteArray();
        }
        var same = lab.teacher().ask("POST", "/api/statements/check", pdf, "application/pdf");
        assertThat(same.json().get("view").get("file").asString()).isEqualTo("as-handed-out");
        assertThat(same.json().get("added")).isEmpty();
        var check = lab.teacher().ask("POST", "/api/statements/check", written, "application/pdf");
        assertThat(check.status()).as(check.text()).isEqualTo(200);
        assertThat(check.json().get("view").get("file").asString()).isEqualTo("changed");
        assertThat(words(check.json().get("added"))).containsExactly("Draping secure 91");
        assertThat(check.json().get("missing")).isEmpty();
        // Those of another term are told nothing, and what is no statement is said to be none.
        var elsewhere = Lab.in(app, "Elsewhere");
        assertThat(elsewhere
                        .teacher()
                        .ask("POST", "/api/statements/check", written, "application/pdf")
                        .status())
                .isEqualTo(403);
        try (var empty = new PDDocument()) {
            empty.addPage(new PDPage());
            var out = new ByteArrayOutputStream();
            empty.save(out);
            assertThat(lab.teacher()
                            .ask("POST", "/api/statements/check", out.toByteArray(), "application/pdf")
                            .status())
                    .isEqualTo(404);
        }
        for (var hostile : List.of("no pdf", "%PDF-1.7\n1 0 obj <<>> stream", ""))
            assertThat(lab.teacher()
                            .ask(
                                    "POST",
                                    "/api/statements/check",
                                    hostile.getBytes(StandardCharsets.UTF_8),
                                    "application/pdf")
                            .status())
                    .as(hostile)
                    .isBetween(400, 422);
    }

    /** A small file that would fill the memory is refused before it is read. */
    @Test
    void what_is_packed_too_tight_is_not_unpacked(App.Running app) throws Exception {
        var lab = Lab.in(app, "Bomb");
        var zeros = new byte[1 << 20];
        var out = new ByteArrayOutputStream();
        out.write("%PDF-1.7\n1 0 obj <</Filter/FlateDecode>> stream\n".getBytes(StandardCharsets.US_ASCII));
        try (var deflated = new DeflaterOutputStream(out)) {
            for (int i = 0; i < 200; i++) deflated.write(zeros);
        }
        var twice = new ByteArrayOutputStream();
        twice.write(
                "%PDF-1.7\n1 0 obj <</Filter[/FlateDecode/FlateDecode]>> stream\n".getBytes(StandardCharsets.US_ASCII));
        try (var deflated = new DeflaterOutputStream(twice)) {
            var inner = new ByteArrayOutputStream();
            try (var packed = new DeflaterOutputStream(inner)) {
                packed.write(zeros);
            }
            deflated.write(inner.toByteArray());
        }
        var other = "%PDF-1.7\n1 0 obj <</Filter/LZWDecode>> stream\nabc".getBytes(StandardCharsets.US_ASCII);
        for (var hostile : List.of(out.toByteArray(), twice.toByteArray(), other)) {
            assertThat(hostile.length).isLessThan(1 << 20);
            var answer = lab.teacher().ask("POST", "/api/statements/check", hostile, "application/pdf");
            assertThat(answer.status()).isEqualTo(422);
            assertThat(answer.text()).contains("no PDF that a statement could be");
        }
    }

    @Test
    void only_who_awarded_signs_and_only_what_stands(App.Running app) {
        var lab = Lab.in(app, "Hand");
        var ada = lab.students().get(0);
        var practical = lab.awarded(ada, 60, true, "");
        var body = "{\"awards\":[{\"practical\":\"" + practical + "\",\"revision\":%d}]}";
        assertThat(lab.teacher().post(lab.at("/signatures"), body.formatted(1)).code())
                .isEqualTo("no-initials");
        lab.teacher().put("/api/me/initials", "{\"typed\":\" HK \",\"drawn\":[[0.1,0.2,0.3,0.4],[0.5,0.5]]}");
        var own = lab.teacher().get("/api/me/initials").json().get("initials");
        assertThat(own.get("typed").asString()).isEqualTo("HK");
        assertThat(own.get("drawn").toString()).isEqualTo("[[0.1,0.2,0.3,0.4],[0.5,0.5]]");
        assertThat(lab.teacher().post(lab.at("/signatures"), body.formatted(2)).code())
                .isEqualTo("changed-meanwhile");
        var lead = Visitor.as(app.url(), "lead");
        lead.put("/api/me/initials", "{\"typed\":\"L\"}");
        assertThat(lead.post(lab.at("/signatures"), body.formatted(1)).code()).isEqualTo("not-yours");
        assertThat(lab.teacher().post(lab.at("/signatures"), "{\"awards\":[]}").status())
                .isEqualTo(422);
        assertThat(lab.teacher()
                        .post(lab.at("/signatures"), "{\"awards\":[null]}")
                        .status())
                .isEqualTo(422);
        for (var bad : List.of(
                "{}",
                "{\"typed\":\"\"}",
                "{\"typed\":\"nine letters\"}",
                "{\"typed\":\"A\",\"drawn\":[]}",
                "{\"typed\":\"A\",\"drawn\":[[0.1]]}",
                "{\"typed\":\"A\",\"drawn\":[[0.1,2]]}",
                "{\"typed\":\"A\",\"drawn\":[null]}",
                "{\"typed\":\"A\",\"drawn\":[[0.1,null]]}"))
            assertThat(lab.teacher().put("/api/me/initials", bad).status())
                    .as(bad)
                    .isEqualTo(422);
        assertThat(lab.teacher().get("/api/me/initials").json().get("initials")).isEqualTo(own);
    }

    @Test
    void whoever_asks_for_nothing_of_ours_is_told_so(App.Running app) throws Exception {
        assertThat(verify(app, "ABCD-EFGH-JKMN", "a file".getBytes(StandardCharsets.UTF_8))
                        .get("known")
                        .asBoolean())
                .isFalse();
        var stranger = Visitor.at(app.url());
        for (var bad : List.of("{}", "{\"code\":\"ABC\"}", "{\"digest\":\"12\"}", "{\"code\":\"ABCD-EFGH-1111\"}"))
            assertThat(stranger.post("/api/verify", bad).status()).as(bad).isEqualTo(422);
        assertThat(Visitor.as(app.url(), "lead")
                        .get("/api/statements/" + UUID.randomUUID() + "/file")
                        .status())
                .isEqualTo(404);
    }

    @Test
    void hours_alone_are_certified_and_told_when_fewer_count(App.Running app) throws Exception {
        var lab = Lab.in(app, "Tally");
        var ada = lab.students().get(0);
        var issue = lab.at("/statements/" + ada + "?kind=hours");
        assertThat(lab.teacher().post(issue, "").code()).isEqualTo("nothing-to-state");
        assertThat(lab.teacher()
                        .post(lab.at("/statements/" + ada + "?kind=hats"), "")
                        .status())
                .isEqualTo(422);
        var entry = UUID.randomUUID();
        var entered = lab.teacher()
                .post(
                        lab.at("/hours/" + ada),
                        "{\"id\":\"" + entry + "\",\"kind\":\"clinic\",\"minutes\":750,\"on\":\""
                                + LocalDate.now(app.clock()) + "\",\"note\":\"the regatta's tent\"}");
        assertThat(entered.status()).as(entered.text()).isEqualTo(201);
        var made = lab.teacher().post(issue, "");
        assertThat(made.status()).as(made.text()).isEqualTo(201);
        var certificate = made.json();
        assertThat(certificate.get("kind").asString()).isEqualTo("hours");
        var pdf = file(lab, certificate);
        var on = Files.createTempFile("certificate", ".pdf");
        PdfUa.assertAccessible(Files.write(on, pdf));
        Files.delete(on);
        assertThat(text(pdf))
                .contains("Certificate of hours", "Ada One", "12.5")
                .doesNotContain("Practicals");
        assertThat(verify(app, certificate.get("code").asString(), pdf)
                        .get("outdated")
                        .asBoolean())
                .isFalse();
        // A practical that came since says nothing of hours.
        lab.awarded(ada, 71, true, "");
        assertThat(verify(app, certificate.get("code").asString(), pdf).get("changes"))
                .isEmpty();
        assertThat(lab.teacher().delete(lab.at("/hours/" + ada + "/" + entry)).status())
                .isEqualTo(200);
        var told = verify(app, certificate.get("code").asString(), pdf);
        assertThat(told.get("outdated").asBoolean()).isTrue();
        assertThat(words(told.get("changes")))
                .hasSize(1)
                .first()
                .asString()
                .endsWith("counted anew after this was issued, and are fewer.");
    }

    @Test
    void a_letter_is_drafted_edited_and_known_again_in_any_alphabet(App.Running app) throws Exception {
        var lab = Lab.in(app, "Quill");
        var ada = lab.students().get(0);
        lab.awarded(ada, 71, true, "");
        var path = lab.at("/letters/" + ada);
        var draft = lab.teacher().get(path).json().get("text").asString();
        assertThat(draft)
                .startsWith("Dear Ada One,\n\nthis term we marked one practical of yours, on ")
                .contains("“Regatta calves, back of the leg”: pass, 71 of 100.")
                .endsWith("Quill Teacher\n" + "Breakwater School of Massage");
        assertThat(lab.teacher().post(path, "{\"text\":\" \"}").status()).isEqualTo(422);
        assertThat(lab.teacher().post(path, "{\"text\":\"Good: अच्छा\"}").text())
                .contains("अ च ् छ ा", "must be in letters that can be printed");
        // Latin with marks, Greek, Cyrillic, Vietnamese; two lines, two paragraphs; what HTML would read as its own;
        // from
        // right to left, letters joined or not; Chinese, Japanese, Korean.
        var words = "Žaneta, Łukasz, Ångström\\nΚαλή πρόοδος · Хороший прогресс · Tiến bộ tốt\\n\\n<b>5 > 3 & 2</b>"
                + "\\n\\nהתקדמות טובה, 71 מתוך 100.\\n\\nتقدم جيد\\n\\n进步很好 · 良い進歩です · 잘하고 있어요";
        var made = lab.teacher().post(path, "{\"text\":\"" + words + "\"}");
        assertThat(made.status()).as(made.text()).isEqualTo(201);
        var letter = made.json();
        assertThat(letter.get("kind").asString()).isEqualTo("letter");
        var pdf = file(lab, letter);
        var on = Files.createTempFile("letter", ".pdf");
        PdfUa.assertAccessible(Files.write(on, pdf));
        Files.delete(on);
        assertThat(text(pdf))
                .contains("Žaneta, Łukasz, Ångström Καλή πρόοδος · Хороший прогресс · Tiến bộ tốt <b>5 > 3 & 2</b>")
                .contains("התקדמות טובה", " מתוך ", "تقدم جيد", "进步很好 · 良い進歩です · 잘하고 있어요")
                .doesNotContain("Competencies");
        // It was written on a mark: that was given anew.
        var practical = lab.teacher().all(lab.at("/practicals")).iterator().next();
        lab.award(practical.get("id").asString(), 1, 48, true);
        var told = verify(app, letter.get("code").asString(), pdf);
        assertThat(told.get("outdated").asBoolean()).isTrue();
        assertThat(Visitor.as(app.url(), "quilladaone", "regatta-student")
                        .get("/api/me/statements")
                        .json()
                        .get(0)
                        .get("kind")
                        .asString())
                .isEqualTo("letter");
        assertThat(Visitor.as(app.url(), "olle").get(path).status()).isEqualTo(403);
    }

    @Test
    void a_cohort_is_handed_out_at_once_the_newest_of_each_that_holds(App.Running app) throws Exception {
        var lab = Lab.in(app, "Cohort");
        var students = lab.students();
        assertThat(lab.teacher().get(lab.at("/statements/files")).code()).isEqualTo("nothing-to-state");
        for (var s : students.subList(0, 2)) {
            lab.awarded(s, 71, true, "");
            issued(lab, s);
        }
        var again = issued(lab, students.get(0));
        var codes = new ArrayList<String>();
        var names = new ArrayList<String>();
        try (var zip = new ZipInputStream(new ByteArrayInputStream(lab.teacher().bytes(lab.at("/statements/files"))))) {
            for (var e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
                var pdf = zip.readAllBytes();
                names.add(e.getName());
                codes.add(text(pdf));
                assertThat(verify(app, null, pdf).get("file").asString()).isEqualTo("as-handed-out");
            }
        }
        assertThat(names).containsExactly("001-ada-one.pdf", "002-ada-two.pdf");
        assertThat(codes.get(0)).contains(again.get("code").asString());
        assertThat(Visitor.as(app.url(), "cohortadaone", "regatta-student")
                        .get(lab.at("/statements/files"))
                        .status())
                .isEqualTo(403);
    }
}
