package palmtally.server.pairing;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.calendar.Curriculum;
import palmtally.core.calendar.Lesson;
import palmtally.core.pairing.Pair;
import palmtally.core.pairing.Rotation;
import palmtally.core.pairing.Seating;
import palmtally.core.pairing.SeatingWish;
import palmtally.core.register.LabPlace;
import palmtally.core.register.Presence;
import palmtally.server.calendar.Curricula;
import palmtally.server.people.Caller;
import palmtally.server.people.Person;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;
import palmtally.server.register.Registers;

/** Who works with whom in the labs of a term: planned over all that are to come, seated anew on the day, and kept as it was. */
@Service
public class Pairings {
    private static final int USUAL_TABLES = 40;

    /** One at a table, in the order in which they are therapist. */
    public record SeatedStudent(UUID id, String name) {}

    /**
     * @param sat whether it was so; else it is planned, or found for those who are there
     * @param planned whether there is a plan for this lab
     * @param changed how many of the planned partners are not together
     * @param away students who are marked away, and sit nowhere
     * @param repeats how often partners of this lab have met before this term
     * @param unmet how many tables could not be made as is asked; why is told to nobody
     */
    public record LabSeating(
            int week,
            int lab,
            boolean sat,
            boolean planned,
            int changed,
            List<List<SeatedStudent>> tables,
            List<SeatedStudent> away,
            int repeats,
            int unmet) {}

    /** @param labs the labs of the plan that are to come, in order */
    public record PartnerPlan(
            @Nullable UUID id, int tables, int atTable, List<PlannedLab> labs, List<PartnerCount> students) {}

    public record PlannedLab(int week, int lab, List<List<SeatedStudent>> tables) {}

    /**
     * @param met how often they worked with each of the students, in the order of the students, so far
     * @param planned the same for the labs that are planned
     */
    public record PartnerCount(UUID id, String name, List<Integer> met, List<Integer> planned) {}

    private final PairingRows rows;
    private final KeptApart apart;
    private final Spared spared;
    private final Terms terms;
    private final Curricula curricula;
    private final Registers registers;
    private final Clock clock;

    Pairings(
            PairingRows rows,
            KeptApart apart,
            Spared spared,
            Terms terms,
            Curricula curricula,
            Registers registers,
            Clock clock) {
        this.rows = rows;
        this.apart = apart;
        this.spared = spared;
        this.terms = terms;
        this.curricula = curricula;
        this.registers = registers;
        this.clock = clock;
    }

    public PartnerPlan plan(UUID term) {
        var plan = rows.plan(term).orElse(null);
        var names = names(term);
        var seats = plan == null ? List.<PairingRows.Seat>of() : rows.planned(plan.id());
        var toCome = toCome(term);
        var byLab = byLab(seats, names.keySet());
        var labs = new ArrayList<PlannedLab>();
        byLab.forEach((place, tables) -> {
            if (toCome.contains(place)) labs.add(new PlannedLab(place.week(), place.lab(), named(tables, names)));
        });
        var met = Seating.met(before(term));
        var planned = Seating.met(labs.stream()
                .flatMap(l -> l.tables().stream())
                .map(t -> t.stream().map(s -> s.id().toString()).toList())
                .toList());
        var students = names.entrySet().stream()
                .map(e -> new PartnerCount(
                        e.getKey(),
                        e.getValue(),
                        counts(e.getKey(), names.keySet(), met),
                        counts(e.getKey(), names.keySet(), planned)))
                .toList();
        return new PartnerPlan(
                plan == null ? null : plan.id(),
                plan == null ? Math.max(1, names.size() / 2) : plan.tables(),
                plan == null ? 2 : plan.atTable(),
                labs,
                students);
    }

    private static List<Integer> counts(UUID of, Set<UUID> others, Map<Pair, Integer> met) {
        return others.stream()
                .map(o -> o.equals(of) ? 0 : met.getOrDefault(new Pair(of.toString(), o.toString()), 0))
                .toList();
    }

