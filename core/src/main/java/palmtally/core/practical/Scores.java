package palmtally.core.practical;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding;
import palmtally.core.finding.Severity;

/**
 * The five scores of a practical, in the order of the criteria.
 *
 * @param run the observed run they rest on
 */
public record Scores(Run run, List<Scored> criteria) {
    public static Scores of(Practical practical) {
        return of(Run.of(practical));
    }

    static Scores of(Run run) {
        var all = new Scores(
                run,
                List.of(
                        PressureScore.of(run),
                        OrderScore.of(run),
                        MechanicsScore.of(run),
                        CommunicationScore.of(run),
                        DrapingScore.of(run)));
        var only = run.practical().extent().only();
        return only == null ? all : all.only(only);
    }

    /**
     * A look at one criterion alone: the others do not apply, and are not missed. What is critical stands, and so does what is asked
     * about permission.
     */
    Scores only(Criterion one) {
        return new Scores(
                run,
                criteria.stream()
                        .map(c -> c.criterion() == one
                                ? c
                                : new Scored(
                                        c.criterion(),
                                        null,
                                        "only " + one.label().toLowerCase(Locale.ROOT) + " was looked at",
                                        false,
                                        List.of(),
                                        c.findings().stream()
                                                .filter(f -> f.severity() == Severity.CRITICAL)
                                                .toList(),
                                        0,
                                        null,
                                        c.questions().stream()
                                                .filter(Question::permission)
                                                .toList()))
                        .toList());
    }

    /** What only the grader can say, in the order of the run. */
    public List<Question> questions() {
        return criteria.stream()
                .flatMap(c -> c.questions().stream())
                .sorted(Comparator.comparing(q -> q.atMs() == null ? 0L : q.atMs()))
                .toList();
    }

    public Scored get(Criterion criterion) {
        return criteria.get(criterion.ordinal());
    }

    public List<Finding> findings() {
        return criteria.stream().flatMap(c -> c.findings().stream()).toList();
    }

    public List<Finding> critical() {
        return findings().stream()
                .filter(f -> f.severity() == Severity.CRITICAL)
                .toList();
    }
}
