package palmtally.core.picture;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Position;
import palmtally.core.body.Region;
import palmtally.core.body.Side;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;
import palmtally.core.picture.Picture.Box;
import palmtally.core.picture.Picture.Facts;
import palmtally.core.picture.Picture.Hand;
import palmtally.core.picture.Picture.Kind;
import palmtally.core.picture.Picture.Motion;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Timeline.OpenUnit;
import palmtally.core.sequence.Timeline.Span;
import palmtally.core.sequence.detail.OtherHand;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Tool;

/** A step as a picture, computed: what is worked, where the hand goes, how the sheet lies, where the therapist stands. */
public final class StepPicture {
    /** An adult of middle height, metres (common practice, no source). */
    public static final double STATURE = 1.70;

    private static final double LEAST_BOX = 470;
    private static final double MARGIN = 70;

    private final Step step;
    private final Side side;
    private final Dose dose;
    private final Set<OpenUnit> open;
    private final Figure figure;
    private final List<Shape> shapes = new ArrayList<>();
    private final List<List<Point>> lines = new ArrayList<>();
    private final Therapist therapist;
    private Box box = new Box(0, 0, 0, 0);

    private StepPicture(Span span, Build build, double client, double therapist) {
        var stint = span.stint();
        step = stint.step();
        side = stint.side();
        // A class may see less of it, but in the same passes and holds.
        dose = stint.dose().kind() == Dose.Kind.SECONDS && step.dose().kind() != Dose.Kind.SECONDS
                ? step.dose()
                : stint.dose();
        open = span.open();
        boolean behind = step.zones().stream().anyMatch(z -> z.usualPosition() == Position.PRONE);
        figure = new Figure(stint.position(), behind, step.details().limb(), side, build, client);
        for (var s : worked()) lines.add(Way.of(step, s, figure));
        this.therapist = new Therapist(step, side, figure, lines.get(0), therapist);
    }

    /**
     * @param span the step on one side, with what the sheet has open while it is given
     * @param client stature of the client, metres
     * @param therapist stature of the therapist, metres
     */
    public static Picture of(Span span, Build build, double client, double therapist) {
        return new StepPicture(span, build, client, therapist).picture();
    }

    /** Of an adult of middle height and build, by one of middle height. */
    public static Picture of(Span span) {
        return of(span, Build.MIDDLE, STATURE, STATURE);
    }

    private Picture picture() {
        var hands = hands();
        box = box(hands);
        shapes.addAll(Props.of(step.details().props(), figure, worked().get(0)));
        body();
        inside();
        spared();
        boolean through = step.sheet() != Sheet.OPEN
                && step.zones().stream().anyMatch(z -> z.unit().draped());
        if (!through) work();
        linen();
        if (through) work();
        way();
        return new Picture(
                box, List.copyOf(shapes), hands, motion(), table(), new Box(-690, -530, 1380, 2690), facts());
    }

    /** The sides that are worked, as they are seen. */
    private List<Side> worked() {
        boolean paired = step.zones().stream().anyMatch(Zone::paired);
        return switch (side) {
            case LEFT -> List.of(Side.LEFT);
            case RIGHT -> List.of(Side.RIGHT);
            case BOTH -> List.of(Side.LEFT, Side.RIGHT);
            case MIDLINE -> paired ? List.of(Side.LEFT, Side.RIGHT) : List.of(Side.RIGHT);
        };
    }

