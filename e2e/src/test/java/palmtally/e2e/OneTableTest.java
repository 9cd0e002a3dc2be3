package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.e2e.Browser.button;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.App;
import palmtally.server.Visitor;

/** One table from its set-up to its end: what the body on it must be spared, and what the client says on a phone of their own. */
@ExtendWith(App.class)
@Tag("measured")
class OneTableTest {
    @Test
    void a_practical_at_three_tables_is_set_up_in_a_few_touches(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            browser.watching(page, "floor-set-up", () -> {
                Browser.signIn(page, app.url(), "olle");
                page.navigate(app.url() + "/grade");
                page.getByLabel("Sequence").selectOption("feet");
                button(page, "One table more").click();
                button(page, "One table more").click();
                page.getByLabel("Minutes").fill("20");
                button(page, "Fill in").click();
                for (int i = 0; i < 3; i++)
                    button(page, "Nothing today").first().click();
                button(page, "Start 3 together").click();
                page.waitForURL("**/floor");
                assertThat(page.locator(".table")).hasCount(3);
                assertThat(page.getByText("not begun")).hasCount(3);
                assertThat(page.getByText("of 20:00")).hasCount(3);
                // One key a tap, one key to a table; and back.
                page.keyboard().press("f");
                page.keyboard().press("j");
                assertThat(page.locator(".table").first()).containsText("1 ");
                assertThat(page.getByText("not begun")).hasCount(2);
                page.locator(".table a").nth(1).click();
                button(page, "Finish").waitFor();
                // A digit that was meant for the floor does no harm.
                page.keyboard().press("3");
                assertThat(page.getByText("3 was not written down")).isVisible();
                page.keyboard().press("Enter");
                page.keyboard().press("9");
                assertThat(page.getByText("said 9: answer?")).isVisible();
                page.keyboard().press("g");
                assertThat(page.locator(".table").nth(1)).containsText("said 9: answer?");
                page.keyboard().press("ArrowRight");
                page.keyboard().press(" ");
                page.keyboard().press("j");
                assertThat(page.locator(".table").nth(1)).not().containsText("said 9");
                page.keyboard().press("u");
                assertThat(page.locator(".table").nth(1)).containsText("said 9: answer?");
                assertThat(page.getByText("everything stored")).isVisible();
                // Eyes on the second table only, and only while it was open.
                var floor = Visitor.as(app.url(), "olle").get("/api/floor").json();
                for (int i = 0; i < 3; i++) {
                    var attended = new ArrayList<Boolean>();
                    for (var e : floor.get(i).get("events"))
                        if (e.get("kind").asString().equals("attend"))
                            attended.add(e.get("data").get("on").asBoolean());
                    assertThat(attended).isEqualTo(i == 1 ? List.of(true, false) : List.of());
                }
            });
        }
    }

    /** The stand-in that ships plays a ticklish client; a stop it says is called out, and it ends with the practical. */
    @Test
    void a_simulated_handset_plays_along(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            browser.watching(page, "floor-stand-in", () -> {
                var teacher = Visitor.as(app.url(), "nadia");
                var id = teacher.practical("Bram Oster", "calves");
                var code = teacher.post("/api/practicals/" + id + "/handset", "")
                        .json()
                        .get("code")
                        .asString();
                Browser.signIn(page, app.url(), "nadia");
                page.navigate(app.url() + "/grade/" + id);
                var out = new java.io.ByteArrayOutputStream();
                var playing = java.util.concurrent.CompletableFuture.supplyAsync(() -> {
                    try {
                        return palmtally.devices.Handset.run(
                                new String[] {app.url(), code, "ticklish", "--seed", "3", "--speed", "60"},
                                new java.io.PrintStream(out, true));
                    } catch (InterruptedException e) {
                        throw new IllegalStateException(e);
                    }
                });
                assertThat(page.getByText("tickles, said the client").first()).isVisible();
                Visitor.at(app.url())
                        .post("/api/handsets/" + code + "/reports", "{\"id\":\"s\",\"seq\":900,\"word\":\"stop\"}");
                assertThat(page.getByText("Table 1: stop, said the client")).isVisible();
                button(page, "Finish").click();
                assertThat(playing.get(30, TimeUnit.SECONDS)).isZero();
                assertThat(out.toString()).contains("It is over.");
            });
        }
    }

    /** What the one on the table must be spared blocks what clashes; a break, a correction, and then the two change roles. */
    @Test
    void a_body_that_must_be_spared_is_asked_only_what_it_can_bear(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            browser.watching(page, "floor-spared", () -> {
                Browser.signIn(page, app.url(), "nadia");
                page.navigate(app.url() + "/grade");
                page.getByLabel("Sequence").selectOption("calves");
                page.getByLabel("Student").selectOption(new SelectOption().setLabel("Jun Pell"));
                page.getByLabel("On the table").selectOption(new SelectOption().setLabel("Fay Linden"));
                assertThat(page.getByText("Ask Fay Linden")).isVisible();
                assertThat(button(page, "Start")).isDisabled();
                button(page, "Something").click();
                page.getByLabel("What is it").selectOption("numb");
                page.getByLabel("Where is it").selectOption("calf");
                page.getByLabel("On which side is it").selectOption("left");
                button(page, "Note it").click();
                assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("numb on this client");
                assertThat(button(page, "Start")).isDisabled();
                button(page, "The right side only").click();
                button(page, "Start").click();
                page.waitForURL(Pattern.compile(".*/grade/[0-9a-f-]{36}"));
                assertThat(page.getByText("Spare: numb: left calf")).isVisible();
                assertThat(page.locator(".tile").filter(new Locator.FilterOptions().setHasText("left")))
                        .hasCount(0);
                page.keyboard().press("b");
                assertThat(page.getByText("nothing counts until it goes on")).isVisible();
                page.keyboard().press("b");
                page.keyboard().press("Enter");
                page.keyboard().press("8");
                assertThat(page.getByText("said 8: answer?")).isVisible();
                button(page, "Log").click();
                var line = page.getByRole(AriaRole.LISTITEM)
                        .filter(new Locator.FilterOptions().setHasText("the client said 8"));
                line.getByText("It was…").click();
                line.getByRole(
                                AriaRole.BUTTON,
                                new Locator.GetByRoleOptions().setName("2").setExact(true))
                        .click();
                assertThat(page.locator(".log")).containsText("the client said 2");
                assertThat(line).hasClass(Pattern.compile("gone"));
                button(page, "Close").click();
                assertThat(page.getByText("said 8: answer?")).hasCount(0);
                // Another was begun by mistake: it leaves the floor, and says why.
                var mistake = Visitor.as(app.url(), "nadia").practical("Eli Thorne", "feet");
                var here = page.url();
                page.navigate(app.url() + "/grade/" + mistake);
                button(page, "Log").click();
                button(page, "Make it void").click();
                page.getByLabel("Why it does not count").fill("the wrong student");
                button(page, "Make it void").click();
                page.waitForURL("**/floor");
                assertThat(page.locator("a[href='/grade/" + mistake + "']")).hasCount(0);
                page.navigate(app.url() + "/review/" + mistake);
                assertThat(page.getByText("This does not count: the wrong student."))
                        .isVisible();
                page.navigate(here);
                button(page, "Finish, change roles").click();
                page.waitForURL("**/grade?swap=*");
                assertThat(page.getByText("Ask Jun Pell")).isVisible();
                assertThat(page.getByLabel("Student").locator("option:checked")).hasText("Fay Linden");
            });
        }
    }

    @Test
    void the_client_says_a_number_on_a_phone_and_the_grader_sees_it(App.Running app) throws Exception {
        try (var browser = new Browser()) {
            var page = browser.page();
            browser.watching(page, "floor-handset", () -> {
                var teacher = Visitor.as(app.url(), "nadia");
                var id = teacher.practical("Lena Brook", "hip");
                Browser.signIn(page, app.url(), "nadia");
                page.navigate(app.url() + "/grade/" + id);
                button(page, "Handset").click();
                var address = page.locator(".join .address").textContent().strip();
                button(page, "Close").click();
                var phone = browser.page();
                phone.setViewportSize(390, 844);
                phone.navigate(address);
                button(phone, "9").click();
                assertThat(phone.getByText("You said: 9")).isVisible();
                assertThat(page.getByText("said 9: answer?")).isVisible();
                // It tells the one who holds it nothing of anybody.
                assertThat(phone.content()).doesNotContain("Lena", "Nadia", "hip", "score");
                button(page, "Finish").click();
                assertThat(phone.getByText("This is over")).isVisible();
            });
        }
    }
}
