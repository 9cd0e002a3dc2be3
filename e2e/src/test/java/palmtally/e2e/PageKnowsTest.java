package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.e2e.Browser.button;
import static palmtally.e2e.Browser.tab;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.formats.Json;
import palmtally.server.App;
import palmtally.server.Visitor;
import tools.jackson.databind.JsonNode;

/** What somebody may not know is not computed in their page, and not told to it. */
@ExtendWith(App.class)
class PageKnowsTest {
    private final Browser browser = new Browser();

    @AfterEach
    void close() {
        browser.close();
    }

    private static List<JsonNode> read(List<String> of) {
        return of.stream().map(Json.MAPPER::readTree).toList();
    }

    private static String ask(JsonNode question) {
        return question.get("ask").asString();
    }

    /** A page that hears what is asked of the server and of the core. */
    private Page heard(List<String> addresses) {
        var page = browser.page();
        page.onRequest(r -> addresses.add(r.url()));
        CoreHeard.in(page);
        return page;
    }

    @Test
    void a_student_has_no_core_and_is_told_nothing_of_the_schools_rules(App.Running app) throws Exception {
        var asked = new ArrayList<String>();
        var page = heard(asked);
        browser.watching(page, "knows-student", () -> {
            Browser.signIn(page, app.url(), "dara");
            for (var at : List.of("/me", "/peer", "/plan")) {
                page.navigate(app.url() + at);
                page.locator("h1").first().waitFor();
                // Longer than the page waits before it has nothing better to do.
                page.waitForTimeout(2500);
                assertThat(CoreHeard.asked(page)).as(at).isEmpty();
            }
            assertThat(asked).noneMatch(a -> a.contains("/api/known")).noneMatch(a -> a.contains("/scores"));
            assertThat(Visitor.as(app.url(), "dara").get("/api/known").status()).isEqualTo(403);
        });
    }

    @Test
    void an_observer_is_told_what_their_own_taps_say_and_no_score(App.Running app) throws Exception {
        var asked = new ArrayList<String>();
        var page = heard(asked);
        browser.watching(page, "knows-observer", () -> {
            var nadia = Visitor.as(app.url(), "nadia");
            var id = nadia.practical("Ana Quill", "calves");
            nadia.post(
                    "/api/practicals/" + id + "/events",
                    "{\"events\":[{\"id\":\"g1\",\"device\":\"graders\",\"seq\":1,\"atMs\":900,\"kind\":\"attend\","
                            + "\"data\":{\"on\":true}}]}");
            var watching = "{\"observer\":\"" + nadia.person("Dara Moss") + "\"}";
            assertThat(nadia.post("/api/practicals/" + id + "/peer-looks", watching)
                            .status())
                    .isEqualTo(201);
            Browser.signIn(page, app.url(), "dara");
            page.navigate(app.url() + "/peer");
            button(page, "Done").waitFor();
            // Each tap is the page's to count once its core is there.
            for (int i = 0; CoreHeard.said(page).isEmpty(); i++) {
                assertThat(i).as("the page goes on asking the server").isLessThan(20);
                page.locator(".picks button").first().click();
                page.waitForTimeout(500);
            }
            CoreHeard.settled(page);
            for (var question : read(CoreHeard.asked(page))) {
                assertThat(ask(question)).isEqualTo("watch");
                assertThat(question.get("body").propertyNames())
                        .containsExactlyInAnyOrder("events", "lookEverySeconds");
                assertThat(question.toString()).doesNotContain("graders", "Ana Quill");
            }
            for (var answer : read(CoreHeard.said(page)))
                assertThat(answer.propertyNames()).containsExactlyInAnyOrder("counted", "progress");
            assertThat(asked).noneMatch(a -> a.contains("/api/known")).noneMatch(a -> a.contains("/scores"));
        });
    }

