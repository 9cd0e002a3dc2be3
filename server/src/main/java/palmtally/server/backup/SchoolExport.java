package palmtally.server.backup;

import static palmtally.server.backup.Catalogue.quoted;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.postgresql.PGConnection;
import palmtally.core.Texts;
import palmtally.formats.Json;
import palmtally.formats.Sha256;
import palmtally.server.backup.Catalogue.ColumnInfo;
import palmtally.server.backup.Catalogue.Filed;
import palmtally.server.backup.Catalogue.TableInfo;
import palmtally.server.backup.DataPackage.Constraints;
import palmtally.server.backup.DataPackage.Field;
import palmtally.server.backup.DataPackage.ForeignKey;
import palmtally.server.backup.DataPackage.Reference;
import palmtally.server.backup.DataPackage.Resource;
import palmtally.server.backup.DataPackage.TableSchema;

/**
 * A whole school as a folder of open files: a CSV a table, each document and picture as a file of its own, and what they are in a Data
 * Package. All of it is of one moment, and only its owner can read it.
 */
final class SchoolExport {
    private static final Set<PosixFilePermission> OWN = PosixFilePermissions.fromString("rwx------");
    private static final String README = """
            %s

            This folder is a whole school. It was made on %s.

            tables/      a table a file: CSV in UTF-8, the first line says the columns. Where a column points to a
                         person or a term, the one after it says the name; that one is for you alone.
            documents/   sequences, plans, techniques and the profile, each version as it was kept, in JSON
            pictures/    the school's own, where it has some
            %s
                         what each column is and where it points to (Frictionless Data Package, version 1)

            An empty cell is nothing; a cell of two quotes is a text without a letter. Times are in UTC.
            Passwords and codes are not in it as such: there are only their hashes. Keep it as you keep the school's files.

            ./palm import THIS-FOLDER makes it the school of a server again.
            """;

    private final SchoolDatabase at;
    private final Consumer<String> progress;

    /** @param progress is told of each table that is done */
    SchoolExport(SchoolDatabase at, Consumer<String> progress) {
        this.at = at;
        this.progress = progress;
    }

    /**
     * @param folder which is not there yet, or is empty
     * @throws Dumps.Failed where there is no school, or the folder cannot be written; nothing is there then
     */
    Inventory write(Path folder, Instant now) {
        var part = folder.resolveSibling(folder.getFileName() + ".part");
        try {
            if (Files.isDirectory(folder))
                try (var there = Files.list(folder)) {
                    if (there.findAny().isPresent())
                        throw new Dumps.Failed(folder + " is not empty. Name a folder that is not there yet.");
                }
            else if (Files.exists(folder)) throw new Dumps.Failed(folder + " is a file. Name a folder.");
            delete(part);
            var above = folder.toAbsolutePath().getParent();
            if (above != null) Files.createDirectories(above);
            Files.createDirectory(part, PosixFilePermissions.asFileAttribute(OWN));
            Inventory there;
            try (var school = at.connect(at.name())) {
                school.setAutoCommit(false);
                school.setTransactionIsolation(Connection.TRANSACTION_REPEATABLE_READ);
                there = Inventory.of(school);
                if (there.empty())
                    throw new Dumps.Failed("The database \"" + at.name()
                            + "\" holds no school yet: nobody is in it. Nothing was exported.");
                write(school, part, there, now);
            }
            Files.deleteIfExists(folder);
            Files.move(part, folder, StandardCopyOption.ATOMIC_MOVE);
            return there;
        } catch (Inventory.NotASchool e) {
            throw new Dumps.Failed(
                    "The database \"" + at.name() + "\" holds no school: " + e.getMessage() + ". Nothing was exported.",
                    e);
        } catch (IOException | SQLException e) {
            throw new Dumps.Failed("The school could not be exported: " + e.getMessage(), e);
        } finally {
            delete(part);
        }
    }

    private void write(Connection school, Path part, Inventory there, Instant now) throws SQLException, IOException {
        var resources = new ArrayList<Resource>();
        var documents = new ArrayList<Resource>();
        Files.createDirectory(part.resolve("tables"));
        try (var s = school.createStatement()) {
            s.execute("create temporary table filed (table_name text, id text, path text) on commit drop");
        }
        for (var table : Catalogue.of(school).tables()) {
            var filed = table.filed();
            if (filed != null) documents.addAll(file(school, part, table, filed));
            var resource = table(school, part, table);
            resources.add(resource);
            var rows = resource.rows();
            if (rows != null && rows > 0) progress.accept(resource.path() + ": " + rows);
        }
        resources.addAll(documents);
        var title = there.school().isBlank() ? "A school" : there.school();
        Json.MAPPER
                .writerWithDefaultPrettyPrinter()
                .writeValue(
                        part.resolve(DataPackage.FILE).toFile(),
                        new DataPackage(
                                "data-package",
                                "school",
                                title,
                                now.toString(),
                                new DataPackage.Origin(DataPackage.FORMAT, DataPackage.VERSION, there.schema()),
                                List.copyOf(resources)));
        Files.writeString(
                part.resolve("README.txt"),
                README.formatted(title, now.toString().substring(0, 10), DataPackage.FILE));
    }

