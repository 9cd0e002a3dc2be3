package palmtally.server.register;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.calendar.HourKind;
import palmtally.core.register.EnteredHours;
import palmtally.core.register.LabPlace;
import palmtally.core.register.Presence;
import palmtally.core.register.Register;
import palmtally.core.register.RegisterFinding;
import palmtally.core.register.StudentHours;
import palmtally.formats.Table;
import palmtally.server.audit.Audit;
import palmtally.server.people.Access;
import palmtally.server.people.Attendee;
import palmtally.server.people.Caller;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;
import palmtally.server.profile.Profiles;

/** The hours of the students of a term, by kind, beside what the school asks for. */
@Service
public class TermHours {
    /** @param leftOn the day they left the term, or null */
    public record HoursLine(
            UUID id,
            String name,
            @Nullable LocalDate leftOn,
            List<StudentHours.KindHours> kinds,
            StudentHours.KindHours all,
            int labsMissed,
            List<RegisterFinding> findings) {}

    /** @param hourMinutes minutes of a lab that are one hour */
    public record HoursView(double hourMinutes, List<HoursLine> students) {}

    public record StudentHoursView(UUID term, String name, double hourMinutes, StudentHours hours) {}

    /**
     * @param week of the lab that is made up, with {@code lab}; null where none is
     */
    public record NewHours(
            @Nullable UUID id,
            @Nullable HourKind kind,
            @Nullable Double minutes,
            @Nullable LocalDate on,
            @Nullable Integer week,
            @Nullable Integer lab,
            @Nullable String note) {}

    private final Registers registers;
    private final RegisterRows rows;
    private final Terms terms;
    private final Profiles profiles;
    private final Access access;
    private final Audit audit;
    private final Clock clock;

    TermHours(
            Registers registers,
            RegisterRows rows,
            Terms terms,
            Profiles profiles,
            Access access,
            Audit audit,
            Clock clock) {
        this.registers = registers;
        this.rows = rows;
        this.terms = terms;
        this.profiles = profiles;
        this.access = access;
        this.audit = audit;
        this.clock = clock;
    }

    private record Reckoned(Attendee attendee, StudentHours hours) {}

    public HoursView of(Caller caller, UUID term) {
        var lines = reckoned(term, null).stream()
                .map(r -> new HoursLine(
                        r.attendee.id(),
                        r.attendee.name(),
                        r.attendee.leftOn(),
                        r.hours.kinds(),
                        r.hours.all(),
                        r.hours.labsMissed(),
                        r.hours.findings()))
                .toList();
        audit.readClass(caller, lines.size(), "the hours");
        return new HoursView(hourMinutes(), lines);
    }

