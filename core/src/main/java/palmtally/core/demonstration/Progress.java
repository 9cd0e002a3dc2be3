package palmtally.core.demonstration;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * How a demonstration stands. Times are seconds on the clock of its marks; lists by stint are in planned order.
 *
 * @param current index of the stint that is on, or −1 before the first, between two and after the end
 * @param startedAt when it began, moved on by the time it stood still
 * @param allowedSeconds what it has, with its transitions
 * @param paused whether it stands still
 * @param begunAt when the first stint began: the plan clock runs from there
 * @param driftSeconds real clock less plan clock now; positive is late
 * @param driftFrom from when drift grows by one a second unless the next stint begins, null once it stands still
 * @param late whether drift is late by {@link Showing#ON_TIME} or more
 * @param words drift in plain words
 * @param endsAt when all that is left will have been shown, as things stand
 * @param slotEndsAt when the slot is over
 * @param order indices in the order they are shown in: what was put off is last, what was skipped or dropped is not in it
 * @param ahead indices still to come, in that order
 * @param seconds what each stint is shown for by the plan of now, 0 where a re-fit dropped it
 * @param plannedSeconds the same with what goes before: turning, sheet, lubricant, questions
 * @param shownSeconds what each was shown for in truth, pauses not counted, 0 where it was not
 * @param leftOut indices that were announced and not shown
 * @param forAnotherDay those of them that the class is still to see
 * @param ranOver indices that took longer than planned by {@link Showing#ON_TIME} or more, the longest first
 * @param parked indices that were put off and are still to come
 * @param cold firm work that began on a zone and side that had been shown no warm-up, the earliest first
 * @param coldNext what that would be if the next began now, or null
 * @param skipped indices that were skipped, each with its reason or an empty text
 */
public record Progress(
        int current,
        double startedAt,
        double allowedSeconds,
        boolean paused,
        double begunAt,
        double driftSeconds,
        @Nullable Double driftFrom,
        boolean late,
        String words,
        double endsAt,
        double slotEndsAt,
        List<Integer> order,
        List<Integer> ahead,
        List<Double> seconds,
        List<Double> plannedSeconds,
        List<Double> shownSeconds,
        List<Integer> leftOut,
        List<Integer> forAnotherDay,
        List<Integer> ranOver,
        List<Integer> parked,
        List<Cold> cold,
        @Nullable Cold coldNext,
        Map<Integer, String> skipped,
        boolean finished) {
    /**
     * Firm work without its warm-up.
     *
     * @param index which stint
     * @param words zone and side, as in "Hamstrings, right: no warm-up was shown here"
     */
    public record Cold(int index, String words) {}

    public Progress {
        order = List.copyOf(order);
        ahead = List.copyOf(ahead);
        seconds = List.copyOf(seconds);
        plannedSeconds = List.copyOf(plannedSeconds);
        shownSeconds = List.copyOf(shownSeconds);
        leftOut = List.copyOf(leftOut);
        forAnotherDay = List.copyOf(forAnotherDay);
        cold = List.copyOf(cold);
        ranOver = List.copyOf(ranOver);
        parked = List.copyOf(parked);
        skipped = java.util.Collections.unmodifiableMap(new java.util.LinkedHashMap<>(skipped));
    }
}
