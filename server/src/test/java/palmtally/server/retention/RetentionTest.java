package palmtally.server.retention;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import javax.sql.DataSource;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;
import palmtally.server.App;
import palmtally.server.Visitor;
import palmtally.server.people.Accounts;
import palmtally.server.people.Role;
import palmtally.server.people.Terms;
import tools.jackson.databind.JsonNode;

/** What is kept for how long is the school's table; it is worked off by itself, and nothing goes that was not shown for a week. */
@ExtendWith(App.class)
class RetentionTest {
    private static final String TABLE = "/api/school/retention";
    private static final String FOR_EVER =
            "{\"months\":{\"students\":null,\"body-notes\":null,\"incidents\":null,\"second-looks\":null,\"earlier-marks\":null,\"trail\":null}}";

    @AfterEach
    void keepForEver(App.Running app) {
        lead(app).put(TABLE, FOR_EVER);
        sql(app).update("delete from client_note where kind = 'no-cold'");
    }

    private static Visitor lead(App.Running app) {
        return Visitor.as(app.url(), "lead");
    }

    private static JdbcTemplate sql(App.Running app) {
        return new JdbcTemplate(app.bean(DataSource.class));
    }

    private static List<JsonNode> going(App.Running app, String kind) {
        return lead(app)
                .get(TABLE)
                .json()
                .get("going")
                .valueStream()
                .filter(g -> g.get("kind").asString().equals(kind))
                .toList();
    }

    private static void keep(App.Running app, String kind, int months) {
        var set = lead(app).put(TABLE, "{\"months\":{\"" + kind + "\":" + months + "}}");
        assertThat(set.status()).as(set.text()).isEqualTo(200);
    }

    /** A student whose only term ended so many days ago and lies in the archive. */
    private static String gone(App.Running app, String name, int daysAgo) {
        var terms = app.bean(Terms.class);
        var term = terms.add(name, name, LocalDate.now(app.clock()).minusDays(daysAgo + 28L), 4);
        app.bean(Accounts.class).addTo(term.id(), name, name.replace(" ", ""), "regatta-student", Role.STUDENT);
        terms.archive(term.id(), true);
        var id = sql(app).queryForObject("select id::text from account where name = ?", String.class, name);
        sql(app).update("update account set created_at = created_at - interval '2000 days' where id = ?::uuid", id);
        return id;
    }

    private static String note(App.Running app, String student, int heldUntilDaysAgo) {
        var id = UUID.randomUUID().toString();
        sql(app).update(
                        "insert into client_note (id, account_id, kind, zone, side, until, written_by, written_at) select ?::uuid, id, 'no-cold', null, null, ?, id, now() from account where id = ?::uuid",
                        id,
                        LocalDate.now(app.clock()).minusDays(heldUntilDaysAgo),
                        student);
        return id;
    }

    private static int notes(App.Running app, String id) {
        return sql(app).queryForObject("select count(*) from client_note where id = ?::uuid", Integer.class, id);
    }

    @Test
    void a_new_school_keeps_everything_for_ever(App.Running app) {
        var table = lead(app).get(TABLE).json();
        assertThat(table.get("rules").valueStream().map(r -> r.get("kind").asString()))
                .containsExactly("body-notes", "earlier-marks", "incidents", "second-looks", "students", "trail");
        assertThat(table.get("rules")
                        .valueStream()
                        .allMatch(r ->
                                r.path("months").isNull() || r.path("months").isMissingNode()))
                .isTrue();
        assertThat(table.get("noticeDays").asInt()).isEqualTo(7);
    }

    @Test
    void what_is_over_is_shown_for_a_week_and_then_goes_by_itself(App.Running app) {
        var today = LocalDate.now(app.clock());
        var student = gone(app, "Old Tar", 30);
        var over = note(app, student, 400);
        var held = note(app, student, 10);
        var retention = app.bean(Retention.class);
        keep(app, "body-notes", 12);
        var shown = going(app, "body-notes");
        assertThat(shown).hasSize(1);
        assertThat(shown.get(0).get("name").asString()).isEqualTo("Note on Old Tar");
        assertThat(shown.get(0).get("goesOn").asString())
                .isEqualTo(today.plusDays(7).toString());
        retention.workOff(today.plusDays(6));
        assertThat(notes(app, over)).isOne();
        retention.workOff(today.plusDays(7));
        assertThat(notes(app, over)).isZero();
        assertThat(notes(app, held)).isOne();
        assertThat(going(app, "body-notes")).isEmpty();
        assertThat(sql(app).queryForList(
                                "select detail from audit where what = 'let go what was kept long enough'",
                                String.class))
                .contains("1 of body-notes");
    }

