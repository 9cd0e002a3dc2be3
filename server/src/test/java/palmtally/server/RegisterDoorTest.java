package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.people.Accounts;
import palmtally.server.people.Role;
import palmtally.server.people.Terms;
import tools.jackson.databind.JsonNode;

/** Who is at the door, what hours that makes, and who may know. */
@ExtendWith(App.class)
class RegisterDoorTest {
    private record Door(Lab lab, List<String> students) {
        static Door in(App.Running app, String name) {
            var lab = Lab.in(app, name);
            return new Door(lab, lab.students());
        }

        String at(String rest) {
            return lab.at(rest);
        }

        Visitor.Answer mark(String... marks) {
            return lab.teacher().post(at("/register/2/1/marks"), "{\"marks\":[" + String.join(",", marks) + "]}");
        }

        String there(int student, String id, String more) {
            return "{\"id\":\"" + id + "\",\"student\":\"" + students.get(student) + "\",\"kind\":\"present\"" + more
                    + "}";
        }

        JsonNode line(int student) {
            for (var s : lab.teacher().get(at("/register/2/1")).json().get("students"))
                if (s.get("id").asString().equals(students.get(student))) return s;
            throw new AssertionError("no such student");
        }

        JsonNode hours(int student) {
            return lab.teacher()
                    .get(at("/hours/" + students.get(student)))
                    .json()
                    .get("hours");
        }

        double attended(int student, int kind) {
            return hours(student).get("kinds").get(kind).get("attended").asDouble();
        }
    }

    @Test
    void the_lab_of_now_is_shown_with_what_it_is_made_of(App.Running app) {
        var door = Door.in(app, "Rowan");
        var register = door.lab.teacher().get(door.at("/register")).json();
        assertThat(register.get("now").toString()).isEqualTo("{\"week\":2,\"lab\":1}");
        // Week 3 is off, week 1 is over and nobody is marked in it.
        assertThat(register.get("labs")).hasSize(3);
        assertThat(register.get("findings").get(0).get("rule").asString()).isEqualTo("HOURS-UNMARKED");
        assertThat(register.get("findings").get(0).get("where").get("week").asInt())
                .isEqualTo(1);
        var sheet = door.lab.teacher().get(door.at("/register/2/1")).json();
        assertThat(sheet.get("held").asBoolean()).isFalse();
        assertThat(sheet.get("parts")).hasSize(3);
        assertThat(sheet.get("parts").get(0).get("kind").asString()).isEqualTo("demonstration");
        assertThat(sheet.get("students")).hasSize(5);
        assertThat(door.lab.teacher().get(door.at("/register/9/1")).status()).isEqualTo(404);
    }

    @Test
    void a_mark_is_stored_once_and_the_newest_counts(App.Running app) {
        var door = Door.in(app, "Sage");
        assertThat(door.mark(door.there(0, "a", ""), door.there(1, "b", ",\"lateMinutes\":30"))
                        .status())
                .isEqualTo(200);
        door.mark(door.there(0, "c", ",\"lateMinutes\":7"));
        // Sent once more, as by a device that heard no answer: what came after it stays.
        door.mark(door.there(0, "a", ""));
        assertThat(door.line(0).get("presence").get("lateMinutes").asDouble()).isEqualTo(7);
        assertThat(door.line(0).get("markedBy").asString()).isEqualTo("Sage Teacher");
        // 20 + 45 shown, 40 practised, 15 open: half an hour late misses 30 of the 65 shown.
        assertThat(door.attended(1, 1)).isCloseTo(35 / 60.0, within(1e-9));
        assertThat(door.attended(1, 2)).isCloseTo(55 / 60.0, within(1e-9));
        // Taken back: nothing is marked, and nothing is missed.
        door.mark("{\"id\":\"d\",\"student\":\"" + door.students.get(1) + "\"}");
        assertThat(door.line(1).has("presence")).isFalse();
        assertThat(door.attended(1, 1)).isZero();
        assertThat(door.hours(1).get("missed")).isEmpty();
    }

