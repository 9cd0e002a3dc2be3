package palmtally.core.picture;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Landmark;
import palmtally.core.body.Region;
import palmtally.core.body.Side;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Direction;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.detail.DetailField;
import palmtally.core.sequence.detail.OtherHand;
import palmtally.core.technique.Stroke;
import palmtally.core.technique.Tool;

/**
 * Where the hand goes in a step: from a landmark to another where the plan says so, else along the structure that is worked, else along
 * the zone. On a limb it goes toward the trunk unless the plan says otherwise, on the back up.
 */
final class Way {
    private static final int POINTS = 13;

    private Way() {}

    /** The line of one side, from where it starts to where it ends, in equal pieces. */
    static List<Point> of(Step step, Side side, Figure figure) {
        var moved = Moved.of(step);
        if (moved != null) return even(moved.way(side, figure));
        var detail = step.details();
        var from = detail.from();
        var to = detail.to();
        var usual = along(step, side, figure);
        boolean paired = step.zones().stream().allMatch(Zone::paired);
        var begin = from == null
                ? WordedPlace.of(detail.words().get(DetailField.FROM), side, figure)
                : place(from, to, side, figure, usual, paired);
        var end = to == null
                ? WordedPlace.of(detail.words().get(DetailField.TO), side, figure)
                : place(to, from, side, figure, usual, paired);
        if (begin == null && end == null) return usual;
        // What is said of one end leaves the other where the work ends.
        if (begin == null) begin = far(usual, end);
        if (end == null) end = far(usual, begin);
        return even(List.of(begin, end));
    }

    /** How far a limb is drawn out, the jaw opens and a limb circles in the picture, millimetres, and how far it swings, radians. */
    private static final double DRAWN = 130;

    private static final double OPENED = 42;
    private static final double CIRCLED = 55;
    private static final double SWING = .42;

    /**
     * What is moved by a stretch, a pull or a movement of a joint, held at its far end: where nothing is laid on and drawn along, the way of
     * the limb is the way of the hand.
     */
    private record Moved(How how, Part root, Vec joint, Part part, Vec held) {
        /** Away from the joint, down toward the feet, around the joint and away from the side that is worked, or in a circle. */
        private enum How {
            OUT,
            DOWN,
            SWINGS,
            CIRCLES
        }

        private static final Moved SHOULDER_AWAY =
                new Moved(How.DOWN, Part.NECK, Pose.SHOULDER, Part.UPPER_ARM, new Vec(112, 822, 0));

        static @Nullable Moved of(Step step) {
            var stroke = step.technique().stroke();
            boolean moves = switch (stroke) {
                case STRETCH, RANGE_OF_MOTION, TRACTION, CONTRACT_RELAX -> true;
                default -> false;
            };
            if (!moves) return null;
            boolean pulled = stroke == Stroke.TRACTION;
            // A ball joint, an ankle and a wrist go round; a hinge goes there and back.
            var around = pulled ? How.OUT : stroke == Stroke.RANGE_OF_MOTION ? How.CIRCLES : How.SWINGS;
            var hinge = pulled ? How.OUT : How.SWINGS;
            var zone = step.zones().get(0);
            // The head lies in one hand, the other moves the shoulder away from it.
            if (zone.region() == Region.NECK
                    && step.details().otherHand() == OtherHand.CRADLES_THE_HEAD
                    && stroke == Stroke.STRETCH) return SHOULDER_AWAY;
            return switch (zone.region()) {
                // The mouth opens toward the feet.
                case JAW -> new Moved(How.DOWN, Part.HEAD, new Vec(0, 910, 0), Part.HEAD, new Vec(0, 872, 56));
                case HEAD_FACE, NECK ->
                    new Moved(hinge, Part.NECK, new Vec(0, 842, -10), Part.HEAD, new Vec(0, 940, -20));
                case CHEST, SHOULDER, UPPER_ARM ->
                    zone == Zone.TOP_OF_SHOULDER && stroke != Stroke.RANGE_OF_MOTION
                            ? SHOULDER_AWAY
                            : new Moved(around, Part.UPPER_ARM, Pose.SHOULDER, Part.FOREARM, new Vec(151, 600, 0));
                // Bent back it gets longer, and that is toward the one who looks.
                case FOREARM_HAND ->
                    new Moved(
                            stroke == Stroke.RANGE_OF_MOTION ? How.CIRCLES : How.OUT,
                            Part.FOREARM,
                            new Vec(152, 500, 0),
                            Part.HAND,
                            new Vec(155, 430, 0));
                case HIP -> new Moved(around, Part.THIGH, Pose.HIP, Part.SHANK, new Vec(46, 270, 0));
                case THIGH -> new Moved(hinge, Part.THIGH, Pose.HIP, Part.SHANK, new Vec(46, 80, 0));
                case KNEE, LOWER_LEG -> new Moved(hinge, Part.SHANK, Pose.KNEE, Part.SHANK, new Vec(46, 70, 0));
                case FOOT -> new Moved(around, Part.SHANK, Pose.ANKLE, Part.FOOT, new Vec(48, 12, 70));
                case ABDOMEN, LOW_BACK, WHOLE_BODY -> null;
            };
        }

