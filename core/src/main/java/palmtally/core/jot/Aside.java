package palmtally.core.jot;

import static java.util.regex.Pattern.compile;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Position;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Saying;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.detail.Branch;
import palmtally.core.sequence.detail.ClientPart;
import palmtally.core.sequence.detail.ClientPart.Does;
import palmtally.core.sequence.detail.Comparison;
import palmtally.core.sequence.detail.Detail;
import palmtally.core.sequence.detail.DetailField;
import palmtally.core.sequence.detail.End;
import palmtally.core.sequence.detail.Limb;
import palmtally.core.sequence.detail.OtherHand;
import palmtally.core.sequence.detail.Prop;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Tool;

/**
 * The parts of a line that are about something else than the stroke: what the client does, what the other hand does, where a limb lies,
 * what is laid under it, when it ends, what is done instead, and why (how teachers say these is common practice, no source).
 *
 * <p>Most of it is tables, of the words for each thing; beside each stands its one reading, so that a newcomer finds both together.
 */
final class Aside {
    private Aside() {}

    private static final Pattern CLIENT_FIRST = compile(
            "^(?:(?:and|then|while|as|ask|have|let|get|tell|invite) )*(?:the |your )?(client|they|she|he|partner|patient|receiver|pt|(?<=(?:ask|have|let|get|tell|invite) )(?:them|her|him))\\b");
    private static final Pattern HEAD = compile("\\bhead\\b");
    private static final Pattern SINKS = compile("\\b(sink\\w*|heavy|rests?|falls?|drops?)\\b");
    private static final Pattern TURNS = compile("\\b(tilt|turn|rotat|nod)\\w*\\b");
    private static final Pattern FELT = compile("\\b(number|pressure|feel\\w*|how)\\b");
    private static final Pattern SIDED_HAND = compile("\\b(left|right|upper|lower|top|inside|outside) hand\\b");
    private static final Pattern RE_CHECK = compile("^(re ?check|re ?test|re ?assess|check again)$");
    private static final Pattern AFTERWARDS = compile("\\b(re ?check|re ?test|re ?assess|again|now|after(wards)?)\\b");
    private static final Pattern MAY = compile(
            "\\b(permission|consent|may i|first|okay|ok|before (?:the|going|you|it|working|touching|inside))\\b");
    private static final Pattern BETWEEN = compile("\\b(between)\\b");

    private static final Pattern WONDERS =
            compile("^(?:and )?(?:which|whether|what|how (?:is|are|does|do|far|much)|where|does|do|is|are|any) .*");
    private static final Pattern FELT_THERE =
            compile("\\b(?:felt|travels?|refers?|radiates?)\\b.* (?:in|to|into|down|up)\\b");

    private static final Pattern CIRCLES = compile(
            "(?i)^(?<before>.*?)\\b(?:circles?(?= (?:the |each |both )?(?:arms?|legs?|feet|foot|thumbs?|big toe|shoulders?|hips?|ankles?|wrists?)\\b)"
                    + "|rolls?(?= (?:the |each |both )?(?:shoulders?|hips?|ankles?|wrists?)\\b)) (?<rest>.*)$");

    /** Whether the clause says that a limb is circled; then the rest of it is read. */
    static boolean circles(Clause clause, Reading reading) {
        var m = CIRCLES.matcher(clause.text);
        if (!m.matches() || reading.technique != null || reading.strokeIn(m.group("before"))) return false;
        reading.stroke(reading.library.toUse("range-of-motion"), false);
        // "The shoulder forward and back" is how, not where it lies.
        var rest = new Clause(m.group("before") + " " + m.group("rest"));
        if (LIES.matcher(rest.plain).matches()) reading.words(rest);
        else reading.clause(rest);
        return true;
    }

