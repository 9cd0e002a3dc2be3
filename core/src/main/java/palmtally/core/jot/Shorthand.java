package palmtally.core.jot;

import static java.util.regex.Pattern.CASE_INSENSITIVE;
import static java.util.regex.Pattern.compile;

import java.util.List;
import java.util.regex.Pattern;

/** What a hurried hand writes for words, written out before a line is read: arrows, "&", "5 L 5 R", "4 slow ones" (common practice, no source). */
final class Shorthand {
    private Shorthand() {}

    private record Sign(Pattern written, String meant) {}

    private static final String HOW = "((?:(?:slow|long|light|deep|full|broad|firm|gentle|big|short|smooth) )*)";

    private static final List<Sign> SIGNS = List.of(
            // "Too pointed -> use the heel of the hand": what is done instead.
            sign("\\s+(?:->|=>|→)\\s+(?=(?:use|try|take|then|do|go|switch|change|so|rather)\\b)", "; "),
            sign("\\s*(?:->|=>|→)\\s*", " to "),
            sign("(?<=\\p{L}) ?& ?(?=\\p{L})", " and "),
            // "Client's arm overhead" is where it lies; nothing is done by the client.
            sign(
                    "\\b(?:the )?(?:client|partner|patient|receiver)['’]s (?=(?:arm|leg|knee|elbow|wrist|head|foot|hip|shoulder|ankle|thigh|calf|toe|jaw|chin|heel)s?\\b(?! (?:slid|mov|bend|straighten|lift|turn|push|press|point|rais|drop|flex|extend|open|clos|circl|swing)\\w*))",
                    "their "),
            sign("\\b(\\d{1,2}) ?(?:l|left)[ ,/+]+(?:and )?\\1 ?(?:r|right)\\b", "$1 times each side"),
            sign("\\b(\\d{1,2}) ?(?:r|right)[ ,/+]+(?:and )?\\1 ?(?:l|left)\\b", "$1 times each side"),
            sign("(?<![:.\\d])\\b(\\d{1,2}) " + HOW + "ones\\b", "$1 $2passes"),
            sign(
                    "(?<![:.\\d])\\b(\\d{1,2}) " + HOW + "(effleurage|feather|fist|compression)s?\\b(?! ?s\\b)",
                    "$3 $1 $2passes"),
            // What is spared stands by itself.
            sign(
                    "(?<=\\w)(?: but)? (?=(?:not|never) (?:over|on|across|near|onto|into) (?!\\d|an? |one |two |half |top\\b))",
                    ", "),
            sign("(?<=\\w) (?=(?:avoid|skip|spar|keep|stay)ing (?:off |clear of )?(?:the )?\\p{L})", ", "));

    private static Sign sign(String written, String meant) {
        return new Sign(compile(written, CASE_INSENSITIVE), meant);
    }

    /** A line in words. */
    static String writtenOut(String line) {
        var text = line;
        for (var sign : SIGNS) text = sign.written().matcher(text).replaceAll(sign.meant());
        return text;
    }
}
