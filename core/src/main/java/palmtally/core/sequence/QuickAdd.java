package palmtally.core.sequence;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Position;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;
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
public final class QuickAdd {
    private static final Pattern SAID = Pattern.compile("[\"“”„]([^\"“”„]*)[\"“”„]");
    private static final Pattern SECONDS = Pattern.compile("(\\d+(?:\\.\\d+)?)\\s*(?:s|sec|secs|seconds?)");
    private static final Pattern MINUTES = Pattern.compile("(\\d+(?:\\.\\d+)?)\\s*(?:m|min|mins|minutes?)");
    private static final Pattern CLOCK = Pattern.compile("(\\d+):([0-5]\\d)");
    private static final Pattern TIMES = Pattern.compile("(?:x|×)\\s*(\\d+)|(\\d+)\\s*(?:x|×)");
    private static final Pattern COUNTED = Pattern.compile("(\\d+)\\s*(breaths?|holds?|passes|pass|cycles?|stations?)");
    private static final Pattern RATE = Pattern.compile("(\\d+(?:\\.\\d+)?)\\s*(?:/\\s*s|a second|hz)");
    private static final Pattern DEPTH = Pattern.compile("(?:depth|d)\\s*(\\d)");

    private @Nullable Technique technique;
    private @Nullable Tool tool;
    private @Nullable String hand;
    private final List<Zone> zones = new ArrayList<>();
    private final Map<String, List<Structure>> structures = new LinkedHashMap<>();
    private @Nullable Sides side;
    private @Nullable Integer depth;
    private @Nullable Sheet sheet;
    private @Nullable Lubricant lubricant;
    private @Nullable Position position;
    private @Nullable Phase phase;
    private @Nullable Importance importance;
    private @Nullable Direction direction;
    private @Nullable Double seconds;
    private @Nullable Integer count;
    private Dose.@Nullable Kind counted;
    private @Nullable Double rate;
    private boolean untilSoft;
    private final List<Saying> say = new ArrayList<>();
    private final List<Fault> faults = new ArrayList<>();

    private final Techniques library;
    /** What this school calls its hands and techniques: it wins over what is known everywhere. */
    private final Map<String, Consumer<QuickAdd>> own;

    /** Words of the longest phrase that is known. */
    private final int longest;

    private QuickAdd(Techniques library) {
        this.library = library;
        own = own(library);
        longest = Math.max(EVERYWHERE_LONGEST, longest(own));
    }

    private static int longest(Map<String, Consumer<QuickAdd>> words) {
        return words.keySet().stream().mapToInt(k -> k.split(" ").length).max().orElse(1);
    }

    /**
     * @param library whose names, aliases and usual doses are meant
     * @param id id of the new step
     * @param before the step it comes after, whose zones, position, sheet and lubricant go on, or null
     * @throws InvalidValue naming every word that was not understood, with the nearest known one
     */
    public static Step read(String text, Techniques library, String id, @Nullable Step before) {
        var reading = new QuickAdd(library);
        reading.take(text);
        return reading.step(id, before);
    }

    private static final Map<String, Consumer<QuickAdd>> EVERYWHERE = everywhere();
    private static final int EVERYWHERE_LONGEST = longest(EVERYWHERE);

