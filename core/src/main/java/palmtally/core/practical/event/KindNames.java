package palmtally.core.practical.event;

import java.util.Locale;

/** The name of a kind in files, made once of its class: it is asked for with every event. */
final class KindNames extends ClassValue<String> {
    static final KindNames OF = new KindNames();

    @Override
    protected String computeValue(Class<?> kind) {
        return kind.getSimpleName().replaceAll("(?<=[a-z])(?=[A-Z])", "-").toLowerCase(Locale.ROOT);
    }
}
