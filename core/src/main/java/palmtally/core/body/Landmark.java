package palmtally.core.body;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import palmtally.core.Texts;

/**
 * A place on the body that a hand finds, and where it is on a body of unit stature that stands with hanging arms, the palms to the front.
 * Heights and breadths of the joints by the segment lengths of Drillis and Contini, 1966 (from memory); what lies between is placed
 * among them by eye (from memory). Long because it is one table, a row each.
 *
 * <p>It is long because it is a table: a row a landmark.
 */
public enum Landmark {
    VERTEX("top of the head", "vertex", at(0, 1000, 0), List.of(Zone.SCALP), "crown"),
    TEMPLE_LINE("temple line", "linea temporalis", at(38, 952, 18), List.of(Zone.SCALP, Zone.FACE), "temple"),
    BROW("brow", "arcus superciliaris", at(18, 945, 48), List.of(Zone.FACE)),
    CHEEKBONE(
            "cheekbone",
            "arcus zygomaticus",
            at(36, 914, 30),
            List.of(Zone.FACE, Zone.JAW_MUSCLES),
            "zygoma",
            "zygomatic arch"),
    JAW_JOINT_LINE(
            "hollow before the ear",
            "articulatio temporomandibularis",
            at(38, 912, 12),
            List.of(Zone.JAW_MUSCLES, Zone.BELOW_EAR),
            "tmj"),
    JAW_BRANCH(
            "branch of the jaw",
            "ramus mandibulae",
            at(36, 896, 16),
            List.of(Zone.JAW_MUSCLES, Zone.BELOW_EAR, Zone.INSIDE_MOUTH),
            "ramus"),
    JAW_ANGLE(
            "angle of the jaw",
            "angulus mandibulae",
            at(33, 882, 18),
            List.of(Zone.JAW_MUSCLES, Zone.BELOW_EAR, Zone.INSIDE_MOUTH)),
    CHIN("chin", "protuberantia mentalis", at(0, 870, 50), List.of(Zone.FACE, Zone.JAW_MUSCLES)),
    TONGUE_BONE("tongue bone", "os hyoideum", at(0, 862, 28), List.of(Zone.THROAT), "hyoid"),
    PALATE_WING(
            "wing inside the upper jaw",
            "processus pterygoideus",
            at(18, 905, 22),
            List.of(Zone.INSIDE_MOUTH),
            "pterygoid process"),
    MASTOID(
            "bone behind the ear",
            "processus mastoideus",
            at(40, 904, -8),
            List.of(Zone.BASE_OF_SKULL, Zone.STRAP_MUSCLE, Zone.SCALP, Zone.NECK_SIDE),
            "mastoid process"),
    SKULL_RIDGE(
            "ridge of the skull",
            "linea nuchalis superior",
            at(26, 910, -46),
            List.of(Zone.BASE_OF_SKULL, Zone.SCALP, Zone.NECK_BACK),
            "nuchal line",
            "occipital ridge",
            "ridge"),
    SKULL_BASE(
            "base of the skull",
            "os occipitale",
            at(18, 895, -40),
            List.of(Zone.BASE_OF_SKULL, Zone.NECK_BACK),
            "occiput",
            "occipital edge"),
    C2(
            "spinous process of C2",
            "processus spinosus axis",
            at(0, 880, -38),
            List.of(Zone.SPINE, Zone.NECK_BACK, Zone.BASE_OF_SKULL),
            "axis"),
    C4_SIDE(
            "side of the fourth neck vertebra",
            "processus transversus C4",
            at(20, 868, -8),
            List.of(Zone.NECK_SIDE, Zone.STRAP_MUSCLE, Zone.NECK_BACK),
            "transverse processes of the neck"),
    C6_SIDE(
            "side of the sixth neck vertebra",
            "tuberculum caroticum C6",
            at(20, 850, -2),
            List.of(Zone.NECK_SIDE, Zone.STRAP_MUSCLE, Zone.THROAT)),
    C7(
            "spinous process of C7",
            "vertebra prominens",
            at(0, 838, -46),
            List.of(Zone.SPINE, Zone.NECK_BACK, Zone.TOP_OF_SHOULDER, Zone.UPPER_BACK),
            "seventh neck vertebra"),
    T3("spinous process of T3", "processus spinosus T3", at(0, 797, -56), List.of(Zone.SPINE, Zone.UPPER_BACK)),
    T7("spinous process of T7", "processus spinosus T7", at(0, 740, -62), List.of(Zone.SPINE, Zone.UPPER_BACK)),
    T12(
            "spinous process of T12",
            "processus spinosus T12",
            at(0, 655, -50),
            List.of(Zone.SPINE, Zone.UPPER_BACK, Zone.LUMBAR, Zone.KIDNEYS),
            "twelfth rib vertebra"),
    L2_SIDE(
            "side of the second loin vertebra",
            "processus costalis L2",
            at(25, 632, -25),
            List.of(Zone.LUMBAR, Zone.BELLY)),
    L4(
            "spinous process of L4",
            "processus spinosus L4",
            at(0, 606, -46),
            List.of(Zone.SPINE, Zone.LUMBAR),
            "level of the top of the hip bone"),
    LAMINA_GROOVE(
            "groove beside the spine",
            "sulcus paravertebralis",
            at(12, 735, -60),
            List.of(Zone.UPPER_BACK, Zone.LUMBAR, Zone.NECK_BACK),
            "lamina groove",
            "lamina",
            "gutter",
            "paraspinal gutter",
            "laminar groove",
            "paravertebral groove"),
    SACRUM_CORNER(
            "upper corner of the sacrum", "basis ossis sacri", at(22, 578, -54), List.of(Zone.SACRUM, Zone.LUMBAR)),
    SACRUM_EDGE(
            "edge of the sacrum",
            "margo lateralis ossis sacri",
            at(18, 548, -58),
            List.of(Zone.SACRUM, Zone.GLUTEALS, Zone.HIP_ROTATORS),
            "sacral edge"),
    COCCYX("tailbone", "os coccygis", at(0, 512, -48), List.of(Zone.SACRUM, Zone.GLUTEALS), "coccyx", "tail bone"),
    COLLAR_BONE_INNER(
            "inner end of the collar bone",
            "extremitas sternalis claviculae",
            at(12, 817, 40),
            List.of(Zone.CHEST_WALL, Zone.STERNUM, Zone.STRAP_MUSCLE, Zone.THROAT)),
    COLLAR_BONE(
            "collar bone",
            "clavicula",
            at(55, 822, 30),
            List.of(Zone.CHEST_WALL, Zone.STRAP_MUSCLE, Zone.NECK_SIDE, Zone.THROAT, Zone.TOP_OF_SHOULDER),
            "clavicle"),
    COLLAR_BONE_OUTER(
            "outer end of the collar bone",
            "extremitas acromialis claviculae",
            at(98, 826, 8),
            List.of(Zone.TOP_OF_SHOULDER, Zone.CHEST_WALL, Zone.UPPER_ARM_OUTER)),
    STERNUM_TOP("notch above the breastbone", "incisura jugularis", at(0, 815, 40), List.of(Zone.STERNUM, Zone.THROAT)),
    STERNUM_EDGE(
            "edge of the breastbone",
            "margo sterni",
            at(12, 770, 55),
            List.of(Zone.STERNUM, Zone.CHEST_WALL, Zone.BREAST),
            "sternal edge"),
    STERNUM_TIP(
            "tip of the breastbone",
            "processus xiphoideus",
            at(0, 715, 55),
            List.of(Zone.STERNUM, Zone.BELLY, Zone.RIB_EDGE),
            "xiphoid"),
    RIB_1(
            "first rib",
            "costa prima",
            at(32, 820, 15),
            List.of(Zone.STRAP_MUSCLE, Zone.TOP_OF_SHOULDER, Zone.CHEST_WALL)),
    RIB_2("second rib", "costa secunda", at(40, 798, 46), List.of(Zone.CHEST_WALL, Zone.STERNUM, Zone.STRAP_MUSCLE)),
    RIB_3("third rib", "costa tertia", at(52, 782, 50), List.of(Zone.CHEST_WALL, Zone.BREAST)),
    RIB_5("fifth rib", "costa quinta", at(62, 745, 52), List.of(Zone.CHEST_WALL, Zone.BREAST, Zone.ARMPIT)),
    RIB_8(
            "eighth rib, at the side",
            "costa octava",
            at(88, 705, 12),
            List.of(Zone.ARMPIT, Zone.CHEST_WALL, Zone.RIB_EDGE, Zone.UPPER_BACK, Zone.BELLY)),
    RIB_12(
            "tip of the last rib",
            "costa duodecima",
            at(62, 648, -38),
            List.of(Zone.LUMBAR, Zone.KIDNEYS, Zone.UPPER_BACK),
            "twelfth rib",
            "12th rib",
            "last rib"),
    RIB_MARGIN(
            "rib edge",
            "arcus costalis",
            at(55, 682, 50),
            List.of(Zone.RIB_EDGE, Zone.BELLY, Zone.CHEST_WALL),
            "costal margin",
            "costal arch"),
    PUBIC_BONE("pubic bone", "symphysis pubica", at(12, 510, 45), List.of(Zone.BELLY, Zone.GROIN, Zone.THIGH_INNER)),
    PUBIC_BRANCH(
            "branch of the pubic bone",
            "ramus inferior ossis pubis",
            at(22, 492, 15),
            List.of(Zone.GROIN, Zone.THIGH_INNER)),
    BELLY_CENTRE("navel", "umbilicus", at(0, 605, 50), List.of(Zone.BELLY), "belly button"),
    ACROMION(
            "roof of the shoulder",
            "acromion",
            at(116, 822, -6),
            List.of(Zone.TOP_OF_SHOULDER, Zone.UPPER_ARM_OUTER, Zone.SHOULDER_BLADE),
            "shoulder tip"),
    CORACOID(
            "beak below the collar bone",
            "processus coracoideus",
            at(86, 806, 26),
            List.of(Zone.CHEST_WALL, Zone.ARMPIT, Zone.UPPER_ARM_INNER),
            "coracoid process"),
    BLADE_UPPER_ANGLE(
            "upper angle of the shoulder blade",
            "angulus superior scapulae",
            at(44, 818, -50),
            List.of(Zone.TOP_OF_SHOULDER, Zone.SHOULDER_BLADE, Zone.UPPER_BACK),
            "superior angle",
            "sup angle",
            "upper angle of the blade",
            "top of the blade",
            "top of the shoulder blade"),
    BLADE_SPINE(
            "spine of the shoulder blade",
            "spina scapulae",
            at(72, 803, -50),
            List.of(Zone.SHOULDER_BLADE, Zone.TOP_OF_SHOULDER, Zone.UPPER_BACK, Zone.UPPER_ARM_OUTER),
            "scapular spine",
            "spine of the blade"),
    BLADE_INNER_EDGE(
            "inner edge of the shoulder blade",
            "margo medialis scapulae",
            at(42, 772, -58),
            List.of(Zone.SHOULDER_BLADE, Zone.UPPER_BACK),
            "medial border",
            "vertebral border",
            "inner border",
            "inner edge",
            "inner edge of the blade"),
    BLADE_OUTER_EDGE(
            "outer edge of the shoulder blade",
            "margo lateralis scapulae",
            at(74, 765, -46),
            List.of(Zone.SHOULDER_BLADE, Zone.ARMPIT),
            "lateral border",
            "outer edge of the blade"),
    BLADE_ANGLE(
            "lower angle of the shoulder blade",
            "angulus inferior scapulae",
            at(50, 738, -60),
            List.of(Zone.SHOULDER_BLADE, Zone.UPPER_BACK),
            "inferior angle",
            "lower angle of the blade"),
    BLADE_FRONT(
            "front of the shoulder blade",
            "fossa subscapularis",
            at(62, 775, -38),
            List.of(Zone.ARMPIT, Zone.SHOULDER_BLADE),
            "front of the blade"),
    HUMERUS_HEAD(
            "head of the upper arm bone",
            "tuberculum majus humeri",
            at(124, 806, 4),
            List.of(Zone.UPPER_ARM_OUTER, Zone.SHOULDER_BLADE, Zone.TOP_OF_SHOULDER),
            "greater tubercle",
            "head of humerus"),
    HUMERUS_GROOVE(
            "groove at the front of the shoulder",
            "sulcus intertubercularis",
            at(117, 795, 20),
            List.of(Zone.UPPER_ARM_OUTER, Zone.UPPER_ARM_INNER, Zone.ARMPIT, Zone.CHEST_WALL),
            "bicipital groove"),
    DELTOID_POINT(
            "point of the deltoid",
            "tuberositas deltoidea",
            at(132, 735, 4),
            List.of(Zone.UPPER_ARM_OUTER),
            "deltoid tuberosity"),
    HUMERUS_SHAFT(
            "shaft of the upper arm bone",
            "corpus humeri",
            at(128, 715, -5),
            List.of(Zone.UPPER_ARM_OUTER, Zone.UPPER_ARM_INNER)),
    ELBOW_POINT(
            "point of the elbow",
            "olecranon",
            at(134, 632, -22),
            List.of(Zone.UPPER_ARM_OUTER, Zone.FOREARM_EXTENSORS)),
    ELBOW_CREASE(
            "crease of the elbow",
            "fossa cubitalis",
            at(136, 622, 14),
            List.of(
                    Zone.ELBOW_INSIDE,
                    Zone.UPPER_ARM_INNER,
                    Zone.UPPER_ARM_OUTER,
                    Zone.FOREARM_FLEXORS,
                    Zone.FOREARM_EXTENSORS)),
    EPICONDYLE_INNER(
            "inner bump of the elbow",
            "epicondylus medialis humeri",
            at(118, 634, -6),
            List.of(Zone.ELBOW_INSIDE, Zone.FOREARM_FLEXORS, Zone.UPPER_ARM_INNER),
            "medial epicondyle"),
    EPICONDYLE_OUTER(
            "outer bump of the elbow",
            "epicondylus lateralis humeri",
            at(153, 634, -4),
            List.of(Zone.FOREARM_EXTENSORS, Zone.UPPER_ARM_OUTER, Zone.ELBOW_INSIDE),
            "lateral epicondyle"),
    FOREARM_MIDDLE(
            "middle of the forearm",
            "corpus radii et ulnae",
            at(150, 560, 4),
            List.of(Zone.FOREARM_FLEXORS, Zone.FOREARM_EXTENSORS)),
    RADIAL_STYLOID(
            "thumb side of the wrist",
            "processus styloideus radii",
            at(168, 488, 6),
            List.of(Zone.WRIST, Zone.FOREARM_EXTENSORS, Zone.FOREARM_FLEXORS),
            "radial styloid"),
    ULNAR_STYLOID(
            "little finger side of the wrist",
            "processus styloideus ulnae",
            at(142, 490, -6),
            List.of(Zone.WRIST, Zone.FOREARM_EXTENSORS, Zone.FOREARM_FLEXORS),
            "ulnar styloid"),
    CARPAL_ROWS(
            "rows of the wrist bones",
            "ossa carpi",
            at(155, 478, 4),
            List.of(Zone.WRIST, Zone.HAND, Zone.FOREARM_FLEXORS, Zone.FOREARM_EXTENSORS),
            "carpals"),
    PEA_BONE(
            "pea bone",
            "os pisiforme",
            at(142, 476, 10),
            List.of(Zone.WRIST, Zone.HAND, Zone.FOREARM_FLEXORS),
            "pisiform"),
    THUMB_BASE(
            "base of the thumb",
            "os metacarpale primum",
            at(170, 462, 12),
            List.of(Zone.HAND, Zone.WRIST, Zone.FOREARM_EXTENSORS)),
    KNUCKLES("knuckles", "articulationes metacarpophalangeae", at(155, 430, 0), List.of(Zone.HAND)),
    FINGERTIPS("fingertips", "phalanges distales", at(155, 377, 2), List.of(Zone.HAND)),
    HIP_CREST(
            "top of the hip bone",
            "crista iliaca",
            at(76, 607, -8),
            List.of(Zone.LUMBAR, Zone.GLUTEALS, Zone.BELLY, Zone.THIGH_OUTER),
            "iliac crest",
            "crest",
            "hip crest"),
    HIP_SPINE_FRONT(
            "front spine of the hip bone",
            "spina iliaca anterior superior",
            at(70, 562, 44),
            List.of(Zone.THIGH_FRONT, Zone.THIGH_OUTER, Zone.BELLY, Zone.GROIN),
            "asis",
            "front iliac spine"),
    HIP_SPINE_LOWER(
            "lower front spine of the hip bone",
            "spina iliaca anterior inferior",
            at(64, 542, 42),
            List.of(Zone.THIGH_FRONT, Zone.GROIN)),
    HIP_SPINE_BACK(
            "back spine of the hip bone",
            "spina iliaca posterior superior",
            at(26, 576, -55),
            List.of(Zone.SACRUM, Zone.LUMBAR, Zone.GLUTEALS),
            "psis",
            "back iliac spine"),
    HIP_BOWL("inside of the hip bone", "fossa iliaca", at(60, 575, 15), List.of(Zone.BELLY, Zone.GROIN)),
    SIT_BONE(
            "sit bone",
            "tuber ischiadicum",
            at(36, 482, -38),
            List.of(Zone.HAMSTRINGS, Zone.GLUTEALS, Zone.HIP_ROTATORS, Zone.THIGH_INNER, Zone.SACRUM),
            "ischial tuberosity"),
    TROCHANTER(
            "bone at the side of the hip",
            "trochanter major",
            at(92, 526, -6),
            List.of(Zone.GLUTEALS, Zone.HIP_ROTATORS, Zone.THIGH_OUTER),
            "greater trochanter"),
    TROCHANTER_LESSER(
            "inner bone of the hip",
            "trochanter minor",
            at(52, 492, -8),
            List.of(Zone.GROIN, Zone.THIGH_INNER),
            "lesser trochanter"),
    THIGH_SHAFT(
            "back ridge of the thigh bone",
            "linea aspera",
            at(60, 410, -2),
            List.of(Zone.THIGH_INNER, Zone.HAMSTRINGS, Zone.THIGH_OUTER, Zone.THIGH_FRONT)),
    ADDUCTOR_TUBERCLE(
            "bump above the inner knee",
            "tuberculum adductorium",
            at(30, 302, 2),
            List.of(Zone.THIGH_INNER, Zone.KNEE_INNER)),
    SHARED_TENDON(
            "shared tendon at the inner knee",
            "pes anserinus",
            at(32, 262, 12),
            List.of(Zone.KNEE_INNER, Zone.CALF),
            "goose foot"),
    KNEE_HOLLOW(
            "hollow of the knee",
            "fossa poplitea",
            at(46, 285, -30),
            List.of(Zone.KNEE_BACK, Zone.HAMSTRINGS, Zone.CALF),
            "back of the knee"),
    KNEE_HOLLOW_INNER(
            "inner string of the knee hollow",
            "condylus medialis tibiae",
            at(32, 282, -20),
            List.of(Zone.KNEE_BACK, Zone.KNEE_INNER, Zone.HAMSTRINGS, Zone.CALF)),
    KNEECAP_TOP("top of the kneecap", "basis patellae", at(46, 300, 36), List.of(Zone.KNEECAP, Zone.THIGH_FRONT)),
    KNEECAP_TIP("tip of the kneecap", "apex patellae", at(46, 275, 36), List.of(Zone.KNEECAP)),
    SHIN_BUMP(
            "bump below the kneecap",
            "tuberositas tibiae",
            at(46, 258, 30),
            List.of(Zone.KNEECAP, Zone.SHIN, Zone.THIGH_FRONT),
            "tibial tuberosity"),
    KNEE_OUTER(
            "outer bump of the shin bone",
            "tuberculum tractus iliotibialis",
            at(64, 268, 16),
            List.of(Zone.THIGH_OUTER, Zone.SHIN, Zone.KNEECAP)),
    FIBULA_HEAD(
            "head of the fibula",
            "caput fibulae",
            at(70, 264, -12),
            List.of(Zone.SHIN, Zone.CALF, Zone.HAMSTRINGS, Zone.THIGH_OUTER, Zone.KNEE_BACK)),
    FIBULA_SHAFT(
            "outer side of the shin",
            "corpus fibulae",
            at(68, 150, -8),
            List.of(Zone.SHIN, Zone.SHIN_LOWER, Zone.CALF)),
    SHIN_EDGE("edge of the shin", "margo anterior tibiae", at(42, 170, 22), List.of(Zone.SHIN, Zone.SHIN_LOWER)),
    SHIN_BACK(
            "back of the shin bones",
            "facies posterior tibiae et fibulae",
            at(48, 180, -14),
            List.of(Zone.CALF, Zone.CALF_CENTRE)),
    CALF_MIDDLE("middle of the calf", "linea media surae", at(47, 195, -36), List.of(Zone.CALF, Zone.CALF_CENTRE)),
    ANKLE_INNER(
            "inner ankle bone",
            "malleolus medialis",
            at(30, 46, 0),
            List.of(Zone.ACHILLES, Zone.SHIN_LOWER, Zone.FOOT_TOP),
            "medial malleolus"),
    ANKLE_OUTER(
            "outer ankle bone",
            "malleolus lateralis",
            at(62, 39, -8),
            List.of(Zone.ACHILLES, Zone.SHIN_LOWER, Zone.FOOT_TOP, Zone.SHIN),
            "lateral malleolus"),
    ANKLE_FRONT(
            "front of the ankle", "retinaculum extensorum", at(45, 46, 26), List.of(Zone.FOOT_TOP, Zone.SHIN_LOWER)),
    HEEL("heel", "calcaneus", at(46, 28, -42), List.of(Zone.ACHILLES, Zone.SOLE)),
    HEEL_UNDER("underside of the heel", "tuber calcanei", at(46, 0, -28), List.of(Zone.SOLE)),
    ARCH_BONE(
            "bone of the inner arch", "os naviculare", at(30, 34, 28), List.of(Zone.FOOT_TOP, Zone.SOLE), "navicular"),
    FIFTH_FOOT_BONE(
            "bump at the outer edge of the foot",
            "tuberositas ossis metatarsi quinti",
            at(72, 10, 36),
            List.of(Zone.FOOT_TOP, Zone.SOLE),
            "base of the fifth metatarsal"),
    BALL_OF_FOOT("ball of the foot", "capita ossium metatarsi", at(46, 4, 82), List.of(Zone.SOLE)),
    TOE_JOINTS(
            "joints of the toes",
            "articulationes metatarsophalangeae",
            at(48, 12, 88),
            List.of(Zone.FOOT_TOP, Zone.SOLE)),
    TOE_TIPS("tips of the toes", "phalanges distales pedis", at(46, 6, 112), List.of(Zone.FOOT_TOP, Zone.SOLE));

