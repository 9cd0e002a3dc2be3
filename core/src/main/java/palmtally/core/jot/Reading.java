package palmtally.core.jot;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import palmtally.core.Spelling;
import palmtally.core.body.Landmark;
import palmtally.core.body.Position;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;
import palmtally.core.profile.Band;
import palmtally.core.sequence.Care;
import palmtally.core.sequence.Direction;
import palmtally.core.sequence.Importance;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Saying;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Stance;
import palmtally.core.sequence.Stands;
import palmtally.core.sequence.detail.ClientPart;
import palmtally.core.sequence.detail.Comparison;
import palmtally.core.sequence.detail.Detail;
import palmtally.core.sequence.detail.DetailEdit;
import palmtally.core.sequence.detail.DetailField;
import palmtally.core.sequence.detail.End;
import palmtally.core.sequence.detail.FibreAngle;
import palmtally.core.sequence.detail.Limb;
import palmtally.core.sequence.detail.OtherHand;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Stroke;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;
import palmtally.core.technique.Tool;

/** What was understood of one line, word by word and clause by clause; {@link Making} makes a step of it. */
final class Reading {
    static final List<Zone> FOREARM = List.of(Zone.FOREARM_FLEXORS, Zone.FOREARM_EXTENSORS);

    /** How a place that is named belongs to the stroke. */
    enum Relation {
        ON,
        FROM,
        TO,
        NEAR
    }

    private static final Map<String, Relation> RELATIONS = Map.ofEntries(
            Map.entry("from", Relation.FROM),
            Map.entry("to", Relation.TO),
            Map.entry("toward", Relation.TO),
            Map.entry("towards", Relation.TO),
            Map.entry("beside", Relation.NEAR),
            Map.entry("near", Relation.NEAR),
            Map.entry("below", Relation.NEAR),
            Map.entry("above", Relation.NEAR),
            Map.entry("under", Relation.NEAR),
            Map.entry("between", Relation.NEAR),
            Map.entry("around", Relation.NEAR),
            Map.entry("round", Relation.NEAR),
            Map.entry("behind", Relation.NEAR),
            Map.entry("before", Relation.NEAR));

    /** What a stroke comes from where it goes on to somewhere else: "ankle to hip". */
    private static final Set<String> ENDS = Set.of(
            "shoulders",
            "top of shoulder",
            "top of shoulders",
            "tops of shoulders",
            "shoulder tops",
            "shoulder blade",
            "shoulder blades",
            "ear",
            "buttock",
            "hairline",
            "ankle",
            "wrist",
            "elbow",
            "knee",
            "hip",
            "hips",
            "knees",
            "ankles",
            "shoulder",
            "neck",
            "toes",
            "foot",
            "sole",
            "fingers",
            "sacrum",
            "armpit",
            "low back",
            "lower back",
            "sternum",
            "flank",
            "waist",
            "midline",
            "breastbone",
            "spine",
            "groin");

    private static final Map<String, Comparison.When> WHEN = Map.of(
            "before and after",
            Comparison.When.BEFORE,
            "before",
            Comparison.When.BEFORE,
            "after",
            Comparison.When.AFTER,
            "between",
            Comparison.When.BETWEEN);

    /** Which of the therapist's it is says nothing of the client's side. */
    private static final Set<String> ONE_HAND =
            Set.of("thumb", "fist", "knuckles", "knuckle", "fingertips", "fingers", "palm", "index");

    /** From the elbow a stroke goes to these; to all else the elbow goes itself. */
    private static final Set<String> OF_THE_ARM =
            Set.of("wrist", "shoulder", "hand", "armpit", "fingers", "deltoid", "axilla", "fingertips");

    /** The near one of two is no place that something is near to. */
    private static final Set<String> OF_TWO = Set.of("one", "side", "arm", "leg", "hand", "foot", "flank", "hip");

    private static final Set<String> AT_THE = Set.of("knee", "elbow", "wrist", "ankle", "hip", "heel");

    /** Strokes by the noun: they are given to a place. */
    private static final Set<String> NOUNS = Set.of(
            "effleurage",
            "petrissage",
            "friction",
            "frictions",
            "tapotement",
            "vibration",
            "compression",
            "compressions",
            "wringing",
            "kneading",
            "raking",
            "rocking",
            "shaking",
            "pressure",
            "heat",
            "cold",
            "ice");

    private static final Set<String> GOES_ON = Set.of("along", "over", "across", "through");

    private static final Set<String> LAID = Set.of("on", "at", "in", "into");

    /** "Hand flat on the sacrum." */
    private static final Set<String> SOFTLY =
            Set.of("flat", "lightly", "softly", "gently", "quietly", "still", "resting", "simply");

    /** Both hands over the ears rest there. */
    private static final Set<String> OVER = Set.of("over", "under", "around");

    /** "From the left hip" comes from there. */
    private static final Set<String> SIDED = Set.of("left", "right", "l", "r");

    /** "Sacrum up to C7" goes from the one to the other as well. */
    private static final Set<String> ON_THE_WAY = Set.of("up", "down", "out", "over", "along");

    private static final Pattern ONLY_DOSE = Pattern.compile(
            "(?:for |about |max |maximum |at most |up to |no more than )?(?:\\d+(?:\\.\\d+)?|an?|half a|[a-z]{3,7}) ?(?:s|sec|secs|seconds|min|mins|minutes?|x|times|passes|strokes)");

    private static final Pattern TIMES_ALONE = Pattern.compile("(?:x ?)?(\\d{1,2})(?: ?x| times)?");

    /** After a number two strokes are seconds. */
    private static final Pattern INCHES = Pattern.compile("(?<=\\d)\\s?[\"″](?=[\\s,;)]|$)");

    private static final Pattern SAID = Pattern.compile("[\"“”„]([^\"“”„]*)[\"“”„]");

    private static final Pattern NUMBER_AT_MOST =
            Pattern.compile("(?i)\\bnumber (\\d+) (?:at (?:the )?most|max(?:imum)?|or less)\\b");

    /** "Not over 5/10." */
    private static final Pattern OF_TEN_AT_MOST = Pattern.compile(
            "(?i)\\b(?:not (?:over|above|beyond|more than)|no more than|never (?:over|above)|at most|max(?:imum)?|up to) (\\d+) ?(?:/|out of) ?10\\b"
                    + "|\\b(\\d+) ?(?:/|out of) ?10 (?:at most|max(?:imum)?|or less)\\b"
                    + "|\\bkeep (?:it|them|this|that|(?:the )?(?:pressure|number)) (?:under|below|at most|at or under|at or below|no higher than) (?:a |an )?(\\d+)(?: ?(?:/|out of) ?10)?\\b");

    /** "Lean from the back foot": the therapist stands in a lunge, and works on no foot. */
    private static final Pattern FROM_MY_FOOT = Pattern.compile(
            "(?i)\\b((?:lean|push|drive|press|sink|move|work|come|shift)\\w*(?: \\w+){0,3}?|power|weight) (?:from|off|through|over|onto|into) (?:the |your |my )?(?:back|front|rear) (?:foot|leg|heel)\\b");

    /** "As deep as the breath allows" is no depth. */
    private static final Pattern AS_MUCH_AS = Pattern.compile(
            "(?i)\\b(?:only )?(?:as|so) (?:deep|deeply|slow|slowly|fast|hard|heavy|light|firm|far|much|long) as\\b.*");

    /** The way back is no place of its own. */
    private static final Pattern COMES_HOME = Pattern.compile(
            "(?i)^(?:and |then )*(?:coming|come|comes|going|go|gliding|glide|sliding|slide) (?:home|back) (?:along|by|down|over|around|round|on|to|the)\\b[^\\d]*$|^(?:and |then )*(?:returning|return) (?:along|by|down|over|around|round|on|to|the)\\b[^\\d]*$");

