package palmtally.server.timetable;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Region;
import palmtally.core.timetable.Lacking;
import palmtally.core.timetable.Placed;
import palmtally.core.timetable.PracticalDay;
import palmtally.core.timetable.Sitting;
import palmtally.core.timetable.Span;
import palmtally.core.timetable.Timetable;
import palmtally.formats.Json;
import palmtally.server.people.Caller;
import palmtally.server.people.Person;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;
import palmtally.server.sequence.Sequences;
import palmtally.server.timetable.DayRows.Day;
import palmtally.server.timetable.DayRows.SittingRow;

/** Days of practicals: asked for, found, changed by hand, and looked at. */
@Service
public class PracticalDays {
    /** A search that has not been heard of for so long is over. */
    static final int DEAD_SECONDS = 10;

    /** @param placed how many have a time and a table */
    public record DayLine(UUID id, LocalDate heldOn, int from, int until, int sittings, int placed, int begun) {}

    /** Somebody in a day. */
    public record DayPerson(UUID id, String name) {}

    /** @param regions those they may grade in this term */
    public record DayStaff(UUID id, String name, boolean grades, Set<Region> regions) {}

    /** When somebody is not there, in minutes after midnight. */
    public record AwayView(
            @Nullable UUID person,
            @Nullable Integer from,
            @Nullable Integer until) {}

    /**
     * One practical of the day.
     *
     * @param begins minutes after midnight, or null where it has no place
     * @param graders who marks it first, and who beside
     * @param practical the one that was begun, or null
     * @param lacks what it lacks or does not keep and what would do, or empty
     */
    public record SittingView(
            UUID id,
            DayPerson student,
            String sequence,
            String sequenceName,
            Region region,
            int minutes,
            boolean twice,
            @Nullable UUID retakeOf,
            boolean locked,
            @Nullable Integer begins,
            @Nullable Integer table,
            List<DayPerson> graders,
            @Nullable DayPerson client,
            @Nullable UUID practical,
            boolean finished,
            String lacks) {}

    /**
     * A day as it stands.
     *
     * @param shown whether those it is about see where they are in it
     * @param over until which minute it is over
     * @param searching whether a better timetable is being looked for
     * @param sensitive the sensitive regions that are worked on, of which their clients must have agreed
     */
    public record DayView(
            UUID id,
            LocalDate heldOn,
            int from,
            int until,
            int minutes,
            int changeOver,
            List<Span> breaks,
            int tables,
            int tablesAGrader,
            boolean shown,
            int over,
            boolean searching,
            List<Integer> starts,
            Set<Region> sensitive,
            List<DayStaff> staff,
            List<DayPerson> students,
            List<AwayView> away,
            List<SittingView> sittings) {}

    /** What a day is to be like. */
    public record DayWish(
            @Nullable LocalDate heldOn,
            @Nullable Integer from,
            @Nullable Integer until,
            @Nullable Integer minutes,
            @Nullable Integer changeOver,
            @Nullable List<Span> breaks,
            @Nullable Integer tables,
            @Nullable Integer tablesAGrader,
            @Nullable List<UUID> graders,
            @Nullable List<SittingWish> sittings) {}

    /** @param minutes null for those of the day */
    public record SittingWish(
            @Nullable UUID student,
            @Nullable String sequence,
            @Nullable Integer minutes,
            @Nullable Boolean twice,
            @Nullable UUID retakeOf) {}

    /** Where somebody puts a practical by hand; without a time and a table it is to be found again. */
    public record PlaceWish(
            @Nullable Integer begins,
            @Nullable Integer table,
            @Nullable List<UUID> graders,
            @Nullable UUID client,
            @Nullable Integer minutes,
            @Nullable Boolean twice,
            @Nullable Boolean locked) {}

    private final DayRows rows;
    private final DayReader reader;
    private final Terms terms;
    private final Sequences sequences;
    private final Clock clock;

    PracticalDays(DayRows rows, DayReader reader, Terms terms, Sequences sequences, Clock clock) {
        this.rows = rows;
        this.reader = reader;
        this.terms = terms;
        this.sequences = sequences;
        this.clock = clock;
    }

    public List<DayLine> of(UUID term) {
        return rows.days(term).stream()
                .map(d -> new DayLine(
                        d.id(), d.heldOn(), d.fromMinute(), d.untilMinute(), d.sittings(), d.placed(), d.begun()))
                .toList();
    }

