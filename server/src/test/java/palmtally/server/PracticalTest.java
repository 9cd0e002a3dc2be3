package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.core.practical.MarkRules;
import tools.jackson.databind.JsonNode;

/** The event log over HTTP: stored once, in order, all of a request or none; then rating and award. */
@ExtendWith(App.class)
class PracticalTest {
    private Visitor nadia;
    private String id;

    @BeforeEach
    void start(App.Running app) {
        nadia = Visitor.as(app.url(), "nadia");
        id = nadia.practical("Lena Brook", "calves");
    }

    private static String event(String id, long at, String kind, String data) {
        return "{\"id\":\"" + id + "\",\"device\":\"d\",\"seq\":1,\"atMs\":" + at + ",\"kind\":\"" + kind
                + "\",\"data\":{" + data + "}}";
    }

    private Visitor.Answer send(String... events) {
        return nadia.post("/api/practicals/" + id + "/events", "{\"events\":[" + String.join(",", events) + "]}");
    }

    private long stored(App.Running app) {
        return app.database().count("select count(*) from event where practical_id = '" + id + "'");
    }

    @Nested
    class Events {
        @Test
        void sent_twice_are_stored_once(App.Running app) {
            var one = event("a", 0, "attend", "\"on\":true");
            assertThat(send(one).json().get("stored").asInt()).isEqualTo(1);
            assertThat(send(one, event("b", 5, "report", "\"number\":3"))
                            .json()
                            .get("stored")
                            .asInt())
                    .isEqualTo(2);
            assertThat(send(one, one).status()).isEqualTo(200);
            assertThat(stored(app)).isEqualTo(2);
        }

        @Test
        void with_a_known_id_and_other_contents_are_a_conflict(App.Running app) {
            send(event("a", 0, "report", "\"number\":3"));
            var answer = send(event("b", 1, "report", "\"number\":5"), event("a", 0, "report", "\"number\":4"));
            assertThat(answer.status()).isEqualTo(409);
            assertThat(answer.code()).isEqualTo("event-differs");
            assertThat(stored(app)).as("nothing of the request was stored").isEqualTo(1);
        }

        @Test
        void that_cannot_be_meant_store_nothing_and_are_named_by_their_place(App.Running app) {
            var answer = send(
                    event("a", 0, "attend", "\"on\":true"),
                    event("b", 5, "step-start", "\"step\":\"nowhere\""),
                    event("c", 6, "undo", "\"ref\":\"zz\""));
            assertThat(answer.status()).isEqualTo(422);
            assertThat(answer.text()).contains("events/1/data/step").contains("events/2/data/ref");
            assertThat(send(event("d", -1, "report", "\"number\":11")).text())
                    .contains("is before the start")
                    .contains("must be 0 to 10");
            assertThat(send(event("e", 1, "wave", "")).status()).isEqualTo(422);
            assertThat(send(event("f", 1, "report", "\"number\":3,\"colour\":\"red\""))
                            .status())
                    .isEqualTo(422);
            assertThat(nadia.post("/api/practicals/" + id + "/events", "{").status())
                    .isEqualTo(422);
            assertThat(stored(app)).isZero();
        }

        @Test
        void of_two_graders_at_once_are_all_kept(App.Running app) throws Exception {
            var olle = Visitor.as(app.url(), "olle");
            var pool = Executors.newFixedThreadPool(2);
            Callable<Void> first = () -> {
                for (int i = 0; i < 20; i++) send(event("n" + i, i, "report", "\"number\":3"));
                return null;
            };
            Callable<Void> second = () -> {
                for (int i = 0; i < 20; i++)
                    olle.post(
                            "/api/practicals/" + id + "/events",
                            "{\"events\":["
                                    + event("o" + i, i, "report", "\"number\":4")
                                            .replace("\"d\"", "\"e\"") + "]}");
                return null;
            };
            for (var done : pool.invokeAll(java.util.List.of(first, second))) done.get();
            pool.shutdown();
            assertThat(stored(app)).isEqualTo(40);
        }

        @Test
        void keep_words_as_they_were_written(App.Running app) {
            var words = "<img src=x onerror=alert(1)> “花” 👋🏽";
            send(event("a", 0, "note", "\"text\":\"" + words + "\""));
            var back = nadia.get("/api/practicals/" + id).json().get("events").get(0);
            assertThat(back.get("data").get("text").asString()).isEqualTo(words);
        }
    }

