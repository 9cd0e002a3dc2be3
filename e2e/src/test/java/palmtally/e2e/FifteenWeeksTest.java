package palmtally.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static palmtally.e2e.Browser.button;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import palmtally.server.App;
import palmtally.server.TestDatabase;
import palmtally.server.Visitor;
import tools.jackson.databind.JsonNode;

/**
 * A term of fifteen weeks from its first lab to its last, lived at the door and at the desk: two labs missed, somebody new in week 4, a
 * refusal, a substitute, one who leaves, a day of practicals with a sick grader, a re-take. The hours at the end are reckoned here once
 * more from what happened.
 */
class FifteenWeeksTest {
    /** The clock of the school: it goes on by itself from where it is set. */
    private static final class Time implements InstantSource {
        private record SetTo(Instant then, long nanos) {}

        private volatile SetTo set;

        Time(Instant then) {
            set = new SetTo(then, System.nanoTime());
        }

        void set(Instant then) {
            set = new SetTo(then, System.nanoTime());
        }

        @Override
        public Instant instant() {
            var s = set;
            return s.then.plusNanos(System.nanoTime() - s.nanos);
        }
    }

    private record Lab(int week, int lab, Instant begins, double minutes) {
        String key() {
            return week + "." + lab;
        }
    }

    private final ZoneId zone = ZoneId.systemDefault();
    /** The term is over before today, so that nothing of the computer's own time is behind it. */
    private final Time time = new Time(LocalDate.now(zone)
            .minusWeeks(17)
            .with(TemporalAdjusters.previous(DayOfWeek.MONDAY))
            .atTime(9, 0)
            .atZone(zone)
            .toInstant());

    private final List<Page> pages = new ArrayList<>();
    private String base = "";

    private void at(Instant now) {
        time.set(now);
        for (var page : pages) page.clock().setSystemTime(now.toEpochMilli());
    }

    private Page page(Browser browser, String who, boolean phone) {
        var page = browser.page();
        page.clock().setSystemTime(time.millis());
        if (phone) page.setViewportSize(390, 844);
        Browser.signIn(page, base, who);
        pages.add(page);
        return page;
    }

