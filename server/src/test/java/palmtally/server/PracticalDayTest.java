package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.formats.Json;
import palmtally.server.people.Accounts;
import palmtally.server.people.Role;
import tools.jackson.databind.JsonNode;

/** Days of practicals: found, kept from change, found again, begun, and silent about why two are not at one table. */
@ExtendWith(App.class)
class PracticalDayTest {
    /** A term of five students, one who teaches and one who grades, with a day of practicals tomorrow. */
    private record Class(App.Running app, Lab lab, List<String> students, String teacher, String grader, String name) {
        static Class in(App.Running app, String name) {
            var lab = Lab.in(app, name);
            app.bean(Accounts.class)
                    .addTo(
                            UUID.fromString(lab.term()),
                            name + " Grader",
                            name.toLowerCase(java.util.Locale.ROOT) + "g",
                            "regatta-grader",
                            Role.GRADER);
            var people =
                    lab.teacher().get("/api/terms/" + lab.term() + "/people").json();
            var byName = new java.util.HashMap<String, String>();
            for (var p : people)
                byName.put(p.get("name").asString(), p.get("id").asString());
            return new Class(
                    app, lab, lab.students(), byName.get(name + " Teacher"), byName.get(name + " Grader"), name);
        }

        Visitor student(String name) {
            return Visitor.as(app.url(), this.name.toLowerCase(java.util.Locale.ROOT) + name, "regatta-student");
        }

        String body(LocalDate on, String sequence, boolean twice, int tables) {
            var sittings = students.stream()
                    .map(s -> Map.of("student", s, "sequence", sequence, "twice", twice))
                    .toList();
            return Json.MAPPER.writeValueAsString(Map.of(
                    "heldOn",
                    on.toString(),
                    "from",
                    540,
                    "until",
                    720,
                    "minutes",
                    20,
                    "changeOver",
                    5,
                    "breaks",
                    List.of(Map.of("from", 600, "until", 615)),
                    "tables",
                    tables,
                    "tablesAGrader",
                    2,
                    "graders",
                    List.of(teacher, grader),
                    "sittings",
                    sittings));
        }

        JsonNode make(String sequence, boolean twice) {
            var made = lab.teacher()
                    .post(lab.at("/days"), body(LocalDate.now(app.clock()).plusDays(1), sequence, twice, 2));
            assertThat(made.status()).as(made.text()).isEqualTo(201);
            return settled(made.json());
        }

        JsonNode day(JsonNode day) {
            return lab.teacher().get(at(day)).json();
        }

        String at(JsonNode day) {
            return lab.at("/days/" + day.get("id").asString());
        }

        String at(JsonNode day, JsonNode sitting) {
            return at(day) + "/sittings/" + sitting.get("id").asString();
        }

        /** The day when the search has ended. */
        JsonNode settled(JsonNode day) {
            var until = System.nanoTime() + 60_000_000_000L;
            var now = day(day);
            while (now.get("searching").asBoolean()) {
                assertThat(System.nanoTime()).as("the search ends").isLessThan(until);
                try {
                    Thread.sleep(100);
                } catch (InterruptedException e) {
                    throw new IllegalStateException(e);
                }
                now = day(day);
            }
            return now;
        }

        JsonNode put(JsonNode day, JsonNode sitting, Map<String, Object> change) {
            var place = new java.util.HashMap<String, Object>(Map.of(
                    "begins", sitting.get("begins").asInt(),
                    "table", sitting.get("table").asInt(),
                    "graders", sitting.get("graders").findValuesAsString("id"),
                    "locked", true));
            if (sitting.hasNonNull("client"))
                place.put("client", sitting.get("client").get("id").asString());
            place.putAll(change);
            return Json.MAPPER.readTree(lab.teacher()
                    .put(at(day, sitting), Json.MAPPER.writeValueAsString(place))
                    .text());
        }
    }

    private static List<JsonNode> sittings(JsonNode day) {
        var all = new ArrayList<JsonNode>();
        day.get("sittings").forEach(all::add);
        return all;
    }

