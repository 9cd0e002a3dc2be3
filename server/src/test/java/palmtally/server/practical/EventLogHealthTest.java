package palmtally.server.practical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.health.contributor.Status;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import palmtally.server.practical.PracticalRows.EventKey;
import palmtally.server.practical.PracticalRows.EventRow;

/** A school of which the database has no room left says so, whoever may still read. */
class EventLogHealthTest {
    private static final UUID TABLE = UUID.fromString("00000000-0000-0000-0000-000000000001");
    private static final Instant NOW = Instant.parse("2026-11-20T18:00:00Z");

    private final PracticalRows rows = mock();
    private final EventLog log = new EventLog(
            rows, new TransactionTemplate(mock(PlatformTransactionManager.class)), Clock.fixed(NOW, ZoneOffset.UTC));

    @BeforeEach
    void start() {
        log.start();
    }

    @AfterEach
    void stop() {
        log.stop();
    }

    private Status after(Duration since) {
        return new EventLogHealth(log, Clock.fixed(NOW.plus(since), ZoneOffset.UTC))
                .health()
                .getStatus();
    }

    private void tap() {
        log.store(TABLE, null, List.of(new EventRow("a", "d", 1, 1, null, "note", "{}")));
    }

    @Test
    void is_down_while_taps_are_not_stored_and_up_as_soon_as_one_is() {
        assertThat(after(Duration.ZERO)).isEqualTo(Status.UP);
        when(rows.addAll(anyString(), any()))
                .thenThrow(new DataAccessResourceFailureException("no space left on device"))
                .thenReturn(List.of(new EventKey(TABLE, "a")));
        assertThatThrownBy(this::tap).isInstanceOf(DataAccessResourceFailureException.class);
        assertThat(after(Duration.ofSeconds(59))).isEqualTo(Status.DOWN);
        assertThat(after(Duration.ofSeconds(60))).isEqualTo(Status.UP);
        tap();
        assertThat(after(Duration.ZERO)).isEqualTo(Status.UP);
    }

    @Test
    void is_no_matter_of_a_tap_that_cannot_be() {
        when(rows.addAll(anyString(), any())).thenThrow(new DataIntegrityViolationException("no such practical"));
        assertThatThrownBy(this::tap).isInstanceOf(DataIntegrityViolationException.class);
        assertThat(after(Duration.ZERO)).isEqualTo(Status.UP);
    }
}
