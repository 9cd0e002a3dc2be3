package palmtally.server.demonstration;

import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.demonstration.Round;
import palmtally.core.demonstration.RoundMark;
import palmtally.core.demonstration.RoundStanding;
import palmtally.core.pairing.Seating;
import palmtally.formats.Json;
import palmtally.server.pairing.Pairings;
import palmtally.server.people.Caller;
import palmtally.server.people.Term;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;
import palmtally.server.profile.Profiles;
import palmtally.server.sequence.Sequences;

/** Practice rounds: a clock that all tables follow, and who is at which. */
@Service
public class Rounds {
    /** One at a table, in the order in which they are therapist. */
    public record Seated(UUID id, String name) {}

    /** @param tables in their order, the first is table 1 */
    public record Standing(
            UUID id,
            String screen,
            String name,
            Round round,
            boolean calls,
            List<List<Seated>> tables,
            double elapsedSeconds,
            RoundStanding standing) {}

    /**
     * What is asked of a round.
     *
     * @param minutes in all
     * @param roles 2 or 3 therapists one after another
     * @param tables how many there are
     * @param people ids of the students who are there
     * @param calls whether the class screen calls out the steps
     * @param seats who is where as somebody arranged it, or null to let it be found
     */
    public record AskedRound(
            @Nullable Double minutes,
            @Nullable Integer roles,
            @Nullable Integer tables,
            @Nullable List<UUID> people,
            @Nullable Boolean calls,
            @Nullable List<List<UUID>> seats) {}

    /** A mark as the device of the one who leads sends it; sent twice it is stored once. */
    public record SentRoundMark(
            @Nullable String id,
            RoundMark.@Nullable What what,
            @Nullable Integer leg,
            @Nullable Double atSeconds,
            @Nullable Double seconds) {}

    /** What a round would be. */
    public record RoundPreview(Round round, double totalSeconds, List<List<Seated>> tables, int repeats) {}

    private final RoundRows rows;
    private final Screens screens;
    private final Sequences sequences;
    private final Profiles profiles;
    private final Terms terms;
    private final Agenda agenda;
    private final Pairings pairings;
    private final Clock clock;

    Rounds(
            RoundRows rows,
            Screens screens,
            Sequences sequences,
            Profiles profiles,
            Terms terms,
            Agenda agenda,
            Pairings pairings,
            Clock clock) {
        this.rows = rows;
        this.screens = screens;
        this.sequences = sequences;
        this.profiles = profiles;
        this.terms = terms;
        this.agenda = agenda;
        this.pairings = pairings;
        this.clock = clock;
    }

    /** @param away whether they are marked away in the lab of today */
    public record RoundStudent(UUID id, String name, boolean away) {}

    /** Students of the caller's term: who may be there. */
    public List<RoundStudent> students(Caller caller) {
        var term = term(caller).id();
        var away = pairings.awayToday(term);
        return terms.students(term).stream()
                .map(p -> new RoundStudent(p.id(), p.name(), away.contains(p.id())))
                .toList();
    }

    /** What a round of a sequence would be; nothing is stored. */
    public RoundPreview preview(Caller caller, String sequenceId, AskedRound asked) {
        var term = term(caller);
        var round = Round.of(
                sequences.newest(sequenceId).document(), profiles.ofSchool().document(), wish(asked));
        var names = names(term);
        var seating = seating(term, asked, names, sequenceId);
        return new RoundPreview(
                round,
                round.totalSeconds(),
                seating.tables().stream()
                        .map(t -> t.stream()
                                .map(id -> new Seated(UUID.fromString(id), names.get(UUID.fromString(id))))
                                .toList())
                        .toList(),
                seating.repeats());
    }

    /** Opens a round and turns the class screen to it; its clock starts with its first mark. */
    @Transactional
    public Standing open(Caller caller, String sequenceId, AskedRound asked) {
        var term = term(caller);
        terms.mustBeOpen(term.id());
        var version = sequences.newest(sequenceId);
        var round = Round.of(version.document(), profiles.ofSchool().document(), wish(asked));
        var seating = seating(term, asked, names(term), sequenceId);
        var id = UUID.randomUUID();
        rows.add(new RoundRows.Row(
                id,
                term.id(),
                version.id(),
                caller.id(),
                clock.instant(),
                agenda.week(term),
                Json.MAPPER.writeValueAsString(round),
                !Boolean.FALSE.equals(asked.calls)));
        for (int t = 0; t < seating.tables().size(); t++) {
            var table = seating.tables().get(t);
            for (int p = 0; p < table.size(); p++) rows.seat(id, t + 1, p + 1, UUID.fromString(table.get(p)));
        }
        screens.beginAnew(caller.id());
        screens.showRound(caller.id(), id);
        return standing(id, null);
    }

