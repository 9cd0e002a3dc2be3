package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.core.pairing.Pair;
import palmtally.core.pairing.Seating;
import palmtally.formats.Json;
import tools.jackson.databind.JsonNode;

/** Who works with whom, and that nobody can find out why two do not. */
@ExtendWith(App.class)
class PartnersTest {
    private record Class(Lab lab, List<String> students) {
        static Class in(App.Running app, String name) {
            var lab = Lab.in(app, name);
            return new Class(lab, lab.students());
        }

        String at(String rest) {
            return lab.at(rest);
        }

        JsonNode seats() {
            return lab.teacher().get(at("/seats/2/1")).json();
        }

        void mark(int student, String kind) {
            assertThat(lab.teacher()
                            .post(
                                    at("/register/2/1/marks"),
                                    "{\"marks\":[{\"id\":\"" + UUID.randomUUID() + "\",\"student\":\""
                                            + students.get(student) + "\",\"kind\":\"" + kind + "\"}]}")
                            .status())
                    .isEqualTo(200);
        }

        Pair pair(int a, int b) {
            return new Pair(students.get(a), students.get(b));
        }
    }

    private static List<List<String>> tables(JsonNode seats) {
        var tables = new ArrayList<List<String>>();
        for (var t : seats.get("tables")) tables.add(t.findValuesAsString("id"));
        return tables;
    }

    private static String json(List<List<String>> tables) {
        return "{\"tables\":" + Json.MAPPER.writeValueAsString(tables) + "}";
    }

    @Test
    void a_plan_seats_everybody_and_the_day_changes_as_little_as_can_be(App.Running app) {
        var c = Class.in(app, "Alder");
        var made = c.lab.teacher().post(c.at("/partners"), "{\"tables\":4}");
        assertThat(made.status()).isEqualTo(201);
        // Only the lab of this week has hands on: week 4 has no lesson.
        assertThat(made.json().get("labs")).hasSize(1);
        var planned = tables(made.json().get("labs").get(0));
        assertThat(planned.stream().flatMap(List::stream)).containsExactlyInAnyOrderElementsOf(c.students);
        assertThat(tables(c.seats())).isEqualTo(planned);
        assertThat(c.seats().get("changed").asInt()).isZero();
        // One of the pair is away: the other joins the three, or a pair becomes one.
        var pair = planned.stream().filter(t -> t.size() == 2).findFirst().orElseThrow();
        c.mark(c.students.indexOf(pair.get(0)), "absent");
        var now = c.seats();
        assertThat(now.get("away").findValuesAsString("id")).containsExactly(pair.get(0));
        assertThat(tables(now)).hasSize(2).allSatisfy(t -> assertThat(t).hasSize(2));
        assertThat(now.get("changed").asInt()).isLessThanOrEqualTo(3);
        // Late is there.
        c.mark(c.students.indexOf(pair.get(0)), "present");
        assertThat(tables(c.seats())).isEqualTo(planned);
    }

    @Test
    void what_was_really_done_counts_and_not_what_was_planned(App.Running app) {
        var c = Class.in(app, "Beech");
        c.lab.teacher().post(c.at("/partners"), "{\"tables\":4}");
        var s = c.students;
        var other = List.of(List.of(s.get(0), s.get(1)), List.of(s.get(2), s.get(3), s.get(4)));
        var sat = c.lab.teacher().put(c.at("/seats/2/1"), json(other));
        assertThat(sat.json().get("sat").asBoolean()).isTrue();
        var counts = c.lab.teacher().get(c.at("/partners")).json().get("students");
        assertThat(counts.get(0).get("met").toString()).isEqualTo("[0,1,0,0,0]");
        assertThat(counts.get(4).get("met").toString()).isEqualTo("[0,0,1,1,0]");
        // An empty list lets the seats be found again, and nothing was done.
        assertThat(c.lab.teacher()
                        .put(c.at("/seats/2/1"), "{\"tables\":[]}")
                        .json()
                        .get("sat")
                        .asBoolean())
                .isFalse();
        assertThat(c.lab.teacher()
                        .get(c.at("/partners"))
                        .json()
                        .get("students")
                        .get(0)
                        .get("met")
                        .toString())
                .isEqualTo("[0,0,0,0,0]");
    }

