package palmtally.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import palmtally.core.practical.event.Bounds;
import palmtally.core.practical.event.Event;
import palmtally.core.practical.event.Observation;
import tools.jackson.core.util.DefaultIndenter;
import tools.jackson.core.util.DefaultPrettyPrinter;
import tools.jackson.core.util.Separators;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * What the schema of an event says follows from their classes: kinds, fields, bounds. {@code PALM_WRITE_SCHEMAS=1} writes
 * it anew.
 */
class EventSchemaTest {
    private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;

    @Test
    void says_of_every_kind_what_its_class_says() throws IOException {
        var schema = MAKE.objectNode();
        schema.put("$schema", "https://json-schema.org/draft/2020-12/schema")
                .put("$id", "urn:palm-tally:event:2")
                .put("title", "Palm Tally event")
                .put("description", "One thing that was seen, said or done in a practical, as the log keeps it.");
        schema.setAll(event());
        WordsSchemaTest.stands(schema, "event");
    }

    static String printed(ObjectNode schema) {
        return Json.MAPPER.writer().with(printer()).writeValueAsString(schema) + "\n";
    }

    private static DefaultPrettyPrinter printer() {
        var indent = new DefaultIndenter("  ", "\n");
        return new DefaultPrettyPrinter(
                        Separators.createDefaultInstance().withObjectNameValueSpacing(Separators.Spacing.AFTER))
                .withArrayIndenter(indent)
                .withObjectIndenter(indent);
    }

    private static ObjectNode event() {
        var event = MAKE.objectNode().put("type", "object").put("additionalProperties", false);
        event.set("required", texts(List.of("id", "device", "seq", "atMs", "kind")));
        var fields = event.putObject("properties");
        fields.set("id", text(1, 64).put("description", "made by the device; the same id twice is the same event"));
        fields.set("device", text(1, 64));
        fields.putObject("seq").put("type", "integer").put("minimum", 0);
        fields.putObject("atMs")
                .put("description", "milliseconds since the start, by a clock that only runs forward")
                .put("type", "integer")
                .put("minimum", 0)
                .put("maximum", Event.MOST_MS);
        fields.putObject("wall").put("type", "string").put("format", "date-time");
        fields.putObject("kind").set("enum", texts(Observation.KINDS.keySet()));
        fields.putObject("data")
                .put("description", "Which fields a kind must and may carry is said below, kind by kind.")
                .put("type", "object");
        var kinds = event.putArray("allOf");
        Observation.KINDS.forEach((name, type) -> kinds.add(kind(name, type)));
        return event;
    }

    private static ObjectNode kind(String name, Class<?> type) {
        var rule = MAKE.objectNode();
        var when = rule.putObject("if");
        when.putObject("properties").putObject("kind").put("const", name);
        when.set("required", texts(List.of("kind")));
        var then = rule.putObject("then");
        var data = then.putObject("properties").putObject("data");
        var fields = data.putObject("properties");
        var needed = MAKE.arrayNode();
        var bounds = bounds(type);
        for (var part : type.getRecordComponents()) {
            fields.set(part.getName(), field(part, part.getGenericType(), bounds.get(part.getName())));
            if (!part.getAnnotatedType().isAnnotationPresent(Nullable.class)) needed.add(part.getName());
        }
        data.put("additionalProperties", false);
        if (needed.isEmpty()) return rule;
        data.set("required", needed);
        then.set("required", texts(List.of("data")));
        return rule;
    }

    /** Least and most of what an observation carries, by part, as one of its kind says them. */
    private static Map<String, int[]> bounds(Class<?> kind) {
        var bounds = new HashMap<String, int[]>();
        anyOf(kind).within(new Bounds() {
            @Override
            public void whole(String part, @Nullable Integer value, int least, int most) {
                bounds.put(part, new int[] {least, most});
            }

            @Override
            public void text(String part, @Nullable String value, int least, int most) {
                bounds.put(part, new int[] {least, most});
            }
        });
        return bounds;
    }

    private static Observation anyOf(Class<?> kind) {
        var parts = kind.getRecordComponents();
        var types = Stream.of(parts).map(RecordComponent::getType).toArray(Class<?>[]::new);
        try {
            return (Observation) kind.getDeclaredConstructor(types)
                    .newInstance(Stream.of(types).map(EventSchemaTest::any).toArray());
        } catch (ReflectiveOperationException e) {
            throw new AssertionError(kind.getName(), e);
        }
    }

    private static Object any(Class<?> type) {
        if (type.isEnum()) return type.getEnumConstants()[0];
        if (type == String.class) return "any";
        if (type == List.class) return List.of();
        return type == boolean.class || type == Boolean.class ? Boolean.TRUE : (Object) 1;
    }

    /** @param bounds least and most, where any are said: of every text they must be */
    private static ObjectNode field(RecordComponent part, Type type, int @Nullable [] bounds) {
        if (type == String.class) {
            assertThat(bounds).as("%s", part).isNotNull();
            return text(bounds[0], bounds[1]);
        }
        if (type instanceof ParameterizedType list) {
            var many = MAKE.objectNode().put("type", "array").put("uniqueItems", true);
            many.set("items", field(part, list.getActualTypeArguments()[0], null));
            return many;
        }
        var raw = (Class<?>) type;
        if (raw.isEnum()) return WordsSchemaTest.reference(raw);
        if (raw == boolean.class || raw == Boolean.class)
            return MAKE.objectNode().put("type", "boolean");
        assertThat(raw).as("%s", part).isIn(int.class, Integer.class);
        var number = MAKE.objectNode().put("type", "integer");
        return bounds == null ? number : number.put("minimum", bounds[0]).put("maximum", bounds[1]);
    }

    private static ObjectNode text(int least, int most) {
        return MAKE.objectNode().put("type", "string").put("minLength", least).put("maxLength", most);
    }

    private static ArrayNode texts(Iterable<String> words) {
        var list = MAKE.arrayNode();
        words.forEach(list::add);
        return list;
    }
}
