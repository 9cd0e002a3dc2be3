package palmtally.core.sequence;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;
import palmtally.core.finding.Finding;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Fit.Box;
import palmtally.core.sequence.Fit.Chosen;
import palmtally.core.sequence.Fit.Item;
import palmtally.core.sequence.Stint.Half;

/**
 * The search behind {@link Fit}.
 *
 * <p><b>Relaxed problem.</b> Walk the steps in planned order and decide for each whether it is kept and at which dose. What matters
 * for the rest of the way is the time so far, the value so far, the stint the hands come from (on the first side, and on the second,
 * which is walked along with it), which halves carry lubricant, how long each half has been warmed, and which steps with linked
 * partners were kept. Of two partial plans that agree in the rest, one that takes no less time, is worth no more and has warmed no
 * longer is dropped; so is one that cannot beat the best known plan by {@link Bounds}. Left out, and so never too strict: waiting for heat, and lubricant on the second side
 * that a step for both sides brings.
 *
 * <p><b>Exactness.</b> The best relaxed plan is put on the real timeline and before the checks. If they refuse it, the choices are
 * split on a step that has to do with the refusal; the part with the best bound is looked at next.
 */
final class FitSearch {
    private static final int MOST_BOXES = 400;
    private static final int MOST_LABELS = 3_000_000;
    /** How many partial plans the first, narrow walk keeps: the better the plan it finds, the more the full one may drop. */
    static final int FIRST_WIDTH = 1000;

    private static final double EPS = 1e-9;

    private final Sequence sequence;
    private final Profile profile;
    private final List<Item> items;
    private final int n;
    private final int firstWidth;
    private final List<Finding> allowed;
    private boolean proven = true;

    // Structure of the walk
    private final Stint[] one;
    private final @Nullable Stint[] two;
    /** Whether an item is the last of its pass: the second side then joins the first. */
    private final boolean[] closes;

    private final double[] fixedOne;
    private final double[] fixedTwo;
    private final List<Half> oilHalves = new ArrayList<>();
    private final long[] oilOne;
    private final long[] oilTwo;
    private final boolean[] freeOilTwo;
    private final long[] oilLater;
    /** Partners: pairs (first, then) of items where a kept {@code then} needs a kept {@code first}. */
    private final List<int[]> partners = new ArrayList<>();

    private final BitSet[] openPartners;
    private final List<WarmLine> warmLines;
    private final int[] classOne;
    private final int[] classTwo;
    private final boolean[] resting;
    /** Transitions already asked for, by the place before (from 1; 0 is the start) and the place after. */
    private final double[][] betweens;
    /** Warm-up lines that an item needs, adds to, or is the last of. */
    private final int[][] needsAt;

    private final int[][] addsAt;
    private final int[][] lastAt;
    private final double grain;

    /** The warm-up of one half: which items add to it and which need it. */
    private record WarmLine(BitSet adds, BitSet needs, int last) {}

    FitSearch(Sequence sequence, Profile profile, List<Item> items, int firstWidth) {
        this.sequence = sequence;
        this.profile = profile;
        this.items = items;
        this.firstWidth = firstWidth;
        n = items.size();
        allowed = Fit.grave(sequence, profile);
        one = new Stint[n];
        two = new Stint[n];
        closes = new boolean[n];
        fixedOne = new double[n];
        fixedTwo = new double[n];
        oilOne = new long[n];
        oilTwo = new long[n];
        freeOilTwo = new boolean[n];
        oilLater = new long[n + 1];
        openPartners = new BitSet[n];
        classOne = new int[n];
        classTwo = new int[n];
        resting = new boolean[n];
        layOut();
        link();
        warmLines = warm();
        betweens = new double[2 * n + 1][2 * n];
        for (var row : betweens) Arrays.fill(row, Double.NaN);
        needsAt = linesAt((line, i) -> line.needs.get(i));
        addsAt = linesAt((line, i) -> line.adds.get(i) && !line.needs.get(i));
        lastAt = linesAt((line, i) -> line.last == i);
        grain = grain();
    }

