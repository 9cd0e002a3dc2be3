package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.e2e.Browser.button;

import com.google.gson.JsonObject;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.App;
import palmtally.server.ServerProcess;
import palmtally.server.TestDatabase;
import palmtally.server.Visitor;
import tools.jackson.databind.node.ObjectNode;

/** A demonstration in front of a class: screens that follow, a clock that tells the truth, and an end that is on time. */
@ExtendWith(App.class)
@Tag("measured")
class ShowTest {
    private static final Pattern LEFT = Pattern.compile("^(−?)(\\d+):(\\d\\d) left of this step$");

    private static void show(Page page, String url, String sequence) {
        Browser.signIn(page, url, "nadia");
        page.navigate(url + "/plan/" + sequence);
        button(page, "Show it").click();
        page.waitForURL("**/show/**");
        assertThat(page.getByText("not started")).isVisible();
    }

    private static String code(Page page) {
        var words = page.getByRole(
                        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Class screen ")))
                .textContent();
        return words.strip().replaceFirst("^.* ", "");
    }

    /** A class screen that notes when each heading was first there. */
    private static Page classScreen(Browser browser, String url, String code) {
        var page = browser.page();
        page.navigate(url + "/class/" + code);
        page.getByRole(AriaRole.HEADING).waitFor();
        page.evaluate("""
                () => {
                  window.seen = {}
                  const look = () => {
                    const name = document.querySelector('h1')?.textContent
                    if (name && !(name in window.seen)) window.seen[name] = Date.now()
                  }
                  new MutationObserver(look).observe(document.body, { subtree: true, childList: true, characterData: true })
                }""");
        return page;
    }

    /** Goes on, and gives how many milliseconds after the key came to the page each class screen showed the same. */
    private static List<Double> follow(Page presenter, List<Page> screens) {
        presenter.evaluate(
                "() => addEventListener('keydown', () => (window.pressed = Date.now()), { capture: true, once: true })");
        var before = heading(presenter);
        presenter.keyboard().press(" ");
        assertThat(presenter.getByRole(AriaRole.HEADING)).not().hasText(before);
        var name = heading(presenter);
        double pressed = ((Number) presenter.evaluate("() => window.pressed")).doubleValue();
        var took = new ArrayList<Double>();
        for (var screen : screens) {
            assertThat(screen.getByRole(AriaRole.HEADING)).hasText(name);
            took.add(((Number) screen.evaluate("name => window.seen[name]", name)).doubleValue() - pressed);
        }
        return took;
    }

    private static List<Double> followed(Page page, List<Page> screens, int times) {
        var took = new ArrayList<Double>();
        for (int i = 0; i < times; i++) took.addAll(follow(page, screens));
        took.sort(null);
        return took;
    }

    private static String heading(Page page) {
        return page.getByRole(AriaRole.HEADING).textContent();
    }

    /** A server that was started a moment ago may be late at first; it is asked once more before it is called late. */
    private static void atOnce(Page page, List<Page> screens) {
        var took = followed(page, screens, 5);
        if (took.get(took.size() / 2) >= 500) took = followed(page, screens, 3);
        assertThat(took.get(took.size() / 2)).as(took + " ms, the median").isLessThan(500);
        assertThat(took).allMatch(ms -> ms < 2000);
    }

    @Test
    void class_screens_follow_at_once_and_come_back_after_a_restart_of_the_server() throws Exception {
        int port = ServerProcess.freePort();
        try (var database = TestDatabase.fresh();
                var browser = new Browser()) {
            var server = ServerProcess.start(
                    database, port, Path.of("target", "show-server.log"), "-XX:TieredStopAtLevel=1");
            var url = server.url();
            try {
                var page = browser.page();
                show(page, url, "calves");
                var code = code(page);
                var screens = List.of(classScreen(browser, url, code), classScreen(browser, url, code));
                page.keyboard().press(" ");
                browser.watching(page, "show-follow", () -> {
                    for (var screen : screens)
                        assertThat(screen.getByRole(AriaRole.HEADING)).hasText(heading(page));
                    atOnce(page, screens);
                    for (var screen : screens) {
                        var told = screen.content();
                        assertThat(told).doesNotContain("Ana", "Nadia", "ahead", "not stored");
                        assertThat(screen.context().cookies().stream()
                                        .filter(c -> c.name.equals("SESSION"))
                                        .toList())
                                .isEmpty();
                    }
                });
                server.close();
                for (var screen : screens)
                    assertThat(screen.getByText("no line to the school; trying again"))
                            .isVisible();
                // What is pressed meanwhile is shown at once, and told when there is somebody to tell.
                page.keyboard().press(" ");
                assertThat(page.getByText("1 not stored yet")).isVisible();
                var ahead = heading(page);
                server = ServerProcess.start(
                        database, port, Path.of("target", "show-server.log"), "-XX:TieredStopAtLevel=1");
                for (var screen : screens) {
                    assertThat(screen.getByRole(AriaRole.HEADING)).hasText(ahead);
                    assertThat(screen.getByText("no line to the school")).hasCount(0);
                }
                assertThat(page.getByText("not stored yet")).hasCount(0);
                follow(page, screens);
                atOnce(page, screens);
            } finally {
                server.close();
            }
        }
    }

    @Test
    void a_browser_opens_one_line_however_many_screens_it_has(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var window = browser.window(false);
            var lines = new AtomicInteger();
            window.onRequest(r -> {
                if (r.url().endsWith("/live")) lines.incrementAndGet();
            });
            var page = window.newPage();
            show(page, app.url(), "neck");
            var code = code(page);
            page.keyboard().press(" ");
            var screens = List.of(window.newPage(), window.newPage(), window.newPage());
            for (var screen : screens) {
                screen.navigate(app.url() + "/class/" + code);
                assertThat(screen.getByRole(AriaRole.HEADING)).hasText(heading(page));
            }
            page.keyboard().press(" ");
            for (var screen : screens)
                assertThat(screen.getByRole(AriaRole.HEADING)).hasText(heading(page));
            assertThat(lines).hasValue(1);
            // The one that holds it closes: another takes over, and all still follow.
            screens.get(0).close();
            page.keyboard().press(" ");
            for (var screen : screens.subList(1, 3))
                assertThat(screen.getByRole(AriaRole.HEADING)).hasText(heading(page));
            assertThat(lines).hasValue(2);
        }
    }

