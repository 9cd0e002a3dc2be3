package palmtally.core.jot;

import static java.util.regex.Pattern.compile;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import palmtally.core.sequence.detail.ClientPart;
import palmtally.core.sequence.detail.DetailField;
import palmtally.core.sequence.detail.OtherHand;
import palmtally.core.technique.Tool;

/** What the other hand does, and what is done meanwhile. */
final class OtherHands {
    private OtherHands() {}

    private static final Pattern SIDED_HAND = compile("\\b(left|right|upper|lower|top|inside|outside) hand\\b");

    private static final Pattern OTHER = compile(
            "\\b(?:(?:other|free|second|supporting|passive|mother|stabili[sz]ing|upper|lower|left|right|outside|inside|top|guiding) hand"
                    + "|the other(?= (?:on|under|beneath|behind|at|over) | (?:moves|bends|straightens|swings|rotates|turns|flexes|extends|lifts|raises|holds|steadies|fixes|supports|follows|rests|presses|pushes|cradles|pulls|stretches)\\b))\\b(.*)");
    private static final Pattern WITH_OTHER = compile(
            "^(?<does>(?:lift|raise|hold|steady|move|bend|support|cradle|stretch|rotate|turn|circle|swing)\\b.*) with (?:(?:the |my |your )?(?:other|free|second)|one) hand(?: below| beneath| underneath| above| on top)?$"
                    + "|^(?<lifts>(?:lift|raise) (?:the |their |her |his )?shoulder (?:up )?from (?:below|beneath|underneath))$");
    private static final Pattern HELD = compile(
            "^(?:and )?(?:hold|holding|steady|steadying|brace) (?:the |their )?(?:ankle|heel|foot|wrist|hand|elbow|knee|shoulder|hip|pelvis|ribs)(?: still| steady| down| back)?$");
    private static final Pattern SUPPORTS = compile(
            "^(?<before>.*?)(?:\\band )?\\bsupport(?:s|ing|ed(?= (?:at|under|by)\\b))? (?:at |under )?(?<what>[a-z ]+)$");
    static final Pattern BY_OTHER = compile(
            "^(?<does>(?:the )?(?:leg|arm|foot|forearm|knee|hip|ankle|wrist|elbow|shoulder|head|limb|skin|sheet|tissue)\\b.*) by (?:(?:the |my |your )?(?:other|free|second) hand|holding (?:the |it )?\\w*|(?:the |its )?(?:ankle|foot|wrist|lower leg|shin|heel))(?<rest>| (?:while|as) .*)$");
    private static final Pattern ONE = compile("^(?:with )?one hand\\b(?! \\w+ (?:and )?(?:one|the other) )(.*)");
    private static final Map<OtherHand, Pattern> HANDS = hands();

    private static Map<OtherHand, Pattern> hands() {
        var h = new LinkedHashMap<OtherHand, Pattern>();
        h.put(
                OtherHand.CRADLES_THE_HEAD,
                compile("\\bcradl\\w*|\\b(under|supports?|holds?|carries) (the )?(head|skull)\\b"));
        h.put(OtherHand.HOLDS_THE_SHEET, compile("\\b(sheet|drape|towel)\\b"));
        h.put(OtherHand.STRETCHES_THE_SKIN, compile("\\b(skin|taut|anchors?|tension)\\b|\\bholds? (the )?tissue\\b"));
        h.put(
                OtherHand.LIFTS_THE_SHOULDER,
                compile(
                        "\\b(lifts?|raises?|under|shortens?) (the )?shoulder\\b|\\bshoulder (is )?(lifts|lifted|raises|raised)\\b"));
        h.put(
                OtherHand.REINFORCES,
                compile("\\b(reinforc\\w*|on top|over it|doubles?|on the first|adds weight|presses on)\\b"));
        h.put(
                OtherHand.MOVES_THE_LIMB,
                compile(
                        "\\b(moves?|bends?|straightens?|swings?|rotates?|turns?|flexes|extends?|lifts? (the )?(leg|arm|foot|forearm|knee|limb))\\b"));
        h.put(OtherHand.SUPPORTS_ABOVE_THE_JOINT, compile("\\babove (the )?\\w+\\b|\\bsupports?\\b"));
        h.put(
                OtherHand.HOLDS_THE_JOINT,
                compile("\\b(holds?|steadies|fixes|braces|stabili[sz]es|keeps?|grips?|bent back)\\b"));
        h.put(OtherHand.FOLLOWS, compile("\\bfollow\\w*\\b"));
        h.put(OtherHand.WORKS_ALTERNATELY, compile("\\balternat\\w*\\b"));
        h.put(OtherHand.RESTS, compile("\\b(rests?|resting|lies|stays|waits|on|still|feels)\\b"));
        return h;
    }

