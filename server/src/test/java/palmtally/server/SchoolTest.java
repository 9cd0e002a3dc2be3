package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import de.siegmar.fastcsv.reader.CsvReader;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.formats.Documents;
import palmtally.formats.Json;
import tools.jackson.databind.JsonNode;

/** What the lead does for a term: class list, sign-ins, duties, archive; and what bodies must be spared. */
@ExtendWith(App.class)
class SchoolTest {
    private static String term(Visitor lead, String name) {
        for (var t : lead.post(
                        "/api/school/terms",
                        "{\"name\":\"" + name + "\",\"cohort\":\"c\",\"startsOn\":\"2024-01-01\",\"weeks\":10}")
                .json())
            if (t.get("name").asString().equals(name)) return t.get("id").asString();
        throw new AssertionError(name);
    }

    private static String text(String text) {
        return Json.MAPPER.createObjectNode().put("text", text).toString();
    }

    @Test
    void a_class_list_shows_what_it_does_and_makes_sign_ins_that_work(App.Running app) {
        var lead = Visitor.as(app.url(), "lead");
        var term = term(lead, "Class");
        var list = text("name;sign-in;role\nPia Hult;;\nPia Holm;;\nSven Äng;sv.ang;grader\nAna Quill;ana;student\n");
        var preview =
                lead.post("/api/school/terms/" + term + "/class/preview", list).json();
        assertThat(preview.get(0).get("signIn").asString()).isEqualTo("pia");
        assertThat(preview.get(1).get("signIn").asString()).isEqualTo("pia.h");
        assertThat(preview.get(3).get("isNew").asBoolean()).isFalse();
        assertThat(lead.get("/api/terms/" + term + "/people").json().size()).isEqualTo(1);
        var made = lead.post("/api/school/terms/" + term + "/class", list).json();
        assertThat(made.get(3).has("password")).isFalse();
        var password = made.get(0).get("password").asString();
        assertThat(password).matches("[a-hj-km-np-z2-9]{4}(-[a-hj-km-np-z2-9]{4}){2}");
        assertThat(Visitor.as(app.url(), "pia", password)
                        .get("/api/session")
                        .json()
                        .get("person")
                        .get("role")
                        .asString())
                .isEqualTo("student");
        assertThat(lead.get("/api/terms/" + term + "/people").json().size()).isEqualTo(5);
        // Once more: nobody is new, no password is made anew.
        var again = lead.post("/api/school/terms/" + term + "/class", text("Pia Hult,pia\n"))
                .json();
        assertThat(again.get(0).has("password")).isFalse();
    }

    @Test
    void a_faulty_class_list_is_refused_by_row_and_column_and_stores_nothing(App.Running app) {
        var lead = Visitor.as(app.url(), "lead");
        var term = term(lead, "Faulty class");
        var refused = lead.post(
                "/api/school/terms/" + term + "/class",
                text("Good One\n,nobody\nTwo,dup\nThree,DUP\nFour,,captain\nNot Ana,ana\n"));
        assertThat(refused.status()).isEqualTo(422);
        var faults = refused.json().get("faults").toString();
        assertThat(faults).contains("row 2, name", "row 4, sign-in", "is that of row 3 as well", "row 5, role");
        // The list is well formed only when these are gone; then the sign-in of somebody else is found.
        var taken = lead.post("/api/school/terms/" + term + "/class", text("Good One\nNot Ana,ana\n"));
        assertThat(taken.json().get("faults").toString()).contains("row 2, sign-in", "is that of Ana Quill, student");
        assertThat(lead.get("/api/terms/" + term + "/people").json().size()).isEqualTo(1);
    }

    @Test
    void a_new_password_ends_the_old_one_and_whoever_is_signed_in_with_it(App.Running app) {
        var lead = Visitor.as(app.url(), "lead");
        var term = term(lead, "Passwords");
        var first = lead.post("/api/school/terms/" + term + "/class", text("Ruth Ek,ruth"))
                .json()
                .get(0);
        var ruth = Visitor.as(app.url(), "ruth", first.get("password").asString());
        assertThat(ruth.get("/api/session").json().has("person")).isTrue();
        var reset = lead.post("/api/people/" + first.get("id").asString() + "/password", "")
                .json();
        assertThat(ruth.get("/api/session").json().has("person")).isFalse();
        assertThat(Visitor.at(app.url())
                        .post(
                                "/api/session",
                                "{\"signIn\":\"ruth\",\"password\":\""
                                        + first.get("password").asString() + "\"}")
                        .status())
                .isEqualTo(401);
        var again = Visitor.as(app.url(), "ruth", reset.get("password").asString());
        var wrong = again.post("/api/session/password", "{\"old\":\"guess\",\"password\":\"something-long\"}");
        assertThat(wrong.json().get("faults").get(0).get("field").asString()).isEqualTo("old");
        assertThat(again.post(
                                "/api/session/password",
                                "{\"old\":" + reset.get("password") + ",\"password\":\"rivers-and-oars\"}")
                        .status())
                .isEqualTo(200);
        Visitor.as(app.url(), "ruth", "rivers-and-oars");
        assertThat(Visitor.as(app.url(), "nadia")
                        .post("/api/people/" + first.get("id").asString() + "/password", "")
                        .status())
                .isEqualTo(403);
    }

