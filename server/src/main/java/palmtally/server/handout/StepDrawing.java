package palmtally.server.handout;

import java.awt.AlphaComposite;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.FlatteningPathIterator;
import java.awt.geom.Line2D;
import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.util.EnumMap;
import java.util.Map;
import java.util.Set;
import palmtally.core.picture.Picture;
import palmtally.core.picture.Picture.Box;
import palmtally.core.picture.Role;

/** A step as a picture on paper, in greys that a copy keeps apart; on the right, where there is room, the table from above. */
record StepDrawing(Picture picture, boolean withTable, Paths paths) implements Drawing {
    /**
     * The look of a role.
     *
     * @param fill from 0 black to 1 white, or below 0 for none
     * @param line the same of the line
     * @param width of the line, millimetres of the client
     * @param dash of the line, or 0
     */
    private record Look(double fill, float through, double line, double width, float dash) {}

    private static final Map<Role, Look> LOOKS = new EnumMap<>(Map.ofEntries(
            Map.entry(Role.BODY, new Look(.94, 1, .4, 8, 0)),
            Map.entry(Role.MUSCLE, new Look(.86, .6f, -1, 0, 0)),
            Map.entry(Role.FIBRE, new Look(-1, 1, .74, 1.5, 0)),
            Map.entry(Role.BONE, new Look(-1, 1, .45, 3, 8)),
            Map.entry(Role.WORKED, new Look(.55, .35f, -1, 0, 0)),
            Map.entry(Role.STRUCTURE, new Look(.6, .9f, -1, 0, 0)),
            Map.entry(Role.STRUCTURE_FIBRE, new Look(-1, 1, .25, 2.2, 0)),
            Map.entry(Role.DEEP, new Look(.65, .6f, .25, 3, 8)),
            Map.entry(Role.SPARED, new Look(-1, 1, .1, 2.5, 0)),
            Map.entry(Role.LINEN, new Look(1, .92f, .5, 9, 0)),
            Map.entry(Role.PROP, new Look(.82, 1, .5, 4, 0)),
            Map.entry(Role.WAY, new Look(-1, 1, 0, 9, 0)),
            Map.entry(Role.WAY_BACK, new Look(-1, 1, 0, 4, 10)),
            Map.entry(Role.STATION, new Look(0, 1, 1, 3, 0)),
            Map.entry(Role.HAND, new Look(1, .7f, .05, 4, 0)),
            Map.entry(Role.TOUCH, new Look(.6, .7f, .05, 4, 0)),
            Map.entry(Role.OTHER_HAND, new Look(.9, .7f, .05, 4, 0)),
            Map.entry(Role.TABLE, new Look(.6, 1, -1, 0, 0)),
            Map.entry(Role.TABLE_PAD, new Look(.85, 1, -1, 0, 0)),
            Map.entry(Role.FOOT, new Look(0, 1, -1, 0, 0)),
            Map.entry(Role.FACING, new Look(-1, 1, 0, 34, 0)),
            Map.entry(Role.REACH, new Look(-1, 1, 0, 12, 26))));

    private static final Set<Role> INSIDE = Set.of(Role.MUSCLE, Role.FIBRE, Role.STRUCTURE, Role.STRUCTURE_FIBRE);
    private static final Set<Role> ON_THE_TABLE = Set.of(Role.BODY, Role.WORKED, Role.LINEN, Role.PROP);
    private static final double TABLE = .24;
    private static final double HATCH = 14;

    @Override
    public void draw(Graphics2D pen, double width, double height) {
        double side = withTable ? Math.min(width * TABLE, height * .52) : 0;
        var place = (Graphics2D) pen.create();
        close(place, picture.box(), width - side - (withTable ? 3 : 0), height);
        place.dispose();
        if (!withTable) return;
        place = (Graphics2D) pen.create();
        place.translate(width - side, 0);
        far(place, picture.tableBox(), side, height);
        place.dispose();
    }

    private static void fit(Graphics2D pen, Box box, double width, double height) {
        double scale = Math.min(width / box.width(), height / box.height());
        pen.translate((width - box.width() * scale) / 2, (height - box.height() * scale) / 2);
        pen.scale(scale, scale);
        pen.translate(-box.x(), -box.y());
    }