        List<Point> way(Side side, Figure figure) {
            var centre = figure.at(root, side, joint);
            var end = figure.at(part, side, held);
            var out = end.minus(centre);
            return switch (how) {
                case OUT -> List.of(end, end.plus(out.unit().times(DRAWN)));
                case DOWN -> List.of(end, end.plus(new Point(0, OPENED)));
                case SWINGS -> {
                    double turn = away(side, end, figure) * SWING;
                    var all = new ArrayList<Point>();
                    for (int i = 0; i <= 6; i++) all.add(centre.plus(out.turned(turn * i / 6)));
                    yield all;
                }
                case CIRCLES -> {
                    var all = new ArrayList<Point>();
                    var middle = end.plus(out.unit().times(CIRCLED));
                    for (int i = 0; i <= 12; i++)
                        all.add(middle.plus(out.unit().times(-CIRCLED).turned(Math.PI * i / 6)));
                    yield all;
                }
            };
        }

        /** A limb swings away from the other side of the body, a head away from the side that is lengthened: 1 is clockwise. */
        private double away(Side side, Point end, Figure figure) {
            if (part != Part.HEAD) return end.x() >= 0 ? -1 : 1;
            return figure.at(Part.UPPER_ARM, side, Pose.SHOULDER).x() >= 0 ? -1 : 1;
        }
    }

    /** Beside the spine and not on it: a landmark of the midline says how high it is, what is worked says how far out. */
    private static Point place(
            Landmark landmark, @Nullable Landmark other, Side side, Figure figure, List<Point> usual, boolean paired) {
        var at = figure.at(landmark, side);
        if (landmark.paired() || !paired) return at;
        // To the midline itself, from something beside it.
        if (other != null && other.paired()) return figure.beside(landmark, side);
        var nearest = usual.stream()
                .min(Comparator.comparingDouble(p -> Math.abs(p.y() - at.y())))
                .orElse(at);
        return new Point(nearest.x(), at.y());
    }

    /** Which end of a line is further from a point. */
    private static Point far(List<Point> line, Point from) {
        var a = line.get(0);
        var b = line.get(line.size() - 1);
        return a.minus(from).length() > b.minus(from).length() ? a : b;
    }

    private static List<Point> along(Step step, Side side, Figure figure) {
        var structures = step.details().structures();
        var line = structures.isEmpty()
                ? zones(step.zones(), side, figure)
                : middle(structures, side, figure, step.zones(), Travel.stops(step) ? HELD_NEAR : NEAR);
        if (broad(step)) line = longer(line);
        if (turned(step, line, figure)) {
            line = new ArrayList<>(line);
            Collections.reverse(line);
        }
        return line;
    }

    /** So long at least is a stroke with a palm, millimetres: over what is shorter it comes from before and goes on behind. */
    private static final double PALM = 110;

    private static boolean broad(Step step) {
        return step.technique().stroke() == Stroke.EFFLEURAGE && step.tool() == Tool.PALM;
    }

    private static List<Point> longer(List<Point> line) {
        double lacks = PALM - length(line);
        if (lacks <= 0) return line;
        var begin = line.get(0);
        var end = line.get(line.size() - 1);
        var more = end.minus(begin).unit().times(lacks / 2);
        var all = new ArrayList<>(line);
        all.set(0, begin.minus(more));
        all.set(all.size() - 1, end.plus(more));
        return even(all);
    }

    /** Between the structures of a group, such as the hamstrings. */
    private static List<Point> middle(List<Structure> all, Side side, Figure figure, List<Zone> zones, double near) {
        // What is named for a zone is worked there: the trapezius of the neck for who lies on the back.
        var seen = all.stream()
                .filter(s -> s.zones().stream().anyMatch(zones::contains))
                .toList();
        var lines = (seen.isEmpty() ? all : seen)
                .stream().map(s -> even(new Course(s, side, figure).line())).toList();
        var line = new ArrayList<Point>();
        for (int i = 0; i < POINTS; i++) {
            var sum = new Point(0, 0);
            for (var l : lines) sum = sum.plus(l.get(i));
            line.add(sum.times(1.0 / lines.size()));
        }
        return within(inside(line), side, figure, zones, near);
    }

    /** So far beyond a zone a stroke along a muscle still is in it, and what is held or pressed, millimetres. */
    private static final double NEAR = 45;

    private static final double HELD_NEAR = 10;

    /** A long muscle is worked where the plan says: the erectors of the low back, and not up to the neck. */
    private static List<Point> within(List<Point> line, Side side, Figure figure, List<Zone> zones, double near) {
        var edges = zones.stream()
                .map(z -> ZoneArea.of(z).edge(figure, z.paired() ? side : Side.RIGHT))
                .toList();
        int n = 4 * (POINTS - 1);
        int first = -1;
        int last = -1;
        for (int i = 0; i <= n; i++) {
            var p = at(line, (double) i / n);
            if (edges.stream().noneMatch(e -> near(p, e, near))) continue;
            if (first < 0) first = i;
            last = i;
        }
        if (last - first < n / 6) return line;
        var part = new ArrayList<Point>();
        for (int i = first; i <= last; i++) part.add(at(line, (double) i / n));
        return even(part);
    }

