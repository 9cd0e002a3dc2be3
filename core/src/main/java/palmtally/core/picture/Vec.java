package palmtally.core.picture;

import palmtally.core.body.Landmark;

/**
 * A place or a direction of a standing body, in thousandths of the stature.
 *
 * @param out to the client's right
 * @param up from the floor
 * @param front before the axis of the body
 */
record Vec(double out, double up, double front) {
    static Vec of(Landmark.Place p) {
        return new Vec(p.out(), p.up(), p.front());
    }

    Vec plus(Vec o) {
        return new Vec(out + o.out, up + o.up, front + o.front);
    }

    Vec minus(Vec o) {
        return new Vec(out - o.out, up - o.up, front - o.front);
    }

    Vec times(double k) {
        return new Vec(out * k, up * k, front * k);
    }

    double dot(Vec o) {
        return out * o.out + up * o.up + front * o.front;
    }

    double length() {
        return Math.sqrt(dot(this));
    }

    Vec unit() {
        double l = length();
        return l == 0 ? this : times(1 / l);
    }

    Vec cross(Vec o) {
        return new Vec(up * o.front - front * o.up, front * o.out - out * o.front, out * o.up - up * o.out);
    }

    /** Part of the way to another. */
    Vec toward(Vec o, double part) {
        return plus(o.minus(this).times(part));
    }

    /** On the other side of the midline. */
    Vec mirrored() {
        return new Vec(-out, up, front);
    }
}
