package palmtally.core.picture;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.util.FastMath;
import palmtally.core.technique.Tool;

/**
 * A right hand from above at the size of an adult's, in millimetres: what touches is at the origin, the fingers point up. Lengths by
 * Drillis and Contini, 1966 (from memory): a hand is .108 of the stature; the rest is drawn by eye.
 */
final class HandShape {
    private final List<Shape> shapes = new ArrayList<>();

    /** How far below the hand the forearm is drawn. */
    private final double forearm;

    private HandShape(double forearm) {
        this.forearm = forearm;
    }

    /** On a face the flat fingers lie where a palm is said: a whole hand has no room there. */
    static List<Shape> flatFingers() {
        var hand = new HandShape(340);
        hand.flat(55, 0, false);
        return hand.shapes;
    }

    /** @param other whether it is the hand that does not work */
    static List<Shape> of(Tool tool, boolean other) {
        var hand = new HandShape(other ? 130 : 340);
        switch (tool) {
            case PALM -> hand.flat(-20, 0, false);
            case HEEL_OF_HAND -> {
                hand.flat(-72, -14, true);
                hand.part(true, Path.smooth(ring(0, 4, 36, 20), true));
            }
            case FINGER_PADS -> {
                hand.flat(88, 12, true);
                for (int i = 0; i < 3; i++) hand.touch(tip(i, 88, 12), 10);
            }
            case REINFORCED_FINGERS -> {
                hand.flat(86, 12, true);
                for (int i = 0; i < 3; i++) hand.touch(tip(i, 86, 12), 10);
                hand.over(-34, 40, 40);
            }
            case LOOSE_FIST -> hand.fist(true);
            case KNUCKLES -> {
                hand.fist(false);
                for (int i = 0; i < 4; i++) hand.touch(new Point(-30 + 20 * i, i == 0 || i == 3 ? 2 : -3), 10);
            }
            case PINCER -> hand.pincer();
            case SUPPORTED_THUMB -> {
                hand.thumb();
                hand.over(-40, 58, 44);
                hand.touch(new Point(0, 0), 11);
            }
            case BARE_THUMB -> {
                hand.thumb();
                hand.touch(new Point(0, 0), 11);
            }
            case FOREARM -> hand.forearm();
            case ELBOW -> hand.elbow();
        }
        return other
                ? hand.shapes.stream()
                        .map(s -> new Shape(Role.OTHER_HAND, s.path()))
                        .toList()
                : hand.shapes;
    }

    private void part(boolean touches, String path) {
        shapes.add(new Shape(touches ? Role.TOUCH : Role.HAND, path));
    }

    private void touch(Point at, double radius) {
        part(true, Path.circle(at, radius));
    }

    private static List<Point> ring(double x, double y, double a, double b) {
        var all = new ArrayList<Point>();
        for (int i = 0; i < 8; i++)
            all.add(new Point(x + a * FastMath.cos(Math.PI * i / 4), y + b * FastMath.sin(Math.PI * i / 4)));
        return all;
    }

    /** A long round shape from one point to another. */
    static List<Point> capsule(Point from, Point to, double begin, double end) {
        var way = to.minus(from).unit();
        var across = way.across();
        return List.of(
                from.minus(across.times(begin)),
                from.toward(to, .5).minus(across.times((begin + end) / 2)),
                to.minus(across.times(end)),
                to.plus(way.times(end * .95)),
                to.plus(across.times(end)),
                from.toward(to, .5).plus(across.times((begin + end) / 2)),
                from.plus(across.times(begin)),
                from.minus(way.times(begin * .6)));
    }

    private static final double[] ROOT = {-33, -12, 10, 31};
    private static final double[] LONG = {70, 79, 74, 57};
    private static final double[] SPREAD = {-.16, -.04, .06, .2};

    /** Tip of a finger of a flat hand, index first, whose middle is so far below the origin. */
    private static Point tip(int finger, double y, double x) {
        return root(finger, y, x).plus(new Point(0, -LONG[finger]).turned(SPREAD[finger]));
    }

    private static Point root(int finger, double y, double x) {
        return new Point(x + ROOT[finger], y - (finger == 0 || finger == 3 ? 36 : 42));
    }

    /** A hand laid flat, its middle so far below the origin. */
    private void flat(double y, double x, boolean only) {
        boolean touches = !only;
        part(
                false,
                Path.smooth(
                        List.of(
                                new Point(x - 31, y + forearm),
                                new Point(x - 26, y + 58),
                                new Point(x + 26, y + 58),
                                new Point(x + 34, y + forearm)),
                        true));
        part(touches, Path.smooth(capsule(new Point(x - 30, y + 34), new Point(x - 68, y - 18), 15, 10), true));
        for (int i = 0; i < 4; i++) part(touches, Path.smooth(capsule(root(i, y, x), tip(i, y, x), 10.5, 8.5), true));
        part(
                touches,
                Path.smooth(
                        List.of(
                                new Point(x - 26, y + 60),
                                new Point(x - 41, y + 20),
                                new Point(x - 42, y - 34),
                                new Point(x - 12, y - 48),
                                new Point(x + 20, y - 46),
                                new Point(x + 41, y - 32),
                                new Point(x + 38, y + 22),
                                new Point(x + 26, y + 60),
                                new Point(x, y + 66)),
                        true));
    }

