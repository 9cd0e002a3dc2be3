package palmtally.server.fuzz;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import tools.jackson.core.StreamWriteConstraints;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Spoils documents and texts. */
final class Mangler {
    private static final JsonNodeFactory JSON = JsonNodeFactory.instance;
    private static final int DEEP = 400;
    private static final int MANY = 300;
    private static final int MOST = 20_000_000;
    private static final String SIGNS = "{}[],;:\"'\\\n\t0-9eE.";

    static final List<String> TEXTS = List.of(
            "",
            " ",
            "\0",
            "a\0b",
            "\uD800",
            "\uDC00x",
            "\uFEFF",
            "\uFFFE",
            "𝄞 Žofie 花 עברית",
            "\u202Eabc",
            "e\u0301\u0301\u0301\u0301\u0301",
            "=1+1",
            "../../etc/passwd",
            "'; drop table event; --",
            "<img src=x onerror=alert(1)>",
            "${jndi:ldap://x}",
            "null",
            "true",
            "NaN",
            "-Infinity",
            "1e999",
            "0x10",
            "1,5",
            "a\r\nb\tc",
            "x".repeat(65),
            "x".repeat(401),
            "x".repeat(70_000),
            "2026-02-30",
            "-999999999-01-01",
            "+999999999-12-31",
            "+1000000000-12-31T23:59:59Z",
            "10000-01-01T00:00:00Z",
            "00000000-0000-0000-0000-000000000000",
            "1-1-1-1-1");

    private static final List<JsonNode> NUMBERS = List.of(
            JSON.numberNode(0),
            JSON.numberNode(-1),
            JSON.numberNode(1),
            JSON.numberNode(0.5),
            JSON.numberNode(-0.0),
            JSON.numberNode(101),
            JSON.numberNode(1e9),
            JSON.numberNode(1e308),
            JSON.numberNode(-1e308),
            JSON.numberNode(5e-324),
            JSON.numberNode(Integer.MAX_VALUE),
            JSON.numberNode(Integer.MAX_VALUE + 1L),
            JSON.numberNode(Integer.MIN_VALUE),
            JSON.numberNode(Long.MAX_VALUE),
            JSON.numberNode(Long.MIN_VALUE),
            JSON.numberNode(9007199254740993L),
            JSON.numberNode(new BigInteger("123456789012345678901234567890")),
            JSON.numberNode(new BigDecimal("1e400")),
            JSON.numberNode(new BigDecimal("1e99999999")),
            JSON.numberNode(new BigDecimal("1e-99999999")));

    /** Writes what is nested deeper than a reader takes, too. */
    private static final JsonMapper WRITER = JsonMapper.builder(JsonFactory.builder()
                    .streamWriteConstraints(StreamWriteConstraints.builder()
                            .maxNestingDepth(100_000)
                            .build())
                    .build())
            .build();

    private final Random random;

    static String written(JsonNode document) {
        return WRITER.writeValueAsString(document);
    }

    Mangler(Random random) {
        this.random = random;
    }

    /** One place of a document: a field of an object, or an element of a list. */
    private record Place(JsonNode in, String field, int index) {
        JsonNode get() {
            return field == null ? in.get(index) : in.get(field);
        }

        void set(JsonNode value) {
            if (field == null) ((ArrayNode) in).set(index, value);
            else ((ObjectNode) in).set(field, value);
        }

        void remove() {
            if (field == null) ((ArrayNode) in).remove(index);
            else ((ObjectNode) in).remove(field);
        }
    }

    /** A document like it, with one to four things in it that are not as they were. */
    JsonNode spoiled(JsonNode document) {
        JsonNode copy = document.deepCopy();
        for (int n = 1 + random.nextInt(4); n > 0; n--) copy = spoil(copy);
        return copy;
    }

