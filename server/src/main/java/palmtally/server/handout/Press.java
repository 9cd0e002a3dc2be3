package palmtally.server.handout;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.jspecify.annotations.Nullable;

/** Makes a PDF of a page of XHTML: fonts embedded, nothing fetched from anywhere. */
final class Press {
    /** Margin on each side, in millimetres. */
    static final double MARGIN = 13;

    private static final String STYLE = """
            @page { size: %s; margin: 13mm 13mm 15mm 13mm;
              @bottom-left { content: "%s"; font: 7.5pt Text, Latin, Wide; color: #333 }
              @bottom-right { content: counter(page) " of " counter(pages); font: 7.5pt Text, Latin, Wide; color: #333 } }
            body { font: %spt/1.3 Text, Latin, Wide; color: #111; margin: 0 }
            h1 { font: 2.1em/1.15 Head, HeadLatin, Wide; margin: 0 0 0.3em 0 }
            h2 { font: 1.33em/1.2 Head, HeadLatin, Wide; margin: 1em 0 0.35em 0; page-break-after: avoid }
            p { margin: 0 0 0.38em 0 }
            table { border-collapse: collapse; width: 100%%; -fs-table-paginate: paginate }
            th { text-align: left; font-size: 0.83em; border-bottom: 0.4mm solid #111; padding: 0.25em 1.2mm; vertical-align: bottom }
            td { border-bottom: 0.15mm solid #777; padding: 0.28em 1.2mm; vertical-align: top }
            tr { page-break-inside: avoid }
            tr.above { page-break-after: avoid }
            tr.above td { border-bottom: 0; padding-bottom: 0 }
            tr { page-break-inside: avoid }
            .soft { color: #333 } .small { font-size: 0.83em } .n { text-align: right; white-space: nowrap } .k { white-space: nowrap } .who { width: 30mm }
            .box { border: 0.3mm solid #111; padding: 1.5mm 2.5mm; margin: 2mm 0; page-break-inside: avoid }
            .rule { border-bottom: 0.15mm solid #777; height: 2.5em }
            .strip { position: relative; border: 0.2mm solid #777; margin: 1mm 0 2mm 0 }
            .strip div { position: absolute; overflow: hidden }
            .lane { border-bottom: 0.1mm solid #999 }
            .name { font-size: 6.5pt; font-weight: bold }
            .work { border: 0.2mm solid #111; background: #ddd; font-size: 6.5pt; text-align: center }
            .press { border: 0.15mm solid #111; background: #999 }
            .open { background: #bbb; border: 0.15mm solid #111 }
            .say { background: #111 }
            """;

    /** Where the bytes of a picture stand in the page itself. */
    static final String JPEG = "data:image/jpeg;base64,";

    private Press() {}

    static {
        XRLog.setLoggingEnabled(false);
    }

    /**
     * @param foot line at the foot of every page
     * @param points size of the text
     */
    static byte[] print(String title, String body, Paper paper, String foot, double points) {
        var html = "<html lang=\"en\"><head><title>" + escape(title) + "</title><style>"
                + STYLE.formatted(paper.size(), foot.replace("\"", "'"), points)
                + "</style></head><body>" + body + "</body></html>";
        var out = new ByteArrayOutputStream();
        var builder = new PdfRendererBuilder()
                .withHtmlContent(html, null)
                .withProducer("Palm Tally")
                .useUriResolver((base, uri) -> uri.startsWith(JPEG) ? uri : null)
                .toStream(out);
        font(builder, "atkinson-hyperlegible-next-latin-400.ttf", "Text", 400);
        font(builder, "atkinson-hyperlegible-next-latin-700.ttf", "Text", 700);
        font(builder, "atkinson-hyperlegible-next-latin-ext-400.ttf", "Latin", 400);
        font(builder, "atkinson-hyperlegible-next-latin-ext-700.ttf", "Latin", 700);
        font(builder, "DejaVuSans.ttf", "Wide", 400);
        font(builder, "DejaVuSans-Bold.ttf", "Wide", 700);
        font(builder, "bricolage-grotesque-latin-600.ttf", "Head", 400);
        font(builder, "bricolage-grotesque-latin-ext-600.ttf", "HeadLatin", 400);
        try {
            builder.run();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    /** The same on one page: the text gets smaller until it fits, and after 5.5 points goes on to a second page. */
    static byte[] printOnOne(String title, String body, Paper paper, String foot) {
        byte[] pdf = new byte[0];
        for (double points : List.of(9.0, 8.0, 7.0, 6.2, 5.5)) {
            pdf = print(title, body, paper, foot, points);
            try (var read = Loader.loadPDF(pdf)) {
                if (read.getNumberOfPages() == 1) return pdf;
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return pdf;
    }

    private static void font(PdfRendererBuilder builder, String file, String family, int weight) {
        builder.useFont(() -> open(file), family, weight, FontStyle.NORMAL, true);
    }

    private static InputStream open(String file) {
        var in = Press.class.getResourceAsStream("/fonts/" + file);
        if (in == null) throw new IllegalStateException("font " + file + " is not on the class path");
        return in;
    }

    /** Text for XHTML; what XML cannot hold becomes a space. */
    static String escape(@Nullable String text) {
        if (text == null) return "";
        var out = new StringBuilder();
        text.codePoints().forEach(c -> {
            switch (c) {
                case '<' -> out.append("&lt;");
                case '>' -> out.append("&gt;");
                case '&' -> out.append("&amp;");
                case '"' -> out.append("&quot;");
                default -> {
                    boolean held = c >= 0x20 && c != 0xFFFE && c != 0xFFFF && !(c >= 0xD800 && c <= 0xDFFF);
                    if (held) out.appendCodePoint(c);
                    else out.append(' ');
                }
            }
        });
        return out.toString();
    }
}
