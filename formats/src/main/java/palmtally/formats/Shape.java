package palmtally.formats;

import java.lang.reflect.AnnotatedArrayType;
import java.lang.reflect.AnnotatedParameterizedType;
import java.lang.reflect.AnnotatedType;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.math.BigInteger;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Texts;
import palmtally.core.practical.event.Observation;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Technique;
import tools.jackson.databind.JsonNode;

/**
 * Whether a JSON value can become a record: what is not {@code @Nullable} must be there, in lists and maps too; numbers must be finite
 * and fit their type; texts must be such as a file and a database can keep; days must lie in a time that anybody can mean. Every fault
 * is found at once, each with its place. It is told from the record's components alone, so that no record repeats it.
 */
public final class Shape {
    /** Faults of one value; who makes more has made one mistake many times. */
    private static final int MOST_FAULTS = 200;

    /** Longer lists help nobody who reads them. */
    private static final int MOST_NAMED = 20;

    private static final int FIRST_YEAR = 1900;
    private static final int LAST_YEAR = 2999;

    /** Whole numbers and their bounds. */
    private static final Map<Class<?>, BigInteger> LARGEST = Map.of(
            int.class, BigInteger.valueOf(Integer.MAX_VALUE),
            Integer.class, BigInteger.valueOf(Integer.MAX_VALUE),
            long.class, BigInteger.valueOf(Long.MAX_VALUE),
            Long.class, BigInteger.valueOf(Long.MAX_VALUE));

    private static final Map<Class<?>, RecordComponent[]> COMPONENTS = new ConcurrentHashMap<>();
    private static final Map<Class<?>, Set<String>> NAMES = new ConcurrentHashMap<>();

    private final List<Fault> faults = new ArrayList<>();

    private Shape() {}

    /**
     * What keeps a value from becoming one of a type.
     *
     * @param node the value; null or JSON null is a fault
     * @param type a record, or a list, set or map of what may be in one; of other types nothing is asked
     * @return every fault, at most 200, with its path from the value, such as {@code blocks/0/steps/3/side}; empty where it will do
     */
    public static List<Fault> faults(@Nullable JsonNode node, Type type) {
        var shape = new Shape();
        shape.value(node, type, null, "");
        return List.copyOf(shape.faults);
    }

    /** Whether a class is a record of this project, which says by its components what it needs. */
    private static boolean ours(Class<?> type) {
        return type.isRecord() && type.getName().startsWith("palmtally.");
    }

    private void value(@Nullable JsonNode node, Type type, @Nullable AnnotatedType annotated, String at) {
        if (faults.size() >= MOST_FAULTS) return;
        if (node == null || node.isNull() || node.isMissingNode()) {
            add(at, "", "is missing");
            return;
        }
        var raw = raw(type);
        if (raw == null) return;
        if (ours(raw)) record(node, raw, at);
        else if (Collection.class.isAssignableFrom(raw)) list(node, argument(type, annotated, 0), at);
        else if (Map.class.isAssignableFrom(raw)) map(node, type, annotated, at);
        else if (raw.isArray()) list(node, new Argument(raw.getComponentType(), component(annotated)), at);
        else simple(node, raw, at);
    }

    private void record(JsonNode node, Class<?> type, String at) {
        if (!node.isObject()) {
            add(at, shown(node), "must be an object");
            return;
        }
        for (var part : COMPONENTS.computeIfAbsent(type, Class::getRecordComponents)) {
            var there = node.get(part.getName());
            if (part.getType() == Observation.class) {
                observation(node.get("kind"), there, under(at, "kind"), under(at, part.getName()));
                continue;
            }
            if (part.getType() == Technique.class && type == Step.class) {
                // Named here; what it is stands beside the blocks.
                value(there, String.class, null, under(at, part.getName()));
                continue;
            }
            boolean absent = there == null || there.isNull();
            if (absent && nullable(part.getAnnotatedType())) continue;
            value(there, part.getGenericType(), part.getAnnotatedType(), under(at, part.getName()));
        }
        if (type == Sequence.class && node.has("techniques"))
            list(node.get("techniques"), new Argument(Technique.class, null), under(at, "techniques"));
    }

    /** What an event carries is told by its kind, which stands beside it. */
    private void observation(@Nullable JsonNode named, @Nullable JsonNode node, String kindAt, String at) {
        if (named == null || !named.isString()) {
            add(kindAt, named == null ? "" : shown(named), "is missing");
            return;
        }
        var kind = named.asString();
        var type = Observation.KINDS.get(kind);
        if (type == null) {
            add(kindAt, shortened(kind), choice(Observation.KINDS.keySet()));
            return;
        }
        boolean given = node != null && !node.isNull();
        if (given && !node.isObject()) {
            add(at, shown(node), "must be an object");
            return;
        }
        var names = new HashSet<String>();
        for (var part : COMPONENTS.computeIfAbsent(type, Class::getRecordComponents)) {
            names.add(part.getName());
            var there = given ? node.get(part.getName()) : null;
            if (there != null && !there.isNull())
                value(there, part.getGenericType(), part.getAnnotatedType(), under(at, part.getName()));
            else if (!nullable(part.getAnnotatedType()))
                add(under(at, part.getName()), "", "is missing: " + kind + " needs it");
        }
        if (given)
            for (var field : node.properties())
                if (!field.getValue().isNull() && !names.contains(field.getKey()))
                    add(under(at, shortened(field.getKey())), shown(field.getValue()), "does not belong to " + kind);
    }

    private record Argument(Type type, @Nullable AnnotatedType annotated) {}

    private void list(JsonNode node, @Nullable Argument of, String at) {
        if (!node.isArray()) {
            add(at, shown(node), "must be a list");
            return;
        }
        if (of == null) return;
        for (int i = 0; i < node.size() && faults.size() < MOST_FAULTS; i++)
            element(node.get(i), of, under(at, i + ""));
    }

