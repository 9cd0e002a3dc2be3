package palmtally.core.picture;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Landmark;
import palmtally.core.body.Position;
import palmtally.core.body.Region;
import palmtally.core.body.Side;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;
import palmtally.core.picture.Picture.Box;
import palmtally.core.picture.Picture.Facts;
import palmtally.core.picture.Picture.Hand;
import palmtally.core.picture.Picture.Kind;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Timeline.OpenUnit;
import palmtally.core.sequence.Timeline.Span;

/** A step as a picture, computed: what is worked, where the hand goes, how the sheet lies, where the therapist stands. */
public final class StepPicture {
    /** An adult of middle height, metres (common practice, no source). */
    public static final double STATURE = Geometry.STATURE;

    private static final double LEAST_BOX = 470;

    /** Of what is small, such as a jaw. */
    private static final double SMALL_BOX = 390;

    private static final double SMALL = 150;
    private static final double MARGIN = 70;

    /** Half a stool. */
    static final double SEAT = 230;

    private final Geometry geometry;
    private final Step step;
    private final Figure figure;
    private final Travel travel;
    private final Therapist therapist;
    private final Set<OpenUnit> open;
    private final List<Shape> shapes = new ArrayList<>();
    private Box box = new Box(0, 0, 0, 0);

    private StepPicture(Geometry geometry, Set<OpenUnit> open) {
        this.geometry = geometry;
        this.open = open;
        step = geometry.step;
        figure = geometry.figure;
        travel = geometry.travel;
        therapist = geometry.therapist;
    }

    /**
     * @param span the step on one side, with what the sheet has open while it is given
     * @param client stature of the client, metres
     * @param therapist stature of the therapist, metres
     */
    public static Picture of(Span span, Build build, double client, double therapist) {
        return new StepPicture(new Geometry(span.stint(), build, client, therapist), span.open()).picture();
    }

    /** Of an adult of middle height, by one of middle height. */
    public static Picture of(Span span, Build build) {
        return of(span, build, STATURE, STATURE);
    }

    /** The same of middle build. */
    public static Picture of(Span span) {
        return of(span, Build.MIDDLE);
    }

    private Picture picture() {
        var hands = new Hands(step, travel, geometry.worked(), figure, therapist).all();
        box = box(hands);
        shapes.addAll(Props.of(step.details().props(), figure, geometry.worked().get(0)));
        body();
        inside();
        spared();
        boolean through = step.sheet() != Sheet.OPEN
                && step.zones().stream().anyMatch(z -> z.unit().draped());
        if (!through) work();
        linen();
        if (through) work();
        shapes.addAll(travel.shapes());
        return new Picture(
                box, List.copyOf(shapes), hands, travel.motion(), table(), new Box(-690, -530, 1380, 2690), facts());
    }

