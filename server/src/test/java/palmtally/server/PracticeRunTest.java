package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.people.Accounts;
import palmtally.server.people.Role;
import tools.jackson.databind.JsonNode;

/** A new grader marks a recorded run before the first duty; the lead sees how it lies with the school's marks and opens the duty. */
@ExtendWith(App.class)
class PracticeRunTest {
    private static final String ALL =
            "{\"marks\":{\"pressure\":60,\"order\":70,\"mechanics\":50,\"communication\":61,\"draping\":85},\"words\":\"The sheet held.\"}";

    private static Visitor lead(App.Running app) {
        return Visitor.as(app.url(), "lead");
    }

    private static Visitor grader(App.Running app, Lab lab, String signIn) {
        app.bean(Accounts.class)
                .addTo(UUID.fromString(lab.term()), signIn + " Grader", signIn, "regatta-grader", Role.GRADER);
        return Visitor.as(app.url(), signIn, "regatta-grader");
    }

    private static String run(App.Running app, Lab lab, String title) {
        var id = lab.awarded(lab.students().get(0), 61, true, "");
        lab.teacher()
                .post(
                        "/api/practicals/" + id + "/events",
                        "{\"events\":[{\"id\":\"n\",\"device\":\"d\",\"seq\":2,\"atMs\":4000,\"kind\":\"note\",\"data\":{\"text\":\"Ada was tired\"}}]}");
        var chosen = lead(app)
                .post(
                        "/api/practicals/" + id + "/practice-run",
                        "{\"title\":\"" + title + "\",\"words\":\"The client winced at the knee.\"}");
        assertThat(chosen.status()).as(chosen.text()).isEqualTo(201);
        return chosen.json()
                .get("runs")
                .valueStream()
                .filter(r -> r.get("title").asString().equals(title))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
    }

    private static Visitor.Answer begins(Visitor who, Lab lab) {
        return who.post(
                "/api/practicals",
                "{\"term\":\"" + lab.term() + "\",\"student\":\""
                        + lab.students().get(1) + "\",\"sequence\":\"calves\",\"despite\":\"so\"}");
    }

