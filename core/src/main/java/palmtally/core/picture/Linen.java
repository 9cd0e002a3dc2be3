package palmtally.core.picture;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Position;
import palmtally.core.body.Side;
import palmtally.core.sequence.Timeline.OpenUnit;

/** The sheet: what of the client it covers, as one piece of linen. */
final class Linen {
    /** How far it lies beyond a limb that is not straight, millimetres. */
    private static final double LOOSE = 16;

    private static final Part[] LEG = {Part.THIGH, Part.SHANK, Part.FOOT};
    private static final Part[] ARM = {Part.UPPER_ARM, Part.FOREARM, Part.HAND};

    private final Figure figure;
    private final Set<OpenUnit> open;
    private final List<List<Point>> patches = new ArrayList<>();

    private Linen(Figure figure, Set<OpenUnit> open) {
        this.figure = figure;
        this.open = open;
    }

    /** What is covered, as one path; empty where nothing is. */
    static String over(Figure figure, Set<OpenUnit> open) {
        var linen = new Linen(figure, open);
        if (figure.position() == Position.SEATED) return "";
        if (Pose.onTheSide(figure.position())) linen.onTheSide();
        else linen.flat(figure.position() == Position.PRONE);
        return Path.union(linen.patches, true);
    }

    private boolean covered(DrapeUnit unit, Side side) {
        return open.stream()
                .noneMatch(o -> o.unit() == unit
                        && (!unit.paired() || o.side() == side || o.side() == Side.BOTH || o.side() == Side.MIDLINE));
    }

    private void flat(boolean down) {
        if (down) {
            if (covered(DrapeUnit.BACK, Side.MIDLINE))
                both(new double[][] {{0, 818}, {60, 820}, {122, 808}, {124, 700}, {122, 540}, {0, 540}});
        } else {
            if (covered(DrapeUnit.CHEST, Side.MIDLINE))
                both(new double[][] {{0, 802}, {60, 804}, {118, 796}, {122, 740}, {116, 700}, {0, 700}});
            if (covered(DrapeUnit.ABDOMEN, Side.MIDLINE))
                both(new double[][] {{0, 708}, {60, 708}, {114, 704}, {108, 640}, {118, 530}, {0, 530}});
        }
        for (var side : List.of(Side.LEFT, Side.RIGHT)) {
            // Folded below the top of the hip bone in front, at the sacrum behind.
            double top = down ? 580 : 562;
            if (covered(DrapeUnit.HIP, side))
                patch(side, new double[][] {
                    {-10, top}, {60, top + 2}, {128, top + 2}, {134, 552}, {130, 500}, {60, 484}, {-2, 452}, {-10, 520}
                });
            if (covered(DrapeUnit.LEG, side))
                if (figure.legLaid(side)) limb(LEG, side);
                else
                    patch(side, new double[][] {
                        {-10, 560},
                        {60, 560},
                        {124, 552},
                        {132, 420},
                        {124, 220},
                        {114, 40},
                        {108, -66},
                        {60, -74},
                        {-8, -72},
                        {-8, 240}
                    });
            if (covered(DrapeUnit.ARM, side))
                if (figure.armLaid(side)) limb(ARM, side);
                else
                    patch(side, new double[][] {
                        {96, 812},
                        {142, 812},
                        {172, 740},
                        {188, 600},
                        {198, 450},
                        {196, 372},
                        {150, 366},
                        {112, 420},
                        {98, 560}
                    });
        }
    }

    /** Lying on the side: back and front have a half each. */
    private void onTheSide() {
        var below = figure.position() == Position.SIDE_LEFT ? Side.LEFT : Side.RIGHT;
        if (covered(DrapeUnit.LEG, below)) limb(LEG, below);
        if (covered(DrapeUnit.BACK, Side.MIDLINE))
            lengthwise(new double[][] {{-70, 812}, {4, 808}, {4, 560}, {-62, 560}, {-58, 640}, {-72, 740}});
        if (covered(DrapeUnit.CHEST, Side.MIDLINE))
            lengthwise(new double[][] {{-4, 804}, {64, 796}, {72, 740}, {66, 698}, {-4, 698}});
        if (covered(DrapeUnit.ABDOMEN, Side.MIDLINE))
            lengthwise(new double[][] {{-4, 708}, {68, 706}, {64, 640}, {62, 540}, {-4, 540}});
        var upper = below.other();
        if (covered(DrapeUnit.HIP, upper))
            lengthwise(new double[][] {
                {-66, 606}, {0, 610}, {62, 604}, {64, 540}, {52, 480}, {-10, 462}, {-64, 476}, {-76, 530}
            });
        if (covered(DrapeUnit.LEG, upper)) limb(LEG, upper);
        if (covered(DrapeUnit.ARM, upper)) limb(ARM, upper);
    }

    /** By how far out and how high, on both sides. */
    private void both(double[][] edge) {
        var all = new ArrayList<Point>();
        for (int i = edge.length - 1; i >= 0; i--) all.add(at(Side.LEFT, edge[i]));
        for (var e : edge) all.add(at(Side.RIGHT, e));
        patches.add(rounded(all));
    }

    private void patch(Side side, double[][] edge) {
        var all = new ArrayList<Point>();
        for (var e : edge) all.add(at(side, e));
        patches.add(rounded(all));
    }

    /** By how far in front and how high. */
    private void lengthwise(double[][] edge) {
        var all = new ArrayList<Point>();
        for (var e : edge) all.add(figure.at(Part.TRUNK, Side.RIGHT, new Vec(0, e[1], e[0])));
        patches.add(all);
    }

    private Point at(Side side, double[] e) {
        return figure.at(Part.TRUNK, side, new Vec(e[0], e[1], 0));
    }

    private void limb(Part[] parts, Side side) {
        for (var part : parts) patches.add(grown(figure.outline(part, side)));
    }

    /** Linen has no sharp corners: each is cut (Chaikin's corner cutting, 1974). */
    private static List<Point> rounded(List<Point> corners) {
        var all = corners;
        for (int round = 0; round < 1; round++) {
            var next = new ArrayList<Point>();
            for (int i = 0; i < all.size(); i++) {
                var a = all.get(i);
                var b = all.get((i + 1) % all.size());
                next.add(a.toward(b, .25));
                next.add(a.toward(b, .75));
            }
            all = next;
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