    private final String word = Texts.word(this);

    /**
     * Where it is, in thousandths of the stature; of a paired one that of the right side, whose left fellow lies across the midline.
     *
     * @param out from the midline to the side
     * @param up from the floor
     * @param front before the axis of the body, below 0 behind it
     */
    public record Place(double out, double up, double front) {
        /** How far from another, millimetres. */
        double from(Place other, double statureMetres) {
            double x = out - other.out;
            double y = up - other.up;
            double z = front - other.front;
            return Math.sqrt(x * x + y * y + z * z) * statureMetres;
        }
    }

    private final String label;
    private final String latin;
    private final Place place;
    private final List<Zone> zones;
    private final List<String> also;

    Landmark(String label, String latin, Place place, List<Zone> zones, String... also) {
        this.label = label;
        this.latin = latin;
        this.place = place;
        this.zones = zones;
        this.also = List.of(also);
    }

    private static Place at(double out, double up, double front) {
        return new Place(out, up, front);
    }

    public String label() {
        return label;
    }

    public String latin() {
        return latin;
    }

    public Place place() {
        return place;
    }

    /** The zones it lies in or borders, the one it is found from first. */
    public List<Zone> zones() {
        return zones;
    }

    /** What else it is called. */
    public List<String> also() {
        return also;
    }

    /** The one of this id or of any of these names. */
    public static Optional<Landmark> named(String name) {
        return Arrays.stream(values())
                .filter(l -> Stream.concat(Stream.of(l.toString(), l.label, l.latin), l.also.stream())
                        .anyMatch(name::equalsIgnoreCase))
                .findFirst();
    }

    /** Whether there is a left and a right one. */
    public boolean paired() {
        return place.out() > 0;
    }

    /** Straight from one to another on the same side, millimetres on a body of a stature in metres. */
    public double distance(Landmark other, double statureMetres) {
        return place.from(other.place, statureMetres);
    }

    @Override
    public String toString() {
        return word;
    }
}
