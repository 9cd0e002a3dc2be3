package palmtally.server.backup;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.FlywayException;

/**
 * Dumps a school's database, restores a dump in its place and takes that back. A dump counts once it was restored beside the school and
 * holds the same rows; a restored one takes the place of the school only when it is a school, of a schema that this version knows. Uses
 * PostgreSQL's own pg_dump and pg_restore.
 */
public final class Dumps {
    private static final DateTimeFormatter STAMP =
            DateTimeFormatter.ofPattern("yyyyMMddHHmmss").withZone(ZoneOffset.UTC);
    private static final int MOST_MINUTES = 60;
    /** Schools that a restore took the place of, and that are kept for the way back. */
    private static final int KEPT = 3;

    private final String url;
    private final String user;
    private final String password;
    private final Path programs;

    /**
     * @param url of the school's database, such as {@code jdbc:postgresql://127.0.0.1:55432/school}
     * @param programs folder of pg_dump and pg_restore
     */
    public Dumps(String url, String user, String password, Path programs) {
        this.url = url;
        this.user = user;
        this.password = password;
        this.programs = programs;
    }

    /** What could not be done, why, and that nothing was changed by it. */
    public static final class Failed extends RuntimeException {
        Failed(String message) {
            super(message);
        }

        Failed(String message, Throwable cause) {
            super(message, cause);
        }
    }

    /** Whether the database, of whatever version, has nobody in it. */
    boolean nobodyIsThere() {
        try (var school = connect(name());
                var s = school.createStatement();
                var r = s.executeQuery("select not exists (select from account)")) {
            r.next();
            return r.getBoolean(1);
        } catch (SQLException e) {
            throw new Failed("The database cannot be asked who is in it: " + e.getMessage(), e);
        }
    }

