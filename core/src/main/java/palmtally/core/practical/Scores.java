package palmtally.core.practical;

import java.util.List;
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
        var run = Run.of(practical);
        return new Scores(
                run,
                List.of(
                        PressureScore.of(run),
                        OrderScore.of(run),
                        MechanicsScore.of(run),
                        CommunicationScore.of(run),
                        DrapingScore.of(run)));
    }

    /** A look at one criterion alone: the others do not apply, and are not missed. */
    public Scores only(Criterion one) {
        return new Scores(
                run,
                criteria.stream()
                        .map(c -> c.criterion() == one
                                ? c
                                : new Scored(
                                        c.criterion(),
                                        null,
                                        "only " + one.label().toLowerCase() + " was looked at",
                                        false,
                                        List.of(),
                                        c.findings().stream()
                                                .filter(f -> f.severity() == Severity.CRITICAL)
                                                .toList(),
                                        0,
                                        null))
                        .toList());
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
