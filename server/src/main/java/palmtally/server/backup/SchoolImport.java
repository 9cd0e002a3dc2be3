package palmtally.server.backup;

import static palmtally.server.backup.Catalogue.quoted;

import java.io.IOException;
import java.io.InputStream;
import java.io.PushbackInputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.flywaydb.core.api.FlywayException;
import org.postgresql.PGConnection;
import palmtally.formats.Json;
import palmtally.formats.Sha256;
import palmtally.server.backup.Catalogue.ColumnInfo;
import palmtally.server.backup.Catalogue.Filed;
import palmtally.server.backup.Catalogue.TableInfo;
import palmtally.server.backup.DataPackage.Resource;
import tools.jackson.core.JacksonException;

/**
 * A folder of open files as the school of a server again. It is built beside the school, in the schema it came from, brought up to this
 * version, and takes the school's place only when it is whole; the school that was there is kept.
 */
final class SchoolImport {
    private static final Pattern FILE = Pattern.compile("(documents|pictures)(/[A-Za-z0-9_-][A-Za-z0-9._-]*)+");
    private static final String STAYS = " The school is as it was.";

    private final SchoolDatabase at;
    private final Consumer<String> progress;

    /** @param progress is told of each table that is read */
    SchoolImport(SchoolDatabase at, Consumer<String> progress) {
        this.at = at;
        this.progress = progress;
    }

    /**
     * @param edited whether files that were changed since are meant to be
     * @throws Dumps.Failed where the folder is no whole export that this version knows, with the file and the line; the school is as it was
     *     then
     */
    Inventory read(Path folder, boolean edited, Instant now) {
        var told = description(folder);
        if (!edited) unchanged(folder, told);
        var fresh = at.name() + "_new_" + UUID.randomUUID().toString().substring(0, 8);
        try {
            at.create(fresh);
            schema(fresh, told.schema);
            try (var into = at.connect(fresh)) {
                into.setAutoCommit(false);
                fill(into, folder, told, edited);
                into.commit();
            }
            Inventory before;
            try (var filled = at.connect(fresh)) {
                before = Inventory.of(filled);
            }
            if (before.empty()) throw new Dumps.Failed(folder + " holds an empty school: nobody is in it." + STAYS);
            at.migrate(folder.toString(), fresh, before.schema());
            Inventory after;
            try (var filled = at.connect(fresh)) {
                after = Inventory.of(filled);
            }
            at.takePlace(fresh, now);
            return after;
        } catch (SQLException | IOException e) {
            throw new Dumps.Failed(folder + " could not be imported: " + e.getMessage() + "." + STAYS, e);
        } finally {
            at.dropQuietly(fresh);
        }
    }

    /** What the folder says of itself, with all of it there that is asked of later. */
    private record Told(String schema, Map<String, Resource> byPath) {}

    private static Told description(Path folder) {
        var file = folder.resolve(DataPackage.FILE);
        if (!Files.isRegularFile(file))
            throw new Dumps.Failed(
                    folder + " is no exported school: there is no " + DataPackage.FILE + " in it." + STAYS);
        DataPackage read;
        try {
            read = Json.MAPPER.readValue(file.toFile(), DataPackage.class);
        } catch (JacksonException e) {
            throw new Dumps.Failed(file + " cannot be read: " + e.getOriginalMessage() + "." + STAYS, e);
        }
        var origin = read == null ? null : read.palmTally();
        if (origin == null
                || !DataPackage.FORMAT.equals(origin.format())
                || origin.schema() == null
                || read.resources() == null)
            throw new Dumps.Failed(file + " is no description of an exported school." + STAYS);
        if (origin.version() != DataPackage.VERSION)
            throw new Dumps.Failed(folder + " is of version " + origin.version() + " of the format; this one reads "
                    + DataPackage.VERSION + "." + STAYS);
        var byPath = new HashMap<String, Resource>();
        for (var r : read.resources()) if (r != null && r.path() != null) byPath.put(r.path(), r);
        return new Told(origin.schema(), byPath);
    }

