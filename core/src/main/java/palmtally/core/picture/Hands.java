package palmtally.core.picture;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.util.FastMath;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Region;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.picture.Picture.Hand;
import palmtally.core.picture.Picture.Kind;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.detail.OtherHand;
import palmtally.core.technique.Tool;

/** Both hands of a step at its beginning: where they are, how they are turned, and whether they lie under the client. */
final class Hands {
    /** So far from the working hand another one has room, millimetres. */
    private static final double ROOM = 130;

    private final Step step;
    private final Travel travel;
    private final List<Side> sides;
    private final Figure figure;
    private final Therapist therapist;

    Hands(Step step, Travel travel, List<Side> sides, Figure figure, Therapist therapist) {
        this.step = step;
        this.travel = travel;
        this.sides = sides;
        this.figure = figure;
        this.therapist = therapist;
    }

    List<Hand> all() {
        if (travel.kind() == Kind.LOOK) return List.of();
        if (travel.lines().size() > 1) return oneForEachSide();
        var at = travel.start(0);
        boolean glides = travel.kind() == Kind.GLIDE;
        double degrees = glides ? pointing(travel.line(), at) : fromTherapist(at);
        boolean left = step.tool() == Tool.FOREARM ? handInward(at, degrees) : leftWorks(at);
        var works = working(left, at, degrees, 0, sides.get(0));
        var does = step.details().otherHand();
        if (does == null || does == OtherHand.REINFORCES && reinforced(step.tool())) return List.of(works);
        return switch (does) {
            case WORKS_TOGETHER, WORKS_ALTERNATELY, WORKS_OPPOSITE -> {
                double behind = does == OtherHand.WORKS_ALTERNATELY ? -.5 : 0;
                var across = new Point(glides ? 46 : 60, 0).turned(FastMath.toRadians(degrees));
                yield List.of(
                        working(true, at.minus(across), degrees + 6, 0, sides.get(0)),
                        working(false, at.plus(across), degrees - 6, behind, sides.get(0)));
            }
            case REINFORCES -> List.of(works, other(does, at, degrees, left));
            default -> List.of(other(does, at, degrees, left), works);
        };
    }

    /** Whether the tool is two hands, one on the other, by itself. */
    private static boolean reinforced(Tool tool) {
        return tool == Tool.REINFORCED_FINGERS || tool == Tool.SUPPORTED_THUMB;
    }

    /** What is worked on both sides has a hand on each; who stands beside the table has one nearer to the head, so that they do not lie on one another. */
    private List<Hand> oneForEachSide() {
        var all = new ArrayList<Hand>();
        var lines = travel.lines();
        boolean glides = travel.kind() == Kind.GLIDE;
        boolean beside = !glides && !therapist.atAnEnd();
        double apart = Math.abs(travel.start(0).x() - travel.start(1).x());
        for (int i = 0; i < lines.size(); i++) {
            var at = travel.start(i);
            boolean leftward = at.x() < travel.start(1 - i).x();
            double turn = glides ? pointing(lines.get(i), at) : therapist.atAnEnd() ? fromTheEnd() : fromTherapist(at);
            boolean far = beside && leftward == therapist.feet().x() > 0;
            if (beside && apart < 300) at = at.plus(new Point(0, far ? -40 : 40));
            // Of who faces across the table, the hand toward the head of the client is the right one from their left.
            boolean left = step.tool() == Tool.FOREARM
                    ? handInward(at, turn)
                    : beside ? far == therapist.feet().x() < 0 : leftward;
            all.add(working(left, at, turn, 0, sides.get(i)));
        }
        return all;
    }

    private Hand working(boolean left, Point at, double degrees, double behind, Side side) {
        if (step.tool() == Tool.PALM && onTheFace())
            return new Hand(HandShape.flatFingers(), left, at, besideTheNose(degrees, side), true, behind, under(side));
        return new Hand(HandShape.of(step.tool(), false), left, at, degrees, true, behind, under(side));
    }

    /** How far a hand on a face is turned, degrees; by eye. */
    private static final double ASLANT = 42;

