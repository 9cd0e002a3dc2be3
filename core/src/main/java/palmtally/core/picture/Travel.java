package palmtally.core.picture;

import java.util.ArrayList;
import java.util.List;
import palmtally.core.body.Side;
import palmtally.core.picture.Picture.Kind;
import palmtally.core.picture.Picture.Motion;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Stint;
import palmtally.core.sequence.detail.Comparison;
import palmtally.core.sequence.detail.OtherHand;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Stroke;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Tool;

/** How the stroke of a step goes: the way of each side that is worked, where it stops on it, and how both are drawn. */
final class Travel {
    private static final int MOST_STATIONS = 24;
    /** How far a hand rubs to each side of the fibre, rocks, and circles, millimetres; by eye. */
    private static final double RUB = 32;

    private static final double ROCK = 70;
    private static final double RING = 26;

    /** A whole palm goes round once, as wide as this. */
    private static final double PALM_RING = 75;

    private final Step step;
    private final Dose dose;
    private final Kind kind;
    private final List<List<Point>> lines = new ArrayList<>();

    Travel(Stint stint, List<Side> sides, Figure figure) {
        step = stint.step();
        // A class may see less of it, but in the same passes and holds.
        dose = stint.dose().kind() == Dose.Kind.SECONDS && step.dose().kind() != Dose.Kind.SECONDS
                ? step.dose()
                : stint.dose();
        kind = kindOf(step);
        for (var s : sides) lines.add(Way.of(step, s, figure));
    }

    private static Kind kindOf(Step step) {
        if (onlyLooks(step)) return Kind.LOOK;
        return switch (step.technique().stroke()) {
            case EFFLEURAGE, STRIPPING, FASCIA_INDIRECT, FASCIA_DIRECT, ICE_MASSAGE -> Kind.GLIDE;
            case PETRISSAGE, SKIN_ROLLING -> Kind.KNEAD;
            case COMPRESSION -> Kind.PRESS;
            case STILL_HOLD, STATIC_COMPRESSION, TRIGGER_POINT, PIN_AND_LENGTHEN, HEAT, COLD -> Kind.HOLD;
            case CIRCULAR_FRICTION -> Kind.CIRCLE;
            case CROSS_FIBRE_FRICTION -> Kind.ACROSS;
            case VIBRATION -> Kind.ROCK;
            case TAPOTEMENT -> Kind.TAP;
            case RANGE_OF_MOTION, CONTRACT_RELAX, STRETCH, TRACTION, JOINT_GLIDE, RESET -> Kind.MOVE;
        };
    }

    /** A question before or after the work, or a look at it; what is felt needs a hand. */
    private static boolean onlyLooks(Step step) {
        if (step.technique().stroke() != Stroke.STILL_HOLD) return false;
        if (step.phase() != Phase.ASSESS && step.phase() != Phase.RE_CHECK) return false;
        var detail = step.details();
        var compared = detail.compares();
        return step.effort() != Technique.Effort.RESISTED
                && detail.otherHand() == null
                && detail.structures().isEmpty()
                && (compared == null
                        || !compared.what().contains(Comparison.What.TISSUE)
                                && !compared.what().contains(Comparison.What.TENSION));
    }

    /** Whether the hands stop at places instead of going on. */
    static boolean stops(Step step) {
        return stops(kindOf(step));
    }

    private static boolean stops(Kind kind) {
        return switch (kind) {
            case PRESS, TAP, CIRCLE, HOLD -> true;
            default -> false;
        };
    }

    Kind kind() {
        return kind;
    }

    Dose dose() {
        return dose;
    }

    /** The way of each side that is worked, in equal pieces. */
    List<List<Point>> lines() {
        return lines;
    }

    /** The way of the first side. */
    List<Point> line() {
        return lines.get(0);
    }

    /** Where the hand is at the beginning, on one of the lines. */
    Point start(int line) {
        var way = lines.get(line);
        return switch (kind) {
            case GLIDE, KNEAD -> Way.at(way, .22);
            case MOVE -> way.get(0);
            case ACROSS, ROCK, LOOK -> Way.at(way, .5);
            case PRESS, HOLD, TAP, CIRCLE -> stations().get(stations().size() / lines.size() * line);
        };
    }