    private static final Pattern SHEET_FIRST = compile("^(?:then |and )*(?:the )?(?:sheet|drape|blanket)\\b");
    private static final Pattern OF_THE_SHEET = compile(
            "^(?:then |and )*(?:(?:the )?(?:sheet|drape|blanket(?! (?:folded )?(?:aside|off|away)$)) .*|(?:slide|bring|draw|fold|tuck|lay|pull|roll) .*\\b(?:sheet|drape|blanket|(?:the|its|one|both) edges?(?= |$)(?! of))\\b.*)$");

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
    private static final Pattern OF_IT =
            compile("^(?:then |and )*(?:tuck|draw|fold|lay|roll|bring|slide|scoop|gather) it\\b.*");

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
            "^(?:and |then |now )*on (?:the|their|her|his) (?<what>back|belly|front|stomach|left side|right side)(?: now)?$");

    /** Whether the clause says by itself how the client lies from here on. */
    static boolean nowLies(Clause clause, Reading reading) {
        var on = NOW_ON.matcher(clause.plain);
        if (!on.matches() || !clause.heads() && !clause.plain.endsWith("now")) return false;
        reading.position = switch (on.group("what")) {
            case "back" -> Position.SUPINE;
            case "left side" -> Position.SIDE_LEFT;
            case "right side" -> Position.SIDE_RIGHT;
            default -> Position.PRONE;
        };
        return true;
    }

    private static final Pattern LIES_DOWN = compile(
            "(?i)^(?:with )?(?:the )?(?:client|they|she|he|partner|patient|pt)(?: is| are| lies| lying| sits)? (?=(?:on (?:(?:the|their|her|his) )?(?:back|belly|stomach|front|side|left|right)|supine|prone|face up|face down|seated|side[ -]lying|clothed)\\b)");

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
    private static <V> Optional<V> first(Map<V, Pattern> words, String text) {
        return words.entrySet().stream()
                .filter(e -> e.getValue().matcher(text).find())
                .map(Map.Entry::getKey)
                .findFirst();
    }

    // ---- what comes up, and what is done then

    private static final Map<Branch.When, Pattern> WHENS = whens();

    private static Map<Branch.When, Pattern> whens() {
        var w = new LinkedHashMap<Branch.When, Pattern>();
        w.put(
                Branch.When.SHOOTS,
                compile(
                        "\\b(shoot\\w*|tingl\\w*|numb|numbs|numbness|runs? down|radiat\\w*|travels? down|pins and needles|electric\\w*|zing\\w*)\\b"));
        w.put(
                Branch.When.NUMBER_STAYS,
                compile("number (stays|does not|doesn t|is not|isn t|won t|will not)|no change|nothing changes"
                        + "|(does not|doesn t|not) (change|fall|drop|ease)"));
        w.put(Branch.When.SLIDES_OFF, compile("\\b(slid\\w*|slip\\w*|roll\\w* away)\\b"));
        w.put(Branch.When.TICKLISH, compile("\\btickl\\w*"));
        w.put(
                Branch.When.WILL_NOT_LET_GO,
                compile(
                        "(not|n t) (let go|release|soften|give|relax|melt|yield)|(stays|still|too) tight|stubborn|guard\\w*"));
        w.put(Branch.When.HOT_OR_SWOLLEN, compile("\\b(hot|swollen|swelling|inflam\\w*|bruis\\w*|red)\\b"));
        w.put(Branch.When.CANNOT_REACH, compile("(not|n t|cannot) reach|out of reach|too far"));
        w.put(Branch.When.GRIP_DOES_NOT_FIT, compile("too (big|small|thick|thin|large)|(not|n t) fit"));
        w.put(Branch.When.STAYS_CLOTHED, compile("\\b(clothed|clothes|dressed)\\b"));
        w.put(Branch.When.DECLINES_SKIN, compile("\\b(declin\\w*|refus\\w*|rather not|no skin|not want)\\b"));
        w.put(Branch.When.OVER_LENGTHENED, compile("over ?(lengthened|stretched)|already long|long and weak"));
        w.put(Branch.When.CLIENT_HELPS, compile("\\b(help\\w*|holds? (it|leg|arm|limb|head) (up|for)|tenses?)\\b"));
        w.put(Branch.When.LITTLE_TIME, compile("\\b(time|late)\\b"));
        w.put(
                Branch.When.HURTS,
                compile(
                        "\\b(hurt\\w*|pain\\w*|sore|tender|too (much|deep|strong|intense)|uncomfortable|winc\\w*|flinch\\w*"
                                + "|over (six|seven|6|7)|(6|7|8) or (more|over))\\b"));
        return w;
    }

    private static final Map<Branch.Then, Pattern> THENS = thens();

    private static Map<Branch.Then, Pattern> thens() {
        var t = new LinkedHashMap<Branch.Then, Pattern>();
        t.put(Branch.Then.STOP, compile("\\b(stop|come off|take the hand off|end it)\\b"));
        t.put(Branch.Then.LATER, compile("\\b(another day|next time|later)\\b"));
        t.put(Branch.Then.THROUGH_THE_SHEET, compile("\\b(through|over) (the )?(sheet|towel|drape)\\b"));
        t.put(Branch.Then.CLOTHED, compile("\\b(clothed|over (the )?clothes)\\b"));
        t.put(Branch.Then.WALK_ROUND, compile("\\b(walk|go) (a)?round\\b"));
        t.put(Branch.Then.ROCKING, compile("\\b(rock\\w*|jostl\\w*|shak\\w*)\\b"));
        t.put(Branch.Then.SHORTENED, compile("\\bshorten\\w*\\b"));
        t.put(Branch.Then.ASK_TO_LET_FALL, compile("\\blet (it|them|the \\w+|arm|leg|head) (fall|go|drop|sink)\\b"));
        t.put(
                Branch.Then.STILL_HAND,
                compile("\\b(still|flat|resting) (firm )?(flat )?(hand|palm)\\b|\\bjust (rest|hold)\\b"));
        t.put(Branch.Then.OTHER_ANGLE, compile("\\bangle\\b"));
        t.put(Branch.Then.OTHER_GRIP, compile("\\bgrip\\b"));
        t.put(Branch.Then.BROADER, compile("\\bbroad\\w*\\b|\\bflatten\\b|\\bwhole (hand|palm|forearm)\\b"));
        t.put(
                Branch.Then.LIGHTER,
                compile(
                        "\\b(lighter|softer|gentler|less|ease (off|up|back)|ease|back off|lighten|go up|lift off a little)\\b"));
        t.put(Branch.Then.SLOWER, compile("\\b(slower|slow down|slow)\\b"));
        t.put(Branch.Then.OPPOSITE, compile("\\b(opposite|antagonists?|opposing)\\b"));
        t.put(Branch.Then.MOVE_ON, compile("\\b(move on|go on|next|carry on)\\b"));
        t.put(Branch.Then.SKIP, compile("\\b(skip|leave (it|out|that)|omit|no work|none of it|avoid|work around)\\b"));
        t.put(Branch.Then.OTHER_PLACE, compile("\\b(elsewhere|other place|another place|somewhere else)\\b"));
        t.put(Branch.Then.ASK, compile("\\b(ask|note it|write it down)\\b"));
        return t;
    }

    private static final Pattern IF =
            compile("^(?<before>.*?)\\b(?:if|when|whenever|unless|in case)\\b\\s*(?<when>.+)$");
    private static final Pattern OR_ELSE = compile("^(?:or|else|otherwise)\\b");
    private static final Pattern STOP_AT =
            compile("^(?<before>stop|ease off|back off) (?:at|on|for|with)\\b\\s*(?<when>.+)$");
    private static final Pattern SAYS_WHEN =
            compile("\\b(say|says|tell|tells|ask|asks|report|reports|know)\\b.*\\bwhen\\b");

    /**
     * What is done instead when something comes up, out of a clause that says so and, where it says no more than what comes up, the clause
     * after it.
     *
     * @return how many clauses it took; 0 where it is none
     */
    static int branch(List<Clause> clauses, int at, Reading reading) {
        var clause = clauses.get(at);
        var arrow = clause.text.split("\\s*(?:->|→|=>)\\s*", 2);
        if (arrow.length == 2 && first(WHENS, JotWords.plain(arrow[0])).isPresent())
            return branch(clause.text, JotWords.plain(arrow[0]), JotWords.plain(arrow[1]), reading) ? 1 : 0;
        if (SAYS_WHEN.matcher(clause.plain).find()) return 0;
        // "Tingling or numb: stop", "cannot reach from here: walk round".
        if (!IF.matcher(clause.plain).find()
                && first(WHENS, clause.plain).isPresent()
                && first(THENS, clause.plain).isEmpty()
                && at + 1 < clauses.size()
                && (first(THENS, clauses.get(at + 1).plain).isPresent()
                        || INSTEAD_OF.matcher(clauses.get(at + 1).plain).find())
                && reading.saysNothing(clause.plain)
                && reading.placeless(clauses.get(at + 1).plain)
                && branch(
                        clause.text + ": " + clauses.get(at + 1).text,
                        clause.plain,
                        clauses.get(at + 1).plain,
                        reading)) return 2;
        var m = IF.matcher(clause.plain);
        if (!m.find()) {
            m = STOP_AT.matcher(clause.plain);
            if (!m.find() || first(WHENS, m.group("when")).isEmpty()) return 0;
        }
        var before = m.group("before").strip();
        var when = m.group("when").strip();
        if (!before.isEmpty()) {
            // "Knead the calf, lighter if it hurts": only what is done then stands before the "if"; "or the forearm if
            // it is sore".
            if (first(THENS, before).isEmpty()
                    && !((OR_ELSE.matcher(before).find()
                                    || INSTEAD_OF.matcher(before).find())
                            && reading.strokeIn(before))) return 0;
            return branch(clause.text, when, before, reading) ? 1 : 0;
        }
        if (first(THENS, when).isPresent() && !onlyWhen(when)) return branch(clause.text, when, when, reading) ? 1 : 0;
        if (at + 1 < clauses.size()) {
            var next = clauses.get(at + 1);
            if (!IF.matcher(next.plain).find() && branch(clause.text + ", " + next.text, when, next.plain, reading))
                return 2;
        }
        reading.own(DetailField.INSTEAD, clause.text);
        return 1;
    }

    /** Whether what looks like an act is a part of what comes up, as in "if it will not let go". */
    private static boolean onlyWhen(String when) {
        return first(WHENS, when)
                .map(w -> WHENS.get(w).matcher(when).replaceAll(" "))
                .map(rest -> first(THENS, rest).isEmpty())
                .orElse(false);
    }

    private static final Pattern INSTEAD_OF = compile("\\binstead(?: of (?:the |a |my |your )?(\\w+))?");
    private static final Pattern USES = compile("\\b(?:use|using|try|take|switch to|change to)\\b(.*)$");

    private static boolean branch(String text, String when, String told, Reading reading) {
        // "Forearm instead of elbow" is the forearm.
        var then = INSTEAD_OF.matcher(told).replaceAll(" ");
        var sub = reading.beside(then);
        // "If it hurts use the forearm, lighter": the hand stands beside what comes up.
        var used = USES.matcher(when);
        boolean uses = used.find();
        if (when.equals(told)) {
            // What comes up stands before what is done then.
            int from = uses
                    ? used.start(1)
                    : THENS.values().stream()
                            .map(p -> p.matcher(then))
                            .filter(Matcher::find)
                            .mapToInt(Matcher::start)
                            .min()
                            .orElse(0);
            sub = reading.beside((uses ? "with " : "") + then.substring(from).strip());
        } else if (uses && sub.technique == null && sub.tool == null)
            sub = reading.beside("with " + used.group(1).strip() + " " + then);
        var what = first(THENS, then).orElse(null);
        var hand = sub.tool != null ? sub.tool : sub.forearmNamed ? Tool.FOREARM : null;
        boolean other = sub.technique != null || hand != null || !sub.zones.isEmpty() || sub.depth != null;
        if (what == null && !other) return false;
        if (!then.equals(told) && reading.tool == null && !reading.forearmNamed) {
            var usual = INSTEAD_OF.matcher(told);
            if (usual.find() && usual.group(1) != null) reading.words(new Clause("with " + usual.group(1)));
        }
        var does = what != null ? what : sub.zones.isEmpty() ? Branch.Then.OTHER_TECHNIQUE : Branch.Then.OTHER_PLACE;
        reading.more.instead.add(new Branch(
                first(WHENS, when).orElse(Branch.When.OTHER),
                does,
                hand,
                sub.technique == null ? null : sub.technique.id(),
                sub.zones,
                sub.depth,
                sub.sheet,
                what != null && text.split("\\s+").length <= 6 ? null : cut(text, Branch.MOST_WORDS)));
        return true;
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

    // ---- when it ends

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

    private static final Pattern UNTIL = compile("(?i)^(?<before>.*?)\\b(?:un)?till?\\b\\s*(?<end>.+)$");
    private static final Pattern CAP = compile(
            "(?i)"
                    + "(?<!glute )(?<!glutes )(?<!\\\\bg )(?<!gluteus )(?<!number )(?<!pain )\\b(?:cap|max|maximum|at most|no (?:longer|more) than|up to|not over)\\b\\s*(?:of )?(?=\\d)|\\b(?:max|maximum|at most|at the most)\\s*$");

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
        first(ENDS, JotWords.plain(said))
                .ifPresentOrElse(w -> reading.until = w, () -> reading.own(DetailField.END, "until " + said.strip()));
        return new Clause(m.group("before") + " " + rest);
    }

    // ---- what the client does

    private static final Pattern SUBJECT =
            compile("\\b(client|clients|they|she|he|partner|patient|receiver|person|them|model)\\b");
    private static final Map<Does, Pattern> DOES = does();

    private static Map<Does, Pattern> does() {
        var d = new LinkedHashMap<Does, Pattern>();
        d.put(Does.BREATHES_IN, compile("\\b(breath\\w* in|in ?breath|inhal\\w*)\\b|^in$"));
        d.put(Does.BREATHES_OUT, compile("\\b(breath\\w* out|out ?breath|exhal\\w*)\\b|^out$"));
        d.put(
                Does.BREATHES_SLOWLY,
                compile(
                        "\\b(breathes?|breathing)\\b(?! (in|out))|\\b(slow|deep|belly) breaths?\\b|\\b(takes?|with) \\w+ breaths?\\b"));
        d.put(Does.CLENCHES, compile("\\b(clench\\w*|bites?|bite down|grits?)\\b"));
        d.put(
                Does.OPENS,
                compile(
                        "\\bopen\\w* (the |their )?(mouth|jaw)\\b|\\b(mouth|jaw) (falls?|drops?|hangs?|sinks?) open\\b|\\bopens? (against|slowly|wide|gently|a little|\\d)\\b"));
        d.put(Does.SHRUGS, compile("\\bshrug\\w*\\b"));
        d.put(Does.LIFTS_THE_HEAD, compile("\\b(lift|raise)\\w* (the |their |her |his )?head\\b|\\bhead lifted\\b"));
        d.put(
                Does.MOVES_TISSUE_ASIDE,
                compile("\\baside\\b|\\bout of the way\\b|\\bholds? (own|their own) (tissue|breast|belly|skin)\\b"));
        d.put(
                Does.PUSHES,
                compile(
                        "\\b(push\\w*|resist\\w*|press\\w*(?: (?:the|their|her|his|my|your|\\w+)){0,2} (into|against|back|down|up|out|in)|\\w+s? (against|into) (my|your|the|a|our) (hand|hands|palm|palms|fist|fingers?|fingertips|thumbs?|thigh|body|hold|resistance))\\b|\\bagainst (me|resistance)\\b"));
        d.put(Does.HOLDS, compile("\\bholds?\\b"));
        d.put(
                Does.LETS_GO,
                compile(
                        "\\b(lets? go|relax\\w*|releases?|(gets?|grows?|is|be|goe?s?) heavy|lets? (it|(the |their )?\\w+) (fall|drop|sink|rest|hang)|goes limp)\\b"));
        d.put(Does.CHOOSES, compile("\\b(choos\\w*|picks?|decides?)\\b"));
        d.put(
                Does.SAYS_WHEN,
                compile("\\b(say|says|tell|tells|report\\w*|signal\\w*|know)\\b.*\\b(when|stop|gone|felt|much)\\b"));
        d.put(
                Does.MOVES,
                compile(
                        "\\b(dorsiflex\\w*|plantar ?flex\\w*|pronat\\w*|supinat\\w*|abduct\\w*|adduct\\w*|bend\\w*|straighten\\w*|flex\\w*|extend\\w*|turn\\w*|rotat\\w*|mov\\w*|slid\\w*|point\\w*|pulls?"
                                + "|hik\\w*|tuck\\w*|pump\\w*|circl\\w*|wiggl\\w*|bring\\w*|roll\\w*|look\\w*|makes? (a |an )?fists?|hugs?|cough\\w*|grip\\w*|squeez\\w*|wav\\w*|walk\\w*|rais\\w*|lift\\w*|reach\\w*|tilt\\w*|nod\\w*|swing\\w*|stretch\\w*|drops?|curl\\w*|spread\\w*"
                                + "|lower\\w*|open\\w* and clos\\w*)\\b"));
        return d;
    }

    /** Clauses that begin so are the client's, though nobody says so. */
    private static final Pattern BY_ITSELF = compile(
            "^(?:and |then |now |again )*(clench\\w*|bite\\b|shrug\\w*|exhal\\w*|inhal\\w*|breathes?\\b|resists?\\b|let go|lets go"
                    + "|push (?!pull)\\w*.*%|push (?:into|against|back|down|out|away|up)\\b|press back|lift (the |their )?head|tell me when|say when|relax(es)?$|relax and|(the |their )?(heels?|foot|feet|knees?|legs?|head|chin|toes|hips?) (push\\w*|press\\w*|lifts?|rises?) |bend and straighten|hold and push|chin tucks?\\b|(?:ankle|calf|foot) pumps?\\b|(?:the |their )?(?:knees?|legs?|arms?|head|foot|feet|hands?|elbows?|hips?|shoulders?|chin|jaw|toes|heels?) \\w+(?: \\w+)? (?:into|against) |holds?$|holds? (the |their |your )?breath|(in|out)$|lets? (the |their )?(?!fingers?\\b|fingertips|hands?\\b|palms?\\b|thumbs?\\b|fists?\\b|knuckles|forearms?\\b|elbow\\b|weight)\\w+ (sink|drop|fall|rest|go|hang|(get|be|grow|go) heavy)"
                    + "|(on|with) (the |each |every )?(in|out)[ -]?breath|(in|out)[ -]?breath|nod\\b)");

    private static final Pattern TIMES = compile("(?:x|×)\\s*(\\d{1,3})|\\b(\\d{1,3})\\s*(?:x|×|times)\\b");
    private static final Pattern BREATHS = compile("\\b(\\d{1,2})\\s+(?:slow |deep |belly )?breaths?\\b");
    private static final Pattern SECONDS = compile("\\b(\\d{1,3}(?:\\.\\d+)?)\\s*(?:s|sec|secs|seconds?)\\b");
    private static final Pattern PERCENT = compile("\\b(\\d{1,3})\\s*(?:%|per ?cent)");
    private static final Pattern PARTS_OF =
            compile("\\b(?:a quarter|quarter|a third|half)(?: (?:strength|effort|force|power))?(?=\\s|$)");
    private static final Pattern PASSIVE = compile("\\b(passive\\w*|does nothing|relaxed|no effort|limp)\\b");

    private static final Pattern MEANWHILE = compile(
            "(?i)^(.+?)\\s+(?:while|as) (?:(?:i|you|we)\\b|(?=(?:the |my |two |one |a )?(?:fingers?|thumbs?|hands?|palms?|forearm|elbow|fist|knuckles)\\b))(.+)$");

    private static final Pattern TURN_THE_CLIENT = compile(
            "^(?:then |and |now )*(?:turn|roll|flip|help) (?:the |your )?(?:client|partner|patient|them|her|him)\\b");
    private static final Pattern TURNS_OVER = compile(
            "\\b(?:turn\\w*|roll\\w*|flip\\w*|lies?|lying)(?: (?:the |your )?(?:client|partner|patient|them|her|him))?(?: (?:to|onto|on))? (?:over|prone|supine|face (?:up|down)|(?:the |their |her |his )?(?:back|belly|left side|right side|side))\\b");
    private static final Pattern ON_THE_BREATH = compile(
            "^(?:and |then )*(?:on|with|at) (?:the |each |every |their |an? )*(?<way>in ?breath|out ?breath|inhale|exhale|inhalation|exhalation) (?<rest>.+)$");
    private static final Pattern ASKS_FOR_BREATH =
            compile("^(?:then |and )*ask for (?:\\w+ ){0,3}(?:breaths?|inhales?|exhales?)$");

    private static final Pattern ITS_MOVE = compile(
            "(?:knee|elbow|hip|shoulder|wrist|ankle|head|arm|leg|foot|hand|jaw)s? (?:straightening|bending|lifting|turning|pushing|opening|closing|pressing)(?: \\w+)?");
    private static final Pattern HOLDS_SO_LONG =
            compile("(?:and |then )*holds?(?: it| that)?(?: for)? \\d+ ?(?:s|sec|secs|seconds)");
    private static final Pattern OF_THEM = compile("\\w+ of them");
    private static final Pattern HOLDS_ALONE = compile("(?:and |then )*holds?");

    private record Found(int at, Does does) {}

    /** Whether the clause says what the client does; then it is taken. */
    static boolean client(Clause clause, Reading reading) {
        var plain = clause.plain;
        var lying = LIES_DOWN.matcher(clause.text);
        if (lying.find()) {
            reading.clause(new Clause("lying " + lying.replaceFirst("")));
            return true;
        }
        var meanwhile = MEANWHILE.matcher(clause.text);
        if (meanwhile.matches() && CLIENT_FIRST.matcher(plain).find()) {
            client(new Clause(meanwhile.group(1)), reading);
            reading.clause(new Clause(meanwhile.group(2)));
            return true;
        }
        if ((CLIENT_FIRST.matcher(plain).find()
                        || TURN_THE_CLIENT.matcher(plain).find())
                && TURNS_OVER.matcher(plain).find()) {
            reading.turned = true;
            reading.words(new Clause(plain.replaceFirst("^(?:\\w+ )*?(?=(?:turn|roll|flip|lie|lying))", "")));
            return true;
        }
        // "On the out breath press the back": both.
        var breath = ON_THE_BREATH.matcher(plain);
        if (breath.matches() && reading.strokeIn(breath.group("rest"))) {
            reading.more.part.add(
                    ClientPart.of(breath.group("way").startsWith("in") ? Does.BREATHES_IN : Does.BREATHES_OUT));
            reading.clause(new Clause(breath.group("rest")));
            return true;
        }
        if (ASKS_FOR_BREATH.matcher(plain).find()) {
            reading.more.part.add(ClientPart.of(Does.BREATHES_SLOWLY));
            var many = number(BREATHS, JotWords.numbered(plain));
            if (many != null && many >= 1 && many <= 60) reading.breaths(many.intValue());
            return true;
        }
        // "Head: hold" is the hand's; after what the client does it is the client's.
        if (OF_THEM.matcher(plain).matches()) return false;
        // "Client resists, knee straightening", "client shrugs, holds 5 s": it is still the client's.
        if (!reading.more.part.isEmpty() && ITS_MOVE.matcher(plain).matches()) {
            reading.own(DetailField.PART, clause.text);
            return true;
        }
        if (HOLDS_ALONE.matcher(plain).matches() && reading.more.part.isEmpty()) return false;
        boolean subject = SUBJECT.matcher(plain).find();
        boolean itself = BY_ITSELF.matcher(plain).find()
                || !reading.more.part.isEmpty() && HOLDS_SO_LONG.matcher(plain).matches();
        if (!subject && !itself) return false;
        // "Ask them about tingling" is a question.
        if (QUESTION.matcher(plain).find()) return false;
        // "They" is in a clause about the stroke, too.
        if (subject
                && !itself
                && reading.strokeIn(plain)
                && !CLIENT_FIRST.matcher(plain).find()) return false;
        if (subject && PASSIVE.matcher(plain).find()) {
            reading.effort = Technique.Effort.PASSIVE;
            return true;
        }
        // Who lets the head sink lies on the back, with somebody behind it.
        if (HEAD.matcher(plain).find() && SINKS.matcher(plain).find()) reading.behindTheHead = true;
        if (HEAD.matcher(plain).find() && TURNS.matcher(plain).find()) reading.behindTheHead = true;
        var found = new ArrayList<Found>();
        DOES.forEach((does, words) -> {
            var m = words.matcher(plain);
            if (m.find()) found.add(new Found(m.start(), does));
        });
        found.sort(Comparator.comparingInt(Found::at));
        reading.clientAt(plain);
        boolean moves = found.stream().anyMatch(f -> f.does == Does.MOVES);
        // Who breathes in does not breathe slowly besides, who clenches and lets go does not move; who holds what they
        // push only pushes.
        if (found.stream().anyMatch(f -> f.does.breath() && f.does != Does.BREATHES_SLOWLY))
            found.removeIf(f -> f.does == Does.BREATHES_SLOWLY);
        if (found.stream()
                .anyMatch(f -> f.does != Does.MOVES && f.does.active()
                        || f.does == Does.PUSHES
                        || f.does == Does.MOVES_TISSUE_ASIDE
                        || f.does == Does.SAYS_WHEN
                        || f.does == Does.CHOOSES
                        || f.does == Does.LETS_GO)) found.removeIf(f -> f.does == Does.MOVES);
        // "Lets the mouth fall open."
        if (found.stream().anyMatch(f -> f.does == Does.OPENS)) found.removeIf(f -> f.does == Does.LETS_GO);
        if (found.stream().anyMatch(f -> f.does == Does.MOVES_TISSUE_ASIDE)) found.removeIf(f -> f.does == Does.HOLDS);
        if (found.isEmpty()) {
            // "Inside the mouth only if they want it" is a place.
            if (!CLIENT_FIRST.matcher(plain).find() && !reading.placeless(plain)) return false;
            reading.own(DetailField.PART, clause.text);
            return true;
        }
        var numbers = JotWords.numbered(clause.text.toLowerCase(Locale.ROOT));
        var breaths = number(BREATHS, numbers);
        if (breaths != null && breaths >= 1 && breaths <= 60) reading.breaths(breaths.intValue());
        var times = number(TIMES, numbers);
        var seconds = number(SECONDS, numbers);
        var percent = number(
                PERCENT,
                PARTS_OF.matcher(numbers)
                        .replaceAll(m ->
                                m.group().contains("half") ? "50 %" : m.group().contains("third") ? "33 %" : "25 %"));
        for (int i = 0; i < found.size(); i++) {
            boolean first = i == 0;
            reading.more.part.add(new ClientPart(
                    found.get(i).does,
                    first && times != null && times >= 1 && times <= 50 ? (Integer) times.intValue() : null,
                    first && seconds != null && seconds > 0 && seconds <= 600 ? seconds : null,
                    first && percent != null && percent >= 1 && percent <= 100 ? (Integer) percent.intValue() : null));
        }
        boolean against = moves && found.stream().anyMatch(f -> f.does == Does.PUSHES);
        if (against
                || found.stream()
                        .anyMatch(f -> f.does == Does.MOVES || f.does == Does.SAYS_WHEN || f.does == Does.CHOOSES))
            reading.own(DetailField.PART, clause.text);
        return true;
    }

    private static @Nullable Double number(Pattern pattern, String text) {
        var m = pattern.matcher(text);
        if (!m.find()) return null;
        for (int g = 1; g <= m.groupCount(); g++) if (m.group(g) != null) return Double.valueOf(m.group(g));
        return null;
    }

    // ---- what is asked and said

    private static final Pattern QUESTION = compile(
            "^(?:then |and |first )*ask\\b(?! (?:(?:the )?client|them|her|him|for (?:a|their)?\\s*\\w* ?(?:breath|push))? ?to\\b).*");
    private static final Pattern ONLY_ASKS = compile("(?:then |and )*ask(?: again| before| them| client)*");
    private static final Pattern ALSO_ASKS = compile("\\band ask\\b");
    private static final Pattern GREETS = compile("\\b(hello|hi|good (?:morning|afternoon|evening|day)|your name)\\b");
    private static final Pattern TOLD =
            compile("^(?:then |and |first )*(warn|announce|tell|say|explain|remind|name|greet|introduce)\\b");

    private static final Pattern CHECKS_IN = compile(
            "^(?:then |and )*(?:check ?in\\b|check (?:the |with |on )?(?:pressure|them|client|the client)\\b|pressure (?:ok|okay|good|check)\\b"
                    + "|how(?: s| is) (?:that|this|the pressure|it|everything)\\b|is (?:that|this|it|the pressure) (?:ok|okay|good|too much|enough)\\b|too much$)");

    /** Whether the clause is something to ask or to say; then it is taken. */
    static boolean said(Clause clause, Reading reading) {
        var plain = clause.plain;
        if (CHECKS_IN.matcher(plain).find() && !reading.strokeIn(plain)) {
            reading.say.add(Saying.of(SayKind.PRESSURE_QUESTION, cut(clause.text, 400)));
            return true;
        }
        if (QUESTION.matcher(plain).find()) {
            // Who says only "ask" means whether they may.
            var kind = MAY.matcher(plain).find() || ONLY_ASKS.matcher(plain).matches() && reading.more.instead.isEmpty()
                    ? SayKind.CONSENT
                    : FELT.matcher(plain).find() ? SayKind.PRESSURE_QUESTION : SayKind.INTERVIEW;
            reading.say.add(Saying.of(kind, cut(clause.text, 400)));
            reading.about(plain);
            return true;
        }
        var told = TOLD.matcher(plain);
        if (!told.find() || reading.strokeIn(plain)) return false;
        reading.about(plain);
        if (ALSO_ASKS.matcher(plain).find()) {
            reading.say.add(Saying.of(SayKind.CONSENT, cut(clause.text, 400)));
            reading.about(plain);
            return true;
        }
        var kind = told.group(1).equals("warn") || told.group(1).equals("announce")
                ? SayKind.WARNS
                : GREETS.matcher(plain).find() ? SayKind.GREETING : SayKind.EXPLAINS;
        reading.say.add(Saying.of(kind, cut(clause.text, 400)));
        return true;
    }

    // ---- the other hand

    private static final Pattern OTHER = compile(
            "\\b(?:(?:other|free|second|supporting|passive|mother|stabili[sz]ing|upper|lower|left|right|outside|inside|top|guiding) hand"
                    + "|the other(?= (?:moves|bends|straightens|swings|rotates|turns|flexes|extends|lifts|raises|holds|steadies|fixes|supports|follows|rests|presses|pushes|cradles|pulls|stretches)\\b))\\b(.*)");
    private static final Pattern WITH_OTHER = compile(
            "^(?<does>(?:lift|raise|hold|steady|move|bend|support|cradle|stretch|rotate|turn)\\b.*) with (?:(?:the |my |your )?(?:other|free|second)|one) hand$");
    private static final Pattern HELD = compile(
            "^(?:and )?(?:hold|holding|steady|steadying|brace) (?:the |their )?(?:ankle|heel|foot|wrist|hand|elbow|knee|shoulder|hip|pelvis|ribs)(?: still| steady| down| back)?$");
    private static final Pattern SUPPORTS = compile(
            "^(?<before>.*?)(?:\\band )?\\bsupport(?:s|ing|ed(?= (?:at|under|by)\\b))? (?:at |under )?(?<what>[a-z ]+)$");
    private static final Pattern BY_OTHER = compile(
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
        h.put(OtherHand.LIFTS_THE_SHOULDER, compile("\\b(lifts?|raises?|under|shortens?) (the )?shoulder\\b"));
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

    /** Whether the clause begins with what is done by the other hand, such as "the leg bent by the other hand"; then it is taken. */
    static boolean byTheOther(Clause clause, Reading reading) {
        var by = BY_OTHER.matcher(clause.plain);
        if (!by.matches()) return false;
        reading.more.otherHand =
                first(HANDS, PAST.matcher(by.group("does")).replaceAll("s")).orElse(OtherHand.MOVES_THE_LIMB);
        reading.own(DetailField.OTHER_HAND, clause.plain.substring(0, by.start("rest")));
        var rest = by.group("rest").replaceFirst("^ (?:while|as) ", "");
        if (!rest.isBlank()) reading.clause(new Clause(rest));
        return true;
    }

    /** Takes what the other hand does out of a clause and leaves what stands before it. */
    static Clause otherHand(Clause clause, Reading reading) {
        var m = OTHER.matcher(clause.plain);
        var with = WITH_OTHER.matcher(clause.plain);
        if (with.matches()) {
            var does = first(HANDS, with.group("does"));
            if (does.isPresent()) {
                reading.more.otherHand = does.get();
                reading.own(DetailField.OTHER_HAND, with.group("does"));
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
                    first(HANDS, "supports " + supports.group("what")).orElseThrow();
            reading.own(DetailField.OTHER_HAND, clause.plain.substring(supports.end("before")));
            return new Clause(supports.group("before"));
        }
        if (!m.find()) {
            // After the stroke, one hand is the other one.
            m = ONE.matcher(clause.plain);
            if (reading.technique == null || !m.find()) return clause;
        }
        var does = first(HANDS, m.group(1));
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

    private static final Pattern DOSE_AT_END =
            compile("(?:\\d+ ?(?:x|times|passes|strokes|s|sec|secs|seconds|min|minutes)|x ?\\d+)$");

    // ---- limbs and props

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
                            + "(?:pillows?|cushion)|(?:pillows?|cushion|one|another) (?:hugged|to hug|in front)(?= and| |$)"),
            prop(
                    Prop.PILLOW_UNDER_ARM,
                    "(?:pillow|cushion|towel) under " + THE
                            + "(?:arm|elbow|wrist|elbow and wrist|forearm)|(?:arm|forearm|elbow|wrist)" + BE + " on "
                            + THE + "(?:pillow|cushion)"),
            prop(Prop.PILLOW_UNDER_HEAD, "(?:pillow|cushion) under " + THE + "(?:head|neck)"),
            prop(Prop.PILLOW_UNDER_BELLY, "(?:pillow|cushion) under " + THE + "(?:belly|abdomen|hips?|pelvis)"),
            prop(
                    Prop.BOLSTER_UNDER_ANKLES,
                    "(?:(?:pillow|roll) (?:under|to|at)|bolster(?: (?:under|to|at))?) " + THE
                            + "(?:ankles?|feet|foot|shins?)|ankle (?:bolster|roll|pillow)|(?:ankles?|feet|shins?) on "
                            + THE
                            + "(?:bolster|pillow|roll)"),
            prop(
                    Prop.BOLSTER_UNDER_KNEES,
                    "(?:(?:pillow|roll) (?:under|to|at|behind|below)|bolster(?: (?:under|to|at|behind|below))?) " + THE
                            + "knees?|knee (?:bolster|roll|pillow)|knees? (?:on|over) " + THE
                            + "(?:bolster|pillow|roll)"),
            prop(Prop.ROLLED_TOWEL, "(?:rolled towel|towel roll|roll of towel)(?: under " + THE + "\\w+)?"),
            prop(
                    Prop.TOWEL,
                    "(?<!hot |warm |wet |cold |cool |steamed )towel (?:under|over|on|across) " + THE
                            + "\\w+|own towel"),
            prop(Prop.WEDGE, "wedge(?: under " + THE + "\\w+)?"),
            prop(Prop.FACE_REST, "face (?:rest|cradle|hole)"),
            prop(Prop.BLANKET_ASIDE, "blanket (?:folded )?(?:aside|off|away)"),
            prop(Prop.WIPES, "wipes(?: ready| at hand)?"),
            prop(Prop.GLOVES, "gloves?|gloved"),
            prop(Prop.STOOL, "stool"),
            limb(
                    Limb.ARM_OFF_TABLE,
                    "arms?" + BE + " (?:off|over " + THE + "(?:side|edge))(?: of)?(?: " + THE
                            + "(?:table|edge|side))?|arms? (?:hanging|hangs|hung|dangling|dangles)(?: down)?"),
            limb(
                    Limb.ARM_OVERHEAD,
                    "arms?" + BE + "(?: up)? (?:(?:beside|next to|by) " + THE
                            + "(?:head|ear)|overhead|over head|(?:over|above) " + THE + "head)"),
            limb(Limb.ARM_OVER_SHEET, "arms?" + BE + "(?: out)? (?:over|on top of|outside|on) " + THE + "sheet"),
            limb(Limb.ARM_ACROSS, "arms?" + BE + " across(?: " + THE + "(?:body|chest|belly))?"),
            limb(
                    Limb.ARM_BEHIND_BACK,
                    "arms?" + BE + " behind(?: " + THE + "back)?|hand (?:behind|on) " + THE
                            + "(?:small of the )?back|hand in small of back"),
            limb(
                    Limb.ARM_OUT,
                    "arms?" + BE + " (?:out(?: to " + THE + "side)?|abducted|at 90(?: degrees)?|to " + THE + "side)"),
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
                    "(?:let |lets )?" + THE + "(?:head|face|neck(?= turned| rotated| is turned| is rotated))" + BE
                            + " (?:turned|rotated|rolls?|turns?|falls?)(?: (?:away|(?:to )?" + THE
                            + "(?:left|right|side|other side)))?|(?:turn|rotate) " + THE
                            + "(?:head|face)(?: (?:away|slightly|gently|(?:to )?" + THE
                            + "(?:left|right|side|other side)))+"),
            limb(
                    Limb.HEAD_TILTED,
                    "head" + BE + " (?:tilted|side bent)(?: (?:away|(?:to )?" + THE
                            + "(?:left|right|side)))?|tilt " + THE + "head(?: (?:away|slightly|gently|(?:to )?" + THE
                            + "(?:left|right|side|other side)))+|ear to shoulder"),
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

    private static final Pattern LAID_BY = compile(
            "\\b(?:lift|raise|bring|take|put|place|draw|hang|let|lay|move)(?: (?:the|their|her|his|client s))* ?$");

    private static final Pattern LAID_ONLY = compile(
            ".*\\b(?:bolster|roll|pillow)\\b.*\\b(?:knees?|ankles?)\\b.*|.*\\b(?:knees?|ankles?)\\b.*\\b(?:bolster|roll|pillow)\\b.*");
    private static final Pattern LIMB = compile("\\b(arms?|legs?|calf|forearm|foot|feet|hand|ankle|knee)\\b");

    /** Takes where a limb lies and what is laid under it out of a clause, and leaves the rest of it. */
    static String laid(String plain, Reading reading) {
        if (!LAID_AT_ALL.matcher(plain).find()) return plain;
        // "Shake the arm out" lays it nowhere.
        var rest = SHAKEN_OUT.matcher(plain).replaceAll("$1");
        for (var phrase : reading.more.props.isEmpty() && !rest.contains("pillow") ? PHRASES : WITH_MORE) {
            var m = phrase.words.matcher(rest);
            if (!m.find()) continue;
            phrase.says.accept(reading);
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

    private static final Pattern LIES = compile(
            "^(?:with )?(?:the |their |her |his )?(?:(?<side>left|right|top|upper|lower|far|near|bottom|other|opposite) )?(?!elbows? (?:in|into|on|over|down|across|by|along|under|up and down)\\b)(?:foot|feet|toes?|ankles?|knees?|wrists?|fingers(?= (?:is |are )?(?:bent|flexed|straight|extended|relaxed|open|spread|curled))|arms?|elbows?|legs?|hips?|head|chin|shoulders?)"
                    + " (?:is |are |lies |rests )?(?:turned|bent|pointed|flexed|held|lifted|off|across|hanging|hangs|straight|drawn|pulled|relaxed"
                    + "|resting|supported|pushed|pressed|dropped|forward|back|up|down|out|in|on|over|by|extended|raised|open|free)\\b.*");

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
                || BY_OTHER.matcher(clause.plain).matches()
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
        var dose = DOSE_AT_END.matcher(clause.plain);
        if (dose.find()) reading.words(new Clause(dose.group()));
        return true;
    }

    private static final Pattern SPARES = compile(
            "^(?:then |but |and )*(light(?:er|ly)? (?:over|behind) |ease off|lighten|skip|avoid|spare|careful|mind|watch|not(?! (?:too |so )?deep)(?! (?:over|above|more than) (?:\\d|an? |one |two |half))|never(?! over \\d)|stop (?:short|before|above|below|a hand)|no (?!oil|lotion|lubricant|lube|hurry|sheet|more than \\d)\\w+|stay off|keep off|go easy)\\b.*");

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
        if (!SPARES.matcher(clause.plain).matches() || reading.known(List.of(clause.plain.split(" ")))) return false;
        reading.aside.add(clause.text);
        return true;
    }

    private static final Pattern MOVED = compile(
            "^(?:then |and )*(?:rotate|turn|bend|straighten|move|circle|swing|flex|extend|roll|lift) (?:the |their |her |his )?\\w+");

    private static final Pattern WHILE =
            compile("(?i)^(?<before>.*?)\\b(?<meanwhile>while\\b.*|as (?:you|i|we)\\b.*)$");

    /** Takes what is done meanwhile out of a clause and leaves the rest of it. */
    static Clause meanwhile(Clause clause, Reading reading) {
        var m = WHILE.matcher(clause.text);
        if (!m.find()) return clause;
        // "Dorsiflex the foot while stripping": the stroke is what is done meanwhile.
        var after = m.group("meanwhile").replaceFirst("(?i)^(?:while|as (?:you|i|we))\\s+", "");
        if (!reading.strokeIn(m.group("before")) && reading.strokeIn(after)) {
            reading.own(DetailField.OTHER_HAND, m.group("before"));
            reading.more.otherHand = OtherHand.MOVES_THE_LIMB;
            return new Clause(after);
        }
        // "Rotate the hip while the fist stays on the glute": it is pinned there.
        var pinned = reading.beside(after);
        if ((pinned.tool != null || pinned.forearmNamed)
                && !pinned.placeless()
                && pinned.technique == null
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
        reading.aside.add(m.group("meanwhile"));
        return new Clause(m.group("before"));
    }

    // ---- what is compared

    private static final Map<Comparison.What, Pattern> WHATS = whats();

    private static Map<Comparison.What, Pattern> whats() {
        var w = new LinkedHashMap<Comparison.What, Pattern>();
        w.put(Comparison.What.RANGE, compile("\\b(range|rom|how far|movement|opening|(?:neck|head) turn\\w*)\\b"));
        w.put(Comparison.What.NUMBER, compile("\\b(number|pain|score)\\b"));
        w.put(
                Comparison.What.STANDING,
                compile("\\b(standing|stance|posture|hips? (level|higher|lower)|foot turn\\w*|turned out foot)\\b"));
        w.put(Comparison.What.LOOK, compile("\\b(look|looks|from (the )?head end)\\b"));
        w.put(Comparison.What.TISSUE, compile("\\b(warm|red|pale|tissue|temperature|colou?r)\\b"));
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
        if (!again && !COMPARE.matcher(plain).find() || reading.strokeIn(plain)) return false;
        var what = EnumSet.noneOf(Comparison.What.class);
        WHATS.forEach((w, words) -> {
            if (words.matcher(plain).find()) what.add(w);
        });
        if (what.isEmpty()) {
            if (!RE_CHECK.matcher(plain).find()) return false;
            reading.phase = Phase.RE_CHECK;
            return true;
        }
        var when = BETWEEN.matcher(plain).find()
                ? Comparison.When.BETWEEN
                : AFTERWARDS.matcher(plain).find() && !plain.contains("before and after")
                        ? Comparison.When.AFTER
                        : Comparison.When.BEFORE;
        reading.sayBefore = plain.contains("before");
        reading.more.compares = new Comparison(what, when);
        reading.comparing = plain;
        if (HEAD.matcher(plain).find() && reading.placeless(plain)) reading.nearby.add(List.of(Zone.NECK_BACK));
        if (EnumSet.of(Comparison.What.LOOK, Comparison.What.STANDING).containsAll(what)) {
            reading.depth = 0;
            reading.phase = Phase.ASSESS;
        }
        return true;
    }
}
