package palmtally.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import palmtally.core.practical.MarkRules;
import palmtally.core.profile.Profile;

/** The page of the rules that is read without the app follows from the same rows. {@code PALM_WRITE_SCHEMAS=1} writes it anew. */
class MarksPageTest {
    private static final Path PAGE = Path.of("..", "docs", "marks.md");

    @Test
    void says_what_the_program_says() throws IOException {
        var page = new StringBuilder("# How a mark comes about\n\nThe numbers are those of the profile “")
                .append(Profile.bySeconds().name())
                .append(
                        "”; in the app the page has those of the school. Common practice, no source, where none is named.\n");
        for (var section : MarkRules.of(Profile.bySeconds())) {
            page.append("\n## ").append(section.title()).append("\n");
            for (var sentence : section.sentences())
                page.append("\n").append(sentence).append("\n");
        }
        if (System.getenv("PALM_WRITE_SCHEMAS") != null) Files.writeString(PAGE, page.toString());
        assertThat(Files.readString(PAGE)).isEqualTo(page.toString());
    }
}
