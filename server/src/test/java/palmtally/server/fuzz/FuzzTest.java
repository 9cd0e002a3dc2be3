package palmtally.server.fuzz;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import palmtally.server.App;
import palmtally.server.TestDatabase;

/** Whatever is sent, nothing breaks: no answer of 500 or more, none without words, none late; what was stored can still be read. */
class FuzzTest {
    private static final long SEED = 20261127;
    private static final int REQUESTS = 5_000;
    private static final int FILES = 8_000;
    private static final long MOST_GROWN_MB = 60;

    @Test
    void five_thousand_requests_break_nothing() {
        try (var app = App.start(TestDatabase.fresh(), true)) {
            var fuzz = new HttpFuzz(app, SEED);
            fuzz.run(0, REQUESTS / 5);
            long before = HttpFuzz.heap();
            fuzz.run(REQUESTS / 5, REQUESTS);
            assertThat(fuzz.faults).isEmpty();
            assertThat(fuzz.unreadable()).isEmpty();
            assertThat(HttpFuzz.heap() - before).as("MB of the heap").isLessThan(MOST_GROWN_MB);
            // It reaches everything, and gets through often enough to store.
            assertThat(fuzz.neverAsked()).isEmpty();
            assertThat(fuzz.answered(200, 300)).isGreaterThan(REQUESTS / 5);
            assertThat(fuzz.answered(400, 500)).isGreaterThan(REQUESTS / 5);
        }
    }

    @Test
    void eight_thousand_files_are_taken_whole_or_refused_with_words() throws Exception {
        var fuzz = new ParserFuzz(SEED);
        fuzz.run(0, FILES);
        assertThat(fuzz.faults).isEmpty();
        fuzz.counts.forEach((kind, count) -> {
            assertThat(count[0]).as(kind + " taken").isPositive();
            // A jotted line is never refused.
            if (kind.equals("line")) assertThat(count[1]).isZero();
            else assertThat(count[1]).as(kind + " refused").isPositive();
        });
        assertThat(fuzz.counts).hasSize(8);
    }
}
