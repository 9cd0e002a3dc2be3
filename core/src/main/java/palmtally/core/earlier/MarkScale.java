package palmtally.core.earlier;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/**
 * How marks of elsewhere are read as points from 0 to 100: numbers between the worst and the best of their scale, in either direction, and
 * words each by what it is worth.
 *
 * @param worst the number that is worth 0 points
 * @param best the number that is worth 100 points
 * @param words small letters → points, or null for a word that is no mark
 */
public record MarkScale(double worst, double best, Map<String, @Nullable Double> words) {
    /** What stands where there is no mark. */
    private static final Set<String> NONE = Set.of("", "-", "–", "—", ".", "/", "n/a", "na", "n.a.", "none", "?");

    private static final Pattern NUMBER = Pattern.compile("[+-]?\\d{1,9}(?:[.,]\\d{1,9})?");
    private static final Pattern PERCENT = Pattern.compile("(" + NUMBER + ")\\s*%");
    private static final Pattern SHARE = Pattern.compile("(" + NUMBER + ")\\s*(?:/|of|von|sur|de)\\s*(" + NUMBER + ")");
    /** Of a cell that is neither a number nor a word with its worth. */
    static final String NO_MARK = "is no mark of this scale";

    /** The most that a column can have, as its head says it: "max 20", "out of 20", "/20", "(20)", "(20 points)". */
    private static final Pattern MOST = Pattern.compile("(?:\\bmax(?:imum|\\.)?|\\b(?:out )?of|/|\\bvon|\\bsur)\\s*("
            + NUMBER + ")\\s*(?:p|pts?|points?|punkte)?\\b|\\(\\s*(" + NUMBER
            + ")\\s*(?:p|pts?|points?|punkte)?\\s*\\)");

    private static final Pattern LETTER = Pattern.compile("([a-f])\\s*(\\+\\+?|--?|−)?");

    /** The middle of each letter's tens, and less than half for one that is failed (common practice, no source). */
    private static final Map<String, Double> LETTERS =
            Map.of("a", 95.0, "b", 85.0, "c", 75.0, "d", 65.0, "e", 55.0, "f", 40.0);

    /** What is often said instead of a number (common practice, no source). */
    private static final Map<String, Double> WORDS = Map.ofEntries(
            Map.entry("excellent", 95.0),
            Map.entry("outstanding", 95.0),
            Map.entry("distinction", 90.0),
            Map.entry("merit", 80.0),
            Map.entry("proficient", 80.0),
            Map.entry("very good", 90.0),
            Map.entry("good", 80.0),
            Map.entry("satisfactory", 70.0),
            Map.entry("sufficient", 60.0),
            Map.entry("fair", 60.0),
            Map.entry("competent", 80.0),
            Map.entry("not yet competent", 40.0),
            Map.entry("not yet", 40.0),
            Map.entry("pass", 75.0),
            Map.entry("passed", 75.0),
            Map.entry("p", 75.0),
            Map.entry("fail", 40.0),
            Map.entry("failed", 40.0),
            Map.entry("insufficient", 40.0),
            Map.entry("unsatisfactory", 40.0),
            Map.entry("poor", 40.0));

    public MarkScale {
        var faults = new ArrayList<Fault>();
        if (!Double.isFinite(worst)) faults.add(new Fault("worst", String.valueOf(worst), "must be a number"));
        if (!Double.isFinite(best)) faults.add(new Fault("best", String.valueOf(best), "must be a number"));
        if (worst == best) faults.add(new Fault("best", String.valueOf(best), "must differ from the worst"));
        var read = new LinkedHashMap<String, @Nullable Double>();
        words.forEach((word, points) -> {
            if (points != null && !(points >= 0 && points <= 100))
                faults.add(new Fault("words/" + word, String.valueOf(points), "must be from 0 to 100"));
            read.put(plain(word), points);
        });
        if (!faults.isEmpty()) throw new InvalidValue("scale", faults);
        words = java.util.Collections.unmodifiableMap(read);
    }

    /**
     * One cell.
     *
     * @param points 0–100, or null for none
     * @param fault why it is no mark, or null
     */
    public record Read(@Nullable Double points, @Nullable String fault) {
        static final Read NONE = new Read(null, null);
    }

