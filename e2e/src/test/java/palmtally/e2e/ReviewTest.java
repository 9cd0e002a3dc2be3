package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static palmtally.e2e.Browser.button;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.App;
import palmtally.server.Visitor;

/** After the table: the student's own word, replay, what was tapped put right, words and goals, the re-take; and two graders. */
@ExtendWith(App.class)
class ReviewTest {
    private static String practical(Visitor teacher, String student) {
        var id = teacher.practical(student, "calves");
        teacher.post(
                "/api/practicals/" + id + "/events",
                ("{'events':[" + event(1, 0, "attend", "'on':true") + ","
                                + event(2, 1000, "step-start", "'step':'thigh-glide','side':'right'") + ","
                                + event(3, 5000, "report", "'number':9,'source':'spoken'") + ","
                                + event(4, 20_000, "look", "'faults':['bent-elbows','leaning'],'asked':true") + ","
                                + event(5, 40_000, "look", "'faults':['bent-elbows','leaning'],'asked':true") + ","
                                + event(6, 60_000, "finish", "") + "]}")
                        .replace('\'', '"'));
        return id;
    }

    private static String event(int n, long at, String kind, String data) {
        return "{'id':'e" + n + "','device':'d','seq':" + n + ",'atMs':" + at + ",'kind':'" + kind + "','data':{" + data
                + "}}";
    }

