package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** The phone of the one on the table: it speaks, it is told nothing, and it ends with the practical. */
@ExtendWith(App.class)
class HandsetTest {
    private static String code(Visitor teacher, String practical) {
        return teacher.post("/api/practicals/" + practical + "/handset", "")
                .json()
                .get("code")
                .asString();
    }

    private static Visitor.Answer say(Visitor phone, String code, String id, long seq, String what) {
        return phone.post(
                "/api/handsets/" + code + "/reports", "{\"id\":\"" + id + "\",\"seq\":" + seq + "," + what + "}");
    }

    private static JsonNode last(Visitor teacher, String practical) {
        var events = teacher.get("/api/practicals/" + practical).json().get("events");
        return events.get(events.size() - 1);
    }

    @Test
    void what_the_client_says_is_an_event_of_the_practical_and_nothing_comes_back(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var table = nadia.practical("Ana Quill", "calves");
        var code = code(nadia, table);
        assertThat(code(nadia, table)).isEqualTo(code);
        var phone = Visitor.at(app.url());
        var on = phone.get("/api/handsets/" + code.toUpperCase(Locale.ROOT));
        assertThat(on.status()).isEqualTo(204);
        assertThat(on.text()).isEmpty();
        var said = say(phone, code, "a", 1, "\"number\":5");
        assertThat(said.status()).isEqualTo(204);
        assertThat(said.text()).isEmpty();
        var event = last(nadia, table);
        assertThat(event.get("kind").asString()).isEqualTo("report");
        assertThat(event.get("data").get("source").asString()).isEqualTo("handset");
        assertThat(event.get("data").get("number").asInt()).isEqualTo(5);
        // Sent twice, stored once.
        assertThat(say(phone, code, "a", 1, "\"number\":5").status()).isEqualTo(204);
        assertThat(nadia.get("/api/practicals/" + table).json().get("events")).hasSize(1);
    }

    @ParameterizedTest
    @CsvSource({
        "too-much,report,text,too much",
        "tickles,client-word,word,tickles",
        "cold,client-word,word,cold",
        "stop,safety-stop,byClient,true"
    })
    void a_word_is_what_it_means(String word, String kind, String field, String value, App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var table = nadia.practical("Bram Oster", "calves");
        assertThat(say(Visitor.at(app.url()), code(nadia, table), "w", 1, "\"word\":\"" + word + "\"")
                        .status())
                .isEqualTo(204);
        var event = last(nadia, table);
        assertThat(event.get("kind").asString()).isEqualTo(kind);
        assertThat(event.get("data").get(field).asString()).isEqualTo(value);
    }

    @Test
    void what_was_said_while_the_network_was_down_keeps_its_moment(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var table = nadia.practical("Cleo Fenn", "calves");
        app.database()
                .count("with u as (update practical set started_at = now() - interval '10 minutes' where id = '" + table
                        + "' returning 1) select count(*) from u");
        say(Visitor.at(app.url()), code(nadia, table), "a", 1, "\"number\":3,\"agoMs\":120000");
        assertThat(last(nadia, table).get("atMs").asLong()).isBetween(478_000L, 490_000L);
    }

    @Test
    void a_code_of_a_practical_that_is_over_or_of_yesterday_opens_nothing(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var phone = Visitor.at(app.url());
        var table = nadia.practical("Dara Moss", "calves");
        var code = code(nadia, table);
        nadia.post(
                "/api/practicals/" + table + "/events",
                "{\"events\":[{\"id\":\"f\",\"device\":\"d\",\"seq\":1,\"atMs\":5,\"kind\":\"finish\",\"data\":{}}]}");
        assertThat(phone.get("/api/handsets/" + code).status()).isEqualTo(404);
        assertThat(say(phone, code, "a", 1, "\"number\":3").status()).isEqualTo(404);
        assertThat(nadia.post("/api/practicals/" + table + "/handset", "").status())
                .isEqualTo(409);
        var yesterday = nadia.practical("Eli Thorne", "calves");
        var old = code(nadia, yesterday);
        app.database()
                .count("with u as (update practical set started_at = now() - interval '13 hours' where id = '"
                        + yesterday + "' returning 1) select count(*) from u");
        assertThat(phone.get("/api/handsets/" + old).status()).isEqualTo(404);
        assertThat(say(phone, old, "a", 1, "\"number\":3").status()).isEqualTo(404);
    }

    @ParameterizedTest
    @CsvSource({
        "'\"number\":11'",
        "'\"number\":-1'",
        "'\"number\":3,\"word\":\"cold\"'",
        "'\"agoMs\":5'",
        "'\"number\":3,\"agoMs\":-1'"
    })
    void what_cannot_be_said_is_refused(String what, App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var table = nadia.practical("Fay Linden", "calves");
        assertThat(say(Visitor.at(app.url()), code(nadia, table), "a", 1, what).status())
                .isEqualTo(422);
        assertThat(nadia.get("/api/practicals/" + table).json().get("events")).isEmpty();
    }

    @Test
    void only_staff_of_the_term_get_a_code(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var table = nadia.practical("Gus Harrow", "calves");
        assertThat(Visitor.as(app.url(), "ana")
                        .post("/api/practicals/" + table + "/handset", "")
                        .status())
                .isEqualTo(403);
    }
}