    @Test
    void duties_are_of_staff_of_the_term_and_stand_on_the_plan(App.Running app) {
        var lead = Visitor.as(app.url(), "lead");
        var nadia = Visitor.as(app.url(), "nadia");
        var duties = nadia.get("/api/terms/" + nadia.term() + "/duties").json();
        assertThat(duties.toString()).contains("Olle Strand");
        var wrong = lead.put(
                "/api/school/terms/" + nadia.term() + "/duties",
                "{\"duties\":[{\"account\":\"" + nadia.person("Ana Quill")
                        + "\",\"name\":\"\",\"region\":\"neck\",\"task\":\"teach\"}]}");
        assertThat(wrong.status()).isEqualTo(422);
        assertThat(nadia.get("/api/terms/" + nadia.term() + "/duties").json()).isEqualTo(duties);
    }

    @Test
    void somebody_leaves_a_term_and_what_was_seen_of_them_stays(App.Running app) {
        var lead = Visitor.as(app.url(), "lead");
        var term = term(lead, "Leaving");
        var made = lead.post("/api/school/terms/" + term + "/class", text("Moss Lind,moss"))
                .json()
                .get(0);
        var path = "/api/school/terms/" + term + "/people/" + made.get("id").asString();
        assertThat(lead.delete(path).json().size()).isEqualTo(1);
        assertThat(lead.delete(path).status()).isEqualTo(404);
        assertThat(app.database().count("select count(*) from account where sign_in = 'moss'"))
                .isEqualTo(1);
        // Who was taken out by mistake comes back as they were; who is in the term stays in it.
        assertThat(lead.put(path, "").text()).contains("Moss Lind");
        assertThat(lead.put(path, "").json().size()).isEqualTo(2);
        assertThat(lead.put("/api/school/terms/" + term + "/people/" + UUID.randomUUID(), "")
                        .status())
                .isEqualTo(404);
    }

    @Test
    void the_whole_of_a_term_is_one_file_of_open_formats(App.Running app) throws Exception {
        var nadia = Visitor.as(app.url(), "nadia");
        Map<String, String> entries = new LinkedHashMap<>();
        try (var zip =
                new ZipInputStream(new ByteArrayInputStream(nadia.bytes("/api/terms/" + nadia.term() + "/archive")))) {
            for (var e = zip.getNextEntry(); e != null; e = zip.getNextEntry())
                entries.put(e.getName(), new String(zip.readAllBytes(), StandardCharsets.UTF_8));
        }
        assertThat(Documents.readCurriculum(entries.get("term.curriculum.json")).sequences())
                .hasSize(6);
        Documents.readProfile(entries.get("school.profile.json"));
        assertThat(entries.get("people.csv")).startsWith("name,role\r\n").contains("Ana Quill,student");
        var cohort = nadia.get("/api/terms/" + nadia.term() + "/competency").json();
        assertThat(entries.get("competency.csv").lines().count())
                .isEqualTo(1
                        + 5L
                                * cohort.get("students").size()
                                * cohort.get("regions").size());
        var practicals = entries.keySet().stream()
                .filter(n -> n.startsWith("practicals/"))
                .toList();
        assertThat(practicals).hasSizeGreaterThanOrEqualTo(120);
        Documents.readPractical(entries.get(practicals.get(0)));
        // Each has its row, read by a reader that is not its writer: what was marked twice, void, watched, judged by
        // oneself.
        try (var rows = CsvReader.builder().ofNamedCsvRecord(entries.get("practicals.csv"))) {
            var lines = rows.stream().toList();
            assertThat(lines.stream().map(r -> r.getField("file"))).containsExactlyInAnyOrderElementsOf(practicals);
            // And each a line in the trail, about whom and which.
            for (var line : lines)
                assertThat(
                                app.database()
                                        .count(
                                                "select count(*) from audit a join person p on p.id = a.subject where a.what = 'read a practical'"
                                                        + " and a.detail = '" + line.getField("id") + "' and p.name = '"
                                                        + line.getField("student")
                                                        + "' and a.account_id = (select id from person where name = 'Nadia Reef')"))
                        .as(line.getField("id"))
                        .isPositive();
            var ids = new ArrayList<>(lines.stream().map(r -> r.getField("id")).toList());
            // What two graders still mark blind is left out, and said to be.
            entries.getOrDefault("left-out.txt", "").lines().forEach(l -> ids.add(l.substring(0, 36)));
            var beside = lines.stream()
                    .map(r -> r.getField("beside"))
                    .filter(b -> !b.isEmpty())
                    .toList();
            assertThat(beside).hasSizeGreaterThanOrEqualTo(5);
            assertThat(ids).containsAll(beside);
            for (var line : nadia.all("/api/terms/" + nadia.term() + "/practicals")) {
                assertThat(ids).contains(line.get("id").asString());
                var row = lines.stream()
                        .filter(r -> r.getField("id").equals(line.get("id").asString()))
                        .findFirst();
                if (row.isEmpty()) continue;
                assertThat(row.get().getField("void"))
                        .isEqualTo(line.path("voidReason").asString(""));
                assertThat(row.get().getField("kind"))
                        .isEqualTo(line.get("kind").asString());
                assertThat(row.get().getField("result"))
                        .isEqualTo(line.path("result").asString(""));
            }
            assertThat(lines.stream()
                            .filter(r -> !r.getField("own mark, draping").isEmpty()))
                    .isNotEmpty();
        }
    }