    /** "One hand on each side": both work. */
    private static final Pattern EACH_SIDE = compile(
            "^(?:and |with )*(?:one|a) (?:hand|palm|thumb|fist|forearm) (?:on|at|to) (?:each|either) side(?: of (?:it|the \\w+))?$");

    /** Whether the clause begins with what is done by the other hand, such as "the leg bent by the other hand"; then it is taken. */
    static boolean byTheOther(Clause clause, Reading reading) {
        if (EACH_SIDE.matcher(clause.plain).matches()) {
            reading.more.otherHand = OtherHand.WORKS_TOGETHER;
            return true;
        }
        var by = BY_OTHER.matcher(clause.plain);
        if (!by.matches()) return false;
        reading.more.otherHand = Aside.first(
                        HANDS, PAST.matcher(by.group("does")).replaceAll("s"))
                .orElse(OtherHand.MOVES_THE_LIMB);
        reading.own(DetailField.OTHER_HAND, clause.plain.substring(0, by.start("rest")));
        var rest = by.group("rest").replaceFirst("^ (?:while|as) ", "");
        if (!rest.isBlank()) reading.clause(new Clause(rest));
        return true;
    }

    private static final String MOVES_BY_HAND =
            "(?:roll|rotate|move|bend|flex|extend|swing|turn|lift|straighten|circle)";

    /** "The fist presses while you roll the thigh in and out with the other hand." */
    private static final Pattern MEANWHILE_OTHER = compile("^(?<before>.+?) (?:while|as) (?:(?:you|i|we) )?(?<does>"
            + MOVES_BY_HAND + "(?:ing)?\\b.*?) with (?:the |your |my )?(?:other|free|second) hand(?<rest>\\b.*)$");

    /** "Flex the foot while the other hand pins soleus." */
    private static final Pattern OTHER_PINS = compile(
            "^(?<moves>(?:.* )?" + MOVES_BY_HAND
                    + " (?:the |their )?\\w+.*?) (?:while|as) (?:the |my |your )?(?:other|free|second) hand (?:pins|presses|fixes|anchors|presses into|holds down|sinks into) (?<where>.+)$");

