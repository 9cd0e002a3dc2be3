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
        assertThat(view.get("settings").size()).isEqualTo(18);
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
}
