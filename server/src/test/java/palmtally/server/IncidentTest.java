package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.UUID;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;
import palmtally.server.people.Accounts;
import palmtally.server.people.Role;
import tools.jackson.databind.JsonNode;

/** A safety stop asks for a record, which the lead, who wrote it and those named in it read, and nobody else. */
@ExtendWith(App.class)
class IncidentTest {
    private static final String WHOLE =
            "\"who\":\"Ada One, therapist; Ben Three, client\",\"what\":\"cramp in the calf\","
                    + "\"done\":\"stopped, stretched, water\",\"told\":\"the lead, at 18:20\"";

    private static Visitor lead(App.Running app) {
        return Visitor.as(app.url(), "lead");
    }

    private static Visitor student(App.Running app, String signIn) {
        return Visitor.as(app.url(), signIn, "regatta-student");
    }

    /** A practical that was stopped at 0:40, and again at 10:00 by the client; a stop at 5:00 was a slip. */
    private static String stopped(Lab lab, String student) {
        var id = lab.begun(student, "");
        var events = new StringBuilder();
        int n = 0;
        for (var e : List.of(
                "40000,\"safety-stop\",{\"text\":\"cramp\"}",
                "300000,\"safety-stop\",{}",
                "301000,\"undo\",{\"ref\":\"e1\"}",
                "600000,\"safety-stop\",{\"byClient\":true}")) {
            var part = e.split(",", 3);
            events.append(n == 0 ? "" : ",")
                    .append("{\"id\":\"e" + n + "\",\"device\":\"d\",\"seq\":" + (n + 1) + ",\"atMs\":" + part[0]
                            + ",\"kind\":" + part[1] + ",\"data\":" + part[2] + "}");
            n++;
        }
        var sent = lab.teacher().post("/api/practicals/" + id + "/events", "{\"events\":[" + events + "]}");
        assertThat(sent.status()).as(sent.text()).isEqualTo(200);
        return id;
    }

    private static List<JsonNode> toRecord(Visitor who, String practical) {
        return who.get("/api/me/incidents")
                .json()
                .get("toRecord")
                .valueStream()
                .filter(s -> s.get("practical").asString().equals(practical))
                .toList();
    }

    private static JsonNode written(Visitor who, String practical, String form) {
        var made = who.post("/api/practicals/" + practical + "/incidents", form);
        assertThat(made.status()).as(made.text()).isEqualTo(201);
        return made.json();
    }

    private static String at(JsonNode incident) {
        return "/api/incidents/" + incident.get("id").asString();
    }

    @Test
    void a_stop_waits_for_its_record_until_one_is_written(App.Running app) {
        var lab = Lab.in(app, "Capstan");
        var id = stopped(lab, lab.students().get(0));
        var waits = toRecord(lab.teacher(), id);
        assertThat(waits).hasSize(2);
        assertThat(waits.get(0).get("atMs").asLong()).isEqualTo(40_000);
        assertThat(waits.get(0).get("words").asString()).isEqualTo("cramp");
        assertThat(waits.get(1).get("byClient").asBoolean()).isTrue();
        assertThat(toRecord(lead(app), id)).hasSize(2);
        var incident = written(lab.teacher(), id, "{\"atMs\":40000,\"what\":\"cramp\"}");
        assertThat(toRecord(lab.teacher(), id)).hasSize(1);
        assertThat(incident.get("missing").valueStream().map(JsonNode::asString))
                .containsExactly("who", "done", "told");
        assertThat(lab.teacher()
                        .post("/api/practicals/" + id + "/incidents", "{\"atMs\":40000}")
                        .code())
                .isEqualTo("recorded-already");
        // The slip was taken back, and nothing happened at 1:00.
        for (var none : List.of("300000", "60000"))
            assertThat(lab.teacher()
                            .post("/api/practicals/" + id + "/incidents", "{\"atMs\":" + none + "}")
                            .status())
                    .isEqualTo(404);
    }