    @Nested
    class body_notes {
        private static JsonNode check(Visitor who, JsonNode sequence, String client) {
            return who.post("/api/drafts/check", "{\"sequence\":" + sequence + ",\"client\":\"" + client + "\"}")
                    .json();
        }

        @Test
        void are_checked_for_that_body_and_seen_by_those_who_need_them(App.Running app) {
            var nadia = Visitor.as(app.url(), "nadia");
            var cleo = nadia.person("Cleo Fenn");
            long reads = app.database().count("select count(*) from audit where what = 'read the notes'");
            var kept = nadia.post("/api/notes/" + cleo, "{\"kind\":\"spare\",\"zone\":\"calf\",\"side\":\"left\"}");
            assertThat(kept.status()).isEqualTo(201);
            var sequence = nadia.get("/api/sequences/calves").json().get("sequence");
            assertThat(check(nadia, sequence, cleo).toString()).contains("\"CLIENT\"");
            assertThat(check(nadia, sequence, nadia.person("Ana Quill")).toString())
                    .doesNotContain("\"CLIENT\"");
            assertThat(app.database().count("select count(*) from audit where what = 'read the notes'"))
                    .isGreaterThanOrEqualTo(reads + 2);
            // Herself, but no other student; nor staff of another term.
            assertThat(Visitor.as(app.url(), "cleo")
                            .get("/api/notes/" + cleo)
                            .json()
                            .size())
                    .isEqualTo(1);
            assertThat(Visitor.as(app.url(), "ana").get("/api/notes/" + cleo).status())
                    .isEqualTo(403);
            assertThat(Visitor.as(app.url(), "cleo")
                            .post("/api/notes/" + cleo, "{\"kind\":\"pregnant\"}")
                            .status())
                    .isEqualTo(403);
            var lead = Visitor.as(app.url(), "lead");
            var other = term(lead, "Other staff");
            var made = lead.post("/api/school/terms/" + other + "/class", text("Una Berg,una,instructor"))
                    .json()
                    .get(0);
            var una = Visitor.as(app.url(), "una", made.get("password").asString());
            assertThat(una.get("/api/notes/" + cleo).status()).isEqualTo(403);
            assertThat(una.post("/api/drafts/check", "{\"sequence\":" + sequence + ",\"client\":\"" + cleo + "\"}")
                            .status())
                    .isEqualTo(403);
            var note = kept.json().get(0).get("id").asString();
            assertThat(nadia.delete("/api/notes/" + cleo + "/" + note).json().size())
                    .isZero();
            assertThat(nadia.delete("/api/notes/" + cleo + "/" + note).status()).isEqualTo(404);
            assertThat(check(nadia, sequence, cleo).toString()).doesNotContain("\"CLIENT\"");
        }

        @Test
        void end_with_their_last_day_and_say_what_is_missing(App.Running app) {
            var nadia = Visitor.as(app.url(), "nadia");
            var dara = nadia.person("Dara Moss");
            assertThat(nadia.post("/api/notes/" + dara, "{\"kind\":\"inflamed\"}")
                            .text())
                    .contains("which zone?");
            assertThat(nadia.post("/api/notes/" + dara, "{\"kind\":\"pregnant\",\"until\":\"2020-01-01\"}")
                            .text())
                    .contains("has passed");
            assertThat(nadia.post("/api/notes/" + dara, "{}").status()).isEqualTo(422);
            assertThat(nadia.post("/api/notes/" + dara, "{\"kind\":\"no-cold\",\"until\":\"2099-01-01\"}")
                            .json()
                            .size())
                    .isEqualTo(1);
        }
    }
}
