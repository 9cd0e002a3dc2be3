package palmtally.server.backup;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;

/**
 * Dumps a school's database, restores a dump in its place and takes that back. A dump counts once it was restored beside the school and
 * holds the same rows; a restored one takes the place of the school only when it is a school, of a schema that this version knows. Uses
 * PostgreSQL's own pg_dump and pg_restore.
 */
public final class Dumps {
    private static final int MOST_MINUTES = 60;
    private final SchoolDatabase at;
    private final Path programs;

    /**
     * @param url of the school's database, such as {@code jdbc:postgresql://127.0.0.1:55432/school}
     * @param programs folder of pg_dump and pg_restore
     */
    public Dumps(String url, String user, String password, Path programs) {
        this.at = new SchoolDatabase(url, user, password);
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
        try (var school = at.connect(at.name());
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
        var proof = at.name() + "_proof_" + UUID.randomUUID().toString().substring(0, 8);
        try {
            var folder = file.toAbsolutePath().getParent();
            if (folder != null) Files.createDirectories(folder);
            Files.deleteIfExists(part);
            Files.createFile(part, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
            Inventory there;
            // Counted in the same snapshot that is dumped, so that taps which come meanwhile make no difference.
            try (var school = at.connect(at.name())) {
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
                    throw new Failed("The database \"" + at.name()
                            + "\" holds no school yet: nobody is in it. Nothing was dumped.");
                run(
                        "pg_dump",
                        "--format=custom",
                        "--no-owner",
                        "--no-privileges",
                        "--snapshot=" + snapshot,
                        "--file=" + part,
                        "--dbname=" + at.name());
            }
            at.create(proof);
            run("pg_restore", "--exit-on-error", "--no-owner", "--no-privileges", "--dbname=" + proof, part.toString());
            try (var restored = at.connect(proof)) {
                var proven = Inventory.of(restored);
                if (!proven.equals(there))
                    throw new Failed("The dump does not hold what the school holds: " + proven.words() + " instead of "
                            + there.words() + ". It was thrown away.");
            }
            Files.move(part, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
            return there;
        } catch (Inventory.NotASchool e) {
            throw new Failed(
                    "The database \"" + at.name() + "\" holds no school: " + e.getMessage() + ". Nothing was dumped.",
                    e);
        } catch (IOException | SQLException e) {
            throw new Failed("The dump could not be made: " + e.getMessage(), e);
        } finally {
            at.dropQuietly(proof);
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
        var fresh = at.name() + "_new_" + UUID.randomUUID().toString().substring(0, 8);
        try {
            if (!Files.isRegularFile(file)) throw new Failed(file + " is no file. The school is as it was.");
            at.create(fresh);
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
            try (var restored = at.connect(fresh)) {
                before = Inventory.of(restored);
            } catch (Inventory.NotASchool e) {
                throw new Failed(file + " is no dump of a school: " + e.getMessage() + ". The school is as it was.", e);
            }
            if (before.empty())
                throw new Failed(file + " holds an empty school: nobody is in it. The school is as it was.");
            at.migrate(file.toString(), fresh, before.schema());
            Inventory after;
            try (var restored = at.connect(fresh)) {
                after = Inventory.of(restored);
            }
            for (var table : List.of("account", "practical", "event"))
                if (after.count(table) != before.count(table))
                    throw new Failed("Bringing " + file + " up to this version lost rows of \"" + table
                            + "\". The school is as it was.");
            at.takePlace(fresh, now);
            return after;
        } catch (SQLException e) {
            throw new Failed(file + " could not be restored: " + e.getMessage() + ". The school is as it was.", e);
        } finally {
            at.dropQuietly(fresh);
        }
    }

    /**
     * Writes the school as a folder of open files.
     *
     * @param progress is told of each file that is done
     * @throws Failed where there is no school, or the folder cannot be written; nothing is there then
     */
    Inventory export(Path folder, Instant now, Consumer<String> progress) {
        return new SchoolExport(at, progress).write(folder, now);
    }

    /**
     * Puts a school of open files in the place of the school, which is kept beside it, for {@link #undo}.
     *
     * @param edited whether files that were changed since they were exported are meant to be
     * @throws Failed where it is no whole school that this version knows, with the file and line; the school is as it was then
     */
    Inventory take(Path folder, boolean edited, Instant now, Consumer<String> progress) {
        return new SchoolImport(at, progress).read(folder, edited, now);
    }

    /**
     * Takes the last restore back: the school that was there before it is the school again, and the restored one is kept beside it.
     *
     * @throws Failed where there is none to go back to
     */
    public Inventory undo(Instant now) {
        try {
            var kept = at.kept("_before_");
            if (kept.isEmpty()) throw new Failed("There is no school to go back to: nothing was restored here.");
            at.swap(kept.get(kept.size() - 1), at.name() + "_undone_" + SchoolDatabase.STAMP.format(now));
            try (var school = at.connect(at.name())) {
                return Inventory.of(school);
            }
        } catch (SQLException e) {
            throw new Failed("The restore could not be taken back: " + e.getMessage(), e);
        }
    }

    private void run(String program, String... words) {
        var address = at.address();
        var command = new ArrayList<String>();
        command.add(programs.resolve(program).toString());
        command.add("--host=" + address.getHost());
        command.add("--port=" + (address.getPort() < 0 ? 5432 : address.getPort()));
        command.add("--username=" + at.user());
        command.addAll(List.of(words));
        try {
            var builder = new ProcessBuilder(command).redirectErrorStream(true);
            builder.environment().put("PGPASSWORD", at.password());
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