    List<Shape> shapes() {
        var shapes = new ArrayList<Shape>();
        for (var line : lines) {
            var all = new Path();
            switch (kind) {
                case GLIDE -> {
                    all.add(line, false);
                    shapes.add(new Shape(Role.WAY_BACK, Path.smooth(back(line), false)));
                }
                case KNEAD -> all.add(waves(line), false);
                case CIRCLE -> stations().forEach(p -> all.add(circle(p), true));
                case ACROSS, ROCK -> all.add(crossing(line), false);
                case MOVE -> all.add(line, false);
                case PRESS, HOLD, TAP, LOOK -> {}
            }
            var path = all.toString();
            if (!path.isEmpty()) shapes.add(new Shape(Role.WAY, path));
        }
        if (kind == Kind.HOLD || kind == Kind.PRESS || kind == Kind.TAP)
            stations().forEach(p -> shapes.add(new Shape(Role.STATION, Path.circle(p, 9))));
        return shapes;
    }

    /** Back through the air, beside the way. */
    private static List<Point> back(List<Point> line) {
        var begin = line.get(line.size() - 1);
        var end = line.get(0);
        var way = end.minus(begin);
        var out = way.unit().across().times(Math.min(64, way.length() * .2));
        return Course.smooth(
                List.of(begin.toward(end, .04), begin.toward(end, .5).plus(out), begin.toward(end, .96)));
    }

    private static List<Point> waves(List<Point> line) {
        var all = new ArrayList<Point>();
        int n = Math.max(4, (int) (Way.length(line) / 34));
        for (int i = 0; i <= n; i++) {
            double part = (double) i / n;
            var across = direction(line, part).across();
            all.add(Way.at(line, part).plus(across.times(i % 2 == 0 ? 22 : -22)));
        }
        return all;
    }

    private boolean wide() {
        return kind == Kind.CIRCLE && step.tool() == Tool.PALM;
    }

    /** A circle that does not run into the next one. */
    private double radius() {
        double radius = wide() ? Math.min(PALM_RING, Way.length(line()) * .4) : RING;
        var all = stations();
        for (var a : all)
            for (var b : all)
                if (a != b) radius = Math.min(radius, Math.max(9, a.minus(b).length() * .44));
        return radius;
    }

    private List<Point> circle(Point centre) {
        var all = new ArrayList<Point>();
        for (int i = 0; i < 8; i++) all.add(centre.plus(new Point(radius(), 0).turned(Math.PI * i / 4)));
        return all;
    }

    private List<Point> crossing(List<Point> line) {
        var middle = Way.at(line, .5);
        return List.of(middle.minus(aside(line)), middle, middle.plus(aside(line)));
    }

    /** How far to one side it is rubbed or rocked: across the fibre; a limb rolls across its length, the trunk across the table. */
    private Point aside(List<Point> line) {
        var across = direction(line, .5).across();
        if (kind != Kind.ROCK) return across.times(RUB);
        var region = step.zones().get(0).region();
        return (region.ofArm() || region.ofLeg() ? across : new Point(1, 0)).times(ROCK);
    }

    /** Which way a line goes at a part of it. */
    static Point direction(List<Point> line, double part) {
        return Way.at(line, Math.min(1, part + .08))
                .minus(Way.at(line, Math.max(0, part - .08)))
                .unit();
    }

    /** Where it is held or pressed, evenly along the way; of what is not counted one, or a row where it is pressed again and again. */
    List<Point> stations() {
        if (!stops(kind)) return List.of();
        int n = dose.kind() == Dose.Kind.HOLDS && dose.count() != null
                ? dose.count()
                : kind == Kind.HOLD || wide() ? 1 : kind == Kind.CIRCLE ? 3 : 6;
        n = Math.min(n, MOST_STATIONS);
        var all = new ArrayList<Point>();
        for (var line : lines)
            for (int i = 0; i < n; i++) all.add(Way.at(line, n == 1 ? place() : .06 + .88 * i / (n - 1)));
        return all;
    }

    /** Where on the way one hold is: at a landmark that is named, else in the middle. */
    private double place() {
        var detail = step.details();
        if (detail.from() != null && detail.to() == null) return 0;
        if (detail.to() != null && detail.from() == null) return 1;
        return .5;
    }

    Motion motion() {
        double seconds = dose.seconds() == null ? 1 : dose.seconds();
        if (dose.kind() == Dose.Kind.SECONDS) seconds = kind == Kind.GLIDE ? 10 : kind == Kind.HOLD ? seconds : 4;
        double rate = dose.perSecond() != null ? dose.perSecond() : kind == Kind.TAP ? 4 : kind == Kind.ROCK ? 1 : 2;
        return new Motion(
                kind,
                List.copyOf(lines),
                List.copyOf(stations()),
                kind == Kind.ACROSS || kind == Kind.ROCK ? aside(line()) : null,
                kind == Kind.CIRCLE ? radius() : null,
                seconds,
                rate,
                step.details().otherHand() == OtherHand.WORKS_OPPOSITE,
                dose.kind() == Dose.Kind.BREATHS
                        || step.details().part().stream().anyMatch(p -> p.does().breath()));
    }
}