    /**
     * The least by which two plans can differ in value, if they differ: the greatest common measure of all values of all items
     * (Euclid, on numbers taken as equal within 1e-7). A plan that beats another does so by this much.
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

    private int[][] linesAt(BiPredicate<WarmLine, Integer> has) {
        var lines = new int[n][];
        for (int i = 0; i < n; i++) {
            int at = i;
            lines[i] = IntStream.range(0, warmLines.size())
                    .filter(w -> has.test(warmLines.get(w), at))
                    .toArray();
        }
        return lines;
    }

    boolean proven() {
        return proven;
    }

    private void layOut() {
        var first = sequence.firstSide();
        int i = 0;
        for (var pass : Stint.passes(sequence)) {
            int start = i;
            var bothOil = new HashSet<Half>();
            for (var step : pass.steps()) {
                var here = pass.side(step, first, first);
                var there = pass.side(step, first.other(), first);
                if (here != null) one[i] = stint(step, here, false, i);
                if (there != null) two[i] = stint(step, there, true, i);
                resting[i] = step.library().stroke().passiveModality();
                long questions = step.say().stream()
                        .filter(s -> s.asks() || s.kind() == SayKind.CONSENT)
                        .count();
                fixedOne[i] =
                        one[i] == null ? 0 : questions * profile.transitions().question();
                fixedTwo[i] =
                        two[i] == null ? 0 : questions * profile.transitions().question();
                if (step.lubricant() != Lubricant.DRY) {
                    oilOne[i] = oil(one[i]);
                    oilTwo[i] = oil(two[i]);
                    if (one[i] != null && (here == Side.BOTH || here == Side.MIDLINE)) bothOil.addAll(one[i].halves());
                }
                i++;
            }
            closes[i - 1] = true;
            for (int k = start; k < i; k++)
                freeOilTwo[k] = two[k] != null && two[k].halves().stream().anyMatch(bothOil::contains);
        }
        for (int k = n - 1; k >= 0; k--) oilLater[k] = oilLater[k + 1] | oilOne[k] | oilTwo[k];
        var classes = new HashMap<Object, Integer>();
        for (int k = 0; k < n; k++) {
            classOne[k] = classOf(classes, one[k]);
            classTwo[k] = classOf(classes, two[k]);
        }
    }

    private static Stint stint(Step step, Side side, boolean second, int index) {
        return new Stint(step, side, second, step.dose(), 0, index);
    }

    /** Stints of one class cost the same whatever follows them. */
    private static int classOf(Map<Object, Integer> classes, @Nullable Stint s) {
        if (s == null) return -1;
        var key = List.of(
                s.step().position(),
                Timeline.unitsOpenedBy(s),
                s.side(),
                s.step().zones().get(0).region());
        return classes.computeIfAbsent(key, k -> classes.size());
    }

