package palmtally.server.fuzz;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;

/** Values as the API document says they are, of what there is in the school where a name says what is meant. */
final class Bodies {
    private static final JsonNodeFactory JSON = JsonNodeFactory.instance;
    private static final int DEEPEST = 10;
    private static final String REF = "#/components/schemas/";

    private final JsonNode schemas;
    private final Map<String, List<String>> names;
    private final Map<String, List<JsonNode>> documents;
    private final Random random;
    private final Mangler mangler;

    /**
     * @param names what is there, by the name of the field it may stand in
     * @param documents whole values, by the name of their schema
     */
    Bodies(
            JsonNode schemas,
            Map<String, List<String>> names,
            Map<String, List<JsonNode>> documents,
            Random random,
            Mangler mangler) {
        this.schemas = schemas;
        this.names = names;
        this.documents = documents;
        this.random = random;
        this.mangler = mangler;
    }

    JsonNode of(JsonNode schema) {
        return of(schema, "", 0);
    }

    private JsonNode of(JsonNode schema, String name, int depth) {
        if (depth > DEEPEST) return JSON.nullNode();
        if (schema.has("$ref")) {
            var type = schema.get("$ref").asString().substring(REF.length());
            var there = documents.get(type);
            if (there != null && random.nextInt(8) > 0) return pick(there).deepCopy();
            return of(schemas.get(type), name, depth + 1);
        }
        if (schema.has("enum")) {
            var values = schema.get("enum");
            return values.get(random.nextInt(values.size()));
        }
        if (schema.has("oneOf")) return of(schema.get("oneOf").get(0), name, depth + 1);
        return switch (schema.path("type").asString("object")) {
            case "string" -> JSON.stringNode(string(schema.path("format").asString(""), name));
            case "integer" -> random.nextInt(10) == 0 ? mangler.number() : JSON.numberNode(random.nextInt(12));
            case "number" ->
                random.nextInt(10) == 0
                        ? mangler.number()
                        : JSON.numberNode(Math.round(random.nextDouble() * 2000) / 10.0);
            case "boolean" -> JSON.booleanNode(random.nextBoolean());
            case "array" -> {
                var list = JSON.arrayNode();
                for (int n = random.nextInt(4); n > 0; n--) list.add(of(schema.get("items"), name, depth + 1));
                yield list;
            }
            default -> object(schema, depth);
        };
    }

    private JsonNode object(JsonNode schema, int depth) {
        var object = JSON.objectNode();
        var required = schema.path("required").toString();
        for (var field : schema.path("properties").properties())
            if (required.contains("\"" + field.getKey() + "\"") ? random.nextInt(40) > 0 : random.nextBoolean())
                object.set(field.getKey(), of(field.getValue(), field.getKey(), depth + 1));
        if (schema.path("additionalProperties").isObject())
            for (int n = random.nextInt(3); n > 0; n--)
                object.set(
                        pick(List.of("draping", "pressure", "order", "x")),
                        of(schema.get("additionalProperties"), "", depth + 1));
        return object;
    }

    private String string(String format, String name) {
        var there = names.get(name);
        if (there != null && !there.isEmpty() && random.nextInt(10) > 0) return pick(there);
        return switch (format) {
            case "uuid" ->
                random.nextInt(5) == 0 ? mangler.text() : new UUID(random.nextLong(), random.nextLong()).toString();
            case "date" ->
                random.nextInt(4) == 0
                        ? mangler.text()
                        : "2026-1" + random.nextInt(3) + "-" + (10 + random.nextInt(20));
            case "date-time" ->
                random.nextInt(4) == 0 ? mangler.text() : "2026-11-2" + random.nextInt(9) + "T10:00:00Z";
            default ->
                random.nextInt(3) == 0
                        ? mangler.text()
                        : pick(List.of("One", "two", "Neck", "s1", "a name", "10 strokes each side"));
        };
    }

    <T> T pick(List<T> of) {
        return of.get(random.nextInt(of.size()));
    }
}