    private static final Pattern TO_GLUTE = Pattern.compile("(?i)\\bto (?:the )?glute\\b(?! (?:max|med|min))");

    /** Nobody presses on it. */
    private static final Pattern BY_THE_SPINE =
            Pattern.compile("(?i)\\b(?:by|close by|close to|right by) the spine\\b");

    /** "Begin at the right hip" comes from there. */
    private static final Pattern BEGINS_AT =
            Pattern.compile("(?i)\\b(?:begin|start)(?:s|ning|ing)? (?:at|from) (?!the head\\b|head\\b)");

    private static final Pattern ON_THE_OTHER = Pattern.compile(
            "(?i)\\b(?:one |a )?(?:hand|palm) (?:on )?top of (?:the )?other\\b|\\b(?:one )?hands? (?:one )?on top of (?:the other|each other|one another)\\b");

    private static final Pattern DRAWN_LONG = Pattern.compile(
            "(?i)\\b(?:draw|pull|lengthen|ease) ((?:the |their |her |his )?(?:left |right )?(?:leg|arm|neck|head)) (?:long|longer|out long|long and away)\\b");

    /** All the way down. */
    private static final Pattern HEAD_TO = Pattern.compile(
            "(?i)(?<!from )(?<!from the )\\b(?:head|skull|occiput) to (?=(?:the )?(?:heels?|toes?|feet|foot|sacrum|tailbone|ankles?)\\b)");

    /** "Wipe the oil off with a warm towel" is no heat. */
    private static final Pattern WIPES = Pattern.compile(
            "^(?:then |and |now )*(?:wipe|blot|clean|dry) (?=.*\\b(?:warm|hot)\\b).*\\b(?:oil|lotion|cream|balm|butter|gel|lubricant|excess)\\b.*");

    /** "Bend and straighten the wrist for her": she does nothing. */
    private static final Pattern FOR_THEM = Pattern.compile("(?i)(?<=\\w) for (?:her|him|them|the client)\\s*$");

    /** "I move the foot": who teaches works. */
    private static final Pattern I_DO = Pattern.compile(
            "(?i)^(?:and |then |while )*(?:i|we|you) (?=(?:move|bend|turn|rotate|lift|straighten|circle|swing|flex|extend) )");

    /** "Down to C7 and back up to the skull" goes up, from the one to the other. */
    private static final Pattern DOWN_AND_UP = Pattern.compile(
            "(?i)\\bdown to (.{2,30}?) and (?:(?:then |come |draw |pull |go |slide |glide )*)(?:back )?up to (?=\\w)");

    /** The hands beneath who lies on the back; what they do there may follow. */
    private static final Pattern UNDER = Pattern.compile(
            "(?:then |and |now )*(?:(?:slide|slip|bring|put|place) )?(?:both |the |your |my |two )*hands (?:under|beneath|underneath) (?:the |their |her |his )?((?:(?:upper|lower|low|mid|middle|whole) )?back|shoulder blades?|blades?|sacrum|neck|pelvis|waist)(?: from (?:the )?\\w+)?");

    @Nullable
    Technique technique;

    /** Whether the stroke says only that the hand stays. */
    boolean weak;

    @Nullable
    Tool tool;

    @Nullable
    String hand;

    final List<Zone> zones = new ArrayList<>();

    final Map<String, List<Structure>> structures = new LinkedHashMap<>();

    /** Where it lies near to, comes from or goes to: that is the zone where none is said. */
    final List<List<Zone>> nearby = new ArrayList<>();

    /** Those of them that it only comes from or goes to. */
    final List<List<Zone>> ends = new ArrayList<>();

    /** How many of these it only goes to. */
    int toward;

    /** What else is said. */
    final DetailEdit more = Detail.NONE.edit();

    Technique.@Nullable Effort effort;

    End.@Nullable When until;

    /** Whether the seconds that are said are the most it may take. */
    boolean capped;

    /** When it is compared, as the head of the line says. */
    Comparison.@Nullable When compared;

    /** The clause that says what is compared; it is the step where nothing else is. */
    @Nullable
    String comparing;

    int deeper;

    boolean otherSide;

    boolean same;

    @Nullable
    Band band;

    /** What the last word says of the place that follows it. */
    Relation relation = Relation.ON;

    private String related = "";

    /** The word before the phrase that is being taken, and whether an article stands between them. */
    private String before = "";

    private boolean article;

    /** The phrase that is being taken. */
    private String said = "";

    /** Places that are said beside the work, in their words. */
    final List<String> aside = new ArrayList<>();

    /** The side of the neck that a turned head shows: it is worked, where nothing else is said. */
    @Nullable
    Sides shown;

    /** Words that are not known, and of each whether the one before it stood right before it. */
    final List<String> unknown = new ArrayList<>();

    private final List<Boolean> together = new ArrayList<>();

    @Nullable
    Sides side;

    @Nullable
    Integer depth;

    @Nullable
    Sheet sheet;

    @Nullable
    Lubricant lubricant;

    @Nullable
    Position position;

    @Nullable
    Phase phase;

    @Nullable
    Importance importance;

    @Nullable
    Direction direction;

    @Nullable
    Direction updown;

    boolean leg;

    @Nullable
    Stands stands;

    @Nullable
    Stance stance;

    final Set<Care> care = new TreeSet<>();

    /** A hand: the client's where nothing else is worked, else the one that works. */
    boolean handNamed;

    /** It goes along, over or across something. */
    boolean goesOn;

    /** Both legs beside something else. */
    boolean legs;

    /** The calf, but for who lies on the side: there it is the leg below. */
    boolean lowerLeg;

    /** The thigh, and not which side of it. */
    boolean thigh;

    /** As light as a feather: that is a stroke where none is said. */
    boolean feathers;

    /** A finger: the client's where a joint is moved. */
    boolean fingerNamed;

    /** So many strokes are said. */
    boolean strokes;

    /** Oil is spread, whatever else is done. */
    boolean oils;

    /** It goes each way, as a joint is circled. */
    boolean bothWays;

    /** Hands, and not one. */
    boolean handsNamed;

    /** The forearm: the client's where another hand works, else the therapist's. */
    boolean forearmNamed;

    /** A spot is felt for, where no stroke is said besides. */
    boolean finds;

    /** So many fingers and no more: they draw along a muscle rather than glide over it. */
    boolean fewFingers;

    /** Where the waist is worked it is the belly of who lies on the back, and else the low back. */
    boolean waist;

    /** A limb is laid somewhere, and nothing worked. */
    boolean arranges;

    /** A joint is bent or pushed by the hand, where no stroke is said besides. */
    boolean bendsJoint;

    /** The therapist leans back: a limb that is held is pulled by it. */
    boolean leansBack;

    /** It is rubbed, and not said how. */
    boolean rubbed;

    /** The articles within the phrase that is being taken. */
    String articles = "";

    /** The part before told a second stroke, where the first has its dose. */
    private boolean second;

    /** The part before was about what the client does. */
    private boolean clients;

    /** It goes along what is named, and no hand is said. */
    boolean traces;

    /** All of the body. */
    boolean body;

    /** It goes along something. */
    boolean along;

    /** It goes across something. */
    boolean across;

    /** Whether it tells what must not be done. */
    boolean spared;

    /** "Thumbs round the kneecap." */
    boolean round;

    /** How the sheet lies is said, and perhaps nothing else. */
    boolean drapes;

    /** The head is bent to a side by the hand. */
    boolean bends;

    /** The back, and not which part of it. */
    boolean back;

