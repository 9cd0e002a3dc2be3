package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import palmtally.server.ServerProcess;
import palmtally.server.TestDatabase;
import palmtally.server.Visitor;

/** The server as a process of its own is killed with kill −9 while a grader taps, and started again. */
class KilledServerTest {
    private static ServerProcess start(TestDatabase database, int port) throws IOException, InterruptedException {
        return ServerProcess.start(database, port, Path.of("target", "killed-server.log"), "-XX:TieredStopAtLevel=1");
    }

    @Test
    void no_tap_that_was_shown_as_stored_is_lost_and_what_was_tapped_meanwhile_arrives() throws Exception {
        int port = ServerProcess.freePort();
        try (var database = TestDatabase.fresh();
                var browser = new Browser()) {
            var server = start(database, port);
            var url = server.url();
            try {
                // As it is served, a password takes its time to be guessed.
                assertThat(database.count(
                                "select count(*) from account where password not like '{sha384-bcrypt}$2a$10$%'"))
                        .isZero();
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

                server.close();
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
                server.close();
                page.keyboard().press("5");
                assertThat(page.getByText("1 tap not stored yet")).isVisible();
                server = start(database, port);
                page.reload();
                assertThat(page.getByText(Pattern.compile("all (9|10|11) taps stored")))
                        .isVisible();
                assertThat(database.count("select count(*) from event where practical_id = '" + id
                                + "' and kind = 'report' and data->>'number' = '5'"))
                        .isEqualTo(1);
                page.context().close();
            } finally {
                server.close();
            }
        }
    }
}
