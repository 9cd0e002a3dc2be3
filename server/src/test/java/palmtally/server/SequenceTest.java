package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.formats.Json;
import tools.jackson.databind.node.ObjectNode;

/** Plans over HTTP: mends, undo, two people at once, files; demonstrations; and the database that keeps them. */
@ExtendWith(App.class)
class SequenceTest {
    private static ObjectNode example() throws IOException {
        return (ObjectNode)
                Json.MAPPER.readTree(Files.readString(Path.of("..", "docs", "formats", "examples", "sequence.json")));
    }

    /** A sequence of its own for a test, out of the example. */
    private static String own(Visitor visitor, String id) throws IOException {
        var file = example();
        ((ObjectNode) file.get("sequence")).put("id", id).put("name", "Copy " + id);
        assertThat(visitor.post("/api/sequences/file", file.toString()).status())
                .isEqualTo(201);
        return "/api/sequences/" + id;
    }

    @Test
    void a_mend_is_a_new_version_and_undo_another(App.Running app) throws IOException {
        var nadia = Visitor.as(app.url(), "nadia");
        var path = own(nadia, "mended");
        var plan = nadia.get(path).json();
        var finding = plan.get("plan").get("findings").get(0);
        assertThat(finding.get("finding").get("rule").asString()).isEqualTo("ORDER-WARM");
        var key = finding.get("finding").get("key").asString();
        var mended = nadia.post(path + "/mend", "{\"from\":1,\"key\":\"" + key + "\"}")
                .json();
        assertThat(mended.get("version").asInt()).isEqualTo(2);
        assertThat(mended.get("plan").toString()).doesNotContain(key);
        assertThat(mended.get("history").get("lines").get(0).get("what").asString())
                .isEqualTo("Add 60 s palm glide before step 5");
        var undone = nadia.post(path + "/restore", "{\"from\":2,\"version\":1}").json();
        assertThat(undone.get("version").asInt()).isEqualTo(3);
        assertThat(undone.get("sequence")).isEqualTo(plan.get("sequence"));
    }

    @Test
    void the_second_of_two_who_edit_is_told_and_nothing_is_lost(App.Running app) throws IOException {
        var nadia = Visitor.as(app.url(), "nadia");
        var lead = Visitor.as(app.url(), "lead");
        var path = own(nadia, "contested");
        var sequence = (ObjectNode) nadia.get(path).json().get("sequence");
        assertThat(nadia.put(
                                path,
                                "{\"from\":1,\"sequence\":"
                                        + sequence.deepCopy().put("note", "first") + "}")
                        .status())
                .isEqualTo(200);
        var second =
                lead.put(path, "{\"from\":1,\"sequence\":" + sequence.deepCopy().put("note", "second") + "}");
        assertThat(second.status()).isEqualTo(409);
        assertThat(nadia.get(path).json().get("sequence").get("note").asString())
                .isEqualTo("first");
    }

    @Test
    void the_other_schools_profile_says_other_things_of_the_same_plan(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        assertThat(stops(nadia, "by-seconds")).isEmpty();
        assertThat(stops(nadia, "by-response")).containsExactlyInAnyOrder("CONSENT-BEFORE", "ORDER-WARM");
    }

    private static List<String> stops(Visitor visitor, String profile) {
        var rules = new ArrayList<String>();
        for (var f : visitor.get("/api/sequences/hip?profile=" + profile)
                .json()
                .get("plan")
                .get("findings"))
            if (f.get("finding").get("severity").asString().equals("stop"))
                rules.add(f.get("finding").get("rule").asString());
        return rules;
    }

    @Test
    void a_file_that_is_saved_is_read_as_the_same_version(App.Running app) throws IOException {
        var nadia = Visitor.as(app.url(), "nadia");
        var path = own(nadia, "round");
        var file = nadia.get(path + "/file").text();
        assertThat(nadia.post("/api/sequences/file", file).json().get("version").asInt())
                .isEqualTo(1);
    }

