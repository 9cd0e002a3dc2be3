package palmtally.core.jot;

import static java.util.regex.Pattern.compile;

import java.util.List;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import palmtally.core.body.Position;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.detail.DetailField;
import palmtally.core.sequence.detail.Limb;
import palmtally.core.sequence.detail.Prop;

/** Where a limb lies, what is laid under it and how the sheet lies: most of it is a table of the words for each. */
final class Lying {
    private Lying() {}

    private static final Pattern SHEET_FIRST = compile("^(?:then |and )*(?:the )?(?:sheet|drape|blanket)\\b");
    private static final Pattern OF_THE_SHEET = compile(
            "^(?:then |and )*(?:(?:the )?(?:sheet|drape|blanket(?! (?:folded )?(?:aside|off|away)$)) .*|(?:slide|bring|draw|fold|tuck|lay|pull|roll|pinch|thread|gather|fan fold) .*\\b(?:sheet|drape|blanket|(?:the|its|one|both) edges?(?= |$)(?! of))\\b.*)$");

    /** Whether the clause is about how the sheet lies; then it stays as it was said. */
    static boolean ofTheSheet(Clause clause, Reading reading) {
        boolean more = reading.drapes && OF_IT.matcher(clause.plain).matches();
        if (!more && !OF_THE_SHEET.matcher(clause.plain).matches()
                || SHEET_FIRST.matcher(clause.plain).find() && reading.beside(clause.plain).sheet != null
                || reading.known(List.of(clause.plain.split(" ")))) return false;
        reading.aside.add(clause.text);
        // "Roll the sheet off the left leg": the left one.
        if (reading.side == null && !more) {
            var said = reading.beside(clause.plain);
            if (said.side != null && (said.leg || !said.zones.isEmpty())) reading.side = said.side;
        }
        reading.drapes = true;
        return true;
    }

    /** "Tuck it under the other one", where "it" is the sheet. */
    private static final Pattern OF_IT = compile(
            "^(?:then |and )*(?:(?:tuck|draw|fold|lay|roll|bring|slide|scoop|gather|thread|pull) it\\b|(?:slide|draw|pull) (?:up|down) to (?:the )?(?:hip|waist|groin|seat|knee|thigh)).*");

    private static final Pattern SHORTENS = compile(
            "^(?:then |and |first )*(?:shorten|slacken|soften|lengthen|open|tighten|relax) (?:it|them|the \\w+)(?: first)? by \\w+ing\\b.*");

    /** "Shorten it by lifting the knee with a pillow": so the limb lies for what is done then. */
    static boolean shortens(Clause clause, Reading reading) {
        if (!SHORTENS.matcher(clause.plain).matches()) return false;
        reading.own(DetailField.LIMB, clause.text);
        return true;
    }

    /** "Lift the shin a little and shake the calf": what is lifted is held for what is done then. */
    private static final Pattern LIFTS_FIRST = compile(
            "^(?:then |and |now )*(?<lifts>(?:lift|raise|pick up|take|hold up) (?:the |their |her |his )?(?<limb>arm|leg|shin|foot|lower leg|knee|hand|elbow)(?: a little| slightly| gently| up)?) and (?<then>.+)$");

    /** Whether the clause lifts a limb and then does something with it; then the rest of it is read. */
    static boolean liftsFirst(Clause clause, Reading reading) {
        var m = LIFTS_FIRST.matcher(clause.plain);
        if (!m.matches() || reading.technique != null) return false;
        var then = m.group("then").replaceFirst("^(draw|bring|take|put|lay|place) it\\b", "$1 the " + m.group("limb"));
        if (then.equals(m.group("then")) && !reading.strokeIn(then)) return false;
        reading.own(DetailField.LIMB, m.group("lifts"));
        reading.clause(new Clause(then));
        return true;
    }

    /** "On the back now", by itself. */
    private static final Pattern NOW_ON = compile(
            "^(?:and |then |now )*(?:on|(?<turns>(?:over |back )?(?:onto|on|to)|over on|(?:help|turn|roll|flip)s? (?:(?:the |your )?(?:client|them|her|him|partner|patient) )?(?:over |back )?(?:onto|on))) (?:(?:the|their|her|his) )?(?<what>back|belly|front|stomach|left side|right side|supine|prone)(?: now| again)?$");

