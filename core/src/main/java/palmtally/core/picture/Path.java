package palmtally.core.picture;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.hipparchus.util.FastMath;

/** Path data as SVG has it (SVG 2, chapter 9: Paths), to half a millimetre. */
final class Path {
    private final StringBuilder data = new StringBuilder();

    /** A smooth line through points (Catmull and Rom's spline as cubic curves), open or closed. */
    static String smooth(List<Point> through, boolean closed) {
        return new Path().add(through, closed).toString();
    }

    /** Straight from point to point. */
    static String straight(List<Point> through, boolean closed) {
        var path = new Path();
        for (int i = 0; i < through.size(); i++) path.op(i == 0 ? 'M' : 'L').at(through.get(i));
        if (closed) path.data.append('Z');
        return path.toString();
    }

    /** Straight from point to point, around once or more, in whole millimetres: for what is drawn small. */
    static String coarse(List<List<Point>> outlines) {
        var path = new StringBuilder();
        for (var outline : outlines) {
            long x = Long.MIN_VALUE;
            long y = Long.MIN_VALUE;
            char op = 'M';
            for (var p : sameWay(outline)) {
                if (Math.abs(FastMath.round(p.x()) - x) + Math.abs(FastMath.round(p.y()) - y) < NEAR && op == 'L')
                    continue;
                x = FastMath.round(p.x());
                y = FastMath.round(p.y());
                path.append(op).append(x).append(',').append(y);
                op = 'L';
            }
            path.append('Z');
        }
        return path.toString();
    }

    /** Points nearer than this are one, drawn small: millimetres. */
    private static final int NEAR = 9;

    private static List<Point> sameWay(List<Point> outline) {
        if (area(outline) >= 0) return outline;
        var turned = new ArrayList<>(outline);
        Collections.reverse(turned);
        return turned;
    }

    /** Several outlines as one: all run the same way round, so that where they overlap nothing is cut out. */
    static String union(List<List<Point>> outlines, boolean smooth) {
        var path = new Path();
        for (var outline : outlines) {
            var same = sameWay(outline);
            if (smooth) path.add(same, true);
            else path.data.append(straight(same, true));
        }
        return path.toString();
    }

    private static double area(List<Point> outline) {
        double sum = 0;
        for (int i = 0; i < outline.size(); i++) {
            var a = outline.get(i);
            var b = outline.get((i + 1) % outline.size());
            sum += a.x() * b.y() - b.x() * a.y();
        }
        return sum;
    }

    static String circle(Point centre, double radius) {
        var all = new ArrayList<Point>();
        for (int i = 0; i < 8; i++) all.add(centre.plus(new Point(radius, 0).turned(Math.PI * i / 4)));
        return smooth(all, true);
    }

    Path add(List<Point> through, boolean closed) {
        int n = through.size();
        if (n == 0) return this;
        op('M').at(through.get(0));
        for (int i = 0; i < (closed ? n : n - 1); i++) {
            var a = through.get(i);
            var b = through.get((i + 1) % n);
            var before = closed || i > 0 ? through.get((i - 1 + n) % n) : a;
            var after = closed || i + 2 < n ? through.get((i + 2) % n) : b;
            op('C').at(a.plus(b.minus(before).times(1.0 / 6)));
            op(' ').at(b.minus(after.minus(a).times(1.0 / 6)));
            op(' ').at(b);
        }
        if (closed) data.append('Z');
        return this;
    }

    private Path op(char letter) {
        data.append(letter);
        return this;
    }

    private void at(Point p) {
        number(p.x());
        data.append(',');
        number(p.y());
    }

    /** Without a locale, and without a zero that says nothing. */
    private void number(double value) {
        long halves = FastMath.round(value * 2);
        if (halves < 0) {
            data.append('-');
            halves = -halves;
        }
        data.append(halves / 2);
        if (halves % 2 != 0) data.append(".5");
    }

    @Override
    public String toString() {
        return data.toString();
    }
}
