package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.core.technique.Techniques;
import palmtally.formats.Documents;
import palmtally.formats.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The library of techniques: where each is used, and who follows a change. */
@ExtendWith(App.class)
class TechniqueTest {
    /** The step that a line becomes; missing where it becomes none. */
    private static JsonNode jotted(Visitor who, String line) {
        return who.post("/api/drafts/lines", "{\"lines\":[\"" + line + "\"],\"ids\":[\"n1\"]}")
                .json()
                .get(0)
                .path("step");
    }

    private static JsonNode one(JsonNode all, String id) {
        for (var t : all) if (t.get("technique").get("id").asString().equals(id)) return t;
        throw new AssertionError(id);
    }

    /** A sequence of this test alone, whose strokes follow the library. */
    private static void sequence(Visitor nadia, String id) {
        var s = (ObjectNode) nadia.get("/api/sequences/neck").json().get("sequence");
        s.put("id", id).put("name", id);
        var step = (ObjectNode) s.get("blocks").get(1).get("steps").get(0);
        step.put("technique", "rocking").put("tool", "palm").put("depth", 1);
        step.set("dose", Json.MAPPER.createObjectNode().put("kind", "seconds").put("seconds", 40.0));
        assertThat(nadia.put("/api/sequences/" + id, "{\"from\":0,\"sequence\":" + s + "}")
                        .status())
                .isEqualTo(200);
    }

    @Test
    void a_change_shows_whom_it_touches_and_only_the_chosen_follow(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        sequence(nadia, "follower");
        sequence(nadia, "stayer");
        var before = one(nadia.get("/api/techniques").json(), "rocking");
        int from = before.get("version").asInt();
        var change = "\"dose\":{\"kind\":\"seconds\",\"seconds\":55.0},\"aliases\":[\"jostling\",\"boat rock\"]";
        var touched =
                nadia.post("/api/techniques/rocking/try", "{" + change + "}").json();
        assertThat(touched.toString()).contains("\"follower\"", "\"stayer\"");
        assertThat(one(nadia.get("/api/techniques").json(), "rocking")
                        .get("version")
                        .asInt())
                .isEqualTo(from);
        var stored = nadia.put(
                "/api/techniques/rocking", "{\"from\":" + from + "," + change + ",\"follow\":[\"follower\"]}");
        assertThat(stored.status()).isEqualTo(200);
        assertThat(nadia.get("/api/sequences/follower").json().toString()).contains("\"seconds\":55.0");
        var follower = nadia.get("/api/sequences/follower").json();
        assertThat(follower.get("history").get("lines").get(0).get("what").asString())
                .startsWith("Followed the library");
        assertThat(nadia.get("/api/sequences/stayer").json().get("version").asInt())
                .isEqualTo(1);
        // The nickname is understood at once where steps are typed.
        var typed = jotted(nadia, "boat rock neck");
        assertThat(typed.get("technique").asString()).isEqualTo("rocking");
        assertThat(typed.get("dose").get("seconds").asDouble()).isEqualTo(55);
        var late = nadia.put("/api/techniques/rocking", "{\"from\":" + from + ",\"depth\":2}");
        assertThat(late.status()).isEqualTo(409);
    }

    @Test
    void what_it_cannot_be_is_refused_with_reasons(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var clash = nadia.post("/api/techniques/petrissage/try", "{\"aliases\":[\"fist glide\"]}");
        assertThat(clash.status()).isEqualTo(422);
        assertThat(clash.text()).contains("Effleurage with loose fist");
        assertThat(nadia.post("/api/techniques/petrissage/try", "{\"depth\":7}").text())
                .contains("must be 0 to 5");
        assertThat(nadia.post("/api/techniques/petrissage/try", "{\"stroke\":\"traction\"}")
                        .text())
                .contains("must stay what it is");
        assertThat(nadia.post("/api/techniques/moonwalk/try", "{}").status()).isEqualTo(404);
        assertThat(nadia.post("/api/techniques", "{\"name\":\"Traction\"}").text())
                .contains("is what \\\"Traction\\\" is called");
        assertThat(nadia.post("/api/techniques", "{\"name\":\" \"}").status()).isEqualTo(422);
        assertThat(Visitor.as(app.url(), "olle")
                        .put("/api/techniques/petrissage", "{\"from\":0,\"depth\":2}")
                        .status())
                .isEqualTo(403);
    }

