package palmtally.core.incident;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.practical.Practical;
import palmtally.core.practical.Run;
import palmtally.core.practical.event.SafetyStop;

/** The safety stops of a run, each of which asks for a record. */
public final class SafetyStops {
    /** Stops so close are one: the client says stop, and the grader writes it down as well (common practice, no source). */
    static final long ONE_MS = 120_000;

    private SafetyStops() {}

    /**
     * One stop.
     *
     * @param atMs since the run began
     * @param byClient the client said it
     * @param words what was written down with it, or null
     */
    public record Stopped(
            long atMs, boolean byClient, @Nullable String words) {}

    /** Those that count, in their order: one that was taken back asks for nothing. */
    public static List<Stopped> of(Practical practical) {
        var all = new ArrayList<Stopped>();
        long last = 0;
        for (var s : Run.of(practical).all(SafetyStop.class)) {
            boolean byClient = Boolean.TRUE.equals(s.of().byClient());
            if (all.isEmpty() || s.atMs() - last > ONE_MS) all.add(new Stopped(s.atMs(), byClient, s.of().text()));
            else {
                var of = all.get(all.size() - 1);
                all.set(
                        all.size() - 1,
                        new Stopped(of.atMs, of.byClient || byClient, of.words == null ? s.of().text() : of.words));
            }
            last = s.atMs();
        }
        return all;
    }
}
