package palmtally.server.competency;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

/** Two steps whose names begin alike have two lessons. */
class LessonIdTest {
    private static final String LONG = "a-sequence-with-a-name-of-fifty-six-characters-and-more";

    @Test
    void is_the_sequence_and_the_step_where_that_is_short() {
        assertThat(CohortSteps.lessonId("calves", "s5")).isEqualTo("again-calves-s5");
    }

    @Test
    void tells_long_names_apart_that_begin_alike_and_fits_a_lesson() {
        var one = CohortSteps.lessonId(LONG, "effleurage-left");
        var other = CohortSteps.lessonId(LONG, "effleurage-right");
        assertThat(one).isNotEqualTo(other).hasSizeLessThanOrEqualTo(64).startsWith("again-a-sequence-with-a-nam");
        assertThat(CohortSteps.lessonId(LONG, "effleurage-left")).isEqualTo(one);
    }
}
