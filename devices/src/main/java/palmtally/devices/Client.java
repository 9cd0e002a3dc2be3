package palmtally.devices;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import org.jspecify.annotations.Nullable;

/** Somebody on the table with a handset: what they say and when, the same for the same seed. Invented, for the demo alone. */
public enum Client {
    /** Says a middling number every so often. */
    STEADY(35, 4, 1, 0, 0),
    /** Feels much; now and then too much. */
    TENDER(25, 6, 2, 0.2, 0.02),
    /** Light work tickles. */
    TICKLISH(30, 3, 1, 0.35, 0),
    /** Seldom says anything. */
    SILENT(180, 4, 1, 0, 0);

    /** One thing said: a number 0–10 or a word of the handset, and after how many seconds of silence. */
    public record Said(
            double after,
            @Nullable Integer number,
            @Nullable String word) {}

    private final double every;
    private final double mean;
    private final double spread;
    private final double words;
    private final double stops;

    Client(double every, double mean, double spread, double words, double stops) {
        this.every = every;
        this.mean = mean;
        this.spread = spread;
        this.words = words;
        this.stops = stops;
    }

    /** What is said over so many seconds. */
    public List<Said> over(double seconds, long seed) {
        var random = new Random(seed);
        var all = new ArrayList<Said>();
        double at = 0;
        while (true) {
            double after = Math.round(10 * every * (0.5 + random.nextDouble())) / 10.0;
            at += after;
            if (at > seconds) return List.copyOf(all);
            double chance = random.nextDouble();
            if (chance < stops) all.add(new Said(after, null, "stop"));
            else if (chance < stops + words) all.add(new Said(after, null, this == TICKLISH ? "tickles" : "too-much"));
            else {
                long number = Math.round(mean + spread * random.nextGaussian());
                all.add(new Said(after, (int) Math.max(0, Math.min(10, number)), null));
            }
        }
    }

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT);
    }
}
