package palmtally.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.App;
import palmtally.server.Visitor;

/** {@code ./palm pictures}: one picture of each main view, from the demo data. No test of the run: it goes by its name alone. */
@ExtendWith(App.class)
class Pictures {
    /** Screens that are a part of another that has its picture. */
    private static final List<String> WITHOUT = List.of(
            "show-list",
            "sign",
            "earlier",
            "incident",
            "practice",
            "raised",
            "statements",
            "verify",
            "profile",
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
            "coverage",
            "hours",
            "handset",
            "looks",
            "missed",
            "forecast",
            "graders",
            "beside",
            "closing");

    @Test
    void of_each_main_view(App.Running app) throws Exception {
        var folder = Path.of("..", "docs", "screenshots");
        Files.createDirectories(folder);
        try (var browser = new Browser()) {
            var page = browser.page();
            var rules = new ScreenRules(page);
            var hand = new LaidHand(page);
            page.navigate(app.url() + "/sign-in");
            page.getByLabel("Sign-in").waitFor();
            Browser.signIn(page, app.url(), "nadia");
            for (var screen : new Screens(Visitor.as(app.url(), "nadia")).made().entrySet()) {
                if (WITHOUT.contains(screen.getKey())) continue;
                page.navigate(app.url() + screen.getValue());
                rules.settle();
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
        }
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
