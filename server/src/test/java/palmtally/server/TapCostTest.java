package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import io.micrometer.core.instrument.MeterRegistry;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What a tap asks of the database: who waits at sixty tables waits for that. */
@ExtendWith(App.class)
class TapCostTest {
    private static final int TAPS = 80;

    @Test
    void a_tap_is_one_transaction(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        var path = "/api/practicals/" + nadia.practical("Lena Brook", "calves") + "/events";
        tap(nadia, path, 0);
        long before = transactions(app);
        for (int i = 1; i <= TAPS; i++) tap(nadia, path, i);
        long cost = transactions(app) - before;
        assertThat(cost).isBetween((long) TAPS, TAPS + TAPS / 2L);
    }

    private static void tap(Visitor by, String path, int i) {
        var answer = by.post(
                path,
                "{\"events\":[{\"id\":\"cost-" + i + "\",\"device\":\"cost\",\"seq\":" + i + ",\"atMs\":" + i
                        + ",\"kind\":\"report\",\"data\":{\"number\":3,\"source\":\"spoken\"}}]}");
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    /** How often a connection was taken from the pool and given back: each transaction takes one. */
    private static long transactions(App.Running app) {
        return app.bean(MeterRegistry.class)
                .get("hikaricp.connections.usage")
                .timer()
                .count();
    }
}
