package palmtally.browser;

import java.lang.reflect.Constructor;
import java.lang.reflect.Field;
import java.lang.reflect.Modifier;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.Type;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.teavm.jso.JSBody;
import org.teavm.jso.JSObject;
import org.teavm.jso.core.JSArray;
import org.teavm.jso.core.JSArrayReader;
import org.teavm.jso.core.JSBoolean;
import org.teavm.jso.core.JSMapLike;
import org.teavm.jso.core.JSNumber;
import org.teavm.jso.core.JSObjects;
import org.teavm.jso.core.JSString;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.finding.Rule;
import palmtally.core.practical.event.Event;
import palmtally.core.practical.event.Observation;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;

/**
 * Plain JS objects to values of the core and back, in the very shape that {@link palmtally.formats.Json} gives them. Records go by their
 * components and name no field here; what has a shape of its own there has it here too: a rule is its id, a step names its technique,
 * which stands beside the blocks, and an event its kind.
 */
final class Codec {
    /** What finds a technique that does not stand beside the blocks. */
    private final Techniques library;

    private Map<String, Technique> beside = Map.of();

    Codec(Techniques library) {
        this.library = library;
    }

    /** What a record is made of. */
    private record Shape(Field[] fields, JSString[] names, Type[] types, Constructor<?> constructor) {}

    private static final JSString TECHNIQUES = JSString.valueOf("techniques");
    private static final JSString KIND = JSString.valueOf("kind");
    private static final JSString TECHNIQUE = JSString.valueOf("technique");
    private static final int MOST_KEPT = 2000;
    /** What was read before, by how it was written. */
    private static final Map<String, Object> KEPT = new HashMap<>();

    private static final Map<Class<?>, Shape> SHAPES = new HashMap<>();
    private static final Map<Class<?>, Map<String, Object>> NAMED = new HashMap<>();

    private static Shape shape(Class<?> type) {
        var known = SHAPES.get(type);
        if (known != null) return known;
        var fields = new ArrayList<Field>();
        for (var f : type.getDeclaredFields()) if (!Modifier.isStatic(f.getModifiers())) fields.add(f);
        var types = new Class<?>[fields.size()];
        var names = new JSString[types.length];
        var generic = new Type[types.length];
        for (int i = 0; i < types.length; i++) {
            types[i] = fields.get(i).getType();
            names[i] = JSString.valueOf(fields.get(i).getName());
            generic[i] = fields.get(i).getGenericType();
            fields.get(i).setAccessible(true);
        }
        try {
            var made = new Shape(fields.toArray(new Field[0]), names, generic, type.getDeclaredConstructor(types));
            SHAPES.put(type, made);
            return made;
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(type.getName() + " has no canonical constructor", e);
        }
    }

    private static Object named(Class<?> type, String name) {
        var all = NAMED.get(type);
        if (all == null) {
            all = new HashMap<>();
            for (var c : type.getEnumConstants()) all.put(c.toString(), c);
            NAMED.put(type, all);
        }
        var found = all.get(name);
        if (found == null) throw new IllegalArgumentException(type.getSimpleName() + " has no " + name);
        return found;
    }

    private static Object key(Class<?> type, String name) {
        if (type == String.class) return name;
        return type == Rule.class ? Rule.of(name) : named(type, name);
    }

    @JSBody(params = "v", script = "return v === null || v === undefined;")
    private static native boolean none(@Nullable JSObject v);

    @JSBody(
            params = {"o", "k"},
            script = "return o[k];")
    private static native @Nullable JSObject get(JSObject o, JSString k);

    @JSBody(
            params = {"o", "k", "v"},
            script = "o[k] = v;")
    private static native void set(JSObject o, JSString k, JSObject v);

    @JSBody(params = "v", script = "return JSON.stringify(v);")
    private static native String text(JSObject v);

    /** The browser knows its dates: the reader of java.time would bring every time zone with it. */
    @JSBody(params = "v", script = "return Date.parse(v);")
    private static native double millis(JSObject v);

    @JSBody(params = "ms", script = "return new Date(ms).toISOString().replace('.000Z', 'Z');")
    private static native JSObject written(double ms);

    @SuppressWarnings("unchecked")
    @Nullable
    Object read(@Nullable JSObject v, Type type) {
        if (v == null || none(v)) return null;
        if (type instanceof ParameterizedType p) {
            var args = p.getActualTypeArguments();
            if (p.getRawType() == Map.class) {
                var from = (JSMapLike<JSObject>) v;
                var map = new LinkedHashMap<Object, Object>();
                for (var key : JSObjects.keys(v)) map.put(key((Class<?>) args[0], key), read(from.get(key), args[1]));
                return map;
            }
            var from = (JSArrayReader<JSObject>) v;
            Collection<Object> all = p.getRawType() == Set.class ? new LinkedHashSet<>() : new ArrayList<>();
            for (int i = 0; i < from.getLength(); i++) all.add(read(from.get(i), args[0]));
            return all;
        }
        var c = (Class<?>) type;
        if (c == String.class) return ((JSString) v).stringValue();
        if (c == int.class || c == Integer.class) return ((JSNumber) v).intValue();
        if (c == long.class || c == Long.class) return (long) ((JSNumber) v).doubleValue();
        if (c == double.class || c == Double.class) return ((JSNumber) v).doubleValue();
        if (c == boolean.class || c == Boolean.class) return ((JSBoolean) v).booleanValue();
        if (c == Instant.class) return Instant.ofEpochMilli((long) millis(v));
        if (c == java.time.LocalDate.class) {
            var parts = ((JSString) v).stringValue().split("-");
            return java.time.LocalDate.of(
                    Integer.parseInt(parts[0]), Integer.parseInt(parts[1]), Integer.parseInt(parts[2]));
        }
        if (c == UUID.class) return UUID.fromString(((JSString) v).stringValue());
        if (c == Rule.class) return Rule.of(((JSString) v).stringValue());
        if (c.isEnum()) return named(c, ((JSString) v).stringValue());
        if (c == Sequence.class) beside = beside(v);
        return c == Step.class || c == Technique.class ? kept(v, c) : record(v, c);
    }