    Day day(UUID term, UUID id) {
        return rows.day(term, id).orElseThrow(() -> Refusal.notFound("day of practicals"));
    }

    /** The same of an open term, kept from changes by others until the transaction ends. */
    Day lock(UUID term, UUID id) {
        terms.mustBeOpen(term);
        return rows.lock(term, id).orElseThrow(() -> Refusal.notFound("day of practicals"));
    }

    private boolean searching(Day day) {
        return day.search() != null
                && day.searchBeat() != null
                && day.searchBeat().isAfter(clock.instant().minusSeconds(DEAD_SECONDS));
    }

    /** Whether somebody looks for a better timetable of it now. */
    boolean searching(UUID term, UUID id) {
        return rows.day(term, id).filter(this::searching).isPresent();
    }

    public DayView view(UUID term, UUID id) {
        var read = reader.read(day(term, id));
        var day = read.day();
        int over = reader.over(day);
        var lacks = over >= 1440 ? Map.<String, String>of() : lacks(read);
        var begun = rows.begun(id).stream().collect(Collectors.toMap(DayRows.Begun::id, DayRows.Begun::finished));
        var graders = Set.copyOf(rows.graders(id));
        var regions = read.practicals().byGrader();
        return new DayView(
                id,
                day.heldOn(),
                day.fromMinute(),
                day.untilMinute(),
                day.minutes(),
                day.changeOver(),
                DayReader.breaks(day),
                day.tables(),
                day.tablesAGrader(),
                day.shown(),
                over,
                searching(day),
                read.practicals().starts(),
                read.sensitive(),
                read.staff().stream()
                        .map(p -> new DayStaff(
                                p.id(),
                                p.name(),
                                graders.contains(p.id()),
                                regions.containsKey(p.id().toString())
                                        ? regions.get(p.id().toString()).regions()
                                        : Set.of()))
                        .toList(),
                read.practicals().students().stream()
                        .map(s -> new DayPerson(UUID.fromString(s.id()), s.name()))
                        .toList(),
                rows.away(id).stream()
                        .map(a -> new AwayView(a.accountId(), a.fromMinute(), a.untilMinute()))
                        .toList(),
                read.rows().stream()
                        .map(s -> sitting(s, read, begun, lacks.getOrDefault(s.id().toString(), "")))
                        .toList());
    }

    private static SittingView sitting(SittingRow s, DayReader.Read read, Map<UUID, Boolean> begun, String lacks) {
        var sequence = Objects.requireNonNull(read.sequences().get(s.id()));
        return new SittingView(
                s.id(),
                person(s.studentId(), read),
                s.sequence(),
                sequence.name(),
                sequence.region(),
                s.minutes(),
                s.twice(),
                s.retakeOf(),
                s.locked(),
                s.begins(),
                s.tableNumber(),
                Stream.of(s.graderId(), s.secondId())
                        .filter(Objects::nonNull)
                        .map(g -> person(g, read))
                        .toList(),
                s.clientId() == null ? null : person(s.clientId(), read),
                s.practicalId(),
                s.practicalId() != null && begun.getOrDefault(s.practicalId(), true),
                lacks);
    }

    private static DayPerson person(UUID id, DayReader.Read read) {
        return new DayPerson(id, read.names().getOrDefault(id, "somebody who left"));
    }

    /** A sentence for each practical that lacks something, or is locked where it does not keep what is promised. */
    private static Map<String, String> lacks(DayReader.Read read) {
        var lacks = Lacking.of(read.practicals(), read.now()).stream()
                .collect(Collectors.toMap(Lacking::sitting, Lacking::sentence));
        var locked = read.practicals().sittings().stream()
                .filter(s -> s.held() != null)
                .map(Sitting::id)
                .collect(Collectors.toSet());
        for (var b : read.now().broken(byHand(read.open())))
            if (locked.contains(b.sitting()))
                lacks.merge(
                        b.sitting(),
                        "Locked so that this is not kept: " + b.promise().label() + ". Unlock it, or change it.",
                        (one, other) -> one);
        return lacks;
    }

