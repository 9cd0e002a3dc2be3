package palmtally.core.technique;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/**
 * One way of working, defined once and used in several regions.
 *
 * @param id short name in files, such as {@code forearm-glide}
 * @param name the standard term
 * @param aliases what teachers also call it
 * @param tool the usual tool
 * @param depth usual depth, 0–5
 * @param dose what teachers usually give
 * @param effort what the client does
 * @param strong whether it is to be announced before it starts
 * @param caution what to mind, or null; always shown with the line that local codes and licensed practice decide
 */
public record Technique(
        String id,
        String name,
        List<String> aliases,
        Stroke stroke,
        Tool tool,
        int depth,
        Dose dose,
        Effort effort,
        boolean strong,
        @Nullable String caution) {
    /** The client's part. */
    public enum Effort {
        PASSIVE,
        BREATH,
        ACTIVE,
        RESISTED,
        MOVES_ASIDE;

        /** Whether the client moves and so needs a ready cue and a relax cue. */
        public boolean needsCues() {
            return this == ACTIVE || this == RESISTED;
        }

        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    public Technique {
        aliases = List.copyOf(aliases);
        var faults = new ArrayList<Fault>();
        if (aliases.size() > 20) faults.add(new Fault("aliases", aliases.size() + " aliases", "must be at most 20"));
        for (var a : aliases)
            if (a.isBlank() || a.length() > 60) faults.add(new Fault("aliases", a, "must be 1 to 60 characters each"));
        if (depth < 0 || depth > 5) faults.add(new Fault("depth", String.valueOf(depth), "must be 0 to 5"));
        if (caution != null && (caution.isBlank() || caution.length() > 500))
            faults.add(new Fault("caution", caution.length() + " characters", "must be 1 to 500 characters"));
        if (!faults.isEmpty()) throw new InvalidValue("technique " + id, faults);
    }

    /** The same technique with what a school does otherwise. */
    public Technique usually(List<String> also, Tool with, int deep, Dose much, @Nullable String mind) {
        return new Technique(id, name, also, stroke, with, deep, much, effort, strong, mind);
    }
}
