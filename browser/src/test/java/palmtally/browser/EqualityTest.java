package palmtally.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** What the page answers is what the JVM answers: every number by its bits, every sentence by its letters. */
class EqualityTest {
    private static final Path MODULE = Path.of("target/js/palm-core.js");

    private static final Pattern TOTAL = Pattern.compile("\"totalSeconds\":([0-9.]+)");

    /** Kept for whoever looks into a difference. */
    private final Path folder = Path.of("target");

    private String compared(Path cases) throws IOException, InterruptedException {
        var said = folder.resolve("said.txt");
        var node = new ProcessBuilder("node", "src/test/js/compare.mjs", MODULE.toString(), cases.toString())
                .redirectErrorStream(true)
                .redirectOutput(said.toFile())
                .start();
        node.waitFor();
        return Files.readString(said);
    }

    @Test
    void answers_in_node_what_the_jvm_answers() throws Exception {
        var cases = folder.resolve("cases.jsonl");
        int many = Cases.write(cases, 20_261_201L, 16);
        assertThat(many).isGreaterThan(2000);
        assertThat(compared(cases)).contains(many + " equal, 0 different");
    }

    @Test
    void one_bit_of_one_number_is_seen() throws Exception {
        var cases = folder.resolve("few.jsonl");
        int many = Cases.write(cases, 1, 1);
        var lines = new ArrayList<>(Files.readAllLines(cases));
        for (int i = 0; i < lines.size(); i++) {
            var total = TOTAL.matcher(lines.get(i));
            if (!total.find()) continue;
            var other = Math.nextUp(Double.parseDouble(total.group(1)));
            lines.set(i, total.replaceFirst("\"totalSeconds\":" + other));
            break;
        }
        Files.write(cases, lines);
        assertThat(compared(cases)).contains(many - 1 + " equal, 1 different");
    }

    /** Nothing hangs on where an object lies in memory. */
    @Test
    void another_start_of_the_jvm_answers_the_same() throws Exception {
        var here = folder.resolve("here.jsonl");
        Cases.write(here, 7, 3);
        var there = folder.resolve("there.jsonl");
        var java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
        var other = new ProcessBuilder(
                        java,
                        "-cp",
                        System.getProperty("java.class.path"),
                        Cases.class.getName(),
                        there.toString(),
                        "7",
                        "3")
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("other.txt").toFile())
                .start();
        assertThat(other.waitFor()).isZero();
        assertThat(Files.mismatch(here, there)).isEqualTo(-1);
    }
}
