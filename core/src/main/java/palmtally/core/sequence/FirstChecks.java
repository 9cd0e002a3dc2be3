package palmtally.core.sequence;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile.FirstOnSkin;
import palmtally.core.sequence.Stint.Half;
import palmtally.core.sequence.Timeline.Span;
import palmtally.core.technique.Stroke;

/** Checks of what comes first: on a zone, on the skin, on a limb, and of what is left out (common practice, no source). */
final class FirstChecks {
    private FirstChecks() {}

    /** Depth from which a first pass can be too deep at all: 1 and 2 are light whatever follows. */
    private static final int MODERATE = 3;

    static final class FirstPass implements Check {
        @Override
        public Rule rule() {
            return Rule.ORDER_FIRST;
        }

        @Override
        public void look(Plan plan) {
            var seen = new HashSet<String>();
            for (var entry : plan.touches.entrySet()) {
                var worked = entry.getValue().stream()
                        .filter(s -> s.stint().step().depth() > 0)
                        .toList();
                if (worked.size() < 2) continue;
                var span = worked.get(0);
                var step = span.stint().step();
                var later = worked.subList(1, worked.size()).stream()
                        .filter(s -> !s.stint().step().id().equals(step.id()))
                        .mapToInt(s -> s.stint().step().depth())
                        .max();
                // A firm first pass is what ORDER-WARM speaks of, where that rule is on.
                boolean unwarmed =
                        step.depth() >= plan.firm() && plan.profile.severity(Rule.ORDER_WARM) != Severity.OFF;
                if (later.isEmpty()
                        || unwarmed
                        || step.depth() < MODERATE
                        || step.depth() < later.getAsInt()
                        || !seen.add(step.id())) continue;
                int to = Math.max(Math.min(MODERATE, later.getAsInt()) - 1, 1);
                plan.report(
                        rule(),
                        plan.at(span, entry.getKey().zone(), span.stint().side()),
                        plan.number(step) + " is the first pass over "
                                + entry.getKey().zone().label().toLowerCase(Locale.ROOT) + " and at depth "
                                + step.depth()
                                + " as deep as any later one: the first pass asks, a later one may go deeper.",
                        "Start lighter and let a second pass go deeper.",
                        new Mend("Lower to depth " + to, s -> s.replacing(step.id(), x -> x.withDepth(to))));
            }
        }
    }

    static final class DrySkin implements Check {
        @Override
        public Rule rule() {
            return Rule.ORDER_DRY;
        }

        @Override
        public void look(Plan plan) {
            boolean dryFirst = plan.profile.order().firstOnSkin() == FirstOnSkin.DRY;
            var seen = new HashSet<String>();
            for (var entry : plan.touches.entrySet()) {
                var half = entry.getKey();
                @Nullable Span wet = null;
                for (var span : entry.getValue()) {
                    var step = span.stint().step();
                    if (step.lubricant() != Lubricant.DRY
                            && !step.library().stroke().grip()) {
                        if (wet == null) wet = span;
                    } else if (dryFirst
                            && wet != null
                            && step.library().stroke().grip()
                            && seen.add(step.id())) slides(plan, half, span, wet);
                    if (step.lubricant() != Lubricant.DRY
                            && step.library().stroke().grip()
                            && dryFirst
                            && seen.add(step.id()))
                        plan.report(
                                rule(),
                                plan.at(span, half.zone(), span.stint().side()),
                                plan.number(step)
                                        + " grips the skin with lubricant on it: the hand slides instead of taking hold.",
                                "Do grip work dry.",
                                new Mend(
                                        "Do it dry",
                                        s -> s.replacing(step.id(), x -> x.with(e -> e.lubricant = Lubricant.DRY))));
                }
                if (!dryFirst) dryGlides(plan, half, entry.getValue(), seen);
            }
        }

        private void slides(Plan plan, Half half, Span span, Span wet) {
            var step = span.stint().step();
            var before = wet.stint().step();
            plan.report(
                    rule(),
                    plan.at(span, half.zone(), span.stint().side()),
                    plan.number(step) + " needs grip on " + half.zone().label().toLowerCase(Locale.ROOT) + " after "
                            + plan.number(before).toLowerCase(Locale.ROOT)
                            + " has put lubricant there: the hand slides instead of taking hold.",
                    "Do grip work on this zone before the lubricant.",
                    plan.canMove(step, before)
                            ? new Mend(
                                    "Move it before " + plan.number(before).toLowerCase(Locale.ROOT),
                                    s -> s.moving(step.id(), before.id(), 0))
                            : null);
        }

