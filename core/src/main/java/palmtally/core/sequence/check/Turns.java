package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.stream.IntStream;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Position;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Timeline.Span;

/** ORDER-TURNS: how often the client is turned, against the least that the hard links allow. */
@AutoService(Rule.Source.class)
public final class Turns implements Check {
    public static final Rule RULE = new Rule(
            "ORDER-TURNS",
            Criterion.ORDER,
            Severity.WARN,
            "No more turns of the client than the order of the steps needs.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        var spans = plan.timeline.spans();
        // Turning over for the second side is the plan's own; a turn between two steps may be one too many.
        var turns = IntStream.range(1, spans.size())
                .filter(i -> position(spans.get(i - 1)) != position(spans.get(i)))
                .mapToObj(spans::get)
                .toList();
        long positions = plan.steps.stream().map(Step::position).distinct().count();
        if (turns.size() <= positions - 1) return;
        var links = HardLinks.of(plan);
        var least = least(links);
        if (least.turns() >= turns.size()) return;
        var back = turns.get(turns.size() - 1);
        plan.report(
                RULE,
                new Where(back.stint().step().id(), null, null, FastMath.round(back.begin() * 1000)),
                "The client is turned " + times(turns.size()) + " and " + times(least.turns())
                        + (least.exact() ? " would do" : " would be enough") + ": each turn costs "
                        + FastMath.round(plan.profile.transitions().turn()) + " s and the client's rest.",
                "Do what can be done in one position before turning.",
                new Mend(
                        "Put the steps in the order with the fewest turns",
                        s -> reordered(plan, links.steps(), least.order())));
    }

    private static Position position(Span span) {
        return span.stint().step().position();
    }

    private static String times(int n) {
        return n == 0 ? "not at all" : n == 1 ? "once" : n == 2 ? "twice" : n + " times";
    }

    static LeastTurns least(HardLinks links) {
        int[] colours =
                links.steps().stream().mapToInt(s -> s.position().ordinal()).toArray();
        return LeastTurns.of(colours, links::after);
    }

    /**
     * The sequence with its steps in another order. A block whose steps stay together keeps its name and its order; one that is
     * taken apart goes on under the same name. What rested on a question asked in the step before takes the question along.
     */
    private static Sequence reordered(Plan plan, List<Step> steps, int[] order) {
        var blocks = new ArrayList<Block>();
        var ids = new HashSet<String>();
        @Nullable Step last = null;
        @Nullable Block current = null;
        var held = new ArrayList<Step>();
        var asked = CarriedConsent.of(plan);
        for (int at : order) {
            var step = asked.apply(steps.get(at));
            var home = plan.sequence.blocks().stream()
                    .filter(b -> b.steps().stream().anyMatch(s -> s.id().equals(step.id())))
                    .findFirst()
                    .orElseThrow();
            if (current != home || last != null && last.position() != step.position()) {
                close(blocks, ids, current, held);
                current = home;
            }
            held.add(step);
            last = step;
        }
        close(blocks, ids, current, held);
        return plan.sequence.withBlocks(blocks);
    }

    private static void close(List<Block> blocks, HashSet<String> ids, @Nullable Block home, List<Step> held) {
        if (home == null || held.isEmpty()) return;
        var id = home.id();
        for (int i = 2; !ids.add(id); i++) id = home.id() + "-" + i;
        blocks.add(new Block(id, home.name(), home.order(), home.repeat(), home.drape(), held));
        held.clear();
    }

    /** Gives the words of consent to the step they are for, where the step before asked them. */
    private record CarriedConsent(Plan plan) {
        static CarriedConsent of(Plan plan) {
            return new CarriedConsent(plan);
        }

        Step apply(Step step) {
            if (step.says(SayKind.CONSENT)
                    || step.zones().stream()
                            .noneMatch(z -> plan.profile.draping().sensitive().contains(z))) return step;
            var steps = plan.inTime();
            int at = steps.indexOf(step);
            if (at == 0) return step;
            var before = steps.get(at - 1);
            return before.say().stream()
                    .filter(s -> s.kind() == SayKind.CONSENT)
                    .findFirst()
                    .map(step::saying)
                    .orElse(step);
        }
    }
}