    private void body() {
        var flat = new ArrayList<List<Point>>();
        for (var s : List.of(Side.LEFT, Side.RIGHT)) {
            if (!figure.below(s)) continue;
            var below = new ArrayList<List<Point>>();
            limb(figure, below, s, true);
            limb(figure, below, s, false);
            union(below);
        }
        for (var part : List.of(Part.HEAD, Part.NECK, Part.TRUNK)) flat.add(figure.outline(part, Side.RIGHT));
        for (var s : List.of(Side.LEFT, Side.RIGHT)) {
            if (figure.below(s)) continue;
            if (!figure.armLaid(s)) limb(figure, flat, s, true);
            if (!figure.legLaid(s)) limb(figure, flat, s, false);
        }
        union(flat);
        for (var s : List.of(Side.LEFT, Side.RIGHT)) {
            if (figure.below(s)) continue;
            if (figure.legLaid(s)) union(limb(figure, new ArrayList<>(), s, false));
            if (figure.armLaid(s)) union(limb(figure, new ArrayList<>(), s, true));
        }
    }

    private static List<List<Point>> limb(Figure figure, List<List<Point>> all, Side s, boolean arm) {
        var parts = arm ? List.of(Part.UPPER_ARM, Part.FOREARM, Part.HAND) : List.of(Part.THIGH, Part.SHANK, Part.FOOT);
        for (var part : parts) all.add(figure.outline(part, s));
        if (arm ? figure.armLaid(s) : figure.legLaid(s)) all.add(figure.joint(arm ? Part.FOREARM : Part.SHANK, s));
        return all;
    }

    private void union(List<List<Point>> parts) {
        shapes.add(new Shape(Role.BODY, Path.union(parts, true)));
    }

    /** All of a body as it lies, whatever is over what. */
    static List<List<Point>> outlines(Figure figure) {
        var all = new ArrayList<List<Point>>();
        for (var s : List.of(Side.LEFT, Side.RIGHT)) {
            limb(figure, all, s, true);
            limb(figure, all, s, false);
        }
        for (var part : List.of(Part.HEAD, Part.NECK, Part.TRUNK)) all.add(figure.outline(part, Side.RIGHT));
        return all;
    }

    private void inside() {
        for (var structure : Structure.values()) {
            if (!structure.atTheSurface()) continue;
            for (var s : List.of(Side.LEFT, Side.RIGHT)) {
                if (figure.below(s)) continue;
                var course = new Course(structure, s, figure);
                if (!course.seen() || outside(course.line())) continue;
                shapes.add(new Shape(Role.MUSCLE, course.shape()));
                shapes.add(new Shape(Role.FIBRE, course.fibres()));
            }
        }
        Bones.seen(figure, this::outside).forEach(b -> shapes.add(new Shape(Role.BONE, b)));
    }

    /** What is not near what is looked at need not be drawn. */
    private boolean outside(List<Point> points) {
        double left = Double.MAX_VALUE;
        double top = Double.MAX_VALUE;
        double right = -Double.MAX_VALUE;
        double bottom = -Double.MAX_VALUE;
        for (var p : points) {
            left = Math.min(left, p.x());
            right = Math.max(right, p.x());
            top = Math.min(top, p.y());
            bottom = Math.max(bottom, p.y());
        }
        double far = box.width() * .6;
        return right < box.x() - far
                || left > box.x() + box.width() + far
                || bottom < box.y() - far
                || top > box.y() + box.height() + far;
    }

    /** Where a hand goes lightly or not at all, near what is worked. */
    private void spared() {
        var near = EnumSet.noneOf(Region.class);
        step.zones().forEach(z -> near.add(z.region()));
        var neighbours = new LinkedHashSet<Region>(near);
        for (var region : near)
            switch (region) {
                case THIGH, LOWER_LEG -> neighbours.add(Region.KNEE);
                case UPPER_ARM -> neighbours.add(Region.FOREARM_HAND);
                case LOW_BACK -> neighbours.add(Region.SHOULDER);
                case SHOULDER -> neighbours.add(Region.NECK);
                default -> {}
            }
        for (var zone : Zone.values()) {
            if (step.zones().contains(zone) || !neighbours.contains(zone.region())) continue;
            if (zone.ceiling().filter(c -> c.high() <= 1).isEmpty()) continue;
            for (var s : zone.paired() ? List.of(Side.LEFT, Side.RIGHT) : List.of(Side.RIGHT)) {
                if (figure.below(s)) continue;
                var area = ZoneArea.of(zone);
                if (!area.visible(figure, s)) continue;
                var edge = area.seen(figure, s).edge(figure, s);
                if (!outside(edge)) shapes.add(new Shape(Role.SPARED, Path.smooth(edge, true)));
            }
        }
    }

