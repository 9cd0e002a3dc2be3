package palmtally.browser.build;

import java.lang.reflect.ParameterizedType;
import java.lang.reflect.Type;
import java.util.ArrayDeque;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.teavm.extension.spi.reflection.SimpleReflectionPolicy;
import palmtally.core.picture.Picture;
import palmtally.core.practical.event.Observation;
import palmtally.core.sequence.Block;
import palmtally.formats.draft.Drafts;
import palmtally.formats.draft.OfSchool;
import palmtally.formats.live.SoFar;
import palmtally.formats.live.Tables;

/**
 * What of the core may be read and made by reflection: the records that are asked with and answered by, and whatever they hold. What only
 * computes is none of it, and stays as short as the compiler makes it.
 */
public final class Records extends SimpleReflectionPolicy {
    /** Whose nested records are asked with or answered by. */
    private static final List<String> FACES =
            List.of("palmtally.browser.PalmCore", Drafts.class.getName(), Tables.class.getName());

    private static final List<Class<?>> ALONE = List.of(OfSchool.class, Block.class, Picture.class, SoFar.class);

    @Override
    protected void setup() {
        var all = spoken();
        selectClasses(c -> all.contains(c.name()))
                .reflectableFields(INSTANCE)
                .reflectableMethods(m -> m.name().equals("<init>"));
    }

    private static Set<String> spoken() {
        var waiting = new ArrayDeque<Type>(ALONE);
        for (var face : FACES) waiting.addAll(List.of(face(face).getDeclaredClasses()));
        var seen = new HashSet<String>();
        while (!waiting.isEmpty()) {
            var type = waiting.remove();
            if (type instanceof ParameterizedType p) waiting.addAll(List.of(p.getActualTypeArguments()));
            if (type == Observation.class) waiting.addAll(Observation.KINDS.values());
            if (type instanceof Class<?> c && c.isRecord() && seen.add(c.getName()))
                for (var part : c.getRecordComponents()) waiting.add(part.getGenericType());
        }
        return seen;
    }

    private static Class<?> face(String name) {
        try {
            return Class.forName(name, false, Records.class.getClassLoader());
        } catch (ClassNotFoundException e) {
            throw new IllegalStateException(e);
        }
    }
}
