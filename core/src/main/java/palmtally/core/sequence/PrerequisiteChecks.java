package palmtally.core.sequence;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.profile.ScopeTopic;
import palmtally.core.profile.Ways;
import palmtally.core.sequence.Timeline.Span;
import palmtally.core.technique.Stroke;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;
import palmtally.core.technique.Tool;

/** ORDER-PREREQ: the rows of "this before that", as data where their shape allows (common practice, no source). */
final class PrerequisiteChecks {
    private PrerequisiteChecks() {}

    static final Set<Zone> GLUTEAL = Set.of(Zone.GLUTEALS, Zone.HIP_ROTATORS);
    static final Set<Zone> FRONT_OF_NECK = Set.of(Zone.THROAT, Zone.NECK_SIDE, Zone.STRAP_MUSCLE);
    private static final Set<Zone> BACK_OF_NECK = Set.of(Zone.NECK_BACK, Zone.BASE_OF_SKULL, Zone.TOP_OF_SHOULDER);
    private static final Set<Zone> TENDONS = Set.of(Zone.ACHILLES, Zone.KNEE_INNER);

    static Predicate<Step> on(Set<Zone> zones) {
        return s -> s.depth() > 0 && s.zones().stream().anyMatch(zones::contains);
    }

    static Predicate<Step> in(Region... regions) {
        var set = Set.of(regions);
        return s -> s.depth() > 0 && s.zones().stream().anyMatch(z -> set.contains(z.region()));
    }

    private static boolean joint(Step s) {
        var stroke = s.library().stroke();
        return stroke == Stroke.JOINT_GLIDE || stroke == Stroke.RANGE_OF_MOTION && s.phase() != Phase.ASSESS;
    }

    private static boolean muscle(Step s) {
        var stroke = s.library().stroke();
        return s.depth() > 1
                && (stroke.warming()
                        || stroke == Stroke.STRIPPING
                        || stroke == Stroke.FRICTION
                        || stroke == Stroke.TRIGGER_POINT);
    }

    /** What the prerequisite and the step it belongs to must have in common. */
    enum Shared {
        NOTHING,
        REGION,
        ZONE;

        boolean by(Step a, Step b) {
            return switch (this) {
                case NOTHING -> true;
                case REGION ->
                    a.zones().stream().anyMatch(x -> b.zones().stream().anyMatch(y -> x.region() == y.region()));
                case ZONE -> a.zones().stream().anyMatch(b.zones()::contains);
            };
        }
    }

    /**
     * "First before then": somewhere before a step that {@code then} describes there must be one that {@code first} does.
     *
     * @param why the end of the sentence after the name of the step
     * @param add the step to put before it: technique, zones, words of its name
     */
    record Before(Rule rule, Predicate<Step> first, Predicate<Step> then, Shared shared, String why, Added add)
            implements Check {
        @Override
        public void look(Plan plan) {
            var steps = plan.inTime();
            for (int i = 0; i < steps.size(); i++) {
                var step = steps.get(i);
                if (!then.test(step)) continue;
                boolean met = false;
                for (int j = 0; j < i && !met; j++) met = first.test(steps.get(j)) && shared.by(steps.get(j), step);
                if (met) continue;
                Optional<Step> later = Optional.empty();
                for (int j = i + 1; j < steps.size() && later.isEmpty(); j++)
                    if (first.test(steps.get(j)) && !then.test(steps.get(j)) && shared.by(steps.get(j), step))
                        later = Optional.of(steps.get(j));
                plan.report(
                        rule,
                        new Where(step.id(), step.zones().get(0), null, null),
                        plan.number(step) + why,
                        rule.meaning(),
                        later.filter(l -> plan.canMove(l, step))
                                .map(l -> new Mend(
                                        "Move " + plan.number(l).toLowerCase(Locale.ROOT) + " before "
                                                + plan.number(step).toLowerCase(Locale.ROOT),
                                        s -> s.moving(l.id(), step.id(), 0)))
                                .orElseGet(() -> new Mend(
                                        "Add " + add.label + " before "
                                                + plan.number(step).toLowerCase(Locale.ROOT),
                                        s -> s.inserting(step.id(), add.beside(plan, s, step), 0))));
                return;
            }
        }
    }

