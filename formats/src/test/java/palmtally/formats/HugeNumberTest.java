package palmtally.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A number that nothing here can mean is a fault with its place, as any other. */
class HugeNumberTest {
    @ParameterizedTest
    @ValueSource(strings = {"1e308", "-1e308", "1e400", "1e99999999", "123456789012345678901234567890"})
    void is_named_by_its_place(String number) throws IOException {
        var text = Files.readString(Path.of("..", "docs", "formats", "examples", "sequence.json"))
                .replaceFirst("\"slotSeconds\"\\s*:\\s*[0-9.]+", "\"slotSeconds\": " + number);
        assertThat(text).contains(number);
        var fault = catchThrowableOfType(FormatException.class, () -> Documents.readSequence(text));
        assertThat(fault.faults()).singleElement().satisfies(f -> {
            assertThat(f.field()).isEqualTo("/sequence/slotSeconds");
            assertThat(f.reason()).isEqualTo("must be a number between -1e15 and 1e15");
        });
    }
}