    /** Takes what the other hand does out of a clause and leaves what stands before it. */
    static Clause otherHand(Clause clause, Reading reading) {
        var meanwhile = MEANWHILE_OTHER.matcher(clause.plain);
        if (meanwhile.matches()) {
            reading.more.otherHand = OtherHand.MOVES_THE_LIMB;
            reading.own(DetailField.OTHER_HAND, meanwhile.group("does"));
            return new Clause(meanwhile.group("before") + meanwhile.group("rest"));
        }
        var pins = OTHER_PINS.matcher(clause.plain);
        if (pins.matches() && !reading.placeless(pins.group("where"))) {
            reading.more.otherHand = OtherHand.MOVES_THE_LIMB;
            reading.own(DetailField.OTHER_HAND, pins.group("moves"));
            reading.stroke(reading.library.toUse("pin-lengthen-passive"), false);
            return new Clause(pins.group("where"));
        }
        var m = OTHER.matcher(clause.plain);
        var with = WITH_OTHER.matcher(clause.plain);
        if (with.matches()) {
            var said = with.group("does") != null ? with.group("does") : with.group("lifts");
            var does = Aside.first(HANDS, said.replaceFirst("^(?:circle|swing) ", "rotates "));
            if (does.isPresent()) {
                reading.more.otherHand = does.get();
                reading.own(DetailField.OTHER_HAND, said);
                return new Clause("");
            }
        }
        var held = HELD.matcher(clause.plain);
        if (reading.technique != null && held.matches()) {
            reading.more.otherHand = OtherHand.HOLDS_THE_JOINT;
            reading.own(DetailField.OTHER_HAND, clause.text);
            return new Clause("");
        }
        var supports = SUPPORTS.matcher(clause.plain);
        if (supports.matches() && (reading.technique != null || reading.strokeIn(supports.group("before")))) {
            reading.more.otherHand =
                    Aside.first(HANDS, "supports " + supports.group("what")).orElseThrow();
            reading.own(DetailField.OTHER_HAND, clause.plain.substring(supports.end("before")));
            return new Clause(supports.group("before"));
        }
        if (!m.find()) {
            // After the stroke, one hand is the other one.
            m = ONE.matcher(clause.plain);
            if (reading.technique == null || !m.find()) return clause;
        }
        var does = Aside.first(HANDS, m.group(1));
        // "Left hand" alone is a side.
        if (does.isEmpty() && SIDED_HAND.matcher(m.group()).find()) return clause;
        does.ifPresent(h -> reading.more.otherHand = h);
        // What is said in the very words of the list need not be said twice.
        var said =
                m.group(1).replaceAll("\\bthe\\b", "").replaceAll("\\s+", " ").strip();
        if (does.map(h -> !said.equals(h.toString().replace("-the-", "-").replace('-', ' ')))
                .orElse(true)) {
            int from = clause.text.toLowerCase(Locale.ROOT).indexOf(m.group().split(" ")[0]);
            reading.own(DetailField.OTHER_HAND, from < 0 ? clause.text : clause.text.substring(from));
        }
        // "With the skin held by the other hand 3x": the count is of the stroke.
        var dose = DOSE_AT_END.matcher(clause.plain);
        return new Clause(clause.plain.substring(0, m.start()) + (dose.find() ? " " + dose.group() : ""));
    }

    private static final Pattern PAST = compile("(?<=\\w{3})ed\\b");

    static final Pattern DOSE_AT_END =
            compile("(?:\\d+ ?(?:x|times|passes|strokes|s|sec|secs|seconds|min|minutes)|x ?\\d+)$");

    private static final Pattern MOVED = compile(
            "^(?:then |and )*(?:rotate|turn|bend|straighten|move|circle|swing|flex|extend|roll|lift) (?:the |their |her |his )?\\w+");

    private static final String JOINT =
            "(?:foot|feet|lower leg|legs?|knees?|shin|heel|ankle|thigh|hips?|arms?|forearm|elbow|wrist|hands?|head|shoulders?|toes?|big toe|fingers?|jaw|kneecap|patella)";

    private static final Pattern ITS_OWN = compile(
            "^(?:the |their )?" + JOINT
                    + " (?:bend|straighten|open|close|turn|point|pull|lift|move|slide|flex|extend|rotate|swing|circle|curl|spread|rise|drop)s?\\b");

    private static final Pattern MOVES_LIMB = compile(
            "^(?:then |and |now )*(?:swing|turn|move|rotate|circle|bend|flex|straighten|lift|push|glide|slide|roll) (?:the |their |her |his )?(?:(?:client s|other|same) )?(?<limb>"
                    + JOINT + "|palms?(?= (?:up|down)))(?<how>\\b.*)$");

    private static final Pattern TO_AND_FRO = compile(
            "\\b(?:in and out|out and in|both ways|up and down|down and up|out and back|forwards? and back\\w*|back and forth|in (?:small |big |slow )?circles?|all (?:directions|ways)|and straighten)\\b");