    /** What a mend of a prerequisite adds beside a step. */
    record Added(String label, String technique, List<Zone> zones, int depth, double seconds, Phase phase) {
        Step beside(Plan plan, Sequence s, Step like) {
            var t = Techniques.standard().get(technique);
            return like.with(e -> {
                if (!zones.isEmpty()) e.zones = zones;
                int most = e.zones.stream()
                        .mapToInt(plan.profile.pressure()::ceiling)
                        .min()
                        .orElse(5);
                e.made(
                        s.freshId(phase.toString()),
                        t.name(),
                        technique,
                        t.tool().pointed() ? Tool.PALM : t.tool(),
                        Math.min(depth, most),
                        seconds,
                        phase);
                if (t.stroke().grip() || t.stroke().passiveModality() || phase == Phase.ASSESS)
                    e.lubricant = Lubricant.DRY;
                if (!zones.isEmpty() && zones.stream().noneMatch(Zone::paired)) e.side = Sides.MIDLINE;
                else if (!zones.isEmpty() && e.side == Sides.MIDLINE) e.side = Sides.BOTH;
                if (e.zones.stream().noneMatch(like.zones()::contains)) e.sheet = Sheet.THROUGH;
                if (t.stroke().bigMovement() && e.sheet == Sheet.OPEN) e.care.add(Care.SHEET_SECURED);
                if (t.strong()) e.say.add(Saying.of(SayKind.WARNS, "This may feel strong; tell me."));
            });
        }
    }

    static final List<Before> BEFORE = List.of(
            new Before(
                    Rule.PREREQ_ASSESS_FIRST,
                    s -> s.phase() == Phase.ASSESS,
                    s -> s.depth() >= 4,
                    Shared.NOTHING,
                    " goes deep and nobody has looked, asked or felt for the landmarks: bodies vary.",
                    new Added("a look at the landmarks", "still-hold", List.of(), 1, 20, Phase.ASSESS)),
            new Before(
                    Rule.PREREQ_THIGH_BEFORE_GLUTEAL,
                    in(Region.THIGH),
                    on(GLUTEAL),
                    Shared.NOTHING,
                    " reaches the gluteals without coming from the thigh: a guarded area is eased into.",
                    new Added("30 s on the thigh", "effleurage", List.of(Zone.HAMSTRINGS), 2, 30, Phase.WARM)),
            new Before(
                    Rule.PREREQ_BACK_BEFORE_FRONT_OF_NECK,
                    on(BACK_OF_NECK),
                    on(FRONT_OF_NECK),
                    Shared.NOTHING,
                    " works the front of the neck before its back has been met: the client guards the throat.",
                    new Added(
                            "30 s on the back of the neck", "effleurage", List.of(Zone.NECK_BACK), 2, 30, Phase.WARM)),
            new Before(
                    Rule.PREREQ_NECK_BEFORE_JAW,
                    in(Region.NECK),
                    in(Region.JAW),
                    Shared.NOTHING,
                    " works the jaw before the neck: a tight neck holds the jaw.",
                    new Added("30 s on the neck", "effleurage", List.of(Zone.NECK_BACK), 2, 30, Phase.WARM)),
            new Before(
                    Rule.PREREQ_MUSCLE_BEFORE_JOINT,
                    PrerequisiteChecks::muscle,
                    PrerequisiteChecks::joint,
                    Shared.REGION,
                    " moves a joint whose muscles have not been worked: they guard it.",
                    new Added("40 s of kneading", "petrissage", List.of(), 2, 40, Phase.WARM)),
            new Before(
                    Rule.PREREQ_DISTRACTION_BEFORE_GLIDE,
                    s -> s.library().stroke() == Stroke.TRACTION,
                    s -> s.library().stroke() == Stroke.JOINT_GLIDE,
                    Shared.ZONE,
                    " glides a joint that has not been eased apart first.",
                    new Added("a gentle distraction", "traction", List.of(), 1, 10, Phase.TREAT)));

    /** "Then, afterwards": a step that {@code cause} describes must be followed on its zone by one that {@code after} does. */
    private static void followed(
            Plan plan, Rule rule, Predicate<Step> cause, Predicate<Step> after, String why, Added add) {
        var steps = plan.inTime();
        var seen = new HashSet<Zone>();
        for (int i = steps.size() - 1; i >= 0; i--) {
            var step = steps.get(i);
            if (!cause.test(step)) continue;
            boolean met = false;
            for (int j = i + 1; j < steps.size() && !met; j++)
                met = after.test(steps.get(j)) && Shared.ZONE.by(step, steps.get(j));
            if (met || !seen.add(step.zones().get(0))) continue;
            plan.report(
                    rule,
                    new Where(step.id(), step.zones().get(0), null, null),
                    plan.number(step) + why,
                    rule.meaning(),
                    new Mend(
                            "Add " + add.label + " after " + plan.number(step).toLowerCase(Locale.ROOT),
                            s -> s.inserting(step.id(), add.beside(plan, s, step), 1)));
        }
    }

