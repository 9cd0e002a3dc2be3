package palmtally.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
import org.assertj.core.api.ThrowableAssert.ThrowingCallable;
import org.junit.jupiter.api.Test;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;
import tools.jackson.databind.node.ObjectNode;

/** Whole curricula and libraries of techniques as files. */
class TermFileTest {
    private static final Path EXAMPLES = Path.of("..", "docs", "formats", "examples");

    private static String example(String name) throws IOException {
        return Files.readString(EXAMPLES.resolve(name));
    }

    private static String changed(String name, Consumer<ObjectNode> change) throws IOException {
        var file = (ObjectNode) Json.MAPPER.readTree(example(name));
        change.accept(file);
        return file.toString();
    }

    private static void refused(ThrowingCallable reading, String... fields) {
        assertThatThrownBy(reading)
                .isInstanceOfSatisfying(
                        FormatException.class,
                        e -> assertThat(e.faults()).extracting(Fault::field).contains(fields));
    }

    @Test
    void a_curriculum_comes_back_the_same() throws Exception {
        var file = Documents.readCurriculum(example("curriculum.json"));
        assertThat(file.curriculum().lessons()).hasSizeGreaterThan(8);
        assertThat(file.sequences()).hasSize(1);
        assertThat(Documents.readCurriculum(Documents.write(file))).isEqualTo(file);
    }

    @Test
    void what_may_be_left_out_is_taken_as_nothing() throws Exception {
        var file = Documents.readCurriculum(changed("curriculum.json", f -> {
            f.remove("sequences");
            var c = (ObjectNode) f.get("curriculum");
            c.remove(List.of("targetHours", "regionHours", "off"));
            c.get("lessons").forEach(l -> ((ObjectNode) l).remove("note"));
        }));
        assertThat(file.sequences()).isEmpty();
        assertThat(file.curriculum().targetHours()).isZero();
        assertThat(file.curriculum().off()).isEmpty();
    }

    @Test
    void every_fault_is_named_by_its_place() throws Exception {
        var shape = changed("curriculum.json", f -> {
            ((ObjectNode) f.get("curriculum").get("lessons").get(0)).put("aim", "nap");
            ((ObjectNode) f.get("curriculum").get("lessons").get(1)).put("minutes", 0);
            ((ObjectNode) f.get("curriculum")).put("colour", "red");
        });
        refused(
                () -> Documents.readCurriculum(shape),
                "/curriculum/lessons/0/aim",
                "/curriculum/lessons/1/minutes",
                "/curriculum/colour");
        var meaning = changed("curriculum.json", f -> {
            ((ObjectNode) f.get("curriculum").get("lessons").get(0)).put("week", 40);
            var step = (ObjectNode)
                    f.get("sequences").get(0).get("blocks").get(0).get("steps").get(0);
            step.putArray("before").add("nowhere");
        });
        refused(
                () -> Documents.readCurriculum(meaning),
                "/curriculum/lessons/0/week",
                "/sequences/0/blocks/0/steps/0/before/0");
    }

    @Test
    void the_command_line_checks_a_curriculum_as_it_checks_a_sequence() {
        var out = new ByteArrayOutputStream();
        var err = new ByteArrayOutputStream();
        int code = new CommandLine(InputStream.nullInputStream(), new PrintStream(out), new PrintStream(err))
                .run("check", EXAMPLES.resolve("curriculum.json").toString(), "--profile", "b");
        assertThat(code).as(err.toString(StandardCharsets.UTF_8)).isZero();
        var said = Json.MAPPER.readTree(out.toString(StandardCharsets.UTF_8));
        assertThat(said.get("findings").toString()).contains("TERM-SEQUENCE");
        assertThat(said.get("cells").size()).isGreaterThan(10);
    }

    @Test
    void techniques_come_back_the_same_and_stay_what_they_are() throws Exception {
        var school = Documents.readTechniques(example("techniques.json"));
        assertThat(school.own()).extracting(Technique::id).contains("harbour-sweep");
        assertThat(school.hands()).isNotEmpty();
        assertThat(Documents.readTechniques(Documents.write(school))).isEqualTo(school);
        assertThat(Documents.readTechniques(Documents.write(Techniques.SHIPPED)))
                .isEqualTo(Techniques.SHIPPED);
        var other = changed(
                "techniques.json",
                f -> ((ObjectNode) f.get("techniques").get(0))
                        .put("id", "effleurage")
                        .put("stroke", "traction"));
        refused(() -> Documents.readTechniques(other), "/techniques/effleurage");
    }
}
