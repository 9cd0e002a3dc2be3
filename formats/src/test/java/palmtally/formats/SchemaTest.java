package palmtally.formats;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.FieldSource;
import tools.jackson.databind.JsonNode;

/** The JSON Schemas against a schema validator (networknt), and against the core's own words. */
class SchemaTest {
    private static final Path FORMATS = Path.of("..", "docs", "formats");
    private static final List<String> SCHEMAS =
            List.of("words", "event", "techniques", "sequence", "profile", "practical", "curriculum", "evidence");

    /** As another program reads them: each by its id, the others at hand. */
    private static Schema schema(String name) throws IOException {
        var all = new HashMap<String, String>();
        for (var each : SCHEMAS) {
            var text = Files.readString(FORMATS.resolve(each + ".schema.json"));
            all.put(Json.MAPPER.readTree(text).get("$id").asString(), text);
        }
        return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12, b -> b.schemas(all))
                .getSchema(
                        all.get(all.keySet().stream()
                                .filter(id -> id.startsWith("urn:palm-tally:" + name + ":"))
                                .findFirst()
                                .orElseThrow()),
                        InputFormat.JSON);
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
    @FieldSource("SCHEMAS")
    void schemas_are_themselves_valid(String format) throws IOException {
        var meta = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(com.networknt.schema.SchemaLocation.of("https://json-schema.org/draft/2020-12/schema"));
        var node = Json.MAPPER.readTree(Files.readString(FORMATS.resolve(format + ".schema.json")));
        assertThat(meta.validate(node)).isEmpty();
    }

    /** What two schemas say alike stands in one of them. */
    @Test
    void each_thing_stands_once() throws IOException {
        var seen = new HashMap<JsonNode, String>();
        for (var format : SCHEMAS) {
            var schema = Json.MAPPER.readTree(Files.readString(FORMATS.resolve(format + ".schema.json")));
            large(schema, format, seen);
        }
        assertThat(seen).hasSizeGreaterThan(20);
    }

    private static void large(JsonNode node, String at, Map<JsonNode, String> seen) {
        boolean says = node.isObject()
                && (node.has("properties") && node.get("properties").size() > 1
                        || node.path("enum").size() > 3);
        if (says) assertThat(seen.put(node, at)).as("%s says the same as", at).isNull();
        if (node.isObject())
            for (var field : node.properties())
                if (!field.getKey().equals("allOf")) large(field.getValue(), at + "/" + field.getKey(), seen);
        if (node.isArray()) for (int i = 0; i < node.size(); i++) large(node.get(i), at + "/" + i, seen);
    }
}
