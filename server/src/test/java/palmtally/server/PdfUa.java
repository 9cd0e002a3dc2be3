package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.TreeMap;
import org.verapdf.core.EncryptedPdfException;
import org.verapdf.core.ModelParsingException;
import org.verapdf.core.ValidationException;
import org.verapdf.gf.foundry.VeraGreenfieldFoundryProvider;
import org.verapdf.pdfa.Foundries;
import org.verapdf.pdfa.flavours.PDFAFlavour;
import org.verapdf.pdfa.results.TestAssertion;

/** Whether a PDF can be read aloud: ISO 14289-1 (PDF/UA-1) by veraPDF's own validation profile. */
final class PdfUa {
    static {
        VeraGreenfieldFoundryProvider.initialise();
    }

    private PdfUa() {}

    static void assertAccessible(Path pdf) throws IOException {
        try (InputStream in = Files.newInputStream(pdf);
                var parser = Foundries.defaultInstance().createParser(in, PDFAFlavour.PDFUA_1);
                var validator = Foundries.defaultInstance().createValidator(PDFAFlavour.PDFUA_1, false)) {
            var result = validator.validate(parser);
            var failed = new TreeMap<String, Integer>();
            for (var a : result.getTestAssertions())
                if (a.getStatus() == TestAssertion.Status.FAILED)
                    failed.merge(
                            a.getRuleId().getClause() + "-" + a.getRuleId().getTestNumber() + " " + a.getMessage(),
                            1,
                            Integer::sum);
            assertThat(failed).as(pdf.toString()).isEmpty();
            assertThat(result.isCompliant()).isTrue();
            assertThat(result.getTotalAssertions()).as("checks that were made").isGreaterThan(500);
        } catch (ModelParsingException | EncryptedPdfException | ValidationException e) {
            throw new IOException(e);
        }
    }
}
