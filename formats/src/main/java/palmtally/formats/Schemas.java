package palmtally.formats;

import com.networknt.schema.Error;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaLocation;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The JSON Schemas of the open formats. Each thing stands in one of them and is used by reference; what a file may leave out has its
 * default there.
 */
final class Schemas {
    private static final String NAMES = "urn:palm-tally:";
    private static final Map<String, JsonNode> READ = new ConcurrentHashMap<>();
    private static final SchemaRegistry REGISTRY = SchemaRegistry.withDefaultDialect(
            SpecificationVersion.DRAFT_2020_12, b -> b.schemas((String id) -> id.startsWith(NAMES) ? text(id) : null));
    private static final Map<String, Schema> CHECKS = new ConcurrentHashMap<>();

    private Schemas() {}

    /** What keeps a file from being one of a format. */
    static List<Error> faults(JsonNode file, String format) {
        return CHECKS.computeIfAbsent(format, f -> REGISTRY.getSchema(SchemaLocation.of(id(f))))
                .validate(file);
    }

    /**
     * Puts in what a value leaves out and a schema has a default for, wherever the value is an object or a list where the schema has one.
     *
     * @param format whose schema has the definition
     * @param definition what the value is to be, as under {@code $defs}
     */
    static void complete(JsonNode value, String format, String definition) {
        complete(value, found("#/$defs/" + definition, id(format)), id(format));
    }

    /** The same for a whole file. */
    static void complete(JsonNode file, String format) {
        complete(file, found("", id(format)), id(format));
    }

    private static void complete(JsonNode value, JsonNode schema, String base) {
        var ref = schema.path("$ref").asString("");
        if (!ref.isEmpty()) {
            var full = ref.startsWith("#") ? base + ref : ref;
            complete(value, found(full, base), full.replaceFirst("#.*", ""));
        }
        if (value instanceof ObjectNode object)
            for (var field : schema.path("properties").properties()) {
                var fallback = field.getValue().get("default");
                if (fallback != null && !object.has(field.getKey())) object.set(field.getKey(), fallback.deepCopy());
                var there = object.get(field.getKey());
                if (there != null) complete(there, field.getValue(), base);
            }
        else if (value.isArray() && schema.has("items"))
            for (var item : value) complete(item, schema.get("items"), base);
    }

    private static JsonNode found(String ref, String base) {
        int hash = ref.indexOf('#');
        var file = hash < 0 ? ref : ref.substring(0, hash);
        var root = READ.computeIfAbsent(file.isEmpty() ? base : file, id -> Json.MAPPER.readTree(text(id)));
        var there = hash < 0 ? root : root.at(ref.substring(hash + 1));
        if (there.isMissingNode()) throw new IllegalStateException("no schema " + ref);
        return there;
    }

    private static String id(String format) {
        return NAMES + format + (format.equals("evidence") ? ":1" : ":2");
    }

    private static String text(String id) {
        var name = id.substring(NAMES.length()).replaceFirst(":.*", "");
        try (var in = Schemas.class.getResourceAsStream(name + ".schema.json")) {
            if (in == null) throw new IllegalStateException("the schema " + id + " is not on the class path");
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
