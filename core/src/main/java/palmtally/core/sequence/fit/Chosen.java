package palmtally.core.sequence.fit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Stint;
import palmtally.core.technique.Dose;

/** A plan that was found: the level of each item, 0 for dropped. */
record Chosen(int[] levels, double value, Sequence plan) {
    /** The sequence with these levels: dropped steps and links to them gone, both sides alike. */
    static Sequence applied(Sequence sequence, List<Item> items, int[] levels) {
        var dropped = new HashSet<String>();
        var doses = new LinkedHashMap<String, Dose>();
        for (int i = 0; i < levels.length; i++)
            if (levels[i] == 0) dropped.add(items.get(i).step.id());
            else doses.put(items.get(i).step.id(), items.get(i).doses.get(levels[i] - 1));
        if (doses.isEmpty()) return sequence;
        var blocks = new ArrayList<Block>();
        for (var block : sequence.blocks()) {
            var steps = block.steps().stream()
                    .filter(s -> !dropped.contains(s.id()))
                    .map(s -> fitted(s, doses, dropped))
                    .toList();
            if (!steps.isEmpty()) blocks.add(block.withSteps(steps));
            else if (parts(blocks, sequence, block))
                blocks.add(new Block(block.id(), block.name(), block.order(), Block.Repeat.ONCE, steps));
        }
        if (blocks.get(blocks.size() - 1).steps().isEmpty()) blocks.remove(blocks.size() - 1);
        return sequence.withBlocks(blocks);
    }

    /** Whether a block that is left empty keeps two passes apart that would otherwise be run through as one. */
    private static boolean parts(List<Block> before, Sequence sequence, Block empty) {
        if (before.isEmpty() || before.get(before.size() - 1).repeat() == Block.Repeat.ONCE) return false;
        if (empty.repeat() == Block.Repeat.ONCE) return true;
        return Stint.turns(before.get(before.size() - 1).position(), empty.position());
    }

    private static Step fitted(Step step, Map<String, Dose> doses, Set<String> dropped) {
        var dose = doses.get(step.id());
        double target = step.targetSeconds() != null
                ? step.targetSeconds()
                : step.dose().totalSeconds();
        boolean linked = step.before().stream().anyMatch(dropped::contains);
        if (dose == null || dose.equals(step.dose()) && step.secondSide() == null && !linked) return step;
        return step.with(e -> {
            e.before.removeAll(dropped);
            if (dose.equals(step.dose()) && step.secondSide() == null) return;
            // What was aimed at and what still counts stay known, so that the next fit can give back what this one
            // took.
            if (e.minimumSeconds == null) e.minimumSeconds = step.minimum();
            if (e.targetSeconds == null) e.targetSeconds = target;
            e.dose = dose;
            e.secondSide = null;
        });
    }
}
