package palmtally.server.handout;

import static palmtally.server.handout.Press.escape;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.TextStyle;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import palmtally.core.calendar.Curriculum;
import palmtally.core.calendar.Lesson;
import palmtally.core.calendar.TermChecks;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Timeline;
import palmtally.core.technique.ScopeTopic;
import palmtally.core.technique.Stroke;

/** The labs of one week on one page: what comes when, who leads it, what to lay out, what to mind. */
final class WeekSheet {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.UK);

    private final Curriculum term;
    private final int week;
    private final Map<String, Sequence> sequences;
    private final Profile profile;

    WeekSheet(Curriculum term, int week, Map<String, Sequence> sequences, Profile profile) {
        this.term = term;
        this.week = week;
        this.sequences = sequences;
        this.profile = profile;
    }

    /** @param duties names of those who teach and grade, by region and task */
    String html(String school, LocalDate from, Map<String, List<String>> duties) {
        var out = new StringBuilder("<h1>Week " + week + " of " + term.weeks() + "</h1><p class=\"soft\">"
                + escape(school)
                + " · " + escape(term.name()) + " · from " + DAY.format(from) + " to " + DAY.format(from.plusDays(6))
                + "</p>");
        if (term.off().contains(week)) out.append("<p class=\"box\"><b>This week is off.</b></p>");
        for (int lab = 1; lab <= term.labsAWeek(); lab++) lab(out, lab, duties);
        out.append(layOut()).append(mind());
        return out.append(
                        "<h2>Notes</h2><div class=\"rule\"></div><div class=\"rule\"></div><div class=\"rule\"></div>")
                .toString();
    }

    private void lab(StringBuilder out, int lab, Map<String, List<String>> duties) {
        var lessons = term.week(week).stream().filter(l -> l.lab() == lab).toList();
        double minutes = term.minutes(week, lab);
        out.append("<h2>Lab ")
                .append(lab)
                .append(" <span class=\"small soft\">")
                .append(Math.round(minutes))
                .append(" of ")
                .append(Math.round(term.labMinutes()))
                .append(" minutes planned")
                .append(when(lab))
                .append("</span></h2>");
        if (lessons.isEmpty()) {
            out.append("<p class=\"soft\">Nothing planned.</p>");
            return;
        }
        out.append(
                "<table><thead><tr><th style=\"width:11%\">Clock</th><th style=\"width:10%\">What</th><th style=\"width:15%\">Region</th>"
                        + "<th style=\"width:24%\">Sequence</th><th style=\"width:11%\">Who</th><th>Note</th></tr></thead><tbody>");
        // By the clock on the wall where it is known, else from the beginning of the lab.
        double begins = term.times().isEmpty() ? 0 : term.times().get(lab - 1).minutes();
        double at = 0;
        for (var l : lessons) {
            var s = l.sequence() == null ? null : sequences.get(l.sequence());
            out.append("<tr><td class=\"n\">")
                    .append(hours(begins + at))
                    .append(" – ")
                    .append(hours(begins + at + l.minutes()))
                    .append("</td><td><b>")
                    .append(l.aim().toString().replace('-', ' '))
                    .append("</b></td><td>")
                    .append(escape(l.region().label()))
                    .append("</td><td>")
                    .append(
                            s == null
                                    ? "–"
                                    : escape(s.name()) + only(l, s) + ", "
                                            + SequenceSheet.clock(Timeline.of(l.part(s), profile)
                                                    .totalSeconds()) + " a client")
                    .append("</td><td>")
                    .append(escape(who(l, duties)))
                    .append("</td><td>")
                    .append(escape(l.note()))
                    .append("</td></tr>");
            at += l.minutes();
        }
        if (at < term.labMinutes())
            out.append("<tr><td class=\"n\">")
                    .append(hours(begins + at))
                    .append(" – ")
                    .append(hours(begins + term.labMinutes()))
                    .append("</td><td colspan=\"5\" class=\"soft\">free</td></tr>");
        out.append("</tbody></table>");
    }

    private String when(int lab) {
        if (term.times().isEmpty()) return "";
        var t = term.times().get(lab - 1);
        return " · " + DayOfWeek.of(t.day()).getDisplayName(TextStyle.FULL, Locale.UK) + ", " + t.begins()
                + (t.room().isEmpty() ? "" : ", " + escape(t.room()));
    }

    private static String only(Lesson l, Sequence s) {
        return l.steps().isEmpty()
                ? ""
                : ", only " + escape(l.part(s).steps().stream().map(Step::name).collect(Collectors.joining(", ")));
    }

    private static String hours(double minutes) {
        long m = Math.round(minutes);
        return m / 60 + ":" + String.format(Locale.ROOT, "%02d", m % 60);
    }

    private static String who(Lesson l, Map<String, List<String>> duties) {
        var task = l.aim() == palmtally.core.calendar.Aim.ASSESS ? "grade" : "teach";
        return String.join(", ", duties.getOrDefault(l.region() + "/" + task, List.of()));
    }

    /** Positions, lubricants, heat and cold of the week's sequences. */
    private String layOut() {
        Set<String> needs = new TreeSet<>();
        for (var l : term.week(week)) {
            var s = l.sequence() == null ? null : sequences.get(l.sequence());
            if (s == null) continue;
            for (var step : s.steps()) {
                if (step.lubricant() != Lubricant.DRY)
                    needs.add(step.lubricant().toString().replace('-', ' '));
                if (step.technique().stroke() == Stroke.HEAT) needs.add("heat");
                if (step.technique().stroke() == Stroke.COLD) needs.add("cold");
                needs.add("table for " + step.position().toString().replace('-', ' '));
            }
        }
        return needs.isEmpty() ? "" : "<h2>To lay out</h2><p>" + escape(String.join(", ", needs)) + "</p>";
    }

    private String mind() {
        var lines = new LinkedHashSet<String>();
        var checks = TermChecks.run(term, sequences.values(), profile);
        for (var f : checks.findings())
            if (f.severity().compareTo(Severity.WARN) >= 0
                    && f.where().week() != null
                    && f.where().week() == week) lines.add(f.sentence());
        var shown = term.week(week).stream()
                .map(Lesson::sequence)
                .filter(Objects::nonNull)
                .distinct()
                .map(sequences::get)
                .filter(Objects::nonNull)
                .toList();
        SequenceSheet.permission(shown, profile).ifPresent(lines::add);
        var topics = shown.stream()
                .flatMap(s -> s.steps().stream())
                .flatMap(s -> s.topics().stream())
                .collect(Collectors.toCollection(LinkedHashSet::new));
        for (var t : topics)
            lines.add(t.label() + ": " + t.caution() + " This school: "
                    + profile.scope(t).label() + ".");
        var out = new StringBuilder("<div class=\"box\">");
        lines.forEach(l -> out.append("<p>").append(escape(l)).append("</p>"));
        return out.append("<p><b>Usual cautions for teaching, not medical advice. ")
                .append(ScopeTopic.WHO_DECIDES)
                .append("</b></p></div>")
                .toString();
    }
}
