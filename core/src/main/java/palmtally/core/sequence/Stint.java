package palmtally.core.sequence;

import java.util.ArrayList;
import java.util.List;
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
        var halves = new ArrayList<Half>();
        for (var zone : step.zones()) halves.addAll(halves(zone, side));
        return halves;
    }

    /** The halves of a zone that work on {@code side} touches. */
    public static List<Half> halves(Zone zone, Side side) {
        if (!zone.paired()) return List.of(new Half(zone, Side.MIDLINE));
        return switch (side) {
            case LEFT, RIGHT -> List.of(new Half(zone, side));
            case BOTH, MIDLINE -> List.of(new Half(zone, Side.LEFT), new Half(zone, Side.RIGHT));
        };
    }

    /**
     * The stints of a sequence in planned order: neighbouring each-side blocks as one pass a side, as long as the client need not be
     * turned between them.
     */
    public static List<Stint> of(Sequence sequence) {
        var stints = new ArrayList<Stint>();
        var blocks = sequence.blocks();
        for (int b = 0; b < blocks.size(); ) {
            if (blocks.get(b).repeat() == Block.Repeat.ONCE) {
                for (var step : blocks.get(b).steps()) {
                    if (step.side() == Sides.EACH) {
                        add(stints, step, sequence.firstSide(), false, b);
                        add(stints, step, sequence.firstSide().other(), true, b);
                    } else add(stints, step, Side.valueOf(step.side().name()), false, b);
                }
                b++;
                continue;
            }
            int end = b;
            while (end < blocks.size()
                    && blocks.get(end).repeat() == Block.Repeat.EACH_SIDE
                    && (end == b || !turns(blocks.get(end - 1), blocks.get(end)))) end++;
            for (var side : List.of(sequence.firstSide(), sequence.firstSide().other())) {
                boolean second = side != sequence.firstSide();
                for (int g = b; g < end; g++)
                    for (var step : blocks.get(g).steps())
                        switch (step.side()) {
                            case EACH -> add(stints, step, side, second, g);
                            case LEFT, RIGHT -> {
                                if (step.side().name().equals(side.name())) add(stints, step, side, second, g);
                            }
                            case MIDLINE, BOTH -> {
                                if (!second)
                                    add(stints, step, Side.valueOf(step.side().name()), false, g);
                            }
                        }
            }
            b = end;
        }
        return List.copyOf(stints);
    }

    /** Whether the client is turned between two blocks: then both sides of the first are done before. */
    private static boolean turns(Block a, Block b) {
        var first = a.position();
        var then = b.position();
        return first != null && then != null && first != then;
    }

    private static void add(List<Stint> stints, Step step, Side side, boolean second, int block) {
        var dose = second && step.secondSide() != null ? step.secondSide() : step.dose();
        stints.add(new Stint(step, side, second, dose, block, stints.size()));
    }
}
