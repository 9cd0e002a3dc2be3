package palmtally.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The open formats as people meet them: files in, JSON out, every fault with its place, exit code 2. */
class CommandLineTest {
    private static final Path EXAMPLES = Path.of("..", "docs", "formats", "examples");

    @TempDir
    Path folder;

    private record Said(int code, String out, String err) {
        JsonNode json() {
            return Json.MAPPER.readTree(out);
        }

        List<String> places() {
            var places = new ArrayList<String>();
            Json.MAPPER
                    .readTree(err)
                    .get("faults")
                    .forEach(f -> places.add(f.get("field").asString()));
            return places;
        }

        String first() {
            return Json.MAPPER.readTree(err).get("faults").get(0).get("reason").asString();
        }
    }

    private static Said run(String... args) {
        return fed("", args);
    }

    private static Said fed(String lines, String... args) {
        var out = new ByteArrayOutputStream();
        var err = new ByteArrayOutputStream();
        int code = new CommandLine(
                        new ByteArrayInputStream(lines.getBytes(StandardCharsets.UTF_8)),
                        new PrintStream(out, true, StandardCharsets.UTF_8),
                        new PrintStream(err, true, StandardCharsets.UTF_8))
                .run(args);
        return new Said(code, out.toString(StandardCharsets.UTF_8), err.toString(StandardCharsets.UTF_8));
    }

    private Path file(String text) throws IOException {
        var file = folder.resolve("file.json");
        Files.writeString(file, text);
        return file;
    }

    private static ObjectNode example(String name) throws IOException {
        return (ObjectNode) Json.MAPPER.readTree(Files.readString(EXAMPLES.resolve(name)));
    }

    private Said with(String command, String name, UnaryOperator<ObjectNode> change) throws IOException {
        return run(command, file(change.apply(example(name)).toString()).toString());
    }

    static Stream<Path> sequences() throws IOException {
        return Stream.concat(
                        Files.list(Path.of("..", "server", "src", "main", "resources", "demo", "sequences")),
                        Stream.of(EXAMPLES.resolve("sequence.json")))
                .sorted();
    }

    @ParameterizedTest
    @MethodSource("sequences")
    void every_sequence_that_ships_is_read_and_comes_back_the_same(Path file) throws Exception {
        var sequence = Documents.readSequence(Files.readString(file));
        assertThat(Documents.readSequence(Documents.write(sequence))).isEqualTo(sequence);
        assertThat(run("check", file.toString()).code()).isZero();
    }

    @ParameterizedTest
    @ValueSource(strings = {"profile.json", "profile-b.json"})
    void every_profile_that_ships_comes_back_the_same(String name) throws Exception {
        var profile = Documents.readProfile(Files.readString(EXAMPLES.resolve(name)));
        assertThat(Documents.readProfile(Documents.write(profile))).isEqualTo(profile);
        assertThat(palmtally.core.profile.Profile.shipped()).contains(profile);
    }

    @Test
    void a_record_comes_back_the_same_and_gets_the_same_scores() throws Exception {
        var record = Documents.readPractical(Files.readString(EXAMPLES.resolve("practical.json")));
        var again = Documents.readPractical(Documents.write(record));
        assertThat(again).isEqualTo(record);
        assertThat(ScoreView.of(again)).isEqualTo(ScoreView.of(record));
    }

    @Test
    void score_prints_five_scores_with_parts_findings_and_counts() {
        var said = run("score", EXAMPLES.resolve("practical.json").toString());
        assertThat(said.code()).isZero();
        assertThat(said.json().get("criteria").size()).isEqualTo(5);
        for (var c : said.json().get("criteria")) {
            assertThat(c.has("observations")).isTrue();
            assertThat(c.has("parts")).isTrue();
            assertThat(c.has("findings")).isTrue();
            if (c.has("score")) assertThat(c.get("score").asDouble()).isBetween(0.0, 100.0);
            else assertThat(c.get("why").asString()).isNotBlank();
        }
    }