    private void body() {
        // Of who sits and is seen from behind, the trunk hides the thighs.
        boolean hidden = figure.position() == Position.SEATED && figure.showsBack();
        var flat = new ArrayList<List<Point>>();
        if (hidden) for (var s : List.of(Side.LEFT, Side.RIGHT)) union(limb(figure, new ArrayList<>(), s, false));
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
            if (figure.legLaid(s) && !hidden) union(limb(figure, new ArrayList<>(), s, false));
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
        for (var s : geometry.worked()) {
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

    private List<Shape> table() {
        var all = new ArrayList<Shape>();
        if (figure.position() == Position.SEATED) {
            var seat = figure.at(Landmark.COCCYX, Side.RIGHT);
            all.add(new Shape(Role.TABLE, Path.circle(seat, SEAT)));
            all.add(new Shape(Role.TABLE_PAD, Path.circle(seat, SEAT - 26)));
            all.addAll(therapist.shapes(Way.at(travel.line(), .5)));
            return all;
        }
        boolean down = figure.position() == Position.PRONE;
        double top = down ? 190 : -60;
        if (down) all.add(new Shape(Role.TABLE, Path.circle(new Point(0, 95), 175)));
        all.add(new Shape(Role.TABLE, rectangle(-Therapist.TABLE_HALF, top, Therapist.TABLE_HALF, 1890)));
        all.add(new Shape(
                Role.TABLE_PAD, rectangle(-Therapist.TABLE_HALF + 26, top + 26, Therapist.TABLE_HALF - 26, 1864)));
        all.addAll(therapist.shapes(Way.at(travel.line(), .5)));
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
        var speed = whole(geometry.speed());
        var gap = whole(geometry.stationGap());
        var fibre = whole(geometry.fibre());
        int length = (int) FastMath.round(geometry.length());
        int reach = (int) FastMath.round(geometry.reach());
        var words = new ArrayList<String>();
        if (travel.kind() == Kind.LOOK) words.add("asked and looked at, no hand laid on");
        if (speed != null) words.add(length + " mm · " + speed + " mm a second");
        if (gap != null) words.add(geometry.stationsOfALine() + " places, " + gap + " mm apart");
        var way = new ArrayList<String>();
        if (fibre != null && strokes(travel.kind())) way.add(fibreWords(fibre));
        if (speed != null) way.add(geometry.towardHeart() ? "toward the heart" : "away from the heart");
        if (!way.isEmpty()) words.add(String.join(", ", way));
        if (shapes.stream().anyMatch(s -> s.role() == Role.SPARED)) words.add("hatched: skin only, or not at all");
        if (!geometry.within()) words.add("out of reach from there: " + FastMath.round(reach / 10.0) + " cm");
        return new Facts(
                length,
                speed,
                gap,
                fibre,
                geometry.towardHeart(),
                reach,
                (int) FastMath.round(therapist.comfortable()),
                geometry.within(),
                (int) FastMath.round(therapist.table()),
                List.copyOf(words));
    }

    private static @Nullable Integer whole(@Nullable Double value) {
        return value == null ? null : (int) FastMath.round(value);
    }

    /** Whether it has a way to the fibre: what circles, rocks, taps or moves a joint has none. */
    private static boolean strokes(Kind kind) {
        return kind == Kind.GLIDE || kind == Kind.KNEAD || kind == Kind.ACROSS;
    }

    /** Up to 25 degrees is along, from 65 across. */
    private static String fibreWords(int degrees) {
        return degrees <= 25 ? "along the fibre" : degrees < 65 ? "oblique to the fibre" : "across the fibre";
    }

    /** What is worked and the hands, with what lies around it. */
    private Box box(List<Hand> hands) {
        double left = Double.MAX_VALUE;
        double top = Double.MAX_VALUE;
        double right = -Double.MAX_VALUE;
        double bottom = -Double.MAX_VALUE;
        var all = new ArrayList<Point>();
        travel.lines().forEach(all::addAll);
        for (var s : geometry.worked())
            for (var zone : step.zones())
                all.addAll(ZoneArea.of(zone)
                        .seen(figure, zone.paired() ? s : Side.RIGHT)
                        .edge(figure, s));
        for (var hand : hands) {
            all.add(hand.at());
            all.add(hand.at().plus(new Point(0, 110).turned(FastMath.toRadians(hand.degrees()))));
        }
        for (var p : all) {
            left = Math.min(left, p.x());
            right = Math.max(right, p.x());
            top = Math.min(top, p.y());
            bottom = Math.max(bottom, p.y());
        }
        boolean small = travel.lines().stream().allMatch(l -> Way.length(l) < SMALL);
        double least = small ? SMALL_BOX : LEAST_BOX;
        double width = Math.max(least, right - left + 2 * MARGIN);
        double height = Math.max(least, bottom - top + 2 * MARGIN);
        // Never much longer than broad: it stands beside words.
        width = Math.max(width, height * .72);
        height = Math.max(height, width * .8);
        return new Box(
                round((left + right - width) / 2), round((top + bottom - height) / 2), round(width), round(height));
    }

    private static double round(double v) {
        return FastMath.round(v);
    }
}