    private static Locator group(Page page, String name) {
        return page.getByRole(
                AriaRole.GROUP, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private static Locator section(Page page, String name) {
        return page.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    /** Who stands at the door of a lab and is away is said first; the rest are there. */
    private void door(Page phone, Lab lab, int size, String... away) {
        phone.navigate(base + "/door?lab=" + lab.key());
        for (var name : away) button(group(phone, name), "Away").click();
        button(phone, away.length == 0 ? "All are there" : "The rest are there").click();
        assertThat(phone.locator(".counts"))
                .hasText(Pattern.compile("^\\s*" + (size - away.length) + " there · 0 late · " + away.length
                        + " away · 0 not marked\\s*$"));
    }

    @Test
    void a_term_is_lived_through() throws Exception {
        try (var app = App.start(TestDatabase.fresh(), true, Map.of("palm.demo-day", 0), time);
                var browser = new Browser()) {
            base = app.url();
            var phone = page(browser, "nadia", true);
            var desk = page(browser, "lead", false);
            browser.watching(
                    phone,
                    "fifteen-weeks-phone",
                    () -> browser.watching(desk, "fifteen-weeks-desk", () -> live(app, browser, phone, desk)));
        }
    }

    private void live(App.Running app, Browser browser, Page phone, Page desk) {
        var nadia = Visitor.as(base, "nadia");
        var term = "/api/terms/" + nadia.term();
        var labs = labs(nadia.get(term + "/register").json());
        assertThat(labs).hasSize(28);
        int size = 12;
        Map<String, Integer> missed = new HashMap<>();
        var week = 0;
        for (var lab : labs) {
            if (lab.week != week) {
                week = lab.week;
                at(lab.begins.minus(Duration.ofHours(6)));
                if (week == 4) {
                    newcomer(desk);
                    size++;
                } else if (week == 5) refusal(browser, nadia, term, labs);
                else if (week == 8) {
                    leaves(desk, "Tobin Vale");
                    size--;
                } else if (week == 10) practicals(browser, nadia, term, phone, lab.begins);
                else if (week == 12) retake(nadia, term, phone, lab.begins);
            }
            at(lab.begins.plus(Duration.ofMinutes(4)));
            if (lab.key().equals("6.1")) substitute(browser, desk, nadia, term, lab, size);
            else if (lab.key().equals("2.1") || lab.key().equals("3.2")) {
                door(phone, lab, size, "Bram Oster");
                missed.merge("Bram Oster", 1, Integer::sum);
            } else door(phone, lab, size);
            apart(nadia, term, lab);
        }
        at(labs.get(labs.size() - 1).begins.plus(Duration.ofHours(20)));
        hours(Visitor.as(base, "lead"), term, labs, missed, desk);
    }

    private List<Lab> labs(JsonNode register) {
        return register.get("labs")
                .valueStream()
                .map(l -> new Lab(
                        l.get("week").asInt(),
                        l.get("lab").asInt(),
                        Instant.parse(l.get("begins").asString()),
                        l.get("minutes").asDouble()))
                .toList();
    }

    private void newcomer(Page desk) {
        desk.navigate(base + "/school#people");
        desk.getByLabel("Class list", new Page.GetByLabelOptions().setExact(true))
                .fill("Nell Wade, nell, student");
        button(desk, "See what it does").click();
        button(desk, "Take this one").click();
        assertThat(section(desk, "New sign-ins")).containsText("Nell Wade");
        button(desk, "Handed out").click();
    }

    private void leaves(Page desk, String name) {
        desk.navigate(base + "/school#people");
        var out = button(desk, "Take " + name + " out of the term");
        out.click();
        assertThat(out).hasText("Sure?");
        out.click();
        assertThat(out).hasCount(0);
    }

    /** Ana will not sit with Bram; she says so to nobody but the app, and sits with others from then on. */
    private void refusal(Browser browser, Visitor nadia, String term, List<Lab> labs) {
        var own = page(browser, "ana", true);
        own.getByText("Not at a table with").click();
        own.getByLabel("The other").selectOption(new SelectOption().setLabel("Bram Oster"));
        button(own, "Keep apart").click();
        assertThat(button(own, "Take back: Bram Oster")).isVisible();
        assertThat(nadia.get("/api/me/apart").text()).doesNotContain("Bram");
    }

    private boolean refused;

    private void apart(Visitor nadia, String term, Lab lab) {
        refused |= lab.week == 5;
        if (!refused) return;
        for (var table :
                nadia.get(term + "/seats/" + lab.week + "/" + lab.lab).json().get("tables"))
            assertThat(table.findValuesAsString("name").containsAll(List.of("Ana Quill", "Bram Oster")))
                    .as(lab.key())
                    .isFalse();
    }

    /** Nadia is ill: the lead asks somebody from outside, who has the lab and its day, and nothing after. */
    private void substitute(Browser browser, Page desk, Visitor nadia, String term, Lab lab, int size) {
        desk.navigate(base + "/briefing?lab=" + lab.key());
        button(desk, "Ask a substitute").click();
        button(desk, "From outside").click();
        desk.getByLabel("Name").fill("Sefa Lund");
        desk.getByLabel("Sign-in").fill("sefa");
        button(desk, "Give them this lab").click();
        assertThat(section(desk, "Who takes it")).containsText("Sefa Lund takes this lab for Nadia Reef");
        var password =
                section(desk, "New sign-ins").locator(".secret").textContent().strip();
        var page = browser.page();
        page.setViewportSize(390, 844);
        page.clock().setSystemTime(time.millis());
        pages.add(page);
        page.navigate(base + "/sign-in");
        page.getByLabel("Sign-in").fill("sefa");
        page.getByLabel("Password").fill(password);
        button(page, "Sign in").click();
        page.waitForURL(Pattern.compile("/briefing\\?lab=6\\.1$"));
        assertThat(section(page, "Who takes it")).containsText("You take this lab for Nadia Reef");
        assertThat(section(page, "What is on").locator("li")).not().hasCount(0);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("At the door"))
                .click();
        page.waitForURL(Pattern.compile("/door\\?lab=6\\.1$"));
        door(page, lab, size);
        var sefa = Visitor.as(base, "sefa", password);
        assertThat(sefa.get(term + "/register/6/1").status()).isEqualTo(200);
        assertThat(sefa.get(term + "/marks.csv").status()).isEqualTo(403);
        var before = time.instant();
        at(before.plus(Duration.ofDays(1)));
        assertThat(sefa.get(term + "/register/6/1").status()).isIn(401, 403);
        assertThat(sefa.get(term + "/people").status()).isIn(401, 403);
        at(before);
        assertThat(nadia.get(term + "/register/6/1").text()).contains("Sefa Lund");
    }

    private static Locator sitting(Page page, String student) {
        return page.getByRole(
                AriaRole.BUTTON,
                new Page.GetByRoleOptions().setName(Pattern.compile("^\\d\\d:\\d\\d, table \\d+: " + student)));
    }

    private static Locator form(Page page) {
        return page.getByRole(AriaRole.FORM, new Page.GetByRoleOptions().setName("New day of practicals"));
    }

    private static void found(Page page) {
        assertThat(page.getByText("Looking for better"))
                .hasCount(
                        0,
                        new com.microsoft.playwright.assertions.LocatorAssertions.HasCountOptions().setTimeout(90_000));
    }

    /** Three show the calves on a Saturday; at ten to nine one of two graders is ill. One does not pass. */
    private void practicals(Browser browser, Visitor nadia, String term, Page phone, Instant lab) {
        var saturday = LocalDate.ofInstant(lab, zone).with(TemporalAdjusters.next(DayOfWeek.SATURDAY));
        var page = page(browser, "nadia", false);
        page.navigate(base + "/timetable");
        button(page, "New day").click();
        form(page)
                .getByLabel("Day", new Locator.GetByLabelOptions().setExact(true))
                .fill(saturday.toString());
        page.getByLabel("What is shown").selectOption(new SelectOption().setLabel("Regatta calves, back of the leg"));
        var who = group(page, "Who shows it");
        // Nobody has shown it: all are asked. Three of them are wanted.
        assertThat(button(page, "Find times for 12")).isVisible();
        button(page, "None of them").click();
        for (var name : List.of("Ana Quill", "Cleo Fenn", "Nell Wade"))
            button(who, name).click();
        button(page, "Find times for 3").click();
        assertThat(page.getByText("3 of 3 practicals")).isVisible();
        found(page);
        at(saturday.atTime(LocalTime.of(8, 50)).atZone(zone).toInstant());
        page.reload();
        page.getByText("Away", new Page.GetByTextOptions().setExact(true)).click();
        for (var grader : List.of("Olle Strand", "Marte Kjell")) {
            page.locator("details.away").locator("select").selectOption(new SelectOption().setLabel(grader));
            button(page, "Away: find the rest again").click();
            assertThat(page.locator("details.away").getByText(grader + ", all day"))
                    .isVisible();
        }
        found(page);
        for (var name : List.of("Ana Quill", "Cleo Fenn", "Nell Wade"))
            assertThat(sitting(page, name)).hasAttribute("aria-label", Pattern.compile(".*, Nadia Reef$"));
        sitting(page, "Ana Quill").click();
        button(page, "Start: nothing to spare today").click();
        page.waitForURL(Pattern.compile("/grade/[0-9a-f-]{36}$"));
        var id = page.url().substring(page.url().lastIndexOf('/') + 1);
        award(nadia, "/api/practicals/" + id, 30);
        page.context().close();
        pages.remove(page);
    }

    private static void award(Visitor by, String run, int points) {
        assertThat(by.post(
                                run + "/events",
                                "{\"events\":[{\"id\":\"f\",\"device\":\"d\",\"seq\":1,\"atMs\":900000,\"kind\":\"finish\",\"data\":{}}]}")
                        .status())
                .isEqualTo(200);
        assertThat(by.post(run + "/rating", "{\"value\":" + points + "}").status())
                .isEqualTo(200);
        var marks = new ArrayList<String>();
        for (var c : List.of("pressure", "order", "mechanics", "communication", "draping"))
            marks.add("\"" + c + "\":{\"value\":" + points + ",\"reason\":\"as it was\"}");
        var award = by.put(
                run + "/award",
                "{\"from\":0,\"award\":{\"criteria\":{" + String.join(",", marks)
                        + "},\"struck\":[],\"confirmed\":[],\"feedback\":\"\",\"released\":true,\"remarks\":[],\"goals\":[]}}");
        assertThat(award.status()).as(award.text()).isEqualTo(200);
    }

    /** Ana shows again what did not hold: it is on no day yet, is put on one and begun from there. */
    private void retake(Visitor nadia, String term, Page phone, Instant lab) {
        var owed = nadia.get(term + "/retakes").json();
        assertThat(owed.findValuesAsString("name")).containsExactly("Ana Quill");
        phone.navigate(base + "/timetable");
        button(phone, "New day").click();
        form(phone)
                .getByLabel("Day", new Locator.GetByLabelOptions().setExact(true))
                .fill(LocalDate.ofInstant(lab, zone).toString());
        for (var at : Map.of("From", "08:00", "Until", "17:00").entrySet())
            form(phone)
                    .getByLabel(at.getKey(), new Locator.GetByLabelOptions().setExact(true))
                    .fill(at.getValue());
        phone.getByLabel("What is shown").selectOption(new SelectOption().setLabel("Regatta calves, back of the leg"));
        var who = group(phone, "Who shows it");
        assertThat(who.getByText("Ana Quill, shown")).isVisible();
        for (var other : List.of("Marte Kjell", "Olle Strand"))
            button(group(phone, "Who grades"), other).click();
        button(phone, "None of them").click();
        assertThat(button(phone, "Find times for 0")).isDisabled();
        group(phone, "Re-takes that are owed").getByRole(AriaRole.BUTTON).click();
        button(phone, "Find times for 1").click();
        assertThat(phone.getByText("1 of 1 practical")).isVisible();
        found(phone);
        assertThat(nadia.get(term + "/retakes").json()).isEmpty();
        // On a phone the day is a list.
        phone.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^\\d\\d:\\d\\d\\s*Ana Quill")))
                .click();
        assertThat(phone.getByText("a re-take")).isVisible();
        button(phone, "Start: nothing to spare today").click();
        phone.waitForURL(Pattern.compile("/grade/[0-9a-f-]{36}$"));
        var run = "/api/practicals/" + phone.url().substring(phone.url().lastIndexOf('/') + 1);
        assertThat(nadia.get(run).json().get("retakeOf").asString())
                .isEqualTo(owed.get(0).get("practical").asString());
        award(nadia, run, 90);
        assertThat(nadia.get(term + "/retakes").json()).isEmpty();
    }

    /** Hours, reckoned from what happened at the door: labs, but for those missed, from joining until leaving. */
    private void hours(Visitor lead, String term, List<Lab> labs, Map<String, Integer> missed, Page desk) {
        double each = labs.get(0).minutes;
        Map<String, Double> minutes = new HashMap<>();
        minutes.put("Ana Quill", labs.size() * each);
        minutes.put("Bram Oster", (labs.size() - missed.get("Bram Oster")) * each);
        minutes.put("Nell Wade", labs.stream().filter(l -> l.week >= 4).count() * each);
        minutes.put("Tobin Vale", labs.stream().filter(l -> l.week < 8).count() * each);
        var ids = new HashMap<String, String>();
        for (var lab : List.of("1/1", "14/1"))
            for (var s : lead.get(term + "/register/" + lab).json().get("students"))
                ids.put(s.get("name").asString(), s.get("id").asString());
        var met = new TreeSet<String>();
        for (var one : minutes.entrySet()) {
            var hours = lead.get(term + "/hours/" + ids.get(one.getKey())).json();
            double attended = hours.get("hours").get("all").get("attended").asDouble();
            assertThat(attended * hours.get("hourMinutes").asDouble())
                    .as(one.getKey())
                    .isCloseTo(one.getValue(), within(0.01));
            met.add(one.getKey());
        }
        assertThat(met).hasSize(4);
        desk.navigate(base + "/track#hours");
        assertThat(desk.getByText("Bram Oster").first()).isVisible();
    }
}