    /** The author's own links: a step that stands before one it was linked behind. */
    static final class OwnLinks implements Check {
        @Override
        public Rule rule() {
            return Rule.PREREQ_LINK;
        }

        @Override
        public void look(Plan plan) {
            var linked = plan.steps.stream().filter(s -> !s.before().isEmpty()).toList();
            var seen = new HashSet<String>();
            for (var step : plan.inTime()) {
                for (var late : linked)
                    if (late.before().contains(step.id()) && !seen.contains(late.id()))
                        plan.report(
                                rule(),
                                Where.step(step.id()),
                                plan.number(step) + " stands before "
                                        + plan.number(late).toLowerCase(Locale.ROOT)
                                        + ", though its author linked it behind.",
                                "Put them in the order of the link, or take the link away.",
                                plan.canMove(late, step)
                                        ? new Mend(
                                                "Move " + plan.number(late).toLowerCase(Locale.ROOT) + " before "
                                                        + plan.number(step).toLowerCase(Locale.ROOT),
                                                s -> s.moving(late.id(), step.id(), 0))
                                        : new Mend(
                                                "Take the link away",
                                                s -> s.replacing(
                                                        late.id(), x -> x.with(e -> e.before.remove(step.id())))));
                seen.add(step.id());
            }
        }
    }

    static final class Opening implements Check {
        @Override
        public Rule rule() {
            return Rule.PREREQ_SETTLE_FIRST;
        }

        @Override
        public void look(Plan plan) {
            var first = plan.inTime().get(0);
            var stroke = first.library().stroke();
            boolean still = plan.profile.ways().opening() == Ways.Opening.SETTLE;
            boolean met = still
                    ? stroke == Stroke.STILL_HOLD || first.depth() == 0
                    : first.sheet() != Sheet.OPEN && (stroke == Stroke.VIBRATION || stroke.bigMovement());
            if (met) return;
            plan.report(
                    rule(),
                    new Where(first.id(), null, null, 0L),
                    still
                            ? plan.number(first)
                                    + " starts to stroke at once: still hands first let the client arrive and feel where you are."
                            : plan.number(first)
                                    + " opens with the sheet or with still hands; this school opens with movement, clothed or through the sheet, and then offers the choice.",
                    rule().meaning(),
                    new Mend(still ? "Settle for 20 s first" : "Rock for 60 s through the sheet first", s -> {
                        var added = first.with(e -> {
                            e.made(
                                    s.freshId("open"),
                                    still ? "Settle" : "Clothed opening, rocking",
                                    still ? "still-hold" : "rocking",
                                    Tool.PALM,
                                    Math.min(1, plan.ceiling(first)),
                                    still ? 20 : 60,
                                    Phase.SETTLE);
                            e.lubricant = Lubricant.DRY;
                            e.sheet = Sheet.THROUGH;
                            e.say = new ArrayList<>(first.say().stream()
                                    .filter(w -> w.kind().opens())
                                    .toList());
                        });
                        return s.inserting(first.id(), added, 0);
                    }));
        }
    }

    /** Rank of a step inside a protocol, gentle to strong; 0 where it has no place in one. */
    static int strength(Step step) {
        if (step.phase() == Phase.WARM
                || step.phase() == Phase.SETTLE
                || step.phase() == Phase.ASSESS
                || step.phase().closing()) return 0;
        return switch (step.library().stroke()) {
            case FASCIAL_SPREAD -> step.technique().equals("fascia-indirect") ? 1 : 2;
            case SKIN_ROLLING -> 3;
            case EFFLEURAGE, PETRISSAGE, STRIPPING, COMPRESSION -> step.depth() >= 3 ? 4 : 0;
            case TRIGGER_POINT -> 5;
            case FRICTION -> 6;
            case STRETCH, CONTRACT_RELAX, PIN_AND_LENGTHEN -> 8;
            case RANGE_OF_MOTION, TRACTION, JOINT_GLIDE -> 9;
            case COLD -> 10;
            default -> 0;
        };
    }

    private static final String[] STRENGTHS = {
        "",
        "indirect fascia",
        "direct fascia",
        "skin rolling",
        "muscle work",
        "trigger points",
        "friction",
        "flush",
        "stretch",
        "joint work",
        "cold"
    };

    static final class GentleToStrong implements Check {
        @Override
        public Rule rule() {
            return Rule.PREREQ_GENTLE_TO_STRONG;
        }

