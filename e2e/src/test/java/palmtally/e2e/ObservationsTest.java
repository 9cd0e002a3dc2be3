package palmtally.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.App;
import palmtally.server.Visitor;
import tools.jackson.databind.JsonNode;

/**
 * Twenty things a grader sees, each written down by key, by a hand laid on the screen, and by touching what is pointed at. Time of a
 * practised grader by the keystroke-level model (Card, S. K., Moran, T. P. & Newell, A. (1980), "The keystroke-level model for user
 * performance time with interactive systems", Communications of the ACM 23(7), 396–410; operator times from memory): M 1.35 s to
 * prepare, once an observation; K 0.28 s a key of an average typist; P 1.10 s to point with a mouse, and 0.20 s to press and let go.
 *
 * <p>Under a laid hand each finger has its column, and the nearest finger counts: a tap is a key pressed, K, and not pointed at, P. The
 * test taps up to 45 pixels astray. What a hand does not reach, a depth seen and the safety stop, is pointed at as by a mouse.
 *
 * <p>Touching the columns without a hand laid down is M + P + 0.20 = 2.65 s by the model's mouse: over the two seconds that an
 * observation may take, and what the laid hand is for. By Fitts's law over the measured distances, at 6.95 bits a second for a finger
 * (MacKenzie, I. S. (2015), "Fitts' throughput and the remarkable case of touch-based target selection", HCI International 2015; from
 * memory), it is about 1.96 s. Both are printed, neither is asserted.
 */
@Tag("measured")
@ExtendWith(App.class)
class ObservationsTest {
    private static final double MENTAL = 1.35;
    private static final double KEY = 0.28;
    private static final double PRESS = 0.20;
    private static final double MOUSE = 1.10;
    private static final double BITS_PER_SECOND = 6.95;

    private enum By {
        KEY,
        LAID_HAND,
        TOUCH
    }

    /**
     * @param keys one after another; a finger's key need not be pressed again while it is open
     * @param finger the finger that has it, none for what the hand does not reach
     * @param touch label of what is touched
     */
    private record Seen(String what, String kind, List<String> keys, String finger, String touch) {
        int actions(By by) {
            return by == By.KEY ? keys.size() : by == By.LAID_HAND && !finger.isEmpty() ? 2 : 1;
        }

        /** Seconds by the model; pointing is as by a mouse. */
        double model(By by) {
            return MENTAL
                    + (by == By.KEY || by == By.LAID_HAND && !finger.isEmpty() ? actions(by) * KEY : MOUSE + PRESS);
        }
    }

    private static Seen seen(String what, String kind, String keys, String finger, String touch) {
        return new Seen(what, kind, List.of(keys.split(" ")), finger, touch);
    }

    /** In the order in which they come up at a table. */
    private static final List<Seen> TWENTY = List.of(
            seen("greets", "say", "s q", "communication", "Greets"),
            seen("says why", "say", "w", "communication", "Purpose"),
            seen("the first step begins", "step-start", "Enter", "order", "Next step"),
            seen("an asked-for look is clean", "look", "d j", "mechanics", "Clean"),
            seen("elbows bend", "look", "k", "mechanics", "Bent elbows"),
            seen("loses balance with the front foot up", "balance-test", "w", "mechanics", "Off balance"),
            seen("the second step begins", "step-start", "Enter", "order", "Next step"),
            seen("puts oil on", "lubricant", "a q", "draping", "Lubricant"),
            seen("asks an open question", "say", "s j", "communication", "Asks, open"),
            seen("the client says 8", "report", "8", "pressure", "8"),
            seen("eases", "report-answer", "Space j", "pressure", "Eased"),
            seen("works at depth 4", "contact", "Shift+Digit4", "", "depth 4 seen"),
            seen("warns", "say", "s i", "communication", "Warns"),
            seen("permission is given", "consent", "a y", "draping", "Says yes"),
            seen("the sheet is tucked at the hip", "sheet-look", "k", "draping", "Tucked at the hip"),
            seen("wipes hands", "hygiene", "w", "draping", "Wipes hands"),
            seen("the client guards", "guarding", "Space .", "pressure", "Guards"),
            seen("hands come off", "step-stop", "f i", "order", "Hands off"),
            seen("the client turns", "turn", "p", "order", "Turns"),
            seen("it must stop now", "safety-stop", "x", "", "Safety stop"));

