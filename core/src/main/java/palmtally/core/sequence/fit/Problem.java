package palmtally.core.sequence.fit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import palmtally.core.Sums;
import palmtally.core.body.Side;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Stint;
import palmtally.core.sequence.Stint.Half;
import palmtally.core.sequence.Timeline;
import palmtally.core.sequence.check.Checks;
import palmtally.core.sequence.check.WarmUp;

/**
 * The relaxed problem. Walk the steps in planned order and decide for each whether it is kept and at which dose: what that costs in time,
 * which step needs which other, and how long each half has been warmed before firm work. Left out, and so never too strict: waiting for
 * heat, and lubricant on the second side that a step for both sides brings.
 */
final class Problem {
    static final double EPS = 1e-9;

    final Sequence sequence;
    final Profile profile;
    final Lying lying;
    final List<Item> items;
    final List<Place> places = new ArrayList<>();
    final Soundness soundness;
    /** How many warm-ups are kept apart. */
    final int warmLines;
    /** Whether any step needs another. */
    final boolean linked;
    /** The least by which two plans can differ in value, if they differ. */
    final double grain;

    private final List<Half> oilHalves = new ArrayList<>();
    private final Map<Object, Integer> kinds = new HashMap<>();
    /** Transitions already asked for, by the place before (from 1; 0 is the start) and the place after. */
    private final double[][] betweens;

    private Problem(Sequence sequence, Profile profile, Lying lying, List<Item> items, Soundness soundness) {
        this.sequence = sequence;
        this.profile = profile;
        this.lying = lying;
        this.items = items;
        this.soundness = soundness;
        var partners = partners();
        linked = !partners.isEmpty();
        layOut(partners);
        open(partners);
        var lines = warmLines();
        warmLines = lines.size();
        for (int i = 0; i < size(); i++) {
            int at = i;
            var place = places.get(i);
            place.needs = linesAt(lines, l -> l.needs.get(at));
            place.adds = linesAt(lines, l -> l.adds.get(at) && !l.needs.get(at));
            place.last = linesAt(lines, l -> l.last == at);
        }
        betweens = new double[2 * size() + 1][2 * size()];
        for (var row : betweens) Arrays.fill(row, Double.NaN);
        grain = grain();
    }

    /** One for each way the blocks may lie; together they hold every choice there is. */
    static List<Problem> all(Sequence sequence, Profile profile) {
        var items = sequence.steps().stream().map(Item::new).toList();
        var soundness = new Soundness(sequence, profile, items);
        return Lying.all(sequence).stream()
                .map(lying -> new Problem(sequence, profile, lying, items, soundness))
                .toList();
    }

    int size() {
        return items.size();
    }

    /** The whole choice: what must be kept is, everything up to its target. */
    Box all() {
        var low = items.stream().mapToInt(i -> i.must() ? 1 : 0).toArray();
        var high = items.stream()
                .mapToInt(i -> lying.dropped().contains(i.step.id()) ? 0 : i.doses.size())
                .toArray();
        return new Box(this, low, high, Double.POSITIVE_INFINITY, low);
    }

    private void layOut(List<int[]> partners) {
        var first = sequence.firstSide();
        int i = 0;
        for (var pass : Stint.passes(sequence, lying.blocks()::get)) {
            var bothOil = new HashSet<Half>();
            for (var step : pass.steps()) {
                var here = pass.side(step, first, first);
                if (step.lubricant() != Lubricant.DRY && (here == Side.BOTH || here == Side.MIDLINE))
                    bothOil.addAll(new Stint(step, here, false, step.dose(), 0, 0).halves());
            }
            for (int k = 0; k < pass.steps().size(); k++, i++) {
                var step = pass.steps().get(k);
                int at = i;
                var one = visit(step, pass.side(step, first, first), false, i);
                var two = visit(step, pass.side(step, first.other(), first), true, i);
                places.add(new Place(
                        items.get(i),
                        one,
                        two,
                        two != null && two.stint().halves().stream().anyMatch(bothOil::contains),
                        k == pass.steps().size() - 1,
                        closing(partners, p -> p[1] == at && p[0] <= at, p -> p[0]),
                        closing(partners, p -> p[0] == at && p[1] < at, p -> p[1])));
            }
        }
        long later = 0;
        for (int k = size() - 1; k >= 0; k--) {
            var place = places.get(k);
            place.oilLater = later;
            later |= (place.one == null ? 0 : place.one.oil()) | (place.two == null ? 0 : place.two.oil());
        }
    }

    private static List<Integer> closing(
            List<int[]> partners, Predicate<int[]> here, java.util.function.ToIntFunction<int[]> other) {
        return partners.stream().filter(here).mapToInt(other).boxed().toList();
    }

    private Place.@Nullable Visit visit(Step step, @Nullable Side side, boolean second, int index) {
        if (side == null) return null;
        var stint = new Stint(step, side, second, step.dose(), 0, index);
        long questions = step.say().stream()
                .filter(s -> s.asks() || s.kind() == SayKind.CONSENT)
                .count();
        var kind = List.of(
                stint.position(),
                Timeline.unitsOpenedBy(stint),
                side,
                step.zones().get(0).region());
        return new Place.Visit(
                stint,
                questions * profile.transitions().question(),
                step.lubricant() == Lubricant.DRY ? 0 : oil(stint),
                kinds.computeIfAbsent(kind, k -> kinds.size()));
    }