    private static Map<String, Consumer<QuickAdd>> everywhere() {
        var words = new LinkedHashMap<String, Consumer<QuickAdd>>();
        var named = new LinkedHashMap<String, List<Structure>>();
        for (var structure : Structure.values())
            Stream.concat(
                            Stream.of(structure.label(), structure.latin(), structure.toString()),
                            structure.also().stream())
                    .forEach(n -> {
                        var all = named.computeIfAbsent(plain(n), k -> new ArrayList<>());
                        if (!all.contains(structure)) all.add(structure);
                    });
        named.forEach((name, all) -> words.put(name, q -> q.structures.put(name, all)));
        for (var tool : Tool.values()) {
            Consumer<QuickAdd> set = q -> q.tool = tool;
            put(words, tool.label(), set);
            put(words, tool.toString(), set);
        }
        put(words, "thumb", q -> q.tool = Tool.SUPPORTED_THUMB);
        put(words, "fist", q -> q.tool = Tool.LOOSE_FIST);
        put(words, "fingers", q -> q.tool = Tool.REINFORCED_FINGERS);
        put(words, "heel", q -> q.tool = Tool.HEEL_OF_HAND);
        for (var zone : Zone.values()) {
            Consumer<QuickAdd> set = q -> q.zones.add(zone);
            put(words, zone.toString(), set);
            var label = zone.label();
            put(words, label.replaceAll("\\s*\\(.*\\)", ""), set);
            var inside = Pattern.compile("\\(([^)]*)\\)").matcher(label);
            if (inside.find()) put(words, inside.group(1), set);
        }
        everyday().forEach((zone, names) -> names.forEach(n -> put(words, n, q -> q.zones.add(zone))));
        put(words, "glide", q -> q.technique = q.library.toUse("effleurage"));
        put(words, "friction", q -> q.technique = q.library.toUse("circular-friction"));
        put(words, "strip", q -> q.technique = q.library.toUse("stripping-fingers"));
        put(words, "stripping", q -> q.technique = q.library.toUse("stripping-fingers"));
        put(words, "point", q -> q.technique = q.library.toUse("trigger-point"));
        put(words, "kneading", q -> q.technique = q.library.toUse("petrissage"));
        put(words, "hold", q -> q.technique = q.library.toUse("still-hold"));
        put(words, "thumb strip", q -> q.technique = q.library.toUse("stripping-thumb"));
        each(words, Sides.values(), (q, v) -> q.side = v);
        put(words, "l", q -> q.side = Sides.LEFT);
        put(words, "r", q -> q.side = Sides.RIGHT);
        put(words, "both sides", q -> q.side = Sides.EACH);
        put(words, "each side", q -> q.side = Sides.EACH);
        each(words, Position.values(), (q, v) -> q.position = v);
        put(words, "side-lying", q -> q.position = Position.SIDE_LEFT);
        each(words, Phase.values(), (q, v) -> q.phase = v);
        each(words, Importance.values(), (q, v) -> q.importance = v);
        each(words, Lubricant.values(), (q, v) -> q.lubricant = v);
        each(words, Sheet.values(), (q, v) -> q.sheet = v);
        put(words, "through sheet", q -> q.sheet = Sheet.THROUGH);
        put(words, "through the sheet", q -> q.sheet = Sheet.THROUGH);
        each(words, Direction.values(), (q, v) -> q.direction = v);
        var depths = List.of("hover", "skin", "light", "moderate", "firm", "deep");
        for (int d = 0; d < depths.size(); d++) {
            int at = d;
            put(words, depths.get(d), q -> q.depth = at);
        }
        put(words, "medium", q -> q.depth = 3);
        put(words, "until soft", q -> q.untilSoft = true);
        put(words, "until it softens", q -> q.untilSoft = true);
        return words;
    }

    private static Map<String, Consumer<QuickAdd>> own(Techniques library) {
        var words = new LinkedHashMap<String, Consumer<QuickAdd>>();
        for (var hand : library.hands())
            put(words, hand.name(), q -> {
                q.tool = hand.like();
                q.hand = hand.name();
            });
        // A nickname wins over a phase of the same name: it brings the phase along.
        for (var t : library.offered()) {
            Consumer<QuickAdd> set = q -> q.technique = t;
            put(words, t.id(), set);
            put(words, t.name(), set);
            put(words, t.shortName(), set);
            t.aliases().forEach(a -> put(words, a, set));
        }
        return words;
    }

    private static Map<Zone, List<String>> everyday() {
        var names = new EnumMap<Zone, List<String>>(Zone.class);
        names.put(Zone.HAMSTRINGS, List.of("hams", "back of thigh"));
        names.put(Zone.THIGH_FRONT, List.of("quads", "quadriceps", "front of thigh"));
        names.put(Zone.CALF, List.of("calves"));
        names.put(Zone.TOP_OF_SHOULDER, List.of("traps", "trapezius", "shoulder", "top of shoulder"));
        names.put(Zone.UPPER_BACK, List.of("back"));
        names.put(Zone.LUMBAR, List.of("low back", "lower back"));
        names.put(Zone.GLUTEALS, List.of("glutes", "hip"));
        names.put(Zone.SHOULDER_BLADE, List.of("scapula"));
        names.put(Zone.CHEST_WALL, List.of("pecs", "chest"));
        names.put(Zone.STERNUM, List.of("sternum", "breastbone"));
        names.put(Zone.NECK_BACK, List.of("neck"));
        names.put(Zone.JAW_MUSCLES, List.of("jaw"));
        names.put(Zone.STRAP_MUSCLE, List.of("strap muscle"));
        names.put(Zone.FOREARM_FLEXORS, List.of("flexors"));
        names.put(Zone.FOREARM_EXTENSORS, List.of("extensors"));
        names.put(Zone.UPPER_ARM_OUTER, List.of("upper arm"));
        names.put(Zone.ACHILLES, List.of("achilles tendon"));
        names.put(Zone.SOLE, List.of("foot", "feet", "plantar"));
        names.put(Zone.FOOT_TOP, List.of("toes"));
        names.put(Zone.BELLY, List.of("abdomen"));
        names.put(Zone.SHIN, List.of("tibialis"));
        names.put(Zone.HAND, List.of("palm of hand"));
        return names;
    }

