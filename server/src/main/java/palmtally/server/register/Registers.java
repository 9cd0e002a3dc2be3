package palmtally.server.register;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.calendar.Curriculum;
import palmtally.core.register.HeldLab;
import palmtally.core.register.LabPlace;
import palmtally.core.register.MissedShowing;
import palmtally.core.register.Presence;
import palmtally.core.register.Register;
import palmtally.core.register.RegisterFinding;
import palmtally.core.register.TermLabs;
import palmtally.formats.Json;
import palmtally.server.calendar.Curricula;
import palmtally.server.people.Attendee;
import palmtally.server.people.Caller;
import palmtally.server.people.Term;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;
import palmtally.server.profile.Profiles;

/** The register of a term: its labs, and who was in which. */
@Service
public class Registers {
    /** From so long before it begins a lab is the one that is marked. */
    private static final Duration EARLY = Duration.ofMinutes(45);

    private static final int MOST_MARKS = 500;

    /**
     * A lab as one line.
     *
     * @param begins or null where the plan gives labs no time
     * @param regions what it is about
     * @param over whether it has ended
     * @param unmarked students of whom nothing is marked
     */
    public record LabLine(
            int week,
            int lab,
            @Nullable Instant begins,
            double minutes,
            String room,
            List<String> regions,
            boolean over,
            int there,
            int late,
            int away,
            int unmarked) {}

    /**
     * @param now the lab that is on, else the next of today, else the last that has begun, else the first; null where there is none
     */
    public record RegisterView(
            List<LabLine> labs, @Nullable LabPlace now, List<RegisterFinding> findings, boolean archived) {}

    /** @param markedBy who marked them, or null where nothing is marked */
    public record SheetLine(
            UUID id,
            String name,
            @Nullable Presence presence,
            @Nullable String markedBy) {}

    /** @param held whether it was marked, so that its parts are those of then and not those of the plan */
    public record Sheet(
            int week,
            int lab,
            @Nullable Instant begins,
            String room,
            double minutes,
            List<HeldLab.LabPart> parts,
            boolean held,
            boolean archived,
            List<SheetLine> students) {}

    /** @param kind null to take back what is marked */
    public record SentPresence(
            @Nullable String id,
            @Nullable UUID student,
            Presence.@Nullable Kind kind,
            @Nullable Double lateMinutes,
            @Nullable Double leftMinutes) {}

    /** A term as the register reads it. */
    record Read(Term term, Curriculum plan, TermLabs labs, Map<UUID, Map<LabPlace, RegisterRows.Mark>> marks) {}

    private final RegisterRows rows;
    private final Terms terms;
    private final Curricula curricula;
    private final Profiles profiles;
    private final Clock clock;

    Registers(RegisterRows rows, Terms terms, Curricula curricula, Profiles profiles, Clock clock) {
        this.rows = rows;
        this.terms = terms;
        this.curricula = curricula;
        this.profiles = profiles;
        this.clock = clock;
    }

    public RegisterView of(UUID id) {
        var read = read(id);
        var attendees = terms.attendees(id);
        var held = held(read);
        // What was held stays, also where the plan has no such lab any more.
        var places = new TreeSet<>(held.keySet());
        for (int week = 1; week <= read.plan.weeks(); week++)
            if (!read.plan.off().contains(week))
                for (int lab = 1; lab <= read.plan.labsAWeek(); lab++) places.add(new LabPlace(week, lab));
        var lines = places.stream()
                .map(p -> line(read, p, held.getOrDefault(p, HeldLab.planned(read.plan, p.week(), p.lab())), attendees))
                .toList();
        return new RegisterView(
                lines,
                now(lines),
                Register.findings(read.labs, profiles.ofSchool().document()),
                read.term.archivedAt() != null);
    }

