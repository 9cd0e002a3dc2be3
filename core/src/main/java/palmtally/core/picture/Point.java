package palmtally.core.picture;

import org.hipparchus.util.FastMath;

/**
 * A place in a picture, in millimetres of the client as they lie, seen from above with the head at the top.
 *
 * @param x to the right
 * @param y down
 */
public record Point(double x, double y) {
    Point plus(Point o) {
        return new Point(x + o.x, y + o.y);
    }

    Point minus(Point o) {
        return new Point(x - o.x, y - o.y);
    }

    Point times(double k) {
        return new Point(x * k, y * k);
    }

    double length() {
        return FastMath.hypot(x, y);
    }

    Point unit() {
        double l = length();
        return l < 1e-9 ? new Point(0, -1) : times(1 / l);
    }

    /** A quarter turn clockwise, as it is seen. */
    Point across() {
        return new Point(-y, x);
    }

    Point toward(Point o, double part) {
        return plus(o.minus(this).times(part));
    }

    double dot(Point o) {
        return x * o.x + y * o.y;
    }

    /** Turned by an angle in radians, clockwise as it is seen. */
    Point turned(double angle) {
        double c = FastMath.cos(angle);
        double s = FastMath.sin(angle);
        return new Point(x * c - y * s, x * s + y * c);
    }
}
