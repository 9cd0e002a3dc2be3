package palmtally.server.practical;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.competency.Evidence;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding;
import palmtally.core.people.ClientNote;
import palmtally.core.practical.Event;
import palmtally.core.practical.EventData;
import palmtally.core.practical.EventKind;
import palmtally.core.practical.Outcome;
import palmtally.core.practical.Practical;
import palmtally.core.practical.Run;
import palmtally.core.practical.Scores;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.formats.Json;
import palmtally.server.audit.Audit;
import palmtally.server.people.Caller;
import palmtally.server.people.Duties;
import palmtally.server.people.People;
import palmtally.server.people.Role;
import palmtally.server.practical.PracticalRows.AwardRow;
import palmtally.server.practical.PracticalRows.EventRow;
import palmtally.server.practical.PracticalRows.Row;
import palmtally.server.problem.Refusal;
import palmtally.server.profile.Profiles;
import palmtally.server.sequence.Sequences;
import tools.jackson.core.type.TypeReference;

/** Practicals: what was asked, what was seen, what it comes to. */
@Service
public class Practicals {
    /** Events of one request; more come in several. */
    static final int MOST_AT_ONCE = 1000;

    /** How long it is taken as told who may write to a practical. */
    private static final Duration ASKED_AGAIN = Duration.ofSeconds(5);

    /** What a grader sets up. */
    public record Brief(
            @Nullable UUID term,
            @Nullable UUID student,
            @Nullable UUID partner,
            @Nullable String sequence,
            @Nullable String profile,
            @Nullable List<String> asked,
            @Nullable Sides sides,
            @Nullable Integer tableNumber,
            @Nullable Double limitSeconds,
            @Nullable List<Spared> today,
            @Nullable String despite,
            @Nullable UUID retakeOf,
            @Nullable Kind kind,
            @Nullable Criterion criterion,
            @Nullable UUID grader) {
        /** What was answered today, as notes; nothing where nobody asked. */
        List<ClientNote> notes() {
            var notes = new ArrayList<ClientNote>();
            if (today == null) return notes;
            for (int i = 0; i < today.size(); i++) {
                var s = today.get(i);
                if (s.kind == null)
                    throw new InvalidValue("practical", new Fault("today/" + i + "/kind", "", "is missing"));
                notes.add(new ClientNote(s.kind, s.zone, s.side));
            }
            return notes;
        }
    }

    /** What is looked at. */
    public enum Kind {
        PRACTICAL(Evidence.Kind.PRACTICAL),
        /** One criterion, for two minutes. */
        SPOT_CHECK(Evidence.Kind.SPOT_CHECK),
        /** What another student saw. */
        PEER_LOOK(Evidence.Kind.PEER_LOOK);

        final Evidence.Kind evidence;

        Kind(Evidence.Kind evidence) {
            this.evidence = evidence;
        }

        static Kind of(Row row) {
            return valueOf(row.kind().toUpperCase().replace('-', '_'));
        }

        @Override
        public String toString() {
            return name().toLowerCase().replace('_', '-');
        }
    }

    /** One thing the body on the table must be spared today. */
    public record Spared(
            ClientNote.@Nullable Kind kind,
            @Nullable Zone zone,
            @Nullable Side side) {}

    /** A practical with everything that belongs to it. */
    public record Whole(
            UUID id,
            UUID term,
            People.Person student,
            People.@Nullable Person partner,
            People.Person grader,
            Instant startedAt,
            long elapsedMs,
            boolean finished,
            int tableNumber,
            @Nullable Double limitSeconds,
            @Nullable List<ClientNote> today,
            @Nullable String despite,
            @Nullable String voidReason,
            @Nullable UUID retakeOf,
            Kind kind,
            @Nullable Criterion criterion,
            @Nullable UUID beside,
            @Nullable Map<Criterion, Double> selfMarks,
            Practical practical,
            @Nullable Double rating,
            @Nullable AwardRow award) {}

    private final PracticalRows rows;
    private final Sequences sequences;
    private final Profiles profiles;
    private final People people;
    private final Duties duties;
    private final Audit audit;
    private final EventLog log;
    private final EvidenceBook evidence;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final Map<UUID, Known> knowns = new ConcurrentHashMap<>();

    Practicals(
            PracticalRows rows,
            Sequences sequences,
            Profiles profiles,
            People people,
            Duties duties,
            Audit audit,
            EventLog log,
            EvidenceBook evidence,
            TransactionTemplate transaction,
            Clock clock) {
        this.log = log;
        this.evidence = evidence;
        this.transaction = transaction;
        this.rows = rows;
        this.sequences = sequences;
        this.profiles = profiles;
        this.people = people;
        this.duties = duties;
        this.audit = audit;
        this.clock = clock;
    }

    /** What a brief asks for: the newest version of its sequence, by the profile it names or the school's. */
    private record Asked(Brief brief, Sequences.Versioned sequence, Profiles.Versioned profile, Practical practical) {}

