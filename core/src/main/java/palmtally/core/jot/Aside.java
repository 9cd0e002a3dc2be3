package palmtally.core.jot;

import static java.util.regex.Pattern.compile;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import palmtally.core.sequence.detail.Detail;

/**
 * What else a line says beside the stroke: why, what to spare, what is looked for and where it may be felt (how teachers say these is
 * common practice, no source). What is larger has a house of its own: {@link ClientDoes}, {@link OtherHands}, {@link Lying}, {@link Ends},
 * {@link Instead}, {@link Says} and {@link Compares}; there as here the words for a thing stand beside its one reading.
 */
final class Aside {
    private Aside() {}

    private static final Pattern WONDERS =
            compile("^(?:and )?(?:which|whether|what|how (?:is|are|does|do|far|much)|where|does|do|is|are|any) .*");
    private static final Pattern FELT_THERE =
            compile("\\b(?:felt|travels?|refers?|radiates?)\\b.* (?:in|to|into|down|up)\\b");

    private static final Pattern CIRCLES = compile(
            "(?i)^(?<before>.*?)\\b(?:circles?(?= (?:the |each |both |whole |entire |straight |bent |their )*(?:arms?|legs?|feet|foot|thumbs?|big toe|shoulders?|hips?|ankles?|wrists?)\\b)"
                    + "|rolls?(?= (?:the |each |both )?(?:shoulders?|hips?|ankles?|wrists?)\\b)) (?<rest>.*)$");

    /** Whether the clause says that a limb is circled; then the rest of it is read. */
    static boolean circles(Clause clause, Reading reading) {
        var m = CIRCLES.matcher(clause.text);
        if (!m.matches() || reading.technique != null || reading.strokeIn(m.group("before"))) return false;
        // "Roll the hip while the fist presses": it is pinned.
        if (m.group("rest").contains(" while ")
                && reading.strokeIn(m.group("rest").replaceFirst("^.* while ", ""))) return false;
        reading.stroke(reading.library.toUse("range-of-motion"), false);
        // "The shoulder forward and back" is how, not where it lies.
        var rest = new Clause(m.group("before") + " " + m.group("rest"));
        if (Lying.LIES.matcher(rest.plain).matches()) reading.words(rest);
        else reading.clause(rest);
        return true;
    }

    /** Whether the clause is something that is looked for, such as "which foot turns out"; then it stays as it was said. */
    static boolean wonders(Clause clause, Reading reading) {
        if (!WONDERS.matcher(clause.plain).matches() || reading.strokeIn(clause.plain)) return false;
        reading.aside.add(clause.text);
        return true;
    }

    /** Whether the clause says where it may be felt, which is not where the work is; then it stays as it was said. */
    static boolean felt(Clause clause, Reading reading) {
        if (!FELT_THERE.matcher(clause.plain).find() || reading.strokeIn(clause.plain)) return false;
        reading.aside.add(clause.text);
        return true;
    }

    /** The first of these in whose words something is found. */
    static <V> Optional<V> first(Map<V, Pattern> words, String text) {
        return words.entrySet().stream()
                .filter(e -> e.getValue().matcher(text).find())
                .map(Map.Entry::getKey)
                .findFirst();
    }

    static String cut(String text, int most) {
        return text.length() <= most ? text : text.substring(0, most - 1).strip() + "…";
    }

    // ---- why

    private static final String PURPOSES =
            "warm|soften|loosen|calm|soothe|relax|drain|free|prepare|wake|settle|flush|reset|release|restore|lengthen|separate|quiet|ease"
                    + "|find|locate|feel|check for|bring|give|make|let it|keep|avoid|protect";
    private static final Pattern WHY = compile(
            "(?i)^(?<before>.*?)(?<why>\\b(?:because|so that|so the|so it|in order to|since it|why\\b|reason\\b|purpose\\b)\\b.*)$");
    private static final Pattern TO = compile("(?i)^(?<before>.*?)\\b(?<why>to (?:" + PURPOSES + ")\\b.*)$");

