package palmtally.core.agreement;

import org.jspecify.annotations.Nullable;

/**
 * A number about graders, or why there is none.
 *
 * @param name as it is called in the literature
 * @param value null where there are too few cases, or it is not defined on these
 * @param low lower end of its 95 % interval, or null where none is given
 * @param high upper end, or null
 * @param cases how many pairs, runs or marks it rests on
 * @param needed how many it needs before a number is given
 * @param meaning two sentences: what it is, and what this value says; or what is missing
 */
public record Figure(
        String name,
        @Nullable Double value,
        @Nullable Double low,
        @Nullable Double high,
        int cases,
        int needed,
        String meaning) {
    /** No number, because it would rest on too little. */
    static Figure few(String name, int cases, int needed, String of, String what) {
        return new Figure(
                name,
                null,
                null,
                null,
                cases,
                needed,
                what + " " + (cases == 0 ? "There is none" : cases == 1 ? "There is one" : "There are " + cases)
                        + " of " + needed + " " + of + ", too few for a number.");
    }

    /** No number, because these cases do not allow one. */
    static Figure undefined(String name, int cases, int needed, String what, String because) {
        return new Figure(name, null, null, null, cases, needed, what + " " + because);
    }
}
