package palmtally.server.handout;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.geom.Line2D;
import java.awt.geom.Rectangle2D;
import java.util.List;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Timeline;

/** The strip on paper: time from left to right, one lane a criterion. Every grey also differs by place or height. */
record StripDrawing(Sequence sequence, Timeline timeline) implements Drawing {
    /** Height of all lanes, millimetres. */
    static final double HEIGHT = 33;

    private static final double MM = 96 / 25.4;
    private static final double NAME = 25;

    /** Where a lane begins and how high it is, millimetres. */
    private record Lane(String name, double top, double height) {}

    private static final Lane PRESSURE = new Lane("P Pressure", 0, 11);
    private static final Lane ORDER = new Lane("O Order", 11, 7);
    private static final Lane MECHANICS = new Lane("M Mechanics", 18, 5);
    private static final Lane COMMUNICATION = new Lane("C Communication", 23, 5);
    private static final Lane DRAPING = new Lane("D Draping", 28, 5);

    @Override
    public void draw(Graphics2D pen, double width, double height) {
        pen.scale(MM, MM);
        double inner = width / MM;
        var bold = Letters.BOLD.deriveFont(2.3f);
        for (var lane : List.of(PRESSURE, ORDER, MECHANICS, COMMUNICATION, DRAPING)) {
            Letters.write(pen, bold, lane.name, 1, lane.top + 3.1, Color.BLACK);
            pen.setColor(new Color(.65f, .65f, .65f));
            pen.setStroke(new BasicStroke(.12f));
            pen.draw(new Line2D.Double(0, lane.top + lane.height, inner, lane.top + lane.height));
        }
        pen.draw(new Rectangle2D.Double(0, 0, inner, HEIGHT));
        var steps = sequence.steps();
        for (var span : timeline.spans()) {
            var step = span.stint().step();
            double x = x(span.start(), inner);
            double wide = Math.max(.4, x(span.end(), inner) - x - .25);
            if (step.depth() > 0) {
                double tall = (PRESSURE.height - 1.5) * step.depth() / 5;
                box(pen, x, PRESSURE.top + PRESSURE.height - .5 - tall, wide, tall, .6f);
            }
            box(pen, x, ORDER.top + .6, wide, ORDER.height - 1.6, .87f);
            if (wide > 3) {
                var number = String.valueOf(steps.indexOf(step) + 1);
                double left = x + (wide - Letters.width(bold, number)) / 2;
                Letters.write(pen, bold, number, left, ORDER.top + 4.4, Color.BLACK);
            }
            boolean pointed = step.tool().pointed();
            box(pen, x, MECHANICS.top + (pointed ? .6 : 2.4), wide, pointed ? 3.4 : 1.6, pointed ? .6f : .75f);
            for (var saying : step.say()) {
                double at = x(Math.min(span.start() + saying.atSeconds(), span.end()), inner);
                box(pen, at, COMMUNICATION.top + .8, .7, COMMUNICATION.height - 1.6, 0);
            }
            if (!span.open().isEmpty()) {
                double from = x(span.begin(), inner);
                box(pen, from, DRAPING.top + .8, Math.max(.4, x(span.end(), inner) - from), 3.2, .75f);
            }
        }
    }

    private double x(double second, double inner) {
        double total = Math.max(1, timeline.totalSeconds());
        return NAME + (inner - NAME - 1) * Math.min(second, total) / total;
    }

    private static void box(Graphics2D pen, double x, double y, double width, double height, float tone) {
        var box = new Rectangle2D.Double(x, y, width, height);
        pen.setColor(new Color(tone, tone, tone));
        pen.fill(box);
        pen.setColor(Color.BLACK);
        pen.setStroke(new BasicStroke(.12f));
        pen.draw(box);
    }
}