    private static final Map<By, String> STUDENTS =
            Map.of(By.KEY, "Jun Pell", By.LAID_HAND, "Ana Quill", By.TOUCH, "Gus Harrow");

    @Test
    void each_takes_two_actions_at_most_and_is_stored_within_a_tenth_of_a_second(App.Running app) throws Exception {
        assertThat(TWENTY).hasSize(20);
        try (var browser = new Browser()) {
            var page = browser.page();
            var hand = new LaidHand(page);
            browser.watching(page, "observations", () -> {
                Browser.signIn(page, app.url(), "nadia");
                for (var by : By.values()) {
                    // Other work on the machine only ever slows: a round that is late is done again.
                    double late = round(page, app, hand, by);
                    for (int again = 0; late >= 100 && again < 2; again++) late = round(page, app, hand, by);
                    assertThat(late)
                            .as("action to stored, ms, the median of the quickest round")
                            .isLessThan(100);
                }
            });
        }
    }

    /** All twenty at a table of their own; gives the median of the milliseconds from action to stored. */
    private static double round(Page page, App.Running app, LaidHand hand, By by) {
        var teacher = Visitor.as(app.url(), "nadia");
        var id = teacher.practical(STUDENTS.get(by), "calves");
        page.navigate(app.url() + "/grade/" + id);
        page.locator(".finger").first().waitFor();
        double[] finger = middle(page.locator(".finger.order").boundingBox());
        if (by == By.LAID_HAND) {
            Browser.button(page, "Lay hand").click();
            hand.lay();
        }
        var fitts = new ArrayList<Double>();
        var measured = new ArrayList<Double>();
        for (var s : TWENTY) {
            assertThat(s.actions(by)).as(s.what).isBetween(1, 2);
            if (by == By.TOUCH) {
                var box = touched(page, s.touch).boundingBox();
                var to = middle(box);
                double away = Math.hypot(to[0] - finger[0], to[1] - finger[1]);
                double bits = Math.log(away / Math.min(box.width, box.height) + 1) / Math.log(2);
                fitts.add(MENTAL + bits / BITS_PER_SECOND + PRESS);
                finger = to;
            }
            measured.add(stored(page, hand, s, by));
        }
        var kinds = new ArrayList<String>();
        for (JsonNode e : teacher.get("/api/practicals/" + id).json().get("events"))
            if (!e.get("kind").asString().equals("attend"))
                kinds.add(e.get("kind").asString());
        assertThat(kinds).isEqualTo(TWENTY.stream().map(Seen::kind).toList());
        var model = TWENTY.stream().map(s -> s.model(by)).toList();
        if (by != By.TOUCH)
            assertThat(median(model)).as("keystroke-level model, s").isLessThan(2.0);
        System.out.printf(
                "twenty observations by %s: model median %.2f s, worst %.2f s%s; action to stored median %.0f ms, worst %.0f ms%n",
                by.name().toLowerCase(Locale.ROOT).replace('_', ' '),
                median(model),
                Collections.max(model),
                by == By.TOUCH ? " (by Fitts's law %.2f s)".formatted(median(fitts)) : "",
                median(measured),
                Collections.max(measured));
        if (by == By.LAID_HAND) Browser.button(page, "Lay hand").click();
        return median(measured);
    }

    /** Does it, and gives the milliseconds from the last action to the server's answer that it is on disk. */
    private static double stored(Page page, LaidHand hand, Seen s, By by) {
        page.evaluate("() => { performance.clearResourceTimings();"
                + " if (!window.__heard) { window.__heard = true;"
                + " for (const k of ['keydown', 'pointerup']) window.addEventListener(k, () => {"
                + "   window.__at = performance.now() }, true) } }");
        if (by == By.KEY) for (var k : s.keys) page.keyboard().press(k);
        else if (by == By.TOUCH || s.finger.isEmpty()) touched(page, s.touch).click();
        else {
            hand.tap(s.finger);
            hand.pick(s.touch);
        }
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
