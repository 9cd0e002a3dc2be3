package palmtally.server.backup;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Map;
import java.util.TreeMap;

/**
 * What a database of a school holds.
 *
 * @param school its name, blank where it has none
 * @param schema version of the newest migration in it
 * @param rows how many rows each table has, and a sum over their contents that is the same for the same rows in any order
 */
public record Inventory(String school, String schema, Map<String, Content> rows) {
    /** @param sum of the rows' hashes */
    public record Content(long rows, long sum) {}

    /** Tables that change while nobody does anything. */
    private static final java.util.Set<String> PASSING =
            java.util.Set.of("spring_session", "spring_session_attributes");

    /** @throws NotASchool where the tables of a school are not there */
    static Inventory of(Connection database) throws SQLException {
        var tables = new ArrayList<String>();
        try (var s = database.createStatement();
                var r = s.executeQuery(
                        "select table_name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE' order by 1")) {
            while (r.next()) tables.add(r.getString(1));
        }
        for (var needed : new String[] {"flyway_schema_history", "school", "account", "practical", "event"})
            if (!tables.contains(needed)) throw new NotASchool("it has no table \"" + needed + "\"");
        var rows = new TreeMap<String, Content>();
        for (var table : tables) {
            if (PASSING.contains(table)) continue;
            rows.put(table, content(database, table));
        }
        return new Inventory(
                text(database, "select coalesce((select name from school), '')"),
                text(
                        database,
                        "select coalesce((select version from flyway_schema_history where success order by installed_rank desc limit 1), '')"),
                rows);
    }

    private static Content content(Connection database, String table) throws SQLException {
        // The name comes from the catalogue of the database itself.
        try (var s = database.createStatement();
                var r = s.executeQuery(
                        "select count(*), coalesce(sum(hashtextextended(t::text, 0) % 1000000007), 0) from \""
                                + table.replace("\"", "\"\"") + "\" t")) {
            r.next();
            return new Content(r.getLong(1), r.getLong(2));
        }
    }

    private static String text(Connection database, String sql) throws SQLException {
        try (var s = database.createStatement();
                var r = s.executeQuery(sql)) {
            r.next();
            return r.getString(1);
        }
    }

    /** Whether there is nothing of a school in it. */
    boolean empty() {
        return count("account") == 0;
    }

    long count(String table) {
        var content = rows.get(table);
        return content == null ? 0 : content.rows;
    }

    /** In words, such as {@code Breakwater School: 16 people, 144 practicals with 12345 events, schema 12}. */
    public String words() {
        return (school.isBlank() ? "a school without a name" : school) + ": " + count("account") + " people, "
                + count("practical") + " practicals with " + count("event") + " events, schema " + schema;
    }

    /** A database in which there is no school. */
    static final class NotASchool extends RuntimeException {
        NotASchool(String why) {
            super(why);
        }
    }
}
