package palmtally.server.practical;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.body.Region;
import palmtally.core.practical.Extent;
import palmtally.core.practical.Practical;
import palmtally.core.practical.Scores;
import palmtally.core.practical.event.Attend;
import palmtally.core.practical.event.Event;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.formats.Json;
import palmtally.server.people.Access;
import palmtally.server.people.Caller;
import palmtally.server.people.Duties;
import palmtally.server.people.Terms;
import palmtally.server.practical.PracticalRows.EventRow;
import palmtally.server.practical.PracticalRows.Row;
import palmtally.server.problem.Refusal;
import palmtally.server.profile.Profiles;
import palmtally.server.sequence.Sequences;

/** Practicals as they are stored, read; and who may not read or mark them yet. */
@Service
class Records {
    private final PracticalRows rows;
    private final Sequences sequences;
    private final Profiles profiles;
    private final Terms terms;
    private final Access access;
    private final Duties duties;

    Records(PracticalRows rows, Sequences sequences, Profiles profiles, Terms terms, Access access, Duties duties) {
        this.rows = rows;
        this.sequences = sequences;
        this.profiles = profiles;
        this.terms = terms;
        this.access = access;
        this.duties = duties;
    }

    /**
     * Whoever changes anything of a practical: staff of its term, with the duty to grade its region, while the term is open.
     *
     * @throws Refusal 403 or 409
     */
    void mustWrite(Caller caller, Row row) {
        mustWrite(
                caller,
                row.termId(),
                sequences.version(row.sequenceVersionId()).document().region());
    }

    /** The same for whoever knows the region already: a sequence is long to read. */
    void mustWrite(Caller caller, UUID term, Region region) {
        access.mustTeach(caller, term);
        terms.mustBeOpen(term);
        duties.mustGrade(caller, term, region);
    }

    /**
     * Whoever reads a practical: the student, the lead, and who teaches its term, whether or not the student is in it still. Who graded it
     * and has nothing to do with the term any more, as a substitute after their day, does not.
     *
     * @throws Refusal 403
     */
    void mayRead(Caller caller, Row row) {
        if (caller.id().equals(row.studentId())) return;
        if (access.teaches(caller, row.termId())) return;
        access.maySee(caller, row.studentId());
    }

    Row row(UUID id) {
        return rows.byId(id).orElseThrow(() -> Refusal.notFound("practical"));
    }

    /** For whoever changes it: nobody else does meanwhile. */
    Row lock(UUID id) {
        return rows.lock(id).orElseThrow(() -> Refusal.notFound("practical"));
    }

    List<Event> events(UUID id) {
        return Json.events(rows.events(id));
    }

    static Event event(EventRow r) {
        return new Event(r.id(), r.device(), r.seq(), r.atMs(), r.wall(), Json.observation(r.kind(), r.data()));
    }

    static EventRow row(Event e) {
        return new EventRow(
                e.id(), e.device(), e.seq(), e.atMs(), e.wall(), e.kind(), Json.MAPPER.writeValueAsString(e.data()));
    }

    Practical practical(Row row) {
        return practical(row, new Papers());
    }

    Practical practical(Row row, Papers papers) {
        return new Practical(
                papers.sequence(row.sequenceVersionId()),
                papers.profile(row.profileVersionId()),
                List.of(Json.MAPPER.readValue(row.asked(), String[].class)),
                row.sides(),
                (row.kind() == Practicals.Kind.PRACTICAL && row.retakeOf() == null ? Extent.WHOLE : Extent.PART)
                        .only(row.criterion()),
                events(row.id()));
    }

    /** The sequences and profiles that practicals go by, each looked up once. */
    final class Papers {
        private final Map<UUID, Sequence> plans = new HashMap<>();
        private final Map<UUID, Profile> standards = new HashMap<>();

        Sequence sequence(UUID version) {
            return plans.computeIfAbsent(version, v -> sequences.version(v).document());
        }

        Profile profile(UUID version) {
            return standards.computeIfAbsent(version, v -> profiles.version(v).document());
        }
    }

    /** How many taps an award rests on; where a grader's eyes were is told by the device itself, also when it is put away. */
    static int taps(Practical practical) {
        return (int) practical.events().stream()
                .filter(e -> !(e.data() instanceof Attend))
                .count();
    }

    Scores scores(Row row) {
        return Scores.of(practical(row));
    }

    /** @throws Refusal 409 where it is void */
    static void mustCount(Row row) {
        if (row.voidReason() != null)
            throw Refusal.conflict(
                    "void", "This practical does not count: " + row.voidReason() + ". Count it again first.");
    }

    /** Whether the caller grades the same run on their own and has not seen the other's marks yet. */
    boolean blind(Caller caller, Row row) {
        if (row.graderId().equals(caller.id())) return false;
        return blind(
                caller,
                row,
                rows.other(row.id()).orElse(null),
                id -> rows.award(id).isPresent());
    }

    /** @param other the practical of the other grader of the same run */
    static boolean blind(Caller caller, Row row, @Nullable Row other, Predicate<UUID> awarded) {
        return other != null
                && row.voidReason() == null
                && !row.graderId().equals(caller.id())
                && other.graderId().equals(caller.id())
                && !(awarded.test(row.id()) && awarded.test(other.id()));
    }

    void mustNotBeBlind(Caller caller, Row row) {
        if (blind(caller, row))
            throw Refusal.forbidden("Two graders mark this run, each on their own: it opens once both have awarded.");
    }

    /** While two graders mark a run on their own, nothing but its own grader's hand may touch either. */
    void mustGradeIt(Caller caller, Row row) {
        var other = rows.other(row.id()).orElse(null);
        if (other != null
                && !row.graderId().equals(caller.id())
                && (rows.award(row.id()).isEmpty() || rows.award(other.id()).isEmpty()))
            throw Refusal.forbidden("Two graders mark this run, each on their own; this is the other one's.");
    }
}
