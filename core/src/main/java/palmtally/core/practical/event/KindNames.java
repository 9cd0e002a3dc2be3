package palmtally.core.practical.event;

import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** The name of a kind in files, made once of its class: it is asked for with every event. */
final class KindNames {
    static final KindNames OF = new KindNames();

    private final Map<Class<?>, String> names = new ConcurrentHashMap<>();

    String get(Class<?> kind) {
        return names.computeIfAbsent(kind, KindNames::named);
    }

    private static String named(Class<?> kind) {
        return kind.getSimpleName().replaceAll("(?<=[a-z])(?=[A-Z])", "-").toLowerCase(Locale.ROOT);
    }
}
