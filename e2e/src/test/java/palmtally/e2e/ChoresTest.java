package palmtally.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.TreeSet;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** All chores stand in one list, the one that ./palm prints; there is none beside it, and none in it that is not there. */
class ChoresTest {
    private static final Path PALM = Path.of("..", "palm");

    @Test
    void the_list_that_is_printed_names_every_chore() throws IOException, InterruptedException {
        var script = Files.readString(PALM);
        var cases = script.substring(script.lastIndexOf("case \"${1:-}\" in"));
        var there = new TreeSet<String>();
        Pattern.compile("(?m)(?:^|;;)\\s*([a-z|]+)\\) ")
                .matcher(cases)
                .results()
                .forEach(r -> there.addAll(List.of(r.group(1).split("\\|"))));
        assertThat(there).contains("demo", "serve", "update", "fuzz").hasSizeGreaterThan(20);
        var help = new ProcessBuilder(PALM.toString()).redirectErrorStream(true).start();
        var said = new String(help.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(help.waitFor()).isZero();
        var listed = new TreeSet<String>();
        Pattern.compile("\\./palm ([a-z]+)").matcher(said).results().forEach(r -> listed.add(r.group(1)));
        assertThat(listed).isEqualTo(there);
    }

    /** What the pages tell somebody to call is a chore. */
    @Test
    void the_pages_name_no_other() throws IOException {
        var script = Files.readString(PALM);
        try (var pages = Files.walk(Path.of("..", "docs"))) {
            var all = pages.filter(p -> p.toString().endsWith(".md")).collect(java.util.stream.Collectors.toList());
            for (var page : List.of("README.md", "CONTRIBUTING.md", "SECURITY.md", "CHANGELOG.md"))
                all.add(Path.of("..", page));
            for (var page : all)
                for (var r : Pattern.compile("\\./palm ([a-z]+)")
                        .matcher(Files.readString(page))
                        .results()
                        .toList())
                    assertThat(script).as(page + ": ./palm " + r.group(1)).contains("./palm " + r.group(1));
        }
    }
}
