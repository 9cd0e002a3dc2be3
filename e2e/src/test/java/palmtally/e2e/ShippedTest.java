package palmtally.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.TreeSet;
import java.util.jar.JarFile;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import palmtally.formats.Json;

/** What the app is shipped as: one jar with what it needs and nothing else. */
class ShippedTest {
    private static final Path JAR = Path.of("..", "server", "target", "server-0.1.0-app.jar");
    private static final Pattern PART = Pattern.compile("(?m)^\\| (\\S+) \\| (\\S+) \\| .*\\S.* \\|$");

    private static List<String> libraries(JarFile jar) {
        return jar.stream()
                .map(e -> e.getName())
                .filter(n -> n.startsWith("BOOT-INF/lib/") && n.endsWith(".jar"))
                .map(n -> n.substring("BOOT-INF/lib/".length()))
                .toList();
    }

    /** Every jar and every package of the web app is in the list with its version, and nothing else is: ./palm licences writes it anew. */
    @Test
    void what_ships_is_what_the_notice_says_with_its_licences() throws IOException {
        var notice = Files.readString(Path.of("..", "NOTICE.md"));
        int web = notice.indexOf("## In the web app");
        var named = new TreeSet<String>();
        PART.matcher(notice.substring(0, web))
                .results()
                .filter(r -> r.group(1).contains(":"))
                .forEach(r -> named.add(r.group(1).replaceFirst(".*:", "") + "-" + r.group(2) + ".jar"));
        var packages = new TreeSet<String>();
        PART.matcher(notice.substring(web)).results().forEach(r -> packages.add(r.group(1) + " " + r.group(2)));
        packages.removeIf(p -> p.equals("part version") || p.startsWith("---"));
        try (var jar = new JarFile(JAR.toFile())) {
            var shipped = new TreeSet<>(libraries(jar));
            shipped.removeIf(n -> n.matches("(core|formats|solver)-0\\.1\\.0\\.jar"));
            // Boot's own, which reads the jars inside the jar.
            shipped.removeIf(n -> n.startsWith("spring-boot-jarmode-tools-"));
            assertThat(named).isEqualTo(shipped);
            var list = jar.getEntry("BOOT-INF/classes/static/licences.json");
            var bundled =
                    Json.MAPPER.readTree(new String(jar.getInputStream(list).readAllBytes(), StandardCharsets.UTF_8));
            assertThat(bundled.size()).isGreaterThan(10);
            for (var p : bundled) {
                assertThat(packages)
                        .contains(p.get("name").asString() + " "
                                + p.get("version").asString());
                // It has its licence in its source and no file of it.
                if (!p.get("name").asString().equals("qrcode-generator"))
                    assertThat(p.get("text").asString(""))
                            .as(p.get("name").asString())
                            .isNotBlank();
            }
            assertThat(packages).hasSize(bundled.size() + 1).anyMatch(p -> p.startsWith("workbox "));
        }
    }

    /** An installed app has an icon for each size that it names, and its shortcuts lead to pages that there are. */
    @Test
    void the_installed_app_has_its_icons_and_its_shortcuts() throws IOException {
        var routes = Files.readString(Path.of("..", "web", "src", "router.ts"));
        try (var jar = new JarFile(JAR.toFile())) {
            var manifest = Json.MAPPER.readTree(file(jar, "/manifest.webmanifest"));
            int drawn = 0;
            for (var icon : manifest.get("icons")) {
                var bytes = file(jar, icon.get("src").asString());
                if (!icon.get("type").asString().equals("image/png")) continue;
                var image = ImageIO.read(new ByteArrayInputStream(bytes));
                assertThat(image.getWidth() + "x" + image.getHeight())
                        .isEqualTo(icon.get("sizes").asString());
                drawn++;
            }
            assertThat(drawn).isEqualTo(3);
            assertThat(manifest.get("shortcuts"))
                    .extracting(s -> s.get("url").asString())
                    .containsExactly("/floor", "/show")
                    .allSatisfy(url -> assertThat(routes).contains("path: '" + url + "'"));
            assertThat(new String(file(jar, "/index.html"), StandardCharsets.UTF_8))
                    .contains("href=\"/apple-touch-icon.png\"");
            file(jar, "/apple-touch-icon.png");
        }
    }

    private static byte[] file(JarFile jar, String path) throws IOException {
        var entry = jar.getEntry("BOOT-INF/classes/static" + path);
        assertThat(entry).as(path).isNotNull();
        return jar.getInputStream(entry).readAllBytes();
    }

    @Test
    void there_is_one_json_library_and_nothing_that_only_writes_documents_of_the_interface() throws IOException {
        try (var jar = new JarFile(JAR.toFile())) {
            var libraries = libraries(jar);
            assertThat(libraries).hasSizeGreaterThan(40);
            assertThat(libraries).noneMatch(n -> n.startsWith("springdoc") || n.startsWith("swagger"));
            assertThat(libraries)
                    .filteredOn(n -> n.matches("jackson-(core|databind)-.*"))
                    .hasSize(2)
                    .allMatch(n -> n.contains("-3."));
        }
    }
}
