package palmtally.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.practical.Extent;
import palmtally.core.practical.Practical;

class PracticalWriterTest {
    private final Practical practical = read();

    /** What is written once and used again reads as if it had been written where it stands. */
    @Test
    void a_file_is_the_same_as_one_written_whole() {
        var file = new LinkedHashMap<String, Object>();
        file.put("format", "palm-tally/practical");
        file.put("version", 2);
        file.put("sequence", practical.sequence());
        file.put("profile", practical.profile());
        file.put("asked", practical.asked());
        file.put("sides", practical.sides());
        file.put("events", practical.events());
        var whole = Json.MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(file) + "\n";
        var writer = new PracticalWriter();
        assertThat(writer.write(practical)).isEqualTo(whole);
        assertThat(writer.write(practical)).isEqualTo(whole);
    }

    @Test
    void each_keeps_what_is_its_own() throws FormatException {
        var other = new Practical(
                practical.sequence().withBlocks(practical.sequence().blocks().subList(0, 1)),
                practical.profile(),
                List.of(),
                practical.sides(),
                Extent.PART,
                practical.events().subList(0, 3));
        var writer = new PracticalWriter();
        assertThat(Documents.readPractical(writer.write(practical))).isEqualTo(practical);
        assertThat(Documents.readPractical(writer.write(other))).isEqualTo(other);
        assertThat(Documents.readPractical(writer.write(practical))).isEqualTo(practical);
    }

    @Test
    void stored_events_are_read_as_they_were() {
        var stored = Json.MAPPER.writeValueAsString(practical.events());
        assertThat(practical.events()).hasSizeGreaterThan(20);
        assertThat(Json.events(stored)).isEqualTo(practical.events());
        assertThat(Json.events("[]")).isEmpty();
    }

    private static Practical read() {
        try {
            return Documents.readPractical(Files.readString(Path.of("../docs/formats/examples/practical.json")));
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }
}
