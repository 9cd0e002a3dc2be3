package palmtally.server.handout;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import palmtally.core.competency.Competency.State;
import palmtally.core.competency.Gate;
import palmtally.core.finding.Criterion;
import palmtally.server.competency.CohortSteps;
import palmtally.server.competency.Lookout;
import palmtally.server.competency.Lookout.ForecastLine;
import palmtally.server.competency.Tracking;
import palmtally.server.competency.Tracking.Bar;

/** Track on paper: what is handed to a student, what a school keeps of a cohort, and the list to carry onto the floor. */
final class TrackReports {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.UK);
    private static final DateTimeFormatter HOUR = DateTimeFormatter.ofPattern("EEEE d MMMM, HH:mm", Locale.UK);
    private static final int GOALS = 8;
    private static final int STEPS = 8;

    /** How broad a palm of a cohort is at most, how much room all of a row have, and what is between two of them, millimetres. */
    private static final double PALM = 17;

    private static final double PALMS = 140;
    private static final double GAP = 3;

    private final Head.HeadView head;
    private final ZoneId zone;

    TrackReports(Head.HeadView head, ZoneId zone) {
        this.head = head;
        this.zone = zone;
    }

    private String day(Instant at) {
        return DAY.format(at.atZone(zone));
    }

    private static String whole(@Nullable Double value) {
        return value == null ? "–" : String.valueOf(Math.round(value));
    }

    private static String counted(long n, String noun) {
        return n + " " + noun + (n == 1 ? "" : "s");
    }

    private static String term(double week, int weeks, double cut, String way) {
        return "week " + Math.min(weeks, (int) Math.floor(week) + 1) + " of " + weeks + " · cut " + whole(cut)
                + " · by the " + way;
    }

    /** A region of a student: the palm, and a line a criterion. */
    record RegionView(String name, String palm, String spoken, List<LineView> lines) {}

    /** @param line name of the drawing of its level over the term */
    record LineView(String criterion, String state, String line, String spoken, String why) {}

    record GoalView(String goal, String from) {}

    record PracticalView(String day, String sequence, String grader, String mean, String result) {}

    Document student(Tracking.Student s, Instant now) {
        var document = new Document(
                "student",
                s.student().name(),
                "Where " + s.student().name() + " stands in week " + whole(Math.floor(s.week()) + 1));
        Map<State, Integer> states = new EnumMap<>(State.class);
        s.regions().forEach(r -> r.lines().forEach(l -> states.merge(l.bar().state(), 1, Integer::sum)));
        var regions = s.regions().stream()
                .filter(r -> r.lines().stream().anyMatch(l -> l.bar().level() != null))
                .map(r -> region(document, r, s))
                .toList();
        var w = s.worked();
        return document.with("head", head)
                .with("when", term(s.week(), s.weeks(), s.cut(), s.way()) + " · " + day(now))
                .with(
                        "states",
                        states.entrySet().stream()
                                .map(e -> e.getValue() + " " + e.getKey())
                                .collect(Collectors.joining(", ")))
                .with("regions", regions)
                .with("gates", s.gates().stream().map(Gate.Passage::why).toList())
                .with(
                        "worked",
                        counted(w.practicals(), "practical")
                                + String.format(
                                        Locale.ROOT,
                                        ", %.1f hours at work and %.1f on the table; %s worked on, %s.",
                                        w.hours(),
                                        w.hoursOnTable(),
                                        w.bodies() == 1 ? "1 body" : w.bodies() + " bodies",
                                        counted(w.rounds(), "practice round")))
                .with(
                        "goals",
                        s.goals().stream()
                                .limit(GOALS)
                                .map(g -> new GoalView(g.goal(), day(g.at()) + ", " + g.sequence()))
                                .toList())
                .with(
                        "practicals",
                        s.practicals().stream()
                                .filter(p -> p.result() != null && p.voidReason() == null)
                                .map(p -> new PracticalView(
                                        day(p.startedAt()),
                                        p.sequence(),
                                        p.grader(),
                                        whole(p.mean()),
                                        String.valueOf(p.result())))
                                .toList());
    }

    private static RegionView region(Document document, Tracking.RegionLines region, Tracking.Student s) {
        var palm =
                new PalmDrawing(region.lines().stream().map(Tracking.Line::bar).toList());
        var lines = new ArrayList<LineView>();
        for (var l : region.lines()) {
            var line = new TermLine(l.history(), s.weeks(), s.cut());
            var next = l.pace() == null || l.history().isEmpty()
                    ? ""
                    : " " + l.pace().why();
            lines.add(new LineView(
                    l.bar().criterion().label(),
                    l.bar().state().toString(),
                    document.draws(line),
                    line.spoken(),
                    l.bar().why() + next));
        }
        return new RegionView(region.region().label(), document.draws(palm), palm.spoken(), lines);
    }

    /** @param marks what needs a look, by letter */
    record PalmView(String drawing, String spoken, String marks) {}

    record StudentView(String name, List<PalmView> palms, int secure) {}

    record MissedView(String step, String sequence, List<Integer> counts) {}

    record SlowView(String name, String region, String criterion, String why) {}

    Document cohort(Tracking.Cohort c, CohortSteps.Heat heat, Lookout.Forecast forecast, Instant now) {
        var document = new Document("cohort", c.name(), "Where the class stands: a palm for each student and region");
        var students = new ArrayList<StudentView>();
        for (var s : c.students()) {
            var palms = new ArrayList<PalmView>();
            for (var p : s.palms()) {
                var palm = new PalmDrawing(p.bars());
                palms.add(new PalmView(document.draws(palm), palm.spoken(), marks(p.bars())));
            }
            students.add(new StudentView(s.name(), palms, s.secure()));
        }
        return document.with("head", head)
                .with(
                        "when",
                        term(c.week(), c.weeks(), c.cut(), c.way()) + " · "
                                + counted(c.students().size(), "student") + " · "
                                + counted(c.practicals(), "practical") + " · " + day(now))
                .with("regions", c.regions().stream().map(r -> r.label()).toList())
                .with(
                        "palmWidth",
                        Math.min(PALM, PALMS / Math.max(1, c.regions().size()) - GAP))
                .with("students", students)
                .with(
                        "missed",
                        heat.steps().stream()
                                .limit(STEPS)
                                .map(m -> new MissedView(
                                        m.name(),
                                        m.sequenceName(),
                                        List.of(
                                                m.asked(),
                                                m.missed(),
                                                m.outOfOrder(),
                                                m.overCeiling(),
                                                m.leftSilent())))
                                .toList())
                .with(
                        "slow",
                        forecast.lines().stream()
                                .sorted(Comparator.comparing(ForecastLine::name).thenComparing(ForecastLine::region))
                                .map(l -> new SlowView(
                                        l.name(),
                                        l.region().label(),
                                        l.criterion().label(),
                                        l.pace().why()))
                                .toList());
    }

    private static String marks(List<Bar> bars) {
        return bars.stream()
                .filter(b ->
                        b.state() == State.OPEN_CRITICAL || b.state() == State.AT_RISK || b.state() == State.DUE_AGAIN)
                .map(b -> sign(b.state()) + letter(b.criterion()))
                .collect(Collectors.joining(" "));
    }

    private static String sign(State state) {
        return state == State.OPEN_CRITICAL ? "×" : state == State.AT_RISK ? "!" : "○";
    }

    private static char letter(Criterion criterion) {
        return criterion.name().charAt(0);
    }

    record LookView(int number, String name, String region, String at, int minutes, String why) {}

    Document looks(Lookout.WatchList list, Instant now) {
        var lab = list.lab();
        var title = lab == null ? "What to look at" : "What to look at in week " + lab.week();
        var when = lab == null
                ? day(now)
                : lab.begins() == null
                        ? "lab " + lab.lab()
                        : HOUR.format(lab.begins().atZone(zone));
        var looks = new ArrayList<LookView>();
        for (var l : list.looks())
            looks.add(new LookView(
                    looks.size() + 1,
                    l.name(),
                    l.region().label(),
                    l.whole()
                            ? "whole practical"
                            : l.reasons().stream()
                                    .map(r -> r.criterion().label())
                                    .collect(Collectors.joining(", ")),
                    (int) Math.ceil(l.minutes()),
                    l.why()));
        return new Document("looks", title, "Whom to look at in the coming lab, for what and how long")
                .with("head", head)
                .with("when", when + " · " + Math.round(list.used()) + " of " + Math.round(list.minutes()) + " minutes")
                .with("looks", looks)
                .with(
                        "missing",
                        list.missing().stream().map(Lookout.NoLook::why).toList());
    }
}
