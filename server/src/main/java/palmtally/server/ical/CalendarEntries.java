package palmtally.server.ical;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import palmtally.core.calendar.Aim;
import palmtally.core.calendar.Lesson;
import palmtally.core.calendar.TermCalendar;
import palmtally.core.calendar.TermCalendar.CalendarLab;
import palmtally.formats.ical.CalendarEntry;
import palmtally.formats.ical.CalendarFile;
import palmtally.server.calendar.Curricula;
import palmtally.server.people.Access;
import palmtally.server.people.Caller;
import palmtally.server.people.School;
import palmtally.server.people.Substitutes;
import palmtally.server.people.Terms;
import palmtally.server.sequence.Sequences;
import palmtally.server.timetable.OwnSittings;
import palmtally.server.timetable.PracticalDays;

/** What stands in a calendar: labs, practicals, and when a term begins and its hours are due. Nobody is named in it. */
@Service
public class CalendarEntries {
    /** Days for which practicals stay in a calendar. */
    private static final int KEPT_DAYS = 120;

    private static final Pattern LAB = Pattern.compile("lab-(\\d{1,2})-(\\d)-([0-9a-f-]{36})");
    private static final Pattern SITTING = Pattern.compile("practical-([0-9a-f-]{36})");

    private final Terms terms;
    private final Substitutes substitutes;
    private final Access access;
    private final Curricula curricula;
    private final Sequences sequences;
    private final OwnSittings own;
    private final PracticalDays days;
    private final School school;
    private final Clock clock;

    CalendarEntries(
            Terms terms,
            Substitutes substitutes,
            Access access,
            Curricula curricula,
            Sequences sequences,
            OwnSittings own,
            PracticalDays days,
            School school,
            Clock clock) {
        this.terms = terms;
        this.substitutes = substitutes;
        this.access = access;
        this.curricula = curricula;
        this.sequences = sequences;
        this.own = own;
        this.days = days;
        this.school = school;
        this.clock = clock;
    }

    /** Somebody's own calendar as a file. */
    public String own(Caller caller) {
        var entries = new ArrayList<CalendarEntry>();
        var takes = substitutes.takes(caller.id());
        // The term of a lab that is theirs for a day is not their own.
        var mine = terms.of(caller).stream()
                .filter(t -> !t.archived()
                        && (takes.stream().noneMatch(s -> s.term().equals(t.id())) || access.belongs(caller, t.id())))
                .toList();
        for (var term : mine) entries.addAll(labs(term.id(), mine.size() > 1 ? term.cohort() + ": " : ""));
        for (var s : takes) if (mine.stream().noneMatch(t -> t.id().equals(s.term()))) entries.addAll(taken(s));
        for (var s : own.of(caller, LocalDate.now(clock).minusDays(KEPT_DAYS)))
            entries.add(CalendarEntry.at(
                    "practical-" + s.id(),
                    switch (s.does()) {
                        case SHOWS -> "Practical: " + s.sequence();
                        case IS_CLIENT -> "On the table in a practical: " + s.sequence();
                        case GRADES -> "Practical to grade: " + s.sequence();
                        case GRADES_BESIDE -> "Practical to mark beside: " + s.sequence();
                    },
                    s.heldOn().atStartOfDay().plusMinutes(s.begins()),
                    s.minutes(),
                    "Table " + s.table(),
                    ""));
        return CalendarFile.write(school.name(), clock.getZone(), clock.instant(), entries);
    }

    /** The calendar of a term as a file: its labs and all its practicals. */
    public String ofTerm(UUID term) {
        var entries = new ArrayList<>(labs(term, ""));
        for (var day : days.of(term))
            for (var s : days.view(term, day.id()).sittings())
                if (s.begins() != null && s.table() != null)
                    entries.add(CalendarEntry.at(
                            "practical-" + s.id(),
                            "Practical: " + s.sequenceName(),
                            day.heldOn().atStartOfDay().plusMinutes(s.begins()),
                            s.minutes(),
                            "Table " + s.table(),
                            ""));
        var of = terms.term(term);
        return CalendarFile.write(school.name() + ", " + of.cohort(), clock.getZone(), clock.instant(), entries);
    }

    private List<CalendarEntry> labs(UUID id, String before) {
        var term = terms.term(id);
        var plan = curricula.newest(id).curriculum();
        Map<String, String> names = new HashMap<>();
        var entries = new ArrayList<CalendarEntry>();
        entries.add(CalendarEntry.on("begins-" + id, before + term.name() + " begins", term.startsOn(), ""));
        for (var lab : TermCalendar.labs(plan, term.startsOn())) entries.add(lab(id, lab, before, names));
        entries.add(CalendarEntry.on(
                "ends-" + id,
                before + term.name() + " ends, hours are due",
                term.startsOn().plusWeeks(term.weeks()).minusDays(1),
                ""));
        return entries;
    }

    private CalendarEntry lab(UUID term, CalendarLab lab, String before, Map<String, String> names) {
        return CalendarEntry.at(
                "lab-" + lab.week() + "-" + lab.lab() + "-" + term,
                before + title(lab),
                lab.begins(),
                lab.minutes(),
                lab.room(),
                lab.lessons().stream().map(l -> words(l, names)).collect(Collectors.joining("\n")));
    }

    /** A lab that somebody takes in the place of another, where the plan still has it. */
    private List<CalendarEntry> taken(Substitutes.TakenLab s) {
        var term = terms.term(s.term());
        return TermCalendar.labs(curricula.newest(s.term()).curriculum(), term.startsOn()).stream()
                .filter(l -> l.week() == s.week() && l.lab() == s.lab())
                .map(l -> lab(s.term(), l, term.cohort() + ", as a substitute: ", new HashMap<>()))
                .toList();
    }

    private static String title(CalendarLab lab) {
        var assessed = regions(lab, true);
        var others = regions(lab, false);
        var said = new ArrayList<String>();
        if (!others.isEmpty()) said.add("Lab: " + others);
        if (!assessed.isEmpty()) said.add((others.isEmpty() ? "Assessed: " : "assessed: ") + assessed);
        return said.isEmpty() ? "Lab" : String.join("; ", said);
    }

    private static String regions(CalendarLab lab, boolean assessed) {
        return lab.lessons().stream()
                .filter(l -> (l.aim() == Aim.ASSESS) == assessed)
                .map(l -> l.region().label())
                .collect(Collectors.toCollection(LinkedHashSet::new))
                .stream()
                .collect(Collectors.joining(", "));
    }

    private String words(Lesson l, Map<String, String> names) {
        var of = l.sequence() == null
                ? ""
                : names.computeIfAbsent(
                        l.sequence(),
                        s -> sequences.find(s).map(v -> v.document().name()).orElse(""));
        return l.region().label() + " " + l.aim().done() + ", " + Math.round(l.minutes()) + " min"
                + (of.isEmpty() ? "" : ": " + of);
    }

    /** Which lab of a term an entry is: its week and its number, or nothing. */
    static int[] lab(CalendarEntry entry, UUID term) {
        Matcher m = LAB.matcher(entry.uid());
        return m.matches() && m.group(3).equals(term.toString())
                ? new int[] {Integer.parseInt(m.group(1)), Integer.parseInt(m.group(2))}
                : new int[0];
    }

    /** The practical of a day that an entry is, or an empty text. */
    static String sitting(CalendarEntry entry) {
        Matcher m = SITTING.matcher(entry.uid());
        return m.matches() ? m.group(1) : "";
    }
}
