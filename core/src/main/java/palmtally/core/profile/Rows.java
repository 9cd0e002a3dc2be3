package palmtally.core.profile;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiConsumer;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.technique.Techniques;

/** A profile is made of records, of maps by enums, and of the rows that stand at their parts: what is read, changed and shipped by a path. */
final class Rows {
    private Rows() {}

    /** Every part of a profile that a row may stand at, with its path. */
    static void walk(BiConsumer<List<String>, RecordComponent> visit) {
        walk(Profile.class, List.of(), visit);
    }

    private static void walk(Class<?> type, List<String> at, BiConsumer<List<String>, RecordComponent> visit) {
        for (var part : type.getRecordComponents()) {
            var path = below(at, part.getName());
            if (section(part)) walk(part.getType(), path, visit);
            else visit.accept(path, part);
        }
    }

    /** Where older files have numbers that mean nothing any more. */
    static List<List<String>> retired() {
        var paths = new ArrayList<List<String>>();
        retired(Profile.class, List.of(), paths);
        return List.copyOf(paths);
    }

    private static void retired(Class<?> type, List<String> at, List<List<String>> paths) {
        var gone = type.getAnnotation(Retired.class);
        if (gone != null) for (var name : gone.value()) paths.add(below(at, name));
        for (var part : type.getRecordComponents())
            if (section(part)) retired(part.getType(), below(at, part.getName()), paths);
    }

    private static boolean section(RecordComponent part) {
        return part.getType().isRecord() && part.getType() != Band.class && part.getType() != Techniques.class;
    }

    static List<String> below(List<String> path, String name) {
        var longer = new ArrayList<>(path);
        longer.add(name);
        return List.copyOf(longer);
    }

    /** What lies at a path; null where a map has no such key. */
    static @Nullable Object read(Object from, List<String> path) {
        @Nullable Object at = from;
        for (var name : path) {
            if (at == null) return null;
            if (at instanceof Map<?, ?> map) {
                at = map.entrySet().stream()
                        .filter(e -> e.getKey().toString().equals(name))
                        .findFirst()
                        .<Object>map(Map.Entry::getValue)
                        .orElse(null);
            } else at = value(component(at, name), at);
        }
        return at;
    }

    /** The same with something else at a path. */
    @SuppressWarnings("unchecked")
    static <T> T write(T into, List<String> path, Object to) {
        if (path.isEmpty()) return (T) to;
        var rest = path.subList(1, path.size());
        if (into instanceof Map<?, ?> map) {
            var copy = new java.util.LinkedHashMap<Object, Object>(map);
            for (var key : map.keySet())
                if (key.toString().equals(path.get(0))) copy.put(key, write(copy.get(key), rest, to));
            return (T) copy;
        }
        var parts = into.getClass().getRecordComponents();
        var values = new Object[parts.length];
        for (int i = 0; i < parts.length; i++) {
            var now = value(parts[i], into);
            values[i] = parts[i].getName().equals(path.get(0)) ? write(now, rest, to) : now;
        }
        return (T) made(into.getClass(), values);
    }

    /** The same with a number in a map that holds only what a school sets itself; null takes it out. */
    static Profile put(Profile into, List<String> path, @Nullable Object to) {
        var at = path.subList(0, path.size() - 1);
        var part = component(java.util.Objects.requireNonNull(read(into, at.subList(0, at.size() - 1))), last(at));
        var map = new java.util.LinkedHashMap<Object, Object>(
                (Map<?, ?>) java.util.Objects.requireNonNull(read(into, at)));
        for (var key : keys(part))
            if (key.toString().equals(last(path))) {
                if (to == null) map.remove(key);
                else map.put(key, to);
            }
        return write(into, at, map);
    }

    private static String last(List<String> path) {
        return path.get(path.size() - 1);
    }

    private static RecordComponent component(Object of, String name) {
        return Arrays.stream(of.getClass().getRecordComponents())
                .filter(c -> c.getName().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private static Object value(RecordComponent part, Object of) {
        try {
            return part.getAccessor().invoke(of);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }

    private static <T> T made(Class<T> type, Object[] values) {
        var types = Arrays.stream(type.getRecordComponents())
                .map(RecordComponent::getType)
                .toArray(Class<?>[]::new);
        try {
            return type.getDeclaredConstructor(types).newInstance(values);
        } catch (InvocationTargetException e) {
            if (e.getCause() instanceof InvalidValue invalid) throw invalid;
            throw new IllegalStateException(e);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }

    /** A part of a profile as it ships. */
    static <T extends Record> T shipped(Class<T> section, boolean b) {
        return made(
                section,
                Arrays.stream(section.getRecordComponents())
                        .map(part -> shipped(part, b))
                        .toArray());
    }

    private static Object shipped(RecordComponent part, boolean b) {
        var amount = part.getAnnotation(Amount.class);
        if (amount != null) return shipped(part, amount, b);
        var pick = part.getAnnotation(Pick.class);
        if (pick != null) return option(part.getType(), b && !pick.b().isEmpty() ? pick.b() : pick.a());
        var zones = part.getAnnotation(Zones.class);
        if (zones != null) return Set.of(zones.value());
        return shipped(part.getType().asSubclass(Record.class), b);
    }

    private static Object shipped(RecordComponent part, Amount amount, boolean b) {
        double[] each = b && amount.eachInB().length > 0 ? amount.eachInB() : amount.each();
        if (part.getType() == Band.class) return new Band((int) each[0], (int) each[1]);
        if (part.getType() != Map.class)
            return number(part.getType(), b && !Double.isNaN(amount.b()) ? amount.b() : amount.a());
        var keys = keys(part);
        var values = (Class<?>) ((ParameterizedType) part.getGenericType()).getActualTypeArguments()[1];
        var map = emptyMap(keys);
        if (amount.otherwise() != Otherwise.HELD) return map;
        for (int i = 0; i < keys.length; i++)
            map.put(keys[i], number(values, each.length > 0 ? each[i] : ((Weighed) keys[i]).usual()));
        return map;
    }

    @SuppressWarnings({"unchecked", "rawtypes"})
    private static Map<Object, Object> emptyMap(Object[] keys) {
        return new EnumMap(((Enum) keys[0]).getDeclaringClass());
    }

    /** The keys of a map by an enum. */
    static Object[] keys(RecordComponent map) {
        return ((Class<?>) ((ParameterizedType) map.getGenericType()).getActualTypeArguments()[0]).getEnumConstants();
    }

    /** Whether what is held is counted, not measured. */
    static boolean whole(RecordComponent part) {
        var type = part.getType() == Map.class
                ? ((ParameterizedType) part.getGenericType()).getActualTypeArguments()[1]
                : part.getType();
        return type == int.class || type == Integer.class || type == Band.class;
    }

    static Object number(Class<?> type, double value) {
        if (type == int.class || type == Integer.class) return (int) value;
        return value;
    }

    static Object option(Class<?> type, String id) {
        return Arrays.stream(type.getEnumConstants())
                .filter(o -> o.toString().equals(id))
                .findFirst()
                .orElseThrow();
    }
}