    @Test
    void a_plan_that_is_taken_back_leaves_the_one_before(App.Running app) {
        var c = Class.in(app, "Cedar");
        var first = c.lab.teacher().post(c.at("/partners"), "{\"tables\":4}").json();
        var second = c.lab.teacher()
                .post(c.at("/partners"), "{\"tables\":4,\"atTable\":3}")
                .json();
        assertThat(second.get("atTable").asInt()).isEqualTo(3);
        var back = c.lab.teacher().delete(c.at("/partners/" + second.get("id").asString()));
        assertThat(back.json().get("id").asString()).isEqualTo(first.get("id").asString());
        assertThat(c.lab.teacher().post(c.at("/partners"), "{\"tables\":1}").status())
                .isEqualTo(422);
    }

    @Test
    void seats_that_cannot_be_are_refused_by_name(App.Running app) {
        var c = Class.in(app, "Elder");
        var s = c.students;
        var twice =
                c.lab.teacher().put(c.at("/seats/2/1"), json(List.of(List.of(s.get(0), s.get(1)), List.of(s.get(0)))));
        assertThat(twice.status()).isEqualTo(422);
        assertThat(twice.text()).contains("sits twice");
        var stranger = c.lab.teacher()
                .put(c.at("/seats/2/1"), json(List.of(List.of(UUID.randomUUID().toString()))));
        assertThat(stranger.text()).contains("is no student of this term");
        assertThat(c.lab.teacher().put(c.at("/seats/9/1"), json(List.of())).status())
                .isEqualTo(404);
    }

    /** A wish is honoured in the plan, on the day, in a round and by hand; and what is said is the same for every reason. */
    @Test
    void two_who_are_kept_apart_are_never_seated_together_and_nobody_is_told_why(App.Running app) throws Exception {
        var c = Class.in(app, "Fern");
        var ada = Visitor.as(app.url(), "fernadaone", "regatta-student");
        var other = Visitor.as(app.url(), "fernadatwo", "regatta-student");
        var made = ada.post("/api/me/apart", "{\"other\":\"" + c.students.get(1) + "\"}");
        assertThat(made.status()).isEqualTo(201);
        assertThat(made.json().get("written").get(0).get("other").asString()).isEqualTo("Ada Two");
        // Everybody but one is kept from the first by staff as well: there is one way left.
        c.lab.teacher()
                .post(
                        "/api/me/apart",
                        "{\"one\":\"" + c.students.get(0) + "\",\"other\":\"" + c.students.get(2) + "\"}");
        for (int atTable = 2; atTable <= 3; atTable++) {
            var plan = c.lab.teacher()
                    .post(c.at("/partners"), "{\"tables\":4,\"atTable\":" + atTable + "}")
                    .json();
            for (var lab : plan.get("labs"))
                assertThat(Seating.met(tables(lab)).keySet()).doesNotContain(c.pair(0, 1), c.pair(0, 2));
            c.mark(4, "absent");
            assertThat(Seating.met(tables(c.seats())).keySet()).doesNotContain(c.pair(0, 1), c.pair(0, 2));
            c.mark(4, "present");
        }
        var s = c.students;
        var byHand = c.lab.teacher()
                .put(c.at("/seats/2/1"), json(List.of(List.of(s.get(0), s.get(1)), List.of(s.get(2), s.get(3)))));
        assertThat(byHand.status()).isEqualTo(409);
        var byNote = c.lab.teacher()
                .put(c.at("/seats/2/1"), json(List.of(List.of(s.get(0), s.get(2)), List.of(s.get(1), s.get(3)))));
        assertThat(byNote.json().get("detail")).isEqualTo(byHand.json().get("detail"));
        var round =
                c.lab.teacher().post("/api/sequences/neck/rounds/preview", "{\"minutes\":60,\"roles\":2,\"tables\":4}");
        assertThat(round.status()).isEqualTo(200);
        assertThat(Seating.met(tables(round.json())).keySet()).doesNotContain(c.pair(0, 1), c.pair(0, 2));

        // Whoever did not write it finds it nowhere: not the other, not the teacher, not the lead; in no list, trail or
        // file.
        var lead = Visitor.as(app.url(), "lead");
        assertThat(other.get("/api/me/apart").json().get("written")).isEmpty();
        assertThat(c.lab.teacher().get("/api/me/apart").json().get("written")).hasSize(1);
        assertThat(lead.get("/api/me/apart").json().get("written")).isEmpty();
        var id = made.json().get("written").get(0).get("id").asString();
        assertThat(other.delete("/api/me/apart/" + id).status()).isEqualTo(404);
        assertThat(lead.delete("/api/me/apart/" + id).status()).isEqualTo(404);
        assertThat(lead.get("/api/students/" + c.students.get(0) + "/data").text())
                .contains("labSeats")
                .doesNotContain("keptApart");
        assertThat(other.get("/api/students/" + c.students.get(1) + "/data").text())
                .doesNotContain("Ada One");
        assertThat(ada.get("/api/students/" + c.students.get(0) + "/data").text())
                .contains("keptApart");
        for (var line : lead.all("/api/school/audit"))
            assertThat(line.toString()).doesNotContain("apart");
        try (var zip = new ZipInputStream(new ByteArrayInputStream(lead.bytes(c.at("/archive"))))) {
            for (var entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry())
                assertThat(new String(zip.readAllBytes(), StandardCharsets.UTF_8))
                        .as(entry.getName())
                        .doesNotContainIgnoringCase("apart");
        }
        // Taken back by the one who wrote it, they may meet again.
        assertThat(ada.delete("/api/me/apart/" + id).json().get("written")).isEmpty();
        assertThat(c.lab.teacher()
                        .put(
                                c.at("/seats/2/1"),
                                json(List.of(List.of(s.get(0), s.get(1)), List.of(s.get(2), s.get(3)))))
                        .status())
                .isEqualTo(200);
    }

