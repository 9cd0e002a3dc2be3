package palmtally.server.competency;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
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
import palmtally.core.practical.StepLook;
import palmtally.server.audit.Audit;
import palmtally.server.demonstration.Rounds;
import palmtally.server.people.Access;
import palmtally.server.people.Accounts;
import palmtally.server.people.Caller;
import palmtally.server.people.Person;
import palmtally.server.people.Role;
import palmtally.server.people.Term;
import palmtally.server.people.Terms;
import palmtally.server.practical.PracticalLine;
import palmtally.server.practical.Practicals;
import palmtally.server.practical.Work;
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

    /** @param bodies on how many different people; hours of practicals as the one who works and as the one on the table */
    public record Worked(int practicals, double hours, double hoursOnTable, int bodies, int rounds) {}

    /**
     * A step that went wrong when it was last looked at.
     *
     * @param practical in which, whose plan has its picture
     * @param why in a few words each
     */
    public record ToPractise(UUID practical, Instant at, String sequence, String step, String name, List<String> why) {}

    /** A step as it was looked at last. */
    record LastLook(
            UUID practical,
            Instant at,
            String sequence,
            String step,
            String name,
            boolean missed,
            boolean outOfOrder,
            boolean overCeiling,
            boolean leftSilent) {
        ToPractise toPractise() {
            var why = EnumSet.noneOf(StepLook.Wrong.class);
            if (missed) why.add(StepLook.Wrong.MISSED);
            if (outOfOrder) why.add(StepLook.Wrong.OUT_OF_ORDER);
            if (overCeiling) why.add(StepLook.Wrong.OVER_CEILING);
            if (leftSilent) why.add(StepLook.Wrong.LEFT_SILENT);
            return new ToPractise(
                    practical,
                    at,
                    sequence,
                    step,
                    name,
                    why.stream().map(StepLook.Wrong::label).toList());
        }
    }

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
            List<Work.SelfMark> selfMarks,
            Worked worked,
            List<ToPractise> toPractise) {}

    /** Steps of a student's page: as many as one evening has room for. */
    private static final int TO_PRACTISE = 6;

    @Mapper
    interface Rows {
        @Select("select count(*) from counted_practical where term_id = #{term} and finished")
        int practicals(UUID term);

        @Select("""
                select p.id as practical, p.started_at as at, v.name as sequence, g.goal #>> '{}' as goal
                from counted_practical p
                join document_version v on v.id = p.sequence_version_id
                join newest_award a on a.practical_id = p.id
                cross join lateral jsonb_array_elements(coalesce(nullif(a.body -> 'goals', 'null'), '[]')) with ordinality g (goal, place)
                where p.term_id = #{term} and p.student_id = #{student} and (#{all} or a.released)
                order by p.started_at desc, p.id, g.place""")
        List<GoalLine> goals(UUID term, UUID student, boolean all);

        /** Of each step the last look, if something was wrong with it; the newest first. */
        @Select("""
                select practical, at, sequence, step, name, missed, out_of_order, over_ceiling, left_silent from (
                    select distinct on (v.document, l.step) p.id as practical, p.started_at as at, v.name as sequence, l.step,
                           coalesce(jsonb_path_query_first(v.body, '$.**.steps[*] ? (@.id == $id).name', jsonb_build_object('id', l.step)) #>> '{}', l.step) as name,
                           l.place, l.missed, l.out_of_order, l.over_ceiling, l.left_silent
                    from step_look l
                    join counted_practical p on p.id = l.practical_id
                    join document_version v on v.id = p.sequence_version_id
                    join newest_award a on a.practical_id = p.id
                    where p.term_id = #{term} and p.student_id = #{student} and (#{all} or a.released)
                    order by v.document, l.step, p.started_at desc, p.id) last
                where missed or out_of_order or over_ceiling or left_silent
                order by at desc, practical, place limit #{most}""")
        List<LastLook> wrongLast(UUID term, UUID student, boolean all, int most);

        /** A number of what is released to a student: another as soon as that changes, the same whatever else does. */
        @Select("""
                select coalesce(('x' || substr(md5(string_agg(p.id || ' ' || a.revision, ',' order by p.id)), 1, 12))::bit(48)::bigint, 0)
                from counted_practical p
                join newest_award a on a.practical_id = p.id and a.released
                where p.student_id = #{student}""")
        long released(UUID student);
    }

    private final Rows rows;
    private final Standings standings;
    private final Accounts accounts;
    private final Terms terms;
    private final Access access;
    private final Practicals practicals;
    private final Work work;
    private final Rounds rounds;
    private final Audit audit;

    Tracking(
            Rows rows,
            Standings standings,
            Accounts accounts,
            Terms terms,
            Access access,
            Practicals practicals,
            Work work,
            Rounds rounds,
            Audit audit) {
        this.rows = rows;
        this.standings = standings;
        this.accounts = accounts;
        this.terms = terms;
        this.access = access;
        this.practicals = practicals;
        this.work = work;
        this.rounds = rounds;
        this.audit = audit;
    }

    public Cohort cohort(Caller caller, UUID termId) {
        // Asked first: what changes while this is read is read once more.
        long tracked = terms.tracked(termId);
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
                terms.closedAt(termId) != null,
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
        long tracked = own ? rows.released(id) : terms.tracked(term.id());
        var now = standings.ofStudent(term, id, own);
        var seen = new HashMap<Gate.Seen, List<Evidence>>();
        var regions = regions(now, term, id, seen);
        var rollUps = new ArrayList<RollUp>();
        standings
                .rollUps(term, id, now.week(), now.profile(), own)
                .forEach((facet, subjects) -> subjects.forEach((subject, criteria) -> rollUps.add(new RollUp(
                        facet,
                        subject,
                        criteria.entrySet().stream()
                                .map(c -> bar(c.getKey(), c.getValue(), false))
                                .toList()))));
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
                rows.goals(term.id(), id, !own),
                work.selfMarks(term.id(), id, !own),
                worked(term.id(), id),
                rows.wrongLast(term.id(), id, !own, TO_PRACTISE).stream()
                        .map(LastLook::toPractise)
                        .toList());
    }

    /** Where a student stands by what is released, as a school states it on paper. */
    public List<RegionLines> stated(Term term, UUID student) {
        return regions(standings.ofStudent(term, student, true), term, student, new HashMap<>());
    }

    private static List<RegionLines> regions(
            Standings.Whole now, Term term, UUID id, Map<Gate.Seen, List<Evidence>> seen) {
        var regions = new ArrayList<RegionLines>();
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
        return regions;
    }

    private Worked worked(UUID term, UUID student) {
        var practicals = work.of(term, student);
        var sat = rounds.satWith(term, student);
        var bodies = new HashSet<>(practicals.bodies());
        bodies.addAll(sat.with());
        return new Worked(
                practicals.practicals(), practicals.hours(), practicals.hoursOnTable(), bodies.size(), sat.rounds());
    }

    /** The gates a student comes through on the way to these zones, as they stand now. */
    List<Gate.Passage> gates(UUID termId, UUID student, Collection<Zone> worked) {
        var now = standings.ofStudent(terms.term(termId), student, false);
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
