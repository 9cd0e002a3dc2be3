package palmtally.core.jot;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import java.util.stream.Stream;
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
import palmtally.core.sequence.Stands;
import palmtally.core.technique.Techniques;
import palmtally.core.technique.Tool;

/**
 * The words that {@link Jot} understands and what each says of a step: hands, zones, structures, landmarks, strokes, sides and the
 * rest by their names, and those that teachers say for them (common practice, no source).
 */
final class JotWords {
    private JotWords() {}

    static final Map<String, Consumer<Jot>> EVERYWHERE = everywhere();
    static final int EVERYWHERE_LONGEST = longest(EVERYWHERE);

    private static Map<String, Consumer<Jot>> everywhere() {
        var words = new LinkedHashMap<String, Consumer<Jot>>();
        var named = new LinkedHashMap<String, List<Structure>>();
        for (var structure : Structure.values())
            Stream.concat(
                            Stream.of(structure.label(), structure.latin(), structure.toString()),
                            structure.also().stream())
                    .forEach(n -> {
                        var all = named.computeIfAbsent(plain(n), k -> new ArrayList<>());
                        if (!all.contains(structure)) all.add(structure);
                    });
        for (var landmark : Landmark.values())
            Stream.concat(Stream.of(landmark.label(), landmark.latin(), landmark.toString()), landmark.also().stream())
                    .forEach(n -> put(words, n, q -> q.landmark(landmark)));
        named.forEach((name, all) -> words.put(name, q -> q.structure(name, all)));
        for (var tool : Tool.values()) {
            Consumer<Jot> set = q -> q.tool = tool;
            put(words, tool.label(), set);
            put(words, tool.toString(), set);
        }
        put(words, "thumb", q -> q.tool = Tool.SUPPORTED_THUMB);
        put(words, "fist", q -> q.tool = Tool.LOOSE_FIST);
        put(words, "fingers", q -> q.tool = Tool.REINFORCED_FINGERS);
        put(words, "heel", q -> q.tool = Tool.HEEL_OF_HAND);
        for (var zone : Zone.values()) {
            Consumer<Jot> set = q -> q.zoned(zone);
            put(words, zone.toString(), set);
            var label = zone.label();
            put(words, label.replaceAll("\\s*\\(.*\\)", ""), set);
            var inside = Pattern.compile("\\(([^)]*)\\)").matcher(label);
            if (inside.find()) put(words, inside.group(1), set);
        }
        everyday().forEach((zone, names) -> names.forEach(n -> put(words, n, q -> q.zoned(zone))));
        put(words, "glide", q -> q.technique = q.library.toUse("effleurage"));
        put(words, "friction", q -> q.technique = q.library.toUse("circular-friction"));
        for (var spread : List.of("spread", "sweep", "skim", "stroke"))
            put(words, spread, q -> q.technique = q.library.toUse("effleurage"));
        put(words, "rock", q -> q.technique = q.library.toUse("rocking"));
        put(words, "shake", q -> q.technique = q.library.toUse("shaking"));
        for (var lift : List.of("lift", "lifting", "pick up"))
            put(words, lift, q -> q.technique = q.library.toUse("lifting"));
        put(words, "squeeze", q -> q.technique = q.library.toUse("lifting"));
        put(words, "press", q -> q.technique = q.library.toUse("static-press"));
        put(words, "rest", q -> q.technique = q.library.toUse("still-hold"));
        put(words, "resting", q -> q.technique = q.library.toUse("still-hold"));
        put(words, "circles", q -> q.technique = q.library.toUse("circular-friction"));
        put(words, "pin", q -> q.technique = q.library.toUse("pin-lengthen"));
        put(words, "rotate", q -> q.technique = q.library.toUse("range-of-motion"));
        put(words, "cold cup", q -> q.technique = q.library.toUse("ice"));
        put(words, "palms", q -> q.tool = Tool.PALM);
        put(words, "flat fingers", q -> q.tool = Tool.FINGER_PADS);
        put(words, "fingertips", q -> q.tool = Tool.FINGER_PADS);
        put(words, "gently", q -> q.depth = 1);
        put(words, "gentle", q -> q.depth = 1);
        put(words, "skin only", q -> q.depth = 1);
        put(words, "over the sheet", q -> q.sheet = Sheet.THROUGH);
        put(words, "up", q -> q.along(Direction.PROXIMAL));
        put(words, "upward", q -> q.along(Direction.PROXIMAL));
        put(words, "down", q -> q.along(Direction.DISTAL));
        put(words, "downward", q -> q.along(Direction.DISTAL));
        put(words, "left then right", q -> q.side = Sides.EACH);
        put(words, "one side at a time", q -> q.side = Sides.EACH);
        put(words, "leg", q -> q.leg());
        put(words, "whole leg", q -> q.leg());
        put(words, "head", q -> q.nearby.add(List.of(Zone.NECK_BACK)));
        for (var there : List.of("seated at the head", "sit at the head", "at the head", "at the head end"))
            put(words, there, q -> q.stands = Stands.HEAD);
        put(words, "at the foot end", q -> q.stands = Stands.FOOT);
        put(words, "of the fingers", q -> q.zoned(Zone.HAND));
        put(words, "between finger and thumb", q -> q.tool = Tool.PINCER);
        put(words, "between fingers", q -> q.tool = Tool.PINCER);
        put(words, "asked", q -> q.say.add(Saying.of(SayKind.CONSENT, "May I work here?")));
        for (var aside : List.of("both hands", "two hands", "out breath", "in breath", "two heads", "heads"))
            put(
                    words,
                    aside,
                    q -> q.aside.add(
                            aside.replace("out breath", "on the out-breath").replace("in breath", "on the in-breath")));
        put(words, "elbow", q -> {
            if (q.relation == Jot.Relation.ON) q.tool = Tool.ELBOW;
            else q.at("elbow", List.of(Zone.ELBOW_INSIDE));
        });
        put(words, "pelvis", q -> q.zoned(Zone.SACRUM));
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
        put(words, "flush", q -> {
            q.phase = Phase.FLUSH;
            if (q.technique == null) q.technique = q.library.toUse("effleurage");
        });
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

    /** What a school calls its hands and techniques. */
    static Map<String, Consumer<Jot>> own(Techniques library) {
        var words = new LinkedHashMap<String, Consumer<Jot>>();
        for (var hand : library.hands())
            put(words, hand.name(), q -> {
                q.tool = hand.like();
                q.hand = hand.name();
            });
        // A nickname wins over a phase of the same name: it brings the phase along.
        for (var t : library.offered()) {
            Consumer<Jot> set = q -> q.technique = t;
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
        names.put(Zone.CALF_CENTRE, List.of("centre of the calf", "center of the calf"));
        names.put(Zone.SHIN, List.of("tibialis"));
        names.put(Zone.HAND, List.of("palm of hand"));
        return names;
    }

    private interface Setting<E> {
        void set(Jot reading, E value);
    }

    private static <E extends Enum<E>> void each(Map<String, Consumer<Jot>> words, E[] values, Setting<E> setting) {
        for (var v : values) put(words, v.toString(), q -> setting.set(q, v));
    }

    private static void put(Map<String, Consumer<Jot>> words, String name, Consumer<Jot> meaning) {
        words.put(plain(name), meaning);
    }

    static String plain(String text) {
        return text.toLowerCase(Locale.ROOT)
                .replaceAll("[-–,;()!?]+|[:.](?!\\d)", " ")
                .replaceAll("\\s+", " ")
                .trim();
    }

    /** Words of the longest phrase. */
    static int longest(Map<String, Consumer<Jot>> words) {
        return words.keySet().stream().mapToInt(k -> k.split(" ").length).max().orElse(1);
    }
}
