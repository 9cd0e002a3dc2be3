package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.formats.Json;
import palmtally.server.App;

/**
 * The main job from end to end, as an instructor does it: a plan is mended, shown, a practical is graded, reviewed and awarded, and
 * the student's palm changes. Once by the keyboard alone, once by touch alone.
 */
@ExtendWith(App.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class JourneyTest {
    private Browser browser;

    @BeforeAll
    void open() {
        browser = new Browser();
    }

    @AfterAll
    void close() {
        browser.close();
    }

    @Test
    void by_keyboard_alone(App.Running app) throws Exception {
        var page = browser.page();
        browser.watching(
                page, "journey-keyboard", () -> run(app, page, new Hand.Keys(page), "Ana Quill", "ana", "bram"));
    }

    @Test
    void by_touch_alone(App.Running app) throws Exception {
        var page = browser.window(true).newPage();
        browser.watching(
                page, "journey-touch", () -> run(app, page, new Hand.Touch(page), "Cleo Fenn", "cleo", "dara"));
    }

    private static Locator button(Page page, String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    /** A button by the beginning of its name: its key or its tally may follow. */
    private static Locator named(Page page, String label) {
        return page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^" + label.replace("?", "\\?") + "( |$)")))
                .first();
    }

    private void run(App.Running app, Page page, Hand hand, String student, String signIn, String other)
            throws IOException {
        page.navigate(app.url() + "/");
        hand.type(page.getByLabel("Sign-in"), "nadia");
        hand.type(page.getByLabel("Password"), "regatta-nadia");
        hand.press(button(page, "Sign in"));
        page.waitForURL(app.url() + "/plan");

        var palmBefore = palm(page, app, student);
        plan(page, hand);
        show(page, hand);
        var id = grade(page, hand, student);
        review(page, hand);
        assertThat(palmBefore).doesNotContain("Draping open critical");
        assertThat(palm(page, app, student)).contains("Draping open critical");
        scoresOfTheRecord(page, app, id);
        asStudents(app, id, student, signIn, other);
    }

    /** What the palm of a student in the hip region says to those who hear it. */
    private static String palm(Page page, App.Running app, String student) {
        page.navigate(app.url() + "/track");
        return page.getByRole(
                        AriaRole.IMG,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^" + student + ", Sacrum and hip")))
                .getAttribute("aria-label");
    }

    /** A sequence that a check faults: the mend removes the finding, undo brings it back. */
    private static void plan(Page page, Hand hand) {
        hand.press(page.getByRole(
                AriaRole.LINK, new Page.GetByRoleOptions().setName("Plan").setExact(true)));
        hand.press(
                page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("Regatta calves"))));
        assertThat(page.getByText("ORDER-WARM")).isVisible();
        hand.press(button(page, "Add 60 s palm glide before step 5"));
        assertThat(page.getByText("ORDER-WARM")).hasCount(0);
        assertThat(button(page, "Warm-up palm glide thigh outer")).isVisible();
        hand.press(Browser.button(page, "Undo"));
        assertThat(page.getByText("ORDER-WARM")).isVisible();
        hand.press(Browser.button(page, "Redo"));
        assertThat(page.getByText("ORDER-WARM")).hasCount(0);
        hand.press(Browser.button(page, "Undo"));
        assertThat(page.getByText("ORDER-WARM")).isVisible();
    }

    private static void show(Page page, Hand hand) {
        hand.press(button(page, "Show it"));
        page.waitForURL("**/show/**");
        assertThat(page.getByText("not started")).isVisible();
        for (var step : new String[] {"Agree and settle", "Palm glide, back of the thigh", "Knead the hamstrings"}) {
            if (hand.keyboard()) page.keyboard().press(" ");
            else page.getByRole(AriaRole.HEADING).tap();
            assertThat(page.getByRole(AriaRole.HEADING)).hasText(step);
        }
        assertThat(page.getByText(Pattern.compile("ahead|on time"))).isVisible();
        if (hand.keyboard()) page.keyboard().press("Escape");
        else button(page, "Leave the demonstration").tap();
        page.waitForURL("**/plan/calves");
    }

    /** A pick of a finger: two keys, or one touch. */
    private static void pick(Page page, Hand hand, String finger, String key, String label) {
        if (hand.keyboard()) {
            page.keyboard().press(finger);
            page.keyboard().press(key);
        } else named(page, label).tap();
    }

    private static void next(Page page, Hand hand, String step, String side) {
        if (hand.keyboard()) page.keyboard().press("Enter");
        else named(page, "Next step").tap();
        var on = page.locator("[aria-current=step]");
        assertThat(on).containsText(step);
        assertThat(on).containsText(side);
    }

    private static void says(Page page, Hand hand, String number) {
        if (hand.keyboard()) page.keyboard().press(number);
        else
            page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("The client says"))
                    .getByText(number, new Locator.GetByTextOptions().setExact(true))
                    .tap();
    }

    /** The hip: permission is never asked, and a report over the band is answered late. */
    private static String grade(Page page, Hand hand, String student) {
        hand.press(page.getByRole(
                AriaRole.LINK, new Page.GetByRoleOptions().setName("Grade").setExact(true)));
        hand.choose(page.getByLabel("Student"), student);
        hand.choose(page.getByLabel("Sequence"), "Sitting all day in a boat: low back and hip");
        hand.press(Browser.button(page, "Nothing today"));
        page.getByText("Today: nothing").waitFor();
        // Either nothing is in the way, or a closed gate wants its reason.
        var because = page.getByLabel("Go on all the same, because");
        because.or(page.locator("button[type=submit]:enabled")).first().waitFor();
        if (because.count() > 0) because.fill("shown under my hands last week");
        page.clock().install();
        hand.press(Browser.button(page, "Start"));
        page.waitForURL(Pattern.compile(".*/grade/[0-9a-f-]{36}"));
        var id = page.url().replaceFirst(".*/", "");
        assertThat(page.getByText(student)).isVisible();

        next(page, hand, "Agree and settle", "");
        pick(page, hand, "s", "q", "Greets");
        pick(page, hand, "s", "w", "Purpose");
        pick(page, hand, "s", "e", "Avoid?");
        pick(page, hand, "s", "r", "Invites");
        pass(page, 21);
        assertThat(page.getByText("look now")).isVisible();
        pick(page, hand, "d", "j", "Clean");
        pass(page, 19);
        for (var step : new String[] {"glide", "press", "forearm", "sacrum"}) {
            if (hand.keyboard()) page.keyboard().press("Enter");
            else named(page, "Next step").tap();
            pass(page, 4);
            pick(page, hand, "s", "j", "Asks, open");
            says(page, hand, step.equals("glide") || step.equals("press") ? "2" : "5");
            pick(page, hand, "d", "j", "Clean");
            pass(page, 41);
        }
        if (hand.keyboard()) page.keyboard().press("Enter");
        else named(page, "Next step").tap();
        assertThat(page.getByText("gluteals: ask first")).isVisible();
        pass(page, 20);
        // From here seconds are counted: only the test moves the clock, however slow the machine is.
        page.clock().pauseAt(((Number) page.evaluate("Date.now()")).longValue() + 1000);
        says(page, hand, "8");
        assertThat(page.getByText("said 8: answer?")).isVisible();
        pass(page, 11);
        pick(page, hand, " ", "j", "Eased");
        says(page, hand, "3");
        if (hand.keyboard()) page.keyboard().press("u");
        else button(page, "Undo").tap();
        page.clock().resume();
        assertThat(page.getByText(Pattern.compile("all \\d+ taps stored"))).isVisible();
        pass(page, 10);
        hand.press(Browser.button(page, "Finish"));
        hand.press(Browser.button(page, "Covered, clean"));
        page.waitForURL(Pattern.compile(".*/(floor|review/.*)"));
        if (page.url().endsWith("/floor")) {
            // With others at work the grader is back with them; the review waits.
            hand.press(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Set up")));
            hand.press(page.locator("a[href='/review/" + id + "']"));
            page.waitForURL("**/review/**");
        }
        return id;
    }

    private static void pass(Page page, int seconds) {
        page.clock().runFor(seconds * 1000L);
    }

    private static void review(Page page, Hand hand) {
        assertThat(page.getByText("Your one judgement of the whole")).isVisible();
        assertThat(page.getByRole(AriaRole.TAB)).hasCount(0);
        hand.press(button(page, "70 competent"));
        assertThat(page.getByRole(AriaRole.TAB)).hasCount(5);
        hand.press(page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(Pattern.compile("^Pressure"))));
        assertThat(page.getByText(Pattern.compile("The client said 8 at .* it was answered after 11")))
                .isVisible();
        // Every point lost opens to its events.
        hand.press(button(page, "The client said 8"));
        assertThat(page.getByText(Pattern.compile("answer to it: eased")).first())
                .isVisible();
        // Nobody heard it asked: the grader says whether it was, and what was not is critical.
        assertThat(page.getByText("no permission was heard").first()).isVisible();
        hand.press(Browser.button(page, "It was not asked"));
        hand.press(page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(Pattern.compile("^Draping"))));
        assertThat(page.getByText("permission was not asked").first()).isVisible();
        assertThat(Browser.button(page, "Award and release")).isDisabled();
        hand.press(button(page, "It stands"));
        hand.type(page.getByLabel("Words for the student"), "Ask before the hip, every time.");
        hand.press(Browser.button(page, "Award and release"));
        assertThat(page.getByText("One critical finding stands.")).isVisible();
    }

    /** The command line says of the exported record what the server shows. */
    private static void scoresOfTheRecord(Page page, App.Running app, String id) throws IOException {
        var record = page.request().get(app.url() + "/api/practicals/" + id + "/file");
        var file = Files.createTempFile("record", ".json");
        Files.writeString(file, record.text());
        var out = new java.io.ByteArrayOutputStream();
        var process = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-cp",
                        System.getProperty("java.class.path"),
                        "palmtally.formats.CommandLine",
                        "score",
                        file.toString())
                .redirectError(ProcessBuilder.Redirect.INHERIT)
                .start();
        process.getInputStream().transferTo(out);
        var said = Json.MAPPER.readTree(out.toString(StandardCharsets.UTF_8));
        var shown = Json.MAPPER
                .readTree(
                        page.request().get(app.url() + "/api/practicals/" + id).text())
                .get("scores");
        assertThat(said.get("criteria")).isEqualTo(shown.get("criteria"));
        assertThat(said).isEqualTo(shown);
        Files.delete(file);
    }

    private void asStudents(App.Running app, String id, String student, String signIn, String other) {
        var own = browser.page();
        Browser.signIn(own, app.url(), signIn);
        own.waitForURL("**/me");
        assertThat(own.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(student)))
                .isVisible();
        button(own, "Sacrum and hip").click();
        assertThat(own.locator(".state.open-critical")).isVisible();
        var me = own.request().get(app.url() + "/api/session").text();
        var myId = Json.MAPPER.readTree(me).get("person").get("id").asString();
        assertThat(own.request().get(app.url() + "/api/practicals/" + id).status())
                .isEqualTo(200);
        own.navigate(app.url() + "/review/" + id);
        assertThat(own.getByText("Ask before the hip, every time.")).isVisible();
        own.context().close();

        var stranger = browser.page();
        Browser.signIn(stranger, app.url(), other);
        assertThat(stranger.request().get(app.url() + "/api/practicals/" + id).status())
                .isEqualTo(403);
        assertThat(stranger.request()
                        .get(app.url() + "/api/competency/students/" + myId)
                        .status())
                .isEqualTo(403);
        stranger.navigate(app.url() + "/review/" + id);
        assertThat(stranger.getByText("not open to your sign-in")).isVisible();
        stranger.context().close();
    }
}
