package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.e2e.Browser.button;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import palmtally.core.practical.event.Event;
import palmtally.formats.Documents;
import palmtally.formats.FormatException;
import palmtally.formats.Json;
import palmtally.formats.live.SoFar;
import palmtally.server.App;
import palmtally.server.ServerProcess;
import palmtally.server.TestDatabase;
import palmtally.server.Visitor;
import tools.jackson.databind.JsonNode;

/** Several tables at once: nothing lost, with the network and without. */
@ExtendWith(App.class)
@Tag("measured")
class FloorTest {
    @TempDir
    Path folder;

    private static final List<String> STUDENTS =
            List.of("Ana Quill", "Bram Oster", "Cleo Fenn", "Dara Moss", "Eli Thorne", "Fay Linden");

    /** What was tapped, by table and kind. */
    private static final class Tapped {
        final Map<Integer, Map<String, Integer>> at = new TreeMap<>();
        int all;

        void count(int table, String kind) {
            at.computeIfAbsent(table, t -> new TreeMap<>()).merge(kind, 1, Integer::sum);
            all++;
        }
    }

    /**
     * Six practicals at six tables for ten minutes of a fake clock: 400 taps, the network cut for two of the minutes, the server killed
     * once, the tab closed once and opened again.
     */
    @Test
    void six_tables_at_once_lose_nothing() throws Exception {
        int port = ServerProcess.freePort();
        var log = Path.of("target", "floor-server.log");
        try (var database = TestDatabase.fresh();
                var browser = new Browser()) {
            var server = ServerProcess.start(database, port, log, "-XX:TieredStopAtLevel=1");
            try {
                var url = server.url();
                var teacher = Visitor.as(url, "nadia");
                var ids = six(teacher);
                var page = opened(browser, url);
                var tapped = new Tapped();
                grade(page, tapped, 0, 140);
                // Two minutes without a network.
                page.context().setOffline(true);
                grade(page, tapped, 140, 220);
                assertThat(page.getByText(Pattern.compile("\\d+ taps? not stored yet")))
                        .isVisible();
                page.context().setOffline(false);
                grade(page, tapped, 220, 280);
                // Killed, and started again while the grader goes on.
                server.close();
                grade(page, tapped, 280, 310);
                server = ServerProcess.start(database, port, log, "-XX:TieredStopAtLevel=1");
                grade(page, tapped, 310, 340);
                // The tab is closed with taps unsent.
                page.context().setOffline(true);
                grade(page, tapped, 340, 346);
                assertThat(page.getByText(Pattern.compile("\\d+ taps? not stored yet")))
                        .isVisible();
                var context = page.context();
                page.close();
                context.setOffline(false);
                page = context.newPage();
                page.clock().install();
                page.navigate(url + "/floor");
                assertThat(page.locator(".table")).hasCount(6);
                grade(page, tapped, 346, 400);
                page.clock().runFor(5000);
                assertThat(page.getByText("everything stored")).isVisible();
                context.close();
                assertThat(tapped.all).isEqualTo(400);
                check(Visitor.as(url, "nadia"), ids, tapped);
            } finally {
                server.close();
            }
        }
    }

    /** A practical of the calves at each of six tables. */
    private static List<String> six(Visitor teacher) {
        var ids = new ArrayList<String>();
        for (int i = 0; i < 6; i++)
            ids.add(teacher.post(
                            "/api/practicals",
                            "{\"term\":\"" + teacher.term() + "\",\"student\":\"" + teacher.person(STUDENTS.get(i))
                                    + "\",\"sequence\":\"calves\",\"tableNumber\":" + (i + 1) + "}")
                    .json()
                    .get("id")
                    .asString());
        return ids;
    }

    private static Page opened(Browser browser, String url) {
        var page = browser.page();
        Browser.signIn(page, url, "nadia");
        page.evaluate("() => navigator.serviceWorker.ready");
        page.clock().install();
        page.navigate(url + "/floor");
        assertThat(page.locator(".table")).hasCount(6);
        return page;
    }

    /** Taps number {@code from} to {@code to}, one and a half seconds of fake clock each: now from the floor, now at an opened table. */
    private static void grade(Page page, Tapped tapped, int from, int to) {
        for (int i = from; i < to; i++) {
            page.clock().fastForward(1500);
            int table = i % 6;
            if (i % 20 == 19) {
                // Into a table, a number the client says, and back to the floor.
                page.keyboard().press(String.valueOf(table + 1));
                page.keyboard().press("Enter");
                assertThat(page.getByRole(
                                AriaRole.HEADING, new Page.GetByRoleOptions().setName("Table " + (table + 1))))
                        .isVisible();
                page.keyboard().press(String.valueOf(2 + i % 7));
                tapped.count(table, "report");
                page.keyboard().press("g");
                assertThat(page.locator(".table")).hasCount(6);
                continue;
            }
            // A digit chooses the table, a letter the finger, and the key is the table's own. All begin with a step.
            var finger = i < 6 ? "f" : List.of("d", "s", " ", "d", "f").get(i % 5);
            if (finger.equals("f") && i > 80) finger = "s";
            page.keyboard().press(String.valueOf(table + 1));
            page.keyboard().press(finger);
            page.keyboard().press("j");
            tapped.count(
                    table,
                    Map.of("d", "look", "s", "say", " ", "report-answer", "f", "step-start")
                            .get(finger));
        }
    }