    private void finish() {
        send(
                event("a", 0, "attend", "\"on\":true"),
                event("s", 1000, "step-start", "\"step\":\"thigh-glide\",\"side\":\"right\""),
                event("r", 2000, "report", "\"number\":2"),
                event("l", 20_000, "look", "\"faults\":[],\"asked\":true"),
                event("t", 30_000, "contact", "\"zone\":\"spine\",\"depth\":2"),
                event("f", 60_000, "finish", ""));
    }

    private Visitor.Answer award(String body) {
        return nadia.put("/api/practicals/" + id + "/award", body);
    }

    @Nested
    class Review {
        @Test
        void shows_no_score_before_the_one_rating_and_the_first_rating_stands() {
            finish();
            assertThat(nadia.get("/api/practicals/" + id).json().has("scores")).isFalse();
            assertThat(award(
                                    "{\"from\":0,\"award\":{\"criteria\":{},\"struck\":[],\"confirmed\":[],\"feedback\":\"\",\"released\":true}}")
                            .code())
                    .isEqualTo("not-rated");
            assertThat(nadia.post("/api/practicals/" + id + "/rating", "{\"value\":101}")
                            .status())
                    .isEqualTo(422);
            assertThat(nadia.post("/api/practicals/" + id + "/rating", "{\"value\":70}")
                            .json()
                            .has("scores"))
                    .isTrue();
            assertThat(nadia.post("/api/practicals/" + id + "/rating", "{\"value\":90}")
                            .code())
                    .isEqualTo("rated-already");
        }

        @Test
        void is_not_possible_before_the_end() {
            assertThat(nadia.post("/api/practicals/" + id + "/rating", "{\"value\":70}")
                            .code())
                    .isEqualTo("not-finished");
        }

        /** A device without a network kept them; an award is what its grader saw, and does not change by itself. */
        @Test
        void says_what_came_in_after_the_award_which_stands_till_it_is_given_anew(App.Running app) {
            finish();
            nadia.post("/api/practicals/" + id + "/rating", "{\"value\":70}");
            assertThat(award(plain(0)).status()).isEqualTo(200);
            var evidence = "select count(*) from evidence where practical_id = '" + id + "' and criterion = 'draping'";
            long before = app.database().count(evidence);
            assertThat(view().get("award").get("since").asInt()).isZero();
            assertThat(line().has("since")).isFalse();
            var awarded = view().get("scores");
            nadia.post(
                    "/api/practicals/" + id + "/events",
                    "{\"events\":[{\"id\":\"late\",\"device\":\"phone\",\"seq\":1,\"atMs\":30000,\"kind\":\"sheet-change\","
                            + "\"data\":{\"drape\":\"loose\"}}]}");
            assertThat(view().get("award").get("since").asInt()).isEqualTo(1);
            assertThat(line().get("since").asInt()).isEqualTo(1);
            // Who may award anew sees beside it what would come of it now.
            assertThat(view().get("scores")).isEqualTo(awarded);
            assertThat(view().get("anew").get("criteria").toString()).contains("loose tuck");
            // A second device that is put away says so; that is no tap.
            nadia.post(
                    "/api/practicals/" + id + "/events",
                    "{\"events\":[{\"id\":\"away\",\"device\":\"phone\",\"seq\":2,\"atMs\":40000,\"kind\":\"attend\","
                            + "\"data\":{\"on\":false}}]}");
            assertThat(view().get("award").get("since").asInt()).isEqualTo(1);
            assertThat(line().get("since").asInt()).isEqualTo(1);
            assertThat(app.database().count(evidence)).isEqualTo(before);
            assertThat(award(plain(1)).status()).isEqualTo(200);
            assertThat(view().get("award").get("since").asInt()).isZero();
            assertThat(line().has("since")).isFalse();
        }

        private void store(App.Running app, String change) {
            assertThat(app.database()
                            .count("with u as (update award set " + change + " where practical_id = '" + id
                                    + "' returning 1) select count(*) from u"))
                    .isEqualTo(1);
        }

