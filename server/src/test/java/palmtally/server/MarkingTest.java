package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.StringJoiner;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.formats.Documents;
import palmtally.formats.Json;
import palmtally.formats.ScoreView;

/** Marking by more than one: two graders blind to each other, the student's own word; short looks, and what is shown again. */
@ExtendWith(App.class)
class MarkingTest {
    private static final String AWARD =
            "{\"from\":0,\"award\":{\"criteria\":{%s},\"struck\":[],\"confirmed\":[],\"feedback\":\"\",\"released\":%s}}";

    private Visitor nadia;
    private Visitor olle;

    @BeforeEach
    void signIn(App.Running app) {
        nadia = Visitor.as(app.url(), "nadia");
        olle = Visitor.as(app.url(), "olle");
    }

    private static String path(String id) {
        return "/api/practicals/" + id;
    }

    /** A calf practical of a minute, seen by whoever it is. */
    private static Visitor.Answer seen(Visitor grader, String id, String look) {
        return grader.post(
                path(id) + "/events",
                ("{'events':[" + event("a", 0, "attend", "'on':true")
                                + "," + event("s", 1000, "step-start", "'step':'thigh-glide','side':'right'")
                                + "," + event("r", 2000, "report", "'number':2")
                                + "," + event("l", 20_000, "look", "'faults':[" + look + "],'asked':true")
                                + "," + event("l2", 30_000, "look", "'faults':[" + look + "],'asked':true")
                                + "," + event("l3", 40_000, "look", "'faults':[" + look + "],'asked':true")
                                + "," + event("f", 60_000, "finish", "") + "]}")
                        .replace('\'', '"'));
    }

    private static String event(String id, long at, String kind, String data) {
        return "{'id':'" + id + "','device':'d','seq':1,'atMs':" + at + ",'kind':'" + kind + "','data':{" + data + "}}";
    }

    private static Visitor.Answer award(Visitor grader, String id, String changes, boolean released) {
        grader.post(path(id) + "/rating", "{\"value\":70}");
        return grader.put(path(id) + "/award", AWARD.formatted(changes, released));
    }

    @Nested
    class Two_graders {
        private String first;
        private String second;

        @BeforeEach
        void pair() {
            first = nadia.practical("Kit Sorrel", "calves");
            second = olle.post(path(first) + "/beside", "").json().get("id").asString();
        }

        @Test
        void have_a_practical_each_of_one_clock() {
            assertThat(second).isNotEqualTo(first);
            assertThat(olle.post(path(first) + "/beside", "").json().get("id").asString())
                    .as("asked twice, made once")
                    .isEqualTo(second);
            assertThat(olle.get(path(second)).json().get("startedAt"))
                    .isEqualTo(nadia.get(path(first)).json().get("startedAt"));
            assertThat(nadia.post(path(first) + "/beside", "").code()).isEqualTo("own");
        }

        @Test
        void are_blind_to_each_other_until_both_have_awarded() {
            seen(nadia, first, "");
            seen(olle, second, "'bent-elbows'");
            assertThat(award(nadia, first, "", false).status()).isEqualTo(200);
            for (var look : new String[] {path(first), path(first) + "/file", path(first) + "/scores"})
                assertThat(olle.get(look).status()).as(look).isEqualTo(403);
            assertThat(nadia.get(path(second)).status()).isEqualTo(403);
            assertThat(olle.all("/api/terms/" + olle.term() + "/practicals"))
                    .filteredOn(l -> l.get("id").asString().equals(first))
                    .singleElement()
                    .satisfies(l -> assertThat(l.has("mean") || l.has("result")).isFalse());
            assertThat(award(olle, second, "", false).status()).isEqualTo(200);
            assertThat(olle.get(path(first)).status()).isEqualTo(200);
            assertThat(nadia.get(path(second)).status()).isEqualTo(200);
        }

        @Test
        void write_nothing_into_the_others_marks() {
            assertThat(seen(olle, first, "").status()).isEqualTo(403);
            assertThat(seen(nadia, second, "").status()).isEqualTo(403);
            seen(nadia, first, "");
            assertThat(olle.post(path(first) + "/rating", "{\"value\":10}").status())
                    .isEqualTo(403);
        }

        @Test
        void count_once_and_only_when_both_are_through(App.Running app) {
            seen(nadia, first, "");
            seen(olle, second, "");
            award(nadia, first, "", true);
            var of = "select count(*) from evidence where practical_id in ('" + first + "', '" + second + "')";
            assertThat(app.database().count(of)).isZero();
            award(olle, second, "", true);
            assertThat(app.database().count(of)).isPositive();
            assertThat(app.database().count(of.replace("'" + first + "', ", "")))
                    .isZero();
        }

        @Test
        void agree_afterwards_with_a_reason() {
            seen(nadia, first, "");
            seen(olle, second, "'bent-elbows'");
            award(nadia, first, "", false);
            award(olle, second, "", false);
            var agreed = AWARD.formatted(
                            "\"mechanics\":{\"value\":70,\"reason\":\"agreed: the elbows bent once\"}", true)
                    .replace("\"from\":0", "\"from\":1");
            var answer = nadia.put(path(first) + "/award", agreed);
            assertThat(answer.json().get("award").get("revision").asInt()).isEqualTo(2);
        }
    }

