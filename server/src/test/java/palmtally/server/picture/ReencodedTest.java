package palmtally.server.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Base64;
import java.util.Random;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.server.problem.Refusal;

/** A picture is decoded and encoded anew: nothing of the file is left but what is seen. */
class ReencodedTest {
    /** Made by Chromium's canvas: 40 × 20, red to the left and blue to the right. */
    private static final byte[] WEBP = Base64.getDecoder()
            .decode(
                    "UklGRnYAAABXRUJQVlA4IGoAAAAwBQCdASooABQAPjEWiEKiISEYDVQAIAMEoAeDfwD8IOECGAfgBXf+4AARx+LweeLykAD+9r4H//yk"
                            + "vT0wj//89o57Rz2j+hHfbgUV3yaG7z2hl3GeW/+e0YOg7N9zhZ13tfCCmHkLAAAA");

    static byte[] red(String format, int width, int height) {
        var image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        var g = image.createGraphics();
        g.setColor(Color.RED);
        g.fillRect(0, 0, width / 2, height);
        g.setColor(Color.BLUE);
        g.fillRect(width / 2, 0, width - width / 2, height);
        g.dispose();
        return written(image, format);
    }

    private static byte[] written(BufferedImage image, String format) {
        try {
            var out = new ByteArrayOutputStream();
            ImageIO.write(image, format, out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private static BufferedImage read(Reencoded picture) throws IOException {
        var image = ImageIO.read(new ByteArrayInputStream(picture.jpeg()));
        assertThat(image.getWidth()).isEqualTo(picture.width());
        assertThat(image.getHeight()).isEqualTo(picture.height());
        return image;
    }

    /** Red or blue, in each corner: top left, top right, bottom left, bottom right. */
    private static String corners(BufferedImage i) {
        int w = i.getWidth() - 1;
        int h = i.getHeight() - 1;
        var all = new StringBuilder();
        for (int rgb : new int[] {i.getRGB(0, 0), i.getRGB(w, 0), i.getRGB(0, h), i.getRGB(w, h)}) {
            var c = new Color(rgb);
            all.append(c.getRed() > 150 && c.getBlue() < 90 ? 'r' : c.getBlue() > 150 && c.getRed() < 90 ? 'b' : '?');
        }
        return all.toString();
    }

    @ParameterizedTest
    @ValueSource(strings = {"png", "jpeg"})
    void what_is_small_stays_as_large_as_it_was(String format) throws IOException {
        var picture = reencoded(red(format, 60, 40));
        assertThat(picture.width() + "×" + picture.height()).isEqualTo("60×40");
        assertThat(corners(read(picture))).isEqualTo("rbrb");
    }

    @Test
    void webp_is_read() throws IOException {
        var picture = reencoded(WEBP);
        assertThat(picture.width() + "×" + picture.height()).isEqualTo("40×20");
        assertThat(corners(read(picture))).isEqualTo("rbrb");
    }

    @ParameterizedTest
    @CsvSource({"3300, 1100, 1600, 533", "1100, 3300, 533, 1600", "1601, 10, 1600, 10"})
    void what_is_large_is_made_small(int width, int height, int keptWidth, int keptHeight) {
        var picture = reencoded(red("png", width, height));
        assertThat(picture.width() + "×" + picture.height()).isEqualTo(keptWidth + "×" + keptHeight);
    }

    /** Noise hardly compresses: it is encoded more coarsely, then made smaller, until it is small enough. */
    @Test
    void what_does_not_compress_is_small_enough_all_the_same() throws IOException {
        var random = new Random(7);
        var noise = new BufferedImage(1600, 1200, BufferedImage.TYPE_INT_RGB);
        for (int x = 0; x < 1600; x++) for (int y = 0; y < 1200; y++) noise.setRGB(x, y, random.nextInt());
        var picture = reencoded(written(noise, "png"));
        assertThat(picture.jpeg().length).isBetween(1, Reencoded.MOST_KEPT);
        assertThat(picture.width()).isBetween(200, 1600);
        read(picture);
    }

    @Test
    void what_can_be_seen_through_is_white() throws IOException {
        var glass = new BufferedImage(20, 20, BufferedImage.TYPE_INT_ARGB);
        assertThat(read(reencoded(written(glass, "png"))).getRGB(10, 10)).isEqualTo(Color.WHITE.getRGB());
    }

    private static byte[] withSegments(byte[] jpeg, int orientation) {
        var tiff = ByteBuffer.allocate(26);
        tiff.put("MM".getBytes(StandardCharsets.US_ASCII)).putShort((short) 42).putInt(8);
        tiff.putShort((short) 1).putShort((short) 0x0112).putShort((short) 3).putInt(1);
        tiff.putShort((short) orientation).putShort((short) 0).putInt(0);
        var out = new ByteArrayOutputStream();
        out.write(jpeg, 0, 2);
        segment(out, 0xE1, "Exif\0\0".getBytes(StandardCharsets.US_ASCII), tiff.array());
        segment(out, 0xFE, new byte[0], "taken at the harbour by Robin".getBytes(StandardCharsets.US_ASCII));
        out.write(jpeg, 2, jpeg.length - 2);
        return out.toByteArray();
    }

    private static void segment(ByteArrayOutputStream out, int marker, byte[] head, byte[] body) {
        int length = 2 + head.length + body.length;
        out.write(0xFF);
        out.write(marker);
        out.write(length >> 8);
        out.write(length);
        out.writeBytes(head);
        out.writeBytes(body);
    }

    /** By hand, of a picture with red to the left: turned and mirrored as EXIF says (CIPA DC-008, orientation, from memory). */
    @ParameterizedTest
    @CsvSource({
        "1, 60×40, rbrb", "2, 60×40, brbr", "3, 60×40, brbr", "4, 60×40, rbrb",
        "5, 40×60, rrbb", "6, 40×60, rrbb", "7, 40×60, bbrr", "8, 40×60, bbrr"
    })
    void a_photo_is_turned_upright_and_tells_nothing_of_its_making(int orientation, String size, String seen)
            throws IOException {
        var photo = withSegments(red("jpeg", 60, 40), orientation);
        var picture = reencoded(photo);
        assertThat(picture.width() + "×" + picture.height()).isEqualTo(size);
        assertThat(corners(read(picture))).isEqualTo(seen);
        assertThat(new String(photo, StandardCharsets.ISO_8859_1)).contains("Exif", "Robin");
        assertThat(new String(picture.jpeg(), StandardCharsets.ISO_8859_1)).doesNotContain("Exif", "Robin");
    }

    private static void refused(byte[] sent, String code) {
        assertThatThrownBy(() -> reencoded(sent))
                .isInstanceOfSatisfying(
                        Refusal.class,
                        r -> assertThat(r.getBody().getProperties()).containsEntry("code", code));
    }

    @Test
    void what_is_no_picture_is_refused() {
        refused(new byte[0], "no-picture");
        refused("GIF89a, and a little more of it".getBytes(StandardCharsets.US_ASCII), "no-picture");
        refused("<svg xmlns='http://www.w3.org/2000/svg'/>".getBytes(StandardCharsets.US_ASCII), "no-picture");
        refused(new byte[Reencoded.MOST_SENT + 1], "too-large");
    }

    @ParameterizedTest
    @ValueSource(strings = {"png", "jpeg"})
    void what_is_damaged_is_refused(String format) {
        var whole = red(format, 60, 40);
        refused(Arrays.copyOf(whole, 40), "damaged-picture");
        var broken = whole.clone();
        Arrays.fill(broken, 16, Math.min(200, broken.length), (byte) 0x5A);
        refused(broken, "damaged-picture");
    }

    /** Its size is read from its header: nothing is decoded. */
    @Test
    void a_small_file_that_would_be_a_huge_picture_is_refused() {
        var png = ByteBuffer.allocate(8 + 25 + 12);
        png.put(new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10}).putInt(13);
        var header = ByteBuffer.allocate(17);
        header.put("IHDR".getBytes(StandardCharsets.US_ASCII)).putInt(100_000).putInt(100_000);
        header.put(new byte[] {8, 2, 0, 0, 0});
        var crc = new CRC32();
        crc.update(header.array());
        png.put(header.array()).putInt((int) crc.getValue());
        refused(png.array(), "too-large");
        refused(red("png", 6400, 6260), "too-large");
    }

    private static Reencoded reencoded(byte[] sent) {
        return Reencoded.of(sent, 1600);
    }
}