        /** Lubricant first: a glide over a zone that is dry, though it is lubricated later. */
        private void dryGlides(Plan plan, Half half, List<Span> spans, Set<String> seen) {
            boolean later = spans.stream().anyMatch(s -> s.stint().step().lubricant() != Lubricant.DRY);
            if (!later) return;
            for (var span : spans) {
                var step = span.stint().step();
                if (step.lubricant() != Lubricant.DRY) return;
                if (step.library().stroke() == Stroke.EFFLEURAGE && step.sheet() == Sheet.OPEN && seen.add(step.id()))
                    plan.report(
                            rule(),
                            plan.at(span, half.zone(), span.stint().side()),
                            plan.number(step) + " glides over dry "
                                    + half.zone().label().toLowerCase(Locale.ROOT)
                                    + " and the lubricant comes later; this school starts with it.",
                            "Begin with the lubricant.",
                            new Mend(
                                    "Use a light film here",
                                    s -> s.replacing(step.id(), x -> x.with(e -> e.lubricant = Lubricant.FILM))));
            }
        }
    }

    /** Thigh and lower leg, as the school opens work on a leg. A flush of the whole limb closes it where the school says so. */
    static final class LimbOrder implements Check {
        private static final Set<Region> LOWER = Set.of(Region.KNEE, Region.LOWER_LEG);

        @Override
        public Rule rule() {
            return Rule.ORDER_LIMB;
        }

        private static boolean thigh(Step step) {
            return step.zones().stream().anyMatch(z -> z.region() == Region.THIGH && z.unit() == DrapeUnit.LEG);
        }

        private static boolean lower(Step step) {
            return step.zones().stream().anyMatch(z -> LOWER.contains(z.region()));
        }

        @Override
        public void look(Plan plan) {
            var sides = new TreeSet<palmtally.core.body.Side>();
            plan.timeline.spans().forEach(s -> sides.add(s.stint().side()));
            for (var side : sides) {
                var leg = plan.timeline.spans().stream()
                        .filter(s ->
                                s.stint().side() == side && s.stint().step().depth() > 1)
                        .filter(s -> thigh(s.stint().step()) || lower(s.stint().step()))
                        .toList();
                if (!leg.isEmpty() && judge(plan, leg)) return;
            }
        }

        private boolean judge(Plan plan, List<Span> leg) {
            var open = leg.get(0);
            var step = open.stint().step();
            boolean both = leg.stream().anyMatch(s -> thigh(s.stint().step()))
                    && leg.stream().anyMatch(s -> lower(s.stint().step()));
            var name = plan.number(step);
            switch (plan.profile.order().limb()) {
                case PROXIMAL_DISTAL_PROXIMAL -> {
                    if (both && !thigh(step))
                        return order(
                                plan,
                                open,
                                leg,
                                name
                                        + " opens the leg on the lower leg; this school does the thigh first, so that what is moved upward finds the way free.");
                    if (step.direction() == Direction.DISTAL && thigh(step))
                        return turn(
                                plan,
                                open,
                                Direction.PROXIMAL,
                                name + " opens the leg downward; this school strokes upward from the knee.");
                    var last = leg.get(leg.size() - 1);
                    if (both && !thigh(last.stint().step())) return flush(plan, last, leg);
                }
                case FROM_SHEET_EDGE -> {
                    if (both && !thigh(step))
                        return order(
                                plan,
                                open,
                                leg,
                                name
                                        + " opens the leg on the lower leg; this school comes down from the sheet's edge, so that the client knows the upper limit.");
                    if (step.direction() != null && step.direction() != Direction.DISTAL && thigh(step))
                        return turn(
                                plan,
                                open,
                                Direction.DISTAL,
                                name
                                        + " opens the leg without coming down from the sheet's edge: the client does not yet know the upper limit.");
                }
                case DISTAL_STRIPPING -> {
                    if (both && !lower(step))
                        return order(
                                plan,
                                open,
                                leg,
                                name + " opens the leg on the thigh; this school works from distal to proximal.");
                    if (step.direction() == Direction.DISTAL)
                        return turn(
                                plan,
                                open,
                                Direction.PROXIMAL,
                                name + " opens the leg downward; this school works from distal to proximal.");
                }
            }
            return false;
        }

