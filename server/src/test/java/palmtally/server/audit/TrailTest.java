package palmtally.server.audit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palmtally.server.App;
import palmtally.server.Visitor;
import palmtally.server.audit.Deeds.Line;
import tools.jackson.databind.JsonNode;

/** Every request has its line in the trail, or a reason why not; the lead reads it. */
@ExtendWith(App.class)
class TrailTest {
    private static JsonNode newest(Visitor lead, String words) {
        var page = lead.get("/api/school/audit?words=" + words.replace(" ", "%20"));
        assertThat(page.status()).as(page.text()).isEqualTo(200);
        var lines = page.json().get("lines");
        return lines.isEmpty() ? null : lines.get(0);
    }

    @Test
    void every_address_is_in_the_list_and_the_list_names_no_other(App.Running app) {
        var there = app.endpoints();
        assertThat(there).hasSizeGreaterThan(100);
        assertThat(new TreeSet<>(Deeds.all().keySet())).isEqualTo(there);
    }

    @Test
    void what_changes_something_is_never_left_out_without_a_reason() {
        var silent = new ArrayList<String>();
        Deeds.all().forEach((request, deed) -> {
            if (deed.line() == Line.NONE && deed.words().isBlank()) silent.add(request);
        });
        assertThat(silent).isEmpty();
    }

    @Test
    void signing_in_and_failing_to_and_out_leave_a_line(App.Running app) {
        var lead = Visitor.as(app.url(), "lead");
        var stranger = Visitor.at(app.url());
        stranger.post("/api/session", "{\"signIn\":\"nobody-here\",\"password\":\"wrong words\"}");
        var line = newest(lead, "nobody-here");
        assertThat(line.get("what").asString()).isEqualTo("signed in: refused");
        assertThat(line.get("detail").asString()).isEqualTo("nobody-here");
        assertThat(line.get("address").asString()).isEqualTo("127.0.0.1");
        assertThat(line.has("by")).isFalse();
        var olle = Visitor.as(app.url(), "olle");
        line = newest(lead, "olle");
        assertThat(line.get("what").asString()).isEqualTo("signed in");
        assertThat(line.get("by").asString()).isEqualTo("Olle Strand");
        olle.delete("/api/session");
        line = newest(lead, "signed out");
        assertThat(line.get("by").asString()).isEqualTo("Olle Strand");
    }

    @Test
    void what_the_lead_does_leaves_a_line_that_names_whom_it_concerns(App.Running app) {
        var lead = Visitor.as(app.url(), "lead");
        var nadia = Visitor.as(app.url(), "nadia");
        var kit = nadia.person("Kit Sorrel");
        assertThat(lead.post("/api/people/" + kit + "/password", "").status()).isEqualTo(200);
        var line = newest(lead, "made a new password");
        assertThat(line.get("about").asString()).isEqualTo("Kit Sorrel");
        assertThat(line.get("by").asString()).isEqualTo("Marte Kjell");
        // What was refused did not happen, and leaves none.
        assertThat(nadia.post("/api/people/" + kit + "/password", "").status()).isEqualTo(403);
        assertThat(newest(lead, "made a new password").get("id").asLong())
                .isEqualTo(line.get("id").asLong());
        assertThat(lead.put("/api/school/profile/by-seconds", "").status()).isEqualTo(200);
        assertThat(newest(lead, "chose the profile").get("detail").asString()).isEqualTo("by-seconds");
    }

    @Test
    void the_floor_leaves_one_line_a_load_however_many_tables(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        nadia.practical("Lena Brook", "calves");
        nadia.practical("Jun Pell", "calves");
        var count = "select count(*) from audit";
        long before = app.database().count(count);
        assertThat(nadia.get("/api/floor").json().size()).isGreaterThanOrEqualTo(2);
        assertThat(app.database().count(count)).isEqualTo(before + 1);
    }

    @Test
    void a_class_that_is_read_leaves_one_line_and_it_says_from_where(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var lead = Visitor.as(app.url(), "lead");
        long before = app.database().count("select count(*) from audit");
        assertThat(nadia.get("/api/terms/" + nadia.term() + "/competency").status())
                .isEqualTo(200);
        assertThat(app.database().count("select count(*) from audit")).isEqualTo(before + 1);
        var line = newest(lead, "competencies of the class");
        assertThat(line.get("what").asString()).isEqualTo("read the competencies of the class");
        assertThat(line.get("detail").asString()).matches("\\d+ students");
        assertThat(line.get("address").asString()).isEqualTo("127.0.0.1");
        var kit = nadia.person("Kit Sorrel");
        assertThat(nadia.get("/api/notes/" + kit).status()).isEqualTo(200);
        line = newest(lead, "Kit Sorrel");
        assertThat(line.get("what").asString()).isEqualTo("read the notes");
        assertThat(line.get("by").asString()).isEqualTo("Nadia Reef");
    }

    @Test
    void a_tap_says_who_sent_it(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var id = nadia.practical("Lena Brook", "calves");
        nadia.post(
                "/api/practicals/" + id + "/events",
                "{\"events\":[{\"id\":\"a\",\"device\":\"d\",\"seq\":1,\"atMs\":1,\"kind\":\"note\",\"data\":{\"text\":\"x\"}}]}");
        assertThat(app.database()
                        .count(
                                "select count(*) from event e join account a on a.id = e.account_id where a.name = 'Nadia Reef'"
                                        + " and e.practical_id = '" + id + "'"))
                .isEqualTo(1);
    }

    @Test
    void pages_go_back_in_time_and_belong_to_the_lead_alone(App.Running app) {
        var lead = Visitor.as(app.url(), "lead");
        for (int i = 0; i < 3; i++) lead.get("/api/floor");
        var first = lead.get("/api/school/audit").json();
        assertThat(first.get("lines").size()).isEqualTo(Audit.A_PAGE);
        long last = first.get("lines").get(Audit.A_PAGE - 1).get("id").asLong();
        assertThat(first.get("next").asString()).isEqualTo(String.valueOf(last));
        var second = lead.get("/api/school/audit?before=" + last).json();
        assertThat(second.get("lines").get(0).get("id").asLong()).isLessThan(last);
        for (var who : List.of("nadia", "olle", "ana"))
            assertThat(Visitor.as(app.url(), who).get("/api/school/audit").status())
                    .isEqualTo(403);
    }
}
