package palmtally.core.jot;

import static java.util.regex.Pattern.compile;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import palmtally.core.Texts;
import palmtally.core.body.Position;
import palmtally.core.sequence.detail.ClientPart;
import palmtally.core.sequence.detail.ClientPart.Does;
import palmtally.core.sequence.detail.DetailField;
import palmtally.core.technique.Technique;

/** What the client does, as a pattern with counts: breathes, clenches, pushes so hard for so long, lets go. */
final class ClientDoes {
    private ClientDoes() {}

    private static final Pattern CLIENT_FIRST = compile(
            "^(?:(?:and|then|while|as|ask|have|let|get|tell|invite) )*(?:the |your )?(client|they|she|he|partner|patient|receiver|pt|(?<=(?:ask|have|let|get|tell|invite) )(?:them|her|him))\\b");

    static final Pattern HEAD = compile("\\bhead\\b");

    private static final Pattern SINKS = compile("\\b(sink\\w*|heavy|rests?|falls?|drops?)\\b");

    private static final Pattern TURNS = compile("\\b(tilt|turn|rotat|nod)\\w*\\b");

    private static final Pattern LIES_DOWN = compile(
            "(?i)^(?:with )?(?:the |a )?(?:(?:pregnant|prenatal|clothed|dressed) )?(?:client|they|she|he|partner|patient|pt)(?: is| are| lies| lying| sits)? (?=(?:on (?:(?:the|their|her|his) )?(?:back|belly|stomach|front|side|left|right)|supine|prone|face up|face down|seated|side[ -]lying|clothed)\\b)");

