package palmtally.core.calendar;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hipparchus.util.FastMath;
import palmtally.core.Sums;
import palmtally.core.body.Zone;
import palmtally.core.calendar.TermFinding.TermMend;
import palmtally.core.calendar.TermFinding.TermPlace;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Hours;
import palmtally.core.technique.Tool;

/** Whether the hours hold what is planned in them, and whether the plan holds what it should. */
final class RoomChecks {
    private RoomChecks() {}

    static void full(TermPlan plan) {
        var term = plan.term;
        for (int w = 1; w <= term.weeks(); w++)
            for (int lab = 1; lab <= term.labsAWeek(); lab++) {
                int week = w;
                int at = lab;
                var lessons = term.lessons().stream()
                        .filter(l -> l.week() == week && l.lab() == at)
                        .toList();
                if (lessons.isEmpty()) continue;
                double minutes = term.minutes(w, lab);
                boolean off = term.off().contains(w);
                if (!off && minutes <= term.labMinutes() + 1e-6) continue;
                plan.report(
                        TermRules.FULL,
                        TermPlace.lab(w, lab),
                        off
                                ? "Week " + w + " is off, but lab " + lab + " has " + FastMath.round(minutes)
                                        + " minutes planned: nobody will be there."
                                : "Week " + w + ", lab " + lab + " holds " + FastMath.round(minutes)
                                        + " minutes in a lab of "
                                        + FastMath.round(term.labMinutes())
                                        + ": whole parts are dropped when the clock runs out.",
                        off
                                ? "Move its lessons to other weeks."
                                : "Move or shorten " + FastMath.round(minutes - term.labMinutes()) + " minutes of it.",
                        () -> backwards(lessons).stream().flatMap(l -> plan.moves(l, 1, term.weeks())));
            }
    }

    private static List<Lesson> backwards(List<Lesson> lessons) {
        var back = new ArrayList<>(lessons);
        java.util.Collections.reverse(back);
        return back;
    }

    static void hours(TermPlan plan) {
        var term = plan.term;
        if (term.targetHours() > 0 && term.plannedHours() < term.targetHours() - 0.01)
            plan.report(
                    TermRules.HOURS,
                    TermPlace.TERM,
                    "The term plans " + hours(term.plannedHours()) + " of the " + hours(term.targetHours())
                            + " hours the school asks for"
                            + (term.roomHours() < term.targetHours() - 0.01
                                    ? "; its labs have only " + hours(term.roomHours()) + "."
                                    : "."),
                    term.roomHours() < term.targetHours() - 0.01
                            ? "Add labs or weeks: the hours do not fit."
                            : "Plan " + hours(term.targetHours() - term.plannedHours()) + " hours more.",
                    Stream::of);
        hoursByKind(plan);
        term.regionHours().forEach((region, asked) -> {
            double planned = Sums.of(term.lessons().stream()
                            .filter(l -> l.region() == region)
                            .mapToDouble(Lesson::minutes))
                    / 60;
            if (planned < asked - 0.01)
                plan.report(
                        TermRules.HOURS,
                        TermPlace.of(region),
                        region.label() + " has " + hours(planned) + " of the " + hours(asked) + " hours asked for.",
                        "Plan " + hours(asked - planned) + " hours more of it.",
                        Stream::of);
        });
    }

    /** Hours of each kind that labs have, the open minutes as the school counts them. */
    private static void hoursByKind(TermPlan plan) {
        var term = plan.term;
        var rules = plan.profile.hours();
        var few = new ArrayList<String>();
        double lacking = 0;
        for (var kind : HourKind.values()) {
            double asked = term.kindHours().getOrDefault(kind, 0.0);
            if (!kind.inLabs() || asked <= 0) continue;
            double minutes = Sums.of(term.lessons().stream()
                    .filter(l -> l.aim().hours() == kind && !term.off().contains(l.week()))
                    .mapToDouble(Lesson::minutes));
            if (kind == HourKind.SUPERVISED_PRACTICE && rules.openMinutes() == Hours.OpenMinutes.PRACTICE)
                minutes += term.openMinutes();
            double planned = minutes / rules.hourMinutes();
            if (planned >= asked - 0.01) continue;
            few.add(hours(planned) + " of the " + hours(asked) + " hours of " + kind.label());
            lacking += asked - planned;
        }
        if (few.isEmpty()) return;
        plan.report(
                TermRules.HOURS_OF_KINDS,
                TermPlace.TERM,
                "The labs have only " + String.join(", ", few) + " that the school asks for.",
                "Plan " + hours(lacking) + " hours more of "
                        + (few.size() == 1 ? "it, or ask for less." : "them, or ask for less."),
                Stream::of);
    }

    static String hours(double hours) {
        var text = String.valueOf(FastMath.round(hours * 10) / 10.0);
        return text.endsWith(".0") ? text.substring(0, text.length() - 2) : text;
    }

