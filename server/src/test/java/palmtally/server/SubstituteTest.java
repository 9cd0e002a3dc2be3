package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.core.body.Region;
import palmtally.server.people.Accounts;
import palmtally.server.people.Duties;
import palmtally.server.people.Role;
import palmtally.server.people.Terms;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** One lab in the hands of another, on its day alone, and what they are told before it. */
@ExtendWith(App.class)
class SubstituteTest {
    private static final String WORD = "a-long-password";

    /** A lab that is on, and somebody who teaches in another term and not in this. */
    private record Given(Lab lab, Visitor lead, Visitor other, String account) {
        static Given in(App.Running app, String name, Role role) {
            var lab = Lab.in(app, name);
            var elsewhere = app.bean(Terms.class)
                    .add(
                            name + " elsewhere",
                            "Other",
                            LocalDate.now(app.clock()).minusDays(20),
                            15)
                    .id();
            var signIn = "sub-" + name.toLowerCase(java.util.Locale.ROOT);
            var account = app.bean(Accounts.class).addTo(elsewhere, "Sefa " + name, signIn, WORD, role);
            return new Given(
                    lab, Visitor.as(app.url(), "lead"), Visitor.as(app.url(), signIn, WORD), account.toString());
        }

        String substitutes(int week) {
            return "/api/school/terms/" + lab.term() + "/substitutes/" + week + "/1";
        }

        Visitor.Answer give() {
            return lead.put(substitutes(2), "{\"account\":\"" + account + "\"}");
        }

        /** They are on another day now, as far as the database knows. */
        void day(App.Running app, int later) {
            app.database()
                    .run("update substitute set on_day = on_day - " + later + " where term_id = '" + lab.term() + "'");
        }
    }

    private static String present(String student) {
        return "{\"marks\":[{\"id\":\"" + UUID.randomUUID() + "\",\"student\":\"" + student
                + "\",\"kind\":\"present\"}]}";
    }

    @Test
    void on_the_day_of_the_lab_it_is_theirs_and_on_no_other(App.Running app) {
        var given = Given.in(app, "Dover", Role.INSTRUCTOR);
        var lab = given.lab;
        var other = given.other;
        var ada = lab.students().get(0);
        for (var shut : new String[] {"/people", "/register/2/1", "/briefings/2/1", "/seats/2/1", "/competency"})
            assertThat(other.get(lab.at(shut)).status()).as(shut).isEqualTo(403);
        var before = given.give();
        assertThat(before.status()).isEqualTo(200);
        assertThat(before.json().get("substitute").get("name").asString()).isEqualTo("Sefa Dover");
        assertThat(before.json().get("substitute").get("on").asString())
                .isEqualTo(LocalDate.now(app.clock()).toString());

        for (var open : new String[] {"/people", "/register/2/1", "/briefings/2/1", "/seats/2/1", "/competency"})
            assertThat(other.get(lab.at(open)).status()).as(open).isEqualTo(200);
        var session = other.get("/api/session").json();
        assertThat(session.get("terms").get(0).get("id").asString()).isEqualTo(lab.term());
        assertThat(session.get("takes")).hasSize(1);
        assertThat(session.get("takes").get(0).get("week").asInt()).isEqualTo(2);
        assertThat(other.post(lab.at("/register/2/1/marks"), present(ada)).status())
                .isEqualTo(200);
        assertThat(other.get("/api/notes/" + ada).status()).isEqualTo(200);
        assertThat(other.get("/api/competency/students/" + ada).status()).isEqualTo(200);
        var practical = other.post(
                "/api/practicals",
                "{\"term\":\"" + lab.term() + "\",\"student\":\"" + ada
                        + "\",\"sequence\":\"calves\",\"despite\":\"so\"}");
        assertThat(practical.status()).isEqualTo(201);
        var run = "/api/practicals/" + practical.json().get("id").asString();
        assertThat(other.post(run + "/events", "{\"events\":[]}").status()).isEqualTo(200);
        var showing = other.post("/api/sequences/calves/demonstrations", "{\"lesson\":\"l1\"}");
        assertThat(showing.json().get("lab").get("week").asInt()).isEqualTo(2);

        // In their calendar stands this lab and none of the term's others.
        var calendar = other.get("/api/me/calendar").text();
        assertThat(calendar).contains("Test\\, as a substitute: Lab:").contains("lab-2-1-" + lab.term());
        assertThat(calendar).doesNotContain("lab-1-1-" + lab.term(), "begins-" + lab.term());

        // What is planned, and what is taken away of the class, stays with those of the term.
        var plan = lab.plan();
        assertThat(other.put(
                                lab.at("/curriculum"),
                                "{\"from\":" + plan.get("version") + ",\"curriculum\":" + plan.get("curriculum") + "}")
                        .status())
                .isEqualTo(403);
        for (var kept :
                new String[] {"/marks.csv", "/marks.xlsx", "/hours.csv", "/report", "/archive", "/curriculum/file"}) {
            var answer = other.get(lab.at(kept));
            assertThat(answer.status()).as(kept).isEqualTo(403);
            assertThat(answer.text()).contains("this stays with those who have the term");
        }

        // The day before, and the day after.
        for (int later : new int[] {1, -2}) {
            given.day(app, later);
            for (var shut : new String[] {"/people", "/register/2/1", "/briefings/2/1"})
                assertThat(other.get(lab.at(shut)).status()).as(shut).isEqualTo(403);
            assertThat(other.post(lab.at("/register/2/1/marks"), present(ada)).status())
                    .isEqualTo(403);
            assertThat(other.get("/api/notes/" + ada).status()).isEqualTo(403);
            assertThat(other.get("/api/competency/students/" + ada).status()).isEqualTo(403);
            assertThat(other.get(run).status()).isEqualTo(403);
            assertThat(other.get("/api/session").json().get("terms")).hasSize(1);
            // Of a day to come they know, and have nothing of it yet.
            assertThat(other.get("/api/session").json().get("takes")).hasSize(later < 0 ? 1 : 0);
        }
        // What they marked stays.
        assertThat(lab.teacher()
                        .get(lab.at("/register/2/1"))
                        .json()
                        .get("students")
                        .get(0)
                        .get("markedBy")
                        .asString())
                .isEqualTo("Sefa Dover");
    }

