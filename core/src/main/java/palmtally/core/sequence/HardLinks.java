package palmtally.core.sequence;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Region;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile;
import palmtally.core.profile.Profile.FirstOnSkin;
import palmtally.core.sequence.Stint.Half;
import palmtally.core.technique.Stroke;

/**
 * What binds the order of steps whatever else changes: a step's own "before" links, and what the profile's rules ask for as the
 * author has met it. Where a rule is met by several steps together, the first that suffice are bound and the others stay free.
 */
final class HardLinks {
    private final List<Step> steps;
    private final Map<String, Integer> place = new HashMap<>();
    private final BitSet[] after;

    private HardLinks(List<Step> steps) {
        this.steps = steps;
        after = new BitSet[steps.size()];
        for (int i = 0; i < after.length; i++) {
            after[i] = new BitSet(after.length);
            place.put(steps.get(i).id(), i);
        }
    }

    /** The steps in the order of the timeline, by whose places the links are told. */
    List<Step> steps() {
        return steps;
    }

    /** Places of the steps that must come after the step at place {@code i}. */
    BitSet after(int i) {
        return after[i];
    }

    static HardLinks of(Plan plan) {
        var links = new HardLinks(plan.inTime());
        for (var step : links.steps) for (var to : step.before()) links.link(step.id(), to);
        links.rules(plan);
        return links;
    }

    /** A link that would close a circle is not set: what the author linked by hand wins over a rule. */
    private void link(String first, String then) {
        Integer a = place.get(first);
        Integer b = place.get(then);
        if (a == null || b == null || a.equals(b) || after[a].get(b)) return;
        if (a > b && reaches(b, a)) return;
        if (a < b && backward && reaches(b, a)) return;
        if (a > b) backward = true;
        after[a].set(b);
    }

    /** Whether any link points against the present order, which only own links can. */
    private boolean backward;

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

    private static boolean on(Profile profile, Rule rule) {
        return profile.severity(rule) != Severity.OFF;
    }

    private void rules(Plan plan) {
        var profile = plan.profile;
        int firm = plan.firm();
        for (var touched : halves().values()) {
            if (on(profile, Rule.ORDER_WARM))
                warm(touched, firm, profile.order().warmUpSeconds());
            if (on(profile, Rule.ORDER_BROAD)) broad(touched);
            if (on(profile, Rule.ORDER_FLUSH)) flush(touched, firm);
            if (on(profile, Rule.ORDER_DRY) && profile.order().firstOnSkin() == FirstOnSkin.DRY) dry(touched);
            if (on(profile, Rule.PREREQ_GENTLE_TO_STRONG)) gentle(touched);
        }
        for (var row : PrerequisiteChecks.BEFORE)
            if (on(profile, row.rule())) firstThen(row.first(), row.then(), row.shared());
        afterwards(
                profile,
                Rule.PREREQ_LENGTHEN_AFTER_POINT,
                s -> s.library().stroke() == Stroke.TRIGGER_POINT,
                s -> s.phase() == Phase.LENGTHEN);
        afterwards(profile, Rule.PREREQ_FLUSH_AFTER_HEAT, s -> s.library().stroke() == Stroke.HEAT, s -> s.calms(firm));
        afterwards(
                profile,
                Rule.PREREQ_STRETCH_AFTER_HEAT,
                s -> s.library().stroke() == Stroke.HEAT,
                s -> s.phase() == Phase.LENGTHEN);
        afterwards(
                profile,
                Rule.PREREQ_AFTER_FRICTION,
                s -> s.technique().equals("cross-fibre"),
                s -> s.library().stroke().passiveModality());
        consent(profile);
        ends(profile);
    }

    /** The steps that touch each half, by place. */
    private Map<Half, List<Step>> halves() {
        var map = new LinkedHashMap<Half, List<Step>>();
        for (var step : steps)
            for (var side : sides(step))
                for (var zone : step.zones())
                    for (var half : Stint.halves(zone, side)) {
                        var list = map.computeIfAbsent(half, h -> new ArrayList<>());
                        if (list.isEmpty() || list.get(list.size() - 1) != step) list.add(step);
                    }
        return map;
    }

    private static List<palmtally.core.body.Side> sides(Step step) {
        return step.side() == Sides.EACH
                ? List.of(palmtally.core.body.Side.LEFT, palmtally.core.body.Side.RIGHT)
                : List.of(palmtally.core.body.Side.valueOf(step.side().name()));
    }

