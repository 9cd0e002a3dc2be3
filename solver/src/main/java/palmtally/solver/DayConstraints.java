package palmtally.solver;

import ai.timefold.solver.core.api.score.buildin.hardmediumsoft.HardMediumSoftScore;
import ai.timefold.solver.core.api.score.stream.Constraint;
import ai.timefold.solver.core.api.score.stream.ConstraintCollectors;
import ai.timefold.solver.core.api.score.stream.ConstraintFactory;
import ai.timefold.solver.core.api.score.stream.ConstraintProvider;
import ai.timefold.solver.core.api.score.stream.Joiners;
import java.util.function.Function;

/**
 * What a timetable of practicals must keep, what it should have, and what is nicer. Hard: a timetable that breaks one cannot be held.
 * Medium: a practical without its place, client or grader. Soft: little is changed, the day is short, all are asked alike.
 */
public class DayConstraints implements ConstraintProvider {
    /** What it weighs that something is lacking. */
    static final int NO_PLACE = 10;

    static final int NO_CLIENT = 3;
    static final int NO_GRADER = 4;
    static final int NO_SECOND = 2;

    @Override
    public Constraint[] defineConstraints(ConstraintFactory of) {
        return new Constraint[] {
            table(of),
            onePlace(of),
            watched(of, "a grader with too many tables", Assignment::grader),
            watched(of, "a second grader with too many tables", Assignment::second),
            open(of),
            there(of),
            twoGraders(of),
            place(of),
            client(of),
            grader(of),
            second(of),
            little(of),
            early(of),
            clientsAlike(of),
            gradersAlike(of),
            rest(of),
            lowTables(of)
        };
    }

    private static Constraint table(ConstraintFactory of) {
        return of.forEachUniquePair(
                        Assignment.class,
                        Joiners.equal(Assignment::table),
                        Joiners.overlapping(Assignment::begins, Assignment::clears))
                .penalize(HardMediumSoftScore.ONE_HARD)
                .asConstraint("one practical at a table");
    }

    private static Constraint onePlace(ConstraintFactory of) {
        return of.forEachUniquePair(
                        Assignment.class,
                        Joiners.overlapping(Assignment::begins, Assignment::ends),
                        Joiners.filtering(Assignment::sharesStudentWith))
                .penalize(HardMediumSoftScore.ONE_HARD)
                .asConstraint("nobody in two places");
    }

    private static Constraint watched(ConstraintFactory of, String id, Function<Assignment, Person> who) {
        return of.forEach(Assignment.class)
                .filter(a -> who.apply(a).somebody())
                .join(
                        Assignment.class,
                        Joiners.overlapping(Assignment::begins, Assignment::ends),
                        Joiners.filtering((a, b) ->
                                b.begins() <= a.begins() && b.ends() > a.begins() && b.watchedBy(who.apply(a))))
                .groupBy((a, b) -> a, ConstraintCollectors.countBi())
                .filter((a, n) -> n > a.tablesAGrader())
                .penalize(HardMediumSoftScore.ONE_HARD, (a, n) -> n - a.tablesAGrader())
                .asConstraint(id);
    }

    private static Constraint open(ConstraintFactory of) {
        return of.forEach(Assignment.class)
                .filter(a -> a.free() && a.closed())
                .penalize(HardMediumSoftScore.ONE_HARD)
                .asConstraint("inside the hours");
    }

    private static Constraint there(ConstraintFactory of) {
        return of.forEach(Assignment.class)
                .filter(a -> a.free() && a.away() > 0)
                .penalize(HardMediumSoftScore.ONE_HARD, Assignment::away)
                .asConstraint("nobody asked who is away");
    }

    private static Constraint twoGraders(ConstraintFactory of) {
        return of.forEach(Assignment.class)
                .filter(a -> a.free()
                        && a.second().somebody()
                        && (a.second().equals(a.grader()) || !a.grader().somebody()))
                .penalize(HardMediumSoftScore.ONE_HARD)
                .asConstraint("two graders are two");
    }

    private static Constraint place(ConstraintFactory of) {
        return of.forEachIncludingUnassigned(Assignment.class)
                .filter(a -> a.placed() == null)
                .penalize(HardMediumSoftScore.ofMedium(NO_PLACE))
                .asConstraint("a place");
    }

    private static Constraint client(ConstraintFactory of) {
        return of.forEach(Assignment.class)
                .filter(a -> a.free() && !a.client().somebody())
                .penalize(HardMediumSoftScore.ofMedium(NO_CLIENT))
                .asConstraint("a client");
    }

    private static Constraint grader(ConstraintFactory of) {
        return of.forEach(Assignment.class)
                .filter(a -> a.free() && !a.grader().somebody())
                .penalize(HardMediumSoftScore.ofMedium(NO_GRADER))
                .asConstraint("a grader");
    }

    private static Constraint second(ConstraintFactory of) {
        return of.forEach(Assignment.class)
                .filter(a -> a.free() && a.sitting().twice() && !a.second().somebody())
                .penalize(HardMediumSoftScore.ofMedium(NO_SECOND))
                .asConstraint("a second grader");
    }

    private static Constraint little(ConstraintFactory of) {
        return of.forEach(Assignment.class)
                .filter(a -> a.changed() > 0)
                .penalize(HardMediumSoftScore.ONE_SOFT, a -> 10 * a.changed())
                .asConstraint("as little as can be is changed");
    }

    private static Constraint early(ConstraintFactory of) {
        return of.forEach(Assignment.class)
                .penalize(HardMediumSoftScore.ONE_SOFT, Assignment::lateness)
                .asConstraint("a short day");
    }

    private static Constraint clientsAlike(ConstraintFactory of) {
        return of.forEach(Assignment.class)
                .filter(a -> a.client().somebody())
                .groupBy(Assignment::client, ConstraintCollectors.count())
                .penalize(HardMediumSoftScore.ONE_SOFT, (c, n) -> 8 * n * n)
                .asConstraint("clients are asked alike");
    }

    private static Constraint gradersAlike(ConstraintFactory of) {
        return of.forEach(Assignment.class)
                .filter(a -> a.grader().somebody())
                .groupBy(Assignment::grader, ConstraintCollectors.count())
                .penalize(HardMediumSoftScore.ONE_SOFT, (c, n) -> n * n)
                .asConstraint("graders are asked alike");
    }

    private static Constraint rest(ConstraintFactory of) {
        return of.forEach(Assignment.class)
                .join(
                        Assignment.class,
                        Joiners.equal(Assignment::clears, Assignment::begins),
                        Joiners.filtering(Assignment::sharesStudentWith))
                .penalize(HardMediumSoftScore.ONE_SOFT, (a, b) -> 4)
                .asConstraint("a rest between two practicals");
    }

    private static Constraint lowTables(ConstraintFactory of) {
        return of.forEach(Assignment.class)
                .penalize(HardMediumSoftScore.ONE_SOFT, a -> a.table() - 1)
                .asConstraint("the first tables before the last");
    }
}
