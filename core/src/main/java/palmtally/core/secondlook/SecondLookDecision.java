package palmtally.core.secondlook;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.finding.Criterion;

/**
 * What a second look came to, and why.
 *
 * @param marks those that are other now, 0 to 100; empty where all stand
 */
public record SecondLookDecision(Map<Criterion, Double> marks, String reason) {
    public SecondLookDecision {
        marks = Map.copyOf(marks);
        reason = SecondLookAsked.reason(reason);
    }

    public boolean stands() {
        return marks.isEmpty();
    }

    /**
     * A decision on what was asked.
     *
     * @param marks new marks; one that is null or as it was is none
     * @param was the marks that stand
     * @throws InvalidValue naming each mark that was not asked about or is none
     */
    public static SecondLookDecision on(
            SecondLookAsked asked, Map<Criterion, Double> was, Map<Criterion, @Nullable Double> marks, String reason) {
        var faults = new ArrayList<Fault>();
        var changed = new EnumMap<Criterion, Double>(Criterion.class);
        marks.forEach((c, value) -> {
            if (value == null || value.equals(was.get(c))) return;
            if (!(value >= 0 && value <= 100))
                faults.add(new Fault("marks/" + c, String.valueOf(value), "must be 0 to 100"));
            else if (!asked.about(c))
                faults.add(new Fault(
                        "marks/" + c,
                        String.valueOf(value),
                        "was not asked about: change the award itself if it was wrong too"));
            else changed.put(c, value);
        });
        if (!faults.isEmpty()) throw new InvalidValue("second look", faults);
        return new SecondLookDecision(changed, reason);
    }
}
