package palmtally.server.incident;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Texts;
import palmtally.core.incident.IncidentWords;
import palmtally.server.audit.Audit;
import palmtally.server.incident.IncidentMapper.AdditionLine;
import palmtally.server.incident.IncidentMapper.IncidentRow;
import palmtally.server.incident.IncidentMapper.NamedPerson;
import palmtally.server.people.Accounts;
import palmtally.server.people.Caller;
import palmtally.server.people.Role;
import palmtally.server.practical.Stops;
import palmtally.server.practical.Stops.StoppedRun;
import palmtally.server.problem.Refusal;

/**
 * Records of incidents. Each is read by the lead, who wrote it and those named in it, and by nobody else; it is changed until it is
 * signed, and added to after.
 */
@Service
public class Incidents {
    private static final int MOST = 200;
    private static final int MOST_NAMED = 40;
    private static final int MOST_WORDS = 4000;

    /**
     * @param atMs which stop of a practical it is about, where it is begun
     * @param revision the one that was read, where one is changed
     */
    record IncidentForm(
            @Nullable Long atMs,
            @Nullable Integer revision,
            @Nullable String who,
            @Nullable String what,
            @Nullable String done,
            @Nullable String told,
            @Nullable List<@Nullable UUID> named) {
        int from() {
            if (revision == null) throw new InvalidValue("incident", new Fault("revision", "", "is missing"));
            return revision;
        }

        IncidentWords words() {
            return new IncidentWords(or(who), or(what), or(done), or(told));
        }

        private static String or(@Nullable String text) {
            return text == null ? "" : text;
        }
    }

    /**
     * @param missing what still has to be said before it is signed
     * @param open whether the caller may change and sign it
     */
    record IncidentView(
            UUID id,
            UUID practical,
            long atMs,
            Instant happenedAt,
            UUID studentId,
            String student,
            String sequence,
            @Nullable String partner,
            String who,
            String what,
            String done,
            String told,
            List<NamedPerson> named,
            List<AdditionLine> additions,
            int revision,
            String writtenBy,
            Instant writtenAt,
            @Nullable String signedBy,
            @Nullable Instant signedAt,
            List<String> missing,
            boolean open) {}

    /** One in a list. */
    record IncidentLine(
            UUID id,
            UUID practical,
            String student,
            String sequence,
            Instant happenedAt,
            String writtenBy,
            @Nullable Instant signedAt) {}

    /** A stop that nobody has written a record of. */
    record StopToRecord(
            UUID practical,
            String student,
            long atMs,
            Instant happenedAt,
            boolean byClient,
            @Nullable String words) {}

    /** What waits to be written, and what was. */
    record IncidentsSeen(List<StopToRecord> toRecord, List<IncidentLine> records) {}

    private final IncidentMapper rows;
    private final Stops stops;
    private final Accounts accounts;
    private final Audit audit;
    private final Clock clock;

    Incidents(IncidentMapper rows, Stops stops, Accounts accounts, Audit audit, Clock clock) {
        this.rows = rows;
        this.stops = stops;
        this.accounts = accounts;
        this.audit = audit;
        this.clock = clock;
    }

    /** Those the caller may read, and the stops of their practicals that have no record yet. */
    IncidentsSeen seenBy(Caller caller) {
        var records = rows.seenBy(caller.role() == Role.LEAD ? null : caller.id(), MOST);
        audit.readClass(
                caller,
                (int) records.stream().map(IncidentRow::studentId).distinct().count(),
                "the list of incidents");
        return new IncidentsSeen(
                caller.role().staff() ? toRecord(caller) : List.of(),
                records.stream()
                        .map(i -> new IncidentLine(
                                i.id(),
                                i.practicalId(),
                                i.student(),
                                i.sequence(),
                                i.startedAt().plusMillis(i.atMs()),
                                i.writtenBy(),
                                i.signedAt()))
                        .toList());
    }

    /** How many stops of practicals that the caller graded, or of all for the lead, have no record. */
    public int waiting(Caller caller) {
        return toRecord(caller).size();
    }

    private List<StopToRecord> toRecord(Caller caller) {
        Map<UUID, Set<Long>> recorded = new HashMap<>();
        return stops.of(caller).stream()
                .filter(s -> !recorded.computeIfAbsent(s.practical(), rows::recorded)
                        .contains(s.stop().atMs()))
                .map(this::toRecord)
                .toList();
    }

    private StopToRecord toRecord(StoppedRun s) {
        return new StopToRecord(
                s.practical(),
                accounts.person(s.student()).name(),
                s.stop().atMs(),
                s.happenedAt(),
                s.stop().byClient(),
                s.stop().words());
    }

    /** @throws Refusal 403 unless the caller leads, wrote it or is named in it */
    IncidentView one(Caller caller, UUID id) {
        var incident = rows.byId(id).orElseThrow(() -> Refusal.notFound("incident"));
        var named = rows.named(id);
        mayRead(caller, incident, named);
        audit.read(caller, incident.studentId(), "an incident", id.toString());
        boolean open = !incident.signed() && writes(caller, incident);
        return new IncidentView(
                id,
                incident.practicalId(),
                incident.atMs(),
                incident.startedAt().plusMillis(incident.atMs()),
                incident.studentId(),
                incident.student(),
                incident.sequence(),
                incident.partner(),
                incident.who(),
                incident.what(),
                incident.done(),
                incident.told(),
                named,
                rows.additions(id),
                incident.revision(),
                incident.writtenBy(),
                incident.writtenAt(),
                incident.signedBy(),
                incident.signedAt(),
                incident.signed()
                        ? List.of()
                        : incident.words().missing().stream().map(Fault::field).toList(),
                open);
    }

