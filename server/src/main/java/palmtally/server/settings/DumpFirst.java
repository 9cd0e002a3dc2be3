package palmtally.server.settings;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Clock;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.concurrent.TimeUnit;
import org.flywaydb.core.Flyway;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.stereotype.Component;

/** Dumps a database that holds something before any migration touches it; without a dump there is no migration. */
@Component
class DumpFirst implements FlywayMigrationStrategy {
    private static final Logger log = LoggerFactory.getLogger(DumpFirst.class);
    private final String folder;
    private final String program;
    private final String url;
    private final String user;
    private final String password;
    private final Clock clock;

    DumpFirst(
            @Value("${palm.backups}") String folder,
            @Value("${palm.pg-dump}") String program,
            @Value("${spring.datasource.url}") String url,
            @Value("${spring.datasource.username}") String user,
            @Value("${spring.datasource.password}") String password,
            Clock clock) {
        this.folder = folder;
        this.program = program;
        this.url = url;
        this.user = user;
        this.password = password;
        this.clock = clock;
    }

    @Override
    public void migrate(Flyway flyway) {
        var info = flyway.info();
        if (info.current() != null && info.pending().length > 0) dump(info.pending()[0].getVersion() + "");
        flyway.migrate();
    }

    private void dump(String next) {
        if (folder.isBlank())
            throw new IllegalStateException(
                    "The database must be migrated and no folder for its dump is set: set PALM_BACKUPS.");
        try {
            Files.createDirectories(Path.of(folder));
            var stamp = DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss")
                    .withZone(ZoneOffset.UTC)
                    .format(clock.instant());
            var file = Path.of(folder, "before-v" + next + "-" + stamp + ".dump");
            Files.createFile(file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
            var command = new ProcessBuilder(
                            program,
                            "--format=custom",
                            "--file=" + file,
                            "--username=" + user,
                            url.replaceFirst("^jdbc:", ""))
                    .redirectErrorStream(true);
            command.environment().put("PGPASSWORD", password);
            Process process;
            try {
                process = command.start();
            } catch (IOException e) {
                Files.deleteIfExists(file);
                throw e;
            }
            var said = new String(process.getInputStream().readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
            if (!process.waitFor(60, TimeUnit.MINUTES) || process.exitValue() != 0 || Files.size(file) == 0)
                throw new IllegalStateException(
                        "The dump before the migration failed, so nothing was migrated: " + said);
            log.info("dumped the database to {} before migrating to version {}", file, next);
        } catch (IOException e) {
            throw new IllegalStateException("The dump before the migration failed, so nothing was migrated.", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("The dump before the migration was interrupted.", e);
        }
    }
}