    /** The hand is a cup, and may do something else. */
    boolean cupped;

    /** Friction is said, and not which. */
    boolean rubs;

    /** Pressure is said, and not how much of it. */
    boolean pressed;

    /** The count is a number that stands alone. */
    boolean lone;

    /** A hand is said to be on something. */
    boolean laidOn;

    /** The hand sinks in and stays, where no stroke is said besides. */
    boolean sinks;

    /** A tendon is named. */
    boolean tendon;

    /** To one side and back again, in its words: across the fibre where it rubs. */
    @Nullable
    String toAndFro;

    /** How many seconds each of so many takes, where it is a hold: "3 x 10". */
    @Nullable
    Double each;

    /** The palm: the client's where another hand works, else the one that works. */
    boolean palmNamed;

    /** The heel: the client's where nothing else is worked, else that of the hand. */
    boolean heelNamed;

    /** Both heels. */
    boolean pairNamed;

    /** The client turns over. */
    boolean turned;

    /** A limb that lies somewhere. */
    @Nullable
    String limbNamed;

    boolean sideLying;

    /** The client stays dressed, or does no longer; null where nothing is said of it. */
    @Nullable
    Boolean clothed;

    /** Whether "before" is said of what is compared. */
    boolean sayBefore;

    final List<Zone> moved = new ArrayList<>();

    boolean behindTheHead;

    boolean bolster;

    @Nullable
    Double seconds;

    @Nullable
    Integer count;

    Dose.@Nullable Kind counted;

    @Nullable
    Double rate;

    /** How much of their strength the client uses. */
    @Nullable
    Integer percent;

    final List<Saying> say = new ArrayList<>();

    final Techniques library;

    /** What this school calls its hands and techniques: it wins over what is known everywhere. */
    private final Map<String, Consumer<Reading>> own;

    /** Words of the longest phrase that is known. */
    private final int longest;

    /** What was found out on one line: parts that were read by themselves, and what a misspelt word may be. Several ask for the same. */
    private record Found(Map<String, Reading> parts, Map<String, Optional<Consumer<Reading>>> misspelt) {
        Found() {
            this(new HashMap<>(), new HashMap<>());
        }
    }

    private final Found found;

    Reading(Techniques library, Map<String, Consumer<Reading>> own) {
        this(library, own, new Found(), Math.max(JotWords.EVERYWHERE_LONGEST, JotWords.longest(own)));
    }

    private Reading(Techniques library, Map<String, Consumer<Reading>> own, Found found, int longest) {
        this.library = library;
        this.own = own;
        this.found = found;
        this.longest = longest;
    }

    /** The clause that is read. */
    private String within = "";

    /** Where the work is by the head of the line, such as "piriformis:"; what is named after it elsewhere is only near. */
    private List<Zone> head = List.of();

    List<Zone> head() {
        return head;
    }

    /** Whether a place after the head of a line is another part of the body: "piriformis: swing the foot out". */
    private boolean foreign(List<Zone> in) {
        return relation == Relation.ON
                && !head.isEmpty()
                && stroke(within) == null
                && in.stream().noneMatch(z -> head.stream().anyMatch(h -> h.region() == z.region()));
    }

    /** What no step can have is not taken. */
    void forgetNumbers() {
        depth = null;
        band = null;
        seconds = null;
        count = null;
        counted = null;
        each = null;
        rate = null;
    }

    /** Words that were not understood, those that stood together together. */
    List<String> note() {
        var all = new ArrayList<String>();
        for (int i = 0; i < unknown.size(); i++) {
            var word = unknown.get(i);
            if (i > 0 && together.get(i)) all.set(all.size() - 1, all.get(all.size() - 1) + " " + word);
            else all.add(word);
        }
        all.addAll(aside);
        return all;
    }

    /** How the client's forearm is turned, where it stands by itself: "palm down the back" is a stroke. */
    private static final Set<String> TURNED =
            Set.of("palm up", "palm down", "palms up", "palms down", "thumb up", "palm facing up", "palm facing down");

    /** "Ask: any clicking?" is one thing. */
    private static final Set<String> ALONE = Set.of("ask", "check in", "say", "explain", "tell", "tell them", "warn");

    /** Before a colon, with another hand after it, it is the client's. */
    private static final Set<String> OF_THE_HAND = Set.of("palm", "palms", "the palm", "the palms", "hand", "hands");

    private static final Set<String> FINGERS = Set.of("fingers", "the fingers");

    private static final Pattern NOT_THAT = Pattern.compile("no|nope|not .*|no .*|too \\w+");

    /** "Elbow: rest it beside the spine" is the therapist's. */
    private static final Pattern RESTED =
            Pattern.compile("^(?:\\w+ )?(?:rest|sink|lean|press|put|place|drop|park|lay|set) (?:it|in|into|on)\\b");

    private static final Set<String> ELBOW = Set.of("elbow", "elbows", "the elbow", "the elbows");

    void take(String text) {
        text = Shorthand.writtenOut(INCHES.matcher(text).replaceAll(" s"));
        var said = SAID.matcher(text);
        while (said.find())
            if (!said.group(1).isBlank())
                say.add(Saying.of(kindOf(said.group(1)), Aside.cut(said.group(1).trim(), 400)));
        var clauses = Clause.of(joined(SAID.matcher(text).replaceAll(" ")));
        if (!clauses.isEmpty() && Says.FOR_HOME.matcher(clauses.get(0).plain).find()) {
            say.add(Saying.of(SayKind.CLOSING, Aside.cut(text.strip(), 400)));
            return;
        }
        for (int at = 0; at < clauses.size(); ) {
            if (at == 0
                    && clauses.get(at).heads()
                    && (OF_THE_HAND.contains(clauses.get(at).plain)
                            || FINGERS.contains(clauses.get(at).plain)
                                    && (at + 1 == clauses.size()
                                            || beside(clauses.get(at + 1).plain).placeless()))) {
                zones.add(Zone.HAND);
                at++;
                continue;
            }
            // "Elbow? No: forearm": the second hand is meant.
            if (clauses.get(at).asks()
                    && at + 1 < clauses.size()
                    && NOT_THAT.matcher(clauses.get(at + 1).plain).matches()) {
                clause(clauses.get(at));
                tool = null;
                hand = null;
                at += 2;
                continue;
            }
            // "Before: compare the shoulders", "after the left leg: compare".
            var first = clauses.get(at).plain.split(" ")[0];
            if (at == 0 && clauses.get(at).heads() && WHEN.containsKey(first)) {
                compared = WHEN.get(first);
                if (first.equals(clauses.get(at).plain)) {
                    at++;
                    continue;
                }
            }
            // Beside the elbow the forearm is worked; its crook is spared.
            if (at == 0
                    && clauses.get(at).heads()
                    && ELBOW.contains(clauses.get(at).plain)
                    && !(at + 1 < clauses.size()
                            && RESTED.matcher(clauses.get(at + 1).plain).find())) {
                zones.add(Zone.FOREARM_EXTENSORS);
                aside.add(clauses.get(at).text);
                at++;
                continue;
            }
            if (ALONE.contains(clauses.get(at).plain)
                    && at + 1 < clauses.size()
                    && !ALONE.contains(clauses.get(at + 1).plain)
                    && clauses.get(at).introduces(clauses.get(at + 1))
                    && !strokeIn(clauses.get(at + 1).plain)) {
                clause(new Clause(clauses.get(at).text + " " + clauses.get(at + 1).text));
                at += 2;
                continue;
            }
            if (turnsFirst(clauses, at)) {
                at++;
                continue;
            }
            // "Fist on the sole, 30 s; toes: stretch up": a second step.
            if (at > 0
                    && clauses.get(at).colon()
                    && at + 1 < clauses.size()
                    && (technique != null || tool != null)
                    && (seconds != null || count != null)
                    && beside(clauses.get(at).plain).workless()
                    && !beside(clauses.get(at).plain).placeless()
                    && stroke(clauses.get(at + 1).plain) != null) {
                aside.add(clauses.get(at).text + ": " + clauses.get(at + 1).text);
                at += 2;
                continue;
            }
            int used = Instead.branch(clauses, at, this);
            if (used == 0) clause(clauses.get(at));
            if (at == 0
                    && clauses.size() > 1
                    && workless()
                    && note().isEmpty()
                    && (clauses.get(0).heads() || zones.isEmpty())) head = new Making(this, Context.NONE).named();
            at += Math.max(1, used);
        }
    }

