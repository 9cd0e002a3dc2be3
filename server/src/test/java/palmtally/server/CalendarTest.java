package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.formats.FormatException;
import palmtally.formats.Json;
import palmtally.formats.ical.CalendarEntry;
import palmtally.formats.ical.CalendarFile;
import palmtally.server.people.Accounts;
import palmtally.server.people.Caller;
import palmtally.server.people.Role;
import tools.jackson.databind.JsonNode;

/** Calendars as files, at private addresses, and read back from another program. */
@ExtendWith(App.class)
class CalendarTest {
    private static List<CalendarEntry> read(App.Running app, String text) throws FormatException {
        return CalendarFile.read(text, app.clock().getZone());
    }

    private static JsonNode day(App.Running app, Lab lab) throws InterruptedException {
        var teacher = lab.teacher().get(lab.at("/people")).json();
        String grader = null;
        for (var p : teacher)
            if (p.get("role").asString().equals("instructor"))
                grader = p.get("id").asString();
        var made = lab.teacher()
                .post(
                        lab.at("/days"),
                        Json.MAPPER.writeValueAsString(Map.of(
                                "heldOn",
                                LocalDate.now(app.clock()).plusDays(1).toString(),
                                "from",
                                540,
                                "until",
                                720,
                                "minutes",
                                20,
                                "tables",
                                1,
                                "graders",
                                List.of(grader),
                                "sittings",
                                lab.students().stream()
                                        .map(s -> Map.of("student", s, "sequence", "calves"))
                                        .toList())));
        assertThat(made.status()).isEqualTo(201);
        var path = lab.at("/days/" + made.json().get("id").asString());
        var day = lab.teacher().get(path).json();
        for (int i = 0; i < 600 && day.get("searching").asBoolean(); i++) {
            Thread.sleep(100);
            day = lab.teacher().get(path).json();
        }
        lab.teacher().put(path + "/shown", "{\"shown\":true}");
        return day;
    }

    @Test
    void somebodys_calendar_has_their_labs_and_practicals_and_nobodys_name(App.Running app) throws Exception {
        var lab = Lab.in(app, "Alder");
        var day = day(app, lab);
        var ada = Visitor.as(app.url(), "alderadaone", "regatta-student");
        var text = ada.get("/api/me/calendar").text();
        var entries = read(app, text);
        // Weeks 1, 2 and 4: the third is off; and the first and the last day of the term.
        assertThat(entries.stream().filter(e -> e.uid().startsWith("lab-"))).hasSize(3);
        assertThat(entries.stream().filter(CalendarEntry::allDay))
                .extracting(CalendarEntry::title)
                .containsExactlyInAnyOrder("Alder begins", "Alder ends, hours are due");
        var began = Lab.began(app).toLocalDateTime();
        var now = entries.stream()
                .filter(e -> e.uid().startsWith("lab-2-"))
                .findFirst()
                .orElseThrow();
        assertThat(Duration.between(now.begins(), began).abs()).isLessThan(Duration.ofMinutes(2));
        assertThat(now.title()).isEqualTo("Lab: Lower leg, Neck");
        assertThat(now.place()).isEqualTo("Loft");
        assertThat(now.text()).contains("Neck practised, 40 min: Looking over the shoulder: neck");
        assertThat(text).contains("TZID=" + app.clock().getZone().getId());
        var practicals =
                entries.stream().filter(e -> e.uid().startsWith("practical-")).toList();
        assertThat(practicals).isNotEmpty().anyMatch(e -> e.title().startsWith("Practical: "));
        for (var p : practicals)
            assertThat(p.begins().toLocalDate())
                    .isEqualTo(LocalDate.now(app.clock()).plusDays(1));
        for (var visitor : List.of(ada, lab.teacher()))
            for (var path : List.of("/api/me/calendar"))
                for (var p : lab.teacher().get(lab.at("/people")).json())
                    assertThat(visitor.get(path).text().replace("\r\n ", ""))
                            .doesNotContain(p.get("name").asString());
        for (var p : lab.teacher().get(lab.at("/people")).json())
            assertThat(lab.teacher().get(lab.at("/calendar")).text().replace("\r\n ", ""))
                    .doesNotContain(p.get("name").asString());
        assertThat(day.get("sittings")).hasSize(5);
        // Whose days are hidden again sees no practical in theirs.
        lab.teacher().put(lab.at("/days/" + day.get("id").asString()) + "/shown", "{\"shown\":false}");
        assertThat(ada.get("/api/me/calendar").text()).doesNotContain("practical-");
    }

