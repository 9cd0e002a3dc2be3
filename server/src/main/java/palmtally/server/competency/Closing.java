package palmtally.server.competency;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.body.Region;
import palmtally.core.competency.Competency;
import palmtally.core.competency.Competency.State;
import palmtally.core.competency.LocalLevel;
import palmtally.core.finding.Criterion;
import palmtally.server.audit.Audit;
import palmtally.server.people.Access;
import palmtally.server.people.Caller;
import palmtally.server.people.Term;
import palmtally.server.people.Terms;
import palmtally.server.practical.Awards;
import palmtally.server.practical.PracticalLine;
import palmtally.server.practical.Practicals;
import palmtally.server.problem.Refusal;

/** The end of a term: what is still to release, what stays open, what goes on into the next. */
@Service
class Closing {
    /** Something critical that no later run cleared. */
    record OpenLine(UUID student, String name, Region region, Criterion criterion, String why) {}

    record NextTerm(UUID id, String name, java.time.LocalDate startsOn) {}

    /**
     * @param running practicals that were never finished
     * @param waiting finished, not awarded
     * @param held awarded, not released to the student
     * @param states how many student–region–criterion are in each state
     * @param next terms it can be carried over into
     */
    record ClosingView(
            UUID term,
            String name,
            @Nullable Instant closedAt,
            @Nullable UUID carriedInto,
            List<PracticalLine> running,
            List<PracticalLine> waiting,
            List<PracticalLine> held,
            List<OpenLine> open,
            Map<State, Integer> states,
            List<NextTerm> next) {}

    /**
     * @param release whether what is held is released now
     * @param into the term it is carried over into, or null for none
     */
    record Close(@Nullable Boolean release, @Nullable UUID into) {}

    @Mapper
    interface Rows {
        @Select("select min(term_id::text)::uuid from carried where from_term = #{term}")
        @Nullable
        UUID carriedInto(UUID term);

        @Delete("delete from carried where from_term = #{term}")
        int clear(UUID term);

        @Insert("""
                insert into carried (term_id, from_term, student_id, region, criterion, mean, variance, days, critical)
                values (#{into}, #{from}, #{student}, #{region}, #{criterion}, #{mean}, #{variance}, #{days}, #{critical})
                on conflict (term_id, student_id, region, criterion) do update
                set from_term = excluded.from_term, mean = excluded.mean, variance = excluded.variance, days = excluded.days,
                    critical = excluded.critical""")
        void carry(
                UUID into,
                UUID from,
                UUID student,
                Region region,
                Criterion criterion,
                double mean,
                double variance,
                int days,
                boolean critical);

        @Select("select exists (select 1 from carried where term_id = #{term} and from_term <> #{from})")
        boolean carriedFromAnother(UUID term, UUID from);
    }

    private final Rows rows;
    private final Standings standings;
    private final Terms terms;
    private final Access access;
    private final Practicals practicals;
    private final Awards awards;
    private final Audit audit;
    private final Clock clock;

    Closing(
            Rows rows,
            Standings standings,
            Terms terms,
            Access access,
            Practicals practicals,
            Awards awards,
            Audit audit,
            Clock clock) {
        this.rows = rows;
        this.standings = standings;
        this.terms = terms;
        this.access = access;
        this.practicals = practicals;
        this.awards = awards;
        this.audit = audit;
        this.clock = clock;
    }

    ClosingView view(Caller caller, UUID termId) {
        var now = standings.ofTerm(termId);
        var lines = practicals.all(termId).stream()
                .filter(l -> l.voidReason() == null)
                .toList();
        var open = new ArrayList<OpenLine>();
        Map<State, Integer> states = new EnumMap<>(State.class);
        audit.readClass(caller, terms.students(termId).size(), "what closes the term");
        for (var student : terms.students(termId)) {
            for (var region : now.regions())
                for (var criterion : Criterion.values()) {
                    var c = now.at(student.id(), region, criterion).competency();
                    states.merge(c.state(), 1, Integer::sum);
                    if (c.state() == State.OPEN_CRITICAL)
                        open.add(new OpenLine(student.id(), student.name(), region, criterion, c.why()));
                }
        }
        return new ClosingView(
                termId,
                now.term().cohort(),
                terms.closedAt(termId),
                rows.carriedInto(termId),
                lines.stream().filter(l -> !l.finished()).toList(),
                lines.stream().filter(l -> l.finished() && l.result() == null).toList(),
                lines.stream()
                        .filter(l -> l.result() != null && !Boolean.TRUE.equals(l.released()))
                        .toList(),
                open,
                states,
                terms.of(caller).stream()
                        .filter(t -> !t.archived() && !t.id().equals(termId))
                        .map(t -> new NextTerm(t.id(), t.name() + ", " + t.cohort(), t.startsOn()))
                        .toList());
    }

