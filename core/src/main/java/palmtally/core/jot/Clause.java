package palmtally.core.jot;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;

/** One part of a line: what stands between commas. */
final class Clause {
    /** A comma, a semicolon, a full stop or colon that parts no number, a dash between blanks; and "then". */
    private static final Pattern PARTS = Pattern.compile(
            "(?:;|,(?!\\d)|(?<!\\d),)+|[.:!?](?=\\s|$)|\\s[–—-]\\s|\\b(?:and )?then\\b(?! (?:the )?(?:left|right|l|r)\\b)|\\b(?:while|as|and have|and let|and get|having)\\b(?= (?:the |your )?(?:client|partner|patient)\\b)|\\R",
            Pattern.CASE_INSENSITIVE);

    /** As it was written. */
    final String text;

    /** In small letters, without marks. */
    final String plain;

    Clause(String text) {
        this.text = text.strip();
        plain = JotWords.plain(text);
    }

    /** Short forms of the anatomist: their point ends no sentence. */
    private static final Pattern SHORT = Pattern.compile(
            "\\b(ant|post|lat|med|sup|inf|fem|prox|dist|ext|int)\\.(?=[\\s,])", Pattern.CASE_INSENSITIVE);

    static List<Clause> of(String line) {
        var all = new ArrayList<Clause>();
        for (var part : PARTS.split(SHORT.matcher(line).replaceAll("$1")))
            if (!JotWords.plain(part).isEmpty()) all.add(new Clause(part));
        return all;
    }
}
