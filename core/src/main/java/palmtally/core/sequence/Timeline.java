package palmtally.core.sequence;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import palmtally.core.Sums;
import palmtally.core.Texts;
import palmtally.core.body.DrapeUnit;
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

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
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
        for (var stint : stints) {
            var step = stint.step();
            var halves = stint.halves();
            var wanted = unitsOpenedBy(stint);
            var cost = between(last, open, stint, wanted, profile);
            if (step.lubricant() != Lubricant.DRY && !oiled.containsAll(halves)) {
                cost.put(Transition.LUBRICANT, profile.transitions().lubricant());
                oiled.addAll(halves);
            }
            int questions = 0;
            for (var say : step.say()) if (say.asks() || say.kind() == SayKind.CONSENT) questions++;
            if (questions > 0)
                cost.put(Transition.QUESTION, questions * profile.transitions().question());

            double begin = hands;
            double start = begin + Sums.of(cost.values().stream().mapToDouble(Double::doubleValue));
            for (var half : halves) start = Math.max(start, busyUntil.getOrDefault(half, 0.0));
            double end = start + stint.dose().totalSeconds();
            boolean passive = step.technique().stroke().passiveModality();
            hands = passive ? start : end;
            for (var half : halves) busyUntil.merge(half, end, Math::max);
            total = Math.max(total, end);
            spans.add(new Span(stint, begin, start, end, cost, wanted));
            open = wanted;
            last = stint;
        }
        return new Timeline(List.copyOf(spans), total);
    }

    /**
     * Seconds lost between two stints by turning the client, by the sheet and by walking; what depends on more than these two, such as
     * lubricant, is left out.
     *
     * @param last the one before, or null at the start
     */
    public static EnumMap<Transition, Double> between(@Nullable Stint last, Stint stint, Profile profile) {
        return between(last, last == null ? Set.of() : unitsOpenedBy(last), stint, unitsOpenedBy(stint), profile);
    }

    private static EnumMap<Transition, Double> between(
            @Nullable Stint last, Set<OpenUnit> opened, Stint stint, Set<OpenUnit> wanted, Profile profile) {
        var cost = new EnumMap<Transition, Double>(Transition.class);
        var step = stint.step();
        var open = opened;
        if (last != null && last.position() != stint.position()) {
            cost.put(Transition.TURN, profile.transitions().turn());
            open = Set.of();
        }
        if (!wanted.equals(open)) {
            boolean sensitive = step.zones().stream()
                    .anyMatch(z -> profile.draping().sensitive().contains(z));
            cost.put(
                    sensitive ? Transition.SENSITIVE_SHEET : Transition.SHEET,
                    sensitive
                            ? profile.transitions().sensitiveSheet()
                            : profile.transitions().sheet());
        }
        if (last != null
                && (last.side() != stint.side()
                        || last.step().zones().get(0).region()
                                != step.zones().get(0).region()))
            cost.put(Transition.PLACE, profile.transitions().place());
        return cost;
    }

    /** What the sheet has open when a stint is done as planned. */
    public static Set<OpenUnit> unitsOpenedBy(Stint stint) {
        if (stint.step().sheet() != Sheet.OPEN) return Set.of();
        if (stint.step().zones().size() == 1 && stint.side() != Side.BOTH && stint.side() != Side.MIDLINE) {
            var unit = stint.step().zones().get(0).unit();
            return unit.draped() ? Set.of(new OpenUnit(unit, unit.paired() ? stint.side() : Side.MIDLINE)) : Set.of();
        }
        var units = new LinkedHashSet<OpenUnit>();
        for (var half : stint.halves()) {
            var unit = half.zone().unit();
            if (unit.draped()) units.add(new OpenUnit(unit, unit.paired() ? half.side() : Side.MIDLINE));
        }
        return java.util.Collections.unmodifiableSet(units);
    }
}