    private static final Pattern TURNED_FIRST = Pattern.compile(
            "^(?:then |and )*(?:rotate|turn|roll|tilt)(?:d|ed)?(?: it| the neck| neck)? (?:to )?(?:the )?(left|right|l|r)(?: side)?$");

    private static final Pattern HEAD = Pattern.compile("\\b(?:head|neck)\\b");

    /** "Neck: rotate left, fist from the ear to the shoulder": the head lies so for what is done then. */
    private boolean turnsFirst(List<Clause> clauses, int at) {
        var m = TURNED_FIRST.matcher(clauses.get(at).plain);
        if (!m.matches()
                || clauses.subList(0, at).stream()
                        .noneMatch(c -> HEAD.matcher(c.plain).find())
                || clauses.subList(at + 1, clauses.size()).stream().noneMatch(c -> strokeIn(c.plain))) return false;
        more.limb.add(Limb.HEAD_TURNED);
        own(DetailField.LIMB, clauses.get(at).text);
        shown = m.group(1).startsWith("l") ? Sides.RIGHT : Sides.LEFT;
        return true;
    }

    /** Names that have a comma of their own, such as "Petrissage, wringing", are not parted by it. */
    private String joined(String text) {
        var all = text;
        var names = Stream.concat(
                library.offered().stream().map(Technique::name),
                Arrays.stream(Zone.values()).map(Zone::label));
        for (var name : names.filter(n -> n.contains(",")).toList()) {
            int at = all.toLowerCase(Locale.ROOT).indexOf(name.toLowerCase(Locale.ROOT));
            if (at >= 0) all = all.substring(0, at) + name.replace(",", "") + all.substring(at + name.length());
        }
        return all;
    }

    /** Whether these words are one phrase that is known. */
    boolean known(List<String> words) {
        var bare = words.stream().filter(w -> !JotWords.ARTICLES.contains(w)).toList();
        return meaning(String.join(" ", bare)) != null;
    }

    /** What a text says, by itself. */
    Reading beside(String text) {
        var known = found.parts.get(text);
        if (known != null) return known;
        var sub = new Reading(library, own, found, longest);
        sub.words(new Clause(text));
        found.parts.put(text, sub);
        return sub;
    }