    @Test
    void an_address_opens_one_calendar_without_signing_in_and_ends_at_once(App.Running app) {
        var lab = Lab.in(app, "Birch");
        var ada = Visitor.as(app.url(), "birchadaone", "regatta-student");
        var other = Visitor.as(app.url(), "birchadatwo", "regatta-student");
        var made = ada.post("/api/me/calendar/addresses", "{\"name\":\"phone\"}");
        assertThat(made.status()).isEqualTo(201);
        var path = made.json().get("path").asString();
        var stranger = Visitor.at(app.url());
        var open = stranger.get(path);
        assertThat(open.status()).isEqualTo(200);
        assertThat(open.text()).startsWith("BEGIN:VCALENDAR").contains("Birch begins");
        // What opens it stands nowhere: not in the list, not in the database, not in the trail.
        var code = path.substring(path.lastIndexOf('/') + 1);
        assertThat(code).hasSize(40);
        assertThat(ada.get("/api/me/calendar/addresses").text())
                .contains("phone")
                .doesNotContain(code);
        assertThat(app.database().column("select code_hash from calendar_address"))
                .isNotEmpty()
                .doesNotContain(code);
        for (var line : Visitor.as(app.url(), "lead").all("/api/school/audit"))
            assertThat(line.toString()).doesNotContain(code);
        var id = made.json().get("addresses").get(0).get("id").asString();
        assertThat(other.delete("/api/me/calendar/addresses/" + id).status()).isEqualTo(404);
        assertThat(lab.teacher().delete("/api/me/calendar/addresses/" + id).status())
                .isEqualTo(404);
        assertThat(stranger.get(path).status()).isEqualTo(200);
        assertThat(ada.delete("/api/me/calendar/addresses/" + id).json()).isEmpty();
        assertThat(stranger.get(path).status()).isEqualTo(404);
        assertThat(stranger.get("/api/calendar/" + UUID.randomUUID()).status()).isEqualTo(404);

        // Whoever may not sign in any more has no calendar either.
        var second =
                other.post("/api/me/calendar/addresses", "{\"name\":\"desk\"}").json();
        assertThat(stranger.get(second.get("path").asString()).status()).isEqualTo(200);
        var lead = app.bean(Accounts.class);
        lead.disable(
                new Caller(UUID.randomUUID(), "Lead", Role.LEAD),
                UUID.fromString(lab.students().get(1)),
                true);
        assertThat(stranger.get(second.get("path").asString()).status()).isEqualTo(404);
        assertThat(ada.post("/api/me/calendar/addresses", "{\"name\":\" \"}").status())
                .isEqualTo(422);
        for (int i = 0; i < 10; i++)
            assertThat(ada.post("/api/me/calendar/addresses", "{\"name\":\"n" + i + "\"}")
                            .status())
                    .isEqualTo(201);
        assertThat(ada.post("/api/me/calendar/addresses", "{\"name\":\"one more\"}")
                        .code())
                .isEqualTo("too-many");
    }

    /** The file of the term as another program gives it back with entries elsewhere. */
    private static String changed(App.Running app, Lab lab, UnaryOperator<CalendarEntry> how) throws FormatException {
        var entries = new ArrayList<CalendarEntry>();
        for (var e : read(app, lab.teacher().get(lab.at("/calendar")).text())) entries.add(how.apply(e));
        return CalendarFile.write(
                "Another program", app.clock().getZone(), app.clock().instant(), entries);
    }

    private static CalendarEntry later(CalendarEntry e, int minutes) {
        return CalendarEntry.at(e.uid(), e.title(), e.begins().plusMinutes(minutes), 20, e.place(), e.text());
    }

    private static JsonNode send(Lab lab, String rest, String text, int from) {
        return lab.teacher()
                .post(
                        lab.at("/calendar/incoming" + rest),
                        Json.MAPPER.writeValueAsString(Map.of("text", text, "from", from)))
                .json();
    }

    @Test
    void what_another_program_changed_is_told_and_taken_whole_or_not_at_all(App.Running app) throws Exception {
        var lab = Lab.in(app, "Cedar");
        var day = day(app, lab);
        var same = send(lab, "/preview", changed(app, lab, e -> e), 0);
        assertThat(same.get("changes")).isEmpty();
        assertThat(same.get("others").asInt()).isZero();
        int version = same.get("version").asInt();
        var before =
                lab.plan().get("curriculum").get("times").get(0).get("begins").asString();

        // All labs a quarter of an hour earlier; the last practical later into free time.
        var last = new ArrayList<JsonNode>();
        day.get("sittings").forEach(last::add);
        last.sort(java.util.Comparator.comparingInt(s -> s.get("begins").asInt()));
        var uid = "practical-" + last.get(4).get("id").asString();
        var text = changed(
                app,
                lab,
                e -> e.uid().startsWith("lab-") ? later(e, -15) : e.uid().equals(uid) ? later(e, 25) : e);
        var told = send(lab, "/preview", text, 0);
        assertThat(told.get("changes"))
                .hasSize(2)
                .allSatisfy(c -> assertThat(c.get("taken").asBoolean()).isTrue());
        assertThat(lab.plan()
                        .get("curriculum")
                        .get("times")
                        .get(0)
                        .get("begins")
                        .asString())
                .isEqualTo(before);
        assertThat(send(lab, "", text, version - 1).get("code").asString()).isEqualTo("changed");
        var taken = send(lab, "", text, version);
        assertThat(taken.get("changes")).isEmpty();
        assertThat(taken.get("version").asInt()).isEqualTo(version + 1);
        var now = lab.teacher().get(lab.at("/days/" + day.get("id").asString())).json();
        for (var s : now.get("sittings"))
            if (s.get("id").equals(last.get(4).get("id"))) {
                assertThat(s.get("begins").asInt())
                        .isEqualTo(last.get(4).get("begins").asInt() + 25);
                assertThat(s.get("locked").asBoolean()).isTrue();
            }

        // One practical onto another: nothing of it is taken, the labs neither.
        var first = "practical-" + last.get(0).get("id").asString();
        var clash = changed(
                app,
                lab,
                e -> e.uid().startsWith("lab-") ? later(e, -15) : e.uid().equals(first) ? later(e, 25) : e);
        assertThat(send(lab, "", clash, version + 1).get("code").asString()).isEqualTo("not-there");
        assertThat(lab.plan().get("version").asInt()).isEqualTo(version + 1);
        // Of another term, or of nobody's: counted, and left.
        var other = Lab.in(app, "Date");
        var foreign =
                send(other, "/preview", lab.teacher().get(lab.at("/calendar")).text(), 0);
        assertThat(foreign.get("changes")).isEmpty();
        assertThat(foreign.get("others").asInt()).isEqualTo(10);
        var none = lab.teacher().post(lab.at("/calendar/incoming/preview"), "{\"text\":\"no calendar\"}");
        assertThat(none.status()).isEqualTo(422);
        assertThat(none.text()).contains("is no calendar file (iCalendar, .ics)");
    }
}
