package palmtally.core.sequence;

import static palmtally.core.finding.Spoken.number;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.profile.Profile.GlutealWay;
import palmtally.core.profile.Ways;
import palmtally.core.sequence.Timeline.OpenUnit;
import palmtally.core.sequence.Timeline.Span;
import palmtally.core.sequence.Timeline.Transition;
import palmtally.core.technique.Tool;

/** Checks of the sheet, of the scope of permission and of clean hands (common practice, no source). */
final class DrapeChecks {
    private DrapeChecks() {}

    private static boolean draped(Step step) {
        return step.zones().stream().anyMatch(z -> z.unit().draped());
    }

    static final class Open implements Check {
        @Override
        public Rule rule() {
            return Rule.DRAPE_OPEN;
        }

        @Override
        public void look(Plan plan) {
            for (var step : plan.steps) {
                if (!draped(step)) continue;
                boolean under = step.sheet() == Sheet.COVERED && step.depth() >= 2;
                boolean oil = step.sheet() != Sheet.OPEN && step.lubricant() != Lubricant.DRY && step.depth() > 0;
                if (!under && !oil) continue;
                boolean sensitive = step.zones().stream()
                        .anyMatch(z -> plan.profile.draping().sensitive().contains(z));
                var to = sensitive ? Sheet.THROUGH : Sheet.OPEN;
                plan.report(
                        rule(),
                        new Where(step.id(), step.zones().get(0), null, null),
                        plan.number(step)
                                + (oil
                                        ? " puts lubricant where the sheet is not open: it ends up in the linen."
                                        : " works at depth " + step.depth()
                                                + " under a closed sheet: neither open nor through it, so nobody sees what the hand does."),
                        "Open what is worked, or work dry through a taut sheet.",
                        new Mend(
                                to == Sheet.OPEN ? "Open the sheet" : "Work dry through the sheet",
                                s -> s.replacing(
                                        step.id(),
                                        x -> x.with(e -> {
                                            e.sheet = to;
                                            if (to == Sheet.THROUGH) e.lubricant = Lubricant.DRY;
                                        }))));
            }
        }
    }

    static final class Idle implements Check {
        @Override
        public Rule rule() {
            return Rule.DRAPE_IDLE;
        }

        @Override
        public void look(Plan plan) {
            double grace = plan.profile.draping().idleGraceSeconds();
            var spans = plan.timeline.spans();
            var seen = new HashSet<String>();
            for (int i = 0; i < spans.size(); i++) {
                var span = spans.get(i);
                var step = span.stint().step();
                if (span.open().isEmpty()) continue;
                boolean watched = step.depth() > 0;
                double idle = waiting(spans, i) + (watched ? 0 : span.seconds());
                if (idle <= grace + 1e-9 || !seen.add(step.id())) continue;
                var unit = span.open().iterator().next();
                plan.report(
                        rule(),
                        plan.at(span, step.zones().get(0), span.stint().side()),
                        "The " + unit + " lies open and unworked for " + number(idle) + " s around "
                                + plan.number(step).toLowerCase(Locale.ROOT) + "; after " + number(grace)
                                + " s it gets cold and feels forgotten.",
                        "Cover what is not being worked.",
                        watched
                                ? null
                                : new Mend(
                                        "Cover it during " + plan.number(step).toLowerCase(Locale.ROOT),
                                        s -> s.replacing(
                                                step.id(),
                                                x -> x.with(e -> {
                                                    e.sheet = Sheet.COVERED;
                                                    e.lubricant = Lubricant.DRY;
                                                    e.depth = Math.min(e.depth, 1);
                                                }))));
            }
        }

        /** Seconds between the work before and this one with the same unit open: talk, lubricant. Waiting for heat is none of it: the heat is at work. */
        private static double waiting(List<Span> spans, int i) {
            if (i == 0 || !spans.get(i - 1).open().equals(spans.get(i).open())) return 0;
            var t = spans.get(i).transitions();
            if (t.containsKey(Transition.TURN)
                    || t.containsKey(Transition.SHEET)
                    || t.containsKey(Transition.SENSITIVE_SHEET)) return 0;
            return t.values().stream().mapToDouble(Double::doubleValue).sum();
        }
    }

    static final class TwoOpen implements Check {
        @Override
        public Rule rule() {
            return Rule.DRAPE_TWO;
        }