    void clause(Clause said) {
        var text = NUMBER_AT_MOST.matcher(said.text).replaceAll("number under $1");
        text = OF_TEN_AT_MOST.matcher(text).replaceAll("number under $1$2$3");
        if (technique != null && COMES_HOME.matcher(text).find()) {
            aside.add(text.strip());
            return;
        }
        text = TO_GLUTE.matcher(text).replaceAll("to the glutes");
        text = BY_THE_SPINE.matcher(text).replaceAll("beside the spine");
        if (technique != null || !zones.isEmpty())
            text = BEGINS_AT.matcher(text).replaceAll("from ");
        text = ON_THE_OTHER.matcher(text).replaceAll("hand on hand");
        text = DRAWN_LONG.matcher(text).replaceAll("traction $1");
        text = HEAD_TO.matcher(text).replaceAll("from the base of the skull to ");
        var allowed = AS_MUCH_AS.matcher(text);
        if (allowed.find()) {
            aside.add(allowed.group().strip());
            text = allowed.replaceAll(" ");
        }
        var foot = FROM_MY_FOOT.matcher(text);
        if (foot.find()) {
            stance = Stance.LUNGE;
            text = foot.replaceAll("$1");
        }
        text = I_DO.matcher(text).replaceFirst("");
        text = FOR_THEM.matcher(DOWN_AND_UP.matcher(text).replaceAll("from $1 up to "))
                .replaceAll("");
        var whole = Lying.uncovered(Lying.brought(new Clause(text)));
        if (whole.plain.isEmpty()) return;
        if (WIPES.matcher(whole.plain).matches()) {
            aside.add(whole.text);
            return;
        }
        // "Long strokes, five, then knead, thirty seconds": so long it is kneaded.
        if (second && ONLY_DOSE.matcher(whole.plain).matches()) {
            aside.add(whole.text);
            return;
        }
        second = false;
        behindTheHead |= CRADLES.matcher(whole.plain).find();
        // "Squeeze 45 s, client shrugs, lets go, x3": so often the client does.
        var times = clients && technique != null && technique.stroke().warming() && seconds != null && count == null
                ? TIMES_ALONE.matcher(whole.plain)
                : null;
        clients = ClientDoes.client(whole, this);
        if (clients) return;
        if (times != null && times.matches()) {
            var first = more.part.get(0);
            more.part.set(
                    0, new ClientPart(first.does(), Integer.valueOf(times.group(1)), first.seconds(), first.percent()));
            return;
        }
        if (Says.said(whole, this) || Aside.spares(whole, this) || Lying.liftsFirst(whole, this)) return;
        if (Aside.wonders(whole, this) || Aside.felt(whole, this)) return;
        var under = UNDER.matcher(whole.plain);
        if (under.matches()) {
            stroke(library.toUse("still-hold"), true);
            words(new Clause(under.group(1)));
            position = Position.SUPINE;
            tool = Tool.PALM;
            return;
        }
        if (Lying.lays(whole, this) || OtherHands.byTheOther(whole, this) || Lying.ofTheSheet(whole, this)) return;
        if (Lying.nowLies(said, this) || Lying.shortens(whole, this)) return;
        if (OtherHands.moves(whole, this) || OtherHands.byMe(whole, this)) return;
        if (TURNED.contains(whole.plain)
                && (zones.isEmpty() && structures.isEmpty() && !leg
                        || zones.stream().anyMatch(z -> z.region().ofArm())
                        || !structures.isEmpty())) {
            own(DetailField.LIMB, whole.text);
            return;
        }
        if (whole.plain.equals("across") || whole.plain.equals("cross") && tool != null && tool.pointed()) {
            if (zones.contains(Zone.BELLY)) aside.add(whole.text);
            else if (technique != null
                    ? technique.stroke() == Stroke.CIRCULAR_FRICTION
                    : tool == null || tool.pointed() || tool == Tool.FINGER_PADS || tool == Tool.REINFORCED_FINGERS)
                more.fibre = FibreAngle.ACROSS;
            else aside.add(whole.text);
            return;
        }
        if (whole.plain.equals("under") && tool != null && !placeless()) {
            sinks = true;
            aside.add(whole.text);
            return;
        }
        if (Aside.circles(whole, this) || Aside.finds(whole, this)) return;
        if (comparing != null && WHEN.containsKey(whole.plain)) {
            more.compares = new Comparison(more.compares.what(), WHEN.get(whole.plain));
            sayBefore = whole.plain.startsWith("before");
            return;
        }
        if (Compares.compares(whole, this)) {
            // Where it is compared is where the work is; "look at the feet" stands nowhere.
            var sub = beside(whole.text.replaceFirst("(?i)\\blook at\\b", "look"));
            sub.zones.forEach(zones::add);
            structures.putAll(sub.structures);
            nearby.addAll(sub.nearby);
            leg |= sub.leg;
            if (sub.side != null) side = sub.side;
            if (sub.position != null) position = sub.position;
            return;
        }
        if (Lying.lies(whole, this)) return;
        var own = OtherHands.otherHand(whole, this);
        if (own.plain.isEmpty()) return;
        // "Thumb across, one minute, then rest, three rounds": nothing is held.
        if (own.plain.equals("rest") && tool != null && (seconds != null || count != null)) {
            aside.add(own.text);
            return;
        }
        // "Friction 2 min, then rest 1 min": the rest has a time of its own.
        var rests = beside(own.text);
        if ((technique != null ? !weak : tool != null && (rests.heelNamed || said.next()))
                && (rests.weak || said.next() && rests.sinks)
                && rests.placeless()
                && rests.tool == null
                && rests.seconds != null
                && (seconds != null || count != null)) {
            aside.add(own.text);
            return;
        }
        // "Hold the foot and squeeze the calf": the calf is worked.
        if (technique != null
                && weak
                && tool == null
                && structures.isEmpty()
                && stroke(own.plain) != null
                && !beside(own.plain).placeless()) {
            if (!zones.isEmpty()) more.otherHand = OtherHand.HOLDS_THE_JOINT;
            zones.clear();
            structures.clear();
        }
        // "Thumbs open the palm, 45 s; pull each finger": the second is a step of its own.
        var next = beside(own.plain);
        if (stroke(own.plain) != null
                && technique == null
                && strokes
                && count != null
                && (next.seconds != null || next.count != null)) {
            aside.add(own.text);
            return;
        }
        if (stroke(own.plain) != null
                && technique == null
                && (tool != null || forearmNamed)
                && (seconds != null || count != null)
                && !(zones.isEmpty() && structures.isEmpty())
                && !(next.zones.isEmpty() && next.structures.isEmpty())) {
            aside.add(own.text);
            return;
        }
        if (passes(own)) {
            aside.add(own.text);
            return;
        }
        // "Rest the hand, three breaths, then clockwise ten": what follows is told beside it.
        if (technique != null
                && said.next()
                && next.direction == Direction.CIRCULAR
                && (seconds != null || count != null)
                && next.placeless()) {
            aside.add(own.text);
            return;
        }
        // One stroke is one step: what is done after it is told beside it.
        var another = stroke(own.plain);
        // "Ten circles" of a glide are as many passes.
        if (another != null
                && another.stroke() == Stroke.CIRCULAR_FRICTION
                && beside(own.text).count != null
                && technique != null
                && !weak
                && seconds == null
                && count == null) {
            count = beside(own.text).count;
            counted = Dose.Kind.PASSES;
            return;
        }
        // "Client pushes 20 %, 6 s x 3, then knead": the kneading is a step of its own.
        if (another != null
                && technique == null
                && tool == null
                && another.stroke() != Stroke.STRETCH
                && another.stroke() != Stroke.CONTRACT_RELAX
                && (percent != null || seconds != null || count != null)
                && more.part.stream().anyMatch(p -> p.does() == ClientPart.Does.PUSHES)
                && beside(own.text).placeless()) {
            aside.add(own.text);
            return;
        }
        // "Forearm up, 4; then wring 30 s": the wringing is a step of its own.
        if (another != null
                && technique == null
                && (tool != null || forearmNamed)
                && said.next()
                && (seconds != null || count != null)
                && (next.seconds != null || next.count != null)
                && next.placeless()) {
            aside.add(own.text);
            return;
        }
        // "Knuckles, 30 s; thumbs outward, 5 x": the thumbs are a step of their own.
        if (technique == null
                && tool != null
                && beside(own.text).tool != null
                && beside(own.text).tool != tool
                && another == null
                && (seconds != null || count != null)
                && !own.plain.startsWith("or ")) {
            aside.add(own.text);
            second = true;
            return;
        }
        // "Knead 1 min, then forearm 3 passes": another hand with its own dose is another step.
        var hand = beside(own.text);
        if (technique != null
                && !weak
                && another == null
                && (seconds != null || count != null)
                && (hand.tool != null || hand.forearmNamed)
                && (hand.seconds != null || hand.count != null)) {
            aside.add(own.text);
            return;
        }
        // "Side bend the neck, press the shoulder down, stretch 20 s": it is pressed to stretch it.
        if (another != null
                && another.stroke() == Stroke.STRETCH
                && technique != null
                && technique.id().equals("static-press")
                && tool == null
                && seconds == null
                && count == null
                && !more.limb.isEmpty()
                && next.placeless()) {
            technique = null;
            if (!structures.isEmpty()) zones.clear();
        }
        // "Pull the leg back, stretch the front of the hip 20 s": it is pulled to stretch it.
        if (another != null
                && another.stroke() == Stroke.STRETCH
                && technique != null
                && technique.stroke() == Stroke.TRACTION
                && seconds == null
                && count == null
                && !next.placeless()) {
            technique = null;
            leg = false;
            zones.clear();
        }
        if (another != null && technique != null && !weak && !cupped && !another.equals(technique) && !names(another)) {
            aside.add(own.text);
            second = seconds != null || count != null;
            // "Knead, squeeze, wring 2 min": the time is of all of them.
            var last = beside(own.text);
            if (seconds == null
                    && count == null
                    && last.placeless()
                    && technique.stroke().warming()
                    && another.stroke().warming()) {
                seconds = last.seconds;
                if (last.seconds == null) {
                    count = last.count;
                    counted = last.counted;
                }
            }
            return;
        }
        words(Ends.until(Aside.why(OtherHands.meanwhile(own, this), this), this));
    }

    /** Whether a clause beside the work names a place in passing: "off the kidneys", "then bent", but not one more place of a list. */
    private boolean passes(Clause clause) {
        if (placeless() || zones.isEmpty() && structures.isEmpty()) return false;
        var sub = beside(clause.plain);
        return sub.technique == null
                && sub.tool == null
                && !sub.forearmNamed
                && sub.seconds == null
                && sub.count == null
                && sub.more.from == null
                && sub.more.to == null
                && sub.more.words.isEmpty()
                && sub.sheet == null
                && sub.position == null
                && sub.side == null
                && sub.depth == null
                && !(sub.zones.isEmpty() && sub.structures.isEmpty())
                && !sub.unknown.isEmpty()
                && (technique != null || tool != null || forearmNamed);
    }

    /** The stroke that a text names by itself; null where it names none, or only that the hand stays. */
    private @Nullable Technique stroke(String text) {
        var sub = beside(text);
        return sub.weak ? null : sub.technique;
    }

    /** Whether a stroke says only which one is meant: "tapotement, cupping". */
    private boolean names(Technique stroke) {
        return technique != null && technique.id().equals("tapotement") && stroke.stroke() == Stroke.TAPOTEMENT;
    }

    /** Takes a stroke: the first that is said is meant, and one that says only that the hand stays gives way. */
    void stroke(Technique stroke, boolean stays) {
        // "Cup the buttock and jiggle it": the hand is a cup.
        if (technique == null || weak && !stays || names(stroke) || cupped && !stays) {
            if (said.startsWith("rib ")) nearby.add(List.of(Zone.ARMPIT));
            technique = stroke;
            cupped = said.equals("cup");
            weak = stays;
        } else if (!technique.equals(stroke) && !stays) aside.add(said);
    }

    private static final Set<String> OF_THE_BLADE = Set.of("blade", "scapula", "shoulder");

    private static final Set<String> OF_A_MUSCLE = Set.of("belly", "bellies");