    @Test
    void a_class_screen_whose_first_reading_failed_comes_by_itself(App.Running app) {
        var code = Visitor.as(app.url(), "lead")
                .post("/api/screens", "")
                .json()
                .get("code")
                .asString();
        try (var browser = new Browser()) {
            var screen = browser.window(false).newPage();
            var down = new AtomicBoolean(true);
            screen.route("**/api/screens/" + code, r -> {
                if (down.get()) r.abort();
                else r.resume();
            });
            screen.navigate(app.url() + "/class/" + code);
            assertThat(screen.getByText("The server does not answer")).isVisible();
            down.set(false);
            assertThat(screen.getByRole(AriaRole.HEADING)).hasText("Nothing is shown yet");
        }
    }

    /** Seconds left of the step that is on, as the ring says. */
    private static long left(Page page) {
        var words = LEFT.matcher(page.locator(".ring").getAttribute("aria-label"));
        assertThat(words.matches()).isTrue();
        long seconds = Long.parseLong(words.group(2)) * 60 + Long.parseLong(words.group(3));
        return words.group(1).isEmpty() ? seconds : -seconds;
    }

    /** The calves under a name of their own, each step shown for as much longer as fills a slot of 25 minutes. */
    private static void twentyFive(Visitor teacher) {
        var calves = (ObjectNode) teacher.get("/api/sequences/calves").json().get("sequence");
        var shown = teacher.post("/api/sequences/calves/demonstrations", "{}")
                .json()
                .get("shown");
        double hands = 0;
        for (var m : shown.get("moments")) hands += m.get("classSeconds").asDouble();
        double longer = (1500 - shown.get("planSeconds").asDouble() + hands) / hands;
        for (var block : calves.get("blocks"))
            for (var step : block.get("steps"))
                for (var m : shown.get("moments"))
                    if (m.get("name").equals(step.get("name")))
                        ((ObjectNode) step)
                                .put("classSeconds", m.get("classSeconds").asDouble() * longer);
        calves.put("id", "calves-25").put("name", "Calves in 25 minutes").put("slotSeconds", 1500);
        assertThat(teacher.put("/api/sequences/calves-25", "{\"from\":0,\"sequence\":" + calves + "}")
                        .status())
                .isEqualTo(200);
    }

