package palmtally.core.calendar;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.calendar.Terms.lesson;

import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Region;

/** What lies between two terms, as sentences. */
class TermDifferenceTest {
    private final Curriculum before = Terms.of(lesson(1, Region.NECK, Aim.TEACH), lesson(2, Region.NECK, Aim.PRACTISE));

    @Test
    void nothing_between_a_term_and_itself() {
        assertThat(TermDifference.between(before, before)).isEmpty();
    }

    @Test
    void what_was_added_taken_out_moved_and_changed() {
        var moved = before.lessons().get(0).at(3, 2).lasting(45).showing("nape");
        var after = new Curriculum(
                "t",
                "Term",
                9,
                2,
                120,
                30,
                Map.of(Region.NECK, 4.0),
                Set.of(5),
                java.util.List.of(moved, lesson(4, Region.JAW, Aim.TEACH)));
        assertThat(TermDifference.between(before, after))
                .containsExactly(
                        "The term: weeks 8 → 9.",
                        "The term: hours asked for 0 → 30.",
                        "The term: hours asked for by region {} → {neck=4.0}.",
                        "The term: weeks off [] → [5].",
                        "\"teach neck\" of week 1: place week 1, lab 1 → week 3, lab 2.",
                        "\"teach neck\" of week 1: minutes 30 → 45.",
                        "\"teach neck\" of week 1: sequence none → nape.",
                        "Added: week 4, lab 1, teach jaw, 30 min.",
                        "Taken out: week 2, lab 1, practise neck.");
    }
}