    /** Bits of the halves a stint oils. Beyond 64 halves the rest is not kept apart, which can only make time look shorter. */
    private long oil(Stint stint) {
        long bits = 0;
        for (var half : stint.halves()) {
            int at = oilHalves.indexOf(half);
            if (at < 0 && oilHalves.size() < 64) {
                at = oilHalves.size();
                oilHalves.add(half);
            }
            if (at >= 0) bits |= 1L << at;
        }
        return bits;
    }

    /** Pairs (first, then) of items where a kept {@code then} needs a kept {@code first}. */
    private List<int[]> partners() {
        var partners = new ArrayList<int[]>();
        var place = new HashMap<String, Integer>();
        for (int i = 0; i < size(); i++) place.put(items.get(i).step.id(), i);
        for (int i = 0; i < size(); i++)
            for (var to : items.get(i).step.before())
                partners.add(new int[] {i, Objects.requireNonNull(place.get(to))});
        // What prepares one step alone, as a warm-up that a mend put in, is kept for that step alone.
        for (int i = 0; i < size(); i++) {
            var step = items.get(i).step;
            if (step.preparesOnly() != null && !items.get(i).must())
                partners.add(new int[] {Objects.requireNonNull(place.get(step.preparesOnly())), i});
        }
        // A prerequisite of the profile that only one step can meet is as good as an own link.
        for (var row : Checks.prerequisites(profile)) {
            if (soundness.broken(row.rule())) continue;
            for (int j = 0; j < size(); j++) {
                var then = items.get(j).step;
                var first = IntStream.range(0, j)
                        .filter(i -> row.prepares(items.get(i).step, then))
                        .toArray();
                if (first.length == 1) partners.add(new int[] {first[0], j});
            }
        }
        return partners;
    }

    private void open(List<int[]> partners) {
        for (int i = 0; i < size(); i++)
            for (var p : partners)
                if (Math.min(p[0], p[1]) <= i && Math.max(p[0], p[1]) > i)
                    places.get(i).open.set(Math.min(p[0], p[1]));
    }

    /** The warm-up of one half: which items add to it and which need it. */
    private record WarmLine(BitSet adds, BitSet needs, int last) {}

    private List<WarmLine> warmLines() {
        if (profile.severity(WarmUp.RULE) != Severity.STOP) return List.of();
        var lines = new LinkedHashMap<List<BitSet>, WarmLine>();
        int firm = profile.order().firmDepth();
        var halves = new LinkedHashSet<Half>();
        for (var place : places) {
            if (place.one != null) halves.addAll(place.one.stint().over());
            if (place.two != null) halves.addAll(place.two.stint().over());
        }
        for (var half : halves) {
            if (mixed(half)) continue;
            var adds = new BitSet(size());
            var needs = new BitSet(size());
            for (int i = 0; i < size(); i++) {
                var step = items.get(i).step;
                if (!places.get(i).touches(half)) continue;
                if (step.depth() >= firm) needs.set(i);
                else if (step.calms(firm)) adds.set(i);
            }
            if (!needs.isEmpty() && !soundness.cold(needs))
                lines.putIfAbsent(List.of(adds, needs), new WarmLine(adds, needs, needs.length() - 1));
        }
        return List.copyOf(lines.values());
    }

    private static int[] linesAt(List<WarmLine> lines, Predicate<WarmLine> has) {
        return IntStream.range(0, lines.size())
                .filter(w -> has.test(lines.get(w)))
                .toArray();
    }

    /** Whether a half is touched on both walks of one pass: what comes first there is not the order of the steps. */
    private boolean mixed(Half half) {
        boolean first = false;
        boolean second = false;
        for (var place : places) {
            first |= place.one != null && place.one.touches(half);
            second |= place.two != null && place.two.touches(half);
            if (first && second) return true;
            if (place.closes) {
                first = false;
                second = false;
            }
        }
        return false;
    }

    /**
     * The greatest common measure of all values of all items (Euclid, on numbers taken as equal within 1e-7): a plan that beats another
     * does so by this much.
     */
    private double grain() {
        double measure = 0;
        for (var item : items)
            for (double value : item.value) {
                double a = value;
                while (a > 1e-7) {
                    double rest = measure % a;
                    if (a - rest < 1e-7) rest = 0;
                    measure = a;
                    a = rest;
                }
            }
        return Math.max(measure, 2 * EPS);
    }

    /** Places below n stand for the first side, from n on for the second, below 0 for the start. */
    private Place.@Nullable Visit visit(int from) {
        if (from < 0) return null;
        return from < size() ? places.get(from).one : places.get(from - size()).two;
    }

    /** Seconds lost between two places by turning, by the sheet and by walking. */
    double between(int from, int to) {
        var row = betweens[from + 1];
        if (Double.isNaN(row[to])) {
            var last = visit(from);
            row[to] = Sums.of(Timeline.between(
                            last == null ? null : last.stint(),
                            Objects.requireNonNull(visit(to)).stint(),
                            profile)
                    .values()
                    .stream()
                    .mapToDouble(Double::doubleValue));
        }
        return row[to];
    }

    /** Where the hands are, packed: {@code from} and {@code second} by the kind of the visit, {@code entry} by item. */
    long hands(int from, int entry, int second) {
        var last = visit(from);
        var other = second < 0 ? null : visit(size() + second);
        long at = last == null ? 0 : last.kind() + 1;
        return (at << 40) | (long) (entry + 1) << 20 | (other == null ? 0 : other.kind() + 1);
    }
}
