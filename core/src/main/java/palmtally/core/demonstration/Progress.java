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
 * @param ranOver indices that took longer than planned by {@link Showing#ON_TIME} or more, the longest first
 * @param parked indices that were put off and are still to come
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
        List<Integer> ranOver,
        List<Integer> parked,
        Map<Integer, String> skipped,
        boolean finished) {
    public Progress {
        order = List.copyOf(order);
        ahead = List.copyOf(ahead);
        seconds = List.copyOf(seconds);
        plannedSeconds = List.copyOf(plannedSeconds);
        shownSeconds = List.copyOf(shownSeconds);
        leftOut = List.copyOf(leftOut);
        ranOver = List.copyOf(ranOver);
        parked = List.copyOf(parked);
        skipped = Map.copyOf(skipped);
    }
}
