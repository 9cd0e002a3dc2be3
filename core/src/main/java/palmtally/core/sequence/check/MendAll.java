package palmtally.core.sequence.check;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.finding.Finding;
import palmtally.core.finding.Severity;
import palmtally.core.people.ClientNote;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;

/**
 * The mends of a plan as one act. One is done after the other, each on what the one before has left, so that nothing is said or added
 * twice. A mend is kept, with those of what it raises, only where fewer stops are left, or as many and fewer warnings, or as many of both and
 * fewer hints, so that it ends. That the plan no longer fits its slot is no reason to leave a mend out: what each costs is told, and the fit comes after.
 *
 * @param done the mends that were kept, in the order they were done
 * @param after what the checks say then
 */
public record MendAll(Sequence before, List<Done> done, Checks after, double secondsBefore) {
    /**
     * One mend that was done.
     *
     * @param finding what it removed
     * @param label what it did
     * @param seconds what it added to the plan, or took from it
     */
    public record Done(Finding finding, String label, double seconds) {}

    /** A mend and what it raises are this many at most. */
    private static final int MOST_RAISED = 4;

    /** What is to be left out comes first, then what the hand does, then what is added around it, and what is said of it all last. */
    private static final List<String> FIRST =
            List.of("SCOPE", "CLIENT", "PRESS", "DOSE", "HAND", "REACH", "TABLE", "ORDER", "DRAPE", "CONSENT", "CLEAN");

    /**
     * @param notes what the body on the table must be spared
     * @param least the mildest findings that are mended
     */
    public static MendAll of(Sequence sequence, Profile profile, List<ClientNote> notes, Severity least) {
        var first = Checks.run(sequence, profile, notes);
        var all = new Work(first, notes, least);
        var now = first;
        for (boolean more = true; more; ) {
            more = false;
            var tried = new HashSet<String>();
            for (var next = all.next(now, tried, Set.of()); next.isPresent(); next = all.next(now, tried, Set.of())) {
                var then = all.mended(now, next.get());
                if (then.isEmpty()) continue;
                now = then.get();
                more = true;
            }
        }
        return new MendAll(
                sequence, List.copyOf(all.done), now, first.timeline().totalSeconds());
    }

    private static final class Work {
        private final Profile profile;
        private final List<ClientNote> notes;
        private final Severity least;
        private final Map<List<@Nullable Object>, Found> first = new HashMap<>();
        private final List<Done> done = new ArrayList<>();

        Work(Checks first, List<ClientNote> notes, Severity least) {
            profile = first.profile();
            first.found().forEach(f -> this.first.putIfAbsent(about(f), f));
            this.notes = notes;
            this.least = least;
        }

        /** The next finding with a mend that was not tried, and that is not among the known. */
        Optional<Found> next(Checks now, Set<String> tried, Set<String> known) {
            Optional<Found> best = now.found().stream()
                    .filter(f -> f.mend().isPresent() && f.finding().severity().compareTo(least) >= 0)
                    .filter(f -> f.finding().rule() != TimeSlot.RULE)
                    .filter(f -> !known.contains(f.finding().key()))
                    .filter(f -> !tried.contains(f.finding().key()))
                    .min(Comparator.comparingInt(MendAll::rank));
            best.ifPresent(f -> tried.add(f.finding().key()));
            return best;
        }

        /**
         * What is left after a mend and, where that is not better by itself, after the mends of what it has raised; nothing where that is no
         * better either.
         */
        Optional<Checks> mended(Checks now, Found found) {
            var known = now.findings().stream().map(Finding::key).collect(Collectors.toSet());
            var tried = new HashSet<String>();
            var steps = new ArrayList<Done>();
            var then = now;
            for (Optional<Found> next = Optional.of(found);
                    next.isPresent() && steps.size() < MOST_RAISED;
                    next = next(then, tried, known)) {
                var after = apply(then, next.get());
                if (after.isEmpty()) return Optional.empty();
                // Said with the numbers that the steps have on the screen, before anything was put in.
                var said = first.getOrDefault(about(next.get()), next.get());
                steps.add(new Done(
                        said.finding(),
                        said.mend().or(next.get()::mend).orElseThrow().label(),
                        after.get().timeline().totalSeconds() - then.timeline().totalSeconds()));
                then = after.get();
                // What stays was not mended: what else the edit did is none of its own business.
                if (then.found().stream().anyMatch(f -> about(f).equals(about(found)))) return Optional.empty();
                if (better(then, now)) {
                    done.addAll(steps);
                    return Optional.of(then);
                }
            }
            return Optional.empty();
        }

        /** What the checks say after one mend; nothing where the plan cannot take it. */
        private Optional<Checks> apply(Checks now, Found found) {
            try {
                return Optional.of(Checks.run(found.mend().orElseThrow().apply(now.sequence()), profile, notes));
            } catch (InvalidValue tooMuch) {
                return Optional.empty();
            }
        }
    }

    /** What a finding is about, whenever that is. */
    private static List<@Nullable Object> about(Found found) {
        var where = found.finding().where();
        return Arrays.asList(found.finding().rule(), where.step(), where.zone(), where.side());
    }

    private static int rank(Found found) {
        var id = found.finding().rule().toString();
        for (int i = 0; i < FIRST.size(); i++) if (id.startsWith(FIRST.get(i))) return i;
        return FIRST.size();
    }

    private static boolean better(Checks then, Checks now) {
        for (var severity : List.of(Severity.STOP, Severity.WARN, Severity.HINT)) {
            long less = count(now, severity) - count(then, severity);
            if (less != 0) return less > 0;
        }
        return false;
    }

    private static long count(Checks checks, Severity severity) {
        return checks.findings().stream()
                .filter(f -> f.severity() == severity && f.rule() != TimeSlot.RULE)
                .count();
    }
}
