package palmtally.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/** What is nested deeper or has more parts than anything here means is read no further: it would fill the memory. */
class TooMuchTest {
    private static String with(String within) throws IOException {
        return Files.readString(Path.of("..", "docs", "formats", "examples", "sequence.json"))
                .replaceFirst("\"slotSeconds\"\\s*:\\s*[0-9.]+", "\"slotSeconds\": " + within);
    }

    private static String reason(String within) throws IOException {
        var text = with(within);
        var fault = catchThrowableOfType(FormatException.class, () -> Documents.readSequence(text));
        assertThat(fault.faults()).hasSize(1);
        return fault.faults().get(0).reason();
    }

    @Test
    void is_refused_in_words() throws IOException {
        var deepest = "[".repeat(38) + "]".repeat(38);
        assertThat(reason(deepest)).isEqualTo("array found, number expected");
        assertThat(reason("[" + deepest + "]")).isEqualTo(Json.TOO_MUCH);
        assertThat(reason("[" + "1,".repeat(900_000) + "1]")).isEqualTo("array found, number expected");
        assertThat(reason("[" + "1,".repeat(1_000_000) + "1]")).isEqualTo(Json.TOO_MUCH);
    }

    @Test
    void a_practical_with_as_many_events_as_it_may_have_is_read() throws IOException {
        var practical = (tools.jackson.databind.node.ObjectNode)
                Json.MAPPER.readTree(Files.readString(Path.of("..", "docs", "formats", "examples", "practical.json")));
        var events = (tools.jackson.databind.node.ArrayNode) practical.get("events");
        var seen = events.deepCopy();
        events.removeAll();
        for (int i = 0; i < 20_000; i++) events.add(seen.get(i % seen.size()));
        assertThat(Json.MAPPER.readTree(practical.toString()).get("events")).hasSize(20_000);
    }
}
