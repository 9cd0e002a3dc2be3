package palmtally.server.earlier;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.agreement.Figure;
import palmtally.core.agreement.Severity;
import palmtally.core.body.Region;
import palmtally.core.calendar.HourKind;
import palmtally.core.finding.Criterion;
import palmtally.server.competency.CohortSteps;
import palmtally.server.competency.Graders;
import palmtally.server.competency.Tracking;
import palmtally.server.earlier.EarlierMarkMapper.StoredImport;
import palmtally.server.people.Access;
import palmtally.server.people.Caller;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;
import palmtally.server.register.TermHours;

/**
 * This term beside another, or beside marks that were taken over: levels, what is missed, severity of the graders, hours. A figure that rests
 * on too little is none.
 */
@Service
class TermComparison {
    /** A mean of fewer students than this says more of them than of the term. */
    private static final int LEAST_STUDENTS = 3;

    private static final int MOST_STEPS = 5;
    private static final int LEAST_ASKED = 3;

    /** What a term can be laid beside. */
    record BesideChoice(UUID id, String name, boolean takenOver) {}

    /** @param level mean of the students' levels 0–100, or null where it rests on too few */
    record LevelMean(String subject, @Nullable Double level, int students) {}

    /** @param share of the practicals it was asked in in which it was missed or out of order, 0–1 */
    record MissedStep(String sequence, String name, int asked, int wrong, double share) {}

    record GraderSeverity(String name, Figure severity) {}

    /** @param hours mean of what counts of a student */
    record KindMean(HourKind kind, double hours, double asked) {}

    /**
     * @param takenOver whether it is marks that were taken over: nobody knows of hours and steps there
     * @param pieces practicals that count, or marks that were taken over
     */
    record TermSide(
            UUID id,
            String name,
            boolean takenOver,
            int students,
            int pieces,
            List<LevelMean> criteria,
            List<LevelMean> regions,
            List<MissedStep> missed,
            List<GraderSeverity> graders,
            List<KindMean> hours) {}

    /** @param other null where there is nothing yet to lay it beside */
    record TermBeside(
            List<BesideChoice> choices,
            TermSide term,
            @Nullable TermSide other) {}

    private final EarlierMarkMapper rows;
    private final Tracking tracking;
    private final CohortSteps steps;
    private final Graders graders;
    private final TermHours hours;
    private final Terms terms;
    private final Access access;

    TermComparison(
            EarlierMarkMapper rows,
            Tracking tracking,
            CohortSteps steps,
            Graders graders,
            TermHours hours,
            Terms terms,
            Access access) {
        this.rows = rows;
        this.tracking = tracking;
        this.steps = steps;
        this.graders = graders;
        this.hours = hours;
        this.terms = terms;
        this.access = access;
    }

    /**
     * @param with id of a term or of marks that were taken over, or null for the last before this one
     * @throws Refusal 404 where there is none of that id, 403 where the caller does not teach there
     */
    TermBeside of(Caller caller, UUID term, @Nullable UUID with) {
        var here = terms.term(term);
        var choices = new ArrayList<BesideChoice>();
        terms.of(caller).stream()
                .filter(t -> !t.id().equals(term))
                .sorted(Comparator.comparing(Terms.TermView::startsOn).reversed())
                .forEach(t -> choices.add(new BesideChoice(t.id(), t.name(), false)));
        var taken = rows.ofTerm(term).stream().filter(i -> i.undoneAt() == null).toList();
        taken.forEach(i -> choices.add(new BesideChoice(i.id(), i.title(), true)));
        var chosen = with;
        if (chosen == null)
            chosen = terms.of(caller).stream()
                    .filter(t -> t.startsOn().isBefore(here.startsOn()))
                    .max(Comparator.comparing(Terms.TermView::startsOn))
                    .map(Terms.TermView::id)
                    .or(() -> taken.stream().findFirst().map(StoredImport::id))
                    .orElse(null);
        return new TermBeside(choices, side(caller, term), chosen == null ? null : other(caller, chosen));
    }

    private TermSide other(Caller caller, UUID with) {
        var imported = rows.byId(with).orElse(null);
        if (imported == null) {
            if (!terms.has(with)) throw Refusal.notFound("term or file of marks");
            access.mustTeach(caller, with);
            return side(caller, with);
        }
        access.mustTeach(caller, imported.termId());
        if (imported.undoneAt() != null) throw Refusal.notFound("term or file of marks");
        return side(imported);
    }