    @Test
    void taken_back_it_is_shut_at_once_also_to_taps(App.Running app) {
        var given = Given.in(app, "Rye", Role.INSTRUCTOR);
        var lab = given.lab;
        assertThat(given.give().status()).isEqualTo(200);
        var run = "/api/practicals/"
                + given.other
                        .post(
                                "/api/practicals",
                                "{\"term\":\"" + lab.term() + "\",\"student\":\""
                                        + lab.students().get(0)
                                        + "\",\"sequence\":\"calves\",\"despite\":\"so\"}")
                        .json()
                        .get("id")
                        .asString();
        assertThat(given.other.post(run + "/events", "{\"events\":[]}").status())
                .isEqualTo(200);
        assertThat(given.lead.delete(given.substitutes(2)).json().has("substitute"))
                .isFalse();
        assertThat(given.other.post(run + "/events", "{\"events\":[]}").status())
                .isEqualTo(403);
        assertThat(given.other.get(lab.at("/people")).status()).isEqualTo(403);
        assertThat(given.lead.delete(given.substitutes(2)).status()).isEqualTo(404);
    }

    @Test
    void the_lead_alone_gives_it_and_only_to_staff_for_a_lab_to_come(App.Running app) {
        var given = Given.in(app, "Hythe", Role.INSTRUCTOR);
        var lab = given.lab;
        var body = "{\"account\":\"" + given.account + "\"}";
        assertThat(lab.teacher().put(given.substitutes(2), body).status()).isEqualTo(403);
        assertThat(lab.teacher().get("/api/school/staff").status()).isEqualTo(403);
        assertThat(given.other.put(given.substitutes(2), body).status()).isEqualTo(403);
        assertThat(given.lead.get("/api/school/staff").json().findValuesAsString("id"))
                .contains(given.account)
                .doesNotContainAnyElementsOf(lab.students());

        var lead = given.lead;
        assertThat(lead.put(given.substitutes(1), body).text()).contains("is over");
        assertThat(lead.put(given.substitutes(9), body).status()).isEqualTo(404);
        assertThat(lead.put(given.substitutes(2), "{}").text()).contains("is missing");
        assertThat(lead.put(
                                given.substitutes(2),
                                "{\"account\":\"" + lab.students().get(0) + "\"}")
                        .text())
                .contains("is no teacher or grader who may sign in on that day");
        assertThat(lead.put(given.substitutes(2), "{\"account\":\"" + given.account + "\",\"on\":\"2031-01-01\"}")
                        .text())
                .contains("is not the day of this lab");
        // Who may sign in today and not on that day.
        var expires = "{\"expiresOn\":\"" + LocalDate.now(app.clock()) + "\"}";
        assertThat(lead.put("/api/people/" + given.account + "/access", expires).status())
                .isEqualTo(200);
        assertThat(lead.put(given.substitutes(4), body).text()).contains("may sign in on that day");
        assertThat(given.give().status()).isEqualTo(200);

        // Labs without times: somebody says which day.
        var plan = (ObjectNode) lab.plan().get("curriculum").deepCopy();
        ((ArrayNode) plan.get("times")).removeAll();
        assertThat(lab.teacher()
                        .put(
                                lab.at("/curriculum"),
                                "{\"from\":" + lab.plan().get("version") + ",\"curriculum\":" + plan + "}")
                        .status())
                .isEqualTo(200);
        assertThat(lead.put(given.substitutes(2), body).text())
                .contains("the plan of this term does not say when labs are");
        var today = LocalDate.now(app.clock());
        var on = lead.put(given.substitutes(2), "{\"account\":\"" + given.account + "\",\"on\":\"" + today + "\"}");
        assertThat(on.json().get("substitute").get("on").asString()).isEqualTo(today.toString());
    }

