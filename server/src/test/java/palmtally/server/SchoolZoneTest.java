package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.people.SchoolZone;

/** The school's clock is kept with the school, and not that of the computer it runs on. */
@ExtendWith(App.class)
class SchoolZoneTest {
    @Test
    void labs_begin_by_the_schools_clock_wherever_the_computer_is(App.Running app) {
        var lead = Visitor.as(app.url(), "lead");
        var lab = Lab.in(app, "Quay");
        var begins = LocalTime.parse(
                lab.plan().get("curriculum").get("times").get(0).get("begins").asString());
        for (var zone : new String[] {"Pacific/Auckland", "America/St_Johns", "Europe/Oslo"}) {
            assertThat(lead.put("/api/school/zone", "{\"zone\":\"" + zone + "\"}")
                            .status())
                    .isEqualTo(200);
            assertThat(lead.get("/api/session").json().get("zone").asString()).isEqualTo(zone);
            var at = Instant.parse(lab.teacher()
                    .get(lab.at("/register"))
                    .json()
                    .get("labs")
                    .get(0)
                    .get("begins")
                    .asString());
            assertThat(at.atZone(ZoneId.of(zone)).toLocalTime()).isEqualTo(begins);
            assertThat(app.database().column("select zone from school")).containsExactly(zone);
        }
        var nowhere = lead.put("/api/school/zone", "{\"zone\":\"Nowhere/Quay\"}");
        assertThat(nowhere.status()).isEqualTo(422);
        assertThat(nowhere.text()).contains("is no time zone, such as Europe/Oslo");
        assertThat(app.clock().getZone()).isEqualTo(ZoneId.of("Europe/Oslo"));
    }

    @Test
    void what_another_server_of_the_school_sets_is_heard(App.Running app) throws Exception {
        assertThat(app.clock().getZone()).isNotNull();
        app.database().run("update school set zone = 'Asia/Kathmandu'; notify zone");
        var until = System.nanoTime() + TimeUnit.SECONDS.toNanos(20);
        while (!app.clock().getZone().getId().equals("Asia/Kathmandu")) {
            assertThat(System.nanoTime()).isLessThan(until);
            Thread.sleep(50);
        }
    }

    @Test
    void a_school_of_before_keeps_the_days_it_had(App.Running app) {
        app.database().run("update school set zone = null");
        app.bean(SchoolZone.class).keep();
        assertThat(app.database().column("select zone from school"))
                .containsExactly(ZoneId.systemDefault().getId());
    }
}