    /** Closes a term: it is read only from then on. Practicals that are running or wait for a review must be dealt with first. */
    @Transactional
    public ClosingView close(Caller caller, UUID termId, Close how) {
        terms.mustBeOpen(termId);
        var view = view(caller, termId);
        if (!view.running.isEmpty())
            throw Refusal.conflict(
                    "still-running",
                    view.running.size() == 1
                            ? "One practical is still running: finish it or make it void first."
                            : view.running.size()
                                    + " practicals are still running: finish them or make them void first.");
        if (!view.waiting.isEmpty())
            throw Refusal.conflict(
                    "not-awarded",
                    view.waiting.size() == 1
                            ? "One practical waits for its review: award it or make it void first."
                            : view.waiting.size()
                                    + " practicals wait for their review: award them or make them void first.");
        if (Boolean.TRUE.equals(how.release)) for (var line : view.held) awards.release(caller, line.id());
        if (how.into != null) carry(caller, terms.term(termId), terms.term(how.into));
        terms.close(termId, caller);
        var term = terms.term(termId).name();
        audit.changed(
                caller,
                null,
                "closed the term",
                how.into == null
                        ? term
                        : term + ", carried into " + terms.term(how.into).name());
        return view(caller, termId);
    }

    /** Opens a closed term again; what was carried over is taken back while the next term has not begun. */
    @Transactional
    public ClosingView reopen(Caller caller, UUID termId) {
        if (terms.closedAt(termId) == null) throw Refusal.conflict("not-closed", "This term is not closed.");
        var into = rows.carriedInto(termId);
        if (into != null && (practicals.any(into) || rows.carriedFromAnother(into, termId)))
            throw Refusal.conflict(
                    "next-begun",
                    "The term it was carried over into has practicals already and stands on it. It stays closed.");
        rows.clear(termId);
        terms.reopen(termId);
        audit.changed(caller, null, "opened the term again", terms.term(termId).name());
        return view(caller, termId);
    }

    private void carry(Caller caller, Term from, Term into) {
        access.mustTeach(caller, into.id());
        terms.mustBeOpen(into.id());
        if (into.id().equals(from.id()) || !into.startsOn().isAfter(from.startsOn()))
            throw Refusal.invalid("not-later", "A term is carried over into one that begins later.");
        var now = standings.ofTerm(from.id());
        double gap = Math.max(0, ChronoUnit.DAYS.between(from.startsOn(), into.startsOn()) / 7.0 - now.week());
        double q = now.profile().growth().variancePerWeek();
        for (var student : terms.students(from.id())) {
            terms.enrol(into.id(), student.id());
            for (var s : now.standings().values()) {
                if (!s.key().student().equals(student.id())) continue;
                var c = s.competency();
                // What a profile reckons by marks alone is carried over as the level it also has.
                var level = c.history().isEmpty() ? c.level() : levelNow(c, now.week(), q);
                rows.carry(
                        into.id(),
                        from.id(),
                        student.id(),
                        s.key().region(),
                        s.key().criterion(),
                        level.mean(),
                        level.variance() + gap * q,
                        Math.max(
                                1,
                                c.days()
                                        + (s.carried() == null ? 0 : s.carried().days())),
                        c.state() == State.OPEN_CRITICAL);
            }
        }
    }

    private static LocalLevel levelNow(Competency c, double week, double q) {
        var last = c.history().get(c.history().size() - 1);
        return last.level().after(Math.max(0, week - last.evidence().week()), q);
    }
}
