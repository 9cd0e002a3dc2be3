package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.core.sequence.Sequence;
import palmtally.formats.Json;
import palmtally.formats.RulesHash;
import palmtally.formats.draft.Drafts;
import palmtally.formats.draft.OfSchool;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What the server says of a sequence that is being written. */
@ExtendWith(App.class)
class DraftTest {
    private static JsonNode begin(Visitor nadia, String name) {
        var made = nadia.post(
                "/api/sequences",
                "{\"name\":\"" + name
                        + "\",\"region\":\"thigh\",\"slotSeconds\":900,\"template\":\"protocol\",\"zones\":[\"thigh-front\"]}");
        assertThat(made.status()).isEqualTo(201);
        return made.json();
    }

    private static String body(JsonNode sequence, String more) {
        return "{\"sequence\":" + sequence + (more.isEmpty() ? "" : "," + more) + "}";
    }

    @Test
    void a_sequence_begins_by_template_under_an_id_of_its_own(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        assertThat(begin(nadia, "Écart: front thigh").get("sequence").get("id").asString())
                .isEqualTo("ecart-front-thigh");
        assertThat(begin(nadia, "Écart: front thigh").get("sequence").get("id").asString())
                .isEqualTo("ecart-front-thigh-2");
        assertThat(nadia.post("/api/sequences", "{\"name\":\" \"}")
                        .json()
                        .get("faults")
                        .size())
                .isEqualTo(3);
    }

    @Test
    void a_sequence_begins_out_of_the_lines_of_a_routine(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var made = nadia.post(
                "/api/sequences",
                "{\"name\":\"Pasted\",\"region\":\"lower-leg\",\"slotSeconds\":900,\"lines\":[\"prone, bolster under the ankles\","
                        + "\"knead calf 1 min\",\"never over the veins\",\"wibble the moon\",\"cover\"]}");
        assertThat(made.status()).isEqualTo(201);
        var sequence = made.json().get("sequence");
        assertThat(sequence.get("blocks")).hasSize(3);
        var knead = sequence.at("/blocks/1/steps/0");
        assertThat(knead.get("technique").asString()).isEqualTo("petrissage");
        assertThat(knead.at("/detail/note").asString()).isEqualTo("never over the veins");
        assertThat(sequence.get("note").asString()).isEqualTo("Not read yet: wibble the moon");
        var none = nadia.post(
                "/api/sequences", "{\"name\":\"Pasted\",\"region\":\"lower-leg\",\"lines\":[\"wibble the moon\"]}");
        assertThat(none.status()).isEqualTo(422);
        assertThat(none.json().at("/faults/0/reason").asString()).startsWith("need one that says what is done where");
        var line = "\"knead calf\",";
        var many = nadia.post(
                "/api/sequences",
                "{\"name\":\"Pasted\",\"region\":\"lower-leg\",\"lines\":[" + line.repeat(200) + "\"knead calf\"]}");
        assertThat(many.json().at("/faults/0/value").asString()).isEqualTo("201 lines");
    }

    @Test
    void checks_mends_and_fits_a_draft_without_storing_it(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var sequence = (ObjectNode) nadia.get("/api/sequences/calves").json().get("sequence");
        var history = nadia.get("/api/sequences/calves")
                .json()
                .get("history")
                .get("lines")
                .size();
        var plan = nadia.post("/api/drafts/check", body(sequence, "")).json();
        var stop = plan.get("findings").get(0);
        assertThat(stop.get("finding").get("rule").asString()).isEqualTo("ORDER-WARM");
        var mended = nadia.post(
                        "/api/drafts/mend",
                        body(
                                sequence,
                                "\"key\":\"" + stop.get("finding").get("key").asString() + "\""))
                .json();
        assertThat(mended.get("plan")
                        .get("findings")
                        .get(0)
                        .get("finding")
                        .get("rule")
                        .asString())
                .isNotEqualTo("ORDER-WARM");
        var all = nadia.post("/api/drafts/mend-all", body(sequence, "")).json();
        assertThat(all.get("mends").size()).isGreaterThan(3);
        double cost = 0;
        for (var m : all.get("mends")) cost += m.get("seconds").asDouble();
        assertThat(all.get("beforeSeconds").asDouble() + cost)
                .isEqualTo(all.get("afterSeconds").asDouble());
        for (var f : all.get("plan").get("findings"))
            assertThat(f.get("finding").get("severity").asString()).isNotEqualTo("stop");
        var graver = nadia.post("/api/drafts/mend-all", body(sequence, "\"hints\":false"))
                .json();
        for (var m : graver.get("mends"))
            assertThat(m.get("severity").asString()).isNotEqualTo("hint");
        var fit = nadia.post("/api/drafts/fit", body(sequence, "\"slotSeconds\":900"))
                .json();
        assertThat(fit.get("found").asBoolean()).isTrue();
        assertThat(fit.get("afterSeconds").asDouble()).isLessThanOrEqualTo(900);
        assertThat(nadia.post("/api/drafts/fit", body(sequence, "\"slotSeconds\":0"))
                        .status())
                .isEqualTo(422);
        assertThat(nadia.get("/api/sequences/calves")
                        .json()
                        .get("history")
                        .get("lines")
                        .size())
                .isEqualTo(history);
    }

