package palmtally.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.Type;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import palmtally.core.calendar.Curriculum;
import palmtally.core.practical.Extent;
import palmtally.core.practical.event.Observation;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.detail.Branch;
import palmtally.core.sequence.detail.Comparison;
import palmtally.core.sequence.detail.End;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Techniques;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * The words that a field of a file may have stand once, as the core has them. {@code ./palm types} writes them anew
 * ({@code PALM_WRITE_SCHEMAS=1}).
 */
class WordsSchemaTest {
    static final Path FORMATS = Path.of("..", "docs", "formats");
    private static final String REF = "urn:palm-tally:words:2#/$defs/";

    /** Where the name of a class says too little. */
    private static final Map<Class<?>, String> CALLED = Map.of(
            Dose.Kind.class, "dose-kind",
            End.When.class, "end-when",
            Branch.When.class, "branch-when",
            Comparison.What.class, "compared",
            Comparison.When.class, "compared-when");

    @Test
    void hold_what_the_core_knows() throws IOException {
        var words = new TreeMap<String, Class<?>>();
        for (var kind : Observation.KINDS.values()) collect(kind, words, new HashSet<>());
        for (var file : Set.of(Sequence.class, Techniques.class, Curriculum.class, Extent.class))
            collect(file, words, new HashSet<>());
        var schema = JsonNodeFactory.instance.objectNode();
        schema.put("$schema", "https://json-schema.org/draft/2020-12/schema")
                .put("$id", "urn:palm-tally:words:2")
                .put("title", "Palm Tally words")
                .put("description", "The words that the fields of the other formats may have.");
        var defs = schema.putObject("$defs");
        words.forEach((name, type) -> {
            var list = defs.putObject(name).putArray("enum");
            for (var word : type.getEnumConstants()) list.add(word.toString());
        });
        stands(schema, "words");
    }

    private static void collect(Type type, Map<String, Class<?>> words, Set<Type> seen) {
        if (!seen.add(type)) return;
        if (type instanceof ParameterizedType of)
            for (var argument : of.getActualTypeArguments()) collect(argument, words, seen);
        if (!(type instanceof Class<?> raw)) return;
        if (raw.isEnum()) {
            var before = words.put(name(raw), raw);
            assertThat(before == null || before == raw)
                    .as("%s is two things", name(raw))
                    .isTrue();
        }
        if (raw.isRecord()) for (var part : raw.getRecordComponents()) collect(part.getGenericType(), words, seen);
    }

    private static String name(Class<?> type) {
        return CALLED.getOrDefault(
                type,
                type.getSimpleName().replaceAll("(?<=[a-z])(?=[A-Z])", "-").toLowerCase(Locale.ROOT));
    }

    /** What stands for the words of an enum in another schema. */
    static ObjectNode reference(Class<?> type) {
        return JsonNodeFactory.instance.objectNode().put("$ref", REF + name(type));
    }

    /** Whether a schema is the one on disk; where it is asked for, it is written first. */
    static void stands(ObjectNode schema, String format) throws IOException {
        var file = FORMATS.resolve(format + ".schema.json");
        var text = EventSchemaTest.printed(schema);
        if (System.getenv("PALM_WRITE_SCHEMAS") != null) Files.writeString(file, text);
        assertThat(Files.readString(file)).isEqualTo(text);
    }
}
