package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.e2e.Browser.button;
import static palmtally.e2e.Browser.tab;

import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Response;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.App;

/** Steps are typed as a teacher says them, and each picture is held against the plan: side, position, sheet, hands, stations, feet. */
@ExtendWith(App.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class SeeTest {
    private Browser browser;

    @BeforeAll
    void open() {
        browser = new Browser();
    }

    @AfterAll
    void close() {
        browser.close();
    }

    /** What the server drew for the step that is shown now, and the same on the page. */
    private record Seen(JsonObject picture, Page page) {
        List<Double> xs() {
            return line().asList().stream()
                    .map(p -> p.getAsJsonObject().get("x").getAsDouble())
                    .toList();
        }

        JsonArray line() {
            return picture.getAsJsonObject("motion")
                    .getAsJsonArray("lines")
                    .get(0)
                    .getAsJsonArray();
        }

        double y(int point) {
            return line().get(point < 0 ? line().size() + point : point)
                    .getAsJsonObject()
                    .get("y")
                    .getAsDouble();
        }

        double middle() {
            return xs().stream().mapToDouble(x -> x).average().orElse(0);
        }

        int shapes(String role) {
            return page.locator("svg.picture:not(.table-picture) path." + role).count();
        }

        /** Mean of the feet of the therapist, from the middle of the table. */
        double feet() {
            double sum = 0;
            int n = 0;
            for (var s : picture.getAsJsonArray("table")) {
                var shape = s.getAsJsonObject();
                if (!shape.get("role").getAsString().equals("foot")) continue;
                var first = shape.get("path").getAsString().substring(1).split("[,C]");
                sum += Double.parseDouble(first[0]);
                n++;
            }
            return sum / n;
        }

        /** Whether the work is painted over the sheet. */
        boolean overTheSheet() {
            int linen = -1;
            int worked = -1;
            var shapes = picture.getAsJsonArray("shapes");
            for (int i = 0; i < shapes.size(); i++) {
                var role = shapes.get(i).getAsJsonObject().get("role").getAsString();
                if (role.equals("linen")) linen = i;
                if (role.equals("worked")) worked = i;
            }
            return worked > linen;
        }
    }

    /** Types a line, and waits for the picture of what it made. */
    private static Seen type(Page page, String line) {
        return seen(page, () -> {
            page.getByLabel("Add a step by typing").fill(line);
            page.keyboard().press("Enter");
        });
    }

    private static Seen seen(Page page, Runnable act) {
        int steps = page.locator("[data-step]").count() + 1;
        Response answer = page.waitForResponse(r -> r.url().endsWith("/api/drafts/picture") && steps(r) == steps, act);
        var picture = JsonParser.parseString(answer.text()).getAsJsonObject();
        var box = picture.getAsJsonObject("box");
        var view = "%s %s %s %s"
                .formatted(number(box, "x"), number(box, "y"), number(box, "width"), number(box, "height"));
        assertThat(page.locator("svg.picture:not(.table-picture)")).hasAttribute("viewBox", view);
        // All that was drawn is on the page, in its order.
        assertThat(page.locator("svg.picture:not(.table-picture) > g:not(.hands) path:not(.way-edge)"))
                .hasCount(picture.getAsJsonArray("shapes").size());
        assertThat(page.locator("svg.picture .hands"))
                .hasCount(picture.getAsJsonArray("hands").size());
        return new Seen(picture, page);
    }

    /** How many steps the text had that was asked about: a picture of the text before may still be on its way. */
    private static int steps(Response answer) {
        int steps = 0;
        var text = JsonParser.parseString(answer.request().postData()).getAsJsonObject();
        for (var block : text.getAsJsonObject("sequence").getAsJsonArray("blocks"))
            steps += block.getAsJsonObject().getAsJsonArray("steps").size();
        return steps;
    }

    private static String number(JsonObject box, String name) {
        double v = box.get(name).getAsDouble();
        return v == Math.rint(v) ? String.valueOf((long) v) : String.valueOf(v);
    }

    @Test
    void pictures_are_of_what_the_plan_says(App.Running app) throws Exception {
        var page = browser.page();
        // The server answers where a browser has no worker; what it said is held beside what is shown.
        page.addInitScript("delete globalThis.Worker");
        browser.watching(page, "pictures", () -> {
            Browser.signIn(page, app.url(), "nadia");
            Browser.newSequence(page, app.url(), "Held against the plan");
            tab(page, "See").click();
            assertThat(page.locator("svg.picture:not(.table-picture)")).isVisible();

            // Prone, right: the right of who lies on the belly is the right of who looks; toward the trunk is up.
            var prone = type(page, "palm glide right hamstrings, prone, 4 x 15s, from knee to sit bone");
            assertThat(prone.middle()).isPositive();
            assertThat(prone.y(0)).isGreaterThan(prone.y(-1));
            assertThat(prone.overTheSheet()).isFalse();
            assertThat(prone.feet()).isGreaterThan(365);
            // Mirrored: the same on the other side, by the other hand, from the other side of the table.
            var mirrored = seen(page, () -> {
                page.locator("[data-step]").last().locator(".plain").focus();
                button(page, "Mirror").click();
            });
            assertThat(mirrored.middle()).isEqualTo(-prone.middle(), org.assertj.core.api.Assertions.within(1.0));
            assertThat(mirrored.feet()).isLessThan(-365);
            assertThat(mirrored.picture
                            .getAsJsonArray("hands")
                            .get(0)
                            .getAsJsonObject()
                            .get("mirrored")
                            .getAsBoolean())
                    .isNotEqualTo(prone.picture
                            .getAsJsonArray("hands")
                            .get(0)
                            .getAsJsonObject()
                            .get("mirrored")
                            .getAsBoolean());
            // Supine, right: to the left of who looks.
            var supine = type(page, "palm glide right quads, supine, 4 x 15s");
            assertThat(supine.middle()).isNegative();
            // On the side, both ways: the back is behind, and the therapist with it.
            var left = type(page, "palm glide right shoulder blade, lying on the left side, 60s");
            var right = type(page, "palm glide left shoulder blade, lying on the right side, 60s");
            assertThat(left.middle() * right.middle()).as("mirror images").isNegative();
            assertThat(left.feet() * right.feet()).isNegative();
            // Through the sheet the work is over it.
            var through = type(page, "palm press right glutes through the sheet, prone, 60s");
            assertThat(through.overTheSheet()).isTrue();
            // From across: the feet are on the far side.
            var across = type(page, "stand across the table: palm press right low back, prone, 45s");
            assertThat(across.middle()).isPositive();
            assertThat(across.feet()).isLessThan(-365);
            // Two hands at work.
            var two = type(page, "knead right hamstrings with both hands, prone, 60s");
            assertThat(two.picture.getAsJsonArray("hands").size()).isEqualTo(2);
            assertThat(two.picture
                            .getAsJsonArray("hands")
                            .get(1)
                            .getAsJsonObject()
                            .get("works")
                            .getAsBoolean())
                    .isTrue();
            // Whether somebody short reaches it: .386 of 1.40 m and the leaning in, 250 mm.
            page.getByLabel("Height of the therapist").selectOption("1.4");
            assertThat(page.getByText(Pattern.compile("cm from the feet, 79 cm in easy reach")))
                    .isVisible();
            // Stations, one for each hold.
            var holds = type(page, "thumb press right calf, prone, 5 holds of 8s");
            assertThat(holds.shapes("station")).isEqualTo(5);
            assertThat(holds.picture.getAsJsonObject("motion").get("seconds").getAsDouble())
                    .isEqualTo(8);
        });
    }
}
