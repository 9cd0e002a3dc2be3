package palmtally.core.agreement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import org.junit.jupiter.api.Test;
import palmtally.core.finding.Criterion;

class PracticeMarksTest {
    private static final Map<Criterion, Double> SCHOOL = Map.of(
            Criterion.PRESSURE, 62.0,
            Criterion.ORDER, 80.0,
            Criterion.MECHANICS, 55.0,
            Criterion.COMMUNICATION, 70.0);

    @Test
    void marks_are_laid_beside_the_schools() {
        var marks = PracticeMarks.of(
                SCHOOL,
                Map.of(
                        Criterion.PRESSURE, 72.0,
                        Criterion.ORDER, 69.0,
                        Criterion.MECHANICS, 77.0,
                        Criterion.DRAPING, 90.0));
        assertThat(marks.each())
                .extracting(PracticeMarks.Line::criterion)
                .containsExactly(Criterion.PRESSURE, Criterion.ORDER, Criterion.MECHANICS);
        assertThat(marks.bias()).isCloseTo((10 - 11 + 22) / 3.0, within(1e-12));
        assertThat(marks.apart()).isCloseTo((10 + 11 + 22) / 3.0, within(1e-12));
        assertThat(marks.close()).isEqualTo(1);
        assertThat(marks.each()).extracting(PracticeMarks.Line::sameBand).containsExactly(true, false, false);
        assertThat(marks.sentence())
                .isEqualTo(
                        "Close to the school in 1 of 3. Stroke order: 11 points stricter. Body mechanics: 22 points milder.");
    }

    @Test
    void nothing_in_common_says_so() {
        var marks = PracticeMarks.of(SCHOOL, Map.of(Criterion.DRAPING, 90.0));
        assertThat(marks.each()).isEmpty();
        assertThat(marks.bias()).isNull();
        assertThat(marks.apart()).isNull();
        assertThat(marks.sentence()).isEqualTo("No criterion was marked by both.");
    }
}