    private void check(Visitor teacher, List<String> ids, Tapped tapped) throws Exception {
        for (int t = 0; t < 6; t++) {
            var text = teacher.get("/api/practicals/" + ids.get(t) + "/file").text();
            var record = Json.MAPPER.readTree(text);
            Map<String, Integer> kinds = new HashMap<>();
            var seen = new java.util.HashSet<String>();
            long at = 0;
            Map<String, Long> last = new HashMap<>();
            for (var e : record.get("events")) {
                assertThat(seen.add(e.get("id").asString())).isTrue();
                assertThat(e.get("atMs").asLong()).isGreaterThanOrEqualTo(at);
                at = e.get("atMs").asLong();
                // Of one device in the order in which they were tapped.
                var before = last.put(e.get("device").asString(), e.get("seq").asLong());
                if (before != null) assertThat(e.get("seq").asLong()).isGreaterThan(before);
                if (!e.get("kind").asString().equals("attend"))
                    kinds.merge(e.get("kind").asString(), 1, Integer::sum);
            }
            assertThat(kinds).as("table " + (t + 1)).isEqualTo(tapped.at.get(t));
            var path = "/api/practicals/" + ids.get(t);
            teacher.post(
                    path + "/events",
                    "{\"events\":[{\"id\":\"end" + t + "\",\"device\":\"end\",\"seq\":1,\"atMs\":" + (at + 1)
                            + ",\"kind\":\"finish\",\"data\":{}}]}");
            teacher.post(path + "/rating", "{\"value\":60}");
            assertThat(teacher.get(path).json().get("scores"))
                    .isEqualTo(scored(teacher.get(path + "/file").text()));
        }
    }