    @Test
    void reads_jotted_lines_one_after_another_and_asks_where_one_is_no_step(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var lines = nadia.post(
                        "/api/drafts/lines",
                        "{\"lines\":[\"forearm glide hamstrings 90s x3 firm\",\"wibble wobble\",\"knuckles, deeper\"],"
                                + "\"ids\":[\"n\",\"m\",\"o\"]}")
                .json();
        assertThat(lines.get(0).at("/step/technique").asString()).isEqualTo("forearm-glide");
        assertThat(lines.get(1).has("step")).isFalse();
        assertThat(lines.get(1).at("/asked/question").asString()).isEqualTo("Which stroke?");
        assertThat(lines.get(1).at("/asked/nearest").size()).isEqualTo(4);
        assertThat(lines.get(2).at("/step/id").asString()).isEqualTo("o");
        assertThat(lines.get(2).at("/step/zones/0").asString()).isEqualTo("hamstrings");
        assertThat(lines.get(2).at("/step/depth").asInt()).isEqualTo(5);
        assertThat(nadia.post("/api/drafts/lines", "{\"lines\":[\"knead calf\"],\"ids\":[]}")
                        .status())
                .isEqualTo(422);
        assertThat(nadia.post("/api/drafts/lines", "{\"lines\":[],\"ids\":[]}").code())
                .isEqualTo("invalid");
    }

    @Test
    void tells_versions_apart_in_sentences(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var made = begin(nadia, "Apart");
        var id = made.get("sequence").get("id").asString();
        var changed = ((ObjectNode) made.get("sequence").deepCopy()).put("slotSeconds", 600.0);
        nadia.put("/api/sequences/" + id, "{\"from\":1,\"what\":\"Shorter\",\"sequence\":" + changed + "}");
        var second = nadia.get("/api/sequences/" + id + "/versions/2").json();
        assertThat(second.get("changes").get(0).asString()).isEqualTo("Slot: 900 s → 600 s.");
        assertThat(nadia.get("/api/sequences/" + id)
                        .json()
                        .get("history")
                        .get("lines")
                        .get(0)
                        .get("what")
                        .asString())
                .isEqualTo("Shorter");
        assertThat(nadia.get("/api/sequences/" + id + "/versions/9").status()).isEqualTo(404);
    }

    @Test
    void a_table_shows_what_it_would_change_and_is_taken_whole_or_not_at_all(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        begin(nadia, "Table");
        var csv = nadia.get("/api/sequences/table/steps").text();
        var changed = csv.replace("Petrissage", "Slow kneading");
        var preview = nadia.post("/api/sequences/incoming/preview", incoming(changed))
                .json()
                .get(0);
        assertThat(preview.get("effect").asString()).isEqualTo("changed");
        assertThat(preview.get("changes").get(0).asString()).contains("name Petrissage → Slow kneading");
        assertThat(nadia.get("/api/sequences/table").json().get("version").asInt())
                .isEqualTo(1);
        assertThat(nadia.post("/api/sequences/incoming", incoming(changed)).status())
                .isEqualTo(200);
        assertThat(nadia.get("/api/sequences/table").json().get("version").asInt())
                .isEqualTo(2);

        var broken = nadia.post("/api/sequences/incoming", incoming(changed.replace("rocking", "wobbling")));
        assertThat(broken.status()).isEqualTo(422);
        assertThat(broken.json().get("faults").get(0).get("field").asString())
                .startsWith("row ")
                .endsWith(", technique");
        assertThat(nadia.get("/api/sequences/table").json().get("version").asInt())
                .isEqualTo(2);
    }

