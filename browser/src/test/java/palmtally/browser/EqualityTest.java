package palmtally.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** What the page answers is what the JVM answers: every number by its bits, every sentence by its letters. */
class EqualityTest {
    private static final Path MODULE = Path.of("target/js/palm-core.js");

    private static final Pattern TOTAL = Pattern.compile("\"totalSeconds\":([0-9.]+)");

    private static final Path JS = Path.of("src/test/js");

    /** So long it takes at most on a machine that does much else. */
    private static final double LONGEST_MS = 15 * 60_000;

    /** Kept for whoever looks into a difference. */
    private final Path folder = Path.of("target");

    private Process node(Path cases, Path said) throws IOException {
        return new ProcessBuilder("node", JS + "/compare.mjs", MODULE.toString(), cases.toString())
                .redirectErrorStream(true)
                .redirectOutput(said.toFile())
                .start();
    }

    private String inNode(Path cases) throws IOException, InterruptedException {
        var said = folder.resolve("said.txt");
        node(cases, said).waitFor();
        return Files.readString(said);
    }

    /** The same in Debian's Chromium, in a worker. */
    private String inChromium(Path cases) throws IOException {
        var server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.createContext("/", exchange -> serve(exchange, cases));
        server.start();
        try (var playwright = Playwright.create(
                        new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
                var browser = playwright
                        .chromium()
                        .launch(new BrowserType.LaunchOptions()
                                .setExecutablePath(Path.of("/usr/bin/chromium"))
                                .setArgs(List.of("--no-sandbox", "--disable-gpu")))) {
            var page = browser.newPage();
            page.navigate("http://127.0.0.1:" + server.getAddress().getPort() + "/");
            page.evaluate("() => { const core = new Worker('/worker.mjs', { type: 'module' });"
                    + " core.onmessage = (e) => (window.said = e.data);"
                    + " core.onerror = (e) => (window.said = 'failed: ' + e.message) }");
            page.waitForFunction("() => window.said", null, new Page.WaitForFunctionOptions().setTimeout(LONGEST_MS));
            return (String) page.evaluate("() => window.said");
        } finally {
            server.stop(0);
        }
    }

    private static void serve(HttpExchange exchange, Path cases) throws IOException {
        var name = exchange.getRequestURI().getPath().substring(1);
        var file = name.equals("palm-core.js") ? MODULE : name.equals("cases.jsonl") ? cases : JS.resolve(name);
        boolean there = !name.isEmpty() && Files.isRegularFile(file);
        exchange.getResponseHeaders()
                .set("Content-Type", name.endsWith("js") ? "text/javascript" : "text/html;charset=utf-8");
        exchange.sendResponseHeaders(there || name.isEmpty() ? 200 : 404, 0);
        try (var out = exchange.getResponseBody()) {
            if (there) Files.copy(file, out);
        }
    }

    @Test
    void answers_in_node_and_in_chromium_what_the_jvm_answers() throws Exception {
        var cases = folder.resolve("cases.jsonl");
        int many = Cases.write(cases, 20_261_201L, 10);
        assertThat(many).isGreaterThan(2000);
        var said = folder.resolve("said.txt");
        var node = node(cases, said);
        assertThat(inChromium(cases)).contains(many + " equal, 0 different");
        node.waitFor();
        assertThat(Files.readString(said)).contains(many + " equal, 0 different");
    }

    @Test
    void one_bit_of_one_number_is_seen() throws Exception {
        var cases = folder.resolve("few.jsonl");
        int many = Cases.write(cases, 1, 1);
        var lines = new ArrayList<>(Files.readAllLines(cases));
        for (int i = 0; i < lines.size(); i++) {
            var total = TOTAL.matcher(lines.get(i));
            if (!total.find()) continue;
            var other = Math.nextUp(Double.parseDouble(total.group(1)));
            lines.set(i, total.replaceFirst("\"totalSeconds\":" + other));
            break;
        }
        Files.write(cases, lines);
        assertThat(inNode(cases)).contains(many - 1 + " equal, 1 different");
    }

    /** Nothing hangs on where an object lies in memory. */
    @Test
    void another_start_of_the_jvm_answers_the_same() throws Exception {
        var here = folder.resolve("here.jsonl");
        Cases.write(here, 7, 3);
        var there = folder.resolve("there.jsonl");
        var java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
        var other = new ProcessBuilder(
                        java,
                        "-cp",
                        System.getProperty("java.class.path"),
                        Cases.class.getName(),
                        there.toString(),
                        "7",
                        "3")
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("other.txt").toFile())
                .start();
        assertThat(other.waitFor()).isZero();
        assertThat(Files.mismatch(here, there)).isEqualTo(-1);
    }
}
