package palmtally.core.calendar;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.calendar.TermFinding.TermPlace;
import palmtally.core.finding.Rule;
import palmtally.core.sequence.Sequence;

/** The order in which regions and their lessons come (common practice, no source). */
final class LessonChecks {
    private static final Set<Zone> FRONT_OF_NECK = Set.of(Zone.THROAT, Zone.NECK_SIDE, Zone.STRAP_MUSCLE);

    private LessonChecks() {}

    private static String label(Region region) {
        return region.label();
    }

    static void taught(TermPlan plan) {
        for (var region : plan.byRegion.keySet()) {
            var taught = plan.first(region, Aim.TEACH);
            for (var l : plan.of(region)) {
                if (l.aim() == Aim.TEACH || taught != null && plan.before(taught, l)) continue;
                plan.report(
                        TermRules.TAUGHT,
                        TermPlace.of(l),
                        label(region) + " is " + l.aim().done() + " in week " + l.week()
                                + (taught == null
                                        ? " but never taught."
                                        : " but taught only in week " + taught.week() + ".")
                                + " Students are asked for what they were not shown.",
                        taught == null
                                ? "Teach it before week " + l.week() + "."
                                : "Teach it earlier, or move this lesson behind week " + taught.week() + ".",
                        () -> taught == null
                                ? plan.additions(region, Aim.TEACH, 45, l.week(), 1, l.week())
                                : Stream.concat(
                                        plan.moves(l, taught.week(), plan.term.weeks()),
                                        plan.moves(taught, 1, l.week())));
            }
        }
    }

    static void practised(TermPlan plan) {
        for (var region : plan.byRegion.keySet()) {
            var taught = plan.first(region, Aim.TEACH);
            var assessed = plan.first(region, Aim.ASSESS);
            if (taught == null || assessed == null || !plan.before(taught, assessed)) continue;
            boolean between = plan.of(region).stream()
                    .anyMatch(l -> l.aim() == Aim.PRACTISE && plan.before(taught, l) && plan.before(l, assessed));
            if (between) continue;
            plan.report(
                    TermRules.PRACTISED,
                    TermPlace.of(assessed),
                    label(region) + " is taught in week " + taught.week() + " and assessed in week " + assessed.week()
                            + " with no practice between: what is graded then is memory, not hands.",
                    "Practise it between the two.",
                    () -> plan.additions(region, Aim.PRACTISE, 60, taught.week(), taught.week(), assessed.week()));
        }
    }

    static void assessed(TermPlan plan) {
        for (var region : plan.byRegion.keySet()) {
            var taught = plan.first(region, Aim.TEACH);
            if (taught == null || plan.first(region, Aim.ASSESS) != null) continue;
            plan.report(
                    TermRules.ASSESSED,
                    TermPlace.of(region),
                    label(region) + " is taught in week " + taught.week()
                            + " and never assessed: nobody can say at the end who is able to do it.",
                    "Assess it after it was practised.",
                    () -> plan.additions(region, Aim.ASSESS, 60, taught.week() + 2, taught.week(), plan.term.weeks()));
        }
    }

    /** Weeks in which a region comes, from the one it is taught in. */
    private static List<Integer> meetings(TermPlan plan, Region region, Lesson taught) {
        var weeks = new TreeSet<Integer>();
        for (var l : plan.of(region)) if (l.week() >= taught.week()) weeks.add(l.week());
        return new ArrayList<>(weeks);
    }

    /**
     * How many meetings after week {@code week} the term has room for, when each gap grows as the profile asks but never beyond the
     * longest: 1, then the last times the growth, rounded up.
     */
    static int room(int week, int weeks, double growth, double longest) {
        int count = 0;
        int gap = 1;
        for (int at = week + gap; at <= weeks; at += gap) {
            count++;
            gap = next(gap, growth, longest);
        }
        return count;
    }

    /** The least gap, in weeks, that may follow one of {@code gap} weeks. */
    static int next(int gap, double growth, double longest) {
        return (int) Math.max(1, Math.min(Math.ceil(gap * growth - 1e-9), Math.floor(longest)));
    }

    static void metAgain(TermPlan plan) {
        var terms = plan.profile.terms();
        for (var region : plan.byRegion.keySet()) {
            var taught = plan.first(region, Aim.TEACH);
            if (taught == null) continue;
            var weeks = meetings(plan, region, taught);
            int wanted = Math.min(
                    terms.meetings(),
                    room(taught.week(), plan.term.weeks(), terms.gapGrowth(), terms.longestGapWeeks()));
            int last = weeks.get(weeks.size() - 1);
            int lastGap = weeks.size() > 1 ? last - weeks.get(weeks.size() - 2) : 0;
            if (weeks.size() - 1 < wanted) {
                int after = lastGap == 0 ? 1 : next(lastGap, terms.gapGrowth(), terms.longestGapWeeks());
                plan.report(
                        TermRules.AGAIN,
                        TermPlace.of(region),
                        label(region) + " is taught in week " + taught.week() + " and comes back in "
                                + times(weeks.size() - 1) + "; this school asks for " + wanted
                                + ", because what is not met again fades.",
                        "Meet it again, later each time.",
                        () -> plan.additions(
                                region, Aim.MEET_AGAIN, 20, last + after, last + after, plan.term.weeks()));
            }
            for (int i = 1; i < weeks.size(); i++) {
                int gap = weeks.get(i) - weeks.get(i - 1);
                var lesson = last(plan, region, weeks.get(i));
                int least = i < 2
                        ? 1
                        : next(weeks.get(i - 1) - weeks.get(i - 2), terms.gapGrowth(), terms.longestGapWeeks());
                int before = weeks.get(i - 1);
                if (gap > terms.longestGapWeeks())
                    plan.report(
                            TermRules.AGAIN,
                            TermPlace.of(lesson),
                            label(region) + " is not met for " + gap + " weeks, from week " + before + " to "
                                    + weeks.get(i) + "; " + number(terms.longestGapWeeks()) + " is the longest here.",
                            "Meet it once between.",
                            () -> Stream.concat(
                                    plan.moves(lesson, before + 1, lesson.week() - 1),
                                    plan.additions(
                                            region,
                                            Aim.MEET_AGAIN,
                                            20,
                                            before + (int) terms.longestGapWeeks(),
                                            before + 1,
                                            lesson.week() - 1)));
                else if (gap < least && lesson.aim() == Aim.MEET_AGAIN)
                    plan.report(
                            TermRules.AGAIN,
                            TermPlace.of(lesson),
                            label(region) + " comes back " + gap + (gap == 1 ? " week" : " weeks") + " after week "
                                    + before + ", sooner than the time before: gaps that grow keep it longer.",
                            "Meet it again from week " + (before + least) + " on.",
                            () -> plan.moves(lesson, before + least, plan.term.weeks()));
            }
        }
    }