    @Test
    void a_bad_file_tells_every_fault_and_stores_nothing(App.Running app) throws IOException {
        var nadia = Visitor.as(app.url(), "nadia");
        var file = example();
        ((ObjectNode) file.get("sequence"))
                .put("id", "bad")
                .put("slotSeconds", -1)
                .put("colour", "red");
        var answer = nadia.post("/api/sequences/file", file.toString());
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.code()).isEqualTo("bad-file");
        assertThat(answer.json().get("faults").size()).isEqualTo(2);
        assertThat(app.database().count("select count(*) from document_version where document = 'bad'"))
                .isZero();
        assertThat(nadia.get("/api/sequences/bad").status()).isEqualTo(404);
    }

    @Nested
    class A_demonstration {
        private String mark(String id, String what, int index, double at) {
            return "{\"id\":\"" + id + "\",\"what\":\"" + what + "\",\"index\":" + index + ",\"atSeconds\":" + at + "}";
        }

        @Test
        void keeps_each_mark_once_and_knows_how_it_stands(App.Running app) {
            var nadia = Visitor.as(app.url(), "nadia");
            var path = "/api/demonstrations/"
                    + nadia.post("/api/sequences/neck/demonstrations", "{}")
                            .json()
                            .get("id")
                            .asString();
            nadia.post(path + "/marks", mark("a", "started", 0, 0));
            nadia.post(path + "/marks", mark("b", "started", 1, 1));
            var view = nadia.post(path + "/marks", mark("b", "started", 1, 1)).json();
            assertThat(view.get("progress").get("current").asInt()).isEqualTo(1);
            assertThat(view.get("progress").get("words").asString()).isEqualTo("0:39 ahead");
            assertThat(nadia.post(path + "/marks", mark("c", "started", 99, 2)).status())
                    .isEqualTo(422);
            assertThat(nadia.get(path)
                            .json()
                            .get("live")
                            .get("progress")
                            .get("current")
                            .asInt())
                    .isEqualTo(1);
            assertThat(Visitor.as(app.url(), "olle").get(path).status()).isEqualTo(403);
        }
    }

    @Nested
    class The_demo {
        @Test
        void is_twelve_students_eight_sequences_and_ten_practicals_each(App.Running app) {
            var db = app.database();
            assertThat(db.count("select count(distinct student_id) from practical"))
                    .isGreaterThanOrEqualTo(12);
            assertThat(db.count(
                            "select count(distinct document) from document_version where kind = 'sequence' and document in "
                                    + "('neck','shoulders','forearms','calves','hip','feet','jaw','side-neck')"))
                    .isEqualTo(8);
            assertThat(db.count("select count(*) from practical where finished"))
                    .isGreaterThanOrEqualTo(120);
        }

        /** Marks are not made up: every piece of evidence is what the scorer says of its events. */
        @Test
        void has_no_mark_that_its_events_do_not_give(App.Running app) {
            assertThat(
                            app.database()
                                    .count(
                                            // A piece of no weight says only that harm was seen where nothing was
                                            // scored.
                                            "select count(*) from evidence e where computed is distinct from score and weight > 0.001 and not exists "
                                                    + "(select 1 from award a where a.practical_id = e.practical_id and a.body->'criteria' <> '{}')"))
                    .isZero();
        }

        @Test
        void shows_recognisable_weaknesses(App.Running app) {
            var nadia = Visitor.as(app.url(), "nadia");
            var cohort = nadia.get("/api/terms/" + nadia.term() + "/competency").json();
            for (var s : cohort.get("students")) {
                if (s.get("name").asString().equals("Gus Harrow"))
                    assertThat(s.get("atRisk").asInt()).isPositive();
                if (s.get("name").asString().equals("Dara Moss"))
                    assertThat(s.get("critical").asInt()).isPositive();
                if (s.get("name").asString().equals("Eli Thorne"))
                    assertThat(s.get("secure").asInt()).isGreaterThan(15);
            }
        }
    }

    @Test
    void an_empty_school_waits_for_its_lead() {
        try (var database = TestDatabase.fresh();
                var app = App.start(database, false)) {
            var visitor = Visitor.at(app.url());
            assertThat(visitor.get("/api/session").json().get("needsSetup").asBoolean())
                    .isTrue();
            var faults = visitor.post(
                    "/api/setup",
                    "{\"word\":\"" + App.SET_UP_WORD
                            + "\",\"school\":\"S\",\"name\":\"\",\"signIn\":\"l\",\"password\":\"short\"}");
            assertThat(faults.status()).isEqualTo(422);
            assertThat(database.count("select count(*) from school"))
                    .as("nothing was half-stored")
                    .isZero();
            var made = visitor.post(
                    "/api/setup",
                    "{\"word\":\"" + App.SET_UP_WORD
                            + "\",\"school\":\"S\",\"name\":\"L\",\"signIn\":\"l\",\"password\":\"harbour and lantern\"}");
            assertThat(made.json().get("person").get("role").asString()).isEqualTo("lead");
            assertThat(made.json().get("terms").size()).isEqualTo(1);
            assertThat(visitor.get("/api/sequences").text()).isEqualTo("[]");
        }
    }
}