    @Test
    void four_minutes_behind_the_offer_is_taken_and_it_ends_on_time(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var teacher = Visitor.as(app.url(), "nadia");
            twentyFive(teacher);
            var page = browser.page();
            page.clock().install();
            browser.watching(page, "show-late", () -> {
                show(page, app.url(), "calves-25");
                page.clock().pauseAt(System.currentTimeMillis() + 5000);
                assertThat(page.getByText("of 25:00")).isVisible();
                page.keyboard().press(" ");
                long clock = 0;
                // Two steps take two minutes longer each.
                for (int i = 0; i < 2; i++) {
                    page.locator(".ring").waitFor();
                    long takes = left(page) + 120;
                    page.clock().fastForward(takes * 1000);
                    clock += takes;
                    page.keyboard().press(" ");
                    assertThat(page.getByRole(AriaRole.HEADING)).hasCount(1);
                    assertThat(page.getByText("not stored yet")).hasCount(0);
                }
                page.clock().runFor(3100);
                clock += 3;
                assertThat(page.locator(".drift")).hasText(Pattern.compile("running [34]:\\d\\d over"));
                var offer = page.locator(".offer");
                assertThat(offer).containsText("ends on time");
                page.keyboard().press("t");
                assertThat(offer).hasCount(0);
                assertThat(page.locator(".drift")).hasText("on time");
                // From here on it goes by itself.
                page.keyboard().press("a");
                for (int i = 0; i < 40 && page.locator(".done").count() == 0; i++) {
                    long takes = Math.max(1, left(page));
                    page.clock().fastForward(takes * 1000);
                    page.clock().runFor(300);
                    clock += takes;
                    assertThat(page.getByText("not stored yet")).hasCount(0);
                }
                assertThat(page.locator(".done")).containsText("of 25:00");
                var id = page.url().replaceFirst("^.*/", "");
                var live = teacher.get("/api/demonstrations/" + id)
                        .json()
                        .get("live")
                        .get("progress");
                assertThat(live.get("finished").asBoolean()).isTrue();
                // Within 20 s of the slot.
                double ended =
                        live.get("endsAt").asDouble() - live.get("begunAt").asDouble();
                assertThat(ended).isBetween(1480.0, 1520.0);
                // The log tells the truth: all that passed is on somebody's account, what was dropped is said.
                double sum = 0;
                for (var s : live.get("shownSeconds")) sum += s.asDouble();
                assertThat(sum).isBetween(ended - 1, ended + 1);
                for (var i : live.get("leftOut"))
                    assertThat(live.get("shownSeconds").get(i.asInt()).asDouble())
                            .isZero();
                var rows = page.locator(".log tbody tr");
                for (var i : live.get("leftOut"))
                    assertThat(rows.nth(i.asInt())).containsText("left out");
                for (int i = 0; i < 2; i++) assertThat(rows.nth(i)).containsText("ran over by 2:0");
            });
        }
    }

    /** What a presenter does by hand: pause, put off, skip with a reason. */
    @Test
    void a_step_is_put_off_and_another_skipped_with_a_reason(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            browser.watching(page, "show-later", () -> {
                show(page, app.url(), "feet");
                var names = new ArrayList<String>();
                var moments = Visitor.as(app.url(), "nadia")
                        .get("/api/demonstrations/" + page.url().replaceFirst("^.*/", ""))
                        .json()
                        .get("shown")
                        .get("moments");
                for (var m : moments) names.add(m.get("name").asString());
                page.keyboard().press("PageDown");
                page.keyboard().press(".");
                assertThat(page.locator(".place")).containsText("paused");
                page.keyboard().press("p");
                assertThat(page.locator(".place")).not().containsText("paused");
                page.keyboard().press("l");
                var next = page.locator(".coming .name");
                assertThat(next).hasText(names.get(2));
                page.keyboard().press("s");
                page.keyboard().press("2");
                assertThat(next).hasText(names.get(3));
                page.keyboard().press("ArrowRight");
                assertThat(page.getByRole(AriaRole.HEADING)).hasText(names.get(3));
                for (int i = 4; i < names.size(); i++) page.keyboard().press(" ");
                // What was put off comes last.
                assertThat(next).hasText(names.get(1));
                page.keyboard().press(" ");
                assertThat(page.getByRole(AriaRole.HEADING)).hasText(names.get(1));
                button(page, "Finish").click();
                var row = page.locator(".log tbody tr").nth(2);
                assertThat(row).containsText(names.get(2));
                assertThat(row).containsText("left out (seen before)");
                assertThat(page.getByText("not stored yet")).hasCount(0);
                page.reload();
                assertThat(row).containsText("left out (seen before)");
            });
        }
    }

    /** Turns of the clock's seconds, by the time they were seen at: how far each is from where it should be, in ms. */
    private static final String TURNS = """
            () => new Promise(done => {
              const clock = document.querySelector('[role=timer]')
              const turns = []
              const seconds = () => clock.textContent.split(':').reduce((m, s) => m * 60 + Number(s), 0)
              const look = new MutationObserver(() => {
                turns.push([seconds(), performance.now()])
                if (turns.length === 4) { look.disconnect(); done(turns) }
              })
              look.observe(clock, { subtree: true, characterData: true, childList: true })
            })""";

    /** Of four turns the earliest: a busy machine draws one late, none is drawn before its time. */
    @SuppressWarnings("unchecked")
    private static double phase(Page page) {
        var turns = (List<List<Number>>) page.evaluate(TURNS);
        return turns.stream()
                .mapToDouble(t -> t.get(1).doubleValue() - t.get(0).doubleValue() * 1000)
                .min()
                .orElseThrow();
    }

    @Test
    void a_page_that_stood_frozen_for_a_minute_is_right_at_once(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            show(page, app.url(), "feet");
            page.keyboard().press(" ");
            double before = phase(page);
            var tools = page.context().newCDPSession(page);
            var state = new JsonObject();
            state.addProperty("state", "frozen");
            tools.send("Page.setWebLifecycleState", state);
            Thread.sleep(60_000);
            state.addProperty("state", "active");
            tools.send("Page.setWebLifecycleState", state);
            double after = phase(page);
            // Four turns late in a row may be the machine, which had a minute of others' work to do; a clock that is
            // wrong stays so.
            if (after > before + 100) after = phase(page);
            assertThat(after).isBetween(before - 100, before + 100);
        }
    }

    private static final String UNREADABLE = """
            () => {
              const lum = c => { const [r, g, b] = c.map(v => { v /= 255; return v <= 0.03928 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4 }); return 0.2126 * r + 0.7152 * g + 0.0722 * b }
              const rgb = s => s.match(/[\\d.]+/g).map(Number)
              const ground = e => { for (; e; e = e.parentElement) { const c = rgb(getComputedStyle(e).backgroundColor); if (c.length < 4 || c[3] > 0) return c.slice(0, 3) } return [255, 255, 255] }
              const bad = []
              const walk = document.createTreeWalker(document.querySelector('.show, .class'), NodeFilter.SHOW_TEXT)
              while (walk.nextNode()) {
                const e = walk.currentNode.parentElement
                if (!walk.currentNode.textContent.trim() || !e.checkVisibility()) continue
                const css = getComputedStyle(e)
                const a = lum(rgb(e instanceof SVGElement ? css.fill : css.color)), b = lum(ground(e))
                const contrast = (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05)
                if (contrast < 7) bad.push(walk.currentNode.textContent.trim() + ' ' + contrast.toFixed(2))
              }
              return bad
            }""";

    @Test
    void it_is_read_from_eight_metres(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            show(page, app.url(), "calves");
            var screen = browser.page();
            screen.navigate(app.url() + "/class/" + code(page));
            screen.getByRole(AriaRole.HEADING).waitFor();
            // Contrast by the formula of WCAG 2.2, "contrast ratio", from memory.
            for (int i = 0; i < 12; i++) {
                for (var p : List.of(page, screen)) {
                    assertThat(p.getByRole(AriaRole.HEADING)).hasText(heading(page));
                    assertThat((List<?>) p.evaluate(UNREADABLE)).isEmpty();
                    assertThat(((Number)
                                            p.evaluate(
                                                    "() => parseFloat(getComputedStyle(document.querySelector('h1')).fontSize)"))
                                    .doubleValue())
                            .isGreaterThanOrEqualTo(60);
                    assertThat(p.evaluate("""
                                    () => new Promise(painted => requestAnimationFrame(() => setTimeout(painted)))
                                      .then(() => [document.documentElement, ...document.querySelectorAll('.words, .head')]
                                        .every(e => e.scrollHeight <= e.clientHeight)
                                        && [...document.querySelectorAll('dl')].every(e => e.scrollWidth <= e.clientWidth
                                          && parseFloat(getComputedStyle(e).fontSize) >= 22))"""))
                            .as("all of " + heading(page) + " in sight")
                            .isEqualTo(true);
                    assertThat(p.evaluate("() => document.getAnimations().length"))
                            .isEqualTo(0);
                }
                page.keyboard().press(" ");
            }
        }
    }

    @Test
    void the_class_sees_the_picture_or_the_words_as_the_presenter_turns_it(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            show(page, app.url(), "feet");
            var screen = browser.page();
            screen.navigate(app.url() + "/class/" + code(page));
            for (var p : List.of(page, screen)) {
                assertThat(p.locator("svg.picture:not(.table-picture)")).isVisible();
                assertThat(p.locator(".stage dl")).isVisible();
            }
            page.keyboard().press("v");
            for (var p : List.of(page, screen)) {
                assertThat(p.locator(".stage dl")).isHidden();
                assertThat(p.locator("svg.picture:not(.table-picture)")).isVisible();
            }
            page.keyboard().press("v");
            for (var p : List.of(page, screen)) {
                assertThat(p.locator("svg.picture:not(.table-picture)")).hasCount(0);
                assertThat(p.locator(".stage dl")).isVisible();
            }
            page.keyboard().press("v");
            assertThat(screen.locator("svg.picture:not(.table-picture)")).isVisible();
        }
    }
}
