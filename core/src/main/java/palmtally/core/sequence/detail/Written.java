package palmtally.core.sequence.detail;

import java.util.Arrays;
import java.util.Locale;
import java.util.stream.Collectors;
import org.hipparchus.util.FastMath;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/** Words and numbers as they stand in a cell of a table. */
final class Written {
    private static final int MOST_NAMED = 20;

    private Written() {}

    /** @throws InvalidValue naming what there is */
    static <E extends Enum<E>> E one(String text, E[] values) {
        var word = text.trim().toLowerCase(Locale.ROOT).replace(' ', '-');
        for (var v : values) if (v.toString().equals(word)) return v;
        throw new InvalidValue(
                "word",
                new Fault(
                        "",
                        text.trim(),
                        values.length > MOST_NAMED
                                ? "is not known here"
                                : "must be one of "
                                        + Arrays.stream(values)
                                                .map(Object::toString)
                                                .collect(Collectors.joining(", "))));
    }

    static double seconds(String text) {
        var digits = text.trim().replaceAll("\\s*s$", "");
        try {
            return Double.parseDouble(digits);
        } catch (NumberFormatException e) {
            throw new InvalidValue("seconds", new Fault("", text, "must be seconds, as in 90s"));
        }
    }

    static int whole(String text) {
        try {
            return Integer.parseInt(text.trim());
        } catch (NumberFormatException e) {
            throw new InvalidValue("number", new Fault("", text, "must be a whole number"));
        }
    }

    static String number(double value) {
        return value == FastMath.rint(value) ? String.valueOf(FastMath.round(value)) : String.valueOf(value);
    }

    static String plain(Enum<?> word) {
        return word.toString().replace('-', ' ');
    }
}
