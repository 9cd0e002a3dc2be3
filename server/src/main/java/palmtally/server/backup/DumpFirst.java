package palmtally.server.backup;

import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import org.flywaydb.core.Flyway;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.stereotype.Component;

/** Dumps a school before any migration touches it, and proves the dump; without one there is no migration. */
@Component
class DumpFirst implements FlywayMigrationStrategy {
    private static final Logger log = LoggerFactory.getLogger(DumpFirst.class);
    private static final DateTimeFormatter STAMP =
            DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss").withZone(ZoneOffset.UTC);
    private final String folder;
    private final Dumps dumps;
    private final Clock clock;

    DumpFirst(@Value("${palm.backups}") String folder, Dumps dumps, Clock clock) {
        this.folder = folder;
        this.dumps = dumps;
        this.clock = clock;
    }

    @Override
    public void migrate(Flyway flyway) {
        var info = flyway.info();
        if (info.current() != null && info.pending().length > 0)
            dump(info.pending()[0].getVersion().toString());
        flyway.migrate();
    }

    private void dump(String next) {
        if (dumps.nobodyIsThere()) {
            log.info("nobody is in this school yet: migrated without a dump");
            return;
        }
        if (folder.isBlank())
            throw new IllegalStateException(
                    "The database must be migrated and no folder for its dump is set: set PALM_BACKUPS.");
        var file = Path.of(folder, "before-v" + next + "-" + STAMP.format(clock.instant()) + ".dump");
        try {
            var there = dumps.dump(file);
            log.info("dumped the database to {} before migrating to version {}: {}", file, next, there.words());
        } catch (Dumps.Failed e) {
            throw new IllegalStateException(
                    "The dump before the migration failed, so nothing was migrated: " + e.getMessage(), e);
        }
    }
}
