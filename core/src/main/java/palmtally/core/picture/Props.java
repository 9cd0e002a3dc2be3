package palmtally.core.picture;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import palmtally.core.body.Position;
import palmtally.core.body.Side;
import palmtally.core.sequence.detail.Prop;

/** What is laid under and beside the client, where it lies: sizes are common practice, no source. */
final class Props {
    private Props() {}

    static List<Shape> of(Set<Prop> props, Figure figure, Side worked) {
        var all = new ArrayList<Shape>();
        boolean onSide = Pose.onTheSide(figure.position());
        var upper = figure.position() == Position.SIDE_LEFT ? Side.RIGHT : Side.LEFT;
        for (var prop : props)
            switch (prop) {
                case BOLSTER_UNDER_ANKLES -> across(all, figure, 78, 230, 62);
                case BOLSTER_UNDER_KNEES -> across(all, figure, 286, 250, 75);
                case PILLOW_UNDER_HEAD -> pillow(all, figure.at(Part.HEAD, Side.RIGHT, new Vec(0, 935, 0)), 190, 130);
                case FACE_REST ->
                    all.add(new Shape(
                            Role.PROP, Path.circle(figure.at(Part.HEAD, Side.RIGHT, new Vec(0, 935, 0)), 165)));
                case PILLOW_BETWEEN_KNEES -> pillow(all, figure.at(Part.SHANK, upper, new Vec(46, 230, 0)), 130, 190);
                case PILLOW_HUGGED -> pillow(all, figure.at(Part.TRUNK, upper, new Vec(0, 720, 150)), 120, 190);
                case PILLOW_UNDER_ARM ->
                    pillow(all, figure.at(Part.FOREARM, onSide ? upper : worked, new Vec(145, 560, 0)), 110, 150);
                case PILLOW_UNDER_BELLY, WEDGE ->
                    pillow(all, figure.at(Part.TRUNK, upper, new Vec(0, 610, onSide ? 90 : 0)), onSide ? 90 : 210, 120);
                case ROLLED_TOWEL -> across(all, figure, 60, 110, 40);
                default -> {}
            }
        return all;
    }

    private static void across(List<Shape> all, Figure figure, double up, double half, double thick) {
        var centre = figure.at(Part.TRUNK, Side.RIGHT, new Vec(0, up, 0));
        pillow(all, centre, half, thick);
    }

    private static void pillow(List<Shape> all, Point centre, double half, double tall) {
        double c = Math.min(half, tall) * .55;
        var edge = List.of(
                new Point(-half + c, -tall),
                new Point(half - c, -tall),
                new Point(half, -tall + c),
                new Point(half, tall - c),
                new Point(half - c, tall),
                new Point(-half + c, tall),
                new Point(-half, tall - c),
                new Point(-half, -tall + c));
        all.add(new Shape(Role.PROP, Path.smooth(edge.stream().map(centre::plus).toList(), true)));
    }
}
