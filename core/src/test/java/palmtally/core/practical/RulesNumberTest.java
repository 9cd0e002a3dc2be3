package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.api.Test;
import palmtally.core.practical.ScorePropertiesTest.Ran;

/**
 * The number of the rules goes with what they make of a hundred runs. Where this is red because marks are meant to come about otherwise,
 * raise {@link MarkRules#NUMBER} and add its line to the file by {@code PALM_WRITE_RULES=1}; lines of earlier numbers stay.
 */
class RulesNumberTest {
    private static final Path FILE = Path.of("src", "test", "resources", "rules-numbers.txt");

    @Test
    void the_rules_of_a_number_mark_a_hundred_runs_always_alike() throws IOException {
        var line = MarkRules.NUMBER + " " + marks();
        if (System.getenv("PALM_WRITE_RULES") != null
                && !Files.readString(FILE).contains("\n" + MarkRules.NUMBER + " "))
            Files.writeString(FILE, Files.readString(FILE) + line + "\n");
        assertThat(Files.readAllLines(FILE).stream().filter(l -> l.startsWith(MarkRules.NUMBER + " ")))
                .containsExactly(line);
    }

    private static String marks() {
        var text = new StringBuilder();
        for (int seed = 0; seed < 100; seed++)
            for (var c : Ran.of(new Random(seed)).scores().criteria())
                text.append(c.score() == null ? c.why() : String.format(Locale.ROOT, "%.6f", c.score()))
                        .append('\n');
        try {
            var digest =
                    MessageDigest.getInstance("SHA-256").digest(text.toString().getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest).substring(0, 16);
        } catch (NoSuchAlgorithmException e) {
            throw new UncheckedIOException(new IOException(e));
        }
    }
}