    @Test
    void it_is_changed_until_it_is_signed_and_added_to_after(App.Running app) {
        var lab = Lab.in(app, "Windlass");
        var id = stopped(lab, lab.students().get(0));
        var teacher = lab.teacher();
        var incident = written(teacher, id, "{\"atMs\":40000,\"what\":\"cramp\"}");
        var path = at(incident);
        assertThat(teacher.post(path + "/signature", "{\"revision\":1}").text())
                .contains("say who was concerned")
                .contains("if it was nobody too");
        assertThat(teacher.post(path + "/additions", "{\"words\":\"x\"}").code())
                .isEqualTo("not-signed");
        assertThat(teacher.put(path, "{\"revision\":1," + WHOLE + "}")
                        .json()
                        .get("revision")
                        .asInt())
                .isEqualTo(2);
        assertThat(teacher.put(path, "{\"revision\":1," + WHOLE + "}").code()).isEqualTo("changed-meanwhile");
        assertThat(teacher.post(path + "/signature", "{\"revision\":1}").code()).isEqualTo("changed-meanwhile");
        var signed = teacher.post(path + "/signature", "{\"revision\":2}").json();
        assertThat(signed.get("signedBy").asString()).isEqualTo("Windlass Teacher");
        assertThat(signed.get("open").asBoolean()).isFalse();
        assertThat(teacher.put(path, "{\"revision\":2," + WHOLE + "}").code()).isEqualTo("signed");
        assertThat(lead(app).put(path, "{\"revision\":2," + WHOLE + "}").code()).isEqualTo("signed");
        assertThat(teacher.post(path + "/signature", "{\"revision\":2}").code()).isEqualTo("signed");
        assertThat(lead(app).post(path + "/additions", "{\"words\":\" \"}").status())
                .isEqualTo(422);
        lead(app).post(path + "/additions", "{\"words\":\"Called at home: all well.\"}");
        var read = teacher.get(path).json();
        assertThat(read.get("additions").get(0).get("words").asString()).isEqualTo("Called at home: all well.");
        assertThat(read.get("what").asString()).isEqualTo("cramp in the calf");
    }

    @Test
    void the_lead_who_wrote_it_and_those_named_read_it_and_nobody_else(App.Running app) {
        var lab = Lab.in(app, "Bollard");
        app.bean(Accounts.class)
                .addTo(UUID.fromString(lab.term()), "Bollard Second", "bollardsecond", "regatta-second", Role.GRADER);
        var second = Visitor.as(app.url(), "bollardsecond", "regatta-second");
        var students = lab.students();
        var id = stopped(lab, students.get(0));
        var teacher = lab.teacher();
        var therapist = student(app, "bollardadaone");
        var named = student(app, "bollardbenthree");
        assertThat(second.post("/api/practicals/" + UUID.randomUUID() + "/incidents", "{\"atMs\":40000}")
                        .status())
                .isEqualTo(404);
        for (var stranger : List.of(therapist, named, Visitor.as(app.url(), "gus")))
            assertThat(stranger.post("/api/practicals/" + id + "/incidents", "{\"atMs\":40000}")
                            .status())
                    .isEqualTo(403);
        var ben = students.get(2);
        var incident = written(teacher, id, "{\"atMs\":40000," + WHOLE + ",\"named\":[\"" + ben + "\"]}");
        var path = at(incident);
        for (var reads : List.of(teacher, lead(app), named))
            assertThat(reads.get(path).status()).isEqualTo(200);
        for (var not : List.of(therapist, second, student(app, "bollardadatwo"))) {
            assertThat(not.get(path).status()).isEqualTo(403);
            assertThat(not.get("/api/me/incidents").json().get("records")).isEmpty();
            assertThat(not.post(path + "/additions", "{\"words\":\"x\"}").status())
                    .isEqualTo(403);
        }
        assertThat(named.get("/api/me/incidents").json().get("records")).hasSize(1);
        assertThat(named.get("/api/me/incidents").json().get("toRecord")).isEmpty();
        for (var not : List.of(second, named, therapist)) {
            assertThat(not.put(path, "{\"revision\":1," + WHOLE + "}").status()).isEqualTo(403);
            assertThat(not.post(path + "/signature", "{\"revision\":1}").status())
                    .isEqualTo(403);
        }
        assertThat(teacher.put(path, "{\"revision\":1,\"named\":[\"" + UUID.randomUUID() + "\"]}")
                        .text())
                .contains("named/0 is nobody of this school");
        // Of what the refused change would have said nothing was kept.
        assertThat(teacher.get(path).json().get("what").asString()).isEqualTo("cramp in the calf");
        assertThat(named.get("/api/students/" + ben + "/data").text()).contains("cramp in the calf");
        var ada = students.get(0);
        assertThat(therapist.get("/api/students/" + ada + "/data").text()).doesNotContain("cramp in the calf");
        lead(app).delete("/api/school/terms/" + lab.term() + "/people/" + ada);
        assertThat(lead(app)
                        .post("/api/students/" + ada + "/erase", "{\"name\":\"Ada One\"}")
                        .text())
                .contains("\"incidents\":1");
        assertThat(new JdbcTemplate(app.bean(DataSource.class))
                        .queryForObject(
                                "select count(*) from incident where practical_id = ?::uuid", Integer.class, id))
                .isZero();
    }
}