    /** Whether a lab is to come in which students have their hands on. */
    public boolean hasLabsToPlan(UUID term) {
        var curriculum = curricula.newest(term).curriculum();
        return toCome(term).stream().anyMatch(p -> handsOn(curriculum, p));
    }

    /** Plans the partners of all labs to come in which students have their hands on. */
    @Transactional
    public PartnerPlan make(Caller caller, UUID term, int tables, int atTable) {
        terms.mustBeOpen(term);
        var curriculum = curricula.newest(term).curriculum();
        var names = names(term);
        var people = names.keySet().stream().map(UUID::toString).toList();
        var places = toCome(term).stream().filter(p -> handsOn(curriculum, p)).toList();
        if (places.isEmpty())
            throw Refusal.invalid(
                    "no-labs", "No lab to come has students with their hands on: plan lessons that practise first.");
        var wishes = places.stream()
                .map(p ->
                        new SeatingWish(people, tables, atTable, notClients(curriculum, p, names.keySet()), List.of()))
                .toList();
        var seatings = Rotation.of(wishes, apart.pairs(), before(term));
        var id = UUID.randomUUID();
        rows.add(id, term, tables, atTable, caller.id(), clock.instant());
        for (int r = 0; r < places.size(); r++)
            for (var seat : seats(places.get(r), seatings.get(r).tables())) rows.seat(id, seat);
        return plan(term);
    }

    /** Takes a plan back: the one before it counts again. */
    @Transactional
    public PartnerPlan withdraw(UUID term, UUID plan) {
        terms.mustBeOpen(term);
        if (rows.withdraw(term, plan, clock.instant()) == 0) throw Refusal.notFound("plan of partners");
        return plan(term);
    }

    /** The seats of one lab: as they were, else as planned for those who are not marked away. */
    public LabSeating lab(UUID term, int week, int lab) {
        var place = new LabPlace(week, lab);
        var names = names(term);
        var presence = presence(term, place);
        var away = names.keySet().stream()
                .filter(id -> presence.containsKey(id) && presence.get(id).kind() != Presence.Kind.PRESENT)
                .toList();
        var plan = rows.plan(term).orElse(null);
        var planned = plannedIn(term, place, names.keySet());
        var sat = byLab(rows.sat(term), names.keySet()).getOrDefault(place, List.of());
        if (!sat.isEmpty()) return seating(place, true, planned, sat, names, away, 0, term);
        var present = names.keySet().stream()
                .filter(id -> !away.contains(id))
                .map(UUID::toString)
                .toList();
        if (present.size() < 2) return seating(place, false, planned, List.of(), names, away, 0, term);
        var curriculum = curricula.newest(term).curriculum();
        int tables = plan == null ? USUAL_TABLES : plan.tables();
        var wish = new SeatingWish(
                present,
                Math.max(tables, (present.size() + 2) / 3),
                plan == null ? 2 : plan.atTable(),
                notClients(curriculum, place, names.keySet()),
                planned);
        var found = Rotation.of(List.of(wish), apart.pairs(), before(term)).get(0);
        return seating(place, false, planned, found.tables(), names, away, found.unmet(), term);
    }

    private LabSeating seating(
            LabPlace place,
            boolean sat,
            List<List<String>> planned,
            List<List<String>> tables,
            Map<UUID, String> names,
            List<UUID> away,
            int unmet,
            UUID term) {
        var now = Seating.met(tables).keySet();
        int changed = (int) Seating.met(planned).keySet().stream()
                .filter(p -> !now.contains(p))
                .count();
        var met = Seating.met(sat ? List.of() : before(term));
        int repeats = now.stream().mapToInt(p -> met.getOrDefault(p, 0)).sum();
        return new LabSeating(
                place.week(),
                place.lab(),
                sat,
                !planned.isEmpty(),
                changed,
                named(tables, names),
                away.stream().map(id -> new SeatedStudent(id, names.get(id))).toList(),
                repeats,
                unmet);
    }