    private LabLine line(Read read, LabPlace place, HeldLab lab, List<Attendee> attendees) {
        int there = 0;
        int late = 0;
        int away = 0;
        int unmarked = 0;
        for (var a : attendees) {
            var mark = read.marks.getOrDefault(a.id(), Map.of()).get(place);
            if (mark == null || mark.kind() == null) {
                if (theirs(read, a, place)) unmarked++;
            } else if (mark.kind() != Presence.Kind.PRESENT) away++;
            else if (mark.lateMinutes() > 0) late++;
            else there++;
        }
        var begins = begins(read, place);
        return new LabLine(
                place.week(),
                place.lab(),
                begins,
                lab.minutes(),
                room(read.plan, place),
                lab.parts().stream()
                        .map(HeldLab.LabPart::region)
                        .filter(Objects::nonNull)
                        .distinct()
                        .map(Object::toString)
                        .toList(),
                over(read, place),
                there,
                late,
                away,
                unmarked);
    }

    private @Nullable LabPlace now(List<LabLine> labs) {
        var now = clock.instant();
        LabPlace last = null;
        for (var l : labs) {
            var place = new LabPlace(l.week, l.lab);
            if (l.begins == null) {
                if (!l.over) return place;
                last = place;
                continue;
            }
            var ends = l.begins.plusSeconds(Math.round(60 * l.minutes));
            if (now.isBefore(ends)) {
                boolean today = LocalDate.ofInstant(l.begins, clock.getZone()).equals(LocalDate.now(clock));
                return today || !now.isBefore(l.begins.minus(EARLY)) || last == null ? place : last;
            }
            last = place;
        }
        return last;
    }

    public Sheet sheet(UUID id, int week, int lab) {
        var read = read(id);
        var place = place(read, week, lab);
        var held = held(read).get(place);
        var shown = held == null ? HeldLab.planned(read.plan, week, lab) : held;
        var lines = new ArrayList<SheetLine>();
        for (var a : terms.attendees(id)) {
            var mark = read.marks.getOrDefault(a.id(), Map.of()).get(place);
            boolean marked = mark != null && mark.kind() != null;
            if (!marked && !theirs(read, a, place)) continue;
            lines.add(new SheetLine(a.id(), a.name(), marked ? presence(mark) : null, marked ? mark.markedBy() : null));
        }
        return new Sheet(
                week,
                lab,
                begins(read, place),
                room(read.plan, place),
                shown.minutes(),
                shown.parts(),
                held != null,
                read.term.archivedAt() != null,
                lines);
    }

    /**
     * Stores marks; one that is stored already changes nothing.
     *
     * @throws InvalidValue naming every mark that cannot be
     */
    @Transactional
    public Sheet mark(Caller caller, UUID id, int week, int lab, List<SentPresence> sent) {
        terms.mustBeOpen(id);
        var read = read(id);
        var place = place(read, week, lab);
        var known = terms.attendees(id).stream().map(Attendee::id).collect(Collectors.toSet());
        var faults = new ArrayList<Fault>();
        if (sent.isEmpty()) faults.add(new Fault("marks", "", "is empty"));
        if (sent.size() > MOST_MARKS)
            faults.add(new Fault("marks", sent.size() + " marks", "must be at most " + MOST_MARKS));
        for (int i = 0; i < sent.size(); i++) faults.addAll(faults(sent.get(i), "marks/" + i, known));
        if (!faults.isEmpty()) throw new InvalidValue("register", faults);
        var planned = HeldLab.planned(read.plan, week, lab);
        rows.open(
                id,
                week,
                lab,
                planned.minutes(),
                Json.MAPPER.writeValueAsString(planned.parts()),
                caller.id(),
                clock.instant());
        for (var s : sent)
            rows.mark(
                    id,
                    Objects.requireNonNull(s.id),
                    place.week(),
                    place.lab(),
                    Objects.requireNonNull(s.student),
                    s.kind,
                    s.lateMinutes == null ? 0 : s.lateMinutes,
                    s.leftMinutes,
                    caller.id(),
                    clock.instant());
        return sheet(id, week, lab);
    }

    private static List<Fault> faults(SentPresence sent, String at, Set<UUID> known) {
        var faults = new ArrayList<Fault>();
        if (sent.id == null || sent.id.isBlank() || sent.id.length() > 64)
            faults.add(new Fault(at + "/id", String.valueOf(sent.id), "must be 1 to 64 characters"));
        if (sent.student == null || !known.contains(sent.student))
            faults.add(new Fault(at + "/student", String.valueOf(sent.student), "is no student of this term"));
        try {
            if (sent.kind != null)
                new Presence(sent.kind, sent.lateMinutes == null ? 0 : sent.lateMinutes, sent.leftMinutes);
        } catch (InvalidValue e) {
            e.faults().forEach(f -> faults.add(f.under(at)));
        }
        return faults;
    }

