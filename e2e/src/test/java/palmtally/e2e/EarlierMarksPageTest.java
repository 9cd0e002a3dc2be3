package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static palmtally.e2e.Browser.button;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.Charset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.App;
import palmtally.server.Visitor;

/** Last year's marks come in out of a list of another program, are laid beside this term, and go again as one. */
@ExtendWith(App.class)
class EarlierMarksPageTest {
    /** Semicolons, decimal commas, marks in letters, an old code page, a name twice, a line of means. */
    private static final String LIST = """
            Abendkurs Frühjahr 2026;;;;
            Name;Datum;Druck;Draping;Prüfer
            Quil, Ana;3.2.2026;7,5;A-;N. Vale
            Brook, Lena;3.2.2026;8;B;N. Vale
            Zoé Gone;10.2.2026;5;x;K. Holm
            Zoé Gone;10.2.2026;5;x;K. Holm
            Mittelwert;;6,8;;
            """;

    @Test
    void marks_of_before_come_in_are_compared_and_undone(App.Running app) {
        try (var browser = new Browser()) {
            var page = browser.page();
            Browser.signIn(page, app.url(), "nadia");
            page.navigate(app.url() + "/earlier");
            assertThat(page.getByText("Nothing was taken over yet")).isVisible();
            page.getByLabel("File of marks")
                    .setInputFiles(new FilePayload(
                            "Spring 2026.csv", "text/csv", LIST.getBytes(Charset.forName("windows-1252"))));
            assertThat(page.getByText("Spring 2026.csv: 5 marks of 5 rows")).isVisible();
            assertThat(page.getByText("Row 5, Draping: “x” is no mark of this scale"))
                    .isVisible();
            assertThat(page.getByText("“Mittelwert” is reckoned from the others"))
                    .isVisible();
            assertThat(page.getByText("1 row says what another said before")).isVisible();
            var ana = page.getByLabel("Who is Quil, Ana");
            assertThat(ana).hasValue(Visitor.as(app.url(), "nadia").person("Ana Quill"));
            page.getByLabel("Who is Zoé Gone").selectOption("Bram Oster");
            assertThat(page.getByRole(AriaRole.CELL, new Page.GetByRoleOptions().setName("Bram Oster")))
                    .isVisible();
            // An x is no mark to this teacher and is worth 40 to that one.
            page.getByLabel("Draping: worth 100").fill("5");
            page.getByLabel("Draping: worth 100").blur();
            button(page, "Take over 5 marks").click();
            assertThat(page.getByText("5 marks, 2 left out")).isVisible();

            page.navigate(app.url() + "/track#beside");
            assertThat(page.getByText("below: Spring 2026, 3 students.")).isVisible();
            assertThat(page.getByText("68", new Page.GetByTextOptions().setExact(true)))
                    .isVisible();

            var own = browser.page();
            Browser.signIn(own, app.url(), "ana");
            own.navigate(app.url() + "/me");
            own.getByText("Earlier marks").click();
            assertThat(own.getByRole(AriaRole.CELL, new Page.GetByRoleOptions().setName("A-")))
                    .isVisible();

            page.navigate(app.url() + "/earlier");
            button(page, "Undo Spring 2026").click();
            assertThat(page.getByText("Really undo all 5")).isVisible();
            button(page, "Undo Spring 2026").click();
            assertThat(page.getByText("undone")).isVisible();
            own.reload();
            assertThat(own.getByText("Earlier marks")).isHidden();
        }
    }
}
