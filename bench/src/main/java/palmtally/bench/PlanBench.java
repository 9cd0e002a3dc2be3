package palmtally.bench;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import palmtally.core.body.Region;
import palmtally.core.calendar.Curriculum;
import palmtally.core.calendar.TermChecks;
import palmtally.core.calendar.TermLayout;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.jot.Jot;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.check.Checks;
import palmtally.core.sequence.check.Turns;
import palmtally.core.sequence.fit.Fit;
import palmtally.core.technique.Techniques;

/** Checks, least turns, fit and term, beside what a spreadsheet does: add up a column of seconds. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class PlanBench {
    private final Profile profile = Profile.bySeconds();
    private final Sequence two = Samples.plan(200);
    private final Sequence eighty = Samples.plan(80);
    private static final String LINE =
            "infraspinatus, supported thumb, 8-10 s holds x3, arm off the table, other hand lifts the shoulder, client breathes out,"
                    + " if it shoots stop, because it refers to the arm";
    private final Sequence rich = rich();
    private final Sequence turning = Samples.turning(80);
    private final Profile turnsOnly = turnsOnly();
    private final Curriculum term = TermLayout.of(
                    new Curriculum("t", "T", 15, 2, 150, 0, Map.of(), Set.of(8), List.of()), wishes(), profile)
            .term();

    /** Two hundred steps of which everything is said that a line can say. */
    private static Sequence rich() {
        var said = Jot.jot(LINE, Techniques.SHIPPED, "s", null).step();
        var plain = Samples.plan(200);
        return plain.withBlocks(plain.blocks().stream()
                .map(b -> b.withSteps(b.steps().stream()
                        .map(x -> x.with(e -> e.detail = said.details()))
                        .toList()))
                .toList());
    }

    private static List<TermLayout.Wish> wishes() {
        return List.of(
                        Region.NECK,
                        Region.JAW,
                        Region.SHOULDER,
                        Region.FOREARM_HAND,
                        Region.LOWER_LEG,
                        Region.THIGH,
                        Region.HIP,
                        Region.FOOT)
                .stream()
                .map(r -> new TermLayout.Wish(r, List.of(new TermLayout.Course(null, 40, 50, 60, 20, false))))
                .toList();
    }

    private static Profile turnsOnly() {
        var off = new TreeMap<Rule, Severity>();
        for (var rule : Rule.all()) if (!rule.equals(Turns.RULE)) off.put(rule, Severity.OFF);
        return Profile.bySeconds().withSeverities(off);
    }

    @Benchmark
    public Object checks_of_200_steps() {
        return Checks.run(two, profile);
    }

    @Benchmark
    public Object checks_of_200_rich_steps() {
        return Checks.run(rich, profile);
    }

    @Benchmark
    public Object a_jotted_line() {
        return Jot.jot(LINE, Techniques.SHIPPED, "s", null);
    }

    @Benchmark
    public Object least_turns_of_80_steps() {
        return Checks.run(turning, turnsOnly);
    }

    @Benchmark
    public Object fit_of_80_steps() {
        return Fit.to(eighty, profile, 3600);
    }

    @Benchmark
    public Object checks_of_a_term() {
        return TermChecks.run(term, List.of(), profile);
    }

    @Benchmark
    public Object layout_of_a_term() {
        return TermLayout.of(term, wishes(), profile);
    }

    /** What is used instead: the sum of a column. It says nothing but whether the slot is full. */
    @Benchmark
    public double a_column_of_seconds_added_up() {
        double sum = 0;
        for (var s : two.steps()) sum += s.dose().totalSeconds();
        return sum;
    }
}