    /** Puts right what a lab was made of and how long it was. */
    @Transactional
    public Sheet change(Caller caller, UUID id, int week, int lab, double minutes, List<HeldLab.LabPart> parts) {
        terms.mustBeOpen(id);
        var place = place(read(id), week, lab);
        var held = new HeldLab(place, minutes, parts);
        var json = Json.MAPPER.writeValueAsString(held.parts());
        rows.open(id, week, lab, held.minutes(), json, caller.id(), clock.instant());
        rows.change(id, week, lab, held.minutes(), json, caller.id(), clock.instant());
        return sheet(id, week, lab);
    }

    /** The lab of today, the one that is on or comes next where there are several. */
    public Optional<LabPlace> today(UUID id) {
        var read = read(id);
        var today = LocalDate.now(clock);
        LabPlace found = null;
        for (int lab = 1; lab <= read.plan.times().size(); lab++)
            for (int week = 1; week <= read.plan.weeks(); week++) {
                var place = new LabPlace(week, lab);
                if (read.plan.off().contains(week)
                        || !day(read, place).toLocalDate().equals(today)) continue;
                if (found == null || over(read, found)) found = place;
            }
        return Optional.ofNullable(found);
    }

    /**
     * Where a student who is in the term stands in some of its labs.
     *
     * @param at by lab, each that was asked for
     */
    public record Attended(UUID id, String name, Map<LabPlace, MissedShowing.Attendance> at) {}

    public List<Attended> attendance(UUID id, Set<LabPlace> places) {
        var read = read(id);
        return terms.attendees(id).stream()
                .filter(a -> a.leftOn() == null)
                .map(a -> new Attended(
                        a.id(),
                        a.name(),
                        places.stream()
                                .collect(Collectors.toMap(
                                        p -> p,
                                        p -> new MissedShowing.Attendance(
                                                theirs(read, a, p), presence(read, a.id(), p))))))
                .toList();
    }

    private static @Nullable Presence presence(Read read, UUID student, LabPlace place) {
        var mark = read.marks.getOrDefault(student, Map.of()).get(place);
        return mark == null || mark.kind() == null ? null : presence(mark);
    }

    /** Labs that were marked. */
    public Set<LabPlace> held(UUID id) {
        return held(read(id)).keySet();
    }

    /** The last lab before another that was marked. */
    public Optional<LabPlace> heldBefore(UUID id, LabPlace place) {
        return held(id).stream().filter(p -> p.compareTo(place) < 0).max(Comparator.naturalOrder());
    }

    /** Labs that are not over, the first first. */
    public List<LabPlace> toCome(UUID id) {
        var read = read(id);
        var places = new ArrayList<LabPlace>();
        for (int week = 1; week <= read.plan.weeks(); week++)
            if (!read.plan.off().contains(week))
                for (int lab = 1; lab <= read.plan.labsAWeek(); lab++)
                    if (!over(read, new LabPlace(week, lab))) places.add(new LabPlace(week, lab));
        return places;
    }

    Read read(UUID id) {
        var term = terms.term(id);
        var plan = curricula.newest(id).curriculum();
        Map<UUID, Map<LabPlace, RegisterRows.Mark>> marks = new HashMap<>();
        for (var m : rows.marks(id))
            marks.computeIfAbsent(m.studentId(), s -> new HashMap<>()).put(new LabPlace(m.week(), m.lab()), m);
        var held = rows.held(id).stream().map(Registers::lab).toList();
        var over = new HashSet<LabPlace>();
        for (int week = 1; week <= plan.weeks(); week++)
            for (int lab = 1; lab <= plan.labsAWeek(); lab++)
                if (over(term, plan, new LabPlace(week, lab))) over.add(new LabPlace(week, lab));
        return new Read(term, plan, TermLabs.of(plan, held, over), marks);
    }

    private static HeldLab lab(RegisterRows.Held row) {
        return new HeldLab(
                new LabPlace(row.week(), row.lab()),
                row.minutes(),
                List.of(Json.MAPPER.readValue(row.parts(), HeldLab.LabPart[].class)));
    }