    /** What {@code ./palm score} says of a record. */
    private JsonNode scored(String record) throws Exception {
        var file = Files.writeString(folder.resolve("record.json"), record);
        var out = folder.resolve("scores.json");
        var process = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-cp",
                        System.getProperty("java.class.path"),
                        "palmtally.formats.CommandLine",
                        "score",
                        file.toString())
                .redirectOutput(out.toFile())
                .redirectError(ProcessBuilder.Redirect.INHERIT)
                .start();
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        return Json.MAPPER.readTree(Files.readString(out));
    }

    /**
     * The network is cut before the first tap and comes back after the last, and the page is closed and opened in between: at every moment
     * how much was seen, and what is due, is what the server says of those taps afterwards.
     */
    @Test
    void with_the_network_cut_from_start_to_end_all_goes_on_and_is_what_the_server_says_afterwards(App.Running app)
            throws Exception {
        try (var browser = new Browser()) {
            var first = browser.page();
            browser.watching(first, "floor-cut", () -> {
                var teacher = Visitor.as(app.url(), "nadia");
                var id = teacher.practical("Cleo Fenn", "hip");
                var page = first;
                CoreHeard.in(page);
                Browser.signIn(page, app.url(), "nadia");
                page.evaluate("() => navigator.serviceWorker.ready");
                page.navigate(app.url() + "/floor");
                page.locator(".table").first().waitFor();
                page.navigate(app.url() + "/grade/" + id);
                button(page, "Finish").waitFor();
                // The rules are there, and the grader's eyes were written down.
                CoreHeard.settled(page);
                page.clock().install();
                page.context().setOffline(true);
                var said = new ArrayList<String>();
                taps(page, 0, 45);
                said.addAll(heard(page));
                var context = page.context();
                page.close();
                page = context.newPage();
                CoreHeard.in(page);
                page.clock().install();
                page.navigate(app.url() + "/grade/" + id);
                button(page, "Finish").waitFor();
                CoreHeard.settled(page);
                taps(page, 45, 90);
                assertThat(page.getByText(
                                Pattern.compile("^[5-9]\\d taps not stored yet|^1\\d\\d taps not stored yet")))
                        .isVisible();
                said.addAll(heard(page));
                var palm = page.locator(".foot svg").getAttribute("aria-label");
                context.setOffline(false);
                page.clock().runFor(5000);
                assertThat(page.getByText(Pattern.compile("^all \\d+ taps stored")))
                        .isVisible();

                assertThat(held(teacher, id, said)).isGreaterThan(80);
                var server = teacher.get("/api/practicals/" + id + "/scores").json();
                assertThat(numbers(Json.MAPPER.readTree(said.get(said.size() - 1))))
                        .isEqualTo(numbers(server));
                assertThat(page.locator(".foot svg").getAttribute("aria-label")).isEqualTo(palm);
            });
        }
    }

    /** The same at six tables side by side, from the floor and at opened tables. */
    @Test
    void with_the_network_cut_six_tables_say_what_the_server_says_afterwards() throws Exception {
        // A floor of its own: other tests leave tables on theirs.
        try (var app = App.start(TestDatabase.fresh(), true);
                var browser = new Browser()) {
            var first = browser.page();
            browser.watching(first, "floor-cut-six", () -> {
                var teacher = Visitor.as(app.url(), "nadia");
                var page = first;
                CoreHeard.in(page);
                Browser.signIn(page, app.url(), "nadia");
                var ids = six(teacher);
                page.evaluate("() => navigator.serviceWorker.ready");
                page.navigate(app.url() + "/floor");
                assertThat(page.locator(".table")).hasCount(6);
                CoreHeard.settled(page);
                page.clock().install();
                page.context().setOffline(true);
                var said = new HashMap<String, List<String>>();
                var tapped = new Tapped();
                grade(page, tapped, 0, 60);
                hear(page, said);
                var context = page.context();
                page.close();
                page = context.newPage();
                CoreHeard.in(page);
                page.clock().install();
                page.navigate(app.url() + "/floor");
                assertThat(page.locator(".table")).hasCount(6);
                CoreHeard.settled(page);
                grade(page, tapped, 60, 120);
                hear(page, said);
                context.setOffline(false);
                page.clock().runFor(5000);
                assertThat(page.getByText("everything stored")).isVisible();
                for (var id : ids) {
                    assertThat(held(teacher, id, said.get(id))).isGreaterThan(12);
                    var last = said.get(id).get(said.get(id).size() - 1);
                    var server =
                            teacher.get("/api/practicals/" + id + "/scores").json();
                    assertThat(numbers(Json.MAPPER.readTree(last))).isEqualTo(numbers(server));
                }
            });
        }
    }

    /** What a page heard of each table, in its order. */
    private static void hear(Page page, Map<String, List<String>> said) {
        CoreHeard.settled(page);
        var asked = CoreHeard.asked(page);
        var answers = CoreHeard.said(page);
        for (int i = 0; i < asked.size(); i++) {
            var question = Json.MAPPER.readTree(asked.get(i));
            if (List.of("open", "see").contains(question.get("ask").asString())
                    && answers.get(i).contains("\"counted\""))
                said.computeIfAbsent(question.get("body").get("id").asString(), k -> new ArrayList<>())
                        .add(answers.get(i));
        }
    }

    /** Holds each answer of a page to what the core says of as many taps of the record, and counts them. */
    private static int held(Visitor teacher, String id, List<String> said) throws FormatException {
        var record = Documents.readPractical(
                teacher.get("/api/practicals/" + id + "/file").text());
        var row = teacher.get("/api/practicals/" + id).json();
        var limit =
                row.get("limitSeconds") == null ? null : row.get("limitSeconds").asDouble();
        var tapped = record.events().stream()
                .sorted(Comparator.comparingLong(Event::seq))
                .toList();
        for (var one : said) {
            var live = Json.MAPPER.readTree(one);
            var then = record.with(
                    record.asked(), tapped.subList(0, live.get("counted").asInt()));
            assertThat(numbers(live)).isEqualTo(numbers(Json.MAPPER.valueToTree(SoFar.of(then, limit, false))));
        }
        return said.size();
    }

    /** A page knows one kind of number. */
    private static JsonNode numbers(JsonNode of) {
        return Json.MAPPER.readTree(of.toString().replaceAll("(?<=[:\\[,]-?\\d{1,18})\\.0(?=[,}\\]])", ""));
    }

    private static List<String> heard(Page page) {
        return CoreHeard.said(page).stream()
                .filter(said -> said.contains("\"counted\""))
                .toList();
    }

    /** Of everything something: steps, numbers, looks, words, the sheet, permission, depths, what is taken back, and a break. */
    private static void taps(Page page, int from, int to) {
        for (int i = from; i < to; i++) {
            page.clock().fastForward(4000);
            if (i % 9 == 0) page.keyboard().press("Enter");
            else if (i % 9 == 4) page.keyboard().press("Shift+Digit" + i % 6);
            else if (i % 11 == 5) page.keyboard().press("u");
            else if (i % 23 == 20 || i % 23 == 21) page.keyboard().press("b");
            else if (i % 3 == 0) page.keyboard().press(String.valueOf(i % 10));
            else {
                page.keyboard().press(List.of("a", "s", "d", " ", "f").get(i % 5));
                page.keyboard().press(List.of("j", "k", "l").get(i % 3));
            }
            CoreHeard.settled(page);
        }
    }
}
