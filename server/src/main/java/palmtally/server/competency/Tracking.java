package palmtally.server.competency;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.competency.Competency;
import palmtally.core.competency.Competency.State;
import palmtally.core.competency.Evidence;
import palmtally.core.competency.Gate;
import palmtally.core.competency.Pace;
import palmtally.core.finding.Criterion;
import palmtally.core.practical.Outcome;
import palmtally.formats.Json;
import palmtally.server.audit.Audit;
import palmtally.server.people.Access;
import palmtally.server.people.Accounts;
import palmtally.server.people.Caller;
import palmtally.server.people.Person;
import palmtally.server.people.Role;
import palmtally.server.people.Terms;
import palmtally.server.practical.PracticalLine;
import palmtally.server.practical.Practicals;
import palmtally.server.problem.Refusal;

/** Competency of every student: the cohort, and one of them. */
@Service
public class Tracking {
    /**
     * One bar of a palm.
     *
     * @param fill 0–4: unseen, then one for each band of the level
     * @param level ability now, 0–100, or null where nothing was seen
     */
    public record Bar(
            Criterion criterion,
            State state,
            int fill,
            @Nullable Double level,
            @Nullable Double sd,
            @Nullable Double secureProbability,
            @Nullable Double forecast,
            String why) {}

    /** A student in a region. */
    public record Palm(Region region, List<Bar> bars, int secure) {}

    public record StudentRow(
            UUID id, String name, List<Palm> palms, int secure, int dueAgain, int atRisk, int critical, int seen) {}

    /**
     * @param way how the profile reckons the mark of a term, in words
     * @param tracked another number than the one that is told live means that this is old
     */
    public record Cohort(
            UUID term,
            String name,
            double week,
            int weeks,
            double cut,
            String way,
            int practicals,
            long tracked,
            boolean closed,
            List<Region> regions,
            List<StudentRow> students) {}

    /** Ability after a piece of evidence that opens to its practical. */
    public record Dot(
            UUID practical, double week, double score, double weight, boolean critical, double level, double sd) {}

    /** @param pace what would have to be seen for it to be secure by the end of the term, or null where it is */
    public record Line(Bar bar, List<Dot> history, @Nullable Pace pace) {}

    public record RegionLines(Region region, List<Line> lines) {}

    /** The criteria over all practicals with one technique, tool or position. */
    public record RollUp(String facet, String subject, List<Bar> bars) {}

    /** What a student meant to do otherwise, and from which practical that is. */
    public record GoalLine(UUID practical, Instant at, String sequence, String goal) {}

    /** What a student thought of a criterion before the result, beside what it came to. */
    public record SelfMark(UUID practical, Instant at, Criterion criterion, double own, double awarded) {}

    /** @param bodies on how many different people; hours of practicals as the one who works and as the one on the table */
    public record Worked(int practicals, double hours, double hoursOnTable, int bodies, int rounds) {}

    public record Student(
            Person student,
            UUID term,
            double week,
            int weeks,
            double cut,
            String way,
            long tracked,
            List<RegionLines> regions,
            List<PracticalLine> practicals,
            List<Gate.Passage> gates,
            List<RollUp> rollUps,
            List<GoalLine> goals,
            List<SelfMark> selfMarks,
            Worked worked) {}

    record AwardRow(UUID practicalId, Instant startedAt, String sequence, String body) {}

    record SelfMarkRow(UUID practical, Instant at, String criterion, double own, double awarded) {}

    @Mapper
    interface Rows {
        @Select(
                "select count(*) from practical where term_id = #{term} and finished and void_reason is null and beside is null")
        int practicals(UUID term);

        @Select("""
                select p.id as practical_id, p.started_at, v.name as sequence, a.body::text as body
                from practical p
                join document_version v on v.id = p.sequence_version_id
                join lateral (select body, released from award where practical_id = p.id order by revision desc limit 1) a on true
                where p.term_id = #{term} and p.student_id = #{student} and p.void_reason is null and p.beside is null
                  and (#{all} or a.released)
                order by p.started_at desc, p.id""")
        List<AwardRow> awards(UUID term, UUID student, boolean all);

