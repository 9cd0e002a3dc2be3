package palmtally.server.backup;

import java.net.URI;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.FlywayException;

/** The database of a school among those of its server: others beside it, and one that takes its place. */
record SchoolDatabase(String url, String user, String password) {
    static final DateTimeFormatter STAMP =
            DateTimeFormatter.ofPattern("yyyyMMddHHmmss").withZone(ZoneOffset.UTC);
    /** Schools that a restore took the place of, and that are kept for the way back. */
    private static final int KEPT = 3;

    @Override
    public String toString() {
        return name();
    }

    URI address() {
        return URI.create(url.replaceFirst("^jdbc:", ""));
    }

    /** Brings a database up to this version. */
    void migrate(String what, String database, String schema) {
        var flyway = Flyway.configure()
                .dataSource(url(database), user, password)
                .locations("classpath:db/migration")
                .ignoreMigrationPatterns(new String[0])
                .loggers("slf4j")
                .load();
        for (var migration : flyway.info().all())
            if (migration.getState().isFailed() || migration.getState().name().startsWith("FUTURE"))
                throw new Dumps.Failed(what + " comes from a newer version of Palm Tally (schema " + schema
                        + "), or from one that had failed. The school is as it was.");
        try {
            flyway.migrate();
        } catch (FlywayException e) {
            throw new Dumps.Failed(
                    what + " could not be brought up to this version: " + e.getMessage() + ". The school is as it was.",
                    e);
        }
    }

    /** Brings a database to a version of the schema and no further. */
    void migrateTo(String database, String schema) {
        Flyway.configure()
                .dataSource(url(database), user, password)
                .locations("classpath:db/migration")
                .target(schema)
                .loggers("slf4j")
                .load()
                .migrate();
    }

    /** Puts a database in the place of the school, which is kept for the way back. */
    void takePlace(String fresh, Instant now) throws SQLException {
        swap(fresh, name() + "_before_" + STAMP.format(now));
        forgetOld();
    }

    /** Puts one database in the place of the school's, which is kept under another name: both or neither. */
    void swap(String fresh, String aside) throws SQLException {
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
    List<String> kept(String word) throws SQLException {
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

    void create(String database) throws SQLException {
        try (var server = connect("postgres");
                var s = server.createStatement()) {
            s.execute("create database \"" + database + "\" template template0");
        }
    }

    void dropQuietly(String database) {
        try (var server = connect("postgres");
                var s = server.createStatement()) {
            s.execute("drop database if exists \"" + database + "\" with (force)");
        } catch (SQLException e) {
            // It stays beside the school, and is in nobody's way.
        }
    }

    String name() {
        return url.replaceFirst("\\?.*$", "").replaceFirst("^.*/", "");
    }

    private String url(String database) {
        return url.replaceFirst("/[^/?]*(\\?.*)?$", "/" + database + "$1");
    }

    Connection connect(String database) throws SQLException {
        return DriverManager.getConnection(url(database), user, password);
    }
}
