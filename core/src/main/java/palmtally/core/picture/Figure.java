package palmtally.core.picture;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import org.hipparchus.util.FastMath;
import palmtally.core.body.Landmark;
import palmtally.core.body.Position;
import palmtally.core.body.Side;
import palmtally.core.sequence.detail.Limb;

/**
 * The client as they lie, seen from above with the head at the top: where each place of the body is in the picture, and the outline.
 */
final class Figure {
    /** How far between the given stations the skin is read. */
    private static final double STEP = 12;

    private final Position position;
    private final Build build;
    private final double millimetres;
    private final Pose right;
    private final Pose left;
    private final Turn head;
    /** What in the standing body runs to the right of the picture, and what toward the one who looks. */
    private final Vec across;

    private final Vec toward;

    /**
     * @param behind whether who sits is seen from behind
     * @param side whose limbs lie as is said; both where it is both or the midline
     * @param stature metres
     */
    Figure(Position position, boolean behind, Set<Limb> limbs, Side side, Build build, double stature) {
        this.position = position;
        this.build = build;
        millimetres = stature;
        switch (position) {
            case SIDE_LEFT -> {
                across = new Vec(0, 0, 1);
                toward = new Vec(1, 0, 0);
            }
            case SIDE_RIGHT -> {
                across = new Vec(0, 0, -1);
                toward = new Vec(-1, 0, 0);
            }
            case PRONE -> {
                across = new Vec(1, 0, 0);
                toward = new Vec(0, 0, -1);
            }
            default -> {
                boolean back = position == Position.SEATED && behind;
                across = new Vec(back ? 1 : -1, 0, 0);
                toward = new Vec(0, 0, back ? -1 : 1);
            }
        }
        right = new Pose(position, side == Side.LEFT ? Set.<Limb>of() : limbs, position == Position.SIDE_LEFT);
        left = new Pose(position, side == Side.RIGHT ? Set.<Limb>of() : limbs, position == Position.SIDE_RIGHT);
        head = head(limbs, side);
    }

    /** The head turns away from the side that is worked, and is bent away from it. */
    private static Turn head(Set<Limb> limbs, Side side) {
        double way = side == Side.LEFT ? -1 : 1;
        if (limbs.contains(Limb.HEAD_TURNED)) return Turn.around(new Vec(0, 1, 0), way * FastMath.toRadians(-48));
        if (limbs.contains(Limb.HEAD_TILTED)) return Turn.around(new Vec(0, 0, 1), way * FastMath.toRadians(24));
        return Turn.NONE;
    }

    Position position() {
        return position;
    }

    /** Whether the back is looked at, of who lies face down or sits. */
    boolean showsBack() {
        return toward.front() < -.5;
    }

    double millimetres() {
        return millimetres;
    }

    private static final Vec NECK_ROOT = new Vec(0, 850, -10);

    /** Where a place of the standing body's right side is now, on a side. */
    private Vec placed(Part part, Side side, Vec standing) {
        if (part == Part.HEAD || part == Part.NECK) {
            var own = side == Side.LEFT ? standing.mirrored() : standing;
            var turned = NECK_ROOT.plus(head.of(own.minus(NECK_ROOT)));
            // The neck goes half the way.
            return part == Part.NECK ? own.toward(turned, .5) : turned;
        }
        return side == Side.LEFT ? left.of(part, standing).mirrored() : right.of(part, standing);
    }

    private Vec direction(Part part, Side side, Vec standing) {
        if (part == Part.HEAD || part == Part.NECK) return head.of(side == Side.LEFT ? standing.mirrored() : standing);
        return side == Side.LEFT ? left.direction(part, standing).mirrored() : right.direction(part, standing);
    }

    private Point seen(Vec placed) {
        return new Point(placed.dot(across) * millimetres, (1000 - placed.up()) * millimetres);
    }

    private Point way(Vec direction) {
        return new Point(direction.dot(across), -direction.up());
    }

    /** A place of the standing body's right side, in the picture. */
    Point at(Part part, Side side, Vec standing) {
        return seen(placed(part, side, standing));
    }

    Point at(Landmark landmark, Side side) {
        return at(Part.of(landmark), side, skinned(landmark));
    }

    /** Beside a landmark of the midline: a paired structure lies on its own side of it. */
    Point beside(Landmark landmark, Side side) {
        if (landmark.paired()) return at(landmark, side);
        var place = skinned(landmark);
        return at(Part.of(landmark), side, new Vec(OFF_THE_MIDLINE, place.up(), place.front()));
    }

    private static final double OFF_THE_MIDLINE = 9;

    /** A landmark, moved out with the build. */
    private Vec skinned(Landmark landmark) {
        var part = Part.of(landmark);
        var v = Vec.of(landmark.place());
        double k = build.factor(part);
        if (k == 1 || part == Part.FOOT) return v;
        var axis = part.axisAt(v.up());
        return new Vec(axis.out() + (v.out() - axis.out()) * k, v.up(), axis.front() + (v.front() - axis.front()) * k);
    }

