package palmtally.server.backup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.DriverManager;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Map;
import java.util.TreeMap;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import palmtally.formats.Json;
import palmtally.server.App;
import palmtally.server.TestDatabase;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A school goes out as a folder of open files and comes in again, row by row. */
class SchoolExportTest {
    private static final Instant NOW = Instant.parse("2026-11-20T18:00:00Z");
    private static TestDatabase demo;

    @TempDir
    Path at;

    private Path folder;

    @BeforeAll
    static void make() {
        demo = TestDatabase.fresh();
        App.start(demo, true).context().close();
        // What no two programs write alike: nothing and an empty text, quotes, lines, a formula, other alphabets, a
        // picture.
        demo.run("update account set name = E'Ž\"ofie, \\n=1+1 – Þóra' where sign_in = 'kit'");
        demo.run(
                "insert into picture (id, width, height, jpeg, added_by, added_at, statement) select"
                        + " 'abcdef0123456789abcdef0123456789', 2, 1, '\\xffd8ff00ffd9', id, now(), '' from account where sign_in = 'nadia'");
    }

    @AfterAll
    static void drop() {
        demo.close();
    }

    @BeforeEach
    void folder() {
        folder = at.resolve("school");
    }

    private static Dumps of(TestDatabase database) {
        return new Dumps(database.url(), database.user(), database.password(), Path.of("/nowhere"));
    }

    private static Inventory inventory(TestDatabase database) throws Exception {
        try (var c = DriverManager.getConnection(database.url(), database.user(), database.password())) {
            return Inventory.of(c);
        }
    }

    /** All but when each migration ran here. */
    private static Map<String, Inventory.Content> rows(TestDatabase database) throws Exception {
        var rows = new TreeMap<>(inventory(database).rows());
        rows.remove("flyway_schema_history");
        return rows;
    }

    private Inventory export(TestDatabase school) {
        return of(school).export(folder, NOW, line -> {});
    }

    private Inventory take(TestDatabase into, boolean edited) {
        return of(into).take(folder, edited, NOW, line -> {});
    }

    private Iterable<CSVRecord> csv(String table) throws IOException {
        try (var reader = Files.newBufferedReader(folder.resolve("tables/" + table + ".csv"))) {
            return CSVFormat.RFC4180
                    .builder()
                    .setHeader()
                    .setSkipHeaderRecord(true)
                    .get()
                    .parse(reader)
                    .getRecords();
        }
    }

    private void edit(String file, String was, String is) throws IOException {
        var path = folder.resolve(file);
        var text = Files.readString(path);
        assertThat(text).contains(was);
        Files.writeString(path, text.replace(was, is));
    }

    @Test
    void comes_in_again_equal_row_by_row_and_can_be_taken_back() throws Exception {
        var said = export(demo);
        try (var other = TestDatabase.fresh()) {
            other.run("create table of_another (n int)");
            assertThat(take(other, false).words()).isEqualTo(said.words());
            assertThat(rows(other)).isEqualTo(rows(demo));
            assertThat(rows(other).get("event").rows()).isGreaterThan(4000);
            // What counts up goes on where it was.
            other.run("insert into audit (what) values ('counts on')");
            other.run("drop database \"" + other.url().replaceFirst("^.*/", "") + "_before_20261120180000\"");
        }
    }