    private static boolean near(Point p, List<Point> edge, double near) {
        boolean in = false;
        for (int i = 0, j = edge.size() - 1; i < edge.size(); j = i++) {
            var a = edge.get(i);
            var b = edge.get(j);
            var along = b.minus(a);
            double part = along.length() == 0 ? 0 : p.minus(a).dot(along) / along.dot(along);
            if (p.minus(a.toward(b, Math.max(0, Math.min(1, part)))).length() < near) return true;
            if ((a.y() > p.y()) != (b.y() > p.y())
                    && p.x() < (b.x() - a.x()) * (p.y() - a.y()) / (b.y() - a.y()) + a.x()) in = !in;
        }
        return in;
    }

    /** Off the very ends: there it is bone. */
    private static List<Point> inside(List<Point> line) {
        return even(line.subList(1, line.size() - 1));
    }

    /** From the lower end of the lowest to the upper end of the highest. */
    private static List<Point> zones(List<Zone> zones, Side side, Figure figure) {
        var rows = new ArrayList<List<Point>>();
        for (var zone : zones) {
            var area = ZoneArea.of(zone).seen(figure, side);
            var half = new ArrayList<Point>();
            boolean wide = area.wide(figure, side);
            for (int i = 0; i <= 4; i++) {
                double part = .08 + .84 * i / 4;
                half.add(wide ? area.at(figure, side, .5, part) : area.at(figure, side, 1 - part, .5));
            }
            rows.add(half);
        }
        if (rows.size() == 1) return even(rows.get(0));
        // Through the middle of each, from the lowest to the highest; the first and the last to their ends.
        rows.sort(Comparator.comparingDouble((List<Point> r) -> -r.get(2).y()));
        var all = new ArrayList<Point>();
        var first = rows.get(0);
        var last = rows.get(rows.size() - 1);
        all.add(far(first, last.get(2)));
        boolean outward = outward(last);
        for (var row : rows) if (row != last || !outward) all.add(row.get(2));
        all.add(outward ? outer(last) : far(last, first.get(2)));
        return even(Course.smooth(all));
    }

    /** Whether what is worked last lies across, as the top of the shoulder does: then the hand goes on round it, away from the spine. */
    private static boolean outward(List<Point> row) {
        var along = row.get(row.size() - 1).minus(row.get(0));
        return Math.abs(along.x()) > Math.abs(along.y());
    }

    private static Point outer(List<Point> row) {
        var a = row.get(0);
        var b = row.get(row.size() - 1);
        return Math.abs(a.x()) > Math.abs(b.x()) ? a : b;
    }

    /** Whether the line runs the other way than the stroke. */
    private static boolean turned(Step step, List<Point> line, Figure figure) {
        var a = line.get(0);
        var b = line.get(line.size() - 1);
        var region = step.zones().get(0).region();
        var way = step.direction();
        if (way == Direction.MEDIAL || way == Direction.LATERAL) {
            boolean outward = Math.abs(b.x()) > Math.abs(a.x());
            return outward == (way == Direction.MEDIAL);
        }
        if (way == Direction.CRANIAL || way == Direction.CAUDAL) {
            boolean up = b.y() < a.y();
            return up == (way == Direction.CAUDAL);
        }
        // The trunk is where the hip is, or for an arm the shoulder.
        var root = figure.at(
                Part.TRUNK,
                Side.RIGHT,
                region.ofLeg() ? new Vec(0, 540, 0) : region.ofArm() ? new Vec(110, 810, 0) : new Vec(0, 1000, 0));
        boolean nearer = b.minus(root).length() < a.minus(root).length();
        return nearer == (way == Direction.DISTAL);
    }

    /** The same line in equal pieces. */
    static List<Point> even(List<Point> line) {
        double whole = length(line);
        var all = new ArrayList<Point>();
        all.add(line.get(0));
        double gone = 0;
        int at = 1;
        for (int i = 1; i < POINTS - 1; i++) {
            double wanted = whole * i / (POINTS - 1);
            while (at < line.size() - 1 && gone + gap(line, at) < wanted) gone += gap(line, at++);
            double gap = gap(line, at);
            all.add(line.get(at - 1).toward(line.get(at), gap == 0 ? 0 : Math.min(1, (wanted - gone) / gap)));
        }
        all.add(line.get(line.size() - 1));
        return all;
    }

    private static double gap(List<Point> line, int at) {
        return line.get(at).minus(line.get(at - 1)).length();
    }

    static double length(List<Point> line) {
        double sum = 0;
        for (int i = 1; i < line.size(); i++) sum += gap(line, i);
        return sum;
    }

    /** A place along a line in equal pieces, from 0 to 1. */
    static Point at(List<Point> line, double part) {
        double place = Math.max(0, Math.min(1, part)) * (line.size() - 1);
        int i = Math.min(line.size() - 2, (int) place);
        return line.get(i).toward(line.get(i + 1), place - i);
    }
}