    /**
     * The practical a brief asks for, with nothing seen yet.
     *
     * @throws InvalidValue naming each field that cannot be meant
     */
    public Practical asked(Caller caller, Brief brief) {
        return ask(caller, brief).practical;
    }

    private Asked ask(Caller caller, Brief brief) {
        var faults = new ArrayList<Fault>();
        if (brief.term == null) faults.add(new Fault("term", "", "is missing"));
        if (brief.student == null) faults.add(new Fault("student", "", "is missing"));
        if (brief.sequence == null) faults.add(new Fault("sequence", "", "is missing"));
        if (brief.student != null && brief.student.equals(brief.partner))
            faults.add(new Fault("partner", brief.partner.toString(), "must be another than the student"));
        if (brief.tableNumber != null && (brief.tableNumber < 1 || brief.tableNumber > 99))
            faults.add(new Fault("tableNumber", brief.tableNumber.toString(), "must be 1 to 99"));
        if (brief.limitSeconds != null && !(brief.limitSeconds > 0 && brief.limitSeconds <= 14400))
            faults.add(new Fault("limitSeconds", brief.limitSeconds.toString(), "must be above 0 and at most 14400"));
        if (brief.today != null && brief.today.size() > 50)
            faults.add(new Fault("today", brief.today.size() + " things", "must be at most 50"));
        if (brief.despite != null && brief.despite.length() > 400)
            faults.add(new Fault("despite", brief.despite.length() + " characters", "must be at most 400 characters"));
        if ((brief.kind == Kind.SPOT_CHECK) != (brief.criterion != null))
            faults.add(new Fault(
                    "criterion",
                    String.valueOf(brief.criterion),
                    brief.criterion == null ? "is missing: a spot check looks at one" : "belongs to a spot check"));
        if (brief.term == null || brief.student == null || brief.sequence == null || !faults.isEmpty())
            throw new InvalidValue("practical", faults);
        people.mustTeach(caller, brief.term);
        people.mustBeOpen(brief.term);
        var inTerm = people.students(brief.term).stream().map(People.Person::id).toList();
        if (!inTerm.contains(brief.student))
            faults.add(new Fault("student", brief.student.toString(), "is not a student of this term"));
        if (brief.partner != null && !inTerm.contains(brief.partner))
            faults.add(new Fault("partner", brief.partner.toString(), "is not a student of this term"));
        if (brief.grader != null
                && people.inTerm(brief.term).stream()
                        .noneMatch(p -> p.id().equals(brief.grader) && p.role().staff()))
            faults.add(new Fault("grader", brief.grader.toString(), "is no grader of this term"));
        if (brief.retakeOf != null
                && !rows.byId(brief.retakeOf)
                        .filter(r -> r.studentId().equals(brief.student))
                        .isPresent())
            faults.add(new Fault("retakeOf", brief.retakeOf.toString(), "is no practical of this student"));
        if (!faults.isEmpty()) throw new InvalidValue("practical", faults);
        var sequence = sequences.newest(brief.sequence);
        var profile = brief.profile == null ? profiles.ofSchool() : profiles.newest(brief.profile);
        return new Asked(
                brief,
                sequence,
                profile,
                new Practical(
                        sequence.sequence(),
                        profile.profile(),
                        brief.asked == null ? List.of() : brief.asked,
                        brief.sides == null ? Sides.EACH : brief.sides,
                        List.of()));
    }

    /** Begins what was asked; whoever calls has made sure that nothing is in the way. */
    @Transactional
    public UUID start(Caller caller, Brief brief) {
        var asked = ask(caller, brief);
        var id = UUID.randomUUID();
        rows.add(new Row(
                id,
                Objects.requireNonNull(brief.term),
                Objects.requireNonNull(brief.student),
                brief.partner,
                brief.grader == null ? caller.id() : brief.grader,
                asked.sequence.versionId(),
                asked.profile.versionId(),
                Json.MAPPER.writeValueAsString(asked.practical.asked()),
                asked.practical.sides().toString(),
                brief.tableNumber == null ? 1 : brief.tableNumber,
                clock.instant(),
                false,
                brief.limitSeconds,
                brief.today == null ? null : Json.MAPPER.writeValueAsString(brief.notes()),
                brief.despite == null || brief.despite.isBlank() ? null : brief.despite.strip(),
                null,
                brief.retakeOf,
                (brief.kind == null ? Kind.PRACTICAL : brief.kind).toString(),
                brief.criterion == null ? null : brief.criterion.toString(),
                null,
                null));
        return id;
    }

