package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.builder.SpringApplicationBuilder;

/** A database that holds something is dumped before any migration; where it cannot be dumped nothing is migrated. */
class DumpFirstTest {
    @TempDir
    Path folder;

    /** A database one migration behind: as the app leaves it, with a later migration waiting. */
    private static void start(TestDatabase db, Path waiting, Path backups, String program) {
        new SpringApplicationBuilder(PalmTally.class)
                .run(
                        "--server.port=0",
                        "--spring.datasource.url=" + db.url(),
                        "--spring.datasource.username=" + db.user(),
                        "--spring.datasource.password=" + db.password(),
                        "--spring.flyway.locations=classpath:db/migration,filesystem:" + waiting,
                        "--palm.backups=" + backups,
                        "--palm.pg-dump=" + program,
                        "--logging.level.root=off")
                .close();
    }

    private static String pgDump() throws IOException {
        try (var versions = Files.list(Path.of("/usr/lib/postgresql"))) {
            return versions.map(v -> v.resolve("bin/pg_dump"))
                    .filter(Files::isExecutable)
                    .findFirst()
                    .orElseThrow()
                    .toString();
        }
    }

    @Test
    void and_the_dump_holds_what_was_there() throws IOException {
        try (var db = TestDatabase.fresh()) {
            Flyway.configure()
                    .dataSource(db.url(), db.user(), db.password())
                    .load()
                    .migrate();
            db.run("insert into school (name, profile_id) values ('Old Quay', 'by-seconds')");
            db.run("insert into account (id, name, sign_in, sign_in_key, password, role) values"
                    + " (gen_random_uuid(), 'Vera', 'vera', 'vera', '{bcrypt}x', 'lead')");
            var waiting = Files.createDirectory(folder.resolve("waiting"));
            Files.writeString(waiting.resolve("V900__later.sql"), "create table later (id int);");
            var backups = folder.resolve("backups");

            assertThatThrownBy(() -> start(db, waiting, backups, "/nowhere/pg_dump"))
                    .hasStackTraceContaining("so nothing was migrated");
            assertThat(backups).as("and no half of a dump").isEmptyDirectory();
            var later = "select count(*) from information_schema.tables where table_name = 'later'";
            assertThat(db.count(later)).as("no dump, no migration").isZero();

            start(db, waiting, backups, pgDump());
            assertThat(db.count(later)).isEqualTo(1);
            try (var dumps = Files.list(backups)) {
                assertThat(dumps).singleElement().satisfies(d -> {
                    assertThat(d.getFileName().toString()).startsWith("before-v900-");
                    assertThat(new String(Files.readAllBytes(d), java.nio.charset.StandardCharsets.ISO_8859_1))
                            .startsWith("PGDMP")
                            .contains("practical");
                });
            }
        }
    }
}