    @Test
    void the_library_goes_out_and_comes_in_whole_or_not_at_all(App.Running app) throws Exception {
        var nadia = Visitor.as(app.url(), "nadia");
        var text = nadia.get("/api/techniques/file").text();
        assertThat(Documents.readTechniques(text).all())
                .hasSizeGreaterThanOrEqualTo(Techniques.SHIPPED.all().size());
        var file = (ObjectNode) Json.MAPPER.readTree(text);
        var cold = one(file, "cold");
        ((ObjectNode) cold).put("caution", "Not on numb skin.");
        var preview =
                nadia.post("/api/techniques/incoming/preview", given(file)).json();
        for (var c : preview.get("techniques"))
            assertThat(c.get("changes").asBoolean())
                    .isEqualTo(c.get("id").asString().equals("cold"));
        ((ObjectNode) one(file, "petrissage")).put("stroke", "traction");
        var refused = nadia.post("/api/techniques/incoming", given(file));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains("must stay what it is");
        assertThat(nadia.get("/api/techniques/file").text()).isEqualTo(text);
        ((ObjectNode) one(file, "petrissage")).put("stroke", "petrissage");
        assertThat(nadia.post("/api/techniques/incoming", given(file)).status()).isEqualTo(200);
        assertThat(nadia.get("/api/techniques/file").text()).contains("Not on numb skin.");
    }

    /** Its own name for something may since have come with the program: that stands in the way of no file that has nothing to do with it. */
    @Test
    void what_is_wrong_already_refuses_no_file_from_elsewhere(App.Running app) throws Exception {
        var nadia = Visitor.as(app.url(), "nadia");
        nadia.post("/api/techniques", "{\"name\":\"Scull press\",\"like\":\"compression\"}");
        app.database()
                .run("update document_version set body = replace(body::text, 'Scull press', 'Wringing')::jsonb"
                        + " where document = 'scull-press'");
        try {
            var file = (ObjectNode)
                    Json.MAPPER.readTree(nadia.get("/api/techniques/file").text());
            var techniques = (ArrayNode) file.get("techniques");
            for (int i = techniques.size() - 1; i >= 0; i--)
                if (!techniques.get(i).get("id").asString().equals("cold")) techniques.remove(i);
            ((ObjectNode) techniques.get(0)).put("caution", "Never on numb skin.");
            assertThat(nadia.post("/api/techniques/incoming/preview", given(file))
                            .status())
                    .isEqualTo(200);
            assertThat(nadia.post("/api/techniques/incoming", given(file)).status())
                    .isEqualTo(200);
            assertThat(nadia.get("/api/techniques/cold").text()).contains("Never on numb skin.");
        } finally {
            app.database().run("delete from document_version where document = 'scull-press'");
        }
    }