    /** The same day where somebody may be client again for the one whose client they were last: by hand that can be meant. */
    private static PracticalDay byHand(PracticalDay day) {
        return new PracticalDay(
                day.hours(),
                day.minutes(),
                day.changeOver(),
                day.breaks(),
                day.tables(),
                day.tablesAGrader(),
                day.graders(),
                day.students().stream().map(s -> s.withoutLast()).toList(),
                day.sittings());
    }

    /** @throws InvalidValue naming every fault */
    @Transactional
    public UUID make(Caller caller, UUID term, DayWish wish) {
        terms.mustBeOpen(term);
        var id = UUID.randomUUID();
        var day = asked(id, term, wish);
        rows.add(day, caller.id(), clock.instant());
        setGraders(term, id, wish.graders());
        add(term, day, wish.sittings() == null ? List.of() : wish.sittings(), 0);
        return id;
    }

    private Day asked(UUID id, UUID term, DayWish w) {
        var faults = new ArrayList<Fault>();
        if (w.heldOn == null) faults.add(new Fault("heldOn", "", "is missing"));
        if (w.from == null) faults.add(new Fault("from", "", "is missing"));
        if (w.until == null) faults.add(new Fault("until", "", "is missing"));
        if (w.minutes == null) faults.add(new Fault("minutes", "", "is missing"));
        if (w.tables == null) faults.add(new Fault("tables", "", "is missing"));
        if (w.breaks != null && w.breaks.size() > 20)
            faults.add(new Fault("breaks", w.breaks.size() + " breaks", "must be at most 20"));
        if (w.heldOn == null
                || w.from == null
                || w.until == null
                || w.minutes == null
                || w.tables == null
                || !faults.isEmpty()) throw new InvalidValue("day of practicals", faults);
        if (w.heldOn.isBefore(LocalDate.of(2000, 1, 1)) || w.heldOn.isAfter(LocalDate.of(2100, 1, 1)))
            throw new InvalidValue(
                    "day of practicals", new Fault("heldOn", w.heldOn.toString(), "must be from 2000 to 2099"));
        int changeOver = w.changeOver == null ? 5 : w.changeOver;
        int atOnce = w.tablesAGrader == null ? 1 : w.tablesAGrader;
        List<Span> breaks = w.breaks == null ? List.of() : w.breaks;
        // Says what of it cannot be meant.
        new PracticalDay(
                new Span(w.from, w.until),
                w.minutes,
                changeOver,
                breaks,
                w.tables,
                atOnce,
                List.of(),
                List.of(),
                List.of());
        return new Day(
                id,
                term,
                w.heldOn,
                w.from,
                w.until,
                w.minutes,
                changeOver,
                Json.MAPPER.writeValueAsString(breaks),
                w.tables,
                atOnce,
                false,
                null,
                null,
                false);
    }

    private void setGraders(UUID term, UUID day, @Nullable List<UUID> graders) {
        if (graders == null) return;
        var staff = terms.people(term).stream()
                .filter(p -> p.role().staff())
                .map(Person::id)
                .collect(Collectors.toSet());
        for (int i = 0; i < graders.size(); i++)
            if (!staff.contains(graders.get(i)))
                throw new InvalidValue(
                        "day of practicals",
                        new Fault("graders/" + i, graders.get(i).toString(), "is no staff of this term"));
        rows.clearGraders(day);
        for (var g : graders) rows.addGrader(day, g);
    }

