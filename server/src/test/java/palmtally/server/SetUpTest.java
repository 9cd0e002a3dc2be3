package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Before hands-on: the note of the one on the table, the question of the day, gates; and a practical that does not count. */
@ExtendWith(App.class)
class SetUpTest {
    private static final String NUMB = "{\"kind\":\"numb\",\"zone\":\"calf\",\"side\":\"left\"}";

    private Visitor nadia;

    @BeforeEach
    void signIn(App.Running app) {
        nadia = Visitor.as(app.url(), "nadia");
    }

    private String brief(String sequence, String more) {
        return "{\"term\":\"" + nadia.term() + "\",\"student\":\"" + nadia.person("Ana Quill") + "\",\"sequence\":\""
                + sequence + "\"" + more + "}";
    }

    private static String on(String partner) {
        return ",\"partner\":\"" + partner + "\"";
    }

    @Nested
    class The_question_of_the_day {
        @Test
        void blocks_what_clashes_and_says_the_ways_out() {
            var ready = nadia.post("/api/practicals/ready", brief("calves", ",\"today\":[" + NUMB + "]"))
                    .json();
            assertThat(ready.get("blocked")).isNotEmpty();
            assertThat(ready.get("clashes").get(0).asString()).contains("numb on this client");
            assertThat(ready.get("side").asString()).isEqualTo("right");
            assertThat(ready.get("rest").asInt()).isPositive();
        }

        @Test
        void lets_nothing_start_that_clashes() {
            var refused = nadia.post("/api/practicals", brief("calves", ",\"today\":[" + NUMB + "]"));
            assertThat(refused.status()).isEqualTo(409);
            assertThat(refused.code()).isEqualTo("clash");
            var started =
                    nadia.post("/api/practicals", brief("calves", ",\"sides\":\"right\",\"today\":[" + NUMB + "]"));
            assertThat(started.status()).isEqualTo(201);
            assertThat(started.json().get("today").get(0).get("zone").asString())
                    .isEqualTo("calf");
        }

        @Test
        void is_kept_for_the_one_who_answered_until_the_day_is_over() {
            var partner = nadia.person("Eli Thorne");
            nadia.post(
                    "/api/practicals", brief("calves", on(partner) + ",\"sides\":\"right\",\"today\":[" + NUMB + "]"));
            assertThat(nadia.get("/api/notes/" + partner).json()).hasSize(1);
            // The next table of the day knows it unasked, and it is not written twice.
            var refused = nadia.post("/api/practicals", brief("calves", on(partner)));
            assertThat(refused.code()).isEqualTo("clash");
            nadia.post(
                    "/api/practicals", brief("calves", on(partner) + ",\"sides\":\"right\",\"today\":[" + NUMB + "]"));
            var notes = nadia.get("/api/notes/" + partner).json();
            assertThat(notes).hasSize(1);
            nadia.delete("/api/notes/" + partner + "/" + notes.get(0).get("id").asString());
        }

        @Test
        void names_what_cannot_be_meant() {
            assertThat(nadia.post("/api/practicals/ready", brief("calves", ",\"today\":[{\"kind\":\"numb\"}]"))
                            .text())
                    .contains("which zone?");
            assertThat(nadia.post("/api/practicals/ready", brief("calves", ",\"today\":[{}]"))
                            .text())
                    .contains("today/0/kind");
        }
    }

    @Nested
    class A_gate {
        @Test
        void that_is_closed_is_passed_with_a_reason_only() {
            var brief = brief("neck", "");
            var gates = nadia.post("/api/practicals/ready", brief).json().get("gates");
            assertThat(gates.get(0).get("gate").asString()).isEqualTo("front-of-neck");
            boolean open = gates.get(0).get("open").asBoolean();
            var started = nadia.post("/api/practicals", brief);
            assertThat(started.code()).isEqualTo(open ? "" : "gate-closed");
            assertThat(nadia.post("/api/practicals", brief("neck", ",\"despite\":\"shown twice in class\""))
                            .json()
                            .get("despite")
                            .asString())
                    .isEqualTo("shown twice in class");
        }

        @Test
        void is_not_on_the_way_to_the_calf() {
            assertThat(nadia.post("/api/practicals/ready", brief("calves", ""))
                            .json()
                            .get("gates"))
                    .isEmpty();
        }
    }

    @Nested
    class A_void_practical {
        @Test
        void leaves_the_floor_and_the_record_and_can_be_counted_again() {
            var id = nadia.practical("Ana Quill", "calves");
            var path = "/api/practicals/" + id;
            assertThat(nadia.put(path + "/void", "{\"reason\":\" \"}").status()).isEqualTo(422);
            assertThat(nadia.put(path + "/void", "{\"reason\":\"fire bell\"}")
                            .json()
                            .get("voidReason")
                            .asString())
                    .isEqualTo("fire bell");
            assertThat(nadia.get("/api/floor").text()).doesNotContain(id);
            nadia.post(
                    path + "/events",
                    "{\"events\":[{\"id\":\"f\",\"device\":\"d\",\"seq\":1,\"atMs\":5,\"kind\":\"finish\",\"data\":{}}]}");
            assertThat(nadia.post(path + "/rating", "{\"value\":70}").code()).isEqualTo("void");
            assertThat(nadia.put(path + "/void", "{}").json().has("voidReason")).isFalse();
            assertThat(nadia.post(path + "/rating", "{\"value\":70}").status()).isEqualTo(200);
        }

        @Test
        @InWeeks(from = 9)
        void that_was_awarded_gives_its_evidence_back(App.Running app) {
            var line = java.util.stream.StreamSupport.stream(
                            nadia.all("/api/terms/" + nadia.term() + "/practicals")
                                    .spliterator(),
                            false)
                    .filter(l -> l.path("released").asBoolean()
                            && l.has("mean")
                            && l.get("student").asString().equals("Eli Thorne")
                            && !l.has("beside"))
                    .findFirst()
                    .orElseThrow();
            var id = line.get("id").asString();
            var count = "select count(*) from evidence where practical_id = '" + id + "'";
            long had = app.database().count(count);
            assertThat(had).isPositive();
            nadia.put("/api/practicals/" + id + "/void", "{\"reason\":\"the wrong student\"}");
            assertThat(app.database().count(count)).isZero();
            nadia.put("/api/practicals/" + id + "/void", "{}");
            assertThat(app.database().count(count)).isEqualTo(had);
        }
    }

    @Test
    void another_grader_finds_the_table_on_their_floor(App.Running app) {
        var olle = nadia.person("Olle Strand");
        var id = nadia.post("/api/practicals", brief("calves", ",\"grader\":\"" + olle + "\""))
                .json()
                .get("id")
                .asString();
        assertThat(Visitor.as(app.url(), "olle").get("/api/floor").text()).contains(id);
        assertThat(nadia.get("/api/floor").text()).doesNotContain(id);
        assertThat(nadia.post("/api/practicals", brief("calves", ",\"grader\":\"" + nadia.person("Kit Sorrel") + "\""))
                        .text())
                .contains("is no grader of this term");
    }

    @Test
    void only_some_steps_may_be_asked() {
        var asked = nadia.post("/api/practicals", brief("calves", ",\"sides\":\"right\",\"asked\":[\"thigh-glide\"]"))
                .json();
        assertThat(asked.get("asked")).hasSize(1);
        assertThat(asked.get("spans")).hasSize(1);
        assertThat(nadia.post("/api/practicals", brief("calves", ",\"asked\":[\"nowhere\"]"))
                        .text())
                .contains("names no step of the sequence");
    }
}
