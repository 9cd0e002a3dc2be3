package palmtally.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.App;
import palmtally.server.TestDatabase;
import palmtally.server.Visitor;

/** What holds on every screen, by day and by night: WCAG 2.2 AA as axe sees it, room for a finger, nothing cut off. */
@ExtendWith(App.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class EveryScreenTest {
    private Browser browser;
    private Map<String, String> screens;

    @BeforeAll
    void open(App.Running app) {
        browser = new Browser();
        screens = new Screens(Visitor.as(app.url(), "nadia")).made();
    }

    @AfterAll
    void close() {
        browser.close();
    }

    @Test
    void every_address_of_the_app_is_among_them() {
        var seen = new ArrayList<>(Screens.FIRST);
        seen.addAll(Screens.OPEN);
        screens.values().forEach(p -> seen.add(Screens.page(p)));
        assertThat(Screens.routes()).hasSizeGreaterThan(20);
        assertThat(Screens.routes())
                .allSatisfy(route ->
                        assertThat(seen).as(route).anyMatch(p -> p.matches(route.replaceAll(":\\w+", "[^/]+"))));
    }

    @Test
    void a_school_that_nobody_has_set_up_keeps_to_them() {
        try (var app = App.start(TestDatabase.fresh(), false)) {
            for (var address : Screens.FIRST) {
                var page = browser.page();
                var rules = new ScreenRules(page);
                page.navigate(app.url() + address);
                rules.settle();
                assertThat(page.url()).endsWith(address);
                rules.atEverySize(address);
                page.context().close();
                assertThat(rules.faults()).isEmpty();
            }
        }
    }

    @Test
    void keeps_to_wcag_and_leaves_room_for_a_finger(App.Running app) {
        var page = browser.page();
        var hand = new LaidHand(page);
        page.navigate(app.url() + "/sign-in");
        page.getByLabel("Sign-in").waitFor();
        var rules = new ScreenRules(page);
        rules.atEverySize("sign-in");
        Browser.signIn(page, app.url(), "nadia");
        screens.forEach((name, path) -> {
            page.navigate(app.url() + path);
            rules.settle();
            rules.atEverySize(name);
            if (name.equals("sequence"))
                for (var tab : List.of("See", "Step", "Fit", "Versions"))
                    for (var size : ScreenRules.SIZES) {
                        rules.sized(size);
                        page.getByRole(
                                        AriaRole.TAB,
                                        new Page.GetByRoleOptions().setName(tab).setExact(true))
                                .click();
                        rules.at(size, name + ", " + tab);
                    }
            if (name.equals("table")) {
                page.keyboard().press("?");
                page.getByText("One key each").waitFor();
                rules.look("keys");
                Browser.button(page, "Close").click();
                for (var size : List.of(
                        new int[] {1180, 820}, new int[] {1024, 768}, new int[] {820, 1180}, new int[] {390, 844}))
                    small(page, rules, size);
                rules.sized(ScreenRules.DESK);
                for (var size : List.of(ScreenRules.DESK, new int[] {1024, 768}, new int[] {820, 1180})) {
                    rules.sized(size);
                    laid(page, rules, hand, "laid hand at " + size[0] + "×" + size[1]);
                }
            }
        });
        page.context().close();
        assertThat(rules.faults()).isEmpty();
    }

    @Test
    void so_do_those_of_a_student(App.Running app) {
        var student = browser.page();
        var rules = new ScreenRules(student);
        Browser.signIn(student, app.url(), "gus");
        student.waitForURL("**/me");
        rules.settle();
        rules.atEverySize("me");
        student.navigate(app.url() + "/peer");
        rules.settle();
        rules.atEverySize("peer");
        student.navigate(app.url() + "/marks#draping");
        rules.settle();
        rules.atEverySize("marks");
        student.context().close();
        assertThat(rules.faults()).isEmpty();
    }

    @Test
    void so_do_those_of_the_lead(App.Running app) {
        var lead = browser.page();
        var rules = new ScreenRules(lead);
        Browser.signIn(lead, app.url(), "lead");
        for (var panel : List.of("body", "backups", "trail", "people")) {
            lead.navigate(app.url() + "/school#" + panel);
            rules.settle();
            rules.atEverySize("lead, " + panel);
        }
        Browser.button(lead, "Sign-in of Kit Sorrel").click();
        lead.getByText("Last day, none for no end").waitFor();
        rules.look("lead, sign-in of a person");
        lead.context().close();
        assertThat(rules.faults()).isEmpty();
    }

    /** A hand laid on the table's page: before, lying there, and each finger opened. */
    private static void laid(Page page, ScreenRules rules, LaidHand hand, String name) {
        Browser.button(page, "Lay hand").click();
        rules.look(name + ", before");
        hand.lay();
        rules.look(name);
        for (var finger : List.of("pressure", "order", "mechanics", "communication", "draping")) {
            hand.tap(finger);
            rules.look(name + ", " + finger);
            hand.pick("Back");
        }
        Browser.button(page, "Lay hand").click();
    }

    /** A table on a tablet or a phone: every finger is there, with what it has, and what must not wait is in sight. */
    private static void small(Page page, ScreenRules rules, int[] at) {
        var size = at[0] + "×" + at[1];
        var faults = rules.faults();
        rules.sized(at);
        for (var finger : List.of("Pressure", "Order", "Mechanics", "Communication", "Draping")) {
            page.locator(".finger." + finger.toLowerCase(Locale.ROOT) + " .head")
                    .click();
            rules.room("table " + size + ", " + finger);
        }
        if (!page.getByText("Lubricant").isVisible()) faults.put("table " + size, "draping is not open");
        for (var name : List.of("Undo", "Break", "Safety stop")) {
            var box = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name)))
                    .boundingBox();
            if (box.x < 0 || box.x + box.width > at[0] || box.y < 0 || box.y + box.height > at[1])
                faults.put("table " + size + ", " + name, "out of sight");
            var on = page.evaluate(
                    "([x, y]) => document.elementFromPoint(x, y)?.closest('button')?.innerText ?? ''",
                    List.of(box.x + box.width / 2, box.y + box.height / 2));
            if (!on.toString().startsWith(name)) faults.put("table " + size + ", " + name, "under " + on);
        }
    }
}
