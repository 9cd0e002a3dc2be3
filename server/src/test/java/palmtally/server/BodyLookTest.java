package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** How a school has the body drawn: chosen by the lead, told to everyone who draws it. */
@ExtendWith(App.class)
class BodyLookTest {
    private static final String ADDRESS = "/api/school/body-look";
    private static final Pattern X = Pattern.compile("(-?[\\d.]+),-?[\\d.]+");

    @AfterEach
    void as_before(App.Running app) {
        Visitor.as(app.url(), "lead").put(ADDRESS, "{\"build\":\"middle\",\"skin\":\"sand\"}");
    }

    @Test
    void the_lead_chooses_and_every_screen_hears_of_it(App.Running app) {
        var lead = Visitor.as(app.url(), "lead");
        var nadia = Visitor.as(app.url(), "nadia");
        assertThat(look(nadia)).isEqualTo("{\"build\":\"middle\",\"skin\":\"sand\"}");
        var calves = nadia.get("/api/sequences/calves").json().get("sequence").toString();
        var draft = "{\"sequence\":" + calves + ",\"index\":1}";
        double middle = broad(nadia.post("/api/drafts/picture", draft).json());

        var heavy = "{\"build\":\"heavy\",\"skin\":\"dark\"}";
        assertThat(lead.put(ADDRESS, heavy).json()).hasToString(heavy);
        assertThat(look(nadia)).isEqualTo(heavy);
        // The arms are the outermost, and thicker.
        assertThat(broad(nadia.post("/api/drafts/picture", draft).json())).isGreaterThan(middle);

        var code = nadia.post("/api/sequences/calves/demonstrations", "{}")
                .json()
                .get("screen")
                .asString();
        var stranger = Visitor.at(app.url());
        assertThat(stranger.get("/api/screens/" + code).json().get("bodyLook")).hasToString(heavy);
    }

    @Test
    void nobody_else_chooses_and_half_a_choice_is_none(App.Running app) {
        var whole = "{\"build\":\"heavy\",\"skin\":\"tan\"}";
        assertThat(Visitor.as(app.url(), "nadia").put(ADDRESS, whole).status()).isEqualTo(403);
        var lead = Visitor.as(app.url(), "lead");
        assertThat(lead.put(ADDRESS, "{\"build\":\"heavy\"}").status()).isEqualTo(422);
        assertThat(lead.put(ADDRESS, "{\"build\":\"heavy\",\"skin\":\"green\"}").status())
                .isBetween(400, 422);
        assertThat(look(lead)).isEqualTo("{\"build\":\"middle\",\"skin\":\"sand\"}");
    }

    private static String look(Visitor visitor) {
        return visitor.get("/api/session").json().get("bodyLook").toString();
    }

    /** How far out the body reaches, millimetres from the midline. */
    private static double broad(JsonNode picture) {
        double most = 0;
        for (var shape : picture.get("shapes"))
            if (shape.get("role").asString().equals("body"))
                for (var x : X.matcher(shape.get("path").asString()).results().toList())
                    most = Math.max(most, Double.parseDouble(x.group(1)));
        return most;
    }
}
