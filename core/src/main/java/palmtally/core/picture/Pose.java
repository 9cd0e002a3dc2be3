package palmtally.core.picture;

import java.util.EnumMap;
import java.util.Map;
import java.util.Set;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Position;
import palmtally.core.sequence.detail.Limb;

/**
 * How the limbs of one side lie: each part turned about its joint. Written for the right side; the left is its mirror image. Which way a
 * limb points is common practice, no source.
 */
final class Pose {
    /** Turns a part about its joint and takes it where the joint went. */
    private record Placed(Turn turn, Vec joint, Vec to) {
        Vec of(Vec v) {
            return to.plus(turn.of(v.minus(joint)));
        }
    }

    /** The height of a joint, by Drillis and Contini, 1966 (from memory); how far out it is by eye. */
    static final Vec SHOULDER = new Vec(112, 818, 0);

    static final Vec ELBOW = new Vec(136, 630, -4);
    static final Vec WRIST = new Vec(155, 485, 2);
    static final Vec HIP = new Vec(50, 530, 0);
    static final Vec KNEE = new Vec(46, 285, 0);
    static final Vec ANKLE = new Vec(46, 39, -6);

    private final Map<Part, Placed> placed = new EnumMap<>(Part.class);
    private final boolean arm;
    private final boolean leg;

    /** Where the parts of a limb point; null where they hang on as they were. */
    private record Ways(@Nullable Vec first, @Nullable Vec second) {}

    /**
     * @param upper whether it is the upper side of who lies on the other
     */
    Pose(Position position, Set<Limb> limbs, boolean upper) {
        var arms = arm(position, limbs, upper);
        var legs = leg(position, limbs, upper);
        arm = arms.first != null || arms.second != null;
        leg = legs.first != null || legs.second != null;
        var upperArm = placed(Part.UPPER_ARM, Turn.NONE, SHOULDER, SHOULDER, arms.first);
        var elbow = upperArm.of(ELBOW);
        var forearm = placed(Part.FOREARM, upperArm.turn, ELBOW, elbow, arms.second);
        placed.put(Part.HAND, new Placed(forearm.turn, WRIST, forearm.of(WRIST)));
        var thigh = placed(Part.THIGH, outward(limbs), HIP, HIP, legs.first);
        var knee = thigh.of(KNEE);
        var shank = placed(Part.SHANK, thigh.turn, KNEE, knee, legs.second);
        placed.put(Part.FOOT, new Placed(pointed(position).then(shank.turn), ANKLE, shank.of(ANKLE)));
    }

    private Placed placed(Part part, Turn before, Vec joint, Vec to, @Nullable Vec way) {
        var turn = way == null ? before : before.then(Turn.between(before.of(part.way()), way));
        var all = new Placed(turn, joint, to);
        placed.put(part, all);
        return all;
    }

    /** Whether the arm lies otherwise than at the side. */
    boolean arm() {
        return arm;
    }

    /** Whether the leg lies otherwise than straight. */
    boolean leg() {
        return leg;
    }

    Vec of(Part part, Vec standing) {
        var it = placed.get(part);
        return it == null ? standing : it.of(standing);
    }

    Vec direction(Part part, Vec standing) {
        var it = placed.get(part);
        return it == null ? standing : it.turn.of(standing);
    }

    /** Lying, the foot points away; face down further, so that the sole is seen. */
    private static Turn pointed(Position position) {
        double degrees = position == Position.PRONE ? 72 : position == Position.SEATED ? 0 : 38;
        return Turn.around(new Vec(1, 0, 0), FastMath.toRadians(degrees));
    }

    /** A leg turned in the hip shows more of its inside or outside. */
    private static Turn outward(Set<Limb> limbs) {
        double degrees = limbs.contains(Limb.HIP_TURNED_OUT) ? 40 : limbs.contains(Limb.HIP_TURNED_IN) ? -30 : 0;
        return Turn.around(new Vec(0, 1, 0), FastMath.toRadians(degrees));
    }