    private static final Pattern LOOSENS =
            compile("^(?:then |and |now )*(?:loosen|free|mobili[sz]e) (?:the |their |her |his )?(?<limb>" + JOINT
                    + ")\\b(?<how>.*\\b(?:turning|moving|circling|rotating|bending|swinging)\\b.*)$");

    private static final Pattern ROLLS = compile("^(?:then |and |now )*roll\\b");

    private static final Pattern KNEECAP = compile(
            "\\b(?:push|move|shift|(?:glide|slide)(?= (?:the |their )?(?:kneecap|patella) (?:up|down|in|out|all|sideways))) (?:the |their )?(?:kneecap|patella)\\b");

    /** "Fist, hold the ankle, rotate in and out." */
    private static final Pattern MOVES_IT =
            compile("^(?:then |and |now )*(?:swing|turn|move|rotate|circle)(?: it)? (?<how>.+)$");

    /** "Flex the foot with your thigh": so the limb is held for what is done then. */
    private static final Pattern BY_MY_BODY = compile(
            "^(?:then |and |now )*(?:dorsiflex|flex|bend|push|hold|lean|press|point|straighten|lift|support) (?:the |their )?"
                    + JOINT
                    + "\\b.* (?:with|against|on) (?:your|my) (?:thigh|knee|hip|body|belly|chest|leg|shin|shoulder)$");

    /** Whether the clause says that a limb is moved: by the other hand, where one works; else that is the work. */
    static boolean moves(Clause clause, Reading reading) {
        if (BY_MY_BODY.matcher(clause.plain).matches() && reading.technique == null) {
            reading.own(DetailField.LIMB, clause.text);
            return true;
        }
        var it = MOVES_IT.matcher(clause.plain);
        if (it.matches()
                && reading.tool != null
                && reading.tool != Tool.PALM
                && (reading.technique == null || reading.weak)
                && TO_AND_FRO.matcher(it.group("how")).lookingAt()) {
            Doses.taken(" " + Numbers.numbered(it.group("how")) + " ", reading);
            reading.more.otherHand = OtherHand.MOVES_THE_LIMB;
            return true;
        }
        var loosens = LOOSENS.matcher(clause.plain);
        if (loosens.matches() && reading.technique == null && reading.tool == null) {
            Doses.taken(" " + Numbers.numbered(loosens.group("how")) + " ", reading);
            reading.stroke(reading.library.toUse("range-of-motion"), false);
            reading.words(new Clause(loosens.group("limb")));
            return true;
        }
        var m = MOVES_LIMB.matcher(clause.plain);
        boolean pinned = reading.technique != null && reading.technique.id().equals("pin-lengthen");
        if (!m.matches()
                || reading.technique != null && !reading.weak && !pinned
                || clause.plain.contains(" while ")
                || reading.strokeIn(m.group("how"))) return false;
        boolean held = pinned || reading.tool != null || reading.forearmNamed;
        // "Roll the leg from side to side" rocks it.
        if (!held && ROLLS.matcher(clause.plain).find()) return false;
        boolean kneecap = KNEECAP.matcher(clause.plain).find();
        if (!held && !kneecap && !TO_AND_FRO.matcher(m.group("how")).find()) return false;
        var dose = Doses.taken(" " + Numbers.numbered(m.group("how")) + " ", reading)
                .strip();
        if (held) {
            reading.more.otherHand = OtherHand.MOVES_THE_LIMB;
            reading.own(DetailField.OTHER_HAND, clause.text);
            return true;
        }
        reading.stroke(reading.library.toUse("range-of-motion"), false);
        reading.bothWays |= !dose.equals(m.group("how").strip());
        reading.words(new Clause(m.group("limb")));
        return true;
    }

    /** "Arm circled by me." */
    private static final Pattern BY_ME = compile(
            "^(?:the |their )?" + JOINT
                    + " (?:is )?(?:circled|moved|bent|turned|rotated|swung|lifted|dropped|lowered|straightened|flexed|extended|pulled|bent and straightened)\\b.* by (?:me|you|the therapist|the other)\\b.*$");

