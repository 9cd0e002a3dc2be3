package palmtally.server.version;

import java.time.Clock;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import palmtally.formats.UnreadableDocument;

/**
 * Where the versions of every kind of document are. What a row says is made once and kept as long as the row is the same: nothing has to
 * be told when another version is saved, here or at another server.
 */
@Component
public class VersionStore {
    private static final Logger log = LoggerFactory.getLogger(VersionStore.class);

    /** More than a school has in use. */
    private static final int MOST_KEPT = 4000;

    final VersionRows rows;
    final TransactionTemplate transaction;
    final Clock clock;
    private final Map<VersionRows.Row, Object> kept = new ConcurrentHashMap<>();

    VersionStore(VersionRows rows, TransactionTemplate transaction, Clock clock) {
        this.rows = rows;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** The versions of one kind. */
    public <T> Versions<T> of(Kind<T> kind) {
        return new Versions<>(kind, this);
    }

    /** What a row holds, or why it cannot be read. */
    Object read(VersionRows.Row row, Function<String, ?> reading) {
        if (kept.size() > MOST_KEPT) kept.clear();
        return kept.computeIfAbsent(row, r -> {
            try {
                return reading.apply(rows.body(r.id()));
            } catch (UnreadableDocument e) {
                log.warn("{} version {} cannot be read: {}", r.document(), r.number(), e.getMessage());
                return e;
            }
        });
    }
}