    private static Vec way(double out, double up, double front) {
        return new Vec(out, up, front);
    }

    private static Ways arm(Position position, Set<Limb> limbs, boolean upper) {
        boolean down = position == Position.PRONE;
        if (limbs.contains(Limb.ARM_OVERHEAD)) return new Ways(way(.42, .9, .12), way(-.1, .95, .15));
        if (limbs.contains(Limb.ARM_OUT)) return new Ways(way(.97, -.2, 0), way(.97, -.2, 0));
        if (limbs.contains(Limb.ARM_ACROSS)) return new Ways(way(-.15, -.62, .77), way(-.97, .1, .2));
        if (limbs.contains(Limb.ARM_BEHIND_BACK)) return new Ways(way(.3, -.92, -.25), way(-.9, -.1, -.4));
        if (limbs.contains(Limb.ARM_OFF_TABLE))
            return down ? new Ways(way(.5, -.25, .83), way(.1, -.3, .95)) : new Ways(way(.8, -.42, -.4), null);
        if (limbs.contains(Limb.ON_THIGH)) return new Ways(way(.72, -.69, 0), way(.6, -.8, 0));
        if (limbs.contains(Limb.ARM_OVER_SHEET)) return new Ways(way(.24, -.97, 0), null);
        if (onTheSide(position))
            return upper
                    ? new Ways(way(0, -.93, .36), way(0, -.75, .66))
                    : new Ways(way(0, .25, .97), way(0, .45, -.89));
        return new Ways(null, null);
    }

    private static Ways leg(Position position, Set<Limb> limbs, boolean upper) {
        boolean down = position == Position.PRONE;
        boolean side = onTheSide(position);
        if (limbs.contains(Limb.HEEL_TO_HIP)) return new Ways(null, way(0, .86, down ? -.5 : -.5));
        if (limbs.contains(Limb.ANKLE_ON_SHOULDER))
            return down ? new Ways(null, way(0, -.35, -.94)) : new Ways(way(.06, -.35, .93), way(.06, -.35, .93));
        if (limbs.contains(Limb.HIP_TURNED_IN) && down) return new Ways(null, way(.55, -.25, -.8));
        if (limbs.contains(Limb.HIP_TURNED_OUT))
            return down
                    ? new Ways(way(.5, -.86, 0), way(-.45, -.89, 0))
                    : new Ways(way(.55, -.8, .2), way(-.6, -.78, -.1));
        if (limbs.contains(Limb.LEG_ACROSS)) return new Ways(way(-.42, -.75, .5), way(-.1, -.95, -.3));
        if (limbs.contains(Limb.LEG_OFF_SIDE)) return new Ways(way(.42, -.88, -.2), way(.12, -.86, -.5));
        if (limbs.contains(Limb.KNEE_BENT) || limbs.contains(Limb.FOOT_FLAT)) {
            if (down) return new Ways(null, way(0, -.3, -.95));
            return side
                    ? new Ways(way(0, -.7, .71), way(0, -.7, -.71))
                    : new Ways(way(.04, -.74, .67), way(0, -.78, -.62));
        }
        if (limbs.contains(Limb.LEG_LIFTED)) {
            var lifted = way(0, -.74, down ? -.67 : .67);
            return new Ways(lifted, lifted);
        }
        if (side && !limbs.contains(Limb.LEG_STRAIGHT)) {
            if (limbs.contains(Limb.UPPER_KNEE_FORWARD)) return new Ways(way(0, -.5, .87), way(0, -.75, -.66));
            return upper
                    ? new Ways(way(0, -.72, .69), way(0, -.82, -.57))
                    : new Ways(way(0, -.93, .36), way(0, -.9, -.43));
        }
        if (position == Position.SEATED && !limbs.contains(Limb.LEG_STRAIGHT))
            return new Ways(way(.1, -.3, .95), way(.04, -.99, .1));
        return new Ways(null, null);
    }

    static boolean onTheSide(Position position) {
        return position == Position.SIDE_LEFT || position == Position.SIDE_RIGHT;
    }
}
