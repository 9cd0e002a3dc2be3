package palmtally.core.jot;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Landmark;
import palmtally.core.body.Position;
import palmtally.core.body.Zone;

/** What lies between the two ends of a stroke: along a leg, an arm or the back, from station to station. */
final class Span {
    private Span() {}

    /** A line of stations from the trunk outward, and what is worked between one and the next. */
    private record Line(List<Set<String>> stations, List<List<Zone>> between) {
        /** Where an end is on it; -1 where it is not. */
        int at(String end) {
            for (int i = 0; i < stations.size(); i++) if (stations.get(i).contains(end)) return i;
            return -1;
        }

        List<Zone> from(int one, int other) {
            var all = new ArrayList<Zone>();
            for (int i = Math.min(one, other); i < Math.max(one, other); i++)
                for (var zone : between.get(i)) if (!all.contains(zone)) all.add(zone);
            return all;
        }
    }

    private static final Set<String> HIP =
            Set.of("hip", "hips", "glutes", "glute", "buttock", "bottom", "seat", "gluteals", "groin", "crest");
    private static final Set<String> SHOULDER = Set.of(
            "shoulder",
            "shoulders",
            "top of shoulder",
            "top of shoulders",
            "tops of shoulders",
            "shoulder tops",
            "shoulder blade",
            "shoulder blades",
            "blade",
            "blades",
            "armpit");

    private static final Set<String> FOOT =
            Set.of("ankle", "ankles", "heel", "heels", "heel cord", "achilles", "foot", "feet", "toe", "toes");

    private static final Line LEG_BACK =
            new Line(List.of(HIP, Set.of("knee"), FOOT), List.of(List.of(Zone.HAMSTRINGS), List.of(Zone.CALF)));

    private static final Line LEG_FRONT =
            new Line(List.of(HIP, Set.of("knee"), FOOT), List.of(List.of(Zone.THIGH_FRONT), List.of(Zone.SHIN)));

    private static final Line ARM = new Line(
            List.of(SHOULDER, Set.of("elbow"), Set.of("wrist", "hand", "fingers", "fingertips")),
            List.of(List.of(Zone.UPPER_ARM_OUTER), Reading.FOREARM));

    private static final Line CHEST = new Line(
            List.of(
                    Set.of("sternum", "breastbone", "midline"),
                    Set.of("shoulder", "shoulders", "armpit", "deltoid", "shoulder tip", "acromion")),
            List.of(List.of(Zone.CHEST_WALL)));

    private static final Line BACK = new Line(
            List.of(
                    Set.of("skull", "head", "occiput"),
                    Set.of("neck", "c5", "c6"),
                    Stream.concat(SHOULDER.stream(), IntStream.rangeClosed(1, 9).mapToObj(n -> "t" + n))
                            .collect(Collectors.toUnmodifiableSet()),
                    Set.of("last rib", "t12", "t11", "t10", "l1", "l2", "ribs"),
                    Set.of(
                            "sacrum",
                            "pelvis",
                            "hip",
                            "hips",
                            "glutes",
                            "buttock",
                            "seat",
                            "low back",
                            "waist",
                            "flank",
                            "iliac crest",
                            "crest",
                            "l5",
                            "l4",
                            "l3",
                            "s1")),
            List.of(List.of(Zone.NECK_BACK), List.of(Zone.UPPER_BACK), List.of(Zone.UPPER_BACK), List.of(Zone.LUMBAR)));

    /** All of the back of the body. */
    private static final Line BODY = new Line(
            Stream.concat(BACK.stations.stream(), Stream.of(Set.of("knee", "knees"), FOOT))
                    .toList(),
            Stream.concat(BACK.between.stream(), Stream.of(List.of(Zone.HAMSTRINGS), List.of(Zone.CALF)))
                    .toList());

    private static final Line NECK = new Line(
            List.of(
                    Set.of("shoulder", "shoulders", "neck"),
                    Set.of("skull", "ear", "ears", "head", "occiput", "hairline", "jaw")),
            List.of(List.of(Zone.NECK_BACK)));

    /** The strap muscle runs so. */
    private static final Line NECK_SIDE = new Line(
            List.of(Set.of("collar bone", "breastbone", "sternum"), Set.of("ear", "ears", "jaw")),
            List.of(List.of(Zone.STRAP_MUSCLE)));

    private static final Map<Landmark, String> ENDS = Map.ofEntries(
            Map.entry(Landmark.HIP_SPINE_FRONT, "hip"),
            Map.entry(Landmark.SIT_BONE, "hip"),
            Map.entry(Landmark.TROCHANTER, "hip"),
            Map.entry(Landmark.KNEE_HOLLOW, "knee"),
            Map.entry(Landmark.ANKLE_FRONT, "ankle"),
            Map.entry(Landmark.ANKLE_INNER, "ankle"),
            Map.entry(Landmark.ANKLE_OUTER, "ankle"),
            Map.entry(Landmark.HEEL, "ankle"),
            Map.entry(Landmark.ELBOW_CREASE, "elbow"),
            Map.entry(Landmark.CARPAL_ROWS, "wrist"),
            Map.entry(Landmark.SACRUM_CORNER, "sacrum"),
            Map.entry(Landmark.HIP_CREST, "sacrum"),
            Map.entry(Landmark.C7, "neck"),
            Map.entry(Landmark.T12, "t12"),
            Map.entry(Landmark.RIB_12, "t12"),
            Map.entry(Landmark.COLLAR_BONE, "collar bone"),
            Map.entry(Landmark.MASTOID, "ear"),
            Map.entry(Landmark.SKULL_BASE, "skull"));

    /**
     * @param from the landmark it comes from, or null and then in words; empty where none is said
     * @param lies how the client lies, or null; on the back, the front of a leg is meant
     * @param faceUp whether it says that the client lies on the back: then the back is not what is meant
     * @return zones from the trunk outward, and down neck and back; empty where the ends lie on no common line
     */
    static List<Zone> between(
            @Nullable Landmark from,
            String fromWords,
            @Nullable Landmark to,
            String toWords,
            @Nullable Position lies,
            boolean faceUp) {
        boolean front = lies == Position.SUPINE || from == Landmark.HIP_SPINE_FRONT || to == Landmark.HIP_SPINE_FRONT;
        var one = end(from, fromWords);
        var other = end(to, toWords);
        for (var line : faceUp
                ? List.of(LEG_FRONT, ARM, NECK, NECK_SIDE, CHEST)
                : List.of(front ? LEG_FRONT : LEG_BACK, ARM, NECK, NECK_SIDE, CHEST, BACK, BODY)) {
            int a = line.at(one);
            int b = line.at(other);
            if (a >= 0 && b >= 0 && a != b) return line.from(a, b);
        }
        return List.of();
    }

    /** An end of a stroke in one word, whether it is a landmark or not. */
    private static String end(@Nullable Landmark landmark, String words) {
        return landmark == null ? words : ENDS.getOrDefault(landmark, "");
    }
}
