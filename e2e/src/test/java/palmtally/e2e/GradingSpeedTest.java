package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.App;
import palmtally.server.Visitor;

/** Six tables live: how soon a tap answers, and what an hour of them leaves in memory. */
@ExtendWith(App.class)
@Tag("measured")
class GradingSpeedTest {
    private static final List<String> STUDENTS =
            List.of("Ana Quill", "Bram Oster", "Cleo Fenn", "Dara Moss", "Eli Thorne", "Fay Linden");

    private static List<String> tables(App.Running app) {
        var lead = Visitor.as(app.url(), "lead");
        var ids = new ArrayList<String>();
        for (int i = 0; i < 6; i++)
            ids.add(lead.post(
                            "/api/practicals",
                            "{\"term\":\"" + lead.term() + "\",\"student\":\"" + lead.person(STUDENTS.get(i))
                                    + "\",\"sequence\":\"calves\",\"tableNumber\":" + (i + 4) + "}")
                    .json()
                    .get("id")
                    .asString());
        return ids;
    }

    /** From the key's event to the frame that shows the number said, with six tables ticking. */
    @Test
    void a_tap_is_answered_on_the_screen_within_fifty_milliseconds(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            browser.watching(page, "grading-speed", () -> {
                var ids = tables(app);
                Browser.signIn(page, app.url(), "lead");
                page.navigate(app.url() + "/floor");
                page.locator(".table").nth(5).waitFor();
                page.locator("a[href='/grade/" + ids.get(0) + "']").first().click();
                page.locator(".digits").waitFor();
                page.keyboard().press("Enter");
                page.evaluate("() => { window.__answers = [];"
                        + " window.addEventListener('keydown', (e) => { const at = performance.now();"
                        + "   const shown = () => document.querySelector('.digit.last')?.textContent.trim() === e.key"
                        + "     ? window.__answers.push(performance.now() - at) : requestAnimationFrame(shown);"
                        + "   requestAnimationFrame(shown) }, true) }");
                // The first twenty warm up browser and server alike.
                taps(page, 20);
                // Other work on the machine only ever slows: sixty that are late are tapped again.
                double late = sixty(page);
                for (int again = 0; late >= 50 && again < 2; again++) late = sixty(page);
                assertThat(late).as("95 of 100 taps, ms, of the quickest sixty").isLessThan(50);
            });
        }
    }

    private static void taps(Page page, int many) {
        int before = ((Number) page.evaluate("() => window.__answers.length")).intValue();
        for (int i = before; i < before + many; i++) {
            page.keyboard().press(String.valueOf(1 + i % 7));
            page.waitForFunction("n => window.__answers.length > n", i);
            page.waitForTimeout(50);
        }
    }

    /** Within how many milliseconds 95 of 100 are answered. */
    private static double sixty(Page page) {
        page.evaluate("() => { window.__answers.length = 0 }");
        taps(page, 60);
        @SuppressWarnings("unchecked")
        var answers = ((List<Number>) page.evaluate("() => window.__answers"))
                .stream().map(Number::doubleValue).sorted().toList();
        System.out.printf(
                "tap to screen with six tables live: median %.0f ms, 95th percentile %.0f ms, worst %.0f ms%n",
                answers.get(30), answers.get(56), answers.get(59));
        return answers.get(56);
    }

    private record Memory(double megabytes, double nodes) {
        static Memory of(CDPSession session) {
            for (int i = 0; i < 3; i++) session.send("HeapProfiler.collectGarbage");
            double heap = 0;
            double nodes = 0;
            for (var m : session.send("Performance.getMetrics").getAsJsonArray("metrics")) {
                var name = m.getAsJsonObject().get("name").getAsString();
                double value = m.getAsJsonObject().get("value").getAsDouble();
                if (name.equals("JSHeapUsedSize")) heap = value / 1e6;
                if (name.equals("Nodes")) nodes = value;
            }
            return new Memory(heap, nodes);
        }
    }

    /** Nothing but the taps themselves stays: an hour, eight taps a minute, in and out of the tables. */
    @Test
    void an_hour_of_grading_leaves_nothing_behind_but_the_taps(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            browser.watching(page, "grading-hour", () -> {
                var ids = tables(app);
                Browser.signIn(page, app.url(), "lead");
                page.clock().install();
                page.navigate(app.url() + "/floor");
                assertThat(page.locator("a[href='/grade/" + ids.get(5) + "']").first())
                        .isVisible();
                var session = page.context().newCDPSession(page);
                session.send("Performance.enable", new JsonObject());
                var at = new ArrayList<Memory>();
                for (int table = 1; table <= 6; table++)
                    for (var key : List.of(String.valueOf(table), "f", "j"))
                        page.keyboard().press(key);
                for (int minute = 0; minute < 60; minute++) {
                    if (minute == 10 || minute == 35) at.add(Memory.of(session));
                    minute(page, minute);
                }
                at.add(Memory.of(session));
                for (var m : at) System.out.printf("heap %.1f MB, %.0f nodes%n", m.megabytes, m.nodes);
                double first = at.get(1).megabytes - at.get(0).megabytes;
                double second = at.get(2).megabytes - at.get(1).megabytes;
                // 200 taps in each 25 minutes: half a kilobyte each as data, and what their marks on the strips take.
                assertThat(first).as("minutes 10 to 35, MB").isLessThan(4);
                assertThat(second).as("minutes 35 to 60, MB").isLessThan(4);
                assertThat(second).as("no faster than before").isLessThan(Math.max(first, 0) + 2);
            });
        }
    }

    private static void minute(Page page, int minute) {
        for (int quarter = 0; quarter < 4; quarter++) {
            page.clock().fastForward(15_000);
            for (var key : quarter % 2 == 0 ? List.of("d", "j", "s", "j") : List.of("d", "j", " ", "j"))
                page.keyboard().press(key);
            page.keyboard().press(quarter % 2 == 0 ? "ArrowRight" : "ArrowDown");
        }
        // Now and then into a table and back.
        if (minute % 5 == 4) {
            page.keyboard().press("Enter");
            page.locator(".digits").waitFor();
            page.keyboard().press("3");
            page.keyboard().press("g");
            page.locator(".digits")
                    .waitFor(new com.microsoft.playwright.Locator.WaitForOptions()
                            .setState(com.microsoft.playwright.options.WaitForSelectorState.DETACHED));
            for (int i = 0; i < 8; i++) page.keyboard().press("ArrowLeft");
        }
    }
}
