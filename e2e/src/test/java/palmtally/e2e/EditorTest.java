package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.e2e.Browser.button;
import static palmtally.e2e.Browser.tab;

import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.App;

/** A sequence is written: by template, by a typed line, by dragging and by keyboard; checks follow, and every act is undone. */
@ExtendWith(App.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class EditorTest {
    private Browser browser;

    @BeforeAll
    void open() {
        browser = new Browser();
    }

    @AfterAll
    void close() {
        browser.close();
    }

    private static Locator row(Page page, String id) {
        return page.locator("[data-step='" + id + "']");
    }

    private static List<String> order(Page page) {
        // In one look: row by row, a row that goes meanwhile would be waited for.
        return ((List<?>) page.locator("[data-step]").evaluateAll("rows => rows.map(r => r.dataset.step)"))
                .stream().map(String::valueOf).toList();
    }

    private static void begin(Page page, App.Running app, String name) {
        Browser.signIn(page, app.url(), "nadia");
        Browser.newSequence(page, app.url(), name);
    }

    private static void type(Page page, String line) {
        int had = order(page).size();
        page.getByLabel("Add a step by typing").fill(line);
        page.keyboard().press("Enter");
        assertThat(page.locator("[data-step]")).hasCount(had + 1);
    }

    private static void mendAll(Page page) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Mend all \\d")))
                .click();
        button(page, "Mend all of it").click();
        assertThat(page.locator(".says article.stop")).hasCount(0);
    }

    private static void fit(Page page, int minutes) {
        tab(page, "Fit").click();
        page.getByLabel("Minutes there are").fill(String.valueOf(minutes));
        button(page, "Show the best fit").click();
        button(page, "Fit it").click();
    }

    private static void see(Page page) {
        tab(page, "See").click();
        assertThat(page.locator("svg.picture:not(.table-picture)")).isVisible();
    }

    private void somebodyElseSaves(App.Running app, String at) {
        var other = browser.page();
        Browser.signIn(other, app.url(), "lead");
        other.navigate(at);
        other.locator("[data-step]").first().waitFor();
        type(other, "knead outer thigh 50s supine");
        button(other, "Save").click();
        assertThat(other.getByText("version 2")).isVisible();
    }

    private static void drag(Page page, Locator grip, Locator to, double part) {
        var from = grip.boundingBox();
        var there = to.boundingBox();
        page.mouse().move(from.x + from.width / 2, from.y + from.height / 2);
        page.mouse().down();
        page.mouse().move(from.x + from.width / 2, from.y + from.height / 2 + 20);
        page.mouse().move(there.x + 40, there.y + there.height * part);
        page.mouse().up();
    }

    /** A finger that is put down, moves and is lifted, as the browser's own touch screen says it. */
    private static void fingerDrag(Page page, Locator grip, Locator to) {
        to.scrollIntoViewIfNeeded();
        var from = grip.boundingBox();
        var there = to.boundingBox();
        var touch = page.context().newCDPSession(page);
        double x = from.x + from.width / 2;
        double y = from.y + from.height / 2;
        double end = there.y + 4;
        send(touch, "touchStart", x, y);
        for (int i = 1; i <= 8; i++) send(touch, "touchMove", x, y + (end - y) * i / 8);
        send(touch, "touchEnd", x, end);
        touch.detach();
    }

    private static void send(CDPSession touch, String type, double x, double y) {
        var event = new JsonObject();
        event.addProperty("type", type);
        var points = new JsonArray();
        if (!type.equals("touchEnd")) {
            var point = new JsonObject();
            point.addProperty("x", x);
            point.addProperty("y", y);
            points.add(point);
        }
        event.add("touchPoints", points);
        touch.send("Input.dispatchTouchEvent", event);
    }

    @Test
    void a_sequence_is_written_by_template_line_drag_and_keyboard_and_mended(App.Running app) throws Exception {
        var page = browser.page();
        browser.watching(page, "editor", () -> {
            begin(page, app, "Knees after the climb");
            // By typing, behind the last of the template.
            row(page, "thigh-front-flush").locator(".plain").click();
            type(page, "thumb strip outer thigh 40s firm right supine");
            var typed = order(page).get(order(page).indexOf("thigh-front-flush") + 1);
            assertThat(row(page, typed)).containsText("Stripping with supported thumb");
            assertThat(page.getByText("ORDER-WARM")).isVisible();
            assertThat(page.getByText("ORDER-BROAD")).isVisible();
            assertThat(page.getByText("ORDER-SIDES")).isVisible();

            // By button: the warm-up, which brings the broad tool along; the other side.
            button(page, "Add 60 s palm glide before step 8").click();
            assertThat(page.getByText("ORDER-WARM")).hasCount(0);
            assertThat(page.getByText("ORDER-BROAD")).hasCount(0);
            var sides = page.getByRole(
                    AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("on each side$")));
            int offered = sides.count();
            sides.last().click();
            assertThat(sides).hasCount(offered - 1);
            // By hand: the other half of the dose as its own step, moved by the keyboard, then joined again.
            row(page, typed).locator(".plain").click();
            var before = order(page);
            page.keyboard().press("x");
            assertThat(page.locator("[data-step]")).hasCount(before.size() + 1);
            page.keyboard().press("Alt+ArrowUp");
            assertThat(order(page).indexOf(typed + "-2")).isEqualTo(before.indexOf(typed));
            page.keyboard().press("Control+z");
            page.keyboard().press("Control+z");
            assertThat(page.locator("[data-step]")).hasCount(before.size());
            assertThat(order(page)).isEqualTo(before);

            // By drag in the list: the flush of the front in front of its rocking, and back by undo.
            row(page, "thigh-front-flush").scrollIntoViewIfNeeded();
            drag(page, row(page, "thigh-front-flush").locator(".grip"), row(page, "thigh-front-reset"), 0.2);
            assertThat(order(page).indexOf("thigh-front-flush"))
                    .isEqualTo(order(page).indexOf("thigh-front-reset") - 1);
            button(page, "Undo").click();
            assertThat(order(page)).isEqualTo(before);

            // Fitted, saved as one version that tells what was done, and there after a reload.
            fit(page, 9);
            button(page, "Save").click();
            assertThat(page.getByText("version 2", new Page.GetByTextOptions().setExact(false)))
                    .isVisible();
            page.reload();
            assertThat(page.getByText(Pattern.compile("of 9:00"))).isVisible();
            tab(page, "Versions").click();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^2 ")))
                    .click();
            assertThat(page.getByText("Slot: 1200 s → 540 s.")).isVisible();
        });
    }

    /** The text of a PDF, read by Debian's pdftotext. */
    static String printed(Page page, String url) throws Exception {
        var answer = page.request().get(url);
        assertThat(answer.headers().get("content-type")).startsWith("application/pdf");
        var file = Files.createTempFile("page", ".pdf");
        Files.write(file, answer.body());
        var reading = new ProcessBuilder("pdftotext", "-layout", file.toString(), "-").start();
        var text = new String(reading.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(reading.waitFor()).isZero();
        Files.delete(file);
        return text;
    }

    private static Locator finding(Page page, String rule) {
        return page.locator("article").filter(new Locator.FilterOptions().setHasText(rule));
    }

    private static void byButton(Page page, String rule, String mend) {
        finding(page, rule)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile(mend)))
                .first()
                .click();
        assertThat(finding(page, rule)).hasCount(0);
    }

    /** Opens the step a finding is about and changes one field of it. */
    private static void byHand(Page page, String rule, String field, String value) {
        finding(page, rule)
                .first()
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(rule))
                .click();
        tab(page, "Step").click();
        var panel = page.getByRole(AriaRole.TABPANEL);
        if (field.equals("Depth"))
            panel.getByRole(AriaRole.GROUP, new Locator.GetByRoleOptions().setName("Depth"))
                    .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(value))
                    .click();
        else
            panel.getByRole(
                            AriaRole.COMBOBOX,
                            new Locator.GetByRoleOptions().setName(field).setExact(true))
                    .selectOption(value);
        tab(page, "Checks").click();
        assertThat(finding(page, rule)).hasCount(0);
    }

    @Test
    void six_findings_are_mended_three_by_button_and_three_by_hand_and_the_whole_fits_twenty_minutes(App.Running app)
            throws Exception {
        var page = browser.page();
        browser.watching(page, "editor-six", () -> {
            begin(page, app, "Six findings");
            row(page, "thigh-front-flush").locator(".plain").click();
            type(page, "thumb strip outer thigh 200s firm right open");
            type(page, "glide kneecap 20s depth 3 each");
            type(page, "glide shin 200s light both open supine");
            assertThat(page.locator("[data-step]")).hasCount(11);
            for (var rule :
                    List.of("ORDER-WARM", "COMM-WARN", "DRAPE-TWO", "PRESS-CEILING", "ORDER-SIDES", "COMM-TOOL"))
                assertThat(finding(page, rule).first()).isVisible();

            byButton(page, "ORDER-WARM", "^Add 60 s palm glide");
            byButton(page, "COMM-WARN", "^Announce it");
            byButton(page, "COMM-TOOL", "^Ask at 0:10");
            byHand(page, "PRESS-CEILING", "Depth", "1");
            byHand(page, "DRAPE-TWO", "Side", "each");
            // The thumb, and the warm-up that came with it, on the other side too.
            for (var name : List.of("warm-up-1", "step-1")) {
                row(page, name).locator(".plain").click();
                tab(page, "Step").click();
                page.getByRole(
                                AriaRole.COMBOBOX,
                                new Page.GetByRoleOptions().setName("Side").setExact(true))
                        .selectOption("each");
            }
            tab(page, "Checks").click();
            assertThat(finding(page, "ORDER-SIDES")).hasCount(0);

            assertThat(finding(page, "DOSE-SLOT")).isVisible();
            fit(page, 20);
            tab(page, "Checks").click();
            assertThat(finding(page, "DOSE-SLOT")).hasCount(0);
            assertThat(page.locator("article.stop")).hasCount(0);

            // One step by drag and one by keyboard; the keyboard's is taken back by its own key.
            var fitted = order(page);
            row(page, "thigh-front-flush").scrollIntoViewIfNeeded();
            drag(page, row(page, "thigh-front-flush").locator(".grip"), row(page, "thigh-front-reset"), 0.2);
            assertThat(order(page).indexOf("thigh-front-flush"))
                    .isEqualTo(order(page).indexOf("thigh-front-reset") - 1);
            button(page, "Undo").click();
            assertThat(order(page)).isEqualTo(fitted);
            row(page, "thigh-front-flush").locator(".plain").click();
            var before = order(page);
            page.keyboard().press("Alt+ArrowUp");
            assertThat(order(page)).isNotEqualTo(before);
            page.keyboard().press("Control+z");
            assertThat(order(page)).isEqualTo(before);

            button(page, "Save").click();
            assertThat(page.getByText("version 2", new Page.GetByTextOptions().setExact(false)))
                    .isVisible();
            // Its handout is a real PDF of what was saved.
            page.getByLabel("Paper").selectOption("letter");
            var handout = page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("With words"))
                    .getAttribute("href");
            assertThat(handout).endsWith("/handout?paper=letter&density=words");
            assertThat(printed(page, app.url() + handout)).contains("Six findings", "version 2", "Front of the thigh");

            // Into week 13 of the term: taught and practised, and on the plan of that week's labs.
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Put it in the term"))
                    .click();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Thigh, week 13: nothing"))
                    .click();
            button(page, "+ Teach").click();
            button(page, "+ Practise").click();
            assertThat(page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName("Thigh, week 13: teach 45 min, practise 60 min")))
                    .isVisible();
            // Which version that makes hangs on the day: what the demo left for another day has made one already.
            assertThat(page.getByText("with changes not saved")).isVisible();
            button(page, "Save").click();
            assertThat(page.getByText("with changes not saved")).hasCount(0);
            var plan = page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Lab plan"))
                    .getAttribute("href");
            assertThat(printed(page, app.url() + plan)).contains("Week 13 of 15", "Six findings", "Thigh");
        });
    }

    @Test
    void by_touch_alone_steps_are_added_copied_and_mended(App.Running app) throws Exception {
        var page = browser.window(true).newPage();
        browser.watching(page, "editor-touch", () -> {
            Browser.signIn(page, app.url(), "nadia");
            page.navigate(app.url() + "/plan/calves");
            page.locator("[data-step]").first().waitFor();
            var start = order(page);
            page.getByLabel("Add a step by typing").tap();
            page.keyboard().insertText("knead calf 50s");
            button(page, "Add").tap();
            assertThat(page.locator("[data-step]")).hasCount(start.size() + 1);
            row(page, "outer-line").locator(".plain").tap();
            button(page, "Duplicate").tap();
            assertThat(page.locator("[data-step]")).hasCount(start.size() + 2);
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName(Pattern.compile("^Add 60 s palm glide")))
                    .first()
                    .tap();
            assertThat(page.locator("[data-step]")).hasCount(start.size() + 3);
            for (int i = 0; i < 3; i++) button(page, "Undo").tap();
            assertThat(order(page)).isEqualTo(start);
            // A finger drags as well.
            fingerDrag(page, row(page, start.get(3)).locator(".grip"), row(page, start.get(2)));
            assertThat(order(page).subList(2, 4)).isEqualTo(List.of(start.get(3), start.get(2)));
        });
    }

    @Test
    void a_line_nobody_knows_becomes_a_technique_and_all_is_mended_by_one_act(App.Running app) throws Exception {
        var page = browser.page();
        browser.watching(page, "editor-own", () -> {
            begin(page, app, "Our own words");
            int had = order(page).size();
            page.getByLabel("Add a step by typing").fill("gull press quads 40s");
            page.keyboard().press("Enter");
            // What is understood is a step at once; the word that is not is its note, and can be taught.
            assertThat(page.locator("[data-step]")).hasCount(had + 1);
            assertThat(page.locator(".said").first()).hasText("Compression, static");
            button(page, "gull").click();
            button(page, "a technique").click();
            page.getByLabel("Called").fill("Gull press");
            button(page, "Add it").click();
            assertThat(page.locator("[data-step]").getByText("Gull press")).isVisible();
            type(page, "elbow quads deep 60s");
            var before = order(page);
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Mend all \\d")))
                    .click();
            var all = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Mend all"));
            assertThat(all).containsText(Pattern.compile("\\d mends?, "));
            button(page, "Mend all of it").click();
            assertThat(page.locator(".says article.stop")).hasCount(0);
            assertThat(button(page, "Undo")).isEnabled();
            var after = order(page);
            assertThat(after).hasSizeGreaterThan(before.size());
            button(page, "Undo").click();
            assertThat(page.locator("[data-step]")).hasCount(before.size());
            button(page, "Redo").click();
            assertThat(page.locator("[data-step]")).hasCount(after.size());
            button(page, "Save").click();
            assertThat(button(page, "Save")).isDisabled();
            // Retired, it stays where it was used, and is jotted no more.
            page.navigate(app.url() + "/techniques#gull-press");
            button(page, "Offer it no more").click();
            assertThat(page.getByRole(AriaRole.STATUS)).containsText("What was made with it stays as it is.");
            page.navigate(app.url() + "/plan/our-own-words");
            assertThat(page.locator("[data-step]").getByText("Gull press")).isVisible();
            page.getByLabel("Add a step by typing").fill("gull press quads 40s");
            page.keyboard().press("Enter");
            assertThat(page.locator(".unsaid")).hasText("gull");
        });
    }

    /** A routine as it was written down; then one step of it by the form, by a line, and by the form again. */
    @Test
    void what_is_written_stands_in_the_form_and_the_other_way_round(App.Running app) throws Exception {
        var page = browser.page();
        browser.watching(page, "editor-written", () -> {
            Browser.signIn(page, app.url(), "nadia");
            page.navigate(app.url() + "/plan");
            button(page, "New sequence").click();
            var form = page.getByRole(AriaRole.FORM, new Page.GetByRoleOptions().setName("New sequence"));
            form.getByLabel("Name").fill("Written down");
            form.locator("select").first().selectOption("lower-leg");
            form.getByLabel("Start with").selectOption("written");
            form.getByLabel("Write it down").fill("""
                    prone, bolster under the ankles
                    knead calf 1 min, other hand follows; if it hurts, lighter
                    wibble the moon
                    cover""");
            button(page, "Start it").click();
            page.waitForURL("**/plan/written-down");
            assertThat(page.locator("[data-step]")).hasCount(3);
            assertThat(page.locator(".asked")).containsText("“wibble the moon” Which stroke?");
            button(page, "Leave it out").click();
            row(page, "step-2").locator(".plain").click();
            page.getByRole(
                            AriaRole.TAB,
                            new Page.GetByRoleOptions().setName("Step").setExact(true))
                    .click();
            var hand = page.locator("label:has-text('Other hand') select");
            assertThat(hand).hasValue("follows");
            assertThat(page.getByLabel("What is done then, 1")).hasValue("lighter");
            hand.selectOption("reinforces");
            page.getByLabel("Add a step by typing").fill("slowly, foot off the end");
            page.keyboard().press("Enter");
            var pace = page.locator("label:has-text('Pace') select");
            assertThat(pace).hasValue("slow");
            assertThat(hand).hasValue("reinforces");
            assertThat(page.locator("[data-step]")).hasCount(3);
            button(page, "Save").click();
            assertThat(button(page, "Save")).isDisabled();
            page.reload();
            row(page, "step-2").locator(".plain").click();
            page.getByRole(
                            AriaRole.TAB,
                            new Page.GetByRoleOptions().setName("Step").setExact(true))
                    .click();
            assertThat(pace).hasValue("slow");
            assertThat(hand).hasValue("reinforces");
            assertThat(page.locator(".chip").filter(new Locator.FilterOptions().setHasText("foot off end")))
                    .isVisible();
        });
    }

    @Test
    void every_act_is_found_and_undone(App.Running app) throws Exception {
        var page = browser.page();
        browser.watching(page, "editor-undo", () -> {
            begin(page, app, "Undo everything");
            var start = order(page);
            row(page, "thigh-front-warm").locator(".plain").click();
            for (var act : List.of("Move up", "Move down", "Duplicate", "Split", "Join", "Take out", "New block")) {
                var chosen = row(page, "thigh-front-isolate").locator(".plain");
                chosen.click();
                button(page, act).click();
                assertThat(button(page, "Undo")).isEnabled();
                button(page, "Undo").click();
                assertThat(button(page, "Undo")).isDisabled();
                assertThat(order(page)).as("after undoing " + act).isEqualTo(start);
                assertThat(chosen).hasAttribute("aria-current", "true");
            }
            // By keyboard the focus comes back with it, so that the next key goes where the last one went.
            row(page, "thigh-front-isolate").locator(".plain").press("Control+d");
            assertThat(page.locator("[data-step]")).hasCount(start.size() + 1);
            page.keyboard().press("Control+z");
            assertThat(row(page, "thigh-front-isolate").locator(".plain")).isFocused();
            // One-sided work is mirrored to the other side; several steps are picked with Shift and taken out together.
            row(page, "thigh-front-isolate").locator(".plain").click();
            tab(page, "Step").click();
            page.getByRole(
                            AriaRole.COMBOBOX,
                            new Page.GetByRoleOptions().setName("Side").setExact(true))
                    .selectOption("left");
            button(page, "Mirror").click();
            assertThat(row(page, "thigh-front-isolate-right")).containsText("right");
            row(page, "thigh-front-warm").locator(".plain").click();
            page.keyboard().press("Shift+ArrowDown");
            page.keyboard().press("Shift+ArrowDown");
            page.keyboard().press("Delete");
            assertThat(row(page, "thigh-front-warm")).hasCount(0);
            assertThat(row(page, "thigh-front-isolate-right")).hasCount(0);
            for (int i = 0; i < 3; i++) page.keyboard().press("Control+z");
            assertThat(order(page)).isEqualTo(start);
            for (int i = 0; i < 3; i++) page.keyboard().press("Control+Shift+z");
            assertThat(row(page, "thigh-front-warm")).hasCount(0);
        });
    }

    /** The page has the rules: with the network down they speak, and what the server says afterwards is the same. */
    @Test
    void with_the_network_down_all_goes_on_and_is_saved_when_it_is_back(App.Running app) throws Exception {
        var page = browser.page();
        browser.watching(page, "editor-down", () -> {
            begin(page, app, "Under way");
            var asked = new ArrayList<String>();
            page.onRequest(r -> asked.add(r.url()));
            // Once the rules are there the server is asked nothing any more.
            for (int i = 0; i == 0 || asked.stream().anyMatch(u -> u.contains("/api/")); i++) {
                asked.clear();
                // Not where the pressure goes in later: however long it takes, nothing is warm there.
                type(page, "glide calves 5s");
                page.waitForTimeout(500);
                assertThat(i).as("the page goes on asking the server").isLessThan(20);
            }
            page.context().setOffline(true);
            type(page, "elbow quads deep 60s");
            tab(page, "Checks").click();
            assertThat(page.locator(".says article.stop").first()).isVisible();
            mendAll(page);
            fit(page, 9);
            see(page);
            // What may take long is the server's while it can be reached, so that it is tried there first.
            assertThat(asked.stream()
                            .filter(u -> u.contains("/api/") && !u.matches(".*/drafts/(fit|mend-all)"))
                            .toList())
                    .isEmpty();

            page.context().setOffline(false);
            button(page, "Save").click();
            assertThat(page.getByText("version 2")).isVisible();
            tab(page, "Checks").click();
            var shown = page.getByRole(AriaRole.TABPANEL).innerText();
            // Read anew, what it says is the server's word.
            page.addInitScript("delete globalThis.Worker");
            page.reload();
            page.locator("[data-step]").first().waitFor();
            assertThat(page.getByRole(AriaRole.TABPANEL).innerText()).isEqualTo(shown);
        });
    }

    /** Two minutes of work without a network, while somebody else saved: both texts are there, and each act was answered at once. */
    @Test
    void two_minutes_without_a_network_beside_somebody_who_saved_lose_nothing(App.Running app) throws Exception {
        var page = browser.page();
        CoreHeard.in(page);
        browser.watching(page, "editor-two-minutes", () -> {
            begin(page, app, "Away for two minutes");
            CoreHeard.settled(page);
            type(page, "glide calves 5s");
            CoreHeard.settled(page);
            page.clock().install();
            page.context().setOffline(true);
            somebodyElseSaves(app, page.url());

            var checks = tab(page, "Checks");
            for (int second = 0; second < 120; second += 5) {
                page.clock().fastForward(5000);
                checks.click();
                switch (second / 5 % 6) {
                    case 0 -> type(page, "glide quads 20s");
                    case 1 -> {
                        type(page, "elbow quads deep 60s");
                        assertThat(page.locator(".says article.stop").first()).isVisible();
                    }
                    case 2 -> {
                        mendAll(page);
                    }
                    case 3 -> {
                        fit(page, 8 + second / 30);
                    }
                    case 4 -> {
                        see(page);
                    }
                    default -> {
                        var now = order(page);
                        button(page, "Undo").click();
                        assertThat(button(page, "Redo")).isEnabled();
                        button(page, "Redo").click();
                        assertThat(order(page)).isEqualTo(now);
                    }
                }
            }
            var mine = order(page);
            page.context().setOffline(false);
            button(page, "Save").click();
            var race = page.getByRole(AriaRole.ALERT).filter(new Locator.FilterOptions().setHasText("meanwhile"));
            assertThat(race).containsText("Petrissage, 50 s");
            button(page, "Save yours as the newest").click();
            assertThat(page.getByText("version 3")).isVisible();
            page.reload();
            page.locator("[data-step]").first().waitFor();
            assertThat(order(page)).isEqualTo(mine);
            tab(page, "Versions").click();
            assertThat(page.getByRole(AriaRole.TABPANEL)).containsText("2 Added Petrissage");
        });
    }

    @Test
    void two_who_edit_the_same_lose_nothing(App.Running app) throws Exception {
        var page = browser.page();
        browser.watching(page, "editor-two", () -> {
            begin(page, app, "Two hands");
            somebodyElseSaves(app, page.url());

            type(page, "glide inner thigh 30s supine");
            // A closed tab loses nothing either.
            page.reload();
            assertThat(page.getByText("Your changes of last time were not saved and are here again."))
                    .isVisible();
            button(page, "Save").click();
            var race = page.getByRole(AriaRole.ALERT).filter(new Locator.FilterOptions().setHasText("meanwhile"));
            assertThat(race).containsText("Petrissage, 50 s");
            assertThat(race).containsText("Effleurage, 30 s");
            button(page, "Save yours as the newest").click();
            assertThat(page.getByText("version 3")).isVisible();
            tab(page, "Versions").click();
            assertThat(page.getByRole(AriaRole.TABPANEL)).containsText("2 Added Petrissage");
        });
    }
}