    /**
     * Keeps who sits with whom in a lab. An empty list lets the seats be found again.
     *
     * @throws InvalidValue where somebody sits twice, or is no student of the term
     * @throws Refusal 409 where two cannot sit together; why is told to nobody
     */
    @Transactional
    public LabSeating sit(Caller caller, UUID term, int week, int lab, List<List<UUID>> tables) {
        terms.mustBeOpen(term);
        var place = new LabPlace(week, lab);
        var curriculum = curricula.newest(term).curriculum();
        if (week < 1 || week > curriculum.weeks() || lab < 1 || lab > curriculum.labsAWeek())
            throw Refusal.notFound("lab");
        var names = names(term);
        var faults = new ArrayList<Fault>();
        var seen = new HashSet<UUID>();
        for (int t = 0; t < tables.size(); t++) {
            if (tables.get(t).isEmpty() || tables.get(t).size() > 3)
                faults.add(new Fault(
                        "tables/" + t, tables.get(t).size() + " people", "must be one, two or three at a table"));
            for (var id : tables.get(t)) {
                if (!names.containsKey(id))
                    faults.add(new Fault("tables/" + t, id.toString(), "is no student of this term"));
                else if (!seen.add(id)) faults.add(new Fault("tables/" + t, names.get(id), "sits twice"));
            }
        }
        if (!faults.isEmpty()) throw new InvalidValue("seats", faults);
        var asText = tables.stream()
                .map(t -> t.stream().map(UUID::toString).toList())
                .toList();
        mustSit(asText);
        rows.clear(term, week, lab);
        for (var seat : seats(place, asText)) rows.sit(term, seat, caller.id(), clock.instant());
        return lab(term, week, lab);
    }

    /** Tables of all that was worked together in a term: labs as they were, practice rounds, practicals. */
    public List<List<String>> before(UUID term) {
        Map<String, List<String>> tables = new LinkedHashMap<>();
        for (var s : rows.sat(term))
            tables.computeIfAbsent(s.week() + "." + s.lab() + "/" + s.tableNumber(), k -> new ArrayList<>())
                    .add(s.accountId().toString());
        // A round of a lab whose seats are kept is that lab: it is not counted twice.
        var known = new HashMap<Set<String>, Integer>();
        tables.values().forEach(t -> known.merge(Set.copyOf(t), 1, Integer::sum));
        Map<String, List<String>> rounds = new LinkedHashMap<>();
        for (var t : rows.rounds(term))
            rounds.computeIfAbsent(t.tableName(), k -> new ArrayList<>())
                    .add(t.accountId().toString());
        rounds.forEach((name, people) -> {
            if (known.merge(Set.copyOf(people), -1, Integer::sum) < 0) tables.put(name, people);
        });
        for (var t : rows.practicals(term))
            tables.computeIfAbsent(t.tableName(), k -> new ArrayList<>())
                    .add(t.accountId().toString());
        return List.copyOf(tables.values());
    }

    /**
     * The seats of a practice round of today: as the lab of today has them, as far as they go.
     *
     * @param sequence id of what is practised
     * @throws InvalidValue as {@link SeatingWish}
     */
    public Seating round(UUID term, List<String> people, int tables, int atTable, String sequence) {
        var names = names(term);
        var kept = registers
                .today(term)
                .map(place -> byLab(rows.sat(term), names.keySet())
                        .getOrDefault(place, plannedIn(term, place, names.keySet())))
                .orElse(List.of());
        var spare = spared.from(List.of(sequence), names.keySet()).stream()
                .map(UUID::toString)
                .collect(Collectors.toSet());
        return Rotation.of(List.of(new SeatingWish(people, tables, atTable, spare, kept)), apart.pairs(), before(term))
                .get(0);
    }

