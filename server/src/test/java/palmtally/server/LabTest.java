package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.core.calendar.Curriculum;
import tools.jackson.databind.JsonNode;

/** A lab with its demonstration and its practice round, each in a term of its own that is in its second week. */
@ExtendWith(App.class)
class LabTest {
    /** A term with one who teaches it. Lab 1 began half an hour ago: neck is taught in it after 20 minutes of calves. */
    @Test
    void a_demonstration_knows_its_lab_and_when_the_room_is_needed(App.Running app) {
        var lab = Lab.in(app, "Clock");
        var neck = lab.start("neck", "{}").get("lab");
        assertThat(neck.get("lesson").asString()).isEqualTo("l2");
        assertThat(neck.get("week").asInt()).isEqualTo(2);
        assertThat(neck.get("room").asString()).isEqualTo("Loft");
        var now = app.clock().instant();
        // Its lab began 30 minutes ago: its 45 after 20 are over in 35 minutes, the lab in 90.
        assertThat(Instant.parse(neck.get("endsAt").asString()))
                .isBetween(now.plusSeconds(34 * 60), now.plusSeconds(36 * 60));
        assertThat(Instant.parse(neck.get("roomUntil").asString()))
                .isBetween(now.plusSeconds(88 * 60), now.plusSeconds(91 * 60));
        // The one before it should have been over: its own slot counts, and the room.
        var calves = lab.start("calves", "{}").get("lab");
        assertThat(calves.has("endsAt")).isFalse();
        assertThat(calves.has("roomUntil")).isTrue();
        // A sequence that no lesson of this week teaches has no lab.
        assertThat(lab.start("hip", "{}").has("lab")).isFalse();
    }

    @Test
    void a_lesson_of_another_sequence_or_of_no_term_is_refused(App.Running app) {
        var lab = Lab.in(app, "Refused");
        assertThat(lab.teacher()
                        .post("/api/sequences/hip/demonstrations", "{\"lesson\":\"l2\"}")
                        .code())
                .isEqualTo("another-sequence");
        assertThat(lab.teacher()
                        .post("/api/sequences/neck/demonstrations", "{\"lesson\":\"nope\"}")
                        .status())
                .isEqualTo(404);
    }

    @Test
    void what_is_left_comes_on_the_plan_of_the_next_week_by_itself(App.Running app) {
        var lab = Lab.in(app, "Left");
        var shown = lab.start("neck", "{\"lesson\":\"l2\"}");
        var id = shown.get("id").asString();
        var moments = shown.get("shown").get("moments");
        int n = moments.size();
        lab.mark(id, "started", 0, 0, "");
        lab.mark(id, "skipped", n - 2, 30, ",\"reason\":\"No time\"");
        lab.mark(id, "skipped", n - 1, 31, ",\"reason\":\"Seen before\"");
        for (int i = 1; i < n - 2; i++) lab.mark(id, "started", i, 40 + i, "");
        assertThat(lab.plan().get("curriculum").get("lessons")).hasSize(3);
        assertThat(lab.mark(id, "finished", n - 3, 900, "").status()).isEqualTo(200);
        // Week 3 is off.
        var left = lab.plan().get("curriculum").get("lessons").get(3);
        assertThat(left.get("week").asInt()).isEqualTo(4);
        assertThat(left.get("sequence").asString()).isEqualTo("neck");
        assertThat(left.get("steps")).hasSize(1);
        assertThat(left.get("note").asString()).contains("week 2, lab 1");
        assertThat(lab.plan().get("history").get("lines").get(0).get("what").asString())
                .isEqualTo("Left for another day");
        var line = lab.lessons().get(1).get("shown");
        assertThat(line.get("left").asInt()).isEqualTo(2);
        // Shown after all: nothing is left.
        lab.mark(id, "started", n - 2, 950, "");
        lab.mark(id, "finished", n - 2, 990, "");
        assertThat(lab.plan().get("curriculum").get("lessons")).hasSize(3);
        assertThat(lab.plan().get("history").get("lines").get(0).get("what").asString())
                .isEqualTo("Shown after all");
    }

