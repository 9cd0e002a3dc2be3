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
import tools.jackson.databind.JsonNode;

/** The register is taken on a phone at the door, and what it comes to is read at the desk. */
@ExtendWith(App.class)
class AtTheDoorTest {
    /** A lab that is still to come: nobody is marked in it. */
    private static final String LAB = "12.2";

    private static Locator act(Page page, String student, String act) {
        return page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName(student))
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(act));
    }

    private static JsonNode presence(Visitor nadia, String student) {
        var sheet = nadia.get("/api/terms/" + nadia.term() + "/register/12/2").json();
        for (var s : sheet.get("students")) if (s.get("name").asString().equals(student)) return s.path("presence");
        throw new AssertionError(student + " is not in the register");
    }

    @Test
    void one_pass_with_a_network_that_comes_and_goes(App.Running app) throws Exception {
        var nadia = Visitor.as(app.url(), "nadia");
        try (var browser = new Browser()) {
            var page = browser.page();
            page.setViewportSize(390, 844);
            browser.watching(page, "at-the-door", () -> {
                Browser.signIn(page, app.url(), "nadia");
                page.navigate(app.url() + "/door?lab=" + LAB);
                button(page, "All are there").click();
                assertThat(page.getByText("12 there · 0 late · 0 away · 0 not marked"))
                        .isVisible();
                act(page, "Gus Harrow", "Away").click();
                act(page, "Eli Thorne", "Late").click();
                assertThat(page.getByText("10 there · 1 late · 1 away · 0 not marked"))
                        .isVisible();
                // Without a network it goes on, and what was marked outlives the page.
                assertThat(page.getByText("not sent yet")).hasCount(0);
                page.context().setOffline(true);
                act(page, "Ana Quill", "Away").click();
                assertThat(page.getByText("1 mark not sent yet, kept here")).isVisible();
                page.context().setOffline(false);
                page.reload();
                assertThat(page.getByText("9 there · 1 late · 2 away · 0 not marked"))
                        .isVisible();
                assertThat(page.getByText("not sent yet")).hasCount(0);
                // A touch on what is marked takes it back.
                act(page, "Ana Quill", "Away").click();
                assertThat(page.getByText("9 there · 1 late · 1 away · 1 not marked"))
                        .isVisible();
                button(page, "Undo").click();
                assertThat(page.getByText("9 there · 1 late · 2 away · 0 not marked"))
                        .isVisible();
                assertThat(page.getByText("not sent yet")).hasCount(0);
            });
        }
        assertThat(presence(nadia, "Ana Quill").get("kind").asString()).isEqualTo("absent");
        assertThat(presence(nadia, "Gus Harrow").get("kind").asString()).isEqualTo("absent");
        assertThat(presence(nadia, "Eli Thorne").get("lateMinutes").asDouble()).isEqualTo(10);
        assertThat(presence(nadia, "Bram Oster").get("kind").asString()).isEqualTo("present");
    }

    @Test
    void keys_mark_row_by_row_and_hours_open_down_to_the_lab(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            browser.watching(page, "door-keys", () -> {
                Browser.signIn(page, app.url(), "nadia");
                page.navigate(app.url() + "/door?lab=13.1");
                act(page, "Ana Quill", "There").focus();
                page.keyboard().press("t");
                page.keyboard().press("a");
                page.keyboard().press("e");
                page.keyboard().press("l");
                assertThat(page.getByText("1 there · 1 late · 2 away · 8 not marked"))
                        .isVisible();
                page.keyboard().press("u");
                assertThat(page.getByText("1 there · 0 late · 2 away · 9 not marked"))
                        .isVisible();
                page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Hours"))
                        .click();
                button(page, "Gus Harrow").click();
                assertThat(page.getByText(Pattern.compile("Missed \\d of \\d+ labs")))
                        .isVisible();
                assertThat(page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName("Week 2, lab 2: away")))
                        .isVisible();
                button(page, "Made up").first().click();
                assertThat(page.getByText("for week 2, lab 2")).isVisible();
            });
        }
    }

    @Test
    void who_is_away_is_seated_nowhere_and_what_is_kept_counts_as_done(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            browser.watching(page, "partners", () -> {
                Browser.signIn(page, app.url(), "nadia");
                page.navigate(app.url() + "/door?lab=12.1");
                button(page, "All are there").click();
                act(page, "Gus Harrow", "Away").click();
                assertThat(page.getByText("not sent yet")).hasCount(0);
                page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Partners"))
                        .click();
                assertThat(page.getByText("Away: Gus Harrow.")).isVisible();
                var tables = page.locator(".tables li");
                assertThat(tables).hasCount(5);
                assertThat(page.locator(".tables").getByText("Gus Harrow")).hasCount(0);
                // Two touches change two places; what is kept is filled in who worked with whom.
                var first = tables.nth(0).getByRole(AriaRole.BUTTON);
                var second = tables.nth(1).getByRole(AriaRole.BUTTON);
                var one = first.nth(0).innerText();
                var other = second.nth(0).innerText();
                first.nth(0).click();
                second.nth(0).click();
                assertThat(first.nth(0)).hasText(other);
                button(page, "So they sit").click();
                assertThat(button(page, "Kept")).isVisible();
                page.reload();
                assertThat(page.getByText("So they sat.")).isVisible();
                assertThat(tables.nth(0).getByText(other)).isVisible();
                assertThat(tables.nth(1).getByText(one)).isVisible();
                button(page, "Find them anew").click();
                button(page, "Undo").click();
                assertThat(page.getByText("So they sat.")).isVisible();
            });
        }
    }
}