        @Override
        public void look(Plan plan) {
            var seen = new HashSet<String>();
            for (var entry : plan.touches.entrySet()) {
                List<Span> spans = entry.getValue();
                // Fascia, rolling, muscle, points and friction; a stretch in between is followed by another round as
                // often as not.
                for (int i = 0; i < spans.size(); i++) {
                    var step = spans.get(i).stint().step();
                    int rank = strength(step);
                    if (rank == 0 || rank > 6) continue;
                    for (int j = 0; j < i; j++) {
                        var before = spans.get(j).stint().step();
                        int stronger = strength(before);
                        if (stronger <= rank || stronger > 6 || before.id().equals(step.id()) || !seen.add(step.id()))
                            continue;
                        plan.report(
                                rule(),
                                new Where(step.id(), entry.getKey().zone(), null, null),
                                plan.number(step) + " is " + STRENGTHS[rank] + " and comes after " + STRENGTHS[stronger]
                                        + " in " + plan.number(before).toLowerCase(Locale.ROOT)
                                        + ": gentle work prepares for strong work, not the other way round.",
                                "Do the gentler one first.",
                                plan.canMove(step, before)
                                        ? new Mend(
                                                "Move it before "
                                                        + plan.number(before).toLowerCase(Locale.ROOT),
                                                s -> s.moving(step.id(), before.id(), 0))
                                        : null);
                        break;
                    }
                }
            }
        }
    }

    static final class LengthenAfterPoint implements Check {
        @Override
        public Rule rule() {
            return Rule.PREREQ_LENGTHEN_AFTER_POINT;
        }

        @Override
        public void look(Plan plan) {
            followed(
                    plan,
                    rule(),
                    s -> s.library().stroke() == Stroke.TRIGGER_POINT,
                    s -> s.phase() == Phase.LENGTHEN || s.library().stroke() == Stroke.STRETCH,
                    " presses a point and nothing restores the length afterwards: a released muscle shortens again.",
                    new Added("a 30 s stretch", "stretch", List.of(), 2, 30, Phase.LENGTHEN));
        }
    }

    static final class MovingOnTendon implements Check {
        @Override
        public Rule rule() {
            return Rule.PREREQ_MOVING_ON_TENDON;
        }

        @Override
        public void look(Plan plan) {
            for (var step : plan.steps) {
                if (step.library().stroke() != Stroke.TRIGGER_POINT || !TENDONS.containsAll(step.zones())) continue;
                plan.report(
                        rule(),
                        new Where(step.id(), step.zones().get(0), null, null),
                        plan.number(step)
                                + " holds still on a tendon: static is for a trigger point, a tendon wants a moving stroke.",
                        "Use friction across the tendon.",
                        new Mend(
                                "Make it cross-fibre friction",
                                s -> s.replacing(
                                        step.id(),
                                        x -> x.with(e -> {
                                            var t = Techniques.standard().get("cross-fibre");
                                            e.technique = t.id();
                                            e.dose = t.dose();
                                            e.secondSide = null;
                                            e.minimumSeconds = null;
                                            e.targetSeconds = null;
                                            e.depth = Math.min(x.depth(), t.depth());
                                        }))));
            }
        }
    }

    static final class AfterHeat implements Check {
        private final Rule rule;

        AfterHeat(Rule rule) {
            this.rule = rule;
        }

        @Override
        public Rule rule() {
            return rule;
        }

        @Override
        public void look(Plan plan) {
            boolean flush = rule == Rule.PREREQ_FLUSH_AFTER_HEAT;
            followed(
                    plan,
                    rule,
                    s -> s.library().stroke() == Stroke.HEAT,
                    flush
                            ? s -> s.calms(plan.firm()) && s.depth() <= 2
                            : s -> s.library().stroke() == Stroke.STRETCH || s.phase() == Phase.LENGTHEN,
                    flush
                            ? " warms the zone and nothing flushes it afterwards: what the heat has drawn in stays there."
                            : " warms the zone and the new length is not used: stretch again after heat.",
                    flush
                            ? new Added("a 20 s flush", "effleurage", List.of(), 2, 20, Phase.FLUSH)
                            : new Added("a 30 s stretch", "stretch", List.of(), 2, 30, Phase.LENGTHEN));
        }
    }

    static final class AfterFriction implements Check {
        @Override
        public Rule rule() {
            return Rule.PREREQ_AFTER_FRICTION;
        }