    /** "The whole back of the leg." */
    private static final Set<String> HAS_A_BACK =
            Set.of("leg", "legs", "thigh", "thighs", "knee", "neck", "hand", "calf", "arm", "shoulder", "body", "head");

    private static final Pattern VERTEBRA = Pattern.compile("[clt]\\d{1,2}|s1");

    private static final Pattern CRADLES = Pattern.compile("\\bcradl\\w* (?:the |their |her |his )?head\\b");

    private static final Pattern RETURNS =
            Pattern.compile("\\band (?:return|come back|go back|glide back|slide back)\\b[^\\d]*$");

    void words(Clause clause) {
        within = clause.plain;
        var returns = RETURNS.matcher(clause.plain);
        if (returns.find() && returns.start() > 0) {
            aside.add(returns.group());
            clause = new Clause(clause.plain.substring(0, returns.start()));
        }
        var rest = Lying.laid(
                Doses.taken(" " + Numbers.numbered(clause.plain) + " ", this).strip(), this);
        var tokens = new ArrayList<String>();
        var articles = new ArrayList<String>();
        var lead = "";
        for (var word : rest.split("\\s+")) {
            if (word.isEmpty()) continue;
            if (JotWords.ARTICLES.contains(word)) lead += word + " ";
            else {
                tokens.add(word);
                articles.add(lead);
                lead = "";
            }
        }
        int lastUnknown = -2;
        relation = Relation.ON;
        for (int at = 0; at < tokens.size(); ) {
            int used = 0;
            boolean kept = false;
            for (int length = Math.min(longest, tokens.size() - at); length > 0 && used == 0; length--) {
                var phrase = String.join(" ", tokens.subList(at, at + length));
                // "The right side of the neck" is a place.
                if (length == 2
                        && phrase.endsWith(" side")
                        && at + 2 < tokens.size()
                        && tokens.get(at + 2).equals("of")) continue;
                if (length > 1
                        && phrase.endsWith(" back")
                        && at + length + 1 < tokens.size()
                        && tokens.get(at + length).equals("of")
                        && HAS_A_BACK.contains(tokens.get(at + length + 1))) continue;
                // "Along the spine of the blade" is along that edge.
                if (phrase.endsWith("spine")
                        && at + length + 1 < tokens.size()
                        && tokens.get(at + length).equals("of")
                        && OF_THE_BLADE.contains(tokens.get(at + length + 1))) continue;
                // "Forearm through the lats" goes through them; a sheet is named, or the word stands last.
                if (phrase.equals("through") && at + 1 < tokens.size()) continue;
                var meaning = meaning(phrase);
                if (meaning == null && length == 1 && !RELATIONS.containsKey(phrase) && !FILLERS.contains(phrase))
                    meaning = found.misspelt
                            .computeIfAbsent(phrase, w -> Optional.ofNullable(misspelt(w)))
                            .orElse(null);
                if (meaning == null) continue;
                said = phrase;
                before = at > 0 ? tokens.get(at - 1) : "";
                article = !articles.get(at).isEmpty();
                this.articles = String.join("", articles.subList(at, at + length));
                // "The right thumb" is the therapist's.
                if (length == 1
                        && SIDED.contains(phrase)
                        && at + 1 < tokens.size()
                        && ONE_HAND.contains(tokens.get(at + 1))) {
                    used = 1;
                    continue;
                }
                // "Elbow on gluteus medius" stays there.
                boolean hand = tool == null && !forearmNamed;
                // "Heel to ball" goes from the one to the other.
                int next = at + length;
                if (next < tokens.size() && ON_THE_WAY.contains(tokens.get(next))) next++;
                if (relation == Relation.ON
                        && !GOES_ON.contains(before)
                        && next < tokens.size()
                        && RELATIONS.get(tokens.get(next)) == Relation.TO
                        && (JotWords.LANDMARKS.contains(phrase)
                                || ENDS.contains(phrase)
                                || VERTEBRA.matcher(phrase).matches())
                        && !(phrase.equals("elbow")
                                && (next + 1 >= tokens.size() || !OF_THE_ARM.contains(tokens.get(next + 1)))))
                    relation = Relation.FROM;
                var was = relation;
                meaning.accept(this);
                kept = relation != was;
                if (hand
                        && (tool != null
                                || forearmNamed
                                || phrase.equals("hand")
                                || phrase.equals("hands")
                                || phrase.equals("one hand")
                                || phrase.equals("both hands"))
                        && at + length < tokens.size()
                        && (LAID.contains(tokens.get(at + length))
                                || SOFTLY.contains(tokens.get(at + length))
                                        && at + length + 1 < tokens.size()
                                        && LAID.contains(tokens.get(at + length + 1))
                                || phrase.endsWith("hands") && OVER.contains(tokens.get(at + length)))) laidOn = true;
                used = length;
            }
            var word = tokens.get(at);
            goesOn |= GOES_ON.contains(word);
            along |= word.equals("along") || word.equals("through");
            across |= word.equals("across");
            round |= word.equals("round") || word.equals("around");
            if (used > 0) {
                // "Between the navel and the hip bone" is near to both.
                boolean both = related.equals("between")
                        && at + used < tokens.size()
                        && tokens.get(at + used).equals("and");
                if (!both && !kept && !SIDED.contains(said)) relation = Relation.ON;
            } else if (word.equals("at")
                    && !placeless()
                    && at + 1 < tokens.size()
                    && AT_THE.contains(tokens.get(at + 1))) {
                // "The hamstring tendons at the knee": the knee says which end.
                related = word;
                relation = Relation.NEAR;
            } else if (RELATIONS.containsKey(word)
                    && !(word.equals("near") && at + 1 < tokens.size() && OF_TWO.contains(tokens.get(at + 1)))) {
                // "From behind the ear" comes from there.
                boolean ends = at > 0
                        && RELATIONS.get(word) == Relation.NEAR
                        && (RELATIONS.get(tokens.get(at - 1)) == Relation.FROM
                                || RELATIONS.get(tokens.get(at - 1)) == Relation.TO);
                related = word;
                // "Effleurage to the back" is on it.
                boolean given = word.equals("to") && at > 0 && NOUNS.contains(tokens.get(at - 1));
                if (!ends && !given) relation = RELATIONS.get(word);
            } else if (!FILLERS.contains(word)) {
                boolean together = at > 0 && at - 1 == lastUnknown;
                this.together.add(together);
                unknown.add((together ? articles.get(at) : "") + word);
                lastUnknown = at;
            }
            at += Math.max(1, used);
        }
    }

    /** Whether a text names neither stroke, hand, place nor dose. */
    boolean saysNothing(String text) {
        var sub = beside(text);
        return sub.technique == null
                && sub.tool == null
                && !sub.forearmNamed
                && sub.seconds == null
                && sub.count == null
                && sub.placeless();
    }

    /** What is done instead when something comes up, where it says that and nothing else; else null. */
    @Nullable
    Detail onlyInstead() {
        boolean alone = technique == null && tool == null && !forearmNamed && placeless();
        boolean says = !more.instead.isEmpty() || more.words.containsKey(DetailField.INSTEAD);
        return alone && says && note().isEmpty() ? more.detail() : null;
    }

    private static final Pattern FEELS =
            Pattern.compile("(?i)\\b(pressure|number|feels?|ok|okay|that|this|comfortable|check in|much)\\b");

    /** How the work before it is done, where it says that and nothing else, such as "other hand on top, arm off the table"; else null. */
    @Nullable
    Detail onlyHow() {
        boolean alone =
                workless() && placeless() && position == null && !turned && !sideLying && phase == null && !bolster;
        if (until != null) more.end = new End(until, null);
        var said = more.detail();
        boolean how = until != null
                || !said.limb().isEmpty()
                || !said.manner().isEmpty()
                || said.otherHand() != null
                || said.pace() != null
                || said.fibre() != null
                || !said.words().isEmpty();
        return alone && how && said.props().isEmpty() && said.part().isEmpty() && note().isEmpty() ? said : null;
    }

