package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The pages and papers of the demo school's term, whichever week it is in and whatever the day. */
@ExtendWith(App.class)
class AnyWeekTest {
    @Test
    void every_page_and_paper_answers_from_the_first_week_to_the_last(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var term = "/api/terms/" + nadia.term();
        var paths = new ArrayList<String>();
        for (var what : List.of(
                "/competency",
                "/watch",
                "/watch/list",
                "/forecast",
                "/graders",
                "/evidence",
                "/steps",
                "/report",
                "/marks.csv",
                "/marks.xlsx",
                "/curriculum",
                "/curriculum/file",
                "/practicals",
                "/people",
                "/shown")) paths.add(term + what);
        for (int week : new int[] {1, 9, 15}) paths.add(term + "/weeks/" + week + "/plan");
        for (var what : List.of("", "/evidence", "/report"))
            paths.add("/api/competency/students/" + nadia.person("Ana Quill") + what);
        paths.addAll(List.of("/api/floor", "/api/demonstrations", "/api/demonstrations/lessons", "/api/sequences"));
        for (var path : paths) assertThat(nadia.get(path).status()).as(path).isEqualTo(200);
        var lead = Visitor.as(app.url(), "lead");
        assertThat(lead.get(term + "/closing").status()).isEqualTo(200);
        var ana = Visitor.as(app.url(), "ana");
        for (var path : List.of(
                "/api/competency/students/" + nadia.person("Ana Quill"), "/api/me/to-mark", "/api/me/peer-looks"))
            assertThat(ana.get(path).status()).as(path).isEqualTo(200);
    }

    @Test
    void the_week_and_the_coming_lab_are_those_of_the_schools_calendar(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var zone = app.clock().getZone();
        var before = app.clock().instant();
        var starts = LocalDate.parse(nadia.get("/api/session")
                .json()
                .get("terms")
                .get(0)
                .get("startsOn")
                .asString());
        var read = nadia.get("/api/terms/" + nadia.term() + "/curriculum").json();
        long day = ChronoUnit.DAYS.between(starts, LocalDate.ofInstant(before, zone));
        assertThat(day).isEqualTo(App.demoDay());
        assertThat((long) Math.floor(7 * read.get("week").asDouble() + 1e-6)).isEqualTo(day);

        // The first lab that is not over, by the wall clock of the school's zone.
        var plan = read.get("curriculum");
        Instant comes = null;
        int week = 0;
        int lab = 0;
        for (var l : plan.get("lessons")) {
            var time = plan.get("times").get(l.get("lab").asInt() - 1);
            var on = starts.plusWeeks(l.get("week").asInt() - 1);
            while (on.getDayOfWeek().getValue() != time.get("day").asInt()) on = on.plusDays(1);
            var begins = on.atTime(LocalTime.parse(time.get("begins").asString()))
                    .atZone(zone)
                    .toInstant();
            if (!begins.plusSeconds(60 * plan.get("labMinutes").asLong()).isAfter(before)) continue;
            if (comes != null && !begins.isBefore(comes)) continue;
            comes = begins;
            week = l.get("week").asInt();
            lab = l.get("lab").asInt();
        }
        var said = nadia.get("/api/terms/" + nadia.term() + "/watch").json();
        if (comes == null) {
            assertThat(said.has("lab")).isFalse();
            return;
        }
        assertThat(said.get("lab").get("week").asInt()).isEqualTo(week);
        assertThat(said.get("lab").get("lab").asInt()).isEqualTo(lab);
        assertThat(Instant.parse(said.get("lab").get("begins").asString())).isEqualTo(comes);
    }

    @Test
    void the_lessons_of_this_week_stand_in_the_order_of_the_calendar(App.Running app) {
        var begins = new ArrayList<Instant>();
        for (var l : Visitor.as(app.url(), "nadia")
                .get("/api/demonstrations/lessons")
                .json()) begins.add(Instant.parse(l.get("begins").asString()));
        assertThat(begins).isSorted();
    }

    /** A term that begins in the middle of a calendar week holds its second lab first. */
    @Test
    void the_coming_lab_is_the_one_that_comes_first_by_the_calendar(App.Running app) {
        var lead = Visitor.as(app.url(), "lead");
        var today = LocalDate.now(app.clock());
        var answer = lead.post(
                        "/api/school/terms",
                        "{\"name\":\"Mid week\",\"cohort\":\"Mid week\",\"startsOn\":\"" + today + "\",\"weeks\":15}")
                .json();
        String term = "";
        for (var t : answer)
            if (t.get("name").asString().equals("Mid week")) term = t.get("id").asString();
        var lesson =
                "{\"id\":\"%s\",\"week\":1,\"lab\":%d,\"region\":\"neck\",\"aim\":\"teach\",\"minutes\":45,\"sequence\":\"neck\",\"note\":\"\",\"steps\":[]}";
        var plan =
                "{\"id\":\"t\",\"name\":\"T\",\"weeks\":15,\"labsAWeek\":2,\"labMinutes\":60,\"targetHours\":0,\"regionHours\":{},\"kindHours\":{},\"off\":[],"
                        + "\"times\":[{\"day\":"
                        + today.minusDays(1).getDayOfWeek().getValue()
                        + ",\"begins\":\"10:00\",\"room\":\"\"},{\"day\":"
                        + today.plusDays(2).getDayOfWeek().getValue()
                        + ",\"begins\":\"10:00\",\"room\":\"\"}],\"lessons\":["
                        + lesson.formatted("l1", 1) + "," + lesson.formatted("l2", 2) + "]}";
        var saved = lead.put("/api/terms/" + term + "/curriculum", "{\"from\":0,\"curriculum\":" + plan + "}");
        assertThat(saved.status()).as(saved.text()).isEqualTo(200);
        var lab = lead.get("/api/terms/" + term + "/watch").json().get("lab");
        assertThat(lab.get("lab").asInt()).isEqualTo(2);
        assertThat(Instant.parse(lab.get("begins").asString()))
                .isEqualTo(today.plusDays(2)
                        .atTime(10, 0)
                        .atZone(app.clock().getZone())
                        .toInstant());
    }
}
