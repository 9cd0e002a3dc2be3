package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** A student asks for a second look at a mark, the lead decides, and both stay. */
@ExtendWith(App.class)
class SecondLookTest {
    private static final String WHY = "{\"criterion\":\"draping\",\"reason\":\"The sheet was tucked at the knee.\"}";

    private static Visitor student(App.Running app, String signIn) {
        return Visitor.as(app.url(), signIn, "regatta-student");
    }

    private static Visitor lead(App.Running app) {
        return Visitor.as(app.url(), "lead");
    }

    private static String looksAt(String practical) {
        return "/api/practicals/" + practical + "/second-looks";
    }

    private static JsonNode asked(Visitor student, String practical, String body) {
        var answer = student.post(looksAt(practical), body);
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json().get("looks").get(0);
    }

    private static String decision(JsonNode look) {
        return "/api/second-looks/" + look.get("id").asString() + "/decision";
    }

    private static void shownDaysAgo(App.Running app, String practical, int days) {
        new JdbcTemplate(app.bean(DataSource.class))
                .update(
                        "update award set awarded_at = awarded_at - make_interval(days => ?) where practical_id = ?::uuid",
                        days,
                        practical);
    }

    @Test
    void a_student_asks_and_the_lead_changes_the_mark_and_both_stay(App.Running app) {
        var lab = Lab.in(app, "Quay");
        var ada = lab.students().get(0);
        var id = lab.awarded(ada, 55, true, "");
        var mine = student(app, "quayadaone");
        var here = mine.get(looksAt(id)).json();
        assertThat(here.path("shut").isMissingNode() || here.get("shut").isNull())
                .isTrue();
        assertThat(here.get("looks")).isEmpty();
        var look = asked(mine, id, WHY);
        assertThat(look.get("state").asString()).isEqualTo("waits");
        assertThat(look.get("before").get("draping").asDouble()).isEqualTo(55);
        assertThat(mine.post(looksAt(id), WHY).code()).isEqualTo("asked-already");

        var lead = lead(app);
        var waits = lead.get("/api/second-looks").json().get("looks").get(0);
        assertThat(waits.get("reason").asString()).isEqualTo("The sheet was tucked at the knee.");
        // Only what was asked about, and only of the award that was read.
        assertThat(lead.post(decision(look), "{\"revision\":1,\"marks\":{\"order\":70},\"reason\":\"seen\"}")
                        .text())
                .contains("was not asked about");
        assertThat(lead.post(decision(look), "{\"revision\":2,\"marks\":{\"draping\":65},\"reason\":\"seen\"}")
                        .code())
                .isEqualTo("changed-meanwhile");
        assertThat(lead.post(decision(look), "{\"revision\":1,\"marks\":{\"draping\":65},\"reason\":\" \"}")
                        .status())
                .isEqualTo(422);
        var decided = lead.post(
                decision(look), "{\"revision\":1,\"marks\":{\"draping\":65},\"reason\":\"Tucked, but late.\"}");
        assertThat(decided.status()).as(decided.text()).isEqualTo(200);
        assertThat(lead.post(decision(look), "{\"revision\":2,\"marks\":{},\"reason\":\"again\"}")
                        .code())
                .isEqualTo("not-waiting");

        var told = mine.get(looksAt(id)).json();
        var kept = told.get("looks").get(0);
        assertThat(kept.get("state").asString()).isEqualTo("changed");
        assertThat(kept.get("before").get("draping").asDouble()).isEqualTo(55);
        assertThat(kept.get("after").get("draping").asDouble()).isEqualTo(65);
        assertThat(kept.get("after").get("order").asDouble()).isEqualTo(55);
        assertThat(kept.get("decision").asString()).isEqualTo("Tucked, but late.");
        assertThat(told.get("shut").asString()).contains("what it came to stands");
        assertThat(mine.post(looksAt(id), WHY).code()).isEqualTo("decided-already");
        var award = mine.get("/api/practicals/" + id).json().get("award").get("award");
        assertThat(award.get("criteria").get("draping").get("value").asDouble()).isEqualTo(65);
        assertThat(award.get("criteria").get("draping").get("reason").asString())
                .isEqualTo("Second look: Tucked, but late.");
        assertThat(award.get("criteria").get("order").get("value").asDouble()).isEqualTo(55);
        // The grader sees it too; a mark that is given anew later may be asked about anew.
        assertThat(lab.teacher().get(looksAt(id)).json().get("looks")).hasSize(1);
        lab.award(id, 2, 40, true);
        assertThat(asked(mine, id, WHY).get("before").get("draping").asDouble()).isEqualTo(40);
    }

