package palmtally.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.args.AxeRunOptions;
import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.LoadState;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
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
import palmtally.server.Visitor;

/** What holds on every screen, by day and by night: WCAG 2.2 AA as axe sees it, room for a finger, nothing cut off. */
@ExtendWith(App.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class EveryScreenTest {
    private static final List<String> TAGS = List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa");
    /** A phone, a tablet upright and on its side, beside the desk that all else is looked at on. */
    private static final List<int[]> SIZES =
            List.of(new int[] {390, 844}, new int[] {820, 1180}, new int[] {1024, 768});

    private static final int[] DESK = {1280, 800};

    /** Controls people press, and how large each is. A label makes its own switch larger. */
    private static final String SMALL = """
            () => [...document.querySelectorAll('button, a[href], select, textarea, input:not([type=checkbox]):not(.sr), summary, [role=link], [role=slider]')]
              .filter(e => e.offsetParent !== null || e instanceof SVGElement)
              .map(e => { const f = e.closest('.v-field') ?? e; const r = f.getBoundingClientRect();
                          return { name: e.getAttribute('aria-label') ?? e.innerText ?? e.tagName, w: r.width, h: r.height } })
              .filter(x => x.w > 0 && x.h > 0 && (x.w < 43.5 || x.h < 43.5))
              .map(x => `${x.name} ${Math.round(x.w)}×${Math.round(x.h)}`)""";
    /** Words that do not fit their control, cards that are slivers, and pages wider than the window. */
    private static final String CUT = """
            () => [...[...document.querySelectorAll('button, .push, h1, h2, .cue')]
                .filter(e => e.scrollWidth > e.clientWidth + 1 && e.clientWidth > 0)
                .map(e => `${e.innerText} is cut: ${e.scrollWidth} in ${e.clientWidth}`),
              ...[...document.querySelectorAll('section.card, aside.card, form.card')]
                .filter(e => e.clientWidth > 0 && e.clientWidth < 240)
                .map(e => `${e.innerText.slice(0, 30)} is squeezed: ${e.clientWidth} wide`),
              ...(document.documentElement.scrollWidth > window.innerWidth ? [`page is ${document.documentElement.scrollWidth} wide`] : [])]""";

    /** By its place: a dialog may lie over it. */
    private static final String NIGHT = ".rail button[aria-pressed]";

    /** Addresses that other tests look at, as they need a school of their own. */
    private static final List<String> ELSEWHERE = List.of("/setup", "/install");

    /** Those of students, and of whoever is not signed in. */
    private static final List<String> OPEN = List.of("/sign-in", "/me", "/peer", "/marks");

    private Browser browser;
    private Visitor teacher;
    private Map<String, String> screens;

    @BeforeAll
    void open(App.Running app) {
        browser = new Browser();
        teacher = Visitor.as(app.url(), "nadia");
    }

    @AfterAll
    void close() {
        browser.close();
    }

    /** Addresses by the name of their picture, those of a teacher. */
    private Map<String, String> screens() {
        if (screens == null) screens = made();
        return screens;
    }

    private Map<String, String> made() {
        var lines = teacher.all("/api/terms/" + teacher.term() + "/practicals");
        String waiting = "";
        String awarded = "";
        var runs = new ArrayList<String>();
        for (var l : lines) {
            var id = l.get("id").asString();
            if (!l.has("result") && l.get("finished").asBoolean()) waiting = id;
            if (l.has("result") && l.get("result").asString().equals("fail")) awarded = id;
            if (l.has("result") && l.get("student").asString().equals("Gus Harrow")) runs.add(id);
        }
        var screens = new LinkedHashMap<String, String>();
        screens.put("plan", "/plan");
        screens.put("profile", "/school/profile/by-seconds");
        screens.put("sequence", "/plan/calves");
        screens.put("term", "/term");
        screens.put("coverage", "/term#coverage");
        screens.put("techniques", "/techniques#trigger-point");
        screens.put("show-list", "/show");
        screens.put("round-set-up", "/show/rounds?sequence=hip&minutes=60");
        var round = teacher.post("/api/sequences/hip/rounds", "{\"minutes\":60,\"roles\":2,\"tables\":6}")
                .json()
                .get("id")
                .asString();
        teacher.post(
                "/api/rounds/" + round + "/marks", "{\"id\":\"1\",\"what\":\"started\",\"leg\":1,\"atSeconds\":100}");
        screens.put("round", "/show/rounds/" + round);
        // Seven steps in, a minute and a half late in a slot of 17 minutes.
        var showing = teacher.post("/api/sequences/calves/demonstrations", "{\"slotSeconds\":1020}")
                .json();
        var moments = showing.get("shown").get("moments");
        double at = 0;
        for (int i = 0; i < 7; i++) {
            teacher.post(
                    "/api/demonstrations/" + showing.get("id").asString() + "/marks",
                    "{\"id\":\"" + i + "\",\"what\":\"started\",\"index\":" + i + ",\"atSeconds\":" + at + "}");
            at += 15
                    + moments.get(i).get("leadSeconds").asDouble()
                    + moments.get(i).get("classSeconds").asDouble();
        }
        screens.put("show", "/show/" + showing.get("id").asString());
        screens.put("class", "/class/" + showing.get("screen").asString());
        screens.put("grade", "/grade");
        floor();
        screens.put("floor", "/floor");
        screens.put(
                "handset",
                "/client/"
                        + teacher.post("/api/practicals/" + teacher.practical("Tobin Vale", "hip") + "/handset", "")
                                .json()
                                .get("code")
                                .asString());
        screens.put("table", "/grade/" + teacher.practical("Fay Linden", "hip"));
        screens.put("rating", "/review/" + waiting);
        screens.put("review", "/review/" + awarded);
        screens.put("compare", "/compare/" + runs.get(0) + "/" + runs.get(1));
        for (var d : teacher.get("/api/demonstrations").json().get("lines"))
            if (d.get("finished").asBoolean())
                screens.putIfAbsent(
                        "beside-shown",
                        "/compare/" + runs.get(0) + "/shown/" + d.get("id").asString());
        screens.put("track", "/track");
        screens.put("looks", "/track#next");
        screens.put("missed", "/track#steps");
        screens.put("forecast", "/track#forecast");
        screens.put("graders", "/track#graders");
        screens.put("closing", "/track#closing");
        screens.put("student", "/track/" + teacher.person("Gus Harrow"));
        screens.put("school", "/school");
        screens.put("people", "/school#people");
        screens.put("terms", "/school#terms");
        screens.put("duties", "/school#duties");
        screens.put("bodies", "/school#body");
        screens.put("password", "/school#own");
        // A page with nothing to choose in its address needs no line here.
        var named = screens.values().stream().map(EveryScreenTest::page).toList();
        for (var route : routes())
            if (!route.contains(":") && !named.contains(route) && !ELSEWHERE.contains(route) && !OPEN.contains(route))
                screens.put(route.substring(1).replace('/', '-'), route);
        return screens;
    }

    /** Five tables, some minutes in. */
    private void floor() {
        var who = List.of("Ana Quill", "Bram Oster", "Cleo Fenn", "Dara Moss", "Eli Thorne");
        for (int t = 0; t < who.size(); t++) {
            var view = teacher.post(
                            "/api/practicals",
                            "{\"term\":\"" + teacher.term() + "\",\"student\":\"" + teacher.person(who.get(t))
                                    + "\",\"partner\":\"" + teacher.person("Kit Sorrel")
                                    + "\",\"sequence\":\"calves\",\"limitSeconds\":1500,\"tableNumber\":" + (t + 2)
                                    + "}")
                    .json();
            var events = new StringBuilder();
            int n = 0;
            for (var span : view.get("spans")) {
                if (n > 4 + t) break;
                long at = Math.round(1000 * span.get("start").asDouble()) + 4000L * t;
                events.append(n > 0 ? "," : "")
                        .append(event(
                                n++,
                                at,
                                "step-start",
                                "\"step\":" + span.get("step") + ",\"side\":" + span.get("side")))
                        .append(",")
                        .append(
                                n % 3 == 0
                                        ? event(n++, at + 9000, "look", "\"faults\":[]")
                                        : n % 3 == 1
                                                ? event(
                                                        n++,
                                                        at + 9000,
                                                        "say",
                                                        "\"saying\":\"pressure-question\",\"style\":\"open\"")
                                                : event(n++, at + 9000, "report", "\"number\":" + (3 + t)));
            }
            teacher.post("/api/practicals/" + view.get("id").asString() + "/events", "{\"events\":[" + events + "]}");
        }
    }

    private static String event(int n, long at, String kind, String data) {
        return "{\"id\":\"e" + n + "\",\"device\":\"d\",\"seq\":" + n + ",\"atMs\":" + at + ",\"kind\":\"" + kind
                + "\",\"data\":{" + data + "}}";
    }

    private static String page(String address) {
        return address.replaceAll("[?#].*", "");
    }

    /** Patterns of all addresses that have a page. */
    private static List<String> routes() {
        try {
            return Pattern.compile("path: '(/[^']*)'(?!, redirect)")
                    .matcher(Files.readString(Path.of("..", "web", "src", "router.ts")))
                    .results()
                    .map(r -> r.group(1))
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test
    void every_address_of_the_app_is_among_them() {
        var seen = new ArrayList<>(ELSEWHERE);
        seen.addAll(OPEN);
        screens().values().forEach(p -> seen.add(page(p)));
        assertThat(routes()).hasSizeGreaterThan(20);
        assertThat(routes())
                .allSatisfy(route ->
                        assertThat(seen).as(route).anyMatch(p -> p.matches(route.replaceAll(":\\w+", "[^/]+"))));
    }

    @Test
    void keeps_to_wcag_and_leaves_room_for_a_finger(App.Running app) {
        var page = browser.page();
        var hand = new LaidHand(page);
        page.navigate(app.url() + "/sign-in");
        page.getByLabel("Sign-in").waitFor();
        var faults = new LinkedHashMap<String, Object>();
        atEverySize(page, "sign-in", faults);
        Browser.signIn(page, app.url(), "nadia");
        screens().forEach((name, path) -> {
            page.navigate(app.url() + path);
            settle(page);
            atEverySize(page, name, faults);
            if (name.equals("table")) {
                page.keyboard().press("?");
                page.getByText("One key each").waitFor();
                look(page, "keys", faults);
                Browser.button(page, "Close").click();
                for (var size : List.of(
                        new int[] {1180, 820}, new int[] {1024, 768}, new int[] {820, 1180}, new int[] {390, 844}))
                    small(page, size[0], size[1], faults);
                sized(page, DESK);
                Browser.button(page, "Lay hand").click();
                look(page, "laid hand, before", faults);
                hand.lay();
                look(page, "laid hand", faults);
                for (var finger : List.of("pressure", "order", "mechanics", "communication", "draping")) {
                    hand.tap(finger);
                    look(page, "laid hand, " + finger, faults);
                    hand.pick("Back");
                }
                Browser.button(page, "Lay hand").click();
            }
        });
        page.navigate(app.url() + "/grade");
        settle(page);
        page.context().close();
        var student = browser.page();
        Browser.signIn(student, app.url(), "gus");
        student.waitForURL("**/me");
        settle(student);
        atEverySize(student, "me", faults);
        student.navigate(app.url() + "/peer");
        settle(student);
        atEverySize(student, "peer", faults);
        student.navigate(app.url() + "/marks#draping");
        settle(student);
        atEverySize(student, "marks", faults);
        student.context().close();
        var lead = browser.page();
        Browser.signIn(lead, app.url(), "lead");
        for (var panel : List.of("body", "backups", "trail", "people")) {
            lead.navigate(app.url() + "/school#" + panel);
            settle(lead);
            atEverySize(lead, "lead, " + panel, faults);
        }
        Browser.button(lead, "Sign-in of Kit Sorrel").click();
        lead.getByText("Last day, none for no end").waitFor();
        look(lead, "lead, sign-in of a person", faults);
        lead.context().close();
        assertThat(faults).isEmpty();
    }

    /** A table on a tablet or a phone: every finger is there, with what it has, and what must not wait is in sight. */
    private static void small(Page page, int width, int height, Map<String, Object> faults) {
        var size = width + "×" + height;
        page.setViewportSize(width, height);
        for (var finger : List.of("Pressure", "Order", "Mechanics", "Communication", "Draping")) {
            page.locator(".finger." + finger.toLowerCase(Locale.ROOT) + " .head")
                    .click();
            room(page, "table " + size + ", " + finger, faults);
        }
        if (!page.getByText("Lubricant").isVisible()) faults.put("table " + size, "draping is not open");
        for (var name : List.of("Undo", "Break", "Safety stop")) {
            var box = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name)))
                    .boundingBox();
            if (box.x < 0 || box.x + box.width > width || box.y < 0 || box.y + box.height > height)
                faults.put("table " + size + ", " + name, "out of sight");
            var on = page.evaluate(
                    "([x, y]) => document.elementFromPoint(x, y)?.closest('button')?.innerText ?? ''",
                    List.of(box.x + box.width / 2, box.y + box.height / 2));
            if (!on.toString().startsWith(name)) faults.put("table " + size + ", " + name, "under " + on);
        }
    }

    /** At the desk and at every other size, by day and by night. */
    private static void atEverySize(Page page, String name, Map<String, Object> faults) {
        look(page, name, faults);
        for (var size : SIZES) {
            sized(page, size);
            var at = name + " at " + size[0] + "×" + size[1];
            violations(axe(page).withTags(TAGS), at, faults);
            room(page, at, faults);
        }
        sized(page, DESK);
        if (!turnNight(page)) return;
        for (var size : SIZES) {
            sized(page, size);
            contrast(page, name + " at " + size[0] + "×" + size[1], faults);
        }
        sized(page, DESK);
        turnNight(page);
    }

    private static void sized(Page page, int[] size) {
        page.setViewportSize(size[0], size[1]);
        // What is drawn by its own size draws itself anew in the frame after.
        page.evaluate("() => new Promise(r => requestAnimationFrame(() => requestAnimationFrame(() => r())))");
    }

    /** Night instead of day and back; false on a page that has none. */
    private static boolean turnNight(Page page) {
        if (page.locator(NIGHT).count() == 0) return false;
        page.locator(NIGHT).dispatchEvent("click");
        page.waitForTimeout(150);
        return true;
    }

    /** By night only the colours are others. */
    private static void contrast(Page page, String name, Map<String, Object> faults) {
        violations(axe(page).withRules(List.of("color-contrast")), name + ", by night", faults);
    }

    private static void settle(Page page) {
        page.waitForLoadState(LoadState.NETWORKIDLE);
        page.locator("h1").first().waitFor();
    }

    private static void look(Page page, String name, Map<String, Object> faults) {
        violations(axe(page).withTags(TAGS), name, faults);
        room(page, name, faults);
        if (!turnNight(page)) return;
        contrast(page, name, faults);
        turnNight(page);
    }

    /** Violations alone, in the page itself: there are no frames, and another page for each look takes longer than the look. */
    private static AxeBuilder axe(Page page) {
        var options = new AxeRunOptions();
        options.setResultTypes(List.of("violations"));
        return new AxeBuilder(page).setLegacyMode(true).options(options);
    }

    private static void violations(AxeBuilder asked, String name, Map<String, Object> faults) {
        var axe = asked.analyze().getViolations();
        if (!axe.isEmpty())
            faults.put(
                    name + " axe",
                    axe.stream()
                            .map(r -> r.getId() + " " + r.getNodes().get(0).getHtml() + " "
                                    + r.getNodes().get(0).getFailureSummary())
                            .toList());
    }

    @SuppressWarnings("unchecked")
    private static void room(Page page, String name, Map<String, Object> faults) {
        var small = (List<String>) page.evaluate(SMALL);
        if (!small.isEmpty()) faults.put(name + " small", small);
        var cut = (List<String>) page.evaluate(CUT);
        if (!cut.isEmpty()) faults.put(name + " cut", cut);
    }

    /** {@code ./palm pictures}: one picture of each main view, from the demo data. */
    @Test
    void pictures(App.Running app) throws Exception {
        if (System.getenv("PALM_PICTURES") == null) return;
        var folder = Path.of("..", "docs", "screenshots");
        Files.createDirectories(folder);
        var page = browser.page();
        var hand = new LaidHand(page);
        page.navigate(app.url() + "/sign-in");
        page.getByLabel("Sign-in").waitFor();
        Browser.signIn(page, app.url(), "nadia");
        for (var screen : screens().entrySet()) {
            if (List.of(
                            "show-list",
                            "round-set-up",
                            "grade",
                            "terms",
                            "duties",
                            "password",
                            "bodies",
                            "compare",
                            "beside-shown",
                            "rating",
                            "people",
                            "missed",
                            "forecast",
                            "graders",
                            "closing")
                    .contains(screen.getKey())) continue;
            page.navigate(app.url() + screen.getValue());
            settle(page);
            if (screen.getKey().equals("table")) {
                page.keyboard().press("Enter");
                for (var key : List.of("s", "j", "k", "l", "Enter", "2", "d", "j", " "))
                    page.keyboard().press(key);
                page.waitForTimeout(21_000);
                page.keyboard().press("5");
            }
            page.waitForTimeout(500);
            page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve(screen.getKey() + ".png")));
            if (screen.getKey().equals("table")) {
                Browser.button(page, "Lay hand").click();
                hand.lay();
                hand.tap("mechanics");
                page.waitForTimeout(500);
                page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve("laid-hand.png")));
                Browser.button(page, "Lay hand").click();
            }
        }
        handout(page, app, folder);
        page.context().close();
    }

    /** A handout as it comes out of the printer: the first page of one with its pictures. */
    private static void handout(Page page, App.Running app, Path folder) throws Exception {
        var pdf = Files.createTempFile("handout", ".pdf");
        Files.write(
                pdf,
                page.request()
                        .get(app.url() + "/api/sequences/hip/handout?density=words")
                        .body());
        var drawn = new ProcessBuilder(
                        "pdftoppm",
                        "-r",
                        "96",
                        "-singlefile",
                        "-png",
                        pdf.toString(),
                        folder.resolve("handout").toString())
                .inheritIO()
                .start();
        assertThat(drawn.waitFor()).isZero();
        Files.delete(pdf);
    }
}