    private static String incoming(String text) {
        return Json.MAPPER.writeValueAsString(java.util.Map.of("kind", "steps", "text", text));
    }

    @Test
    void what_a_step_looks_like_is_asked_for_by_its_place_in_the_plan(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var calves = nadia.get("/api/sequences/calves").json().get("sequence");
        var right =
                nadia.post("/api/drafts/picture", body(calves, "\"index\":1")).json();
        assertThat(right.at("/facts/words/0").asString()).isEqualTo("335 mm · 22 mm a second");
        assertThat(right.at("/motion/lines/0/0/x").asDouble()).isPositive();
        // Arm and half a hand from .186, .146 and .054 of 1.50 m, and 250 mm of leaning; light work at the wrists,
        // .485.
        var small = nadia.post("/api/drafts/picture", body(calves, "\"index\":1,\"therapist\":1.5"))
                .json();
        assertThat(small.at("/facts/comfortable").asInt()).isEqualTo(829);
        assertThat(small.at("/facts/table").asInt()).isEqualTo(728);
        assertThat(right.at("/facts/comfortable").asInt()).isEqualTo(906);
        var giant = nadia.post("/api/drafts/picture", body(calves, "\"index\":1,\"therapist\":17"));
        assertThat(giant.status()).isEqualTo(422);
        assertThat(giant.json().at("/faults/0/field").asString()).isEqualTo("therapist");
        var out = nadia.post("/api/drafts/picture", body(calves, "\"index\":99"));
        assertThat(out.status()).isEqualTo(422);
        assertThat(out.json().at("/faults/0/field").asString()).isEqualTo("index");
        assertThat(nadia.post("/api/drafts/picture", body(calves, "")).status()).isEqualTo(422);
        assertThat(Visitor.as(app.url(), "ana")
                        .post("/api/drafts/picture", body(calves, "\"index\":1"))
                        .status())
                .isEqualTo(403);
    }

    /** What is told is enough to answer as the server does, and tells nothing of anybody. */
    @Test
    void tells_a_page_enough_to_answer_by_itself(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var told = nadia.get("/api/known");
        var known = Json.MAPPER.readValue(told.text(), OfSchool.class);
        for (var profile : Arrays.asList(null, "by-seconds", "by-response")) {
            var draft = new Drafts.Draft(
                    Json.MAPPER.treeToValue(
                            nadia.get("/api/sequences/calves").json().get("sequence"), Sequence.class),
                    profile,
                    null);
            assertThat(Json.MAPPER.writeValueAsString(Drafts.check(draft, known)))
                    .isEqualTo(nadia.post("/api/drafts/check", Json.MAPPER.writeValueAsString(draft))
                            .text());
        }
        assertThat(told.text()).doesNotContain(nadia.person("Tobin Vale"), "Tobin", "nadia", "note");
        assertThat(Visitor.as(app.url(), "ana").get("/api/known").status()).isEqualTo(403);
    }

    @Test
    void says_by_which_rules_it_answers(App.Running app) {
        assertThat(RulesHash.HASH).matches("[0-9a-f]{16}");
        var nadia = Visitor.as(app.url(), "nadia");
        assertThat(nadia.get("/api/known").rules()).isEqualTo(RulesHash.HASH);
        assertThat(nadia.post("/api/drafts/check", "{}").rules()).isEqualTo(RulesHash.HASH);
        assertThat(Visitor.at(app.url()).get("/api/session").rules()).isEqualTo(RulesHash.HASH);
    }

    @Test
    void students_write_nothing(App.Running app) {
        var ana = Visitor.as(app.url(), "ana");
        assertThat(ana.post("/api/drafts/check", "{}").status()).isEqualTo(403);
        assertThat(ana.post("/api/sequences", "{}").status()).isEqualTo(403);
    }
}
