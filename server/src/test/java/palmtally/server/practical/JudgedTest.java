package palmtally.server.practical;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import palmtally.core.finding.Criterion;
import palmtally.formats.Json;

/** What was kept with an award by an earlier version can be read for ever. */
class JudgedTest {
    private static final Path KEPT = Path.of("src", "test", "resources", "judged-1.json");

    @Test
    void of_the_first_rules_is_read_whole_and_written_as_it_was() throws IOException {
        var text = Files.readString(KEPT);
        var judged = Json.MAPPER.readValue(text, Judged.class);
        assertThat(judged.rules()).isEqualTo(1);
        assertThat(judged.marks()).hasSize(5).containsEntry(Criterion.ORDER, 45.76923076923077);
        assertThat(judged.scores().criteria()).hasSize(5);
        assertThat(judged.outcome().reasons()).isNotEmpty();
        assertThat(judged.counted().regions()).isNotEmpty();
        assertThat(Json.MAPPER.readTree(Json.MAPPER.writeValueAsString(judged))).isEqualTo(Json.MAPPER.readTree(text));
    }
}
