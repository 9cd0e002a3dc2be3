package palmtally.core.picture;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Landmark;
import palmtally.core.body.Side;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Direction;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Stroke;

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
        if (moved != null) return even(moved.way(step.technique().stroke() == Stroke.TRACTION, side, figure));
        var detail = step.details();
        var from = detail.from();
        var to = detail.to();
        var usual = along(step, side, figure);
        if (from == null && to == null) return usual;
        boolean paired = step.zones().stream().allMatch(Zone::paired);
        var begin = from == null
                ? far(usual, place(to(to), side, figure, usual, paired))
                : place(from, side, figure, usual, paired);
        var end = to == null ? far(usual, begin) : place(to, side, figure, usual, paired);
        return even(List.of(begin, end));
    }

    /** How far a limb is drawn out in the picture, millimetres, and how far it swings, radians. */
    private static final double DRAWN = 130;

    private static final double SWING = .42;

    /**
     * What is moved by a stretch, a pull or a movement of a joint, held at its far end: where nothing is laid on and drawn along, the way of
     * the limb is the way of the hand.
     */
    private record Moved(Part root, Vec joint, Part part, Vec held) {
        static @Nullable Moved of(Step step) {
            boolean moves = switch (step.technique().stroke()) {
                case STRETCH, RANGE_OF_MOTION, TRACTION, CONTRACT_RELAX -> true;
                default -> false;
            };
            if (!moves) return null;
            return switch (step.zones().get(0).region()) {
                case HEAD_FACE, JAW, NECK ->
                    new Moved(Part.NECK, new Vec(0, 842, -10), Part.HEAD, new Vec(0, 940, -20));
                case CHEST, SHOULDER, UPPER_ARM ->
                    new Moved(Part.UPPER_ARM, Pose.SHOULDER, Part.FOREARM, new Vec(152, 505, 0));
                case FOREARM_HAND -> new Moved(Part.FOREARM, new Vec(152, 500, 0), Part.HAND, new Vec(155, 430, 0));
                case HIP, THIGH -> new Moved(Part.THIGH, Pose.HIP, Part.SHANK, new Vec(46, 80, 0));
                case KNEE, LOWER_LEG -> new Moved(Part.SHANK, Pose.KNEE, Part.SHANK, new Vec(46, 70, 0));
                case FOOT -> new Moved(Part.SHANK, Pose.ANKLE, Part.FOOT, new Vec(48, 12, 70));
                case ABDOMEN, LOW_BACK, WHOLE_BODY -> null;
            };
        }

        /** Away from the joint where it is pulled, else round it. */
        List<Point> way(boolean pulled, Side side, Figure figure) {
            var centre = figure.at(root, side, joint);
            var end = figure.at(part, side, held);
            var out = end.minus(centre);
            if (pulled) return List.of(end, end.plus(out.unit().times(DRAWN)));
            // Away from the other side of the body.
            double turn = end.x() >= 0 ? -SWING : SWING;
            var all = new ArrayList<Point>();
            for (int i = 0; i <= 6; i++) all.add(centre.plus(out.turned(turn * i / 6)));
            return all;
        }
    }

    /** Beside the spine and not on it: a landmark of the midline says how high it is, what is worked says how far out. */
    private static Point place(Landmark landmark, Side side, Figure figure, List<Point> usual, boolean paired) {
        var at = figure.at(landmark, side);
        if (landmark.paired() || !paired) return at;
        var nearest = usual.stream()
                .min(Comparator.comparingDouble(p -> Math.abs(p.y() - at.y())))
                .orElse(at);
        return new Point(nearest.x(), at.y());
    }

    private static Landmark to(@Nullable Landmark to) {
        if (to == null) throw new IllegalStateException("neither from nor to");
        return to;
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
                : middle(structures, side, figure, step.zones());
        if (turned(step, line, figure)) {
            line = new ArrayList<>(line);
            Collections.reverse(line);
        }
        return line;
    }

    /** Between the structures of a group, such as the hamstrings. */
    private static List<Point> middle(List<Structure> all, Side side, Figure figure, List<Zone> zones) {
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
        return inside(line);
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
        rows.forEach(r -> all.add(r.get(2)));
        all.add(far(last, first.get(2)));
        return even(Course.smooth(all));
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
