package palmtally.core.technique;

import java.util.ArrayList;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/**
 * What a dose of a technique is to keep to, where a school says so for the technique itself.
 *
 * @param per what the seconds are of: one hold, one pass, or the whole
 * @param least seconds, 0 for no lower end
 * @param most seconds, or null for no upper end
 */
public record Window(
        DoseTable.Per per, double least, @Nullable Double most) {
    public Window {
        var faults = new ArrayList<Fault>();
        if (!(least >= 0 && least <= Dose.MOST_SECONDS))
            faults.add(new Fault("least", String.valueOf(least), "must be 0 to 3600"));
        if (most != null && !(most > 0 && most >= least && most <= Dose.MOST_SECONDS))
            faults.add(new Fault("most", most.toString(), "must be above 0, not below the least, and at most 3600"));
        if (!faults.isEmpty()) throw new InvalidValue("window", faults);
    }
}
