package palmtally.server.practical;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.competency.Evidence;
import palmtally.core.finding.Criterion;
import palmtally.core.people.ClientNote;
import palmtally.core.practical.Outcome;
import palmtally.core.practical.Practical;
import palmtally.core.practical.Run;
import palmtally.core.practical.RunProgress;
import palmtally.core.practical.event.Event;
import palmtally.core.practical.event.Finish;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.formats.Json;
import palmtally.formats.live.SoFar;
import palmtally.server.answer.Page;
import palmtally.server.audit.Audit;
import palmtally.server.people.Access;
import palmtally.server.people.Accounts;
import palmtally.server.people.Caller;
import palmtally.server.people.Duties;
import palmtally.server.people.Person;
import palmtally.server.people.Terms;
import palmtally.server.practical.PracticalRows.AwardRow;
import palmtally.server.practical.PracticalRows.EventRow;
import palmtally.server.practical.PracticalRows.Row;
import palmtally.server.problem.Refusal;
import palmtally.server.profile.Profiles;
import palmtally.server.sequence.Sequences;
import palmtally.server.version.Version;

/** Practicals: what is asked of whom, beside whom, and all that is there of them to read. */
@Service
public class Practicals {
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

        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** One thing the body on the table must be spared today. */
    public record Spared(
            ClientNote.@Nullable Kind kind,
            @Nullable Zone zone,
            @Nullable Side side) {}

    /** Lines of a page. */
    private static final int A_PAGE = 100;
    /** How long after an award it is looked whether a device brought taps that it does not rest on. */
    private static final Duration LATE_TAPS = Duration.ofDays(30);

    private final PracticalRows rows;
    private final Records records;
    private final Sequences sequences;
    private final Profiles profiles;
    private final Accounts accounts;
    private final Terms terms;
    private final Access access;
    private final Duties duties;
    private final Audit audit;
    private final Clock clock;

    Practicals(
            PracticalRows rows,
            Records records,
            Sequences sequences,
            Profiles profiles,
            Accounts accounts,
            Terms terms,
            Access access,
            Duties duties,
            Audit audit,
            Clock clock) {
        this.rows = rows;
        this.records = records;
        this.sequences = sequences;
        this.profiles = profiles;
        this.accounts = accounts;
        this.terms = terms;
        this.access = access;
        this.duties = duties;
        this.audit = audit;
        this.clock = clock;
    }