    /** Adds a practical that begins at a moment of its own. */
    public UUID add(
            UUID term,
            UUID student,
            @Nullable UUID partner,
            UUID grader,
            UUID sequenceVersion,
            UUID profileVersion,
            List<String> asked,
            Sides sides,
            int tableNumber,
            Instant startedAt,
            @Nullable Double limitSeconds) {
        var id = UUID.randomUUID();
        rows.add(new Row(
                id,
                term,
                student,
                partner,
                grader,
                sequenceVersion,
                profileVersion,
                Json.MAPPER.writeValueAsString(asked),
                sides.toString(),
                tableNumber,
                startedAt,
                false,
                limitSeconds,
                null,
                null,
                null,
                null,
                Kind.PRACTICAL.toString(),
                null,
                null,
                null));
        return id;
    }

    /**
     * A second grader's practical of the same run, with its clock. Each is blind to the other until both are awarded.
     *
     * @throws Refusal 409 where the caller is its grader, or somebody else marks it already
     */
    @Transactional
    public UUID beside(Caller caller, UUID first) {
        var row = rows.lock(first).orElseThrow(() -> Refusal.notFound("practical"));
        people.mustTeach(caller, row.termId());
        people.mustBeOpen(row.termId());
        mustCount(row);
        var other = rows.other(first).orElse(null);
        if (other != null && other.graderId().equals(caller.id())) return other.id();
        if (row.graderId().equals(caller.id()))
            throw Refusal.conflict("own", "You grade this one; a second grader marks beside you on their own device.");
        if (other != null || row.beside() != null)
            throw Refusal.conflict("taken", "Somebody marks beside already; two graders are enough.");
        var id = UUID.randomUUID();
        rows.add(row.of(id, caller.id(), row.kind(), first, null));
        return id;
    }

    /**
     * Asks another student to watch: they write down what they see on their own phone, for as long as the practical goes on.
     *
     * @return the look, the same one when it is asked for twice
     * @throws InvalidValue unless the observer is a third student of the term
     */
    @Transactional
    public UUID watch(Caller caller, UUID id, @Nullable UUID observer) {
        var row = rows.lock(id).orElseThrow(() -> Refusal.notFound("practical"));
        people.mustTeach(caller, row.termId());
        people.mustBeOpen(row.termId());
        mustCount(row);
        if (row.finished()) throw Refusal.conflict("finished", "This practical is over.");
        if (observer == null
                || observer.equals(row.studentId())
                || observer.equals(row.partnerId())
                || people.students(row.termId()).stream().noneMatch(p -> p.id().equals(observer)))
            throw new InvalidValue(
                    "peer look",
                    new Fault(
                            "observer", String.valueOf(observer), "must be a student who neither works nor lies here"));
        var there = rows.watch(id, observer);
        if (there.isPresent()) return there.get().id();
        var look = UUID.randomUUID();
        rows.add(row.of(look, observer, Kind.PEER_LOOK.toString(), null, id));
        return look;
    }

    /** A look that an observer is asked for. */
    public record Watching(
            UUID id,
            String student,
            String sequence,
            int tableNumber,
            long elapsedMs,
            double lookEverySeconds,
            List<Event> events) {}

    /** The looks the caller is asked for now. */
    public List<Watching> watching(Caller caller) {
        return rows.watching(caller.id()).stream()
                .map(r -> {
                    var practical = practical(r, events(r.id()));
                    return new Watching(
                            r.id(),
                            people.person(r.studentId()).name(),
                            practical.sequence().name(),
                            r.tableNumber(),
                            Math.max(
                                    0,
                                    clock.instant().toEpochMilli()
                                            - r.startedAt().toEpochMilli()),
                            practical.profile().mechanics().lookEverySeconds(),
                            practical.events());
                })
                .toList();
    }

    /** Whether the caller grades the same run on their own and has not seen the other's marks yet. */
    private boolean blind(Caller caller, Row row) {
        if (row.graderId().equals(caller.id())) return false;
        var other = rows.other(row.id()).orElse(null);
        return other != null
                && other.graderId().equals(caller.id())
                && (rows.award(row.id()).isEmpty() || rows.award(other.id()).isEmpty());
    }

    /** Whether the caller may read a practical of a term they teach: not the other half of a pair they have not awarded. */
    public boolean open(Caller caller, UUID id) {
        return !blind(caller, row(id));
    }

    private void mustNotBeBlind(Caller caller, Row row) {
        if (blind(caller, row))
            throw Refusal.forbidden("Two graders mark this run, each on their own: it opens once both have awarded.");
    }

    /** Practicals a student may judge before anything of the result is shown. */
    public List<ToMark> toMark(UUID student) {
        return rows.toMark(student).stream()
                .map(r -> new ToMark(r.id(), r.sequence(), r.startedAt()))
                .toList();
    }

    /** A finished practical that waits for the student's own word. */
    public record ToMark(UUID id, String sequence, Instant startedAt) {}