        private boolean order(Plan plan, Span open, List<Span> leg, String sentence) {
            var step = open.stint().step();
            boolean wantThigh = !thigh(step);
            var other = leg.stream()
                    .map(s -> s.stint().step())
                    .filter(s -> wantThigh ? thigh(s) : lower(s))
                    .findFirst()
                    .orElseThrow();
            plan.report(
                    rule(),
                    plan.at(open, step.zones().get(0), open.stint().side()),
                    sentence,
                    "Change the order of thigh and lower leg.",
                    plan.canMove(other, step)
                            ? new Mend(
                                    "Move " + plan.number(other).toLowerCase(Locale.ROOT) + " before "
                                            + plan.number(step).toLowerCase(Locale.ROOT),
                                    s -> s.moving(other.id(), step.id(), 0))
                            : null);
            return true;
        }

        private boolean turn(Plan plan, Span open, Direction to, String sentence) {
            var step = open.stint().step();
            plan.report(
                    rule(),
                    plan.at(open, step.zones().get(0), open.stint().side()),
                    sentence,
                    "Open the other way.",
                    new Mend("Stroke " + to.label(), s -> s.replacing(step.id(), x -> x.with(e -> e.direction = to))));
            return true;
        }

        private boolean flush(Plan plan, Span last, List<Span> leg) {
            var step = last.stint().step();
            var upper = leg.stream()
                    .map(s -> s.stint().step())
                    .filter(LimbOrder::thigh)
                    .findFirst()
                    .orElseThrow();
            plan.report(
                    rule(),
                    plan.at(last, step.zones().get(0), last.stint().side()),
                    plan.number(step)
                            + " leaves the leg at the lower leg; this school flushes the whole limb upward at the end.",
                    "End with a light stroke over the whole leg.",
                    new Mend(
                            "Add 20 s flush of the whole leg after "
                                    + plan.number(step).toLowerCase(Locale.ROOT),
                            s -> {
                                var zones = new ArrayList<>(List.of(step.zones().get(0)));
                                upper.zones().stream()
                                        .filter(z -> z.region() == Region.THIGH)
                                        .limit(1)
                                        .forEach(zones::add);
                                var added = step.with(e -> {
                                    e.made(
                                            s.freshId("flush"),
                                            "Flush of the whole leg",
                                            "effleurage",
                                            step.tool(),
                                            2,
                                            20,
                                            Phase.FLUSH);
                                    e.tool = palmtally.core.technique.Tool.PALM;
                                    e.zones = zones;
                                    e.direction = Direction.PROXIMAL;
                                    e.depth = Math.min(
                                            2,
                                            zones.stream()
                                                    .mapToInt(plan.profile.pressure()::ceiling)
                                                    .min()
                                                    .orElse(2));
                                });
                                return s.inserting(step.id(), added, 1);
                            }));
            return true;
        }
    }

    static final class Opposing implements Check {
        /** Muscles that pull against each other; each list is one side of a joint. */
        private static final Map<Set<Zone>, Set<Zone>> PAIRS = new LinkedHashMap<>();

        static {
            PAIRS.put(EnumSet.of(Zone.UPPER_BACK, Zone.SHOULDER_BLADE), EnumSet.of(Zone.CHEST_WALL));
            PAIRS.put(EnumSet.of(Zone.HAMSTRINGS), EnumSet.of(Zone.THIGH_FRONT));
            PAIRS.put(EnumSet.of(Zone.FOREARM_FLEXORS), EnumSet.of(Zone.FOREARM_EXTENSORS));
            PAIRS.put(EnumSet.of(Zone.CALF, Zone.CALF_CENTRE), EnumSet.of(Zone.SHIN));
            PAIRS.put(EnumSet.of(Zone.LUMBAR), EnumSet.of(Zone.BELLY));
        }

        @Override
        public Rule rule() {
            return Rule.ORDER_OPPOSE;
        }

        @Override
        public void look(Plan plan) {
            var touched = new HashSet<Zone>();
            plan.steps.forEach(s -> touched.addAll(s.zones()));
            PAIRS.forEach((one, other) -> {
                judge(plan, touched, one, other);
                judge(plan, touched, other, one);
            });
        }

        private void judge(Plan plan, Set<Zone> touched, Set<Zone> worked, Set<Zone> opposing) {
            if (opposing.stream().anyMatch(touched::contains)) return;
            for (var step : plan.steps) {
                var zone = step.zones().stream().filter(worked::contains).findFirst();
                if (zone.isEmpty() || step.depth() < plan.firm()) continue;
                var missing = opposing.iterator().next();
                plan.report(
                        rule(),
                        new Where(step.id(), zone.get(), null, null),
                        zone.get().label() + " is treated and its opponent, "
                                + missing.label().toLowerCase(Locale.ROOT)
                                + ", is left out: what is loosened on one side is pulled back from the other.",
                        "Treat the opposing muscles here, or in another sequence of the term.",
                        null);
                return;
            }
        }
    }
}