    @Test
    void a_student_asks_for_themselves_and_of_their_own_class(App.Running app) {
        var c = Class.in(app, "Gorse");
        var elsewhere = Class.in(app, "Heath");
        var ada = Visitor.as(app.url(), "gorseadaone", "regatta-student");
        assertThat(ada.post(
                                "/api/me/apart",
                                "{\"one\":\"" + c.students.get(1) + "\",\"other\":\"" + c.students.get(2) + "\"}")
                        .status())
                .isEqualTo(403);
        assertThat(ada.post("/api/me/apart", "{\"other\":\"" + elsewhere.students.get(2) + "\"}")
                        .status())
                .isEqualTo(404);
        assertThat(ada.post("/api/me/apart", "{\"other\":\"" + c.students.get(0) + "\"}")
                        .status())
                .isEqualTo(422);
        assertThat(c.lab.teacher()
                        .post(
                                "/api/me/apart",
                                "{\"one\":\"" + elsewhere.students.get(0) + "\",\"other\":\"" + c.students.get(2)
                                        + "\"}")
                        .status())
                .isEqualTo(403);
        assertThat(ada.get("/api/me/apart").json().get("classmates")).hasSize(4);
    }

    @Test
    void a_body_that_must_be_spared_is_no_client_in_the_lab_that_works_it(App.Running app) {
        var c = Class.in(app, "Ivy");
        // The neck is practised; the first is not to be touched there, on either side.
        for (var zone : List.of("neck-back", "base-of-skull"))
            c.lab.teacher().post("/api/notes/" + c.students.get(0), "{\"kind\":\"spare\",\"zone\":\"" + zone + "\"}");
        c.lab.teacher().post(c.at("/partners"), "{\"tables\":4}");
        var table = tables(c.seats()).stream()
                .filter(t -> t.contains(c.students.get(0)))
                .findFirst()
                .orElseThrow();
        assertThat(table).hasSize(3);
    }
}