        @Override
        public void look(Plan plan) {
            var seen = new HashSet<String>();
            for (var span : plan.timeline.spans()) {
                var step = span.stint().step();
                if (step.zones().stream().allMatch(z -> z.region() == Region.FOOT))
                    continue; // feet: the sheet folds back at the ankles
                var limbs = limbs(span.open());
                if (limbs.size() < 2 || !seen.add(step.id())) continue;
                boolean sides = step.side() == Sides.BOTH;
                plan.report(
                        rule(),
                        plan.at(span, step.zones().get(0), null),
                        plan.number(step) + " has " + String.join(" and ", limbs)
                                + " open at once: the client gets cold and loses the hold of the sheet.",
                        "Open one limb, close it, then open the other.",
                        sides
                                ? new Mend(
                                        "Do it one side at a time",
                                        s -> s.replacing(step.id(), x -> x.with(e -> e.side = Sides.EACH)))
                                : new Mend(
                                        "Work through the sheet",
                                        s -> s.replacing(
                                                step.id(),
                                                x -> x.with(e -> {
                                                    e.sheet = Sheet.THROUGH;
                                                    e.lubricant = Lubricant.DRY;
                                                }))));
            }
        }

        private static Set<String> limbs(Set<OpenUnit> open) {
            var limbs = new TreeSet<String>();
            for (var o : open)
                switch (o.unit()) {
                    case ARM -> limbs.add("the " + o.side() + " arm");
                    case LEG, HIP -> limbs.add("the " + o.side() + " leg");
                    default -> {}
                }
            return limbs;
        }
    }

    static final class Secure implements Check {
        @Override
        public Rule rule() {
            return Rule.DRAPE_SECURE;
        }

        @Override
        public void look(Plan plan) {
            boolean anchors = plan.profile.ways().chest() == Ways.ChestSheet.ARMS_OVER_SHEET;
            var seen = new HashSet<String>();
            for (var span : plan.timeline.spans()) {
                var step = span.stint().step();
                boolean big = step.library().stroke().bigMovement();
                if (!big || !draped(step)) continue;
                boolean chest = step.sheet() == Sheet.OPEN
                        && step.zones().stream().anyMatch(z -> z.unit() == DrapeUnit.CHEST || z == Zone.ARMPIT);
                if (chest && anchors && seen.add(step.id())) {
                    plan.report(
                            rule(),
                            plan.at(span, step.zones().get(0), span.stint().side()),
                            plan.number(step)
                                    + " moves the arm that holds the sheet on the chest: the anchor goes and the sheet with it.",
                            "Cover the chest for the movement, or use a tight chest drape.",
                            new Mend(
                                    "Move through the sheet",
                                    s -> s.replacing(
                                            step.id(),
                                            x -> x.with(e -> {
                                                e.sheet = Sheet.THROUGH;
                                                e.lubricant = Lubricant.DRY;
                                                e.care.add(Care.SHEET_SECURED);
                                            }))));
                } else if (step.sheet() == Sheet.OPEN
                        && !step.care().contains(Care.SHEET_SECURED)
                        && seen.add(step.id()))
                    plan.report(
                            rule(),
                            plan.at(span, step.zones().get(0), span.stint().side()),
                            plan.number(step)
                                    + " is a big movement with the sheet open and not secured: it slides when the limb goes.",
                            "Tuck the edge under or hold it before the limb moves.",
                            new Mend(
                                    "Secure the sheet first",
                                    s -> s.replacing(step.id(), x -> x.with(e -> e.care.add(Care.SHEET_SECURED)))));
            }
        }
    }

    static final class End implements Check {
        @Override
        public Rule rule() {
            return Rule.DRAPE_END;
        }

        @Override
        public void look(Plan plan) {
            var spans = plan.timeline.spans();
            var last = spans.get(spans.size() - 1);
            if (last.open().isEmpty()) return;
            var step = last.stint().step();
            plan.report(
                    rule(),
                    plan.at(last, null, null),
                    plan.number(step) + " is the last one and leaves the "
                            + last.open().iterator().next() + " open: covered at the end, or the treatment ends cold.",
                    "Cover and close.",
                    new Mend("Add cover and close at the end", s -> {
                        var added = step.with(e -> {
                            e.made(s.freshId("cover"), "Cover and close", "still-hold", Tool.PALM, 1, 10, Phase.COVER);
                            e.sheet = Sheet.COVERED;
                            e.lubricant = Lubricant.DRY;
                            e.side = step.zones().stream().anyMatch(Zone::paired) ? Sides.BOTH : Sides.MIDLINE;
                        });
                        return s.appending(added);
                    }));
        }
    }

    /** Work inside the permission: the gluteals as the school reaches them, and bare skin only where bare skin was asked for. */
    static final class Scope implements Check {
        @Override
        public Rule rule() {
            return Rule.CONSENT_SCOPE;
        }