    @Nested
    class A_student {
        @Test
        void marks_themselves_before_the_result_and_never_after(App.Running app) {
            var kit = Visitor.as(app.url(), "kit");
            var id = nadia.practical("Kit Sorrel", "calves");
            assertThat(kit.post(path(id) + "/self-marks", "{\"marks\":{\"pressure\":60}}")
                            .code())
                    .isEqualTo("not-finished");
            seen(nadia, id, "");
            assertThat(kit.get("/api/me/to-mark").text()).contains(id);
            assertThat(kit.post(path(id) + "/self-marks", "{\"marks\":{\"pressure\":101}}")
                            .status())
                    .isEqualTo(422);
            assertThat(Visitor.as(app.url(), "ana")
                            .post(path(id) + "/self-marks", "{\"marks\":{\"pressure\":60}}")
                            .status())
                    .isEqualTo(403);
            assertThat(kit.post(path(id) + "/self-marks", "{\"marks\":{\"pressure\":60}}")
                            .status())
                    .isEqualTo(204);
            assertThat(kit.post(path(id) + "/self-marks", "{\"marks\":{\"pressure\":90}}")
                            .code())
                    .isEqualTo("marked-already");
            // The grader's mind stays free of it until the award is given.
            assertThat(nadia.get(path(id)).json().has("selfMarks")).isFalse();
            award(nadia, id, "", true);
            assertThat(kit.get(path(id)).json().get("selfMarks").get("pressure").asDouble())
                    .isEqualTo(60);
            assertThat(kit.get("/api/me/to-mark").text()).doesNotContain(id);
        }

        @Test
        void comes_too_late_once_the_result_is_there(App.Running app) {
            var id = nadia.practical("Kit Sorrel", "calves");
            seen(nadia, id, "");
            award(nadia, id, "", true);
            assertThat(Visitor.as(app.url(), "kit")
                            .post(path(id) + "/self-marks", "{\"marks\":{\"pressure\":60}}")
                            .code())
                    .isEqualTo("released");
        }
    }

    @Nested
    class A_peer {
        private String table;
        private Visitor lena;
        private String look;

        @BeforeEach
        void asked(App.Running app) {
            table = nadia.practical("Kit Sorrel", "calves");
            lena = Visitor.as(app.url(), "lena");
            look = asked("Lena Brook").json().get("look").asString();
        }

        private Visitor.Answer asked(String who) {
            return nadia.post(path(table) + "/peer-looks", "{\"observer\":\"" + nadia.person(who) + "\"}");
        }

        @Test
        void writes_what_they_see_and_reads_nothing(App.Running app) {
            assertThat(asked("Lena Brook").json().get("look").asString()).isEqualTo(look);
            var mine = lena.get("/api/me/peer-looks").json();
            assertThat(mine).anySatisfy(w -> {
                assertThat(w.get("id").asString()).isEqualTo(look);
                assertThat(w.get("student").asString()).isEqualTo("Kit Sorrel");
            });
            assertThat(seen(lena, look, "").status()).isEqualTo(200);
            assertThat(lena.get(path(look)).status()).isEqualTo(403);
            assertThat(lena.get(path(table)).status()).isEqualTo(403);
            assertThat(seen(lena, table, "").status()).isEqualTo(403);
            assertThat(seen(Visitor.as(app.url(), "ana"), look, "").status()).isEqualTo(403);
            assertThat(seen(nadia, look, "").status()).isEqualTo(403);
        }

        /** As the page sends it, five hundred at a time, once there is a line again. */
        @Test
        void sends_a_long_look_at_once_that_was_taken_without_a_line(App.Running app) {
            var taps = new StringJoiner(",", "{'events':[", "]}");
            var stretches = "'faults':['bent-elbows','twisted','leaning','raised-shoulders'],'asked':true";
            for (int i = 0; i < 500; i++) taps.add(event(look + "-" + i, 1000L + i * 5000L, "look", stretches));
            var batch = taps.toString().replace('\'', '"');
            assertThat(batch.length()).isBetween(90_000, 125_000);
            var answer = lena.post(path(look) + "/events", batch);
            assertThat(answer.status()).as(answer.text()).isEqualTo(200);
            assertThat(app.database().count("select count(*) from event where practical_id = '" + look + "'"))
                    .isEqualTo(500);
        }

        /** By hand: three looks of ten that are enough, a quarter of the weight: 0.075. */
        @Test
        void counts_a_quarter_once_a_grader_has_awarded_it(App.Running app) {
            seen(lena, look, "");
            var count = "select count(*) from evidence where criterion = 'mechanics' and weight = 0.075"
                    + " and practical_id = '" + look + "'";
            assertThat(app.database().count(count)).isZero();
            assertThat(award(nadia, look, "", false).status()).isEqualTo(200);
            assertThat(app.database().count(count)).isEqualTo(1);
        }

