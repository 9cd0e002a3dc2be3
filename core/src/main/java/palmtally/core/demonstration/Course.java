package palmtally.core.demonstration;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import palmtally.core.sequence.Stint;
import palmtally.core.sequence.Stint.Half;
import palmtally.core.sequence.Timeline;
import palmtally.core.technique.Dose;

/** The course of a demonstration up to its last mark: what is on, what is to come and when by plan. Mutable and short-lived. */
final class Course {
    private final Showing showing;
    final List<Stint> stints;
    /** What is shown, in order; {@link #at} is the place of what was begun last, or of what is gone in front of the next. */
    final List<Integer> order = new ArrayList<>();

    int at = -1;
    /** Plan clock of each stint, seconds since the first began. */
    final double[] begin;

    final double[] end;
    /** What each has by plan with its transitions, whatever was granted to one that was late when an offer was taken. */
    private final double[] planned;

    final double[] seconds;
    final double[] shown;
    final Map<Integer, String> skipped = new LinkedHashMap<>();
    final Set<Integer> parked = new LinkedHashSet<>();
    /** Halves that were shown a gentle stroke, or firm work already: said once is enough. */
    private final Set<Half> met = new HashSet<>();

    private final List<Progress.Cold> cold = new ArrayList<>();
    int current = -1;
    double begunAt = Double.NaN;
    double startedAt;
    private double stoodStill;
    private double pausedAt = Double.NaN;
    boolean finished;
    double lastAt;

    Course(Showing showing) {
        this.showing = showing;
        var spans = showing.timeline().spans();
        stints = spans.stream().map(Timeline.Span::stint).toList();
        int n = spans.size();
        begin = new double[n];
        end = new double[n];
        planned = new double[n];
        seconds = new double[n];
        shown = new double[n];
        for (int i = 0; i < n; i++) {
            order.add(i);
            begin[i] = spans.get(i).begin();
            end[i] = spans.get(i).end();
            planned[i] = end[i] - begin[i];
            seconds[i] = stints.get(i).dose().totalSeconds();
        }
    }

    void take(Mark mark) {
        double t = mark.atSeconds();
        int i = mark.index();
        lastAt = t;
        switch (mark.what()) {
            case STARTED -> start(i, t);
            case PAUSED -> {
                if (current >= 0 && !paused()) pausedAt = t;
            }
            case RESUMED -> resume(t);
            case PARKED -> {
                double from = i == current || at + 1 >= order.size() ? begin[i] : nextBegin();
                leave(i, t);
                order.add(i);
                parked.add(i);
                skipped.remove(i);
                plan(at + 1, from);
            }
            case SKIPPED -> {
                leave(i, t);
                parked.remove(i);
                skipped.put(i, mark.reason() == null ? "" : mark.reason());
            }
            case REFITTED -> refit(mark, t);
            case FINISHED -> {
                close(t);
                finished = true;
            }
        }
    }

    private void start(int i, double t) {
        close(t);
        finished = false;
        if (Double.isNaN(begunAt)) begunAt = t;
        if (!order.contains(i)) {
            // What was skipped or dropped is wanted after all: it comes in here, as long as it was meant to be.
            double from = nextBegin();
            if (seconds[i] <= 0) seconds[i] = stints.get(i).dose().totalSeconds();
            order.add(at + 1, i);
            plan(at + 1, from);
        }
        skipped.remove(i);
        parked.remove(i);
        var without = cold(i, met);
        if (without != null) cold.add(without);
        if (firm(i)) met.addAll(stints.get(i).halves());
        at = order.indexOf(i);
        current = i;
        startedAt = t;
    }

    private void resume(double t) {
        if (paused()) stoodStill += t - pausedAt;
        pausedAt = Double.NaN;
    }

    private void close(double t) {
        resume(t);
        if (current >= 0) {
            shown[current] += Math.max(0, t - startedAt - stoodStill);
            warm(current, shown[current], met);
        }
        current = -1;
        stoodStill = 0;
    }

    private boolean firm(int i) {
        return stints.get(i).step().depth() >= showing.profile().order().firmDepth();
    }

    /** Counts a gentle stroke that was shown long enough to be one. */
    private void warm(int i, double seconds, Set<Half> warmed) {
        if (seconds >= Refit.LEAST_SECONDS
                && stints.get(i).step().calms(showing.profile().order().firmDepth()))
            warmed.addAll(stints.get(i).halves());
    }

    private Progress.@Nullable Cold cold(int i, Set<Half> warmed) {
        if (!firm(i)) return null;
        return stints.get(i).halves().stream()
                .filter(h -> !warmed.contains(h))
                .findFirst()
                .map(h -> new Progress.Cold(i, h + ": no warm-up was shown here"))
                .orElse(null);
    }

    private Progress.@Nullable Cold coldNext(List<Integer> to, double[] total) {
        if (to.isEmpty()) return null;
        var warmed = new HashSet<>(met);
        if (current >= 0) warm(current, total[current], warmed);
        return cold(to.get(0), warmed);
    }