    /** Whether the clause says what limb the therapist moves meanwhile; then it is taken. */
    static boolean byMe(Clause clause, Reading reading) {
        boolean pinned = reading.technique != null && reading.technique.id().startsWith("pin-lengthen");
        if (!BY_ME.matcher(clause.plain).matches() || reading.tool == null && !pinned) return false;
        reading.more.otherHand = OtherHand.MOVES_THE_LIMB;
        reading.own(DetailField.OTHER_HAND, clause.text);
        return true;
    }

    private static final Pattern WHILE =
            compile("(?i)^(?<before>.*?)\\b(?<meanwhile>while\\b.*|as (?:you|i|we)\\b.*)$");

    private static final Set<String> PRESSES = Set.of("static-press", "compression");

    private static final Pattern MOVING =
            compile("^(?:swing|turn|mov|rotat|circl|bend|flex|extend|straighten|lift|push|slid|roll)ing ");

    private static final Pattern TIMES_LAST = compile("(?i)[ ,]+(?:[x×] ?(\\d{1,2})|(\\d{1,2}) ?(?:[x×]|times))$");

    /** Takes what is done meanwhile out of a clause and leaves the rest of it. */
    static Clause meanwhile(Clause clause, Reading reading) {
        var m = WHILE.matcher(clause.text);
        if (!m.find()) return clause;
        // "Dorsiflex the foot while stripping": the stroke is what is done meanwhile.
        var after = m.group("meanwhile").replaceFirst("(?i)^(?:while(?: (?:you|i|we)\\b)?|as (?:you|i|we))\\s+", "");
        if (!reading.strokeIn(m.group("before")) && reading.strokeIn(after)) {
            reading.own(DetailField.OTHER_HAND, m.group("before"));
            reading.more.otherHand = OtherHand.MOVES_THE_LIMB;
            return new Clause(after);
        }
        // "Rotate the hip while the fist stays on the glute": it is pinned there.
        var pinned = reading.beside(after);
        if ((pinned.tool != null || pinned.forearmNamed)
                && !pinned.placeless()
                && (pinned.technique == null || PRESSES.contains(pinned.technique.id()))
                && MOVED.matcher(JotWords.plain(m.group("before"))).find()) {
            reading.own(DetailField.OTHER_HAND, m.group("before"));
            reading.more.otherHand = OtherHand.MOVES_THE_LIMB;
            reading.stroke(reading.library.toUse("pin-lengthen-passive"), false);
            return new Clause(after);
        }
        // "Rotate the arm with one hand while the thumb presses": so is it here.
        if (WITH_OTHER.matcher(JotWords.plain(m.group("before"))).matches() && reading.strokeIn(after)) {
            otherHand(new Clause(m.group("before")), reading);
            return new Clause(after);
        }
        // "While I swing the lower leg", "while rotating the arm".
        var moves = MOVING.matcher(JotWords.plain(after)).replaceFirst("move ");
        if (MOVES_LIMB.matcher(moves).matches() && reading.more.otherHand == null) {
            reading.more.otherHand = OtherHand.MOVES_THE_LIMB;
            reading.own(DetailField.OTHER_HAND, after);
            return new Clause(m.group("before"));
        }
        // "While the knee bends and straightens": the client does that.
        if (ITS_OWN.matcher(JotWords.plain(after)).find()) {
            reading.more.part.add(ClientPart.of(ClientPart.Does.MOVES));
            // So often it bends, so often it is held.
            var times = TIMES_LAST.matcher(after);
            boolean so = times.find();
            reading.own(DetailField.PART, so ? after.substring(0, times.start()) : after);
            if (so)
                return new Clause(
                        m.group("before") + " x " + (times.group(1) == null ? times.group(2) : times.group(1)));
        } else reading.aside.add(m.group("meanwhile"));
        return new Clause(m.group("before"));
    }
}