    /**
     * The student's own marks, before the result is shown; the first word stands.
     *
     * @throws Refusal 409 once the result was released, or marks were given
     */
    @Transactional
    public void selfMark(Caller caller, UUID id, Map<Criterion, Double> marks) {
        var row = row(id);
        if (!row.studentId().equals(caller.id())) throw Refusal.forbidden("Only the one who worked marks themselves.");
        if (!row.finished() || row.voidReason() != null)
            throw Refusal.conflict("not-finished", "This practical is not finished.");
        if (rows.award(id).filter(AwardRow::released).isPresent())
            throw Refusal.conflict("released", "The result is there already; a mark of your own comes before it.");
        var faults = new ArrayList<Fault>();
        if (marks.isEmpty()) faults.add(new Fault("marks", "", "is missing"));
        marks.forEach((c, v) -> {
            if (v == null || !(v >= 0 && v <= 100))
                faults.add(new Fault("marks/" + c, String.valueOf(v), "must be 0 to 100"));
        });
        if (!faults.isEmpty()) throw new InvalidValue("self-mark", faults);
        if (rows.addSelfMark(id, Json.MAPPER.writeValueAsString(marks)) == 0)
            throw Refusal.conflict("marked-already", "You gave your marks already; the first word stands.");
    }

    private @Nullable Map<Criterion, Double> selfMarks(UUID id) {
        return rows.selfMark(id)
                .map(b -> Json.MAPPER.<Map<Criterion, Double>>readValue(b, new TypeReference<>() {}))
                .orElse(null);
    }

    /** What does not change of a practical that is being graded, and how many events it had when it was last asked. */
    private static final class Known {
        final UUID term;
        final Sequence sequence;
        final AtomicInteger events;
        volatile boolean finished;
        /** Who may write here, and until when that need not be asked again. */
        final Map<UUID, Instant> mayWrite = new ConcurrentHashMap<>();

        Known(UUID term, Sequence sequence, int events, boolean finished) {
            this.finished = finished;
            this.term = term;
            this.sequence = sequence;
            this.events = new AtomicInteger(events);
        }
    }

    /** How many are stored now, and whether the practical is finished. */
    public record Stored(int events, boolean finished) {}

    /**
     * Stores events; each id once, however often it is sent. All of a request or none. What is scored is not asked here: a tap is
     * answered when it is on disk.
     *
     * @throws InvalidValue naming every event that cannot be meant, by its place in the request
     * @throws Refusal 409 where an id is stored already with other contents
     */
    public Stored append(Caller caller, UUID id, @Nullable List<Event> sent) {
        var known = known(id);
        var now = clock.instant();
        var until = known.mayWrite.get(caller.id());
        if (until == null || until.isBefore(now)) {
            mayWrite(caller, row(id));
            known.mayWrite.put(caller.id(), now.plus(ASKED_AGAIN));
        }
        if (sent == null) throw new InvalidValue("events", new Fault("events", "", "is missing"));
        if (sent.size() > MOST_AT_ONCE)
            throw new InvalidValue(
                    "events",
                    new Fault("events", sent.size() + " events", "must be at most " + MOST_AT_ONCE + " at once"));
        return append(id, known, sent);
    }

    /** A grader writes where they teach; an observer only what they were asked to look at. */
    private void mayWrite(Caller caller, Row row) {
        if (Kind.of(row) == Kind.PEER_LOOK) {
            if (!row.graderId().equals(caller.id()))
                throw Refusal.forbidden("Only the student who was asked to watch writes here.");
            return;
        }
        people.mustTeach(caller, row.termId());
        mustGradeIt(caller, row);
    }

    /** Stores what comes from a device that nobody signed in on; whoever calls has made sure that it belongs here. */
    void appendUnseen(UUID id, List<Event> sent) {
        append(id, known(id), sent);
    }

    boolean has(UUID id, String event) {
        return !rows.eventsOf(id, List.of(event)).isEmpty();
    }

    /** The number from which a report is too much, by the profile of a practical. */
    int tooMuch(Row row) {
        return profiles.version(row.profileVersionId()).profile().pressure().tooMuch();
    }

    private Known known(UUID id) {
        return knowns.computeIfAbsent(id, i -> {
            var row = rows.byId(i).orElseThrow(() -> Refusal.notFound("practical"));
            return new Known(
                    row.termId(),
                    sequences.version(row.sequenceVersionId()).sequence(),
                    rows.countEvents(i),
                    row.finished());
        });
    }