    private JsonNode spoil(JsonNode document) {
        var places = new ArrayList<Place>();
        gather(document, places);
        if (places.isEmpty()) return strange();
        var place = places.get(random.nextInt(places.size()));
        var value = place.get();
        switch (random.nextInt(12)) {
            case 0 -> place.remove();
            case 1 -> place.set(JSON.nullNode());
            case 2, 3, 4 -> place.set(value.isNumber() ? number() : JSON.stringNode(text()));
            case 5 -> place.set(strange());
            case 6 -> place.set(places.get(random.nextInt(places.size())).get().deepCopy());
            case 7 -> place.set(many(value));
            case 8 -> place.set(deep(value));
            case 9 -> {
                if (place.in instanceof ObjectNode object) object.set(text(), value.deepCopy());
                else ((ArrayNode) place.in).add(value.deepCopy());
            }
            case 10 -> {
                if (value.isNumber()) place.set(JSON.numberNode(value.asDouble(1) * (random.nextDouble() * 4 - 1)));
                else if (value instanceof ArrayNode list && !list.isEmpty())
                    list.add(list.get(random.nextInt(list.size())).deepCopy());
                else place.set(strange());
            }
            default -> {
                if (value.isString()) place.set(JSON.stringNode(spoiled(value.asString())));
                else place.set(number());
            }
        }
        return document;
    }

    private static void gather(JsonNode node, List<Place> places) {
        if (node instanceof ObjectNode object)
            for (var field : object.properties()) {
                places.add(new Place(object, field.getKey(), -1));
                gather(field.getValue(), places);
            }
        else if (node instanceof ArrayNode list)
            for (int i = 0; i < list.size(); i++) {
                places.add(new Place(list, null, i));
                gather(list.get(i), places);
            }
    }

    String text() {
        return TEXTS.get(random.nextInt(TEXTS.size()));
    }

    JsonNode number() {
        return NUMBERS.get(random.nextInt(NUMBERS.size()));
    }

    /** Something of another kind. */
    JsonNode strange() {
        return switch (random.nextInt(7)) {
            case 0 -> JSON.nullNode();
            case 1 -> JSON.booleanNode(random.nextBoolean());
            case 2 -> number();
            case 3 -> JSON.stringNode(text());
            case 4 -> JSON.arrayNode();
            case 5 -> JSON.objectNode();
            default -> deep(JSON.stringNode("core"));
        };
    }

    /** Less of what is large already, such as many of many: it is to fill the memory of the one who reads, not of the one who sends. */
    private ArrayNode many(JsonNode value) {
        long one = signs(value);
        var list = JSON.arrayNode();
        for (long i = Math.min(MANY, 2 + MOST / one); i > 0; i--) list.add(value.deepCopy());
        return list;
    }

    /** About how long it is when written. */
    private static long signs(JsonNode node) {
        if (node.isString()) return 2 + node.asString().length();
        long all = 4;
        for (var within : node) all += 6 + signs(within);
        return all;
    }

    private JsonNode deep(JsonNode value) {
        var in = value;
        for (int i = 0; i < DEEP; i++)
            in = random.nextBoolean()
                    ? JSON.arrayNode().add(in)
                    : JSON.objectNode().set("a", in);
        return in;
    }

    /** A text like it: cut, doubled, or with something in it that does not belong there. */
    String spoiled(String text) {
        var now = text;
        for (int n = 1 + random.nextInt(3); n > 0; n--) {
            int at = random.nextInt(now.length() + 1);
            int to = Math.min(now.length(), at + random.nextInt(30));
            now = switch (random.nextInt(8)) {
                case 0 -> now.substring(0, at);
                case 1 -> now.substring(0, at) + now.substring(to);
                case 2 -> now.substring(0, to) + now.substring(at);
                case 3 -> now.substring(0, at) + (char) random.nextInt(0x300) + now.substring(at);
                case 4, 5, 6 -> now.substring(0, at) + text() + now.substring(at);
                default -> now.substring(0, at) + SIGNS.charAt(random.nextInt(SIGNS.length())) + now.substring(to);
            };
            if (now.length() > 200_000) now = now.substring(0, 200_000);
        }
        return now;
    }
}
