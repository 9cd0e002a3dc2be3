package palmtally.server.backup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.StringJoiner;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import palmtally.server.App;
import palmtally.server.TestDatabase;
import palmtally.server.Visitor;
import tools.jackson.databind.JsonNode;

/** A school is dumped, restored on an empty database and taken back; nothing else takes its place. */
class DumpsTest {
    private static final Instant NOW = Instant.parse("2026-11-20T18:00:00Z");

    @TempDir
    Path folder;

    private static TestDatabase demo;
    private TestDatabase school;

    @BeforeAll
    static void make() {
        demo = TestDatabase.fresh();
        App.start(demo, true).context().close();
    }

    @AfterAll
    static void dropDemo() {
        demo.close();
    }

    @BeforeEach
    void fill() {
        school = demo.copy();
    }

    @AfterEach
    void drop() {
        school.close();
    }

    private static Path programs() throws IOException {
        try (var versions = Files.list(Path.of("/usr/lib/postgresql"))) {
            return versions.map(v -> v.resolve("bin"))
                    .filter(b -> Files.isExecutable(b.resolve("pg_dump")))
                    .findFirst()
                    .orElseThrow();
        }
    }

    private static Dumps of(TestDatabase database) throws IOException {
        return new Dumps(database.url(), database.user(), database.password(), programs());
    }

    /** The number of the last migration there is. */
    private static String newest() throws IOException {
        try (var files = Files.list(Path.of("src", "main", "resources", "db", "migration"))) {
            return String.valueOf(files.map(f -> f.getFileName().toString())
                    .mapToInt(f -> Integer.parseInt(f.substring(1, f.indexOf("__"))))
                    .max()
                    .orElseThrow());
        }
    }

    private static Inventory inventory(TestDatabase database) throws Exception {
        try (var c = java.sql.DriverManager.getConnection(database.url(), database.user(), database.password())) {
            return Inventory.of(c);
        }
    }

