package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.Charset;
import java.util.Base64;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Marks out of somebody's table: looked into, taken over as one, told to whom they are of, undone as one. */
@ExtendWith(App.class)
class EarlierMarksTest {
    /** As another program writes it: old code page, semicolons, decimal commas, marks in letters, a name twice. */
    private static final String LIST = """
            Noten Frühjahr;;;;;
            Name;Datum;Bereich;Druck;Draping;Prüfer
            One, Ada;3.2.2026;Low back;7,5;A-;N. Vale
            Ada Tow;3.2.2026;Rücken;8;B;N. Vale
            Ada;10.2.2026;Neck;6,5;C;K. Holm
            Zoé Gone;10.2.2026;Neck;x;B+;K. Holm
            Zoé Gone;10.2.2026;Neck;x;B+;K. Holm
            Mittelwert;;;7,3;;
            """;

    private static String file(String text, String more) {
        return "{\"fileName\":\"noten.csv\",\"file\":\""
                + Base64.getEncoder().encodeToString(text.getBytes(Charset.forName("windows-1252"))) + "\"" + more
                + "}";
    }

    private static JsonNode preview(Lab lab, String body) {
        var answer = lab.teacher().post(lab.at("/earlier-marks/preview"), body);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    /** The mapping of a preview, with a name said. */
    private static String said(JsonNode preview, String name, String student) {
        var mapping = preview.get("mapping").deepCopy();
        ((tools.jackson.databind.node.ObjectNode) mapping.get("names")).put(name, student);
        return ",\"mapping\":" + mapping;
    }

    @Test
    void a_list_of_another_program_is_read_taken_over_and_undone_as_one(App.Running app) {
        var lab = Lab.in(app, "Earlier");
        var ada = lab.students().get(0);
        var two = lab.students().get(1);
        var seen = preview(lab, file(LIST, ""));
        assertThat(seen.get("head").get(0).asString()).isEqualTo("Name");
        assertThat(seen.get("remembered").asBoolean()).isFalse();
        assertThat(seen.get("names").findValuesAsString("found")).containsExactly("EXACT", "NEAR", "SEVERAL", "NOBODY");
        assertThat(seen.get("names").get(1).get("student").asString()).isEqualTo(two);
        assertThat(seen.get("names").get(2).get("candidates").findValuesAsString("name"))
                .containsExactlyInAnyOrder("Ada One", "Ada Two");
        assertThat(seen.get("regions").get(0).asString()).isEqualTo("Rücken");
        assertThat(seen.get("repeated").get(0).asInt()).isEqualTo(7);
        assertThat(seen.get("marks").asInt()).isEqualTo(7);
        assertThat(seen.get("leftOut").findValuesAsString("reason"))
                .containsExactly("is no mark of this scale", "is reckoned from the others and no student's");

        var taken = lab.teacher()
                .post(lab.at("/earlier-marks"), file(LIST, ",\"title\":\"Spring\"" + said(seen, "Ada", ada)));
        assertThat(taken.status()).as(taken.text()).isEqualTo(201);
        assertThat(taken.json().get("marks").asInt()).isEqualTo(7);
        var own = Visitor.as(app.url(), "earlieradaone", "regatta-student")
                .get("/api/me/earlier-marks")
                .json();
        assertThat(own.findValuesAsString("given")).containsExactly("7,5", "A-", "6,5", "C");
        assertThat(own.get(0).get("points").asDouble()).isEqualTo(75);
        assertThat(own.get(0).get("day").asString()).isEqualTo("2026-02-03");
        assertThat(own.get(0).get("region").asString()).isEqualTo("low-back");
        assertThat(own.get(1).get("criterion").asString()).isEqualTo("draping");
        assertThat(lab.teacher()
                        .get("/api/students/" + two + "/earlier-marks")
                        .json()
                        .size())
                .isEqualTo(2);

        // The same file is not taken twice; the next one of that program is read as this one was.
        var twice = lab.teacher().post(lab.at("/earlier-marks"), file(LIST, ",\"title\":\"Spring\""));
        assertThat(twice.status()).isEqualTo(409);
        assertThat(twice.json().get("detail").asString())
                .isEqualTo("The same file was taken over as \"Spring\". Undo that first to take it anew.");
        var next = preview(lab, file(LIST.replace("7,5", "9,5"), ""));
        assertThat(next.get("remembered").asBoolean()).isTrue();
        assertThat(next.get("names").get(2).get("chosen").asBoolean()).isTrue();
        assertThat(preview(lab, file(LIST, "")).get("taken").asString()).isEqualTo("Spring");

        var undo = "/api/earlier-marks/" + taken.json().get("id").asString() + "/undo";
        assertThat(Visitor.as(app.url(), "gus").post(undo, "").status()).isEqualTo(403);
        assertThat(lab.teacher().post(undo, "").json().get("undoneBy").asString())
                .isEqualTo("Earlier Teacher");
        assertThat(lab.teacher().post(undo, "").status()).isEqualTo(409);
        assertThat(lab.teacher()
                        .get("/api/students/" + two + "/earlier-marks")
                        .json()
                        .size())
                .isZero();
        assertThat(lab.teacher()
                        .post(lab.at("/earlier-marks"), file(LIST, ",\"title\":\"Again\""))
                        .status())
                .isEqualTo(201);
    }

    @Test
    void whoever_is_not_theirs_is_neither_named_nor_told(App.Running app) {
        var lab = Lab.in(app, "Elsewhere");
        // Lena is a student of another term: an instructor of this one is not told that there is one of that name, the
        // lead is.
        var list = "name;draping\nLena Brook;80\n";
        assertThat(preview(lab, file(list, "")).get("names").get(0).get("found").asString())
                .isEqualTo("NOBODY");
        var lead = Visitor.as(app.url(), "lead");
        var seen = lead.post(lab.at("/earlier-marks/preview"), file(list, "")).json();
        assertThat(seen.get("names").get(0).get("found").asString()).isEqualTo("EXACT");
        var lena = seen.get("names").get(0).get("student").asString();
        var foreign = lab.teacher()
                .post(lab.at("/earlier-marks"), file(list, ",\"title\":\"x\"" + said(seen, "Lena Brook", lena)));
        assertThat(foreign.status()).isEqualTo(422);
        assertThat(foreign.text()).contains("must be students whom you teach");
        assertThat(lab.teacher().get("/api/students/" + lena + "/earlier-marks").status())
                .isEqualTo(403);
        assertThat(Visitor.as(app.url(), "ana")
                        .get("/api/students/" + lena + "/earlier-marks")
                        .status())
                .isEqualTo(403);
        assertThat(Visitor.as(app.url(), "ana")
                        .post(lab.at("/earlier-marks/preview"), file(list, ""))
                        .status())
                .isEqualTo(403);
    }

    @Test
    void what_cannot_be_read_is_said_and_nothing_is_kept(App.Running app) {
        var lab = Lab.in(app, "Unread");
        var teacher = lab.teacher();
        var at = lab.at("/earlier-marks");
        assertThat(teacher.post(at + "/preview", "{}").text()).contains("is missing");
        assertThat(teacher.post(at + "/preview", file("", "")).status()).isEqualTo(422);
        assertThat(teacher.post(at + "/preview", "{\"file\":\"AAEC\"}").text())
                .contains("is no list: neither a workbook (.xlsx) nor CSV");
        // Without a column of marks it is shown, to be said; it is not taken.
        var words = "name;note\nAda One;calm\n";
        assertThat(preview(lab, file(words, "")).get("fault").asString())
                .isEqualTo("must say which columns hold marks");
        assertThat(teacher.post(at, file(words, ",\"title\":\"x\"")).status()).isEqualTo(422);
        assertThat(teacher.post(at, file("name;draping\nAda One;8\n", ",\"title\":\" \""))
                        .status())
                .isEqualTo(422);
        var short_ = ",\"title\":\"x\",\"mapping\":{\"columns\":[{\"use\":\"name\"}]}";
        assertThat(teacher.post(at, file("name;draping\nAda One;8\n", short_)).text())
                .contains("must be as many as the table has, 2");
        assertThat(teacher.get(at).json().size()).isZero();
        assertThat(teacher.post("/api/earlier-marks/" + UUID.randomUUID() + "/undo", "")
                        .status())
                .isEqualTo(404);
    }

    @Test
    void columns_with_long_names_are_known_again_all_the_same(App.Running app) {
        var lab = Lab.in(app, "Long");
        var head = new StringBuilder("name");
        for (int i = 0; i < 190; i++)
            head.append(";practical of the whole body, number ").append(i);
        var list = head + "\nAda One" + ";8".repeat(190) + "\n";
        var taken = lab.teacher().post(lab.at("/earlier-marks"), file(list, ",\"title\":\"Wide\""));
        assertThat(taken.status()).as(taken.text()).isEqualTo(201);
        assertThat(taken.json().get("marks").asInt()).isEqualTo(190);
        assertThat(preview(lab, file(list.replace(";8", ";9"), ""))
                        .get("remembered")
                        .asBoolean())
                .isTrue();
    }

    @Test
    void five_thousand_rows_are_shown_within_three_seconds(App.Running app) {
        var lab = Lab.in(app, "Large");
        var list = new StringBuilder("name;date;region;pressure;order;mechanics;communication;draping\n");
        for (int i = 0; i < 5000; i++)
            list.append("Student Number")
                    .append(i % 400)
                    .append(";3.2.2026;Neck;7,5;8;6;")
                    .append(i % 10)
                    .append(";A\n");
        var began = System.nanoTime();
        var seen = preview(lab, file(list.toString(), ""));
        assertThat((System.nanoTime() - began) / 1e9).isLessThan(3);
        // 400 names × 10 marks of communication: each second row of the same is one before.
        assertThat(seen.get("names").size()).isEqualTo(400);
        assertThat(seen.get("marks").asInt() + seen.get("repeated").size() * 5).isEqualTo(25_000);
    }

    @Test
    void a_term_is_laid_beside_another_and_beside_marks_that_were_taken_over(App.Running app) {
        var lab = Lab.in(app, "Beside");
        for (int i = 0; i < 3; i++) lab.awarded(lab.students().get(i), 60 + 10 * i, true, "");
        assertThat(lab.teacher().get(lab.at("/beside")).json().has("other")).isFalse();
        var list = "name;region;pressure;draping;grader\n"
                + "One, Ada;Neck;80;50;K\nTwo, Ada;Neck;70;;K\nZoe Gone;Neck;60;70;K\nZoe Gone;Jaw;20;;K\n";
        var taken = lab.teacher()
                .post(lab.at("/earlier-marks"), file(list, ",\"title\":\"Spring\""))
                .json();
        var seen = lab.teacher().get(lab.at("/beside")).json();
        assertThat(seen.get("choices").findValuesAsString("name")).containsExactly("Spring");
        assertThat(seen.get("term").get("pieces").asInt()).isEqualTo(3);
        var pressure = seen.get("term").get("criteria").get(0);
        assertThat(pressure.get("subject").asString()).isEqualTo("pressure");
        var levels = new java.util.ArrayList<Double>();
        for (var student : lab.teacher().get(lab.at("/competency")).json().get("students"))
            for (var palm : student.get("palms"))
                for (var bar : palm.get("bars"))
                    if (bar.get("criterion").asString().equals("pressure") && bar.has("level"))
                        levels.add(bar.get("level").asDouble());
        assertThat(levels.size()).isEqualTo(2 * 3);
        assertThat(pressure.get("level").asDouble())
                .isCloseTo(levels.stream().mapToDouble(x -> x).average().orElseThrow(), within(1e-9));
        var other = seen.get("other");
        assertThat(other.get("students").asInt()).isEqualTo(3);
        // Each student weighs the same: 80, 70 and the mean of 60 and 20. Two students are too few to say anything of
        // draping.
        assertThat(other.get("criteria").get(1).get("level").asDouble()).isEqualTo((80 + 70 + 40) / 3.0);
        assertThat(other.get("criteria").get(0).get("subject").asString()).isEqualTo("draping");
        assertThat(other.get("criteria").get(0).has("level")).isFalse();
        assertThat(other.get("graders").get(0).get("severity").has("value")).isFalse();
        var id = taken.get("id").asString();
        lab.teacher().post("/api/earlier-marks/" + id + "/undo", "");
        assertThat(lab.teacher().get(lab.at("/beside?with=" + id)).status()).isEqualTo(404);
        var elsewhere = Visitor.as(app.url(), "nadia").term();
        assertThat(lab.teacher().get(lab.at("/beside?with=" + elsewhere)).status())
                .isEqualTo(403);
        var lead = Visitor.as(app.url(), "lead")
                .get(lab.at("/beside?with=" + elsewhere))
                .json();
        assertThat(lead.get("other").get("missed").size()).isEqualTo(5);
        assertThat(lead.get("other").get("hours").size()).isPositive();
    }
}