    /** What is worked, large; the box is widened to the place that it has. */
    private void close(Graphics2D pen, Box box, double width, double height) {
        double wide = Math.max(box.width(), box.height() * width / height);
        double high = Math.max(box.height(), box.width() * height / width);
        var all = new Box(box.x() - (wide - box.width()) / 2, box.y() - (high - box.height()) / 2, wide, high);
        fit(pen, all, width, height);
        var frame = new Rectangle2D.Double(all.x(), all.y(), all.width(), all.height());
        pen.clip(frame);
        var body = new Path2D.Double(Path2D.WIND_NON_ZERO);
        for (var s : picture.shapes())
            if (s.role() == Role.BODY) body.append(PathData.within(paths.of(s.path()), frame), false);
        // All muscles, then all fibres: thousands of short lines in two strokes of the pen.
        var under = new EnumMap<Role, Path2D.Double>(Role.class);
        for (var s : picture.shapes()) {
            var whole = paths.of(s.path());
            // The head of a way stands where all of it ends.
            var path = s.role() == Role.WAY ? whole : PathData.within(whole, frame);
            if (path.getCurrentPoint() == null) continue;
            if (INSIDE.contains(s.role()))
                under.computeIfAbsent(s.role(), r -> new Path2D.Double(Path2D.WIND_NON_ZERO))
                        .append(path, false);
            else {
                if (s.role() != Role.BODY && s.role() != Role.PROP) inside(pen, body, under);
                paint(pen, s.role(), path, false);
            }
        }
        inside(pen, body, under);
        for (var hand : picture.hands()) {
            var at = (Graphics2D) pen.create();
            at.translate(hand.at().x(), hand.at().y());
            at.rotate(Math.toRadians(hand.degrees()));
            if (hand.mirrored()) at.scale(-1, 1);
            for (var s : hand.shapes()) paint(at, s.role(), paths.of(s.path()), hand.under());
            at.dispose();
        }
        pen.setComposite(AlphaComposite.SrcOver);
        pen.setColor(grey(.55));
        pen.setStroke(new BasicStroke(3));
        pen.draw(new Rectangle2D.Double(all.x() + 2, all.y() + 2, all.width() - 4, all.height() - 4));
    }

    /** What lies under the skin ends where the body ends. */
    private static void inside(Graphics2D pen, Path2D body, Map<Role, Path2D.Double> all) {
        if (all.isEmpty()) return;
        var cut = (Graphics2D) pen.create();
        cut.clip(body);
        all.forEach((role, path) -> paint(cut, role, path, false));
        cut.dispose();
        all.clear();
    }

    /** All of the table, small: the sheet, what is worked, and where the therapist stands. */
    private void far(Graphics2D pen, Box box, double width, double height) {
        fit(pen, box, width, height);
        for (var s : picture.table())
            if (s.role() == Role.TABLE || s.role() == Role.TABLE_PAD) paint(pen, s.role(), paths.of(s.path()), false);
        for (var s : picture.shapes())
            if (ON_THE_TABLE.contains(s.role())) paint(pen, s.role(), paths.of(s.path()), false);
        for (var s : picture.table())
            if (s.role() != Role.TABLE && s.role() != Role.TABLE_PAD) paint(pen, s.role(), paths.of(s.path()), false);
    }

    private static Color grey(double tone) {
        float t = (float) tone;
        return new Color(t, t, t);
    }

    private static void paint(Graphics2D pen, Role role, Path2D path, boolean beneath) {
        var look = LOOKS.get(role);
        if (look == null) return;
        boolean first = role == Role.BODY || role == Role.LINEN;
        // The line of body and sheet is under their tone, so that only their outside is seen.
        if (first) line(pen, look, path, false);
        if (role == Role.SPARED) hatch(pen, path);
        if (look.fill >= 0) {
            pen.setComposite(AlphaComposite.SrcOver.derive(beneath ? .15f : look.through));
            pen.setColor(grey(look.fill));
            pen.fill(path);
        }
        if (!first) line(pen, look, path, beneath);
        if (role == Role.WAY) arrow(pen, path);
    }

    private static void line(Graphics2D pen, Look look, Shape path, boolean beneath) {
        if (look.line < 0) return;
        pen.setComposite(AlphaComposite.SrcOver);
        pen.setColor(grey(look.line));
        float dash = beneath ? 10 : look.dash;
        pen.setStroke(
                dash == 0
                        ? new BasicStroke((float) look.width, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND)
                        : new BasicStroke(
                                (float) look.width,
                                BasicStroke.CAP_BUTT,
                                BasicStroke.JOIN_ROUND,
                                10,
                                new float[] {dash, dash},
                                0));
        pen.draw(path);
    }

    private static void hatch(Graphics2D pen, Path2D path) {
        var bounds = path.getBounds2D();
        var in = (Graphics2D) pen.create();
        in.clip(path);
        in.setComposite(AlphaComposite.SrcOver);
        in.setColor(grey(.1));
        in.setStroke(new BasicStroke(3));
        for (double x = bounds.getMinX() - bounds.getHeight(); x < bounds.getMaxX(); x += HATCH)
            in.draw(new Line2D.Double(x, bounds.getMaxY(), x + bounds.getHeight(), bounds.getMinY()));
        in.dispose();
    }

    /** At the end of the last line of a way, in its direction. */
    private static void arrow(Graphics2D pen, Path2D path) {
        double[] at = new double[6];
        double[] from = new double[2];
        double[] to = new double[2];
        for (PathIterator i = new FlatteningPathIterator(path.getPathIterator(new AffineTransform()), 2);
                !i.isDone();
                i.next()) {
            if (i.currentSegment(at) == PathIterator.SEG_CLOSE) continue;
            if (Math.hypot(at[0] - to[0], at[1] - to[1]) < .5) continue;
            from = to;
            to = new double[] {at[0], at[1]};
        }
        double turn = Math.atan2(to[1] - from[1], to[0] - from[0]);
        var head = new Path2D.Double();
        head.moveTo(20, 0);
        head.lineTo(-14, -18);
        head.lineTo(-14, 18);
        head.closePath();
        var place = AffineTransform.getTranslateInstance(to[0], to[1]);
        place.rotate(turn);
        pen.fill(place.createTransformedShape(head));
    }
}
