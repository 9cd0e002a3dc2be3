package palmtally.server.timetable;

import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import palmtally.core.body.Region;
import palmtally.core.pairing.Pair;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.timetable.DayGrader;
import palmtally.core.timetable.DayStudent;
import palmtally.core.timetable.Placed;
import palmtally.core.timetable.PracticalDay;
import palmtally.core.timetable.Sitting;
import palmtally.core.timetable.Span;
import palmtally.core.timetable.Timetable;
import palmtally.formats.Json;
import palmtally.server.note.AgreedRegions;
import palmtally.server.pairing.KeptApart;
import palmtally.server.pairing.Spared;
import palmtally.server.people.Duties;
import palmtally.server.people.Person;
import palmtally.server.people.Role;
import palmtally.server.people.Terms;
import palmtally.server.profile.Profiles;
import palmtally.server.sequence.Sequences;
import palmtally.server.timetable.DayRows.Day;
import palmtally.server.timetable.DayRows.SittingRow;
import tools.jackson.core.type.TypeReference;

/** A day of practicals as the core asks for it, with all that is known of those who are in it. */
@Component
class DayReader {
    /** So long after its time a practical that has not begun is still taken for one that is about to. */
    private static final int GRACE_MINUTES = 10;

    /**
     * @param rows the practicals that are to be held, in order
     * @param practicals the day for a search: what is locked or has begun is held
     * @param open the same with nothing held but what has begun
     * @param sensitive the sensitive regions that are worked on
     * @param names of everybody in it
     */
    record Read(
            Day day,
            List<SittingRow> rows,
            PracticalDay practicals,
            PracticalDay open,
            Timetable now,
            Map<UUID, Sequence> sequences,
            Set<Region> sensitive,
            Map<UUID, String> names,
            List<Person> staff) {}

    private final DayRows rows;
    private final Terms terms;
    private final Duties duties;
    private final Sequences sequences;
    private final Profiles profiles;
    private final KeptApart apart;
    private final Spared spared;
    private final AgreedRegions agreed;
    private final Clock clock;

    DayReader(
            DayRows rows,
            Terms terms,
            Duties duties,
            Sequences sequences,
            Profiles profiles,
            KeptApart apart,
            Spared spared,
            AgreedRegions agreed,
            Clock clock) {
        this.rows = rows;
        this.terms = terms;
        this.duties = duties;
        this.sequences = sequences;
        this.profiles = profiles;
        this.apart = apart;
        this.spared = spared;
        this.agreed = agreed;
        this.clock = clock;
    }

    static List<Span> breaks(Day day) {
        return Json.MAPPER.readValue(day.breaks(), new TypeReference<List<Span>>() {});
    }

    Read read(Day day) {
        var profile = profiles.ofSchool().document();
        var people = terms.people(day.termId());
        var names = new LinkedHashMap<UUID, String>();
        for (var p : people) names.put(p.id(), p.name());
        Map<UUID, Sequence> bySitting = new HashMap<>();
        var sittings = new ArrayList<SittingRow>();
        Map<String, Sequence> known = new HashMap<>();
        for (var s : rows.sittings(day.id())) {
            // Somebody who left the term is in no practical that has not begun.
            if (!names.containsKey(s.studentId())) continue;
            var sequence = known.computeIfAbsent(
                    s.sequence(),
                    id -> sequences.find(id).map(v -> v.document()).orElse(null));
            if (sequence == null) continue;
            bySitting.put(s.id(), sequence);
            sittings.add(s);
        }
        var worked = known.values().stream().filter(Objects::nonNull).collect(Collectors.toSet());
        var students = people.stream()
                .filter(p -> p.role() == Role.STUDENT)
                .map(Person::id)
                .collect(Collectors.toSet());
        var graders = new LinkedHashSet<>(rows.graders(day.id()));
        graders.retainAll(names.keySet());
        var away = away(day, Stream.concat(students.stream(), graders.stream()).toList());
        var dayStudents = students(day, students, worked, profile, away, people);
        var dayGraders = people.stream()
                .filter(p -> graders.contains(p.id()))
                .map(p -> new DayGrader(
                        p.id().toString(),
                        p.name(),
                        duties.grades(p, day.termId()),
                        away.getOrDefault(p.id(), List.of())))
                .toList();
        var held = core(day, sittings, bySitting, profile, dayStudents, dayGraders, true);
        var open = core(day, sittings, bySitting, profile, dayStudents, dayGraders, false);
        return new Read(
                day,
                sittings,
                held,
                open,
                timetable(sittings),
                bySitting,
                worked.stream()
                        .flatMap(s -> Spared.sensitive(s, profile).stream())
                        .collect(Collectors.toCollection(() -> EnumSet.noneOf(Region.class))),
                names,
                people.stream().filter(p -> p.role().staff()).toList());
    }