    /** How much a landmark looks up at the one who looks: 1 in full, 0 at the edge, below 0 on the far side. */
    double facing(Landmark landmark, Side side) {
        var part = Part.of(landmark);
        var v = Vec.of(landmark.place());
        var axis = part == Part.FOOT ? part.axisAt(v.front()) : part.axisAt(v.up());
        var from = v.minus(axis);
        var flat = part == Part.FOOT ? new Vec(from.out(), from.up(), 0) : new Vec(from.out(), 0, from.front());
        return direction(part, side, flat.unit()).dot(toward);
    }

    /**
     * A place on the skin.
     *
     * @param at height of the standing body, or how far in front for a foot
     * @param degrees around the axis: 0 outward, 90 in front, 180 inward, 270 behind
     */
    Point skin(Part part, Side side, double at, double degrees) {
        var s = part.skinAt(at);
        double k = build.factor(part);
        double cos = FastMath.cos(FastMath.toRadians(degrees));
        double sin = FastMath.sin(FastMath.toRadians(degrees));
        var out = new Vec(1, 0, 0).times(cos * (cos > 0 ? s.outer() : s.inner()) * k);
        var front = part.ahead().times(sin * (sin > 0 ? s.front() : s.back()) * k);
        return at(part, side, part.axisAt(at).plus(out).plus(front));
    }

    /** How much the skin there looks up at the one who looks, from -1 to 1. */
    double facing(Part part, Side side, double degrees) {
        var normal = new Vec(1, 0, 0)
                .times(FastMath.cos(FastMath.toRadians(degrees)))
                .plus(part.ahead().times(FastMath.sin(FastMath.toRadians(degrees))));
        return direction(part, side, normal).dot(toward);
    }

    /** The outline of a part. */
    List<Point> outline(Part part, Side side) {
        var way = way(direction(part, side, part.way()));
        // A part that points at the one who looks is seen from its end.
        var along = way.length() < .05 ? new Point(0, 1) : way.unit();
        var p = along.across();
        var lateral = across.times(p.x()).plus(new Vec(0, -1, 0).times(p.y()));
        var w = direction(part, side, new Vec(1, 0, 0));
        var n = direction(part, side, part.ahead());
        double k = build.factor(part) * millimetres;
        var one = new ArrayList<Point>();
        var other = new ArrayList<Point>();
        for (double at : places(part)) {
            var s = part.skinAt(at);
            var axis = at(part, side, part.axisAt(at));
            one.add(axis.plus(p.times(k * radius(s, lateral.dot(w), lateral.dot(n)))));
            other.add(axis.plus(p.times(-k * radius(s, -lateral.dot(w), -lateral.dot(n)))));
        }
        Collections.reverse(other);
        one.addAll(other);
        return one;
    }

    private static double radius(Part.Skin s, double out, double front) {
        return FastMath.hypot(out * (out > 0 ? s.outer() : s.inner()), front * (front > 0 ? s.front() : s.back()));
    }

    private static List<Double> places(Part part) {
        var all = new ArrayList<Double>();
        var given = part.stations();
        for (int i = 0; i < given.size(); i++) {
            if (i > 0) {
                double gap = given.get(i) - given.get(i - 1);
                int parts = (int) Math.floor(Math.abs(gap) / (STEP * 2));
                for (int j = 1; j <= parts; j++) all.add(given.get(i - 1) + gap * j / (parts + 1));
            }
            all.add(given.get(i));
        }
        return all;
    }

    /** The end of a part that points up or away: a disc. */
    boolean foreshortened(Part part, Side side) {
        return way(direction(part, side, part.way())).length() < .5;
    }

    /** Where a limb bends, and how thick it is there: so that a bent joint is round. */
    List<Point> joint(Part part, Side side) {
        double at = part == Part.FOREARM ? 632 : part == Part.SHANK ? 286 : part.first();
        var s = part.skinAt(at);
        double r = (s.inner() + s.outer() + s.front() + s.back()) / 4 * build.factor(part) * millimetres;
        var centre = at(part, side, part.axisAt(at));
        var all = new ArrayList<Point>();
        for (int i = 0; i < 8; i++) all.add(centre.plus(new Point(r, 0).turned(Math.PI * i / 4)));
        return all;
    }

    List<Point> section(Part part, Side side, double at) {
        var all = new ArrayList<Point>();
        for (int i = 0; i < 12; i++) all.add(skin(part, side, at, 30.0 * i));
        return all;
    }

    /** Whether the arm of a side lies otherwise than at the side. */
    boolean armLaid(Side side) {
        return (side == Side.LEFT ? left : right).arm();
    }

    boolean legLaid(Side side) {
        return (side == Side.LEFT ? left : right).leg();
    }

    /** Whether this side is below, of who lies on it. */
    boolean below(Side side) {
        return position == Position.SIDE_LEFT && side == Side.LEFT
                || position == Position.SIDE_RIGHT && side == Side.RIGHT;
    }
}
