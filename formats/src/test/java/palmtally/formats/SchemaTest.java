package palmtally.formats;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.calendar.Aim;
import palmtally.core.competency.Competency.State;
import palmtally.core.finding.Criterion;
import palmtally.core.technique.Stroke;
import palmtally.core.technique.Tool;
import tools.jackson.databind.JsonNode;

/** The JSON Schemas against a schema validator (networknt), and against the core's own words. */
class SchemaTest {
    private static final Path FORMATS = Path.of("..", "docs", "formats");

    private static Schema schema(String name) throws IOException {
        return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(Files.readString(FORMATS.resolve(name + ".schema.json")), InputFormat.JSON);
    }

    @ParameterizedTest
    @CsvSource({
        "sequence, sequence.json",
        "profile, profile.json",
        "profile, profile-b.json",
        "curriculum, curriculum.json",
        "techniques, techniques.json",
        "practical, practical.json",
        "evidence, evidence.json"
    })
    void examples_are_valid(String format, String example) throws IOException {
        var node = Json.MAPPER.readTree(
                Files.readString(FORMATS.resolve("examples").resolve(example)));
        assertThat(schema(format).validate(node)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"sequence", "profile", "practical", "curriculum", "techniques", "evidence"})
    void schemas_are_themselves_valid(String format) throws IOException {
        var meta = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(com.networknt.schema.SchemaLocation.of("https://json-schema.org/draft/2020-12/schema"));
        var node = Json.MAPPER.readTree(Files.readString(FORMATS.resolve(format + ".schema.json")));
        assertThat(meta.validate(node)).isEmpty();
    }

    /** Every enum in a schema that holds {@code one} holds all of {@code words}. */
    private static void sameWords(String format, String one, List<String> words) throws IOException {
        var found = new ArrayList<List<String>>();
        collect(Json.MAPPER.readTree(Files.readString(FORMATS.resolve(format + ".schema.json"))), found);
        var mine = found.stream().filter(e -> e.contains(one)).toList();
        assertThat(mine).isNotEmpty().allSatisfy(e -> assertThat(e).containsExactlyInAnyOrderElementsOf(words));
    }

    private static void collect(JsonNode node, List<List<String>> found) {
        if (node.isObject() && node.get("enum") != null && node.get("enum").isArray()) {
            var words = new ArrayList<String>();
            node.get("enum").forEach(w -> words.add(w.asString("")));
            found.add(words);
        }
        node.forEach(child -> collect(child, found));
    }

    private static List<String> words(Object[] values) {
        return Arrays.stream(values).map(Object::toString).toList();
    }

    @Test
    void the_schemas_know_every_zone_tool_and_region() throws IOException {
        sameWords("sequence", "hamstrings", words(Zone.values()));
        sameWords("sequence", "loose-fist", words(Tool.values()));
        sameWords("sequence", "lower-leg", words(Region.values()));
        sameWords("curriculum", "lower-leg", words(Region.values()));
        sameWords("evidence", "lower-leg", words(Region.values()));
        sameWords("evidence", "due again", words(State.values()));
        sameWords("evidence", "draping", words(Criterion.values()));
        sameWords("curriculum", "meet-again", words(Aim.values()));
        sameWords("techniques", "skin-rolling", words(Stroke.values()));
    }
}
