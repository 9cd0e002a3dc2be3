package palmtally.core.jot;

import static java.util.regex.Pattern.compile;

import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import palmtally.core.sequence.detail.Branch;
import palmtally.core.sequence.detail.DetailField;
import palmtally.core.technique.Tool;

/** What is done instead when something comes up, out of a part that says so: "if it shoots stop" (how teachers say these is common practice, no source). */
final class Instead {
    private Instead() {}

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
        w.put(
                Branch.When.CANNOT_REACH,
                compile("(not|n t|cannot) (?:be )?reach|not reachable|unreachable|out of reach|too far"));
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
        t.put(
                Branch.Then.SKIP,
                compile("\\b(skip|leave (it|out|that|them|this)|omit|no work|none of it|avoid|work around)\\b"));
        t.put(Branch.Then.OTHER_PLACE, compile("\\b(elsewhere|other place|another place|somewhere else)\\b"));
        t.put(Branch.Then.ASK, compile("\\b(ask|note it|write it down)\\b"));
        return t;
    }

    /** What comes up at a place that is named with it: "the shin cannot be reached". */
    private static final Set<Branch.When> ABOUT_A_PLACE =
            EnumSet.of(Branch.When.CANNOT_REACH, Branch.When.HOT_OR_SWOLLEN, Branch.When.OVER_LENGTHENED);

    private static final Pattern ASKS =
            compile("(?:and |then |first )*(?:ask|check|see|find out)(?: them| her| him| the client| client)?");

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
        if (arrow.length == 2 && Aside.first(WHENS, JotWords.plain(arrow[0])).isPresent())
            return branch(clause.text, JotWords.plain(arrow[0]), JotWords.plain(arrow[1]), reading) ? 1 : 0;
        if (SAYS_WHEN.matcher(clause.plain).find()) return 0;
        // "Tingling or numb: stop", "cannot reach from here: walk round".
        if (!IF.matcher(clause.plain).find()
                && Aside.first(WHENS, clause.plain).isPresent()
                && Aside.first(THENS, clause.plain).isEmpty()
                && at + 1 < clauses.size()
                && (Aside.first(THENS, clauses.get(at + 1).plain).isPresent()
                        || INSTEAD_OF.matcher(clauses.get(at + 1).plain).find())
                && (reading.saysNothing(clause.plain)
                        || !reading.strokeIn(clause.plain)
                                && ABOUT_A_PLACE.contains(
                                        Aside.first(WHENS, clause.plain).get()))
                && reading.placeless(clauses.get(at + 1).plain)
                && branch(
                        clause.text + ": " + clauses.get(at + 1).text,
                        clause.plain,
                        clauses.get(at + 1).plain,
                        reading)) return 2;
        var m = IF.matcher(clause.plain);
        if (!m.find()) {
            m = STOP_AT.matcher(clause.plain);
            if (!m.find() || Aside.first(WHENS, m.group("when")).isEmpty()) return 0;
        }
        var before = m.group("before").strip();
        // "Ask if the pillow is right" asks.
        if (ASKS.matcher(before).matches()) return 0;
        var when = m.group("when").strip();
        if (!before.isEmpty()) {
            // "Knead the calf, lighter if it hurts": only what is done then stands before the "if"; "or the forearm if
            // it is sore".
            if (Aside.first(THENS, before).isEmpty()
                    && !((OR_ELSE.matcher(before).find()
                                    || INSTEAD_OF.matcher(before).find())
                            && reading.strokeIn(before))) return 0;
            return branch(clause.text, when, before, reading) ? 1 : 0;
        }
        if (Aside.first(THENS, when).isPresent() && !onlyWhen(when))
            return branch(clause.text, when, when, reading) ? 1 : 0;
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
        return Aside.first(WHENS, when)
                .map(w -> WHENS.get(w).matcher(when).replaceAll(" "))
                .map(rest -> Aside.first(THENS, rest).isEmpty())
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
        var what = Aside.first(THENS, then).orElse(null);
        var hand = sub.tool != null ? sub.tool : sub.forearmNamed ? Tool.FOREARM : null;
        boolean other = sub.technique != null || hand != null || !sub.zones.isEmpty() || sub.depth != null;
        if (what == null && !other) return false;
        if (!then.equals(told) && reading.tool == null && !reading.forearmNamed) {
            var usual = INSTEAD_OF.matcher(told);
            if (usual.find() && usual.group(1) != null) reading.words(new Clause("with " + usual.group(1)));
        }
        var does = what != null ? what : sub.zones.isEmpty() ? Branch.Then.OTHER_TECHNIQUE : Branch.Then.OTHER_PLACE;
        reading.more.instead.add(new Branch(
                Aside.first(WHENS, when).orElse(Branch.When.OTHER),
                does,
                hand,
                sub.technique == null ? null : sub.technique.id(),
                sub.zones,
                sub.depth,
                sub.sheet,
                what != null && text.split("\\s+").length <= 6 ? null : Aside.cut(text, Branch.MOST_WORDS)));
        return true;
    }
}
