package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;

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
    void signing_out_ends_it_at_once(App.Running app) {
        var olle = Visitor.as(app.url(), "olle");
        assertThat(olle.get("/api/practicals").status()).isNotEqualTo(401);
        olle.delete("/api/session");
        assertThat(olle.get("/api/practicals").status()).isEqualTo(401);
    }
}
