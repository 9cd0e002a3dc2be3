package palmtally.core.picture;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Position;
import palmtally.core.body.Side;
import palmtally.core.sequence.Timeline.OpenUnit;

/**
 * The sheet: what of the client it covers, as one piece of linen. A table of edges, each by how far out and how high, on the right side;
 * folded below the top of the hip bone in front and at the sacrum behind. Placed by eye.
 */
final class Linen {
    /** How far it lies beyond a limb that is not straight, millimetres. */
    private static final double LOOSE = 16;

    private static final Part[] LEG = {Part.THIGH, Part.SHANK, Part.FOOT};
    private static final Part[] ARM = {Part.UPPER_ARM, Part.FOREARM, Part.HAND};

    private static final String LEG_EDGE =
            "-10,560 60,560 124,552 132,420 124,220 114,40 108,-92 60,-100 -8,-98 -8,240";
    private static final String ARM_EDGE = "96,812 142,812 172,740 188,600 198,450 196,372 150,366 112,420 98,560";

    private static final Map<DrapeUnit, String> BEHIND = edges(Map.of(
            DrapeUnit.BACK,
            "0,818 60,820 122,808 124,700 122,540 0,540",
            DrapeUnit.HIP,
            "-10,580 60,582 128,582 134,552 130,500 60,484 -2,452 -10,520",
            DrapeUnit.LEG,
            LEG_EDGE,
            DrapeUnit.ARM,
            ARM_EDGE));

    private static final Map<DrapeUnit, String> IN_FRONT = edges(Map.of(
            DrapeUnit.CHEST, "0,802 60,804 118,796 122,740 116,700 0,700",
            DrapeUnit.ABDOMEN, "0,708 60,708 114,704 108,640 118,530 0,530",
            DrapeUnit.HIP, "-10,562 60,564 128,564 134,552 130,500 60,484 -2,452 -10,520",
            DrapeUnit.LEG, LEG_EDGE,
            DrapeUnit.ARM, ARM_EDGE));

    /** Lying on the side, by how far in front: back and front have a half each. */
    private static final Map<DrapeUnit, String> ON_THE_SIDE = edges(Map.of(
            DrapeUnit.BACK, "-70,812 4,808 4,560 -62,560 -58,640 -72,740",
            DrapeUnit.CHEST, "-4,804 64,796 72,740 66,698 -4,698",
            DrapeUnit.ABDOMEN, "-4,708 68,706 64,640 62,540 -4,540",
            DrapeUnit.HIP, "-66,606 0,610 62,604 64,540 52,480 -10,462 -64,476 -76,530"));

    private static Map<DrapeUnit, String> edges(Map<DrapeUnit, String> all) {
        return new EnumMap<>(all);
    }

    /** What lies over one thing that the sheet opens as one. */
    record Piece(DrapeUnit unit, Side side, List<Point> edge) {}

    private final Figure figure;
    private final List<Piece> pieces = new ArrayList<>();

    private Linen(Figure figure) {
        this.figure = figure;
    }

    /** What is covered, as one path; empty where nothing is. */
    static String over(Figure figure, Set<OpenUnit> open) {
        return Path.union(
                pieces(figure).stream()
                        .filter(p -> open.stream().noneMatch(o -> opens(o, p)))
                        .map(Piece::edge)
                        .toList(),
                true);
    }

    private static boolean opens(OpenUnit open, Piece piece) {
        return open.unit() == piece.unit
                && (!piece.unit.paired()
                        || open.side() == piece.side
                        || open.side() == Side.BOTH
                        || open.side() == Side.MIDLINE);
    }

    /** The whole sheet, piece by piece; together they are one. */
    static List<Piece> pieces(Figure figure) {
        var linen = new Linen(figure);
        if (figure.position() == Position.SEATED) return List.of();
        if (Pose.onTheSide(figure.position())) linen.onTheSide();
        else linen.flat(figure.position() == Position.PRONE ? BEHIND : IN_FRONT);
        return linen.pieces;
    }

    private void flat(Map<DrapeUnit, String> edges) {
        edges.forEach((unit, edge) -> {
            if (!unit.paired()) {
                var all = out(edge, Side.RIGHT);
                var left = out(edge, Side.LEFT);
                Collections.reverse(left);
                all.addAll(left);
                pieces.add(new Piece(unit, Side.MIDLINE, cut(all)));
            } else
                for (var side : List.of(Side.LEFT, Side.RIGHT)) {
                    if (unit == DrapeUnit.LEG && figure.legLaid(side)) limb(unit, LEG, side);
                    else if (unit == DrapeUnit.ARM && figure.armLaid(side)) limb(unit, ARM, side);
                    else pieces.add(new Piece(unit, side, cut(out(edge, side))));
                }
        });
    }

    private void onTheSide() {
        var below = figure.position() == Position.SIDE_LEFT ? Side.LEFT : Side.RIGHT;
        limb(DrapeUnit.LEG, LEG, below);
        ON_THE_SIDE.forEach((unit, edge) -> pieces.add(new Piece(
                unit,
                unit.paired() ? below.other() : Side.MIDLINE,
                numbers(edge).stream()
                        .map(e -> figure.at(Part.TRUNK, Side.RIGHT, new Vec(0, e[1], e[0])))
                        .toList())));
        limb(DrapeUnit.LEG, LEG, below.other());
        limb(DrapeUnit.ARM, ARM, below.other());
    }

    private static List<double[]> numbers(String edge) {
        var all = new ArrayList<double[]>();
        for (var pair : edge.split(" ")) {
            var two = pair.split(",");
            all.add(new double[] {Double.parseDouble(two[0]), Double.parseDouble(two[1])});
        }
        return all;
    }

    private List<Point> out(String edge, Side side) {
        var all = new ArrayList<Point>();
        for (var e : numbers(edge)) all.add(figure.at(Part.TRUNK, side, new Vec(e[0], e[1], 0)));
        return all;
    }

    private void limb(DrapeUnit unit, Part[] parts, Side side) {
        for (var part : parts) pieces.add(new Piece(unit, side, grown(figure.outline(part, side))));
    }

    /** Linen has no sharp corners: each is cut off (Chaikin's corner cutting, 1974). */
    private static List<Point> cut(List<Point> corners) {
        var all = new ArrayList<Point>();
        for (int i = 0; i < corners.size(); i++) {
            var a = corners.get(i);
            var b = corners.get((i + 1) % corners.size());
            all.add(a.toward(b, .25));
            all.add(a.toward(b, .75));
        }
        return all;
    }

    private static List<Point> grown(List<Point> edge) {
        var centre = new Point(0, 0);
        for (var p : edge) centre = centre.plus(p.times(1.0 / edge.size()));
        var all = new ArrayList<Point>();
        int n = edge.size();
        for (int i = 0; i < n; i++) {
            var way = edge.get((i + 1) % n)
                    .minus(edge.get((i + n - 1) % n))
                    .unit()
                    .across();
            var p = edge.get(i);
            double out = way.dot(p.minus(centre)) >= 0 ? 1 : -1;
            all.add(p.plus(way.times(out * LOOSE)));
        }
        return all;
    }
}
