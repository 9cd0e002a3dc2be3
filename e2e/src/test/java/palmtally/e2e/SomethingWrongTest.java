package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.e2e.Browser.button;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import java.util.regex.Pattern;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.App;
import palmtally.server.Visitor;
import palmtally.server.people.Accounts;
import palmtally.server.people.Role;

/**
 * When something is wrong: a mark is looked at again, a stop is written down, what was kept long enough goes, and who is new grades only
 * after practice. At each step whoever has nothing to do with it is refused.
 */
@ExtendWith(App.class)
class SomethingWrongTest {
    private static final String GRADERS_PASSWORD = "regatta-wim";

    private static Locator region(Page page, String name) {
        return page.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private static Page as(Browser browser, App.Running app, String name) {
        var page = browser.page();
        Browser.signIn(page, app.url(), name);
        return page;
    }

    /** A practical of the calves with 61 in each criterion, released; or one that is on. */
    private static String practical(App.Running app, String student, boolean awarded) {
        var nadia = Visitor.as(app.url(), "nadia");
        var id = nadia.post(
                        "/api/practicals",
                        "{\"term\":\"" + nadia.term() + "\",\"student\":\"" + nadia.person(student)
                                + "\",\"sequence\":\"calves\",\"despite\":\"so\",\"tableNumber\":7}")
                .json()
                .get("id")
                .asString();
        if (!awarded) return id;
        var path = "/api/practicals/" + id;
        nadia.post(
                path + "/events",
                "{\"events\":[{\"id\":\"f\",\"device\":\"d\",\"seq\":1,\"atMs\":60000,\"kind\":\"finish\",\"data\":{}}]}");
        nadia.post(path + "/rating", "{\"value\":61}");
        var marks = new StringBuilder();
        for (var c : List.of("pressure", "order", "mechanics", "communication", "draping"))
            marks.append(marks.isEmpty() ? "" : ",").append("\"" + c + "\":{\"value\":61,\"reason\":\"as it was\"}");
        var award = nadia.put(
                path + "/award",
                "{\"from\":0,\"award\":{\"criteria\":{" + marks
                        + "},\"struck\":[],\"confirmed\":[],\"feedback\":\"\",\"remarks\":[],\"goals\":[],\"released\":true}}");
        assertThat(award.status()).as(award.text()).isEqualTo(200);
        return id;
    }

    @Test
    void a_mark_is_looked_at_again(App.Running app) {
        var id = practical(app, "Ana Quill", true);
        try (var browser = new Browser()) {
            var ana = as(browser, app, "ana");
            ana.navigate(app.url() + "/review/" + id);
            button(ana, "Ask for a second look").click();
            ana.getByLabel("Of which mark").selectOption("Draping");
            ana.getByLabel("What was seen otherwise").fill("The sheet was tucked at the knee.");
            button(ana, "Ask the lead").click();
            assertThat(region(ana, "Second look").getByText("waits for the lead"))
                    .isVisible();

            // Another student sees nothing of it; the grader sees it and decides nothing.
            var bram = as(browser, app, "bram");
            bram.navigate(app.url() + "/review/" + id);
            assertThat(bram.getByText("This record is not yours to see.")).isVisible();
            var nadia = as(browser, app, "nadia");
            nadia.navigate(app.url() + "/review/" + id);
            assertThat(region(nadia, "Second look").getByText("The sheet was tucked at the knee."))
                    .isVisible();
            assertThat(button(nadia, "It stands")).isHidden();
            nadia.navigate(app.url() + "/raised");
            assertThat(region(nadia, "Incidents")).isVisible();
            assertThat(region(nadia, "Second looks")).isHidden();

            var lead = as(browser, app, "lead");
            lead.navigate(app.url() + "/grade");
            lead.getByText("Raised: ").click();
            region(lead, "Second looks").getByText("and decide").click();
            lead.getByLabel("Draping, after the second look").fill("72");
            lead.getByLabel("Why", new Page.GetByLabelOptions().setExact(true)).fill("Tucked, but late.");
            button(lead, "Change draping to 72").click();
            assertThat(region(lead, "Second look").getByText("changed", new Locator.GetByTextOptions().setExact(true)))
                    .isVisible();

            ana.reload();
            var told = region(ana, "Second look");
            assertThat(told.getByText("Tucked, but late.")).isVisible();
            assertThat(told.getByRole(AriaRole.LISTITEM)).hasText(Pattern.compile("D\\s*Draping 61\\s*→\\s*72"));
            assertThat(told.getByText("what it came to stands")).isVisible();
            assertThat(button(ana, "Ask for a second look")).isHidden();
        }
    }

    @Test
    void a_stop_is_written_down_and_read_by_those_it_names(App.Running app) {
        var id = practical(app, "Eli Thorne", false);
        try (var browser = new Browser()) {
            var nadia = as(browser, app, "nadia");
            nadia.navigate(app.url() + "/grade/" + id);
            nadia.locator(".digits").waitFor();
            nadia.keyboard().press("x");
            assertThat(nadia.getByText("Safety stop written down")).isVisible();
            var teacher = Visitor.as(app.url(), "nadia");
            nadia.waitForCondition(
                    () -> teacher.get("/api/me/raised").json().get("stops").asInt() == 1);
            nadia.navigate(app.url() + "/raised");
            button(region(nadia, "Incidents"), "Write it down").click();
            assertThat(button(nadia, "Sign it as it stands")).isDisabled();
            nadia.getByLabel("Who was concerned, and as what").fill("Eli, therapist; Bram, client");
            nadia.getByLabel("What happened").fill("Cramp in the calf.");
            nadia.getByLabel("What was done").fill("Stopped, stretched, water.");
            nadia.getByLabel("Who was told, and when").fill("The lead, 18:20.");
            nadia.getByText("Who may read it").click();
            nadia.getByLabel("Bram Oster").check();
            button(nadia, "Keep it").click();
            button(nadia, "Sign it as it stands").click();
            assertThat(nadia.getByText("It is changed no more.")).isVisible();
            assertThat(button(nadia, "Keep it")).isHidden();
            var path = nadia.url().substring(app.url().length());

            // Who worked is not named; nor is another grader.
            for (var not : List.of("eli", "olle")) {
                var refused = as(browser, app, not);
                refused.navigate(app.url() + path);
                assertThat(refused.getByText("This record is read by the lead, who wrote it and those named in it."))
                        .isVisible();
            }
            var bram = as(browser, app, "bram");
            bram.navigate(app.url() + "/me");
            region(bram, "Incidents").getByRole(AriaRole.LINK).click();
            assertThat(bram.getByText("Stopped, stretched, water.")).isVisible();
            assertThat(button(bram, "Sign it as it stands")).isHidden();
            var lead = as(browser, app, "lead");
            lead.navigate(app.url() + path);
            lead.getByLabel("What is known since").fill("Called at home: all well.");
            button(lead, "Add it below").click();
            assertThat(lead.getByText("Called at home: all well. ")).isVisible();
            bram.reload();
            assertThat(bram.getByText("Called at home: all well. ")).isVisible();
        }
    }

    @Test
    void what_was_kept_long_enough_goes_after_a_week(App.Running app) throws SQLException {
        var lead = Visitor.as(app.url(), "lead");
        note(app, lead.person("Gus Harrow"), 400);
        note(app, lead.person("Fay Linden"), 500);
        try (var browser = new Browser()) {
            var nadia = as(browser, app, "nadia");
            nadia.navigate(app.url() + "/school#kept");
            assertThat(button(nadia, "How we judge")).isVisible();
            assertThat(button(nadia, "How long")).isHidden();
            assertThat(region(nadia, "What will go")).isHidden();

            var page = as(browser, app, "lead");
            page.navigate(app.url() + "/school#kept");
            assertThat(region(page, "What will go").getByText("Nothing.")).isVisible();
            var months = page.getByLabel("Months: Notes on what a body must be spared");
            months.fill("12");
            button(page, "Keep it so").click();
            var going = region(page, "What will go").getByRole(AriaRole.LISTITEM);
            assertThat(going).hasCount(2);
            var fay = going.filter(new Locator.FilterOptions().setHasText("Note on Fay Linden"));
            assertThat(fay).containsText("goes on");
            button(fay, "Hold it back").click();
            fay.getByLabel("Why it stays").fill("An insurer asked.");
            button(fay, "Hold it back").click();
            assertThat(fay).containsText("held back by Marte Kjell: An insurer asked.");
            // A week later.
            sql(app, "update retention_notice set shown_on = shown_on - 7");
            months.fill("13");
            button(page, "Keep it so").click();
            assertThat(going).hasCount(1);
            assertThat(fay).containsText("held back");
            months.fill("");
            button(page, "Keep it so").click();
        }
    }

    private static void note(App.Running app, String student, int daysAgo) throws SQLException {
        sql(
                app,
                "insert into client_note (id, account_id, kind, until, written_by, written_at) values ('"
                        + UUID.randomUUID()
                        + "', '" + student + "', 'no-cold', '"
                        + LocalDate.now(app.clock()).minusDays(daysAgo) + "', '" + student + "', now())");
    }

    private static void sql(App.Running app, String statement) throws SQLException {
        try (var c = app.bean(DataSource.class).getConnection();
                var s = c.createStatement()) {
            s.execute(statement);
        }
    }

    @Test
    void who_is_new_grades_after_practice(App.Running app) {
        var id = practical(app, "Cleo Fenn", true);
        var lead = Visitor.as(app.url(), "lead");
        app.bean(Accounts.class).addTo(UUID.fromString(lead.term()), "Wim Ketel", "wim", GRADERS_PASSWORD, Role.GRADER);
        // The calves are theirs to grade, too.
        var duties = lead.get("/api/terms/" + lead.term() + "/duties").text().strip();
        lead.put(
                "/api/school/terms/" + lead.term() + "/duties",
                "{\"duties\":" + duties.substring(0, duties.length() - 1) + ",{\"account\":\""
                        + lead.person("Wim Ketel")
                        + "\",\"name\":\"Wim Ketel\",\"region\":\"lower-leg\",\"task\":\"grade\"}]}");
        try (var browser = new Browser()) {
            var nadia = as(browser, app, "nadia");
            nadia.navigate(app.url() + "/review/" + id);
            assertThat(button(nadia, "Change the award")).isVisible();
            assertThat(button(nadia, "Let new graders practise on it")).isHidden();
            var leads = as(browser, app, "lead");
            leads.navigate(app.url() + "/review/" + id);
            button(leads, "Let new graders practise on it").click();
            leads.getByLabel("What it is called").fill("Calves by a beginner");
            button(leads, "Choose it").click();
            var line = region(leads, "Graders’ practice")
                    .getByRole(AriaRole.LISTITEM)
                    .filter(new Locator.FilterOptions().setHasText("Wim Ketel"));
            assertThat(line).containsText("duty shut");

            var wim = as(browser, app, "wim");
            wim.navigate(app.url() + "/grade");
            var shut = wim.getByRole(AriaRole.STATUS, new Page.GetByRoleOptions().setName("Your duty to grade"));
            assertThat(shut).containsText("Mark the school's practice run first");
            assertThat(begins(app, "Fay Linden")).startsWith("403").contains("practice run first");
            shut.getByText("Calves by a beginner").click();
            assertThat(region(wim, "Your marks")).isVisible();
            assertThat(wim.getByText("Cleo")).isHidden();
            for (var c : List.of("Pressure control", "Stroke order", "Body mechanics", "Client communication"))
                wim.getByLabel(c).fill("65");
            wim.getByLabel("Draping", new Page.GetByLabelOptions().setExact(true))
                    .fill("90");
            button(wim, "Give these marks").click();
            assertThat(wim.getByText("Close to the school in 4 of 5. Draping: 29 points milder."))
                    .isVisible();
            assertThat(begins(app, "Fay Linden")).startsWith("403").contains("practice run first");
            // A student comes to no practice run.
            var ana = as(browser, app, "ana");
            ana.navigate(wim.url());
            assertThat(ana.getByText("Calves by a beginner")).isHidden();

            leads.reload();
            assertThat(line).containsText("Draping: 29 points milder.");
            button(line, "Open the duty").click();
            assertThat(line).containsText("duty open, by Marte Kjell");
            wim.navigate(app.url() + "/grade");
            assertThat(wim.getByText("Waiting for review").first()).isVisible();
            assertThat(shut).isHidden();
            assertThat(begins(app, "Fay Linden")).startsWith("201");
        }
    }

    /** What the new grader is answered who begins a practical. */
    private static String begins(App.Running app, String student) {
        var wim = Visitor.as(app.url(), "wim", GRADERS_PASSWORD);
        var answer = wim.post(
                "/api/practicals",
                "{\"term\":\"" + wim.term() + "\",\"student\":\"" + wim.person(student)
                        + "\",\"sequence\":\"calves\",\"despite\":\"so\",\"tableNumber\":9}");
        return answer.status() + " " + answer.text();
    }
}