    private static Lesson last(TermPlan plan, Region region, int week) {
        return plan.of(region).stream()
                .filter(l -> l.week() == week)
                .reduce((a, b) -> b)
                .orElseThrow();
    }

    private static String times(int n) {
        return n == 0 ? "no later week" : n == 1 ? "1 later week" : n + " later weeks";
    }

    private static String number(double value) {
        return value == FastMath.rint(value) ? String.valueOf((long) value) : String.valueOf(value);
    }

    static void jawAfterNeck(TermPlan plan) {
        after(
                plan,
                TermRules.PREREQ_JAW_AFTER_NECK,
                l -> l.region() == Region.JAW || works(plan, l, z -> z.region() == Region.JAW),
                l -> l.region() == Region.NECK && l.aim() == Aim.TEACH,
                "the neck",
                "a jaw pulls on a neck that is not ready",
                Region.NECK);
    }

    static void frontAfterBackOfNeck(TermPlan plan) {
        after(
                plan,
                TermRules.PREREQ_FRONT_AFTER_BACK_OF_NECK,
                l -> works(plan, l, FRONT_OF_NECK::contains),
                l -> works(plan, l, z -> z == Zone.NECK_BACK || z == Zone.BASE_OF_SKULL),
                "the back of the neck",
                "vessels and nerves leave no room for hands that are still searching",
                null);
    }

    private static void after(
            TermPlan plan,
            Rule rule,
            Predicate<Lesson> dependent,
            Predicate<Lesson> prerequisite,
            String what,
            String why,
            @Nullable Region teach) {
        var lessons = plan.term.lessons();
        var first = lessons.stream().filter(prerequisite).findFirst();
        for (var l : lessons) {
            if (!dependent.test(l) || prerequisite.test(l)) continue;
            if (first.isPresent() && plan.before(first.get(), l)) continue;
            plan.report(
                    rule,
                    TermPlace.of(l),
                    label(l.region()) + " is " + l.aim().done() + " in week " + l.week() + " before " + what
                            + " was taught: " + why + ".",
                    "Teach " + what + " first.",
                    () -> Stream.concat(
                            first.map(f -> plan.moves(f, 1, l.week())).orElse(Stream.of()),
                            Stream.concat(
                                    first.map(f -> plan.moves(l, f.week(), plan.term.weeks()))
                                            .orElse(Stream.of()),
                                    teach != null && first.isEmpty()
                                            ? plan.additions(teach, Aim.TEACH, 45, l.week(), 1, l.week())
                                            : Stream.of())));
        }
    }

    private static boolean works(TermPlan plan, Lesson l, Predicate<Zone> zone) {
        Sequence s = plan.sequence(l);
        return s != null
                && s.steps().stream().anyMatch(step -> step.zones().stream().anyMatch(zone));
    }

    static void glutealAfterDrapes(TermPlan plan) {
        int wanted = plan.profile.terms().cleanDrapes();
        var drapes = plan.term.lessons().stream()
                .filter(l -> l.aim().handsOn() && l.region() != Region.HIP && drapesLeg(plan, l))
                .toList();
        for (var l : plan.term.lessons()) {
            boolean gluteal = l.aim().handsOn()
                    && (l.region() == Region.HIP || works(plan, l, z -> z == Zone.GLUTEALS || z == Zone.HIP_ROTATORS));
            if (!gluteal) continue;
            long had = drapes.stream().filter(d -> plan.before(d, l)).count();
            if (had >= wanted) return;
            plan.report(
                    TermRules.PREREQ_GLUTEAL_AFTER_DRAPES,
                    TermPlace.of(l),
                    label(l.region()) + " is " + l.aim().done() + " in week " + l.week() + " after " + had + " of "
                            + wanted
                            + " hands-on lessons with a draped leg: the guarded area comes after clean drapes.",
                    "Practise the thigh or the lower leg first, or move this lesson later.",
                    () -> drapes.size() >= wanted
                            ? plan.moves(l, drapes.get(wanted - 1).week(), plan.term.weeks())
                            : Stream.of());
            return;
        }
    }

    private static boolean drapesLeg(TermPlan plan, Lesson l) {
        var s = plan.sequence(l);
        if (s != null) return plan.facts.of(s).drapesLeg();
        return switch (l.region()) {
            case THIGH, KNEE, LOWER_LEG, FOOT -> true;
            default -> false;
        };
    }
}
