package palmtally.core.earlier;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.core.InvalidValue;

class MarkScaleTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            8,5     | 0 | 10  | 85
            8.5     | 0 | 10  | 85
            0       | 0 | 10  | 0
            1       | 6 | 1   | 100
            2,5     | 6 | 1   | 70
            6       | 6 | 1   | 0
            17/20   | 0 | 10  | 85
            17 of 20| 0 | 10  | 85
            85 %    | 0 | 10  | 85
            85%     | 6 | 1   | 85
            12,50   | 0 | 20  | 62.5
            """)
    void numbers_lie_between_worst_and_best(String cell, double worst, double best, double points) {
        assertThat(new MarkScale(worst, best, Map.of()).read(cell).points()).isCloseTo(points, within(1e-9));
    }

    @Test
    void what_is_no_mark_is_told_apart_from_no_mark() {
        var scale = new MarkScale(0, 10, Map.of());
        for (var none : List.of("", " ", "-", "–", "n/a", "N/A", "\u00A0"))
            assertThat(scale.read(none)).as(none).isEqualTo(new MarkScale.Read(null, null));
        assertThat(scale.read("11").fault()).isEqualTo("is outside of 0 to 10");
        assertThat(scale.read("21/20").fault()).isEqualTo("is outside of its own whole");
        assertThat(scale.read("ill").fault()).isEqualTo("is no mark of this scale");
        assertThat(new MarkScale(6, 1, Map.of()).read("0,5").fault()).isEqualTo("is outside of 1 to 6");
        var words = new HashMap<String, Double>();
        words.put("Ill", null);
        words.put("B+", 90.0);
        var named = new MarkScale(0, 10, words);
        assertThat(named.read("ILL ")).isEqualTo(new MarkScale.Read(null, null));
        assertThat(named.read("b+").points()).isEqualTo(90);
    }

    @Test
    void the_scale_of_a_column_is_guessed_by_its_highest_number_and_its_words() {
        assertThat(MarkScale.of(List.of("7", "9,5", "-"), "").best()).isEqualTo(10);
        assertThat(MarkScale.of(List.of("0,4", "0,95"), "").best()).isEqualTo(1);
        assertThat(MarkScale.of(List.of("3", "4,5"), "").best()).isEqualTo(5);
        assertThat(MarkScale.of(List.of("14", "20"), "").best()).isEqualTo(20);
        assertThat(MarkScale.of(List.of("64", "100"), "").best()).isEqualTo(100);
        assertThat(MarkScale.of(List.of("120", "88"), "").best()).isEqualTo(120);
        var letters = MarkScale.of(List.of("A", "B+", "b-", "F", "absent"), "");
        // Common practice, no source: the middle of each letter's tens, three points for a sign.
        assertThat(letters.words()).isEqualTo(Map.of("a", 95.0, "b+", 88.0, "b-", 82.0, "f", 40.0));
        assertThat(letters.read("absent").fault()).isEqualTo("is no mark of this scale");
        assertThat(MarkScale.of(List.of("F", "b-", "A", "B+", "a"), "").words().keySet())
                .containsExactly("a", "b+", "b-", "f");
        assertThat(MarkScale.of(List.of("pass", "not yet competent"), "").words())
                .isEqualTo(Map.of("pass", 75.0, "not yet competent", 40.0));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            Draping (max 20)      | 20
            Draping, max. 25      | 25
            Flow (out of 15)      | 15
            Posture /10           | 10
            Druck (12 Punkte)     | 12
            Depth ( 8 )           | 8
            Order of strokes      | 5
            Practical 20          | 5
            Draping (max 4)       | 5
            Draping (max 0)       | 5
            """)
    void the_most_of_a_column_is_what_its_head_says_where_no_mark_is_above_it(String head, double best) {
        assertThat(MarkScale.of(List.of("4.5", "3"), head).best()).isEqualTo(best);
    }

    @Test
    void a_scale_without_a_length_and_words_beyond_it_are_refused_at_once() {
        assertThatThrownBy(() -> new MarkScale(5, 5, Map.of("a", 101.0)))
                .isInstanceOf(InvalidValue.class)
                .hasMessage(
                        "scale: best must differ from the worst (is 5.0); words/a must be from 0 to 100 (is 101.0)");
        assertThatThrownBy(() -> new MarkScale(Double.NaN, 5, Map.of())).hasMessageContaining("worst must be a number");
    }
}
