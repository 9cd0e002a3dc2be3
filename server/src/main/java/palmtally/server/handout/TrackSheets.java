package palmtally.server.handout;

import static palmtally.server.handout.Press.escape;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import palmtally.core.competency.Competency.State;
import palmtally.core.finding.Criterion;
import palmtally.server.competency.CohortSteps;
import palmtally.server.competency.Lookout;
import palmtally.server.competency.Tracking;
import palmtally.server.competency.Tracking.Bar;

/** Track on paper: what is handed to a student, what a school keeps of a cohort, and the list to carry onto the floor. */
final class TrackSheets {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.UK);
    private static final DateTimeFormatter HOUR = DateTimeFormatter.ofPattern("EEEE d MMMM, HH:mm", Locale.UK);
    private static final int GOALS = 8;
    private static final int STEPS = 8;

    private final String school;
    private final ZoneId zone;

    TrackSheets(String school, ZoneId zone) {
        this.school = school;
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

    private String head(String title, String about) {
        return "<h1>" + escape(title) + "</h1><p class=\"soft\">" + escape(school) + " · " + escape(about) + "</p>";
    }

    private static String term(double week, int weeks, double cut, String way) {
        return "week " + Math.min(weeks, (int) Math.floor(week) + 1) + " of " + weeks + " · cut " + whole(cut)
                + " · by the " + way;
    }

    String student(Tracking.Student s, Instant now) {
        var out = new StringBuilder(
                head(s.student().name(), term(s.week(), s.weeks(), s.cut(), s.way()) + " · " + day(now)));
        Map<State, Integer> states = new EnumMap<>(State.class);
        s.regions().forEach(r -> r.lines().forEach(l -> states.merge(l.bar().state(), 1, Integer::sum)));
        out.append("<p class=\"box\">");
        var parts = new ArrayList<String>();
        states.forEach((state, n) -> parts.add(n + " " + state));
        out.append(escape(String.join(", ", parts))).append(".</p>");
        for (var r : s.regions()) {
            if (r.lines().stream().allMatch(l -> l.bar().level() == null)) continue;
            out.append("<h2>")
                    .append(escape(r.region().label()))
                    .append("</h2><table><thead><tr><th>Criterion</th><th>State</th><th class=\"n\">Level</th>")
                    .append("<th class=\"n\">Looks</th><th>Why, and what is next</th></tr></thead><tbody>");
            for (var l : r.lines())
                out.append("<tr><td class=\"k\">")
                        .append(escape(l.bar().criterion().label()))
                        .append("</td><td class=\"k\">")
                        .append(l.bar().state())
                        .append("</td><td class=\"n\">")
                        .append(level(l.bar()))
                        .append("</td><td class=\"n\">")
                        .append(l.history().size())
                        .append("</td><td>")
                        .append(escape(l.bar().why()))
                        .append(
                                l.pace() == null || l.history().isEmpty()
                                        ? ""
                                        : " " + escape(l.pace().why()))
                        .append("</td></tr>");
            out.append("</tbody></table>");
        }
        if (s.regions().stream()
                .flatMap(r -> r.lines().stream())
                .allMatch(l -> l.bar().level() == null)) out.append("<p>Nothing has been seen and released yet.</p>");
        out.append("<h2>Gates</h2>");
        s.gates().forEach(g -> out.append("<p>").append(escape(g.why())).append("</p>"));
        var w = s.worked();
        out.append("<h2>Hours and bodies</h2><p>")
                .append(counted(w.practicals(), "practical"))
                .append(String.format(
                        Locale.ROOT,
                        ", %.1f hours at work and %.1f on the table; %s worked on, %s.",
                        w.hours(),
                        w.hoursOnTable(),
                        w.bodies() == 1 ? "1 body" : w.bodies() + " bodies",
                        counted(w.rounds(), "practice round")))
                .append("</p>");
        if (!s.goals().isEmpty()) {
            out.append("<h2>Own goals</h2>");
            s.goals().stream()
                    .limit(GOALS)
                    .forEach(g -> out.append("<p>")
                            .append(escape(g.goal()))
                            .append(" <span class=\"soft\">")
                            .append(escape(day(g.at()) + ", " + g.sequence()))
                            .append("</span></p>"));
        }
        if (!s.practicals().isEmpty()) {
            out.append(
                    "<h2>Practicals</h2><table><thead><tr><th>Day</th><th>Sequence</th><th>Grader</th><th class=\"n\">Mean</th><th>Result</th></tr></thead><tbody>");
            for (var p : s.practicals())
                if (p.result() != null && p.voidReason() == null)
                    out.append("<tr><td class=\"k\">")
                            .append(day(p.startedAt()))
                            .append("</td><td>")
                            .append(escape(p.sequence()))
                            .append("</td><td>")
                            .append(escape(p.grader()))
                            .append("</td><td class=\"n\">")
                            .append(whole(p.mean()))
                            .append("</td><td>")
                            .append(escape(p.result().toString()))
                            .append("</td></tr>");
            out.append("</tbody></table>");
        }
        return out.append("<h2>Notes</h2><div class=\"rule\"></div><div class=\"rule\"></div>")
                .toString();
    }

    private static String level(Bar bar) {
        return bar.level() == null ? "–" : whole(bar.level());
    }

    String cohort(Tracking.Cohort c, CohortSteps.Heat heat, Lookout.Forecast forecast, Instant now) {
        var out = new StringBuilder(head(
                c.name(),
                term(c.week(), c.weeks(), c.cut(), c.way()) + " · "
                        + counted(c.students().size(), "student") + " · " + counted(c.practicals(), "practical") + " · "
                        + day(now)));
        out.append(
                "<p>Each cell: how many of the five criteria are secure; below it what needs a look: × open critical, ! at risk, ○ due again.</p>");
        out.append("<table><thead><tr><th class=\"who\">Student</th>");
        c.regions().forEach(r -> out.append("<th>").append(escape(r.label())).append("</th>"));
        out.append("<th class=\"n\">Secure</th></tr></thead><tbody>");
        for (var s : c.students()) {
            out.append("<tr><td>").append(escape(s.name())).append("</td>");
            for (var p : s.palms()) {
                boolean seen = p.bars().stream().anyMatch(b -> b.level() != null);
                out.append("<td class=\"k\">").append(seen ? p.secure() + " of 5" : "not seen");
                var marks = marks(p.bars());
                if (!marks.isEmpty()) out.append("<br/>").append(escape(marks));
                out.append("</td>");
            }
            out.append("<td class=\"n\">").append(s.secure()).append("</td></tr>");
        }
        out.append("</tbody></table>");
        if (!heat.steps().isEmpty()) {
            out.append(
                    "<h2>What the class misses most</h2><table><thead><tr><th>Step</th><th>Sequence</th><th class=\"n\">Asked</th><th class=\"n\">Not done</th><th class=\"n\">Out of order</th><th class=\"n\">Over the ceiling</th><th class=\"n\">Left silent</th></tr></thead><tbody>");
            heat.steps().stream().limit(STEPS).forEach(s -> {
                out.append("<tr><td>")
                        .append(escape(s.name()))
                        .append("</td><td>")
                        .append(escape(s.sequenceName()));
                for (int n : new int[] {s.asked(), s.missed(), s.outOfOrder(), s.overCeiling(), s.leftSilent()})
                    out.append("</td><td class=\"n\">").append(n);
                out.append("</td></tr>");
            });
            out.append("</tbody></table>");
        }
        out.append("<h2>Not secure by the end of the term at this pace</h2>");
        if (forecast.lines().isEmpty()) out.append("<p>Nobody, of what was seen twice or more.</p>");
        else {
            out.append(
                    "<table><thead><tr><th class=\"who\">Student</th><th>Region</th><th>Criterion</th><th>What would have to be seen</th></tr></thead><tbody>");
            forecast.lines().stream()
                    .sorted(java.util.Comparator.comparing(Lookout.ForecastLine::name)
                            .thenComparing(Lookout.ForecastLine::region))
                    .forEach(l -> out.append("<tr><td>")
                            .append(escape(l.name()))
                            .append("</td><td>")
                            .append(escape(l.region().label()))
                            .append("</td><td>")
                            .append(escape(l.criterion().label()))
                            .append("</td><td>")
                            .append(escape(l.pace().why()))
                            .append("</td></tr>"));
            out.append("</tbody></table>");
        }
        return out.toString();
    }

    private static String marks(List<Bar> bars) {
        var marks = new StringBuilder();
        for (var b : bars) {
            var sign = switch (b.state()) {
                case OPEN_CRITICAL -> "×";
                case AT_RISK -> "!";
                case DUE_AGAIN -> "○";
                default -> null;
            };
            if (sign != null)
                marks.append(marks.isEmpty() ? "" : " ").append(sign).append(letter(b.criterion()));
        }
        return marks.toString();
    }

    private static char letter(Criterion criterion) {
        return criterion.name().charAt(0);
    }

    String looks(Lookout.WatchList list, Instant now) {
        var lab = list.lab();
        var out = new StringBuilder(head(
                lab == null ? "What to look at" : "What to look at in week " + lab.week(),
                (lab == null
                                ? day(now)
                                : lab.begins() == null
                                        ? "lab " + lab.lab()
                                        : HOUR.format(lab.begins().atZone(zone)))
                        + " · " + Math.round(list.used()) + " of " + Math.round(list.minutes()) + " minutes"));
        var missing = new StringBuilder();
        for (var m : list.missing())
            missing.append("<p>").append(escape(m.why())).append("</p>");
        if (list.looks().isEmpty())
            return out.append(missing.isEmpty() ? "<p>Nothing needs a look.</p>" : "<p>No look can be set up.</p>")
                    .append(missing)
                    .toString();
        out.append(
                "<table><thead><tr><th></th><th class=\"who\">Student</th><th>Region</th><th>Look at</th><th class=\"n\">Min</th><th>Why</th><th>Seen</th></tr></thead><tbody>");
        int n = 0;
        for (var l : list.looks()) {
            out.append("<tr><td class=\"n\">")
                    .append(++n)
                    .append("</td><td>")
                    .append(escape(l.name()))
                    .append("</td><td>")
                    .append(escape(l.region().label()))
                    .append("</td><td>");
            if (l.whole()) out.append("whole practical");
            else
                out.append(escape(String.join(
                        ", ",
                        l.reasons().stream().map(r -> r.criterion().label()).toList())));
            out.append("</td><td class=\"n\">")
                    .append((int) Math.ceil(l.minutes()))
                    .append("</td><td>")
                    .append(escape(l.why()))
                    .append("</td><td>□</td></tr>");
        }
        return out.append("</tbody></table>").append(missing).toString();
    }
}
