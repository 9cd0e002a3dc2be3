package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestInstance.Lifecycle;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import palmtally.formats.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * At every door that stores a version, each field of a document is left out, null, of another kind or a list with nothing in it: it is
 * refused and nothing is stored, or it is stored and can be read. Five such documents once took down every list of a school: a step without
 * side, a lesson without region, one without aim, a block that does not say how often, and nothing in a list of zones.
 */
@TestInstance(Lifecycle.PER_CLASS)
class PoisonTest {
    private static final List<String> THE_FIVE = List.of(
            "/steps/*/side left out",
            "/lessons/*/region left out",
            "/lessons/*/aim left out",
            "/blocks/*/repeat left out",
            "/zones with nothing in it");

    /** Of a document with more faults than that every fourth is tried: which of them is the same each time. */
    private static final int ALL = 60;

    private static final int SOME = 4;

    private App.Running app;
    private Visitor lead;
    private String term;
    private String student;

    /** @param whole the document as it may be stored, anew each time */
    private record Door(String name, Supplier<JsonNode> whole, Function<JsonNode, Visitor.Answer> send, String shown) {
        @Override
        public String toString() {
            return name;
        }
    }

    @BeforeAll
    void start() {
        app = App.start(TestDatabase.fresh(), true);
        lead = Visitor.as(app.url(), "lead");
        term = lead.term();
        student = lead.person("Lena Brook");
    }

    @AfterAll
    void stop() {
        app.close();
    }

    private JsonNode got(String path) {
        var answer = lead.get(path);
        assertThat(answer.status()).as(path + " " + answer.text()).isEqualTo(200);
        return answer.json();
    }

    private static ObjectNode body() {
        return Json.MAPPER.createObjectNode();
    }

    private static ObjectNode text(String text) {
        return body().put("text", text);
    }

    Stream<Door> doors() {
        var plan = "/api/terms/" + term + "/curriculum";
        var sequence = "/api/sequences/calves";
        var demo = "/api/sequences/poison";
        return Stream.of(
                new Door(
                        "a sequence that is saved",
                        () -> got(sequence).get("sequence"),
                        s -> {
                            var edit = body().put(
                                            "from", got(sequence).get("version").asInt());
                            return lead.put(sequence, edit.set("sequence", s).toString());
                        },
                        sequence),
                new Door(
                        "a sequence from a file",
                        () -> got(sequence + "/file"),
                        f -> lead.post("/api/sequences/file", f.toString()),
                        sequence),
                new Door(
                        "a sequence that is handed over",
                        () -> got(sequence + "/file"),
                        f -> lead.post(
                                "/api/sequences/incoming",
                                text(f.toString()).put("kind", "sequence").toString()),
                        sequence),
                new Door(
                        "a table of steps",
                        this::stepTable,
                        t -> lead.post(
                                "/api/sequences/incoming",
                                text(csv(t)).put("kind", "steps").toString()),
                        sequence),
                new Door(
                        "a sequence that is begun",
                        () -> Json.MAPPER.readTree(
                                "{\"name\":\"Poison\",\"region\":\"neck\",\"slotSeconds\":900,\"template\":\"tool-ladder\",\"zones\":[\"neck-back\"]}"),
                        n -> lead.post("/api/sequences", n.toString()),
                        sequence),
                new Door("a record that brings its own sequence", this::record, this::take, sequence),
                new Door(
                        "settings of a profile",
                        this::settings,
                        s -> lead.put("/api/school/profiles/by-seconds", s.toString()),
                        "/api/settings"),
                new Door(
                        "a profile from a file",
                        () -> got("/api/profiles/by-seconds/file"),
                        f -> lead.post("/api/school/profiles/file", f.toString()),
                        "/api/profiles/by-seconds/file"),
                new Door(
                        "a technique that is saved",
                        () -> edit(technique("effleurage").get("technique")),
                        t -> lead.put(
                                "/api/techniques/effleurage",
                                ((ObjectNode) t)
                                        .put(
                                                "from",
                                                technique("effleurage")
                                                        .get("version")
                                                        .asInt())
                                        .toString()),
                        "/api/techniques"),
                new Door(
                        "techniques from a file",
                        () -> got("/api/techniques/file"),
                        f -> lead.post(
                                "/api/techniques/incoming", text(f.toString()).toString()),
                        "/api/techniques"),
                new Door(
                        "a plan of a term that is saved",
                        () -> got(plan).get("curriculum"),
                        c -> {
                            var edit =
                                    body().put("from", got(plan).get("version").asInt());
                            return lead.put(plan, edit.set("curriculum", c).toString());
                        },
                        plan),
                new Door(
                        "a plan of a term from a file",
                        () -> got(plan + "/file"),
                        f -> lead.post(plan + "/incoming", text(f.toString()).toString()),
                        plan));
    }

