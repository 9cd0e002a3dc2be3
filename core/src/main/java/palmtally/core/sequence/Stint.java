package palmtally.core.sequence;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.IntFunction;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Position;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.technique.Dose;

/**
 * One step on one side: what a timeline, a demonstration and a practical go through one after another.
 *
 * @param side where the hands are: left, right, midline or both
 * @param second whether this is the second side of a step that is done on each
 * @param dose the dose of this side
 * @param block index of the block in its sequence
 * @param index place in the planned order, from 0
 */
public record Stint(Step step, Side side, boolean second, Dose dose, int block, int index) {
    /** One half of a paired zone, or the whole of an unpaired one (side midline). */
    public record Half(Zone zone, Side side) {
        @Override
        public String toString() {
            return side == Side.MIDLINE ? zone.label() : zone.label() + ", " + side;
        }
    }

    /** Id of this stint within its sequence: the step and the side. */
    public Key key() {
        return new Key(step.id(), side);
    }

    /** Step and side. */
    public record Key(String step, Side side) {}

    /** Every half of a zone that this stint touches. */
    public List<Half> halves() {
        if (step.zones().size() == 1) return halves(step.zones().get(0), side);
        var halves = new ArrayList<Half>();
        for (var zone : step.zones()) halves.addAll(halves(zone, side));
        return halves;
    }

    /** How the client lies: side-lying, the second side is reached by turning over, unless the step says its side itself. */
    public Position position() {
        return second && step.side() == Sides.EACH ? step.position().turnedOver() : step.position();
    }

    /** The halves it touches, and those of the sites that lie in them: what it warms, opens or flushes. */
    public List<Half> over() {
        return over(halves());
    }

    static List<Half> over(List<Half> touched) {
        if (touched.stream().noneMatch(h -> SITED.contains(h.zone()))) return touched;
        var all = new ArrayList<>(touched);
        for (var site : SITES)
            for (var h : touched)
                if (h.zone() == site.within().orElseThrow())
                    for (var half : halves(site, h.side())) if (!all.contains(half)) all.add(half);
        return all;
    }

    /** Zones that lie within another. */
    private static final List<Zone> SITES =
            Arrays.stream(Zone.values()).filter(z -> z.within().isPresent()).toList();

    /** Zones in which another lies. */
    private static final Set<Zone> SITED =
            EnumSet.copyOf(SITES.stream().map(z -> z.within().orElseThrow()).toList());

    /** What work on each side touches, of each zone: asked for each step of each check. */
    private static final Map<Zone, Map<Side, List<Half>>> HALVES = new EnumMap<>(Zone.class);

    static {
        for (var zone : Zone.values()) {
            var of = new EnumMap<Side, List<Half>>(Side.class);
            for (var side : Side.values()) of.put(side, touched(zone, side));
            HALVES.put(zone, of);
        }
    }

    private static List<Half> touched(Zone zone, Side side) {
        if (!zone.paired()) return List.of(new Half(zone, Side.MIDLINE));
        return switch (side) {
            case LEFT, RIGHT -> List.of(new Half(zone, side));
            case BOTH, MIDLINE -> List.of(new Half(zone, Side.LEFT), new Half(zone, Side.RIGHT));
        };
    }

    /** The halves of a zone that work on {@code side} touches. */
    public static List<Half> halves(Zone zone, Side side) {
        return Objects.requireNonNull(HALVES.get(zone)).get(side);
    }

    /**
     * The stints of a sequence in planned order: neighbouring each-side blocks as one pass a side, as long as the client need not be
     * turned between them.
     */
    public static List<Stint> of(Sequence sequence) {
        var stints = new ArrayList<Stint>();
        var first = sequence.firstSide();
        for (var pass : passes(sequence))
            for (var side : List.of(first, first.other()))
                for (int i = 0; i < pass.steps.size(); i++) {
                    var step = pass.steps.get(i);
                    var on = pass.side(step, side, first);
                    if (on != null) add(stints, step, on, on == first.other() && side != first, pass.blocks.get(i));
                }
        return List.copyOf(stints);
    }

    /**
     * Steps that are run through on the first side, then again on the second.
     *
     * @param blocks index of the block of each step
     * @param eachSide whether they come from blocks that are run on each side; if not, it is one step
     */
    public record Pass(List<Step> steps, List<Integer> blocks, boolean eachSide) {
        /** The side a step is done on while the hands are on {@code side}, or null where it has no place then. */
        @Nullable
        public Side side(Step step, Side side, Side first) {
            return switch (step.side()) {
                case EACH -> side;
                case LEFT, RIGHT -> {
                    var own = Side.valueOf(step.side().name());
                    yield (eachSide ? own == side : side == first) ? own : null;
                }
                case MIDLINE, BOTH -> side == first ? Side.valueOf(step.side().name()) : null;
            };
        }
    }

    /** The passes of a sequence: each step of a block that is run once is a pass of its own. */
    public static List<Pass> passes(Sequence sequence) {
        return passes(sequence, b -> sequence.blocks().get(b).position());
    }

    /** @param lying how all of a block lies, by its index; null where it turns within or has no step */
    public static List<Pass> passes(Sequence sequence, IntFunction<@Nullable Position> lying) {
        var passes = new ArrayList<Pass>();
        var blocks = sequence.blocks();
        for (int b = 0; b < blocks.size(); ) {
            if (blocks.get(b).repeat() == Block.Repeat.ONCE) {
                for (var step : blocks.get(b).steps()) passes.add(new Pass(List.of(step), List.of(b), false));
                b++;
                continue;
            }
            var steps = new ArrayList<Step>();
            var of = new ArrayList<Integer>();
            int start = b;
            while (b < blocks.size()
                    && blocks.get(b).repeat() == Block.Repeat.EACH_SIDE
                    && (b == start || !turns(lying.apply(b - 1), lying.apply(b)))) {
                for (var step : blocks.get(b).steps()) {
                    steps.add(step);
                    of.add(b);
                }
                b++;
            }
            passes.add(new Pass(steps, of, true));
        }
        return passes;
    }

    /** Whether the client is turned between two blocks: then both sides of the first are done before. */
    public static boolean turns(@Nullable Position first, @Nullable Position then) {
        return first != null && then != null && first != then;
    }

    private static void add(List<Stint> stints, Step step, Side side, boolean second, int block) {
        var dose = second && step.secondSide() != null ? step.secondSide() : step.dose();
        stints.add(new Stint(step, side, second, dose, block, stints.size()));
    }
}
