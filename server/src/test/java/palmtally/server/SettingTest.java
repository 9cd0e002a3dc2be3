package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What a school decides, tried on a sequence before it is saved. */
@ExtendWith(App.class)
class SettingTest {
    @Test
    void every_setting_says_what_each_profile_answers(App.Running app) {
        var view = Visitor.as(app.url(), "nadia").get("/api/settings").json();
        assertThat(view.get("settings").size()).isEqualTo(22);
        for (var s : view.get("settings")) {
            assertThat(s.get("chosen").has("by-seconds")).isTrue();
            assertThat(s.get("options").size()).isGreaterThanOrEqualTo(2);
        }
        assertThat(view.get("topics").size()).isEqualTo(9);
        assertThat(view.get("whoDecides").asString()).isEqualTo("Local codes and licensed practice decide.");
    }

    @Test
    void a_change_shows_what_a_sequence_would_be_told_and_stores_nothing(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var before = nadia.get("/api/settings").json().toString();
        var effect = nadia.post(
                        "/api/profiles/by-seconds/try",
                        "{\"sequence\":\"hip\",\"settings\":{\"consent\":\"at-the-start-confirmed\"},\"severities\":{\"ORDER-OPPOSE\":\"off\"}}")
                .json();
        assertThat(effect.get("come").get(0).get("rule").asString()).isEqualTo("CONSENT-BEFORE");
        assertThat(effect.get("gone").get(0).get("rule").asString()).isEqualTo("ORDER-OPPOSE");
        assertThat(nadia.get("/api/settings").json().toString()).isEqualTo(before);
        var wrong = nadia.post(
                "/api/profiles/by-seconds/try",
                "{\"sequence\":\"hip\",\"settings\":{\"consent\":\"never\",\"moon\":\"full\"}}");
        assertThat(wrong.status()).isEqualTo(422);
        assertThat(wrong.json().get("faults").size()).isEqualTo(2);
    }

    @Test
    void only_the_lead_saves_and_every_save_is_a_version(App.Running app) {
        var body = "{\"scope\":{\"abdominal\":\"allowed\"}}";
        assertThat(Visitor.as(app.url(), "nadia")
                        .put("/api/school/profiles/by-response", body)
                        .status())
                .isEqualTo(403);
        var saved = Visitor.as(app.url(), "lead").put("/api/school/profiles/by-response", body);
        assertThat(saved.status()).isEqualTo(200);
        for (var t : saved.json().get("topics"))
            if (t.get("id").asString().equals("abdominal"))
                assertThat(t.get("chosen").get("by-response").asString()).isEqualTo("allowed");
    }

    private static tools.jackson.databind.JsonNode row(tools.jackson.databind.JsonNode rows, String id) {
        for (var row : rows) if (row.get("id").asString().equals(id)) return row;
        throw new AssertionError("no " + id + " in " + rows);
    }

    /** How deep a site and which zones are asked for: a school's own stands, what it says nothing of follows the trade. */
    @Test
    void a_school_sets_its_own_sites_and_zones(App.Running app) {
        var lead = Visitor.as(app.url(), "lead");
        var before = lead.get("/api/settings").json();
        assertThat(row(before.get("numbers"), "ceiling-sole")
                        .get("usual")
                        .get("by-seconds")
                        .asDouble())
                .isEqualTo(4);
        assertThat(row(before.get("numbers"), "warm-up").has("usual")).isFalse();
        var zones = row(before.get("zones"), "sensitive");
        assertThat(zones.get("chosen").get("by-seconds").toString())
                .contains("gluteals")
                .doesNotContain("sacrum");
        assertThat(zones.get("always").toString()).contains("groin", "breast", "inside-mouth");

        var none = lead.put("/api/school/profiles/by-seconds", "{\"zones\":{\"sensitive\":[\"sacrum\"],\"moon\":[]}}");
        assertThat(none.status()).isEqualTo(422);
        assertThat(none.json().get("faults").size()).isEqualTo(2);
        assertThat(none.json().toString()).contains("cannot be left out");

        var own = lead.put(
                        "/api/school/profiles/by-seconds",
                        "{\"numbers\":{\"ceiling-sole\":2},\"zones\":{\"sensitive\":[\"groin\",\"breast\",\"inside-mouth\",\"sacrum\"]}}")
                .json();
        var sole = row(own.get("numbers"), "ceiling-sole");
        assertThat(sole.get("chosen").get("by-seconds").asDouble()).isEqualTo(2);
        assertThat(sole.get("usual").get("by-seconds").asDouble()).isEqualTo(4);
        assertThat(sole.get("chosen").get("by-response").asDouble()).isEqualTo(4);
        assertThat(row(own.get("zones"), "sensitive")
                        .get("chosen")
                        .get("by-seconds")
                        .size())
                .isEqualTo(4);
        // As it was, for whoever comes next.
        lead.put(
                "/api/school/profiles/by-seconds",
                "{\"numbers\":{\"ceiling-sole\":4},\"zones\":{\"sensitive\":"
                        + zones.get("chosen").get("by-seconds") + "}}");
        assertThat(lead.get("/api/settings").json().toString()).isEqualTo(before.toString());
    }
}