    private static PracticalDay core(
            Day day,
            List<SittingRow> rows,
            Map<UUID, Sequence> sequences,
            Profile profile,
            List<DayStudent> students,
            List<DayGrader> graders,
            boolean locked) {
        var sittings = rows.stream()
                .map(s -> {
                    var sequence = Objects.requireNonNull(sequences.get(s.id()));
                    return new Sitting(
                            s.id().toString(),
                            s.studentId().toString(),
                            sequence.region(),
                            s.minutes(),
                            !Spared.sensitive(sequence, profile).isEmpty(),
                            s.twice(),
                            s.practicalId() != null || locked && s.locked() ? placed(s) : null);
                })
                .toList();
        return new PracticalDay(
                new Span(day.fromMinute(), day.untilMinute()),
                day.minutes(),
                day.changeOver(),
                breaks(day),
                day.tables(),
                day.tablesAGrader(),
                graders,
                students,
                sittings);
    }

    static @Nullable Placed placed(SittingRow s) {
        if (s.begins() == null || s.tableNumber() == null) return null;
        return new Placed(
                s.begins(),
                s.tableNumber(),
                Stream.of(s.graderId(), s.secondId())
                        .filter(Objects::nonNull)
                        .map(UUID::toString)
                        .toList(),
                s.clientId() == null ? null : s.clientId().toString());
    }

    static Timetable timetable(List<SittingRow> rows) {
        var placed = new HashMap<String, Placed>();
        for (var s : rows) {
            var at = placed(s);
            if (at != null) placed.put(s.id().toString(), at);
        }
        return new Timetable(placed);
    }

    private List<DayStudent> students(
            Day day,
            Set<UUID> students,
            Set<Sequence> worked,
            Profile profile,
            Map<UUID, List<Span>> away,
            List<Person> people) {
        var not = new HashMap<UUID, Set<String>>();
        for (Pair pair : apart.pairs()) {
            not.computeIfAbsent(UUID.fromString(pair.one()), k -> new HashSet<>())
                    .add(pair.other());
        }
        var last = new HashMap<UUID, String>();
        for (var l : rows.lastClients(day.termId()))
            last.put(l.studentId(), l.partnerId().toString());
        var yes = agreed.said(students, true);
        Map<UUID, Set<Region>> notOn = new HashMap<>();
        for (var sequence : worked)
            for (var id : spared.fromAnyOf(sequence, students))
                notOn.computeIfAbsent(id, k -> EnumSet.noneOf(Region.class)).add(sequence.region());
        return people.stream()
                .filter(p -> students.contains(p.id()))
                .map(p -> new DayStudent(
                        p.id().toString(),
                        p.name(),
                        notOn.getOrDefault(p.id(), Set.of()),
                        agreedTo(worked, profile, yes.getOrDefault(p.id(), Set.of())),
                        not.getOrDefault(p.id(), Set.of()),
                        last.getOrDefault(p.id(), ""),
                        away.getOrDefault(p.id(), List.of())))
                .toList();
    }

    /** The regions of those sequences in which all that is sensitive is agreed to. */
    private static Set<Region> agreedTo(Set<Sequence> worked, Profile profile, Set<Region> yes) {
        var agreed = EnumSet.noneOf(Region.class);
        for (var s : worked) agreed.add(s.region());
        for (var s : worked) if (!yes.containsAll(Spared.sensitive(s, profile))) agreed.remove(s.region());
        return agreed;
    }

    /** When each is away; nobody is asked for what is over. */
    private Map<UUID, List<Span>> away(Day day, List<UUID> everybody) {
        Map<UUID, List<Span>> away = new HashMap<>();
        for (var a : rows.away(day.id()))
            away.computeIfAbsent(a.accountId(), k -> new ArrayList<>()).add(new Span(a.fromMinute(), a.untilMinute()));
        int over = over(day);
        if (over > 0)
            for (var id : everybody)
                away.computeIfAbsent(id, k -> new ArrayList<>()).add(new Span(0, over));
        return away;
    }

    /** Until which minute the day is over: 0 before it, 1440 after it. */
    int over(Day day) {
        var today = LocalDate.now(clock);
        if (today.isAfter(day.heldOn())) return 1440;
        if (today.isBefore(day.heldOn())) return 0;
        return Math.max(0, LocalTime.now(clock).toSecondOfDay() / 60 - GRACE_MINUTES);
    }
}
