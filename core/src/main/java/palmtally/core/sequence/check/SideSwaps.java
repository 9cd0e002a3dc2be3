package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Side;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Timeline.Span;

/**
 * Steps that say a side in a block that is run once are taken as they stand; where that makes the limbs swap at every step, it is said.
 */
@AutoService(Rule.Source.class)
public final class SideSwaps implements Check {
    public static final Rule RULE = new Rule(
            "ORDER-SWAP", Criterion.ORDER, Severity.HINT, "One side is worked through before the other is begun.");

    /** There and back again: two changes may be meant, three are a habit (ours). */
    private static final int MANY = 3;

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        var blocks = plan.sequence.blocks();
        for (int b = 0; b < blocks.size(); b++) {
            if (blocks.get(b).repeat() != Block.Repeat.ONCE) continue;
            int at = b;
            var sided = plan.timeline.spans().stream()
                    .filter(s -> s.stint().block() == at && limb(s))
                    .toList();
            var changes = new ArrayList<Span>();
            @Nullable Span before = null;
            for (var span : sided) {
                if (before != null && before.stint().side() != span.stint().side()) changes.add(span);
                before = span;
            }
            if (changes.size() >= MANY) report(plan, blocks.get(b), sided, changes);
        }
    }

    /** One limb is open: the other one is another sheet. */
    private static boolean limb(Span span) {
        var side = span.stint().side();
        return (side == Side.LEFT || side == Side.RIGHT)
                && span.stint().step().zones().stream()
                        .anyMatch(z ->
                                z.unit() == DrapeUnit.LEG || z.unit() == DrapeUnit.HIP || z.unit() == DrapeUnit.ARM);
    }

    private void report(Plan plan, Block block, List<Span> sided, List<Span> changes) {
        var first = sided.get(0).stint().step();
        var last = sided.get(sided.size() - 1).stint().step();
        boolean each = block.steps().stream().allMatch(s -> s.side() != Sides.LEFT && s.side() != Sides.RIGHT);
        plan.report(
                RULE,
                plan.at(changes.get(0), null, null),
                "In " + block.name() + " the hands change from one side to the other " + changes.size()
                        + " times, from " + plan.number(first).toLowerCase(Locale.ROOT) + " to "
                        + plan.number(last).toLowerCase(Locale.ROOT)
                        + ": the sheet goes with them, and neither side is worked through.",
                "Do all of one side, then the other.",
                each
                        ? new Mend(
                                "Do one side, then the other",
                                s -> s.withBlocks(s.blocks().stream()
                                        .flatMap(x -> x.id().equals(block.id()) ? eachSide(s, x) : Stream.of(x))
                                        .toList()))
                        : null);
    }

    /** The block on each side; what covers at its end is done once, after both. */
    private static Stream<Block> eachSide(Sequence s, Block block) {
        int until = block.steps().size();
        while (until > 1 && block.steps().get(until - 1).phase() == Phase.COVER) until--;
        var worked = new Block(
                block.id(),
                block.name(),
                block.order(),
                Block.Repeat.EACH_SIDE,
                block.steps().subList(0, until));
        if (until == block.steps().size()) return Stream.of(worked);
        var covered = block.steps().subList(until, block.steps().size());
        return Stream.of(
                worked, new Block(s.freshBlockId("close"), "Close", Block.Order.IN_ORDER, Block.Repeat.ONCE, covered));
    }
}
