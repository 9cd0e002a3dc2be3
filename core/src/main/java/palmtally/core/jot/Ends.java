package palmtally.core.jot;

import static java.util.regex.Pattern.compile;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Pattern;
import palmtally.core.sequence.detail.DetailField;
import palmtally.core.sequence.detail.End;

/** When a step ends: until it softens, until the number falls, and the most that it may take. */
final class Ends {
    private Ends() {}

    private static final Map<End.When, Pattern> ENDS = ends();

    private static Map<End.When, Pattern> ends() {
        var e = new LinkedHashMap<End.When, Pattern>();
        e.put(
                End.When.NUMBER_FALLS,
                compile(
                        "\\b(number|pain|discomfort|ache)\\b.*\\b(falls?|drops?|eases?|fades?|goes|halves|lower|down|less|is)\\b"));
        e.put(
                End.When.SOFTENS,
                compile("\\b(soft\\w*|melts?|gives?|lets? go|releases?|yields?|relax\\w*|loosens?)\\b"));
        e.put(
                End.When.NO_SENSATION,
                compile("\\b(no sensation|no feeling|nothing (is )?felt|nothing is left|gone)\\b"));
        e.put(End.When.NUMB, compile("\\bnumb\\b"));
        e.put(End.When.RANGE_CHANGES, compile("\\b(range|moves? (freely|further|more|easily))\\b"));
        e.put(End.When.CLIENT_SAYS, compile("\\b(says?|tells?|signals?)\\b"));
        e.put(End.When.WARM, compile("\\b(warm|pink|glows?)\\b"));
        return e;
    }

    /** "Not over a minute." */
    private static final Pattern MINUTE =
            compile("(?i)\\b(over|than|most|max|maximum|to|cap) (?:an?|one) (minute|min)\\b");

    private static final Pattern UNTIL =
            compile("(?i)^(?<before>.*?)\\b(?:(?:un)?till?\\b|to (?=soft\\w*|releas\\w*))\\s*(?<end>.+)$");
    private static final Pattern CAP = compile(
            "(?i)"
                    + "(?<!glute )(?<!glutes )(?<!\\bg )(?<!gluteus )(?<!number )(?<!pain )"
                    + "(?:\\b(?:cap|max|maximum|at most|(?:no|not) (?:longer|more) than|up to|not over)\\b\\s*(?:of )?(?=\\d)|\\b(?:max|maximum|at most|at the most)\\s*$)");

    private static final Pattern OF_TEN = compile("(?:it is |at |down to )?\\d{1,2} ?(?:/|out of|of) ?10");

    private static final Pattern IT_FALLS = compile("^it (falls?|drops?|goes down|is (less|lower|down|half)|halves)");

    /** Takes what ends it out of a clause and leaves the rest of it; a number at its end stays, as a dose or a cap. */
    static Clause until(Clause clause, Reading reading) {
        var text = MINUTE.matcher(clause.text).replaceAll("$1 1 $2");
        var capped = CAP.matcher(text);
        if (capped.find()) {
            reading.capped = true;
            text = capped.replaceAll(" ");
        }
        var m = UNTIL.matcher(text);
        if (!m.find()) return text.equals(clause.text) ? clause : new Clause(text);
        var end = m.group("end");
        var number = compile("\\d+(?::\\d\\d|\\s*(?:s|sec|seconds|min|minutes))\\b.*$")
                .matcher(end);
        var rest = number.find() ? number.group() : "";
        var said = rest.isEmpty() ? end : end.substring(0, end.length() - rest.length());
        var plain = JotWords.plain(said);
        // "Until 3/10" the number falls, and with "number 6, until it falls".
        if (OF_TEN.matcher(said.strip()).matches()) plain = "number falls";
        if (reading.band != null && IT_FALLS.matcher(plain).find()) plain = "number " + plain;
        Aside.first(ENDS, plain)
                .ifPresentOrElse(w -> reading.until = w, () -> reading.own(DetailField.END, "until " + said.strip()));
        return new Clause(m.group("before") + " " + rest);
    }
}