    private void add(UUID term, Day day, List<SittingWish> wishes, int before) {
        var faults = new ArrayList<Fault>();
        if (before + wishes.size() > PracticalDay.MOST_SITTINGS)
            throw new InvalidValue(
                    "day of practicals",
                    new Fault(
                            "sittings",
                            before + wishes.size() + " practicals",
                            "must be at most " + PracticalDay.MOST_SITTINGS));
        var students = terms.students(term).stream().map(Person::id).collect(Collectors.toSet());
        var known = new HashSet<String>();
        for (int i = 0; i < wishes.size(); i++) {
            var w = wishes.get(i);
            if (w.student == null || !students.contains(w.student))
                faults.add(new Fault(
                        "sittings/" + i + "/student", String.valueOf(w.student), "is no student of this term"));
            if (w.sequence == null
                    || !known.contains(w.sequence) && sequences.find(w.sequence).isEmpty())
                faults.add(new Fault("sittings/" + i + "/sequence", String.valueOf(w.sequence), "is no sequence"));
            else known.add(w.sequence);
            if (w.minutes != null && (w.minutes < 5 || w.minutes > 240))
                faults.add(new Fault("sittings/" + i + "/minutes", w.minutes.toString(), "must be 5 to 240"));
            if (w.retakeOf != null && (w.student == null || !rows.isOf(w.retakeOf, term, w.student)))
                faults.add(new Fault(
                        "sittings/" + i + "/retakeOf", w.retakeOf.toString(), "is no practical of this student"));
        }
        if (!faults.isEmpty()) throw new InvalidValue("day of practicals", faults);
        for (int i = 0; i < wishes.size(); i++) {
            var w = wishes.get(i);
            rows.addSitting(new SittingRow(
                    UUID.randomUUID(),
                    day.id(),
                    before + i + 1,
                    Objects.requireNonNull(w.student),
                    Objects.requireNonNull(w.sequence),
                    w.minutes == null ? day.minutes() : w.minutes,
                    Boolean.TRUE.equals(w.twice),
                    w.retakeOf,
                    false,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null));
        }
    }

    /** Changes what the day is like and who grades; its practicals stay. */
    @Transactional
    public void change(UUID term, UUID id, DayWish wish) {
        lock(term, id);
        rows.change(asked(id, term, wish));
        setGraders(term, id, wish.graders());
        rows.touch(id);
    }

    /** Takes a day away, or brings it back. */
    @Transactional
    public void withdraw(UUID term, UUID id, boolean withdrawn) {
        terms.mustBeOpen(term);
        if (rows.withdraw(term, id, withdrawn ? clock.instant() : null) == 0)
            throw Refusal.notFound("day of practicals");
        rows.touch(id);
    }

    /** Shows those it is about where they are in it, or hides that again. */
    @Transactional
    public void show(UUID term, UUID id, boolean shown) {
        lock(term, id);
        rows.show(id, shown);
    }

    /** Says who is not there, the whole list at once. */
    @Transactional
    public void setAway(UUID term, UUID id, List<AwayView> away) {
        lock(term, id);
        var known = terms.people(term).stream().map(Person::id).collect(Collectors.toSet());
        var faults = new ArrayList<Fault>();
        if (away.size() > 500) faults.add(new Fault("away", away.size() + " lines", "must be at most 500"));
        for (int i = 0; i < away.size(); i++) {
            var a = away.get(i);
            if (a.person == null || !known.contains(a.person))
                faults.add(new Fault("away/" + i + "/person", String.valueOf(a.person), "is nobody of this term"));
            if (a.from == null || a.until == null || a.from < 0 || a.until > 1440 || a.from >= a.until)
                faults.add(
                        new Fault("away/" + i + "/until", a.from + " to " + a.until, "must be later than it begins"));
        }
        if (!faults.isEmpty()) throw new InvalidValue("day of practicals", faults);
        rows.clearAway(id);
        for (var a : away)
            rows.addAway(
                    id,
                    new DayRows.Away(
                            Objects.requireNonNull(a.person),
                            Objects.requireNonNull(a.from),
                            Objects.requireNonNull(a.until)));
        rows.touch(id);
    }

    @Transactional
    public void add(UUID term, UUID id, List<SittingWish> wishes) {
        var day = lock(term, id);
        int before =
                rows.sittings(id).stream().mapToInt(SittingRow::number).max().orElse(0);
        add(term, day, wishes, before);
        rows.touch(id);
    }

    /** @throws Refusal 409 for one that has begun */
    @Transactional
    public void remove(UUID term, UUID id, UUID sitting) {
        lock(term, id);
        var row = sitting(id, sitting);
        if (row.practicalId() != null) throw begun();
        rows.removeSitting(id, sitting);
        rows.touch(id);
    }

