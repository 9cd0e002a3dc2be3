package palmtally.e2e;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;

/** Debian's Chromium, headless, through Playwright. */
final class Browser implements AutoCloseable {
    private final Playwright playwright =
            Playwright.create(new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    private final com.microsoft.playwright.Browser browser;

    Browser() {
        this(Map.of());
    }

    /** @param more of its environment, such as a home with certificates of its own */
    Browser(Map<String, String> more) {
        var env = new HashMap<>(System.getenv());
        env.putAll(more);
        browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setEnv(env)
                        .setExecutablePath(Path.of("/usr/bin/chromium"))
                        .setArgs(List.of(
                                "--no-sandbox",
                                "--disable-gpu",
                                "--disable-quic",
                                "--no-first-run",
                                "--disable-background-networking",
                                "--disable-component-update",
                                "--disable-sync")));
    }

    /** A window of 1280×800; with touch the pointer is a finger. */
    BrowserContext window(boolean touch) {
        var context = browser.newContext(new com.microsoft.playwright.Browser.NewContextOptions()
                .setViewportSize(1280, 800)
                .setHasTouch(touch)
                .setReducedMotion(com.microsoft.playwright.options.ReducedMotion.REDUCE));
        // Generous: a busy machine is slow, not wrong.
        context.setDefaultTimeout(60_000);
        PlaywrightAssertions.setDefaultAssertionTimeout(30_000);
        return context;
    }

    /** A window of somebody who was asked about a certificate made at home, and trusts it. */
    BrowserContext trusting() {
        return browser.newContext(new com.microsoft.playwright.Browser.NewContextOptions().setIgnoreHTTPSErrors(true));
    }

    Page page() {
        return window(false).newPage();
    }

    /** What a test does with a page. */
    interface Story {
        void run() throws Exception;
    }

    /** Runs a story; when it fails, what the page showed and said is kept in target. */
    void watching(Page page, String name, Story story) throws Exception {
        page.onConsoleMessage(m -> {
            if (m.type().equals("error")) System.out.println(name + ": " + m.text());
        });
        page.onPageError(e -> System.out.println(name + ": " + e));
        try {
            story.run();
        } catch (Exception | AssertionError e) {
            page.screenshot(new Page.ScreenshotOptions().setPath(Path.of("target", name + ".png")));
            throw e;
        }
    }

    static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    static Locator button(Locator within, String name) {
        return within.getByRole(
                AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name).setExact(true));
    }

    /** A tab by how its name begins: a count may follow. */
    static Locator tab(Page page, String name) {
        return page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name)));
    }

    /** Starts a sequence for a region the demo has none for. */
    static void newSequence(Page page, String base, String name) {
        page.navigate(base + "/plan");
        button(page, "New sequence").click();
        var form = page.getByRole(AriaRole.FORM, new Page.GetByRoleOptions().setName("New sequence"));
        form.getByLabel("Name").fill(name);
        form.locator("select").first().selectOption("thigh");
        form.getByLabel("Start with").selectOption("protocol");
        form.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Front of the thigh"))
                .click();
        button(page, "Start it").click();
        page.waitForURL(Pattern.compile(".*/plan/[a-z].*"));
        PlaywrightAssertions.assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(name)))
                .isVisible();
    }

    static void signIn(Page page, String base, String name) {
        page.onConsoleMessage(m -> {
            if (m.type().equals("error")) System.out.println(name + ": " + m.text());
        });
        page.navigate(base + "/sign-in");
        page.getByLabel("Sign-in").fill(name);
        page.getByLabel("Password").fill("regatta-" + name);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign in"))
                .click();
        page.getByRole(AriaRole.NAVIGATION).waitFor();
    }

    @Override
    public void close() {
        browser.close();
        playwright.close();
    }
}