    /** @throws Refusal 403 unless the caller teaches that student or is that student, 404 where they are in no such term */
    public StudentHoursView student(Caller caller, UUID term, UUID student) {
        access.maySee(caller, student);
        var found = reckoned(term, student).stream()
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("student in this term"));
        audit.read(caller, student, "the hours");
        return new StudentHoursView(term, found.attendee.name(), hourMinutes(), found.hours);
    }

    /**
     * Hours of a student in a term, for what the school itself states of them: whoever asks was let in before.
     *
     * @throws Refusal 404 where they are not in it
     */
    public StudentHours counted(UUID term, UUID student) {
        return reckoned(term, student).stream()
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("student in this term"))
                .hours;
    }

    /** Their own hours in their newest term; none where they are in no term. */
    public List<StudentHoursView> own(Caller caller) {
        return terms.newestOf(caller.id())
                .map(t -> reckoned(t.id(), caller.id()).stream()
                        .map(r -> new StudentHoursView(t.id(), r.attendee.name(), hourMinutes(), r.hours))
                        .toList())
                .orElse(List.of());
    }

    /** One row a student: hours by kind as they count so far, all of them, what is asked for and what will be lacking. */
    Table table(Caller caller, UUID term) {
        var columns = new ArrayList<>(List.of("student"));
        for (var kind : HourKind.values()) columns.add(kind.label());
        columns.addAll(List.of("made up", "excused and counted", "all", "asked for", "lacking", "labs missed"));
        var lines = new ArrayList<List<@Nullable Object>>();
        var all = reckoned(term, null);
        for (var r : all) {
            var line = new ArrayList<@Nullable Object>(List.of(r.attendee.name()));
            r.hours.kinds().forEach(k -> line.add(k.counts()));
            line.add(r.hours.all().madeUp());
            line.add(r.hours.all().excused());
            line.add(r.hours.all().counts());
            line.add(r.hours.all().asked());
            line.add(r.hours.all().missing());
            line.add(r.hours.labsMissed());
            lines.add(line);
        }
        audit.readClass(caller, all.size(), "the hours");
        return new Table("Hours", columns, lines);
    }

    /** @throws InvalidValue naming every fault */
    public StudentHoursView enter(Caller caller, UUID term, UUID student, NewHours given) {
        terms.mustBeOpen(term);
        mustBeIn(term, student);
        var faults = new ArrayList<Fault>();
        if (given.id == null) faults.add(new Fault("id", "", "is missing"));
        if (given.kind == null) faults.add(new Fault("kind", "", "is missing"));
        if (given.minutes == null) faults.add(new Fault("minutes", "", "is missing"));
        if (given.on == null) faults.add(new Fault("on", "", "is missing"));
        else if (given.on.isAfter(LocalDate.now(clock)))
            faults.add(new Fault("on", given.on.toString(), "is still to come; enter what was done"));
        if ((given.week == null) != (given.lab == null))
            faults.add(new Fault(given.week == null ? "week" : "lab", "", "is missing: which lab is made up?"));
        if (given.id == null || given.kind == null || given.minutes == null || given.on == null || !faults.isEmpty())
            throw new InvalidValue("hours", faults);
        var made = given.week == null || given.lab == null ? null : new LabPlace(given.week, given.lab);
        var entry = new EnteredHours(
                given.id.toString(), given.kind, given.minutes, given.on, made, given.note == null ? "" : given.note);
        if (made != null
                && registers.read(term).labs().held().stream()
                        .noneMatch(h -> h.place().equals(made)))
            throw new InvalidValue("hours", new Fault("lab", made.toString(), "was not held, so nobody missed it"));
        rows.enter(
                term,
                new RegisterRows.Entry(
                        given.id,
                        student,
                        entry.kind(),
                        entry.minutes(),
                        entry.on(),
                        given.week,
                        given.lab,
                        entry.note()),
                caller.id(),
                clock.instant());
        audit.changed(caller, student, "entered hours", entry.kind() + ", " + Math.round(entry.minutes()) + " min");
        return student(caller, term, student);
    }

    public StudentHoursView withdraw(Caller caller, UUID term, UUID student, UUID entry) {
        terms.mustBeOpen(term);
        if (rows.withdraw(term, student, entry, caller.id(), clock.instant()) == 0) throw Refusal.notFound("entry");
        audit.changed(caller, student, "took hours back", "");
        return student(caller, term, student);
    }

    private void mustBeIn(UUID term, UUID student) {
        if (terms.attendees(term).stream().noneMatch(a -> a.id().equals(student)))
            throw Refusal.notFound("student in this term");
    }

    private double hourMinutes() {
        return profiles.ofSchool().document().hours().hourMinutes();
    }

    /** @param one only of this student, or null for all */
    private List<Reckoned> reckoned(UUID term, @Nullable UUID one) {
        var read = registers.read(term);
        Map<UUID, List<EnteredHours>> entered = new HashMap<>();
        for (var e : rows.entries(term))
            entered.computeIfAbsent(e.studentId(), s -> new ArrayList<>())
                    .add(new EnteredHours(
                            e.id().toString(),
                            e.kind(),
                            e.minutes(),
                            e.onDay(),
                            e.week() == null || e.lab() == null ? null : new LabPlace(e.week(), e.lab()),
                            e.note()));
        var attendees = terms.attendees(term).stream()
                .filter(a -> one == null || a.id().equals(one))
                .toList();
        var marked = attendees.stream()
                .map(a -> new Register.Marked(
                        a.id().toString(),
                        registers.from(read, a),
                        registers.until(read, a),
                        marks(read.marks().getOrDefault(a.id(), Map.of())),
                        entered.getOrDefault(a.id(), List.of())))
                .toList();
        var hours = Register.hours(read.labs(), profiles.ofSchool().document(), marked);
        var lines = new ArrayList<Reckoned>();
        for (int i = 0; i < hours.size(); i++) lines.add(new Reckoned(attendees.get(i), hours.get(i)));
        return lines;
    }

    private static Map<LabPlace, Presence> marks(Map<LabPlace, RegisterRows.Mark> marks) {
        Map<LabPlace, Presence> by = new HashMap<>();
        marks.forEach((place, mark) -> {
            if (mark.kind() != null) by.put(place, Registers.presence(mark));
        });
        return by;
    }
}