    /** Whether it names neither work nor place, but more than a word that may be a stroke: a remark. */
    boolean onlyRemarks(String text) {
        return workless()
                && placeless()
                && !handNamed
                && position == null
                && !turned
                && !sideLying
                && phase == null
                && more.props.isEmpty()
                && stands == null
                && (text.strip().split("\\s+").length >= 4
                        || REMARKS.matcher(JotWords.plain(text)).find());
    }

    private static final Pattern REMARKS = Pattern.compile(
            "^(?:and |then |now )*(?:record|chart|write|document|log|wait|stop|keep|stay|let|open|undo|close|remember|remind|thank|make sure|be|give|leave|no|not|end|done)\\b");

    /** Whether it says how often or how long the work before it is done, and nothing else. */
    boolean onlyDose() {
        return (seconds != null || count != null)
                && technique == null
                && tool == null
                && !forearmNamed
                && !palmNamed
                && !handNamed
                && placeless()
                && say.isEmpty()
                && more.part.isEmpty()
                && more.limb.isEmpty()
                && more.props.isEmpty()
                && more.words.isEmpty()
                && more.compares == null
                && position == null
                && phase == null
                && !turned
                && note().isEmpty();
    }

    /** Whether it asks how the work before it feels, and nothing else. */
    boolean onlyAsksHowItFeels() {
        return !say.isEmpty()
                && say.stream()
                        .allMatch(s -> s.kind() == SayKind.PRESSURE_QUESTION
                                && FEELS.matcher(s.words()).find())
                && technique == null
                && tool == null
                && more.compares == null
                && position == null
                && seconds == null
                && count == null
                && placeless();
    }

    /** Where it is, by all that is named. */
    List<Zone> zonesNamed() {
        if (placeless() && handNamed) return List.of(Zone.HAND);
        return new Making(this, Context.NONE).where();
    }

    /** Whether it tells what to spare, and no work. */
    boolean onlySpares() {
        return spared && workless();
    }

    /** Whether it tells only where the work of the lines after it is: a heading, or what is uncovered. */
    boolean onlyPlaces() {
        return workless()
                && !turned
                && phase == null
                && !arranges
                && !bolster
                && more.props.isEmpty()
                && (!placeless() || handNamed);
    }

    /** Whether no work is told: neither stroke, hand, dose nor word. */
    boolean workless() {
        return technique == null
                && tool == null
                && !forearmNamed
                && !palmNamed
                && seconds == null
                && count == null
                && say.isEmpty()
                && more.compares == null
                && !same;
    }

    /** Whether a text names no place. */
    boolean placeless(String text) {
        return beside(text).placeless();
    }

    boolean placeless() {
        return !body
                && !waist
                && !thigh
                && !lowerLeg
                && zones.isEmpty()
                && structures.isEmpty()
                && nearby.isEmpty()
                && !leg;
    }

    /** Whether a text names a stroke or a hand. */
    boolean strokeIn(String text) {
        var sub = beside(text);
        return sub.technique != null || sub.tool != null || sub.forearmNamed || sub.palmNamed;
    }

    /** Keeps what is said of one thing in the teacher's own words. */
    void own(DetailField field, String text) {
        more.words.merge(field, text.strip(), (a, b) -> Aside.cut(a + "; " + b, Detail.MOST_WORDS));
        more.words.computeIfPresent(field, (f, t) -> Aside.cut(t, Detail.MOST_WORDS));
    }

    /** What is asked about is where the work will be, if nothing else is said. */
    void about(String text) {
        var sub = beside(text);
        if (!sub.zones.isEmpty()) nearby.add(List.copyOf(sub.zones));
        sub.structures.values().forEach(all -> nearby.add(all.get(0).zones()));
    }

    /** What the client moves is where the work is, where nothing else is said. */
    void clientAt(String text) {
        var sub = beside(text);
        moved.addAll(sub.zones);
        sub.structures.values().forEach(all -> moved.add(all.get(0).zones().get(0)));
    }

    /** So many breaths, where the client's part counts them. */
    void breaths(int many) {
        if (count != null || counted != null) return;
        count = many;
        counted = Dose.Kind.BREATHS;
    }

    private static final List<String> FILLERS = List.of(
            "i",
            "you",
            "we",
            "my",
            "your",
            "sit",
            "lying",
            "lies",
            "therapist",
            "pt",
            "table",
            "put",
            "place",
            "just",
            "now",
            "of",
            "on",
            "with",
            "and",
            "at",
            "for",
            "in",
            "over",
            "along",
            "across",
            "then",
            "it",
            "or",
            "go",
            "by",
            "use",
            "using",
            "do",
            "work",
            "into",
            "through",
            "per",
            "w",
            "&",
            "this",
            "that",
            "muscle",
            "muscles");

    private @Nullable Consumer<Reading> meaning(String phrase) {
        var meaning = known(phrase);
        if (meaning == null && phrase.length() > 3 && phrase.endsWith("s"))
            meaning = known(phrase.substring(0, phrase.length() - 1));
        if (meaning == null && phrase.length() > 2) meaning = known(phrase + "s");
        if (meaning == null && phrase.length() > 4 && phrase.endsWith("ly"))
            meaning = known(phrase.substring(0, phrase.length() - 2));
        if (meaning == null && phrase.length() > 4 && phrase.endsWith("ed")) {
            var stem = phrase.substring(0, phrase.length() - 2);
            meaning = known(stem);
            if (meaning == null) meaning = known(stem + "e");
            // "Stripped" is strip.
            if (meaning == null && stem.charAt(stem.length() - 1) == stem.charAt(stem.length() - 2))
                meaning = known(stem.substring(0, stem.length() - 1));
        }
        return meaning;
    }

    /** Words of every day that are a letter off one of the trade. */
    private static final Set<String> ORDINARY = Set.of(
            ("coming going having being shape there these those thing think where while which would could should place small large after"
                            + " again about every first never often quite since whole without itself another people person table chair floor"
                            + " water white black green brown clean clear close comes count takes taking makes making gives giving leave leaves"
                            + " hinge spare share stage state stone store story study style sugar sweet teeth three throw today tried"
                            + " tries truth under until voice watch wheel world write wrong years young right ready reach really")
                    .split(" "));

    /** A long word that is a letter or two off one that is known is that one, where only one is as near. */
    private @Nullable Consumer<Reading> misspelt(String word) {
        if (word.length() < 5
                || JotWords.VOCABULARY.contains(word)
                || ORDINARY.contains(word)
                || !word.chars().allMatch(Character::isLetter)) return null;
        int most = word.length() >= 9 ? 2 : 1;
        var near = new TreeSet<String>();
        int least = most + 1;
        for (var known : Stream.concat(
                        JotWords.LONG.getOrDefault(word.charAt(0), List.of()).stream(),
                        own.keySet().stream()
                                .filter(k -> k.length() >= 5 && k.charAt(0) == word.charAt(0) && k.indexOf(' ') < 0))
                .toList()) {
            int d = Spelling.distance(word, known, least + 1);
            // In a short word another letter makes another word: "shape" is no "shake".
            if (word.length() <= 6 && word.length() == known.length() && !Spelling.swapped(word, known)) continue;
            if (d < least) near.clear();
            if (d <= Math.min(least, most)) {
                near.add(known);
                least = d;
            }
        }
        return near.size() == 1 ? known(near.first()) : null;
    }

