package palmtally.server.competency;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.body.Region;
import palmtally.core.calendar.Aim;
import palmtally.core.calendar.Lesson;
import palmtally.server.answer.Page;
import palmtally.server.calendar.Curricula;
import palmtally.server.people.Caller;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;
import palmtally.server.sequence.Sequences;

/** What the class misses, step by step, and how that comes into the next demonstration. */
@Service
public class CohortSteps {
    /** Shorter than this and a step is not shown but mentioned. */
    private static final double LEAST_MINUTES = 2;
    /** Practicals of a page. */
    private static final int A_PAGE = 50;

    private static final int MOST_ID = 64;

    /**
     * A step over all practicals it was asked in.
     *
     * @param asked in how many
     * @param shownInWeek the week it is already put into to be shown again, or null
     */
    public record StepHeat(
            String sequence,
            String sequenceName,
            Region region,
            int place,
            String step,
            String name,
            int asked,
            int missed,
            int outOfOrder,
            int overCeiling,
            int leftSilent,
            @Nullable Integer shownInWeek) {}

    public record Heat(int practicals, List<StepHeat> steps) {}

    /** Where a step went. */
    record ShownAgain(int week, int lab) {}

    record Row(String sequence, String step, int asked, int missed, int outOfOrder, int overCeiling, int leftSilent) {}

    @Mapper
    interface Rows {
        @Select("""
                select v.document as sequence, l.step, count(*) as asked,
                       count(*) filter (where l.missed) as missed, count(*) filter (where l.out_of_order) as out_of_order,
                       count(*) filter (where l.over_ceiling) as over_ceiling, count(*) filter (where l.left_silent) as left_silent
                from step_look l
                join counted_practical p on p.id = l.practical_id
                join document_version v on v.id = p.sequence_version_id
                where p.term_id = #{term}
                group by v.document, l.step""")
        List<Row> ofTerm(UUID term);

        @Select("""
                select count(distinct p.id) from step_look l join counted_practical p on p.id = l.practical_id
                where p.term_id = #{term}""")
        int practicals(UUID term);

        @Select("""
                select p.id, p.student_id, a.name, l.missed, l.out_of_order, l.over_ceiling, l.left_silent, p.started_at
                from step_look l
                join counted_practical p on p.id = l.practical_id
                join document_version v on v.id = p.sequence_version_id
                join person a on a.id = p.student_id
                where p.term_id = #{term} and v.document = #{sequence} and l.step = #{step}
                  and (l.missed or l.out_of_order or l.over_ceiling or l.left_silent)
                  and (#{before}::uuid is null
                       or (p.started_at, p.id) < (select b.started_at, b.id from counted_practical b where b.id = #{before} and b.term_id = #{term}))
                order by p.started_at desc, p.id desc limit #{most}""")
        List<Wronged> wrong(UUID term, String sequence, String step, @Nullable UUID before, int most);
    }

    /** A practical in which a step went wrong. */
    record Wronged(
            UUID id,
            UUID studentId,
            String name,
            boolean missed,
            boolean outOfOrder,
            boolean overCeiling,
            boolean leftSilent,
            java.time.Instant startedAt) {}

    private final Rows rows;
    private final Terms terms;
    private final Sequences sequences;
    private final Curricula curricula;
    private final Lookout lookout;

    CohortSteps(Rows rows, Terms terms, Sequences sequences, Curricula curricula, Lookout lookout) {
        this.rows = rows;
        this.terms = terms;
        this.sequences = sequences;
        this.curricula = curricula;
        this.lookout = lookout;
    }

    /** Steps of sequences as they are now, worst first: where the most things went wrong in a hundred times asked. */
    public Heat heat(UUID term) {
        var counted = rows.ofTerm(term).stream().collect(Collectors.groupingBy(Row::sequence));
        var lessons = curricula.newest(term).curriculum().lessons();
        var all = new java.util.ArrayList<StepHeat>();
        for (var v : sequences.all()) {
            var own = counted.getOrDefault(v.document().id(), List.of());
            int place = 0;
            for (var step : v.document().steps()) {
                place++;
                for (var r : own)
                    if (r.step.equals(step.id()))
                        all.add(new StepHeat(
                                r.sequence,
                                v.document().name(),
                                v.document().region(),
                                place,
                                r.step,
                                step.name(),
                                r.asked,
                                r.missed,
                                r.outOfOrder,
                                r.overCeiling,
                                r.leftSilent,
                                shownIn(lessons, r.sequence, r.step)));
            }
        }
        all.sort(java.util.Comparator.comparingDouble((StepHeat s) -> -worst(s))
                .thenComparing(s -> -(s.missed + s.outOfOrder + s.overCeiling + s.leftSilent))
                .thenComparing(StepHeat::sequence)
                .thenComparingInt(StepHeat::place));
        return new Heat(rows.practicals(term), all);
    }