    private interface Setting<E> {
        void set(QuickAdd reading, E value);
    }

    private static <E extends Enum<E>> void each(
            Map<String, Consumer<QuickAdd>> words, E[] values, Setting<E> setting) {
        for (var v : values) put(words, v.toString(), q -> setting.set(q, v));
    }

    private static void put(Map<String, Consumer<QuickAdd>> words, String name, Consumer<QuickAdd> meaning) {
        words.put(plain(name), meaning);
    }

    private static String plain(String text) {
        return text.toLowerCase(Locale.ROOT)
                .replaceAll("[-–,;()]+", " ")
                .replaceAll("\\s+", " ")
                .trim();
    }

    private void take(String text) {
        if (text.length() > 500)
            throw new InvalidValue("line", new Fault("text", text.length() + " characters", "must be at most 500"));
        var said = SAID.matcher(text);
        while (said.find())
            if (!said.group(1).isBlank())
                say.add(Saying.of(kindOf(said.group(1)), said.group(1).trim()));
        var rest = doses(" " + plain(SAID.matcher(text).replaceAll(" ")) + " ");
        var tokens = rest.isBlank() ? new String[0] : rest.trim().split("\\s+");
        for (int at = 0; at < tokens.length; ) {
            int used = 0;
            for (int length = Math.min(longest, tokens.length - at); length > 0 && used == 0; length--) {
                var meaning = meaning(String.join(" ", List.of(tokens).subList(at, at + length)));
                if (meaning == null) continue;
                meaning.accept(this);
                used = length;
            }
            if (used == 0 && !FILLERS.contains(tokens[at])) unknown(tokens[at]);
            at += Math.max(1, used);
        }
    }

    private static final List<String> FILLERS =
            List.of("the", "of", "on", "with", "and", "to", "at", "for", "a", "in", "over");

    private @Nullable Consumer<QuickAdd> meaning(String phrase) {
        var meaning = known(phrase);
        if (meaning == null && phrase.length() > 3 && phrase.endsWith("s"))
            meaning = known(phrase.substring(0, phrase.length() - 1));
        if (meaning == null && phrase.length() > 2) meaning = known(phrase + "s");
        return meaning;
    }

    private @Nullable Consumer<QuickAdd> known(String phrase) {
        var meaning = own.get(phrase);
        return meaning != null ? meaning : EVERYWHERE.get(phrase);
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

    private void unknown(String word) {
        var near = nearest(
                word,
                Stream.concat(own.keySet().stream(), EVERYWHERE.keySet().stream())
                        .toList());
        faults.add(new Fault("text", word, "is not known here" + (near == null ? "" : ". Maybe '" + near + "'")));
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

    private Step step(String id, @Nullable Step before) {
        if (technique == null && tool != null) technique = usual(tool);
        boolean understood = faults.isEmpty();
        if (technique == null && understood)
            faults.add(new Fault("text", "", "names no technique. Maybe 'glide', 'knead', 'fist glide' or 'stretch'"));
        structures.values().forEach(this::zone);
        var on = zones.isEmpty() && before != null ? before.zones() : List.copyOf(new java.util.LinkedHashSet<>(zones));
        if (on.isEmpty() && understood)
            faults.add(new Fault("text", "", "names no zone. Maybe 'hamstrings', 'calf' or 'upper back'"));
        if (technique == null || on.isEmpty() || !faults.isEmpty()) throw new InvalidValue("line", faults);
        var t = technique;
        var edit = StepEdit.of(id, t, on);
        if (before != null) {
            if (on.stream().allMatch(z -> z.reachedIn(before.position()))) edit.position = before.position();
            edit.stance = before.stance() == Stance.ON_TABLE ? Stance.LUNGE : before.stance();
            if (!t.stroke().grip()) edit.lubricant = before.lubricant();
            if (before.sheet() != Sheet.COVERED) edit.sheet = before.sheet();
            if (zones.isEmpty()) edit.side = before.side();
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
        if (depth != null) edit.depth = depth;
        if (sheet != null) edit.sheet = sheet;
        if (edit.sheet != Sheet.OPEN && on.stream().anyMatch(z -> z.unit().draped())) edit.lubricant = Lubricant.DRY;
        if (lubricant != null) edit.lubricant = lubricant;
        if (position != null) edit.position = position;
        if (phase != null) edit.phase = phase;
        if (importance != null) edit.importance = importance;
        edit.direction = direction;
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
