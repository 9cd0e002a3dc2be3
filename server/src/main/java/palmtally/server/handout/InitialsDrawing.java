package palmtally.server.handout;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.geom.Path2D;
import java.util.List;

/** Initials as they were drawn. */
final class InitialsDrawing implements Drawing {
    private static final double THICK = 0.045;

    private final List<List<Double>> lines;

    /** @param lines of points, x and y in turn, within a box of 0 to 1 */
    InitialsDrawing(List<List<Double>> lines) {
        this.lines = lines;
    }

    @Override
    public void draw(Graphics2D pen, double width, double height) {
        pen.setColor(Color.BLACK);
        pen.setStroke(new BasicStroke((float) (THICK * height), BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
        for (var line : lines) {
            var path = new Path2D.Double();
            path.moveTo(line.get(0) * width, line.get(1) * height);
            if (line.size() == 2) path.lineTo(line.get(0) * width + 0.01, line.get(1) * height);
            for (int i = 2; i < line.size(); i += 2) path.lineTo(line.get(i) * width, line.get(i + 1) * height);
            pen.draw(path);
        }
    }
}
