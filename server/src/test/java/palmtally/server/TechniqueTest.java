package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.formats.Documents;
import palmtally.formats.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The library of techniques: where each is used, and who follows a change. */
@ExtendWith(App.class)
class TechniqueTest {
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
        var typed = nadia.post("/api/drafts/step", "{\"text\":\"boat rock neck\",\"id\":\"n\"}");
        assertThat(typed.json().get("technique").asString()).isEqualTo("rocking");
        assertThat(typed.json().get("dose").get("seconds").asDouble()).isEqualTo(55);
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
        assertThat(nadia.post("/api/techniques/moonwalk/try", "{}").status()).isEqualTo(404);
        assertThat(Visitor.as(app.url(), "olle")
                        .put("/api/techniques/petrissage", "{\"from\":0,\"depth\":2}")
                        .status())
                .isEqualTo(403);
    }

    @Test
    void the_library_goes_out_and_comes_in_whole_or_not_at_all(App.Running app) throws Exception {
        var nadia = Visitor.as(app.url(), "nadia");
        var text = nadia.get("/api/techniques/file").text();
        var all = Documents.readTechniques(text);
        assertThat(all).hasSize(26);
        var file = (ObjectNode) Json.MAPPER.readTree(text);
        var heat = one(file, "cold");
        ((ObjectNode) heat).put("caution", "Not on numb skin.");
        var preview =
                nadia.post("/api/techniques/incoming/preview", given(file)).json();
        for (var c : preview)
            assertThat(c.get("changes").asBoolean())
                    .isEqualTo(c.get("id").asString().equals("cold"));
        ((ObjectNode) one(file, "petrissage")).put("name", "Something else");
        var refused = nadia.post("/api/techniques/incoming", given(file));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains("must stay what it is");
        assertThat(nadia.get("/api/techniques/file").text()).isEqualTo(text);
        ((ObjectNode) one(file, "petrissage")).put("name", "Petrissage (kneading)");
        assertThat(nadia.post("/api/techniques/incoming", given(file)).status()).isEqualTo(200);
        assertThat(nadia.get("/api/techniques/file").text()).contains("Not on numb skin.");
    }

    private static JsonNode one(ObjectNode file, String id) {
        for (var t : file.get("techniques")) if (t.get("id").asString().equals(id)) return t;
        throw new AssertionError(List.of(id, file.get("techniques").get(0)).toString());
    }

    private static String given(JsonNode file) {
        return Json.MAPPER.createObjectNode().put("text", file.toString()).toString();
    }
}