    @Test
    void what_stands_after_a_second_look_stands(App.Running app) {
        var lab = Lab.in(app, "Pier");
        var id = lab.awarded(lab.students().get(0), 61, true, "");
        var mine = student(app, "pieradaone");
        var look = asked(mine, id, "{\"reason\":\"All of it.\"}");
        var decided = lead(app)
                .post(decision(look), "{\"revision\":1,\"marks\":{\"draping\":61},\"reason\":\"Watched again.\"}");
        assertThat(decided.json().get("state").asString()).isEqualTo("stands");
        assertThat(mine.get("/api/practicals/" + id)
                        .json()
                        .get("award")
                        .get("revision")
                        .asInt())
                .isEqualTo(1);
        assertThat(mine.post(looksAt(id), WHY).code()).isEqualTo("decided-already");
    }

    @Test
    void it_is_asked_for_within_the_days_and_may_be_taken_back(App.Running app) {
        var lab = Lab.in(app, "Slip");
        var id = lab.awarded(lab.students().get(0), 61, true, "");
        var mine = student(app, "slipadaone");
        shownDaysAgo(app, id, 14);
        var look = asked(mine, id, WHY);
        var back = mine.post("/api/second-looks/" + look.get("id").asString() + "/withdrawal", "");
        assertThat(back.json().get("looks").get(0).get("state").asString()).isEqualTo("withdrawn");
        assertThat(mine.post("/api/second-looks/" + look.get("id").asString() + "/withdrawal", "")
                        .code())
                .isEqualTo("not-waiting");
        shownDaysAgo(app, id, 1);
        var late = mine.post(looksAt(id), WHY);
        assertThat(late.code()).isEqualTo("days-over");
        assertThat(late.text()).contains("14 days");
        var lead = lead(app);
        assertThat(lead.put("/api/school/second-look-days", "{\"days\":15}")
                        .json()
                        .get("days")
                        .asInt())
                .isEqualTo(15);
        assertThat(mine.get(looksAt(id)).json().path("shut").isNull()
                        || mine.get(looksAt(id)).json().path("shut").isMissingNode())
                .isTrue();
        assertThat(lead.put("/api/school/second-look-days", "{\"days\":400}").status())
                .isEqualTo(422);
        lead.put("/api/school/second-look-days", "{\"days\":0}");
        assertThat(mine.post(looksAt(id), WHY).code()).isEqualTo("no-second-looks");
        lead.put("/api/school/second-look-days", "{\"days\":14}");
    }

    @Test
    void nobody_else_asks_sees_or_decides(App.Running app) {
        var lab = Lab.in(app, "Mole");
        var id = lab.awarded(lab.students().get(0), 61, true, "");
        var held = lab.awarded(lab.students().get(0), 61, false, "");
        var mine = student(app, "moleadaone");
        var other = student(app, "moleadatwo");
        assertThat(other.get(looksAt(id)).status()).isEqualTo(403);
        assertThat(other.post(looksAt(id), WHY).status()).isEqualTo(403);
        assertThat(lab.teacher().post(looksAt(id), WHY).status()).isEqualTo(403);
        assertThat(lead(app).post(looksAt(id), WHY).status()).isEqualTo(403);
        assertThat(mine.post(looksAt(held), WHY).code()).isEqualTo("not-awarded");
        assertThat(mine.get(looksAt(held)).code()).isEqualTo("not-awarded");
        var look = asked(mine, id, WHY);
        for (var who : new Visitor[] {mine, other, lab.teacher()}) {
            assertThat(who.post(decision(look), "{\"revision\":1,\"marks\":{},\"reason\":\"no\"}")
                            .status())
                    .isEqualTo(403);
            assertThat(who.get("/api/second-looks").status()).isEqualTo(403);
        }
        assertThat(other.post("/api/second-looks/" + look.get("id").asString() + "/withdrawal", "")
                        .status())
                .isEqualTo(403);
    }

    @Test
    void a_student_takes_them_along_and_is_erased_with_them(App.Running app) {
        var lab = Lab.in(app, "Buoy");
        var ada = lab.students().get(0);
        var id = lab.awarded(ada, 61, true, "");
        asked(student(app, "buoyadaone"), id, WHY);
        var lead = lead(app);
        assertThat(lead.get("/api/students/" + ada + "/data").text()).contains("The sheet was tucked at the knee.");
        lead.delete("/api/school/terms/" + lab.term() + "/people/" + ada);
        var erased = lead.post("/api/students/" + ada + "/erase", "{\"name\":\"Ada One\"}");
        assertThat(erased.text()).contains("\"secondLooks\":1");
        assertThat(new JdbcTemplate(app.bean(DataSource.class))
                        .queryForObject(
                                "select count(*) from second_look where student_id = ?::uuid", Integer.class, ada))
                .isZero();
    }
}