    /** Steps and techniques are read once: of a draft that is asked about after each key most of them stay as they are. */
    private Object kept(JSObject v, Class<?> c) {
        var text = text(v);
        var known = KEPT.get(text);
        if (known instanceof Step s && s.technique() == technique(get(v, TECHNIQUE))) return s;
        if (known instanceof Technique && c == Technique.class) return known;
        var read = record(v, c);
        if (KEPT.size() >= MOST_KEPT) KEPT.clear();
        KEPT.put(text, read);
        return read;
    }

    private Object record(JSObject v, Class<?> c) {
        var shape = shape(c);
        var args = new Object[shape.types.length];
        for (int i = 0; i < args.length; i++) {
            var part = get(v, shape.names[i]);
            if (c == Step.class && shape.types[i] == Technique.class) args[i] = technique(part);
            else if (c == Event.class && shape.types[i] == Observation.class) args[i] = carried(v, part);
            else args[i] = read(part, shape.types[i]);
            if (args[i] == null && shape.fields[i].getType().isPrimitive())
                throw new InvalidValue(c.getSimpleName(), new Fault(shape.fields[i].getName(), "", "is missing"));
        }
        try {
            return shape.constructor.newInstance(args);
        } catch (java.lang.reflect.InvocationTargetException e) {
            if (e.getCause() instanceof RuntimeException r) throw r;
            throw new IllegalStateException(e);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }

    @SuppressWarnings("unchecked")
    private Map<String, Technique> beside(JSObject sequence) {
        var there = get(sequence, TECHNIQUES);
        if (none(there)) return Map.of();
        var all = new HashMap<String, Technique>();
        var list = (JSArrayReader<JSObject>) there;
        for (int i = 0; i < list.getLength(); i++) {
            var one = (Technique) read(list.get(i), Technique.class);
            all.put(one.id(), one);
        }
        return all;
    }

    private Technique technique(@Nullable JSObject named) {
        var id = ((JSString) named).stringValue();
        var there = beside.get(id);
        return there != null
                ? there
                : library.find(id)
                        .orElseThrow(() -> new InvalidValue(
                                "technique", new Fault("", id, "is not in the library of techniques")));
    }

    private @Nullable Object carried(JSObject event, @Nullable JSObject data) {
        var kind = ((JSString) get(event, KIND)).stringValue();
        var type = Observation.KINDS.get(kind);
        if (type == null) throw new InvalidValue("event", new Fault("kind", kind, "is no kind of event"));
        return read(none(data) ? JSObjects.create() : data, type);
    }

    static JSObject write(Object v) {
        if (v instanceof Record r) return written(r);
        if (v instanceof String s) return JSString.valueOf(s);
        if (v instanceof Number n) return JSNumber.valueOf(n.doubleValue());
        if (v instanceof Enum<?>) return JSString.valueOf(v.toString());
        if (v instanceof Boolean b) return JSBoolean.valueOf(b);
        if (v instanceof Collection<?> all) {
            var out = new JSArray<JSObject>();
            for (var one : all) out.push(write(one));
            return out;
        }
        if (v instanceof Map<?, ?> map) {
            JSMapLike<JSObject> out = JSObjects.create();
            for (var e : map.entrySet()) out.set(e.getKey().toString(), write(e.getValue()));
            return out;
        }
        if (v instanceof Instant at) return written(at.toEpochMilli());
        return JSString.valueOf(v.toString());
    }

    private static JSObject written(Record v) {
        if (v instanceof Rule) return JSString.valueOf(v.toString());
        JSObject out = JSObjects.create();
        try {
            var shape = shape(v.getClass());
            for (int i = 0; i < shape.fields.length; i++) {
                var value = shape.fields[i].get(v);
                if (value == null) continue;
                set(
                        out,
                        shape.names[i],
                        v instanceof Step && value instanceof Technique t ? write(t.id()) : write(value));
            }
            if (v instanceof Sequence s) set(out, TECHNIQUES, write(s.techniques()));
            if (v instanceof Event e) set(out, KIND, write(e.kind()));
        } catch (IllegalAccessException e) {
            throw new IllegalStateException(e);
        }
        return out;
    }
}
