package palmtally.core.sequence.check;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import palmtally.core.body.Side;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Stint;
import palmtally.core.sequence.Stint.Half;

/**
 * What binds the order of steps whatever else changes: a step's own "before" links, and what the profile's rules ask for as the
 * author has met it. Where a rule is met by several steps together, the first that suffice are bound and the others stay free.
 */
public final class HardLinks {
    private final Plan plan;
    private final List<Step> steps;
    private final Map<String, Integer> place = new HashMap<>();
    private final BitSet[] after;
    private final Collection<List<Step>> touches;
    /** Whether any link points against the present order, which only own links can. */
    private boolean backward;

    private HardLinks(Plan plan) {
        this.plan = plan;
        this.steps = plan.inTime();
        after = new BitSet[steps.size()];
        for (int i = 0; i < after.length; i++) {
            after[i] = new BitSet(after.length);
            place.put(steps.get(i).id(), i);
        }
        touches = halves().values();
    }

    static HardLinks of(Plan plan) {
        var links = new HardLinks(plan);
        for (var step : links.steps) for (var to : step.before()) links.link(step.id(), to);
        for (var check : Checks.all()) if (plan.profile.severity(check.rule()) != Severity.OFF) check.bind(links);
        links.ends();
        return links;
    }

    Plan plan() {
        return plan;
    }

    /** The steps in the order of the timeline, by whose places the links are told. */
    List<Step> steps() {
        return steps;
    }

    /** The steps that touch each half of each zone, in the order of the timeline. */
    Collection<List<Step>> touches() {
        return touches;
    }

    /** Places of the steps that must come after the step at place {@code i}. */
    BitSet after(int i) {
        return after[i];
    }

    void link(Step first, Step then) {
        link(first.id(), then.id());
    }

    /** A link that would close a circle is not set: what the author linked by hand wins over a rule. */
    private void link(String first, String then) {
        Integer a = place.get(first);
        Integer b = place.get(then);
        if (a == null || b == null || a.equals(b) || after[a].get(b)) return;
        if ((a > b || backward) && reaches(b, a)) return;
        if (a > b) backward = true;
        after[a].set(b);
    }

    private boolean reaches(int from, int to) {
        var seen = new BitSet(after.length);
        var stack = new ArrayList<Integer>(List.of(from));
        while (!stack.isEmpty()) {
            int at = stack.remove(stack.size() - 1);
            if (at == to) return true;
            for (int n = after[at].nextSetBit(0); n >= 0; n = after[at].nextSetBit(n + 1))
                if (!seen.get(n)) {
                    seen.set(n);
                    stack.add(n);
                }
        }
        return false;
    }

    private Map<Half, List<Step>> halves() {
        var map = new LinkedHashMap<Half, List<Step>>();
        for (var step : steps)
            for (var side : sides(step))
                for (var half : new Stint(step, side, false, step.dose(), 0, 0).over()) {
                    var list = map.computeIfAbsent(half, h -> new ArrayList<>());
                    if (list.isEmpty() || list.get(list.size() - 1) != step) list.add(step);
                }
        return map;
    }

    private static List<Side> sides(Step step) {
        return step.side() == Sides.EACH
                ? List.of(Side.LEFT, Side.RIGHT)
                : List.of(Side.valueOf(step.side().name()));
    }

    /** Covering and closing stay last, and a re-check stays behind what it checks. */
    private void ends() {
        for (int j = 0; j < steps.size(); j++) {
            var step = steps.get(j);
            boolean cover = step.phase() == Phase.COVER;
            if (!cover && step.phase() != Phase.RE_CHECK) continue;
            for (int i = 0; i < j; i++) if (cover || Shared.ZONE.by(steps.get(i), step)) link(steps.get(i), step);
        }
    }
}