    @Test
    void a_second_grader_is_told_nothing_of_the_firsts_taps(App.Running app) throws Exception {
        var asked = new ArrayList<String>();
        var page = heard(asked);
        browser.watching(page, "knows-second", () -> {
            var nadia = Visitor.as(app.url(), "nadia");
            var id = nadia.practical("Ana Quill", "calves");
            nadia.post(
                    "/api/practicals/" + id + "/events",
                    "{\"events\":[{\"id\":\"n1\",\"device\":\"nadias\",\"seq\":1,\"atMs\":900,\"kind\":\"step-start\","
                            + "\"data\":{\"step\":\"greet\"}}]}");
            var beside = Visitor.as(app.url(), "olle")
                    .post("/api/practicals/" + id + "/beside", "")
                    .json()
                    .get("id")
                    .asString();
            Browser.signIn(page, app.url(), "olle");
            page.navigate(app.url() + "/grade/" + beside);
            button(page, "Finish").waitFor();
            CoreHeard.settled(page);
            page.keyboard().press("Enter");
            CoreHeard.settled(page);
            assertThat(CoreHeard.asked(page)).isNotEmpty();
            for (var question : CoreHeard.asked(page)) assertThat(question).doesNotContain("nadias", id);
            for (var answer : read(CoreHeard.said(page))) {
                assertThat(answer.toString()).doesNotContain("n1");
                for (var c : answer.get("scores").get("criteria"))
                    assertThat(c.has("score")).isFalse();
            }
            assertThat(asked).noneMatch(a -> a.contains(id));
        });
    }

    @Test
    void taps_that_the_server_has_are_gone_with_who_signs_out(App.Running app) throws Exception {
        var page = heard(new ArrayList<>());
        browser.watching(page, "knows-signed-out", () -> {
            var nadia = Visitor.as(app.url(), "nadia");
            var id = nadia.practical("Ana Quill", "calves");
            Browser.signIn(page, app.url(), "nadia");
            page.navigate(app.url() + "/grade/" + id);
            button(page, "Finish").waitFor();
            page.keyboard().press("Enter");
            page.waitForFunction("async () => (await (" + KEPT + ")()) > 1");
            page.navigate(app.url() + "/plan");
            button(page, "Sign out").click();
            page.getByLabel("Password").waitFor();
            assertThat(page.evaluate(KEPT)).isEqualTo(0);
        });
    }

    /** How many taps the browser keeps that the server has. */
    private static final String KEPT = """
            async () => {
              const db = await new Promise((done) => {
                const open = indexedDB.open('palm-tally')
                open.onsuccess = () => done(open.result)
              })
              const all = await new Promise((done) => {
                const asked = db.transaction('taps').objectStore('taps').getAll()
                asked.onsuccess = () => done(asked.result)
              })
              db.close()
              return all.filter((kept) => kept.sent).length
            }""";

    @Test
    void what_a_body_must_be_spared_is_the_servers_to_weigh(App.Running app) throws Exception {
        var asked = new ArrayList<String>();
        var page = heard(asked);
        browser.watching(page, "knows-body", () -> {
            var nadia = Visitor.as(app.url(), "nadia");
            var lena = nadia.person("Lena Brook");
            nadia.post("/api/notes/" + lena, "{\"kind\":\"numb\",\"zone\":\"calf\",\"side\":\"left\"}");
            Browser.signIn(page, app.url(), "nadia");
            Browser.newSequence(page, app.url(), "Spared");
            for (int i = 0; i == 0 || asked.stream().anyMatch(u -> u.contains("/api/drafts")); i++) {
                asked.clear();
                assertThat(i).as("the page goes on asking the server").isLessThan(20);
                page.getByLabel("Add a step by typing").fill("glide calves 5s");
                page.keyboard().press("Enter");
                page.waitForTimeout(500);
            }
            tab(page, "Checks").click();
            page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("For whom"))
                    .selectOption(lena);
            assertThat(page.getByRole(AriaRole.TABPANEL)).containsText("numb");
            assertThat(asked).anyMatch(a -> a.contains("/api/drafts/check"));
            // Neither the note, nor whose it is, was ever told to the core; what it knows of the school names nobody.
            for (var question : CoreHeard.asked(page)) assertThat(question).doesNotContain("\"numb\"", lena);
            var known = read(CoreHeard.asked(page)).stream()
                    .filter(q -> ask(q).equals("know"))
                    .findFirst()
                    .orElseThrow();
            assertThat(known.toString()).doesNotContain("Lena", "Brook", "Nadia", "Dara");
        });
    }
}