    /** Takes the reason out of a clause and leaves the rest of it. */
    static Clause why(Clause clause, Reading reading) {
        for (var pattern : List.of(WHY, TO)) {
            var m = pattern.matcher(clause.text);
            if (!m.find()) continue;
            var why = m.group("why")
                    .replaceFirst("(?i)^(?:because|why|reason|purpose)\\b[\\s:]*", "")
                    .strip();
            if (why.isEmpty()) continue;
            reading.more.why = cut(reading.more.why == null ? why : reading.more.why + "; " + why, Detail.MOST_WHY);
            return new Clause(m.group("before"));
        }
        return clause;
    }

    private static final Pattern SPARES = compile(
            "^(?:then |but |and )*(light(?:er|ly)? (?:over|behind) |(?:over|behind|at) (?:the )?\\w+ (?:only skin|skin only|only light\\w*|light\\w*)|only (?:skin|light\\w*) (?:over|behind|at|on) (?!(?:\\w+ )?(?:up|down)ward)|ease off|lighten|skip(?:ping)?|avoid(?:ing)?|spar(?:e|ing)|leave (?:it |this )?out|left out|leave (?:it )?alone|careful|mind|watch|not(?! (?:too |so )?deep)(?! (?:over|above|more than|longer than|beyond) (?:\\d|an? |one |two |half|ten |twenty |thirty |forty |sixty |fifteen |ninety ))|never(?! over \\d)|stop (?:short|before|above|below|a hand)|no (?!oil|lotion|lubricant|lube|hurry|sheet|more than \\d)\\w+|stay(?:ing)? off|keep(?:ing)? off|(?:stay|keep)(?:ing)? clear|go easy)\\b.*");

    /** What must not be done is told, and never a step: "we do not press over the throat". */
    private static final Pattern FORBIDS = compile(
            "^(?:please |and |but |then |so |also |here |we |you |i |one |must |should |may |can |shall )*(?:do not|don t|dont|not to be|must not|mustn t|should not|shouldn t|cannot|can not|can t|may not|never(?! over \\d)|nobody|no one|refrain"
                    + "|without (?:any )?(?:pressing|touching|working|rubbing|digging|leaning|pushing|massaging)|not (?:worked|touched|pressed|massaged|here|today)\\b|leave(?: it| them)?$|nothing (?:on|in|over|at|near|behind|to)|(?:stay|keep|steer) (?:\\w+ ){0,3}?(?:off|away|clear|out of)\\b(?! (?:the )?(?:table|edge|end|side|bed))"
                    + "|leave (?:\\w+ ){1,5}?(?:alone|out|untouched)|no (?:deep|direct|heavy|hard|firm|strong) )\\b.*"
                    + "|.*\\b(?:is|are)?\\b ?(?:a |an )?(?:no go|off limits|out of bounds|taboo)\\b.*"
                    + "|.*\\b(?:is|are|be|gets?) (?:not|never)(?: to be)? (?:pressed|worked|touched|rubbed|massaged|stretched|used|done|kneaded)\\b.*");

    private static final Pattern FINDS = compile(
            "^(?:then |and )*(?:find|locate|search for|look for|palpate(?: for)?) (?:the |a |any )?(?:\\w+ )?(?:tender )?(?:spots?|points?|knots?|band|bands|edge|nodules?)\\b(?<rest>.*)$");

    /** Whether the clause says to find a spot; then a finger or a thumb feels for it there. */
    static boolean finds(Clause clause, Reading reading) {
        var m = FINDS.matcher(clause.plain);
        if (!m.matches() || reading.technique != null) return false;
        reading.stroke(reading.library.toUse("static-press"), true);
        reading.finds = true;
        reading.aside.add(clause.plain.substring(0, m.start("rest")));
        reading.clause(new Clause(m.group("rest")));
        return true;
    }

    /** Whether the clause says what to spare; then it stays as it was said. */
    static boolean spares(Clause clause, Reading reading) {
        boolean forbids = FORBIDS.matcher(clause.plain).matches();
        if (!forbids && !SPARES.matcher(clause.plain).matches() || reading.known(List.of(clause.plain.split(" "))))
            return false;
        reading.spared = true;
        reading.aside.add(clause.text);
        return true;
    }
}
