package palmtally.server.practical;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding;
import palmtally.core.practical.Outcome;
import palmtally.core.practical.Scores;
import palmtally.core.practical.event.Event;
import palmtally.server.audit.Audit;
import palmtally.server.people.Access;
import palmtally.server.people.Caller;
import palmtally.server.people.Role;
import palmtally.server.practical.PracticalRows.AwardRow;
import palmtally.server.practical.PracticalRows.Row;
import palmtally.server.problem.Refusal;

/** The judgement of a practical: one rating of the whole, the award with its reasons, and whether it counts. */
@Service
public class Awards {
    private static final Logger log = LoggerFactory.getLogger(Awards.class);
    private static final int TOLD_EVERY = 20;

    private final PracticalRows rows;
    private final Records records;
    private final Capture capture;
    private final Access access;
    private final Audit audit;
    private final EvidenceBook evidence;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Awards(
            PracticalRows rows,
            Records records,
            Capture capture,
            Access access,
            Audit audit,
            EvidenceBook evidence,
            TransactionTemplate transaction,
            Clock clock) {
        this.rows = rows;
        this.records = records;
        this.capture = capture;
        this.access = access;
        this.audit = audit;
        this.evidence = evidence;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** The grader's one rating of the whole, given before any score is shown; the first one stands. */
    @Transactional
    public void rate(Caller caller, UUID id, @Nullable Double value) {
        var row = records.lock(id);
        records.mustWrite(caller, row);
        Records.mustCount(row);
        records.mustGradeIt(caller, row);
        if (!row.finished()) throw Refusal.conflict("not-finished", "Finish the practical first.");
        if (value == null || !(value >= 0 && value <= 100))
            throw new InvalidValue("rating", new Fault("value", String.valueOf(value), "must be 0 to 100"));
        if (rows.rate(id, value, caller.id(), clock.instant()) == 0)
            throw Refusal.conflict("rated-already", "A rating was given already; it stands as it was given.");
    }

    /**
     * Awards. Critical findings must each be confirmed or struck with a reason, and each changed criterion needs one.
     *
     * @param from revision of the award this one replaces, 0 for the first
     */
    @Transactional
    public void award(Caller caller, UUID id, int from, Award award) {
        var row = records.lock(id);
        records.mustWrite(caller, row);
        Records.mustCount(row);
        records.mustNotBeBlind(caller, row);
        records.mustGradeIt(caller, row);
        var practical = records.practical(row);
        var rating = rows.rating(id)
                .orElseThrow(() -> Refusal.conflict("not-rated", "Give the one rating of the whole first."));
        int now = rows.award(id).map(AwardRow::revision).orElse(0);
        if (now != from)
            throw Refusal.conflict(
                    "changed-meanwhile",
                    "Somebody awarded this meanwhile. Read it again; nothing of yours was stored.");
        var scores = Scores.of(practical);
        check(award, scores);
        var outcome = outcome(scores, award, rating);
        if (rows.addAward(new AwardRow(
                        id,
                        now + 1,
                        award,
                        outcome.result(),
                        outcome.mean(),
                        award.released(),
                        caller.id(),
                        clock.instant(),
                        Records.taps(practical),
                        Judged.of(
                                scores,
                                computed(scores, rating),
                                award,
                                outcome,
                                EvidenceBook.counted(row, scores, award))))
                == 0) throw Refusal.conflict("changed-meanwhile", "Somebody awarded this meanwhile. Read it again.");
        count(row);
        audit.changed(
                caller, row.studentId(), "awarded a practical", id + " revision " + (now + 1) + " " + outcome.result());
    }

    /** Lets the student see an award as it stands; nothing where they see it already. */
    @Transactional
    public void release(Caller caller, UUID id) {
        var row = records.lock(id);
        access.mustTeach(caller, row.termId());
        if (caller.role() != Role.LEAD) throw Refusal.forbidden("The lead releases what was left to the lead.");
        var held = rows.award(id).filter(a -> !a.released()).orElse(null);
        if (held == null) return;
        rows.addAward(new AwardRow(
                id,
                held.revision() + 1,
                held.body().releasing(),
                held.result(),
                held.mean(),
                true,
                caller.id(),
                clock.instant(),
                held.events(),
                held.judged()));
        count(row);
        audit.changed(caller, row.studentId(), "released a practical", id.toString());
    }

    /**
     * Writes down anew what the awards say that an earlier version of the app wrote less of.
     *
     * @return how many
     */
    public int recount() {
        var all = rows.awardedWithoutLooks(left());
        int n = 0;
        for (var id : all) {
            // After an upgrade these are the practicals of years: whoever waits for it sees how far it is.
            if (n++ % TOLD_EVERY == 0 && all.size() > TOLD_EVERY)
                log.info("evidence of practical {} of {} is written down anew", n, all.size());
            transaction.executeWithoutResult(t -> rows.lock(id).ifPresent(this::count));
        }
        return n;
    }

    /**
     * Writes down what an award says, for Track. A run that two graders mark counts once, by the first one's award, as soon as both
     * have awarded; a second marking in which nothing was seen, or that was left for a week, holds nothing back.
     */
    private void count(Row row) {
        var first = row.beside() == null ? row : records.row(row.beside());
        if (first.voidReason() != null) return;
        var award = rows.award(first.id()).orElse(null);
        if (award == null || rows.waitsForSecond(first.id(), left())) return;
        var judged = award.judged();
        evidence.write(
                first,
                judged != null ? judged.counted() : EvidenceBook.counted(first, records.scores(first), award.body()),
                award.released());
    }

    /** What was not touched since is taken as left. */
    private Instant left() {
        return clock.instant().minus(Duration.ofDays(7));
    }

    /**
     * A practical as its award stands.
     *
     * @param at when that award was given
     * @param marks as awarded, else as computed; without what was not observed
     * @param half whether it is the second grader's half of a run: that is not what the student got
     */
    public record Standing(
            UUID practical,
            UUID term,
            UUID student,
            UUID grader,
            int revision,
            boolean released,
            Instant at,
            Map<Criterion, Double> marks,
            boolean counts,
            boolean half) {}

    /**
     * The award that stands of a practical, for whoever may read it.
     *
     * @throws Refusal 403 or 404; 409 where there is none
     */
    public Standing standing(Caller caller, UUID id) {
        var row = records.row(id);
        records.mayRead(caller, row);
        records.mustNotBeBlind(caller, row);
        var award = rows.award(id).orElseThrow(() -> Refusal.conflict("not-awarded", "This is not awarded yet."));
        return new Standing(
                id,
                row.termId(),
                row.studentId(),
                row.graderId(),
                award.revision(),
                award.released(),
                award.awardedAt(),
                marks(row, award),
                row.voidReason() == null,
                row.beside() != null);
    }

    /**
     * Awards anew with other marks in some criteria and all else as it stands.
     *
     * @param from revision of the award that is changed
     * @param reason stands beside each changed mark
     * @return the marks that stand then
     */
    @Transactional
    public Standing changeMarks(Caller caller, UUID id, int from, Map<Criterion, Double> marks, String reason) {
        var was = rows.award(id).orElseThrow(() -> Refusal.conflict("not-awarded", "This is not awarded yet."));
        award(caller, id, from, was.body().with(marks, reason));
        return standing(caller, id);
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
        return marks(row, rows.firstAward(row.id()).orElseThrow());
    }

    private Map<Criterion, Double> marks(Row row, AwardRow award) {
        Map<Criterion, Double> marks = new EnumMap<>(Criterion.class);
        if (award.judged() != null) marks.putAll(award.judged().marks());
        else for (var c : records.scores(row).criteria()) if (c.score() != null) marks.put(c.criterion(), c.score());
        marks.putAll(award.body().values());
        return marks;
    }

    /** A practical's one rating of the whole beside the mean it came to. */
    public record Rated(
            UUID id,
            String sequence,
            String name,
            double rating,
            @Nullable Double mean) {}

    /** Whole practicals of a term that count, rated and awarded, by sequence in the order they were begun. */
    public List<Rated> rated(UUID term) {
        return rows.rated(term);
    }

    /**
     * Says that a practical does not count and why, or with null that it does after all: nothing is deleted.
     *
     * @throws InvalidValue where the reason is blank or too long
     */
    @Transactional
    public void setVoid(Caller caller, UUID id, @Nullable String reason) {
        var row = records.lock(id);
        records.mustWrite(caller, row);
        // Who marks beside cannot open the first one's marks by this; the second's half may be given up by the first.
        if (row.beside() == null) records.mustNotBeBlind(caller, row);
        if (reason != null && (reason.isBlank() || reason.length() > 400))
            throw new InvalidValue(
                    "practical",
                    new Fault(
                            "reason",
                            reason.isBlank() ? "" : reason.length() + " characters",
                            "must be 1 to 400 characters"));
        rows.setVoid(id, reason == null ? null : reason.strip(), caller.id(), clock.instant());
        capture.forget(id);
        evidence.clear(id);
        evidence.tell(row);
        count(records.row(id));
        audit.changed(
                caller,
                row.studentId(),
                reason == null ? "counted a practical again" : "made a practical void",
                id + (reason == null ? "" : " " + reason.strip()));
    }

    /** What it comes to before anybody changed a mark. */
    static Outcome computed(Scores scores, @Nullable Double rating) {
        return Outcome.of(scores, Map.of(), scores.critical().size(), rating);
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
}