        @Select("""
                select distinct on (p.started_at, p.id, e.criterion) p.id as practical, p.started_at as at, e.criterion,
                       (m.body ->> e.criterion)::double precision as own, e.score as awarded
                from self_mark m
                join practical p on p.id = m.practical_id
                join document_version v on v.id = p.sequence_version_id
                join evidence e on e.practical_id = p.id
                where p.term_id = #{term} and p.student_id = #{student} and (#{all} or e.released)
                  and jsonb_exists(m.body, e.criterion)
                order by p.started_at, p.id, e.criterion, e.region <> v.region""")
        List<SelfMarkRow> selfMarks(UUID term, UUID student, boolean all);

        @Select("""
                select count(*) filter (where p.student_id = #{student}) as practicals,
                       coalesce(sum(e.ms) filter (where p.student_id = #{student}), 0) / 3600000.0 as hours,
                       coalesce(sum(e.ms) filter (where p.partner_id = #{student}), 0) / 3600000.0 as hours_on_table,
                       (select count(distinct body) from (
                           select b.partner_id as body from practical b
                           where b.term_id = #{term} and b.student_id = #{student} and b.finished and b.void_reason is null
                           union
                           select o.account_id from round_seat s join practice_round r on r.id = s.round_id
                           join round_seat o on o.round_id = s.round_id and o.table_number = s.table_number
                           where r.term_id = #{term} and s.account_id = #{student} and o.account_id <> #{student}) x) as bodies,
                       (select count(*) from round_seat s join practice_round r on r.id = s.round_id
                        where r.term_id = #{term} and s.account_id = #{student}) as rounds
                from practical p
                left join lateral (select max(at_ms) as ms from event where practical_id = p.id) e on true
                where p.term_id = #{term} and p.finished and p.void_reason is null and p.beside is null
                  and p.kind = 'practical' and (p.student_id = #{student} or p.partner_id = #{student})""")
        Worked worked(UUID term, UUID student);

        @Select("select tracked from term where id = #{term}")
        long tracked(UUID term);

        /** A number of what is released to a student: another as soon as that changes, the same whatever else does. */
        @Select("""
                select coalesce(('x' || substr(md5(string_agg(p.id || ' ' || a.revision, ',' order by p.id)), 1, 12))::bit(48)::bigint, 0)
                from practical p
                join lateral (select revision, released from award where practical_id = p.id
                              order by revision desc limit 1) a on a.released
                where p.student_id = #{student} and p.void_reason is null""")
        long released(UUID student);

        @Select("select closed_at is not null from term where id = #{term}")
        boolean closed(UUID term);
    }

    private final Rows rows;
    private final Standings standings;
    private final Accounts accounts;
    private final Terms terms;
    private final Access access;
    private final Practicals practicals;
    private final Audit audit;

    Tracking(
            Rows rows,
            Standings standings,
            Accounts accounts,
            Terms terms,
            Access access,
            Practicals practicals,
            Audit audit) {
        this.rows = rows;
        this.standings = standings;
        this.accounts = accounts;
        this.terms = terms;
        this.access = access;
        this.practicals = practicals;
        this.audit = audit;
    }

    public Cohort cohort(Caller caller, UUID termId) {
        // Asked first: what changes while this is read is read once more.
        long tracked = rows.tracked(termId);
        var now = standings.ofTerm(termId);
        var students = new ArrayList<StudentRow>();
        audit.readClass(caller, terms.students(termId).size(), "the competencies of the class");
        for (var student : terms.students(termId)) {
            students.add(row(now, student));
        }
        return new Cohort(
                termId,
                now.term().cohort(),
                now.week(),
                now.term().weeks(),
                now.profile().marking().cut(),
                now.profile().ways().termMark().label(),
                rows.practicals(termId),
                tracked,
                rows.closed(termId),
                now.regions(),
                students);
    }

    static StudentRow row(Standings.Whole now, Person student) {
        var palms = new ArrayList<Palm>();
        Map<State, Integer> states = new EnumMap<>(State.class);
        int seen = 0;
        for (var region : now.regions()) {
            var bars = new ArrayList<Bar>();
            int secure = 0;
            for (var criterion : Criterion.values()) {
                var bar = bar(criterion, now.at(student.id(), region, criterion));
                bars.add(bar);
                states.merge(bar.state(), 1, Integer::sum);
                if (bar.state() == State.SECURE) secure++;
                if (bar.level() != null) seen++;
            }
            palms.add(new Palm(region, bars, secure));
        }
        return new StudentRow(
                student.id(),
                student.name(),
                palms,
                states.getOrDefault(State.SECURE, 0),
                states.getOrDefault(State.DUE_AGAIN, 0),
                states.getOrDefault(State.AT_RISK, 0),
                states.getOrDefault(State.OPEN_CRITICAL, 0),
                seen);
    }

