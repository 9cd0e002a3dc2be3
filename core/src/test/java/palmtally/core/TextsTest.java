package palmtally.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

class TextsTest {
    @Test
    void replaces_each_match_by_what_is_made_of_it_as_it_stands() {
        var digits = Pattern.compile("(\\d)(\\d)?");
        assertThat(Texts.replaced(digits, "a1 b23", m -> m.group(2) == null ? "$1" : "<" + m.group() + ">"))
                .isEqualTo("a$1 b<23>");
        assertThat(Texts.replaced(digits, "none", m -> "!")).isEqualTo("none");
    }
}
