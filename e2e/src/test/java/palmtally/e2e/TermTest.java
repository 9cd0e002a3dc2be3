package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.e2e.Browser.button;
import static palmtally.e2e.Browser.tab;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.TreeSet;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.App;
import palmtally.server.TestDatabase;
import palmtally.server.Visitor;

/** A term is planned, a school begins with nothing, two schools judge the same plan, and a bad file stores nothing. */
@ExtendWith(App.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class TermTest {
    private Browser browser;

    @BeforeAll
    void open() {
        browser = new Browser();
    }

    @AfterAll
    void close() {
        browser.close();
    }

    private static Locator cell(Page page, String start) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + start)));
    }

    /** A field of one of the lessons that are open. */
    private static Locator field(Page page, int lesson, String name) {
        return page.locator("fieldset").nth(lesson).getByLabel(name, new Locator.GetByLabelOptions().setExact(true));
    }

    private static Locator choice(Locator in, String name) {
        return in.getByRole(
                AriaRole.COMBOBOX, new Locator.GetByRoleOptions().setName(name).setExact(true));
    }

    /** A school of its own, begun on screen: nobody is there before the lead. */
    @Test
    void a_school_begins_with_nothing_and_has_a_term_a_class_a_plan_and_a_first_practical() throws Exception {
        try (var app = App.start(TestDatabase.fresh(), false)) {
            var page = browser.page();
            browser.watching(page, "school", () -> {
                page.navigate(app.url());
                page.waitForURL("**/setup");
                page.getByLabel("Word that was printed at the start").fill(App.SET_UP_WORD);
                page.getByLabel("Name of the school").fill("Lantern Street School");
                page.getByLabel("Your name").fill("Vera Holt");
                page.getByLabel("Sign-in").fill("vera");
                page.getByLabel("Password, 10 characters or more").fill("lanterns-at-night");
                page.locator("button[type=submit]").click();
                page.waitForURL("**/school#terms");

                // What comes next is said at every page, until it is done.
                var first = page.getByRole(AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("First steps"));
                assertThat(first).containsText("Press Change beside the first term");

                // A term with a name of its own, and the class by paste.
                page.getByLabel("Name").fill("Spring evenings");
                page.getByLabel("Cohort").fill("First cohort");
                page.getByLabel("Weeks").fill("10");
                button(page, "Make it").click();
                page.getByText("Spring evenings · First cohort").waitFor();
                first.getByText("Add the people").click();
                assertThat(first).containsText("one name a line");
                assertThat(page.getByText("No student yet. Paste the class list under “Add people”."))
                        .isVisible();
                page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Class list"))
                        .fill("Nils Oak\nRosa Elm\nIda Ash, ida, instructor");
                button(page, "See what it does").click();
                button(page, "Take all 3").click();
                var sheet = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("New sign-ins"));
                var password = sheet.locator(".secret").first().textContent();
                assertThat(sheet).containsText("nils");
                button(page, "Handed out").click();
                assertThat(sheet).hasCount(0);

                // What Rosa's body must be spared.
                button(page, "Body notes of Rosa Elm").click();
                var notes =
                        page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Body notes of Rosa Elm"));
                choice(notes, "What").selectOption("spare");
                choice(notes, "Where").selectOption("calf");
                choice(notes, "Side").selectOption("left");
                button(page, "Keep it").click();
                assertThat(notes).containsText("not to be touched: left calf");

                // A first sequence, and the term laid out around it.
                first.getByText("Write a sequence").click();
                assertThat(first).containsText("Begin the first sequence");
                assertThat(page.getByText("No sequence yet")).isVisible();
                button(page, "New sequence").click();
                var form = page.getByRole(AriaRole.FORM, new Page.GetByRoleOptions().setName("New sequence"));
                form.getByLabel("Name").fill("Calves");
                form.locator("select").first().selectOption("lower-leg");
                form.getByLabel("Start with").selectOption("protocol");
                form.getByRole(
                                AriaRole.BUTTON,
                                new Locator.GetByRoleOptions().setName("Calf").setExact(true))
                        .click();
                button(page, "Start it").click();
                page.waitForURL("**/plan/calves");
                page.getByLabel("For whom")
                        .selectOption(new com.microsoft.playwright.options.SelectOption().setLabel("Rosa Elm"));
                assertThat(page.getByText("CLIENT").first()).isVisible();
                assertThat(first).containsText("Then press Show it");
                button(page, "Show it").click();
                page.waitForURL("**/show/*");
                button(page, "Start").click();
                page.navigate(app.url() + "/show");
                page.getByText("Calves").first().waitFor();
                assertThat(first).hasCount(0);
                page.navigate(app.url() + "/term");
                assertThat(page.getByText("No region in this term yet")).isVisible();
                page.getByLabel("Add a region").selectOption("lower-leg");
                button(page, "Lay the term out").click();
                assertThat(page.getByText("Laid out: everything fits.")).isVisible();
                assertThat(cell(page, "Lower leg, week 1: teach")).isVisible();
                button(page, "Save").click();
                assertThat(page.getByText("version 1")).isVisible();

                // The first practical.
                var nils = Visitor.as(app.url(), "nils", password);
                assertThat(nils.get("/api/sequences").status()).isEqualTo(403);
                page.navigate(app.url() + "/grade");
                page.locator("select").first().waitFor();
                assertThat(page.locator("body")).containsText("Nils Oak");
            });
            // The student comes in with what was handed out.
            var student = browser.page();
            browser.watching(student, "school-student", () -> {
                var lead = Visitor.as(app.url(), "vera", "lanterns-at-night");
                var rosa = lead.post("/api/people/" + person(lead, "Rosa Elm") + "/password", "")
                        .json();
                student.navigate(app.url() + "/sign-in");
                student.getByLabel("Sign-in").fill("rosa");
                student.getByLabel("Password").fill(rosa.get("password").asString());
                button(student, "Sign in").click();
                student.waitForURL("**/me");
                assertThat(student.getByText("not to be touched: left calf")).isVisible();
                student.getByLabel("Password now").fill(rosa.get("password").asString());
                student.getByLabel("New password, 10 characters or more").fill("elms-in-the-rain");
                button(student, "Change it").click();
                assertThat(student.getByText("Changed.")).isVisible();
            });
        }
    }

    private static String person(Visitor lead, String name) {
        for (var t : lead.get("/api/session").json().get("terms"))
            for (var p :
                    lead.get("/api/terms/" + t.get("id").asString() + "/people").json())
                if (p.get("name").asString().equals(name)) return p.get("id").asString();
        throw new AssertionError(name);
    }

    @Test
    void a_term_is_planned_by_keyboard_mended_by_button_and_every_act_undone(App.Running app) throws Exception {
        var page = browser.page();
        browser.watching(page, "term", () -> {
            Browser.signIn(page, app.url(), "nadia");
            page.navigate(app.url() + "/term");
            var jaw = cell(page, "Jaw, week 10");
            jaw.click();
            // Walk to an empty week, add by letter, move by Alt, take out by Delete; each undone.
            page.keyboard().press("ArrowRight");
            page.keyboard().press("ArrowRight");
            page.keyboard().press("ArrowRight");
            page.keyboard().press("m");
            assertThat(cell(page, "Jaw, week 13: meet again 20 min")).isVisible();
            page.keyboard().press("Alt+ArrowRight");
            assertThat(cell(page, "Jaw, week 14: meet again 20 min")).isVisible();
            page.keyboard().press("Delete");
            assertThat(cell(page, "Jaw, week 14: nothing")).isVisible();
            for (int i = 0; i < 3; i++) page.keyboard().press("Control+z");
            assertThat(button(page, "Undo")).isDisabled();
            assertThat(cell(page, "Jaw, week 13: nothing")).isVisible();

            // A finding, why, and its mend.
            tab(page, "Checks").click();
            button(page, "Add \"meet again jaw\", 20 min, in week 15, lab 1").click();
            assertThat(page.getByText("Jaw is taught in week 10 and comes back"))
                    .hasCount(0);
            // A lesson too long for its lab is told at once, and moved away by its button.
            cell(page, "Neck, week 1: ").click();
            field(page, 0, "Minutes").fill("115");
            page.keyboard().press("Tab");
            tab(page, "Checks").click();
            var full = page.locator("article").filter(new Locator.FilterOptions().setHasText("TERM-FULL"));
            assertThat(full).hasCount(0);
            tab(page, "Week").click();
            field(page, 1, "Lab").fill("1");
            page.keyboard().press("Tab");
            tab(page, "Checks").click();
            assertThat(full).containsText("Week 1, lab 1 holds 175 minutes in a lab of 120");
            full.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Move ")))
                    .click();
            assertThat(full).hasCount(0);

            // What it covers opens down to the steps behind it.
            button(page, "Coverage").click();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Lower leg, palm")))
                    .click();
            assertThat(page.getByText(Pattern.compile("prone, week 5, taught"))).isVisible();
            button(page, "Weeks").click();

            // What was not saved survives a closed tab; all of it is taken back.
            page.reload();
            assertThat(page.getByText("Your changes of last time were not saved and are here again."))
                    .isVisible();
            button(page, "Undo").click();
            assertThat(button(page, "Save")).isDisabled();
        });
    }

    @Test
    void the_same_sequence_hears_other_things_under_the_two_profiles(App.Running app) throws Exception {
        var page = browser.page();
        browser.watching(page, "two-profiles", () -> {
            Browser.signIn(page, app.url(), "nadia");
            page.navigate(app.url() + "/plan/hip");
            var profile = page.getByLabel("School profile");
            var rules = page.locator("article .rule");
            profile.selectOption("by-seconds");
            assertThat(page.locator("article.stop")).hasCount(0);
            var first = new TreeSet<>(rules.allTextContents());
            profile.selectOption("by-response");
            assertThat(page.locator("article.stop")
                            .filter(new Locator.FilterOptions().setHasText("CONSENT-BEFORE"))
                            .first())
                    .isVisible();
            assertThat(page.locator("article.stop")
                            .filter(new Locator.FilterOptions().setHasText("ORDER-WARM"))
                            .first())
                    .isVisible();
            assertThat(new TreeSet<>(rules.allTextContents())).isNotEqualTo(first);
        });
    }

    /** Five thousand rows over ten sequences, forty of them broken. */
    @Test
    void a_table_with_forty_faulty_rows_of_five_thousand_stores_nothing_and_lists_those_forty(App.Running app)
            throws Exception {
        var broken = new TreeSet<Integer>();
        var text = new StringBuilder("sequence,block,step,technique,zones,depth,dose,dose seconds\r\n");
        for (int row = 2; row <= 5001; row++) {
            boolean bad = row % 125 == 7;
            if (bad) broken.add(row);
            text.append("csv")
                    .append((row - 2) / 500)
                    .append(",b,x")
                    .append(row)
                    .append(",effleurage,")
                    .append(bad && row % 2 == 0 ? "nowhere" : "calf")
                    .append(',')
                    .append(bad && row % 2 == 1 ? "9" : "2")
                    .append(",seconds,30\r\n");
        }
        assertThat(broken).hasSize(40);
        var page = browser.page();
        browser.watching(page, "csv", () -> {
            Browser.signIn(page, app.url(), "nadia");
            page.navigate(app.url() + "/plan");
            page.getByLabel("Sequence file")
                    .setInputFiles(new FilePayload(
                            "steps.csv", "text/csv", text.toString().getBytes(StandardCharsets.UTF_8)));
            var alert = page.getByRole(AriaRole.ALERT);
            assertThat(alert).containsText("The file was not read; nothing was stored");
            assertThat(alert.locator("li")).hasCount(40);
            var rows = alert.locator("li").allTextContents().stream()
                    .map(t -> Integer.valueOf(t.replaceAll("(?s).*row (\\d+).*", "$1")))
                    .toList();
            assertThat(rows).containsExactlyElementsOf(broken);
        });
        assertThat(Visitor.as(app.url(), "nadia").get("/api/sequences/csv0").status())
                .isEqualTo(404);
    }
}
