package palmtally.core.picture;

import static palmtally.core.body.Landmark.*;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import palmtally.core.Sums;
import palmtally.core.body.Landmark;
import palmtally.core.body.Side;

/** Bones where a hand finds them: lines through their landmarks, on the side that is seen. */
final class Bones {
    private static final List<List<Landmark>> LINES = List.of(
            List.of(C7, T3, T7, T12, L4),
            List.of(BLADE_UPPER_ANGLE, BLADE_INNER_EDGE, BLADE_ANGLE, BLADE_OUTER_EDGE),
            List.of(BLADE_SPINE, ACROMION),
            List.of(HIP_SPINE_BACK, HIP_CREST),
            List.of(HIP_CREST, HIP_SPINE_FRONT),
            List.of(SACRUM_CORNER, SACRUM_EDGE, COCCYX),
            List.of(SKULL_BASE, SKULL_RIDGE, MASTOID),
            List.of(COLLAR_BONE_INNER, COLLAR_BONE, COLLAR_BONE_OUTER),
            List.of(STERNUM_TOP, STERNUM_EDGE, STERNUM_TIP),
            List.of(STERNUM_TIP, RIB_MARGIN, RIB_8),
            List.of(T12, RIB_12),
            List.of(JAW_JOINT_LINE, JAW_ANGLE, CHIN),
            List.of(CHEEKBONE, JAW_JOINT_LINE),
            List.of(SHIN_BUMP, SHIN_EDGE, ANKLE_INNER),
            List.of(HEEL_UNDER, BALL_OF_FOOT));

    /** With how large they are felt, in thousandths of the stature. */
    private record Knob(Landmark at, double radius) {}

    private static final List<Knob> KNOBS = List.of(
            new Knob(SIT_BONE, 11),
            new Knob(TROCHANTER, 12),
            new Knob(ELBOW_POINT, 8),
            new Knob(EPICONDYLE_INNER, 6),
            new Knob(EPICONDYLE_OUTER, 6),
            new Knob(RADIAL_STYLOID, 5),
            new Knob(ULNAR_STYLOID, 5),
            new Knob(FIBULA_HEAD, 7),
            new Knob(ANKLE_INNER, 8),
            new Knob(ANKLE_OUTER, 8),
            new Knob(HEEL, 10));

    private Bones() {}

    /** @param outside whether something is too far off to be drawn */
    static List<String> seen(Figure figure, Predicate<List<Point>> outside) {
        var all = new ArrayList<String>();
        for (var side : List.of(Side.LEFT, Side.RIGHT)) {
            if (figure.below(side)) continue;
            for (var line : LINES) {
                boolean middle = line.stream().noneMatch(Landmark::paired);
                if (middle && side == Side.LEFT) continue;
                double facing = Sums.mean(line.stream().mapToDouble(l -> figure.facing(l, side)))
                        .orElse(0);
                if (facing <= .12) continue;
                var points = line.stream().map(l -> figure.at(l, side)).toList();
                if (!outside.test(points)) all.add(Path.smooth(points, false));
            }
            for (var knob : KNOBS)
                if (figure.facing(knob.at, side) > .12 && !outside.test(List.of(figure.at(knob.at, side))))
                    all.add(Path.circle(figure.at(knob.at, side), knob.radius * figure.millimetres()));
            // The kneecap is between its upper and its lower end.
            if (figure.facing(KNEECAP_TOP, side) > .12 && !outside.test(List.of(figure.at(KNEECAP_TOP, side))))
                all.add(Path.circle(
                        figure.at(KNEECAP_TOP, side).toward(figure.at(KNEECAP_TIP, side), .45),
                        15 * figure.millimetres()));
        }
        return all;
    }
}