    private void warm(List<Step> touched, int firm, double need) {
        double sum = 0;
        var warmers = new ArrayList<Step>();
        for (var step : touched) {
            if (step.depth() >= firm) for (var w : warmers) link(w.id(), step.id());
            else if (step.calms(firm) && sum < need) {
                warmers.add(step);
                sum += step.dose().totalSeconds();
            }
        }
    }

    private void broad(List<Step> touched) {
        @Nullable Step broad = null;
        for (var step : touched)
            if (step.tool().pointed()) {
                if (broad != null) link(broad.id(), step.id());
            } else if (broad == null && step.depth() > 0) broad = step;
    }

    private void flush(List<Step> touched, int firm) {
        @Nullable Step flush = null;
        for (int i = touched.size() - 1; i >= 0; i--) {
            var step = touched.get(i);
            if (flush == null && step.calms(firm) && step.depth() <= 2) flush = step;
            if (flush != null && step.depth() >= firm) link(step.id(), flush.id());
        }
    }

    private void dry(List<Step> touched) {
        var grips = new ArrayList<Step>();
        for (var step : touched)
            if (step.library().stroke().grip()) grips.add(step);
            else if (step.lubricant() != Lubricant.DRY) for (var g : grips) link(g.id(), step.id());
    }

    private void gentle(List<Step> touched) {
        for (int i = 0; i < touched.size(); i++) {
            int rank = PrerequisiteChecks.strength(touched.get(i));
            if (rank == 0 || rank > 6) continue;
            for (int j = i + 1; j < touched.size(); j++) {
                int later = PrerequisiteChecks.strength(touched.get(j));
                if (later > rank && later <= 6)
                    link(touched.get(i).id(), touched.get(j).id());
            }
        }
    }

    private void firstThen(Predicate<Step> first, Predicate<Step> then, PrerequisiteChecks.Shared shared) {
        for (int j = 0; j < steps.size(); j++) {
            var step = steps.get(j);
            if (!then.test(step)) continue;
            for (int i = 0; i < j; i++)
                if (first.test(steps.get(i)) && shared.by(steps.get(i), step)) {
                    link(steps.get(i).id(), step.id());
                    break;
                }
        }
    }

    private void afterwards(Profile profile, Rule rule, Predicate<Step> cause, Predicate<Step> after) {
        if (!on(profile, rule)) return;
        for (int i = 0; i < steps.size(); i++) {
            if (!cause.test(steps.get(i))) continue;
            for (int j = steps.size() - 1; j > i; j--)
                if (after.test(steps.get(j)) && PrerequisiteChecks.Shared.ZONE.by(steps.get(i), steps.get(j))) {
                    link(steps.get(i).id(), steps.get(j).id());
                    break;
                }
        }
    }

    private void consent(Profile profile) {
        if (!on(profile, Rule.CONSENT_BEFORE)) return;
        for (int j = 0; j < steps.size(); j++) {
            var step = steps.get(j);
            for (var zone : step.zones()) if (profile.draping().sensitive().contains(zone)) asked(j, zone.region());
        }
    }

    private void asked(int j, Region region) {
        for (int i = 0; i < j; i++) {
            var before = steps.get(i);
            boolean here = before.zones().stream().anyMatch(z -> z.region() == region);
            boolean opening = before.phase() == Phase.SETTLE || before.phase() == Phase.ASSESS;
            if (before.says(SayKind.CONSENT) && (here || opening || i == j - 1))
                link(before.id(), steps.get(j).id());
        }
    }

    /** The opening stays first, covering and closing stay last, and a re-check stays behind what it checks. */
    private void ends(Profile profile) {
        var first = steps.get(0);
        if (on(profile, Rule.PREREQ_SETTLE_FIRST) && (first.phase() == Phase.SETTLE || first.phase() == Phase.ASSESS))
            for (int i = 1; i < steps.size(); i++) link(first.id(), steps.get(i).id());
        for (int j = 0; j < steps.size(); j++) {
            var step = steps.get(j);
            boolean cover = step.phase() == Phase.COVER;
            if (!cover && step.phase() != Phase.RE_CHECK) continue;
            for (int i = 0; i < j; i++)
                if (cover || PrerequisiteChecks.Shared.ZONE.by(steps.get(i), step))
                    link(steps.get(i).id(), step.id());
        }
    }
}
