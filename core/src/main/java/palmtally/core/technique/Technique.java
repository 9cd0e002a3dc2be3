package palmtally.core.technique;

import java.util.List;
import org.jspecify.annotations.Nullable;

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
            return name().toLowerCase().replace('_', '-');
        }
    }

    public Technique {
        aliases = List.copyOf(aliases);
    }
}
