package palmtally.server.handout;

import java.awt.Color;
import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.Graphics2D;
import java.awt.font.FontRenderContext;
import java.awt.geom.AffineTransform;
import java.io.IOException;
import java.util.List;
import java.util.stream.Stream;

/** Letters of the fonts that ship, whatever fonts the machine has; in drawings they are outlines. */
final class Letters {
    static final Font BOLD = load("atkinson-hyperlegible-next-latin-700.ttf");

    /** In which text is printed, the next where one has no sign for a letter. */
    static final List<Font> OF_TEXT = Stream.of(
                    "atkinson-hyperlegible-next-latin-400.ttf",
                    "atkinson-hyperlegible-next-latin-ext-400.ttf",
                    "DejaVuSans.ttf",
                    "DroidSansFallback.ttf")
            .map(Letters::load)
            .toList();

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