    private static final Pattern SITS = compile(
            "^(?:now |then |and )*(?:(?:the |your |my )?(?:client|they|she|he|partner|patient|pt) (?:(?:is |now )?(?:sits|sitting|seated)|sits up)|sit (?:the |your )?(?:client|partner|patient|them|her|him) (?:up|down|on)\\b)(?! (?:at|back|beside|behind|by|still)\\b).*");

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
                        "\\b(push\\w*|resist\\w*|press\\w*(?: (?:the|their|her|his|my|your|\\w+)){0,2} (into|against|back|down|up|out|in)|\\w+s? (against|into) (my|your|the|a|our) (hand|hands|palm|palms|fist|fingers?|fingertips|thumbs?|thigh|knee|leg|arm|hip|shoulder|forearm|chest|body|hold|resistance))\\b|\\bagainst (me|resistance)\\b"));
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
                        "\\b(dorsiflex\\w*|plantar ?flex\\w*|pronat\\w*|supinat\\w*|evert\\w*|invert\\w*|abduct\\w*|adduct\\w*|bend\\w*|straighten\\w*|flex\\w*|extend\\w*|turn\\w*|rotat\\w*|mov\\w*|slid\\w*|point\\w*|pulls?"
                                + "|hik\\w*|tuck\\w*|pump\\w*|circl\\w*|wiggl\\w*|bring\\w*|roll\\w*|look\\w*|makes? (a |an )?fists?|hugs?|cough\\w*|grip\\w*|squeez\\w*|wav\\w*|walk\\w*|rais\\w*|lift\\w*|reach\\w*|tilt\\w*|nod\\w*|swing\\w*|stretch\\w*|drops?|curl\\w*|spread\\w*"
                                + "|lower\\w*|open\\w* and clos\\w*|clos\\w* and open\\w*)\\b"));
        return d;
    }

    /** Clauses that begin so are the client's, though nobody says so. */
    private static final Pattern BY_ITSELF = compile(
            "^(?:and |then |now |again )*(clench\\w*|bite\\b|shrug\\w*|exhal\\w*|inhal\\w*|breathes?\\b|resists?\\b|let go|lets go"
                    + "|push (?!pull)\\w*.*%|push (?:into|against|back|down|out|away|up)\\b|(?:push|press) (?:the |their |her |his )?\\w+ (?:back )?(?:into|against) (?:my|your|the) (?:hands?|palms?|shoulder|arm|forearm|chest|thigh)\\b|press back(?! not)|(?:the |their )?shoulders? shrug\\w*|(?:the |their )?(?:fist|hand|fingers?|mouth|jaw)s? (?:is |are )?(?:opene?[ds]?|close[ds]?) and (?:opene?[ds]?|close[ds]?)\\b|lifts? (the |their |her |his )?head|tell me when|say when|relax(es)?$|relax and|(the |their )?(heels?|foot|feet|knees?|legs?|head|chin|toes|hips?) (push\\w*|press\\w*|lifts?|rises?) |bend and straighten|hold and push|chin tucks?\\b|(?:the |their )?(?:ankle|calf|foot|feet) pump(?:s|ing|ed)?\\b|(?:the |their )?(?:knees?|legs?|arms?|head|foot|feet|hands?|elbows?|hips?|shoulders?|chin|jaw|toes|heels?) \\w+(?: \\w+)? (?:into|against) |holds?$|holds? (the |their |your )?breath|(in|out)$|lets? (the |their )?(?!fingers?\\b|fingertips|hands?\\b|palms?\\b|thumbs?\\b|fists?\\b|knuckles|forearms?\\b|elbow\\b|weight)\\w+ (sink|drop|fall|rest|go|hang|(get|be|grow|go) heavy)"
                    + "|(?:the |their )?(?:shoulder|elbow|chin)s? (?:lifts? |moves? |comes? |goes )?(?:to|toward|towards) (?:the |their )?(?:opposite|other) (?:hip|shoulder|knee|elbow)\\b|breathing (?:in|out)\\b|opens? (?:slowly|wide|gently)\\b|(on|with) (the |each |every )?(in|out)[ -]?breath|(in|out)[ -]?breath|nods?\\b|(?:the |their )?head lifted\\b)");

    /** "Jaw open slowly three times": nobody else opens it. */
    private static final Pattern OPENS_ITSELF = compile(
            "^(?:and |then |now |again )*(?:the |their |her |his )?(?:jaw|mouth) (?:opens?|opening|closes?|closing)\\b");

    private static final Pattern TIMES = compile("(?:x|×)\\s*(\\d{1,3})|\\b(\\d{1,3})\\s*(?:x|×|times)\\b");
    private static final Pattern BREATHS = compile("\\b(\\d{1,2})\\s+(?:slow |deep |belly )?breaths?\\b");
    private static final Pattern SECONDS = compile("\\b(\\d{1,3}(?:\\.\\d+)?)\\s*(?:s|sec|secs|seconds?)\\b");
    private static final Pattern PERCENT = compile("\\b(\\d{1,3})\\s*(?:%|per ?cent)");
    private static final Pattern PARTS_OF =
            compile("\\b(?:a quarter|quarter|a third|half)(?: (?:strength|effort|force|power))?(?=\\s|$)");
    private static final Pattern PASSIVE = compile("\\b(passive\\w*|does nothing|relaxed|no effort|limp)\\b");

    private static final Pattern MEANWHILE = compile(
            "(?i)^(.+?)\\s+(?:while|as) (?:(?:i|you|we)\\b|(?=(?:the |my |two |one |a )?(?:fingers?|thumbs?|hands?|palms?|forearm|elbow|fist|knuckles)\\b))(.+)$");

    private static final Pattern HOLDS_ON = compile(
            "(?i)(?:hold|holding|keep holding|stay|stay there|hold on|hold still|hold it|hold them)\\b(?: (?:on|still|it|them|there))*");

    private static final Pattern TURN_THE_CLIENT = compile(
            "^(?:then |and |now )*(?:turn|roll|flip|help|bring|move|get) (?:the |your )?(?:client|partner|patient|them|her|him)\\b");
    private static final Pattern AGREES = compile(
            "^(?:(?:the )?(?:client|partner|patient)|she|he|they) (?:has |have |had )?(?:agree[sd]?|consent(?:s|ed)?|sa(?:id|ys) yes)\\b");
    private static final Pattern TURNED =
            compile("(?:then |and |now )*(?:turn|roll|flip) (?:the |your )?(?:client|partner|patient|them|her|him)");
    private static final Pattern TURNS_OVER = compile(
            "\\b(?:turn\\w*|roll\\w*|flip\\w*|bring|move|get|lies?|lying)(?: (?:the |your )?(?:client|partner|patient|them|her|him))?(?: (?:to|onto|on))? (?:over|prone|supine|face (?:up|down)|(?:the |their |her |his )?(?:back|belly|left side|right side|side))\\b");
    private static final Pattern ON_THE_BREATH = compile(
            "^(?:and |then )*(?:on|with|at) (?:the |each |every |their |an? )*(?<way>in ?breath|out ?breath|inhale|exhale|inhalation|exhalation) (?<rest>.+)$");
    private static final Pattern ASKS_FOR_BREATH =
            compile("^(?:then |and )*ask for (?:\\w+ ){0,3}(?:breaths?|inhales?|exhales?)$");

    private static final Pattern ITS_MOVE = compile(
            "(?:knee|elbow|hip|shoulder|wrist|ankle|head|arm|leg|foot|hand|jaw)s? (?:straightening|bending|lifting|turning|pushing|opening|closing|pressing)(?: \\w+)?");
    /** "Knee goes out and in." */
    private static final Pattern TO_AND_FRO = compile(
            "^(?:and |then |while )*(?:the |their )?(?:knees?|elbows?|hips?|shoulders?|wrists?|ankles?|legs?|foot|feet|arms?|toes|heels?) (?:goes?|going|moves?|moving|drops?|dropping|falls?|falling|swings?|slides?|bends?|turns?) (?:out and in|in and out|up and down|down and up|back and forth|and straightens?)\\b.*");

    private static final Pattern ON_MY_HAND = compile(
            "\\b(?:sink|sinks|rest|rests|fall|falls|drop|drops|heavy|hang|hangs) (?:down )?(?:on|onto|into|over) (?:my |your |the )?(?:curled |bent |soft )?(?<hand>fingers|fingertips|finger pads|knuckles|palms|thumbs)\\b");

    private static final Pattern ACROSS =
            compile("\\b(?:to|toward|towards) (?:the |their )?(?:opposite|other) (?:hip|shoulder|knee|elbow)\\b");

    private static final Pattern TOLD_AT_THE_END = compile(
            "^(?:then |and )*(?:tell|remind|ask) (?:the )?(?:client|them|her|him|partner|patient) to (?:get up|take (?:their|her|his|your) time|drink|dress|rest a|sit up slowly|call)\\b");

    private static final Pattern LOOKED_AT =
            compile("^(?:then |and |now |first )*(?:look at|watch|observe|see how|look how)\\b");

    private static final Pattern HOLDS_SO_LONG =
            compile("(?:and |then )*holds?(?: it| that)?(?: for)? \\d+ ?(?:s|sec|secs|seconds)");
    private static final Pattern OF_THEM = compile("\\w+ of them");
    private static final Pattern BY_THEM = compile("\\bby (?:the )?(?:client|partner|patient|them)\\b");
    /** "Pulls the foot up and lets go" moves it first. */
    private static final Pattern UP = compile(
            "\\b(?:pulls?|lifts?|raises?|bends?|points?|turns?|hikes?) (?:the |their )?\\w+(?: up| down| in| out| back)? (?:and|then) (?:lets? go|relax|release)");

    private static final Pattern UNTIL = compile("(?<=\\w )(?:un)?till?\\b");

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
        if (SITS.matcher(plain).matches()) {
            reading.position = Position.SEATED;
            if (plain.contains(" and ") || plain.contains(" facing ")) reading.aside.add(clause.text);
            return true;
        }
        var meanwhile = MEANWHILE.matcher(clause.text);
        if (meanwhile.matches()
                && (CLIENT_FIRST.matcher(plain).find()
                        || OPENS_ITSELF.matcher(plain).find())) {
            client(new Clause(meanwhile.group(1)), reading);
            // "While you hold": what they move is pinned.
            if (HOLDS_ON.matcher(meanwhile.group(2).strip()).matches() && reading.technique == null)
                reading.words(new Clause("pin"));
            else reading.clause(new Clause(meanwhile.group(2)));
            return true;
        }
        // "She agreed": they were asked.
        if (AGREES.matcher(plain).find()) {
            reading.words(new Clause("asked"));
            return true;
        }
        if (TURNED.matcher(plain).matches()) {
            reading.turned = true;
            return true;
        }
        if ((CLIENT_FIRST.matcher(plain).find()
                        || TURN_THE_CLIENT.matcher(plain).find())
                && TURNS_OVER.matcher(plain).find()) {
            reading.turned = true;
            var how = plain.replaceFirst("^(?:\\w+ )*?(?=(?:turn|roll|flip|bring|move|get|lie|lying))", "");
            how = how.replaceFirst(
                            "^\\w+ (?:the |your )?(?:client|partner|patient|them|her|him) (?=on|to|face|over|prone|supine)",
                            "")
                    .replaceFirst("^(?:onto|on to|to) ", "on ")
                    .replaceFirst("^on (?:the |their |her |his )?(left|right) side\\b", "side lying on $1");
            int and = how.indexOf(" and ");
            reading.words(new Clause(and < 0 ? how : how.substring(0, and)));
            if (and > 0) reading.clause(new Clause(how.substring(and + 5)));
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
            var many = number(BREATHS, Numbers.numbered(plain));
            if (many != null && many >= 1 && many <= 60) reading.breaths(many.intValue());
            return true;
        }
        if (TO_AND_FRO.matcher(plain).matches() && (reading.tool != null || reading.technique != null)) {
            reading.more.part.add(ClientPart.of(Does.MOVES));
            reading.own(DetailField.PART, clause.text);
            return true;
        }
        if (TOLD_AT_THE_END.matcher(plain).find()) return false;
        // "Look at the standing client" is the therapist's.
        if (LOOKED_AT.matcher(plain).find()) return false;
        // "Head: hold" is the hand's; after what the client does it is the client's.
        if (OF_THEM.matcher(plain).matches()) return false;
        // "Client resists, knee straightening", "client shrugs, holds 5 s": it is still the client's.
        if (!reading.more.part.isEmpty() && ITS_MOVE.matcher(plain).matches()) {
            reading.own(DetailField.PART, clause.text);
            return true;
        }
        if (HOLDS_ALONE.matcher(plain).matches() && reading.more.part.isEmpty()) return false;
        boolean subject =
                SUBJECT.matcher(plain).find() || CLIENT_FIRST.matcher(plain).find();
        boolean itself = BY_ITSELF.matcher(plain).find()
                || OPENS_ITSELF.matcher(plain).find()
                || !reading.more.part.isEmpty() && HOLDS_SO_LONG.matcher(plain).matches();
        // "Push up beside the spine with the palms" is the therapist's.
        if (itself && !subject && plain.startsWith("push") && reading.beside(plain).tool != null) itself = false;
        // "Bend and straighten the knee with the forearm pinning."
        if (itself && !subject && plain.startsWith("bend and straighten") && reading.strokeIn(plain)) itself = false;
        if (!subject && !itself) return false;
        // "90 s until she lets go" says when it ends.
        var end = UNTIL.matcher(plain);
        if (end.find()
                && !SUBJECT.matcher(plain.substring(0, end.start())).find()
                && !BY_ITSELF.matcher(plain.substring(0, end.start())).find()) return false;
        // "Ask them about tingling" is a question.
        if (Says.QUESTION.matcher(plain).find()) return false;
        // "They" is in a clause about the stroke, too.
        if (subject
                && !itself
                && !BY_THEM.matcher(plain).find()
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
        // "Let the head sink on curled fingers": those are the therapist's.
        var on = ON_MY_HAND.matcher(plain);
        if (on.find() && reading.tool == null && reading.technique == null)
            reading.words(new Clause("with " + on.group("hand")));
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
                        || f.does == Does.LETS_GO && !UP.matcher(plain).find()))
            found.removeIf(f -> f.does == Does.MOVES);
        // "Lets the mouth fall open."
        if (found.stream().anyMatch(f -> f.does == Does.OPENS)) found.removeIf(f -> f.does == Does.LETS_GO);
        if (found.stream().anyMatch(f -> f.does == Does.MOVES_TISSUE_ASIDE)) found.removeIf(f -> f.does == Does.HOLDS);
        if (found.isEmpty() && ACROSS.matcher(plain).find()) found.add(new Found(0, Does.MOVES));
        if (found.isEmpty()) {
            // "Inside the mouth only if they want it" is a place.
            if (!CLIENT_FIRST.matcher(plain).find() && !reading.placeless(plain)) return false;
            reading.own(DetailField.PART, clause.text);
            return true;
        }
        var numbers = Numbers.numbered(clause.text.toLowerCase(Locale.ROOT));
        var breaths = number(BREATHS, numbers);
        if (breaths != null && breaths >= 1 && breaths <= 60) reading.breaths(breaths.intValue());
        var times = number(TIMES, numbers);
        var seconds = number(SECONDS, numbers);
        var percent = number(
                PERCENT,
                Texts.replaced(
                        PARTS_OF,
                        numbers,
                        m -> m.group().contains("half") ? "50 %" : m.group().contains("third") ? "33 %" : "25 %"));
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
}