    /** The other hand over the first one, from its own side, the left. */
    private void over(double x, double y, double degrees) {
        double turn = FastMath.toRadians(degrees);
        var arm = new ArrayList<Point>();
        for (var p : List.of(new Point(-31, 200), new Point(-24, 44), new Point(24, 44), new Point(33, 200)))
            arm.add(new Point(x, y).plus(p.turned(turn)));
        shapes.add(new Shape(Role.OTHER_HAND, Path.smooth(arm, true)));
        for (int i = 0; i < 3; i++) {
            var root = new Point(x, y).plus(new Point(-20 + 19.0 * i, -26).turned(turn));
            shapes.add(new Shape(
                    Role.OTHER_HAND,
                    Path.smooth(capsule(root, root.plus(new Point(0, -58).turned(turn)), 10, 8), true)));
        }
        var palm = new ArrayList<Point>();
        for (var p : ring(0, 14, 36, 46)) palm.add(new Point(x, y).plus(p.turned(turn)));
        shapes.add(new Shape(Role.OTHER_HAND, Path.smooth(palm, true)));
    }

    private void fist(boolean touches) {
        part(
                false,
                Path.smooth(
                        List.of(new Point(-33, forearm), new Point(-27, 72), new Point(27, 72), new Point(35, forearm)),
                        true));
        part(
                false,
                Path.smooth(
                        List.of(
                                new Point(-40, 4),
                                new Point(-43, 50),
                                new Point(-26, 82),
                                new Point(26, 82),
                                new Point(42, 50),
                                new Point(40, 4)),
                        true));
        part(touches, Path.smooth(capsule(new Point(-44, 54), new Point(-30, 16), 12, 11), true));
        for (int i = 0; i < 4; i++) {
            double x = -30 + 20.0 * i;
            part(
                    touches,
                    Path.smooth(capsule(new Point(x, 26), new Point(x, i == 0 || i == 3 ? 2 : -3), 11, 10), true));
        }
    }

    private void pincer() {
        part(
                false,
                Path.smooth(
                        List.of(new Point(-12, forearm), new Point(-2, 96), new Point(44, 92), new Point(54, forearm)),
                        true));
        part(
                false,
                Path.smooth(
                        List.of(
                                new Point(-8, 96),
                                new Point(-8, 50),
                                new Point(20, 24),
                                new Point(48, 38),
                                new Point(50, 84),
                                new Point(22, 104)),
                        true));
        for (int i = 2; i >= 0; i--)
            part(
                    false,
                    Path.smooth(
                            capsule(new Point(24 - 7.0 * i, 40), new Point(30 - 12.0 * i, -16 + 3.0 * i), 11, 9),
                            true));
        part(false, Path.smooth(capsule(new Point(-4, 66), new Point(-30, 8), 13, 9), true));
        touch(new Point(-31, 2), 10);
        touch(new Point(16, -18), 10);
    }

    private void thumb() {
        part(
                false,
                Path.smooth(
                        List.of(new Point(40, 360), new Point(34, 130), new Point(84, 120), new Point(112, 350)),
                        true));
        for (int i = 0; i < 4; i++) {
            double x = 30 + 18.0 * i;
            part(
                    false,
                    Path.smooth(
                            capsule(
                                    new Point(x, 50),
                                    new Point(x + 8 + 2.0 * i, -6 + 12.0 * (i == 3 ? 1.6 : i == 0 ? .8 : 0)),
                                    10.5,
                                    8.5),
                            true));
        }
        part(
                false,
                Path.smooth(
                        List.of(
                                new Point(30, 128),
                                new Point(20, 84),
                                new Point(24, 44),
                                new Point(60, 34),
                                new Point(92, 48),
                                new Point(94, 96),
                                new Point(84, 124)),
                        true));
        part(false, Path.smooth(capsule(new Point(26, 84), new Point(2, 4), 16, 11), true));
    }

    /** What works is the fleshy part below the elbow; the hand hangs out beside. */
    private void forearm() {
        part(
                true,
                Path.smooth(
                        List.of(
                                new Point(-229, -22),
                                new Point(-157, -36),
                                new Point(-57, -38),
                                new Point(15, -30),
                                new Point(45, 0),
                                new Point(15, 30),
                                new Point(-57, 38),
                                new Point(-157, 34),
                                new Point(-229, 22)),
                        true));
        part(false, Path.smooth(ring(-265, 0, 46, 36), true));
        for (int i = 0; i < 4; i++)
            part(
                    false,
                    Path.smooth(
                            capsule(new Point(-269, -27 + 18.0 * i), new Point(-301, -27 + 18.0 * i), 10, 9), true));
    }

    private void elbow() {
        part(false, Path.smooth(capsule(new Point(6, 8), new Point(-120, 158), 38, 26), true));
        part(false, Path.smooth(capsule(new Point(-4, 10), new Point(118, 190), 40, 50), true));
        touch(new Point(0, 0), 22);
    }
}
