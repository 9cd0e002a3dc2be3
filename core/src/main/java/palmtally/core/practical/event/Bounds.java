package palmtally.core.practical.event;

import java.lang.reflect.Method;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Texts;

/** Whether what an event carries lies within the bounds that its class says. */
final class Bounds {
    private record Part(
            String name,
            Method value,
            @Nullable Whole whole,
            @Nullable Words words) {
        @Nullable
        Object of(Observation data) {
            try {
                return value.invoke(data);
            } catch (ReflectiveOperationException e) {
                throw new IllegalStateException(e);
            }
        }
    }

    private static final ClassValue<List<Part>> PARTS = new ClassValue<>() {
        @Override
        protected List<Part> computeValue(Class<?> kind) {
            return Arrays.stream(kind.getRecordComponents())
                    .map(c -> new Part(
                            c.getName(), c.getAccessor(), c.getAnnotation(Whole.class), c.getAnnotation(Words.class)))
                    .filter(p -> p.whole != null || p.words != null)
                    .toList();
        }
    };

    private Bounds() {}

    static List<Fault> faults(Observation data) {
        var faults = new ArrayList<Fault>();
        for (var part : PARTS.get(data.getClass())) {
            var value = part.of(data);
            var at = "data/" + part.name;
            var whole = part.whole;
            var words = part.words;
            if (whole != null && value instanceof Integer n && (n < whole.least() || n > whole.most()))
                faults.add(new Fault(at, n.toString(), "must be " + whole.least() + " to " + whole.most()));
            if (words == null || !(value instanceof String text)) continue;
            if (text.length() < words.least() || text.isBlank() && words.least() > 0)
                faults.add(new Fault(at, text, "must not be empty"));
            if (text.length() > words.most())
                faults.add(new Fault(
                        at, text.length() + " characters", "must be at most " + words.most() + " characters"));
            Texts.unkept(text).ifPresent(why -> faults.add(new Fault(at, "", why)));
        }
        return faults;
    }
}
