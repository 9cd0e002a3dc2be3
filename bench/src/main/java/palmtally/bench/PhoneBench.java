package palmtally.bench;

import com.google.gson.JsonObject;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Page;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import palmtally.server.ServerProcess;
import palmtally.server.TestDatabase;
import palmtally.server.Visitor;

/**
 * What somebody with a phone waits for: the browser of a window of 390 by 844 whose processor is slowed fourfold, and beside it the same
 * at its full speed. From nothing kept to the first screen; from a tap to what it changed on screen, at a table and in the editor.
 * The budgets are our own: a slowed phone may take 3 s to its first screen and 200 ms from a tap to its paint.
 */
public final class PhoneBench {
    private static final double FIRST_MOST = 3000;
    private static final double TAP_MOST = 200;
    private static final int TAPS = 40;

    /** Taps what a selector finds and answers after the frame in which something changed, ms. */
    private static final String TAP = """
            ([selector, n]) => new Promise(done => {
              const all = document.querySelectorAll(selector);
              const target = all[n % all.length];
              const tapped = performance.now();
              const watch = new MutationObserver(() => {
                watch.disconnect();
                requestAnimationFrame(() => setTimeout(() => done(performance.now() - tapped)));
              });
              setTimeout(() => done(60000), 5000);
              watch.observe(document.body, { subtree: true, childList: true, characterData: true, attributes: true });
              target.click();
            })""";

    private PhoneBench() {}

    public static void main(String[] args) throws Exception {
        try (var database = TestDatabase.fresh();
                var app = ServerProcess.start(
                        database, ServerProcess.freePort(), Path.of("target", "server.log"), ServerProcess.AS_SERVED)) {
            var table = Visitor.as(app.url(), "nadia").practical("Ana Quill", "calves");
            boolean kept = true;
            for (int slower : List.of(1, 4)) {
                var first = new ArrayList<Double>();
                for (int i = 0; i < 10; i++) first.add(first(app.url(), slower));
                kept &= report("first screen, nothing kept", slower, first, FIRST_MOST);
                try (var chromium = new Chromium()) {
                    var page = phone(chromium, slower);
                    page.navigate(app.url() + "/sign-in");
                    page.getByLabel("Sign-in").fill("nadia");
                    page.getByLabel("Password").fill("regatta-nadia");
                    page.keyboard().press("Enter");
                    page.waitForURL("**/plan");
                    page.navigate(app.url() + "/grade/" + table);
                    page.locator(".finger .head").first().waitFor();
                    kept &= report("a fingertip to its picks", slower, taps(page, ".finger .head"), TAP_MOST);
                    page.locator(".finger.mechanics .head").click();
                    kept &= report("a pick to its count", slower, taps(page, ".opened .pick.strong"), TAP_MOST);
                    page.navigate(app.url() + "/plan/calves");
                    page.locator("[data-step] .plain").first().waitFor();
                    kept &= report("a step of the editor", slower, taps(page, "[data-step] .plain"), TAP_MOST);
                }
            }
            System.out.println(kept ? "within the budgets" : "OVER A BUDGET");
        }
    }

    private static Page phone(Chromium chromium, int slower) {
        var page = chromium.browser()
                .newPage(new Browser.NewPageOptions()
                        .setViewportSize(390, 844)
                        .setIsMobile(true)
                        .setHasTouch(true));
        var rate = new JsonObject();
        rate.addProperty("rate", slower);
        page.context().newCDPSession(page).send("Emulation.setCPUThrottlingRate", rate);
        return page;
    }

    /** From nothing kept to the field that is filled in first, by a browser of its own. */
    private static double first(String url, int slower) {
        try (var chromium = new Chromium()) {
            var page = phone(chromium, slower);
            long start = System.nanoTime();
            page.navigate(url + "/");
            page.getByLabel("Sign-in").waitFor();
            return (System.nanoTime() - start) / 1e6;
        }
    }

    private static List<Double> taps(Page page, String selector) {
        var times = new ArrayList<Double>();
        for (int i = 0; i < TAPS; i++) {
            page.waitForTimeout(150);
            // The first step is picked already, and a second touch opens it.
            times.add(((Number) page.evaluate(TAP, List.of(selector, i + 1))).doubleValue());
        }
        return times;
    }

    private static boolean report(String what, int slower, List<Double> times, double most) {
        var sorted = times.stream().sorted().toList();
        double median = sorted.get(sorted.size() / 2);
        System.out.printf(
                Locale.ROOT,
                "%-28s %s   median %6.1f ms   p95 %6.1f ms   budget %5.0f ms%n",
                what,
                slower == 1 ? "full speed    " : "slowed " + slower + " times",
                median,
                sorted.get((int) (0.95 * (sorted.size() - 1))),
                most);
        return median <= most;
    }
}
