package palmtally.core.jot;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Landmark;
import palmtally.core.body.Position;
import palmtally.core.body.Region;
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
import palmtally.core.sequence.Step;
import palmtally.core.sequence.StepEdit;
import palmtally.core.sequence.detail.ClientPart;
import palmtally.core.sequence.detail.Comparison;
import palmtally.core.sequence.detail.Detail;
import palmtally.core.sequence.detail.DetailEdit;
import palmtally.core.sequence.detail.DetailField;
import palmtally.core.sequence.detail.End;
import palmtally.core.sequence.detail.FibreAngle;
import palmtally.core.sequence.detail.Limb;
import palmtally.core.sequence.detail.OtherHand;
import palmtally.core.sequence.detail.Prop;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Stroke;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;
import palmtally.core.technique.Tool;

/**
 * A step out of a line as teachers jot it down: "forearm glide hamstrings 90s x3 firm". Words may come in any order; what is not said
 * is as the technique is usually given, and lies and is lubricated as the step before. Understood are techniques by their names and
 * nicknames, hands, zones, structures in English, Latin and short ("ql", "infraspinatus"), sides, depth (skin to deep, or "depth 3"), doses ("90s", "1:30", "2 min", "x3", "5 breaths", "8 holds", "90
 * cycles 1.5/s", "until soft"), sheet, lubricant, position, phase, importance, and words to say in quotes.
 */
