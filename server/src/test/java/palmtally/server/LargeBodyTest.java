package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Nobody who is signed in fills the memory of the school with what they send. */
@ExtendWith(App.class)
class LargeBodyTest {
    private static final int MIB = 1 << 20;
    private static final String INCOMING = "/api/sequences/incoming";

    /** Lists in lists, as small in bytes and as large in memory as can be. */
    private static String lists(int bytes) {
        return "[" + "[[[[[[[[]]]]]]]],".repeat(bytes / 17) + "1]";
    }

    private static String words(int bytes) {
        return "{\"text\":\"" + "x".repeat(bytes) + "\",\"kind\":\"steps\"}";
    }

    @Test
    void students_send_little(App.Running app) {
        var ana = Visitor.as(app.url(), "ana");
        var path = "/api/practicals/00000000-0000-0000-0000-000000000000/self-marks";
        var refused = ana.post(path, words(MIB));
        assertThat(refused.status()).isEqualTo(413);
        assertThat(refused.json().get("detail").asString()).isEqualTo("What was sent is larger than 1 MiB.");
        assertThat(ana.post(path, words(900 * 1024)).status()).isEqualTo(422);
    }

    @Test
    void what_has_too_many_parts_or_is_too_deep_is_read_no_further(App.Running app) {
        var nadia = Visitor.as(app.url(), "nadia");
        for (var body : new String[] {lists(9 * MIB), "[".repeat(50) + "]".repeat(50)}) {
            for (var path : new String[] {"/api/sequences", "/api/sequences/file"}) {
                var answer = nadia.post(path, body);
                assertThat(answer.status()).as(path).isEqualTo(422);
                assertThat(answer.json().get("faults").get(0).get("reason").asString())
                        .as(path)
                        .isEqualTo(
                                "is nested deeper than 40 or has more than 1,000,000 parts: nothing here is that large");
            }
        }
    }

    @Test
    void large_ones_are_read_one_after_the_other_and_hold_up_nobody_else(App.Running app) throws Exception {
        var nadia = Visitor.as(app.url(), "nadia");
        var half = new CountDownLatch(1);
        var first = CompletableFuture.supplyAsync(
                () -> nadia.ask("POST", INCOMING, halting(words(3 * MIB), half), "application/json"));
        Thread.sleep(500);
        var second = CompletableFuture.supplyAsync(() -> nadia.post(INCOMING, words(3 * MIB)));
        for (int i = 0; i < 5; i++)
            assertThat(nadia.post(INCOMING + "/preview", words(MIB / 8)).status())
                    .isEqualTo(422);
        assertThat(first.isDone()).isFalse();
        assertThat(second.isDone()).isFalse();
        half.countDown();
        assertThat(first.get(20, TimeUnit.SECONDS).status()).isEqualTo(422);
        assertThat(second.get(20, TimeUnit.SECONDS).status()).isEqualTo(422);
    }

    /** Half of it, then a byte now and then, so that the server does not take the line for dead; the rest when it is let go. */
    private static HttpRequest.BodyPublisher halting(String body, CountDownLatch go) {
        var bytes = body.getBytes(StandardCharsets.UTF_8);
        int half = bytes.length / 2;
        return HttpRequest.BodyPublishers.fromPublisher(
                HttpRequest.BodyPublishers.ofInputStream(() -> new ByteArrayInputStream(bytes) {
                    @Override
                    public synchronized int read(byte[] into, int from, int length) {
                        if (pos < half) return super.read(into, from, Math.min(length, half - pos));
                        try {
                            return super.read(into, from, go.await(1, TimeUnit.SECONDS) ? length : 1);
                        } catch (InterruptedException e) {
                            Thread.currentThread().interrupt();
                            return -1;
                        }
                    }
                }),
                bytes.length);
    }

    @Test
    void the_largest_file_is_as_large_as_it_says(App.Running app) {
        var lead = Visitor.as(app.url(), "lead");
        var file = words(65 * MIB).getBytes(StandardCharsets.UTF_8);
        assertThat(lead.ask("POST", INCOMING, file, "application/json").status())
                .isEqualTo(413);
    }
}