    private static JsonNode line(App.Running app, String name) {
        return lead(app)
                .get("/api/practice-runs")
                .json()
                .get("graders")
                .valueStream()
                .filter(g -> g.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void a_new_grader_marks_the_run_and_the_lead_opens_the_duty(App.Running app) {
        var lab = Lab.in(app, "Jetty");
        var early = grader(app, lab, "jettyearly");
        // Whoever grades already needs no practice.
        assertThat(begins(early, lab).status()).isEqualTo(201);
        var run = run(app, lab, "Calves by a beginner");
        var fresh = grader(app, lab, "jettyfresh");
        assertThat(begins(early, lab).status()).isEqualTo(201);
        var refused = begins(fresh, lab);
        assertThat(refused.status()).isEqualTo(403);
        assertThat(refused.text()).contains("Mark the school's practice run first");
        assertThat(fresh.get("/api/practice-runs").json().get("shut").asString())
                .contains("Mark the school's practice run first");
        assertThat(line(app, "jettyfresh Grader").get("open").asBoolean()).isFalse();
        assertThat(line(app, "jettyearly Grader").get("open").asBoolean()).isTrue();

        // Nothing says who it was or what it got.
        var seen = fresh.get("/api/practice-runs/" + run);
        assertThat(seen.status()).as(seen.text()).isEqualTo(200);
        assertThat(seen.json().get("words").asString()).isEqualTo("The client winced at the knee.");
        assertThat(seen.json().get("recorded").get("events")).hasSize(1);
        assertThat(seen.text()).doesNotContain("Ada").doesNotContain("\"device\":\"d\"");
        assertThat(seen.json().get("recorded").propertyNames())
                .containsExactlyInAnyOrder("sequence", "profile", "spans", "events", "run", "progress");
        assertThat(seen.json().has("marks")).isFalse();
        assertThat(fresh.post("/api/practice-runs/" + run + "/marks", "{\"marks\":{\"order\":101}}")
                        .text())
                .contains("\"field\":\"marks/order\",\"value\":\"101.0\"")
                .contains("\"field\":\"marks/draping\",\"value\":\"\"");
        var marked = fresh.post("/api/practice-runs/" + run + "/marks", ALL);
        assertThat(marked.status()).as(marked.text()).isEqualTo(200);
        var compared = marked.json().get("compared");
        assertThat(compared.get("sentence").asString())
                .isEqualTo(
                        "Close to the school in 3 of 5. Body mechanics: 11 points stricter. Draping: 24 points milder.");
        assertThat(compared.get("bias").asDouble()).isEqualTo((-1 + 9 - 11 + 0 + 24) / 5.0);
        assertThat(fresh.post("/api/practice-runs/" + run + "/marks", ALL).code())
                .isEqualTo("marked-already");
        // Marked is not opened: the lead decides.
        assertThat(begins(fresh, lab).status()).isEqualTo(403);
        var waits = line(app, "jettyfresh Grader");
        assertThat(waits.get("marked").get(0).get("compared").get("apart").asDouble())
                .isEqualTo((1 + 9 + 11 + 0 + 24) / 5.0);
        var duty = "/api/graders/" + waits.get("id").asString() + "/duty";
        lead(app).put(duty, "{\"open\":true}");
        assertThat(begins(fresh, lab).status()).isEqualTo(201);
        assertThat(line(app, "jettyfresh Grader").get("decidedBy").asString()).isNotEmpty();
        lead(app).put(duty, "{\"open\":false}");
        assertThat(begins(fresh, lab).text()).contains("The lead has shut your duty");
        assertThat(lead(app).delete("/api/practice-runs/" + run).json().get("runs"))
                .isEmpty();
        assertThat(fresh.get("/api/practice-runs/" + run).status()).isEqualTo(404);
        // Without a run whoever is new grades as before.
        assertThat(begins(grader(app, lab, "jettylate"), lab).status()).isEqualTo(201);
    }

    @Test
    void only_the_lead_chooses_runs_and_opens_duties(App.Running app) {
        var lab = Lab.in(app, "Sluice");
        var fresh = grader(app, lab, "sluicefresh");
        var student = Visitor.as(app.url(), "sluiceadaone", "regatta-student");
        var run = run(app, lab, "A run");
        var awarded = lab.awarded(lab.students().get(1), 70, true, "");
        var begun = lab.begun(lab.students().get(2), "");
        assertThat(lead(app)
                        .post("/api/practicals/" + begun + "/practice-run", "{\"title\":\"x\"}")
                        .code())
                .isEqualTo("not-awarded");
        assertThat(lead(app)
                        .post("/api/practicals/" + awarded + "/practice-run", "{\"title\":\" \"}")
                        .status())
                .isEqualTo(422);
        var duty = "/api/graders/" + line(app, "sluicefresh Grader").get("id").asString() + "/duty";
        for (var who : List.of(fresh, student, lab.teacher())) {
            assertThat(who.post("/api/practicals/" + awarded + "/practice-run", "{\"title\":\"x\"}")
                            .status())
                    .isEqualTo(403);
            assertThat(who.put(duty, "{\"open\":true}").status()).isEqualTo(403);
            assertThat(who.delete("/api/practice-runs/" + run).status()).isEqualTo(403);
        }
        assertThat(student.get("/api/practice-runs/" + run).status()).isEqualTo(403);
        assertThat(student.post("/api/practice-runs/" + run + "/marks", ALL).status())
                .isEqualTo(403);
        assertThat(fresh.get("/api/practice-runs").json().get("graders")).isEmpty();
        assertThat(lab.teacher().get("/api/practice-runs").json().get("graders"))
                .isEmpty();
        var teacher = lead(app)
                .get("/api/terms/" + lab.term() + "/people")
                .json()
                .valueStream()
                .filter(p -> p.get("name").asString().equals("Sluice Teacher"))
                .findFirst()
                .orElseThrow();
        assertThat(lead(app)
                        .put("/api/graders/" + teacher.get("id").asString() + "/duty", "{\"open\":true}")
                        .code())
                .isEqualTo("no-grader");
        lead(app).delete("/api/practice-runs/" + run);
    }
}
