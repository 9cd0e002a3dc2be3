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
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import palmtally.server.App;
import palmtally.server.InWeeks;
import palmtally.server.TestDatabase;
import palmtally.server.Visitor;

/**
 * The week-12 questions, answered from the screen alone: who is at risk and why, what to look at next, what the class misses; a bar
 * opened down to one tap; a report handed over; the term closed. In a school of its own, because a term is closed.
 */
class TrackTest {
    private static Locator view(Page page, String name) {
        return Browser.button(page, name);
    }

    @Test
    @InWeeks(from = 9, to = 14)
    void answers_the_questions_of_a_term_and_closes_it() throws Exception {
        try (var app = App.start(TestDatabase.fresh(), true);
                var browser = new Browser()) {
            var page = browser.page();
            browser.watching(page, "track", () -> {
                Browser.signIn(page, app.url(), "lead");
                var lead = Visitor.as(app.url(), "lead");
                atRisk(page, app, lead);
                looks(page, lead);
                missed(page, lead);
                downToOneTap(page, app);
                report(page, app, lead);
                toldByItself(browser, page, app, lead);
                close(page, app, lead);
            });
        }
    }

    private static void atRisk(Page page, App.Running app, Visitor lead) {
        page.navigate(app.url() + "/track");
        page.getByLabel("Show").selectOption("risk");
        var expected = new ArrayList<String>();
        for (var s :
                lead.get("/api/terms/" + lead.term() + "/competency").json().get("students"))
            if (s.get("atRisk").asInt() > 0) expected.add(s.get("name").asString());
        assertThat(expected).isNotEmpty();
        assertThat(page.locator("[role=grid] tbody tr th strong")).hasText(expected.toArray(String[]::new));
        // Keyboard alone: into the grid, along its first row, into the student.
        page.locator("[role=grid] a").first().focus();
        page.keyboard().press("ArrowDown");
        page.keyboard().press("ArrowRight");
        assertThat(page.locator("[data-at='1/1']")).isFocused();
        page.keyboard().press("Home");
        page.keyboard().press("ArrowUp");
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .hasText(expected.get(0));
        page.goBack();
        // The table behind the drawing says the same in words.
        Browser.button(page, "As a table").click();
        page.getByLabel("Show").selectOption("risk");
        assertThat(page.locator("td.at-risk").first()).containsText(Pattern.compile("at risk \\d+ ± \\d+"));
        Browser.button(page, "As palms").click();
        // And why.
        view(page, "Forecast").click();
        assertThat(page.getByText("Gus Harrow")).isVisible();
        assertThat(page.getByText(Pattern.compile("looks? at 80 or better")).first())
                .isVisible();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Gus Harrow"))
                .click();
        assertThat(page.getByText("At this pace it stays below the cut of 60").first())
                .isVisible();
        page.goBack();
    }

    private static void looks(Page page, Visitor lead) {
        view(page, "Next looks").click();
        var list = lead.get("/api/terms/" + lead.term() + "/watch").json();
        assertThat(page.getByText("The coming lab, week " + list.get("lab").get("week")))
                .isVisible();
        var first = page.locator(".looks li.first");
        assertThat(first).hasCount(3);
        for (int i = 0; i < 3; i++) {
            var look = list.get("looks").get(i);
            assertThat(first.nth(i)).containsText(look.get("name").asString());
            assertThat(first.nth(i)).containsText(look.get("why").asString());
        }
        // With less time there are fewer, and the three that matter stay.
        var minutes = page.getByLabel("Minutes of your eyes");
        minutes.fill("9");
        minutes.press("Enter");
        assertThat(page.locator(".looks li")).hasCount(3);
        assertThat(first.nth(0))
                .containsText(list.get("looks").get(0).get("name").asString());
        // From the list onto the table.
        first.nth(0).getByText("Set up").click();
        page.waitForURL("**/grade?**");
        assertThat(page.getByLabel("Student").first())
                .hasValue(list.get("looks").get(0).get("student").asString());
        page.goBack();
    }

    private static void missed(Page page, Visitor lead) {
        view(page, "What is missed").click();
        var worst = lead.get("/api/terms/" + lead.term() + "/steps")
                .json()
                .get("steps")
                .get(0);
        var row = page.locator("table.heat tbody").first();
        assertThat(row).containsText(worst.get("name").asString());
        row.locator(".step").click();
        assertThat(row.locator(".runs a").first()).containsText("nothing said");
        Browser.button(row, "Show it again").click();
        assertThat(row).containsText(Pattern.compile("Shown in week \\d+ · take out"));
        assertThat(lead.get("/api/terms/" + lead.term() + "/curriculum").text())
                .contains("Shown again: the class misses it most.");
    }