    /** From the head the hand comes over the cheek of the side that is worked: nothing lies over mouth and nose. */
    private double besideTheNose(double degrees, Side side) {
        return degrees + ASLANT * Therapist.right(side, figure.position());
    }

    private boolean onTheFace() {
        return (travel.kind() == Kind.GLIDE || travel.kind() == Kind.MOVE)
                && step.zones().stream().map(Zone::region).allMatch(r -> r == Region.JAW || r == Region.HEAD_FACE);
    }

    /** What does not look up is worked from beneath, as the neck is of who lies on the back. */
    private boolean under(Side side) {
        if (travel.kind() == Kind.MOVE || overSheet()) return false;
        return step.zones().stream().noneMatch(z -> ZoneArea.of(z).visible(figure, z.paired() ? side : Side.RIGHT));
    }

    /** What is covered is held from above, through the sheet. */
    private boolean overSheet() {
        return step.sheet() != Sheet.OPEN
                && step.zones().stream().allMatch(z -> z.unit().draped());
    }

    /** What the other hand does, where it is. */
    private Hand other(OtherHand does, Point at, double degrees, boolean left) {
        return switch (does) {
            case REINFORCES -> free(left, at.plus(new Point(14, 10)), degrees + (left ? -24 : 24), true, 0);
            case FOLLOWS -> {
                // A hand behind the other, as far as the way has room at its beginning.
                double behind = Math.min(.6, ROOM / Math.max(1, Way.length(travel.line())));
                yield free(left, Way.at(travel.line(), .22 - behind), degrees, true, behind);
            }
            case CRADLES_THE_HEAD -> {
                var head = figure.at(Part.HEAD, Side.RIGHT, new Vec(0, 930, -20));
                yield new Hand(HandShape.of(Tool.PALM, true), !left, head, 180, false, 0, true);
            }
            case LIFTS_THE_SHOULDER -> {
                var tip = figure.at(Part.UPPER_ARM, sides.get(0), new Vec(122, 806, 0));
                yield free(left, tip, fromTherapist(tip), false, 0);
            }
            case MOVES_THE_LIMB, HOLDS_THE_JOINT, SUPPORTS_ABOVE_THE_JOINT -> {
                var joint = clear(joint(does), at);
                yield free(left, joint, fromTherapist(joint), false, 0);
            }
            case STRETCHES_THE_SKIN -> {
                var behind = at.minus(Travel.direction(travel.line(), .1).times(ROOM));
                yield free(left, behind, fromTherapist(behind), false, 0);
            }
            case HOLDS_THE_SHEET -> {
                var edge = clear(edge(), at);
                yield free(left, edge, fromTherapist(edge), false, 0);
            }
            case RESTS -> {
                var beside = Way.at(travel.line(), at.y() < 900 ? 1 : 0);
                var rest = beside.plus(beside.minus(at).unit().times(150));
                yield free(left, rest, fromTherapist(rest), false, 0);
            }
            case WORKS_TOGETHER, WORKS_ALTERNATELY, WORKS_OPPOSITE ->
                throw new IllegalStateException("works like the first");
        };
    }

    /** The hand that does not work, of the other side than the one that does. */
    private static Hand free(boolean working, Point at, double degrees, boolean moves, double behind) {
        return new Hand(HandShape.of(Tool.PALM, true), !working, at, degrees, moves, behind, false);
    }

    /** Where a limb is held while another hand works on it, or is moved: beyond the joint, at it, or nearer to the trunk. */
    private Point joint(OtherHand does) {
        var side = sides.get(0);
        boolean moves = does == OtherHand.MOVES_THE_LIMB;
        return does == OtherHand.SUPPORTS_ABOVE_THE_JOINT ? above(side) : beyond(side, moves);
    }

