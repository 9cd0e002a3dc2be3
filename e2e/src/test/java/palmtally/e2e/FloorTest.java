package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.e2e.Browser.button;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
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

/** Several tables at once: set up in a few touches, nothing lost, and time away from a table judged by nobody. */
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

    @Test
    void a_practical_at_three_tables_is_set_up_in_a_few_touches(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            browser.watching(page, "floor-set-up", () -> {
                Browser.signIn(page, app.url(), "olle");
                page.navigate(app.url() + "/grade");
                page.getByLabel("Sequence").selectOption("feet");
                button(page, "One table more").click();
                button(page, "One table more").click();
                page.getByLabel("Minutes").fill("20");
                button(page, "Fill in").click();
                for (int i = 0; i < 3; i++)
                    button(page, "Nothing today").first().click();
                button(page, "Start 3 together").click();
                page.waitForURL("**/floor");
                assertThat(page.locator(".table")).hasCount(3);
                assertThat(page.getByText("not begun")).hasCount(3);
                assertThat(page.getByText("of 20:00")).hasCount(3);
                // One key a tap, one key to a table; and back.
                page.keyboard().press("f");
                page.keyboard().press("j");
                assertThat(page.locator(".table").first()).containsText("1 ");
                assertThat(page.getByText("not begun")).hasCount(2);
                page.locator(".table a").nth(1).click();
                button(page, "Finish").waitFor();
                // A digit that was meant for the floor does no harm.
                page.keyboard().press("3");
                assertThat(page.getByText("3 was not written down")).isVisible();
                page.keyboard().press("Enter");
                page.keyboard().press("9");
                assertThat(page.getByText("said 9: answer?")).isVisible();
                page.keyboard().press("g");
                assertThat(page.locator(".table").nth(1)).containsText("said 9: answer?");
                page.keyboard().press("ArrowRight");
                page.keyboard().press(" ");
                page.keyboard().press("j");
                assertThat(page.locator(".table").nth(1)).not().containsText("said 9");
                page.keyboard().press("u");
                assertThat(page.locator(".table").nth(1)).containsText("said 9: answer?");
                assertThat(page.getByText("everything stored")).isVisible();
                // Eyes on the second table only, and only while it was open.
                var floor = Visitor.as(app.url(), "olle").get("/api/floor").json();
                for (int i = 0; i < 3; i++) {
                    var attended = new ArrayList<Boolean>();
                    for (var e : floor.get(i).get("events"))
                        if (e.get("kind").asString().equals("attend"))
                            attended.add(e.get("data").get("on").asBoolean());
                    assertThat(attended).isEqualTo(i == 1 ? List.of(true, false) : List.of());
                }
            });
        }
    }

    /** The stand-in that ships plays a ticklish client; a stop it says is called out, and it ends with the practical. */
    @Test
    void a_simulated_handset_plays_along(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            browser.watching(page, "floor-stand-in", () -> {
                var teacher = Visitor.as(app.url(), "nadia");
                var id = teacher.practical("Bram Oster", "calves");
                var code = teacher.post("/api/practicals/" + id + "/handset", "")
                        .json()
                        .get("code")
                        .asString();
                Browser.signIn(page, app.url(), "nadia");
                page.navigate(app.url() + "/grade/" + id);
                var out = new java.io.ByteArrayOutputStream();
                var playing = java.util.concurrent.CompletableFuture.supplyAsync(() -> {
                    try {
                        return palmtally.devices.Handset.run(
                                new String[] {app.url(), code, "ticklish", "--seed", "3", "--speed", "60"},
                                new java.io.PrintStream(out, true));
                    } catch (InterruptedException e) {
                        throw new IllegalStateException(e);
                    }
                });
                assertThat(page.getByText("tickles, said the client").first()).isVisible();
                Visitor.at(app.url())
                        .post("/api/handsets/" + code + "/reports", "{\"id\":\"s\",\"seq\":900,\"word\":\"stop\"}");
                assertThat(page.getByText("Table 1: stop, said the client")).isVisible();
                button(page, "Finish").click();
                assertThat(playing.get(30, TimeUnit.SECONDS)).isZero();
                assertThat(out.toString()).contains("It is over.");
            });
        }
    }

    /** What the one on the table must be spared blocks what clashes; a break, a correction, and then the two change roles. */
    @Test
    void a_body_that_must_be_spared_is_asked_only_what_it_can_bear(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            browser.watching(page, "floor-spared", () -> {
                Browser.signIn(page, app.url(), "nadia");
                page.navigate(app.url() + "/grade");
                page.getByLabel("Sequence").selectOption("calves");
                page.getByLabel("Student").selectOption(new SelectOption().setLabel("Jun Pell"));
                page.getByLabel("On the table").selectOption(new SelectOption().setLabel("Fay Linden"));
                assertThat(page.getByText("Ask Fay Linden")).isVisible();
                assertThat(button(page, "Start")).isDisabled();
                button(page, "Something").click();
                page.getByLabel("What is it").selectOption("numb");
                page.getByLabel("Where is it").selectOption("calf");
                page.getByLabel("On which side is it").selectOption("left");
                button(page, "Note it").click();
                assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("numb on this client");
                assertThat(button(page, "Start")).isDisabled();
                button(page, "The right side only").click();
                button(page, "Start").click();
                page.waitForURL(Pattern.compile(".*/grade/[0-9a-f-]{36}"));
                assertThat(page.getByText("Spare: numb: left calf")).isVisible();
                assertThat(page.locator(".tile").filter(new Locator.FilterOptions().setHasText("left")))
                        .hasCount(0);
                page.keyboard().press("b");
                assertThat(page.getByText("nothing counts until it goes on")).isVisible();
                page.keyboard().press("b");
                page.keyboard().press("Enter");
                page.keyboard().press("8");
                assertThat(page.getByText("said 8: answer?")).isVisible();
                button(page, "Log").click();
                var line = page.getByRole(AriaRole.LISTITEM)
                        .filter(new Locator.FilterOptions().setHasText("the client said 8"));
                line.getByText("It was…").click();
                line.getByRole(
                                AriaRole.BUTTON,
                                new Locator.GetByRoleOptions().setName("2").setExact(true))
                        .click();
                assertThat(page.locator(".log")).containsText("the client said 2");
                assertThat(line).hasClass(Pattern.compile("gone"));
                button(page, "Close").click();
                assertThat(page.getByText("said 8: answer?")).hasCount(0);
                // Another was begun by mistake: it leaves the floor, and says why.
                var mistake = Visitor.as(app.url(), "nadia").practical("Eli Thorne", "feet");
                var here = page.url();
                page.navigate(app.url() + "/grade/" + mistake);
                button(page, "Log").click();
                button(page, "Make it void").click();
                page.getByLabel("Why it does not count").fill("the wrong student");
                button(page, "Make it void").click();
                page.waitForURL("**/floor");
                assertThat(page.locator("a[href='/grade/" + mistake + "']")).hasCount(0);
                page.navigate(app.url() + "/review/" + mistake);
                assertThat(page.getByText("This does not count: the wrong student."))
                        .isVisible();
                page.navigate(here);
                button(page, "Finish, change roles").click();
                page.waitForURL("**/grade?swap=*");
                assertThat(page.getByText("Ask Jun Pell")).isVisible();
                assertThat(page.getByLabel("Student").locator("option:checked")).hasText("Fay Linden");
            });
        }
    }

    @Test
    void the_client_says_a_number_on_a_phone_and_the_grader_sees_it(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            browser.watching(page, "floor-handset", () -> {
                var teacher = Visitor.as(app.url(), "nadia");
                var id = teacher.practical("Lena Brook", "hip");
                Browser.signIn(page, app.url(), "nadia");
                page.navigate(app.url() + "/grade/" + id);
                button(page, "Handset").click();
                var address = page.locator(".join .address").textContent().strip();
                button(page, "Close").click();
                var phone = browser.page();
                phone.setViewportSize(390, 844);
                phone.navigate(address);
                button(phone, "9").click();
                assertThat(phone.getByText("You said: 9")).isVisible();
                assertThat(page.getByText("said 9: answer?")).isVisible();
                // It tells the one who holds it nothing of anybody.
                assertThat(phone.content()).doesNotContain("Lena", "Nadia", "hip", "score");
                button(page, "Finish").click();
                assertThat(phone.getByText("This is over")).isVisible();
            });
        }
    }
}