    @Test
    void hours_follow_the_lab_as_it_was_held_whatever_the_plan_says_later(App.Running app) {
        var door = Door.in(app, "Thyme");
        door.mark(door.there(0, "a", ""));
        var view = door.lab.plan();
        var plan = view.get("curriculum").toString().replace("\"aim\":\"practise\"", "\"aim\":\"assess\"");
        assertThat(door.lab
                        .teacher()
                        .put(
                                door.at("/curriculum"),
                                "{\"from\":" + view.get("version") + ",\"curriculum\":" + plan + "}")
                        .status())
                .isEqualTo(200);
        assertThat(door.attended(0, 2)).isCloseTo(55 / 60.0, within(1e-9));
        assertThat(door.attended(0, 3)).isZero();
        var changed = door.lab
                .teacher()
                .put(
                        door.at("/register/2/1"),
                        "{\"minutes\":90,\"parts\":[{\"kind\":\"practical\",\"region\":\"neck\",\"minutes\":60}]}");
        assertThat(changed.json().get("held").asBoolean()).isTrue();
        assertThat(door.attended(0, 3)).isEqualTo(1);
        assertThat(door.attended(0, 2)).isEqualTo(0.5);
    }

    @Test
    void every_fault_of_what_is_marked_is_told_at_once_and_nothing_is_stored(App.Running app) {
        var door = Door.in(app, "Mint");
        var answer = door.mark(
                door.there(0, "a", ""),
                door.there(1, "", ",\"lateMinutes\":-1"),
                "{\"id\":\"x\",\"student\":\"" + UUID.randomUUID() + "\",\"kind\":\"absent\"}",
                "{\"id\":\"y\",\"student\":\"" + door.students.get(2) + "\",\"kind\":\"absent\",\"lateMinutes\":3}");
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.json().get("faults").findValuesAsString("field"))
                .containsExactly("marks/1/id", "marks/1/lateMinutes", "marks/2/student", "marks/3/kind");
        assertThat(door.line(0).has("presence")).isFalse();
        assertThat(door.mark().status()).isEqualTo(422);
        assertThat(door.lab
                        .teacher()
                        .put(door.at("/register/2/1"), "{\"minutes\":0,\"parts\":[]}")
                        .status())
                .isEqualTo(422);
    }

    @Test
    void who_joins_missed_nothing_before_and_who_leaves_stays_in_what_was(App.Running app) {
        var door = Door.in(app, "Basil");
        door.mark(door.there(0, "a", ""), door.there(1, "b", ""));
        var accounts = app.bean(Accounts.class);
        var terms = app.bean(Terms.class);
        var term = UUID.fromString(door.lab.term());
        accounts.addTo(term, "Zora New", "zora-basil", "regatta-student", Role.STUDENT);
        // Of the whole class only she was there from the beginning of the term, ten days ago.
        terms.enrol(term, accounts.add("Rue Early", "rue-basil", "regatta-student", Role.STUDENT));
        assertThat(names(door, "/register/1/1")).containsExactly("Rue Early");
        assertThat(names(door, "/register/2/1")).contains("Zora New", "Rue Early", "Ada One");
        terms.leave(term, UUID.fromString(door.students.get(1)));
        var hours = door.lab.teacher().get(door.at("/hours")).json().get("students");
        assertThat(hours).hasSize(7);
        for (var line : hours)
            if (line.get("id").asString().equals(door.students.get(1))) {
                assertThat(line.get("leftOn").asString())
                        .isEqualTo(LocalDate.now(app.clock()).toString());
                assertThat(line.get("all").get("attended").asDouble()).isEqualTo(2);
                assertThat(line.get("all").get("toCome").asDouble()).isZero();
            }
        // Back again: as if never away.
        terms.join(term, UUID.fromString(door.students.get(1)));
        assertThat(door.hours(1).get("all").get("toCome").asDouble()).isEqualTo(2);
        assertThat(names(door, "/register/1/1")).doesNotContain("Zora New");
    }

    private static List<String> names(Door door, String path) {
        return door.lab.teacher().get(door.at(path)).json().get("students").findValuesAsString("name");
    }

    @Test
    void hours_that_are_entered_count_and_can_be_taken_back(App.Running app) {
        var door = Door.in(app, "Clary");
        door.mark("{\"id\":\"a\",\"student\":\"" + door.students.get(0) + "\",\"kind\":\"excused\"}");
        var path = door.at("/hours/" + door.students.get(0));
        var today = LocalDate.now(app.clock());
        var entry = UUID.randomUUID();
        var body = "{\"id\":\"" + entry + "\",\"kind\":\"demonstration\",\"minutes\":65,\"on\":\"" + today
                + "\",\"week\":2,\"lab\":1}";
        assertThat(door.lab.teacher().post(path, body).status()).isEqualTo(201);
        // Sent twice it is there once.
        door.lab.teacher().post(path, body);
        var shown = door.hours(0);
        assertThat(shown.get("kinds").get(1).get("madeUp").asDouble()).isCloseTo(65 / 60.0, within(1e-9));
        assertThat(shown.get("missed").findValuesAsString("kind")).doesNotContain("demonstration");
        assertThat(door.lab.teacher().delete(path + "/" + entry).status()).isEqualTo(200);
        assertThat(door.hours(0).get("all").get("madeUp").asDouble()).isZero();
        assertThat(door.lab.teacher().delete(path + "/" + entry).status()).isEqualTo(404);
        var bad = door.lab
                .teacher()
                .post(path, "{\"kind\":\"clinic\",\"minutes\":5,\"on\":\"" + today.plusDays(1) + "\",\"week\":2}");
        assertThat(bad.json().get("faults").findValuesAsString("field")).containsExactly("id", "on", "lab");
        assertThat(door.lab
                        .teacher()
                        .post(
                                path,
                                "{\"id\":\"" + UUID.randomUUID() + "\",\"kind\":\"practical\",\"minutes\":5,\"on\":\""
                                        + today + "\",\"week\":4,\"lab\":1}")
                        .text())
                .contains("was not held");
    }

    @Test
    void a_student_reads_their_own_hours_and_nobody_elses(App.Running app) {
        var door = Door.in(app, "Lovage");
        door.mark(door.there(0, "a", ""));
        var ada = Visitor.as(app.url(), "lovageadaone", "regatta-student");
        var own = ada.get("/api/me/hours").json();
        assertThat(own).hasSize(1);
        assertThat(own.get(0).get("name").asString()).isEqualTo("Ada One");
        assertThat(own.get(0).get("hours").get("all").get("attended").asDouble())
                .isEqualTo(2);
        assertThat(ada.get(door.at("/hours")).status()).isEqualTo(403);
        assertThat(ada.get(door.at("/hours/" + door.students.get(1))).status()).isEqualTo(403);
        assertThat(ada.get(door.at("/register/2/1")).status()).isEqualTo(403);
        assertThat(ada.post(door.at("/register/2/1/marks"), "{\"marks\":[" + door.there(0, "z", "") + "]}")
                        .status())
                .isEqualTo(403);
        // The table has a line a student, and no formula.
        var csv = door.lab.teacher().get(door.at("/hours.csv")).text();
        assertThat(csv.lines().toList().get(0))
                .isEqualTo("student,theory,demonstration,supervised practice,practical,own practice,clinic,made up,"
                        + "excused and counted,all,asked for,lacking,labs missed");
        assertThat(csv.lines()).hasSize(6).anyMatch(l -> l.startsWith("Ada One,0,1.08,0.92,0,0,0,0,0,2,0,0,0"));
    }

    @Test
    void a_term_in_the_archive_is_read_and_not_marked(App.Running app) {
        var door = Door.in(app, "Hyssop");
        door.mark(door.there(0, "a", ""));
        app.bean(Terms.class).archive(UUID.fromString(door.lab.term()), true);
        assertThat(door.mark(door.there(0, "b", "")).code()).isEqualTo("archived");
        assertThat(door.lab
                        .teacher()
                        .get(door.at("/register/2/1"))
                        .json()
                        .get("archived")
                        .asBoolean())
                .isTrue();
        assertThat(door.attended(0, 1)).isPositive();
    }
}
