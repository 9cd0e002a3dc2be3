package palmtally.server.handout;

import java.awt.geom.Path2D;

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
