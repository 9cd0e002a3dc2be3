package palmtally.core.picture;

import java.util.ArrayList;
import java.util.List;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;

/**
 * Where a zone lies on the skin: on a part, between two heights, between two angles around it (0 outward, 90 in front, 180 inward, 270
 * behind). Placed by eye among the landmarks.
 */
record ZoneArea(Part part, double top, double bottom, double from, double to) {
    private static ZoneArea on(Part part, double top, double bottom, double from, double to) {
        return new ZoneArea(part, top, bottom, from, to);
    }

    /** Of the right side, or of the midline. */
    static ZoneArea of(Zone zone) {
        return switch (zone) {
            case SCALP -> on(Part.HEAD, 994, 928, 0, 360);
            case FACE -> on(Part.HEAD, 962, 876, 30, 88);
            case EARS -> on(Part.HEAD, 926, 894, -16, 14);
            case BASE_OF_SKULL -> on(Part.HEAD, 914, 886, 278, 336);
            case BELOW_EAR -> on(Part.HEAD, 898, 880, -16, 14);
            case JAW_MUSCLES -> on(Part.HEAD, 920, 874, 14, 56);
            case INSIDE_MOUTH -> on(Part.HEAD, 897, 882, 58, 88);
            case NECK_BACK -> on(Part.NECK, 892, 840, 276, 345);
            case NECK_SIDE -> on(Part.NECK, 888, 838, 46, 72);
            case STRAP_MUSCLE -> on(Part.NECK, 894, 832, 0, 52);
            case THROAT -> on(Part.NECK, 872, 830, 74, 106);
            case TOP_OF_SHOULDER -> on(Part.TRUNK, 846, 813, 276, 348);
            case UPPER_BACK -> on(Part.TRUNK, 814, 665, 275, 307);
            case SHOULDER_BLADE -> on(Part.TRUNK, 812, 736, 304, 348);
            case SPINE -> on(Part.TRUNK, 838, 588, 265, 275);
            case CHEST_WALL -> on(Part.TRUNK, 818, 744, 26, 84);
            case BREAST -> on(Part.TRUNK, 776, 716, 32, 74);
            case STERNUM -> on(Part.TRUNK, 816, 716, 82, 98);
            case ARMPIT -> on(Part.TRUNK, 776, 690, -22, 36);
            case BELLY -> on(Part.TRUNK, 694, 528, 44, 136);
            case RIB_EDGE -> on(Part.TRUNK, 716, 674, 40, 84);
            case LUMBAR -> on(Part.TRUNK, 663, 588, 275, 326);
            case KIDNEYS -> on(Part.TRUNK, 668, 634, 300, 336);
            case SACRUM -> on(Part.TRUNK, 588, 514, 275, 294);
            case GLUTEALS -> on(Part.TRUNK, 602, 480, 286, 348);
            case HIP_ROTATORS -> on(Part.TRUNK, 566, 506, 298, 334);
            case UPPER_ARM_OUTER -> on(Part.UPPER_ARM, 818, 642, -78, 78);
            case UPPER_ARM_INNER -> on(Part.UPPER_ARM, 772, 648, 110, 216);
            case ELBOW_INSIDE -> on(Part.FOREARM, 636, 606, 50, 140);
            case FOREARM_FLEXORS -> on(Part.FOREARM, 618, 502, 62, 214);
            case FOREARM_EXTENSORS -> on(Part.FOREARM, 624, 502, 228, 402);
            case WRIST -> on(Part.HAND, 488, 470, 20, 160);
            case HAND -> on(Part.HAND, 472, 382, 15, 165);
            case GROIN -> on(Part.THIGH, 516, 468, 100, 176);
            case HAMSTRINGS -> on(Part.THIGH, 478, 306, 204, 326);
            case THIGH_FRONT -> on(Part.THIGH, 520, 308, 40, 138);
            case THIGH_OUTER -> on(Part.THIGH, 516, 296, -52, 36);
            case THIGH_INNER -> on(Part.THIGH, 480, 312, 140, 206);
            case KNEE_BACK -> on(Part.SHANK, 292, 262, 212, 328);
            case KNEECAP -> on(Part.SHANK, 292, 264, 58, 122);
            case KNEE_INNER -> on(Part.SHANK, 292, 250, 140, 208);
            case CALF -> on(Part.SHANK, 260, 98, 204, 336);
            case CALF_CENTRE -> on(Part.SHANK, 255, 110, 258, 282);
            case SHIN -> on(Part.SHANK, 258, 112, 4, 96);
            case SHIN_LOWER -> on(Part.SHANK, 112, 56, 4, 100);
            case ACHILLES -> on(Part.SHANK, 100, 36, 236, 304);
            case SOLE -> on(Part.FOOT, -34, 104, 200, 340);
            case FOOT_TOP -> on(Part.FOOT, 0, 106, 20, 160);
        };
    }

    /** Its edge, once around; a paired one on a side. */
    List<Point> edge(Figure figure, Side side) {
        var all = new ArrayList<Point>();
        double width = to - from;
        int n = Math.max(2, (int) Math.ceil(width / 24));
        int m = Math.max(2, (int) Math.ceil(Math.abs(bottom - top) / 36));
        for (int i = 0; i <= n; i++) all.add(figure.skin(part, side, inset(0), from + width * i / n));
        for (int j = 1; j < m; j++) all.add(figure.skin(part, side, inset((double) j / m), to));
        for (int i = n; i >= 0; i--) all.add(figure.skin(part, side, inset(1), from + width * i / n));
        for (int j = m - 1; j >= 1; j--) all.add(figure.skin(part, side, inset((double) j / m), from));
        return all;
    }

    private double inset(double part) {
        return top + (bottom - top) * part;
    }

    /** A place on it, from 0 at its upper edge to 1 at its lower, from 0 to 1 across. */
    Point at(Figure figure, Side side, double down, double across) {
        return figure.skin(part, side, inset(down), from + (to - from) * across);
    }

    /** The part of it that looks up at the one who looks; all of it, where nothing does. */
    ZoneArea seen(Figure figure, Side side) {
        double first = Double.NaN;
        double last = Double.NaN;
        for (int i = 0; i <= 24; i++) {
            double angle = from + (to - from) * i / 24;
            if (figure.facing(part, side, angle) < .06) continue;
            if (Double.isNaN(first)) first = angle;
            last = angle;
        }
        return Double.isNaN(first) || last - first < 4 ? this : new ZoneArea(part, top, bottom, first, last);
    }

    /** Whether any of it looks up. */
    boolean visible(Figure figure, Side side) {
        var area = seen(figure, side);
        return figure.facing(part, side, (area.from + area.to) / 2) > .06;
    }

    /** Whether it is broader than long, as it is seen. */
    boolean wide(Figure figure, Side side) {
        double across = at(figure, side, .5, 0).minus(at(figure, side, .5, 1)).length();
        double down = at(figure, side, 0, .5).minus(at(figure, side, 1, .5)).length();
        return across > 1.4 * down;
    }
}