    @Test
    void what_was_seen_becomes_words_goals_and_a_re_take(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            browser.watching(page, "review", () -> {
                var id = practical(Visitor.as(app.url(), "nadia"), "Kit Sorrel");
                var student = browser.page();
                Browser.signIn(student, app.url(), "kit");
                student.navigate(app.url() + "/me");
                var own = student.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Mechanics"))
                        .first();
                button(own, "fluent").click();
                button(student, "That is my word").first().click();

                Browser.signIn(page, app.url(), "nadia");
                page.navigate(app.url() + "/review/" + id);
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^50")))
                        .click();
                // The client had said 2, not 9: both stay in the log, and the scores follow.
                assertThat(page.locator(".detail")).containsText("The client said 9");
                button(page, "Log").click();
                var line = page.getByRole(AriaRole.LISTITEM)
                        .filter(new Locator.FilterOptions().setHasText("the client said 9"));
                button(line, "It was…").click();
                button(line, "2").click();
                assertThat(line).hasClass(Pattern.compile("gone"));
                button(page, "Close").click();
                assertThat(page.locator(".detail")).not().containsText("The client said 9");

                button(page, "×64").click();
                page.locator(".replay .push").first().click();
                assertThat(page.getByRole(AriaRole.TIMER)).hasText("1:00 of 1:00");
                page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(Pattern.compile("Body mechanics")))
                        .click();
                button(page, "Say so at its moment").first().click();
                assertThat(page.locator(".said").first()).containsText("0:20");
                page.locator("[aria-label='Next time'] .chip").first().click();
                button(page, "Award and release").click();
                assertThat(page.getByText("The student sees this.")).isVisible();
                assertThat(page.getByText("Own marks, before the result")).isVisible();
                page.getByRole(
                                AriaRole.LINK,
                                new Page.GetByRoleOptions().setName(Pattern.compile("Set up the re-take")))
                        .click();
                assertThat(page.getByText(Pattern.compile("A re-take of \\d+ steps")))
                        .isVisible();
                button(page, "Nothing today").click();
                button(page, "Start").click();
                page.waitForURL(Pattern.compile(".*/grade/[0-9a-f-]{36}"));
                assertThat(page.locator(".tile").first()).isVisible();

                student.navigate(app.url() + "/review/" + id);
                assertThat(student.getByText("Next time")).isVisible();
                assertThat(student.getByText(Pattern.compile("Mechanics: said 90, \\d+ too high")))
                        .isVisible();
                assertThat(button(student, "Log")).hasCount(0);
            });
        }
    }

    /** The third student is named at the set-up and watches on a phone; what they saw waits for the grader like everything else. */
    @Test
    void a_third_student_watches_and_the_grader_awards_what_they_saw(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            browser.watching(page, "review-peer", () -> {
                Browser.signIn(page, app.url(), "nadia");
                page.navigate(app.url() + "/grade");
                page.getByLabel("Sequence").selectOption("feet");
                page.getByLabel("Student").selectOption(new SelectOption().setLabel("Ilse Marrow"));
                page.getByLabel("On the table").selectOption(new SelectOption().setLabel("Tobin Vale"));
                page.getByLabel("Watches").selectOption(new SelectOption().setLabel("Eli Thorne"));
                button(page, "Nothing today").click();
                button(page, "Start").click();
                page.waitForURL(Pattern.compile(".*/grade/[0-9a-f-]{36}"));
                page.keyboard().press("Enter");
                var phone = browser.page();
                phone.setViewportSize(390, 844);
                Browser.signIn(phone, app.url(), "eli");
                phone.navigate(app.url() + "/me");
                phone.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Watch at a table"))
                        .click();
                phone.waitForURL("**/peer");
                assertThat(phone.locator(".peer h1")).hasText("Ilse Marrow");
                button(phone, "Bent elbows").click();
                button(phone, "Left open").click();
                assertThat(phone.getByText("stored", new Page.GetByTextOptions().setExact(true)))
                        .isVisible();
                button(phone, "Done").click();
                assertThat(phone.getByText("Nobody asks you to watch now")).isVisible();
                button(page, "Finish").click();
                page.waitForURL(Pattern.compile(".*/(floor|review/.*)"));
                page.navigate(app.url() + "/grade");
                var look =
                        page.locator("a.line").filter(new Locator.FilterOptions().setHasText("Eli Thorne, peer look"));
                assertThat(look.first()).containsText("Ilse Marrow");
                look.first().click();
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^50")))
                        .click();
                button(page, "Award, for the lead to release").click();
                assertThat(page.getByText("Not released to the student yet.")).isVisible();
            });
        }
    }

    @Test
    void two_graders_mark_one_run_and_see_each_other_only_afterwards(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            browser.watching(page, "review-two", () -> {
                var teacher = Visitor.as(app.url(), "nadia");
                var first = practical(teacher, "Dara Moss");
                teacher.post(
                        "/api/practicals/" + first + "/events",
                        "{\"events\":[{\"id\":\"u\",\"device\":\"d\",\"seq\":9,\"atMs\":60001,\"kind\":\"undo\",\"data\":{\"ref\":\"e6\"}}]}");
                Browser.signIn(page, app.url(), "olle");
                page.navigate(app.url() + "/grade");
                var line = page.locator("div.line")
                        .filter(new Locator.FilterOptions().setHasText("Dara Moss"))
                        .first();
                button(line, "Mark beside").click();
                page.waitForURL(Pattern.compile(".*/grade/[0-9a-f-]{36}"));
                var second = page.url().replaceFirst(".*/", "");
                page.keyboard().press("Enter");
                page.keyboard().press("2");
                assertThat(page.getByText(Pattern.compile("all \\d+ taps stored")))
                        .isVisible();
                page.navigate(app.url() + "/review/" + first);
                assertThat(page.getByRole(AriaRole.ALERT)).containsText("each on their own");
                page.navigate(app.url() + "/grade/" + second);
                button(page, "Finish").click();
                page.waitForURL(Pattern.compile(".*/(floor|review/.*)"));
                award(
                        teacher,
                        first,
                        ",{\"id\":\"f\",\"device\":\"d\",\"seq\":10,\"atMs\":60002,\"kind\":\"finish\",\"data\":{}}");
                award(Visitor.as(app.url(), "olle"), second, "");
                page.navigate(app.url() + "/review/" + second);
                page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Both graders"))
                        .click();
                assertThat(page.getByText("one run, two graders")).isVisible();
                assertThat(page.locator("th").filter(new Locator.FilterOptions().setHasText("Olle Strand")))
                        .isVisible();
            });
        }
    }

    private static void award(Visitor grader, String id, String finish) {
        if (!finish.isEmpty())
            grader.post("/api/practicals/" + id + "/events", "{\"events\":[" + finish.substring(1) + "]}");
        grader.post("/api/practicals/" + id + "/rating", "{\"value\":50}");
        grader.put(
                "/api/practicals/" + id + "/award",
                "{\"from\":0,\"award\":{\"criteria\":{},\"struck\":[],\"confirmed\":[],\"feedback\":\"\",\"released\":false}}");
    }
}
