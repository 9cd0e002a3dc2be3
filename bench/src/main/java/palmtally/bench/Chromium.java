package palmtally.bench;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

/** Debian's browser without a screen, as a bench looks through it. */
final class Chromium implements AutoCloseable {
    private final Playwright playwright;
    private final Browser browser;

    Chromium() {
        playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of("/usr/bin/chromium"))
                        .setArgs(List.of("--no-sandbox", "--disable-gpu", "--disable-background-networking")));
    }

    Browser browser() {
        return browser;
    }

    /** A page of its own, as large as a laptop shows it. */
    Page page() {
        return browser.newPage(new Browser.NewPageOptions().setViewportSize(1280, 800));
    }

    @Override
    public void close() {
        browser.close();
        playwright.close();
    }
}