    private Stored append(UUID id, Known known, List<Event> sent) {
        Map<String, Event> mine = new HashMap<>();
        for (var e : sent) {
            var twice = mine.putIfAbsent(e.id(), e);
            if (twice != null && !same(twice, e))
                throw Refusal.conflict(
                        "event-differs", "Event " + e.id() + " is sent twice with other contents; nothing was stored.");
        }
        var refs = sent.stream()
                .map(e -> e.data().ref())
                .filter(r -> r != null && !mine.containsKey(r))
                .distinct()
                .toList();
        var there = new HashSet<String>();
        if (!refs.isEmpty()) rows.eventsOf(id, refs).forEach(e -> there.add(e.id()));
        var faults = Practical.faults(known.sequence, sent, r -> mine.containsKey(r) || there.contains(r));
        if (known.events.get() + mine.size() > Practical.MOST_EVENTS) {
            known.events.set(rows.countEvents(id));
            if (known.events.get() + mine.size() > Practical.MOST_EVENTS)
                faults.add(new Fault(
                        "events",
                        known.events.get() + mine.size() + " events",
                        "must be at most " + Practical.MOST_EVENTS));
        }
        if (!faults.isEmpty()) throw new InvalidValue("events", faults);
        if (mine.isEmpty()) return new Stored(known.events.get(), known.finished);
        int fresh = log.store(id, mine.values().stream().map(Practicals::row).toList());
        int events = known.events.addAndGet(fresh);
        boolean ends = mine.values().stream().anyMatch(e -> e.kind() == EventKind.FINISH || e.kind() == EventKind.UNDO);
        if (ends) known.finished = settle(id);
        return new Stored(events, known.finished);
    }

    /** Whether it is finished, told by what was seen: a finish may be undone. */
    private boolean settle(UUID id) {
        return Boolean.TRUE.equals(transaction.execute(s -> {
            var row = rows.lock(id).orElseThrow(() -> Refusal.notFound("practical"));
            boolean finished =
                    Run.of(practical(row, events(id))).events().stream().anyMatch(e -> e.kind() == EventKind.FINISH);
            if (finished != row.finished()) {
                rows.finish(id, finished);
                rows.finishLooks(id, finished);
            }
            return finished;
        }));
    }

    private static void mustCount(Row row) {
        if (row.voidReason() != null)
            throw Refusal.conflict(
                    "void", "This practical does not count: " + row.voidReason() + ". Count it again first.");
    }

    Row row(UUID id) {
        return rows.byId(id).orElseThrow(() -> Refusal.notFound("practical"));
    }

    /** Wall time is for people: a clock set right between two sendings does not make another event. */
    private static boolean same(Event a, Event b) {
        return a.device().equals(b.device())
                && a.seq() == b.seq()
                && a.atMs() == b.atMs()
                && a.kind() == b.kind()
                && a.data().equals(b.data());
    }

    /**
     * Scores so far, over the events that are stored.
     *
     * @throws Refusal 409 once the practical is finished: then a rating of the whole comes before any score is shown
     */
    public Practical soFar(Caller caller, UUID id) {
        var row = row(id);
        people.mustTeach(caller, row.termId());
        mustNotBeBlind(caller, row);
        if (row.finished() && rows.rating(id).isEmpty() && rows.award(id).isEmpty())
            throw Refusal.conflict("not-rated", "Give the one rating of the whole first.");
        return practical(row, events(id));
    }

    /** Ids of the practicals the caller has at the tables, table by table; what was left open a day ago is not on the floor. */
    public List<UUID> floor(Caller caller) {
        return rows.open(caller.id(), clock.instant().minus(Duration.ofHours(24))).stream()
                .map(Row::id)
                .toList();
    }

    /** An event of a practical that is at the tables, and its place in the order in which events were stored. */
    public record News(UUID practical, long nth, Event event) {}

    /**
     * What was stored since for the practicals the caller has at the tables, whoever wrote it.
     *
     * @param after place of the last that is known, 0 for none; some that are known come again
     */
    public List<News> news(Caller caller, long after) {
        return rows.news(caller.id(), after, clock.instant().minus(Duration.ofSeconds(10)), MOST_AT_ONCE).stream()
                .map(r -> new News(
                        r.practicalId(),
                        r.nth(),
                        event(new EventRow(r.id(), r.device(), r.seq(), r.atMs(), r.wall(), r.kind(), r.data()))))
                .toList();
    }

    public Whole whole(Caller caller, UUID id) {
        var row = rows.byId(id).orElseThrow(() -> Refusal.notFound("practical"));
        people.maySee(caller, row.studentId());
        var award = rows.award(id).orElse(null);
        if (!caller.role().staff() && (award == null || !award.released() || row.voidReason() != null))
            throw Refusal.forbidden("This practical has not been released yet.");
        mustNotBeBlind(caller, row);
        var other = rows.other(id).orElse(null);
        audit.read(caller, row.studentId(), "practical " + id);
        return new Whole(
                id,
                row.termId(),
                people.person(row.studentId()),
                row.partnerId() == null ? null : people.person(row.partnerId()),
                people.person(row.graderId()),
                row.startedAt(),
                Math.max(0, clock.instant().toEpochMilli() - row.startedAt().toEpochMilli()),
                row.finished(),
                row.tableNumber(),
                row.limitSeconds(),
                row.today() == null ? null : List.of(Json.MAPPER.readValue(row.today(), ClientNote[].class)),
                row.despite(),
                row.voidReason(),
                row.retakeOf(),
                Kind.of(row),
                criterion(row),
                other == null || !caller.role().staff() ? null : other.id(),
                award == null ? null : selfMarks(id),
                practical(row, events(id)),
                rows.rating(id).orElse(null),
                award);
    }