    /** Whether the clause says by itself how the client lies from here on. */
    static boolean nowLies(Clause clause, Reading reading) {
        var on = NOW_ON.matcher(clause.plain);
        if (!on.matches() || on.group("turns") == null && !clause.heads() && !clause.plain.endsWith("now"))
            return false;
        reading.position = switch (on.group("what")) {
            case "back", "supine" -> Position.SUPINE;
            case "left side" -> Position.SIDE_LEFT;
            case "right side" -> Position.SIDE_RIGHT;
            default -> Position.PRONE;
        };
        return true;
    }

    /** A phrase that is taken out of a clause, and what it says. */
    private record Phrase(Pattern words, Consumer<Reading> says) {}

    private static Phrase limb(Limb limb, String words) {
        return new Phrase(compile("(?:^|(?<=\\s))(?:with )?(?:" + words + ")(?=\\s|$)"), q -> q.more.limb.add(limb));
    }

    private static Phrase prop(Prop prop, String words) {
        return new Phrase(
                compile("(?:^|(?<=\\s))(?:with |on )?(?:a |the )?(?:" + words + ")(?=\\s|$)"),
                q -> q.more.props.add(prop));
    }

    private static final String THE = "(?:the |their |her |his |a )?";
    private static final String BE =
            "(?: is| are| hangs| hanging| hung| lies| lying| rests| resting| straight| bent| held| lifted| raised| brought| placed| dropped| drops| dropping| let down)*";

    private static Phrase lying(Position position, String words) {
        return new Phrase(
                compile("(?:^|(?<=\\s))(?:client |(?:side )?lying |lies |lie )?(?:" + words + ")(?=\\s|$)"),
                q -> q.position = position);
    }