    @Test
    void a_lesson_of_some_steps_shows_only_those(App.Running app) {
        var lab = Lab.in(app, "Some");
        var view = lab.plan();
        var curriculum = view.get("curriculum").toString();
        var step = lab.start("neck", "{}")
                .get("shown")
                .get("moments")
                .get(1)
                .get("name")
                .asString();
        var id = lab.teacher().get("/api/sequences/neck").json().toString();
        assertThat(id).contains(step);
        var steps = new ArrayList<String>();
        for (var b :
                lab.teacher().get("/api/sequences/neck").json().get("sequence").get("blocks"))
            for (var s : b.get("steps")) steps.add(s.get("id").asString());
        var some = curriculum.replaceFirst(
                "(\"id\":\"l2\".*?\"steps\":)\\[\\]", "$1[\"" + steps.get(1) + "\",\"" + steps.get(2) + "\"]");
        assertThat(lab.teacher()
                        .put("/api/terms/" + lab.term() + "/curriculum", "{\"from\":1,\"curriculum\":" + some + "}")
                        .status())
                .isEqualTo(200);
        var shown = lab.start("neck", "{\"lesson\":\"l2\"}").get("shown").get("moments");
        var numbers = new java.util.TreeSet<Integer>();
        shown.forEach(m -> numbers.add(m.get("number").asInt()));
        assertThat(numbers).containsExactly(1, 2);
        assertThat(lab.lessons().get(1).get("steps").asInt()).isEqualTo(2);
    }

    @Test
    void the_term_adds_up_what_was_shown_beside_what_was_announced(App.Running app) {
        var lab = Lab.in(app, "Sum");
        var id = lab.start("neck", "{\"lesson\":\"l2\"}").get("id").asString();
        lab.mark(id, "started", 0, 0, "");
        lab.mark(id, "started", 1, 100, "");
        lab.mark(id, "finished", 1, 160, "");
        var log = lab.teacher().get("/api/terms/" + lab.term() + "/shown").json();
        assertThat(log.get("demonstrations")).hasSize(1);
        double seconds = 0;
        double announced = 0;
        for (var c : log.get("shown").get("cells"))
            if (c.get("region").asString().equals("neck")) {
                seconds += c.get("seconds").asDouble();
                announced += c.get("announced").asDouble();
            }
        assertThat(seconds).isPositive().isLessThanOrEqualTo(320);
        assertThat(announced).isGreaterThan(seconds);
        assertThat(Visitor.as(app.url(), "olle")
                        .get("/api/terms/" + lab.term() + "/shown")
                        .status())
                .isEqualTo(403);
    }

    private static String asked(String more) {
        return "{\"minutes\":60,\"roles\":2,\"tables\":2,\"calls\":true" + more + "}";
    }

    @Test
    void a_round_goes_by_its_clock_on_the_class_screen_and_tells_first_names_only(App.Running app) {
        var lab = Lab.in(app, "Round");
        var preview = lab.teacher()
                .post("/api/sequences/neck/rounds/preview", asked(""))
                .json();
        assertThat(preview.get("tables")).hasSize(2);
        assertThat(preview.get("totalSeconds").asDouble()).isEqualTo(3600);
        var round = lab.teacher().post("/api/sequences/neck/rounds", asked("")).json();
        var screen = "/api/screens/" + round.get("screen").asString();
        var told = lab.anybody().get(screen);
        assertThat(told.status()).isEqualTo(200);
        assertThat(told.json().get("roundLive").get("standing").get("leg").asInt())
                .isEqualTo(-1);
        // Two Adas: only they are called by more than their first names, and by no more than an initial.
        assertThat(told.text())
                .contains("\"Ada O.\"", "\"Ada T.\"", "\"Ben\"", "\"Cora\"")
                .doesNotContain("One", "Two", "Three", "Four", "accountId", "Teacher");
        var id = round.get("id").asString();
        assertThat(mark(lab.teacher(), id, "started", 1, 5).status()).isEqualTo(200);
        assertThat(lab.anybody()
                        .get(screen)
                        .json()
                        .get("roundLive")
                        .get("standing")
                        .get("leg")
                        .asInt())
                .isEqualTo(1);
        // A demonstration takes the screen back.
        lab.start("neck", "{}");
        var back = lab.anybody().get(screen).json();
        assertThat(back.has("round")).isFalse();
        assertThat(back.has("shown")).isTrue();
        assertThat(mark(Visitor.as(app.url(), "nadia"), id, "finished", 0, 9).status())
                .isEqualTo(403);
        assertThat(lab.anybody().get("/api/rounds/" + id).status()).isEqualTo(401);
    }