    private static JsonNode of(JsonNode day, String student) {
        return sittings(day).stream()
                .filter(s -> s.get("student").get("id").asString().equals(student))
                .findFirst()
                .orElseThrow();
    }

    private static String client(JsonNode sitting) {
        return sitting.hasNonNull("client") ? sitting.get("client").get("id").asString() : "";
    }

    /** Walks the day minute by minute as it is told, and says what cannot be. */
    private static List<String> faults(JsonNode day) {
        var faults = new ArrayList<String>();
        for (int minute = 0; minute < 1440; minute++) {
            var people = new HashSet<String>();
            var tables = new HashSet<Integer>();
            Map<String, Integer> watched = new java.util.HashMap<>();
            for (var s : sittings(day)) {
                if (!s.hasNonNull("begins")) continue;
                int begins = s.get("begins").asInt();
                if (minute >= begins
                        && minute
                                < begins
                                        + s.get("minutes").asInt()
                                        + day.get("changeOver").asInt())
                    if (!tables.add(s.get("table").asInt())) faults.add(minute + ": a table twice");
                if (minute < begins || minute >= begins + s.get("minutes").asInt()) continue;
                if (!people.add(s.get("student").get("id").asString())
                        || !client(s).isEmpty() && !people.add(client(s))) faults.add(minute + ": somebody twice");
                for (var g : s.get("graders").findValuesAsString("id")) watched.merge(g, 1, Integer::sum);
                if (minute < day.get("from").asInt()
                        || minute >= day.get("until").asInt()) faults.add(minute + ": outside the hours");
                for (var b : day.get("breaks"))
                    if (minute >= b.get("from").asInt()
                            && minute < b.get("until").asInt()) faults.add(minute + ": in a break");
                for (var a : day.get("away"))
                    if (minute >= a.get("from").asInt()
                            && minute < a.get("until").asInt()
                            && (client(s) + s.get("student") + s.get("graders"))
                                    .contains(a.get("person").asString()))
                        faults.add(minute + ": somebody who is away");
            }
            watched.forEach((g, n) -> {
                if (n > day.get("tablesAGrader").asInt()) faults.add(g + " watches " + n);
            });
        }
        return faults;
    }

    @Test
    void a_day_is_found_and_a_sick_grader_changes_only_what_is_theirs(App.Running app) {
        var c = Class.in(app, "Birch");
        var day = c.make("calves", false);
        assertThat(faults(day)).isEmpty();
        assertThat(sittings(day)).hasSize(5).allSatisfy(s -> {
            assertThat(s.get("lacks").asString()).isEmpty();
            assertThat(client(s)).isNotEmpty();
            assertThat(s.get("graders")).hasSize(1);
        });
        // One is locked; the grader is ill all day: the others of hers go to the teacher and nothing else moves.
        var kept = sittings(day).get(0);
        assertThat(c.put(day, kept, Map.of())
                        .get("sittings")
                        .get(0)
                        .get("locked")
                        .asBoolean())
                .isTrue();
        var was = c.day(day);
        var after = c.settled(Json.MAPPER.readTree(c.lab.teacher()
                .put(c.at(day) + "/away", "{\"away\":[{\"person\":\"" + c.grader + "\",\"from\":0,\"until\":1440}]}")
                .text()));
        for (var s : sittings(after)) {
            var before = of(was, s.get("student").get("id").asString());
            if (s.get("id").equals(kept.get("id"))) {
                assertThat(s.get("begins")).isEqualTo(before.get("begins"));
                continue;
            }
            assertThat(s.get("graders").findValuesAsString("id")).containsExactly(c.teacher);
            if (before.get("graders").findValuesAsString("id").contains(c.teacher))
                assertThat(s.get("table")).isEqualTo(before.get("table"));
        }
        // A lock that cannot hold is said and not broken.
        var locked = of(after, kept.get("student").get("id").asString());
        if (locked.get("graders").findValuesAsString("id").contains(c.grader))
            assertThat(locked.get("lacks").asString())
                    .isEqualTo("Locked so that this is not kept: nobody asked who is away. Unlock it, or change it.");
        else assertThat(faults(after)).isEmpty();
    }