    /** @param at what the device of the one who leads has as the clock of the marks, or null to go by the server's */
    public Standing own(Caller caller, UUID id, @Nullable Double at) {
        mine(caller, id);
        return standing(id, at);
    }

    @Transactional
    public Standing mark(Caller caller, UUID id, SentRoundMark sent) {
        mine(caller, id);
        rows.lock(id);
        if (sent.id == null || sent.id.isBlank() || sent.what == null || sent.atSeconds == null)
            throw Refusal.invalid("incomplete", "A mark needs id, what and atSeconds.");
        rows.mark(
                id,
                sent.id,
                sent.what,
                sent.leg == null ? 0 : sent.leg,
                sent.atSeconds,
                sent.seconds == null ? 0 : sent.seconds);
        screens.showRound(caller.id(), id);
        return standing(id, sent.atSeconds);
    }

    /**
     * @param rounds in how many somebody sat
     * @param with who sat at the same table
     */
    public record Sat(int rounds, Set<UUID> with) {}

    public Sat satWith(UUID term, UUID account) {
        return new Sat(rows.sat(term, account), rows.satWith(term, account));
    }

    /** How it stands, whoever asks. */
    Standing standing(UUID id, @Nullable Double at) {
        var row = rows.byId(id).orElseThrow(() -> Refusal.notFound("practice round"));
        var round = Json.MAPPER.readValue(row.round(), Round.class);
        var marks = rows.marks(id);
        double elapsed = at != null && Double.isFinite(at)
                ? at
                : Duration.between(row.openedAt(), clock.instant()).toMillis() / 1000.0;
        double last = marks.isEmpty() ? 0 : marks.get(marks.size() - 1).atSeconds();
        double now = Math.max(last, elapsed);
        Map<Integer, List<Seated>> tables = new LinkedHashMap<>();
        for (var s : rows.seats(id))
            tables.computeIfAbsent(s.tableNumber(), k -> new ArrayList<>()).add(new Seated(s.accountId(), s.name()));
        return new Standing(
                id,
                screens.of(row.ledBy()),
                sequences.version(row.sequenceVersionId()).document().name(),
                round,
                row.calls(),
                List.copyOf(tables.values()),
                now,
                round.standing(marks, now));
    }

    private Seating seating(Term term, AskedRound asked, Map<UUID, String> names, String sequence) {
        var present = asked.people == null ? List.copyOf(names.keySet()) : asked.people;
        var faults = new ArrayList<Fault>();
        for (int i = 0; i < present.size(); i++)
            if (!names.containsKey(present.get(i)))
                faults.add(new Fault("people/" + i, String.valueOf(present.get(i)), "is no student of this term"));
        if (asked.tables == null) faults.add(new Fault("tables", "", "is missing"));
        if (!faults.isEmpty()) throw new InvalidValue("round", faults);
        var ids = present.stream().map(UUID::toString).toList();
        if (asked.seats != null) {
            var seats = arranged(asked.seats, ids);
            pairings.mustSit(seats.tables());
            return seats;
        }
        return pairings.round(term.id(), ids, asked.tables, asked.roles == null ? 2 : asked.roles, sequence);
    }

    /** @throws InvalidValue unless everybody who is there has one seat, two or three at a table */
    private static Seating arranged(List<List<UUID>> seats, List<String> people) {
        var seated = seats.stream().flatMap(List::stream).map(UUID::toString).toList();
        if (seated.size() != people.size()
                || !people.containsAll(seated)
                || seated.stream().distinct().count() != seated.size()
                || seats.stream().anyMatch(t -> t.size() < 2 || t.size() > 3))
            throw new InvalidValue(
                    "round",
                    new Fault("seats", "", "must give everybody who is there one place, two or three at a table"));
        return new Seating(
                seats.stream().map(t -> t.stream().map(UUID::toString).toList()).toList(), 0, 0);
    }

    private Map<UUID, String> names(Term term) {
        Map<UUID, String> names = new LinkedHashMap<>();
        terms.students(term.id()).forEach(p -> names.put(p.id(), p.name()));
        return names;
    }

    private static Round.Wish wish(AskedRound asked) {
        if (asked.minutes == null) throw new InvalidValue("round", new Fault("minutes", "", "is missing"));
        return Round.Wish.of(asked.minutes, asked.roles == null ? 2 : asked.roles);
    }

    private Term term(Caller caller) {
        return terms.newestOf(caller.id())
                .orElseThrow(() -> Refusal.invalid("no-term", "A practice round needs a term with students in it."));
    }

    private void mine(Caller caller, UUID id) {
        var row = rows.byId(id).orElseThrow(() -> Refusal.notFound("practice round"));
        if (!row.ledBy().equals(caller.id())) throw Refusal.forbidden("Somebody else leads this round.");
    }
}