    private List<List<String>> plannedIn(UUID term, LabPlace place, Set<UUID> known) {
        return rows.plan(term)
                .map(p -> byLab(rows.planned(p.id()), known).getOrDefault(place, List.of()))
                .orElse(List.of());
    }

    /** @throws Refusal 409 where two of a table cannot sit together; why is told to nobody */
    public void mustSit(List<List<String>> tables) {
        var never = apart.pairs();
        if (Seating.met(tables).keySet().stream().anyMatch(never::contains))
            throw Refusal.conflict(
                    "other-seats",
                    "These seats cannot be so today. Change one of the tables that are new, or let them be found.");
    }

    /** Who of a term is marked away in the lab of today. */
    public Set<UUID> awayToday(UUID term) {
        return registers
                .today(term)
                .map(place -> {
                    var away = new HashSet<UUID>();
                    presence(term, place).forEach((id, p) -> {
                        if (p.kind() != Presence.Kind.PRESENT) away.add(id);
                    });
                    return (Set<UUID>) away;
                })
                .orElse(Set.of());
    }

    private Map<UUID, Presence> presence(UUID term, LabPlace place) {
        Map<UUID, Presence> by = new HashMap<>();
        for (var line : registers.sheet(term, place.week(), place.lab()).students())
            if (line.presence() != null) by.put(line.id(), line.presence());
        return by;
    }

    private List<LabPlace> toCome(UUID term) {
        return registers.toCome(term);
    }

    private static boolean handsOn(Curriculum curriculum, LabPlace place) {
        return lessons(curriculum, place).stream().anyMatch(l -> l.aim().handsOn());
    }

    private static List<Lesson> lessons(Curriculum curriculum, LabPlace place) {
        return curriculum.week(place.week()).stream()
                .filter(l -> l.lab() == place.lab())
                .toList();
    }

    private Set<String> notClients(Curriculum curriculum, LabPlace place, Set<UUID> students) {
        var worked = lessons(curriculum, place).stream()
                .filter(l -> l.aim().handsOn() && l.sequence() != null)
                .map(Lesson::sequence)
                .collect(Collectors.toCollection(LinkedHashSet::new));
        return spared.from(worked, students).stream().map(UUID::toString).collect(Collectors.toSet());
    }

    private static List<PairingRows.Seat> seats(LabPlace place, List<List<String>> tables) {
        var seats = new ArrayList<PairingRows.Seat>();
        for (int t = 0; t < tables.size(); t++)
            for (int p = 0; p < tables.get(t).size(); p++)
                seats.add(new PairingRows.Seat(
                        place.week(),
                        place.lab(),
                        t + 1,
                        p + 1,
                        UUID.fromString(tables.get(t).get(p))));
        return seats;
    }

    /** Tables by lab, of those who are still in the term. */
    private static Map<LabPlace, List<List<String>>> byLab(List<PairingRows.Seat> seats, Set<UUID> known) {
        Map<LabPlace, Map<Integer, List<String>>> by = new TreeMap<>();
        for (var s : seats)
            if (known.contains(s.accountId()))
                by.computeIfAbsent(new LabPlace(s.week(), s.lab()), k -> new TreeMap<>())
                        .computeIfAbsent(s.tableNumber(), k -> new ArrayList<>())
                        .add(s.accountId().toString());
        Map<LabPlace, List<List<String>>> labs = new LinkedHashMap<>();
        by.forEach((place, tables) -> labs.put(place, List.copyOf(tables.values())));
        return labs;
    }

    private static List<List<SeatedStudent>> named(List<List<String>> tables, Map<UUID, String> names) {
        return tables.stream()
                .map(t -> t.stream()
                        .map(UUID::fromString)
                        .map(id -> new SeatedStudent(id, names.get(id)))
                        .toList())
                .toList();
    }

    private Map<UUID, String> names(UUID term) {
        Map<UUID, String> names = new LinkedHashMap<>();
        for (Person p : terms.students(term)) names.put(p.id(), p.name());
        return names;
    }
}
