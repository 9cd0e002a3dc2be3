package palmtally.core.practical.event;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Texts;

/** What an observation carries that lies outside the bounds it says. */
final class OutOfBounds implements Bounds {
    private final List<Fault> faults = new ArrayList<>();

    static List<Fault> of(Observation data) {
        var out = new OutOfBounds();
        data.within(out);
        return out.faults;
    }

    @Override
    public void whole(String part, @Nullable Integer value, int least, int most) {
        if (value != null && (value < least || value > most))
            faults.add(new Fault("data/" + part, value.toString(), "must be " + least + " to " + most));
    }

    @Override
    public void text(String part, @Nullable String value, int least, int most) {
        if (value == null) return;
        var at = "data/" + part;
        if (value.length() < least || value.isBlank() && least > 0)
            faults.add(new Fault(at, value, "must not be empty"));
        if (value.length() > most)
            faults.add(new Fault(at, value.length() + " characters", "must be at most " + most + " characters"));
        Texts.unkept(value).ifPresent(why -> faults.add(new Fault(at, "", why)));
    }
}