    private static Resource table(Connection school, Path part, TableInfo table) throws SQLException, IOException {
        var path = "tables/" + table.name() + ".csv";
        var told = table.told();
        var cells = new ArrayList<String>();
        var fields = new ArrayList<Field>();
        for (var c : table.columns()) {
            cells.add(cell(table, c) + " as " + quoted(c.name()));
            fields.add(field(table, c));
            var name = told.get(c.name());
            if (name == null) continue;
            var to = table.pointer(c.name());
            cells.add("(select k." + quoted(to.knownBy()) + " from " + quoted(to.to()) + " k where k."
                    + quoted(to.toColumns().get(0)) + " = t." + quoted(c.name()) + ") as " + quoted(name));
            fields.add(new Field(name, "string", null, "For the reader; it is not read again.", null));
        }
        var query = "select " + String.join(", ", cells) + " from " + quoted(table.name()) + " t order by "
                + table.key().stream()
                        .map(k -> "t." + quoted(k))
                        .reduce((a, b) -> a + ", " + b)
                        .orElse("1");
        var written = new Written(part.resolve(path));
        long rows;
        try (written) {
            rows = school.unwrap(PGConnection.class)
                    .getCopyAPI()
                    .copyOut("copy (" + query + ") to stdout (format csv, header true, encoding 'UTF8')", written.out);
        }
        return new Resource(
                table.name(),
                path,
                "tabular-data-resource",
                "csv",
                "text/csv",
                "utf-8",
                written.bytes(),
                written.hash(),
                rows,
                DataPackage.Dialect.OURS,
                new TableSchema(
                        List.copyOf(fields),
                        List.copyOf(table.key()),
                        table.pointers().isEmpty()
                                ? null
                                : table.pointers().stream()
                                        .map(p -> new ForeignKey(
                                                List.copyOf(p.columns()),
                                                new Reference(
                                                        p.to().equals(table.name()) ? "" : p.to(),
                                                        List.copyOf(p.toColumns()))))
                                        .toList()));
    }

    /** What stands in a cell: times in ISO 8601 to the microsecond, yes and no as words, a file by its path. */
    private static String cell(TableInfo table, ColumnInfo c) {
        var column = "t." + quoted(c.name());
        var filed = table.filed();
        if (filed != null && filed.column().equals(c.name()))
            return "(select f.path from filed f where f.table_name = '" + table.name() + "' and f.id = t."
                    + quoted(table.key().get(0)) + "::text)";
        return switch (c.type()) {
            case "timestamp with time zone" ->
                "to_char(" + column + " at time zone 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS.US\"Z\"')";
            case "boolean" -> column + "::text";
            default -> column;
        };
    }

    private static Field field(TableInfo table, ColumnInfo c) {
        var filed = table.filed();
        var type = c.type().replaceFirst("\\(.*", "");
        var known = filed != null && filed.column().equals(c.name())
                ? "string"
                : switch (type) {
                    case "smallint", "integer", "bigint" -> "integer";
                    case "numeric", "real", "double precision" -> "number";
                    case "boolean" -> "boolean";
                    case "date" -> "date";
                    case "time without time zone" -> "time";
                    case "timestamp with time zone" -> "datetime";
                    case "jsonb" -> "any";
                    default -> "string";
                };
        return new Field(
                c.name(),
                known,
                type.equals("uuid") ? "uuid" : known.equals("datetime") ? "any" : null,
                null,
                // An empty text is none to other programs.
                c.required() && !type.equals("text") ? new Constraints(true) : null);
    }

    /** Writes the values of a column as files, and keeps where each is. */
    private static List<Resource> file(Connection school, Path part, TableInfo table, Filed filed)
            throws SQLException, IOException {
        var made = new ArrayList<Resource>();
        var taken = new HashSet<String>();
        var id = quoted(table.key().get(0));
        try (var s = school.createStatement();
                var keep = school.prepareStatement("insert into filed values (?, ?, ?)")) {
            s.setFetchSize(50);
            try (var r = s.executeQuery("select " + id + "::text, " + filed.folder() + ", " + filed.stem() + ", "
                    + filed.bytes() + " from " + quoted(table.name()) + " order by " + id)) {
                while (r.next()) {
                    var stem = r.getString(2) + "/" + Texts.idOf(r.getString(3), 100, "one");
                    var path = stem + filed.ending();
                    for (int n = 2; !taken.add(path); n++) path = stem + "-" + n + filed.ending();
                    var at = part.resolve(path);
                    Files.createDirectories(at.getParent());
                    var written = new Written(at);
                    try (written) {
                        written.out.write(r.getBytes(4));
                    }
                    keep.setString(1, table.name());
                    keep.setString(2, r.getString(1));
                    keep.setString(3, path);
                    keep.addBatch();
                    made.add(new Resource(
                            path.replace('/', '.'),
                            path,
                            null,
                            filed.ending().substring(1),
                            filed.mediatype(),
                            null,
                            written.bytes(),
                            written.hash(),
                            null,
                            null,
                            null));
                }
            }
            keep.executeBatch();
        }
        return made;
    }

    static String hash(MessageDigest digest) {
        return "sha256:" + HexFormat.of().formatHex(digest.digest());
    }

    /** A file that is written, with how long it is and its hash. */
    private static final class Written implements AutoCloseable {
        private final Path path;
        private final MessageDigest digest = Sha256.begun();
        private final OutputStream out;
        private @Nullable String hash;

        Written(Path path) throws IOException {
            this.path = path;
            this.out = new BufferedOutputStream(new DigestOutputStream(Files.newOutputStream(path), digest), 1 << 16);
        }

        @Override
        public void close() throws IOException {
            out.close();
            hash = SchoolExport.hash(digest);
        }

        @Nullable
        String hash() {
            return hash;
        }

        long bytes() throws IOException {
            return Files.size(path);
        }
    }

    private static void delete(Path folder) {
        if (!Files.isDirectory(folder)) return;
        try (var all = Files.walk(folder)) {
            for (var each : all.sorted(java.util.Comparator.reverseOrder()).toList()) Files.deleteIfExists(each);
        } catch (IOException e) {
            // It stays beside, and is written over by the next.
        }
    }
}
