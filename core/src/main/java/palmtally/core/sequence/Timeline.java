package palmtally.core.sequence;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Position;
import palmtally.core.body.Side;
import palmtally.core.profile.Profile;

/**
 * When each stint of a sequence starts and ends, in seconds, with the transitions before it. A passive modality occupies its
 * zone but not the hands: what follows on other zones runs beside it, and the total is the longest path, not the sum.
 *
 * @param spans in planned order
 * @param totalSeconds end of the last span
 */
public record Timeline(List<Span> spans, double totalSeconds) {
    /** What lies between two steps. */
    public enum Transition {
        SHEET,
        SENSITIVE_SHEET,
        TURN,
        PLACE,
        LUBRICANT,
        QUESTION;

        @Override
        public String toString() {
            return name().toLowerCase().replace('_', '-');
        }
    }

    /** One unit of the sheet: a paired one on its side, another with side midline. */
    public record OpenUnit(DrapeUnit unit, Side side) {
        @Override
        public String toString() {
            return side == Side.MIDLINE ? unit.toString() : side + " " + unit;
        }
    }

    /**
     * One stint in time.
     *
     * @param begin seconds, when its first transition begins
     * @param start seconds, when the work begins
     * @param end seconds
     * @param transitions what comes before it, with seconds each
     * @param open what the sheet has open meanwhile
     */
    public record Span(
            Stint stint,
            double begin,
            double start,
            double end,
            Map<Transition, Double> transitions,
            Set<OpenUnit> open) {
        public double seconds() {
            return end - start;
        }
    }

    public static Timeline of(Sequence sequence, Profile profile) {
        return of(Stint.of(sequence), profile);
    }

    /** The timeline of any stints, one after another. */
    public static Timeline of(List<Stint> stints, Profile profile) {
        var spans = new ArrayList<Span>();
        var busyUntil = new HashMap<Stint.Half, Double>();
        var oiled = new HashSet<Stint.Half>();
        Set<OpenUnit> open = Set.of();
        double hands = 0;
        double total = 0;
        @Nullable Stint last = null;
        @Nullable Position position = null;
        for (var stint : stints) {
            var step = stint.step();
            var halves = stint.halves();
            var cost = new EnumMap<Transition, Double>(Transition.class);
            if (position != null && position != step.position()) {
                cost.put(Transition.TURN, profile.transitions().turn());
                open = Set.of();
            }
            position = step.position();
            var wanted = unitsOpenedBy(stint);
            if (!wanted.equals(open)) {
                boolean sensitive = step.zones().stream()
                        .anyMatch(z -> profile.draping().sensitive().contains(z));
                cost.put(
                        sensitive ? Transition.SENSITIVE_SHEET : Transition.SHEET,
                        sensitive
                                ? profile.transitions().sensitiveSheet()
                                : profile.transitions().sheet());
                open = wanted;
            }
            if (last != null
                    && (last.side() != stint.side()
                            || last.step().zones().get(0).region()
                                    != step.zones().get(0).region()))
                cost.put(Transition.PLACE, profile.transitions().place());
            if (step.lubricant() != Lubricant.DRY && !oiled.containsAll(halves)) {
                cost.put(Transition.LUBRICANT, profile.transitions().lubricant());
                oiled.addAll(halves);
            }
            long questions = step.say().stream()
                    .filter(s -> s.asks() || s.kind() == SayKind.CONSENT)
                    .count();
            if (questions > 0)
                cost.put(Transition.QUESTION, questions * profile.transitions().question());

            double begin = hands;
            double start = begin
                    + cost.values().stream().mapToDouble(Double::doubleValue).sum();
            for (var half : halves) start = Math.max(start, busyUntil.getOrDefault(half, 0.0));
            double end = start + stint.dose().totalSeconds();
            boolean passive = step.library().stroke().passiveModality();
            hands = passive ? start : end;
            for (var half : halves) busyUntil.merge(half, end, Math::max);
            total = Math.max(total, end);
            spans.add(new Span(stint, begin, start, end, cost, open));
            last = stint;
        }
        return new Timeline(List.copyOf(spans), total);
    }

    /** What the sheet has open when a stint is done as planned. */
    public static Set<OpenUnit> unitsOpenedBy(Stint stint) {
        if (stint.step().sheet() != Sheet.OPEN) return Set.of();
        var units = new HashSet<OpenUnit>();
        for (var half : stint.halves()) {
            var unit = half.zone().unit();
            if (unit.draped()) units.add(new OpenUnit(unit, unit.paired() ? half.side() : Side.MIDLINE));
        }
        return Set.copyOf(units);
    }
}
