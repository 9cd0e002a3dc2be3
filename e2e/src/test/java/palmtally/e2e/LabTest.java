package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.e2e.Browser.button;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.App;
import palmtally.server.InWeeks;
import palmtally.server.Visitor;

/** A lab as it goes: what was left last time is shown first, then all tables practise by one clock. */
@ExtendWith(App.class)
class LabTest {
    private static Locator link(Page page, String name) {
        return page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name));
    }

    /** With one finger on a phone, and eyes on the table: nothing but taps anywhere on the screen. */
    @Test
    @InWeeks(from = 9, to = 9)
    void what_was_left_for_another_day_is_shown_with_one_finger(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            page.setViewportSize(390, 844);
            browser.watching(page, "lab-finger", () -> {
                Browser.signIn(page, app.url(), "nadia");
                page.navigate(app.url() + "/show");
                var line = page.locator(".week").filter(new Locator.FilterOptions().setHasText("Left for another day"));
                assertThat(line).containsText("Only 2 of 9 steps");
                line.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Show"))
                        .click();
                assertThat(page.getByText("not started")).isVisible();
                assertThat(page.locator(".what")).containsText("week 9, lab 2");
                assertThat(page.locator(".coming .push")).not().hasCount(0);
                for (int i = 0; i < 20 && page.locator(".done").count() == 0; i++) {
                    var before = page.locator(".show").textContent();
                    page.mouse().click(200, 300);
                    page.waitForFunction("before => document.querySelector('.show').textContent !== before", before);
                }
                assertThat(page.locator(".done")).containsText("Everything announced was shown.");
                assertThat(page.locator(".log tbody tr")).hasCount(4);
                assertThat(page.getByText("not stored yet")).hasCount(0);
                page.navigate(app.url() + "/show");
                assertThat(line).containsText("shown");
            });
        }
    }

    @Test
    void all_tables_follow_one_clock_and_see_who_works_on_whom(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            int before = met(Visitor.as(app.url(), "olle")).values().stream()
                    .mapToInt(Integer::intValue)
                    .sum();
            browser.watching(page, "lab-round", () -> {
                Browser.signIn(page, app.url(), "olle");
                page.navigate(app.url() + "/show/rounds?sequence=forearms&minutes=45");
                assertThat(page.getByText(Pattern.compile("for each therapist, 45:00\\s+in all")))
                        .isVisible();
                // Two are away: five tables of two.
                button(page, "Ana Quill").first().click();
                button(page, "Tobin Vale").first().click();
                assertThat(page.getByText("Who is here, 10 of 12")).isVisible();
                var tables = page.locator("ol.tables li");
                // The pairs are made anew for each who is away: what is read before the last answer changes under the
                // hand.
                assertThat(tables.filter(
                                new Locator.FilterOptions().setHasText(Pattern.compile("Ana Quill|Tobin Vale"))))
                        .hasCount(0);
                assertThat(tables).hasCount(5);
                // Two names, two touches: they change places.
                var first = tables.nth(0).getByRole(AriaRole.BUTTON);
                var second = tables.nth(1).getByRole(AriaRole.BUTTON);
                var one = first.nth(0).textContent().strip();
                var other = second.nth(0).textContent().strip();
                first.nth(0).click();
                assertThat(page.getByText("Touch who changes places with " + one))
                        .isVisible();
                second.nth(0).click();
                assertThat(first.nth(0)).hasText(other);
                assertThat(second.nth(0)).hasText(one);
                button(page, "Open the round").click();
                page.waitForURL(Pattern.compile("/show/rounds/[0-9a-f-]{36}"));
                var code = page.getByRole(
                                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Class screen ")))
                        .textContent()
                        .strip()
                        .replaceFirst("^.* ", "");
                var screens = List.of(browser.page(), browser.page());
                for (var s : screens) {
                    s.navigate(app.url() + "/class/" + code);
                    assertThat(s.getByRole(AriaRole.HEADING)).hasText("Practice round");
                }
                page.keyboard().press(" ");
                for (var s : screens) assertThat(s.getByRole(AriaRole.HEADING)).hasText("Find your table");
                page.keyboard().press(" ");
                for (var s : screens) {
                    assertThat(s.getByRole(AriaRole.HEADING)).hasText(Pattern.compile("right side|left side|Supine"));
                    assertThat(s.locator("ol.tables li").first()).containsText(other.split(" ")[0] + " on ");
                    // First names, the clock and the steps: nothing else of anybody.
                    assertThat(s.content()).doesNotContain(other, "Olle", "score", "not stored");
                }
                page.keyboard().press("p");
                for (var s : screens) assertThat(s.locator(".place")).containsText("paused");
                page.keyboard().press("p");
                button(page, "+ 1 min").click();
                page.reload();
                page.locator(".legs").waitFor();
                for (int i = 0; i < 30 && page.locator(".done").count() == 0; i++)
                    page.keyboard().press(" ");
                assertThat(page.getByText("Round over")).isVisible();
                for (var s : screens) assertThat(s.getByText("Round over")).isVisible();
                assertThat(page.getByText("not stored yet")).hasCount(0);
                // The next round knows who was with whom.
                button(page, "Back to Show").click();
                link(page, "Practice round").first().click();
                page.getByLabel("Sequence").selectOption("forearms");
                assertThat(tables).hasCount(6);
                var met = met(Visitor.as(app.url(), "olle"));
                assertThat(met.values().stream().mapToInt(Integer::intValue).sum())
                        .as("pairs, each told by both")
                        .isEqualTo(before + 2 * 5);
                int repeats = 0;
                for (var table : tables.all()) {
                    var names = table.getByRole(AriaRole.BUTTON).allTextContents().stream()
                            .map(String::strip)
                            .toList();
                    for (var a : names) for (var b : names) if (a.compareTo(b) < 0) repeats += met.get(a + "/" + b);
                }
                assertThat(page.getByText(
                                repeats == 0
                                        ? "Nobody has been with this partner before"
                                        : repeats + " partners have met before this term"))
                        .isVisible();
            });
        }
    }

    /** How often each has worked with each other, by both names. */
    private static Map<String, Integer> met(Visitor who) {
        var students = who.get("/api/terms/" + who.term() + "/partners").json().get("students");
        var met = new HashMap<String, Integer>();
        for (var one : students)
            for (int i = 0; i < students.size(); i++)
                met.put(
                        one.get("name").asString() + "/"
                                + students.get(i).get("name").asString(),
                        one.get("met").get(i).asInt());
        return met;
    }
}
