package palmtally.server.statement;

import java.io.IOException;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import palmtally.server.problem.Refusal;

/** The text of a PDF, line by line as it is read. */
final class PdfLines {
    static final int MOST_BYTES = 2 << 20;
    private static final int MOST_PAGES = 40;

    private PdfLines() {}

    /** @throws Refusal 422 where it is no PDF that can be read, 413 where it is too large */
    static List<String> of(byte[] pdf) {
        if (pdf.length > MOST_BYTES) throw Refusal.tooLarge("A statement is not larger than 2 MB.");
        if (PackedTooTight.is(pdf)) throw Refusal.invalid("not-readable", "This is no PDF that a statement could be.");
        try (var document = Loader.loadPDF(pdf)) {
            if (document.getNumberOfPages() > MOST_PAGES)
                throw Refusal.invalid("not-readable", "This PDF has more pages than a statement.");
            var stripper = new PDFTextStripper();
            stripper.setSortByPosition(true);
            return stripper.getText(document)
                    .lines()
                    .map(l -> l.strip().replaceAll("\\s+", " "))
                    .filter(l -> !l.isEmpty())
                    .toList();
        } catch (IOException | RuntimeException | StackOverflowError e) {
            if (e instanceof Refusal refused) throw refused;
            throw Refusal.invalid("not-readable", "This is no PDF that can be read.");
        }
    }
}
