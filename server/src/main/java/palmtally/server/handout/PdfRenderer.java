package palmtally.server.handout;

import com.openhtmltopdf.bidi.support.ICUBidiReorderer;
import com.openhtmltopdf.bidi.support.ICUBidiSplitter;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.render.DefaultObjectDrawerFactory;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.springframework.stereotype.Component;
import org.thymeleaf.context.Context;
import org.thymeleaf.spring6.SpringTemplateEngine;
import org.thymeleaf.templatemode.TemplateMode;
import org.thymeleaf.templateresolver.ClassLoaderTemplateResolver;
import palmtally.core.technique.ScopeTopic;

/**
 * Makes a PDF of a template: tagged so that it can be read aloud (PDF/UA-1), fonts embedded, nothing fetched from anywhere. Pictures are
 * drawn, not set as SVG: a library for that takes ten times as long.
 */
@Component
class PdfRenderer {
    /** Size of usual text, points. */
    static final double POINTS = 9;

    /** Where the bytes of a photo stand in the page itself. */
    static final String JPEG = "data:image/jpeg;base64,";

    private static final String DRAWING = "application/x-drawing";

    private final SpringTemplateEngine templates = new SpringTemplateEngine();
    private final String style;

    PdfRenderer() {
        XRLog.setLoggingEnabled(false);
        var files = new ClassLoaderTemplateResolver(PdfRenderer.class.getClassLoader());
        files.setPrefix("paper/");
        files.setSuffix(".xml");
        files.setTemplateMode(TemplateMode.XML);
        files.setCharacterEncoding(StandardCharsets.UTF_8.name());
        templates.setTemplateResolver(files);
        try (var in = open("/paper/paper.css")) {
            style = new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** On as many pages as it takes. */
    byte[] print(Document document, Paper paper) {
        return print(document, paper, POINTS);
    }

    /** On one page: the text gets smaller until it fits, and after 5.5 points goes on to a second page. */
    byte[] printOnOne(Document document, Paper paper) {
        byte[] pdf = new byte[0];
        for (double points : List.of(POINTS, 8.0, 7.0, 6.2, 5.5)) {
            pdf = print(document, paper, points);
            try (var read = Loader.loadPDF(pdf)) {
                if (read.getNumberOfPages() == 1) return pdf;
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return pdf;
    }

    private byte[] print(Document document, Paper paper, double points) {
        var context = new Context();
        context.setVariables(document.values());
        context.setVariable("title", document.title());
        context.setVariable("about", document.about());
        context.setVariable("drawing", DRAWING);
        context.setVariable("whoDecides", ScopeTopic.WHO_DECIDES);
        context.setVariable(
                "style",
                style.replace("PAPER", paper.size())
                        .replace("FOOT", ScopeTopic.WHO_DECIDES.replace("\"", "'"))
                        .replace("POINTS", points + "pt"));
        var out = new ByteArrayOutputStream();
        var builder = new PdfRendererBuilder()
                .withHtmlContent(allowed(templates.process(document.template(), context)), null)
                .withProducer("Palm Tally")
                .usePdfUaAccessibility(true)
                .useUriResolver((base, uri) -> uri.startsWith(JPEG) ? uri : null)
                .useObjectDrawerFactory(drawers(document))
                .useUnicodeBidiSplitter(new ICUBidiSplitter.ICUBidiSplitterFactory())
                .useUnicodeBidiReorderer(new ICUBidiReorderer())
                .toStream(out);
        font(builder, "atkinson-hyperlegible-next-latin-400.ttf", "Text", 400);
        font(builder, "atkinson-hyperlegible-next-latin-700.ttf", "Text", 700);
        font(builder, "atkinson-hyperlegible-next-latin-ext-400.ttf", "Latin", 400);
        font(builder, "atkinson-hyperlegible-next-latin-ext-700.ttf", "Latin", 700);
        font(builder, "DejaVuSans.ttf", "Wide", 400);
        font(builder, "DejaVuSans-Bold.ttf", "Wide", 700);
        font(builder, "DroidSansFallback.ttf", "East", 400);
        font(builder, "bricolage-grotesque-latin-600.ttf", "Head", 400);
        font(builder, "bricolage-grotesque-latin-ext-600.ttf", "HeadLatin", 400);
        try {
            builder.run();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static DefaultObjectDrawerFactory drawers(Document document) {
        var factory = new DefaultObjectDrawerFactory();
        factory.registerDrawer(DRAWING, (element, x, y, width, height, device, context, dotsPerPixel) -> {
            var drawing = document.drawings().get(element.getAttribute("data"));
            if (drawing == null) throw new IllegalStateException("no drawing " + element.getAttribute("data"));
            device.drawWithGraphics(
                    (float) x,
                    (float) y,
                    (float) width,
                    (float) height,
                    pen -> drawing.draw(pen, width / dotsPerPixel, height / dotsPerPixel));
            return null;
        });
        return factory;
    }

    /** Characters of a text for which no font of ours has a sign, each once. */
    static List<String> unprintable(String text) {
        return text.codePoints()
                .filter(c -> !Character.isWhitespace(c) && Character.getType(c) != Character.FORMAT)
                .filter(c -> Letters.OF_TEXT.stream().noneMatch(f -> f.canDisplay(c)))
                .distinct()
                .mapToObj(Character::toString)
                .toList();
    }

    /** What XML cannot hold becomes a space. */
    private static String allowed(String xml) {
        var out = new StringBuilder(xml.length());
        xml.codePoints()
                .map(c -> c == '\n'
                                || c == '\t'
                                || c == '\r'
                                || c >= 0x20 && c != 0xFFFE && c != 0xFFFF && (c < 0xD800 || c > 0xDFFF)
                        ? c
                        : ' ')
                .forEach(out::appendCodePoint);
        return out.toString();
    }

    private static void font(PdfRendererBuilder builder, String file, String family, int weight) {
        builder.useFont(() -> font(file), family, weight, FontStyle.NORMAL, true);
    }

    static InputStream font(String file) {
        return open("/fonts/" + file);
    }

    private static InputStream open(String path) {
        var in = PdfRenderer.class.getResourceAsStream(path);
        if (in == null) throw new IllegalStateException(path + " is not on the class path");
        return in;
    }
}
