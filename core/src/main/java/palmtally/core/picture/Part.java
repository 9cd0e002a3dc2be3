package palmtally.core.picture;

import java.util.ArrayList;
import java.util.List;
import palmtally.core.body.Landmark;

/**
 * A part of the body that moves as one: an axis, and how far the skin is from it inward, outward, in front and behind, in thousandths of
 * the stature. Joints and breadths by the segment lengths of Drillis and Contini, 1966 (from memory); how it swells between them is drawn
 * by eye.
 */
enum Part {
    HEAD(
            new Vec(0, 1000, 0),
            new Vec(0, 868, 4),
            skin(1000, 2, 2, 2, 2),
            skin(994, 20, 20, 20, 22),
            skin(980, 34, 34, 34, 36),
            skin(960, 42, 42, 44, 48),
            skin(940, 44, 44, 50, 52),
            skin(918, 42, 42, 52, 50),
            skin(898, 38, 38, 52, 40),
            skin(884, 31, 31, 51, 28),
            skin(874, 22, 22, 48, 18),
            skin(868, 10, 10, 40, 10)),
    NECK(
            new Vec(0, 900, -12),
            new Vec(0, 828, -14),
            skin(900, 33, 33, 24, 30),
            skin(880, 31, 31, 27, 30),
            skin(862, 31, 31, 30, 30),
            skin(846, 33, 33, 32, 33),
            skin(828, 34, 34, 32, 34)),
    TRUNK(
            new Vec(0, 862, -4),
            new Vec(0, 468, -4),
            skin(862, 26, 26, 20, 24),
            skin(852, 36, 36, 28, 36),
            skin(842, 56, 56, 36, 42),
            skin(833, 80, 80, 40, 46),
            skin(824, 102, 102, 44, 48),
            skin(812, 114, 114, 48, 52),
            skin(795, 117, 117, 52, 55),
            skin(770, 106, 106, 56, 57),
            skin(740, 99, 99, 58, 58),
            skin(712, 95, 95, 58, 56),
            skin(685, 90, 90, 56, 51),
            skin(658, 84, 84, 53, 46),
            skin(635, 80, 80, 51, 43),
            skin(615, 80, 80, 51, 43),
            skin(596, 85, 85, 52, 47),
            skin(572, 91, 91, 52, 54),
            skin(548, 95, 95, 51, 59),
            skin(524, 97, 97, 48, 60),
            skin(502, 93, 93, 42, 53),
            skin(484, 80, 80, 34, 44),
            skin(468, 52, 52, 20, 26)),
    UPPER_ARM(
            new Vec(110, 820, 0),
            new Vec(136, 630, -4),
            skin(826, 9, 9, 12, 12),
            skin(818, 18, 17, 22, 22),
            skin(804, 24, 21, 26, 26),
            skin(780, 24, 25, 28, 28),
            skin(752, 21, 25, 26, 27),
            skin(720, 20, 22, 24, 26),
            skin(688, 19, 19, 23, 23),
            skin(655, 17, 17, 20, 20),
            skin(630, 17, 17, 19, 19)),
    FOREARM(
            new Vec(136, 634, -4),
            new Vec(155, 486, 2),
            skin(636, 17, 17, 18, 19),
            skin(615, 19, 20, 19, 19),
            skin(592, 20, 20, 19, 18),
            skin(562, 18, 18, 17, 16),
            skin(530, 15, 15, 13, 13),
            skin(505, 13, 13, 10, 10),
            skin(486, 13, 13, 9, 9)),
    HAND(
            new Vec(155, 488, 2),
            new Vec(155, 377, 2),
            skin(488, 13, 13, 9, 9),
            skin(472, 17, 18, 10, 10),
            skin(452, 21, 21, 11, 10),
            skin(432, 22, 21, 10, 9),
            skin(412, 20, 19, 8, 7),
            skin(394, 16, 14, 7, 6),
            skin(382, 9, 8, 5, 5),
            skin(377, 2, 2, 2, 2)),
    THIGH(
            new Vec(50, 522, 0),
            new Vec(46, 285, 0),
            skin(524, 36, 36, 36, 44),
            skin(500, 45, 45, 44, 54),
            skin(478, 44, 44, 44, 49),
            skin(450, 41, 43, 43, 45),
            skin(412, 36, 39, 42, 42),
            skin(372, 31, 34, 39, 38),
            skin(332, 27, 28, 36, 33),
            skin(302, 23, 24, 35, 29),
            skin(285, 23, 23, 34, 28)),
    SHANK(
            new Vec(46, 290, 0),
            new Vec(46, 38, -6),
            skin(292, 23, 23, 33, 28),
            skin(270, 22, 24, 29, 29),
            skin(245, 23, 26, 26, 34),
            skin(218, 26, 28, 24, 39),
            skin(192, 27, 27, 23, 40),
            skin(160, 22, 23, 21, 35),
            skin(122, 16, 17, 19, 25),
            skin(84, 13, 14, 17, 20),
            skin(58, 14, 14, 19, 22),
            skin(42, 16, 16, 22, 26),
            skin(30, 13, 13, 18, 18)),
    /** Its axis runs forward along the sole. */
    FOOT(
            new Vec(46, 22, -46),
            new Vec(48, 12, 114),
            foot(-46, 8, 8, 10, 8),
            foot(-38, 14, 15, 20, 16),
            foot(-18, 17, 18, 26, 20),
            foot(6, 16, 18, 26, 18),
            foot(32, 17, 23, 20, 16),
            foot(60, 23, 26, 13, 14),
            foot(80, 27, 26, 9, 12),
            foot(98, 24, 22, 7, 9),
            foot(110, 15, 13, 5, 6),
            foot(114, 3, 3, 2, 2));

