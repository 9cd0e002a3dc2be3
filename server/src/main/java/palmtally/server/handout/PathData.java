package palmtally.server.handout;

import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;

/** Path data of a picture as something to draw: M, L, C and Z of SVG 2, chapter 9, which is all that a picture has. */
final class PathData {
    private final String data;
    private int at;

    private PathData(String data) {
        this.data = data;
    }

    /** @throws IllegalArgumentException where there is another command */
    static Path2D.Double path(String data) {
        return new PathData(data).read();
    }

    private Path2D.Double read() {
        var path = new Path2D.Double(Path2D.WIND_NON_ZERO);
        char command = 'M';
        while (more()) {
            char c = data.charAt(at);
            if (Character.isLetter(c)) {
                command = c;
                at++;
            }
            switch (command) {
                case 'M' -> {
                    path.moveTo(number(), number());
                    // More pairs after a move are lines.
                    command = 'L';
                }
                case 'L' -> path.lineTo(number(), number());
                case 'C' -> path.curveTo(number(), number(), number(), number(), number(), number());
                case 'Z' -> path.closePath();
                default -> throw new IllegalArgumentException("path data has a command " + command);
            }
        }
        return path;
    }

    /** The parts of a path that touch a frame: what is drawn in the frame stays the same, and what nobody sees is not written. */
    static Path2D.Double within(Path2D path, Rectangle2D frame) {
        var all = new Path2D.Double(path.getWindingRule());
        var part = new Path2D.Double();
        double[] to = new double[6];
        for (var i = path.getPathIterator(null); !i.isDone(); i.next()) {
            switch (i.currentSegment(to)) {
                case PathIterator.SEG_MOVETO -> {
                    keep(all, part, frame);
                    part = new Path2D.Double();
                    part.moveTo(to[0], to[1]);
                }
                case PathIterator.SEG_LINETO -> part.lineTo(to[0], to[1]);
                case PathIterator.SEG_CUBICTO -> part.curveTo(to[0], to[1], to[2], to[3], to[4], to[5]);
                default -> part.closePath();
            }
        }
        keep(all, part, frame);
        return all;
    }

    /** A straight line has a box without width or height, so that the usual test of two boxes would miss it. */
    private static void keep(Path2D all, Path2D part, Rectangle2D frame) {
        if (part.getCurrentPoint() == null) return;
        var box = part.getBounds2D();
        if (box.getMaxX() >= frame.getMinX()
                && box.getMinX() <= frame.getMaxX()
                && box.getMaxY() >= frame.getMinY()
                && box.getMinY() <= frame.getMaxY()) all.append(part, false);
    }

    private boolean more() {
        while (at < data.length() && (data.charAt(at) == ' ' || data.charAt(at) == ',')) at++;
        return at < data.length();
    }

    private double number() {
        more();
        int begin = at;
        while (at < data.length()
                && "-.0123456789".indexOf(data.charAt(at)) >= 0
                && (at == begin || data.charAt(at) != '-')) at++;
        return Double.parseDouble(data.substring(begin, at));
    }
}
