package palmtally.core.picture;

import java.util.List;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Position;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.picture.Picture.Kind;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Stint;
import palmtally.core.technique.Dose;

/** Where a step goes on a body and from where it is reached, in numbers: what is drawn of it and what is checked. */
final class Geometry {
    /** An adult of middle height, metres (common practice, no source). */
    static final double STATURE = 1.70;

    final Step step;
    final Side side;
    final Figure figure;
    final Travel travel;
    final Therapist therapist;

    /**
     * @param client stature of the client, metres
     * @param therapist stature of the therapist, metres
     */
    Geometry(Stint stint, Build build, double client, double therapist) {
        step = stint.step();
        side = stint.side();
        boolean behind = step.zones().stream().anyMatch(z -> z.usualPosition() == Position.PRONE);
        figure = new Figure(stint.position(), behind, step.details().limb(), side, build, client);
        travel = new Travel(stint, worked(), figure);
        this.therapist = new Therapist(step, side, figure, travel.line(), therapist);
    }

    /** On an adult of middle height and build, by one of middle height. */
    static Geometry of(Stint stint) {
        return new Geometry(stint, Build.MIDDLE, STATURE, STATURE);
    }

    /** The sides that are worked, as they are seen. */
    List<Side> worked() {
        boolean paired = step.zones().stream().anyMatch(Zone::paired);
        return switch (side) {
            case LEFT -> List.of(Side.LEFT);
            case RIGHT -> List.of(Side.RIGHT);
            case BOTH -> List.of(Side.LEFT, Side.RIGHT);
            case MIDLINE -> paired ? List.of(Side.LEFT, Side.RIGHT) : List.of(Side.RIGHT);
        };
    }

    /** Along the way of one side, millimetres. */
    double length() {
        return Way.length(travel.line());
    }

    /** Of a pass, millimetres a second, or null where nothing glides. */
    @Nullable
    Double speed() {
        return travel.kind() == Kind.GLIDE ? length() / travel.motion().seconds() : null;
    }

    /** From one station to the next, millimetres, or null where there is one or none. */
    @Nullable
    Double stationGap() {
        var held = travel.stations();
        return travel.dose().kind() == Dose.Kind.HOLDS && stationsOfALine() > 1
                ? held.get(1).minus(held.get(0)).length()
                : null;
    }

    int stationsOfALine() {
        return travel.stations().size() / travel.lines().size();
    }

    /** Whether it ends nearer to the heart than it begins. */
    boolean towardHeart() {
        var line = travel.line();
        var heart = figure.at(Part.TRUNK, Side.RIGHT, new Vec(0, 760, 0));
        return line.get(line.size() - 1).minus(heart).length()
                < line.get(0).minus(heart).length();
    }

    /** From between the therapist's feet to the far end of the work, millimetres. */
    double reach() {
        return therapist.reach(travel.lines());
    }

    /** Whether that is reached without bending in the waist; a look and a question reach everywhere. */
    boolean within() {
        return travel.kind() == Kind.LOOK || reach() <= therapist.comfortable();
    }

    /** How the stroke lies to the fibre, degrees from 0 along to 90 across, or null where no structure is named. */
    @Nullable
    Double fibre() {
        var structures = step.details().structures();
        if (structures.isEmpty()) return null;
        var line = travel.line();
        var course = new Course(structures.get(0), worked().get(0), figure).line();
        var fibre = course.get(course.size() - 1).minus(course.get(0)).unit();
        var stroke = travel.kind() == Kind.ACROSS ? Travel.direction(line, .5).across() : Travel.direction(line, .5);
        return FastMath.toDegrees(FastMath.acos(Math.min(1, Math.abs(fibre.dot(stroke)))));
    }
}