    /** What a brief asks for: the newest version of its sequence, by the profile it names or the school's. */
    private record Asked(Brief brief, Version<Sequence> sequence, Version<Profile> profile, Practical practical) {}

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
        access.mustTeach(caller, brief.term);
        terms.mustBeOpen(brief.term);
        duties.mustGrade(
                caller, brief.term, sequences.newest(brief.sequence).document().region());
        var inTerm = terms.students(brief.term).stream().map(Person::id).toList();
        if (!inTerm.contains(brief.student))
            faults.add(new Fault("student", brief.student.toString(), "is not a student of this term"));
        if (brief.partner != null && !inTerm.contains(brief.partner))
            faults.add(new Fault("partner", brief.partner.toString(), "is not a student of this term"));
        if (brief.grader != null
                && terms.people(brief.term).stream()
                        .noneMatch(p -> p.id().equals(brief.grader) && p.role().staff()))
            faults.add(new Fault("grader", brief.grader.toString(), "is no grader of this term"));
        else if (brief.grader != null) {
            var grader = accounts.person(brief.grader);
            duties.mustGrade(
                    new Caller(grader.id(), grader.name(), grader.role()),
                    brief.term,
                    sequences.newest(brief.sequence).document().region());
        }
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
                        sequence.document(),
                        profile.document(),
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
                asked.sequence.id(),
                asked.profile.id(),
                Json.MAPPER.writeValueAsString(asked.practical.asked()),
                asked.practical.sides(),
                brief.tableNumber == null ? 1 : brief.tableNumber,
                clock.instant(),
                false,
                brief.limitSeconds,
                brief.today == null ? null : Json.MAPPER.writeValueAsString(brief.notes()),
                brief.despite == null || brief.despite.isBlank() ? null : brief.despite.strip(),
                null,
                brief.retakeOf,
                brief.kind == null ? Kind.PRACTICAL : brief.kind,
                brief.criterion,
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
                sides,
                tableNumber,
                startedAt,
                false,
                limitSeconds,
                null,
                null,
                null,
                null,
                Kind.PRACTICAL,
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
        var row = records.lock(first);
        records.mustWrite(caller, row);
        Records.mustCount(row);
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
        var row = records.lock(id);
        records.mustWrite(caller, row);
        Records.mustCount(row);
        if (row.finished()) throw Refusal.conflict("finished", "This practical is over.");
        if (observer == null
                || observer.equals(row.studentId())
                || observer.equals(row.partnerId())
                || terms.students(row.termId()).stream().noneMatch(p -> p.id().equals(observer)))
            throw new InvalidValue(
                    "peer look",
                    new Fault(
                            "observer", String.valueOf(observer), "must be a student who neither works nor lies here"));
        var there = rows.watch(id, observer);
        if (there.isPresent()) return there.get().id();
        var look = UUID.randomUUID();
        rows.add(row.of(look, observer, Kind.PEER_LOOK, null, id));
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
            List<Event> events,
            RunProgress progress) {}

    /** The looks the caller is asked for now. */
    public List<Watching> watching(Caller caller) {
        return rows.watching(caller.id()).stream()
                .map(r -> {
                    var practical = records.practical(r);
                    double every = practical.profile().mechanics().lookEverySeconds();
                    return new Watching(
                            r.id(),
                            accounts.person(r.studentId()).name(),
                            practical.sequence().name(),
                            r.tableNumber(),
                            Math.max(
                                    0,
                                    clock.instant().toEpochMilli()
                                            - r.startedAt().toEpochMilli()),
                            every,
                            practical.events(),
                            RunProgress.watched(practical.events(), every));
                })
                .toList();
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
        var row = records.row(id);
        if (!row.studentId().equals(caller.id())) throw Refusal.forbidden("Only the one who worked marks themselves.");
        terms.mustBeOpen(row.termId());
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
        if (rows.addSelfMark(id, Json.MAPPER.writeValueAsString(marks), clock.instant()) == 0)
            throw Refusal.conflict("marked-already", "You gave your marks already; the first word stands.");
    }

    /**
     * Scores and progress so far, over the events that are stored.
     *
     * @throws Refusal 409 once the practical is finished: then a rating of the whole comes before any score is shown
     */
    public SoFar soFar(Caller caller, UUID id) {
        var row = records.row(id);
        access.mustTeach(caller, row.termId());
        records.mustNotBeBlind(caller, row);
        boolean rated = rated(id);
        if (row.finished() && !rated) throw Refusal.conflict("not-rated", "Give the one rating of the whole first.");
        return SoFar.of(records.practical(row), row.limitSeconds(), rated);
    }

    /** Whether the one rating of the whole was given, so that what it comes to may be shown. */
    private boolean rated(UUID id) {
        return rows.rating(id).isPresent() || rows.award(id).isPresent();
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
        return rows
                .news(caller.id(), after, clock.instant().minus(Duration.ofSeconds(10)), Capture.MOST_AT_ONCE)
                .stream()
                .map(r -> new News(
                        r.practicalId(),
                        r.nth(),
                        Records.event(
                                new EventRow(r.id(), r.device(), r.seq(), r.atMs(), r.wall(), r.kind(), r.data()))))
                .toList();
    }

    /**
     * With the first page all that still wait for something, then the others, the newest first.
     *
     * @param before the last of the page before, or null for the first page
     */
    Page<PracticalLine> lines(Caller caller, UUID term, @Nullable UUID before) {
        var lately = clock.instant().minus(LATE_TAPS);
        var done = Page.of(rows.done(term, before, A_PAGE + 1, lately), A_PAGE, PracticalLine::id);
        var page = before == null ? done.after(rows.due(term, lately)) : done;
        return new Page<>(seenBy(caller, page.lines()), page.next());
    }

    private List<PracticalLine> seenBy(Caller caller, List<PracticalLine> lines) {
        var paired = new HashSet<UUID>();
        for (var l : lines)
            if (l.beside() != null) {
                paired.add(l.id());
                paired.add(l.beside());
            }
        return lines.stream()
                .map(l -> paired.contains(l.id()) && records.blind(caller, records.row(l.id())) ? l.blind() : l)
                .toList();
    }

    /** Who was asked to show a sequence in a term. */
    List<UUID> studentsOf(UUID term, String sequence) {
        return rows.studentsOf(term, sequence);
    }

    /** The last practical of a student with a sequence, which was not passed. */
    public record OwedRetake(
            UUID practical,
            UUID student,
            String name,
            String sequence,
            String sequenceName,
            Instant startedAt,
            Outcome.Result result) {}

    /** The re-takes that a term owes its students, by name. */
    public List<OwedRetake> owed(UUID term) {
        return rows.owed(term);
    }

    /** Whether there is any, counted or not. */
    public boolean any(UUID term) {
        return rows.any(term);
    }

    /** Every practical of a term, however many there are. */
    public List<PracticalLine> all(UUID term) {
        return rows.lines(term, null);
    }

    /** Lines of one student that were released, for the student. */
    public List<PracticalLine> released(UUID term, UUID student) {
        return rows.lines(term, student).stream()
                .filter(l -> Boolean.TRUE.equals(l.released()) && l.voidReason() == null && l.beside() == null)
                .toList();
    }

    public List<PracticalLine> ofStudent(UUID term, UUID student) {
        return rows.lines(term, student);
    }

    /** Stores a whole record that was read from a file or played by the demo, with its events. */
    @Transactional
    public UUID take(
            UUID term, UUID student, @Nullable UUID partner, Caller grader, Practical record, Instant startedAt) {
        var sequence = sequences.same(record.sequence(), grader);
        var profile = profiles.same(record.profile(), grader);
        var id = add(
                term,
                student,
                partner,
                grader.id(),
                sequence.id(),
                profile.id(),
                record.asked(),
                record.sides(),
                1,
                startedAt,
                null);
        keep(id, grader.id(), record);
        return id;
    }

    /** Stores what a second grader saw of a run, with their practical of it. */
    @Transactional
    public UUID takeBeside(Caller second, UUID first, Practical record) {
        var id = beside(second, first);
        keep(id, second.id(), record);
        return id;
    }

    private void keep(UUID id, UUID account, Practical record) {
        if (record.events().isEmpty()) return;
        var sent = Json.MAPPER.createArrayNode();
        EventLog.put(
                sent, id, account, record.events().stream().map(Records::row).toList());
        rows.addAll(sent.toString(), clock.instant());
        boolean finished = Run.of(record).events().stream().anyMatch(e -> e.data() instanceof Finish);
        if (finished) rows.finish(id, true);
    }
}