    private static final List<Phrase> PHRASES = List.of(
            lying(Position.SUPINE, "(?<=lying |lies |lie )on (?:the |their |her |his )?back|on (?:their|her|his) back"),
            lying(
                    Position.PRONE,
                    "(?<=lying |lies |lie )on (?:the |their |her |his )?(?:belly|stomach|front)|on (?:their|her|his) (?:belly|stomach|front)"),
            lying(
                    Position.SIDE_LEFT,
                    "(?<=lying |lies |lie )on (?:the |their |her |his )?left(?: side)?|on (?:their|her|his) left side"),
            lying(
                    Position.SIDE_RIGHT,
                    "(?<=lying |lies |lie )on (?:the |their |her |his )?right(?: side)?|on (?:their|her|his) right side"),
            prop(
                    Prop.PILLOW_BETWEEN_KNEES,
                    "(?:pillows?|cushion|bolster|one|another) between " + THE
                            + "(?:knees|legs)|(?<=hugged )and between " + THE + "knees"),
            prop(
                    Prop.PILLOW_BETWEEN_KNEES,
                    "(?:top|upper) (?:knee|leg|shin)" + BE + " on " + THE + "(?:pillows?|cushion|bolster)"),
            prop(
                    Prop.PILLOW_HUGGED,
                    "(?:arms? )?(?:hugs?|hugging|hugged round|hugged around|round|around) " + THE
                            + "(?:pillows?|cushion)|(?:pillows?|cushion|one|another) (?:hugged|hug|to hug|in front)(?= and| |$)"),
            prop(
                    Prop.PILLOW_UNDER_ARM,
                    "(?:pillow|cushion|towel) under " + THE
                            + "(?:arm|elbow|wrist|elbow and wrist|forearm)|(?:arm|forearm|elbow|wrist)" + BE + " on "
                            + THE + "(?:pillow|cushion)"),
            prop(Prop.PILLOW_UNDER_HEAD, "(?:pillow|cushion) under " + THE + "(?:head|neck)"),
            prop(Prop.PILLOW_UNDER_BELLY, "(?:pillow|cushion) under " + THE + "(?:belly|abdomen|hips?|pelvis)"),
            prop(
                    Prop.BOLSTER_UNDER_ANKLES,
                    "(?:(?:pillow|cushion|roll) (?:under|to|at)|bolster(?: (?:under|to|at))?) " + THE
                            + "(?:ankles?|feet|foot|shins?)|ankle (?:bolster|roll|pillow)|(?:ankles?|feet|shins?) on "
                            + THE
                            + "(?:bolster|pillow|roll)"),
            prop(
                    Prop.BOLSTER_UNDER_KNEES,
                    "(?:(?:pillow|cushion|roll) (?:under|to|at|behind|below|beneath|for)|bolster(?: (?:under|to|at|behind|below|beneath))?) "
                            + THE
                            + "knees?|knee (?:bolster|roll|pillow)|knees? (?:on|over) " + THE
                            + "(?:bolster|pillow|roll)"),
            prop(
                    Prop.ROLLED_TOWEL,
                    "neck (?:roll|bolster)(?= (?:in|and|under|ready|placed)\\b)|(?:rolled towel|towel roll|roll of towel)(?: under "
                            + THE + "\\w+)?"),
            prop(
                    Prop.TOWEL,
                    "(?<!hot |warm |wet |cold |cool |steamed )towel (?:under|over|on|across) " + THE
                            + "\\w+|own towel"),
            prop(Prop.WEDGE, "wedge(?: under " + THE + "\\w+)?"),
            prop(
                    Prop.FACE_REST,
                    "(?:(?:face|head) in (?:the )?(?:face )?(?:rest|cradle|hole)|face (?:rest|cradle|hole))"),
            prop(Prop.BLANKET_ASIDE, "blanket (?:folded )?(?:aside|off|away)"),
            prop(Prop.WIPES, "wipes(?: ready| at hand)?"),
            prop(Prop.GLOVES, "gloves?|gloved"),
            prop(Prop.STOOL, "stool"),
            limb(
                    Limb.ARM_OFF_TABLE,
                    "(?:arms?|hands?|forearms?)" + BE + " (?:off|over " + THE + "(?:side|edge))(?: of)?(?: " + THE
                            + "(?:table|edge|side))?|arms? (?:hanging|hangs|hung|dangling|dangles)(?: down)?"),
            limb(
                    Limb.ARM_OVERHEAD,
                    "arms?" + BE + "(?: up)? (?:(?:beside|next to|by) " + THE
                            + "(?:head|ear)|overhead|over head|(?:over|above) " + THE + "head)"),
            limb(Limb.ARM_OVER_SHEET, "arms?" + BE + "(?: out)? (?:over|on top of|outside|on) " + THE + "sheet"),
            limb(Limb.ARM_ACROSS, "arms?" + BE + " across(?: " + THE + "(?:body|chest|belly))?"),
            limb(
                    Limb.ARM_BEHIND_BACK,
                    "arms?" + BE + " behind(?: " + THE + "back)?|(?:hand|arm) in (?:the )?small of " + THE
                            + "back|hand (?:behind|on) " + THE + "(?:small of the )?back(?! of)|hand in small of back"),
            limb(
                    Limb.ARM_OUT,
                    "arms?" + BE + " (?:out(?! of\\b)(?: to " + THE + "side)?|abducted|at 90(?: degrees)?|to " + THE
                            + "side)"),
            limb(Limb.ARM_AT_SIDE, "arms?" + BE + " (?:at|by|along) " + THE + "sides?"),
            limb(
                    Limb.ANKLE_ON_SHOULDER,
                    "(?:ankle|calf|leg|foot|heel)" + BE
                            + " (?:on|over) (?:the |my |your |therapists? (?:s )?)?shoulder"),
            limb(
                    Limb.ON_THIGH,
                    "(?:my|your) (?:thigh|lap|knee) under " + THE
                            + "\\w+|(?:leg|foot|arm|hand|calf|ankle|forearm|shin|knee|limb|it)?" + BE
                            + " ?(?:on|over|across) (?:my|your|therapist s|therapists|own) (?:thigh|lap|knee)"),
            limb(
                    Limb.HEEL_TO_HIP,
                    "(?<!from )(?<!from the )heels?" + BE + " (?:to|toward|towards) " + THE
                            + "(?:hips?|buttocks?|seat|glutes?|bottom)"),
            limb(
                    Limb.UPPER_KNEE_FORWARD,
                    "(?:upper|top) (?:knee|leg)" + BE + " (?:forward|bent|in front|up)(?: forward)?"),
            limb(
                    Limb.HIP_TURNED_OUT,
                    "(?:hip|leg|thigh|knee)" + BE
                            + " (?:turned|rotated|rolled|falls?|fallen|dropped|drops)? ?(?:out|outward|outwards|externally rotated|open|to "
                            + THE + "side)|in frog position|frog leg"),
            limb(
                    Limb.HIP_TURNED_IN,
                    "(?:hip|leg|thigh|knee)" + BE
                            + " (?:turned|rotated|rolled) (?:in|inward|inwards)|(?:hip|leg) internally rotated"),
            limb(
                    Limb.KNEE_BENT,
                    "(?:flex|bend) " + THE
                            + "knees?(?: (?:to|at) 90(?: degrees)?)?|knees? (?:at|to) 90(?: degrees)?|knees?" + BE
                            + " (?:bent|flexed)(?: (?:to|at) (?:90|right angle)(?: degrees)?)?|bent knees?"),
            limb(
                    Limb.LEG_ACROSS,
                    "(?:leg|knee)" + BE + " (?:across|crossed|crossed over)(?: " + THE + "(?:body|other|other leg))?"),
            limb(
                    Limb.LEG_OFF_SIDE,
                    "(?:top |upper )?leg" + BE + " (?:(?:behind|back)(?: and)? )?(?:off|over) " + THE
                            + "(?:side|edge|table|back|front)(?: of " + THE + "table)?"),
            new Phrase(
                    compile("(?:^|(?<=\\s))(?:straight leg(?: is)? (?:up|raised|lifted)|(?:raise|lift) " + THE
                            + "straight leg)(?=\\s|$)"),
                    q -> {
                        q.more.limb.add(Limb.LEG_STRAIGHT);
                        q.more.limb.add(Limb.LEG_LIFTED);
                    }),
            limb(Limb.LEG_STRAIGHT, "legs?" + BE + " straight|straight legs?|knees?" + BE + " straight"),
            limb(Limb.LEG_LIFTED, "leg (?:is )?(?:lifted|raised|up)|(?:lift|raise) " + THE + "leg"),
            limb(
                    Limb.FOOT_OFF_END,
                    "(?:foot|feet|ankles?)" + BE + " (?:off|over) " + THE + "(?:end|edge|table)(?: of " + THE
                            + "table)?"),
            limb(Limb.FOOT_FLAT, "(?:foot|feet)" + BE + " flat(?: on " + THE + "table)?"),
            limb(
                    Limb.HEAD_TURNED,
                    "^head (?:left|right|l|r)$|" + "(?:let |lets )?" + THE
                            + "(?:head|face|neck(?= turned| rotated| is turned| is rotated))" + BE
                            + " (?:turned|rotated|rolled|rolls?|turns?|falls?)(?! (?:from )?side to side)(?: (?:away|(?:to )?"
                            + THE
                            + "(?:left|right|l|r|side|other side)))?|(?:turn|rotate|roll) " + THE
                            + "(?:head|face)(?:(?: (?:away|slightly|gently|into (?:the |my |your )?(?:left |right |other )?hand|(?:to )?"
                            + THE
                            + "(?:left|right|l|r|side|other side)))+|$)"),
            limb(
                    Limb.HEAD_TILTED,
                    "head" + BE + " (?:tilted|side bent)(?: (?:away|(?:to )?" + THE
                            + "(?:left|right|side)))?|tilt " + THE + "head(?: (?:away|slightly|gently|(?:to )?" + THE
                            + "(?:left|right|l|r|side|other side)))+|(?<=^|bring )ear to shoulder(?= |$)"),
            limb(Limb.HEAD_LIFTED, "head held up"));