    private TermSide side(Caller caller, UUID term) {
        var cohort = tracking.cohort(caller, term);
        Map<Criterion, List<double[]>> byCriterion = new EnumMap<>(Criterion.class);
        Map<Region, List<double[]>> byRegion = new EnumMap<>(Region.class);
        for (var student : cohort.students()) {
            Map<Criterion, double[]> ofCriterion = new EnumMap<>(Criterion.class);
            for (var palm : student.palms()) {
                var ofRegion = new double[2];
                for (var bar : palm.bars()) {
                    var level = bar.level();
                    if (level == null) continue;
                    add(ofCriterion.computeIfAbsent(bar.criterion(), k -> new double[2]), level);
                    add(ofRegion, level);
                }
                if (ofRegion[1] > 0)
                    byRegion.computeIfAbsent(palm.region(), k -> new ArrayList<>())
                            .add(ofRegion);
            }
            ofCriterion.forEach((c, sum) ->
                    byCriterion.computeIfAbsent(c, k -> new ArrayList<>()).add(sum));
        }
        var missed = steps.heat(term).steps().stream()
                .filter(s -> s.asked() >= LEAST_ASKED && s.missed() + s.outOfOrder() > 0)
                .map(s -> new MissedStep(
                        s.sequenceName(),
                        s.name(),
                        s.asked(),
                        s.missed() + s.outOfOrder(),
                        (s.missed() + s.outOfOrder()) / (double) s.asked()))
                .sorted(Comparator.comparingDouble(MissedStep::share).reversed())
                .limit(MOST_STEPS)
                .toList();
        var own = graders.of(term).graders().stream()
                .map(g -> new GraderSeverity(g.name(), g.severity()))
                .toList();
        return new TermSide(
                term,
                cohort.name(),
                false,
                cohort.students().size(),
                cohort.practicals(),
                means(byCriterion),
                means(byRegion),
                missed,
                own,
                hours(caller, term));
    }

    private List<KindMean> hours(Caller caller, UUID term) {
        var students = hours.of(caller, term).students();
        var means = new ArrayList<KindMean>();
        for (var kind : HourKind.values()) {
            var of = students.stream()
                    .flatMap(s -> s.kinds().stream())
                    .filter(k -> k.kind() == kind)
                    .toList();
            double counted = of.stream().mapToDouble(k -> k.counts()).average().orElse(0);
            double asked = of.stream().mapToDouble(k -> k.asked()).max().orElse(0);
            if (counted > 0 || asked > 0) means.add(new KindMean(kind, counted, asked));
        }
        return means;
    }

    private static void add(double[] sum, double level) {
        sum[0] += level;
        sum[1]++;
    }

    /** Each student weighs the same, however much of them was seen. */
    private static <T extends Enum<T>> List<LevelMean> means(Map<T, List<double[]>> sums) {
        return sums.entrySet().stream()
                .map(e -> mean(
                        e.getKey().toString(),
                        e.getValue().stream()
                                .mapToDouble(s -> s[0] / s[1])
                                .average()
                                .orElse(0),
                        e.getValue().size()))
                .toList();
    }

    private static LevelMean mean(String subject, double level, int students) {
        return new LevelMean(subject, students < LEAST_STUDENTS ? null : level, students);
    }

    private TermSide side(StoredImport imported) {
        var marks = rows.marks(imported.id());
        var first = marks.stream()
                .map(EarlierMarkMapper.MarkOf::day)
                .filter(Objects::nonNull)
                .min(Comparator.naturalOrder())
                .orElse(null);
        var given = marks.stream()
                .filter(m -> !m.grader().isEmpty())
                .map(m -> new Severity.Mark(
                        m.grader(), m.student(), m.region() + "/" + m.criterion(), week(first, m.day()), m.points()))
                .toList();
        return new TermSide(
                imported.id(),
                imported.title(),
                true,
                (int) marks.stream()
                        .map(EarlierMarkMapper.MarkOf::student)
                        .distinct()
                        .count(),
                marks.size(),
                means(marks, EarlierMarkMapper.MarkOf::criterion),
                means(marks, EarlierMarkMapper.MarkOf::region),
                List.of(),
                Severity.of(given).stream()
                        .map(s -> new GraderSeverity(s.grader(), s.severity()))
                        .toList(),
                List.of());
    }

    private static double week(@Nullable LocalDate first, @Nullable LocalDate day) {
        return first == null || day == null ? 0 : ChronoUnit.DAYS.between(first, day) / 7.0;
    }

    private static List<LevelMean> means(
            List<EarlierMarkMapper.MarkOf> marks, Function<EarlierMarkMapper.MarkOf, @Nullable String> of) {
        var sums = new java.util.TreeMap<String, Map<String, double[]>>();
        for (var m : marks) {
            var subject = of.apply(m);
            if (subject != null)
                add(
                        sums.computeIfAbsent(subject, k -> new java.util.HashMap<>())
                                .computeIfAbsent(m.student(), k -> new double[2]),
                        m.points());
        }
        return sums.entrySet().stream()
                .map(e -> mean(
                        e.getKey(),
                        e.getValue().values().stream()
                                .mapToDouble(s -> s[0] / s[1])
                                .average()
                                .orElse(0),
                        e.getValue().size()))
                .toList();
    }
}
