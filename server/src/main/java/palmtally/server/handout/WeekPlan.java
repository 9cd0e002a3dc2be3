package palmtally.server.handout;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import palmtally.core.calendar.Aim;
import palmtally.core.calendar.Curriculum;
import palmtally.core.calendar.LayOut;
import palmtally.core.calendar.LayOut.Need;
import palmtally.core.calendar.Lesson;
import palmtally.core.calendar.TermChecks;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Timeline;
import palmtally.core.technique.ScopeTopic;

/** The labs of one week on one page: what comes when, who leads it, what to lay out, what to mind. */
final class WeekPlan {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.UK);

    private final Curriculum term;
    private final int week;
    private final Map<String, Sequence> sequences;
    private final Profile profile;
    private final int students;

    /** @param students how many there are in the class */
    WeekPlan(Curriculum term, int week, Map<String, Sequence> sequences, Profile profile, int students) {
        this.term = term;
        this.week = week;
        this.sequences = sequences;
        this.profile = profile;
        this.students = students;
    }

    /**
     * @param planned minutes planned of minutes there are
     * @param free from when to when nothing is planned, or empty
     */
    record Lab(int number, String planned, String when, List<Row> rows, String free, List<Need> needs) {}

    record Row(String clock, String aim, String region, String sequence, String who, String note) {}

    /** @param duties names of those who teach and grade, by region and task */
    Document document(String school, LocalDate from, Map<String, List<String>> duties) {
        var labs = new ArrayList<Lab>();
        for (int lab = 1; lab <= term.labsAWeek(); lab++) labs.add(lab(lab, duties));
        int tables = LayOut.tables(students);
        return new Document("week", "Week " + week, term.name() + ", what is done in the labs of week " + week)
                .with("week", week)
                .with("weeks", term.weeks())
                .with("school", school)
                .with("term", term.name())
                .with("from", DAY.format(from))
                .with("to", DAY.format(from.plusDays(6)))
                .with("off", term.off().contains(week))
                .with("labs", labs)
                .with("tables", tables + (tables == 1 ? " table" : " tables"))
                .with("mind", mind());
    }

    private Lab lab(int lab, Map<String, List<String>> duties) {
        var lessons = lessons().stream().filter(l -> l.lab() == lab).toList();
        double minutes = term.minutes(week, lab);
        // By the clock on the wall where it is known, else from the beginning of the lab.
        double begins = term.times().isEmpty() ? 0 : term.times().get(lab - 1).minutes();
        double at = 0;
        var rows = new ArrayList<Row>();
        for (var l : lessons) {
            rows.add(new Row(
                    hours(begins + at) + " – " + hours(begins + at + l.minutes()),
                    l.aim().toString().replace('-', ' '),
                    l.region().label(),
                    sequence(l),
                    who(l, duties),
                    l.note()));
            at += l.minutes();
        }
        boolean left = at < term.labMinutes() && !lessons.isEmpty();
        return new Lab(
                lab,
                Math.round(minutes) + " of " + Math.round(term.labMinutes()) + " minutes planned",
                when(lab),
                rows,
                left ? hours(begins + at) + " – " + hours(begins + term.labMinutes()) : "",
                LayOut.of(shown(lessons), LayOut.tables(students)));
    }

    private List<Lesson> lessons() {
        return term.week(week);
    }

    /** Each sequence once. */
    private List<Sequence> shown(List<Lesson> lessons) {
        return lessons.stream()
                .map(Lesson::sequence)
                .filter(Objects::nonNull)
                .distinct()
                .map(sequences::get)
                .filter(Objects::nonNull)
                .toList();
    }

    private String sequence(Lesson l) {
        var s = l.sequence() == null ? null : sequences.get(l.sequence());
        if (s == null) return "–";
        var only = l.steps().isEmpty()
                ? ""
                : ", only " + l.part(s).steps().stream().map(Step::name).collect(Collectors.joining(", "));
        return s.name() + only + ", "
                + SequenceHandout.clock(Timeline.of(l.part(s), profile).totalSeconds()) + " a client";
    }

    private String when(int lab) {
        if (term.times().isEmpty()) return "";
        var t = term.times().get(lab - 1);
        return " · " + DayOfWeek.of(t.day()).getDisplayName(TextStyle.FULL, Locale.UK) + ", " + t.begins()
                + (t.room().isEmpty() ? "" : ", " + t.room());
    }

    /** Minutes are to an hour what seconds are to a minute. */
    private static String hours(double minutes) {
        return SequenceHandout.clock(minutes);
    }

    private static String who(Lesson l, Map<String, List<String>> duties) {
        var task = l.aim() == Aim.ASSESS ? "grade" : "teach";
        return String.join(", ", duties.getOrDefault(l.region() + "/" + task, List.of()));
    }

    private Set<String> mind() {
        var lines = new LinkedHashSet<String>();
        var checks = TermChecks.run(term, sequences.values(), profile);
        for (var f : checks.findings())
            if (f.severity().compareTo(Severity.WARN) >= 0
                    && f.where().week() != null
                    && f.where().week() == week) lines.add(f.sentence());
        var shown = shown(lessons());
        SequenceHandout.permission(shown, profile).ifPresent(lines::add);
        shown.stream()
                .flatMap(s -> s.steps().stream())
                .flatMap(s -> s.topics().stream())
                .distinct()
                .map((ScopeTopic t) -> SequenceHandout.caution(t, profile))
                .forEach(lines::add);
        return lines;
    }
}
