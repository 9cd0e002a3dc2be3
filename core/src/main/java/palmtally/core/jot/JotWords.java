package palmtally.core.jot;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import palmtally.core.body.Landmark;
import palmtally.core.body.Position;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;
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
import palmtally.core.sequence.detail.DetailField;
import palmtally.core.sequence.detail.FibreAngle;
import palmtally.core.sequence.detail.Limb;
import palmtally.core.sequence.detail.Manner;
import palmtally.core.sequence.detail.OtherHand;
import palmtally.core.sequence.detail.Pace;
import palmtally.core.sequence.detail.Prop;
import palmtally.core.technique.HandName;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;
import palmtally.core.technique.Tool;

/**
 * The words that {@link Reading} understands and what each says of a step: hands, zones, structures, landmarks, strokes, sides and the
 * rest by their names, and those that teachers say for them (common practice, no source).
 *
 * <p>It is long because it is a table: a word or a phrase and what it says, and nothing that decides.
 */
final class JotWords {
    private JotWords() {}

    /** @param has letters of which a text needs one to be looked at for the marks; empty where any may have them */
    private record Plain(String has, Pattern marks, String as) {
        String in(String text) {
            for (int i = 0; i < has.length(); i++) if (text.indexOf(has.charAt(i)) >= 0) return replaced(text);
            return has.isEmpty() ? replaced(text) : text;
        }

        private String replaced(String text) {
            return marks.matcher(text).replaceAll(as);
        }
    }

    private static final List<Plain> PLAIN = List.of(
            new Plain("'’′", Pattern.compile("(?<=\\d)\\s?['’′](?![a-z])"), " min "),
            new Plain(".", Pattern.compile("(?<=\\b[a-z])\\.(?=[a-z]\\b)"), ""),
            new Plain("½/", Pattern.compile("(?<=\\d)(?:\\s?½| 1/2\\b)"), ".5"),
            new Plain("/", Pattern.compile("(?<!\\d)1/2(?= ?(?:min|m\\b))"), "0.5"),
            new Plain("~", Pattern.compile("~\\s?(?=\\d)"), " about "),
            new Plain("/", Pattern.compile("\\bo/(?=\\s?(?:sheet|clothes|towel|drape))"), "over "),
            new Plain("/", Pattern.compile("\\bb/l\\b"), "both sides"),
            new Plain("½", Pattern.compile("½"), "0.5"),
            new Plain("h", Pattern.compile("(?<=\\d) and a half(?= min)"), ".5"),
            new Plain("#", Pattern.compile("#(?=\\d)"), " number "),
            new Plain("–-", Pattern.compile("\\b([ctl]\\d{1,2})\\s?[–-]\\s?(?=[a-z])"), "$1 to "),
            new Plain("/", Pattern.compile("(?<=\\ds|\\d min|%)\\s?/\\s?(?=\\d)"), " "),
            new Plain("/", Pattern.compile("\\bw/"), " with "),
            new Plain("/", Pattern.compile("\\s*/\\s*(?=(?:side|leg|arm|foot|hand|pass|hold|spot|point)\\b)"), " per "),
            new Plain("/&+", Pattern.compile("(?<=[a-z])\\s*/\\s*(?!s\\b|sec\\b)(?=[a-z])|[&+]"), " and "),
            new Plain("@", Pattern.compile("@"), " at "),
            new Plain("x×", Pattern.compile("(?<=\\d)\\s*[x×]\\s*(?=\\d)"), " x "),
            new Plain(",", Pattern.compile("(?<=\\d),(?=\\d)"), "."),
            new Plain("–-", Pattern.compile("(?<=\\d)\\s*[–-]\\s*(?=\\d)"), " to "),
            new Plain("", Pattern.compile("[-–—,;()!?'’…]+|[:.](?!\\d)|(?<!\\d)[.:]"), " "),
            new Plain("", Pattern.compile("\\s+"), " "));

    /** Words alone: nothing is to be done with these. */
    private static final Pattern BARE = Pattern.compile("(?:[a-z]+ )*[a-z]*");

    /** A text in small letters and without marks; a comma within a number is a point, a dash between two is "to". */
    static String plain(String text) {
        var plain = text.toLowerCase(Locale.ROOT).replace("thru ", "through ");
        if (BARE.matcher(plain).matches()) return plain.trim();
        for (var p : PLAIN) plain = p.in(plain);
        return plain.trim();
    }

    /** Words that a phrase is found without. */
    static final Set<String> ARTICLES =
            Set.of("the", "a", "an", "their", "his", "her", "your", "my", "its", "is", "are");

    /** Names of landmarks. */
    static final Set<String> LANDMARKS = new HashSet<>();

