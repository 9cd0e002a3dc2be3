package palmtally.core.picture;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.hipparchus.util.FastMath;
import palmtally.core.Sums;
import palmtally.core.body.Side;
import palmtally.core.body.Structure;

/**
 * How a structure runs in the picture: a smooth line through its landmarks, and a spindle of its breadth around it, with a few fibres.
 */
final class Course {
    private static final int PIECES = 8;

    /** Where along it a muscle is broadest, 0 to 1; by eye. */
    private static final double BELLY = .45;

    private final List<Point> line;
    private final Structure structure;
    private final double breadth;
    private final double facing;

    Course(Structure structure, Side side, Figure figure) {
        this.structure = structure;
        breadth = structure.breadth() * figure.millimetres();
        line = smooth(
                structure.course().stream().map(l -> figure.beside(l, side)).toList());
        facing = Sums.mean(structure.course().stream().mapToDouble(l -> figure.facing(l, side)))
                .orElse(0);
    }

    /** Points along a smooth line through others. */
    static List<Point> smooth(List<Point> through) {
        var all = new ArrayList<Point>();
        for (int i = 0; i + 1 < through.size(); i++) {
            var a = through.get(i);
            var b = through.get(i + 1);
            var before = i > 0 ? through.get(i - 1) : a;
            var after = i + 2 < through.size() ? through.get(i + 2) : b;
            for (int j = 0; j < PIECES; j++) all.add(between(before, a, b, after, (double) j / PIECES));
        }
        all.add(through.get(through.size() - 1));
        return all;
    }

    private static Point between(Point before, Point a, Point b, Point after, double t) {
        double t2 = t * t;
        double t3 = t2 * t;
        return before.times((-t3 + 2 * t2 - t) / 2)
                .plus(a.times((3 * t3 - 5 * t2 + 2) / 2))
                .plus(b.times((-3 * t3 + 4 * t2 + t) / 2))
                .plus(after.times((t3 - t2) / 2));
    }

    /** From origin to insertion. */
    List<Point> line() {
        return line;
    }

    /** Whether it lies on this side of the body, as it is seen. */
    boolean seen() {
        return facing > -.1;
    }

    /** Its shape. */
    String shape() {
        var one = beside(1);
        var other = new ArrayList<>(beside(-1));
        Collections.reverse(other);
        one.addAll(other);
        return Path.smooth(one, true);
    }

    /** Lines along the fibre, between origin and insertion. */
    String fibres() {
        var path = new Path();
        for (double part : new double[] {-.62, -.22, .22, .62}) path.add(thinned(beside(part)), false);
        return path.toString();
    }

    private static List<Point> thinned(List<Point> all) {
        var some = new ArrayList<Point>();
        for (int i = 1; i + 1 < all.size(); i += 2) some.add(all.get(i));
        return some;
    }

    private List<Point> beside(double part) {
        var all = new ArrayList<Point>();
        int n = line.size() - 1;
        for (int i = 0; i <= n; i += i < n && n > 12 ? Math.min(2, n - i) : 1) {
            var way = line.get(Math.min(n, i + 1))
                    .minus(line.get(Math.max(0, i - 1)))
                    .unit();
            all.add(line.get(i).plus(way.across().times(part * half((double) i / n))));
        }
        return all;
    }

    private double half(double along) {
        return switch (structure.kind()) {
            case MUSCLE -> {
                double warped = along * (1 - BELLY) / (along * (1 - 2 * BELLY) + BELLY);
                double full = Math.sqrt(Math.max(0, FastMath.sin(Math.PI * warped)));
                yield breadth * Math.max(.14, full * Math.sqrt(full));
            }
            case TENDON, FASCIA, LIGAMENT, JOINT -> breadth * (.8 + .2 * Math.abs(2 * along - 1));
        };
    }
}
