package palmtally.server.practical;

import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.doNothing;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.timeout;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import palmtally.core.body.Region;
import palmtally.core.sequence.Sequence;
import palmtally.server.people.Access;
import palmtally.server.people.Caller;
import palmtally.server.people.Role;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;
import palmtally.server.profile.Profiles;
import palmtally.server.sequence.Sequences;
import palmtally.server.version.Version;

/** What is kept of who may write to a practical: for how long, and that a tap never goes by what changed meanwhile. */
class CaptureTest {
    private static final UUID TABLE = UUID.fromString("00000000-0000-0000-0000-000000000001");
    private static final Instant START = Instant.parse("2026-11-20T18:00:00Z");
    private static final Caller OLLE =
            new Caller(UUID.fromString("00000000-0000-0000-0000-000000000002"), "Olle Strand", Role.INSTRUCTOR);

    private final Records records = mock();
    private final Access access = mock();
    private final Clock clock = mock();
    private final AtomicLong changes = new AtomicLong();
    private final Capture capture;

    CaptureTest() {
        PracticalRows rows = mock();
        Sequences sequences = mock();
        capture = new Capture(
                rows,
                records,
                sequences,
                mock(Profiles.class),
                mock(Terms.class),
                access,
                mock(EventLog.class),
                new TransactionTemplate(mock(PlatformTransactionManager.class)),
                clock);
        Sequence calves = mock();
        when(calves.region()).thenReturn(Region.LOWER_LEG);
        Version<Sequence> version = mock();
        when(version.document()).thenReturn(calves);
        when(sequences.version(any())).thenReturn(version);
        var row = mock(PracticalRows.Row.class);
        when(records.row(TABLE)).thenReturn(row);
        when(access.changes()).then(i -> changes.get());
    }

    @BeforeEach
    void start() {
        at(0);
    }

    @AfterEach
    void end() {
        capture.end();
    }

    private void at(double seconds) {
        when(clock.instant()).thenReturn(START.plus(Duration.ofMillis(Math.round(seconds * 1000))));
    }

    private void tap() {
        capture.append(OLLE, TABLE, List.of());
    }

    private void asked(int times) {
        verify(records, times(times)).mustWrite(any(), any(), any());
    }

    private void shutOut() {
        doThrow(Refusal.forbidden("not yours")).when(records).mustWrite(any(), any(), any());
    }

    @Test
    void a_tap_within_five_seconds_asks_nothing() {
        tap();
        asked(1);
        at(5);
        tap();
        asked(1);
    }

    @Test
    void one_after_five_seconds_asks_beside_it_and_the_next_is_told() {
        tap();
        shutOut();
        at(5.001);
        tap();
        verify(records, timeout(5000).times(2)).mustWrite(any(), any(), any());
        capture.end();
        assertThatThrownBy(this::tap).hasMessageContaining("not yours");
    }

    @Test
    void one_after_fifteen_seconds_waits_for_the_answer() {
        tap();
        shutOut();
        at(15.001);
        assertThatThrownBy(this::tap).hasMessageContaining("not yours");
        asked(2);
        // Nothing is kept of a refusal either way.
        doNothing().when(records).mustWrite(any(), any(), any());
        tap();
        asked(3);
    }

    @Test
    void who_may_do_what_has_changed_and_the_next_tap_asks() {
        tap();
        shutOut();
        changes.incrementAndGet();
        assertThatThrownBy(this::tap).hasMessageContaining("not yours");
    }

    /** What was read is of before the change, and is not taken for what is so after it. */
    @Test
    void a_change_while_it_is_being_asked_counts_as_one_after_it() {
        doAnswer(i -> changes.incrementAndGet()).when(records).mustWrite(any(), any(), any());
        tap();
        shutOut();
        assertThatThrownBy(this::tap).hasMessageContaining("not yours");
    }

    @Test
    void one_grader_is_not_taken_for_another() {
        tap();
        shutOut();
        var mari = new Caller(UUID.fromString("00000000-0000-0000-0000-000000000003"), "Mari Holm", Role.GRADER);
        assertThatThrownBy(() -> capture.append(mari, TABLE, List.of())).hasMessageContaining("not yours");
        tap();
        asked(2);
    }
}