    private static Visitor.Answer mark(Visitor by, String id, String what, int leg, double at) {
        return by.post(
                "/api/rounds/" + id + "/marks",
                "{\"id\":\"" + UUID.randomUUID() + "\",\"what\":\"" + what + "\",\"leg\":" + leg + ",\"atSeconds\":"
                        + at + "}");
    }

    @Test
    void partners_change_from_round_to_round_and_can_be_arranged(App.Running app) {
        var lab = Lab.in(app, "Pairs");
        var four = ",\"people\":"
                + people(lab.teacher().get("/api/rounds/students").json(), 4);
        var met = new java.util.HashSet<String>();
        for (int i = 0; i < 3; i++) {
            var round = lab.teacher()
                    .post("/api/sequences/neck/rounds", asked(four))
                    .json();
            assertThat(mark(lab.teacher(), round.get("id").asString(), "started", 0, 0)
                            .status())
                    .isEqualTo(200);
            for (var t : round.get("round").get("tables"))
                met.add(java.util.stream.Stream.of(t.get(0).asString(), t.get(1).asString())
                        .sorted()
                        .toList()
                        .toString());
        }
        // Four people have three rounds in which nobody meets twice.
        assertThat(met).hasSize(6);
        var students = lab.teacher().get("/api/rounds/students").json();
        var wrong = lab.teacher()
                .post(
                        "/api/sequences/neck/rounds/preview",
                        asked(four + ",\"seats\":[[\""
                                + students.get(0).get("id").asString() + "\"]]"));
        assertThat(wrong.status()).isEqualTo(422);
        assertThat(lab.teacher()
                        .post(
                                "/api/sequences/neck/rounds/preview",
                                "{\"minutes\":2,\"roles\":2,\"tables\":2,\"calls\":true}")
                        .text())
                .contains("too short for what must be practised");
        assertThat(lab.teacher()
                        .post(
                                "/api/sequences/neck/rounds/preview",
                                asked(",\"people\":[\"" + UUID.randomUUID() + "\"]"))
                        .text())
                .contains("is no student of this term");
    }

    private static String people(JsonNode students, int n) {
        var ids = new ArrayList<String>();
        for (int i = 0; i < n; i++) ids.add("\"" + students.get(i).get("id").asString() + "\"");
        return ids.toString();
    }

    @Test
    void labs_have_times_where_somebody_has_said(App.Running app) {
        assertThat(Curriculum.empty("t", "T", 3).times()).isEmpty();
        var nadia = Visitor.as(app.url(), "nadia");
        assertThat(nadia.get("/api/terms/" + nadia.term() + "/curriculum")
                        .json()
                        .get("curriculum")
                        .get("times"))
                .hasSize(2);
    }

    /** 40 minutes of the neck in hands: 13 looks of 3 minutes for five students, all five criteria: two of each, and so on no day for all. */
    @Test
    void what_can_be_seen_of_the_class_is_told_before_it_is(App.Running app) {
        var lab = Lab.in(app, "Linden");
        var one = lab.teacher().get(lab.at("/looks")).json();
        assertThat(one.get("there").asDouble()).isEqualTo(40);
        assertThat(one.get("needed").asDouble()).isEqualTo(150);
        assertThat(one.get("days").asInt()).isZero();
        assertThat(one.get("onOneMore").asInt()).isEqualTo(2);
        assertThat(one.get("sentence").asString())
                .isEqualTo(
                        "One grader sees each of 5 students in all five criteria on no day, 2 of them on one more; 2 are asked."
                                + " 110 minutes more of practice would do, or another grader.");
        assertThat(lab.teacher()
                        .get(lab.at("/looks?graders=2"))
                        .json()
                        .get("there")
                        .asDouble())
                .isEqualTo(80);
        assertThat(lab.teacher().get(lab.at("/looks?graders=0")).status()).isEqualTo(422);
    }
}