    public List<PracticalLine> lines(Caller caller, UUID term, @Nullable UUID student) {
        people.mustTeach(caller, term);
        var lines = rows.lines(term, student, 500);
        var paired = new HashSet<UUID>();
        for (var l : lines)
            if (l.beside() != null) {
                paired.add(l.id());
                paired.add(l.beside());
            }
        return lines.stream()
                .map(l -> paired.contains(l.id()) && blind(caller, row(l.id())) ? l.blind() : l)
                .toList();
    }

    static @Nullable Criterion criterion(Row row) {
        return row.criterion() == null
                ? null
                : Criterion.valueOf(row.criterion().toUpperCase());
    }

    /** The scores of a practical: of a spot check the one criterion it looked at. */
    static Scores scores(Practical practical, @Nullable Criterion criterion) {
        var all = Scores.of(practical);
        return criterion == null ? all : all.only(criterion);
    }

    /** Every practical of a term, however many there are. */
    public List<PracticalLine> all(Caller caller, UUID term) {
        people.mustTeach(caller, term);
        return rows.lines(term, null, Integer.MAX_VALUE);
    }

    /** Lines of one student that were released, for the student. */
    public List<PracticalLine> released(UUID term, UUID student) {
        return rows.lines(term, student, 500).stream()
                .filter(l -> Boolean.TRUE.equals(l.released()) && l.voidReason() == null && l.beside() == null)
                .toList();
    }

    public List<PracticalLine> ofStudent(UUID term, UUID student) {
        return rows.lines(term, student, 500);
    }

    /** The grader's one rating of the whole, given before any score is shown; the first one stands. */
    @Transactional
    public void rate(Caller caller, UUID id, @Nullable Double value) {
        var row = rows.lock(id).orElseThrow(() -> Refusal.notFound("practical"));
        people.mustTeach(caller, row.termId());
        mustCount(row);
        mustGradeIt(caller, row);
        if (!row.finished()) throw Refusal.conflict("not-finished", "Finish the practical first.");
        if (value == null || !(value >= 0 && value <= 100))
            throw new InvalidValue("rating", new Fault("value", String.valueOf(value), "must be 0 to 100"));
        if (rows.rate(id, value, caller.id()) == 0)
            throw Refusal.conflict("rated-already", "A rating was given already; it stands as it was given.");
    }

    /**
     * Awards. Critical findings must each be confirmed or struck with a reason, and each changed criterion needs one.
     *
     * @param from revision of the award this one replaces, 0 for the first
     */
    @Transactional
    public void award(Caller caller, UUID id, int from, Award award) {
        var row = rows.lock(id).orElseThrow(() -> Refusal.notFound("practical"));
        people.mustTeach(caller, row.termId());
        people.mustBeOpen(row.termId());
        mustCount(row);
        mustNotBeBlind(caller, row);
        mustGradeIt(caller, row);
        var practical = practical(row, events(id));
        duties.mustGrade(caller, row.termId(), practical.sequence().region());
        var rating = rows.rating(id)
                .orElseThrow(() -> Refusal.conflict("not-rated", "Give the one rating of the whole first."));
        int now = rows.award(id).map(AwardRow::revision).orElse(0);
        if (now != from)
            throw Refusal.conflict(
                    "changed-meanwhile",
                    "Somebody awarded this meanwhile. Read it again; nothing of yours was stored.");
        var scores = scores(practical, criterion(row));
        check(award, scores);
        var outcome = outcome(scores, award, rating);
        if (rows.addAward(new AwardRow(
                        id,
                        now + 1,
                        Json.MAPPER.writeValueAsString(award),
                        outcome.result().toString(),
                        outcome.mean(),
                        award.released(),
                        caller.id(),
                        clock.instant(),
                        practical.events().size()))
                == 0) throw Refusal.conflict("changed-meanwhile", "Somebody awarded this meanwhile. Read it again.");
        var other = rows.other(id).orElse(null);
        if (other == null) writeEvidence(row, scores, award);
        else countPair(row.beside() == null ? row : other);
        audit.changed(caller, row.studentId(), "award", id + " revision " + (now + 1) + " " + outcome.result());
    }