    /** Bits of the halves a stint oils. Beyond 64 halves the rest is not kept apart, which can only make time look shorter. */
    private long oil(@Nullable Stint stint) {
        long bits = 0;
        if (stint == null) return bits;
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

    private void link() {
        var place = new HashMap<String, Integer>();
        for (int i = 0; i < n; i++) place.put(items.get(i).step.id(), i);
        for (int i = 0; i < n; i++)
            for (var to : items.get(i).step.before())
                partners.add(new int[] {i, Objects.requireNonNull(place.get(to))});
        // A prerequisite of the profile that only one step can meet is as good as an own link.
        for (var row : PrerequisiteChecks.BEFORE) {
            if (profile.severity(row.rule()) == Severity.OFF) continue;
            for (int j = 0; j < n; j++) {
                var then = items.get(j).step;
                if (!row.then().test(then) || broken(row.rule())) continue;
                int only = -1;
                int count = 0;
                for (int i = 0; i < j; i++)
                    if (row.first().test(items.get(i).step) && row.shared().by(items.get(i).step, then)) {
                        only = i;
                        count++;
                    }
                if (count == 1) partners.add(new int[] {only, j});
            }
        }
        for (int i = 0; i < n; i++) {
            openPartners[i] = new BitSet();
            for (var p : partners)
                if (Math.min(p[0], p[1]) <= i && Math.max(p[0], p[1]) > i) openPartners[i].set(Math.min(p[0], p[1]));
        }
    }

    private List<WarmLine> warm() {
        var lines = new LinkedHashMap<List<BitSet>, WarmLine>();
        if (profile.severity(Rule.ORDER_WARM) != Severity.STOP) return List.of();
        int firm = profile.order().firmDepth();
        var halves = new LinkedHashSet<Half>();
        for (int i = 0; i < n; i++) {
            if (one[i] != null) halves.addAll(one[i].halves());
            if (two[i] != null) halves.addAll(two[i].halves());
        }
        for (var half : halves) {
            if (mixed(half)) continue;
            var adds = new BitSet(n);
            var needs = new BitSet(n);
            int last = -1;
            for (int i = 0; i < n; i++) {
                var step = items.get(i).step;
                if (!touches(one[i], half) && !touches(two[i], half)) continue;
                if (step.depth() >= firm) {
                    needs.set(i);
                    last = i;
                } else if (step.calms(firm)) adds.set(i);
            }
            if (last >= 0 && !cold(needs)) lines.putIfAbsent(List.of(adds, needs), new WarmLine(adds, needs, last));
        }
        return List.copyOf(lines.values());
    }

    private static boolean touches(@Nullable Stint stint, Half half) {
        return stint != null && stint.halves().contains(half);
    }

    /** Whether a half is touched on both walks of one pass: what comes first there is not the order of the steps. */
    private boolean mixed(Half half) {
        boolean first = false;
        boolean second = false;
        for (int i = 0; i < n; i++) {
            first |= touches(one[i], half);
            second |= touches(two[i], half);
            if (first && second) return true;
            if (closes[i]) {
                first = false;
                second = false;
            }
        }
        return false;
    }

    /** Whether the plan as it is breaks a rule already: the checks then count, and nothing is asked beforehand. */
    private boolean broken(Rule rule) {
        return allowed.stream().anyMatch(f -> f.rule() == rule);
    }

    private boolean cold(BitSet firm) {
        return allowed.stream()
                .anyMatch(f -> f.rule() == Rule.ORDER_WARM
                        && firm.stream()
                                .anyMatch(i ->
                                        items.get(i).step.id().equals(f.where().step())));
    }

    // ---- the search over boxes --------------------------------------------------------------------------------------

    @Nullable
    Chosen best(double slot) {
        var low = new int[n];
        var high = new int[n];
        for (int i = 0; i < n; i++) {
            low[i] = items.get(i).must() ? 1 : 0;
            high[i] = items.get(i).doses.size();
        }
        var open = Box.queue();
        var root = solve(new Box(low, high, Double.POSITIVE_INFINITY, low), slot, true);
        if (root != null) open.add(root);
        for (int looked = 0; !open.isEmpty(); looked++) {
            var box = open.poll();
            var plan = Fit.applied(sequence, items, box.best());
            var refused = refusal(plan, box.best(), slot);
            if (refused == null) return new Chosen(box.best(), box.bound(), plan);
            if (looked >= MOST_BOXES) {
                proven = false;
                return null;
            }
            for (var part : split(box, refused)) {
                var solved = solve(part, slot, true);
                if (solved != null) open.add(solved);
            }
        }
        return null;
    }

    /** The least time in which everything that must be kept can be done without a new stop, seconds. */
    double leastSeconds() {
        var low = new int[n];
        var high = new int[n];
        for (int i = 0; i < n; i++) {
            low[i] = items.get(i).must() ? 1 : 0;
            high[i] = items.get(i).doses.size();
        }
        var solved = solve(new Box(low, high, Double.POSITIVE_INFINITY, low), Double.POSITIVE_INFINITY, false);
        return solved == null
                ? 0
                : Timeline.of(Fit.applied(sequence, items, solved.best()), profile)
                        .totalSeconds();
    }

    /** Items that have to do with why a plan is refused, likeliest first; null where it is accepted. */
    private @Nullable List<Integer> refusal(Sequence plan, int[] levels, double slot) {
        if (Arrays.stream(levels).allMatch(l -> l == 0)) return order(levels, Set.of());
        if (Timeline.of(plan, profile).totalSeconds() > slot + 1e-6) return order(levels, Set.of());
        var now = Fit.grave(plan, profile);
        var fresh = Fit.added(now, allowed);
        if (fresh.isEmpty()) return null;
        var steps = new HashSet<String>();
        for (var f : now)
            if (fresh.contains(f.rule()) && f.where().step() != null)
                steps.add(f.where().step());
        return order(levels, steps);
    }

    private List<Integer> order(int[] levels, Set<String> steps) {
        var all = new ArrayList<Integer>();
        for (int i = 0; i < n; i++) all.add(i);
        var named = items.stream()
                .map(x -> x.step)
                .filter(s -> steps.contains(s.id()))
                .toList();
        all.sort(Comparator.comparingInt((Integer i) -> {
            var step = items.get(i).step;
            boolean near = named.stream().anyMatch(s -> PrerequisiteChecks.Shared.REGION.by(s, step));
            int rank = steps.contains(step.id()) ? 1 : levels[i] == 0 ? 0 : 2;
            return rank + (near ? 0 : 3);
        }));
        return all;
    }

    private static List<Box> split(Box box, List<Integer> order) {
        for (int i : order) {
            if (box.low()[i] == box.high()[i]) continue;
            int at = box.best()[i];
            var parts = new ArrayList<Box>();
            for (var part : new @Nullable Box[] {
                box.with(i, at, at), box.with(i, box.low()[i], at - 1), box.with(i, at + 1, box.high()[i])
            }) if (part != null) parts.add(part);
            return parts;
        }
        return List.of();
    }

    // ---- the relaxed problem ----------------------------------------------------------------------------------------

    private static final class Label {
        final double time;
        final double value;
        final int from;
        final int entry;
        final int second;
        final long oiled;
        final BitSet kept;
        final double[] warm;
        final int level;
        final @Nullable Label before;

        Label(
                double time,
                double value,
                int from,
                int entry,
                int second,
                long oiled,
                BitSet kept,
                double[] warm,
                int level,
                @Nullable Label before) {
            this.time = time;
            this.value = value;
            this.from = from;
            this.entry = entry;
            this.second = second;
            this.oiled = oiled;
            this.kept = kept;
            this.warm = warm;
            this.level = level;
            this.before = before;
        }
    }

    /** What must agree for two labels, or two ways on, to be compared: compared often, so packed and hashed once. */
    private static final class Key {
        private final long[] words;
        private final int hash;

        Key(long... words) {
            this.words = words;
            long mixed = 0;
            for (long w : words) mixed = (mixed ^ w) * 0x9E3779B97F4A7C15L ^ mixed >>> 29;
            hash = (int) (mixed >>> 32);
        }

        @Override
        public int hashCode() {
            return hash;
        }

        @Override
        public boolean equals(@Nullable Object other) {
            return other instanceof Key key && Arrays.equals(words, key.words);
        }
    }

    private @Nullable Box solve(Box box, double slot, boolean byValue) {
        var bounds = byValue ? new Bounds(box, slot) : null;
        double floor = Double.NEGATIVE_INFINITY;
        @Nullable Label best = null;
        if (bounds != null) {
            // A narrow first walk gives a plan to beat.
            best = walk(box, slot, bounds, floor, firstWidth, true);
            if (best != null) floor = best.value;
        }
        var full = walk(box, slot, bounds, floor, Integer.MAX_VALUE, byValue);
        if (full != null && (best == null || !byValue || full.value > best.value - EPS)) best = full;
        if (best == null) return null;
        var levels = new int[n];
        int i = n;
        for (var l = best; l.before != null; l = l.before) levels[--i] = l.level;
        return new Box(box.low(), box.high(), best.value, levels);
    }

    private @Nullable Label walk(
            Box box, double slot, @Nullable Bounds bounds, double floor, int width, boolean byValue) {
        double need = profile.order().warmUpSeconds();
        var now = new ArrayList<Label>();
        now.add(new Label(0, 0, -1, -1, -1, 0, new BitSet(), new double[warmLines.size()], 0, null));
        long made = 0;
        for (int i = 0; i < n; i++) {
            var fronts = new HashMap<Key, List<Label>>();
            for (var label : now)
                for (int level = box.low()[i]; level <= box.high()[i]; level++) {
                    var next = extended(label, i, level, need, byValue);
                    if (next == null || next.time > slot + 1e-6) continue;
                    if (bounds != null && bounds.of(next, i + 1, slot) < floor + grain - EPS) continue;
                    fronts.computeIfAbsent(key(next), k -> new ArrayList<>()).add(next);
                    made++;
                }
            if (made > MOST_LABELS && width == Integer.MAX_VALUE) {
                proven = false;
                return null;
            }
            now = new ArrayList<>();
            for (var front : fronts.values()) addBest(now, front);
            if (now.size() > width) {
                int at = i + 1;
                now.sort(Comparator.comparingDouble((Label l) -> bounds == null ? l.time : -bounds.of(l, at, slot)));
                now = new ArrayList<>(now.subList(0, width));
            }
        }
        return now.stream()
                .min(
                        byValue
                                ? Comparator.comparingDouble((Label l) -> -l.value)
                                        .thenComparingDouble(l -> l.time)
                                : Comparator.comparingDouble((Label l) -> l.time))
                .orElse(null);
    }

    /** Of labels that agree in the rest: quicker first, each worth more than all before it. */
    private static void addBest(List<Label> all, List<Label> front) {
        front.sort(Comparator.comparingDouble((Label l) -> l.time).thenComparingDouble(l -> -l.value));
        double best = Double.NEGATIVE_INFINITY;
        for (var l : front)
            if (l.value > best + EPS) {
                best = l.value;
                all.add(l);
            }
    }

    /** {@code from} and {@code second} by class, {@code entry} by item; then the oiled halves, what is kept, and the warm-ups. */
    private Key key(Label l) {
        var kept = l.kept.toLongArray();
        var words = new long[2 + kept.length + l.warm.length];
        words[0] = place(l.from, l.entry, l.second);
        words[1] = l.oiled;
        System.arraycopy(kept, 0, words, 2, kept.length);
        for (int w = 0; w < l.warm.length; w++) words[2 + kept.length + w] = Double.doubleToRawLongBits(l.warm[w]);
        return new Key(words);
    }

    private long place(int from, int entry, int second) {
        long at = from < 0 ? 0 : classOf(from) + 1;
        return (at << 40) | (long) (entry + 1) << 20 | (second < 0 ? 0 : classTwo[second] + 1);
    }

    /** Places below n stand for the first side, from n on for the second. */
    private int classOf(int from) {
        return from < n ? classOne[from] : classTwo[from - n];
    }

    private @Nullable Stint stintAt(int from) {
        return from < 0 ? null : from < n ? one[from] : two[from - n];
    }

    private double between(int from, int to) {
        var row = betweens[from + 1];
        if (Double.isNaN(row[to]))
            row[to] = Timeline.between(stintAt(from), Objects.requireNonNull(stintAt(to)), profile).values().stream()
                    .mapToDouble(Double::doubleValue)
                    .sum();
        return row[to];
    }

    private @Nullable Label extended(Label l, int i, int level, double need, boolean byValue) {
        var item = items.get(i);
        double time = l.time;
        double value = l.value;
        int from = l.from;
        int entry = l.entry;
        int second = l.second;
        long oiled = l.oiled;
        var warm = l.warm;
        if (level > 0) {
            double dose = resting[i] ? 0 : item.seconds[level - 1];
            if (byValue) value += item.value[level - 1];
            if (one[i] != null) {
                time += between(from, i) + fixedOne[i] + dose;
                if ((oilOne[i] & ~oiled) != 0) time += profile.transitions().lubricant();
                oiled |= oilOne[i];
                from = i;
            }
            if (two[i] != null) {
                time += (entry < 0 ? 0 : between(n + second, n + i)) + fixedTwo[i] + dose;
                if (!freeOilTwo[i] && (oilTwo[i] & ~oiled) != 0)
                    time += profile.transitions().lubricant();
                oiled |= oilTwo[i];
                if (entry < 0) entry = i;
                second = i;
            }
            for (int w : needsAt[i]) if (warm[w] < need - EPS) return null;
            if (needsAt[i].length + addsAt[i].length > 0) {
                warm = warm.clone();
                for (int w : needsAt[i]) warm[w] = need;
                for (int w : addsAt[i]) warm[w] = Math.min(need, warm[w] + item.seconds[level - 1]);
            }
        }
        for (int w : lastAt[i])
            if (warm[w] != need) {
                if (warm == l.warm) warm = warm.clone();
                warm[w] = need;
            }
        var kept = l.kept;
        if (!partners.isEmpty()) {
            for (var p : partners) {
                if (Math.max(p[0], p[1]) != i) continue;
                boolean first = p[0] == i ? level > 0 : kept.get(p[0]);
                boolean then = p[1] == i ? level > 0 : kept.get(p[1]);
                if (then && !first) return null;
            }
            kept = (BitSet) kept.clone();
            if (level > 0) kept.set(i);
            kept.and(openPartners[i]);
        }
        if (closes[i] && entry >= 0) {
            time += between(from, n + entry);
            from = n + second;
            entry = -1;
            second = -1;
        }
        oiled &= oilLater[i + 1];
        return new Label(time, value, from, entry, second, oiled, kept, warm, level, l);
    }

    /**
     * What a partial plan can still be worth: its value, and for the rest of the way the best of Σ value − λ · seconds, with every
     * turn, sheet, walk and lubricant in it, plus λ times the seconds that are left (Lagrange; valid for any λ ≥ 0). λ is the price of
     * a second at which the whole bound is lowest. Warm-up and links are left out of the rest of the way.
     */
    private final class Bounds {
        private static final int MOST_STATES = 150_000;

        private final Box box;
        private final double[] mustSeconds = new double[n + 1];
        private final double[] gain = new double[n];
        private double price;
        private boolean withOil = true;
        private Map<Key, Double> known = new HashMap<>();

        Bounds(Box box, double slot) {
            this.box = box;
            for (int i = n - 1; i >= 0; i--) {
                int sides = (one[i] == null ? 0 : 1) + (two[i] == null ? 0 : 1);
                double least = box.low()[i] == 0 || resting[i] ? 0 : sides * items.get(i).seconds[box.low()[i] - 1];
                mustSeconds[i] = mustSeconds[i + 1] + least + (box.low()[i] == 0 ? 0 : fixedOne[i] + fixedTwo[i]);
            }
            double low = 0;
            double high = 2;
            if (total(high / 2, slot) < total(high, slot)) {
                // Convex in the price: narrow down on its lowest point.
                for (int round = 0; round < 18; round++) {
                    double a = low + (high - low) / 3;
                    double b = high - (high - low) / 3;
                    if (total(a, slot) <= total(b, slot)) high = b;
                    else low = a;
                }
            }
            total((low + high) / 2, slot);
        }

        private double total(double at, double slot) {
            price = at;
            known = new HashMap<>();
            for (int i = 0; i < n; i++) {
                int sides = (one[i] == null ? 0 : 1) + (two[i] == null ? 0 : 1);
                double best = Double.NEGATIVE_INFINITY;
                for (int level = Math.max(1, box.low()[i]); level <= box.high()[i]; level++)
                    best = Math.max(
                            best,
                            items.get(i).value[level - 1]
                                    - (resting[i] ? 0 : price * sides * items.get(i).seconds[level - 1]));
                gain[i] = best - price * (fixedOne[i] + fixedTwo[i]);
            }
            return price * slot + rest(0, -1, -1, -1, 0);
        }

        double of(Label l, int at, double slot) {
            double left = slot - l.time;
            if (left - mustSeconds[at] < -1e-6) return Double.NEGATIVE_INFINITY;
            return l.value + price * left + rest(at, l.from, l.entry, l.second, l.oiled);
        }

        private double rest(int at, int from, int entry, int second, long oiled) {
            if (at == n) return 0;
            if (!withOil) oiled = 0;
            var way = new Key(at, place(from, entry, second), oiled);
            var had = known.get(way);
            if (had != null) return had;
            double best = Double.NEGATIVE_INFINITY;
            if (box.low()[at] == 0) best = closed(at, from, entry, second, oiled);
            if (box.high()[at] > 0) best = Math.max(best, kept(at, from, entry, second, oiled));
            known.put(way, best);
            if (known.size() > MOST_STATES && withOil) {
                withOil = false;
                known = new HashMap<>();
            }
            return best;
        }

        private double kept(int at, int from, int entry, int second, long oiled) {
            double lost = 0;
            double film = withOil ? profile.transitions().lubricant() : 0;
            int last = from;
            int in = entry;
            int there = second;
            long wet = oiled;
            if (one[at] != null) {
                lost += between(last, at) + ((oilOne[at] & ~wet) != 0 ? film : 0);
                wet |= oilOne[at];
                last = at;
            }
            if (two[at] != null) {
                lost += (in < 0 ? 0 : between(n + there, n + at))
                        + (!freeOilTwo[at] && (oilTwo[at] & ~wet) != 0 ? film : 0);
                wet |= oilTwo[at];
                if (in < 0) in = at;
                there = at;
            }
            return gain[at] - price * lost + closed(at, last, in, there, wet);
        }

        /** The way on after a place, across to the second side where its pass ends. */
        private double closed(int at, int from, int entry, int second, long oiled) {
            if (closes[at] && entry >= 0) {
                return rest(at + 1, n + second, -1, -1, oiled & oilLater[at + 1]) - price * between(from, n + entry);
            }
            return rest(at + 1, from, entry, second, oiled & oilLater[at + 1]);
        }
    }
}
