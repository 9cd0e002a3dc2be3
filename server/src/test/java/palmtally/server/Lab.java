package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import palmtally.server.people.Accounts;
import palmtally.server.people.Role;
import palmtally.server.people.Terms;
import tools.jackson.databind.JsonNode;

/** A term of four weeks with a lab that is on since half an hour: it teaches the calves, then the neck, and practises the neck. */
record Lab(Visitor teacher, String term, Visitor anybody) {
    static Lab in(App.Running app, String name) {
        var accounts = app.bean(Accounts.class);
        var terms = app.bean(Terms.class);
        var term = terms.add(name, "Test", LocalDate.now(app.clock()).minusDays(10), 4);
        var signIn = name.toLowerCase(Locale.ROOT);
        accounts.addTo(term.id(), name + " Teacher", signIn, "regatta-" + signIn, Role.INSTRUCTOR);
        for (var student : List.of("Ada One", "Ada Two", "Ben Three", "Cora Four", "Dag Five"))
            accounts.addTo(
                    term.id(),
                    student,
                    signIn + student.replace(" ", "").toLowerCase(Locale.ROOT),
                    "regatta-student",
                    Role.STUDENT);
        var lab = new Lab(Visitor.as(app.url(), signIn), term.id().toString(), Visitor.at(app.url()));
        var began = began(app);
        var text = """
                {"id":"t","name":"T","weeks":4,"labsAWeek":1,"labMinutes":120,"targetHours":0,"regionHours":{},"kindHours":{},"off":[3],
                 "lessons":[
                  {"id":"l1","week":2,"lab":1,"region":"lower-leg","aim":"teach","minutes":20,"sequence":"calves","note":"","steps":[]},
                  {"id":"l2","week":2,"lab":1,"region":"neck","aim":"teach","minutes":45,"sequence":"neck","note":"","steps":[]},
                  {"id":"l3","week":2,"lab":1,"region":"neck","aim":"practise","minutes":40,"sequence":"neck","note":"","steps":[]}],
                 "times":[{"day":%d,"begins":"%s","room":"Loft"}]}""".formatted(began.getDayOfWeek().getValue(), began.format(DateTimeFormatter.ofPattern("HH:mm")));
        assertThat(lab.teacher
                        .put("/api/terms/" + term.id() + "/curriculum", "{\"from\":0,\"curriculum\":" + text + "}")
                        .status())
                .isEqualTo(200);
        return lab;
    }

    /** Half an hour ago, but today: who joined the term today was not in a lab of yesterday. */
    static ZonedDateTime began(App.Running app) {
        var now = ZonedDateTime.now(app.clock());
        var ago = now.minusMinutes(30);
        return ago.toLocalDate().equals(now.toLocalDate())
                ? ago
                : now.toLocalDate().atStartOfDay(now.getZone());
    }

    /** An address of the term. */
    String at(String rest) {
        return "/api/terms/" + term + rest;
    }

    /** Ids of those who are in the lab that is on, by name. */
    List<String> students() {
        return teacher.get(at("/register/2/1")).json().get("students").findValuesAsString("id");
    }

    /** @param more fields of the practical, each with a comma before it */
    String begun(String student, String more) {
        var made = teacher.post(
                "/api/practicals",
                "{\"term\":\"" + term + "\",\"student\":\"" + student + "\",\"sequence\":\"calves\",\"despite\":\"so\""
                        + more + "}");
        assertThat(made.status()).as(made.text()).isEqualTo(201);
        return made.json().get("id").asString();
    }

    /** A practical of the calves with so many points in each criterion. */
    String awarded(String student, int points, boolean released, String more) {
        var id = begun(student, more);
        var path = "/api/practicals/" + id;
        teacher.post(
                path + "/events",
                "{\"events\":[{\"id\":\"f\",\"device\":\"d\",\"seq\":1,\"atMs\":5000,\"kind\":\"finish\",\"data\":{}}]}");
        teacher.post(path + "/rating", "{\"value\":" + points + "}");
        award(id, 0, points, released);
        return id;
    }

    /** @param from revision of the award before it, 0 for the first */
    void award(String practical, int from, int points, boolean released) {
        var marks = Stream.of("pressure", "order", "mechanics", "communication", "draping")
                .map(c -> "\"" + c + "\":{\"value\":" + points + ",\"reason\":\"as it was\"}")
                .collect(Collectors.joining(","));
        var answer = teacher.put(
                "/api/practicals/" + practical + "/award",
                "{\"from\":" + from + ",\"award\":{\"criteria\":{" + marks
                        + "},\"struck\":[],\"confirmed\":[],\"feedback\":\"\",\"released\":" + released
                        + ",\"remarks\":[],\"goals\":[]}}");
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    JsonNode start(String sequence, String body) {
        return teacher.post("/api/sequences/" + sequence + "/demonstrations", body)
                .json();
    }

    Visitor.Answer mark(String id, String what, int index, double at, String more) {
        return teacher.post(
                "/api/demonstrations/" + id + "/marks",
                "{\"id\":\"" + UUID.randomUUID() + "\",\"what\":\"" + what + "\",\"index\":" + index + ",\"atSeconds\":"
                        + at + more + "}");
    }

    JsonNode lessons() {
        return teacher.get("/api/demonstrations/lessons").json();
    }

    JsonNode plan() {
        return teacher.get("/api/terms/" + term + "/curriculum").json();
    }
}