    private Point above(Side side) {
        return switch (step.zones().get(0).region()) {
            case FOOT -> figure.at(Part.SHANK, side, new Vec(46, 130, 0));
            case LOWER_LEG -> figure.at(Part.THIGH, side, new Vec(46, 330, 0));
            case KNEE, THIGH, HIP -> figure.at(Part.THIGH, side, new Vec(48, 350, 0));
            case FOREARM_HAND -> figure.at(Part.FOREARM, side, new Vec(152, 545, 0));
            case CHEST, SHOULDER, UPPER_ARM -> figure.at(Part.UPPER_ARM, side, new Vec(136, 700, 0));
            case HEAD_FACE, JAW, NECK -> figure.at(Part.HEAD, Side.RIGHT, new Vec(0, 975, 0));
            case LOW_BACK, ABDOMEN, WHOLE_BODY -> figure.at(Part.TRUNK, side, new Vec(90, 560, 0));
        };
    }

    private Point beyond(Side side, boolean moves) {
        return switch (step.zones().get(0).region()) {
            case FOOT ->
                moves
                        ? figure.at(Part.FOOT, side, new Vec(48, 12, 70))
                        : figure.at(Part.SHANK, side, new Vec(46, 60, 0));
            case LOWER_LEG -> figure.at(Part.SHANK, side, new Vec(46, 60, 0));
            case KNEE, THIGH, HIP -> figure.at(Part.SHANK, side, new Vec(46, moves ? 90 : 262, 0));
            case FOREARM_HAND -> figure.at(Part.HAND, side, new Vec(155, 430, 0));
            case CHEST, SHOULDER, UPPER_ARM -> figure.at(Part.FOREARM, side, new Vec(152, moves ? 520 : 612, 0));
            case HEAD_FACE, JAW, NECK -> figure.at(Part.HEAD, Side.RIGHT, new Vec(0, 960, 0));
            case LOW_BACK, ABDOMEN, WHOLE_BODY -> above(side);
        };
    }

    /** Where a sheet over what is worked is held: at its edge, toward the head of it. */
    private Point edge() {
        var unit = step.zones().get(0).unit();
        var side = sides.get(0);
        boolean low = unit == DrapeUnit.ABDOMEN || step.zones().get(0).region() == Region.LOW_BACK;
        var at = unit == DrapeUnit.LEG || unit == DrapeUnit.HIP
                ? new Vec(80, 588, 0)
                : unit == DrapeUnit.ARM ? new Vec(80, 800, 0) : low ? new Vec(70, 545, 0) : new Vec(60, 812, 0);
        return figure.at(Part.TRUNK, side, at);
    }

    /** As far from the working hand as a hand needs. */
    private Point clear(Point wanted, Point at) {
        var away = wanted.minus(at);
        if (away.length() >= ROOM) return wanted;
        var line = travel.line();
        var way = away.length() > 1 ? away.unit() : Travel.direction(line, .1).times(-1);
        return at.plus(way.times(ROOM));
    }

    /** Whether a right forearm would lie with its hand toward the midline: then it is the left one, so that the elbow is the inner end. */
    private static boolean handInward(Point at, double degrees) {
        var hand = new Point(-1, 0).turned(FastMath.toRadians(degrees));
        return hand.x() * at.x() < 0;
    }

    /** Of who stands to the right and faces the head, the right hand is the outer one and works. */
    private boolean leftWorks(Point at) {
        return therapist.feet().x() < at.x() - 1 && Math.abs(therapist.feet().x()) > 1;
    }

    private static double degrees(Point way) {
        return FastMath.toDegrees(FastMath.atan2(way.x(), -way.y()));
    }

    private double fromTherapist(Point at) {
        return degrees(at.minus(therapist.feet()).unit());
    }

    /**
     * Fingers lead along the table, and across it they point away from the therapist; who is at the head or the foot pulls toward themselves
     * with the fingers pointing away.
     */
    private double pointing(List<Point> line, Point at) {
        if (therapist.atAnEnd()) return fromTheEnd();
        var way = Travel.direction(line, .22);
        return Math.abs(way.y()) < .5 ? fromTherapist(at) : degrees(way);
    }

    /** Two hands that lie beside one another come from an end of the table. */
    private double fromTheEnd() {
        return therapist.feet().y() < 0 ? 180 : 0;
    }
}