    private JsonNode technique(String id) {
        for (var t : got("/api/techniques"))
            if (t.get("technique").get("id").asString().equals(id)) return t;
        throw new AssertionError(id);
    }

    /** What of a technique can be changed, with words that it does not have yet. */
    private static JsonNode edit(JsonNode technique) {
        var edit = body();
        edit.set("aliases", technique.get("aliases"));
        edit.set("tool", technique.get("tool"));
        edit.set("depth", technique.get("depth"));
        edit.set("dose", technique.get("dose"));
        return edit.put("caution", "Ask first.");
    }

    private JsonNode settings() {
        var all = got("/api/settings");
        var changes = body();
        for (var kind : Map.of("settings", "settings", "numbers", "numbers", "topics", "scope", "rules", "severities")
                .entrySet()) {
            var chosen = changes.putObject(kind.getValue());
            for (var s : all.get(kind.getKey()))
                chosen.set(
                        s.get(s.has("id") ? "id" : "rule").asString(),
                        s.get("chosen").get("by-seconds"));
        }
        return changes;
    }

    private JsonNode record() {
        var lines = got("/api/terms/" + term + "/practicals").get("lines");
        return got("/api/practicals/" + lines.get(lines.size() - 1).get("id").asString() + "/file");
    }

    /** With a sequence that nobody knows yet. */
    private Visitor.Answer take(JsonNode record) {
        if (record.get("sequence") instanceof ObjectNode s && s.path("id").isString())
            s.put("id", "p" + UUID.randomUUID());
        return lead.post("/api/terms/" + term + "/students/" + student + "/practicals/file", record.toString());
    }

    private JsonNode stepTable() {
        var rows = cells(lead.get("/api/sequences/calves/steps").text());
        var table = Json.MAPPER.createArrayNode();
        for (var row : rows.subList(1, rows.size())) {
            var line = table.addObject();
            for (int i = 0; i < row.size(); i++) line.put(rows.get(0).get(i), row.get(i));
        }
        return table;
    }

    private static List<List<String>> cells(String csv) {
        return CsvReader.builder().ofCsvRecord(csv).stream()
                .map(CsvRecord::getFields)
                .toList();
    }

    /** A cell that is left out or null is empty, any other value its JSON; a row that is left out is not there. */
    private static String csv(JsonNode table) {
        var names = new java.util.LinkedHashSet<String>();
        for (var row : table) row.properties().forEach(p -> names.add(p.getKey()));
        var text = new StringBuilder(String.join(",", names)).append("\n");
        for (var row : table)
            text.append(String.join(
                            ",",
                            names.stream()
                                    .map(n -> row.path(n))
                                    .map(v -> v.isMissingNode() || v.isNull()
                                            ? ""
                                            : "\"" + (v.isString() ? v.asString() : v.toString()).replace("\"", "\"\"")
                                                    + "\"")
                                    .toList()))
                    .append("\n");
        return text.toString();
    }

    /** Every field of the document by what may be wrong with it; of a list the first item that has the field. */
    private static Map<String, Consumer<JsonNode>> poisons(JsonNode whole) {
        var found = new LinkedHashMap<String, Consumer<JsonNode>>();
        walk(whole, "", "", found);
        return found;
    }

    private static void walk(JsonNode node, String at, String place, Map<String, Consumer<JsonNode>> found) {
        if (node instanceof ObjectNode object)
            for (var field : object.properties()) {
                var path = place + "/" + field.getKey();
                var name = path.replaceAll("/\\d+", "/*")
                        .replaceAll("/(settings|numbers|scope|severities|ways)/.*", "/$1/*");
                var pointer = at + "/" + field.getKey().replace("~", "~0").replace("/", "~1");
                bad(name, field.getKey(), at, field.getValue(), found);
                walk(field.getValue(), pointer, path, found);
            }
        else if (node instanceof ArrayNode array)
            for (int i = 0; i < array.size(); i++) walk(array.get(i), at + "/" + i, place + "/" + i, found);
    }