    @Test
    void what_is_put_by_hand_keeps_the_promises_or_says_which_not(App.Running app) {
        var c = Class.in(app, "Hazel");
        var day = c.make("calves", false);
        var one = sittings(day).get(0);
        var other = sittings(day).get(1);
        var same = c.put(
                day,
                one,
                Map.of(
                        "begins",
                        other.get("begins").asInt(),
                        "table",
                        other.get("table").asInt()));
        assertThat(same.get("code").asString()).isEqualTo("not-there");
        assertThat(same.get("detail").asString()).contains("one practical at a table, with time to change it");
        var late = c.put(day, one, Map.of("begins", 715));
        assertThat(late.get("detail").asString()).contains("inside the hours of the day and in no break");
        for (var nobody : List.of(UUID.randomUUID().toString(), c.teacher))
            assertThat(c.put(day, one, Map.of("client", nobody)).toString()).contains("is no student of this term");
        for (var nobody : List.of(UUID.randomUUID().toString(), c.students.get(1)))
            assertThat(c.put(day, one, Map.of("graders", List.of(nobody))).toString())
                    .contains("is no staff of this term");
        assertThat(c.day(day).get("sittings").get(0)).isEqualTo(one);
        // Let go, it is found a place again.
        var found = c.settled(
                Json.MAPPER.readTree(c.lab.teacher().put(c.at(day, one), "{}").text()));
        assertThat(of(found, one.get("student").get("id").asString()).hasNonNull("begins"))
                .isTrue();
        assertThat(faults(found)).isEmpty();
    }

    /** A wish, a note, no agreement: honoured, refused by hand in one sentence, and told nowhere. */
    @Test
    void nobody_finds_out_why_two_are_not_at_one_table(App.Running app) throws Exception {
        var c = Class.in(app, "Larch");
        var s = c.students;
        var ada = c.student("adaone");
        assertThat(ada.post("/api/me/apart", "{\"other\":\"" + s.get(1) + "\"}").status())
                .isEqualTo(201);
        c.lab.teacher().post("/api/notes/" + s.get(2), "{\"kind\":\"spare\",\"zone\":\"calf\"}");
        var day = c.make("calves", false);
        assertThat(faults(day)).isEmpty();
        for (var x : sittings(day)) {
            var who = x.get("student").get("id").asString();
            assertThat(java.util.Set.of(who, client(x))).isNotEqualTo(java.util.Set.of(s.get(0), s.get(1)));
            assertThat(client(x)).isNotEqualTo(s.get(2));
        }
        var byWish = c.put(day, of(day, s.get(0)), Map.of("begins", 690, "client", s.get(1)));
        var byNote = c.put(day, of(day, s.get(0)), Map.of("begins", 690, "client", s.get(2)));
        assertThat(byWish.get("detail").asString())
                .isEqualTo("It cannot be put there: what is promised is a client who may be one for it.");
        assertThat(byNote.get("detail")).isEqualTo(byWish.get("detail"));
        var lead = Visitor.as(app.url(), "lead");
        for (var line : lead.all("/api/school/audit"))
            assertThat(line.toString()).doesNotContain("apart").doesNotContain("agreed");
        assertThat(c.student("adatwo")
                        .get("/api/students/" + s.get(1) + "/data")
                        .text())
                .doesNotContain("Ada One");
        try (var zip = new ZipInputStream(new ByteArrayInputStream(lead.bytes(c.lab.at("/archive"))))) {
            for (var entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry())
                assertThat(new String(zip.readAllBytes(), StandardCharsets.UTF_8))
                        .as(entry.getName())
                        .doesNotContainIgnoringCase("agreed");
        }
    }

