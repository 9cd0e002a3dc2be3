package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.formats.Json;
import tools.jackson.databind.node.ObjectNode;

/** A picture of the school's own: taken with its statement, shown to who teaches and on the screen of its demonstration, printed. */
@ExtendWith(App.class)
class PictureTest {
    private static byte[] png(int colour) throws IOException {
        var image = new BufferedImage(50, 30, BufferedImage.TYPE_INT_RGB);
        for (int x = 0; x < 50; x++) for (int y = 0; y < 30; y++) image.setRGB(x, y, colour);
        var out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    private static Visitor.Answer send(Visitor visitor, byte[] sent, boolean agreed) {
        return visitor.ask("POST", "/api/pictures?agreed=" + agreed, sent, "application/octet-stream");
    }

    @Test
    void is_taken_with_its_statement_and_is_the_same_where_it_is_sent_again(App.Running app) throws IOException {
        var nadia = Visitor.as(app.url(), "nadia");
        var refused = send(nadia, png(0x336699), false);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.json().get("detail").asString()).contains("anyone who can be recognised agreed in writing");
        var added = send(nadia, png(0x336699), true);
        assertThat(added.status()).isEqualTo(201);
        var id = added.json().get("id").asString();
        assertThat(id).matches("[0-9a-f]{32}");
        assertThat(send(nadia, png(0x336699), true).json().get("id").asString()).isEqualTo(id);
        assertThat(send(nadia, png(0x996633), true).json().get("id").asString()).isNotEqualTo(id);
        var image = ImageIO.read(new ByteArrayInputStream(nadia.bytes("/api/pictures/" + id)));
        assertThat(image.getWidth() + "×" + image.getHeight()).isEqualTo("50×30");
    }

    @Test
    void is_refused_where_it_is_none(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var text = send(nadia, "not a picture, but long enough".getBytes(StandardCharsets.UTF_8), true);
        assertThat(text.status()).isEqualTo(422);
        assertThat(text.json().get("code").asString()).isEqualTo("no-picture");
        var large = send(nadia, new byte[10_000_001], true);
        assertThat(large.status()).isEqualTo(413);
        assertThat(large.json().get("detail").asString())
                .isEqualTo("A picture may have 10 MB; save it smaller and try again.");
        assertThat(nadia.get("/api/pictures/" + "0".repeat(32)).status()).isEqualTo(404);
        assertThat(nadia.get("/api/pictures/..%2f").status()).isBetween(400, 404);
    }

    @Test
    void is_seen_by_who_teaches_and_on_the_screen_of_its_demonstration_alone(App.Running app) throws Exception {
        var nadia = Visitor.as(app.url(), "nadia");
        var id = send(nadia, png(0x2a7f62), true).json().get("id").asString();
        var other = send(nadia, png(0x7f2a62), true).json().get("id").asString();
        var hip = nadia.get("/api/sequences/hip").json();
        var step = (ObjectNode)
                hip.get("sequence").get("blocks").get(0).get("steps").get(0);
        var detail = step.has("detail") ? (ObjectNode) step.get("detail") : step.putObject("detail");
        detail.put("picture", id);
        var edit = Json.MAPPER.createObjectNode();
        edit.put("from", hip.get("version").asInt());
        edit.set("sequence", hip.get("sequence"));
        assertThat(nadia.put("/api/sequences/hip", edit.toString()).status()).isEqualTo(200);
        try (var pdf = Loader.loadPDF(nadia.bytes("/api/sequences/hip/handout"))) {
            int pictures = 0;
            for (var page : pdf.getPages())
                for (var name : page.getResources().getXObjectNames())
                    if (page.getResources().isImageXObject(name)) pictures++;
            assertThat(pictures).isEqualTo(1);
        }
        assertThat(Visitor.at(app.url()).get("/api/pictures/" + id).status()).isEqualTo(401);
        assertThat(Visitor.as(app.url(), "ana").get("/api/pictures/" + id).status())
                .isEqualTo(403);

        var begun = nadia.post("/api/sequences/hip/demonstrations", Json.MAPPER.writeValueAsString(Map.of()));
        assertThat(begun.status()).as(begun.text()).isEqualTo(201);
        var code = begun.json().get("screen").asString();
        var stranger = Visitor.at(app.url());
        assertThat(stranger.bytes("/api/screens/" + code + "/pictures/" + id)).startsWith(0xFF, 0xD8);
        assertThat(stranger.get("/api/screens/" + code + "/pictures/" + other).status())
                .isEqualTo(404);
        assertThat(stranger.get("/api/screens/nosuch/pictures/" + id).status()).isEqualTo(404);
    }
}