    /** A technique with a nickname, used in a sequence, retired, and what was made with it stays as it is. */
    @Test
    void a_school_adds_its_own_uses_it_and_retires_it(App.Running app) throws Exception {
        var nadia = Visitor.as(app.url(), "nadia");
        var own = nadia.post(
                "/api/techniques",
                "{\"name\":\"Harbour sweep\",\"like\":\"forearm-glide\",\"otherwise\":{\"aliases\":[\"tide\"],"
                        + "\"stroke\":\"fascia-direct\",\"depth\":3,\"hand\":\"soft forearm\",\"topics\":[\"abdominal\"],"
                        + "\"dose\":{\"kind\":\"passes\",\"count\":4,\"seconds\":12.0},"
                        + "\"window\":{\"per\":\"pass\",\"least\":8.0,\"most\":20.0}}}");
        assertThat(own.status()).isEqualTo(201);
        assertThat(own.json().get("technique").get("id").asString()).isEqualTo("harbour-sweep");
        assertThat(own.json().get("windows").toString()).contains("8–20 s a pass");
        var step = jotted(nadia, "tide calf x2 30s");
        assertThat(step.get("technique").asString()).isEqualTo("harbour-sweep");
        assertThat(step.get("hand").asString()).isEqualTo("soft forearm");
        var plan = (ObjectNode) nadia.get("/api/sequences/neck").json().get("sequence");
        plan.put("id", "own-plan").put("name", "Own plan");
        ((ArrayNode) plan.get("blocks").get(1).get("steps")).add(step);
        var saved = nadia.put("/api/sequences/own-plan", "{\"from\":0,\"sequence\":" + plan + "}");
        assertThat(saved.status()).isEqualTo(200);
        var findings = saved.json().get("plan").get("findings").toString();
        assertThat(findings).contains("gives 30 s a pass; this school says 8 to 20 s a pass");
        assertThat(findings).contains("about abdominal work");
        var used = one(nadia.get("/api/techniques").json(), "harbour-sweep");
        assertThat(used.get("uses").toString()).contains("own-plan");
        var file = nadia.get("/api/sequences/own-plan/file").text();
        var version = saved.json().get("sequence");
        // Retired and deeper: what was made with it stays, and is not offered any more.
        var retired = nadia.put(
                "/api/techniques/harbour-sweep", "{\"from\":" + used.get("version") + ",\"retired\":true,\"depth\":5}");
        assertThat(retired.status()).isEqualTo(200);
        assertThat(nadia.get("/api/sequences/own-plan").json().get("sequence")).isEqualTo(version);
        assertThat(jotted(nadia, "tide calf").isMissingNode()).isTrue();
        assertThat(nadia.post("/api/drafts/check", "{\"sequence\":" + version + "}")
                        .status())
                .isEqualTo(200);
        assertThat(Documents.readSequence(file).techniques())
                .anySatisfy(t -> assertThat(t.depth() + t.name()).isEqualTo("3Harbour sweep"));
    }

    /** From the library to a plan, a class, a mark and a student's page, out to another school, and nothing breaks when it is retired. */
    @Test
    void one_of_the_schools_own_goes_through_the_whole_house(App.Running app) throws Exception {
        var nadia = Visitor.as(app.url(), "nadia");
        nadia.post(
                "/api/techniques",
                "{\"name\":\"Pier sweep\",\"like\":\"effleurage\",\"otherwise\":{\"caution\":\"Lift off at the pier.\"}}");
        var plan = (ObjectNode) nadia.get("/api/sequences/calves").json().get("sequence");
        plan.put("id", "pier-plan").put("name", "Pier plan");
        ((ObjectNode) plan.get("blocks").get(1).get("steps").get(0)).put("technique", "pier-sweep");
        nadia.put("/api/sequences/pier-plan", "{\"from\":0,\"sequence\":" + plan + "}");
        var shown = nadia.post("/api/sequences/pier-plan/demonstrations", "{}")
                .json()
                .get("id")
                .asString();
        assertThat(nadia.get("/api/demonstrations/" + shown).text()).contains("Lift off at the pier.");
        var practical = nadia.practical("Kit Sorrel", "pier-plan");
        nadia.post(
                "/api/practicals/" + practical + "/events",
                "{\"events\":[" + event("a", 0, "attend", "\"on\":true")
                        + "," + event("s", 1000, "step-start", "\"step\":\"thigh-glide\",\"side\":\"right\"")
                        + "," + event("r", 2000, "report", "\"number\":2")
                        + "," + event("t", 8000, "report", "\"number\":2")
                        + "," + event("u", 15_000, "report", "\"number\":3")
                        + "," + event("f", 60_000, "finish", "") + "]}");
        nadia.post("/api/practicals/" + practical + "/rating", "{\"value\":70}");
        var award = nadia.put(
                "/api/practicals/" + practical + "/award",
                "{\"from\":0,\"award\":{\"criteria\":{},\"struck\":[],\"confirmed\":[],\"feedback\":\"\",\"released\":true}}");
        assertThat(award.status()).isEqualTo(200);
        Runnable nothingBreaks = () -> {
            assertThat(rollUps(nadia)).contains("technique/pier-sweep");
            assertThat(nadia.get("/api/practicals/" + practical)
                            .json()
                            .get("sequence")
                            .get("techniques")
                            .toString())
                    .contains("Lift off at the pier.");
            assertThat(nadia.get("/api/demonstrations/" + shown).text()).contains("Lift off at the pier.");
            assertThat(nadia.get("/api/sequences/pier-plan/handout?paper=a4").status())
                    .isEqualTo(200);
        };
        nothingBreaks.run();
        // Another school reads it: with the library, and with the record alone.
        var library = Documents.readTechniques(nadia.get("/api/techniques/file").text());
        assertThat(library.get("pier-sweep").caution()).isEqualTo("Lift off at the pier.");
        var record = Documents.readPractical(
                nadia.get("/api/practicals/" + practical + "/file").text());
        assertThat(record.sequence().techniques()).contains(library.get("pier-sweep"));
        assertThat(nadia.put("/api/techniques/pier-sweep", "{\"from\":1,\"retired\":true}")
                        .status())
                .isEqualTo(200);
        nothingBreaks.run();
    }

