package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import palmtally.server.TestDatabase;
import palmtally.server.Visitor;

/** The server as a process of its own is killed with kill −9 while a grader taps, and started again. */
class KilledServerTest {
    private static Process start(TestDatabase database, int port) throws IOException, InterruptedException {
        var command = new ProcessBuilder(List.of(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-XX:TieredStopAtLevel=1",
                        "-XX:+UseSerialGC",
                        "-cp",
                        System.getProperty("java.class.path"),
                        "palmtally.server.PalmTally",
                        "--logging.level.root=warn"))
                .redirectErrorStream(true)
                .redirectOutput(Path.of("target", "killed-server.log").toFile());
        var settings = command.environment();
        settings.put("PORT", String.valueOf(port));
        settings.put("DB_URL", database.url());
        settings.put("DB_USER", database.user());
        settings.put("DB_PASSWORD", database.password());
        settings.put("PALM_DEMO", "true");
        var process = command.start();
        var client = HttpClient.newHttpClient();
        for (int i = 0; i < 600; i++) {
            if (!process.isAlive()) throw new IllegalStateException("the server ended; see target/killed-server.log");
            try {
                var request = HttpRequest.newBuilder(URI.create("http://localhost:" + port + "/api/session"))
                        .build();
                var answer = client.send(request, HttpResponse.BodyHandlers.ofString());
                if (answer.statusCode() == 200 && answer.body().contains("Breakwater")) return process;
            } catch (IOException e) {
                // Not there yet.
            }
            Thread.sleep(200);
        }
        throw new IllegalStateException("the server did not answer within two minutes");
    }

    private static int freePort() throws IOException {
        try (var socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    @Test
    void no_tap_that_was_shown_as_stored_is_lost_and_what_was_tapped_meanwhile_arrives() throws Exception {
        int port = freePort();
        var url = "http://localhost:" + port;
        try (var database = TestDatabase.fresh();
                var browser = new Browser()) {
            var server = start(database, port);
            try {
                var teacher = Visitor.as(url, "nadia");
                var id = teacher.practical("Jun Pell", "calves");
                var page = browser.page();
                Browser.signIn(page, url, "nadia");
                page.navigate(url + "/grade/" + id);
                browser.watching(page, "killed-server", () -> {
                    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Finish"))
                            .waitFor();
                    page.keyboard().press("Enter");
                    for (var key : List.of("s", "j", "k", "2")) page.keyboard().press(key);
                    // Attend, step, two sayings, a report.
                    assertThat(page.getByText("all 5 taps stored")).isVisible();
                });

                server.destroyForcibly().waitFor();
                for (var key : List.of("3", "4", "d", "j")) page.keyboard().press(key);
                assertThat(page.getByText("3 taps not stored yet")).isVisible();
                assertThat(database.count("select count(*) from event where practical_id = '" + id + "'"))
                        .isEqualTo(5);

                server = start(database, port);
                assertThat(page.getByText("all 8 taps stored")).isVisible();
                var stored = Visitor.as(url, "nadia")
                        .get("/api/practicals/" + id)
                        .json()
                        .get("events");
                assertThat(stored.size()).isEqualTo(8);
                var seqs = new java.util.ArrayList<Integer>();
                stored.forEach(e -> seqs.add(e.get("seq").asInt()));
                assertThat(seqs).containsExactly(1, 2, 3, 4, 5, 6, 7, 8);

                // The page is closed with its taps unsent, and opened again.
                server.destroyForcibly().waitFor();
                page.keyboard().press("5");
                assertThat(page.getByText("1 tap not stored yet")).isVisible();
                server = start(database, port);
                page.reload();
                assertThat(page.getByText(Pattern.compile("all (10|11) taps stored")))
                        .isVisible();
                assertThat(database.count("select count(*) from event where practical_id = '" + id
                                + "' and kind = 'report' and data->>'number' = '5'"))
                        .isEqualTo(1);
                page.context().close();
            } finally {
                server.destroyForcibly();
            }
        }
    }
}