    /** After a pillow is named the next need not be. */
    private static final List<Phrase> MORE = List.of(
            prop(Prop.PILLOW_BETWEEN_KNEES, "(?:and )?between " + THE + "(?:knees|legs)"),
            prop(Prop.PILLOW_UNDER_HEAD, "(?:and )?under " + THE + "head"),
            prop(Prop.PILLOW_UNDER_ARM, "(?:and )?under " + THE + "(?:upper |top )?arm"),
            prop(Prop.PILLOW_UNDER_BELLY, "(?:and )?under " + THE + "belly"));

    private static final List<Phrase> WITH_MORE =
            Stream.concat(PHRASES.stream(), MORE.stream()).toList();

    /** What lies somewhere or is laid under it: a clause without one of these words says nothing of it. */
    private static final Pattern LAID_AT_ALL = compile(
            "\\b(?:arms?|forearms?|legs?|hands?|foot|feet|heels?|ankles?|calf|shins?|knees?|thigh|lap|hips?|head|face|neck|ear|limb|elbows?|wrists?"
                    + "|pillows?|cushion|bolster|roll|rolled|towel|wedge|blanket|wipes|gloves?|gloved|stool|frog|between|under|hug\\w*|round|around"
                    + "|lying|lies?|on)\\b");

    private static final Pattern SHAKEN_OUT =
            compile("\\b((?:shake|jiggle|swing|wiggle)\\b.{0,20}?\\b(?:arms?|legs?|hands?|foot|feet)) out\\b");

