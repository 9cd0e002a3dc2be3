package palmtally.core.register;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Region;
import palmtally.core.calendar.Curriculum;
import palmtally.core.calendar.HourKind;
import palmtally.core.profile.Hours;

/**
 * A lab as it was held, or is to be: its parts one after another from its beginning. What they leave of it is open; what goes beyond its
 * end was not held.
 *
 * @param minutes from its beginning to its end, above 0 and at most 480
 */
public record HeldLab(LabPlace place, double minutes, List<LabPart> parts) {
    private static final int MOST_PARTS = 50;

    /**
     * @param kind what its minutes are counted as, of those that labs have
     * @param region or null where it is about none
     * @param minutes above 0, at most 480
     */
    public record LabPart(HourKind kind, @Nullable Region region, double minutes) {}

    /**
     * A part by the clock of the lab.
     *
     * @param kind null for a break
     * @param from minutes from the beginning of the lab
     */
    record Span(@Nullable HourKind kind, @Nullable Region region, double from, double to) {
        /** Minutes of it within others, 0 where they do not meet. */
        double within(double begin, double end) {
            return Math.max(0, Math.min(to, end) - Math.max(from, begin));
        }
    }

    public HeldLab {
        parts = List.copyOf(parts);
        var faults = new ArrayList<Fault>();
        if (!(minutes > 0 && minutes <= 480))
            faults.add(new Fault("minutes", String.valueOf(minutes), "must be above 0 and at most 480"));
        if (parts.size() > MOST_PARTS)
            faults.add(new Fault("parts", parts.size() + " parts", "must be at most " + MOST_PARTS));
        for (int i = 0; i < parts.size(); i++) {
            var part = parts.get(i);
            if (!(part.minutes > 0 && part.minutes <= 480))
                faults.add(new Fault(
                        "parts/" + i + "/minutes", String.valueOf(part.minutes), "must be above 0 and at most 480"));
            if (!part.kind.inLabs())
                faults.add(new Fault(
                        "parts/" + i + "/kind",
                        part.kind.toString(),
                        "is not done in labs; enter such hours one by one"));
        }
        if (!faults.isEmpty()) throw new InvalidValue("lab", faults);
    }

    /** A lab as the term plans it. */
    public static HeldLab planned(Curriculum term, int week, int lab) {
        return new HeldLab(
                new LabPlace(week, lab),
                term.labMinutes(),
                term.lessons().stream()
                        .filter(l -> l.week() == week && l.lab() == lab)
                        .map(l -> new LabPart(l.aim().hours(), l.region(), l.minutes()))
                        .limit(MOST_PARTS)
                        .toList());
    }

    /** What it is made of by its clock, the open minutes last. */
    List<Span> spans(Hours rules) {
        var spans = new ArrayList<Span>();
        double at = 0;
        for (var part : parts) {
            double to = Math.min(minutes, at + part.minutes);
            if (to > at) spans.add(new Span(part.kind, part.region, at, to));
            at = to;
        }
        if (at < minutes)
            spans.add(new Span(
                    rules.openMinutes() == Hours.OpenMinutes.PRACTICE ? HourKind.SUPERVISED_PRACTICE : null,
                    null,
                    at,
                    minutes));
        return spans;
    }

    /** Minutes that no part takes. */
    public double openMinutes() {
        double taken = 0;
        for (var part : parts) taken += part.minutes;
        return Math.max(0, minutes - taken);
    }
}
