package palmtally.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.App;
import palmtally.server.Visitor;
import tools.jackson.databind.JsonNode;

/**
 * Twenty things a grader sees, each written down by touch and by key. Time of a practised grader by the keystroke-level model (Card,
 * S. K., Moran, T. P. & Newell, A. (1980), "The keystroke-level model for user performance time with interactive systems",
 * Communications of the ACM 23(7), 396–410): M 1.35 s to prepare, once an observation; K 0.28 s a key of an average typist; 0.20 s to
 * press and let go. P, pointing, is given there as 1.10 s on average for a mouse, or by Fitts's law where distance and size are known:
 * here they are, and what points is a finger, so P = log2(distance ÷ width + 1) ÷ 6.95 bits a second, measured from where the finger
 * was (throughput of touch: MacKenzie, I. S. (2015), "Fitts' throughput and the remarkable case of touch-based target selection", HCI
 * International 2015; all operator times and the throughput from memory). With the mouse's 1.10 s a touch would be 2.65 s, preparation
 * and all; that is printed beside it. Hands rest on the keys, or at the screen.
 */
@ExtendWith(App.class)
class ObservationsTest {
    private static final double MENTAL = 1.35;
    private static final double KEY = 0.28;
    private static final double PRESS = 0.20;
    private static final double MOUSE = 1.10;
    private static final double BITS_PER_SECOND = 6.95;

    /**
     * @param keys one after another; a finger's key need not be pressed again while it is open
     * @param touches labels of what is touched, or the zone of the figure
     */
    private record Seen(String what, String kind, List<String> keys, List<String> touches) {}

    private static Seen seen(String what, String kind, String keys, String... touches) {
        return new Seen(what, kind, List.of(keys.split(" ")), List.of(touches));
    }

    /** In the order in which they come up at a table. */
    private static final List<Seen> TWENTY = List.of(
            seen("greets", "say", "s j", "Greets"),
            seen("says why", "say", "k", "Purpose"),
            seen("the first step begins", "step-start", "Enter", "Next step"),
            seen("an asked-for look is clean", "look", "d j", "Clean"),
            seen("elbows bend", "look", "k", "Bent elbows"),
            seen("loses balance with the front foot up", "balance-test", ".", "Off balance"),
            seen("the second step begins", "step-start", "Enter", "Next step"),
            seen("puts oil on", "lubricant", "a .", "Lubricant"),
            seen("asks an open question", "say", "s j", "Asks, open"),
            seen("the client says 8", "report", "8", "8"),
            seen("eases", "report-answer", "Space j", "Eased"),
            seen("works at depth 4", "contact", "Shift+Digit4", "depth 4 seen"),
            seen("warns", "say", "s i", "Warns"),
            seen("permission is given", "consent", "a k", "Says yes"),
            seen("the sheet is loose", "sheet-change", "o", "Loose"),
            seen("wipes hands", "hygiene", "q", "Wipes hands"),
            seen("one cycle of friction", "rate-tap", "Space m", "Rate tap"),
            seen("hands come off", "step-stop", "f i", "Hands off"),
            seen("the client turns", "turn", "p", "Turns"),
            seen("it must stop now", "safety-stop", "x", "Safety stop"));

    @Test
    void each_takes_two_actions_at_most_and_is_stored_within_a_tenth_of_a_second(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            browser.watching(page, "observations", () -> {
                assertThat(TWENTY).hasSize(20);
                for (boolean touch : new boolean[] {false, true}) {
                    var teacher = Visitor.as(app.url(), "nadia");
                    var id = teacher.practical(touch ? "Gus Harrow" : "Jun Pell", "calves");
                    if (!touch) Browser.signIn(page, app.url(), "nadia");
                    page.navigate(app.url() + "/grade/" + id);
                    page.locator(".finger").first().waitFor();
                    var model = new ArrayList<Double>();
                    double[] finger = middle(page.locator(".finger.order").boundingBox());
                    var measured = new ArrayList<Double>();
                    for (var s : TWENTY) {
                        int actions = touch ? s.touches.size() : s.keys.size();
                        assertThat(actions).as(s.what).isBetween(1, 2);
                        double seconds = MENTAL + (touch ? 0 : actions * KEY);
                        if (touch)
                            for (var t : s.touches) {
                                var box = touched(page, t).boundingBox();
                                var to = middle(box);
                                double bits = Math.log(Math.hypot(to[0] - finger[0], to[1] - finger[1])
                                                        / Math.min(box.width, box.height)
                                                + 1)
                                        / Math.log(2);
                                seconds += bits / BITS_PER_SECOND + PRESS;
                                finger = to;
                            }
                        model.add(seconds);
                        measured.add(stored(page, s, touch));
                    }
                    var kinds = new ArrayList<String>();
                    for (JsonNode e :
                            teacher.get("/api/practicals/" + id).json().get("events"))
                        if (!e.get("kind").asString().equals("attend"))
                            kinds.add(e.get("kind").asString());
                    assertThat(kinds).isEqualTo(TWENTY.stream().map(Seen::kind).toList());
                    assertThat(median(model)).as("keystroke-level model, s").isLessThan(2.0);
                    assertThat(median(measured)).as("action to stored, ms").isLessThan(100);
                    System.out.printf(
                            "twenty observations by %s: model median %.2f s, worst %.2f s; action to stored median %.0f ms, worst %.0f ms%n",
                            touch ? "touch (as if by mouse %.2f s)".formatted(MENTAL + MOUSE + PRESS) : "key",
                            median(model),
                            Collections.max(model),
                            median(measured),
                            Collections.max(measured));
                }
            });
        }
    }

    /** Does it, and gives the milliseconds from the last action to the server's answer that it is on disk. */
    private static double stored(Page page, Seen s, boolean touch) {
        page.evaluate("() => { performance.clearResourceTimings();"
                + " if (!window.__heard) { window.__heard = true;"
                + " for (const k of ['keydown', 'click']) window.addEventListener(k, () => {"
                + "   window.__at = performance.now() }, true) } }");
        if (touch) for (var t : s.touches) touched(page, t).click();
        else for (var k : s.keys) page.keyboard().press(k);
        var answered = "performance.getEntriesByType('resource')"
                + ".find(e => e.name.endsWith('/events') && e.startTime >= window.__at)";
        page.waitForFunction("() => " + answered);
        return ((Number) page.evaluate("() => " + answered + ".responseEnd - window.__at")).doubleValue();
    }

    private static double[] middle(com.microsoft.playwright.options.BoundingBox box) {
        return new double[] {box.x + box.width / 2, box.y + box.height / 2};
    }

    private static Locator touched(Page page, String label) {
        if (label.matches("\\d+"))
            return page.locator(".digits .digit")
                    .filter(new Locator.FilterOptions().setHasText(Pattern.compile("^\\s*" + label + "\\s*$")));
        if (label.startsWith("depth")) return page.getByTitle(label);
        return page.locator(".pick, .push")
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("^\\s*" + label + "\\s*\\S{0,2}\\s*$")))
                .first();
    }

    private static double median(List<Double> values) {
        var sorted = values.stream().sorted().toList();
        int n = sorted.size();
        return (sorted.get((n - 1) / 2) + sorted.get(n / 2)) / 2;
    }
}