    @ParameterizedTest
    @CsvSource({"a, by-seconds", "b, by-response", "by-seconds, by-seconds", "by-response, by-response"})
    void check_takes_a_shipped_profile_by_name(String name, String id) {
        var said = run("check", EXAMPLES.resolve("sequence.json").toString(), "--profile", name);
        assertThat(said.json().get("profile").asString()).isEqualTo(id);
    }

    @Test
    void check_takes_a_profile_file_and_the_two_schools_differ() {
        var hip = Path.of("..", "server", "src", "main", "resources", "demo", "sequences", "hip.json")
                .toString();
        var a = run("check", hip, "--profile", EXAMPLES.resolve("profile.json").toString());
        var b = run(
                "check", hip, "--profile", EXAMPLES.resolve("profile-b.json").toString());
        assertThat(a.json().get("findings")).isNotEqualTo(b.json().get("findings"));
    }

    @Test
    void all_faults_of_a_file_come_at_once_each_with_its_place() throws IOException {
        var said = with("check", "sequence.json", f -> {
            var steps = (ArrayNode) f.at("/sequence/blocks/0/steps");
            ((ObjectNode) steps.get(0)).putArray("zones").add("left-wing");
            ((ObjectNode) steps.get(0).get("dose")).put("seconds", -5);
            ((ObjectNode) f.get("sequence")).put("colour", "red");
            ((ObjectNode) f.get("sequence")).remove("name");
            return f;
        });
        assertThat(said.code()).isEqualTo(2);
        assertThat(said.out()).isEmpty();
        assertThat(said.places())
                .contains(
                        "/sequence/blocks/0/steps/0/zones/0",
                        "/sequence/blocks/0/steps/0/dose/seconds",
                        "/sequence/colour",
                        "/sequence/name");
    }

    @Test
    void a_cycle_of_before_links_has_its_place() throws IOException {
        var said = with("check", "sequence.json", f -> {
            var steps = f.at("/sequence/blocks/1/steps");
            var a = steps.get(0).get("id").asString();
            var b = steps.get(1).get("id").asString();
            ((ObjectNode) steps.get(0)).putArray("before").add(b);
            ((ObjectNode) steps.get(1)).putArray("before").add(a);
            return f;
        });
        assertThat(said.code()).isEqualTo(2);
        assertThat(said.places()).containsExactly("/sequence/blocks/1/steps/0/before");
        assertThat(said.first()).contains("cycle");
    }

    @Test
    void faulty_events_are_named_one_by_one() throws IOException {
        var said = with("score", "practical.json", f -> {
            var events = (ArrayNode) f.get("events");
            ((ObjectNode) events.get(1)).put("atMs", -1);
            ((ObjectNode) events.get(2)).put("kind", "wave");
            ((ObjectNode) events.get(3)).put("device", "");
            return f;
        });
        assertThat(said.code()).isEqualTo(2);
        assertThat(said.places()).contains("/events/1/atMs", "/events/2/kind", "/events/3/device");
    }

