package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** What a student should practise: steps that were wrong when they were last looked at, with the picture of how they go. */
@ExtendWith(App.class)
class StepsToPractiseTest {
    private static String id(Visitor visitor) {
        return visitor.get("/api/session").json().get("person").get("id").asString();
    }

    private static List<JsonNode> wrong(Visitor nadia, String sequence, String step) {
        return nadia.all("/api/terms/" + nadia.term() + "/steps/" + sequence + "/" + step);
    }

    @Test
    @InWeeks(from = 9)
    void each_is_wrong_in_the_last_practical_that_asked_for_it(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var said = Map.of(
                "not done", "missed",
                "out of order", "outOfOrder",
                "over the ceiling", "overCeiling",
                "nothing said", "leftSilent");
        int looked = 0;
        for (var s :
                nadia.get("/api/terms/" + nadia.term() + "/competency").json().get("students")) {
            var page = nadia.get("/api/competency/students/" + s.get("id").asString())
                    .json();
            var steps = page.get("toPractise");
            assertThat(steps.size()).isLessThanOrEqualTo(6);
            var seen = new HashSet<String>();
            String before = "9999";
            for (var t : steps) {
                looked++;
                assertThat(seen.add(t.get("sequence").asString() + t.get("step").asString()))
                        .isTrue();
                assertThat(t.get("at").asString()).as("newest first").isLessThanOrEqualTo(before);
                before = t.get("at").asString();
                var practical = nadia.get(
                                "/api/practicals/" + t.get("practical").asString())
                        .json();
                assertThat(practical.get("student").get("id").asString())
                        .isEqualTo(s.get("id").asString());
                var sequence = practical.get("sequence").get("id").asString();
                var line = wrong(nadia, sequence, t.get("step").asString()).stream()
                        .filter(l ->
                                l.get("id").asString().equals(t.get("practical").asString()))
                        .findFirst()
                        .orElseThrow();
                var why = new ArrayList<String>();
                t.get("why").forEach(w -> why.add(w.asString()));
                said.forEach((words, flag) -> assertThat(why.contains(words))
                        .as(flag)
                        .isEqualTo(line.get(flag).asBoolean()));
                assertThat(why).isNotEmpty();
                assertThat(t.get("name").asString()).isNotEqualTo(t.get("step").asString());
            }
        }
        assertThat(looked).isGreaterThan(20);
    }

    @Test
    @InWeeks(from = 9)
    void a_student_sees_what_was_released_and_its_pictures(App.Running app) {
        var bram = Visitor.as(app.url(), "bram");
        var page = bram.get("/api/competency/students/" + id(bram)).json();
        var released = new HashSet<String>();
        page.get("practicals").forEach(p -> released.add(p.get("id").asString()));
        var steps = page.get("toPractise");
        assertThat(steps.size()).isPositive();
        for (var t : steps) {
            assertThat(released).contains(t.get("practical").asString());
            var path = "/api/practicals/" + t.get("practical").asString() + "/steps/"
                    + t.get("step").asString() + "/picture";
            var picture = bram.get(path);
            assertThat(picture.status()).isEqualTo(200);
            assertThat(picture.json().get("hands").size()).isPositive();
            assertThat(Visitor.as(app.url(), "ana").get(path).status()).isEqualTo(403);
        }
    }

    /** Both sides of a step are worked in a practical: on the right the way lies on the right of who lies on the belly. */
    @Test
    @InWeeks(from = 9)
    void the_picture_is_of_the_side_that_is_asked_for(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        String id = null;
        for (var l : nadia.all("/api/terms/" + nadia.term() + "/practicals"))
            if (l.get("sequence").asString().startsWith("Regatta calves") && id == null)
                id = l.get("id").asString();
        var path = "/api/practicals/" + id + "/steps/";
        JsonNode each = null;
        for (var span : nadia.get("/api/practicals/" + id).json().get("spans"))
            if (span.get("side").asString().equals("right")) each = span;
        assertThat(each).isNotNull();
        var step = each.get("step").asString();
        for (var side : List.of("right", "left")) {
            var x = nadia.get(path + step + "/picture?side=" + side)
                    .json()
                    .get("motion")
                    .get("lines")
                    .get(0)
                    .get(6)
                    .get("x")
                    .asDouble();
            assertThat(Math.signum(x)).as(side).isEqualTo(side.equals("right") ? 1 : -1);
        }
        assertThat(nadia.get(path + "nowhere/picture").status()).isEqualTo(404);
        assertThat(nadia.get(path + step + "/picture?side=midline").status()).isEqualTo(404);
    }
}
