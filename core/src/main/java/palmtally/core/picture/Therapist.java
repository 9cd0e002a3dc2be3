package palmtally.core.picture;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.util.FastMath;
import palmtally.core.body.Position;
import palmtally.core.body.Side;
import palmtally.core.sequence.Stance;
import palmtally.core.sequence.Stands;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.TableHeight;

/**
 * Where the therapist stands at the table, seen from above, and how far the hands go from there. Arm by Drillis and Contini, 1966 (from
 * memory): upper arm .186, forearm .146 and half a hand .054 of the stature; leaning in from the ankles brings a quarter of a metre more
 * (common practice, no source). The table is 73 cm wide (common practice, no source).
 */
final class Therapist {
    static final double TABLE_HALF = 365;
    private static final double ARM = .186 + .146 + .054;
    /** Heights above the floor of who stands, as shares of the stature: Drillis and Contini, 1966 (from memory). */
    private static final double FINGERTIP = .377;

    private static final double WRIST = .485;
    private static final double LEAN = 250;
    private static final double BESIDE = 170;

    private final Point feet;
    private final Point faces;
    private final double stature;
    private final Stance stance;
    private final TableHeight height;

    /** @param stature metres */
    Therapist(Step step, Side side, Figure figure, List<Point> way, double stature) {
        this.stature = stature;
        stance = step.stance();
        height = TableHeight.of(step);
        var begin = way.get(0);
        var end = way.get(way.size() - 1);
        var middle = Way.at(way, .5);
        double right = right(side, figure.position());
        var travel = end.minus(begin);
        boolean lunges = stance == Stance.LUNGE && Math.abs(travel.y()) > 40;
        double up = lunges ? Math.signum(travel.y()) : -1;
        switch (step.stands()) {
            case HEAD -> {
                feet = new Point(0, figure.position() == Position.PRONE ? -330 : -300);
                faces = new Point(0, 1);
            }
            case FOOT -> {
                feet = new Point(0, 2080);
                faces = new Point(0, -1);
            }
            case CORNER -> {
                boolean head = middle.y() < 850;
                feet = new Point(right * 330, head ? -210 : 1990);
                faces = middle.minus(feet).unit();
            }
            default -> {
                double s = step.stands() == Stands.ACROSS ? -right : right;
                // Who glides stands where it begins and faces where it goes.
                double at = lunges ? begin.toward(end, .3).y() : middle.y();
                double edge = figure.position() == Position.SEATED ? StepPicture.SEAT : TABLE_HALF;
                feet = new Point(s * (edge + BESIDE), Math.max(60, Math.min(1760, at)));
                faces = lunges ? new Point(-s * .3, up).unit() : new Point(-s, 0);
            }
        }
    }

    /** On which side of the picture a side of the body is: 1 to the right. */
    static double right(Side side, Position position) {
        return switch (position) {
            case PRONE, SEATED -> side == Side.LEFT ? -1 : 1;
            case SUPINE, SEMI_RECLINED -> side == Side.LEFT ? 1 : -1;
            // Behind the back of who lies on the side.
            case SIDE_LEFT -> -1;
            case SIDE_RIGHT -> 1;
        };
    }

    /** Whether they are at the head or the foot of the table. */
    boolean atAnEnd() {
        return Math.abs(feet.x()) < TABLE_HALF / 2;
    }

    Point feet() {
        return feet;
    }

    /** How far it is to the far end of the work, millimetres. */
    double reach(List<List<Point>> lines) {
        double most = 0;
        for (var line : lines) {
            // Walking along the table is no reaching: the way over it counts, and for who stands at an end the way
            // along it.
            for (var p : line) {
                boolean atEnd = Math.abs(feet.x()) < TABLE_HALF;
                most = Math.max(most, atEnd ? p.minus(feet).length() : Math.abs(p.x() - feet.x()));
            }
        }
        return most;
    }

    double comfortable() {
        return ARM * stature * 1000 + LEAN;
    }

    /** How high the table stands for this work, millimetres: the fingertips of hanging arms for deep work, the wrists for light. */
    double table() {
        double share = switch (height) {
            case LOW -> FINGERTIP;
            case MIDDLE -> (FINGERTIP + WRIST) / 2;
            case HIGH -> WRIST;
        };
        return share * stature * 1000;
    }

    List<Shape> shapes(Point work) {
        var all = new ArrayList<Shape>();
        var side = faces.across();
        switch (stance) {
            case LUNGE -> {
                foot(all, feet.plus(faces.times(220)).minus(side.times(40)), faces, 0);
                foot(all, feet.minus(faces.times(260)).plus(side.times(60)), faces, .45);
            }
            case SEATED -> {
                all.add(new Shape(Role.PROP, Path.circle(feet, 170)));
                foot(all, feet.plus(faces.times(200)).minus(side.times(150)), faces, -.3);
                foot(all, feet.plus(faces.times(200)).plus(side.times(150)), faces, .3);
            }
            case ONE_KNEE -> {
                foot(all, feet.plus(faces.times(160)).minus(side.times(110)), faces, 0);
                all.add(new Shape(Role.FOOT, Path.circle(feet.plus(side.times(110)), 60)));
            }
            default -> {
                foot(all, feet.minus(side.times(200)), faces, -.25);
                foot(all, feet.plus(side.times(200)), faces, .25);
            }
        }
        var from = feet.plus(faces.times(330));
        all.add(new Shape(Role.FACING, Path.straight(List.of(from, from.plus(faces.times(190))), false)));
        all.add(new Shape(Role.REACH, Path.straight(List.of(feet, work), false)));
        return all;
    }

    private static final double[][] SOLE = {
        {-34, 120},
        {-44, 40},
        {-36, -40},
        {-46, -100},
        {-22, -136},
        {16, -140},
        {44, -108},
        {42, -40},
        {30, 40},
        {32, 110},
        {0, 140}
    };

    private static void foot(List<Shape> all, Point at, Point faces, double out) {
        double turn = FastMath.atan2(faces.x(), -faces.y()) + out;
        var edge = new ArrayList<Point>();
        for (var p : SOLE) edge.add(at.plus(new Point(p[0], p[1]).turned(turn)));
        all.add(new Shape(Role.FOOT, Path.smooth(edge, true)));
    }
}
