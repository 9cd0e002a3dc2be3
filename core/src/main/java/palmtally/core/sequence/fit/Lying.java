package palmtally.core.sequence.fit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Position;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Importance;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;

/**
 * How each block lies once steps are dropped. A block that turns within may turn no more then, and both its sides come before its
 * neighbour's, or with them: in which order steps follow one another is known only once that is.
 *
 * @param blocks by block; null where it turns within
 * @param dropped ids of the steps that must be dropped for it to be so
 */
record Lying(List<@Nullable Position> blocks, Set<String> dropped) {
    private static final int MOST = 64;

    /** As it is planned. */
    static Lying planned(Sequence sequence) {
        return new Lying(
                sequence.blocks().stream()
                        .<@Nullable Position>map(Block::position)
                        .toList(),
                Set.of());
    }

    /** Every way there is, the planned one first; that one alone where there are too many. */
    static List<Lying> all(Sequence sequence) {
        var all = new ArrayList<Lying>();
        all.add(planned(sequence));
        if (!few(sequence)) return all;
        var blocks = sequence.blocks();
        for (int b = 0; b < blocks.size(); b++)
            if (matters(blocks, b))
                for (var way : List.copyOf(all)) {
                    for (var position : Position.values()) all.addAll(way.with(blocks, b, position));
                    all.addAll(way.with(blocks, b, null));
                }
        return all;
    }

    /** Whether there are at most {@value #MOST} ways: all are tried then. */
    static boolean few(Sequence sequence) {
        var blocks = sequence.blocks();
        double ways = 1;
        for (int b = 0; b < blocks.size(); b++)
            if (matters(blocks, b))
                ways *= 2
                        + blocks.get(b).steps().stream()
                                .map(Step::position)
                                .distinct()
                                .count();
        return ways <= MOST;
    }

    /** Whether it depends on how a block lies where its second side comes: it turns within, and a neighbour is done on each side too. */
    static boolean matters(List<Block> blocks, int b) {
        return each(blocks, b) && blocks.get(b).position() == null && (each(blocks, b - 1) || each(blocks, b + 1));
    }

    private static boolean each(List<Block> blocks, int b) {
        return b >= 0 && b < blocks.size() && blocks.get(b).repeat() == Block.Repeat.EACH_SIDE;
    }

    /** Block b all in one position, or with null all dropped; nothing where a step that must be kept lies otherwise. */
    private List<Lying> with(List<Block> blocks, int b, @Nullable Position position) {
        var steps = blocks.get(b).steps();
        if (position != null && steps.stream().noneMatch(s -> s.position() == position)) return List.of();
        var off = steps.stream().filter(s -> s.position() != position).toList();
        if (off.stream().anyMatch(s -> s.importance() == Importance.MUST)) return List.of();
        var lying = new ArrayList<>(blocks());
        // Dropped altogether it parts nothing: it lies as its neighbour does.
        lying.set(b, position != null || !each(blocks, b - 1) ? position : lying.get(b - 1));
        var gone = new HashSet<>(dropped);
        off.stream().map(Step::id).forEach(gone::add);
        return List.of(new Lying(lying, gone));
    }
}