        /** The rules of marking change: marks, findings and what they say for Track stay as they were given, and say by which rules. */
        @Test
        void stands_as_it_was_awarded_whatever_the_rules_are_now(App.Running app) {
            finish();
            nadia.post("/api/practicals/" + id + "/rating", "{\"value\":70}");
            assertThat(award(plain(0)).status()).isEqualTo(200);
            var first = view();
            assertThat(first.get("award").get("rules").asInt()).isEqualTo(MarkRules.NUMBER);
            assertThat(first.get("award").get("earlier").asBoolean()).isFalse();
            assertThat(first.has("anew")).isFalse();
            // As an earlier version of the app would have written it.
            store(
                    app,
                    "judged = jsonb_set(jsonb_set(jsonb_set(judged, '{rules}', '0'), '{scores,criteria,0,score}', '12.5'),"
                            + " '{counted,regions,0,score}', '12.5')");
            var then = view();
            assertThat(then.get("scores").get("criteria").get(0).get("score").asDouble())
                    .isEqualTo(12.5);
            assertThat(then.get("award").get("outcome"))
                    .isEqualTo(first.get("award").get("outcome"));
            assertThat(then.get("award").get("earlier").asBoolean()).isTrue();
            assertThat(then.get("anew")).isEqualTo(first.get("scores"));
            // Taken out and counted again: by what was written down, not by today's rules.
            nadia.put("/api/practicals/" + id + "/void", "{\"reason\":\"wrong table\"}");
            nadia.put("/api/practicals/" + id + "/void", "{}");
            assertThat(app.database()
                            .count("select count(*) from evidence where practical_id = '" + id + "' and score = 12.5"))
                    .isEqualTo(1);
            // Awarded anew: by today's.
            assertThat(award(plain(1)).status()).isEqualTo(200);
            assertThat(view().get("scores")).isEqualTo(first.get("scores"));
            assertThat(view().get("award").get("rules").asInt()).isEqualTo(MarkRules.NUMBER);
        }

        /** Of an award from before they were kept there is only what it came to. */
        @Test
        void of_earlier_versions_keeps_what_it_came_to(App.Running app) {
            finish();
            nadia.post("/api/practicals/" + id + "/rating", "{\"value\":70}");
            assertThat(award(plain(0)).status()).isEqualTo(200);
            var marks = view().get("scores");
            store(app, "judged = null, result = 'pass', mean = 81");
            var then = view();
            var outcome = then.get("award").get("outcome");
            assertThat(outcome.get("result").asString()).isEqualTo("pass");
            assertThat(outcome.get("mean").asDouble()).isEqualTo(81);
            assertThat(outcome.get("band").asString()).isEqualTo("fluent");
            assertThat(outcome.get("reasons").get(0).asString()).startsWith("It stands as it was awarded;");
            assertThat(then.get("award").has("rules")).isFalse();
            assertThat(then.get("award").get("earlier").asBoolean()).isTrue();
            assertThat(then.get("again")).isEmpty();
            assertThat(then.get("scores")).isEqualTo(marks);
        }

        private JsonNode view() {
            return nadia.get("/api/practicals/" + id).json();
        }

        private JsonNode line() {
            for (var l : nadia.all("/api/terms/" + nadia.term() + "/practicals"))
                if (l.get("id").asString().equals(id)) return l;
            throw new AssertionError(id);
        }

        /** An award of what was seen, every critical finding confirmed. */
        private String plain(int from) {
            var critical = new ArrayList<String>();
            for (var c : view().get("scores").get("criteria"))
                for (var f : c.get("findings"))
                    if (f.get("severity").asString().equals("critical"))
                        critical.add("\"" + f.get("key").asString() + "\"");
            return "{\"from\":" + from + ",\"award\":{\"criteria\":{},\"struck\":[],\"confirmed\":["
                    + String.join(",", critical) + "],\"feedback\":\"\",\"released\":true}}";
        }