    private static Map<String, Consumer<Reading>> everywhere() {
        var words = new LinkedHashMap<String, Consumer<Reading>>();
        var named = new LinkedHashMap<String, List<Structure>>();
        for (var structure : Structure.values())
            Stream.concat(
                            Stream.of(structure.label(), structure.latin(), structure.toString()),
                            structure.also().stream())
                    .map(n -> bare(plain(n)))
                    .flatMap(Abbreviations::of)
                    .forEach(n -> {
                        var all = named.computeIfAbsent(n, k -> new ArrayList<>());
                        if (!all.contains(structure)) all.add(structure);
                    });
        for (var landmark : Landmark.values())
            Stream.concat(Stream.of(landmark.label(), landmark.latin(), landmark.toString()), landmark.also().stream())
                    .flatMap(JotWords::variants)
                    .map(n -> bare(plain(n)))
                    .flatMap(Abbreviations::of)
                    .forEach(n -> put(words, n, q -> q.landmark(landmark)));
        // The client's hip bends by these two; they are stretched in front.
        for (var flexor : List.of("hip flexor", "hip flexors", "hip extension"))
            put(words, flexor, q -> {
                q.zoned(Zone.THIGH_FRONT);
                q.more.structures.add(Structure.ILIOPSOAS);
            });
        put(words, "and back", q -> {});
        for (var neck : List.of(
                "ear to shoulder",
                "ear towards shoulder",
                "ear toward shoulder",
                "chin to armpit",
                "nose to armpit",
                "chin to chest",
                "chin towards chest",
                "chin to collar bone",
                "chin to collarbone"))
            put(words, neck, q -> {
                // "From ear to shoulder" goes along the neck.
                if (q.relation == Reading.Relation.FROM) {
                    q.own(DetailField.FROM, neck.split(" ")[0]);
                    q.own(DetailField.TO, neck.substring(neck.lastIndexOf(' ') + 1));
                    return;
                }
                if (q.zones.isEmpty()) q.zones.add(Zone.NECK_BACK);
                if (neck.startsWith("ear")) q.more.limb.add(Limb.HEAD_TILTED);
                else q.own(DetailField.LIMB, neck);
                q.bends = true;
            });
        for (var by :
                List.of("finger by finger", "inch by inch", "bit by bit", "step by step", "spot by spot", "one by one"))
            put(words, by, q -> q.aside.add(by));
        for (var down : List.of("depress", "depressing", "depression"))
            put(words, down, q -> {
                q.stroke(q.library.toUse("static-press"), false);
                q.along(Direction.DISTAL);
            });
        for (var rests : List.of("cover ears", "cover eyes", "cover the eyes"))
            put(words, rests, q -> {
                q.stroke(q.library.toUse("still-hold"), true);
                q.zoned(rests.endsWith("ears") ? Zone.EARS : Zone.FACE);
            });
        for (var dry : List.of("skin dry", "dry skin", "on dry skin"))
            put(words, dry, q -> q.lubricant = Lubricant.DRY);
        put(words, "overhead", q -> q.more.limb.add(Limb.ARM_OVERHEAD));
        for (var turned : List.of("supinated", "pronated", "in supination", "in pronation"))
            put(words, turned, q -> q.own(DetailField.LIMB, turned));
        for (var spring : List.of("spring", "springing", "springing pressure"))
            put(words, spring, q -> q.stroke(q.library.toUse("compression"), false));
        put(words, "crisscross", q -> q.aside.add("crisscross"));
        put(words, "scoop it", q -> q.stroke(q.library.toUse("lifting"), false));
        for (var apart :
                List.of("push apart", "pushed apart", "draw apart", "pull apart", "stretch apart", "ease apart"))
            put(words, apart, q -> q.stroke(q.library.toUse("fascia-direct"), false));
        for (var crossed : List.of("hands crossed", "crossed hands", "palms crossed", "crossed palms"))
            put(words, crossed, q -> q.tool = Tool.PALM);
        all(
                words,
                q -> q.sinks = true,
                "melt in",
                "melts in",
                "melts",
                "melting in",
                "soak in",
                "settle in",
                "settles in");
        put(words, "myofascial", q -> {
            if (q.technique == null || q.technique.id().equals("effleurage"))
                q.technique = q.library.toUse("fascia-direct");
            else q.aside.add("myofascial");
        });
        put(words, "hand over hand", q -> {
            q.tool = Tool.PALM;
            q.more.otherHand = OtherHand.WORKS_ALTERNATELY;
        });
        for (var palms : List.of("two palms", "between two palms", "between two hands"))
            put(words, palms, q -> {
                q.tool = Tool.PALM;
                q.more.otherHand = OtherHand.WORKS_TOGETHER;
            });
        for (var abductors : List.of("abductors", "hip abductors", "abductor group"))
            put(
                    words,
                    abductors,
                    q -> q.structure(abductors, List.of(Structure.GLUTEUS_MEDIUS, Structure.GLUTEUS_MINIMUS)));
        for (var up : List.of("sit up", "sits up", "sitting up", "come up to sitting", "up to sitting"))
            put(words, up, q -> {
                q.position = Position.SEATED;
                q.turned = true;
            });
        for (var moved : List.of("lift it", "turn it", "rock it", "move it", "rotate it", "circle it"))
            put(words, "cradle head and " + moved, q -> {
                q.stroke(q.library.toUse(moved.startsWith("rock") ? "rocking" : "range-of-motion"), false);
                q.more.otherHand = OtherHand.CRADLES_THE_HEAD;
                if (q.placeless()) q.zones.add(Zone.NECK_BACK);
            });
        for (var body : List.of(
                "head to feet",
                "head to foot",
                "head to toe",
                "head to toes",
                "from head to feet",
                "from head to foot",
                "from head to toe")) put(words, body, q -> q.body = true);
        for (var pump : List.of("pump foot", "pump ankle", "pump feet"))
            put(words, pump, q -> {
                q.stroke(q.library.toUse("range-of-motion"), false);
                if (q.placeless()) q.zones.add(Zone.FOOT_TOP);
            });
        for (var cross : List.of("cross strokes", "small cross strokes", "short cross strokes", "little cross strokes"))
            put(words, cross, q -> q.stroke(q.library.toUse("cross-fibre"), false));
        put(words, "stretch back", q -> {
            q.stroke(q.library.toUse("stretch"), false);
            if (q.placeless() || q.articles.contains("the")) q.zoned(Zone.UPPER_BACK);
            else q.aside.add("back");
        });
        for (var stand : List.of("stand", "standing"))
            for (var at : List.of("on", "at", "by", "to"))
                for (var which : List.of("left", "right", "left side", "right side"))
                    put(words, stand + " " + at + " " + which, q -> q.aside.add(stand + " " + at + " " + which));
        for (var from : List.of(
                "stand on",
                "standing on",
                "stand at",
                "standing at",
                "from",
                "work from",
                "reach from",
                "reach over from"))
            for (var side : List.of("opposite side", "far side"))
                put(words, from + " " + side, q -> q.stands = Stands.ACROSS);
        put(words, "backwards", q -> q.aside.add("backwards"));
        for (var part : Map.of("clavicular", Structure.PECTORALIS_CLAVICULAR, "sternal", Structure.PECTORALIS_STERNAL)
                .entrySet())
            for (var pec : List.of(
                    "pec major %s",
                    "pec %s",
                    "%s pec",
                    "%s pecs",
                    "%s pec major",
                    "pecs %s",
                    "pectoralis major %s",
                    "%s part of pec major",
                    "%s fibres of pec major",
                    "%s head of pec major",
                    "pec major %s part",
                    "pec major %s fibres",
                    "pec major %s head",
                    "pec %s part"))
                put(
                        words,
                        pec.replace("%s", part.getKey()),
                        q -> q.structure(part.getKey() + " pec major", List.of(part.getValue())));
        for (var spine :
                List.of("front hip spine", "front spine", "front hip bone", "front of hip bone", "point of hip"))
            put(words, spine, q -> q.landmark(Landmark.HIP_SPINE_FRONT));
        for (var trace : List.of("trace", "traces", "tracing", "follow", "follows", "following"))
            put(words, trace, q -> {
                q.traces = true;
                q.aside.add(trace);
            });
        for (var part : List.of("press and spread", "press and part", "press and spread point"))
            put(words, part, q -> q.stroke(q.library.toUse("parting"), false));
        for (var full : List.of("full palm", "full palms", "full hand", "full hands", "full contact"))
            put(words, full, q -> q.tool = Tool.PALM);
        for (var heels : List.of("heels of both hands", "heel of both hands", "heels of two hands"))
            put(words, heels, q -> {
                q.tool = Tool.HEEL_OF_HAND;
                q.more.otherHand = OtherHand.WORKS_TOGETHER;
            });
        put(words, "shake sheet", q -> {
            q.aside.add("shake the sheet");
            q.drapes = true;
        });
        for (var crook :
                List.of("elbow bend", "bend of elbow", "crook of elbow", "elbow crook", "elbow fold", "fold of elbow"))
            put(words, crook, q -> {
                q.aside.add(crook);
                q.nearby.add(List.of(Zone.ELBOW_INSIDE));
            });
        for (var side :
                List.of("thumb side of forearm", "thumb side muscle", "thumb side muscles", "muscle on thumb side"))
            put(words, side, q -> q.structure(side, List.of(Structure.BRACHIORADIALIS)));
        for (var shift : List.of("shift", "shift side to side", "shift in all directions"))
            put(words, shift, q -> {
                if (q.tool == null && q.technique == null) q.stroke(q.library.toUse("range-of-motion"), false);
                else q.aside.add(shift);
            });
        put(words, "shift weight", q -> q.aside.add("shift weight"));
        for (var push : List.of("little pushes", "small pushes", "short pushes", "gentle pushes"))
            put(words, push, q -> q.stroke(q.library.toUse("compression"), false));
        for (var colon : List.of("colon", "large intestine", "bowel"))
            put(words, colon, q -> {
                q.zoned(Zone.BELLY);
                q.oils = true;
            });
        for (var scoop : List.of("scoop round", "scoop around", "scoop along"))
            put(words, scoop, q -> q.stroke(q.library.toUse("effleurage"), false));
        for (var bone : List.of("malleoli", "malleolus", "ankle bones", "ankle bone"))
            put(words, bone, q -> {
                if (q.placeless()) q.zoned(Zone.FOOT_TOP);
                q.aside.add(bone);
            });
        for (var joint : List.of("elbow", "wrist", "fingers", "ankle"))
            for (var how :
                    List.of("straight", "bent", "extended", "locked", "relaxed", "slightly bent", "held straight"))
                put(words, joint + " " + how, q -> q.own(DetailField.LIMB, joint + " " + how));
        for (var how : List.of("slightly", "a little", "just", "gently", "softly"))
            put(words, "knee " + how + " bent", q -> q.more.limb.add(Limb.KNEE_BENT));
        for (var which : List.of("", " inferior", " superior", " inf", " sup"))
            for (var post : List.of("posterior", "post"))
                put(words, "serratus " + post + which, q -> {
                    q.zoned(Zone.UPPER_BACK);
                    q.aside.add("serratus " + post + which);
                });
        for (var back : List.of("bicep fem", "bicep femoris", "biceps fem"))
            put(words, back, q -> q.structure("biceps femoris", List.of(Structure.BICEPS_FEMORIS)));
        for (var go : List.of(
                "come",
                "come round",
                "walk",
                "walk round",
                "walk around",
                "go",
                "go round",
                "move",
                "come around",
                "stand"))
            for (var head : List.of("to head", "to head end", "at head", "at head end", "to top of table"))
                put(words, go + " " + head, q -> q.stands = Stands.HEAD);
        for (var over : List.of("up over head", "over head", "above head"))
            put(words, over, q -> q.more.limb.add(Limb.ARM_OVERHEAD));
        for (var then : List.of("then left", "then right", "and then left", "and then right"))
            put(words, then, q -> q.side = Sides.EACH);
        all(words, q -> q.sinks = true, "static", "statically", "stationary");
        for (var pair : Map.of(
                        "teres", List.of(Structure.TERES_MAJOR, Structure.TERES_MINOR),
                        "pec",
                                List.of(
                                        Structure.PECTORALIS_CLAVICULAR,
                                        Structure.PECTORALIS_STERNAL,
                                        Structure.PECTORALIS_MINOR))
                .entrySet())
            for (var both : List.of(" major and minor", " minor and major", "s major and minor"))
                put(words, pair.getKey() + both, q -> q.structure(pair.getKey(), pair.getValue()));
        for (var way : List.of("back to front", "front to back")) put(words, way, q -> q.aside.add(way));
        for (var second : List.of("brush off", "and brush off"))
            put(words, second, q -> {
                if (q.technique != null || q.tool != null || q.count != null) q.aside.add(second);
                else q.stroke(q.library.toUse("feather"), false);
            });
        for (var head :
                List.of("lateral head", "medial head", "lat head", "med head", "long head", "short head", "two heads"))
            put(words, head, q -> q.aside.add(head));
        for (var which : List.of(
                "upper",
                "middle",
                "lower",
                "inner",
                "outer",
                "first",
                "last",
                "sternal",
                "clavicular",
                "fleshy",
                "soft",
                "meaty",
                "fatty",
                "bony",
                "thick")) put(words, which + " part", q -> q.aside.add(which + " part"));
        for (var out : List.of("left out", "leave out", "leaving out")) put(words, out, q -> q.aside.add(out));
        // "Spread the fascia" is another stroke than a palm that spreads oil.
        for (var fascia : List.of("fascia", "fasciae", "fascial"))
            put(words, fascia, q -> {
                if (q.technique == null || q.technique.id().equals("effleurage"))
                    q.technique = q.library.toUse("fascia-direct");
                else q.aside.add(fascia);
            });
        for (var raking : List.of("rib raking", "rib rake", "rib rakes"))
            put(words, raking, q -> {
                q.stroke(q.library.toUse("raking"), false);
                q.zoned(Zone.ARMPIT);
            });
        put(words, "with parting fingertips", q -> {
            q.stroke(q.library.toUse("parting"), false);
            q.tool = Tool.FINGER_PADS;
        });
        for (var spread : List.of("palms spread", "both palms spread", "hands spread"))
            put(words, spread, q -> q.tool = Tool.PALM);
        for (var spread : List.of("fingers spread", "spread fingers"))
            put(words, spread, q -> q.tool = Tool.REINFORCED_FINGERS);
        for (var lean : List.of("lean and lighten", "lean and release", "lean and ease", "lean and lift off"))
            put(words, lean, q -> q.stroke(q.library.toUse("compression"), false));
        put(words, "circle it", q -> q.stroke(q.library.toUse("range-of-motion"), false));
        for (var raised : List.of("degrees of lift", "degree of lift", "degrees of abduction", "degrees of flexion"))
            put(words, raised, q -> q.aside.add(raised));
        for (var level : List.of("rib level", "each rib level", "each rib", "rib by rib"))
            put(words, level, q -> {
                if (q.placeless()) q.zoned(Zone.ARMPIT);
                else q.aside.add(level);
            });
        all(words, q -> q.zoned(Zone.UPPER_ARM_INNER), "inside arm");
        for (var belly : List.of("belly of muscle", "muscle belly", "belly of calf muscle", "bellies of muscles"))
            put(words, belly, q -> q.aside.add(belly));
        all(words, q -> q.underRibs(), "under ribs", "below ribs");
        for (var draw : List.of("draw out", "draw out long", "draw long"))
            put(words, draw, q -> q.stroke(q.library.toUse("traction"), false));
        for (var draw : List.of("draw shoulder", "draw shoulder down", "draw shoulders down"))
            put(words, draw, q -> {
                q.stroke(q.library.toUse("traction"), false);
                q.zoned(Zone.TOP_OF_SHOULDER);
            });
        all(
                words,
                q -> {
                    q.more.manner.add(Manner.LEANS_IN);
                    q.leansBack = true;
                },
                "lean back",
                "leaning back");
        all(words, q -> q.sinks = true, "wait", "wait there");
        all(words, q -> q.tool = Tool.PALM, "between palm and fingers", "between fingers and palm");
        all(words, q -> q.zoned(Zone.LUMBAR), "side of trunk", "sides of trunk", "side of body", "side of waist");
        all(words, q -> q.zoned(Zone.UPPER_BACK), "spine edge", "edge of spine", "edges of spine", "side of vertebrae");
        all(
                words,
                q -> q.zoned(Zone.HAND),
                "finger web",
                "finger webs",
                "webs of fingers",
                "between fingers of client");
        all(words, q -> q.zoned(Zone.THIGH_FRONT), "front of hip", "front of hips", "crease of hip", "hip crease");
        all(words, q -> q.near("under"), "slide under", "slip under", "reach under");
        all(
                words,
                q -> {
                    q.bends = true;
                    if (q.placeless()) q.zoned(Zone.GLUTEALS);
                },
                "knee to opposite shoulder",
                "knees to chest",
                "knee to chest");
        all(words, q -> q.bends = true, "hug", "hugs", "hug knee", "hug knees");
        all(words, q -> q.zoned(Zone.LUMBAR), "lumborum");
        all(words, q -> {}, "thumb side", "back of body");
        all(words, q -> q.at("inner elbow", List.of(Zone.ELBOW_INSIDE)), "inner elbow");
        all(
                words,
                q -> q.bendsJoint = true,
                "bend",
                "flex",
                "extend",
                "straighten",
                "push it",
                "move it",
                "glide it",
                "shift it");
        all(words, q -> q.zoned(Zone.UPPER_BACK), "serratus posterior", "serratus posterior superior");
        all(words, q -> q.zoned(Zone.LUMBAR), "serratus posterior inferior");
        all(
                words,
                q -> q.zoned(Zone.FOOT_TOP),
                "interossei of foot",
                "foot interossei",
                "lumbricals of foot",
                "extensor retinaculum",
                "extensor retinaculum of ankle",
                "retinaculum of ankle",
                "ankle retinaculum");
        all(words, q -> q.zoned(Zone.BELLY), "transverse colon", "descending colon", "ascending colon", "colon path");
        all(words, q -> q.depth = 3, "not deep", "not too deep", "not so deep", "not deeply");
        put(words, "lateral neck stretch", q -> {
            q.stroke(q.library.toUse("stretch"), false);
            q.zoned(Zone.NECK_BACK);
        });
        put(words, "tennis elbow", q -> q.zoned(Zone.FOREARM_EXTENSORS));
        for (var golfer : List.of("golfers elbow", "golfer s elbow", "golf elbow"))
            put(words, golfer, q -> q.zoned(Zone.FOREARM_FLEXORS));
        for (int n = 1; n <= 5; n++) {
            int depth = n;
            put(words, "pressure " + n, q -> q.depth = depth);
        }
        for (var light : List.of("feather light", "featherlight"))
            put(words, light, q -> {
                q.depth = 1;
                q.feathers = true;
            });
        all(
                words,
                q -> {
                    q.tool = Tool.FINGER_PADS;
                    q.fewFingers = true;
                },
                "nails",
                "fingernails",
                "finger nails");
        put(words, "thigh", q -> q.thigh());
        put(words, "hip bone", q -> q.landmark(Landmark.HIP_SPINE_FRONT));
        put(words, "ball", q -> q.landmark(Landmark.BALL_OF_FOOT));
        put(words, "outer knee", q -> q.landmark(Landmark.KNEE_OUTER));
        var landmarks = Map.copyOf(words);
        LANDMARKS.addAll(words.keySet());
        named.forEach((name, all) -> place(words, landmarks, name, q -> q.structure(name, all)));
        for (var tool : Tool.values()) {
            Consumer<Reading> set = q -> q.tool = tool;
            put(words, tool.label(), set);
            put(words, tool.toString(), set);
        }
        put(words, "thumb", q -> q.tool = Tool.SUPPORTED_THUMB);
        put(words, "fist", q -> q.tool = Tool.LOOSE_FIST);
        put(words, "fingers", q -> q.tool = Tool.REINFORCED_FINGERS);
        for (var zone : Zone.values()) {
            Consumer<Reading> set = q -> q.zoned(zone);
            place(words, landmarks, zone.toString(), set);
            var label = zone.label();
            place(words, landmarks, label.replaceAll("\\s*\\(.*\\)", ""), set);
            var inside = Pattern.compile("\\(([^)]*)\\)").matcher(label);
            // "Upper trapezius" is the muscle, and lies there as well.
            if (inside.find() && !alone(named, inside.group(1), zone)) place(words, landmarks, inside.group(1), set);
        }
        everyday()
                .forEach((zone, names) -> names.stream()
                        .flatMap(Abbreviations::of)
                        .forEach(n -> place(words, landmarks, n, q -> q.zoned(zone))));
        put(words, "glide", q -> q.stroke(q.library.toUse("effleurage"), false));
        put(words, "friction", q -> {
            q.stroke(q.library.toUse("circular-friction"), false);
            q.rubs = true;
        });
        for (var rub : List.of("rub", "rubbing"))
            put(words, rub, q -> {
                q.stroke(q.library.toUse("circular-friction"), false);
                q.rubbed = true;
            });
        for (var spread : List.of("spread", "sweep", "skim", "stroke"))
            put(words, spread, q -> q.stroke(q.library.toUse("effleurage"), false));
        var strokes = new LinkedHashMap<String, List<String>>();
        strokes.put(
                "effleurage",
                List.of(
                        "long stroke",
                        "long strokes",
                        "sweeping",
                        "sweeping strokes",
                        "gliding",
                        "slide",
                        "sliding",
                        "smooth",
                        "smoothing",
                        "fan",
                        "fanning",
                        "drain",
                        "draining",
                        "milk",
                        "milking",
                        "skimming",
                        "effleurages",
                        "connecting stroke",
                        "figure eight",
                        "figure eights",
                        "figure 8",
                        "figure 8s",
                        "figure of eight",
                        "figures of eight",
                        "connecting strokes",
                        "stroking",
                        "iron",
                        "ironing",
                        "wipe down",
                        "drawing",
                        "dragging"));
        strokes.put(
                "petrissage",
                List.of(
                        "knead",
                        "kneads",
                        "roll between",
                        "roll it between",
                        "rolled between",
                        "petrissaging",
                        "squeeze and lift",
                        "work dough",
                        "roll muscle",
                        "lift and roll",
                        "muscle rolling",
                        "rolling"));
        strokes.put("wringing", List.of("wring", "twist", "twisting", "wrings"));
        strokes.put(
                "lifting",
                List.of(
                        "pick up",
                        "picking up",
                        "pinch and lift",
                        "grasp and lift",
                        "squeezing",
                        "squeezes",
                        "grasp",
                        "grab",
                        "pluck",
                        "lifted"));
        strokes.put("broadening", List.of("broaden", "spread muscle", "open muscle", "broadening"));
        strokes.put(
                "static-press",
                List.of(
                        "sustained pressure",
                        "static pressure",
                        "hold pressure",
                        "press and hold",
                        "pressing",
                        "lean and hold",
                        "direct pressure",
                        "digital pressure",
                        "press back",
                        "positional release",
                        "counterstrain",
                        "strain counterstrain",
                        "sustained press",
                        "ischaemic press"));
        strokes.put(
                "compression",
                List.of(
                        "compressions",
                        "compress",
                        "pump",
                        "pumping",
                        "press and release",
                        "rhythmic pressing",
                        "palm presses",
                        "palming",
                        "presses"));
        strokes.put(
                "trigger-point",
                List.of(
                        "trigger point",
                        "trigger points",
                        "tp",
                        "trp",
                        "tps",
                        "trigger pt",
                        "trigger pts",
                        "trig pt",
                        "trig pts",
                        "point pressure",
                        "press the point",
                        "press points",
                        "ischemic compression",
                        "ischaemic compression",
                        "point work",
                        "tender point",
                        "tender points",
                        "knot",
                        "knots",
                        "tender spot",
                        "tender spots",
                        "sore spot",
                        "sore spots",
                        "tight spot",
                        "tight spots"));
        strokes.put(
                "stripping-fingers",
                List.of("strips", "stripped", "deep stroking", "lengthening stroke", "deep glide with fingers"));
        strokes.put(
                "circular-friction",
                List.of(
                        "circle",
                        "circling",
                        "small circles",
                        "circular",
                        "circular frictions",
                        "scrub",
                        "scrubbing",
                        "shampoo",
                        "make circles"));
        strokes.put(
                "cross-fibre",
                List.of(
                        "cross fiber",
                        "cross fibre",
                        "cross fibre friction",
                        "cross fiber friction",
                        "transverse friction",
                        "cross frictions",
                        "xff",
                        "x fiber",
                        "x fibre",
                        "x friction",
                        "xfiber",
                        "xfibre",
                        "cross friction",
                        "deep transverse friction",
                        "dtf",
                        "strum",
                        "strumming",
                        "friction across",
                        "friction across fibres"));
        strokes.put(
                "skin-rolling",
                List.of(
                        "grasp skin",
                        "grasp skin and roll",
                        "pick up skin",
                        "pick up skin and roll",
                        "roll skin",
                        "skin roll",
                        "skin rolls",
                        "pinch and roll",
                        "roll the tissue"));
        strokes.put(
                "fascia-indirect",
                List.of(
                        "indirect fascial spread",
                        "fascial hold",
                        "myofascial hold",
                        "cross hand release",
                        "cross hand stretch",
                        "cross handed stretch",
                        "cross hand hold",
                        "crossed hand stretch",
                        "crossed hands stretch",
                        "myofascial stretch",
                        "fascial stretch",
                        "crossed hands",
                        "indirect release"));
        strokes.put(
                "fascia-direct",
                List.of(
                        "direct fascial spread",
                        "fascial glide",
                        "myofascial release",
                        "fascial release",
                        "myofascial spread",
                        "fascial spread",
                        "shear",
                        "shearing",
                        "fascia spread",
                        "draw skin apart",
                        "draw skin",
                        "stretch skin",
                        "pull skin apart",
                        "spread skin",
                        "fascia glide",
                        "mfr"));
        strokes.put(
                "pin-lengthen",
                List.of(
                        "pin and lengthen",
                        "active release",
                        "pin and open",
                        "pin and active movement",
                        "pin",
                        "lock and lengthen"));
        strokes.put(
                "pin-lengthen-passive", List.of("pin and stretch", "soft tissue release", "str", "lock and stretch"));
        strokes.put(
                "contract-relax",
                List.of(
                        "contract relax",
                        "pnf",
                        "cr",
                        "c r",
                        "met",
                        "muscle energy",
                        "post isometric relaxation",
                        "pir",
                        "hold relax",
                        "reciprocal inhibition",
                        "push and release",
                        "push and let go"));
        strokes.put(
                "range-of-motion",
                List.of(
                        "rom",
                        "prom",
                        "passive movement",
                        "passive movements",
                        "passive rom",
                        "mobilise",
                        "mobilize",
                        "mobilisation",
                        "mobilization",
                        "mobs",
                        "joint mobs",
                        "joint mobilisation",
                        "joint mobilization",
                        "circumduct",
                        "circumduction",
                        "move the joint",
                        "joint circles",
                        "rotating",
                        "rotation"));
        strokes.put(
                "range-of-motion-active", List.of("arom", "active rom", "active range of motion", "active movements"));
        strokes.put(
                "range-of-motion-resisted",
                List.of("rrom", "resisted movement", "resisted rom", "resisted range of motion"));
        strokes.put("stretch", List.of("stretching", "lengthening", "stretches", "elongate", "side bend stretch"));
        strokes.put(
                "traction",
                List.of(
                        "pull",
                        "gentle pull",
                        "decompress",
                        "distract",
                        "distraction",
                        "tractioning",
                        "long traction"));
        strokes.put("joint-glide", List.of("joint glide", "joint play", "glide the joint"));
        strokes.put(
                "tapotement",
                List.of(
                        "tap",
                        "tapping",
                        "drum",
                        "drumming",
                        "knock",
                        "knocking",
                        "percuss",
                        "percussion",
                        "hack",
                        "chop",
                        "chopping",
                        "hacking",
                        "pummel",
                        "pummelling",
                        "beat",
                        "beating",
                        "slap",
                        "slapping",
                        "pat",
                        "patting",
                        "pound",
                        "pounding",
                        "pincement"));
        strokes.put("cupping-hands", List.of("clap", "clapping", "cup", "cupping", "cupped hands"));
        strokes.put(
                "shaking",
                List.of(
                        "shake",
                        "shake out",
                        "wiggle",
                        "wiggling",
                        "waggle",
                        "jiggle",
                        "jiggling",
                        "vibrate",
                        "vibration",
                        "vibrating",
                        "tremble"));
        strokes.put(
                "rocking",
                List.of(
                        "swing",
                        "swinging",
                        "rock",
                        "rocks",
                        "jostle",
                        "jostling",
                        "rocking",
                        "roll muscle loosely",
                        "roll side to side",
                        "rolls side to side",
                        "roll from side to side",
                        "rolls from side to side"));
        strokes.put(
                "still-hold",
                List.of(
                        "still hold",
                        "hold still",
                        "hands on",
                        "hands still",
                        "cradle",
                        "cradling",
                        "settle",
                        "contact",
                        "resting hands",
                        "just hold",
                        "palms rest",
                        "rests",
                        "lay hands",
                        "lay both hands",
                        "lay palms",
                        "lay hand",
                        "lay one hand"));
        strokes.put(
                "feather",
                List.of(
                        "feathering",
                        "feather strokes",
                        "nerve strokes",
                        "brush",
                        "brushing",
                        "fingertip brushing",
                        "feather light strokes"));
        strokes.put("raking", List.of("rake", "raking", "comb", "combing", "rakes"));
        strokes.put("hooking", List.of("hook", "hook under", "curl under", "scoop under", "hook in"));
        strokes.put("peeling", List.of("peel", "peel away", "peel off"));
        strokes.put("sawing", List.of("saw", "sawing", "forearm sawing"));
        strokes.put("fulling", List.of("full", "fulling"));
        strokes.put("ringing", List.of("ring around", "ring round", "rings around"));
        strokes.put(
                "parting",
                List.of(
                        "part",
                        "parting",
                        "part the tissue",
                        "spread apart",
                        "spread point",
                        "spread knot",
                        "parting fingertips",
                        "separate"));
        strokes.put(
                "interlaced-squeeze",
                List.of("interlaced squeeze", "interlace and squeeze", "interlaced fingers", "interlaced palms"));
        strokes.put("sacral-press", List.of("press along the edge of the sacrum"));
        strokes.put(
                "heat",
                List.of("heat", "heat pack", "hot towel", "warm towel", "hot towels", "moist heat", "warm compress"));
        strokes.put("cold-pack", List.of("cold", "ice pack", "cool pack", "cold compress", "gel pack"));
        strokes.put("ice", List.of("ice", "ice cup", "ice cube", "icing", "cold cup", "ice it"));
        strokes.put("ear-suction", List.of("suction", "ear suction"));
        strokes.put("reset-strokes", List.of("reset", "plus minus strokes", "reset strokes"));
        strokes.put(
                "pulling",
                List.of(
                        "alternate pulling",
                        "pull up alternately",
                        "shingle",
                        "pull hand over hand",
                        "alternate pulls"));
        strokes.put("push-pull", List.of("push and pull", "push pull"));
        strokes.put("shoulder-loop", List.of("loop over the shoulder", "looping stroke", "loops"));
        strokes.put("skin-bend", List.of("s bend", "c bend", "s bends", "bend the skin"));
        strokes.computeIfPresent("effleurage", (id, names) -> and(names, "eff", "effl", "effs"));
        strokes.computeIfPresent("petrissage", (id, names) -> and(names, "pet", "petr"));
        strokes.computeIfPresent("compression", (id, names) -> and(names, "comp", "comps"));
        strokes.computeIfPresent("circular-friction", (id, names) -> and(names, "fric", "circ friction"));
        strokes.computeIfPresent("cupping-hands", (id, names) -> and(names, "cupped"));
        strokes.computeIfPresent("shaking", (id, names) -> and(names, "vib"));
        strokes.forEach((id, names) ->
                names.forEach(n -> put(words, n, q -> q.stroke(q.library.toUse(id), id.equals("still-hold")))));
        for (var tool : List.of(Tool.SUPPORTED_THUMB, Tool.FINGER_PADS, Tool.KNUCKLES, Tool.PALM, Tool.HEEL_OF_HAND))
            put(
                    words,
                    (tool == Tool.SUPPORTED_THUMB ? "thumb" : tool == Tool.FINGER_PADS ? "finger" : tool.label())
                            + " circles",
                    q -> {
                        q.stroke(q.library.toUse("circular-friction"), false);
                        if (q.tool == null) q.tool = tool;
                    });
        for (var hips : List.of("rock hips", "rocking hips", "hips rock", "rock pelvis"))
            put(words, hips, q -> {
                q.stroke(q.library.toUse("rocking"), false);
                q.zoned(Zone.SACRUM);
            });
        put(words, "rock", q -> q.stroke(q.library.toUse("rocking"), false));
        put(words, "shake", q -> q.stroke(q.library.toUse("shaking"), false));
        for (var lift : List.of("lift", "lifting", "pick up"))
            put(words, lift, q -> q.stroke(q.library.toUse("lifting"), false));
        put(words, "squeeze", q -> q.stroke(q.library.toUse("lifting"), false));
        put(words, "press", q -> q.stroke(q.library.toUse("static-press"), false));
        all(
                words,
                q -> {
                    q.phase = Phase.COVER;
                    q.sheet = Sheet.COVERED;
                },
                "cover",
                "cover up",
                "cover them",
                "cover everything",
                "cover and close",
                "cover again",
                "redrape",
                "re drape",
                "recover",
                "close sheet",
                "sheet up",
                "sheet back up",
                "sheet back",
                "sheet back over");
        all(
                words,
                q -> {
                    // After the stroke it says through what.
                    if (q.technique != null || q.tool != null) q.sheet = Sheet.THROUGH;
                    else {
                        q.phase = Phase.COVER;
                        q.sheet = Sheet.COVERED;
                    }
                },
                "sheet over",
                "sheet on");
        put(words, "rest", q -> q.stroke(q.library.toUse("still-hold"), true));
        put(words, "resting", q -> q.stroke(q.library.toUse("still-hold"), true));
        put(words, "circles", q -> q.stroke(q.library.toUse("circular-friction"), false));
        put(words, "pin", q -> q.stroke(q.library.toUse("pin-lengthen"), false));
        put(words, "rotate", q -> q.stroke(q.library.toUse("range-of-motion"), false));
        put(words, "cold cup", q -> q.stroke(q.library.toUse("ice"), false));
        put(words, "heel", q -> {
            if (q.relation == Reading.Relation.ON) q.heelNamed = true;
            else q.landmark(Landmark.HEEL);
        });
        put(words, "heels", q -> {
            if (q.relation == Reading.Relation.ON) q.heelNamed = true;
            else q.landmark(Landmark.HEEL);
        });
        for (var both : List.of("both heels of hands", "both heels of hand", "two heels of hands"))
            put(words, both, q -> {
                q.tool = Tool.HEEL_OF_HAND;
                q.more.otherHand = OtherHand.WORKS_TOGETHER;
            });
        put(words, "both heels", q -> {
            q.heelNamed = true;
            q.pairNamed = true;
        });
        for (var over : List.of(
                "turn over",
                "turns over",
                "flip over",
                "flips over",
                "flip them over",
                "flip client over",
                "flip",
                "roll over",
                "rolls over",
                "turn them over",
                "turn client over")) put(words, over, q -> q.turned = true);
        for (var forearm : List.of("forearm", "whole forearm")) put(words, forearm, Reading::forearm);
        for (var still : List.of("still hands", "still hand", "hands still"))
            put(words, still, q -> q.stroke(q.library.toUse("still-hold"), true));
        for (var at : List.of("at elbow", "near elbow", "above elbow", "below elbow", "around elbow"))
            put(words, at, q -> q.aside.add(at));
        for (var leg :
                List.of("back of leg", "backs of legs", "back of legs", "back of both legs", "backs of both legs"))
            put(words, leg, q -> {
                q.zoned(Zone.HAMSTRINGS);
                q.zoned(Zone.CALF);
            });
        for (var roll : List.of("forearm roll", "forearm rolls", "roll with forearm", "roll forearm"))
            put(words, roll, q -> q.stroke(q.library.toUse("forearm-glide"), false));
        for (var aside : List.of(
                "chest drape first",
                "chest drape on",
                "chest drape",
                "chest towel on",
                "chest towel",
                "chest covered",
                "chest draped",
                "breast drape",
                "breast drape on",
                "breast towel",
                "breast towel on",
                "breasts draped",
                "drape first"))
            put(words, aside, q -> {
                q.aside.add(aside);
                q.drapes = true;
            });
        for (var on :
                List.of("hand on hand", "hand over hand flat", "one hand on other", "palm over palm", "palm on palm"))
            put(words, on, q -> {
                q.more.otherHand = OtherHand.REINFORCES;
                if (q.tool == null) q.tool = Tool.PALM;
            });
        for (var ends : List.of("gluteal fold", "gluteal crease", "glute fold", "glute crease", "fold of buttock"))
            put(words, ends, q -> q.at("hip", List.of(Zone.HAMSTRINGS)));
        for (var across : List.of("from side to side", "side to side", "back and forth", "to and fro"))
            put(words, across, q -> q.toAndFro = across);
        for (var aside : List.of("two heads", "heads")) put(words, aside, q -> q.aside.add(aside));
        all(
                words,
                q -> q.tool = Tool.PALM,
                "palms",
                "flat hand",
                "flat hands",
                "whole hand",
                "soft hands",
                "warm hands");
        for (var rolled : List.of("roll leg", "roll leg side to side", "roll leg from side to side"))
            put(words, rolled, q -> {
                q.stroke(q.library.toUse("rocking"), false);
                q.leg();
            });
        for (var bent : List.of("bend hip and knee", "bend knee and hip", "hip and knee bent", "knee and hip bent"))
            put(words, bent, q -> q.own(DetailField.LIMB, bent));
        for (var chest : List.of(
                "knee to chest", "knees to chest", "press knee to chest", "bring knee to chest", "knee toward chest"))
            put(words, chest, q -> {
                q.technique = q.library.toUse("stretch");
                q.weak = false;
                q.zoned(Zone.GLUTEALS);
                if (q.position == null && !q.sideLying) q.position = Position.SUPINE;
            });
        for (var hand : List.of("hand", "one hand"))
            put(words, hand, q -> {
                if (q.relation == Reading.Relation.FROM || q.relation == Reading.Relation.TO)
                    q.at("hand", List.of(Zone.HAND));
                else q.handNamed = true;
            });
        put(words, "hands", q -> {
            q.handNamed = true;
            q.handsNamed = true;
        });
        all(
                words,
                q -> q.tool = Tool.FINGER_PADS,
                "pads",
                "flat pads",
                "finger tips",
                "soft fingers",
                "flat finger pads",
                "finger pad",
                "fingerpads",
                "four fingers",
                "index finger");
        all(
                words,
                q -> {
                    q.tool = Tool.FINGER_PADS;
                    q.fewFingers = true;
                },
                "one finger",
                "two fingers",
                "three fingers",
                "1 finger",
                "2 fingers",
                "3 fingers");
        all(
                words,
                q -> q.tool = Tool.SUPPORTED_THUMB,
                "thumbs",
                "double thumbs",
                "thumb on thumb",
                "reinforced thumb",
                "reinforced thumbs",
                "braced thumb",
                "both thumbs");
        all(words, q -> q.tool = Tool.BARE_THUMB, "bare thumbs", "single thumb", "unsupported thumb");
        all(words, q -> q.tool = Tool.LOOSE_FIST, "fists", "soft fist", "soft fists", "both fists");
        all(
                words,
                q -> q.tool = Tool.FOREARM,
                "forearms",
                "soft forearm",
                "fleshy forearm",
                "both forearms",
                "flat forearm",
                "ulna");
        all(words, q -> q.tool = Tool.ELBOW, "point of elbow", "elbow tip", "olecranon");
        all(words, q -> q.tool = Tool.HEEL_OF_HAND, "heels of hands", "heel of hand", "palm heel", "heel of palm");
        all(
                words,
                q -> q.tool = Tool.REINFORCED_FINGERS,
                "doubled fingers",
                "stacked fingers",
                "fingers reinforced",
                "fingers on fingers",
                "braced fingers");
        all(
                words,
                q -> q.tool = Tool.PINCER,
                "pincer",
                "pinch",
                "thumb and fingers",
                "thumb and finger",
                "finger and thumb",
                "fingers and thumb",
                "c grip",
                "pinch grip",
                "between thumb and fingers",
                "between fingers and thumb",
                "between fingers and thumbs",
                "between thumbs and fingers",
                "between thumb and finger");
        all(
                words,
                q -> q.tool = Tool.KNUCKLES,
                "knuckle",
                "one knuckle",
                "knuckle of one finger",
                "knuckle of index finger");
        for (var hand : HandName.TAUGHT)
            put(words, hand.name(), q -> {
                q.tool = hand.like();
                q.hand = hand.name();
            });
        called(
                words,
                "little-finger edge",
                Tool.PALM,
                "ulnar border of hand",
                "ulnar edge of hand",
                "blade of hand",
                "edge of hand",
                "side of hand",
                "outer edge of hand",
                "pinkie edge",
                "pinky edge",
                "pinkie side of hand",
                "pinky side of hand",
                "little finger side of hand",
                "karate edge");
        called(
                words,
                "web of the thumb",
                Tool.PALM,
                "web of hand",
                "web of thumb and finger",
                "v of thumb and fingers",
                "v of hand");
        called(words, "thumb side of the fist", Tool.LOOSE_FIST, "side of fist");
        called(
                words,
                "ulnar edge of the forearm",
                Tool.FOREARM,
                "edge of forearm",
                "side of forearm",
                "forearm edge",
                "forearm ulnar edge",
                "ulnar border of forearm",
                "bony edge of forearm");
        called(
                words,
                "interlaced palms",
                Tool.HEEL_OF_HAND,
                "fingers interlaced",
                "hands interlaced",
                "interlaced hands");
        all(
                words,
                q -> q.tool = Tool.PALM,
                "backs of fingers",
                "back of fingers",
                "backs of hands",
                "with back of hand",
                "palmar");
        // Yours is the therapist's, the client's else.
        put(words, "inside of forearm", q -> {
            if (q.mine()) q.tool = Tool.FOREARM;
            else q.zoned(Zone.FOREARM_FLEXORS);
        });
        put(words, "back of hand", q -> {
            if (q.mine()) q.tool = Tool.PALM;
            else q.zoned(Zone.HAND);
        });
        all(
                words,
                q -> q.tool = Tool.FOREARM,
                "soft part of forearm",
                "fleshy part of forearm",
                "muscle of forearm",
                "proximal forearm");
        all(words, q -> q.tool = Tool.PINCER, "c clamp", "c clamp grip", "open c", "c hand", "c hold");
        all(
                words,
                q -> q.tool = Tool.FINGER_PADS,
                "flat of fingers",
                "middle finger",
                "middle fingers",
                "ring finger",
                "little finger",
                "index and middle finger",
                "index and middle fingers",
                "pads of fingers",
                "balls of fingers",
                "finger kneading",
                "fingertip kneading");
        for (var kneads : List.of("finger kneading", "fingertip kneading", "finger petrissage"))
            put(words, kneads, q -> {
                q.stroke(q.library.toUse("petrissage"), false);
                q.tool = Tool.FINGER_PADS;
            });
        put(words, "finger", q -> {
            q.tool = Tool.FINGER_PADS;
            q.fewFingers = true;
            q.fingerNamed = true;
        });
        all(words, q -> q.zoned(Zone.HAND), "every finger", "fingers one by one", "finger by finger");
        all(
                words,
                q -> q.tool = Tool.PINCER,
                "thumb inside and finger outside",
                "thumb inside finger outside",
                "thumb inside and fingers outside",
                "finger inside and thumb outside",
                "finger inside thumb outside");
        put(words, "palms", q -> q.tool = Tool.PALM);
        put(words, "palm", Reading::palm);
        put(words, "flat fingers", q -> q.tool = Tool.FINGER_PADS);
        put(words, "flat fingertips", q -> q.tool = Tool.FINGER_PADS);
        put(words, "fingertips", q -> q.tool = Tool.FINGER_PADS);
        put(words, "gently", q -> q.depth = 1);
        put(words, "gentle", q -> q.depth = 1);
        put(words, "skin only", q -> q.depth = 1);
        all(words, q -> q.stroke(q.library.toUse("traction"), false), "twist and pull", "pull and twist");
        all(words, q -> q.stroke(q.library.toUse("range-of-motion"), false), "round and round", "around and around");
        for (var end : List.of("toes", "fingers", "fingertips", "foot", "feet", "hand"))
            put(words, "off " + end, q -> q.own(DetailField.TO, end));
        for (var tendon : List.of("tendon", "tendons"))
            put(words, tendon, q -> {
                q.tendon = true;
                q.aside.add(tendon);
            });
        put(words, "over the sheet", q -> q.sheet = Sheet.THROUGH);
        all(words, q -> q.along(null), "up and down", "down and up");
        put(words, "up", q -> q.along(Direction.PROXIMAL));
        put(words, "upward", q -> q.along(Direction.PROXIMAL));
        put(words, "down", q -> q.along(Direction.DISTAL));
        put(words, "downward", q -> q.along(Direction.DISTAL));
        all(words, q -> q.direction = Direction.PROXIMAL, "distal to proximal", "toward heart", "towards heart");
        all(words, q -> q.direction = Direction.DISTAL, "proximal to distal", "away from heart");
        for (var top :
                List.of("heel of hand on top", "palm on top", "thumb on top", "fingers on top", "forearm on top"))
            put(words, top, q -> {
                q.more.otherHand = OtherHand.REINFORCES;
                q.own(DetailField.OTHER_HAND, top);
            });
        for (var front : List.of(
                "anterior leg", "ant leg", "front of leg", "front of legs", "fronts of legs", "front of both legs"))
            put(words, front, q -> {
                q.zoned(Zone.THIGH_FRONT);
                q.zoned(Zone.SHIN);
            });
        for (var arm : List.of("whole arm", "full arm", "entire arm", "arm and forearm"))
            put(words, arm, q -> {
                q.zoned(Zone.UPPER_ARM_OUTER);
                q.zoned(Zone.FOREARM_FLEXORS);
                q.zoned(Zone.FOREARM_EXTENSORS);
            });
        for (var leg : List.of("full leg", "entire leg")) put(words, leg, q -> q.leg());
        for (var held :
                List.of("by ankle", "by ankles", "by heel", "by wrist", "by wrists", "by elbow", "by hand", "by foot"))
            put(words, held, q -> q.aside.add(held));
        put(words, "eye pillow", q -> q.aside.add("eye pillow"));
        for (var release : List.of("release", "releasing"))
            put(words, release, q -> {
                if (q.technique == null) q.stroke(q.library.toUse("static-press"), true);
                else q.aside.add(release);
            });
        for (var back : List.of("posterior leg", "posterior legs", "post leg"))
            put(words, back, q -> {
                q.zoned(Zone.HAMSTRINGS);
                q.zoned(Zone.CALF);
            });
        for (var joint : List.of(
                "knee",
                "knee hollow",
                "heel",
                "shoulder",
                "elbow",
                "ears",
                "head",
                "ankle",
                "face",
                "kneecap",
                "skull",
                "occiput",
                "back of head"))
            put(words, "cup " + joint, q -> {
                q.stroke(q.library.toUse("still-hold"), true);
                q.words(new Clause(joint));
            });
        for (var joint : List.of("ankle", "wrist", "foot"))
            for (var ways : List.of(" in and out", " both ways", " out and in", " each way"))
                for (var turned : List.of("twist ", "turn ", "roll "))
                    put(words, turned + joint + ways, q -> {
                        q.stroke(q.library.toUse("range-of-motion"), false);
                        q.words(new Clause(joint));
                    });
        for (var back :
                List.of("back to middle", "back to centre", "back to center", "back to neutral", "back to start"))
            put(words, back, q -> q.aside.add(back));
        for (var joint : List.of("ankle", "wrist", "hip", "shoulder", "elbow", "big toe", "toe", "arm", "leg"))
            for (var moved : List.of("circles", "circling", "pumps", "rolls", "rotations", "mobilisations"))
                for (var circled : List.of(joint + " " + moved, moved + " of " + joint))
                    put(words, circled, q -> {
                        q.stroke(q.library.toUse("range-of-motion"), false);
                        q.words(new Clause(joint.equals("elbow") ? "near elbow" : joint));
                    });
        for (var knee : List.of("knee to chest", "knees to chest", "knee toward chest", "knees toward chest"))
            put(words, knee, q -> {
                q.at("chest", List.of(Zone.GLUTEALS));
                q.position = Position.SUPINE;
                q.own(DetailField.LIMB, knee);
            });
        for (var four : List.of("figure four", "figure 4"))
            put(words, four, q -> {
                q.zoned(Zone.HIP_ROTATORS);
                q.own(DetailField.LIMB, four);
            });
        for (var between : List.of(
                "between blade and spine",
                "between shoulder blade and spine",
                "between spine and blade",
                "between spine and shoulder blade")) put(words, between, q -> q.zoned(Zone.UPPER_BACK));
        for (var limb : List.of("arm", "leg"))
            for (var shaken : List.of("shake " + limb + " out", "shake out " + limb))
                put(words, shaken, q -> {
                    q.stroke(q.library.toUse("shaking"), false);
                    q.words(new Clause(limb));
                });
        for (var torso : List.of(
                "whole back",
                "entire back",
                "full back",
                "torso",
                "trunk",
                "sides of torso",
                "sides of body",
                "sides of back",
                "side of torso"))
            put(words, torso, q -> {
                q.zoned(Zone.UPPER_BACK);
                q.zoned(Zone.LUMBAR);
            });
        for (var toes : List.of("toes back", "toe back"))
            put(words, toes, q -> {
                q.zoned(Zone.FOOT_TOP);
                q.own(DetailField.LIMB, toes);
            });
        for (var limb : List.of(
                "wrist back",
                "foot back",
                "fingers back",
                "arm back",
                "head back",
                "leg back",
                "elbow back",
                "foot up",
                "foot down"))
            put(words, limb, q -> {
                q.limbNamed = limb.substring(0, limb.indexOf(' '));
                q.own(DetailField.LIMB, limb);
            });
        for (var ways : List.of("each way", "each direction", "both directions", "both ways", "either way"))
            put(words, ways, q -> {
                q.bothWays = true;
                q.aside.add(ways);
            });
        for (var bend : List.of("side bend", "side bending", "side bent", "lateral flexion"))
            put(words, bend, q -> q.own(DetailField.LIMB, bend));
        for (var bend : List.of("neck side bend", "neck side bending", "side bend neck"))
            put(words, bend, q -> {
                q.zoned(Zone.NECK_BACK);
                q.more.limb.add(Limb.HEAD_TILTED);
                q.bends = true;
            });
        for (var hold : List.of(" and hold", " hold", " and keep"))
            for (var foot : List.of("foot", "ankle", "feet", "toes")) {
                put(words, "dorsiflex " + foot + hold, q -> {
                    q.stroke(q.library.toUse("stretch"), false);
                    q.zoned(Zone.CALF);
                });
                put(words, "plantarflex " + foot + hold, q -> {
                    q.stroke(q.library.toUse("stretch"), false);
                    q.zoned(Zone.SHIN);
                });
            }
        all(words, q -> q.bendsJoint = true, "bend back", "bends back", "bend it back");
        all(words, q -> q.stroke(q.library.toUse("cross-fibre"), false), "cross with", "cross it with");
        for (var spread : List.of("spread metatarsals", "metatarsal spread"))
            put(words, spread, q -> {
                q.stroke(q.library.toUse("parting"), false);
                q.zoned(Zone.FOOT_TOP);
            });
        for (var limb : List.of("elbow", "knee", "foot", "hand", "arm", "leg"))
            put(words, limb + " to ceiling", q -> q.own(DetailField.LIMB, limb + " to the ceiling"));
        for (var up : List.of("passive dorsiflexion", "dorsiflexion hold", "dorsiflexion stretch"))
            put(words, up, q -> {
                q.stroke(q.library.toUse("stretch"), false);
                q.zoned(Zone.CALF);
            });
        for (var glide : List.of("patella glides", "patellar glides", "kneecap glides"))
            put(words, glide, q -> {
                q.stroke(q.library.toUse("range-of-motion"), false);
                q.zoned(Zone.KNEECAP);
            });
        all(words, q -> q.stroke(q.library.toUse("still-hold"), true), "arrive", "arrives", "hands arrive");
        all(words, q -> {}, "warm hands", "with warm hands");
        for (var held : List.of("forearm in hand", "forearm in other hand", "forearm on thigh"))
            put(words, held, q -> {
                q.zones.addAll(Reading.FOREARM);
                q.aside.add(held);
            });
        // Not that of the table.
        for (var blade : List.of("shoulder blade", "blade", "scapula"))
            put(words, "at corner of " + blade, q -> {
                q.zoned(Zone.SHOULDER_BLADE);
                q.aside.add("corner");
            });
        for (var roll : List.of("pick up and roll skin", "lift and roll skin", "pick and roll skin"))
            put(words, roll, q -> q.stroke(q.library.toUse("skin-rolling"), false));
        for (var rub : List.of("rub sideways", "rub across", "rub side to side", "rubs across"))
            put(words, rub, q -> {
                q.stroke(q.library.toUse("cross-fibre"), false);
                q.more.fibre = FibreAngle.ACROSS;
            });
        for (var grip : List.of("grip", "grips"))
            put(words, grip, q -> {
                if (q.leads()) q.stroke(q.library.toUse("static-press"), true);
                else q.aside.add(grip);
            });
        for (var joint : List.of("ankle", "foot", "wrist", "big toe", "toes", "hip", "leg", "arm"))
            put(words, "circle " + joint, q -> {
                q.stroke(q.library.toUse(q.tool == null ? "range-of-motion" : "circular-friction"), false);
                q.words(new Clause(joint));
            });
        for (var move : List.of("slide", "move", "push", "glide"))
            for (var way : List.of(" it in four directions", " it in all directions", " it four ways", " it all ways"))
                put(words, move + way, q -> q.stroke(q.library.toUse("range-of-motion"), false));
        all(words, q -> q.zoned(Zone.SHIN), "shin muscle", "shin muscles", "muscle of shin");
        // By itself it is the client's.
        for (var way : List.of("along", "down", "up", "over", "into"))
            put(words, "ball of thumb " + way, q -> {
                q.tool = Tool.SUPPORTED_THUMB;
                q.words(new Clause(way));
            });
        for (var in : List.of("under ", "below ", "beneath "))
            for (var bone : List.of("collarbone", "collar bone", "clavicle", "collarbones"))
                put(words, in + bone, q -> {
                    q.zoned(Zone.CHEST_WALL);
                    q.aside.add(in + bone);
                });
        for (var to : List.of("left", "right"))
            for (var bent : List.of("side bend neck to ", "bend neck to ", "side bend head to ", "bend head to "))
                put(words, bent + to, q -> {
                    q.zoned(Zone.NECK_BACK);
                    q.more.limb.add(Limb.HEAD_TILTED);
                    q.bends = true;
                    q.shown = to.equals("left") ? Sides.RIGHT : Sides.LEFT;
                });
        for (var beside : List.of(
                "lateral to",
                "medial to",
                "next to",
                "close to",
                "inside of",
                "outside of",
                "just below",
                "just above")) put(words, beside, q -> q.near(beside));
        spine(words);
        all(
                words,
                q -> q.side = Sides.EACH,
                "left then right",
                "right then left",
                "left and right",
                "left side then right",
                "right side then left",
                "l then r",
                "r then l",
                "l and r",
                "r and l",
                "l side then r",
                "r side then l");
        all(words, q -> q.along(Direction.PROXIMAL), "bottom to top", "bottom up", "upwards");
        all(words, q -> q.along(Direction.DISTAL), "top to bottom", "top down", "downwards");
        for (var part : List.of("arm", "calf", "thigh", "foot", "hand", "shoulder", "forearm", "hip"))
            for (var each : List.of("both " + many(part), "each " + part))
                put(words, each, q -> {
                    // "With both forearms" are the therapist's.
                    if (part.equals("forearm") && q.handled()) {
                        q.forearmNamed = true;
                        q.more.otherHand = OtherHand.WORKS_TOGETHER;
                        return;
                    }
                    q.side = Sides.EACH;
                    q.zones.addAll(q.beside(
                                    part.equals("forearm") ? "the forearm" : part.equals("hand") ? "each finger" : part)
                            .zones);
                });
        put(words, "one side at a time", q -> q.side = Sides.EACH);
        put(words, "leg", q -> q.leg());
        put(words, "legs", q -> {
            q.leg();
            q.legs = q.relation == Reading.Relation.ON;
        });
        put(words, "lower leg", q -> {
            if (q.relation == Reading.Relation.ON) q.lowerLeg = true;
            else q.at("lower leg", List.of(Zone.CALF));
        });
        for (var spread :
                List.of("palm spread", "spread palm", "spread palms", "open palm", "open hand", "spread hand"))
            put(words, spread, q -> {
                q.stroke(q.library.toUse("effleurage"), false);
                q.zones.add(Zone.HAND);
            });
        for (var legs : List.of("both legs", "each leg"))
            put(words, legs, q -> {
                q.side = Sides.EACH;
                q.leg();
            });
        for (var skull : List.of("skull", "edge of skull")) put(words, skull, q -> q.landmark(Landmark.SKULL_BASE));
        for (var part : List.of(
                "ankle",
                "wrist",
                "hip",
                "shoulder",
                "knee",
                "elbow",
                "neck",
                "head",
                "foot",
                "toes",
                "fingers",
                "leg",
                "arm",
                "kneecap",
                "patella"))
            for (var move : List.of("move ", "moving ", "mobilise ", "mobilize "))
                put(words, move + part, q -> {
                    q.stroke(q.library.toUse("range-of-motion"), false);
                    q.words(new Clause(part.equals("fingers") ? "each finger" : part));
                });
        put(words, "back", q -> {
            q.back |= q.relation == Reading.Relation.ON;
            q.zoned(Zone.UPPER_BACK);
        });
        all(words, q -> q.leg(), "whole leg", "lower limb", "lower limbs");
        put(words, "head", q -> {
            if (q.placeless()) q.nearby.add(List.of(Zone.NECK_BACK));
        });
        for (var there : List.of(
                "seated at the head",
                "sit at the head",
                "at the head",
                "at the head end",
                "from the head",
                "from the head end",
                "standing at the head",
                "stand at the head",
                "behind the head")) put(words, there, q -> q.stands = Stands.HEAD);
        put(words, "at the foot end", q -> q.stands = Stands.FOOT);
        for (var stand : List.of("stand", "standing", "sit", "sitting"))
            for (var at : List.of("at", "by", "beside", "near", "level with"))
                for (var part : List.of("hip", "hips", "shoulder", "knee", "knees", "waist", "thigh", "calf", "chest"))
                    for (var level : List.of("", " level")) {
                        var there = at + " " + part + level;
                        put(words, stand + " " + there, q -> {
                            q.stands = Stands.SAME_SIDE;
                            q.aside.add(there);
                        });
                    }
        for (var facing : List.of("facing", "face", "look to", "looking to"))
            for (var way : List.of("feet", "foot end", "head", "head end", "table", "client", "across table"))
                put(words, facing + " " + way, q -> q.aside.add(facing + " " + way));
        put(words, "of fingers", q -> q.handNamed = true);
        put(words, "between finger and thumb", q -> q.tool = Tool.PINCER);
        put(words, "between fingers", q -> q.tool = Tool.PINCER);
        for (var palms : List.of("between palms", "between hands", "between both hands", "between both palms"))
            put(words, palms, q -> {
                q.tool = Tool.PALM;
                q.more.otherHand = OtherHand.WORKS_TOGETHER;
            });
        for (var heels : List.of(
                "between heels",
                "between heels of hands",
                "between heels of both hands",
                "between both heels of hands",
                "between heels of palms"))
            put(words, heels, q -> {
                q.tool = Tool.HEEL_OF_HAND;
                q.more.otherHand = OtherHand.WORKS_TOGETHER;
            });
        for (var asked : List.of("consent", "with consent", "get consent", "permission", "with permission"))
            put(words, asked, q -> q.say.add(Saying.of(SayKind.CONSENT, "May I work here?")));
        put(words, "asked", q -> q.say.add(Saying.of(SayKind.CONSENT, "May I work here?")));
        put(words, "elbow", q -> {
            if (q.relation == Reading.Relation.ON) q.tool = Tool.ELBOW;
            else q.at("elbow", List.of(Zone.ELBOW_INSIDE));
        });
        put(words, "pelvis", q -> q.zoned(Zone.SACRUM));
        put(words, "strip", q -> q.stroke(q.library.toUse("stripping-fingers"), false));
        put(words, "stripping", q -> q.stroke(q.library.toUse("stripping-fingers"), false));
        put(words, "point", q -> q.stroke(q.library.toUse("trigger-point"), false));
        put(words, "kneading", q -> q.stroke(q.library.toUse("petrissage"), false));
        all(words, q -> q.stroke(q.library.toUse("still-hold"), true), "hold", "holding");
        put(words, "thumb strip", q -> q.stroke(q.library.toUse("stripping-thumb"), false));
        each(words, Sides.values(), Reading::side);
        for (var left : List.of("l", "lt", "left side", "l side", "lt side", "left only", "l only", "left side only"))
            put(words, left, q -> q.side(Sides.LEFT));
        for (var right :
                List.of("r", "rt", "right side", "r side", "rt side", "right only", "r only", "right side only"))
            put(words, right, q -> q.side(Sides.RIGHT));
        all(words, q -> q.depth = 2, "lt pressure", "lt press");
        all(words, q -> q.depth = 1, "v light", "barely", "barely touching", "v lt");
        put(words, "both sides", q -> q.side = Sides.EACH);
        put(words, "each side", q -> q.side = Sides.EACH);
        each(words, Position.values(), (q, v) -> q.position = v);
        each(words, Phase.values(), (q, v) -> q.phase = v);
        put(words, "flush", q -> {
            q.phase = Phase.FLUSH;
            if (q.technique == null) q.stroke(q.library.toUse("effleurage"), false);
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
        all(
                words,
                q -> q.depth = 3,
                "medium",
                "med",
                "mod",
                "medium deep",
                "medium to firm",
                "moderate to firm",
                "medium to deep",
                "moderate to deep");
        // It begins there.
        all(words, q -> q.depth = 2, "light to medium", "light to moderate", "light to firm", "light to deep");
        Map.of("light", 2, "medium", 3, "moderate", 3, "firm", 4, "deep", 5, "gentle", 1)
                .forEach((how, depth) -> put(words, how + " pressure", q -> q.depth = depth));
        for (var quite : List.of("moderately", "fairly", "quite"))
            all(words, q -> q.depth = 4, quite + " deep", quite + " firm", quite + " deeply", quite + " firmly");
        put(words, "pressure", q -> q.pressed = true);
        put(words, "very light", q -> q.depth = 1);
        put(words, "superficial", q -> q.depth = 1);
        put(words, "very firm", q -> q.depth = 5);
        put(words, "deeper", q -> q.deeper = 1);
        put(words, "firmer", q -> q.deeper = 1);
        put(words, "lighter", q -> q.deeper = -1);
        said(words);
        for (var hands : List.of("palms", "fists", "forearms")) {
            var one = words.get(hands);
            put(words, "both " + hands, q -> {
                if (q.more.otherHand == null) q.more.otherHand = OtherHand.WORKS_TOGETHER;
                one.accept(q);
            });
        }
        return words;
    }

    /** The vertebrae that are no landmark: no stroke is on one, but comes from it, goes to it or keeps beside it. */
    private static void spine(Map<String, Consumer<Reading>> words) {
        Map<String, List<Zone>> parts =
                Map.of("c", List.of(Zone.NECK_BACK), "t", List.of(Zone.UPPER_BACK), "l", List.of(Zone.LUMBAR));
        Map<String, Integer> many = Map.of("c", 7, "t", 12, "l", 5);
        parts.forEach((part, zones) -> {
            for (int n = 1; n <= many.get(part); n++) {
                var name = part + n;
                if (!words.containsKey(name)) put(words, name, q -> q.at(name, zones));
            }
        });
    }

    /** What is said of hands, therapist, pace and the fibre, and of the rest of a step. */
    private static void said(Map<String, Consumer<Reading>> words) {
        all(words, q -> q.more.otherHand = OtherHand.WORKS_TOGETHER, "both hands", "two hands", "hands together");
        all(
                words,
                q -> q.more.otherHand = OtherHand.WORKS_ALTERNATELY,
                "hand over hand",
                "alternate hands",
                "alternating hands",
                "alternating",
                "alternately",
                "alternate",
                "hands alternate",
                "one hand after the other",
                "hand after hand");
        all(
                words,
                q -> q.more.otherHand = OtherHand.WORKS_OPPOSITE,
                "hands opposite",
                "both hands opposite",
                "hands opposite each other",
                "opposing hands",
                "in opposite directions",
                "opposite directions",
                "opposite ways",
                "hands apart");
        all(
                words,
                q -> q.more.otherHand = OtherHand.REINFORCES,
                "reinforced",
                "hand on top",
                "reinforced by other hand",
                "doubled");
        all(words, q -> q.more.otherHand = OtherHand.RESTS, "other hand rests", "other hand resting");
        all(words, q -> q.more.pace = Pace.SLOW, "slow", "slowly", "very slow", "very slowly", "unhurried", "no hurry");
        all(
                words,
                q -> q.more.pace = Pace.STEADY,
                "steady",
                "steadily",
                "rhythmic",
                "rhythmically",
                "even pace",
                "in rhythm");
        all(words, q -> q.more.pace = Pace.QUICK, "brisk", "briskly", "quick", "quickly", "fast", "lively");
        all(
                words,
                q -> q.more.fibre = FibreAngle.ALONG,
                "along fibre",
                "along fibres",
                "along fiber",
                "along fibers",
                "with fibre",
                "with fibres",
                "with grain",
                "along grain",
                "lengthwise",
                "longitudinal",
                "longitudinally");
        all(
                words,
                q -> q.more.fibre = FibreAngle.ACROSS,
                "across fibre",
                "across fibres",
                "across fiber",
                "across fibers",
                "against grain",
                "across grain",
                "crosswise",
                "transverse",
                "across muscle",
                "across belly of muscle");
        all(words, q -> q.more.fibre = FibreAngle.OBLIQUE, "oblique to fibre", "diagonal", "diagonally", "at an angle");
        all(words, q -> q.stance = Stance.LUNGE, "lunge", "in lunge", "lunging");
        all(words, q -> q.stance = Stance.HORSE, "horse", "horse stance", "wide stance", "in horse");
        all(words, q -> q.stance = Stance.ONE_KNEE, "one knee down", "kneeling", "kneel");
        all(words, q -> q.stance = Stance.SEATED, "sit", "sitting", "on stool", "seated on stool", "sit on stool");
        all(
                words,
                q -> q.stance = Stance.ON_TABLE,
                "sit on table",
                "seated on table",
                "on edge of table",
                "sit on edge of table",
                "on table s edge",
                "seated on table s edge",
                "sit on table s edge");
        all(words, q -> q.stance = Stance.KNEE_ON_TABLE, "knee on table");
        all(
                words,
                q -> q.stands = Stands.ACROSS,
                "from other side of table",
                "from opposite side",
                "stand opposite",
                "reach across",
                "from across table",
                "from far side",
                "across table");
        all(
                words,
                q -> q.stands = Stands.SAME_SIDE,
                "stand beside",
                "stand at side",
                "from side",
                "from same side",
                "stand on same side");
        all(words, q -> q.stands = Stands.CORNER, "from corner", "at corner", "at corner of table", "corner of table");
        all(
                words,
                q -> q.stands = Stands.FOOT,
                "from foot end",
                "stand at foot",
                "stand at feet",
                "at feet",
                "foot of table");
        all(words, q -> q.more.manner.add(Manner.PIVOTS), "pivot", "pivoting", "turn with stroke");
        all(
                words,
                q -> q.more.manner.add(Manner.FOREARM_ON_TABLE),
                "forearm on table",
                "forearms on table",
                "forearm rests on table",
                "forearm resting on table");
        all(
                words,
                q -> q.more.manner.add(Manner.ELBOWS_STRAIGHT),
                "straight arms",
                "arms straight",
                "straight elbows",
                "elbows straight",
                "locked elbow");
        all(
                words,
                q -> q.more.manner.add(Manner.LEANS_IN),
                "lean",
                "lean in",
                "leaning",
                "leaning in",
                "body weight",
                "with body weight",
                "use body weight");
        all(
                words,
                q -> {
                    q.more.manner.add(Manner.LEANS_IN);
                    q.sinks = true;
                },
                "sink",
                "sink in",
                "sink down",
                "sinking");
        all(
                words,
                q -> q.care.add(Care.SHEET_SECURED),
                "sheet tucked",
                "sheet tucked tight",
                "sheet tucked in",
                "sheet tight",
                "sheet pulled tight",
                "tuck sheet",
                "tuck sheet tight",
                "sheet secured",
                "secure sheet",
                "sheet held",
                "hold sheet",
                "tucked");
        all(
                words,
                q -> q.care.add(Care.HANDS_WIPED),
                "wipe hands",
                "wiped hands",
                "hands wiped",
                "hands clean",
                "clean hands",
                "wash hands");
        all(
                words,
                q -> {
                    q.tool = Tool.SUPPORTED_THUMB;
                    q.more.otherHand = OtherHand.WORKS_ALTERNATELY;
                },
                "thumbs alternate",
                "alternate thumbs",
                "alternating thumbs",
                "thumb over thumb",
                "thumbs alternating");
        for (var turn : List.of("turn supine", "turns supine", "turn face up", "turn to supine", "flip supine"))
            put(words, turn, q -> {
                q.turned = true;
                q.position = Position.SUPINE;
            });
        for (var turn : List.of("turn prone", "turns prone", "turn face down", "turn to prone", "flip prone"))
            put(words, turn, q -> {
                q.turned = true;
                q.position = Position.PRONE;
            });
        all(words, q -> q.bolster = true, "bolster", "on bolster", "with bolster");
        all(
                words,
                q -> q.more.part.add(new ClientPart(ClientPart.Does.PUSHES, null, null, null)),
                "against hand",
                "against palm",
                "against me",
                "against resistance");
        for (var hand : List.of("hands", "hand", "fingers", "both hands", "thumbs", "thumb", "fingertips"))
            for (var ribs : List.of("ribs", "rib cage", "ribcage", "costal margin", "costal arch", "rib edge"))
                put(words, hand + " under " + ribs, q -> {
                    q.words(new Clause(hand));
                    q.zones.add(Zone.RIB_EDGE);
                });
        for (var waist : List.of("waist", "side of waist", "sides of waist", "side waist"))
            put(words, waist, q -> q.waist());
        for (var middle : List.of(
                "midline of",
                "up midline",
                "up midline of",
                "down midline",
                "down midline of",
                "along midline",
                "along midline of",
                "midline"))
            put(words, middle + (middle.equals("midline") ? " of muscle" : ""), q -> {
                if (middle.startsWith("up")) q.along(Direction.PROXIMAL);
                if (middle.startsWith("down")) q.along(Direction.DISTAL);
            });
        for (var hand : List.of("hands", "hand", "fingers", "fingertips", "palm", "thumb", "thumbs"))
            put(words, "slide " + hand + " under", q -> {
                if (q.tool == null) q.words(new Clause(hand.equals("hands") || hand.equals("hand") ? "palm" : hand));
                q.sinks = true;
                q.near("under");
            });
        for (var under : List.of("hands under", "hand under", "fingers under", "both hands under"))
            put(words, under, q -> {
                if (q.tool == null) q.tool = under.startsWith("fingers") ? Tool.REINFORCED_FINGERS : Tool.PALM;
                q.near("under");
            });
        all(
                words,
                q -> q.more.part.add(new ClientPart(ClientPart.Does.BREATHES_SLOWLY, null, null, null)),
                "with breath",
                "w breath",
                "on breath",
                "with breathing",
                "breathe");
        all(
                words,
                q -> {
                    q.zoned(Zone.NECK_BACK);
                    q.own(DetailField.PART, "chin tuck");
                },
                "chin tuck",
                "chin tucks");
        for (var knee : List.of("knee up", "knees up", "opposite knee up", "other knee up", "opposite knee bent"))
            put(words, knee, q -> {
                // "From the knee up" goes from there.
                if (q.relation == Reading.Relation.FROM) q.at("knee", List.of(Zone.KNEE_BACK));
                else q.more.limb.add(Limb.KNEE_BENT);
            });
        for (var off : List.of("wipe oil off", "wipe off oil", "oil off", "wipe lotion off", "wipe off lotion"))
            put(words, off, q -> {
                q.more.props.add(Prop.WIPES);
                q.aside.add(off);
            });
        all(
                words,
                q -> {
                    q.lubricant = Lubricant.OIL;
                    q.oils = true;
                },
                "oil",
                "spread lotion",
                "apply lotion",
                "oiled",
                "lotion",
                "cream",
                "wax",
                "balm",
                "more oil",
                "plenty of oil",
                "spread oil",
                "apply oil",
                "warm oil");
        all(
                words,
                q -> q.lubricant = Lubricant.FILM,
                "little oil",
                "bit of oil",
                "light oil",
                "little lotion",
                "thin film",
                "light film");
        all(
                words,
                q -> q.lubricant = Lubricant.DRY,
                "no oil",
                "no lube",
                "no lotion",
                "without oil",
                "no lotion",
                "without lotion",
                "dry hands",
                "no lubricant");
        all(
                words,
                q -> q.sheet = Sheet.THROUGH,
                "over clothes",
                "over shorts",
                "over leggings",
                "over trousers",
                "over shirt",
                "through shirt",
                "through leggings",
                "through clothes",
                "through clothing",
                "over clothing",
                "over towel",
                "through towel",
                "on sheet",
                "over drape",
                "through drape",
                "over taut sheet",
                "over tight sheet",
                "through taut sheet",
                "sheet between",
                "sheet stays on");
        all(
                words,
                q -> {
                    q.sheet = Sheet.THROUGH;
                    q.clothed = true;
                },
                "clothed",
                "fully clothed",
                "stays clothed",
                "dressed",
                "fully dressed",
                "in clothes",
                "clothes on");
        all(
                words,
                q -> {
                    q.sheet = Sheet.OPEN;
                    q.clothed = false;
                },
                "undraped",
                "on skin",
                "bare skin",
                "skin to skin",
                "sheet off");
        for (var lies : List.of("", "side lying ", "sidelying ", "sl ")) {
            for (var up : List.of("right side up", "r side up", "left side down", "l side down"))
                put(words, lies + up, q -> q.position = Position.SIDE_LEFT);
            for (var up : List.of("left side up", "l side up", "right side down", "r side down"))
                put(words, lies + up, q -> q.position = Position.SIDE_RIGHT);
            if (lies.isEmpty()) continue;
            for (var up : List.of("right up", "r up", "rt up")) put(words, lies + up, q -> q.uppermost(Sides.RIGHT));
            for (var up : List.of("left up", "l up", "lt up")) put(words, lies + up, q -> q.uppermost(Sides.LEFT));
        }
        all(words, q -> q.position = Position.SUPINE, "face up");
        all(words, q -> q.position = Position.PRONE, "face down");
        all(
                words,
                q -> q.position = Position.SEATED,
                "in chair",
                "on chair",
                "client seated",
                "client sits",
                "client sitting",
                "seated client",
                "sitting",
                "sitting up");
        all(
                words,
                q -> q.position = Position.SEMI_RECLINED,
                "half sitting",
                "semi reclining",
                "propped up",
                "reclined");
        all(words, q -> q.sideLying = true, "side lying", "sidelying", "in side lying", "sl", "side ly");
        all(
                words,
                q -> q.position = Position.SIDE_LEFT,
                "left side lying",
                "side lying left",
                "side lying on left",
                "side lying on left side",
                "sidelying on left",
                "sidelying on left side",
                "sidelying left",
                "left sidelying");
        all(
                words,
                q -> q.position = Position.SIDE_RIGHT,
                "right side lying",
                "side lying right",
                "side lying on right",
                "side lying on right side",
                "sidelying on right",
                "sidelying on right side",
                "sidelying right",
                "right sidelying");
        all(
                words,
                q -> q.otherSide = true,
                "other side",
                "second side",
                "repeat other side",
                "same on other side",
                "on other side",
                "opposite side");
        all(words, q -> q.same = true, "same", "again", "repeat", "once more", "ditto");
        all(
                words,
                q -> q.side = Sides.EACH,
                "bilateral",
                "bilaterally",
                "left and right",
                "left with right",
                "left against right",
                "right then left",
                "right and left",
                "l and r",
                "r and l",
                "l r");
        all(
                words,
                q -> q.side = Sides.BOTH,
                "both at once",
                "both sides at once",
                "both together",
                "at same time",
                "at once",
                "both sides together",
                "simultaneously");
        all(words, q -> q.importance = Importance.COULD, "optional", "if time", "if there is time", "time allowing");
        all(words, q -> q.importance = Importance.MUST, "essential", "never skip", "always");
        all(words, q -> q.phase = Phase.WARM, "warm up", "warming", "to begin");
        all(words, q -> q.phase = Phase.FLUSH, "to finish", "finish with", "finishing");
        all(
                words,
                q -> q.direction = Direction.PROXIMAL,
                "toward heart",
                "towards heart",
                "towards trunk",
                "proximally");
        all(words, q -> q.direction = Direction.DISTAL, "distally", "away from heart", "away from trunk");
        all(
                words,
                q -> q.direction = Direction.CRANIAL,
                "toward head",
                "towards head",
                "headward",
                "cranially",
                "cephalad");
        all(
                words,
                q -> q.direction = Direction.CAUDAL,
                "toward feet",
                "towards feet",
                "footward",
                "caudally",
                "caudad");
        all(
                words,
                q -> q.direction = Direction.MEDIAL,
                "toward midline",
                "towards midline",
                "medially",
                "inward",
                "inwards",
                "toward spine",
                "towards spine");
        all(
                words,
                q -> q.direction = Direction.LATERAL,
                "laterally",
                "away from midline",
                "outward",
                "outwards",
                "away from spine");
        all(
                words,
                q -> q.direction = Direction.CIRCULAR,
                "clockwise",
                "cw",
                "ccw",
                "counterclockwise",
                "anticlockwise",
                "anti clockwise",
                "in circles");
        for (var on : List.of("", "on ", "with ", "at ", "during "))
            for (var each : List.of("", "each ", "every ")) {
                for (var in : List.of("in breath", "breath in", "inhale", "inhalation"))
                    put(words, on + each + in, q -> q.more.part.add(ClientPart.of(ClientPart.Does.BREATHES_IN)));
                for (var out : List.of("out breath", "breath out", "exhale", "exhalation"))
                    put(words, on + each + out, q -> q.more.part.add(ClientPart.of(ClientPart.Does.BREATHES_OUT)));
                if (!on.isEmpty() || !each.isEmpty())
                    put(
                            words,
                            on + each + "breath",
                            q -> q.more.part.add(ClientPart.of(ClientPart.Does.BREATHES_SLOWLY)));
            }
        put(words, "as they breathe out", q -> q.more.part.add(ClientPart.of(ClientPart.Does.BREATHES_OUT)));
        for (var with : List.of("with breath", "follow breath", "following breath", "on breath"))
            put(words, with, q -> q.more.part.add(ClientPart.of(ClientPart.Does.BREATHES_SLOWLY)));
        all(
                words,
                q -> q.more.part.add(ClientPart.of(ClientPart.Does.OPENS)),
                "open jaw",
                "open mouth",
                "opens jaw",
                "opens mouth",
                "jaw opens",
                "open and close jaw",
                "open and close mouth",
                "mouth open",
                "mouth slightly open");
        all(words, q -> q.more.part.add(ClientPart.of(ClientPart.Does.CLENCHES)), "clench", "teeth together");
        all(
                words,
                q -> q.more.part.add(ClientPart.of(ClientPart.Does.MOVES)),
                "actively",
                "active movement",
                "client moves");
        all(words, q -> q.effort = Technique.Effort.PASSIVE, "passively", "passive");
        all(words, q -> q.side = Sides.EACH, "bilat", "per side", "per leg", "per arm", "per foot", "per hand");
        all(words, q -> q.position = Position.SUPINE, "sup");
        all(words, q -> q.tool = Tool.PALM, "flat palm", "flat palms", "both palms");
        all(words, q -> q.tool = Tool.FINGER_PADS, "4 fingers");
        all(
                words,
                q -> q.tool = Tool.PINCER,
                "between thumb and index",
                "thumb and index",
                "thumb and forefinger",
                "between thumb and forefinger");
        all(words, q -> q.more.limb.add(Limb.HIP_TURNED_OUT), "leg in frog", "frog", "frog position");
    }

    private static String many(String part) {
        return switch (part) {
            case "foot" -> "feet";
            case "calf" -> "calves";
            default -> part + "s";
        };
    }

    /** A hand that is taught by a name of its own, by what else it is called. */
    private static void called(Map<String, Consumer<Reading>> words, String hand, Tool tool, String... names) {
        all(
                words,
                q -> {
                    q.tool = tool;
                    q.hand = hand;
                },
                names);
    }

    private static void all(Map<String, Consumer<Reading>> words, Consumer<Reading> meaning, String... names) {
        for (var name : names) put(words, name, meaning);
    }

    private static List<String> and(List<String> names, String... more) {
        return Stream.concat(names.stream(), Stream.of(more)).toList();
    }

    /** The library that was asked for last, and what it calls its own: a school has one. */
    private record Own(Techniques library, Map<String, Consumer<Reading>> words, List<String> parted) {}

    private static volatile Own last =
            new Own(Techniques.SHIPPED, called(Techniques.SHIPPED), commas(Techniques.SHIPPED));

    private static Own of(Techniques library) {
        var known = last;
        if (known.library != library) {
            known = new Own(library, called(library), commas(library));
            last = known;
        }
        return known;
    }

    /** Names with a comma of their own, in small letters. */
    static List<String> parted(Techniques library) {
        return of(library).parted;
    }

    private static List<String> commas(Techniques library) {
        return Stream.concat(
                        library.offered().stream().map(Technique::name),
                        Arrays.stream(Zone.values()).map(Zone::label))
                .filter(n -> n.contains(","))
                .map(n -> n.toLowerCase(Locale.ROOT))
                .toList();
    }

    /** What a school calls its hands and techniques. */
    static Map<String, Consumer<Reading>> own(Techniques library) {
        return of(library).words;
    }

    private static Map<String, Consumer<Reading>> called(Techniques library) {
        var words = new LinkedHashMap<String, Consumer<Reading>>();
        for (var hand : library.hands())
            put(words, hand.name(), q -> {
                q.tool = hand.like();
                q.hand = hand.name();
            });
        // A nickname wins over a phase of the same name: it brings the phase along.
        for (var t : library.offered()) {
            Consumer<Reading> set = q -> q.stroke(t, t.id().equals("still-hold"));
            put(words, t.id(), set);
            put(words, t.name(), set);
            put(words, t.shortName(), set);
            // "Palm glide" names its hand: on a forearm it is the client's.
            t.aliases()
                    .forEach(a ->
                            put(words, a, a.startsWith(t.tool() + " ") ? set.andThen(q -> q.tool = t.tool()) : set));
        }
        return words;
    }

    private static Map<Zone, List<String>> everyday() {
        var names = new EnumMap<Zone, List<String>>(Zone.class);
        names.put(Zone.SCALP, List.of("occipital scalp", "top of head", "crown", "hairline", "hair"));
        names.put(
                Zone.FACE,
                List.of(
                        "forehead",
                        "cheeks",
                        "cheek",
                        "brow",
                        "brows",
                        "eyebrows",
                        "around eyes",
                        "over eyes",
                        "temples of face",
                        "eye sockets",
                        "orbicularis oculi",
                        "orbicularis",
                        "corrugator",
                        "mentalis",
                        "zygomaticus",
                        "sinuses",
                        "cheekbones",
                        "chin",
                        "nose"));
        names.put(Zone.EARS, List.of("ear", "earlobes", "ear lobes"));
        names.put(
                Zone.BASE_OF_SKULL,
                List.of(
                        "occiput",
                        "skull",
                        "back of skull",
                        "skull base",
                        "base of head",
                        "occipital ridge",
                        "back of head",
                        "under the skull",
                        "skull edge"));
        names.put(Zone.JAW_MUSCLES, List.of("jaw", "temples", "temple", "jawline", "jaw line"));
        names.put(
                Zone.INSIDE_MOUTH,
                List.of(
                        "inside mouth",
                        "inside the cheek",
                        "cheek from inside",
                        "cheeks from inside",
                        "cheek inside",
                        "intraoral",
                        "in the mouth"));
        names.put(
                Zone.NECK_BACK,
                List.of(
                        "c spine",
                        "spine of neck",
                        "neck spine",
                        "neck",
                        "nape",
                        "cervical",
                        "back of neck",
                        "posterior neck",
                        "cervical spine",
                        "cervicals"));
        names.put(
                Zone.STRAP_MUSCLE,
                List.of(
                        "strap muscle",
                        "side of neck",
                        "sides of neck",
                        "lateral neck",
                        "front of neck",
                        "anterior neck"));
        names.put(
                Zone.TOP_OF_SHOULDER,
                List.of(
                        "traps",
                        "trapezius",
                        "shoulder",
                        "shoulders",
                        "top of shoulder",
                        "top of shoulders",
                        "tops of shoulders",
                        "yoke"));
        names.put(
                Zone.UPPER_BACK,
                List.of(
                        "t spine",
                        "rhomboid area",
                        "between shoulder blades",
                        "between blades",
                        "thoracic",
                        "mid back",
                        "middle back",
                        "beside spine",
                        "both sides of spine",
                        "either side of spine",
                        "each side of spine",
                        "sides of spine",
                        "side of spine",
                        "alongside spine",
                        "next to spine",
                        "near spine",
                        "along both sides of spine",
                        "along spine",
                        "ct junction",
                        "thoracics",
                        "thoracic spine",
                        "interscapular"));
        names.put(
                Zone.SHOULDER_BLADE,
                List.of(
                        "scap",
                        "scaps",
                        "scapula",
                        "blade",
                        "shoulder blades",
                        "blades",
                        "scapulae",
                        "back of shoulder",
                        "posterior shoulder",
                        "rear shoulder",
                        "back of armpit"));
        names.put(
                Zone.CHEST_WALL,
                List.of("pecs", "chest", "breastplate", "upper chest", "front of shoulder", "anterior shoulder"));
        names.put(Zone.STERNUM, List.of("sternum", "breastbone"));
        names.put(
                Zone.ARMPIT,
                List.of(
                        "axilla",
                        "front of armpit",
                        "ribs",
                        "side of ribs",
                        "side ribs",
                        "rib cage",
                        "ribcage",
                        "lateral ribs"));
        names.put(
                Zone.RIB_EDGE,
                List.of(
                        "costal arch",
                        "rib arch",
                        "under costal arch",
                        "costal margin",
                        "rib margin",
                        "costal arch",
                        "rib arch"));
        names.put(
                Zone.BELLY,
                List.of(
                        "abdominal wall",
                        "abdominals",
                        "abdominal",
                        "abdo",
                        "abdomen",
                        "tummy",
                        "abdo",
                        "stomach",
                        "gut",
                        "abs",
                        "waist front"));
        names.put(
                Zone.LUMBAR,
                List.of(
                        "lumb",
                        "l spine",
                        "low back",
                        "lower back",
                        "loin",
                        "loins",
                        "small of back",
                        "lumbar",
                        "lumbars",
                        "tl junction",
                        "flank",
                        "lumbar spine"));
        names.put(
                Zone.SACRUM, List.of("sacral", "sacral base", "tailbone", "sacroiliac", "si joints", "triangle bone"));
        names.put(
                Zone.GLUTEALS,
                List.of(
                        "glutes",
                        "hip",
                        "hips",
                        "buttock",
                        "buttocks",
                        "bum",
                        "seat",
                        "bottom",
                        "gluteal",
                        "gluteal muscles",
                        "hip muscles"));
        names.put(
                Zone.HIP_ROTATORS,
                List.of(
                        "rotators",
                        "hip rotators",
                        "deep rotators",
                        "deep hip rotators",
                        "lateral rotators",
                        "rotators of hip"));
        names.put(
                Zone.UPPER_ARM_OUTER,
                List.of(
                        "upper arm",
                        "upper limb",
                        "upper limbs",
                        "arm",
                        "arms",
                        "whole arm",
                        "back of arm",
                        "back of upper arm",
                        "outer arm"));
        names.put(Zone.UPPER_ARM_INNER, List.of("inner arm", "inside of arm", "inner upper arm"));
        names.put(Zone.FOREARM_FLEXORS, List.of("flexors", "inner forearm", "palm side of forearm"));
        names.put(
                Zone.FOREARM_EXTENSORS, List.of("extensors", "outer forearm", "top of forearm", "outside of forearm"));
        names.put(Zone.WRIST, List.of("wrists", "carpals"));
        names.put(
                Zone.HAND,
                List.of(
                        "palm of hand",
                        "hands of client",
                        "client s hand",
                        "thumb web",
                        "web of thumb",
                        "web space",
                        "finger joints",
                        "knuckle joints",
                        "palm side of hand",
                        "back of hand",
                        "palm of client",
                        "knuckles of hand",
                        "metacarpals",
                        "each finger"));
        names.put(Zone.GROIN, List.of("groin", "upper inner thigh", "femoral triangle"));
        names.put(Zone.HAMSTRINGS, List.of("hams", "back of thigh", "posterior thigh", "hammies", "hammys"));
        names.put(Zone.THIGH_FRONT, List.of("quads", "quadriceps", "front of thigh", "anterior thigh", "top of thigh"));
        names.put(Zone.THIGH_OUTER, List.of("side of thigh", "outside of thigh", "lateral thigh", "outer leg"));
        names.put(Zone.THIGH_INNER, List.of("inside of thigh", "medial thigh", "inner leg"));
        names.put(
                Zone.KNEE_BACK,
                List.of("behind knee", "knee crease", "popliteal", "popliteal fossa", "pop fossa", "poplit fossa"));
        names.put(
                Zone.KNEE_INNER,
                List.of("medial knee", "inner knee", "inside of knee", "inner side of knee", "pes anserinus", "pes"));
        names.put(Zone.KNEECAP, List.of("patella", "knee", "around knee", "around kneecap"));
        names.put(Zone.CALF, List.of("calves", "back of lower leg", "calf muscle", "calf belly"));
        names.put(Zone.CALF_CENTRE, List.of("centre of the calf", "center of the calf", "middle of calf"));
        names.put(Zone.SHIN, List.of("tibialis", "shins", "outer shin", "front of lower leg", "outside of lower leg"));
        names.put(Zone.ACHILLES, List.of("achilles tendon", "heel tendon"));
        names.put(
                Zone.SOLE,
                List.of(
                        "foot",
                        "feet",
                        "plantar",
                        "soles",
                        "arch",
                        "arches",
                        "bottom of foot",
                        "underside of foot",
                        "sole of foot"));
        names.put(
                Zone.FOOT_TOP,
                List.of(
                        "toes",
                        "toe",
                        "big toe",
                        "metatarsals",
                        "between metatarsals",
                        "top of foot",
                        "dorsum of foot",
                        "foot dorsum",
                        "dorsal foot",
                        "ankle",
                        "ankles",
                        "each toe"));
        return names;
    }

    /** Whether a name is that of one structure, which lies in this zone. */
    private static boolean alone(Map<String, List<Structure>> named, String name, Zone zone) {
        var all = named.getOrDefault(bare(plain(name)), List.of());
        return all.size() == 1 && all.get(0).zones().get(0) == zone;
    }

    private interface Setting<E> {
        void set(Reading reading, E value);
    }

    private static <E extends Enum<E>> void each(Map<String, Consumer<Reading>> words, E[] values, Setting<E> setting) {
        for (var v : values) put(words, v.toString(), q -> setting.set(q, v));
    }

    /** What is worked; where a stroke comes from or goes to, or what it keeps near to, a landmark of the same name is meant. */
    private static void place(
            Map<String, Consumer<Reading>> words,
            Map<String, Consumer<Reading>> landmarks,
            String name,
            Consumer<Reading> worked) {
        var landmark = landmarks.get(bare(plain(name)));
        put(
                words,
                name,
                landmark == null ? worked : q -> (q.relation == Reading.Relation.ON ? worked : landmark).accept(q));
    }

    private static void put(Map<String, Consumer<Reading>> words, String name, Consumer<Reading> meaning) {
        words.put(bare(plain(name)), meaning);
    }

    private static String bare(String plain) {
        return Arrays.stream(plain.split(" "))
                .filter(w -> !ARTICLES.contains(w))
                .collect(Collectors.joining(" "));
    }

    /** One thing has several names in one class. */
    private static final Map<String, List<String>> ALIKE = Map.of(
            "shoulder blade", List.of("scapula", "blade"),
            "breastbone", List.of("sternum"),
            "collar bone", List.of("clavicle", "collarbone"),
            "kneecap", List.of("patella"),
            "inner edge", List.of("medial border", "vertebral border", "medial edge", "med border"),
            "outer edge", List.of("lateral border", "lateral edge"),
            "lower angle", List.of("inferior angle", "inf angle"),
            "upper angle", List.of("superior angle", "sup angle"),
            "spinous process of ", List.of(""));

    static final Map<String, Consumer<Reading>> EVERYWHERE = everywhere();
    /** Each word that some phrase has. */
    static final Set<String> VOCABULARY = EVERYWHERE.keySet().stream()
            .flatMap(k -> Arrays.stream(k.split(" ")))
            .collect(Collectors.toSet());

    /** Single words of five letters and more, by their first. */
    static final Map<Character, List<String>> LONG = EVERYWHERE.keySet().stream()
            .filter(k -> k.length() >= 5 && k.indexOf(' ') < 0)
            .collect(Collectors.groupingBy(k -> k.charAt(0)));

    static final int EVERYWHERE_LONGEST = longest(EVERYWHERE);

    private static Stream<String> variants(String name) {
        var all = new ArrayList<String>(List.of(name));
        ALIKE.forEach((word, others) -> {
            for (var known : List.copyOf(all))
                if (known.contains(word)) others.forEach(o -> all.add(known.replace(word, o)));
        });
        return all.stream();
    }

    /** Words of the longest phrase. */
    static int longest(Map<String, Consumer<Reading>> words) {
        return words.keySet().stream()
                .mapToInt(k -> 1 + (int) k.chars().filter(c -> c == ' ').count())
                .max()
                .orElse(1);
    }
}