    static Presence presence(RegisterRows.Mark mark) {
        return new Presence(Objects.requireNonNull(mark.kind()), mark.lateMinutes(), mark.leftMinutes());
    }

    private static Map<LabPlace, HeldLab> held(Read read) {
        Map<LabPlace, HeldLab> held = new LinkedHashMap<>();
        read.labs.held().forEach(l -> held.put(l.place(), l));
        return held;
    }

    private LabPlace place(Read read, int week, int lab) {
        boolean held = held(read).containsKey(new LabPlace(week, lab));
        if (!held && (week < 1 || week > read.plan.weeks() || lab < 1 || lab > read.plan.labsAWeek()))
            throw Refusal.notFound("lab");
        return new LabPlace(week, lab);
    }

    private @Nullable Instant begins(Read read, LabPlace place) {
        return begins(read.term, read.plan, place);
    }

    private @Nullable Instant begins(Term term, Curriculum plan, LabPlace place) {
        if (place.lab() > plan.times().size()) return null;
        return plan.begins(term.startsOn(), place.week(), place.lab())
                .map(t -> t.atZone(zone()).toInstant())
                .orElse(null);
    }

    private boolean over(Read read, LabPlace place) {
        return over(read.term, read.plan, place);
    }

    private boolean over(Term term, Curriculum plan, LabPlace place) {
        var begins = begins(term, plan, place);
        var ends = begins == null
                ? term.startsOn().plusWeeks(place.week()).atStartOfDay(zone()).toInstant()
                : begins.plusSeconds(Math.round(60 * plan.labMinutes()));
        return !clock.instant().isBefore(ends);
    }

    private static String room(Curriculum plan, LabPlace place) {
        return place.lab() > plan.times().size()
                ? ""
                : plan.times().get(place.lab() - 1).room();
    }

    /** Whether somebody was in the term on the day of a lab. */
    private boolean theirs(Read read, Attendee a, LabPlace place) {
        return place.compareTo(from(read, a)) >= 0
                && (a.leftOn() == null || place.compareTo(Objects.requireNonNull(until(read, a))) <= 0);
    }

    /** The first lab that is on the day somebody joined or after it; one they are marked in is theirs too. */
    LabPlace from(Read read, Attendee a) {
        var first = a.joinedOn() == null ? new LabPlace(1, 1) : firstFrom(read, a.joinedOn());
        for (var marked : read.marks.getOrDefault(a.id(), Map.of()).entrySet())
            if (marked.getValue().kind() != null && marked.getKey().compareTo(first) < 0) first = marked.getKey();
        return first;
    }

    /** The last lab before the day somebody left, or null while they are in the term; one they are marked in is theirs too. */
    @Nullable
    LabPlace until(Read read, Attendee a) {
        if (a.leftOn() == null) return null;
        var last = new LabPlace(0, 0);
        for (int week = 1; week <= read.plan.weeks(); week++)
            for (int lab = 1; lab <= read.plan.labsAWeek(); lab++) {
                var place = new LabPlace(week, lab);
                if (day(read, place).toLocalDate().isBefore(a.leftOn())) last = place;
            }
        for (var marked : read.marks.getOrDefault(a.id(), Map.of()).entrySet())
            if (marked.getValue().kind() != null && marked.getKey().compareTo(last) > 0) last = marked.getKey();
        return last;
    }

    private LabPlace firstFrom(Read read, LocalDate day) {
        for (int week = 1; week <= read.plan.weeks(); week++)
            for (int lab = 1; lab <= read.plan.labsAWeek(); lab++) {
                var place = new LabPlace(week, lab);
                if (!day(read, place).toLocalDate().isBefore(day)) return place;
            }
        return new LabPlace(read.plan.weeks() + 1, 1);
    }

    /** When a lab is; where the plan gives it no time, at the end of its week. */
    private LocalDateTime day(Read read, LabPlace place) {
        var begins = begins(read, place);
        return begins == null
                ? read.term.startsOn().plusWeeks(place.week()).minusDays(1).atStartOfDay()
                : LocalDateTime.ofInstant(begins, zone());
    }

    private ZoneId zone() {
        return clock.getZone();
    }
}