    @Test
    void a_longer_time_takes_the_notice_back(App.Running app) {
        var note = note(app, gone(app, "Mind Changer", 30), 400);
        keep(app, "body-notes", 12);
        assertThat(going(app, "body-notes")).hasSize(1);
        keep(app, "body-notes", 24);
        assertThat(going(app, "body-notes")).isEmpty();
        app.bean(Retention.class).workOff(LocalDate.now(app.clock()).plusDays(30));
        assertThat(notes(app, note)).isOne();
    }

    @Test
    void what_is_held_back_stays_until_it_is_let_go_and_is_shown_again(App.Running app) {
        var today = LocalDate.now(app.clock());
        var note = note(app, gone(app, "Held Hand", 30), 400);
        var retention = app.bean(Retention.class);
        var lead = lead(app);
        keep(app, "body-notes", 12);
        var hold = TABLE + "/body-notes/" + note + "/hold";
        assertThat(lead.put(hold, "{\"why\":\" \"}").status()).isEqualTo(422);
        assertThat(lead.put(TABLE + "/body-notes/" + UUID.randomUUID() + "/hold", "{\"why\":\"x\"}")
                        .status())
                .isEqualTo(404);
        lead.put(hold, "{\"why\":\"An insurer asked.\"}");
        retention.workOff(today.plusDays(40));
        assertThat(notes(app, note)).isOne();
        var held = going(app, "body-notes").get(0);
        assertThat(held.get("heldWhy").asString()).isEqualTo("An insurer asked.");
        assertThat(held.path("goesOn").isNull() || held.path("goesOn").isMissingNode())
                .isTrue();
        lead.delete(hold);
        assertThat(going(app, "body-notes").get(0).get("goesOn").asString())
                .isEqualTo(today.plusDays(7).toString());
        retention.workOff(today.plusDays(7));
        assertThat(notes(app, note)).isZero();
    }

    @Test
    void a_student_goes_whole_and_one_who_comes_back_stays(App.Running app) {
        var today = LocalDate.now(app.clock());
        var gone = gone(app, "Long Gone", 800);
        var back = gone(app, "Home Again", 800);
        var lately = gone(app, "Just Left", 30);
        keep(app, "students", 24);
        assertThat(going(app, "students").stream().map(g -> g.get("name").asString()))
                .contains("Long Gone", "Home Again")
                .doesNotContain("Just Left");
        app.bean(Terms.class).enrol(UUID.fromString(lead(app).term()), UUID.fromString(back));
        app.bean(Retention.class).workOff(today.plusDays(7));
        var names = sql(app).queryForList(
                        "select name from account where id in (?::uuid, ?::uuid, ?::uuid) order by name",
                        String.class,
                        gone,
                        back,
                        lately);
        assertThat(names).containsExactly("Home Again", "Just Left", "Removed student");
    }

    @Test
    void each_other_kind_goes_by_its_own_day(App.Running app) {
        var today = LocalDate.now(app.clock());
        sql(app).update(
                        "insert into audit (at, what, detail) values (now() - interval '900 days', 'signed in', 'an old line')");
        keep(app, "trail", 24);
        assertThat(going(app, "trail")).hasSize(1);
        assertThat(going(app, "trail").get(0).get("name").asString()).startsWith("1 line of ");
        app.bean(Retention.class).workOff(today.plusDays(7));
        assertThat(sql(app).queryForObject("select count(*) from audit where detail = 'an old line'", Integer.class))
                .isZero();
        for (var kind : List.of("incidents", "second-looks", "earlier-marks")) {
            keep(app, kind, 1);
            assertThat(going(app, kind)).isEmpty();
        }
    }

    @Test
    void a_table_that_cannot_be_meant_changes_nothing(App.Running app) {
        keep(app, "trail", 36);
        var lead = lead(app);
        var refused = lead.put(TABLE, "{\"months\":{\"trail\":0,\"students\":12,\"hats\":3}}");
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains("1 to 1200 months").contains("is nothing that is kept");
        var rules = lead.get(TABLE).json().get("rules");
        assertThat(rules.valueStream()
                        .filter(r -> r.path("months").isInt())
                        .map(r ->
                                r.get("kind").asString() + " " + r.get("months").asInt()))
                .containsExactly("trail 36");
        for (var who : List.of("nadia", "olle", "ana"))
            assertThat(Visitor.as(app.url(), who).get(TABLE).status()).isEqualTo(403);
    }
}
