package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.e2e.Browser.button;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.App;
import palmtally.server.Visitor;

/** A day of practicals from its first line to the table, and what students see of it. */
@ExtendWith(App.class)
class TimetableDayTest {
    private static Locator sitting(Page page, String student) {
        return page.getByRole(
                AriaRole.BUTTON,
                new Page.GetByRoleOptions().setName(Pattern.compile("^\\d\\d:\\d\\d, table \\d+: " + student)));
    }

    @Test
    void times_are_found_a_grader_is_away_and_one_begins_from_its_place(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            browser.watching(page, "timetable", () -> {
                Browser.signIn(page, app.url(), "nadia");
                page.navigate(app.url() + "/timetable");
                assertThat(page.getByText("12 of 12 practicals")).isVisible();
                button(page, "New day").click();
                page.getByLabel("What is shown")
                        .selectOption(new com.microsoft.playwright.options.SelectOption()
                                .setLabel("Regatta calves, back of the leg"));
                var who = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Who shows it"));
                // All have shown it: nobody is asked until somebody is chosen.
                assertThat(who.getByText("shown")).hasCount(12);
                for (var name : new String[] {"Ana Quill", "Bram Oster", "Cleo Fenn"})
                    who.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name))
                            .click();
                page.getByLabel("Tables", new Page.GetByLabelOptions().setExact(true))
                        .fill("2");
                button(page, "Find times for 3").click();
                assertThat(page.getByText("3 of 3 practicals")).isVisible();
                assertThat(page.getByText("Looking for better"))
                        .hasCount(
                                0,
                                new com.microsoft.playwright.assertions.LocatorAssertions.HasCountOptions()
                                        .setTimeout(60_000));
                sitting(page, "Ana Quill").click();

                page.getByText("Away", new Page.GetByTextOptions().setExact(true))
                        .click();
                var away = page.locator("details.away");
                for (var grader : new String[] {"Olle Strand", "Marte Kjell"}) {
                    away.locator("select")
                            .selectOption(new com.microsoft.playwright.options.SelectOption().setLabel(grader));
                    button(page, "Away: find the rest again").click();
                    assertThat(away.getByText(grader + ", all day")).isVisible();
                }
                for (var name : new String[] {"Ana Quill", "Bram Oster", "Cleo Fenn"})
                    assertThat(sitting(page, name)).hasAttribute("aria-label", Pattern.compile(".*, Nadia Reef$"));
                assertThat(page.getByText("Looking for better"))
                        .hasCount(
                                0,
                                new com.microsoft.playwright.assertions.LocatorAssertions.HasCountOptions()
                                        .setTimeout(60_000));

                page.getByLabel("Students and graders see their times").check();
                sitting(page, "Ana Quill").click();
                button(page, "Lock it there").click();
                assertThat(sitting(page, "Ana Quill").getByText("locked")).isVisible();
                button(page, "Start: nothing to spare today").click();
                page.waitForURL(Pattern.compile("/grade/[0-9a-f-]{36}$"));
                assertThat(page.getByText("Ana Quill").first()).isVisible();
                page.navigate(app.url() + "/grade");
                assertThat(page.getByLabel("My practicals to come").getByText("Ana Quill shows"))
                        .isVisible();
            });
        }
        var mine = Visitor.as(app.url(), "bram").get("/api/me/sittings").text();
        assertThat(mine).contains("\"does\":\"shows\"").contains("Regatta calves");
    }

    @Test
    void a_student_sees_their_times_says_where_they_agree_and_takes_their_calendar_along(App.Running app)
            throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            page.setViewportSize(390, 844);
            browser.watching(page, "own-times", () -> {
                Browser.signIn(page, app.url(), "kit");
                page.getByText("Where I agree to be worked on").click();
                button(page, "Abdomen: I agree").click();
                assertThat(button(page, "Abdomen: I agree")).hasAttribute("aria-pressed", "true");
                page.reload();
                page.getByText("Where I agree to be worked on").click();
                assertThat(button(page, "Abdomen: I agree")).hasAttribute("aria-pressed", "true");
                page.getByLabel("For which program").fill("my phone");
                button(page, "New address").click();
                var address = page.getByLabel("Address of my calendar").inputValue();
                var path = address.substring(address.indexOf("/api/"));
                var open = Visitor.at(app.url()).get(path);
                assertThat(open.text()).startsWith("BEGIN:VCALENDAR").contains("Lab: ");
                button(page, "End the address for my phone").click();
                assertThat(button(page, "End the address for my phone")).hasCount(0);
                assertThat(Visitor.at(app.url()).get(path).status()).isEqualTo(404);
            });
        }
    }
}