    private void map(JsonNode node, Type type, @Nullable AnnotatedType annotated, String at) {
        if (!node.isObject()) {
            add(at, shown(node), "must be an object");
            return;
        }
        var key = argument(type, annotated, 0);
        var of = argument(type, annotated, 1);
        var keys = key == null ? null : raw(key.type);
        for (var field : node.properties()) {
            if (keys != null && keys.isEnum()) name(field.getKey(), keys, at);
            else text(field.getKey(), at);
            if (of != null) element(field.getValue(), of, under(at, field.getKey()));
        }
    }

    private void element(JsonNode node, Argument of, String at) {
        if (node.isNull() && of.annotated != null && nullable(of.annotated)) return;
        value(node, of.type, of.annotated, at);
    }

    private void simple(JsonNode node, Class<?> type, String at) {
        if (type == String.class) {
            if (node.isString()) text(node.asString(), at);
            else add(at, shown(node), "must be text");
        } else if (type.isEnum()) {
            if (node.isString()) name(node.asString(), type, at);
            else add(at, shown(node), choice(type));
        } else if (LARGEST.containsKey(type)) whole(node, LARGEST.get(type), at);
        else if (type == double.class || type == Double.class) {
            if (!node.isNumber() || !Double.isFinite(node.asDouble())) add(at, shown(node), "must be a number");
        } else if (type == boolean.class || type == Boolean.class) {
            if (!node.isBoolean()) add(at, shown(node), "must be true or false");
        } else if (type == UUID.class)
            parsed(node, at, "must be an id as the server makes it", t -> {
                // Java takes shorter ones; what it makes of them is not what was written.
                if (t.length() != 36) throw new IllegalArgumentException();
                return UUID.fromString(t);
            });
        else if (type == LocalDate.class)
            parsed(node, at, day("must be a day such as 2026-09-28"), t -> inTime(LocalDate.parse(t)));
        else if (type == Instant.class)
            parsed(node, at, day("must be a moment such as 2026-09-28T18:30:00Z"), t -> {
                var moment = Instant.parse(t);
                inTime(LocalDate.ofInstant(moment, ZoneOffset.UTC));
                return moment;
            });
    }

    private static String day(String reason) {
        return reason + ", from " + FIRST_YEAR + " to " + LAST_YEAR;
    }

    private static LocalDate inTime(LocalDate day) {
        if (day.getYear() < FIRST_YEAR || day.getYear() > LAST_YEAR) throw new DateTimeException("out of time");
        return day;
    }

    private interface Parsing {
        Object of(String text);
    }

    private void parsed(JsonNode node, String at, String reason, Parsing parsing) {
        try {
            if (node.isString()) {
                parsing.of(node.asString());
                return;
            }
        } catch (IllegalArgumentException | DateTimeException e) {
            // Said below.
        }
        add(at, shown(node), reason);
    }

    private void whole(JsonNode node, BigInteger largest, String at) {
        if (!node.isIntegralNumber()) {
            add(at, shown(node), "must be a whole number");
            return;
        }
        var value = node.bigIntegerValue();
        if (value.compareTo(largest) > 0 || value.compareTo(largest.negate().subtract(BigInteger.ONE)) < 0)
            add(at, shown(node), "must be at most " + largest);
    }

    private void name(String given, Class<?> type, String at) {
        if (!names(type).contains(given)) add(at, shortened(given), choice(type));
    }

    private static String choice(Class<?> type) {
        return choice(names(type));
    }

    private static String choice(Set<String> names) {
        return names.size() > MOST_NAMED
                ? "is none of the " + names.size() + " that are known here. Maybe it is misspelt"
                : "must be one of " + String.join(", ", names);
    }

    private static Set<String> names(Class<?> type) {
        return NAMES.computeIfAbsent(
                type,
                t -> Arrays.stream(t.getEnumConstants())
                        .map(Object::toString)
                        .collect(Collectors.toCollection(LinkedHashSet::new)));
    }

    private void text(String given, String at) {
        Texts.unkept(given).ifPresent(why -> add(at, "", why));
    }

    private void add(String at, String value, String reason) {
        if (faults.size() < MOST_FAULTS) faults.add(new Fault(at, value, reason));
    }

    private static String shown(JsonNode node) {
        return node.isContainer() ? (node.isArray() ? "a list" : "an object") : shortened(node.asString());
    }

    private static String shortened(String text) {
        var clean = text.replaceAll("[\\p{Cntrl}\\p{Cs}]", "?");
        return clean.length() > 80 ? clean.substring(0, 79) + "…" : clean;
    }

    private static String under(String at, String field) {
        return at.isEmpty() ? field : at + "/" + field;
    }

    private static boolean nullable(AnnotatedType type) {
        return type.isAnnotationPresent(Nullable.class);
    }

    private static @Nullable Class<?> raw(Type type) {
        if (type instanceof Class<?> c) return c;
        if (type instanceof ParameterizedType p && p.getRawType() instanceof Class<?> c) return c;
        return null;
    }

    private static @Nullable Argument argument(Type type, @Nullable AnnotatedType annotated, int i) {
        if (!(type instanceof ParameterizedType p) || p.getActualTypeArguments().length <= i) return null;
        var of = annotated instanceof AnnotatedParameterizedType a ? a.getAnnotatedActualTypeArguments()[i] : null;
        return new Argument(p.getActualTypeArguments()[i], of);
    }

    private static @Nullable AnnotatedType component(@Nullable AnnotatedType annotated) {
        return annotated instanceof AnnotatedArrayType a ? a.getAnnotatedGenericComponentType() : null;
    }
}
