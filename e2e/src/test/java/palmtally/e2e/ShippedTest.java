package palmtally.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.jar.JarFile;
import org.junit.jupiter.api.Test;

/** What the app is shipped as: one jar with what it needs and nothing else. */
class ShippedTest {
    @Test
    void there_is_one_json_library_and_nothing_that_only_writes_documents_of_the_interface() throws IOException {
        try (var jar = new JarFile(
                Path.of("..", "server", "target", "server-0.1.0-app.jar").toFile())) {
            var libraries = jar.stream()
                    .map(e -> e.getName())
                    .filter(n -> n.startsWith("BOOT-INF/lib/"))
                    .map(n -> n.substring("BOOT-INF/lib/".length()))
                    .toList();
            assertThat(libraries).hasSizeGreaterThan(40);
            assertThat(libraries).noneMatch(n -> n.startsWith("springdoc") || n.startsWith("swagger"));
            assertThat(libraries)
                    .filteredOn(n -> n.matches("jackson-(core|databind)-.*"))
                    .hasSize(2)
                    .allMatch(n -> n.contains("-3."));
        }
    }
}