    /** Takes a stint out of the order; the one that is on ends with it. */
    private void leave(int i, double t) {
        if (i == current) close(t);
        int place = order.indexOf(i);
        if (place < 0) return;
        order.remove(place);
        if (place <= at) at--;
    }

    private void refit(Mark mark, double t) {
        var wanted = mark.seconds();
        if (wanted == null) return;
        for (int i : List.copyOf(ahead())) {
            seconds[i] = wanted.get(i);
            if (seconds[i] <= 0) {
                order.remove((Integer) i);
                parked.remove(i);
            }
        }
        double now = t - (Double.isNaN(begunAt) ? t : begunAt);
        if (current >= 0) {
            // The time the stint that is on has taken is granted: the new plan begins here.
            double granted = Math.max(end[current] - begin[current], t - since(t));
            begin[current] = since(t) - begunAt;
            end[current] = begin[current] + granted;
            now = end[current];
        }
        plan(at + 1, now);
    }

    /** Plans what is at {@code from} and later anew, beginning at {@code when} on the plan clock. */
    private void plan(int from, double when) {
        if (from >= order.size()) return;
        var all = new ArrayList<Stint>();
        for (int i : order) all.add(lasting(i, seconds[i]));
        var spans = Timeline.of(all, showing.profile()).spans();
        double moved = when - spans.get(from).begin();
        for (int k = from; k < order.size(); k++) {
            begin[order.get(k)] = spans.get(k).begin() + moved;
            end[order.get(k)] = spans.get(k).end() + moved;
            planned[order.get(k)] = spans.get(k).end() - spans.get(k).begin();
        }
    }

    private Stint lasting(int i, double secs) {
        var s = stints.get(i);
        return new Stint(s.step(), s.side(), s.second(), Dose.seconds(Math.max(secs, 1e-3)), s.block(), s.index());
    }

    List<Integer> ahead() {
        return order.subList(at + 1, order.size());
    }

    boolean paused() {
        return !Double.isNaN(pausedAt);
    }

    /** When what is on began, moved on by how long it has stood still. */
    double since(double now) {
        return startedAt + stoodStill + (paused() ? now - pausedAt : 0);
    }

    /** Plan clock at which the next begins; after the last, at which it all ends. */
    double nextBegin() {
        return at + 1 < order.size() ? begin[order.get(at + 1)] : lastEnd();
    }

    double lastEnd() {
        double last = 0;
        for (int i : order) last = Math.max(last, end[i]);
        return last;
    }

    double allowed() {
        return current < 0 ? 0 : end[current] - begin[current];
    }

    /** When all that is left will have been shown if it takes what is planned. */
    double endsAt(double now) {
        if (finished) return lastAt;
        if (current >= 0) return Math.max(now, since(now) + allowed()) + Math.max(0, lastEnd() - end[current]);
        return now + Math.max(0, lastEnd() - nextBegin());
    }

    double slotEndsAt(double now) {
        double end = (Double.isNaN(begunAt) ? now : begunAt) + showing.slotSeconds();
        return showing.endsBy() == null ? end : Math.min(end, showing.endsBy());
    }

    Progress at(double now) {
        double drift = 0;
        @Nullable Double driftFrom = now;
        if (current >= 0) {
            double over = since(now) + allowed();
            driftFrom = over;
            drift = since(now) - begunAt - begin[current] + Math.max(0, now - over);
            if (paused()) driftFrom = now;
        } else if (finished) {
            drift = lastAt - begunAt - lastEnd();
            driftFrom = null;
        } else if (!Double.isNaN(begunAt)) drift = now - begunAt - nextBegin();
        var total = shown.clone();
        if (current >= 0) total[current] += Math.max(0, now - since(now));
        var to = finished ? List.<Integer>of() : ahead();
        var leftOut = new ArrayList<Integer>();
        if (!Double.isNaN(begunAt))
            for (int i = 0; i < total.length; i++) if (total[i] == 0 && i != current && !to.contains(i)) leftOut.add(i);
        return new Progress(
                current,
                current >= 0 ? since(now) : lastAt,
                allowed(),
                paused(),
                Double.isNaN(begunAt) ? 0 : begunAt,
                drift,
                driftFrom,
                drift >= Showing.ON_TIME,
                finished ? Showing.took(drift) : Showing.words(drift),
                endsAt(now),
                slotEndsAt(now),
                order,
                to,
                boxed(seconds),
                boxed(planned),
                boxed(total),
                leftOut,
                leftOut.stream()
                        .filter(i -> Reason.anotherDay(skipped.getOrDefault(i, "")))
                        .toList(),
                ranOver(total),
                parked.stream().filter(to::contains).toList(),
                cold,
                coldNext(to, total),
                skipped,
                finished);
    }

    private List<Integer> ranOver(double[] total) {
        return IntStream.range(0, total.length)
                .boxed()
                .filter(i -> over(total, i) >= Showing.ON_TIME)
                .sorted(Comparator.comparingDouble(i -> -over(total, i)))
                .toList();
    }

    private double over(double[] total, int i) {
        return total[i] - planned[i];
    }

    private static List<Double> boxed(double[] values) {
        return java.util.Arrays.stream(values).boxed().toList();
    }
}