    public Student student(Caller caller, UUID id) {
        access.maySee(caller, id);
        var person = accounts.person(id);
        if (person.role() != Role.STUDENT) throw Refusal.notFound("student");
        var term = terms.newestOf(id).orElseThrow(() -> Refusal.notFound("term of this student"));
        boolean own = !caller.role().staff();
        audit.read(caller, id, "a student's page");
        long tracked = own ? rows.released(id) : rows.tracked(term.id());
        var now = standings.ofStudent(term, id, r -> !own || r.released());
        var regions = new ArrayList<RegionLines>();
        var seen = new HashMap<Gate.Seen, List<Evidence>>();
        for (var region : now.regions()) {
            var lines = new ArrayList<Line>();
            for (var criterion : Criterion.values()) {
                var standing = now.at(id, region, criterion);
                seen.put(new Gate.Seen(region, criterion), standing.pieces());
                lines.add(new Line(
                        bar(criterion, standing),
                        standing.competency().history().stream()
                                .map(p -> new Dot(
                                        UUID.fromString(p.evidence().source()),
                                        p.evidence().week(),
                                        p.evidence().score(),
                                        p.evidence().weight(),
                                        p.evidence().critical(),
                                        p.level().mean(),
                                        p.level().sd()))
                                .toList(),
                        Pace.of(standing.pieces(), standing.carried(), now.week(), term.weeks(), now.profile())));
            }
            regions.add(new RegionLines(region, lines));
        }
        var rollUps = new ArrayList<RollUp>();
        standings
                .rollUps(term, id, now.week(), now.profile(), r -> !own || r.released())
                .forEach((facet, subjects) -> subjects.forEach((subject, criteria) -> rollUps.add(new RollUp(
                        facet,
                        subject,
                        criteria.entrySet().stream()
                                .map(c -> bar(c.getKey(), c.getValue(), false))
                                .toList()))));
        var goals = new ArrayList<GoalLine>();
        for (var a : rows.awards(term.id(), id, !own)) {
            var said = Json.MAPPER.readTree(a.body).get("goals");
            if (said != null)
                for (var goal : said) goals.add(new GoalLine(a.practicalId, a.startedAt, a.sequence, goal.asString()));
        }
        return new Student(
                person,
                term.id(),
                now.week(),
                term.weeks(),
                now.profile().marking().cut(),
                now.profile().ways().termMark().label(),
                tracked,
                regions,
                own
                        ? practicals.released(term.id(), id)
                        // What a second grader made of a run stands beside the first, in the review.
                        : practicals.ofStudent(term.id(), id).stream()
                                .filter(l -> l.beside() == null)
                                .toList(),
                Arrays.stream(Gate.values())
                        .map(g -> g.passage(seen, now.week(), term.weeks(), now.profile()))
                        .toList(),
                rollUps,
                goals,
                rows.selfMarks(term.id(), id, !own).stream()
                        .map(m -> new SelfMark(m.practical, m.at, Standings.criterion(m.criterion), m.own, m.awarded))
                        .toList(),
                rows.worked(term.id(), id));
    }

    /** The gates a student comes through on the way to these zones, as they stand now. */
    List<Gate.Passage> gates(UUID termId, UUID student, Collection<Zone> worked) {
        var now = standings.ofStudent(terms.term(termId), student, r -> true);
        var seen = new HashMap<Gate.Seen, List<Evidence>>();
        now.standings().forEach((key, s) -> seen.put(new Gate.Seen(key.region(), key.criterion()), s.pieces()));
        return Gate.before(worked, seen, now.week(), now.term().weeks(), now.profile());
    }

    private static Bar bar(Criterion criterion, Standings.Standing s) {
        return bar(criterion, s.competency(), s.carried() != null);
    }

    private static Bar bar(Criterion criterion, Competency c, boolean carried) {
        boolean seen = carried || !c.history().isEmpty();
        return new Bar(
                criterion,
                c.state(),
                seen ? 1 + Outcome.Band.of(c.level().mean()).ordinal() : 0,
                seen ? c.level().mean() : null,
                seen ? c.level().sd() : null,
                seen ? c.secureProbability() : null,
                c.forecast(),
                c.why());
    }
}
