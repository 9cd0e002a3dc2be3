package palmtally.core.jot;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Region;
import palmtally.core.body.Side;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.ForWhom;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Techniques;

/** A whole sequence out of the lines of a routine as a teacher wrote it down. */
public final class Written {
    private static final Map<ForWhom, Pattern> FOR_WHOM = new EnumMap<>(Map.of(
            ForWhom.PRENATAL_FIRST, Pattern.compile("\\b(?:first|1st) trimester\\b"),
            ForWhom.PRENATAL_SECOND,
                    Pattern.compile(
                            "\\b(?:second|2nd) trimester\\b|\\b(?:pregnan\\w+|prenatal)\\b(?!.*\\btrimester\\b)"),
            ForWhom.PRENATAL_THIRD, Pattern.compile("\\b(?:third|3rd|last) trimester\\b"),
            ForWhom.BACK_PAIN, Pattern.compile("\\b(?:low back|back|sacroiliac|si joint) pain\\b"),
            ForWhom.NECK_INJURY, Pattern.compile("\\b(?:whiplash|neck injury)\\b"),
            ForWhom.CLOTHED, Pattern.compile("^(?:client |fully |stays )*(?:clothed|dressed)\\b")));

    /** What comes up is not what is. */
    private static final Pattern PERHAPS = Pattern.compile("\\b(?:if|unless|ask|any|when|no|not|never|skip)\\b");

    private Written() {}

    /**
     * What is settled and asked first is its opening and what covers last its end; between them a block begins wherever the client turns.
     * Lines that are no step yet are kept in its note, so that nothing is lost.
     *
     * @throws InvalidValue where no line is a step
     */
    public static Sequence sequence(
            String id, String name, Region region, double slotSeconds, List<String> lines, Techniques library) {
        var jotted = Routine.of(lines, library, n -> "step-" + n, null);
        var steps = new ArrayList<Step>();
        var unread = new ArrayList<String>();
        var first = Side.LEFT;
        for (var j : jotted) {
            if (j.step() != null) steps.add(j.step());
            else if (Routine.repeats(j.line()) && onEach(steps) == Sides.RIGHT) first = Side.RIGHT;
            if (j.asked() != null) unread.add(j.line().strip());
        }
        if (steps.isEmpty())
            throw new InvalidValue(
                    "sequence",
                    new Fault(
                            "lines",
                            lines.size() + " lines",
                            "need one that says what is done where, such as “knead calf 1 min”"));
        var note = unread.isEmpty() ? "" : "Not read yet: " + String.join(" · ", unread);
        return new Sequence(
                id,
                name,
                region,
                slotSeconds,
                first,
                Aside.cut(note, Sequence.MOST_NOTE),
                null,
                forWhom(lines),
                blocks(steps));
    }

    /** Whom it is for, where a line says so: then it is held to what is minded about such a body. */
    private static Set<ForWhom> forWhom(List<String> lines) {
        var all = EnumSet.noneOf(ForWhom.class);
        for (var line : lines) {
            var plain = JotWords.plain(line);
            if (PERHAPS.matcher(plain).find()) continue;
            FOR_WHOM.forEach((whom, words) -> {
                if (words.matcher(plain).find()) all.add(whom);
            });
        }
        return all;
    }

    /**
     * "Other leg, same": what was done on one side, back to where another was worked, is done on each.
     *
     * @return the side that it was written for
     */
    private static @Nullable Sides onEach(List<Step> steps) {
        if (steps.isEmpty()) return null;
        var one = steps.get(steps.size() - 1).side();
        if (one != Sides.LEFT && one != Sides.RIGHT) return null;
        for (int i = steps.size() - 1; i >= 0 && steps.get(i).side() == one; i--)
            steps.set(i, steps.get(i).with(e -> e.side = Sides.EACH));
        return one;
    }

    private static List<Block> blocks(List<Step> steps) {
        int opened = 0;
        while (opened < steps.size() - 1 && opens(steps.get(opened))) opened++;
        int closes = steps.size();
        while (closes > opened && closes(steps.get(closes - 1))) closes--;
        var blocks = new ArrayList<Block>();
        if (opened > 0) blocks.add(block("Open", onBoth(steps.subList(0, opened)), 1));
        for (int from = opened; from < closes; ) {
            var lies = steps.get(from).position();
            int to = from + 1;
            while (to < closes && steps.get(to).position() == lies) to++;
            blocks.add(block("Work, " + lies.toString().replace('-', ' '), steps.subList(from, to), blocks.size() + 1));
            from = to;
        }
        if (closes < steps.size())
            blocks.add(block("Close", onBoth(steps.subList(closes, steps.size())), blocks.size() + 1));
        return blocks;
    }

    /** Hands that rest or look do so on both sides at once; two limbs are not opened for that. */
    private static List<Step> onBoth(List<Step> steps) {
        return steps.stream()
                .map(s -> s.side() != Sides.EACH
                        ? s
                        : s.with(e -> {
                            e.side = Sides.BOTH;
                            if (e.sheet == Sheet.OPEN
                                    && e.zones.stream().anyMatch(z -> z.unit().paired())) {
                                e.sheet = Sheet.COVERED;
                                e.lubricant = Lubricant.DRY;
                            }
                        }))
                .toList();
    }

    private static boolean opens(Step step) {
        return step.settles() || step.phase() == Phase.ASSESS && step.depth() <= 1;
    }

    private static boolean closes(Step step) {
        return step.phase() == Phase.COVER || step.settles();
    }

    /** What is worked on each side is run through on the one, then on the other. */
    private static Block block(String name, List<Step> steps, int number) {
        boolean sided = steps.stream().anyMatch(s -> !opens(s) && !closes(s))
                && steps.stream().anyMatch(s -> s.side() == Sides.EACH);
        return new Block(
                "part-" + number,
                name,
                Block.Order.IN_ORDER,
                sided ? Block.Repeat.EACH_SIDE : Block.Repeat.ONCE,
                steps);
    }
}
