package palmtally.server.handout;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.RoundRectangle2D;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.Collectors;
import palmtally.core.competency.Competency.State;
import palmtally.core.finding.Criterion;
import palmtally.server.competency.Tracking.Bar;

/** The five criteria as a hand, as the screens show it: bars filled in four steps, in the palm how many are secure. */
record PalmDrawing(List<Bar> bars) implements Drawing {
    private static final double WIDTH = 64;
    private static final double HEIGHT = 54;
    private static final double LENGTH = 22;
    private static final double[] ANGLES = {-58, -27, 0, 27, 62};
    private static final BasicStroke LINE = new BasicStroke(1.3f);
    private static final BasicStroke DASHED =
            new BasicStroke(1.3f, BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER, 10, new float[] {2, 2}, 0);

    long secure() {
        return bars.stream().filter(b -> b.state() == State.SECURE).count();
    }

    /** The same in words. */
    String spoken() {
        return bars.stream().map(b -> b.criterion().label() + " " + b.state()).collect(Collectors.joining(", "));
    }

    @Override
    public void draw(Graphics2D pen, double width, double height) {
        double scale = Math.min(width / WIDTH, height / HEIGHT);
        pen.scale(scale, scale);
        // As the left hand lies: the little finger on the left, the thumb on the right.
        var fingers = new ArrayList<>(List.of(Criterion.values()));
        Collections.reverse(fingers);
        for (int i = 0; i < fingers.size(); i++) {
            var criterion = fingers.get(i);
            var finger = (Graphics2D) pen.create();
            finger.translate(32, 40);
            finger.rotate(Math.toRadians(ANGLES[i]));
            bars.stream().filter(b -> b.criterion() == criterion).findFirst().ifPresent(b -> finger(finger, b));
            finger.dispose();
        }
        boolean empty = bars.stream().allMatch(b -> b.fill() == 0);
        var palm = new RoundRectangle2D.Double(23, 35, 18, 17, 15, 15);
        pen.setColor(Color.BLACK);
        pen.setStroke(empty ? DASHED : LINE);
        if (!empty) pen.fill(palm);
        pen.draw(palm);
        if (empty) return;
        var font = Letters.BOLD.deriveFont(11.5f);
        var number = String.valueOf(secure());
        Letters.write(pen, font, number, 32 - Letters.width(font, number) / 2, 47.6, Color.WHITE);
    }

    private static void finger(Graphics2D pen, Bar bar) {
        pen.setColor(Color.BLACK);
        pen.setStroke(bar.state() == State.NOT_SEEN ? DASHED : LINE);
        pen.draw(new RoundRectangle2D.Double(-3.6, -12 - LENGTH, 7.2, LENGTH, 7.2, 7.2));
        double high = LENGTH * bar.fill() / 4;
        if (high > 0) {
            pen.setColor(new Color(.45f, .45f, .45f));
            pen.fill(new RoundRectangle2D.Double(-3.6, -12 - high, 7.2, high, 7.2, 7.2));
        }
        double tip = -12 - LENGTH + 3;
        pen.setColor(Color.BLACK);
        if (bar.state() == State.DUE_AGAIN) {
            pen.setStroke(new BasicStroke(1.6f));
            pen.draw(new Ellipse2D.Double(-5.2, tip - 5.2, 10.4, 10.4));
        }
        if (bar.state() == State.OPEN_CRITICAL) {
            pen.setStroke(new BasicStroke(2.6f));
            pen.draw(new Line2D.Double(-4.5, tip - 4.5, 4.5, tip + 4.5));
            pen.draw(new Line2D.Double(4.5, tip - 4.5, -4.5, tip + 4.5));
        }
    }
}