    SittingRow sitting(UUID day, UUID sitting) {
        return rows.sittings(day).stream()
                .filter(s -> s.id().equals(sitting))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("practical of this day"));
    }

    private static Refusal begun() {
        return Refusal.conflict("begun", "This practical has begun; it stays where it is.");
    }

    /**
     * Puts a practical somewhere by hand, locks it there or lets it go.
     *
     * @throws Refusal 409 where a promise would be broken, with which; why two cannot be at one table is told to nobody
     */
    @Transactional
    public void put(UUID term, UUID id, UUID sitting, PlaceWish wish) {
        var day = lock(term, id);
        var row = sitting(id, sitting);
        if (row.practicalId() != null) throw begun();
        if ((wish.begins == null) != (wish.table == null))
            throw new InvalidValue(
                    "practical",
                    new Fault(wish.begins == null ? "begins" : "table", "", "is missing: a place is both"));
        var graders = wish.graders == null ? List.<UUID>of() : wish.graders;
        if (graders.size() > 2)
            throw new InvalidValue("practical", new Fault("graders", graders.size() + " graders", "must be at most 2"));
        int minutes = wish.minutes == null ? row.minutes() : wish.minutes;
        if (wish.begins != null && (wish.begins < 0 || wish.begins + minutes > 1440))
            throw new InvalidValue("practical", new Fault("begins", wish.begins.toString(), "must end within the day"));
        if (minutes < 5 || minutes > 240)
            throw new InvalidValue("practical", new Fault("minutes", String.valueOf(minutes), "must be 5 to 240"));
        mustBeOfTerm(term, graders, wish.client);
        var at = wish.begins == null || wish.table == null
                ? null
                : new Placed(
                        wish.begins,
                        wish.table,
                        graders.stream().map(UUID::toString).toList(),
                        wish.client == null ? null : wish.client.toString());
        var put = row.at(
                at,
                minutes,
                wish.twice == null ? row.twice() : wish.twice,
                at != null && Boolean.TRUE.equals(wish.locked));
        rows.place(put);
        var read = reader.read(day);
        if (read.rows().stream().noneMatch(s -> s.id().equals(sitting)))
            throw Refusal.conflict("left", "This student is not in the term any more.");
        if (wish.begins != null) mustKeep(row, put, read);
        rows.touch(id);
    }

    private void mustBeOfTerm(UUID term, List<UUID> graders, @Nullable UUID client) {
        var faults = new ArrayList<Fault>();
        var people = terms.people(term).stream()
                .collect(Collectors.toMap(Person::id, p -> p.role().staff()));
        for (int i = 0; i < graders.size(); i++)
            if (!Boolean.TRUE.equals(people.get(graders.get(i))))
                faults.add(new Fault("graders/" + i, graders.get(i).toString(), "is no staff of this term"));
        if (client != null && !Boolean.FALSE.equals(people.get(client)))
            faults.add(new Fault("client", client.toString(), "is no student of this term"));
        if (!faults.isEmpty()) throw new InvalidValue("practical", faults);
    }

    private static void mustKeep(SittingRow was, SittingRow put, DayReader.Read read) {
        // What was broken before is not made worse by a lock.
        if (Objects.equals(DayReader.placed(was), DayReader.placed(put)) && was.minutes() == put.minutes()) return;
        var id = put.id().toString();
        var broken = new Timetable(read.now().placed())
                .broken(byHand(read.open())).stream()
                        .filter(b -> b.sitting().equals(id))
                        .map(b -> b.promise().label())
                        .distinct()
                        .toList();
        if (!broken.isEmpty())
            throw Refusal.conflict(
                    "not-there", "It cannot be put there: what is promised is " + String.join("; ", broken) + ".");
    }

    /** Takes everything back to be found anew that is not locked and has not begun. */
    @Transactional
    public void clear(UUID term, UUID id) {
        lock(term, id);
        for (var s : rows.sittings(id)) if (!s.locked() && s.practicalId() == null) rows.place(s.found(null));
        rows.touch(id);
    }

    /** Stores what a search has found so far; nothing where somebody changed the day meanwhile. */
    @Transactional
    public boolean store(UUID term, UUID id, UUID search, Timetable found) {
        var day = rows.lock(term, id).orElse(null);
        if (day == null || !search.equals(day.search())) return false;
        for (var s : rows.sittings(id)) {
            if (s.locked() || s.practicalId() != null) continue;
            var at = found.placed().get(s.id().toString());
            if (Objects.equals(at, DayReader.placed(s))) continue;
            rows.place(s.found(at));
        }
        return true;
    }

    /** Since when a search that is not heard of any more is over. */
    Instant dead() {
        return clock.instant().minusSeconds(DEAD_SECONDS);
    }
}
