package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Which re-takes are owed: the last practical of each sequence, where it was not passed and waits on no day. */
@ExtendWith(App.class)
class RetakesTest {
    private static List<String> owed(Lab lab) {
        return lab.teacher().get(lab.at("/retakes")).json().findValuesAsString("practical");
    }

    @Test
    void the_last_one_counts_and_what_waits_is_not_asked_twice(App.Running app) {
        var lab = Lab.in(app, "Again");
        assertThat(owed(lab)).isEmpty();
        var first = lab.awarded(lab.students().get(0), 30, false, "");
        assertThat(owed(lab)).containsExactly(first);
        var second = lab.awarded(lab.students().get(0), 40, false, "");
        assertThat(owed(lab)).containsExactly(second);
        var retake = lab.awarded(lab.students().get(0), 45, false, ",\"retakeOf\":\"" + second + "\"");
        assertThat(owed(lab)).containsExactly(retake);
        // One that is being shown, or not awarded yet, is not asked for beside.
        var running = lab.begun(lab.students().get(0), ",\"retakeOf\":\"" + retake + "\"");
        assertThat(owed(lab)).isEmpty();
        assertThat(lab.teacher()
                        .put("/api/practicals/" + running + "/void", "{\"reason\":\"fire alarm\"}")
                        .status())
                .isEqualTo(200);
        assertThat(owed(lab)).containsExactly(retake);
        // On a day to come it waits for that.
        var day = lab.teacher()
                .post(
                        lab.at("/days"),
                        "{\"heldOn\":\"" + LocalDate.now(app.clock()).plusDays(3)
                                + "\",\"from\":540,\"until\":720,\"minutes\":20,\"changeOver\":5,\"tables\":1,\"tablesAGrader\":1,"
                                + "\"breaks\":[],\"graders\":" + graders(lab)
                                + ",\"sittings\":[{\"student\":\""
                                + lab.students().get(0)
                                + "\",\"sequence\":\"calves\",\"retakeOf\":\"" + retake + "\"}]}");
        assertThat(day.status()).as(day.text()).isEqualTo(201);
        assertThat(owed(lab)).isEmpty();
        assertThat(lab.teacher()
                        .put(lab.at("/days/" + day.json().get("id").asString() + "/withdrawn"), "{\"withdrawn\":true}")
                        .status())
                .isLessThan(300);
        assertThat(owed(lab)).containsExactly(retake);
        lab.awarded(lab.students().get(0), 95, false, ",\"retakeOf\":\"" + retake + "\"");
        assertThat(owed(lab)).isEmpty();
    }

    private static String graders(Lab lab) {
        return "[" + lab.teacher().get("/api/session").json().get("person").get("id") + "]";
    }
}
