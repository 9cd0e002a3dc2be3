package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** How far a new school has come: each of its first steps is done once what it asks for is there. */
@ExtendWith(App.class)
class FirstStepsTest {
    private static final String ADDRESS = "/api/school/first-steps";

    @Test
    void a_new_school_does_one_after_the_other() {
        try (var app = App.start(TestDatabase.fresh(), false)) {
            var lead = Visitor.at(app.url());
            lead.post("/api/setup", """
                    {"word":"%s","school":"Lantern Street","name":"Vera Holt","signIn":"vera","password":"lanterns-at-night"}""".formatted(App.SET_UP_WORD));
            assertThat(lead.get(ADDRESS).text()).isEqualTo("{\"term\":false,\"people\":false,\"shown\":false}");

            var term = lead.term();
            lead.put(
                    "/api/school/terms/" + term,
                    "{\"name\":\"Spring evenings\",\"cohort\":\"First cohort\",\"startsOn\":\"2026-03-02\",\"weeks\":10}");
            assertThat(lead.get(ADDRESS).json().get("term").asBoolean()).isTrue();

            // Who teaches is no class yet.
            lead.post("/api/school/terms/" + term + "/class", "{\"text\":\"Ida Ash, ida, instructor\"}");
            assertThat(lead.get(ADDRESS).json().get("people").asBoolean()).isFalse();
            lead.post("/api/school/terms/" + term + "/class", "{\"text\":\"Nils Oak\"}");
            assertThat(lead.get(ADDRESS).json().get("people").asBoolean()).isTrue();

            lead.post("/api/sequences", """
                    {"name":"Calves","region":"lower-leg","slotSeconds":600,"lines":["palm glide calf 60 s"]}""");
            assertThat(lead.get(ADDRESS).json().get("sequence").asString()).isEqualTo("calves");

            // A presenter that was opened and never started has shown nothing.
            var showing = lead.post("/api/sequences/calves/demonstrations", "{}")
                    .json()
                    .get("id")
                    .asString();
            assertThat(lead.get(ADDRESS).json().get("shown").asBoolean()).isFalse();
            lead.post(
                    "/api/demonstrations/" + showing + "/marks",
                    "{\"id\":\"1\",\"what\":\"started\",\"index\":0,\"atSeconds\":0}");
            assertThat(lead.get(ADDRESS).text())
                    .isEqualTo("{\"term\":true,\"people\":true,\"sequence\":\"calves\",\"shown\":true}");
        }
    }

    @Test
    void the_demo_school_has_none_left_and_they_are_the_leads(App.Running app) {
        var steps = Visitor.as(app.url(), "lead").get(ADDRESS).json();
        assertThat(steps.get("term").asBoolean()).isTrue();
        assertThat(steps.get("people").asBoolean()).isTrue();
        assertThat(steps.get("shown").asBoolean()).isTrue();
        assertThat(Visitor.as(app.url(), "nadia").get(ADDRESS).status()).isEqualTo(403);
    }
}