        @Override
        public void look(Plan plan) {
            for (var step : plan.steps) gluteals(plan, step);
            var through = new HashSet<Region>();
            var asked = new HashSet<Region>();
            for (var span : plan.timeline.spans()) {
                var step = span.stint().step();
                for (var zone : step.zones()) {
                    if (!plan.profile.draping().sensitive().contains(zone) || step.depth() == 0) continue;
                    boolean now = step.says(SayKind.CONSENT);
                    if (step.sheet() == Sheet.THROUGH && now) through.add(zone.region());
                    if (step.sheet() == Sheet.OPEN && now) asked.add(zone.region());
                    if (step.sheet() != Sheet.OPEN || !through.contains(zone.region()) || !asked.add(zone.region()))
                        continue;
                    plan.report(
                            rule(),
                            plan.at(span, zone, span.stint().side()),
                            plan.number(step) + " opens " + zone.label().toLowerCase(Locale.ROOT)
                                    + " and permission was given through the sheet only: ask again once it is open.",
                            "Ask again before the skin is touched, or stay on the sheet.",
                            new Mend(
                                    "Ask again in " + plan.number(step).toLowerCase(Locale.ROOT),
                                    s -> s.replacing(
                                            step.id(),
                                            x -> x.saying(Saying.of(
                                                    SayKind.CONSENT,
                                                    "Is it all right without the sheet, on the "
                                                            + zone.label().toLowerCase(Locale.ROOT) + "?")))));
                    break;
                }
            }
        }

        private void gluteals(Plan plan, Step step) {
            var way = plan.profile.draping().gluteals();
            if (step.sheet() != Sheet.OPEN || step.zones().stream().noneMatch(PrerequisiteChecks.GLUTEAL::contains))
                return;
            boolean bothSides = step.side() == Sides.BOTH || step.side() == Sides.MIDLINE;
            if (way == GlutealWay.BARE || way == GlutealWay.SIDE_ONLY && !bothSides) return;
            var zone = step.zones().stream()
                    .filter(PrerequisiteChecks.GLUTEAL::contains)
                    .findFirst()
                    .orElseThrow();
            plan.report(
                    rule(),
                    new Where(step.id(), zone, null, null),
                    plan.number(step) + " bares " + zone.label().toLowerCase(Locale.ROOT)
                            + (way == GlutealWay.THROUGH_SHEET
                                    ? "; this school works them through a taut sheet, which is a full alternative."
                                    : " on both sides; this school bares one side at a time."),
                    way == GlutealWay.THROUGH_SHEET ? "Work through the sheet." : "Open one side at a time.",
                    way == GlutealWay.THROUGH_SHEET
                            ? new Mend(
                                    "Work through the sheet",
                                    s -> s.replacing(
                                            step.id(),
                                            x -> x.with(e -> {
                                                e.sheet = Sheet.THROUGH;
                                                e.lubricant = Lubricant.DRY;
                                            })))
                            : new Mend(
                                    "Do it one side at a time",
                                    s -> s.replacing(step.id(), x -> x.with(e -> e.side = Sides.EACH))));
        }
    }

    static final class CleanHands implements Check {
        private static final Set<Zone> FACE = Set.of(Zone.FACE, Zone.EARS, Zone.JAW_MUSCLES, Zone.INSIDE_MOUTH);

        @Override
        public Rule rule() {
            return Rule.CLEAN_FACE;
        }

        @Override
        public void look(Plan plan) {
            boolean elsewhere = false;
            @Nullable Step dirtied = null;
            for (var step : plan.inTime()) {
                boolean face = step.zones().stream().anyMatch(FACE::contains);
                if (step.care().contains(Care.HANDS_WIPED)) elsewhere = false;
                if (face && elsewhere && dirtied != null && step.depth() > 0) {
                    plan.report(
                            rule(),
                            new Where(step.id(), step.zones().get(0), null, null),
                            plan.number(step) + " goes to the face straight from "
                                    + dirtied.zones().get(0).label().toLowerCase(Locale.ROOT)
                                    + ": what is on the hands ends up in eyes and mouth.",
                            "Wipe the hands before the face.",
                            new Mend(
                                    "Wipe hands before " + plan.number(step).toLowerCase(Locale.ROOT),
                                    s -> s.replacing(step.id(), x -> x.with(e -> e.care.add(Care.HANDS_WIPED)))));
                    return;
                }
                if (!face
                        && step.depth() > 0
                        && (step.lubricant() != Lubricant.DRY
                                || step.zones().get(0).unit().draped())) {
                    elsewhere = true;
                    dirtied = step;
                }
            }
        }
    }
}
