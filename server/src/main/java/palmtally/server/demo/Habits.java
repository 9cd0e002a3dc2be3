package palmtally.server.demo;

import java.util.Set;

/**
 * How an invented student works.
 *
 * @param start skill in week 0, 0–1
 * @param growth gained a week
 * @param weak what does not grow with the rest
 */
record Habits(String name, double start, double growth, Set<Weakness> weak) {
    /** A recognisable weakness. */
    enum Weakness {
        BARE_THUMBS,
        LATE_CONSENT,
        SILENT,
        SECOND_SIDE_FORGOTTEN,
        HEAVY_HANDS,
        OUT_OF_ORDER,
        LOOSE_SHEET,
        BENT_BACK
    }

    /** 0–1 after some weeks. */
    double skill(double week) {
        return Math.min(0.97, start + growth * week);
    }

    boolean has(Weakness w) {
        return weak.contains(w);
    }
}
