package palmtally.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.check.Checks;
import palmtally.core.technique.Techniques;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Files of version 1 are read for ever, and written as of today: those that were the examples then, against the examples of today
 * ({@code PALM_WRITE_SCHEMAS=1} writes these anew from them), and against the scores that were computed then.
 */
class VersionsTest {
    private static final Path EXAMPLES = WordsSchemaTest.FORMATS.resolve("examples");

    private static String first(String name) throws IOException {
        try (var in = VersionsTest.class.getResourceAsStream("/version-1/" + name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    private static JsonNode printed(Object view) {
        return Json.MAPPER.readTree(Json.MAPPER.writeValueAsString(view));
    }

    private static String again(String name, String text) throws FormatException {
        return switch (name) {
            case "sequence.json" -> Documents.write(Documents.readSequence(text));
            case "practical.json" -> Documents.write(Documents.readPractical(text));
            case "curriculum.json" -> Documents.write(Documents.readCurriculum(text));
            default -> Documents.write(Documents.readProfile(text));
        };
    }

    @ParameterizedTest
    @ValueSource(strings = {"sequence.json", "practical.json", "curriculum.json", "profile.json", "profile-b.json"})
    void a_file_of_the_first_is_that_of_today(String name) throws Exception {
        var today = EXAMPLES.resolve(name);
        var written = again(name, first(name));
        if (name.equals("profile-b.json")) {
            // What it lacks means what A says, where that which ships has its own.
            var now = (ObjectNode) Json.MAPPER.readTree(Files.readString(today));
            var a = Json.MAPPER.readTree(Files.readString(EXAMPLES.resolve("profile.json")));
            ((ObjectNode) now.get("profile")).set("hours", a.get("profile").get("hours"));
            assertThat(Json.MAPPER.readTree(written)).isEqualTo(now);
        } else {
            if (System.getenv("PALM_WRITE_SCHEMAS") != null) Files.writeString(today, written);
            assertThat(Files.readString(today)).isEqualTo(written).contains("\"version\" : 2");
        }
        assertThat(again(name, written)).isEqualTo(written);
    }

    /** What stood in every field of the first version is what ships, but for the nickname the school had added. */
    @Test
    void techniques_of_the_first_are_those_that_ship_and_what_the_school_did_otherwise() throws Exception {
        var school = Documents.readTechniques(first("techniques.json"));
        var ships = Techniques.SHIPPED.get("effleurage");
        assertThat(school.own()).hasSize(1);
        assertThat(school.own().get(0).aliases()).containsExactly("palm glide", "glide", "long palm stroke");
        assertThat(school.own().get(0).with(e -> e.aliases = ships.aliases())).isEqualTo(ships);
        assertThat(Documents.readTechniques(first("library.json"))).isEqualTo(Techniques.SHIPPED);
    }

    @Test
    void a_record_of_the_first_is_scored_as_it_was() throws Exception {
        var scores = printed(ScoreView.of(Documents.readPractical(first("practical.json"))));
        assertThat(scores).isEqualTo(Json.MAPPER.readTree(first("practical.scores.json")));
    }

    @Test
    void a_sequence_of_the_first_is_checked_as_it_was() throws Exception {
        var plan = Documents.readSequence(first("sequence.json"));
        assertThat(plan.techniques())
                .allSatisfy(t -> assertThat(Techniques.shipped(t.id())).contains(t));
        var checks = printed(ScoreView.of(Checks.run(plan, Profile.bySeconds())));
        assertThat(checks).isEqualTo(Json.MAPPER.readTree(first("sequence.checks.json")));
    }
}
