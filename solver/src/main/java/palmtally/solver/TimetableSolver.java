package palmtally.solver;

import ai.timefold.solver.core.api.solver.Solver;
import ai.timefold.solver.core.api.solver.SolverFactory;
import ai.timefold.solver.core.config.heuristic.selector.entity.EntitySelectorConfig;
import ai.timefold.solver.core.config.heuristic.selector.move.composite.CartesianProductMoveSelectorConfig;
import ai.timefold.solver.core.config.heuristic.selector.move.composite.UnionMoveSelectorConfig;
import ai.timefold.solver.core.config.heuristic.selector.move.generic.ChangeMoveSelectorConfig;
import ai.timefold.solver.core.config.heuristic.selector.move.generic.SwapMoveSelectorConfig;
import ai.timefold.solver.core.config.heuristic.selector.value.ValueSelectorConfig;
import ai.timefold.solver.core.config.localsearch.LocalSearchPhaseConfig;
import ai.timefold.solver.core.config.solver.EnvironmentMode;
import ai.timefold.solver.core.config.solver.SolverConfig;
import ai.timefold.solver.core.config.solver.termination.TerminationConfig;
import java.time.Duration;
import java.util.List;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import palmtally.core.timetable.PracticalDay;
import palmtally.core.timetable.Timetable;

/** Looks for the timetable of a day; can be watched, stopped, and gone on with from what it found. */
public final class TimetableSolver {
    private final Duration longest;
    private final Duration quiet;
    private @Nullable Solver<DaySolution> solver;
    private boolean stopped;
    /** Who looks, while it looks. */
    private volatile @Nullable Thread looking;

    /**
     * @param longest it looks no longer
     * @param quiet it ends when nothing better was found for so long
     */
    public TimetableSolver(Duration longest, Duration quiet) {
        this.longest = longest;
        this.quiet = quiet;
    }

    private static Solver<DaySolution> solver(Duration longest, Duration quiet) {
        var config = new SolverConfig()
                .withSolutionClass(DaySolution.class)
                .withEntityClasses(Assignment.class)
                .withConstraintProviderClass(DayConstraints.class)
                .withEnvironmentMode(EnvironmentMode.NO_ASSERT)
                .withRandomSeed(7L)
                .withPhaseList(List.of(new LocalSearchPhaseConfig().withMoveSelectorConfig(moves())))
                .withTerminationConfig(
                        new TerminationConfig().withSpentLimit(longest).withUnimprovedSpentLimit(quiet));
        return SolverFactory.<DaySolution>create(config).buildSolver();
    }

    /** One practical elsewhere, with another grader or client; two that change places; or all three of one at once. */
    private static UnionMoveSelectorConfig moves() {
        var entity = new EntitySelectorConfig().withId("practical").withEntityClass(Assignment.class);
        var same = EntitySelectorConfig.newMimicSelectorConfig("practical");
        return new UnionMoveSelectorConfig()
                .withMoveSelectors(
                        change("place"),
                        change("grader"),
                        change("second"),
                        change("client"),
                        new SwapMoveSelectorConfig().withVariableNameIncludes("place"),
                        new CartesianProductMoveSelectorConfig(List.of(
                                new ChangeMoveSelectorConfig()
                                        .withEntitySelectorConfig(entity)
                                        .withValueSelectorConfig(new ValueSelectorConfig("place")),
                                new ChangeMoveSelectorConfig()
                                        .withEntitySelectorConfig(same)
                                        .withValueSelectorConfig(new ValueSelectorConfig("grader")),
                                new ChangeMoveSelectorConfig()
                                        .withEntitySelectorConfig(same)
                                        .withValueSelectorConfig(new ValueSelectorConfig("client")))));
    }

    private static ChangeMoveSelectorConfig change(String variable) {
        return new ChangeMoveSelectorConfig().withValueSelectorConfig(new ValueSelectorConfig(variable));
    }

    /**
     * @param before what it was, or an empty timetable: from there it goes on, and changes as little of it as can be
     * @param better told each timetable that is better than those before and can be held; the first at once
     * @return the best
     */
    public Timetable solve(PracticalDay day, Timetable before, Consumer<Timetable> better) {
        var first = FirstFit.of(day, before);
        if (day.sittings().isEmpty() || day.starts().isEmpty()) return first;
        better.accept(first);
        Solver<DaySolution> made;
        synchronized (this) {
            if (stopped) return first;
            made = solver(longest, quiet);
            solver = made;
            looking = Thread.currentThread();
        }
        made.addEventListener(event -> {
            if (event.getNewBestScore().isFeasible())
                better.accept(event.getNewBestSolution().timetable());
        });
        try {
            return made.solve(new DaySolution(day, before, first)).timetable();
        } finally {
            looking = null;
        }
    }

    /** A first timetable that can be held, at once and without looking for better. */
    public static Timetable first(PracticalDay day, Timetable before) {
        return FirstFit.of(day, before);
    }

    /** Ends with the best that was found, and comes back when it has; asked by whom it tells of a better one it ends after that. */
    public void stop() {
        Solver<DaySolution> made;
        synchronized (this) {
            stopped = true;
            made = solver;
        }
        // One that is told before it has begun forgets it as it begins.
        for (var by = looking; made != null && by != null; by = looking) {
            made.terminateEarly();
            if (by == Thread.currentThread()) return;
            try {
                Thread.sleep(10);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return;
            }
        }
    }
}