    @Test
    void equals_row_by_row_what_was_dumped_and_can_be_taken_back() throws Exception {
        var file = folder.resolve("school.dump");
        var said = of(school).dump(file);
        assertThat(said.words())
                .matches("Breakwater School of Massage: 15 people, 1\\d\\d practicals with \\d{4,} events, schema "
                        + newest());
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file)))
                .isEqualTo("rw-------");
        try (var other = TestDatabase.fresh()) {
            Flyway.configure()
                    .dataSource(other.url(), other.user(), other.password())
                    .load()
                    .migrate();
            other.run("insert into school (name, profile_id) values ('Lantern Street', 'by-seconds')");
            other.run("insert into account (id, name, sign_in, sign_in_key, password, role) values"
                    + " (gen_random_uuid(), 'Vera', 'vera', 'vera', '', 'lead')");
            var before = inventory(other);
            assertThat(of(other).restore(file, NOW)).isEqualTo(said);
            assertThat(inventory(other)).isEqualTo(inventory(school));
            assertThat(of(other).undo(NOW.plusSeconds(60))).isEqualTo(before);
            assertThat(inventory(other).school()).isEqualTo("Lantern Street");
            assertThatThrownBy(() -> of(other).undo(NOW.plusSeconds(120)))
                    .hasMessage("There is no school to go back to: nothing was restored here.");
            other.run("drop database \"" + other.url().replaceFirst("^.*/", "") + "_undone_20261120180100\"");
        }
    }

    @Test
    void is_refused_where_it_is_no_whole_dump_of_a_school_of_this_version_and_the_school_stays() throws Exception {
        var dumps = of(school);
        var good = folder.resolve("good.dump");
        dumps.dump(good);
        var whole = Files.readAllBytes(good);
        var before = inventory(school);
        var half = Files.write(folder.resolve("half.dump"), Arrays.copyOf(whole, whole.length / 2));
        var bent = whole.clone();
        for (int i = whole.length / 2; i < whole.length / 2 + 400; i++) bent[i] ^= 0x55;
        var broken = Files.write(folder.resolve("bent.dump"), bent);
        var text = Files.writeString(folder.resolve("text.dump"), "no dump at all");
        var none = Files.write(folder.resolve("none.dump"), new byte[0]);
        for (var bad : List.of(half, broken, text, none))
            assertThatThrownBy(() -> dumps.restore(bad, NOW))
                    .as(bad.toString())
                    .isInstanceOf(Dumps.Failed.class)
                    .hasMessageContaining("it is no dump, or is damaged. The school is as it was.");
        assertThatThrownBy(() -> dumps.restore(folder.resolve("nowhere"), NOW)).hasMessageContaining("is no file");
        // Another program's database.
        try (var foreign = TestDatabase.fresh()) {
            foreign.run("create table film (id int)");
            assertThatThrownBy(() -> of(foreign).dump(folder.resolve("f.dump")))
                    .hasMessageContaining("holds no school: it has no table");
            assertThat(folder.resolve("f.dump")).doesNotExist();
            assertThat(folder.resolve("f.dump.part")).doesNotExist();
            dump(foreign, folder.resolve("foreign.dump"));
            assertThatThrownBy(() -> dumps.restore(folder.resolve("foreign.dump"), NOW))
                    .hasMessageContaining("is no dump of a school");
        }
        // A school in which nobody is, and one of a newer version.
        try (var empty = TestDatabase.fresh()) {
            Flyway.configure()
                    .dataSource(empty.url(), empty.user(), empty.password())
                    .load()
                    .migrate();
            assertThatThrownBy(() -> of(empty).dump(folder.resolve("e.dump")))
                    .hasMessageContaining("holds no school yet");
            dump(empty, folder.resolve("empty.dump"));
            assertThatThrownBy(() -> dumps.restore(folder.resolve("empty.dump"), NOW))
                    .hasMessageContaining("holds an empty school");
        }
        try (var newer = TestDatabase.fresh()) {
            of(newer).restore(good, NOW);
            newer.run(
                    "insert into flyway_schema_history (installed_rank, version, description, type, script, checksum, installed_by, execution_time, success)"
                            + " values (900, '900', 'later', 'SQL', 'V900__later.sql', 1, 'app', 1, true)");
            dump(newer, folder.resolve("newer.dump"));
            assertThatThrownBy(() -> dumps.restore(folder.resolve("newer.dump"), NOW))
                    .hasMessageContaining("comes from a newer version");
            newer.run("drop database \"" + newer.url().replaceFirst("^.*/", "") + "_before_20261120180000\"");
        }
        assertThat(inventory(school)).isEqualTo(before);
        assertThat(school.count("select count(*) from pg_database where datname like '"
                        + school.url().replaceFirst("^.*/", "") + "\\_%'"))
                .isZero();
    }

    /** Of a school that the first version's own server filled, cut down by hand to 36 practicals, and dumped by PostgreSQL 15. */
    @Test
    void of_the_first_version_is_brought_up_to_this_one_with_every_tap_and_award() throws Exception {
        var dump = Path.of("src", "test", "resources", "first-version.dump");
        try (var old = TestDatabase.fresh();
                var now = TestDatabase.fresh()) {
            restore(old, dump);
            assertThat(old.count("select count(*) from event")).isEqualTo(3883);
            var restored = of(now).restore(dump, NOW);
            now.run("drop database \"" + now.url().replaceFirst("^.*/", "") + "_before_20261120180000\"");
            assertThat(restored.school()).isEqualTo("Breakwater School of Massage");
            assertThat(restored.schema()).isEqualTo(newest());
            for (var sum : List.of(
                    "select sum(hashtextextended(practical_id::text || id || device || seq || at_ms || kind || data, 0) % 1000003) from event",
                    "select sum(hashtextextended(id::text || student_id || grader_id || term_id, 0) % 1000003) from practical",
                    "select sum(hashtextextended(practical_id::text || value, 0) % 1000003) from rating",
                    "select sum(hashtextextended(practical_id::text || revision || result || mean, 0) % 1000003) from award",
                    "select sum(hashtextextended(id::text || name || sign_in || role, 0) % 1000003) from account"))
                assertThat(now.count(sum)).as(sum).isEqualTo(old.count(sum)).isNotZero();
            try (var app = App.start(now, false)) {
                var nadia = Visitor.as(app.url(), "nadia");
                var lines = nadia.all("/api/terms/" + nadia.term() + "/practicals");
                assertThat(lines.size()).isEqualTo(36);
                int awarded = 0;
                for (var line : lines) {
                    var id = line.get("id").asString();
                    assertThat(nadia.get("/api/practicals/" + id).status())
                            .as(id)
                            .isEqualTo(200);
                    if (line.has("result")) awarded++;
                }
                assertThat(awarded).isEqualTo(30);
            }
        }
    }

    /**
     * Of the school whose sequences named their techniques by id alone and whose files were of version 1: made by that version's own
     * server, cut down by hand to 36 practicals. What it said of them stands beside; the rules of planning changed since, these did not.
     */
    @Test
    void of_the_school_before_techniques_travelled_is_graded_as_it_was() throws Exception {
        var resources = Path.of("src", "test", "resources");
        var dump = resources.resolve("before-one-place.dump");
        try (var now = TestDatabase.fresh()) {
            var restored = of(now).restore(dump, NOW);
            now.run("drop database \"" + now.url().replaceFirst("^.*/", "") + "_before_20261120180000\"");
            assertThat(restored.schema()).isEqualTo(newest());
            try (var app = App.start(now, false)) {
                var nadia = Visitor.as(app.url(), "nadia");
                var lines = nadia.all("/api/terms/" + nadia.term() + "/practicals");
                assertThat(lines.size()).isEqualTo(36);
                var results = new HashMap<String, String>();
                for (var line : lines)
                    if (line.has("result"))
                        results.put(
                                line.get("id").asString(), line.get("result").asString());
                var said = Files.readAllLines(resources.resolve("before-one-place-scores.txt")).stream()
                        .filter(l -> !l.startsWith("#"))
                        .toList();
                assertThat(said).hasSize(35);
                for (var line : said) {
                    var id = line.split(" ")[0];
                    assertThat(scored(nadia.get("/api/practicals/" + id).json(), results.get(id)))
                            .isEqualTo(line);
                }
                var sequences = nadia.get("/api/sequences").json();
                assertThat(sequences.size()).isEqualTo(6);
                for (var sequence : sequences)
                    assertThat(nadia.get("/api/sequences/" + sequence.get("id").asString())
                                    .json()
                                    .toString())
                            .contains("\"techniques\":[{");
            }
        }
    }

    private static String scored(JsonNode practical, String result) {
        var line = new StringJoiner(" ").add(practical.get("id").asString()).add(result);
        for (var criterion : List.of("draping", "mechanics", "order", "pressure", "communication"))
            for (var score : practical.get("scores").get("criteria"))
                if (score.get("criterion").asString().equals(criterion))
                    line.add(
                            score.has("score")
                                    ? String.format(
                                            Locale.ROOT,
                                            "%.9f",
                                            score.get("score").asDouble())
                                    : "-");
        return line.toString();
    }

    private static void restore(TestDatabase into, Path file) throws Exception {
        program(into, "pg_restore", "--no-owner", "--dbname=" + into.url().replaceFirst("^.*/", ""), file.toString());
    }

    /** As anybody's pg_dump makes it. */
    private static void dump(TestDatabase database, Path file) throws Exception {
        program(
                database,
                "pg_dump",
                "--format=custom",
                "--file=" + file,
                database.url().replaceFirst("^.*/", ""));
    }

    private static void program(TestDatabase database, String name, String... words) throws Exception {
        var at = java.net.URI.create(database.url().substring("jdbc:".length()));
        var command = new ArrayList<>(List.of(
                programs().resolve(name).toString(),
                "--host=" + at.getHost(),
                "--port=" + at.getPort(),
                "--username=" + database.user()));
        command.addAll(List.of(words));
        var builder = new ProcessBuilder(command).inheritIO();
        builder.environment().put("PGPASSWORD", database.password());
        assertThat(builder.start().waitFor()).isZero();
    }
}