    @Test
    void is_read_by_a_person_and_by_other_programs() throws Exception {
        export(demo);
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(folder)))
                .isEqualTo("rwx------");
        // Names stand beside the ids that point to people.
        var names = new TreeMap<String, String>();
        for (var a : csv("account")) names.put(a.get("id"), a.get("name"));
        assertThat(names).containsValue("Ž\"ofie, \n=1+1 – Þóra");
        int practicals = 0;
        for (var p : csv("practical")) {
            assertThat(p.get("student_id (name)")).isEqualTo(names.get(p.get("student_id")));
            assertThat(Instant.parse(p.get("started_at"))).isBefore(Instant.now());
            practicals++;
        }
        assertThat((long) practicals).isEqualTo(inventory(demo).count("practical"));
        // Each document is a file of its own.
        int documents = 0;
        for (var d : csv("document_version")) {
            assertThat(Json.MAPPER
                            .readTree(folder.resolve(d.get("body")).toFile())
                            .isObject())
                    .isTrue();
            documents++;
        }
        assertThat((long) documents).isEqualTo(inventory(demo).count("document_version"));
        assertThat(Files.readAllBytes(folder.resolve("pictures/abcdef0123456789abcdef0123456789.jpg")))
                .isEqualTo(new byte[] {-1, -40, -1, 0, -1, -39});
        // Source: the JSON Schema of the Frictionless Data Package specification, version 1, profile
        // tabular-data-package,
        // https://specs.frictionlessdata.io/schemas/tabular-data-package.json, as the library "datapackage" 1.1.10
        // ships it (MIT).
        var tabular = Json.MAPPER.readTree(folder.resolve("datapackage.json").toFile());
        ((ObjectNode) tabular).put("profile", "tabular-data-package");
        var onlyTables = Json.MAPPER.createArrayNode();
        for (var r : tabular.get("resources")) if (r.has("rows")) onlyTables.add(r);
        ((ObjectNode) tabular).set("resources", onlyTables);
        var schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_4)
                .getSchema(Files.readString(
                        Path.of("src", "test", "resources", "standards", "tabular-data-package.json")));
        assertThat(schema.validate(tabular)).isEmpty();
        ((ObjectNode) onlyTables.get(0)).remove("schema");
        assertThat(schema.validate(tabular)).isNotEmpty();
        // The description names each file with its rows, and points to what is there.
        var described = Json.MAPPER.readTree(folder.resolve("datapackage.json").toFile());
        var tables = new TreeMap<String, JsonNode>();
        for (var r : described.get("resources")) {
            assertThat(Files.size(folder.resolve(r.get("path").asString())))
                    .isEqualTo(r.get("bytes").asLong());
            if (r.has("rows")) tables.put(r.get("name").asString(), r);
        }
        assertThat(tables.keySet()).isEqualTo(rows(demo).keySet());
        assertThat(tables.get("account").get("rows").asLong())
                .isEqualTo(inventory(demo).count("account"));
        for (var t : tables.values())
            for (var k : t.get("schema").path("foreignKeys")) {
                var to = k.get("reference").get("resource").asString();
                assertThat(to.isEmpty() || tables.containsKey(to)).as(to).isTrue();
            }
    }

    @Test
    void says_what_is_wrong_and_leaves_the_school_as_it_was() throws Exception {
        export(demo);
        try (var school = demo.copy()) {
            var before = inventory(school);
            var whole = Files.readString(folder.resolve("tables/enrolment.csv"));
            // One figure changed.
            edit("tables/enrolment.csv", "T", "t");
            assertThatThrownBy(() -> take(school, false))
                    .hasMessage("Not as exported: tables/enrolment.csv. The school is as it was. Where that is meant,"
                            + " say --edited.");
            Files.writeString(folder.resolve("tables/enrolment.csv"), whole);
            edit("tables/practical.csv", "student_id,", "student,");
            assertThatThrownBy(() -> take(school, true))
                    .hasMessage("tables/practical.csv has no column \"student_id\". The school is as it was.");
            edit("tables/practical.csv", "student,", "student_id,");
            var lines = new ArrayList<>(Files.readAllLines(folder.resolve("tables/rating.csv")));
            var rating = Files.readString(folder.resolve("tables/rating.csv"));
            lines.set(2, "not an id" + lines.get(2).substring(lines.get(2).indexOf(',')));
            Files.write(folder.resolve("tables/rating.csv"), lines);
            assertThatThrownBy(() -> take(school, true))
                    .hasMessageContaining("tables/rating.csv: ERROR: invalid input syntax for type uuid: \"not an id\"")
                    .hasMessageContaining("line 3")
                    .hasMessageContaining("The school is as it was.");
            // An award of nobody's.
            lines.set(
                    2,
                    "00000000-0000-4000-8000-000000000000"
                            + lines.get(2).substring(lines.get(2).indexOf(',')));
            Files.write(folder.resolve("tables/rating.csv"), lines);
            assertThatThrownBy(() -> take(school, true))
                    .hasMessageContaining("tables/rating.csv")
                    .hasMessageContaining("00000000-0000-4000-8000-000000000000");
            Files.writeString(folder.resolve("tables/rating.csv"), rating);
            // A file from elsewhere.
            var body = csv("document_version").iterator().next().get("body");
            for (var hostile :
                    new String[] {"../../etc/passwd", "/etc/passwd", "documents/../../x.json", "tables/event.csv"}) {
                edit("tables/document_version.csv", body, hostile);
                assertThatThrownBy(() -> take(school, true)).hasMessageContaining("which is no file of an export");
                edit("tables/document_version.csv", hostile, body);
            }
            var document = folder.resolve(body);
            var text = Files.readString(document);
            Files.writeString(document, "{ no");
            assertThatThrownBy(() -> take(school, true)).hasMessageContaining(body + " is no JSON");
            Files.delete(document);
            Files.createSymbolicLink(document, Files.writeString(at.resolve("elsewhere.json"), "{}"));
            assertThatThrownBy(() -> take(school, true)).hasMessageContaining(body + " is not there, or is no file");
            Files.delete(document);
            Files.writeString(document, text);
            // Another version, another thing.
            edit("datapackage.json", "palm-tally/school", "a/b");
            assertThatThrownBy(() -> take(school, false))
                    .hasMessageContaining("is no description of an exported school");
            edit("datapackage.json", "a/b", "palm-tally/school");
            edit("datapackage.json", "\"schema\" : \"", "\"schema\" : \"9");
            assertThatThrownBy(() -> take(school, false))
                    .hasMessageContaining("which this version of Palm Tally does not know");
            edit("datapackage.json", "\"schema\" : \"9", "\"schema\" : \"");
            assertThatThrownBy(() -> of(school).take(at, false, NOW, line -> {}))
                    .hasMessageContaining("there is no datapackage.json in it");
            assertThatThrownBy(() -> export(school)).hasMessageContaining("is not empty");
            assertThat(inventory(school)).isEqualTo(before);
            // As it was, it is taken.
            assertThat(take(school, false).words()).isEqualTo(before.words());
            school.run("drop database \"" + school.url().replaceFirst("^.*/", "") + "_before_20261120180000\"");
        }
    }

    @Test
    void what_was_changed_by_hand_is_taken_where_that_is_meant() throws Exception {
        export(demo);
        edit("tables/account.csv", "Gus", "Augustus");
        // As a spreadsheet may write it: with a mark in front and other ends of lines.
        var term = folder.resolve("tables/term.csv");
        Files.writeString(term, "\uFEFF" + Files.readString(term).replace("\n", "\r\n"));
        try (var other = TestDatabase.fresh()) {
            take(other, true);
            assertThat(inventory(other).count("account"))
                    .isEqualTo(inventory(demo).count("account"));
            assertThat(rows(other).get("term")).isEqualTo(rows(demo).get("term"));
            assertThat(rows(other).get("account")).isNotEqualTo(rows(demo).get("account"));
            other.run("drop database \"" + other.url().replaceFirst("^.*/", "") + "_before_20261120180000\"");
        }
    }
}
