package palmtally.bench;

import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.IntFunction;
import palmtally.formats.Json;
import palmtally.server.ServerProcess;
import palmtally.server.TestDatabase;
import palmtally.server.Visitor;

/**
 * What somebody at the screen waits for, with the real server, database and browser: from a key press in the editor (a step doubled, and
 * that undone) to its new findings on screen, and from a tap at a table to its count, each answered in the page and beside it by the server as
 * without a worker; for a PDF; and what of a frame the page's scripts take while the hands
 * of a step move on the class screen.
 */
public final class PageBench {
    /** Presses a key and answers after the last frame in which the findings changed, ms: their numbers change first. */
    private static final String PRESS = """
            key => new Promise(done => {
              const panel = document.querySelector('[aria-label="What the checks say"]');
              const pressed = performance.now();
              let last = 60000;
              const watch = new MutationObserver(() => requestAnimationFrame(() => (last = performance.now() - pressed)));
              watch.observe(panel, { subtree: true, childList: true, characterData: true });
              setTimeout(() => (watch.disconnect(), done(last)), 800);
              document.activeElement.dispatchEvent(new KeyboardEvent('keydown', { key, ctrlKey: true, bubbles: true }));
            })""";

    /** Taps that the sheet was moved well and answers after the frame in which it was counted, ms. */
    private static final String TAP = """
            () => new Promise(done => {
              const meter = document.querySelector('.finger.draping .meter');
              const tapped = performance.now();
              const watch = new MutationObserver(() => {
                watch.disconnect();
                requestAnimationFrame(() => done(performance.now() - tapped));
              });
              setTimeout(() => done(60000), 5000);
              watch.observe(meter, { attributes: true, attributeFilter: ['title'] });
              document.querySelector('.opened .pick.strong').click();
            })""";

    private PageBench() {}

    public static void main(String[] args) throws Exception {
        try (var database = TestDatabase.fresh();
                var app = ServerProcess.start(
                        database, ServerProcess.freePort(), Path.of("target", "server.log"), ServerProcess.AS_SERVED)) {
            var nadia = Visitor.as(app.url(), "nadia");
            var sequence = Json.MAPPER.writeValueAsString(Samples.plan(200));
            var stored = nadia.put("/api/sequences/bench", "{\"from\":0,\"sequence\":" + sequence + "}");
            if (stored.status() >= 300) throw new IllegalStateException(stored.text());
            // A server that has been up for a while, as it is in a school; what the first one costs is printed too.
            report(
                    "checks of 200 steps over HTTP",
                    timed(600, () -> nadia.post("/api/drafts/check", "{\"sequence\":" + sequence + "}")));
            for (boolean here : List.of(true, false)) {
                var by = here ? "in the page" : "by the server";
                try (var chromium = new Chromium()) {
                    var page = chromium.page();
                    // Without a worker the page asks the server, as one whose browser has none.
                    if (!here) page.addInitScript("delete globalThis.Worker");
                    signIn(page, app.url());
                    report("key to findings, 200 steps, " + by, presses(page, app.url() + "/plan/bench", 60));
                    report("key to findings, a demo sequence, " + by, presses(page, app.url() + "/plan/calves", 3));
                    var table = nadia.practical("Ana Quill", "calves");
                    report("tap at a table to its count, " + by, taps(page, app.url() + "/grade/" + table));
                }
            }
            report("scripts of a frame of a moving picture", frames(app.url(), nadia));
            report("handout of 10 steps as PDF", timed(30, () -> nadia.bytes("/api/sequences/calves/handout")));
            report("handout of 200 steps as PDF", timed(10, () -> nadia.bytes("/api/sequences/bench/handout")));
            report(
                    "lab plan of a week as PDF",
                    timed(30, () -> nadia.bytes("/api/terms/" + nadia.term() + "/weeks/9/plan")));
        }
    }

    private static void signIn(Page page, String url) {
        page.navigate(url + "/sign-in");
        page.getByLabel("Sign-in").fill("nadia");
        page.getByLabel("Password").fill("regatta-nadia");
        page.keyboard().press("Enter");
        page.waitForURL("**/plan");
    }

    private static List<Double> presses(Page page, String address, int step) {
        page.navigate(address);
        page.locator("[data-step] .plain").nth(step).click();
        // The core is loaded once nothing else is to be done.
        page.waitForTimeout(5000);
        return warm(60, i -> page.evaluate(PRESS, i % 2 == 0 ? "d" : "z"), page);
    }

    private static List<Double> taps(Page page, String address) {
        page.navigate(address);
        page.locator(".finger.draping .head").click();
        page.waitForTimeout(5000);
        return warm(100, i -> page.evaluate(TAP), page);
    }

    /** The later two thirds of some acts with a pause between. */
    private static List<Double> warm(int many, IntFunction<Object> act, Page page) {
        var times = new ArrayList<Double>();
        for (int i = 0; i < many; i++) {
            page.waitForTimeout(150);
            double took = ((Number) act.apply(i)).doubleValue();
            if (i >= many / 3) times.add(took);
        }
        return times;
    }

    private static final String FRAMES = """
            () => new Promise(done => {
              let n = 0;
              const until = performance.now() + 1000;
              const count = () => (n++, performance.now() < until ? requestAnimationFrame(count) : done(n));
              requestAnimationFrame(count);
            })""";

    /** A second at a time: what the scripts took by the browser's own account, in milliseconds a frame. */
    private static List<Double> frames(String url, Visitor nadia) {
        var shown = nadia.post("/api/sequences/calves/demonstrations", "{}").json();
        nadia.post(
                "/api/demonstrations/" + shown.get("id").asString() + "/marks",
                "{\"id\":\"first\",\"what\":\"started\",\"index\":1,\"atSeconds\":0}");
        try (var chromium = new Chromium()) {
            var page = chromium.page();
            page.navigate(url + "/class/" + shown.get("screen").asString());
            page.locator("svg.picture .hands").first().waitFor();
            // The sheet is opened and the client asked before the hands begin.
            page.waitForTimeout(20_000);
            var tools = page.context().newCDPSession(page);
            tools.send("Performance.enable");
            var times = new ArrayList<Double>();
            for (int i = 0; i < 20; i++) {
                double before = scripted(tools);
                int frames = ((Number) page.evaluate(FRAMES)).intValue();
                times.add((scripted(tools) - before) / frames);
            }
            return times;
        }
    }

    /** Milliseconds that scripts have run since the page was opened. */
    private static double scripted(CDPSession tools) {
        for (var metric : tools.send("Performance.getMetrics").getAsJsonArray("metrics"))
            if (metric.getAsJsonObject().get("name").getAsString().equals("ScriptDuration"))
                return 1000 * metric.getAsJsonObject().get("value").getAsDouble();
        throw new IllegalStateException("the browser does not tell");
    }

    private static List<Double> timed(int times, Runnable call) {
        var took = new ArrayList<Double>();
        for (int i = 0; i < times; i++) {
            long start = System.nanoTime();
            call.run();
            took.add((System.nanoTime() - start) / 1e6);
        }
        return took;
    }

    private static void report(String what, List<Double> times) {
        double first = times.get(0);
        var sorted = times.stream().sorted().toList();
        System.out.printf(
                Locale.ROOT,
                "%-52s first %6.0f ms   median %6.1f ms   p95 %6.1f ms%n",
                what,
                first,
                sorted.get(sorted.size() / 2),
                sorted.get((int) (0.95 * (sorted.size() - 1))));
    }
}