    private @Nullable Consumer<Reading> known(String phrase) {
        var meaning = own.get(phrase);
        return meaning != null ? meaning : JotWords.EVERYWHERE.get(phrase);
    }

    private static SayKind kindOf(String words) {
        var w = words.toLowerCase(Locale.ROOT);
        if (w.contains("may i")) return SayKind.CONSENT;
        if (w.contains("pressure")) return SayKind.PRESSURE_QUESTION;
        return w.endsWith("?") ? SayKind.CHOICE : SayKind.EXPLAINS;
    }

    /** Its front where the client lies so, else its back; beside another part of it nothing more. */
    void thigh() {
        if (relation == Relation.ON) thigh = true;
        else at("thigh", List.of(Zone.HAMSTRINGS));
    }

    void zoned(Zone zone) {
        // "The hamstring belly" is of the muscle.
        if (zone == Zone.BELLY && OF_A_MUSCLE.contains(said) && !article && !before.isEmpty() && !placeless()) return;
        // "Fingers under the ribs" are under their edge.
        if (zone == Zone.ARMPIT && relation == Relation.NEAR && related.equals("under") && said.startsWith("rib")) {
            zones.add(Zone.RIB_EDGE);
            return;
        }
        // "From inside the mouth" is inside it.
        if (foreign(List.of(zone))) elsewhere(List.of(zone));
        else if (relation == Relation.ON || stays() || zone == Zone.INSIDE_MOUTH) zones.add(zone);
        // Nobody works on the line of the sternum, but from it outward.
        else if (zone == Zone.STERNUM) at(said, List.of(Zone.CHEST_WALL));
        // Nobody works on the spine, but from it and beside it.
        else if (zone == Zone.SPINE) at(said, List.of(Zone.UPPER_BACK, Zone.LUMBAR));
        // Between the ribs is behind, at the side or in front.
        else if (zone == Zone.ARMPIT && said.startsWith("rib"))
            at(said, List.of(Zone.ARMPIT, Zone.UPPER_BACK, Zone.CHEST_WALL));
        else at(said, List.of(zone));
    }

    /** "Pressure to the piriformis" is on it: what stays in one place comes from nowhere. */
    private boolean stays() {
        return relation == Relation.TO
                && technique != null
                && placeless()
                && more.from == null
                && !more.words.containsKey(DetailField.FROM)
                && switch (technique.stroke()) {
                    case STATIC_COMPRESSION,
                            COMPRESSION,
                            TRIGGER_POINT,
                            STILL_HOLD,
                            CROSS_FIBRE_FRICTION,
                            CIRCULAR_FRICTION,
                            STRETCH,
                            HEAT,
                            COLD,
                            ICE_MASSAGE -> true;
                    default -> false;
                };
    }

    /** Its front where the client lies so, else the low back; from or to it is an end of the stroke. */
    void waist() {
        if (relation == Relation.FROM || relation == Relation.TO) at(said, List.of(Zone.LUMBAR));
        else waist = true;
    }

    /** Beneath the ribs is their edge, unless a muscle is named that is found there. */
    void underRibs() {
        if (structures.isEmpty()) zoned(Zone.RIB_EDGE);
        else aside.add(said);
    }

    void structure(String name, List<Structure> all) {
        // "Flat fingers from the armpit to pec minor" are on it.
        boolean aimed = relation == Relation.TO
                && zones.isEmpty()
                && structures.isEmpty()
                && !nearby.isEmpty()
                && all.get(0).kind() == Structure.Kind.MUSCLE;
        // "Between tibialis anterior and the bone" is along it.
        boolean beside = relation == Relation.NEAR && related.equals("between") && placeless();
        if (foreign(all.stream().flatMap(s -> s.zones().stream()).toList()))
            elsewhere(all.get(0).zones());
        else if (relation == Relation.ON || stays() || aimed || beside) structures.put(name, all);
        else at(said, all.get(0).zones());
    }

    private void elsewhere(List<Zone> in) {
        if (tool == null && (said.equals("thumb pad") || said.equals("thumb pads"))) {
            tool = Tool.SUPPORTED_THUMB;
            return;
        }
        aside.add(said);
        nearby.add(in);
    }

    /** Nobody works on the spine itself. */
    static List<Zone> beside(Landmark landmark) {
        var all = landmark.zones().stream().filter(z -> z != Zone.SPINE).toList();
        return all.isEmpty() ? landmark.zones() : all;
    }

    void landmark(Landmark landmark) {
        if (relation == Relation.FROM && more.from == null) {
            more.from = landmark;
            end(beside(landmark));
        } else if (relation == Relation.TO && more.to == null) {
            toward++;
            more.to = landmark;
            end(beside(landmark));
        } else {
            if (relation == Relation.ON) aside.add(said);
            // Behind the hip bone are the gluteals.
            boolean behind = related.equals("behind") && landmark == Landmark.HIP_SPINE_FRONT;
            at(said, relation == Relation.NEAR && behind ? List.of(Zone.GLUTEALS) : landmark.zones());
        }
    }

    /** A place that the stroke comes from, goes to or keeps near to, which is no landmark. */
    void at(String name, List<Zone> in) {
        if (relation == Relation.FROM) own(DetailField.FROM, name);
        else if (relation == Relation.TO) {
            toward++;
            own(DetailField.TO, name);
        } else if (relation != Relation.ON) aside.add(related + " " + name);
        if (relation == Relation.FROM || relation == Relation.TO) end(in);
        else nearby.add(in);
    }

    private void end(List<Zone> in) {
        nearby.add(in);
        ends.add(in);
    }

    /** Left, and then right, is each. */
    void side(Sides said) {
        // "Open the left leg, tuck the sheet under the right thigh."
        if (relation == Relation.NEAR && side != null) return;
        boolean both = side == Sides.LEFT && said == Sides.RIGHT || side == Sides.RIGHT && said == Sides.LEFT;
        side = both ? Sides.EACH : said;
    }

    /** Who lies on the side with this one uppermost is worked there, where nothing else is said. */
    void uppermost(Sides up) {
        position = up == Sides.RIGHT ? Position.SIDE_LEFT : Position.SIDE_RIGHT;
        if (side == null) side = up;
    }

    /** What follows is a place that the work keeps near to. */
    void near(String how) {
        relation = Relation.NEAR;
        related = how;
    }

    /** Up and down: of a limb toward the trunk and away from it, of the trunk toward the head and the feet; both ways are none. */
    void along(@Nullable Direction way) {
        updown = way;
    }

    private static final Set<String> HANDLED = Set.of(
            "with", "w", "using", "use", "by", "lean", "sink", "change", "switch", "draw", "drag", "run", "slide",
            "push");

    /** "Warm the forearm" is the client's; "with the forearm" and "forearm glide" are the therapist's. */
    void forearm() {
        if (relation != Relation.ON) at("forearm", List.of(Zone.FOREARM_FLEXORS));
        else if (article && !HANDLED.contains(before)) zones.addAll(FOREARM);
        else forearmNamed = true;
    }

    /** Whether the word before says that a hand of the therapist's follows. */
    boolean handled() {
        return HANDLED.contains(before);
    }

    /** Whether the phrase that is taken leads its clause. */
    boolean leads() {
        return before.isEmpty();
    }

    /** Whether what is named is the therapist's own. */
    boolean mine() {
        return articles.contains("your") || articles.contains("my");
    }

    /** "With the palm" is the therapist's; where another hand works, it is the client's. */
    void palm() {
        if (article && !HANDLED.contains(before)) palmNamed = true;
        else tool = Tool.PALM;
    }

    /** Its back, or its front where the client lies so. */
    void leg() {
        leg = true;
    }
}
