package palmtally.core.jot;

import static java.util.regex.Pattern.compile;

import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.detail.Comparison;

/** What is looked at, measured or judged before, between and after. */
final class Compares {
    private Compares() {}

    private static final Pattern RE_CHECK = compile("^(re ?check|re ?test|re ?assess|check again)$");

    /** "Palpate for heat": nothing warm is laid on. */
    private static final Pattern FEELS_FOR = compile(
            "^(?:then |and |first )*(?:palpate|feel|check|look)(?: \\w+){0,3}? for (?:\\w+ ){0,2}?(?:heat|warmth|swelling|cold|temperature|tension|tightness|tone|redness)\\b");

    /** How far it turns is compared, and not turned. */
    private static final Pattern OF_A_JOINT = compile(
            "^(?:then |and )*(?:compare|re ?test|re ?check|test|measure)\\b.*\\b(?:rotation|rotations|flexion|extension|side bend\\w*)\\b");

    private static final Pattern STRENGTH = compile("\\w test$");

    private static final Pattern TRIED = compile(
            "\\b(?:toe touch|forward bend|rotation|flexion|extension|side bend\\w*|turns?|reach|squat|bend\\w*|lift\\w*)\\b");

    private static final Pattern AFTERWARDS = compile("\\b(re ?check|re ?test|re ?assess|again|now|after(wards)?)\\b");

    private static final Pattern BETWEEN = compile("\\b(between)\\b");

    private static final Map<Comparison.What, Pattern> WHATS = whats();

    private static Map<Comparison.What, Pattern> whats() {
        var w = new LinkedHashMap<Comparison.What, Pattern>();
        w.put(
                Comparison.What.RANGE,
                compile(
                        "\\b(range|rom|how far|movement|opening|rotations?|flexion|extension|side bend\\w*|toe touch|(?:neck|head) turn\\w*|turn\\w* (?:the |their )?(?:neck|head))\\b"));
        w.put(Comparison.What.NUMBER, compile("\\b(number|pain|score)\\b"));
        w.put(
                Comparison.What.STANDING,
                compile("\\b(standing|stance|posture|hips? (level|higher|lower)|foot turn\\w*|turned out foot)\\b"));
        w.put(Comparison.What.LOOK, compile("\\b(look|looks|from (the )?head end)\\b"));
        w.put(
                Comparison.What.TISSUE,
                compile("\\b(warm|warmth|heat|swelling|redness|red|pale|tissue|temperature|colou?r)\\b"));
        w.put(Comparison.What.TENSION, compile("\\b(tension|tight\\w*|tone)\\b"));
        w.put(Comparison.What.SIDES, compile("\\b(left|right|sides?|both)\\b"));
        return w;
    }

    private static final Pattern COMPARE = compile(
            "^look (at|for)\\b|\\b(compar\\w*|re ?check|re ?test\\w*|re ?assess\\w*|check|test|measure|judge|assess|before and after|number (now|before|after|again)|(now|before|after) number)\\b"
                    + "|^(?:number|range|tension|tissue|pain)(?: and (?:number|range|tension|tissue|pain))+$");

    /** Whether the clause says what is compared; then it is taken, and its side as well. */
    static boolean compares(Clause clause, Reading reading) {
        var plain = clause.plain;
        // "Reassess: neck turn, number": what stands after it is compared as well.
        boolean again = reading.phase == Phase.RE_CHECK && reading.technique == null && reading.tool == null;
        boolean feels = FEELS_FOR.matcher(plain).find();
        if (!again && !feels && !COMPARE.matcher(plain).find()
                || reading.strokeIn(plain)
                        && !feels
                        && !OF_A_JOINT.matcher(plain).find()) return false;
        var what = EnumSet.noneOf(Comparison.What.class);
        WHATS.forEach((w, words) -> {
            if (words.matcher(plain).find()) what.add(w);
        });
        // "Compare the shoulders": one with the other.
        if (what.isEmpty() && again && plain.equals("compare")) what.add(Comparison.What.RANGE);
        if (what.isEmpty() && (plain.startsWith("compare ") || plain.equals("compare")))
            what.add(Comparison.What.SIDES);
        // "Retest: toe touch."
        if (what.isEmpty() && STRENGTH.matcher(plain).find()) what.add(Comparison.What.RANGE);
        if (what.isEmpty() && again && TRIED.matcher(plain).find()) what.add(Comparison.What.RANGE);
        if (what.isEmpty()) {
            if (!RE_CHECK.matcher(plain).find()) return false;
            reading.phase = Phase.RE_CHECK;
            return true;
        }
        var when = reading.compared != null
                ? reading.compared
                : BETWEEN.matcher(plain).find()
                        ? Comparison.When.BETWEEN
                        : AFTERWARDS.matcher(plain).find() && !plain.contains("before and after")
                                ? Comparison.When.AFTER
                                : Comparison.When.BEFORE;
        reading.sayBefore = plain.contains("before") || reading.compared == Comparison.When.BEFORE;
        reading.more.compares = new Comparison(what, when);
        reading.comparing = plain;
        if (ClientDoes.HEAD.matcher(plain).find() && reading.placeless(plain))
            reading.nearby.add(List.of(Zone.NECK_BACK));
        if (feels) reading.phase = Phase.ASSESS;
        if (EnumSet.of(Comparison.What.LOOK, Comparison.What.STANDING).containsAll(what)) {
            reading.depth = 0;
            reading.phase = Phase.ASSESS;
        }
        return true;
    }
}
