package palmtally.core.sequence;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Region;
import palmtally.core.body.Side;
import palmtally.core.profile.DrapeMethod;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;

/**
 * A planned sequence. Immutable: an edit returns another.
 *
 * @param region where it is taught and tracked
 * @param slotSeconds time it has, both sides together
 * @param table how high the table stands, or null where it is not said
 * @param forWhom whom it is for; empty for anybody
 * @param firstSide side that each-side blocks begin with, left or right
 */
public record Sequence(
        String id,
        String name,
        Region region,
        double slotSeconds,
        Side firstSide,
        String note,
        @Nullable TableHeight table,
        Set<ForWhom> forWhom,
        List<Block> blocks) {
    /** More steps than this are taken for a mistake. */
    public static final int MOST_STEPS = 500;

    /** Letters of its note. */
    public static final int MOST_NOTE = 4000;

    /**
     * @throws InvalidValue naming every fault: no block, too many steps, an id used twice, a before link to nowhere, a cycle of
     *     before links
     */
    public Sequence {
        blocks = List.copyOf(blocks);
        forWhom = forWhom.isEmpty() ? Set.of() : Collections.unmodifiableSet(EnumSet.copyOf(forWhom));
        var faults = new ArrayList<Fault>();
        if (id.isBlank() || id.length() > 64) faults.add(new Fault("id", id, "must be 1 to 64 characters"));
        if (name.isBlank() || name.length() > 200) faults.add(new Fault("name", name, "must be 1 to 200 characters"));
        if (note.length() > MOST_NOTE)
            faults.add(
                    new Fault("note", note.length() + " characters", "must be at most " + MOST_NOTE + " characters"));
        if (!(slotSeconds > 0 && slotSeconds <= 14400))
            faults.add(new Fault("slotSeconds", String.valueOf(slotSeconds), "must be above 0 and at most 14400"));
        if (firstSide != Side.LEFT && firstSide != Side.RIGHT)
            faults.add(new Fault("firstSide", firstSide.toString(), "must be left or right"));
        int count = blocks.stream().mapToInt(b -> b.steps().size()).sum();
        if (count == 0) faults.add(new Fault("blocks", "[]", "needs at least one step"));
        if (count > MOST_STEPS)
            faults.add(new Fault(
                    "blocks",
                    count + " steps",
                    "must hold at most " + MOST_STEPS + " steps. Maybe split it into several sequences"));
        else faults.addAll(linkFaults(blocks));
        if (!faults.isEmpty()) throw new InvalidValue("sequence", faults);
        blocks = oneMeaning(blocks);
    }

    /** One for anybody. */
    public Sequence(
            String id,
            String name,
            Region region,
            double slotSeconds,
            Side firstSide,
            String note,
            @Nullable TableHeight table,
            List<Block> blocks) {
        this(id, name, region, slotSeconds, firstSide, note, table, Set.of(), blocks);
    }

    /** An id means one technique throughout: that of the first step that names it. */
    private static List<Block> oneMeaning(List<Block> blocks) {
        var meant = meant(blocks);
        boolean agree = blocks.stream()
                .allMatch(b -> b.steps().stream()
                        .allMatch(s ->
                                s.technique().equals(meant.get(s.technique().id()))));
        if (agree) return blocks;
        return blocks.stream()
                .map(b -> b.withSteps(b.steps().stream()
                        .map(s -> s.with(e ->
                                e.technique = meant.getOrDefault(s.technique().id(), s.technique())))
                        .toList()))
                .toList();
    }

    private static Map<String, Technique> meant(List<Block> blocks) {
        var meant = new LinkedHashMap<String, Technique>();
        for (var block : blocks)
            for (var step : block.steps()) meant.putIfAbsent(step.technique().id(), step.technique());
        return meant;
    }

    /** The techniques it was made with, in the order of their first steps. */
    public List<Technique> techniques() {
        return List.copyOf(meant(blocks).values());
    }

    private static List<Fault> linkFaults(List<Block> blocks) {
        var faults = new ArrayList<Fault>();
        var place = new LinkedHashMap<String, String>();
        var steps = new LinkedHashMap<String, Step>();
        var blockIds = new HashSet<String>();
        for (int b = 0; b < blocks.size(); b++) {
            var block = blocks.get(b);
            if (!blockIds.add(block.id())) faults.add(new Fault("blocks/" + b + "/id", block.id(), "is used twice"));
            for (int s = 0; s < block.steps().size(); s++) {
                var step = block.steps().get(s);
                var at = "blocks/" + b + "/steps/" + s;
                if (steps.putIfAbsent(step.id(), step) != null)
                    faults.add(new Fault(at + "/id", step.id(), "is used twice"));
                else place.put(step.id(), at);
            }
        }
        for (var step : steps.values())
            for (int i = 0; i < step.before().size(); i++)
                if (!steps.containsKey(step.before().get(i)))
                    faults.add(new Fault(
                            place.get(step.id()) + "/before/" + i,
                            step.before().get(i),
                            "names no step of this sequence"));
        if (!faults.isEmpty()) return faults;
        var cycle = cycle(steps);
        if (!cycle.isEmpty())
            faults.add(new Fault(
                    place.get(cycle.get(0)) + "/before",
                    String.join(" → ", cycle),
                    "is a cycle: each waits for the other"));
        return faults;
    }

    /** One cycle of before links as ids, first repeated at the end; empty if there is none. Depth-first with an explicit stack. */
    private static List<String> cycle(Map<String, Step> steps) {
        var state = new HashMap<String, Integer>();
        for (var root : steps.keySet()) {
            if (state.containsKey(root)) continue;
            var path = new ArrayList<String>();
            var stack = new ArrayDeque<String>();
            stack.push(root);
            while (!stack.isEmpty()) {
                var id = stack.peek();
                var seen = state.get(id);
                if (seen == null) {
                    state.put(id, 1);
                    path.add(id);
                    for (var next : steps.get(id).before()) {
                        var nextState = state.get(next);
                        if (nextState == null) stack.push(next);
                        else if (nextState == 1) {
                            var found = new ArrayList<>(path.subList(path.indexOf(next), path.size()));
                            found.add(next);
                            return found;
                        }
                    }
                } else {
                    stack.pop();
                    if (seen == 1) {
                        state.put(id, 2);
                        path.remove(path.size() - 1);
                    }
                }
            }
        }
        return List.of();
    }

    /** All steps in the order of the blocks. */
    public List<Step> steps() {
        return blocks.stream().flatMap(b -> b.steps().stream()).toList();
    }

    public Optional<Step> step(String stepId) {
        return steps().stream().filter(s -> s.id().equals(stepId)).findFirst();
    }

    public Sequence withBlocks(List<Block> changed) {
        return new Sequence(id, name, region, slotSeconds, firstSide, note, table, forWhom, changed);
    }

    /** The sequence with one step replaced. */
    public Sequence replacing(String stepId, UnaryOperator<Step> change) {
        return withBlocks(blocks.stream()
                .map(b -> b.withSteps(b.steps().stream()
                        .map(s -> s.id().equals(stepId) ? change.apply(s) : s)
                        .toList()))
                .toList());
    }

    /** The sequence with a step put in front of another, or behind it where {@code offset} is 1. */
    public Sequence inserting(String stepId, Step added, int offset) {
        return withBlocks(blocks.stream()
                .map(b -> {
                    var steps = new ArrayList<>(b.steps());
                    for (int i = 0; i < steps.size(); i++)
                        if (steps.get(i).id().equals(stepId)) {
                            steps.add(i + offset, added);
                            break;
                        }
                    return b.withSteps(steps);
                })
                .toList());
    }

    /** The sequence without these steps, nor links to them; blocks left empty go with them. */
    public Sequence without(Set<String> stepIds) {
        return withBlocks(blocks.stream()
                .map(b -> b.withSteps(b.steps().stream()
                        .filter(s -> !stepIds.contains(s.id()))
                        .map(s -> s.before().stream().anyMatch(stepIds::contains)
                                ? s.with(e -> e.before.removeAll(stepIds))
                                : s)
                        .toList()))
                .filter(b -> !b.steps().isEmpty())
                .toList());
    }

    /** The sequence with what is done on each side done on these sides only. */
    public Sequence onto(Sides sides) {
        if (sides == Sides.EACH) return this;
        return withBlocks(blocks.stream()
                .map(b -> b.withSteps(b.steps().stream()
                        .map(s -> s.side() == Sides.EACH ? s.with(e -> e.side = sides) : s)
                        .toList()))
                .toList());
    }

    /** A technique as a step of it has it, else as it ships; none where neither has it. */
    public Optional<Technique> technique(String id) {
        for (var step : steps()) if (step.technique().id().equals(id)) return Optional.of(step.technique());
        return Techniques.shipped(id);
    }

    /** What a technique is called here; by its id where it is not known. */
    public String techniqueName(String id) {
        return technique(id).map(Technique::name).orElse(id);
    }

    /** The sequence for other bodies. */
    public Sequence meantFor(Set<ForWhom> whom) {
        return new Sequence(id, name, region, slotSeconds, firstSide, note, table, whom, blocks);
    }

    /** The sequence on a table of another height. */
    public Sequence onTable(TableHeight height) {
        return new Sequence(id, name, region, slotSeconds, firstSide, note, height, forWhom, blocks);
    }

    /** The sequence with a step at its end, in a block of its own where the last one is run on each side. */
    public Sequence appending(Step added) {
        var changed = new ArrayList<>(blocks);
        var last = changed.get(changed.size() - 1);
        if (last.repeat() == Block.Repeat.ONCE) {
            var steps = new ArrayList<>(last.steps());
            steps.add(added);
            changed.set(changed.size() - 1, last.withSteps(steps));
        } else
            changed.add(
                    new Block(freshBlockId("close"), "Close", Block.Order.IN_ORDER, Block.Repeat.ONCE, List.of(added)));
        return withBlocks(changed);
    }

    /** The sequence with another way to open the sheet in one of its blocks. */
    public Sequence draping(String blockId, @Nullable DrapeMethod method) {
        return withBlocks(blocks.stream()
                .map(b -> b.id().equals(blockId)
                        ? new Block(b.id(), b.name(), b.order(), b.repeat(), method, b.steps())
                        : b)
                .toList());
    }

    /** An id of this shape that no block has yet. */
    public String freshBlockId(String stem) {
        for (int i = 1; ; i++) {
            var candidate = stem + "-" + i;
            if (blocks.stream().noneMatch(b -> b.id().equals(candidate))) return candidate;
        }
    }

    /** The sequence with a step taken out of its place and put in front of another, or behind it. */
    public Sequence moving(String stepId, String besideId, int offset) {
        var moved = step(stepId).orElseThrow();
        return withBlocks(blocks.stream()
                .map(b -> {
                    var steps = new ArrayList<Step>();
                    for (var s : b.steps()) {
                        if (s.id().equals(besideId) && offset == 0) steps.add(moved);
                        if (!s.id().equals(stepId)) steps.add(s);
                        if (s.id().equals(besideId) && offset == 1) steps.add(moved);
                    }
                    return b.withSteps(steps);
                })
                .filter(b -> !b.steps().isEmpty())
                .toList());
    }

    /** An id of this shape that no step has yet. */
    public String freshId(String stem) {
        var used = new HashSet<String>();
        steps().forEach(s -> used.add(s.id()));
        for (int i = 1; ; i++) if (!used.contains(stem + "-" + i)) return stem + "-" + i;
    }
}
