package palmtally.server.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.doThrow;

import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter.SseEventBuilder;

/** One who reads slowly, or not at all. */
@ExtendWith(MockitoExtension.class)
class OnlookerTest {
    @Mock
    private SseEmitter emitter;

    private final ExecutorService senders = Executors.newCachedThreadPool();
    private final List<String> sent = new CopyOnWriteArrayList<>();

    @AfterEach
    void end() throws InterruptedException {
        senders.shutdown();
        assertThat(senders.awaitTermination(5, TimeUnit.SECONDS)).isTrue();
    }

    private static String data(SseEventBuilder event) {
        return event.build().stream().map(d -> d.getData().toString()).collect(Collectors.joining());
    }

    @Test
    void who_does_not_read_keeps_nobody_waiting_and_skips_what_is_out_of_date() throws Exception {
        var blocked = new CountDownLatch(1);
        var release = new CountDownLatch(1);
        doAnswer(call -> {
                    sent.add(data(call.getArgument(0)));
                    blocked.countDown();
                    release.await();
                    return null;
                })
                .when(emitter)
                .send(any(SseEventBuilder.class));
        var onlooker = new Onlooker("a", "b", new Live.Who(null, null, "127.0.0.1"), emitter, senders);
        onlooker.tell("\"one\"");
        assertThat(blocked.await(5, TimeUnit.SECONDS)).isTrue();
        // The line stands, and telling does not.
        onlooker.tell("\"two\"");
        onlooker.tell("\"three\"");
        onlooker.beat();
        assertThat(sent).hasSize(1);
        release.countDown();
        senders.shutdown();
        assertThat(senders.awaitTermination(5, TimeUnit.SECONDS)).isTrue();
        assertThat(sent).hasSize(2);
        assertThat(sent.get(0)).contains("one");
        assertThat(sent.get(1)).contains("three").contains("state");
    }

    @Test
    void the_end_of_one_who_does_not_read_keeps_nobody_waiting() throws Exception {
        var release = new CountDownLatch(1);
        var closed = new CountDownLatch(1);
        doAnswer(call -> {
                    release.await();
                    closed.countDown();
                    return null;
                })
                .when(emitter)
                .complete();
        var onlooker = new Onlooker("a", "b", new Live.Who(null, null, "127.0.0.1"), emitter, senders);
        assertTimeoutPreemptively(Duration.ofSeconds(2), onlooker::end);
        assertThat(onlooker.gone()).isTrue();
        assertThat(closed.getCount()).isEqualTo(1);
        release.countDown();
        assertThat(closed.await(5, TimeUnit.SECONDS)).isTrue();
    }

    @Test
    void who_is_gone_is_told_nothing_more() throws Exception {
        doThrow(new IOException("broken pipe")).when(emitter).send(any(SseEventBuilder.class));
        var onlooker = new Onlooker("a", "b", new Live.Who(null, null, "127.0.0.1"), emitter, senders);
        onlooker.beat();
        senders.shutdown();
        assertThat(senders.awaitTermination(5, TimeUnit.SECONDS)).isTrue();
        assertThat(onlooker.gone()).isTrue();
        // Would be refused by the pool that has ended.
        onlooker.tell("\"late\"");
    }
}
