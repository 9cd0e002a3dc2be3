package palmtally.core.picture;

import org.hipparchus.util.FastMath;

/** A rotation, by where it takes the three axes. */
record Turn(Vec right, Vec up, Vec front) {
    static final Turn NONE = new Turn(new Vec(1, 0, 0), new Vec(0, 1, 0), new Vec(0, 0, 1));

    Vec of(Vec v) {
        return right.times(v.out()).plus(up.times(v.up())).plus(front.times(v.front()));
    }

    /** The least one that takes a direction to another. */
    static Turn between(Vec from, Vec to) {
        var a = from.unit();
        var b = to.unit();
        double cos = a.dot(b);
        var axis = a.cross(b);
        if (axis.length() < 1e-9) return cos > 0 ? NONE : around(new Vec(0, 0, 1), Math.PI);
        return around(axis.unit(), FastMath.atan2(axis.length(), cos));
    }

    /** Around an axis of length 1, by an angle in radians. */
    static Turn around(Vec axis, double angle) {
        return new Turn(
                turned(new Vec(1, 0, 0), axis, angle),
                turned(new Vec(0, 1, 0), axis, angle),
                turned(new Vec(0, 0, 1), axis, angle));
    }

    private static Vec turned(Vec v, Vec axis, double angle) {
        double cos = FastMath.cos(angle);
        return v.times(cos).plus(axis.cross(v).times(FastMath.sin(angle))).plus(axis.times(axis.dot(v) * (1 - cos)));
    }

    /** First this one, then another. */
    Turn then(Turn next) {
        return new Turn(next.of(right), next.of(up), next.of(front));
    }
}