    private static String event(String id, long at, String kind, String data) {
        return "{\"id\":\"" + id + "\",\"device\":\"d\",\"seq\":1,\"atMs\":" + at + ",\"kind\":\"" + kind
                + "\",\"data\":{" + data + "}}";
    }

    private static List<String> rollUps(Visitor nadia) {
        var student = nadia.get("/api/competency/students/" + nadia.person("Kit Sorrel"))
                .json();
        var said = new ArrayList<String>();
        for (var up : student.get("rollUps"))
            said.add(up.get("facet").asString() + "/" + up.get("subject").asString());
        return said;
    }

    @Test
    void a_sequence_brings_a_technique_that_nobody_knew(App.Running app) throws Exception {
        var nadia = Visitor.as(app.url(), "nadia");
        var file = (ObjectNode)
                Json.MAPPER.readTree(nadia.get("/api/sequences/neck/file").text());
        var plan = (ObjectNode) file.get("sequence");
        plan.put("id", "brought").put("name", "Brought");
        var technique = (ObjectNode) plan.get("techniques").get(0).deepCopy();
        technique.put("id", "gull-press").put("name", "Gull press").putArray("aliases");
        ((ArrayNode) plan.get("techniques")).add(technique);
        ((ObjectNode) plan.get("blocks").get(0).get("steps").get(0)).put("technique", "gull-press");
        var given = Json.MAPPER.createObjectNode().put("kind", "sequence").put("text", file.toString());
        var preview =
                nadia.post("/api/sequences/incoming/preview", given.toString()).json();
        assertThat(preview.get(0).get("brings").toString()).isEqualTo("[\"Gull press\"]");
        assertThat(nadia.get("/api/techniques/gull-press").status()).isEqualTo(404);
        assertThat(nadia.post("/api/sequences/incoming", given.toString()).status())
                .isEqualTo(200);
        assertThat(nadia.get("/api/techniques/gull-press").json().get("ships").asBoolean())
                .isFalse();
        assertThat(nadia.post("/api/sequences/incoming", given.toString()).status())
                .isEqualTo(200);
        ((ObjectNode) plan.get("blocks").get(0).get("steps").get(0)).put("technique", "nobody-knows");
        var unknown = given.put("text", file.toString()).toString();
        assertThat(nadia.post("/api/sequences/incoming", unknown).text())
                .contains("/sequence/blocks/0/steps/0/technique", "is not in the library of techniques");
    }

    @Test
    void hands_have_words_of_the_school(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        int from = nadia.get("/api/hands").json().get("version").asInt();
        var words = "{\"from\":" + from + ",\"hands\":[{\"name\":\"river stone\",\"like\":\"palm\"}]}";
        assertThat(nadia.put("/api/hands", words).status()).isEqualTo(200);
        assertThat(nadia.put("/api/hands", words).status()).isEqualTo(409);
        var step = jotted(nadia, "glide calf river stone");
        assertThat(step.get("tool").asString() + " " + step.get("hand").asString())
                .isEqualTo("palm river stone");
        assertThat(nadia.get("/api/catalogue").json().get("hands").toString()).contains("river stone");
        assertThat(nadia.get("/api/techniques/file").text()).contains("river stone");
        var clash = "{\"from\":" + (from + 1) + ",\"hands\":[{\"name\":\"Traction\",\"like\":\"palm\"}]}";
        assertThat(nadia.put("/api/hands", clash).text()).contains("is what");
    }

    private static JsonNode one(ObjectNode file, String id) {
        for (var t : file.get("techniques")) if (t.get("id").asString().equals(id)) return t;
        throw new AssertionError(List.of(id, file.get("techniques").get(0)).toString());
    }

    private static String given(JsonNode file) {
        return Json.MAPPER.createObjectNode().put("text", file.toString()).toString();
    }
}