    /** "Bolster out" lays none. */
    private static final Pattern TAKEN_OUT = compile(
            "(?:^|(?<=\\s))(?:(?:take|remove|lose|pull) (?:away |out |off )?(?:the |all )?(?:bolster|pillow|cushion|wedge)s?(?: (?:out|away|off))?|(?:the )?(?:bolster|pillow|cushion|wedge)s? (?:out|away|off|removed|gone))(?: from under (?:the |their |her |his )?\\w+)?(?=\\s|$)");

    private static final Pattern PILLOWS = compile("\\b(pillow|cushion|bolster)s\\b");

    /** "Pillows under belly and knee." */
    private static final Pattern UNDER_BOTH = compile(
            "\\b(pillow|cushion|bolster|roll) (?:under|beneath|below) (?:the |their |her |his )?(\\w+) and (?:the |their |her |his )?(knees?|belly|head|ankles?|arm|hips?)\\b");

    private static final Pattern LAID_BY = compile(
            "\\b(?:lift|raise|bring|take|put|place|draw|hang|let|lay|move)(?: (?:the|their|her|his|client s))* ?$");

    private static final Pattern LAID_ONLY = compile(
            ".*\\b(?:bolster|roll|pillow)\\b.*\\b(?:knees?|ankles?)\\b.*|.*\\b(?:knees?|ankles?)\\b.*\\b(?:bolster|roll|pillow)\\b.*");
    static final Pattern LIMB = compile("\\b(arms?|legs?|calf|forearm|foot|feet|hand|ankle|knee)\\b");

    /** Takes where a limb lies and what is laid under it out of a clause, and leaves the rest of it. */
    static String laid(String plain, Reading reading) {
        if (!LAID_AT_ALL.matcher(plain).find()) return plain;
        // "Shake the arm out" lays it nowhere.
        var rest = UNDER_BOTH
                .matcher(PILLOWS.matcher(SHAKEN_OUT.matcher(plain).replaceAll("$1"))
                        .replaceAll("$1"))
                .replaceAll("$1 under $2 $1 under $3");
        var out = TAKEN_OUT.matcher(rest);
        if (out.find()) {
            reading.aside.add(out.group().strip());
            rest = out.replaceAll(" ").strip();
        }
        for (var phrase : reading.more.props.isEmpty() && !rest.contains("pillow") ? PHRASES : WITH_MORE) {
            var m = phrase.words.matcher(rest);
            if (!m.find()) continue;
            phrase.says.accept(reading);
            headTurned(m.group(), reading);
            // On the bolster lies what is worked, unless it only lies there.
            var limb = LIMB.matcher(LAID_ONLY.matcher(m.group()).replaceAll(" "));
            if (limb.find() && reading.limbNamed == null) reading.limbNamed = limb.group();
            // "Lift the arm off the table": nothing else is lifted.
            rest = (LAID_BY.matcher(rest.substring(0, m.start())).replaceAll("") + " " + rest.substring(m.end()))
                    .replaceAll("\\s+", " ")
                    .strip();
        }
        return rest;
    }

    private static final Pattern TO_A_SIDE = compile("\\b(?:head|face|neck)\\b.*\\b(left|right|l|r)\\b");

    /** "Head turned to the left" is kept in its words, and shows the right side of the neck. */
    private static void headTurned(String said, Reading reading) {
        var to = TO_A_SIDE.matcher(said);
        if (!to.find()) return;
        reading.own(DetailField.LIMB, said);
        reading.shown = to.group(1).startsWith("l") ? Sides.RIGHT : Sides.LEFT;
    }