    @Test
    void only_who_agreed_is_client_for_a_sensitive_region(App.Running app) {
        var c = Class.in(app, "Maple");
        var day = c.make("hip", false);
        assertThat(day.get("sensitive").toString()).contains("hip");
        assertThat(sittings(day))
                .allSatisfy(s -> assertThat(s.get("lacks").asString()).isNotEmpty());
        var names = List.of("adaone", "adatwo", "benthree", "corafour", "dagfive");
        var regions = c.student("adaone").get("/api/me/agreed").json();
        assertThat(regions.toString()).contains("{\"region\":\"hip\"");
        for (var name : names.subList(0, 3))
            for (var region : day.get("sensitive"))
                assertThat(c.student(name)
                                .put("/api/me/agreed", "{\"region\":" + region + ",\"agreed\":true}")
                                .status())
                        .isEqualTo(200);
        var found = c.settled(c.lab.teacher().post(c.at(day) + "/search", "").json());
        var agreed = c.students.subList(0, 3);
        var clients = sittings(found).stream()
                .map(PracticalDayTest::client)
                .filter(x -> !x.isEmpty())
                .collect(Collectors.toSet());
        assertThat(clients).isNotEmpty().isSubsetOf(agreed);
        // Who does not agree to it shows it all the same: nothing is seen of it.
        for (var x : sittings(found)) assertThat(client(x)).isNotEmpty();
        // By hand it is refused in the words that a wish or a note is refused in.
        var byHand = c.put(found, of(found, agreed.get(0)), Map.of("begins", 690, "client", c.students.get(3)));
        assertThat(byHand.get("detail").asString())
                .isEqualTo("It cannot be put there: what is promised is a client who may be one for it.");
        // Others are told nothing; the lead has no list, the teacher no file of it.
        assertThat(Visitor.as(app.url(), "lead").get("/api/me/agreed").text()).doesNotContain("true");
        assertThat(c.lab.teacher()
                        .get("/api/students/" + c.students.get(0) + "/data")
                        .text())
                .doesNotContain("agreedRegions");
    }

    @Test
    void it_begins_from_its_place_with_both_graders_and_stays_there(App.Running app) {
        var c = Class.in(app, "Rowan");
        var day = c.make("calves", true);
        var first = sittings(day).get(0);
        assertThat(first.get("graders")).hasSize(2);
        var main = first.get("graders").get(0).get("id").asString();
        var begun = c.lab.teacher().post(c.at(day, first) + "/start", "{\"today\":[]}");
        assertThat(begun.status()).as(begun.text()).isEqualTo(200);
        var id = begun.json().get("practical").asString();
        // A second tap begins no second one.
        assertThat(c.lab.teacher()
                        .post(c.at(day, first) + "/start", "{\"today\":[]}")
                        .json()
                        .get("practical")
                        .asString())
                .isEqualTo(id);
        var lines = c.lab.teacher().get(c.lab.at("/practicals")).json().get("lines");
        var mine = new ArrayList<JsonNode>();
        for (var l : lines)
            if (l.get("studentId")
                    .asString()
                    .equals(first.get("student").get("id").asString())) mine.add(l);
        assertThat(mine).hasSize(2);
        assertThat(mine.stream().map(l -> l.get("graderId").asString())).containsExactlyInAnyOrder(c.teacher, c.grader);
        assertThat(mine.stream()
                        .filter(l -> l.get("id").asString().equals(id))
                        .findFirst()
                        .orElseThrow()
                        .get("graderId")
                        .asString())
                .isEqualTo(main);
        assertThat(c.put(day, first, Map.of("begins", 640)).get("code").asString())
                .isEqualTo("begun");
        assertThat(c.lab.teacher().delete(c.at(day, first)).status()).isEqualTo(409);
        var anew = c.settled(c.lab.teacher().post(c.at(day) + "/anew", "").json());
        assertThat(anew.get("sittings").get(0).get("begins")).isEqualTo(first.get("begins"));
        assertThat(faults(anew)).isEmpty();
    }