        @Override
        public void look(Plan plan) {
            var level = plan.profile.scope(ScopeTopic.HEAT_AND_COLD);
            if (level == ScopeTopic.Level.NOT_TAUGHT || level == ScopeTopic.Level.THEORY_ONLY) return;
            boolean cold = plan.profile.ways().afterFriction() == Ways.AfterFriction.COLD;
            var wanted = cold ? Stroke.COLD : Stroke.HEAT;
            followed(
                    plan,
                    rule(),
                    s -> s.technique().equals("cross-fibre"),
                    s -> s.library().stroke() == wanted,
                    " irritates the fibre on purpose and no " + (cold ? "cold" : "heat")
                            + " follows, as this school has it.",
                    cold
                            ? new Added("60 s of cold strokes", "cold", List.of(), 1, 60, Phase.RESET)
                            : new Added("5 min of heat", "heat", List.of(), 1, 300, Phase.RESET));
        }
    }

    static final class ScalpPlace implements Check {
        private static final Predicate<Step> HEAD = in(Region.HEAD_FACE, Region.JAW, Region.NECK);

        @Override
        public Rule rule() {
            return Rule.PREREQ_SCALP;
        }

        @Override
        public void look(Plan plan) {
            var way = plan.profile.ways().scalp();
            if (way == Ways.Scalp.EITHER) return;
            var head = plan.inTime().stream()
                    .filter(HEAD.and(
                            s -> s.phase() != Phase.SETTLE && s.phase() != Phase.ASSESS && s.phase() != Phase.COVER))
                    .toList();
            var scalp = head.stream().filter(on(Set.of(Zone.SCALP))).findFirst();
            if (scalp.isEmpty() || head.stream().allMatch(on(Set.of(Zone.SCALP)))) return;
            boolean first = way == Ways.Scalp.FIRST;
            var beside = first ? head.get(0) : head.get(head.size() - 1);
            if (on(Set.of(Zone.SCALP)).test(beside)) return;
            var step = scalp.get();
            plan.report(
                    rule(),
                    new Where(step.id(), Zone.SCALP, null, null),
                    plan.number(step) + " does the scalp in between; this school does it " + (first ? "first" : "last")
                            + ", "
                            + (first ? "to settle the whole head." : "so that hair and oil do not meet the rest."),
                    rule().meaning(),
                    plan.canMove(step, beside)
                            ? new Mend(
                                    "Move it " + (first ? "before " : "after ")
                                            + plan.number(beside).toLowerCase(Locale.ROOT),
                                    s -> s.moving(step.id(), beside.id(), first ? 0 : 1))
                            : null);
        }
    }

    static final class CompareAfter implements Check {
        @Override
        public Rule rule() {
            return Rule.PREREQ_COMPARE_AFTER;
        }

        @Override
        public void look(Plan plan) {
            var steps = plan.inTime();
            if (steps.stream().noneMatch(s -> s.phase() == Phase.TREAT && s.depth() >= plan.firm())) return;
            if (steps.stream().anyMatch(s -> s.phase() == Phase.RE_CHECK)) return;
            var last = steps.get(steps.size() - 1);
            plan.report(
                    rule(),
                    Where.EVERYWHERE,
                    "Nothing is checked again after the treatment: without a comparison nobody knows whether it helped.",
                    "Check again what was checked before: range, number, feel.",
                    new Mend("Add a 20 s re-check after " + plan.number(last).toLowerCase(Locale.ROOT), s -> {
                        boolean cover = last.phase() == Phase.COVER;
                        return s.inserting(
                                last.id(),
                                new Added("", "still-hold", List.of(), 1, 20, Phase.RE_CHECK).beside(plan, s, last),
                                cover ? 0 : 1);
                    }));
        }
    }

    static List<Check> all() {
        var all = new ArrayList<Check>(BEFORE);
        all.addAll(List.of(
                new OwnLinks(),
                new Opening(),
                new GentleToStrong(),
                new LengthenAfterPoint(),
                new MovingOnTendon(),
                new AfterHeat(Rule.PREREQ_FLUSH_AFTER_HEAT),
                new AfterHeat(Rule.PREREQ_STRETCH_AFTER_HEAT),
                new AfterFriction(),
                new ScalpPlace(),
                new CompareAfter()));
        return all;
    }

    /** Strength of the effort of the client, for the school that keeps the client passive. */
    static boolean lengthening(Step step) {
        var stroke = step.library().stroke();
        return stroke == Stroke.PIN_AND_LENGTHEN || stroke == Stroke.STRETCH || stroke == Stroke.RANGE_OF_MOTION;
    }

    static boolean moves(Step step) {
        return step.effort() == Technique.Effort.ACTIVE || step.effort() == Technique.Effort.RESISTED;
    }
}