        @Test
        void is_asked_no_more_of_what_does_not_count() {
            nadia.put(path(table) + "/void", "{\"reason\":\"fire bell\"}");
            assertThat(lena.get("/api/me/peer-looks").text()).doesNotContain(look);
        }

        @Test
        void is_a_third_student_and_over_with_the_practical() {
            assertThat(asked("Kit Sorrel").text()).contains("neither works nor lies here");
            assertThat(asked("Olle Strand").status()).isEqualTo(422);
            seen(nadia, table, "");
            assertThat(lena.get("/api/me/peer-looks").text()).doesNotContain(look);
            assertThat(asked("Ana Quill").code()).isEqualTo("finished");
        }
    }

    private String started(String more) {
        return nadia.post(
                        "/api/practicals",
                        "{\"term\":\"" + nadia.term() + "\",\"student\":\"" + nadia.person("Kit Sorrel")
                                + "\",\"sequence\":\"calves\"," + more + "}")
                .text();
    }

    @Test
    void a_spot_check_is_half_a_piece_of_evidence_of_one_criterion(App.Running app) {
        assertThat(started("\"kind\":\"spot-check\"")).contains("a spot check looks at one");
        assertThat(started("\"criterion\":\"mechanics\"")).contains("belongs to a spot check");
        var id = formatted(started("\"kind\":\"spot-check\",\"criterion\":\"mechanics\""));
        seen(nadia, id, "");
        var view = award(nadia, id, "", true).json();
        assertThat(view.get("award").get("outcome").get("result").asString()).isEqualTo("pass");
        // By hand: three looks of ten that are enough, half weight: 0.15.
        assertThat(app.database()
                        .count("select count(*) from evidence where criterion = 'mechanics' and weight = 0.15"
                                + " and practical_id = '" + id + "'"))
                .isEqualTo(1);
        assertThat(app.database().count("select count(*) from evidence where practical_id = '" + id + "'"))
                .isEqualTo(1);
    }

    /** Its file says how much was asked, so that the command line marks it as the school does. */
    @Test
    void of_which_a_part_is_asked_is_marked_alike_from_its_file() throws Exception {
        for (var part : List.of(
                "\"kind\":\"spot-check\",\"criterion\":\"mechanics\"",
                "\"kind\":\"peer-look\"",
                "\"kind\":\"practical\"")) {
            var started = started(part);
            if (!started.startsWith("{\"id\"")) throw new AssertionError(part + ": " + started);
            var id = formatted(started);
            seen(nadia, id, "");
            nadia.post(path(id) + "/rating", "{\"value\":70}");
            var file = Documents.readPractical(nadia.get(path(id) + "/file").text());
            assertThat(Json.MAPPER.readTree(
                            Json.MAPPER.writeValueAsString(ScoreView.of(file).criteria())))
                    .as(part)
                    .isEqualTo(nadia.get(path(id)).json().get("scores").get("criteria"));
        }
    }

    private static String formatted(String view) {
        return view.replaceFirst("^\\{\"id\":\"([^\"]+)\".*$", "$1");
    }

    @Test
    void a_re_take_asks_only_for_what_did_not_hold() {
        var id = nadia.practical("Kit Sorrel", "calves");
        seen(nadia, id, "");
        var view = award(nadia, id, "\"mechanics\":{\"value\":30,\"reason\":\"leaned on the table\"}", true)
                .json();
        assertThat(view.get("award").get("outcome").get("result").asString()).isNotEqualTo("pass");
        assertThat(view.get("again")).isNotEmpty();
        assertThat(view.get("goals")).isNotEmpty();
        var steps = new java.util.ArrayList<String>();
        view.get("again").forEach(a -> steps.add("\"" + a.get("step").asString() + "\""));
        var again = started("\"asked\":[" + String.join(",", steps) + "],\"retakeOf\":\"" + id + "\"");
        assertThat(again).contains("\"retakeOf\":\"" + id + "\"");
        assertThat(started("\"retakeOf\":\"" + nadia.practical("Ana Quill", "calves") + "\""))
                .contains("is no practical of this student");
    }

    @Test
    void remarks_and_goals_are_kept_with_the_award() {
        var id = nadia.practical("Kit Sorrel", "calves");
        seen(nadia, id, "");
        nadia.post(path(id) + "/rating", "{\"value\":70}");
        var body = AWARD.formatted("", true)
                .replace(
                        "\"released\"",
                        "\"remarks\":[{\"atMs\":2000,\"text\":\"%s\"}],\"goals\":[\"Ask first\"],\"released\"");
        assertThat(nadia.put(path(id) + "/award", body.formatted(" ")).text()).contains("remarks/0/text");
        var award = nadia.put(path(id) + "/award", body.formatted("Well eased"))
                .json()
                .get("award")
                .get("award");
        assertThat(award.get("remarks").get(0).get("text").asString()).isEqualTo("Well eased");
        assertThat(award.get("goals").get(0).asString()).isEqualTo("Ask first");
    }
}