    @Test
    void somebody_from_outside_signs_in_until_the_day_is_over(App.Running app) {
        var given = Given.in(app, "Deal", Role.GRADER);
        var lab = given.lab;
        // Its region is graded by another: on their day they grade in the place of that one.
        var teacher = UUID.fromString(given.lead
                .get("/api/terms/" + lab.term() + "/people")
                .json()
                .valueStream()
                .filter(p -> p.get("role").asString().equals("instructor"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString());
        app.bean(Duties.class)
                .set(
                        UUID.fromString(lab.term()),
                        java.util.List.of(new Duties.Duty(teacher, "", Region.LOWER_LEG, Duties.Task.GRADE)));
        var made = given.lead.post(given.substitutes(2), "{\"name\":\" Odd Berth \",\"signIn\":\"odd-berth\"}");
        assertThat(made.status()).isEqualTo(201);
        assertThat(made.json().get("name").asString()).isEqualTo("Odd Berth");
        assertThat(app.database().column("select expires_on::text from account where sign_in = 'odd-berth'"))
                .containsExactly(LocalDate.now(app.clock()).toString());
        var odd = Visitor.as(app.url(), "odd-berth", made.json().get("password").asString());
        assertThat(odd.get(lab.at("/briefings/2/1")).json().get("teachers")).isEmpty();
        assertThat(odd.get(lab.at("/briefings/2/1"))
                        .json()
                        .get("substitute")
                        .get("name")
                        .asString())
                .isEqualTo("Odd Berth");
        var run = odd.post(
                        "/api/practicals",
                        "{\"term\":\"" + lab.term() + "\",\"student\":\""
                                + lab.students().get(0) + "\",\"sequence\":\"calves\",\"despite\":\"so\"}")
                .json()
                .get("id")
                .asString();
        var award = odd.put("/api/practicals/" + run + "/award", "{}");
        assertThat(award.status()).as(award.text()).isNotEqualTo(403);
        // The school's own work stays as it is.
        assertThat(odd.post("/api/sequences", "{}").status()).isEqualTo(403);

        var taken = given.lead.post(given.substitutes(2), "{\"name\":\"Odd Berth\",\"signIn\":\"odd-berth\"}");
        assertThat(taken.status()).isEqualTo(422);
        assertThat(taken.text()).contains("is taken");
        var nobody = given.lead.post(given.substitutes(2), "{\"name\":\"\",\"signIn\":\" x\"}");
        assertThat(nobody.status()).isEqualTo(422);
        assertThat(nobody.text()).contains("must be 1 to 200 characters").contains("without space around");
        // A refused one has left nobody behind.
        assertThat(given.lead
                        .post(given.substitutes(1), "{\"name\":\"Late Berth\",\"signIn\":\"late-berth\"}")
                        .status())
                .isEqualTo(422);
        assertThat(app.database().column("select id from account where sign_in = 'late-berth'"))
                .isEmpty();
    }

    private static JsonNode need(JsonNode briefing, String name) {
        return briefing.get("students")
                .valueStream()
                .filter(s -> s.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void a_briefing_says_what_is_on_what_was_shown_and_who_needs_what(App.Running app) {
        var lab = Lab.in(app, "Brief");
        var plan = (ObjectNode) lab.plan().get("curriculum").deepCopy();
        ((ArrayNode) plan.get("lessons"))
                .addObject()
                .put("id", "l4")
                .put("week", 4)
                .put("lab", 1)
                .put("region", "neck")
                .put("aim", "practise")
                .put("minutes", 60)
                .put("sequence", "neck")
                .put("note", "two rounds")
                .putArray("steps");
        assertThat(lab.teacher()
                        .put(
                                lab.at("/curriculum"),
                                "{\"from\":" + lab.plan().get("version") + ",\"curriculum\":" + plan + "}")
                        .status())
                .isEqualTo(200);
        var names = lab.teacher().get(lab.at("/register/2/1")).json().get("students");
        // By the plan the neck is taught from minute 20 to minute 65.
        var marks = new String[] {
            "\"kind\":\"absent\"",
            "\"kind\":\"present\",\"lateMinutes\":60",
            "\"kind\":\"present\",\"leftMinutes\":40",
            "\"kind\":\"present\""
        };
        for (int i = 0; i < marks.length; i++)
            assertThat(lab.teacher()
                            .post(
                                    lab.at("/register/2/1/marks"),
                                    "{\"marks\":[{\"id\":\"m" + i + "\",\"student\":"
                                            + names.get(i).get("id") + "," + marks[i] + "}]}")
                            .status())
                    .isEqualTo(200);
        var cora = names.get(3).get("id").asString();
        assertThat(lab.teacher()
                        .post("/api/notes/" + cora, "{\"kind\":\"spare\",\"zone\":\"calf\",\"side\":\"left\"}")
                        .status())
                .isEqualTo(201);

        var planned = lab.teacher().get(lab.at("/briefings/4/1")).json();
        assertThat(planned.get("lessons")).hasSize(1);
        assertThat(planned.get("lessons").get(0).get("note").asString()).isEqualTo("two rounds");
        assertThat(planned.get("lessons").get(0).has("shown")).isFalse();
        assertThat(planned.get("room").asString()).isEqualTo("Loft");
        assertThat(planned.get("before").get("week").asInt()).isEqualTo(2);
        var mend = ", when " + planned.get("lessons").get(0).get("name").asString()
                + " was shown: show it to them before they work";
        assertThat(need(planned, "Ada One").get("needs").get(0).asString())
                .isEqualTo("was away in week 2, lab 1" + mend);
        assertThat(need(planned, "Ada Two").get("needs").get(0).asString())
                .isEqualTo("came late to week 2, lab 1" + mend);
        assertThat(need(planned, "Ben Three").get("needs").get(0).asString())
                .isEqualTo("left early in week 2, lab 1" + mend);
        assertThat(need(planned, "Cora Four").get("needs")).isEmpty();
        assertThat(need(planned, "Cora Four").get("spared").get(0).get("zone").asString())
                .isEqualTo("calf");
        // Nothing is marked of him: nobody knows.
        assertThat(need(planned, "Dag Five").get("needs")).isEmpty();

        // What was really shown counts, not what was planned: it is shown now, half an hour into the lab.
        var shown = lab.start("neck", "{\"lesson\":\"l2\"}").get("id").asString();
        assertThat(lab.mark(shown, "started", 0, 0, "").status()).isEqualTo(200);
        var done = lab.teacher().get(lab.at("/briefings/4/1")).json();
        assertThat(done.get("lessons").get(0).get("shown").get("demonstration").asString())
                .isEqualTo(shown);
        assertThat(done.get("lessons").get(0).get("shown").get("finished").asBoolean())
                .isFalse();
        assertThat(done.get("lately")).hasSize(1);
        assertThat(need(done, "Ben Three").get("needs")).isEmpty();
        assertThat(need(done, "Ada Two").get("needs").get(0).asString()).startsWith("came late to week 2, lab 1");

        // In the lab that shows it nobody has missed it yet.
        var now = lab.teacher().get(lab.at("/briefings/2/1")).json();
        assertThat(now.get("lessons")).hasSize(3);
        assertThat(need(now, "Ada One").get("needs")).isEmpty();
        assertThat(now.has("before")).isFalse();
        assertThat(lab.teacher().get(lab.at("/briefings/9/1")).status()).isEqualTo(404);
        assertThat(Visitor.as(app.url(), "lead")
                        .get("/api/school/audit?limit=20")
                        .text())
                .contains("the briefing of a lab");
    }
}
