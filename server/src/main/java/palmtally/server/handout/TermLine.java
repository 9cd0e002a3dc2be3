package palmtally.server.handout;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Path2D;
import java.util.List;
import palmtally.server.competency.Tracking.Dot;

/** The level of a criterion over the weeks of a term, a dot a look, with the cut as a dashed line; a critical one is a cross. */
record TermLine(List<Dot> looks, int weeks, double cut) implements Drawing {
    private static final double NUMBER = 22;

    /** The same in words. */
    String spoken() {
        if (looks.isEmpty()) return "not seen";
        return (looks.size() == 1 ? "1 look" : looks.size() + " looks") + ", level from "
                + Math.round(looks.get(0).level()) + " to " + Math.round(last().level()) + ", cut " + Math.round(cut);
    }

    private Dot last() {
        return looks.get(looks.size() - 1);
    }

    @Override
    public void draw(Graphics2D pen, double width, double height) {
        double inner = width - NUMBER;
        pen.setColor(new Color(.6f, .6f, .6f));
        pen.setStroke(new BasicStroke(.6f));
        pen.draw(new Line2D.Double(0, height - 1, inner, height - 1));
        pen.setStroke(new BasicStroke(.8f, BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER, 10, new float[] {3, 2}, 0));
        double at = y(cut, height);
        pen.draw(new Line2D.Double(0, at, inner, at));
        if (looks.isEmpty()) return;
        var line = new Path2D.Double();
        pen.setColor(Color.BLACK);
        for (var look : looks) {
            double x = 3 + (inner - 6) * Math.min(1, look.week() / weeks);
            double y = y(look.level(), height);
            if (line.getCurrentPoint() == null) line.moveTo(x, y);
            else line.lineTo(x, y);
            pen.setStroke(new BasicStroke(1.4f));
            if (look.critical()) {
                pen.draw(new Line2D.Double(x - 3, y - 3, x + 3, y + 3));
                pen.draw(new Line2D.Double(x + 3, y - 3, x - 3, y + 3));
            } else pen.fill(new Ellipse2D.Double(x - 2, y - 2, 4, 4));
        }
        pen.setStroke(new BasicStroke(1.2f, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
        pen.draw(line);
        var font = Letters.BOLD.deriveFont(11f);
        Letters.write(pen, font, String.valueOf(Math.round(last().level())), inner + 4, height / 2 + 4, Color.BLACK);
    }

    private static double y(double level, double height) {
        return 3 + (height - 6) * (1 - Math.max(0, Math.min(100, level)) / 100);
    }
}