    @Test
    void an_event_of_a_step_the_plan_does_not_have_is_refused() throws IOException {
        var said = with("score", "practical.json", f -> {
            for (var e : f.get("events"))
                if (e.get("kind").asString().equals("step-start")) {
                    ((ObjectNode) e.get("data")).put("step", "nowhere");
                    break;
                }
            return f;
        });
        assertThat(said.code()).isEqualTo(2);
        assertThat(said.places()).singleElement().asString().endsWith("/data/step");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "{",
                "[]",
                "null",
                "\"text\"",
                "{\"format\":\"palm-tally/sequence\"}",
                "{\"a\":1,\"a\":2}",
                "{} {}"
            })
    void what_is_no_file_of_ours_is_refused(String text) throws IOException {
        var said = run("check", file(text).toString());
        assertThat(said.code()).isEqualTo(2);
        assertThat(said.places()).isNotEmpty();
    }

    @Test
    void a_newer_version_a_mistaken_format_and_a_missing_file_say_so() throws IOException {
        assertThat(with("check", "sequence.json", f -> f.put("version", 3)).first())
                .contains("newer Palm Tally");
        assertThat(run("check", EXAMPLES.resolve("practical.json").toString()).first())
                .contains("meant for another command");
        assertThat(run("check", "nowhere.json").first()).isEqualTo("does not exist");
        assertThat(run("check", folder.toString()).first()).isEqualTo("is a folder");
        assertThat(run("dance").code()).isEqualTo(2);
        assertThat(run("check").code()).isEqualTo(2);
        assertThat(run("check", "x", "--profile").code()).isEqualTo(2);
        assertThat(run("check", EXAMPLES.resolve("sequence.json").toString(), "--profile", "c")
                        .code())
                .isEqualTo(2);
    }

    @Test
    void bytes_that_are_no_text_are_refused() throws IOException {
        var file = folder.resolve("bytes.json");
        Files.write(file, new byte[] {(byte) 0xff, (byte) 0xfe, 0});
        assertThat(run("check", file.toString()).first()).isEqualTo("is not UTF-8 text");
    }

    @Test
    void deep_nesting_ends_in_a_fault_not_in_a_crash() throws IOException {
        assertThat(run("check", file("[".repeat(100_000)).toString()).code()).isEqualTo(2);
    }

    @Test
    void five_thousand_steps_are_too_many_and_names_in_every_script_are_kept() throws IOException {
        var many = with("check", "sequence.json", f -> {
            var steps = (ArrayNode) f.at("/sequence/blocks/0/steps");
            var one = (ObjectNode) steps.get(0);
            for (int i = 0; i < 5000; i++) steps.add(one.deepCopy().put("id", "s" + i));
            return f;
        });
        assertThat(many.code()).isEqualTo(2);
        var named = example("sequence.json");
        var name = "Ω ليلى 花子 <script>alert(1)</script> 👋🏽";
        ((ObjectNode) named.get("sequence")).put("name", name).put("note", "<b>bold</b>");
        try {
            assertThat(Documents.readSequence(named.toString()).name()).isEqualTo(name);
        } catch (FormatException e) {
            throw new AssertionError(e.faults().toString());
        }
    }

    /**
     * Sixty lines over all regions, each alone and as meant by who wrote it: technique, zones, hand, depth, seconds, side, position and
     * what stays as a note. Words and anatomy are common practice, no source.
     */
    @ParameterizedTest
    @MethodSource("lines")
    void a_line_in_a_teachers_words_is_read_as_meant(String line, String meant) {
        var said = fed(line, "jot");
        assertThat(said.code()).isZero();
        var one = said.json().get(0);
        assertThat(one.get("line").asString()).isEqualTo(line);
        if (System.getenv("PALM_TELL_CASES") != null) System.out.println("LINE\t" + line + " => " + meaning(one));
        assertThat(meaning(one)).isEqualTo(meant);
    }

    static Stream<org.junit.jupiter.params.provider.Arguments> lines() throws IOException {
        return Files.readAllLines(Path.of("src", "test", "resources", "lines.txt")).stream()
                .filter(l -> !l.startsWith("#"))
                .map(l -> l.split(" => ", 2))
                .map(l -> org.junit.jupiter.params.provider.Arguments.of(l[0], l[1]));
    }

    /**
     * Whole routines, a block each, as teachers write them down: how the client lies, headings, what is uncovered, what is asked between and
     * what is done instead belong together over the lines. Words and anatomy are common practice, no source.
     */
    @ParameterizedTest
    @MethodSource("routines")
    void the_lines_of_a_routine_are_read_together(List<String> lines, List<String> meant) {
        var said = fed(String.join("\n", lines), "jot");
        assertThat(said.code()).isZero();
        var all = said.json();
        var told = new ArrayList<String>();
        for (int i = 0; i < all.size(); i++) told.add(lines.get(i) + " => " + meaning(all.get(i)));
        if (System.getenv("PALM_TELL_CASES") != null) told.forEach(l -> System.out.println("ROUTINE\t" + l));
        assertThat(told).isEqualTo(meant);
    }

    static Stream<org.junit.jupiter.params.provider.Arguments> routines() throws IOException {
        var file = Files.readString(Path.of("src", "test", "resources", "routines.txt"));
        return Stream.of(file.split("\\R\\R")).map(block -> {
            var meant = block.lines().filter(l -> !l.startsWith("#")).toList();
            return org.junit.jupiter.params.provider.Arguments.of(
                    meant.stream().map(l -> l.split(" => ", 2)[0]).toList(), meant);
        });
    }

    private static String meaning(JsonNode one) {
        var step = one.get("step");
        if (step == null || step.isNull())
            return one.hasNonNull("asked")
                    ? "asks " + one.get("asked").get("what").asString()
                    : "of another step";
        var words = new ArrayList<String>();
        words.add(step.get("technique").asString());
        step.get("zones").forEach(z -> words.add(z.asString()));
        words.add(step.get("tool").asString() + " " + step.get("depth").asInt());
        var dose = step.get("dose");
        words.add(dose.get("kind").asString());
        for (var part : List.of("seconds", "count", "perSecond"))
            if (dose.has(part)) words.add(part + " " + dose.get(part).asDouble());
        words.add(step.get("side").asString() + " " + step.get("position").asString());
        var effort = step.get("effort").asString();
        if (!effort.equals("passive")) words.add("client " + effort);
        for (var said : step.path("say")) words.add(said.get("kind").asString());
        step.path("care").forEach(c -> words.add(c.asString()));
        if (step.has("band"))
            words.add("number " + step.at("/band/low").asInt() + "–"
                    + step.at("/band/high").asInt());
        var detail = step.path("detail");
        for (var part : List.of("structures", "from", "to", "fibre", "pace", "otherHand", "manner", "limb", "props"))
            if (detail.has(part) && !detail.get(part).isEmpty()) words.add(part + " " + plain(detail.get(part)));
            else if (detail.path(part).isString())
                words.add(part + " " + detail.get(part).asString());
        for (var p : detail.path("part")) words.add("part " + plain(p));
        if (detail.has("end")) words.add("until " + plain(detail.get("end")));
        if (detail.has("compares")) words.add("compares " + plain(detail.get("compares")));
        for (var b : detail.path("instead"))
            words.add("if " + b.get("when").asString() + ": " + b.get("then").asString()
                    + (b.has("tool") ? " " + b.get("tool").asString() : ""));
        if (!step.get("sheet").asString().equals("open"))
            words.add("sheet " + step.get("sheet").asString());
        if (detail.has("why")) words.add("why: " + detail.get("why").asString());
        detail.path("words")
                .properties()
                .forEach(w -> words.add(w.getKey() + " “" + w.getValue().asString() + "”"));
        if (!one.get("note").asString().isEmpty())
            words.add("note: " + one.get("note").asString());
        return String.join(", ", words);
    }

    private static String plain(JsonNode node) {
        return node.toString()
                .replaceAll("\"(?:does|when|what|capSeconds|times|seconds|percent)\":", "")
                .replaceAll("[\"\\[\\]{}]", "")
                .replace(',', ' ');
    }

    @Test
    void lines_go_on_from_one_another_and_nothing_refuses_one() {
        var said = fed(
                        "# a leg\n\nglide calf right oil 60s\nknead 40s\nwibble wobble\nglide calf depth 9\n"
                                + "x".repeat(600) + "\n",
                        "jot",
                        "--profile",
                        "b")
                .json();
        assertThat(said).hasSize(5);
        assertThat(said.get(1).get("step").get("zones").get(0).asString()).isEqualTo("calf");
        assertThat(said.get(1).get("step").get("side").asString()).isEqualTo("right");
        assertThat(said.get(2).get("asked").get("what").asString()).isEqualTo("stroke");
        assertThat(said.get(2).get("note").asString()).isEqualTo("wibble wobble");
        assertThat(said.get(3).get("step").get("depth").asInt()).isEqualTo(2);
        assertThat(said.get(3).get("note").asString()).isEqualTo("depth 9");
        assertThat(said.get(4).get("note").asString()).hasSize(600);
        assertThat(run("jot", "one", "two").code()).isEqualTo(2);
    }
}