    /** Each file is as it was written. */
    private static void unchanged(Path folder, Told told) {
        var changed = new ArrayList<String>();
        told.byPath.forEach((path, resource) -> {
            if (resource.hash() == null
                    || !(path.startsWith("tables/") || FILE.matcher(path).matches())) return;
            var digest = Sha256.begun();
            try (var in = new DigestInputStream(Files.newInputStream(inside(folder, path)), digest)) {
                in.transferTo(java.io.OutputStream.nullOutputStream());
            } catch (IOException e) {
                changed.add(path + " (it cannot be read)");
                return;
            }
            if (!SchoolExport.hash(digest).equals(resource.hash())) changed.add(path);
        });
        if (changed.isEmpty()) return;
        changed.sort(null);
        throw new Dumps.Failed("Not as exported: " + String.join(", ", changed.subList(0, Math.min(5, changed.size())))
                + (changed.size() > 5 ? " and " + (changed.size() - 5) + " more" : "") + "." + STAYS
                + " Where that is meant, say --edited.");
    }

    private static Path inside(Path folder, String path) throws IOException {
        var file = folder.resolve(path).normalize();
        if (!file.startsWith(folder.normalize())
                || !Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS)
                || !file.toRealPath().startsWith(folder.toRealPath()))
            throw new IOException(path + " is not there, or is no file of the folder");
        return file;
    }

    private void schema(String database, String version) {
        if (!version.matches("\\d{1,6}")) throw new Dumps.Failed("The export names no version of the schema." + STAYS);
        try {
            at.migrateTo(database, version);
        } catch (FlywayException e) {
            throw new Dumps.Failed(
                    "The export is of schema " + version + ", which this version of Palm Tally does not know: "
                            + e.getMessage() + STAYS,
                    e);
        }
    }

    private void fill(Connection into, Path folder, Told told, boolean edited) throws SQLException, IOException {
        var tables = Catalogue.of(into).tables();
        try (var s = into.createStatement()) {
            s.execute("truncate "
                    + tables.stream()
                            .map(t -> quoted(t.name()))
                            .reduce((a, b) -> a + ", " + b)
                            .orElseThrow());
        }
        var known = new HashSet<String>();
        for (var table : tables) {
            var path = "tables/" + table.name() + ".csv";
            known.add(path);
            long rows = fill(into, folder, table, path);
            var resource = told.byPath.get(path);
            if (!edited && resource != null && resource.rows() != null && resource.rows() != rows)
                throw new Dumps.Failed(
                        path + " has " + rows + " rows and was written with " + resource.rows() + "." + STAYS);
            if (rows > 0) progress.accept(path + ": " + rows);
        }
        for (var path : told.byPath.keySet())
            if (path.startsWith("tables/") && !known.contains(path))
                throw new Dumps.Failed(path + " is no table of a school of schema " + told.schema + "." + STAYS);
    }

    private static long fill(Connection into, Path folder, TableInfo table, String path)
            throws SQLException, IOException {
        var header = header(folder, path);
        var columns = new HashMap<String, ColumnInfo>();
        table.columns().forEach(c -> columns.put(c.name(), c));
        for (var c : table.columns())
            if (!header.contains(c.name()))
                throw new Dumps.Failed(path + " has no column \"" + c.name() + "\"." + STAYS);
        var told = new HashSet<>(table.told().values());
        var filed = table.filed();
        var incoming = new ArrayList<String>();
        for (var name : header) {
            var c = columns.get(name);
            if (c == null && !told.contains(name))
                throw new Dumps.Failed(path + " has a column \"" + name + "\" that the school does not know." + STAYS);
            incoming.add(quoted(name) + " "
                    + (c == null || filed != null && filed.column().equals(name) ? "text" : c.type()));
        }
        try (var s = into.createStatement()) {
            s.execute("create temporary table incoming (" + String.join(", ", incoming) + ") on commit drop");
            try (var in = text(folder, path)) {
                into.unwrap(PGConnection.class)
                        .getCopyAPI()
                        .copyIn("copy incoming from stdin (format csv, header true, encoding 'UTF8')", in);
            } catch (SQLException e) {
                throw new Dumps.Failed(path + ": " + e.getMessage().replace("COPY incoming, ", "") + "." + STAYS, e);
            }
            if (filed != null) files(into, folder, path, filed);
            var names = table.columns().stream()
                    .map(c -> quoted(c.name()))
                    .reduce((a, b) -> a + ", " + b)
                    .orElseThrow();
            var values = table.columns().stream()
                    .map(c -> filed == null || !filed.column().equals(c.name())
                            ? "i." + quoted(c.name())
                            : filed.ending().equals(".json") ? "convert_from(f.bytes, 'UTF8')::jsonb" : "f.bytes")
                    .reduce((a, b) -> a + ", " + b)
                    .orElseThrow();
            long rows;
            try {
                rows = s.executeLargeUpdate("insert into " + quoted(table.name()) + " (" + names
                        + ") overriding system value select " + values + " from incoming i"
                        + (filed == null ? "" : " left join filed f on f.path = i." + quoted(filed.column())));
            } catch (SQLException e) {
                throw new Dumps.Failed(path + ": " + e.getMessage() + "." + STAYS, e);
            }
            s.execute("drop table incoming");
            if (filed != null) s.execute("drop table filed");
            var counter = table.counter();
            if (counter != null)
                s.execute("select setval(pg_get_serial_sequence('" + quoted(table.name()) + "', '" + counter
                        + "'), coalesce((select max(" + quoted(counter) + ") from " + quoted(table.name())
                        + "), 1), exists (select from " + quoted(table.name()) + "))");
            return rows;
        }
    }

    /** Reads the files that a column names, each for what it is. */
    private static void files(Connection into, Path folder, String table, Filed filed)
            throws SQLException, IOException {
        try (var s = into.createStatement()) {
            s.execute("create temporary table filed (path text primary key, bytes bytea not null) on commit drop");
        }
        var paths = new ArrayList<String>();
        try (var s = into.createStatement();
                var r = s.executeQuery("select distinct " + quoted(filed.column()) + " from incoming order by 1")) {
            while (r.next()) paths.add(r.getString(1));
        }
        try (var add = into.prepareStatement("insert into filed values (?, ?)")) {
            for (var path : paths) {
                if (path == null || !FILE.matcher(path).matches())
                    throw new Dumps.Failed(table + " names \"" + path + "\", which is no file of an export." + STAYS);
                var bytes = Files.readAllBytes(inside(folder, path));
                if (filed.ending().equals(".json"))
                    try {
                        Json.MAPPER.readTree(bytes);
                    } catch (JacksonException e) {
                        throw new Dumps.Failed(path + " is no JSON: " + e.getOriginalMessage() + "." + STAYS, e);
                    }
                add.setString(1, path);
                add.setBytes(2, bytes);
                add.addBatch();
            }
            add.executeBatch();
        }
    }

    private static List<String> header(Path folder, String path) throws IOException {
        try (var in = text(folder, path);
                var reader = new java.io.InputStreamReader(in, StandardCharsets.UTF_8);
                var csv = CSVFormat.RFC4180.parse(reader)) {
            var lines = csv.iterator();
            if (!lines.hasNext()) throw new Dumps.Failed(path + " is empty; its first line says the columns." + STAYS);
            var names = lines.next().toList();
            if (new HashSet<>(names).size() != names.size())
                throw new Dumps.Failed(path + " names a column twice." + STAYS);
            return names;
        }
    }

    /** What a file says, without the mark of UTF-8 that some programs put in front. */
    private static InputStream text(Path folder, String path) throws IOException {
        var in = new PushbackInputStream(Files.newInputStream(inside(folder, path)), 3);
        var first = in.readNBytes(3);
        if (!(first.length == 3 && first[0] == (byte) 0xEF && first[1] == (byte) 0xBB && first[2] == (byte) 0xBF))
            in.unread(first);
        return in;
    }
}
