package palmtally.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Zone;
import palmtally.core.finding.Rule;
import palmtally.core.profile.Choices;
import palmtally.core.profile.Numbers;
import palmtally.core.profile.Profile;
import palmtally.core.profile.ZoneSets;
import palmtally.core.technique.ScopeTopic;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * What the schemas say of a profile follows from its numbers, its either/ors and the rules. {@code PALM_WRITE_SCHEMAS=1} writes it
 * anew.
 */
class ProfileSchemaTest {
    private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;

    @Test
    void says_of_every_number_and_either_or_what_its_row_says() throws IOException {
        var file = WordsSchemaTest.FORMATS.resolve("profile.schema.json");
        var schema = (ObjectNode) Json.MAPPER.readTree(Files.readString(file));
        ((ObjectNode) schema.get("$defs")).set("profile", profile());
        WordsSchemaTest.stands(schema, "profile");
    }

    @Test
    void the_examples_are_the_profiles_that_ship() throws Exception {
        var files = List.of("profile.json", "profile-b.json");
        for (int i = 0; i < 2; i++) {
            var file = Path.of("..", "docs", "formats", "examples", files.get(i));
            var shipped = Profile.shipped().get(i);
            if (System.getenv("PALM_WRITE_SCHEMAS") != null) Files.writeString(file, Documents.write(shipped));
            assertThat(Documents.readProfile(Files.readString(file))).isEqualTo(shipped);
        }
    }

    private static ObjectNode profile() {
        var profile = object();
        var parts = (ObjectNode) profile.get("properties");
        parts.putObject("id").put("type", "string").put("minLength", 1).put("maxLength", 64);
        parts.putObject("name").put("type", "string").put("minLength", 1).put("maxLength", 200);
        need(profile, "id");
        need(profile, "name");
        for (var row : Numbers.all()) put(profile, row.path(), number(row), !row.added());
        for (var row : Choices.all())
            put(
                    profile,
                    row.path(),
                    words(row.options().stream().map(Choices.Option::id).toList())
                            .put("description", row.question()),
                    !row.added());
        for (var row : ZoneSets.all()) {
            var zones = MAKE.objectNode()
                    .put("description", row.question())
                    .put("type", "array")
                    .put("uniqueItems", true);
            zones.set("items", WordsSchemaTest.reference(Zone.class));
            put(profile, row.path(), zones, true);
        }
        for (var topic : ScopeTopic.values())
            put(
                    profile,
                    List.of("scope", topic.toString()),
                    words(names(ScopeTopic.Level.values())).put("description", topic.label()),
                    false);
        var severities = object();
        for (var rule : Rule.all())
            put(
                    severities,
                    List.of(rule.toString()),
                    words(List.of("off", "hint", "warn", "stop")).put("description", rule.meaning()),
                    false);
        parts.set("severities", severities);
        parts.putObject("techniques").put("$ref", "urn:palm-tally:techniques:2#/$defs/school");
        defaults(profile, Json.MAPPER.valueToTree(Profile.bySeconds()));
        return profile;
    }

    /** What a file may leave out is as in the profile that ships first; a map holds what a school sets itself, at first nothing. */
    private static void defaults(ObjectNode object, JsonNode shipped) {
        for (var field : object.get("properties").properties()) {
            var part = (ObjectNode) field.getValue();
            if (part.has("properties")) defaults(part, shipped.path(field.getKey()));
            boolean needed = false;
            for (var name : object.path("required")) needed |= name.asString().equals(field.getKey());
            if (needed) continue;
            if (part.has("properties") || part.has("$ref")) part.putObject("default");
            else if (shipped.has(field.getKey())) part.set("default", shipped.get(field.getKey()));
        }
    }

    private static ObjectNode object() {
        var object = MAKE.objectNode().put("type", "object").put("additionalProperties", false);
        object.putObject("properties");
        return object;
    }

    private static void need(ObjectNode object, String name) {
        var needed = object.get("required") instanceof ArrayNode there ? there : object.putArray("required");
        for (var n : needed) if (n.asString().equals(name)) return;
        needed.add(name);
    }

    private static void put(ObjectNode object, List<String> path, ObjectNode what, boolean needed) {
        var parts = (ObjectNode) object.get("properties");
        var name = path.get(0);
        if (needed) need(object, name);
        if (path.size() == 1) {
            parts.set(name, what);
            return;
        }
        if (!parts.has(name)) parts.set(name, object());
        put((ObjectNode) parts.get(name), path.subList(1, path.size()), what, needed);
    }

    private static ObjectNode number(Numbers.Row row) {
        var number = MAKE.objectNode()
                .put("description", row.name() + (row.scale() == 1 ? "" : ", as a share of 1"))
                .put("type", row.whole() ? "integer" : "number");
        var least = row.above() ? "exclusiveMinimum" : "minimum";
        return row.whole()
                ? number.put(least, (int) row.least()).put("maximum", (int) row.most())
                : number.put(least, row.least() / row.scale()).put("maximum", row.most() / row.scale());
    }

    private static ObjectNode words(List<String> words) {
        var choice = MAKE.objectNode();
        var list = choice.putArray("enum");
        words.forEach(list::add);
        return choice;
    }

    private static List<String> names(Object[] values) {
        return Arrays.stream(values).map(Object::toString).toList();
    }
}