    private static void downToOneTap(Page page, App.Running app) {
        page.navigate(app.url() + "/track");
        page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile("^Gus Harrow, Neck: ")))
                .click();
        page.waitForURL("**/track/**");
        var mechanics =
                page.locator(".line").filter(new Locator.FilterOptions().setHasText(Pattern.compile("^\\s*Mechanics")));
        mechanics.locator("[role=link]").first().click();
        page.waitForURL("**/review/**");
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(Pattern.compile("^Body mechanics")))
                .click();
        Browser.button(page, "looks");
        page.locator("main")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^looks")))
                .first()
                .click();
        assertThat(page.getByText(Pattern.compile("look: ")).first()).isVisible();
    }

    private static void report(Page page, App.Running app, Visitor lead) throws IOException, InterruptedException {
        page.navigate(app.url() + "/track/" + lead.person("Gus Harrow"));
        var link = page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Report (PDF)"));
        var answer = page.request().get(app.url() + link.getAttribute("href"));
        assertThat(answer.headers().get("content-type")).startsWith("application/pdf");
        var file = Files.createTempFile("report", ".pdf");
        Files.write(file, answer.body());
        var process = new ProcessBuilder("pdftotext", "-layout", file.toString(), "-").start();
        var text = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8).replaceAll("\\s+", " ");
        assertThat(process.waitFor()).isZero();
        assertThat(text)
                .contains("Gus Harrow", "Breakwater School of Massage", "Body mechanics", "at risk", "Gates")
                .contains("Local codes and licensed practice decide.");
        Files.delete(Path.of(file.toString()));
    }

    /** A mark that another gives is on the open screen within a second, and nobody touched it. */
    private static void toldByItself(Browser browser, Page page, App.Running app, Visitor lead) {
        page.navigate(app.url() + "/track");
        var palm = page.getByRole(
                AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile("^Ana Quill, Foot and ankle: ")));
        assertThat(palm).hasAttribute("aria-label", Pattern.compile("Pressure not seen"));
        page.waitForTimeout(500);
        var nadia = Visitor.as(app.url(), "nadia");
        var id = nadia.practical("Ana Quill", "feet");
        nadia.post(
                "/api/practicals/" + id + "/events",
                "{\"events\":[{\"id\":\"f\",\"device\":\"d\",\"seq\":1,\"atMs\":60000,\"kind\":\"finish\",\"data\":{}}]}");
        nadia.post("/api/practicals/" + id + "/rating", "{\"value\":70}");
        long start = System.nanoTime();
        var awarded = nadia.put(
                "/api/practicals/" + id + "/award",
                "{\"from\":0,\"award\":{\"criteria\":{\"pressure\":{\"value\":70,\"reason\":\"a test\"}},\"struck\":[],"
                        + "\"confirmed\":[],\"feedback\":\"\",\"released\":true}}");
        assertThat(awarded.status()).isEqualTo(200);
        assertThat(palm).hasAttribute("aria-label", Pattern.compile("Pressure emerging"));
        System.out.printf("a mark given is on the open screen after %.0f ms%n", (System.nanoTime() - start) / 1e6);
        lead.put("/api/practicals/" + id + "/void", "{\"reason\":\"a test\"}");
        assertThat(palm).hasAttribute("aria-label", Pattern.compile("Pressure not seen"));
    }

    private static void close(Page page, App.Running app, Visitor lead) {
        var next = LocalDate.now().plusWeeks(8);
        lead.post(
                "/api/school/terms",
                "{\"name\":\"Spring, dry land\",\"cohort\":\"Evening cohort\",\"startsOn\":\"" + next
                        + "\",\"weeks\":15}");
        for (var left = 2; left > 0; left--) {
            page.navigate(app.url() + "/track#closing");
            assertThat(Browser.button(page, "Close the term")).isDisabled();
            var waiting = page.locator("section").filter(new Locator.FilterOptions().setHasText("Waiting for review"));
            assertThat(waiting.getByRole(AriaRole.LINK)).hasCount(left);
            waiting.getByRole(AriaRole.LINK).first().click();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^60 competent")))
                    .click();
            page.getByRole(AriaRole.TAB).first().waitFor();
            for (var confirm : List.of("It stands", "Confirm"))
                for (var b : page.getByRole(
                                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + confirm)))
                        .all()) b.click();
            Browser.button(page, "Award, for the lead to release").click();
            assertThat(page.getByText(Pattern.compile("^(Pass|Fail|Incomplete)"))
                            .first())
                    .isVisible();
        }
        page.navigate(app.url() + "/track#closing");
        assertThat(page.getByText("Awarded, not released 2")).isVisible();
        var into = page.getByLabel("Carry over into");
        into.selectOption(
                new com.microsoft.playwright.options.SelectOption().setLabel("Spring, dry land, Evening cohort"));
        Browser.button(page, "Close the term").click();
        assertThat(page.getByText("This term is closed")).isVisible();
        assertThat(page.getByText("was carried over into the next term")).isVisible();
        assertThat(page.getByText("None: students see every award.")).isVisible();
        // In the next term everybody stands as they stood.
        var terms = lead.get("/api/session").json().get("terms");
        String spring = "";
        for (var t : terms)
            if (t.get("name").asString().startsWith("Spring"))
                spring = t.get("id").asString();
        var cohort = lead.get("/api/terms/" + spring + "/competency").json();
        assertThat(cohort.get("students").size()).isEqualTo(12);
        int critical = 0;
        int secure = 0;
        for (var s : cohort.get("students")) {
            critical += s.get("critical").asInt();
            secure += s.get("secure").asInt();
        }
        assertThat(critical).isPositive();
        assertThat(secure).isGreaterThan(100);
        Browser.button(page, "Open it again").click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Close the term")))
                .isVisible();
    }
}
