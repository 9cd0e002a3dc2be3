package palmtally.server.competency;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.competency.Competency;
import palmtally.core.competency.Evidence;
import palmtally.core.competency.Gate;
import palmtally.core.finding.Criterion;
import palmtally.core.practical.Outcome;
import palmtally.core.profile.Profile;
import palmtally.server.audit.Audit;
import palmtally.server.people.Caller;
import palmtally.server.people.People;
import palmtally.server.people.Role;
import palmtally.server.people.Term;
import palmtally.server.practical.PracticalLine;
import palmtally.server.practical.Practicals;
import palmtally.server.problem.Refusal;
import palmtally.server.profile.Profiles;
import palmtally.server.sequence.Sequences;

/** Competency of every student, recomputed from the evidence whenever it is asked for. */
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
            Competency.State state,
            int fill,
            @Nullable Double level,
            @Nullable Double sd,
            @Nullable Double secureProbability,
            @Nullable Double forecast,
            String why) {}

    /** A student in a region. */
    public record Palm(Region region, List<Bar> bars, int secure) {}

    public record StudentRow(
            UUID id, String name, List<Palm> palms, int secure, int dueAgain, int atRisk, int critical) {}

    public record Cohort(
            UUID term,
            String name,
            double week,
            int weeks,
            double cut,
            int practicals,
            List<Region> regions,
            List<StudentRow> students) {}

    /** Ability after a piece of evidence that opens to its practical. */
    public record Dot(
            UUID practical, double week, double score, double weight, boolean critical, double level, double sd) {}

    public record Line(Bar bar, List<Dot> history) {}

    public record RegionLines(Region region, List<Line> lines) {}

    public record Student(
            People.Person student,
            UUID term,
            double week,
            int weeks,
            double cut,
            List<RegionLines> regions,
            List<PracticalLine> practicals) {}

    record Row(
            UUID practicalId,
            UUID studentId,
            String region,
            String criterion,
            double score,
            double weight,
            boolean critical,
            Instant seenAt,
            boolean released) {}

    @Mapper
    interface Rows {
        @Select("""
                select e.practical_id, e.student_id, e.region, e.criterion, e.score, e.weight, e.critical, e.seen_at, e.released
                from evidence e join practical p on p.id = e.practical_id
                where p.term_id = #{term} order by e.seen_at, e.practical_id""")
        List<Row> ofTerm(UUID term);

        @Select("""
                select e.practical_id, e.student_id, e.region, e.criterion, e.score, e.weight, e.critical, e.seen_at, e.released
                from evidence e join practical p on p.id = e.practical_id
                where p.term_id = #{term} and e.student_id = #{student} order by e.seen_at, e.practical_id""")
        List<Row> ofStudent(UUID term, UUID student);

        @Select(
                "select count(*) from practical where term_id = #{term} and finished and void_reason is null and beside is null")
        int practicals(UUID term);
    }

    private record Key(UUID student, Region region, Criterion criterion) {}

    private final Rows rows;
    private final People people;
    private final Profiles profiles;
    private final Sequences sequences;
    private final Practicals practicals;
    private final Audit audit;
    private final Clock clock;

    Tracking(
            Rows rows,
            People people,
            Profiles profiles,
            Sequences sequences,
            Practicals practicals,
            Audit audit,
            Clock clock) {
        this.rows = rows;
        this.people = people;
        this.profiles = profiles;
        this.sequences = sequences;
        this.practicals = practicals;
        this.audit = audit;
        this.clock = clock;
    }

    public Cohort cohort(Caller caller, UUID termId) {
        people.mustTeach(caller, termId);
        var term = people.term(termId);
        var profile = profiles.ofSchool().profile();
        var evidence = rows.ofTerm(termId);
        var regions = regions(evidence);
        var pieces = pieces(evidence, term);
        double week = term.week(clock.instant());
        var students = new ArrayList<StudentRow>();
        for (var student : people.students(termId)) {
            audit.read(caller, student.id(), "cohort");
            var palms = new ArrayList<Palm>();
            Map<Competency.State, Integer> states = new EnumMap<>(Competency.State.class);
            for (var region : regions) {
                var bars = new ArrayList<Bar>();
                int secure = 0;
                for (var criterion : Criterion.values()) {
                    var competency = competency(
                            pieces.getOrDefault(new Key(student.id(), region, criterion), List.of()),
                            week,
                            term,
                            profile);
                    bars.add(bar(criterion, competency));
                    states.merge(competency.state(), 1, Integer::sum);
                    if (competency.state() == Competency.State.SECURE) secure++;
                }
                palms.add(new Palm(region, bars, secure));
            }
            students.add(new StudentRow(
                    student.id(),
                    student.name(),
                    palms,
                    states.getOrDefault(Competency.State.SECURE, 0),
                    states.getOrDefault(Competency.State.DUE_AGAIN, 0),
                    states.getOrDefault(Competency.State.AT_RISK, 0),
                    states.getOrDefault(Competency.State.OPEN_CRITICAL, 0)));
        }
        return new Cohort(
                termId,
                term.cohort(),
                week,
                term.weeks(),
                profile.marking().cut(),
                rows.practicals(termId),
                regions,
                students);
    }

    public Student student(Caller caller, UUID id) {
        people.maySee(caller, id);
        var person = people.person(id);
        if (person.role() != Role.STUDENT) throw Refusal.notFound("student");
        var term = people.termOf(id).orElseThrow(() -> Refusal.notFound("term of this student"));
        var profile = profiles.ofSchool().profile();
        boolean own = !caller.role().staff();
        var evidence = rows.ofStudent(term.id(), id).stream()
                .filter(r -> !own || r.released)
                .toList();
        audit.read(caller, id, "student");
        var pieces = pieces(evidence, term);
        double week = term.week(clock.instant());
        var regions = new ArrayList<RegionLines>();
        for (var region : regions(evidence)) {
            var lines = new ArrayList<Line>();
            for (var criterion : Criterion.values()) {
                var c = competency(pieces.getOrDefault(new Key(id, region, criterion), List.of()), week, term, profile);
                lines.add(new Line(
                        bar(criterion, c),
                        c.history().stream()
                                .map(p -> new Dot(
                                        UUID.fromString(p.evidence().source()),
                                        p.evidence().week(),
                                        p.evidence().score(),
                                        p.evidence().weight(),
                                        p.evidence().critical(),
                                        p.level().mean(),
                                        p.level().sd()))
                                .toList()));
            }
            regions.add(new RegionLines(region, lines));
        }
        var lines = own ? practicals.released(term.id(), id) : practicals.ofStudent(term.id(), id);
        return new Student(
                person, term.id(), week, term.weeks(), profile.marking().cut(), regions, lines);
    }

    /** The gates a student comes through on the way to these zones, as they stand now. */
    List<Gate.Passage> gates(UUID termId, UUID student, Collection<Zone> worked) {
        var term = people.term(termId);
        var seen = new HashMap<Gate.Seen, List<Evidence>>();
        pieces(rows.ofStudent(termId, student), term)
                .forEach((key, pieces) -> seen.put(new Gate.Seen(key.region, key.criterion), pieces));
        return Gate.before(
                worked,
                seen,
                term.week(clock.instant()),
                term.weeks(),
                profiles.ofSchool().profile());
    }

    /** Regions that are taught or were seen, in the order of the body. */
    private List<Region> regions(List<Row> evidence) {
        var regions = new TreeSet<Region>();
        sequences.all().forEach(s -> regions.add(s.sequence().region()));
        evidence.forEach(r -> regions.add(region(r.region)));
        return List.copyOf(regions);
    }

    private static Map<Key, List<Evidence>> pieces(List<Row> evidence, Term term) {
        Map<Key, List<Evidence>> pieces = new HashMap<>();
        for (var r : evidence)
            pieces.computeIfAbsent(
                            new Key(r.studentId, region(r.region), Criterion.valueOf(r.criterion.toUpperCase())),
                            k -> new ArrayList<>())
                    .add(new Evidence(
                            r.practicalId.toString(),
                            term.week(r.seenAt),
                            term.day(r.seenAt),
                            r.score,
                            r.weight,
                            r.critical));
        return pieces;
    }

    private static Region region(String id) {
        return Region.valueOf(id.toUpperCase().replace('-', '_'));
    }

    private static Competency competency(List<Evidence> pieces, double week, Term term, Profile profile) {
        return Competency.of(pieces, week, term.weeks(), profile);
    }

    private static Bar bar(Criterion criterion, Competency c) {
        boolean seen = !c.history().isEmpty();
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