    /** What a cell is worth. */
    public Read read(String given) {
        var cell = plain(given);
        if (words.containsKey(cell)) return new Read(words.get(cell), null);
        if (NONE.contains(cell)) return Read.NONE;
        var percent = PERCENT.matcher(cell);
        if (percent.matches()) return within(value(percent.group(1)), 0, 100, "0 % to 100 %");
        var share = SHARE.matcher(cell);
        if (share.matches() && value(share.group(2)) > 0)
            return within(value(share.group(1)), 0, value(share.group(2)), "its own whole");
        if (NUMBER.matcher(cell).matches()) return within(value(cell), worst, best, words(worst, best));
        return new Read(null, NO_MARK);
    }

    private static Read within(double value, double worst, double best, String scale) {
        double points = (value - worst) / (best - worst) * 100;
        // A sum of decimals may lie a hair outside.
        if (points < -1e-9 || points > 100 + 1e-9) return new Read(null, "is outside of " + scale);
        return new Read(Math.max(0, Math.min(100, points)), null);
    }

    private static String words(double worst, double best) {
        return plain(Math.min(worst, best)) + " to " + plain(Math.max(worst, best));
    }

    private static String plain(double number) {
        return BigDecimal.valueOf(number).stripTrailingZeros().toPlainString();
    }

    /** A cell that is a number and nothing else. */
    static OptionalDouble number(String given) {
        var cell = plain(given);
        return NUMBER.matcher(cell).matches() ? OptionalDouble.of(value(cell)) : OptionalDouble.empty();
    }

    private static double value(String digits) {
        return Double.parseDouble(digits.replace(',', '.'));
    }

    /** Small letters, single spaces, no space of a kind that is not seen. */
    static String plain(String cell) {
        return cell.replaceAll("[\\s\\u00A0\\u2007\\u202F\\u200B\\uFEFF]+", " ")
                .strip()
                .toLowerCase(Locale.ROOT);
    }

    /**
     * The scale that a column of marks is likely to be of. Numbers are taken from 0 to what the head says is the most, else to the next of
     * 1, 5, 10, 20 and 100; a scale whose 1 is the best is not seen by the numbers alone, so whoever knows it says so.
     *
     * @param head what the column is called, such as "Draping (max 20)"
     * @return with its words from the best to the worst
     */
    public static MarkScale of(Collection<String> cells, String head) {
        double most = 0;
        var words = new HashMap<String, Double>();
        for (var each : cells) {
            var cell = plain(each);
            if (NUMBER.matcher(cell).matches()) most = Math.max(most, value(cell));
            else if (!NONE.contains(cell)
                    && !PERCENT.matcher(cell).matches()
                    && !SHARE.matcher(cell).matches()
                    && words.size() < 40) {
                var worth = worth(cell);
                if (worth != null) words.put(cell, worth);
            }
        }
        double best = 100;
        for (double top : List.of(1.0, 5.0, 10.0, 20.0, 100.0))
            if (most <= top) {
                best = top;
                break;
            }
        if (most == 0) best = 100;
        if (most > 100) best = most;
        var said = MOST.matcher(plain(head));
        if (said.find()) {
            double top = value(said.group(said.group(1) != null ? 1 : 2));
            if (top > 0 && top >= most) best = top;
        }
        var sorted = new LinkedHashMap<String, @Nullable Double>();
        words.entrySet().stream()
                .sorted(Map.Entry.<String, Double>comparingByValue()
                        .reversed()
                        .thenComparing(Map.Entry.comparingByKey()))
                .forEach(e -> sorted.put(e.getKey(), e.getValue()));
        return new MarkScale(0, best, sorted);
    }

    /** Points of a word that is often said, or null. */
    private static @Nullable Double worth(String cell) {
        var letter = LETTER.matcher(cell);
        if (letter.matches()) {
            double middle = LETTERS.get(letter.group(1));
            var sign = letter.group(2);
            return sign == null ? middle : middle + (sign.startsWith("+") ? 3 : -3);
        }
        return WORDS.get(cell);
    }
}