    static final Pattern LIES = compile(
            "^(?!knees? up to\\b)(?!.*\\b(?:out and in|in and out|up and down|down and up|back and forth)\\b)(?:with )?(?:the |their |her |his )?(?:(?<side>left|right|top|upper|lower|far|near|bottom|other|opposite) )?(?!elbows? (?:in|into|on|over|down|across|by|along|under|up and down)\\b(?! (?:the )?(?:table|edge)))(?:foot|feet|toes?|ankles?|knees?|wrists?|fingers(?= (?:is |are )?(?:bent|flexed|straight|extended|relaxed|open|spread|curled))|arms?|elbows?|legs?|hips?|head|chin|shoulders?)"
                    + " (?:is |are |lies |rests |stays |remains |moves |goes |swings |falls )?(?:outwards?|inwards?|turned|bent|pointed|flexed|held|lifted|off|across|hanging|hangs|straight|drawn|pulled|relaxed"
                    + "|resting|supported|pushed|pressed|dropped|forward|back|up|down|out|in|on|over|by|extended|raised|open|free)\\b.*");

    private static final Pattern BRINGS_A_PROP = compile(
            "^(?:then |and |now )*(?:slide|put|give|place|push|slip|set|lay)(?: (?:them|her|him))? (?=(?:a |an |the |one |some )?(?:small |rolled |folded |second )?(?:pillows?|bolsters?|cushions?|towels?|wedges?|blankets?)\\b)");

    private static final Pattern COMES_OUT = compile(
            "^(?:then |and |now )*(?:the )?(left|right|other|near|far|l|r) (leg) out(?: (?:of|from under|from) (?:the )?(?:sheet|drape|towel|covers?))?$");

    /** "Right leg out" is uncovered. */
    static Clause uncovered(Clause clause) {
        var m = COMES_OUT.matcher(clause.plain);
        return m.matches() ? new Clause("undrape " + m.group(1) + " " + m.group(2)) : clause;
    }

    /** A prop that is brought, without the hand that brings it: "slide the bolster under the knees". */
    static Clause brought(Clause clause) {
        var m = BRINGS_A_PROP.matcher(clause.plain);
        return m.find() ? new Clause(m.replaceFirst("")) : clause;
    }

    private static final Pattern LAYS = compile(
            "^(?:then |and |now )*(?:take|bring|slide|lay|put|place|draw|slip) (?=(?:the |their |her |his |left |right |far |near |upper |top )*(?:arms?|legs?|hands?|foot|feet|knees?|head|elbows?)\\b)");

    /** Whether the clause lays a limb somewhere; then it is taken, and its side as well. */
    static boolean lays(Clause clause, Reading reading) {
        var m = LAYS.matcher(clause.plain);
        if (!m.find()) return false;
        var side = reading.beside(clause.plain).side;
        var limb = m.replaceFirst("").replaceFirst("^(?:(?:the|their|her|his|left|right|far|near) )+", "");
        if (!lies(new Clause(limb), reading)) return false;
        if (side != null) reading.side = side;
        reading.arranges = true;
        return true;
    }

    /** Whether the clause is all about where a limb lies; then it is taken, in the teacher's words where nobody else's fit. */
    static boolean lies(Clause clause, Reading reading) {
        if (!LIES.matcher(clause.plain).matches()
                || OtherHands.BY_OTHER.matcher(clause.plain).matches()
                || reading.known(List.of(clause.plain.split(" ")))) return false;
        var of = LIES.matcher(clause.plain);
        if (of.matches() && reading.side == null && "left".equals(of.group("side"))) reading.side = Sides.LEFT;
        if (of.matches() && reading.side == null && "right".equals(of.group("side"))) reading.side = Sides.RIGHT;
        var rest = laid(clause.plain, reading);
        var limb = LIMB.matcher(clause.plain);
        // "Range: arm up sideways" is compared there.
        if (reading.comparing != null && reading.limbNamed == null && limb.find()) reading.limbNamed = limb.group();
        if (rest.equals(clause.plain) || !rest.isEmpty()) reading.own(DetailField.LIMB, clause.text);
        // "Top leg off the table 20 s": the time is that of the work.
        var dose = OtherHands.DOSE_AT_END.matcher(clause.plain);
        if (dose.find()) reading.words(new Clause(dose.group()));
        return true;
    }
}
