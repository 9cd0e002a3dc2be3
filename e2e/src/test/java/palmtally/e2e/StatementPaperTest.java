package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.e2e.Browser.button;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.App;
import palmtally.server.Visitor;

/** A statement of results from the awards that are signed to the page where whoever holds the paper asks whether it is still so. */
@ExtendWith(App.class)
class StatementPaperTest {
    private static FilePayload file(byte[] pdf) {
        return new FilePayload("statement.pdf", "application/pdf", pdf);
    }

    private static Locator all(Page page) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Sign all \\d+$")));
    }

    @Test
    void awards_are_signed_stated_handed_out_and_verified(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var ana = nadia.person("Ana Quill");
        try (var browser = new Browser()) {
            var page = browser.page();
            Browser.signIn(page, app.url(), "nadia");
            page.navigate(app.url() + "/sign");
            // Who has no initials is told where they are made, and nothing is signed.
            all(page).click();
            assertThat(page.getByText("Type or draw your initials first")).isVisible();
            page.getByLabel("Initials", new Page.GetByLabelOptions().setExact(true))
                    .fill("NR");
            var box = page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName("Room to draw your initials"))
                    .boundingBox();
            page.mouse().move(box.x + 40, box.y + 90);
            page.mouse().down();
            page.mouse().move(box.x + 60, box.y + 20);
            page.mouse().move(box.x + 90, box.y + 90);
            page.mouse().up();
            button(page, "Keep").click();
            assertThat(button(page, "Keep")).isDisabled();
            all(page).click();
            assertThat(page.getByText("All your awards are signed")).isVisible();

            page.navigate(app.url() + "/track/" + ana);
            var panel = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Papers"));
            assertThat(panel.getByText("None was issued yet.")).isVisible();
            button(page, "Issue one now").click();
            assertThat(panel.getByText("not signed")).isVisible();
            panel.getByText("Sign", new Locator.GetByTextOptions().setExact(true))
                    .click();
            assertThat(panel.getByText("signed by Nadia Reef")).isVisible();
            var id = nadia.get("/api/terms/" + nadia.term() + "/statements")
                    .json()
                    .get(0)
                    .get("id")
                    .asString();
            var pdf = nadia.bytes("/api/statements/" + id + "/file");

            // Whoever holds it needs no sign-in.
            var outside = browser.page();
            outside.navigate(app.url() + "/verify");
            outside.getByLabel("File of a statement").setInputFiles(file(pdf));
            assertThat(outside.getByText("handed it out.")).isVisible();
            assertThat(outside.getByText("signed by Nadia Reef.")).isVisible();
            assertThat(outside.getByText("Nothing of what it says was changed since."))
                    .isVisible();
            var other = pdf.clone();
            other[other.length - 40] ^= 1;
            outside.getByLabel("File of a statement").setInputFiles(file(other));
            assertThat(outside.getByText("This file was changed")).isVisible();
            assertThat(outside.getByLabel("Check code").inputValue()).hasSize(14);

            // The student has it too.
            var student = browser.page();
            Browser.signIn(student, app.url(), "ana");
            student.navigate(app.url() + "/me");
            assertThat(student.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Papers"))
                            .getByText("signed by Nadia Reef"))
                    .isVisible();

            // Signed again: the paper of before says so.
            panel.getByText("Sign again").click();
            panel.getByText("Really sign again").click();
            assertThat(panel.getByText("signed by Nadia Reef, Nadia Reef")).isVisible();
            outside.getByLabel("File of a statement").setInputFiles(file(pdf));
            assertThat(outside.getByText("It is no longer so as it says:")).isVisible();
            assertThat(outside.getByText("The statement was signed again by Nadia Reef"))
                    .isVisible();
        }
    }
}
