package palmtally.core.jot;

import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import palmtally.core.Texts;

/** Numbers that are said in words, as figures, where a number is meant: "three breaths", "half a minute", "number five or six". */
final class Numbers {
    private Numbers() {}

    private static final List<String> NUMBERS =
            List.of("one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve");

    /** Larger ones, and what is said for a few. */
    private static final Map<String, Integer> ALSO = Map.ofEntries(
            Map.entry("fifteen", 15),
            Map.entry("twenty", 20),
            Map.entry("thirty", 30),
            Map.entry("forty", 40),
            Map.entry("fifty", 50),
            Map.entry("seventy", 70),
            Map.entry("eighty", 80),
            Map.entry("a hundred", 100),
            Map.entry("one hundred", 100),
            Map.entry("sixty", 60),
            Map.entry("ninety", 90),
            Map.entry("a single", 1),
            Map.entry("single", 1),
            Map.entry("half a dozen", 6),
            Map.entry("a dozen", 12),
            Map.entry("a couple of", 2),
            Map.entry("a couple", 2),
            Map.entry("a few", 3),
            Map.entry("several", 4));

    private static final Pattern COUNTING = Pattern.compile(
            "\\b(" + String.join("|", NUMBERS)
                    + "|fifteen|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety|(?:a|one) hundred|a single|single|half a dozen|a dozen|a couple of|a couple|a few|several"
                    + "|once|twice|thrice|half a|half|(?<!\\d )(?<!strokes )(?<!times )(?<!cycles? )(?<!rubs )(?<!beats )(?<!twice )(?<!once )(?<!thrice )(?<!\\ds )(?<!\\d s )(?<!secs )(?<!sec )(?<!seconds )a)\\b(?= (?:[a-z]+ ){0,2}breaths?\\b| (?:slow |long |light |deep |full |broad |firm |gentle |big |short |smooth |quiet |calm |easy |even |palm |fist |thumb |forearm |knuckle |finger )*"
                    + "(?:breaths?|exhales?|inhales?|holds?|passes|pass|times|cycles?|seconds?|secs?|minutes?|mins?|stations?|spots?|points?|places?|presses|reps|repetitions?|strokes?|sweeps?|slides?|glides?|forearms|rounds?|sets?|rubs?|lines?|strips?|rows?|laps?|bouts|circles|squeezes|each (?:way|direction))\\b)|\\b((?<!at )once|twice|thrice)\\b");

    private static final String SMALL = String.join("|", NUMBERS.subList(0, 10));

    /** Twenty-five, and the numbers after what is said in numbers alone. */
    private static final Pattern COMPOUND =
            Pattern.compile("\\b(twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety) ("
                    + String.join("|", NUMBERS.subList(0, 9)) + ")\\b");

    private static final Pattern AFTER_NUMBER = Pattern.compile(
            "\\b(number|depth|level)( of| is| at)? (" + SMALL + ")(?: (or|to|and) (" + SMALL + "))?\\b");

    /** "Hold it for thirty" is so many seconds. */
    private static final Pattern FOR_SO_LONG = Pattern.compile(
            "\\b(for|hold|wait|stay) (fifteen|twenty|thirty|forty|fifty|sixty|ninety)(?=\\s*(?:$|[,;.]|and\\b|then\\b))");

    private static String digits(String text) {
        var whole = Texts.replaced(FOR_SO_LONG, text, m -> m.group(1) + " " + ALSO.get(m.group(2)) + " seconds");
        whole = Texts.replaced(
                COMPOUND, whole, m -> String.valueOf(ALSO.get(m.group(1)) + NUMBERS.indexOf(m.group(2)) + 1));
        return Texts.replaced(
                AFTER_NUMBER,
                whole,
                m -> m.group(1) + " " + (NUMBERS.indexOf(m.group(3)) + 1)
                        + (m.group(5) == null ? "" : " to " + (NUMBERS.indexOf(m.group(5)) + 1)));
    }

    /** "Three breaths" as 3 breaths, "twice" as 2 times, "half a minute" as 0.5 minute. */
    static String numbered(String text) {
        return Texts.replaced(COUNTING, digits(text), m -> switch (m.group()) {
            case "once" -> "1 times";
            case "twice" -> "2 times";
            case "thrice" -> "3 times";
            case "half a", "half" -> "0.5";
            case "a" -> "1";
            default -> String.valueOf(ALSO.getOrDefault(m.group(), NUMBERS.indexOf(m.group()) + 1));
        });
    }

    private static final Pattern LONE =
            Pattern.compile("^ (" + String.join("|", NUMBERS) + ")(?: (?=of (?:them|these|those) )| $)");

    /** A number that stands alone, or before "of them". */
    static String lone(String text) {
        var m = LONE.matcher(text);
        if (!m.find()) return text;
        int n = NUMBERS.indexOf(m.group(1)) + 1;
        return m.end() == text.length() ? " " + n + " times " : " " + n + " " + text.substring(m.end());
    }
}
