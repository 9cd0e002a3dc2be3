package palmtally.server.handout;

import java.awt.Color;
import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.Graphics2D;
import java.awt.font.FontRenderContext;
import java.awt.geom.AffineTransform;
import java.io.IOException;

/** Letters in drawings: outlines of a font that ships, whatever fonts the machine has. */
final class Letters {
    static final Font BOLD = load("atkinson-hyperlegible-next-latin-700.ttf");
    private static final FontRenderContext EXACT = new FontRenderContext(null, true, true);

    private Letters() {}

    private static Font load(String file) {
        try (var in = PdfRenderer.font(file)) {
            return Font.createFont(Font.TRUETYPE_FONT, in);
        } catch (FontFormatException | IOException e) {
            throw new IllegalStateException("font " + file + " cannot be read", e);
        }
    }

    static void write(Graphics2D pen, Font font, String text, double x, double y, Color colour) {
        pen.setColor(colour);
        var outline = font.createGlyphVector(EXACT, text).getOutline();
        pen.fill(AffineTransform.getTranslateInstance(x, y).createTransformedShape(outline));
    }

    static double width(Font font, String text) {
        return font.createGlyphVector(EXACT, text).getLogicalBounds().getWidth();
    }
}