    /** Minutes a lesson needs for its sequence: as demonstrated; twice where students change roles; once to be graded or met again. */
    static double needed(Aim aim, SequenceFacts.Facts facts) {
        return switch (aim) {
                    case EXPLAIN -> 0;
                    case TEACH -> facts.classSeconds();
                    case PRACTISE -> 2 * facts.seconds();
                    case ASSESS, MEET_AGAIN -> facts.seconds();
                }
                / 60;
    }

    static void sequence(TermPlan plan) {
        var stopped = new HashSet<String>();
        for (var l : plan.term.lessons()) {
            if (l.sequence() == null) {
                if (l.aim() == Aim.EXPLAIN) continue;
                var only = plan.facts.only(l.region());
                plan.report(
                        TermRules.SEQUENCE,
                        plan.profile.severity(TermRules.SEQUENCE) == Severity.OFF ? Severity.OFF : Severity.HINT,
                        TermPlace.of(l),
                        "Week " + l.week() + ": \"" + TermPlan.what(l)
                                + "\" has no sequence, so nothing says which tools and positions it covers.",
                        "Choose one.",
                        () -> only == null
                                ? Stream.of()
                                : Stream.of(new TermMend(
                                        "Take \"" + plan.facts.sequence(only).name() + "\"",
                                        plan.term.with(l.showing(only)))));
                continue;
            }
            var s = plan.sequence(l);
            if (s == null) {
                plan.report(
                        TermRules.SEQUENCE,
                        TermPlace.of(l),
                        "Week " + l.week() + ": \"" + TermPlan.what(l) + "\" names the sequence \"" + l.sequence()
                                + "\", which is not here.",
                        "Choose another, or read it from its file.",
                        Stream::of);
                continue;
            }
            var facts = plan.facts.of(s, l);
            double needed = needed(l.aim(), facts);
            if (facts.stops() > 0 && !stopped.add(s.id())) continue;
            if (facts.stops() > 0)
                plan.report(
                        TermRules.SEQUENCE,
                        TermPlace.of(l),
                        "Week " + l.week() + ": \"" + s.name() + "\" has " + facts.stops()
                                + (facts.stops() == 1 ? " stop." : " stops.") + " It is not to be shown as it is.",
                        "Open the sequence and mend it.",
                        Stream::of);
            else if (needed > l.minutes() + 0.5)
                plan.report(
                        TermRules.SEQUENCE,
                        TermPlace.of(l),
                        "Week " + l.week() + ": \"" + s.name() + "\" needs " + (int) Math.ceil(needed)
                                + " minutes to be "
                                + l.aim().done() + (l.aim() == Aim.PRACTISE ? " by both of a pair" : "")
                                + ", the lesson has " + FastMath.round(l.minutes()) + ".",
                        "Lengthen the lesson, or fit the sequence to it.",
                        () -> needed > 480
                                ? Stream.of()
                                : Stream.of(new TermMend(
                                        "Make it " + roundUp(needed) + " minutes",
                                        plan.term.with(l.lasting(roundUp(needed))))));
        }
    }

    private static int roundUp(double minutes) {
        return (int) (Math.ceil(minutes / 5) * 5);
    }

    static void cover(TermPlan plan) {
        var coverage = Coverage.of(plan.term, plan.facts.byId(), plan.profile);
        for (var region : plan.term.regions()) {
            var cells =
                    coverage.cells().stream().filter(c -> c.region() == region).toList();
            var used = EnumSet.noneOf(Tool.class);
            var possible = EnumSet.noneOf(Tool.class);
            for (var c : cells) {
                if (c.expected()) possible.add(c.tool());
                if (!c.empty()) used.add(c.tool());
            }
            possible.removeAll(used);
            var criteria = EnumSet.allOf(Criterion.class);
            criteria.removeAll(coverage.reach(region).keySet());
            if (Arrays.stream(Zone.values())
                    .noneMatch(z -> z.region() == region && z.unit().draped())) criteria.remove(Criterion.DRAPING);
            if (used.isEmpty() || possible.isEmpty() && criteria.isEmpty()) continue;
            var parts = new ArrayList<String>();
            if (!possible.isEmpty())
                parts.add("never worked with "
                        + possible.stream().map(Tool::label).collect(Collectors.joining(", ")));
            if (!criteria.isEmpty())
                parts.add("never an occasion for "
                        + criteria.stream()
                                .map(c -> c.label().toLowerCase(Locale.ROOT))
                                .collect(Collectors.joining(", ")));
            plan.report(
                    TermRules.COVER,
                    TermPlace.of(region),
                    region.label() + ": " + String.join("; ", parts) + ".",
                    "Add a step or a sequence that does, or leave it out knowingly.",
                    Stream::of);
        }
    }
}