    /** Lets the student see an award as it stands; nothing where they see it already. */
    @Transactional
    public void release(Caller caller, UUID id) {
        var row = rows.lock(id).orElseThrow(() -> Refusal.notFound("practical"));
        people.mustTeach(caller, row.termId());
        if (caller.role() != Role.LEAD) throw Refusal.forbidden("The lead releases what was left to the lead.");
        var held = rows.award(id).filter(a -> !a.released()).orElse(null);
        if (held == null) return;
        var body = Json.MAPPER.readValue(held.body(), Award.class).releasing();
        rows.addAward(new AwardRow(
                id,
                held.revision() + 1,
                Json.MAPPER.writeValueAsString(body),
                held.result(),
                held.mean(),
                true,
                caller.id(),
                clock.instant(),
                held.events()));
        var other = rows.other(id).orElse(null);
        if (other == null) writeEvidence(row, scores(practical(row, events(id)), criterion(row)), body);
        else countPair(row.beside() == null ? row : other);
        audit.changed(caller, row.studentId(), "award", id + " released");
    }

    /** While two graders mark a run on their own, nothing but its own grader's hand may touch either. */
    private void mustGradeIt(Caller caller, Row row) {
        var other = rows.other(row.id()).orElse(null);
        if (other != null
                && !row.graderId().equals(caller.id())
                && (rows.award(row.id()).isEmpty() || rows.award(other.id()).isEmpty()))
            throw Refusal.forbidden("Two graders mark this run, each on their own; this is the other one's.");
    }

    /**
     * Writes down anew what the awards say that an earlier version of the app wrote less of.
     *
     * @return how many
     */
    public int recount() {
        int n = 0;
        for (var id : rows.awardedWithoutLooks()) {
            n++;
            transaction.executeWithoutResult(t -> rows.lock(id).ifPresent(row -> {
                if (rows.other(id).isPresent()) countPair(row);
                else
                    rows.award(id)
                            .ifPresent(a -> writeEvidence(
                                    row,
                                    scores(practical(row, events(id)), criterion(row)),
                                    Json.MAPPER.readValue(a.body(), Award.class)));
            }));
        }
        return n;
    }

    /** A run that two graders mark counts once, by the first one's award, as soon as both have awarded. */
    private void countPair(Row first) {
        var award = rows.award(first.id()).orElse(null);
        boolean both = award != null
                && rows.other(first.id()).flatMap(o -> rows.award(o.id())).isPresent();
        if (both)
            writeEvidence(
                    first,
                    scores(practical(first, events(first.id())), criterion(first)),
                    Json.MAPPER.readValue(award.body(), Award.class));
    }

    /** One run as each of two graders marked it: what was awarded, else computed. */
    public record Twice(UUID id, Map<Criterion, Double> first, Map<Criterion, Double> second) {}

    /** Every run of a term that two graders marked, both of them done. */
    public List<Twice> markedTwice(UUID term) {
        return rows.pairs(term).stream()
                .map(first -> {
                    var second = rows.other(first.id()).orElseThrow();
                    return new Twice(first.id(), ownMarks(first), ownMarks(second));
                })
                .toList();
    }

    /** By the first award: an agreed one is made after both were seen. */
    private Map<Criterion, Double> ownMarks(Row row) {
        var award = rows.firstAward(row.id())
                .map(a -> Json.MAPPER.readValue(a.body(), Award.class))
                .orElseThrow();
        Map<Criterion, Double> marks = new EnumMap<>(Criterion.class);
        for (var c : scores(practical(row, events(row.id())), criterion(row)).criteria()) {
            Double value = award.values().getOrDefault(c.criterion(), c.score());
            if (value != null) marks.put(c.criterion(), value);
        }
        return marks;
    }

    /** What an award says, for Track. */
    private void writeEvidence(Row row, Scores scores, Award award) {
        evidence.write(row, Kind.of(row).evidence, scores, award);
    }

    /**
     * Says that a practical does not count and why, or with null that it does after all: nothing is deleted.
     *
     * @throws InvalidValue where the reason is blank or too long
     */
    @Transactional
    public void setVoid(Caller caller, UUID id, @Nullable String reason) {
        var row = rows.lock(id).orElseThrow(() -> Refusal.notFound("practical"));
        people.mustTeach(caller, row.termId());
        people.mustBeOpen(row.termId());
        if (reason != null && (reason.isBlank() || reason.length() > 400))
            throw new InvalidValue(
                    "practical",
                    new Fault(
                            "reason",
                            reason.isBlank() ? "" : reason.length() + " characters",
                            "must be 1 to 400 characters"));
        rows.setVoid(id, reason == null ? null : reason.strip(), caller.id());
        knowns.remove(id);
        evidence.clear(id);
        evidence.tell(row);
        if (reason == null)
            rows.award(id)
                    .ifPresent(a -> writeEvidence(
                            row,
                            scores(practical(row, events(id)), criterion(row)),
                            Json.MAPPER.readValue(a.body(), Award.class)));
        audit.changed(
                caller,
                row.studentId(),
                reason == null ? "counted again" : "made void",
                id + (reason == null ? "" : " " + reason.strip()));
    }

