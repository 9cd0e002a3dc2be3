package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The school's head on what it hands out. */
@ExtendWith(App.class)
class LetterheadTest {
    private static final String PATH = "/api/school/letterhead";
    private static final String LINES = """
            {"lines":["  Mole Road 3, 4711 Saltholm ", "", "Licence\\u0007 SH-204"]}""";

    /** Broader than a logo is kept. */
    private static byte[] logo() throws IOException {
        var image = new BufferedImage(1200, 300, BufferedImage.TYPE_INT_ARGB);
        for (int x = 0; x < 600; x++) for (int y = 0; y < 300; y++) image.setRGB(x, y, 0xFF205060);
        var out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    private static Visitor.Answer setLogo(Visitor visitor, byte[] sent) {
        return visitor.ask("PUT", PATH + "/logo", sent, "application/octet-stream");
    }

    /** Width and height of what is pictured on the first page, from its first image on. */
    private static List<String> images(byte[] pdf) throws IOException {
        var sizes = new ArrayList<String>();
        try (var document = Loader.loadPDF(pdf)) {
            var resources = document.getPage(0).getResources();
            for (var name : resources.getXObjectNames())
                if (resources.getXObject(name) instanceof PDImageXObject i)
                    sizes.add(i.getWidth() + "×" + i.getHeight());
        }
        return sizes;
    }

    private static String text(byte[] pdf) throws IOException {
        try (var document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document);
        }
    }

    @AfterEach
    void nothing_is_left(App.Running app) {
        var lead = Visitor.as(app.url(), "lead");
        lead.put(PATH, "{\"lines\":[]}");
        lead.delete(PATH + "/logo");
    }

    @Test
    void logo_and_lines_stand_on_what_is_handed_out(App.Running app) throws Exception {
        var lead = Visitor.as(app.url(), "lead");
        assertThat(lead.put(PATH, LINES).json().get("lines").toString())
                .isEqualTo("[\"Mole Road 3, 4711 Saltholm\",\"Licence SH-204\"]");
        var given = setLogo(lead, logo()).json().get("logo").asString();
        assertThat(given).startsWith("data:image/jpeg;base64,");
        var kept = ImageIO.read(
                new ByteArrayInputStream(Base64.getDecoder().decode(given.substring(given.indexOf(',') + 1))));
        assertThat(kept.getWidth() + "×" + kept.getHeight()).isEqualTo("600×150");

        var lab = Lab.in(app, "Head");
        var ada = lab.students().get(0);
        lab.awarded(ada, 71, true, "");
        var statement = lab.teacher().post(lab.at("/statements/" + ada), "").json();
        var file = "/api/statements/" + statement.get("id").asString() + "/file";
        var papers = List.of(
                lab.teacher().bytes(file),
                lab.teacher().bytes("/api/competency/students/" + ada + "/report?term=" + lab.term()),
                lab.teacher().bytes(lab.at("/report")));
        for (var pdf : papers) {
            assertThat(text(pdf)).contains("Mole Road 3, 4711 Saltholm\nLicence SH-204");
            assertThat(images(pdf)).containsExactly("600×150");
            var on = Files.createTempFile("paper", ".pdf");
            PdfUa.assertAccessible(Files.write(on, pdf));
            Files.delete(on);
        }
        // What is printed anew is of the same code; what was handed out before stays known.
        lead.delete(PATH + "/logo");
        assertThat(images(lab.teacher().bytes(file))).isEmpty();
        assertThat(lead.get(PATH).json().has("logo")).isFalse();
    }

    @Test
    void is_the_leads_alone_and_takes_what_fits(App.Running app) throws Exception {
        var lead = Visitor.as(app.url(), "lead");
        for (var who : List.of("nadia", "olle", "ana")) {
            var other = Visitor.as(app.url(), who);
            assertThat(other.put(PATH, LINES).status()).as(who).isEqualTo(403);
            assertThat(setLogo(other, logo()).status()).as(who).isEqualTo(403);
            assertThat(other.get(PATH).status()).as(who).isEqualTo(403);
            assertThat(other.delete(PATH + "/logo").status()).as(who).isEqualTo(403);
        }
        assertThat(lead.put(PATH, "{\"lines\":[\"a\",\"b\",\"c\",\"d\",\"e\"]}").text())
                .contains("may be 4 at most");
        assertThat(lead.put(PATH, "{\"lines\":[\"" + "m".repeat(101) + "\"]}").text())
                .contains("may have 100 letters at most");
        assertThat(lead.put(PATH, "{\"lines\":[\"" + "m".repeat(100) + "\"]}").status())
                .isEqualTo(200);
        assertThat(setLogo(lead, "a file of words, no picture".getBytes(StandardCharsets.UTF_8))
                        .code())
                .isEqualTo("no-picture");
    }
}