    /** How far the skin is from the axis at one place along it. */
    record Skin(double at, double inner, double outer, double front, double back) {}

    private final Vec begin;
    private final Vec end;
    private final List<Skin> skins;

    Part(Vec begin, Vec end, Skin... skins) {
        this.begin = begin;
        this.end = end;
        this.skins = List.of(skins);
    }

    private static Skin skin(double up, double inner, double outer, double front, double back) {
        return new Skin(up, inner, outer, front, back);
    }

    private static Skin foot(double front, double inner, double outer, double top, double sole) {
        return new Skin(front, inner, outer, top, sole);
    }

    /** Whether there is a left and a right one. */
    boolean paired() {
        return this != HEAD && this != NECK && this != TRUNK;
    }

    Vec begin() {
        return begin;
    }

    Vec end() {
        return end;
    }

    /** How it runs, of length 1. */
    Vec way() {
        return end.minus(begin).unit();
    }

    /** What of it is in front: the top of a foot, the front of all else. */
    Vec ahead() {
        return this == FOOT ? new Vec(0, 1, 0) : new Vec(0, 0, 1);
    }

    /** Where along the axis a height is, or for a foot a distance in front. */
    Vec axisAt(double at) {
        double from = this == FOOT ? begin.front() : begin.up();
        double to = this == FOOT ? end.front() : end.up();
        return begin.toward(end, (at - from) / (to - from));
    }

    double first() {
        return skins.get(0).at();
    }

    double last() {
        return skins.get(skins.size() - 1).at();
    }

    /** The skin at a place along it, between those that are given by straight parts. */
    Skin skinAt(double at) {
        boolean grows = last() > first();
        for (int i = 1; i < skins.size(); i++) {
            var a = skins.get(i - 1);
            var b = skins.get(i);
            if (i + 1 < skins.size() && (grows ? at > b.at() : at < b.at())) continue;
            double part = Math.max(0, Math.min(1, (at - a.at()) / (b.at() - a.at())));
            return new Skin(
                    at,
                    a.inner() + (b.inner() - a.inner()) * part,
                    a.outer() + (b.outer() - a.outer()) * part,
                    a.front() + (b.front() - a.front()) * part,
                    a.back() + (b.back() - a.back()) * part);
        }
        throw new IllegalStateException(this + " has no skin");
    }

    /** The places where the skin is given. */
    List<Double> stations() {
        var all = new ArrayList<Double>();
        skins.forEach(s -> all.add(s.at()));
        return all;
    }

    /** Which part a landmark moves with. */
    static Part of(Landmark landmark) {
        return switch (landmark) {
            case VERTEX,
                    TEMPLE_LINE,
                    BROW,
                    CHEEKBONE,
                    JAW_JOINT_LINE,
                    JAW_BRANCH,
                    JAW_ANGLE,
                    CHIN,
                    PALATE_WING,
                    MASTOID,
                    SKULL_RIDGE,
                    SKULL_BASE -> HEAD;
            case TONGUE_BONE, C2, C4_SIDE, C6_SIDE -> NECK;
            case HUMERUS_HEAD, HUMERUS_GROOVE, DELTOID_POINT, HUMERUS_SHAFT -> UPPER_ARM;
            case EPICONDYLE_INNER, EPICONDYLE_OUTER -> UPPER_ARM;
            case ELBOW_POINT, ELBOW_CREASE, FOREARM_MIDDLE, RADIAL_STYLOID, ULNAR_STYLOID -> FOREARM;
            case CARPAL_ROWS, PEA_BONE, THUMB_BASE, KNUCKLES, FINGERTIPS -> HAND;
            case TROCHANTER_LESSER, THIGH_SHAFT, ADDUCTOR_TUBERCLE, KNEECAP_TOP, KNEECAP_TIP -> THIGH;
            case SHARED_TENDON,
                    KNEE_HOLLOW,
                    KNEE_HOLLOW_INNER,
                    SHIN_BUMP,
                    KNEE_OUTER,
                    FIBULA_HEAD,
                    FIBULA_SHAFT,
                    SHIN_EDGE,
                    SHIN_BACK,
                    CALF_MIDDLE,
                    ANKLE_INNER,
                    ANKLE_OUTER -> SHANK;
            case ANKLE_FRONT, HEEL, HEEL_UNDER, ARCH_BONE, FIFTH_FOOT_BONE, BALL_OF_FOOT, TOE_JOINTS, TOE_TIPS -> FOOT;
            default -> TRUNK;
        };
    }
}