    @Test
    void each_sees_where_they_are_once_it_is_shown_and_nothing_of_others(App.Running app) {
        var c = Class.in(app, "Sorrel");
        var day = c.make("calves", false);
        var ada = c.student("adaone");
        assertThat(ada.get("/api/me/sittings").json()).isEmpty();
        c.lab.teacher().put(c.at(day) + "/shown", "{\"shown\":true}");
        var mine = ada.get("/api/me/sittings").json();
        var shows = of(day, c.students.get(0));
        assertThat(mine.toString()).contains("\"does\":\"shows\"");
        for (var m : mine) {
            var sitting = sittings(day).stream()
                    .filter(x -> x.get("id").equals(m.get("id")))
                    .findFirst()
                    .orElseThrow();
            assertThat(List.of(sitting.get("student").get("id").asString(), client(sitting)))
                    .contains(c.students.get(0));
            if (m.get("does").asString().equals("shows"))
                assertThat(m.get("begins")).isEqualTo(shows.get("begins"));
        }
        assertThat(ada.get(c.lab.at("/days")).status()).isEqualTo(403);
        assertThat(ada.get(c.at(day)).status()).isEqualTo(403);
    }

    /** A search whose server died is over, and is begun anew by whoever asks; what it had found stays. */
    @Test
    void a_search_without_a_beat_is_over(App.Running app) {
        var c = Class.in(app, "Tansy");
        var day = c.make("calves", false);
        app.database()
                .run("update practical_day set search = gen_random_uuid(), search_beat = '"
                        + app.clock().instant().minusSeconds(11) + "' where id = '"
                        + day.get("id").asString() + "'");
        assertThat(c.day(day).get("searching").asBoolean()).isFalse();
        assertThat(c.day(day).get("sittings")).isEqualTo(day.get("sittings"));
        var again = c.lab.teacher().post(c.at(day) + "/search", "").json();
        assertThat(again.get("searching").asBoolean()).isTrue();
        var stopped = c.lab.teacher().delete(c.at(day) + "/search");
        assertThat(stopped.status()).isEqualTo(200);
        assertThat(faults(c.settled(day))).isEmpty();
    }

    @Test
    void what_cannot_be_meant_is_refused_by_name_and_nothing_is_made(App.Running app) {
        var c = Class.in(app, "Yarrow");
        var tomorrow = LocalDate.now(app.clock()).plusDays(1);
        var good = c.body(tomorrow, "calves", false, 2);
        for (var bad : Map.of(
                        good.replace("\"minutes\":20", "\"minutes\":4"), "must be 5 to 240",
                        good.replace("\"until\":720", "\"until\":500"), "must be later than it begins",
                        good.replace("\"tables\":2", "\"tables\":0"), "must be 1 to 40",
                        good.replace("\"sequence\":\"calves\"", "\"sequence\":\"nowhere\""), "is no sequence",
                        good.replace(c.students.get(1), UUID.randomUUID().toString()), "is no student of this term",
                        good.replace(c.grader, c.students.get(0)), "is no staff of this term")
                .entrySet()) {
            var answer = c.lab.teacher().post(c.lab.at("/days"), bad.getKey());
            assertThat(answer.status()).as(bad.getValue()).isEqualTo(422);
            assertThat(answer.text()).contains(bad.getValue());
        }
        assertThat(c.lab.teacher().get(c.lab.at("/days")).json()).isEmpty();
        var day = c.make("calves", false);
        var away = c.lab.teacher()
                .put(c.at(day) + "/away", "{\"away\":[{\"person\":\"" + c.grader + "\",\"from\":600,\"until\":600}]}");
        assertThat(away.status()).isEqualTo(422);
        assertThat(c.lab.teacher()
                        .put(c.at(day) + "/withdrawn", "{\"withdrawn\":true}")
                        .status())
                .isEqualTo(204);
        assertThat(c.lab.teacher().get(c.at(day)).status()).isEqualTo(404);
        c.lab.teacher().put(c.at(day) + "/withdrawn", "{\"withdrawn\":false}");
        assertThat(sittings(c.day(day))).hasSize(5);
    }
}
