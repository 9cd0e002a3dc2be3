package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;
import palmtally.server.people.Accounts;
import palmtally.server.people.Role;

/** What a sign-in costs and when it is noted. */
@ExtendWith(App.class)
class SessionsTest {
    private static final String OF_OLLE =
            " from spring_session where principal_name = (select id::text from account where sign_in = 'olle')";

    private static long noted(JdbcTemplate sql) {
        var last = sql.queryForObject("select max(last_access_time)" + OF_OLLE, Long.class);
        assertThat(last).isNotNull();
        return last == null ? 0 : last;
    }

    @Test
    void a_call_within_a_minute_of_another_writes_nothing(App.Running app) throws Exception {
        var sql = new JdbcTemplate(app.bean(javax.sql.DataSource.class));
        var olle = Visitor.as(app.url(), "olle");
        assertThat(olle.get("/api/session").status()).isEqualTo(200);
        long before = noted(sql);
        Thread.sleep(5);
        assertThat(olle.get("/api/session").status()).isEqualTo(200);
        assertThat(noted(sql)).isEqualTo(before);
    }

    @Test
    void a_call_after_a_minute_is_noted_and_puts_the_end_off(App.Running app) {
        var sql = new JdbcTemplate(app.bean(javax.sql.DataSource.class));
        var olle = Visitor.as(app.url(), "olle");
        sql.update(
                "update spring_session set last_access_time = last_access_time - 61000, expiry_time = expiry_time - 61000"
                        + " where principal_name = (select id::text from account where sign_in = 'olle')");
        long before = noted(sql);
        assertThat(olle.get("/api/session").status()).isEqualTo(200);
        assertThat(noted(sql)).isGreaterThanOrEqualTo(before + 60_000);
        var end = sql.queryForObject("select max(expiry_time)" + OF_OLLE, Long.class);
        assertThat(end).isNotNull().isGreaterThan(System.currentTimeMillis() + 7 * 3600 * 1000L);
    }

    @Test
    void the_twenty_latest_devices_of_somebody_are_known_and_no_more(App.Running app) {
        var first = Visitor.as(app.url(), "bram");
        for (int i = 0; i < 22; i++) Visitor.as(app.url(), "bram");
        var known = " from known_device where account_id = (select id from account where sign_in = 'bram')";
        assertThat(app.database().count("select count(*)" + known)).isEqualTo(20);
        // The first is none of them; signing in there again, it is the latest.
        var oldest = app.database().column("select min(used_at)::text" + known).get(0);
        first.post("/api/session", "{\"signIn\":\"bram\",\"password\":\"regatta-bram\"}");
        assertThat(app.database().count("select count(*)" + known)).isEqualTo(20);
        assertThat(app.database().column("select min(used_at)::text" + known).get(0))
                .isGreaterThan(oldest);
    }

    @Test
    void signing_out_ends_it_at_once(App.Running app) {
        var olle = Visitor.as(app.url(), "olle");
        assertThat(olle.get("/api/practicals").status()).isNotEqualTo(401);
        olle.delete("/api/session");
        assertThat(olle.get("/api/practicals").status()).isEqualTo(401);
    }

    @Nested
    class A_tap {
        private int seq;

        private Visitor.Answer tap(Visitor by, String practical) {
            return by.post(
                    "/api/practicals/" + practical + "/events",
                    "{\"events\":[{\"id\":\"s" + ++seq + "\",\"device\":\"d\",\"seq\":" + seq
                            + ",\"atMs\":1,\"kind\":\"note\",\"data\":{\"text\":\"x\"}}]}");
        }

        private UUID somebody(App.Running app, String name) {
            var term = UUID.fromString(Visitor.as(app.url(), "nadia").term());
            return app.bean(Accounts.class).addTo(term, name, name, "the right words", Role.INSTRUCTOR);
        }

        @Test
        void soon_after_another_reads_no_session_and_everything_else_does(App.Running app) {
            var id = somebody(app, "tapper1");
            var tapper = Visitor.as(app.url(), "tapper1", "the right words");
            var table = tapper.practical("Lena Brook", "calves");
            assertThat(tap(tapper, table).status()).isEqualTo(200);
            app.database().run("delete from spring_session where principal_name = '" + id + "'");
            assertThat(tap(tapper, table).status()).isEqualTo(200);
            assertThat(tapper.get("/api/floor").status()).isEqualTo(401);
        }

        @Test
        void is_refused_at_once_after_signing_out(App.Running app) {
            somebody(app, "tapper2");
            var tapper = Visitor.as(app.url(), "tapper2", "the right words");
            var table = tapper.practical("Lena Brook", "calves");
            assertThat(tap(tapper, table).status()).isEqualTo(200);
            tapper.delete("/api/session");
            assertThat(tap(tapper, table).status()).isEqualTo(401);
        }

        @Test
        void is_refused_at_once_of_whoever_was_shut_out_or_got_a_new_password(App.Running app) {
            var lead = Visitor.as(app.url(), "lead");
            var third = somebody(app, "tapper3");
            var fourth = somebody(app, "tapper4");
            var shut = Visitor.as(app.url(), "tapper3", "the right words");
            var renewed = Visitor.as(app.url(), "tapper4", "the right words");
            var table = shut.practical("Lena Brook", "calves");
            var other = renewed.practical("Lena Brook", "calves");
            assertThat(tap(shut, table).status()).isEqualTo(200);
            assertThat(tap(renewed, other).status()).isEqualTo(200);
            lead.post("/api/people/" + fourth + "/password", "");
            assertThat(tap(renewed, other).status()).isEqualTo(401);
            assertThat(tap(shut, table).status()).isEqualTo(200);
            lead.put("/api/people/" + third + "/access", "{\"disabled\":true}");
            assertThat(tap(shut, table).status()).isEqualTo(401);
        }

        /** It would be believed there for five seconds; the database tells it. */
        @Test
        void is_refused_within_a_second_at_the_other_server_too(App.Running app) throws InterruptedException {
            somebody(app, "tapper5");
            var here = Visitor.as(app.url(), "tapper5", "the right words");
            var table = here.practical("Lena Brook", "calves");
            var other = App.start(app.database(), false);
            try {
                var there = here.elsewhere(other.url());
                assertThat(tap(there, table).status()).isEqualTo(200);
                here.delete("/api/session");
                int status = 200;
                for (int i = 0; i < 20 && status == 200; i++) {
                    Thread.sleep(50);
                    status = tap(there, table).status();
                }
                assertThat(status).isEqualTo(401);
            } finally {
                other.stop();
            }
        }
    }
}