        @Test
        void wants_a_word_on_every_critical_finding_and_a_reason_for_every_change(App.Running app) {
            finish();
            var rated = nadia.post("/api/practicals/" + id + "/rating", "{\"value\":70}")
                    .json();
            var key = "";
            for (var c : rated.get("scores").get("criteria"))
                for (var f : c.get("findings"))
                    if (f.get("severity").asString().equals("critical"))
                        key = f.get("key").asString();
            assertThat(key).startsWith("PRESS-CEILING");
            var bare = award(
                    "{\"from\":0,\"award\":{\"criteria\":{\"order\":{\"value\":55}},\"struck\":[],\"confirmed\":[],\"feedback\":\"\",\"released\":true}}");
            assertThat(bare.status()).isEqualTo(422);
            assertThat(bare.text())
                    .contains("neither confirmed nor struck")
                    .contains("a changed mark needs its reason");
            var good = award(
                    "{\"from\":0,\"award\":{\"criteria\":{\"order\":{\"value\":55,\"reason\":\"told to stop early\"}},"
                            + "\"struck\":[{\"key\":\"" + key
                            + "\",\"reason\":\"the next table\"}],\"confirmed\":[],\"feedback\":\"Good.\",\"released\":false}}");
            assertThat(good.status()).isEqualTo(200);
            assertThat(good.json().get("award").get("revision").asInt()).isEqualTo(1);
            var where =
                    " from evidence where practical_id = '" + id + "' and criterion = 'order' and region = 'lower-leg'";
            assertThat(app.database().count("select score::int" + where)).isEqualTo(55);
            assertThat(app.database().count("select count(*)" + where + " and computed is distinct from score"))
                    .isEqualTo(1);
            assertThat(award("{\"from\":0,\"award\":{\"criteria\":{},\"struck\":[],\"confirmed\":[\"" + key
                                    + "\"],\"feedback\":\"\",\"released\":true}}")
                            .code())
                    .isEqualTo("changed-meanwhile");
            var lena = Visitor.as(app.url(), "lena");
            assertThat(lena.get("/api/practicals/" + id).status())
                    .as("not released yet")
                    .isEqualTo(403);
        }
    }

    @Test
    void a_record_that_is_saved_and_read_again_has_the_same_scores() {
        finish();
        nadia.post("/api/practicals/" + id + "/rating", "{\"value\":70}");
        var file = nadia.get("/api/practicals/" + id + "/file").text();
        var read = nadia.post(
                "/api/terms/" + nadia.term() + "/students/" + nadia.person("Kit Sorrel") + "/practicals/file", file);
        assertThat(read.status()).isEqualTo(201);
        nadia.post("/api/practicals/" + read.json().get("id").asString() + "/rating", "{\"value\":70}");
        assertThat(nadia.get("/api/practicals/" + read.json().get("id").asString())
                        .json()
                        .get("scores"))
                .isEqualTo(nadia.get("/api/practicals/" + id).json().get("scores"));
    }

    @Test
    void a_practical_needs_a_student_of_the_term_and_another_partner() {
        var lena = nadia.person("Lena Brook");
        var term = nadia.term();
        assertThat(nadia.post("/api/practicals", "{}").json().get("faults").size())
                .isEqualTo(3);
        assertThat(nadia.post(
                                "/api/practicals",
                                "{\"term\":\"" + term + "\",\"student\":\"" + lena + "\",\"partner\":\"" + lena
                                        + "\",\"sequence\":\"calves\"}")
                        .text())
                .contains("must be another than the student");
        assertThat(nadia.post(
                                "/api/practicals",
                                "{\"term\":\"" + term + "\",\"student\":\"" + nadia.person("Nadia Reef")
                                        + "\",\"sequence\":\"calves\"}")
                        .text())
                .contains("is not a student of this term");
        assertThat(nadia.post(
                                "/api/practicals",
                                "{\"term\":\"" + term + "\",\"student\":\"" + lena + "\",\"sequence\":\"nothing\"}")
                        .status())
                .isEqualTo(404);
    }

    /** The demo's grader is on duty for every region but the neck. */
    @Test
    void a_grader_awards_nothing_outside_the_regions_given_to_them(App.Running app) {
        var olle = Visitor.as(app.url(), "olle");
        for (var sequence : new String[] {"calves", "neck"}) {
            var by = sequence.equals("neck") ? nadia : olle;
            var table = by.post(
                            "/api/practicals",
                            "{\"term\":\"" + olle.term() + "\",\"student\":\"" + olle.person("Lena Brook")
                                    + "\",\"sequence\":\"" + sequence + "\",\"despite\":\"a test\"}")
                    .json()
                    .get("id")
                    .asString();
            by.post("/api/practicals/" + table + "/events", "{\"events\":[" + event("f", 9, "finish", "") + "]}");
            by.post("/api/practicals/" + table + "/rating", "{\"value\":70}");
            var award =
                    "{\"from\":0,\"award\":{\"criteria\":{},\"struck\":[],\"confirmed\":[],\"feedback\":\"\",\"released\":true}}";
            var answer = olle.put("/api/practicals/" + table + "/award", award);
            assertThat(answer.status()).as(sequence).isEqualTo(sequence.equals("neck") ? 403 : 200);
            if (sequence.equals("neck")) {
                assertThat(answer.text()).contains("Neck is graded by Nadia Reef");
                assertThat(nadia.put("/api/practicals/" + table + "/award", award)
                                .status())
                        .isEqualTo(200);
            }
        }
    }
}