    /**
     * Dumps the school into a file that only its owner can read, and proves it by restoring it beside the school.
     *
     * @return what is in it
     * @throws Failed where there is no school to dump, or the dump does not hold what the school holds; the file is not there then
     */
    public Inventory dump(Path file) {
        var part = file.resolveSibling(file.getFileName() + ".part");
        var proof = name() + "_proof_" + UUID.randomUUID().toString().substring(0, 8);
        try {
            var folder = file.toAbsolutePath().getParent();
            if (folder != null) Files.createDirectories(folder);
            Files.deleteIfExists(part);
            Files.createFile(part, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
            Inventory there;
            // Counted in the same snapshot that is dumped, so that taps which come meanwhile make no difference.
            try (var school = connect(name())) {
                school.setAutoCommit(false);
                school.setTransactionIsolation(Connection.TRANSACTION_REPEATABLE_READ);
                String snapshot;
                try (var s = school.createStatement();
                        var r = s.executeQuery("select pg_export_snapshot()")) {
                    r.next();
                    snapshot = r.getString(1);
                }
                there = Inventory.of(school);
                if (there.empty())
                    throw new Failed("The database \"" + name()
                            + "\" holds no school yet: nobody is in it. Nothing was dumped.");
                run(
                        "pg_dump",
                        "--format=custom",
                        "--no-owner",
                        "--no-privileges",
                        "--snapshot=" + snapshot,
                        "--file=" + part,
                        "--dbname=" + name());
            }
            create(proof);
            run("pg_restore", "--exit-on-error", "--no-owner", "--no-privileges", "--dbname=" + proof, part.toString());
            try (var restored = connect(proof)) {
                var proven = Inventory.of(restored);
                if (!proven.equals(there))
                    throw new Failed("The dump does not hold what the school holds: " + proven.words() + " instead of "
                            + there.words() + ". It was thrown away.");
            }
            Files.move(part, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
            return there;
        } catch (Inventory.NotASchool e) {
            throw new Failed(
                    "The database \"" + name() + "\" holds no school: " + e.getMessage() + ". Nothing was dumped.", e);
        } catch (IOException | SQLException e) {
            throw new Failed("The dump could not be made: " + e.getMessage(), e);
        } finally {
            dropQuietly(proof);
            try {
                Files.deleteIfExists(part);
            } catch (IOException e) {
                // It is overwritten by the next.
            }
        }
    }

    /**
     * Puts a dump in the place of the school. The school that was there is kept beside it, for {@link #undo}. One of an earlier version is
     * brought up to this one first.
     *
     * @return what the school holds now
     * @throws Failed where the file is no dump of a school, is damaged, or comes from a newer version; the school is as it was then
     */
    public Inventory restore(Path file, Instant now) {
        var fresh = name() + "_new_" + UUID.randomUUID().toString().substring(0, 8);
        try {
            if (!Files.isRegularFile(file)) throw new Failed(file + " is no file. The school is as it was.");
            create(fresh);
            try {
                run(
                        "pg_restore",
                        "--exit-on-error",
                        "--no-owner",
                        "--no-privileges",
                        "--dbname=" + fresh,
                        file.toString());
            } catch (Failed e) {
                throw new Failed(
                        file + " cannot be restored: it is no dump, or is damaged. The school is as it was. ("
                                + e.getMessage() + ")",
                        e);
            }
            Inventory before;
            try (var restored = connect(fresh)) {
                before = Inventory.of(restored);
            } catch (Inventory.NotASchool e) {
                throw new Failed(file + " is no dump of a school: " + e.getMessage() + ". The school is as it was.", e);
            }
            if (before.empty())
                throw new Failed(file + " holds an empty school: nobody is in it. The school is as it was.");
            migrate(file, fresh, before);
            Inventory after;
            try (var restored = connect(fresh)) {
                after = Inventory.of(restored);
            }
            for (var table : List.of("account", "practical", "event"))
                if (after.count(table) != before.count(table))
                    throw new Failed("Bringing " + file + " up to this version lost rows of \"" + table
                            + "\". The school is as it was.");
            swap(fresh, name() + "_before_" + STAMP.format(now));
            forgetOld();
            return after;
        } catch (SQLException e) {
            throw new Failed(file + " could not be restored: " + e.getMessage() + ". The school is as it was.", e);
        } finally {
            dropQuietly(fresh);
        }
    }

    private void migrate(Path file, String database, Inventory before) {
        var flyway = Flyway.configure()
                .dataSource(url(database), user, password)
                .locations("classpath:db/migration")
                .ignoreMigrationPatterns(new String[0])
                .loggers("slf4j")
                .load();
        for (var migration : flyway.info().all())
            if (migration.getState().isFailed() || migration.getState().name().startsWith("FUTURE"))
                throw new Failed(file + " comes from a newer version of Palm Tally (schema " + before.schema()
                        + "), or from one that had failed. The school is as it was.");
        try {
            flyway.migrate();
        } catch (FlywayException e) {
            throw new Failed(
                    file + " could not be brought up to this version: " + e.getMessage() + ". The school is as it was.",
                    e);
        }
    }

    /**
     * Takes the last restore back: the school that was there before it is the school again, and the restored one is kept beside it.
     *
     * @throws Failed where there is none to go back to
     */
    public Inventory undo(Instant now) {
        try {
            var kept = kept("_before_");
            if (kept.isEmpty()) throw new Failed("There is no school to go back to: nothing was restored here.");
            swap(kept.get(kept.size() - 1), name() + "_undone_" + STAMP.format(now));
            try (var school = connect(name())) {
                return Inventory.of(school);
            }
        } catch (SQLException e) {
            throw new Failed("The restore could not be taken back: " + e.getMessage(), e);
        }
    }

    /** Puts one database in the place of the school's, which is kept under another name: both or neither. */
    private void swap(String fresh, String aside) throws SQLException {
        try (var server = connect("postgres")) {
            server.setAutoCommit(true);
            try (var s = server.createStatement()) {
                s.execute("select pg_terminate_backend(pid) from pg_stat_activity where datname in ('" + name() + "', '"
                        + fresh + "') and pid <> pg_backend_pid()");
                boolean there;
                try (var r = s.executeQuery("select 1 from pg_database where datname = '" + name() + "'")) {
                    there = r.next();
                }
                server.setAutoCommit(false);
                if (there) s.execute("alter database \"" + name() + "\" rename to \"" + aside + "\"");
                s.execute("alter database \"" + fresh + "\" rename to \"" + name() + "\"");
                server.commit();
            }
        }
    }

    /** Databases kept beside the school under a word, the oldest first. */
    private List<String> kept(String word) throws SQLException {
        try (var server = connect("postgres");
                var s = server.prepareStatement(
                        "select datname from pg_database where datname like ? order by datname")) {
            s.setString(1, (name() + word).replace("_", "\\_") + "%");
            var names = new ArrayList<String>();
            try (var r = s.executeQuery()) {
                while (r.next()) names.add(r.getString(1));
            }
            return names;
        }
    }

    private void forgetOld() throws SQLException {
        for (var word : List.of("_before_", "_undone_")) {
            var names = kept(word);
            for (int i = 0; i < names.size() - KEPT; i++) dropQuietly(names.get(i));
        }
    }

    private void create(String database) throws SQLException {
        try (var server = connect("postgres");
                var s = server.createStatement()) {
            s.execute("create database \"" + database + "\" template template0");
        }
    }

    private void dropQuietly(String database) {
        try (var server = connect("postgres");
                var s = server.createStatement()) {
            s.execute("drop database if exists \"" + database + "\" with (force)");
        } catch (SQLException e) {
            // It stays beside the school, and is in nobody's way.
        }
    }

    private String name() {
        return url.replaceFirst("\\?.*$", "").replaceFirst("^.*/", "");
    }

    private String url(String database) {
        return url.replaceFirst("/[^/?]*(\\?.*)?$", "/" + database + "$1");
    }

    private Connection connect(String database) throws SQLException {
        return DriverManager.getConnection(url(database), user, password);
    }

    private void run(String program, String... words) {
        var at = java.net.URI.create(url.replaceFirst("^jdbc:", ""));
        var command = new ArrayList<String>();
        command.add(programs.resolve(program).toString());
        command.add("--host=" + at.getHost());
        command.add("--port=" + (at.getPort() < 0 ? 5432 : at.getPort()));
        command.add("--username=" + user);
        command.addAll(List.of(words));
        try {
            var builder = new ProcessBuilder(command).redirectErrorStream(true);
            builder.environment().put("PGPASSWORD", password);
            builder.environment().put("LC_ALL", "C.UTF-8");
            var process = builder.start();
            process.getOutputStream().close();
            var said = new String(process.getInputStream().readNBytes(100_000), StandardCharsets.UTF_8);
            if (!process.waitFor(MOST_MINUTES, TimeUnit.MINUTES) || process.exitValue() != 0)
                throw new Failed(program.toLowerCase(Locale.ROOT) + ": " + said.strip());
        } catch (IOException e) {
            throw new Failed(program + " could not be started: " + e.getMessage(), e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Failed(program + " was interrupted", e);
        }
    }
}