    private void work() {
        var structures = step.details().structures();
        for (var s : worked()) {
            for (var zone : step.zones())
                shapes.add(new Shape(
                        Role.WORKED,
                        Path.smooth(
                                ZoneArea.of(zone)
                                        .seen(figure, zone.paired() ? s : Side.RIGHT)
                                        .edge(figure, s),
                                true)));
            for (var structure : structures) {
                var course = new Course(structure, s, figure);
                boolean deep = !course.seen() || !structure.atTheSurface();
                shapes.add(new Shape(deep ? Role.DEEP : Role.STRUCTURE, course.shape()));
                shapes.add(new Shape(Role.STRUCTURE_FIBRE, course.fibres()));
            }
        }
    }

    private void linen() {
        var sheet = Linen.over(figure, open);
        if (!sheet.isEmpty()) shapes.add(new Shape(Role.LINEN, sheet));
    }

    private void way() {
        var kind = kind();
        for (var line : lines) {
            var all = new Path();
            switch (kind) {
                case GLIDE -> {
                    all.add(line, false);
                    shapes.add(new Shape(Role.WAY_BACK, Path.smooth(back(line), false)));
                }
                case KNEAD -> all.add(waves(line), false);
                case CIRCLE -> stations().forEach(p -> all.add(ring(p, 26), true));
                case ACROSS -> all.add(across(line), false);
                case ROCK -> all.add(crossing(line, 70), false);
                case MOVE -> all.add(line, false);
                case PRESS, HOLD, TAP -> {}
            }
            var path = all.toString();
            if (!path.isEmpty()) shapes.add(new Shape(Role.WAY, path));
        }
        if (kind == Kind.HOLD || kind == Kind.PRESS || kind == Kind.TAP)
            stations().forEach(p -> shapes.add(new Shape(Role.STATION, Path.circle(p, 9))));
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

    private static List<Point> ring(Point centre, double radius) {
        var all = new ArrayList<Point>();
        for (int i = 0; i < 8; i++) all.add(centre.plus(new Point(radius, 0).turned(Math.PI * i / 4)));
        return all;
    }

    private static List<Point> across(List<Point> line) {
        return crossing(line, 32);
    }

    private static List<Point> crossing(List<Point> line, double half) {
        var middle = Way.at(line, .5);
        var across = direction(line, .5).across();
        return List.of(middle.minus(across.times(half)), middle, middle.plus(across.times(half)));
    }

    private static Point direction(List<Point> line, double part) {
        return Way.at(line, Math.min(1, part + .08))
                .minus(Way.at(line, Math.max(0, part - .08)))
                .unit();
    }

    private Kind kind() {
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

    private static final int MOST_STATIONS = 24;

    /** Where it is held or pressed, evenly along the way; of what is not counted one, or a row where it is pressed again and again. */
    private List<Point> stations() {
        var kind = kind();
        int n = dose.kind() == Dose.Kind.HOLDS && dose.count() != null
                ? dose.count()
                : kind == Kind.PRESS || kind == Kind.TAP ? 6 : kind == Kind.CIRCLE ? 3 : 1;
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

    private Motion motion() {
        var kind = kind();
        double seconds = dose.seconds() == null ? 1 : dose.seconds();
        if (dose.kind() == Dose.Kind.SECONDS) seconds = kind == Kind.GLIDE ? 10 : kind == Kind.HOLD ? seconds : 4;
        double rate = dose.perSecond() != null ? dose.perSecond() : kind == Kind.TAP ? 4 : kind == Kind.ROCK ? 1 : 2;
        boolean held = kind == Kind.HOLD || kind == Kind.PRESS || kind == Kind.TAP || kind == Kind.CIRCLE;
        return new Motion(
                kind,
                List.copyOf(lines),
                held ? stations() : List.of(),
                seconds,
                rate,
                dose.kind() == Dose.Kind.BREATHS
                        || step.details().part().stream().anyMatch(p -> p.does().breath()));
    }

    /** The working hand at the beginning, and what the other one does. */
    private List<Hand> hands() {
        var all = new ArrayList<Hand>();
        var kind = kind();
        var other = step.details().otherHand();
        boolean glides = kind == Kind.GLIDE;
        var line = lines.get(0);
        var held = stations();
        var at = glides || kind == Kind.KNEAD
                ? Way.at(line, .22)
                : kind == Kind.MOVE
                        ? line.get(0)
                        : kind == Kind.ACROSS || kind == Kind.ROCK ? Way.at(line, .5) : held.get(0);
        double degrees = glides ? pointing(line, at) : fromTherapist(at);
        if (lines.size() > 1) {
            // A hand for each side.
            for (int i = 0; i < lines.size(); i++) {
                var l = lines.get(i);
                var p = glides || kind == Kind.KNEAD
                        ? Way.at(l, .22)
                        : kind == Kind.MOVE
                                ? l.get(0)
                                : kind == Kind.ACROSS || kind == Kind.ROCK
                                        ? Way.at(l, .5)
                                        : held.get(held.size() / 2 * i);
                double turn = glides ? pointing(l, p) : fromTheEnd();
                boolean left = step.tool() == Tool.FOREARM
                        ? handInward(p, turn)
                        : p.x() < lines.get(1 - i).get(0).x();
                all.add(new Hand(HandShape.of(step.tool(), false), left, p, turn, true, 0));
            }
            return all;
        }
        boolean left = step.tool() == Tool.FOREARM ? handInward(at, degrees) : leftWorks(at);
        if (other == OtherHand.WORKS_TOGETHER
                || other == OtherHand.WORKS_ALTERNATELY
                || other == OtherHand.WORKS_OPPOSITE) {
            double behind = other == OtherHand.WORKS_ALTERNATELY ? -.5 : 0;
            var across = new Point(glides ? 46 : 60, 0).turned(Math.toRadians(degrees));
            all.add(new Hand(HandShape.of(step.tool(), false), true, at.minus(across), degrees - 6, true, 0));
            all.add(new Hand(HandShape.of(step.tool(), false), false, at.plus(across), degrees + 6, true, behind));
            return all;
        }
        var second = second(other, at, degrees, left);
        if (second != null && other == OtherHand.REINFORCES) {
            all.add(new Hand(HandShape.of(step.tool(), false), left, at, degrees, true, 0));
            all.add(second);
            return all;
        }
        if (second != null) all.add(second);
        all.add(new Hand(HandShape.of(step.tool(), false), left, at, degrees, true, 0));
        return all;
    }

    /** What the other hand does, where it is. */
    private @Nullable Hand second(@Nullable OtherHand other, Point at, double degrees, boolean left) {
        if (other == null) return null;
        var s = worked().get(0);
        boolean leg = step.zones().stream().anyMatch(z -> z.region().ofLeg() || z.region() == Region.HIP);
        var joint =
                leg ? figure.at(Part.SHANK, s, new Vec(46, 60, 0)) : figure.at(Part.FOREARM, s, new Vec(155, 494, 0));
        return switch (other) {
            case REINFORCES ->
                new Hand(HandShape.of(Tool.PALM, true), !left, at.plus(new Point(14, 10)), degrees + 24, true, 0);
            case FOLLOWS -> new Hand(HandShape.of(Tool.PALM, true), !left, at, degrees, true, .3);
            case CRADLES_THE_HEAD -> {
                var head = figure.at(Part.HEAD, Side.RIGHT, new Vec(0, 930, -20));
                yield new Hand(HandShape.of(Tool.PALM, true), !left, head, 180, false, 0);
            }
            case LIFTS_THE_SHOULDER -> {
                var tip = figure.at(Part.UPPER_ARM, s, new Vec(122, 806, 0));
                yield new Hand(HandShape.of(Tool.PALM, true), !left, tip, fromTherapist(tip), false, 0);
            }
            case MOVES_THE_LIMB, HOLDS_THE_JOINT, SUPPORTS_ABOVE_THE_JOINT ->
                new Hand(HandShape.of(Tool.PALM, true), !left, joint, fromTherapist(joint), false, 0);
            case STRETCHES_THE_SKIN -> {
                var behind = at.minus(direction(lines.get(0), .1).times(130));
                yield new Hand(HandShape.of(Tool.PALM, true), !left, behind, degrees + 180, false, 0);
            }
            case RESTS, HOLDS_THE_SHEET -> {
                var beside = Way.at(lines.get(0), at.y() < 900 ? 1 : 0);
                var free = beside.plus(beside.minus(at).unit().times(150));
                yield new Hand(HandShape.of(Tool.PALM, true), !left, free, fromTherapist(free), false, 0);
            }
            case WORKS_TOGETHER, WORKS_ALTERNATELY, WORKS_OPPOSITE -> null;
        };
    }

    /** Whether a right forearm would lie with its hand toward the midline: then it is the left one, so that the elbow is the inner end. */
    private static boolean handInward(Point at, double degrees) {
        var hand = new Point(-1, 0).turned(Math.toRadians(degrees));
        return hand.x() * at.x() < 0;
    }

    /** Of who stands to the right and faces the head, the right hand is the outer one and works. */
    private boolean leftWorks(Point at) {
        return therapist.feet().x() < at.x() - 1 && Math.abs(therapist.feet().x()) > 1;
    }

    private static double degrees(Point way) {
        return Math.toDegrees(Math.atan2(way.x(), -way.y()));
    }

    private double fromTherapist(Point at) {
        return degrees(at.minus(therapist.feet()).unit());
    }

    /**
     * Fingers lead along the table, and across it they point away from the therapist; who is at the head or the foot pulls toward themselves
     * with the fingers pointing away.
     */
    private double pointing(List<Point> line, Point at) {
        if (therapist.atAnEnd()) return fromTheEnd();
        var way = direction(line, .22);
        return Math.abs(way.y()) < .5 ? fromTherapist(at) : degrees(way);
    }

    /** Two hands that lie beside one another come from an end of the table. */
    private double fromTheEnd() {
        return therapist.feet().y() < 0 ? 180 : 0;
    }

    private List<Shape> table() {
        var all = new ArrayList<Shape>();
        boolean down = figure.position() == Position.PRONE;
        double top = down ? 190 : -60;
        if (down) all.add(new Shape(Role.TABLE, Path.circle(new Point(0, 95), 175)));
        all.add(new Shape(Role.TABLE, rectangle(-Therapist.TABLE_HALF, top, Therapist.TABLE_HALF, 1890)));
        all.add(new Shape(
                Role.TABLE_PAD, rectangle(-Therapist.TABLE_HALF + 26, top + 26, Therapist.TABLE_HALF - 26, 1864)));
        all.addAll(therapist.shapes(Way.at(lines.get(0), .5)));
        return all;
    }

    private static String rectangle(double left, double top, double right, double bottom) {
        double c = 50;
        return Path.straight(
                List.of(
                        new Point(left + c, top),
                        new Point(right - c, top),
                        new Point(right, top + c),
                        new Point(right, bottom - c),
                        new Point(right - c, bottom),
                        new Point(left + c, bottom),
                        new Point(left, bottom - c),
                        new Point(left, top + c)),
                true);
    }

    private Facts facts() {
        var line = lines.get(0);
        double length = Way.length(line);
        boolean glides = kind() == Kind.GLIDE;
        var held = stations();
        int perLine = held.size() / lines.size();
        var heart = figure.at(Part.TRUNK, Side.RIGHT, new Vec(0, 760, 0));
        double reach = therapist.reach(lines);
        boolean toward = line.get(line.size() - 1).minus(heart).length()
                < line.get(0).minus(heart).length();
        boolean within = reach <= therapist.comfortable();
        var speed = glides ? (Integer) (int) Math.round(length / motion().seconds()) : null;
        var gap = dose.kind() == Dose.Kind.HOLDS && perLine > 1
                ? (Integer) (int) Math.round(held.get(1).minus(held.get(0)).length())
                : null;
        var fibre = fibre(line);
        var words = new ArrayList<String>();
        if (speed != null) words.add(Math.round(length) + " mm · " + speed + " mm a second");
        if (gap != null) words.add(perLine + " places, " + gap + " mm apart");
        var way = new ArrayList<String>();
        if (fibre != null && kind() != Kind.HOLD && kind() != Kind.PRESS) way.add(fibreWords(fibre));
        if (glides) way.add(toward ? "toward the heart" : "away from the heart");
        if (!way.isEmpty()) words.add(String.join(", ", way));
        if (shapes.stream().anyMatch(s -> s.role() == Role.SPARED)) words.add("hatched: skin only, or not at all");
        if (!within) words.add("out of reach from there: " + Math.round(reach / 10) + " cm");
        return new Facts(
                (int) Math.round(length),
                speed,
                gap,
                fibre,
                toward,
                (int) Math.round(reach),
                within,
                List.copyOf(words));
    }

    /** Up to 25 degrees is along, from 65 across. */
    private static String fibreWords(int degrees) {
        return degrees <= 25 ? "along the fibre" : degrees < 65 ? "oblique to the fibre" : "across the fibre";
    }

    private @Nullable Integer fibre(List<Point> line) {
        var structures = step.details().structures();
        if (structures.isEmpty()) return null;
        var course = new Course(structures.get(0), worked().get(0), figure).line();
        var fibre = course.get(course.size() - 1).minus(course.get(0)).unit();
        var stroke = kind() == Kind.ACROSS ? direction(line, .5).across() : direction(line, .5);
        double angle = Math.toDegrees(Math.acos(Math.min(1, Math.abs(fibre.dot(stroke)))));
        return (int) Math.round(angle);
    }

    /** What is worked and the hands, with what lies around it. */
    private Box box(List<Hand> hands) {
        double left = Double.MAX_VALUE;
        double top = Double.MAX_VALUE;
        double right = -Double.MAX_VALUE;
        double bottom = -Double.MAX_VALUE;
        var all = new ArrayList<Point>();
        lines.forEach(all::addAll);
        for (var s : worked())
            for (var zone : step.zones())
                all.addAll(ZoneArea.of(zone)
                        .seen(figure, zone.paired() ? s : Side.RIGHT)
                        .edge(figure, s));
        for (var hand : hands) {
            all.add(hand.at());
            all.add(hand.at().plus(new Point(0, 110).turned(Math.toRadians(hand.degrees()))));
        }
        for (var p : all) {
            left = Math.min(left, p.x());
            right = Math.max(right, p.x());
            top = Math.min(top, p.y());
            bottom = Math.max(bottom, p.y());
        }
        double width = Math.max(LEAST_BOX, right - left + 2 * MARGIN);
        double height = Math.max(LEAST_BOX, bottom - top + 2 * MARGIN);
        // Never much longer than broad: it stands beside words.
        width = Math.max(width, height * .72);
        height = Math.max(height, width * .8);
        return new Box(
                round((left + right - width) / 2), round((top + bottom - height) / 2), round(width), round(height));
    }

    private static double round(double v) {
        return Math.round(v);
    }
}