    /** What it comes to with an award; critical findings that were struck do not count. */
    public static Outcome outcome(Scores scores, Award award, @Nullable Double rating) {
        var struck = award.struckKeys();
        int critical = (int) scores.critical().stream()
                .filter(f -> !struck.contains(f.key()))
                .count();
        return Outcome.of(scores, award.values(), critical, rating);
    }

    private static void check(Award award, Scores scores) {
        var faults = new ArrayList<Fault>();
        award.criteria().forEach((c, change) -> {
            Double value = change.value();
            if (value == null || !(value >= 0 && value <= 100))
                faults.add(new Fault("criteria/" + c + "/value", String.valueOf(value), "must be 0 to 100"));
            if (change.reason() == null || change.reason().isBlank())
                faults.add(new Fault("criteria/" + c + "/reason", "", "is missing: a changed mark needs its reason"));
        });
        var keys = new HashSet<>(scores.critical().stream().map(Finding::key).toList());
        var answered = new HashSet<>(award.confirmed());
        for (int i = 0; i < award.struck().size(); i++) {
            var s = award.struck().get(i);
            if (s.key() == null || !keys.contains(s.key()))
                faults.add(new Fault("struck/" + i + "/key", String.valueOf(s.key()), "is no critical finding here"));
            if (s.reason() == null || s.reason().isBlank())
                faults.add(new Fault("struck/" + i + "/reason", "", "is missing: striking a finding needs its reason"));
            if (s.key() != null) answered.add(s.key());
        }
        for (var key : keys)
            if (!answered.contains(key))
                faults.add(new Fault("confirmed", key, "is a critical finding neither confirmed nor struck"));
        for (int i = 0; i < award.remarks().size(); i++) {
            var r = award.remarks().get(i);
            if (r.text() == null || r.text().isBlank() || r.text().length() > 400)
                faults.add(new Fault("remarks/" + i + "/text", "", "must be 1 to 400 characters"));
            if (r.atMs() != null && (r.atMs() < 0 || r.atMs() > Event.MOST_MS))
                faults.add(new Fault("remarks/" + i + "/atMs", r.atMs().toString(), "lies outside the run"));
        }
        if (award.remarks().size() > 100)
            faults.add(new Fault("remarks", award.remarks().size() + " remarks", "must be at most 100"));
        if (award.goals().size() > 20
                || award.goals().stream().anyMatch(g -> g == null || g.isBlank() || g.length() > 400))
            faults.add(
                    new Fault("goals", award.goals().size() + " goals", "must be at most 20 of 1 to 400 characters"));
        if (award.feedback().length() > 4000)
            faults.add(new Fault(
                    "feedback", award.feedback().length() + " characters", "must be at most 4000 characters"));
        if (!faults.isEmpty()) throw new InvalidValue("award", faults);
    }

    /** Stores a whole record that was read from a file or played by the demo, with its events. */
    @Transactional
    public UUID take(
            UUID term, UUID student, @Nullable UUID partner, UUID grader, Practical record, Instant startedAt) {
        var sequence = sequences.same(record.sequence());
        var profile = profiles.same(record.profile());
        var id = add(
                term,
                student,
                partner,
                grader,
                sequence.versionId(),
                profile.versionId(),
                record.asked(),
                record.sides(),
                1,
                startedAt,
                null);
        keep(id, record);
        return id;
    }

    /** Stores what a second grader saw of a run, with their practical of it. */
    @Transactional
    public UUID takeBeside(Caller second, UUID first, Practical record) {
        var id = beside(second, first);
        keep(id, record);
        return id;
    }

    private void keep(UUID id, Practical record) {
        if (record.events().isEmpty()) return;
        var sent = Json.MAPPER.createArrayNode();
        EventLog.put(sent, id, record.events().stream().map(Practicals::row).toList());
        rows.addAll(sent.toString());
        boolean finished = Run.of(record).events().stream().anyMatch(e -> e.kind() == EventKind.FINISH);
        if (finished) rows.finish(id, true);
    }

    private List<Event> events(UUID id) {
        return rows.events(id).stream().map(Practicals::event).toList();
    }

    private static Event event(EventRow r) {
        return new Event(
                r.id(),
                r.device(),
                r.seq(),
                r.atMs(),
                r.wall(),
                EventKind.valueOf(r.kind().toUpperCase().replace('-', '_')),
                Json.MAPPER.readValue(r.data(), EventData.class));
    }

    private static EventRow row(Event e) {
        return new EventRow(
                e.id(),
                e.device(),
                e.seq(),
                e.atMs(),
                e.wall(),
                e.kind().toString(),
                Json.MAPPER.writeValueAsString(e.data()));
    }

    private Practical practical(Row row, List<Event> events) {
        return new Practical(
                sequences.version(row.sequenceVersionId()).sequence(),
                profiles.version(row.profileVersionId()).profile(),
                List.of(Json.MAPPER.readValue(row.asked(), String[].class)),
                Sides.valueOf(row.sides().toUpperCase()),
                events);
    }
}