public final class Jot {
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
            Map.entry("below", Relation.NEAR),
            Map.entry("above", Relation.NEAR),
            Map.entry("under", Relation.NEAR),
            Map.entry("between", Relation.NEAR),
            Map.entry("around", Relation.NEAR),
            Map.entry("behind", Relation.NEAR),
            Map.entry("before", Relation.NEAR));

    private static final int MOST_LETTERS = 500;

    /** What a stroke comes from where it goes on to somewhere else: "ankle to hip". */
    private static final Set<String> ENDS = Set.of(
            "ankle",
            "wrist",
            "elbow",
            "knee",
            "hip",
            "shoulder",
            "neck",
            "toes",
            "foot",
            "fingers",
            "sacrum",
            "armpit",
            "groin");

    private static final Set<DrapeUnit> LIMBS = Set.of(DrapeUnit.LEG, DrapeUnit.ARM);

    /** After a number two strokes are seconds. */
    private static final Pattern INCHES = Pattern.compile("(?<=\\d)\\s?[\"″](?=[\\s,;)]|$)");

    private static final Pattern SAID = Pattern.compile("[\"“”„]([^\"“”„]*)[\"“”„]");
    private static final Pattern SECONDS =
            alone("(\\d+(?:\\.\\d+)?)\\s*(?:s|sec|secs|seconds?)(?: (?:each|a pass|per pass|(holds?)))?");
    private static final Pattern MINUTES = alone("(\\d+(?:\\.\\d+)?)\\s*(?:m|min|mins|minutes?)");
    private static final Pattern CLOCK = alone("(\\d{1,3}):([0-5]\\d)(?: min)?");
    private static final Pattern TIMES = alone("(?:x|×)\\s*(\\d+)|(\\d+)\\s*(?:x|×|times)");
    private static final Pattern COUNTED =
            alone("(\\d+)((?: (?:slow|long|light|deep|full|broad|firm|gentle|big|short|smooth|palm|forearm|fist|knuckle"
                    + "|thumb|finger|elbow))*) ?(breaths?|exhales?|inhales?|holds?|passes|pass|cycles?|stations?|spots?|points?|presses|reps|strokes?|sweeps?|slides?"
                    + "|glides?|laps|rounds?|rubs?)");
    private static final Pattern RATE = alone(
            "(?:at )?(\\d+(?:\\.\\d+)?)\\s*(?:/ ?s|a second|per second|hz|cycles? (?:a|per) second|cycles? ?/ ?s(?:ec)?|times a second)");
    private static final Pattern RANGE = alone(
            "(\\d+(?:\\.\\d+)?) to (\\d+(?:\\.\\d+)?) ?"
                    + "(s|secs?|seconds?|m|mins?|minutes?|x|times|breaths?|holds?|passes|cycles?|stations?|strokes|reps|rounds?)");
    private static final Pattern DEPTH = alone("(?:at )?(?:depth|d|level)\\s*(\\d)(?: of 5)?");
    private static final Pattern NUMBER =
            alone("(?:keep (?:it )?|stay |hold |up )?(?:at |to |under |below |on )?(?:a )?"
                    + "(?:number|report|band|pain|client s number|client number) (?:of |at |about |around |between |stays |is |in |under )*"
                    + "(\\d{1,2})(?: ?(?:–|-|to|or|and) ?(\\d{1,2}))?(?: (?:of|out of) 10|/10)?(?: at (?:the )?most| max(?:imum)?)?"
                    + "|(?<=\\s)(\\d{1,2})(?: ?(?:–|-|to) ?(\\d{1,2}))? ?(?:/ ?10|out of 10|of 10)");

    private static final Pattern NUMBER_AT_MOST =
            Pattern.compile("(?i)\\bnumber (\\d+) (?:at (?:the )?most|max(?:imum)?|or less)\\b");
    private static final Pattern AT_MOST = Pattern.compile("\\b(under|below|most|max|maximum)\\b");

    private static Pattern alone(String pattern) {
        return Pattern.compile("(?<=\\s)(?:" + pattern + ")(?=\\s)");
    }

    @Nullable
    Technique technique;

    /** Whether the stroke says only that the hand stays. */
    boolean weak;

    @Nullable
    Tool tool;

    @Nullable
    String hand;

    final List<Zone> zones = new ArrayList<>();
    private final Map<String, List<Structure>> structures = new LinkedHashMap<>();
    /** Where it lies near to, comes from or goes to: that is the zone where none is said. */
    final List<List<Zone>> nearby = new ArrayList<>();

    /** What else is said. */
    final DetailEdit more = Detail.NONE.edit();

    Technique.@Nullable Effort effort;
    End.@Nullable When until;
    /** Whether the seconds that are said are the most it may take. */
    boolean capped;
    /** The clause that says what is compared; it is the step where nothing else is. */
    @Nullable
    String comparing;

    int deeper;
    boolean otherSide;
    boolean same;
    private @Nullable Band band;
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
    /** Words that are not known, and of each whether the one before it stood right before it. */
    private final List<String> unknown = new ArrayList<>();

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

    private @Nullable Direction updown;
    boolean leg;

    @Nullable
    Stands stands;

    @Nullable
    Stance stance;

    final Set<Care> care = new TreeSet<>();
    /** A hand: the client's where nothing else is worked, else the one that works. */
    boolean handNamed;

    /** The forearm: the client's where another hand works, else the therapist's. */
    boolean forearmNamed;

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
    /** Whether "before" is said of what is compared. */
    boolean sayBefore;

    private final List<Zone> moved = new ArrayList<>();
    /** Where the work of the lines after it is: there is looked and asked where nothing else is said. */
    private List<Zone> ahead = List.of();
    /** Whether the line names no stroke, and the hand says which. */
    private boolean strokeless;

    boolean behindTheHead;
    boolean bolster;

    private @Nullable Double seconds;
    private @Nullable Integer count;
    private Dose.@Nullable Kind counted;
    private @Nullable Double rate;
    final List<Saying> say = new ArrayList<>();

    final Techniques library;
    /** What this school calls its hands and techniques: it wins over what is known everywhere. */
    private final Map<String, Consumer<Jot>> own;

    /** Words of the longest phrase that is known. */
    private final int longest;

    /** What was found out on one line: parts that were read by themselves, and what a misspelt word may be. Several ask for the same. */
    private record Found(Map<String, Jot> parts, Map<String, Optional<Consumer<Jot>>> misspelt) {
        Found() {
            this(new HashMap<>(), new HashMap<>());
        }
    }

    private final Found found;

    private Jot(Techniques library, Map<String, Consumer<Jot>> own, Found found) {
        this.library = library;
        this.own = own;
        this.found = found;
        longest = Math.max(JotWords.EVERYWHERE_LONGEST, JotWords.longest(own));
    }

    /**
     * Reads a line as far as it can be: nothing refuses it. A number that no step can have, and words that are not known, stay in the note.
     *
     * @param library whose names, aliases and usual doses are meant
     * @param id id of the new step
     * @param before the step it comes after, whose zones, position, sheet and lubricant go on, or null
     */
    public static Jotted jot(String text, Techniques library, String id, @Nullable Step before) {
        return jot(text, library, JotWords.own(library), id, before, List.of());
    }

    static Jotted jot(
            String text,
            Techniques library,
            Map<String, Consumer<Jot>> own,
            String id,
            @Nullable Step before,
            List<Zone> ahead) {
        var reading = new Jot(library, own, new Found());
        reading.ahead = ahead;
        if (text.length() > MOST_LETTERS) return new Jotted(text, null, List.of(text), reading.asked());
        reading.take(text);
        @Nullable Step step;
        try {
            step = reading.step(id, before);
        } catch (InvalidValue e) {
            e.faults().forEach(f -> reading.aside.add((f.field() + " " + f.value()).strip()));
            reading.forgetNumbers();
            step = reading.step(id, before);
        }
        return step == null
                ? new Jotted(text, null, List.of(text.strip()), reading.asked())
                : new Jotted(text, step, reading.note(), null);
    }

    /** What is done instead when something comes up, where a line says that and nothing else; else null. */
    static @Nullable Detail onlyInstead(String text, Techniques library, Map<String, Consumer<Jot>> own) {
        var reading = new Jot(library, own, new Found());
        if (text.length() > MOST_LETTERS) return null;
        reading.take(text);
        boolean alone =
                reading.technique == null && reading.tool == null && !reading.forearmNamed && reading.placeless();
        boolean says = !reading.more.instead.isEmpty() || reading.more.words.containsKey(DetailField.INSTEAD);
        return alone && says && reading.note().isEmpty() ? reading.more.detail() : null;
    }

    /** Where the work of a line is, if it names a place; empty else. */
    static List<Zone> placed(String text, Techniques library, Map<String, Consumer<Jot>> own) {
        var read = jot(text, library, own, "ahead", null, List.of()).step();
        return read == null || read.technique().stroke() == Stroke.STILL_HOLD ? List.of() : read.zones();
    }

    private void forgetNumbers() {
        depth = null;
        band = null;
        seconds = null;
        count = null;
        counted = null;
        rate = null;
    }

    /** Words that were not understood, those that stood together together. */
    private List<String> note() {
        var all = new ArrayList<String>();
        for (int i = 0; i < unknown.size(); i++) {
            var word = unknown.get(i);
            if (i > 0 && together.get(i)) all.set(all.size() - 1, all.get(all.size() - 1) + " " + word);
            else all.add(word);
        }
        all.addAll(aside);
        return all;
    }

    /** What most lines are about. */
    private static final List<String> USUAL = List.of("effleurage", "petrissage", "static-press", "stretch");

    private Jotted.Asked asked() {
        var what = technique == null && tool == null ? Jotted.What.STROKE : Jotted.What.ZONE;
        var offered = what == Jotted.What.STROKE
                ? library.offered().stream().map(Technique::shortName).toList()
                : Arrays.stream(Zone.values()).map(Zone::label).toList();
        // By any name that it has.
        var called = new LinkedHashMap<String, String>();
        if (what == Jotted.What.STROKE)
            for (var t : library.offered()) {
                called.put(JotWords.plain(t.shortName()), t.shortName());
                t.aliases().forEach(a -> called.put(JotWords.plain(a), t.shortName()));
            }
        else offered.forEach(o -> called.put(JotWords.plain(o), o));
        var near = new ArrayList<String>();
        for (var word : unknown) {
            var nearest = nearest(word, called.keySet());
            if (nearest != null && !near.contains(called.get(nearest))) near.add(called.get(nearest));
        }
        var usual = what == Jotted.What.STROKE
                ? USUAL.stream().map(id -> library.toUse(id).shortName()).toList()
                : offered;
        usual.stream().limit(4).filter(o -> !near.contains(o)).forEach(near::add);
        return new Jotted.Asked(what, near.stream().limit(4).toList());
    }

    /** "Ask: any clicking?" is one thing. */
    private static final Set<String> ALONE = Set.of("ask", "say", "explain", "tell", "tell them", "warn");

    private void take(String text) {
        text = INCHES.matcher(text).replaceAll(" s");
        var said = SAID.matcher(text);
        while (said.find())
            if (!said.group(1).isBlank())
                say.add(Saying.of(kindOf(said.group(1)), Aside.cut(said.group(1).trim(), 400)));
        var clauses = Clause.of(joined(SAID.matcher(text).replaceAll(" ")));
        for (int at = 0; at < clauses.size(); ) {
            if (ALONE.contains(clauses.get(at).plain) && at + 1 < clauses.size()) {
                clause(new Clause(clauses.get(at).text + " " + clauses.get(at + 1).text));
                at += 2;
                continue;
            }
            int used = Aside.branch(clauses, at, this);
            if (used == 0) clause(clauses.get(at));
            at += Math.max(1, used);
        }
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
    Jot beside(String text) {
        var known = found.parts.get(text);
        if (known != null) return known;
        var sub = new Jot(library, own, found);
        sub.words(new Clause(text));
        found.parts.put(text, sub);
        return sub;
    }

    void clause(Clause said) {
        var whole = new Clause(NUMBER_AT_MOST.matcher(said.text).replaceAll("number under $1"));
        if (whole.plain.isEmpty() || Aside.client(whole, this) || Aside.said(whole, this) || Aside.spares(whole, this))
            return;
        if (Aside.wonders(whole, this) || Aside.felt(whole, this) || Aside.ofTheSheet(whole, this)) return;
        if (whole.plain.equals("across")) {
            if (technique != null && technique.stroke() == Stroke.CIRCULAR_FRICTION) more.fibre = FibreAngle.ACROSS;
            else aside.add(whole.text);
            return;
        }
        if (Aside.circles(whole, this)) return;
        if (Aside.compares(whole, this)) {
            // Where it is compared is where the work is.
            var sub = beside(whole.text);
            sub.zones.forEach(zones::add);
            structures.putAll(sub.structures);
            nearby.addAll(sub.nearby);
            leg |= sub.leg;
            if (sub.side != null) side = sub.side;
            if (sub.position != null) position = sub.position;
            return;
        }
        if (Aside.lies(whole, this)) return;
        var own = Aside.otherHand(whole, this);
        if (own.plain.isEmpty()) return;
        // One stroke is one step: what is done after it is told beside it.
        var another = stroke(own.plain);
        if (another != null && technique != null && !weak && !another.equals(technique)) {
            aside.add(own.text);
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
        words(Aside.until(Aside.why(Aside.meanwhile(own, this), this), this));
    }

    /** The stroke that a text names by itself; null where it names none, or only that the hand stays. */
    private @Nullable Technique stroke(String text) {
        var sub = beside(text);
        return sub.weak ? null : sub.technique;
    }

    /** Takes a stroke: the first that is said is meant, and one that says only that the hand stays gives way. */
    void stroke(Technique stroke, boolean stays) {
        if (technique == null || weak && !stays) {
            technique = stroke;
            weak = stays;
        } else if (!technique.equals(stroke) && !stays) aside.add(said);
    }

    private void words(Clause clause) {
        var rest = Aside.laid(doses(" " + JotWords.numbered(clause.plain) + " ").strip(), this);
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
            for (int length = Math.min(longest, tokens.size() - at); length > 0 && used == 0; length--) {
                var phrase = String.join(" ", tokens.subList(at, at + length));
                var meaning = meaning(phrase);
                if (meaning == null && length == 1 && !RELATIONS.containsKey(phrase) && !FILLERS.contains(phrase))
                    meaning = found.misspelt
                            .computeIfAbsent(phrase, w -> Optional.ofNullable(misspelt(w)))
                            .orElse(null);
                if (meaning == null) continue;
                said = phrase;
                before = at > 0 ? tokens.get(at - 1) : "";
                article = !articles.get(at).isEmpty();
                // "Heel to ball" goes from the one to the other.
                if (relation == Relation.ON
                        && at + length < tokens.size()
                        && RELATIONS.get(tokens.get(at + length)) == Relation.TO
                        && (JotWords.LANDMARKS.contains(phrase) || ENDS.contains(phrase))) relation = Relation.FROM;
                meaning.accept(this);
                used = length;
            }
            var word = tokens.get(at);
            if (used > 0) {
                // "Between the navel and the hip bone" is near to both.
                boolean both = related.equals("between")
                        && at + used < tokens.size()
                        && tokens.get(at + used).equals("and");
                if (!both) relation = Relation.ON;
            } else if (RELATIONS.containsKey(word)) {
                related = word;
                relation = RELATIONS.get(word);
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

    /** Whether a text names no place. */
    boolean placeless(String text) {
        return beside(text).placeless();
    }

    private boolean placeless() {
        return zones.isEmpty() && structures.isEmpty() && nearby.isEmpty() && !leg;
    }

    /** Whether a text names a stroke or a hand. */
    boolean strokeIn(String text) {
        var sub = beside(text);
        return sub.technique != null || sub.tool != null || sub.forearmNamed;
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
            "i", "you", "we", "my", "your", "sit", "of", "on", "with", "and", "at", "for", "in", "over", "along",
            "across", "then", "it", "or", "go", "by", "use", "using", "do", "work", "into", "per", "w", "&", "this",
            "that");

    private @Nullable Consumer<Jot> meaning(String phrase) {
        var meaning = known(phrase);
        if (meaning == null && phrase.length() > 3 && phrase.endsWith("s"))
            meaning = known(phrase.substring(0, phrase.length() - 1));
        if (meaning == null && phrase.length() > 2) meaning = known(phrase + "s");
        if (meaning == null && phrase.length() > 4 && phrase.endsWith("ly"))
            meaning = known(phrase.substring(0, phrase.length() - 2));
        if (meaning == null && phrase.length() > 4 && phrase.endsWith("ed")) {
            var stem = phrase.substring(0, phrase.length() - 2);
            meaning = known(stem);
            // "Stripped" is strip.
            if (meaning == null && stem.charAt(stem.length() - 1) == stem.charAt(stem.length() - 2))
                meaning = known(stem.substring(0, stem.length() - 1));
        }
        return meaning;
    }

    /** A long word that is a letter or two off one that is known is that one, where only one is as near. */
    private @Nullable Consumer<Jot> misspelt(String word) {
        if (word.length() < 5
                || JotWords.VOCABULARY.contains(word)
                || !word.chars().allMatch(Character::isLetter)) return null;
        int most = word.length() >= 9 ? 2 : 1;
        var near = new TreeSet<String>();
        int least = most + 1;
        for (var known : Stream.concat(
                        JotWords.LONG.getOrDefault(word.charAt(0), List.of()).stream(),
                        own.keySet().stream()
                                .filter(k -> k.length() >= 5 && k.charAt(0) == word.charAt(0) && k.indexOf(' ') < 0))
                .toList()) {
            int d = distance(word, known, least + 1);
            if (d < least) near.clear();
            if (d <= Math.min(least, most)) {
                near.add(known);
                least = d;
            }
        }
        return near.size() == 1 ? known(near.first()) : null;
    }

    private @Nullable Consumer<Jot> known(String phrase) {
        var meaning = own.get(phrase);
        return meaning != null ? meaning : JotWords.EVERYWHERE.get(phrase);
    }

    private static SayKind kindOf(String words) {
        var w = words.toLowerCase(Locale.ROOT);
        if (w.contains("may i")) return SayKind.CONSENT;
        if (w.contains("pressure")) return SayKind.PRESSURE_QUESTION;
        return w.endsWith("?") ? SayKind.CHOICE : SayKind.EXPLAINS;
    }

    /** Takes the doses, the depth and the number out of the text and leaves the words. */
    private String doses(String text) {
        var rest = text;
        rest = pull(NUMBER, rest, m -> {
            var first = m.group(1) != null ? m.group(1) : m.group(3);
            var last = m.group(1) != null ? m.group(2) : m.group(4);
            int low = Integer.parseInt(first);
            int high = last == null ? low : Integer.parseInt(last);
            boolean most = first.equals(last == null ? first : last)
                    && AT_MOST.matcher(m.group()).find();
            if (low <= high && high <= 10) band = new Band(most ? Math.min(1, low) : low, high);
        });
        rest = ranges(rest);
        rest = pull(RATE, rest, m -> rate = Double.valueOf(m.group(1)));
        rest = counted(rest);
        rest = pull(TIMES, rest, m -> count = whole(m.group(1) != null ? m.group(1) : m.group(2)));
        rest = pull(CLOCK, rest, m -> seconds = Integer.parseInt(m.group(1)) * 60.0 + Integer.parseInt(m.group(2)));
        rest = pull(MINUTES, rest, m -> seconds = Double.parseDouble(m.group(1)) * 60);
        rest = pull(SECONDS, rest, m -> {
            seconds = Double.valueOf(m.group(1));
            if (m.group(2) != null) counted = Dose.Kind.HOLDS;
        });
        return pull(DEPTH, rest, m -> depth = Integer.valueOf(m.group(1)));
    }

    /** "5 long palm strokes" are 5 passes, long and with the palm. */
    private String counted(String text) {
        var m = COUNTED.matcher(text);
        if (!m.find()) return text;
        count = whole(m.group(1));
        counted = switch (m.group(3).replaceAll("e?s$", "")) {
            case "breath", "exhal", "exhale", "inhal", "inhale" -> Dose.Kind.BREATHS;
            case "cycl", "cycle" -> Dose.Kind.CYCLES;
            case "hold", "station", "spot", "point", "press" -> Dose.Kind.HOLDS;
            case "rep" -> counted;
            default -> Dose.Kind.PASSES;
        };
        return text.substring(0, m.start()) + m.group(2) + " " + text.substring(m.end());
    }

    /** "8 to 10 s" is 9 s, and is told as it was said. */
    private String ranges(String text) {
        var m = RANGE.matcher(text);
        if (!m.find()) return text;
        aside.add(m.group().strip());
        double middle = (Double.parseDouble(m.group(1)) + Double.parseDouble(m.group(2))) / 2;
        var mean = m.group(3).matches("(?i)s|secs?|seconds?|m|mins?|minutes?") && middle != Math.rint(middle)
                ? String.valueOf(middle)
                : String.valueOf(Math.round(Math.floor(middle)));
        return text.substring(0, m.start()) + " " + mean + " " + m.group(3) + text.substring(m.end());
    }

    private static int whole(String digits) {
        return digits.length() > 6 ? Integer.MAX_VALUE : Integer.parseInt(digits);
    }

    private static String pull(Pattern pattern, String text, Consumer<MatchResult> take) {
        var m = pattern.matcher(text);
        if (!m.find()) return text;
        take.accept(m.toMatchResult());
        return text.substring(0, m.start()) + " " + text.substring(m.end());
    }

    private static @Nullable String nearest(String word, Collection<String> known) {
        @Nullable String best = null;
        int least = Math.max(1, word.length() / 3) + 1;
        for (var other : known) {
            int d = distance(word, other, least);
            if (d < least) {
                least = d;
                best = other;
            }
        }
        return best;
    }

    /** Edits from one word to another (Levenshtein 1966), two letters that changed places being one (Damerau 1964), given up at {@code enough}. */
    private static int distance(String a, String b, int enough) {
        if (Math.abs(a.length() - b.length()) >= enough) return enough;
        var older = new int[b.length() + 1];
        var row = new int[b.length() + 1];
        for (int j = 0; j < row.length; j++) row[j] = j;
        for (int i = 1; i <= a.length(); i++) {
            var next = new int[b.length() + 1];
            next[0] = i;
            for (int j = 1; j < next.length; j++) {
                int other = a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1;
                next[j] = Math.min(Math.min(next[j - 1], row[j]) + 1, row[j - 1] + other);
                if (i > 1 && j > 1 && a.charAt(i - 1) == b.charAt(j - 2) && a.charAt(i - 2) == b.charAt(j - 1))
                    next[j] = Math.min(next[j], older[j - 2] + 1);
            }
            older = row;
            row = next;
        }
        return row[b.length()];
    }

    void zoned(Zone zone) {
        if (relation == Relation.ON || stays()) zones.add(zone);
        // Nobody works on the line of the sternum, but from it outward.
        else if (zone == Zone.STERNUM) at(said, List.of(Zone.CHEST_WALL));
        // Nobody works on the spine, but from it and beside it.
        else at(said, zone == Zone.SPINE ? List.of(Zone.UPPER_BACK, Zone.LUMBAR) : List.of(zone));
    }

    /** "Pressure to the piriformis" is on it: what stays in one place comes from nowhere. */
    private boolean stays() {
        return relation == Relation.TO
                && technique != null
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

    void structure(String name, List<Structure> all) {
        if (relation == Relation.ON || stays()) structures.put(name, all);
        else at(said, all.get(0).zones());
    }

    /** Nobody works on the spine itself. */
    private static List<Zone> beside(Landmark landmark) {
        var all = landmark.zones().stream().filter(z -> z != Zone.SPINE).toList();
        return all.isEmpty() ? landmark.zones() : all;
    }

    void landmark(Landmark landmark) {
        if (relation == Relation.FROM && more.from == null) {
            more.from = landmark;
            nearby.add(beside(landmark));
        } else if (relation == Relation.TO && more.to == null) {
            more.to = landmark;
            nearby.add(beside(landmark));
        } else {
            if (relation == Relation.ON) aside.add(said);
            at(said, landmark.zones());
        }
    }

    /** A place that the stroke comes from, goes to or keeps near to, which is no landmark. */
    void at(String name, List<Zone> in) {
        if (relation == Relation.FROM) own(DetailField.FROM, name);
        else if (relation == Relation.TO) own(DetailField.TO, name);
        else if (relation != Relation.ON) aside.add(related + " " + name);
        nearby.add(in);
    }

    /** Up and down say a direction on a limb alone. */
    void along(Direction way) {
        updown = way;
    }

    private static final Set<String> HANDLED =
            Set.of("with", "w", "using", "use", "by", "lean", "sink", "change", "switch");

    /** "Warm the forearm" is the client's; "with the forearm" and "forearm glide" are the therapist's. */
    void forearm() {
        if (relation != Relation.ON) at("forearm", List.of(Zone.FOREARM_FLEXORS));
        else if (article && !HANDLED.contains(before)) zones.addAll(FOREARM);
        else forearmNamed = true;
    }

    /** Its back, or its front where the client lies so. */
    void leg() {
        leg = true;
    }

    private static final Set<Zone> ASKED_BEFORE = EnumSet.of(
            Zone.GLUTEALS,
            Zone.HIP_ROTATORS,
            Zone.GROIN,
            Zone.THIGH_INNER,
            Zone.CHEST_WALL,
            Zone.BREAST,
            Zone.BELLY,
            Zone.RIB_EDGE,
            Zone.INSIDE_MOUTH);

    private static final List<Zone> FOREARM = List.of(Zone.FOREARM_FLEXORS, Zone.FOREARM_EXTENSORS);

    /** What lies between two ends of a limb; the leg as the client lies. */
    private List<Zone> between(@Nullable Position lies) {
        var from = more.words.getOrDefault(DetailField.FROM, "");
        var to = more.words.getOrDefault(DetailField.TO, "");
        boolean front = lies == Position.SUPINE;
        return switch (from.compareTo(to) < 0 ? from + " " + to : to + " " + from) {
            case "elbow wrist" -> FOREARM;
            case "ankle knee" -> List.of(front ? Zone.SHIN : Zone.CALF);
            case "hip knee" -> List.of(front ? Zone.THIGH_FRONT : Zone.HAMSTRINGS);
            case "ankle hip" -> front ? List.of(Zone.THIGH_FRONT, Zone.SHIN) : List.of(Zone.HAMSTRINGS, Zone.CALF);
            case "elbow shoulder" -> List.of(Zone.UPPER_ARM_OUTER);
            default -> List.of();
        };
    }

    /** Where the work is: as said, else where what was named lies, else nearby, else as before. */
    private List<Zone> on(@Nullable Step before) {
        var all = new LinkedHashSet<>(zones);
        if (all.isEmpty() && leg) {
            var lies = position != null ? position : before != null ? before.position() : Position.PRONE;
            all.addAll(
                    lies == Position.SUPINE
                            ? List.of(Zone.THIGH_FRONT, Zone.SHIN)
                            : List.of(Zone.HAMSTRINGS, Zone.CALF));
        }
        if (all.isEmpty()) all.addAll(between(position != null ? position : before != null ? before.position() : null));
        // From here to there is where both ends lie.
        if (all.isEmpty() && !nearby.isEmpty()) {
            var shared = new ArrayList<>(nearby.get(0));
            nearby.forEach(shared::retainAll);
            if (shared.isEmpty()) nearby.forEach(in -> all.add(in.get(0)));
            else all.add(shared.get(0));
        }
        if (all.isEmpty() && before == null) all.addAll(moved);
        return all.isEmpty() && before != null ? before.zones() : List.copyOf(all);
    }

    /** What was understood; null where it names no stroke or no zone. */
    private @Nullable Step step(String id, @Nullable Step before) {
        if (heelNamed)
            if (placeless()) {
                nearby.add(Landmark.HEEL.zones());
                if (pairNamed && side == null) side = Sides.BOTH;
            } else if (tool == null) tool = Tool.HEEL_OF_HAND;
        if (turned && position == null)
            position = before == null || before.position() == Position.PRONE
                    ? Position.SUPINE
                    : before.position() == Position.SUPINE
                            ? Position.PRONE
                            : before.position().turnedOver();
        if (forearmNamed)
            if (tool != null || placeless() && technique != null && technique.stroke() == Stroke.PETRISSAGE) {
                if (placeless() && limbNamed == null) zones.addAll(FOREARM);
            } else tool = Tool.FOREARM;
        if (handNamed)
            if (placeless() && limbNamed == null) zones.add(Zone.HAND);
            else if (tool == null) tool = Tool.PALM;
        // The arm on the therapist's lap is what is worked, where nothing else is named.
        if (placeless() && limbNamed != null) words(new Clause(limbNamed));
        if (placeless() && technique != null && technique.id().equals("ear-suction")) zones.add(Zone.EARS);
        if (more.limb.contains(Limb.HEEL_TO_HIP) && position == null && before != null) position = before.position();
        strokeless = technique == null;
        if (technique == null || weak) technique = meant(before, technique);
        technique = technique == null || tool == null ? technique : forTool(technique, tool);
        if (more.fibre == FibreAngle.ACROSS && crosses()) technique = library.toUse("cross-fibre");
        structures.values().forEach(this::zone);
        var on = on(before);
        boolean still = technique == null && saysOnly();
        if (still) {
            technique = library.toUse("still-hold");
        }
        if (on.isEmpty() && (still || comparing != null)) {
            // Whoever only lies down is not touched where one asks before.
            boolean resting =
                    say.isEmpty() && comparing == null && ahead.stream().anyMatch(ASKED_BEFORE::contains);
            on = ahead.isEmpty() || resting
                    ? List.of(Zone.neutral(position != null ? position : Position.PRONE, Set.of()))
                    : ahead;
        }
        if (technique == null || on.isEmpty()) return null;
        var t = technique;
        var edit = StepEdit.of(id, t, on);
        if (before != null) {
            if (on.stream().allMatch(z -> z.reachedIn(before.position()))) edit.position = before.position();
            if (!t.stroke().grip()) edit.lubricant = before.lubricant();
            boolean same = on.stream().allMatch(z -> before.zones().contains(z));
            if (same && before.sheet() != Sheet.COVERED && !before.settles() && lubricant == null)
                edit.sheet = before.sheet();
            if (zones.isEmpty() && nearby.isEmpty() && !leg) edit.side = before.side();
        }
        var names = new ArrayList<String>(List.of(t.shortName()));
        structures.forEach(
                (group, all) -> names.add(all.size() == 1 ? all.get(0).label().toLowerCase(Locale.ROOT) : group));
        edit.name = Aside.cut(String.join(", ", names), 200);
        if (tool != null) {
            edit.tool = tool;
            edit.hand = hand;
        } else if (same && before != null) {
            edit.tool = before.tool();
            edit.hand = before.hand();
        }
        if (otherSide) edit.side = other(before == null ? Sides.EACH : before.side());
        if (side != null) edit.side = side;
        // What is not said is never deeper than a site bears.
        int most = on.stream()
                .flatMap(z -> z.ceiling().stream())
                .mapToInt(Zone.Ceiling::high)
                .min()
                .orElse(5);
        edit.depth = depth != null
                ? depth
                : deeper != 0 && before != null
                        ? Math.max(1, Math.min(5, before.depth() + deeper))
                        : Math.min(edit.depth, most);
        edit.band = band;
        if (sheet != null) edit.sheet = sheet;
        if (edit.sheet != Sheet.OPEN && on.stream().anyMatch(z -> z.unit().draped())) edit.lubricant = Lubricant.DRY;
        if (lubricant != null) edit.lubricant = lubricant;
        if (seatedAtHead() && position == null && on.stream().allMatch(z -> z.reachedIn(Position.SUPINE)))
            edit.position = Position.SUPINE;
        if (more.limb.contains(Limb.ANKLE_ON_SHOULDER)) edit.position = Position.SUPINE;
        if (position != null) edit.position = position;
        if (sideLying) edit.position = edit.side == Sides.LEFT ? Position.SIDE_RIGHT : Position.SIDE_LEFT;
        if (phase != null) edit.phase = phase;
        if (importance != null) edit.importance = importance;
        edit.direction = direction;
        if (direction == null && on.stream().allMatch(z -> LIMBS.contains(z.unit()))) edit.direction = updown;
        edit.usual();
        if (stands != null) edit.stands = stands;
        if (stance != null) edit.stance = stance;
        edit.care.addAll(care);
        edit.say = new ArrayList<>(say);
        edit.dose = dose(t);
        if (still) rests(edit, before);
        if (more.compares != null && more.compares.when() == Comparison.When.BEFORE && !sayBefore && worked(before))
            more.compares = new Comparison(more.compares.what(), Comparison.When.AFTER);
        if (comparing != null && phase == null && strokeless && more.compares != null)
            edit.phase = more.compares.when() == Comparison.When.BEFORE ? Phase.ASSESS : Phase.RE_CHECK;
        if (effort != null) edit.effort = effort;
        else if (edit.effort == Technique.Effort.PASSIVE) edit.effort = takesPart();
        edit.detail = said(edit);
        return edit.step();
    }

    /** Across the fibre, with what can feel it: cross-fibre friction. */
    private boolean crosses() {
        if (technique == null) return tool != null && (tool.pointed() || tool == Tool.FINGER_PADS);
        return switch (technique.stroke()) {
            case CIRCULAR_FRICTION, TRIGGER_POINT -> true;
            case STRIPPING -> strokeless;
            default -> false;
        };
    }

    /** Whether it names no stroke, but tells something to say, how the client lies, what is laid under, or that it is over. */
    private boolean saysOnly() {
        if (!say.isEmpty() || phase == Phase.COVER) return true;
        // Who names a place means to work there.
        if (!placeless()) return false;
        return turned
                || position != null
                || sideLying
                || stands != null
                || stance != null
                || !more.props.isEmpty()
                || bolster;
    }

    /** Still hands while something is said, looked at or arranged; nothing is treated. */
    private void rests(StepEdit edit, @Nullable Step before) {
        if (phase == null) edit.phase = worked(before) ? Phase.RE_CHECK : say.isEmpty() ? Phase.SETTLE : Phase.ASSESS;
        if (depth == null) edit.depth = Math.min(edit.depth, 1);
        if (sheet == null) edit.sheet = Sheet.COVERED;
        if (sheet == null && lubricant == null) edit.lubricant = Lubricant.DRY;
        if (seconds == null && count == null) edit.dose = Dose.seconds(20);
    }

    /** Whether something was treated already: what is looked at now is looked at after it. */
    private static boolean worked(@Nullable Step before) {
        return before != null
                && switch (before.phase()) {
                    case ISOLATE, TREAT, LENGTHEN, RESET, FLUSH, RE_CHECK, COVER -> true;
                    case SETTLE, ASSESS, WARM -> false;
                };
    }

    private static final Set<Stroke> MOVED_FROM_BEHIND =
            EnumSet.of(Stroke.STRETCH, Stroke.RANGE_OF_MOTION, Stroke.TRACTION, Stroke.CONTRACT_RELAX);

    /** The head is held, turned or let sink from behind it: then the client lies on the back. */
    private boolean seatedAtHead() {
        return behindTheHead
                || stands == Stands.HEAD
                || more.otherHand == OtherHand.CRADLES_THE_HEAD
                || more.limb.contains(Limb.HEAD_TURNED)
                || more.limb.contains(Limb.HEAD_TILTED)
                || technique != null
                        && MOVED_FROM_BEHIND.contains(technique.stroke())
                        && (zones.isEmpty() && nearby.stream().anyMatch(z -> z.contains(Zone.NECK_BACK))
                                || !zones.isEmpty() && zones.stream().allMatch(z -> z.region() == Region.NECK));
    }

    private static Sides other(Sides side) {
        return switch (side) {
            case LEFT -> Sides.RIGHT;
            case RIGHT -> Sides.LEFT;
            default -> side;
        };
    }

    /** What the client does, out of the pattern. */
    private Technique.Effort takesPart() {
        var does = more.part.stream().map(ClientPart::does).toList();
        if (does.contains(ClientPart.Does.MOVES_TISSUE_ASIDE)) return Technique.Effort.MOVES_ASIDE;
        if (does.contains(ClientPart.Does.PUSHES)) return Technique.Effort.RESISTED;
        if (does.stream().anyMatch(ClientPart.Does::active)) return Technique.Effort.ACTIVE;
        if (does.stream().anyMatch(ClientPart.Does::breath) || counted == Dose.Kind.BREATHS)
            return Technique.Effort.BREATH;
        return Technique.Effort.PASSIVE;
    }

    private Detail said(StepEdit edit) {
        for (var all : structures.values())
            for (var s : all)
                if (more.structures.size() < Detail.MOST_STRUCTURES && !more.structures.contains(s))
                    more.structures.add(s);
        if (more.part.size() > Detail.MOST_PARTS) more.part = more.part.subList(0, Detail.MOST_PARTS);
        if (more.instead.size() > Detail.MOST_BRANCHES) more.instead = more.instead.subList(0, Detail.MOST_BRANCHES);
        if (until != null) more.end = new End(until, capped && seconds != null && seconds > 0 ? seconds : null);
        if (bolster)
            more.props.add(edit.position == Position.PRONE ? Prop.BOLSTER_UNDER_ANKLES : Prop.BOLSTER_UNDER_KNEES);
        var left = note();
        more.note = left.isEmpty() ? null : Aside.cut(String.join("; ", left), Detail.MOST_NOTE);
        return more.detail();
    }

    /** Where something that was named lies: in a zone that was said, if it lies in one of those; else where it is worked. */
    private void zone(List<Structure> named) {
        if (named.stream().anyMatch(s -> s.zones().stream().anyMatch(zones::contains))) return;
        // From outside, unless the inside is said.
        var first = named.stream()
                .map(s -> s.zones().get(0) == Zone.INSIDE_MOUTH && s.zones().size() > 1
                        ? s.zones().get(1)
                        : s.zones().get(0))
                .toList();
        // A group is worked where all of it lies, such as the adductors at the inner thigh and not in the groin.
        first.stream()
                .filter(z -> named.stream().allMatch(s -> s.zones().contains(z)))
                .max(Comparator.comparingInt(z -> Collections.frequency(first, z)))
                .ifPresentOrElse(zones::add, () -> zones.addAll(first));
    }

    /** What is meant where no stroke is named, or only that the hand stays: by the dose, else by the hand; null where neither says. */
    private @Nullable Technique meant(@Nullable Step before, @Nullable Technique stays) {
        boolean way = updown != null
                || more.from != null
                || more.to != null
                || more.words.containsKey(DetailField.FROM)
                || more.words.containsKey(DetailField.TO);
        if (stays != null) {
            if (tool != null && tool.pointed() && counted != Dose.Kind.BREATHS) return library.toUse("trigger-point");
            if (more.part.stream()
                            .anyMatch(p ->
                                    p.does() == ClientPart.Does.BREATHES_OUT || p.does() == ClientPart.Does.BREATHES_IN)
                    && phase != Phase.SETTLE) return library.toUse("breath-hold");
            if (tool == null && more.part.stream().anyMatch(p -> p.does() == ClientPart.Does.PUSHES))
                return library.toUse("contract-relax");
            if (tool == null || tool == Tool.PALM || counted == Dose.Kind.BREATHS) return stays;
            return library.toUse(tool.pointed() ? "trigger-point" : "static-press");
        }
        if (counted == Dose.Kind.BREATHS || breathed() && tool != null && seconds == null && count == null && !way)
            return library.toUse("breath-hold");
        if (comparing != null)
            return library.toUse(
                    more.compares != null && more.compares.what().contains(Comparison.What.RANGE)
                            ? "range-of-motion"
                            : "still-hold");
        if (tool == null && (same || deeper != 0) && before != null) return before.technique();
        if (tool == null || heelNamed && more.limb.contains(Limb.HEEL_TO_HIP)) return byTheClient();
        if (sheet == Sheet.THROUGH && !tool.pointed() && !way && count == null) return library.toUse("compression");
        if (counted == Dose.Kind.HOLDS || until == End.When.SOFTENS || until == End.When.NUMBER_FALLS)
            return library.toUse(tool.pointed() ? "trigger-point" : "static-press");
        if (tool == Tool.FINGER_PADS && (counted == Dose.Kind.PASSES || way)) return library.toUse("effleurage");
        return usual(tool);
    }

    /** What the client does is the work, where no hand of the therapist's is named. */
    private @Nullable Technique byTheClient() {
        var does = more.part.stream().map(ClientPart::does).toList();
        if (more.limb.contains(Limb.HEEL_TO_HIP)) {
            if (placeless()) zones.add(Zone.THIGH_FRONT);
            tool = null;
            return library.toUse("stretch");
        }
        if (does.contains(ClientPart.Does.PUSHES)) return library.toUse("contract-relax");
        return does.stream().anyMatch(ClientPart.Does::active) ? library.toUse("range-of-motion") : null;
    }

    /** The stroke as the hand that is said gives it. */
    private Technique forTool(Technique t, Tool tool) {
        return switch (t.id()) {
            case "effleurage" ->
                switch (tool) {
                    case LOOSE_FIST, KNUCKLES -> library.toUse("fist-glide");
                    case FOREARM, ELBOW -> library.toUse("forearm-glide");
                    default -> t;
                };
            case "lifting" ->
                "interlaced palms".equals(hand)
                        ? library.toUse("interlaced-squeeze")
                        : tool == Tool.HEEL_OF_HAND ? library.toUse("broadening") : t;
            case "stripping-fingers" ->
                tool == Tool.SUPPORTED_THUMB || tool == Tool.BARE_THUMB ? library.toUse("stripping-thumb") : t;
            case "stripping-thumb" ->
                tool == Tool.REINFORCED_FINGERS || tool == Tool.FINGER_PADS ? library.toUse("stripping-fingers") : t;
            default -> t;
        };
    }

    private boolean breathed() {
        return more.part.stream().anyMatch(p -> p.does().breath());
    }

    private Technique usual(Tool tool) {
        return library.toUse(
                switch (tool) {
                    case LOOSE_FIST, KNUCKLES -> "fist-glide";
                    case FOREARM, ELBOW -> "forearm-glide";
                    case REINFORCED_FINGERS -> "stripping-fingers";
                    case SUPPORTED_THUMB, BARE_THUMB -> "stripping-thumb";
                    case FINGER_PADS -> "circular-friction";
                    case PINCER -> "lifting";
                    case HEEL_OF_HAND -> "broadening";
                    case PALM -> "effleurage";
                });
    }

    /** Seconds with a count are that long each; a count alone changes how many of the usual ones. */
    private Dose dose(Technique t) {
        var usual = t.dose();
        // As often as the client moves, the hand works, where nobody says otherwise.
        if (seconds == null && count == null && counted == null)
            for (var p : more.part)
                if (count == null && p.times() != null && (p.does().active() || p.does() == ClientPart.Does.PUSHES))
                    count = p.times();
        if (until == End.When.SOFTENS && count == null) return Dose.untilSoft(seconds != null ? seconds : 90);
        if (counted == Dose.Kind.BREATHS) return new Dose(Dose.Kind.BREATHS, seconds, count, null);
        if (counted == Dose.Kind.CYCLES || usual.kind() == Dose.Kind.CYCLES && rate != null)
            return new Dose(
                    Dose.Kind.CYCLES,
                    null,
                    count != null
                            ? count
                            : seconds != null && rate != null
                                    ? (Integer) (int) Math.round(seconds * rate)
                                    : usual.count(),
                    rate != null ? rate : usual.perSecond() != null ? usual.perSecond() : Double.valueOf(1));
        // What the client pushes is what is held.
        if (seconds == null && t.stroke() == Stroke.CONTRACT_RELAX)
            for (var p : more.part) if (seconds == null && p.seconds() != null) seconds = p.seconds();
        if (count == null && t.stroke() == Stroke.CONTRACT_RELAX)
            for (var p : more.part) if (count == null && p.times() != null) count = p.times();
        if (count == null)
            return seconds == null
                    ? usual
                    : t.stroke() == Stroke.CONTRACT_RELAX
                            ? Dose.holds(usual.count() == null ? 3 : usual.count(), seconds)
                            : Dose.seconds(seconds);
        boolean holds = counted == Dose.Kind.HOLDS
                || counted == null
                        && (usual.kind() == Dose.Kind.HOLDS
                                || t.stroke() == Stroke.STRETCH
                                || t.stroke() == Stroke.STILL_HOLD);
        double each = seconds != null
                ? seconds
                : usual.seconds() != null && usual.kind() != Dose.Kind.SECONDS ? usual.seconds() : 10;
        return new Dose(holds ? Dose.Kind.HOLDS : Dose.Kind.PASSES, each, count, null);
    }
}