    private static void bad(
            String name, String field, String in, JsonNode value, Map<String, Consumer<JsonNode>> found) {
        found.putIfAbsent(name + " left out", d -> ((ObjectNode) d.at(in)).remove(field));
        found.putIfAbsent(name + " null", d -> ((ObjectNode) d.at(in)).putNull(field));
        found.putIfAbsent(name + " of another kind", d -> {
            var object = (ObjectNode) d.at(in);
            if (value.isContainer()) object.put(field, 7);
            else object.putObject(field);
        });
        if (value.isArray())
            found.putIfAbsent(
                    name + " with nothing in it",
                    d -> ((ObjectNode) d.at(in)).putArray(field).addNull());
    }

    private long versions() {
        return app.database().count("select count(*) from document_version");
    }

    private void everyListIsThere() {
        for (var list : List.of(
                "/api/sequences",
                "/api/profiles",
                "/api/settings",
                "/api/techniques",
                "/api/catalogue",
                "/api/floor",
                "/api/terms/" + term + "/curriculum",
                "/api/terms/" + term + "/watch",
                "/api/terms/" + term + "/practicals",
                "/api/terms/" + term + "/competency",
                "/api/demonstrations/lessons")) got(list);
        for (var line : got("/api/sequences"))
            assertThat(line.has("damaged")).as(line.toString()).isFalse();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("doors")
    void no_document_that_is_not_whole_is_stored(Door door) {
        var taken = new ArrayList<String>();
        var refused = new ArrayList<String>();
        var whole = door.whole().get();
        var sent = door.send().apply(whole.deepCopy());
        assertThat(sent.status()).as(door + " whole: " + sent.text()).isIn(200, 201);
        var poisons = poisons(whole);
        // Of a record, its events are not versions, and its profile has a door of its own.
        if (whole.has("events")) poisons.keySet().removeIf(p -> !p.startsWith("/sequence"));
        int n = 0;
        for (var entry : poisons.entrySet()) {
            boolean ofTheFive = THE_FIVE.stream().anyMatch(entry.getKey()::endsWith);
            if (poisons.size() > ALL && n++ % SOME > 0 && !ofTheFive) continue;
            var document = whole.deepCopy();
            entry.getValue().accept(document);
            long before = versions();
            var answer = door.send().apply(document);
            var what = door + ": " + entry.getKey() + ": " + answer.status() + " " + answer.text();
            if (answer.status() / 100 == 2) {
                // A file that does not say how often means once, and says so when it is stored.
                if (!(whole.has("format") || whole.has("events"))
                        || !entry.getKey().endsWith("/repeat left out")) taken.add(entry.getKey());
                assertThat(lead.get(door.shown()).status()).as(what).isEqualTo(200);
            } else {
                refused.add(entry.getKey());
                assertThat(answer.status()).as(what).isBetween(400, 499);
                assertThat(answer.json().path("detail").asString("")).as(what).isNotBlank();
                assertThat(versions()).as(what).isEqualTo(before);
            }
        }
        for (var one : taken) assertThat(THE_FIVE).as(door + " takes " + one).noneMatch(one::endsWith);
        assertThat(refused).as(door + " refuses nothing").isNotEmpty();
        everyListIsThere();
    }

    /** Stores a version that is not whole behind everybody's back. */
    private void poison(String kind, String document, String in, String field, boolean isNull) {
        var now = app.database()
                .column("select body from document_version where kind = '" + kind + "' and document = '" + document
                        + "' order by number desc limit 1")
                .get(0);
        var body = Json.MAPPER.readTree(now);
        var object = (ObjectNode) body.at(in);
        if (isNull) object.putArray(field).addNull();
        else assertThat(object.remove(field)).isNotNull();
        app.database()
                .run("insert into document_version (id, kind, document, number, name, region, what, body)"
                        + " select gen_random_uuid(), kind, document, max(number) + 1, 'x', 'neck', 'x', '"
                        + body.toString().replace("'", "''") + "' from document_version where kind = '" + kind
                        + "' and document = '" + document + "' group by kind, document");
    }

    private int version(String path) {
        return got(path).get("version").asInt();
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource({
        "a step without side, /blocks/0/steps/0, side, false",
        "a step without position, /blocks/0/steps/0, position, false",
        "nothing in the zones, /blocks/0/steps/0, zones, true"
    })
    void what_is_made_of_a_damaged_sequence_is_whole(String what, String in, String field, boolean isNull)
            throws IOException {
        var id = "damaged-" + field;
        var file = (ObjectNode)
                Json.MAPPER.readTree(Files.readString(Path.of("..", "docs", "formats", "examples", "sequence.json")));
        ((ObjectNode) file.get("sequence")).put("id", id);
        assertThat(lead.post("/api/sequences/file", file.toString()).status()).isEqualTo(201);
        var path = "/api/sequences/" + id;
        var whole = got(path);
        poison("sequence", id, in, field, isNull);
        assertThat(got(path).get("damaged").asString()).startsWith("Version 2 cannot be read");
        assertThat(lead.post(path + "/restore", "{\"from\":1,\"version\":2}").code())
                .isEqualTo("unreadable");
        var key = whole.get("plan")
                .get("findings")
                .get(0)
                .get("finding")
                .get("key")
                .asString();
        var mended = lead.post(path + "/mend", "{\"from\":1,\"key\":\"" + key + "\"}");
        assertThat(mended.status()).as(mended.text()).isEqualTo(200);
        assertThat(mended.json().get("version").asInt()).isEqualTo(3);
        assertThat(mended.json().has("damaged")).isFalse();
        poison("sequence", id, in, field, isNull);
        var back = lead.post(path + "/restore", "{\"from\":3,\"version\":1}").json();
        assertThat(back.get("version").asInt()).isEqualTo(5);
        assertThat(back.get("sequence")).isEqualTo(whole.get("sequence"));
        poison("sequence", id, in, field, isNull);
        assertThat(lead.post("/api/sequences/file", file.toString()).status()).isEqualTo(201);
        assertThat(got(path).get("sequence")).isEqualTo(whole.get("sequence"));
        assertThat(version(path)).isEqualTo(7);
        everyListIsThere();
    }

    @ParameterizedTest(name = "a lesson without {0}")
    @CsvSource({"region", "aim"})
    void what_is_made_of_a_damaged_plan_is_whole(String field) {
        var lab = Lab.in(app, "Poison" + field);
        var path = "/api/terms/" + lab.term() + "/curriculum";
        var steps = "/api/terms/" + lab.term() + "/steps/neck/";
        poison("curriculum", lab.term(), "/lessons/0", field, false);
        assertThat(lab.plan().get("damaged").asString()).startsWith("Version 2 cannot be read");
        // What a lesson leaves comes on the plan.
        var shown = lab.start("neck", "{\"lesson\":\"l2\"}");
        var id = shown.get("id").asString();
        int n = shown.get("shown").get("moments").size();
        lab.mark(id, "started", 0, 0, "");
        lab.mark(id, "skipped", n - 1, 31, ",\"reason\":\"No time\"");
        for (int i = 1; i < n - 1; i++) lab.mark(id, "started", i, 40 + i, "");
        assertThat(lab.mark(id, "finished", n - 2, 900, "").status()).isEqualTo(200);
        assertThat(lab.plan().get("version").asInt()).isEqualTo(3);
        assertThat(lab.plan().get("curriculum").get("lessons")).hasSize(4);
        assertThat(lab.plan().has("damaged")).isFalse();
        // A step is shown again, and not again.
        var step =
                got("/api/sequences/neck").at("/sequence/blocks/0/steps/0/id").asString();
        poison("curriculum", lab.term(), "/lessons/0", field, false);
        var again = lab.teacher().post(steps + step + "/again", "");
        assertThat(again.status()).as(again.text()).isEqualTo(200);
        assertThat(lab.plan().get("version").asInt()).isEqualTo(5);
        poison("curriculum", lab.term(), "/lessons/0", field, false);
        assertThat(lab.teacher().delete(steps + step + "/again").status()).isEqualTo(200);
        assertThat(lab.plan().get("version").asInt()).isEqualTo(7);
        assertThat(lab.plan().has("damaged")).isFalse();
        assertThat(lab.plan().get("curriculum").get("lessons")).hasSize(4);
        assertThat(lab.teacher().get(path).status()).isEqualTo(200);
        everyListIsThere();
    }
}