    private static double worst(StepHeat s) {
        return (double) Math.max(Math.max(s.missed, s.outOfOrder), Math.max(s.overCeiling, s.leftSilent)) / s.asked;
    }

    private @Nullable Integer shownIn(List<Lesson> lessons, String sequence, String step) {
        return shownAgain(lessons, sequence, step).map(Lesson::week).orElse(null);
    }

    Page<Wronged> wrong(UUID term, String sequence, String step, @Nullable UUID before) {
        return Page.of(rows.wrong(term, sequence, step, before, A_PAGE + 1), A_PAGE, Wronged::id);
    }

    /**
     * The id of the lesson in which a step is shown again. Ids have at most 64 characters: one that would be longer is cut and told apart
     * by a digest of the whole.
     */
    static String lessonId(String sequence, String step) {
        var id = "again-" + sequence + "-" + step;
        if (id.length() <= MOST_ID) return id;
        var whole = UUID.nameUUIDFromBytes(id.getBytes(StandardCharsets.UTF_8)).toString();
        return id.substring(0, MOST_ID - 1 - whole.length()) + "-" + whole;
    }

    /** The lesson in which a step is shown again; the id as earlier versions cut it where no other step of the sequence has it so. */
    private static Optional<Lesson> shownAgain(List<Lesson> lessons, String sequence, String step) {
        return lessons.stream()
                .filter(l -> sequence.equals(l.sequence())
                        && l.steps() != null
                        && l.steps().contains(step))
                .filter(l -> l.id().equals(lessonId(sequence, step)) || l.id().equals(cut(sequence, step)))
                .findFirst();
    }

    private static String cut(String sequence, String step) {
        var id = "again-" + sequence + "-" + step;
        return id.length() <= MOST_ID ? id : id.substring(0, MOST_ID);
    }

    /** Puts a step into the next demonstration: first thing in the coming lab of the plan. */
    ShownAgain showAgain(Caller caller, UUID termId, String sequence, String step) {
        terms.mustBeOpen(termId);
        var plan = sequences.newest(sequence).document();
        var found = plan.steps().stream()
                .filter(s -> s.id().equals(step))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("step of this sequence"));
        var now = curricula.newest(termId);
        var lab = lookout.next(terms.term(termId), now.curriculum());
        if (lab == null)
            throw Refusal.conflict(
                    "no-lab",
                    "The plan of the term has no lab any more. Add one under Plan, The term, then try again.");
        double seconds = found.classSeconds() != null
                ? found.classSeconds()
                : found.dose().totalSeconds();
        var lessons = new java.util.ArrayList<>(now.curriculum().lessons());
        shownAgain(lessons, sequence, step).ifPresent(lessons::remove);
        int place = 0;
        while (place < lessons.size()
                && (lessons.get(place).week() < lab.week()
                        || lessons.get(place).week() == lab.week()
                                && lessons.get(place).lab() < lab.lab())) place++;
        lessons.add(
                place,
                new Lesson(
                        lessonId(sequence, step),
                        lab.week(),
                        lab.lab(),
                        plan.region(),
                        Aim.MEET_AGAIN,
                        Math.max(LEAST_MINUTES, Math.ceil(seconds / 60)),
                        sequence,
                        "Shown again: the class misses it most.",
                        List.of(step)));
        curricula.save(
                termId,
                now.curriculum().withLessons(lessons),
                now.version(),
                "“" + found.name() + "” is shown again",
                caller);
        return new ShownAgain(lab.week(), lab.lab());
    }

    /** Takes it out of the plan again. */
    Heat notAgain(Caller caller, UUID termId, String sequence, String step) {
        terms.mustBeOpen(termId);
        var now = curricula.newest(termId);
        var lessons = new java.util.ArrayList<>(now.curriculum().lessons());
        var again = shownAgain(lessons, sequence, step);
        again.ifPresent(lessons::remove);
        if (again.isPresent())
            curricula.save(termId, now.curriculum().withLessons(lessons), now.version(), "Not shown again", caller);
        return heat(termId);
    }
}
