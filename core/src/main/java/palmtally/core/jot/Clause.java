package palmtally.core.jot;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;

/** One part of a line: what stands between commas. */
final class Clause {
    /** A comma, a semicolon, a full stop or colon that parts no number, a dash between blanks; and "then". */
    private static final Pattern PARTS = Pattern.compile(
            "(?:;|,(?!\\d)|(?<!\\d),)+|[.:!?](?=\\s|$)|\\s[–—-]\\s|\\b(?:and )?then\\b(?! (?:the )?(?:left|right|l|r)\\b)|\\b(?:while|as|and have|and let|and get|having)\\b(?= (?:the |your )?(?:client|partner|patient)\\b)|\\bwhen\\b(?= (?:the client|client|they|she|he|the partner) (?:breathes?|exhales?|inhales?|lets? go|relaxes)\\b)|\\band (?=(?:roll|swing|turn|move|rotate) (?:the |their )?(?:leg|foot|arm|knee|hip|shin|lower leg)\\b)|\\b(?:but|and) (?=(?:do not|don[’']t|never|not|no) )|\\band (?=ask (?:whether|if|for|about|how|what|them|the client|again)\\b)|\\R",
            Pattern.CASE_INSENSITIVE);

    /** As it was written. */
    final String text;

    /** In small letters, without marks. */
    final String plain;

    /** The mark that stands after it; empty at the end of the line. */
    private final String mark;

    /** Whether it is done after what stands before it: "then". */
    private boolean next;

    Clause(String text) {
        this(text, "");
    }

    private Clause(String text, String mark) {
        this.text = text.strip();
        this.mark = mark.strip();
        plain = JotWords.plain(text);
    }

    /** Whether it only says that the next is asked or told: "ask: any clicking?" is one thing, "explain, ask, chest towel on" are three. */
    boolean introduces(Clause next) {
        return !mark.equals(",") || next.mark.startsWith("?") || !plain.equals("ask") && !plain.equals("explain");
    }

    /** Whether a colon stands after it, or a dash. */
    boolean heads() {
        return mark.startsWith(":") || mark.matches("[–—-]");
    }

    /** Whether a colon stands after it. */
    boolean colon() {
        return mark.startsWith(":");
    }

    /** Whether it is a question. */
    boolean asks() {
        return mark.startsWith("?");
    }

    /** Short forms of the anatomist: their point ends no sentence. */
    private static final Pattern SHORT = Pattern.compile(
            "\\b(ant|post|lat|med|sup|inf|fem|prox|dist|ext|int)\\.(?=[\\s,])", Pattern.CASE_INSENSITIVE);

    static List<Clause> of(String line) {
        var all = new ArrayList<Clause>();
        var text = SHORT.matcher(line).replaceAll("$1");
        var marks = PARTS.matcher(text);
        int from = 0;
        boolean then = false;
        while (marks.find()) {
            then = add(all, text.substring(from, marks.start()), marks.group(), then)
                    || marks.group().endsWith("then");
            from = marks.end();
        }
        add(all, text.substring(from), "", then);
        return all;
    }

    /** "Lay the arm overhead and stretch the side": first it is laid, and then it is stretched. */
    private static final Pattern FIRST_LAID = Pattern.compile(
            "^(?<laid>\\s*(?:(?:and|then|now) )*(?:lay|bend|place|put|bring|take|turn|cross|drop|hang|fold|flex|straighten|open|lift(?= (?:the |their |her |his )?shoulders?\\b)) "
                    + "(?:the |their |her |his |your )?(?:(?:left|right|top|upper|lower|bottom|far|near|other) )?(?:arms?|legs?|knees?|elbows?|wrists?|hips?|foot|feet|head|hands?|shoulders?|toes|shin)\\b(?: (?!and\\b)[\\w-]+){0,6}?) and "
                    + "(?<next>(?:hook|strip|curl|stretch|wring|knead|glide|press|shake|rock|pull|strip|stroke|work|turn|rotate|circle|swing|move|jiggle|squeeze|roll|rub|compress|traction|lean|sink|slide) .+)$",
            Pattern.CASE_INSENSITIVE);

    /** "Breathe out and sink the thumbs": the one is the client's, the other the therapist's. */
    private static final Pattern FIRST_BREATH = Pattern.compile(
            "^(?<breath>\\s*(?:(?:and|then|now) )*(?:breathe|breath|inhale|exhale)(?: in| out)?) and "
                    + "(?<next>(?:sink|press|lean|glide|slide|stroke|push|stretch|hook|strip|melt|compress|rock|knead|lengthen) .+)$",
            Pattern.CASE_INSENSITIVE);

    /** "Undrape the back and spread oil from hip to neck." */
    private static final Pattern FIRST_BARED = Pattern.compile(
            "^(?<bared>\\s*(?:(?:and|then|now) )*(?:undrape|uncover|expose|bare) (?:(?!and\\b)[\\w-]+ ?){1,6}) and "
                    + "(?<next>(?:spread|oil|stroke|glide|knead|warm|work|press|wring|effleurage|squeeze|roll) .+)$",
            Pattern.CASE_INSENSITIVE);

    private static final Pattern PINS = Pattern.compile(
            "\\b(?:pin\\w*|hold\\w*|press\\w*|thumbs?|fist|fingers?|elbow|knuckles)\\b", Pattern.CASE_INSENSITIVE);

    /** "Pin it and she bends the elbow": what the client does is a part of its own. */
    private static final Pattern CLIENT_NEXT = Pattern.compile(
            "^(?<mine>.*\\w) (?:and|while|as) (?<theirs>(?:she|he|they|(?:the )?client|(?:the )?partner) \\w+s?\\b.*)$",
            Pattern.CASE_INSENSITIVE);

    /** Whether it is done after what stands before it: "then". */
    boolean next() {
        return next;
    }

    /** @return whether the "then" before it is still to come, as nothing but a mark stood there */
    private static boolean add(List<Clause> all, String part, String mark, boolean then) {
        int before = all.size();
        add(all, part, mark);
        if (then && all.size() > before) all.get(before).next = true;
        return then && all.size() == before;
    }

    private static void add(List<Clause> all, String part, String mark) {
        var theirs = CLIENT_NEXT.matcher(part);
        if (theirs.matches() && PINS.matcher(theirs.group("mine")).find()) {
            add(all, theirs.group("mine"), "");
            add(all, theirs.group("theirs"), mark);
            return;
        }
        var two = FIRST_LAID.matcher(part);
        if (two.matches()) {
            add(all, two.group("laid"), "");
            add(all, two.group("next"), mark);
            return;
        }
        var breath = FIRST_BREATH.matcher(part);
        if (breath.matches()) {
            add(all, breath.group("breath"), "");
            add(all, breath.group("next"), mark);
            return;
        }
        var bared = FIRST_BARED.matcher(part);
        if (bared.matches()) {
            add(all, bared.group("bared"), "");
            add(all, bared.group("next"), mark);
            return;
        }
        var clause = new Clause(part, mark);
        if (!clause.plain.isEmpty()) all.add(clause);
    }
}
