package palmtally.server.handout;

import java.awt.Graphics2D;

/** What is drawn on paper: lines and tones of grey, no text that must be read aloud; its words stand beside it as alternative text. */
@FunctionalInterface
interface Drawing {
    /**
     * @param width of the place it has, pixels of 1/96 inch
     * @param height of the place it has, pixels of 1/96 inch
     */
    void draw(Graphics2D pen, double width, double height);
}
