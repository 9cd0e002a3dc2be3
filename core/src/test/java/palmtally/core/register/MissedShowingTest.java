package palmtally.core.register;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.core.register.MissedShowing.Attendance;
import palmtally.core.register.MissedShowing.Showing;
import palmtally.core.register.MissedShowing.Why;

/** Who was never there when something was shown. That half of it is enough is common practice, no source. */
class MissedShowingTest {
    private static final LabPlace SECOND = new LabPlace(2, 1);
    private static final LabPlace THIRD = new LabPlace(3, 1);
    private static final Attendance THERE = new Attendance(true, Presence.THERE);
    private static final Attendance AWAY = new Attendance(true, Presence.AWAY);
    private static final Attendance UNKNOWN = new Attendance(true, null);
    private static final Attendance NOT_YET = new Attendance(false, null);

    private static List<MissedShowing> of(Attendance second, Attendance third) {
        var shown = List.of(
                new Showing("calves", SECOND, 20, 60),
                new Showing("neck", SECOND, 60, 90),
                new Showing("calves", THIRD, 0, 40));
        return MissedShowing.of(shown, Map.of(SECOND, second, THIRD, third)::get);
    }

    @Test
    void what_was_shown_twice_is_missed_by_who_missed_it_twice() {
        assertThat(of(THERE, THERE)).isEmpty();
        assertThat(of(AWAY, THERE)).containsExactly(new MissedShowing("neck", SECOND, Why.AWAY));
        assertThat(of(THERE, AWAY)).isEmpty();
        assertThat(of(NOT_YET, AWAY))
                .containsExactly(
                        new MissedShowing("calves", THIRD, Why.AWAY), new MissedShowing("neck", SECOND, Why.NOT_YET));
        assertThat(of(new Attendance(true, Presence.EXCUSED), NOT_YET))
                .containsExactly(
                        new MissedShowing("calves", THIRD, Why.NOT_YET), new MissedShowing("neck", SECOND, Why.AWAY));
    }

    @Test
    void where_nothing_is_marked_nobody_knows() {
        assertThat(of(UNKNOWN, UNKNOWN)).isEmpty();
        assertThat(of(AWAY, UNKNOWN)).containsExactly(new MissedShowing("neck", SECOND, Why.AWAY));
        assertThat(of(UNKNOWN, AWAY)).isEmpty();
    }

    /** Shown from minute 20 to minute 60: half of it is 20 minutes. */
    @ParameterizedTest
    @CsvSource({
        "0, , ",
        "40, , ",
        "40.5, , LATE",
        "0, 40, ",
        "0, 39, LEFT",
        "30, 50, ",
        "30, 49, LEFT",
        "35, 54, LATE",
        "70, , LATE",
        "0, 15, LEFT",
    })
    void half_of_it_is_seen(double late, Double left, Why why) {
        var there = new Attendance(true, new Presence(Presence.Kind.PRESENT, late, left));
        var missed = MissedShowing.of(List.of(new Showing("calves", SECOND, 20, 60)), p -> there);
        if (why == null) assertThat(missed).isEmpty();
        else assertThat(missed).containsExactly(new MissedShowing("calves", SECOND, why));
    }

    @Test
    void it_says_what_why_and_how_to_mend_it() {
        assertThat(new MissedShowing("calves", SECOND, Why.AWAY).words("Calves"))
                .isEqualTo("was away in week 2, lab 1, when Calves was shown: show it to them before they work");
        assertThat(new MissedShowing("neck", THIRD, Why.NOT_YET).words("Neck"))
                .isEqualTo(
                        "was not in the term yet in week 3, lab 1, when Neck was shown: show it to them before they work");
        assertThat(new MissedShowing("neck", THIRD, Why.LATE).words("Neck"))
                .startsWith("came late to week 3, lab 1, when Neck was shown");
        assertThat(new MissedShowing("neck", THIRD, Why.LEFT).words("Neck"))
                .startsWith("left early in week 3, lab 1, when Neck was shown");
    }
}
