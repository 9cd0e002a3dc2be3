package palmtally.core.jot;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Landmark;
import palmtally.core.body.Position;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;
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

    private static final Set<DrapeUnit> LIMBS = Set.of(DrapeUnit.LEG, DrapeUnit.ARM);

    private static final List<String> NUMBERS =
            List.of("one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten");

    private static final Pattern SAID = Pattern.compile("[\"“”„]([^\"“”„]*)[\"“”„]");
    private static final Pattern SECONDS = Pattern.compile("(\\d+(?:\\.\\d+)?)\\s*(?:s|sec|secs|seconds?)");
    private static final Pattern MINUTES = Pattern.compile("(\\d+(?:\\.\\d+)?)\\s*(?:m|min|mins|minutes?)");
    private static final Pattern CLOCK = Pattern.compile("(\\d+):([0-5]\\d)");
    private static final Pattern TIMES = Pattern.compile("(?:x|×)\\s*(\\d+)|(\\d+)\\s*(?:x|×|times)");
    private static final Pattern COUNTED = Pattern.compile("(\\d+)\\s*(breaths?|holds?|passes|pass|cycles?|stations?)");
    private static final Pattern RATE = Pattern.compile("(\\d+(?:\\.\\d+)?)\\s*(?:/\\s*s|a second|hz)");
    private static final Pattern DEPTH = Pattern.compile("(?:depth|d)\\s*(\\d)");

    @Nullable
    Technique technique;

    @Nullable
    Tool tool;

    @Nullable
    String hand;

    private final List<Zone> zones = new ArrayList<>();
    private final Map<String, List<Structure>> structures = new LinkedHashMap<>();
    /** Where it lies near to, comes from or goes to: that is the zone where none is said. */
    final List<List<Zone>> nearby = new ArrayList<>();

    private @Nullable String from;
    private @Nullable String to;
    /** What the last word says of the place that follows it. */
    Relation relation = Relation.ON;

    private String related = "";
    /** Places that are said beside the work, in their words. */
    final List<String> aside = new ArrayList<>();
    /** Words that are not known, and of each whether the one before it stood right before it. */
    private final List<String> unknown = new ArrayList<>();

    private final List<Boolean> together = new ArrayList<>();
    /** The stroke that is named right after an unknown word, by the place of the word among the unknown. */
    private final Map<Integer, String> strokes = new LinkedHashMap<>();

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

    private @Nullable Double seconds;
    private @Nullable Integer count;
    private Dose.@Nullable Kind counted;
    private @Nullable Double rate;
    boolean untilSoft;
    final List<Saying> say = new ArrayList<>();
    private final List<Fault> faults = new ArrayList<>();

    final Techniques library;
    /** What this school calls its hands and techniques: it wins over what is known everywhere. */
    private final Map<String, Consumer<Jot>> own;

    /** Words of the longest phrase that is known. */
    private final int longest;

    private Jot(Techniques library) {
        this.library = library;
        own = JotWords.own(library);
        longest = Math.max(JotWords.EVERYWHERE_LONGEST, JotWords.longest(own));
    }

    /**
     * @param library whose names, aliases and usual doses are meant
     * @param id id of the new step
     * @param before the step it comes after, whose zones, position, sheet and lubricant go on, or null
     * @throws InvalidValue naming every word that was not understood, with the nearest known one
     */
    public static Step read(String text, Techniques library, String id, @Nullable Step before) {
        var reading = new Jot(library);
        reading.take(text);
        for (int i = 0; i < reading.unknown.size(); i++) reading.refuse(i);
        reading.aside.forEach(a -> reading.faults.add(
                new Fault("text", a, "is understood, and has no place in a step yet: leave it out")));
        if (!reading.faults.isEmpty()) throw new InvalidValue("line", reading.faults);
        var step = reading.step(id, before);
        if (step != null) return step;
        if (reading.technique == null)
            reading.faults.add(
                    new Fault("text", "", "names no technique. Maybe 'glide', 'knead', 'fist glide' or 'stretch'"));
        if (reading.on(before).isEmpty())
            reading.faults.add(new Fault("text", "", "names no zone. Maybe 'hamstrings', 'calf' or 'upper back'"));
        throw new InvalidValue("line", reading.faults);
    }

    /**
     * Reads a line as far as it can be: nothing refuses it. A number that no step can have stays in the note.
     *
     * @param before as above
     */
    public static Jotted jot(String text, Techniques library, String id, @Nullable Step before) {
        var reading = new Jot(library);
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
        return new Jotted(text, step, reading.note(), step == null ? reading.asked() : null);
    }

    private void forgetNumbers() {
        depth = null;
        seconds = null;
        count = null;
        counted = null;
        rate = null;
        untilSoft = false;
    }

    /** Words that were not understood, those that stood together together. */
    private List<String> note() {
        var all = new ArrayList<String>();
        for (int i = 0; i < unknown.size(); i++)
            if (i > 0 && together.get(i)) all.set(all.size() - 1, all.get(all.size() - 1) + " " + unknown.get(i));
            else all.add(unknown.get(i));
        all.addAll(aside);
        return all;
    }

    private Jotted.Asked asked() {
        var what = technique == null && tool == null ? Jotted.What.STROKE : Jotted.What.ZONE;
        var offered = what == Jotted.What.STROKE
                ? library.offered().stream().map(Technique::shortName).toList()
                : Arrays.stream(Zone.values()).map(Zone::label).toList();
        var near = new ArrayList<String>();
        for (var word : unknown) {
            var nearest = nearest(word, offered.stream().map(JotWords::plain).toList());
            offered.stream().filter(o -> JotWords.plain(o).equals(nearest)).forEach(near::add);
        }
        offered.stream().limit(4).filter(o -> !near.contains(o)).forEach(near::add);
        return new Jotted.Asked(what, near.stream().limit(4).toList());
    }

    private void take(String text) {
        if (text.length() > MOST_LETTERS)
            throw new InvalidValue(
                    "line", new Fault("text", text.length() + " characters", "must be at most " + MOST_LETTERS));
        var said = SAID.matcher(text);
        while (said.find())
            if (!said.group(1).isBlank())
                say.add(Saying.of(kindOf(said.group(1)), said.group(1).trim()));
        // A comma parts what is said; a clause about the client, or what to do when, is no stroke.
        var rest = doses(
                " " + counted(JotWords.plain(SAID.matcher(text).replaceAll(" ").replaceAll("[,;]", " \u0001 "))) + " ");
        var tokens = new ArrayList<String>();
        var clause = new ArrayList<Boolean>();
        boolean opens = true;
        for (var word : rest.trim().split("\\s+"))
            if (word.equals("\u0001")) opens = true;
            else if (!word.isEmpty()) {
                tokens.add(word);
                clause.add(opens);
                opens = false;
            }
        int lastUnknown = -2;
        for (int at = 0; at < tokens.size(); ) {
            int used = 0;
            int end = at + 1;
            while (end < tokens.size() && !clause.get(end)) end++;
            if (clause.get(at) && aside(tokens.subList(at, end))) {
                aside.add(String.join(" ", tokens.subList(at, end)));
                relation = Relation.ON;
                at = end;
                continue;
            }
            for (int length = Math.min(longest, tokens.size() - at); length > 0 && used == 0; length--) {
                var phrase = String.join(" ", tokens.subList(at, at + length));
                var meaning = meaning(phrase);
                if (meaning == null) continue;
                var had = technique;
                meaning.accept(this);
                // "Gull press" is a name of its own, though a press is known.
                if (technique != had && at - 1 == lastUnknown && !clause.get(at))
                    strokes.put(unknown.size() - 1, phrase);
                used = length;
            }
            var word = tokens.get(at);
            if (used > 0) relation = Relation.ON;
            else if (RELATIONS.containsKey(word)) {
                related = word;
                relation = RELATIONS.get(word);
            } else if (!FILLERS.contains(word)) {
                together.add(at - 1 == lastUnknown && !clause.get(at));
                unknown.add(word);
                lastUnknown = at;
                relation = Relation.ON;
            }
            at += Math.max(1, used);
        }
    }

    /** Words that open a clause about the client, or about what to do when. */
    private static final Set<String> ASIDES =
            Set.of("client", "ask", "stop", "let", "then", "if", "while", "because", "find", "clench", "push");

    private static final Set<String> LIMB_WORDS = Set.of("foot", "arm", "knee", "knees", "hip", "leg");

    /** What is said of a limb that lies or moves, after its name. */
    private static final Set<String> LIES = Set.of(
            "moved",
            "bent",
            "off",
            "overhead",
            "across",
            "turned",
            "on",
            "over",
            "hanging",
            "straight",
            "lifted",
            "held");

    /** Whether it opens with a phrase of several words that is known. */
    private boolean known(List<String> clause) {
        return IntStream.rangeClosed(2, Math.min(longest, clause.size()))
                .anyMatch(n -> meaning(String.join(" ", clause.subList(0, n))) != null);
    }

    /** Whether a clause is about something else than the stroke. */
    private boolean aside(List<String> clause) {
        if (clause.size() < 2) return clause.get(0).equals("clench");
        if (LIMB_WORDS.contains(clause.get(0))) return LIES.contains(clause.get(1));
        // "Push pull" is a stroke.
        return ASIDES.contains(clause.get(0)) && !known(clause);
    }

    private static final List<String> FILLERS =
            List.of("the", "of", "on", "with", "and", "at", "for", "a", "in", "over", "along", "across");

    private @Nullable Consumer<Jot> meaning(String phrase) {
        var meaning = known(phrase);
        if (meaning == null && phrase.length() > 3 && phrase.endsWith("s"))
            meaning = known(phrase.substring(0, phrase.length() - 1));
        if (meaning == null && phrase.length() > 2) meaning = known(phrase + "s");
        if (meaning == null && phrase.length() > 4 && phrase.endsWith("ed")) {
            var stem = phrase.substring(0, phrase.length() - 2);
            meaning = known(stem);
            // "Stripped" is strip.
            if (meaning == null && stem.charAt(stem.length() - 1) == stem.charAt(stem.length() - 2))
                meaning = known(stem.substring(0, stem.length() - 1));
        }
        return meaning;
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

    /** Takes the doses out of the text and leaves the words. */
    private String doses(String text) {
        var rest = text;
        rest = pull(RATE, rest, m -> rate = Double.valueOf(m.group(1)));
        rest = pull(COUNTED, rest, m -> {
            count = whole(m.group(1));
            counted = switch (m.group(2).charAt(0)) {
                case 'b' -> Dose.Kind.BREATHS;
                case 'c' -> Dose.Kind.CYCLES;
                case 'p' -> Dose.Kind.PASSES;
                default -> Dose.Kind.HOLDS;
            };
        });
        rest = pull(TIMES, rest, m -> count = whole(m.group(1) != null ? m.group(1) : m.group(2)));
        rest = pull(CLOCK, rest, m -> seconds = Integer.parseInt(m.group(1)) * 60.0 + Integer.parseInt(m.group(2)));
        rest = pull(MINUTES, rest, m -> seconds = Double.parseDouble(m.group(1)) * 60);
        rest = pull(SECONDS, rest, m -> seconds = Double.valueOf(m.group(1)));
        return pull(DEPTH, rest, m -> depth = Integer.valueOf(m.group(1)));
    }

    private static int whole(String digits) {
        return digits.length() > 6 ? Integer.MAX_VALUE : Integer.parseInt(digits);
    }

    private static String pull(Pattern pattern, String text, Consumer<Matcher> take) {
        var m = Pattern.compile("(?<=\\s)(?:" + pattern.pattern() + ")(?=\\s)").matcher(text);
        if (!m.find()) return text;
        take.accept(m);
        return text.substring(0, m.start()) + text.substring(m.end());
    }

    /** "Three breaths" as 3 breaths. */
    private static String counted(String text) {
        var all = text.split(" ");
        for (int i = 0; i < all.length - 1; i++) {
            int number = NUMBERS.indexOf(all[i]);
            if (number >= 0 && all[i + 1].matches("breaths?|holds?|passes|pass|times|cycles?|seconds?|minutes?"))
                all[i] = String.valueOf(number + 1);
        }
        return String.join(" ", all);
    }

    private void refuse(int index) {
        var word = unknown.get(index);
        var stroke = strokes.get(index);
        var near = nearest(
                word,
                Stream.concat(own.keySet().stream(), JotWords.EVERYWHERE.keySet().stream())
                        .toList());
        faults.add(new Fault(
                "text",
                stroke == null ? word : word + " " + stroke,
                "is not known here" + (near == null ? "" : ". Maybe '" + near + "'")));
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

    /** Edits from one word to another (Levenshtein 1966), given up at {@code enough}. */
    private static int distance(String a, String b, int enough) {
        if (Math.abs(a.length() - b.length()) >= enough) return enough;
        var row = new int[b.length() + 1];
        for (int j = 0; j < row.length; j++) row[j] = j;
        for (int i = 1; i <= a.length(); i++) {
            int corner = row[0];
            row[0] = i;
            for (int j = 1; j < row.length; j++) {
                int up = row[j];
                row[j] = Math.min(
                        Math.min(row[j] + 1, row[j - 1] + 1), corner + (a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1));
                corner = up;
            }
        }
        return row[b.length()];
    }

    void zoned(Zone zone) {
        if (relation == Relation.ON) zones.add(zone);
        else at(zone.label().replaceAll("\\s*\\(.*\\)", "").toLowerCase(Locale.ROOT), List.of(zone));
    }

    void structure(String name, List<Structure> all) {
        if (relation == Relation.ON) structures.put(name, all);
        else at(name, all.get(0).zones());
    }

    void landmark(Landmark landmark) {
        at(landmark.label(), landmark.zones());
    }

    /** A place that the stroke comes from, goes to or keeps near to. */
    void at(String name, List<Zone> in) {
        if (relation == Relation.FROM && from == null) from = name;
        else if (relation == Relation.TO && to == null) to = name;
        else if (relation != Relation.ON) aside.add(related + " " + name);
        nearby.add(in);
    }

    /** Up and down say a direction on a limb alone. */
    void along(Direction way) {
        updown = way;
    }

    /** Its back, or its front where the client lies so. */
    void leg() {
        leg = true;
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
        // From here to there is where both ends lie.
        if (all.isEmpty() && !nearby.isEmpty()) {
            var shared = new ArrayList<>(nearby.get(0));
            nearby.forEach(shared::retainAll);
            if (shared.isEmpty()) nearby.forEach(in -> all.add(in.get(0)));
            else all.add(shared.get(0));
        }
        return all.isEmpty() && before != null ? before.zones() : List.copyOf(all);
    }

    /** What was understood; null where it names no stroke or no zone. */
    private @Nullable Step step(String id, @Nullable Step before) {
        if (technique == null) technique = meant();
        structures.values().forEach(this::zone);
        var on = on(before);
        if (technique == null || on.isEmpty()) return null;
        var t = technique;
        var edit = StepEdit.of(id, t, on);
        if (before != null) {
            if (on.stream().allMatch(z -> z.reachedIn(before.position()))) edit.position = before.position();
            edit.stance = before.stance() == Stance.ON_TABLE ? Stance.LUNGE : before.stance();
            if (!t.stroke().grip()) edit.lubricant = before.lubricant();
            if (before.sheet() != Sheet.COVERED) edit.sheet = before.sheet();
            if (zones.isEmpty() && nearby.isEmpty() && !leg) edit.side = before.side();
        }
        var names = new ArrayList<String>(List.of(t.shortName()));
        structures.forEach(
                (group, all) -> names.add(all.size() == 1 ? all.get(0).label().toLowerCase(Locale.ROOT) : group));
        edit.name = String.join(", ", names);
        if (tool != null) {
            edit.tool = tool;
            edit.hand = hand;
        }
        if (side != null) edit.side = side;
        // What is not said is never deeper than a site bears.
        edit.depth = depth != null
                ? depth
                : Math.min(
                        edit.depth,
                        on.stream()
                                .flatMap(z -> z.ceiling().stream())
                                .mapToInt(Zone.Ceiling::high)
                                .min()
                                .orElse(5));
        if (sheet != null) edit.sheet = sheet;
        if (edit.sheet != Sheet.OPEN && on.stream().anyMatch(z -> z.unit().draped())) edit.lubricant = Lubricant.DRY;
        if (lubricant != null) edit.lubricant = lubricant;
        if (position != null) edit.position = position;
        if (phase != null) edit.phase = phase;
        if (importance != null) edit.importance = importance;
        edit.direction = direction;
        if (direction == null && on.stream().allMatch(z -> LIMBS.contains(z.unit()))) edit.direction = updown;
        if (stands != null) edit.stands = stands;
        edit.from = from;
        edit.to = to;
        edit.say = new ArrayList<>(say);
        edit.dose = dose(t);
        return edit.step();
    }

    /** Where something that was named lies: in a zone that was said, if it lies in one of those; else where it is worked. */
    private void zone(List<Structure> named) {
        if (named.stream().anyMatch(s -> s.zones().stream().anyMatch(zones::contains))) return;
        var first = named.stream().map(s -> s.zones().get(0)).toList();
        // A group is worked where all of it lies, such as the adductors at the inner thigh and not in the groin.
        first.stream()
                .filter(z -> named.stream().allMatch(s -> s.zones().contains(z)))
                .max(Comparator.comparingInt(z -> Collections.frequency(first, z)))
                .ifPresentOrElse(zones::add, () -> zones.addAll(first));
    }

    /** What is meant where no stroke is named: by the dose, else by the hand; null where neither says. */
    private @Nullable Technique meant() {
        if (counted == Dose.Kind.BREATHS) return library.toUse("breath-hold");
        if (tool == null) return null;
        if (counted == Dose.Kind.HOLDS || untilSoft)
            return library.toUse(tool.pointed() ? "trigger-point" : "static-press");
        return usual(tool);
    }

    private Technique usual(Tool tool) {
        return library.toUse(
                switch (tool) {
                    case LOOSE_FIST, KNUCKLES -> "fist-glide";
                    case FOREARM, ELBOW -> "forearm-glide";
                    case REINFORCED_FINGERS -> "stripping-fingers";
                    case SUPPORTED_THUMB, BARE_THUMB -> "stripping-thumb";
                    case FINGER_PADS -> "circular-friction";
                    case PINCER -> "skin-rolling";
                    case HEEL_OF_HAND -> "broadening";
                    case PALM -> "effleurage";
                });
    }

    /** Seconds with a count are that long each; a count alone changes how many of the usual ones. */
    private Dose dose(Technique t) {
        var usual = t.dose();
        if (untilSoft) return Dose.untilSoft(seconds != null ? seconds : 90);
        if (counted == Dose.Kind.BREATHS) return new Dose(Dose.Kind.BREATHS, seconds, count, null);
        if (counted == Dose.Kind.CYCLES || usual.kind() == Dose.Kind.CYCLES && rate != null)
            return new Dose(
                    Dose.Kind.CYCLES,
                    null,
                    count != null ? count : usual.count(),
                    rate != null ? rate : usual.perSecond() != null ? usual.perSecond() : Double.valueOf(1));
        if (count == null) return seconds == null ? usual : Dose.seconds(seconds);
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
