package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.e2e.Browser.button;
import static palmtally.e2e.Browser.tab;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.PlaywrightException;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.formats.Json;
import palmtally.server.App;
import palmtally.server.Visitor;
import tools.jackson.databind.node.ObjectNode;

/** A page that judges by other rules than the server: shown is the server's word where there is one, and else that it is the older one's. */
@ExtendWith(App.class)
class OtherRulesTest {
    /** The core of the page says that it goes by other rules. */
    private static final String OLDER = """
            (() => {
              const Plain = Worker
              window.Worker = class extends Plain {
                addEventListener(kind, on, ...more) {
                  const other = (e) => on(e.data?.version ? new MessageEvent('message', { data: { version: 'older' } }) : e)
                  super.addEventListener(kind, kind === 'message' ? other : on, ...more)
                }
              }
            })()
            """;

    private final Browser browser = new Browser();

    @AfterEach
    void close() {
        browser.close();
    }

    private Page older(App.Running app) {
        var page = browser.page();
        CoreHeard.in(page);
        page.addInitScript(OLDER);
        Browser.signIn(page, app.url(), "nadia");
        return page;
    }

    private static void add(Page page, String line) {
        int had = page.locator("[data-step]").count();
        page.getByLabel("Add a step by typing").fill(line);
        page.keyboard().press("Enter");
        assertThat(page.locator("[data-step]")).hasCount(had + 1);
    }

    @Test
    void in_the_editor_the_server_is_asked_and_without_it_the_page_says_whose_word_it_shows(App.Running app)
            throws Exception {
        var page = older(app);
        browser.watching(page, "older-editor", () -> {
            var asked = new ArrayList<String>();
            page.onRequest(r -> asked.add(r.url()));
            Browser.newSequence(page, app.url(), "Two words");
            CoreHeard.settled(page);
            add(page, "glide calves 5s");
            assertThat(asked)
                    .anyMatch(a -> a.endsWith("/api/drafts/lines"))
                    .anyMatch(a -> a.endsWith("/api/drafts/check"));
            tab(page, "Checks").click();
            assertThat(page.getByText("by older rules")).hasCount(0);

            page.context().setOffline(true);
            add(page, "elbow quads deep 60s");
            assertThat(page.locator(".says article.stop").first()).isVisible();
            assertThat(page.getByText("So far, by older rules")).isVisible();
            page.context().setOffline(false);
            assertThat(page.getByText("by older rules")).hasCount(0);
            button(page, "Save").click();
            assertThat(page.getByText("version 2")).isVisible();
            add(page, "glide calves 5s");
            assertThat(page.getByText("by older rules")).hasCount(0);

            // The app renews itself with the next page that is opened; what was not saved is there again.
            page.evaluate("() => (window.stayed = true)");
            var here = page.url();
            page.getByRole(
                            AriaRole.LINK,
                            new Page.GetByRoleOptions().setName("Plan").setExact(true))
                    .click();
            page.waitForURL("**/plan");
            page.waitForFunction("() => window.stayed === undefined");
            page.navigate(here);
            assertThat(page.getByText("Your changes of last time were not saved and are here again."))
                    .isVisible();
        });
    }

    @Test
    void at_a_table_too_and_every_tap_is_kept(App.Running app) throws Exception {
        var page = older(app);
        browser.watching(page, "older-table", () -> {
            var asked = new ArrayList<String>();
            page.onRequest(r -> asked.add(r.url()));
            var nadia = Visitor.as(app.url(), "nadia");
            var id = nadia.practical("Eli Thorne", "calves");
            page.navigate(app.url() + "/grade/" + id);
            button(page, "Finish").waitFor();
            CoreHeard.settled(page);
            page.keyboard().press("Enter");
            assertThat(page.locator(".tile.on, [aria-current=step]").first()).isVisible();
            assertThat(asked).anyMatch(a -> a.endsWith(id + "/scores"));
            assertThat(page.getByText("by older rules")).hasCount(0);
            page.context().setOffline(true);
            page.keyboard().press("9");
            assertThat(page.getByText("said 9: answer?")).isVisible();
            assertThat(page.getByText("so far, by older rules")).isVisible();
            page.context().setOffline(false);
            assertThat(page.getByText("so far, by older rules")).hasCount(0);
            var kinds = new ArrayList<String>();
            for (var e : nadia.get("/api/practicals/" + id).json().get("events"))
                kinds.add(e.get("kind").asString());
            assertThat(kinds).isEqualTo(List.of("attend", "step-start", "report"));
        });
    }

    /** The other way round: the page is the newer one, and the server says less than it asks for. */
    @Test
    void beside_an_older_server_the_page_counts_itself_and_says_so(App.Running app) throws Exception {
        var page = browser.page();
        CoreHeard.in(page);
        Browser.signIn(page, app.url(), "nadia");
        browser.watching(page, "older-server", () -> {
            var nadia = Visitor.as(app.url(), "nadia");
            var id = nadia.practical("Eli Thorne", "calves");
            // An older server is older in all that it answers.
            page.context()
                    .route(
                            address -> address.contains("/api/") && !address.endsWith("/live"),
                            OtherRulesTest::byAnOlder);
            page.navigate(app.url() + "/grade/" + id);
            button(page, "Finish").waitFor();
            CoreHeard.settled(page);
            page.keyboard().press("Enter");
            assertThat(page.locator(".tile.on, [aria-current=step]").first()).isVisible();
            page.keyboard().press("9");
            assertThat(page.getByText("said 9: answer?")).isVisible();
            assertThat(page.getByText("so far, by newer rules: the school’s server is older than this page"))
                    .isVisible();
            assertThat(page.getByText(Pattern.compile("^all \\d+ taps stored"))).isVisible();
            var kinds = new ArrayList<String>();
            for (var e : nadia.get("/api/practicals/" + id).json().get("events"))
                kinds.add(e.get("kind").asString());
            assertThat(kinds).isEqualTo(List.of("attend", "step-start", "report"));
            page.context().unrouteAll();
        });
    }

    private static void byAnOlder(Route route) {
        try {
            route.fulfill(older(route.fetch()));
        } catch (PlaywrightException e) {
            // The page was closed while it asked.
        }
    }

    /** What a server said before it knew of progress: the same without, by rules of its own. */
    private static Route.FulfillOptions older(APIResponse answer) {
        var headers = new HashMap<>(answer.headers());
        headers.put("x-palm-rules", "older");
        var same = new Route.FulfillOptions().setStatus(answer.status()).setHeaders(headers);
        if (!headers.getOrDefault("content-type", "").contains("json")) return same.setBodyBytes(answer.body());
        var all = Json.MAPPER.readTree(answer.body());
        for (var one : all.isArray() ? all : List.of(all))
            if (one instanceof ObjectNode o) o.remove(List.of("progress", "extent"));
        return same.setBody(all.toString());
    }
}