    private static void mayRead(Caller caller, IncidentRow incident, List<NamedPerson> named) {
        if (!writes(caller, incident) && named.stream().noneMatch(n -> n.id().equals(caller.id())))
            throw Refusal.forbidden("This record is read by the lead, who wrote it and those named in it.");
    }

    private static boolean writes(Caller caller, IncidentRow incident) {
        return caller.role() == Role.LEAD || incident.writtenById().equals(caller.id());
    }

    /**
     * Begins the record of a stop.
     *
     * @throws Refusal 403 unless the caller teaches in the term; 404 where there was no such stop; 409 where it has its record
     */
    @Transactional
    IncidentView write(Caller caller, UUID practical, IncidentForm form) {
        if (form.atMs == null) throw new InvalidValue("incident", new Fault("atMs", "", "is missing"));
        var stop = stops.at(caller, practical, form.atMs)
                .orElseThrow(() -> Refusal.notFound("safety stop in this practical"));
        var id = UUID.randomUUID();
        if (rows.add(id, practical, form.atMs, stop.student(), form.words(), caller.id(), clock.instant()) == 0)
            throw Refusal.conflict("recorded-already", "This stop has its record; the lead can open it.");
        name(id, form);
        audit.changed(caller, stop.student(), "wrote of an incident", id.toString());
        return one(caller, id);
    }

    /** @throws Refusal 403 unless the caller leads or wrote it; 409 where it is signed or was changed meanwhile */
    @Transactional
    IncidentView change(Caller caller, UUID id, IncidentForm form) {
        var incident = mine(caller, id);
        if (rows.change(id, form.from(), form.words()) == 0) throw changed();
        name(id, form);
        audit.changed(caller, incident.studentId(), "changed an incident", id.toString());
        return one(caller, id);
    }

    /** Signs it as it was read: from then on it is changed no more. */
    @Transactional
    IncidentView sign(Caller caller, UUID id, int revision) {
        var incident = mine(caller, id);
        var missing = incident.words().missing();
        if (!missing.isEmpty()) throw new InvalidValue("incident", missing);
        if (rows.sign(id, revision, caller.id(), clock.instant()) == 0) throw changed();
        audit.changed(caller, incident.studentId(), "signed an incident", id.toString());
        return one(caller, id);
    }

    /** Adds to a signed one: what is known later stands below, with its day and who said it. */
    @Transactional
    IncidentView addTo(Caller caller, UUID id, @Nullable String words) {
        var incident = rows.lock(id).orElseThrow(() -> Refusal.notFound("incident"));
        mayRead(caller, incident, rows.named(id));
        if (!incident.signed())
            throw Refusal.conflict("not-signed", "It is not signed yet: change it, or have it changed.");
        var said = words == null ? "" : words.strip();
        if (said.isEmpty() || said.length() > MOST_WORDS)
            throw new InvalidValue(
                    "incident",
                    new Fault(
                            "words",
                            said.isEmpty() ? "" : said.length() + " characters",
                            "must be 1 to " + MOST_WORDS + " characters"));
        Texts.unkept(said).ifPresent(why -> {
            throw new InvalidValue("incident", new Fault("words", "", why));
        });
        rows.addTo(id, said, caller.id(), clock.instant());
        audit.changed(caller, incident.studentId(), "added to an incident", id.toString());
        return one(caller, id);
    }

    private IncidentRow mine(Caller caller, UUID id) {
        var incident = rows.lock(id).orElseThrow(() -> Refusal.notFound("incident"));
        if (!writes(caller, incident))
            throw Refusal.forbidden("It is changed and signed by the lead and by who wrote it.");
        if (incident.signed())
            throw Refusal.conflict("signed", "It is signed and changed no more; add below it what is to be said.");
        return incident;
    }

    private static Refusal changed() {
        return Refusal.conflict(
                "changed-meanwhile", "Somebody changed this meanwhile. Read it again; nothing of yours was stored.");
    }

    private void name(UUID id, IncidentForm form) {
        var named = new LinkedHashSet<UUID>();
        var faults = new ArrayList<Fault>();
        var given = form.named == null ? List.<@Nullable UUID>of() : form.named;
        if (given.size() > MOST_NAMED)
            throw new InvalidValue(
                    "incident", new Fault("named", given.size() + " people", "must be at most " + MOST_NAMED));
        for (int i = 0; i < given.size(); i++) {
            var account = given.get(i);
            if (account == null || !accounts.known(account))
                faults.add(new Fault("named/" + i, String.valueOf(account), "is nobody of this school"));
            else named.add(account);
        }
        if (!faults.isEmpty()) throw new InvalidValue("incident", faults);
        rows.clearNamed(id);
        for (var account : named) rows.name(id, account);
    }
}
