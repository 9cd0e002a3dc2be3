package palmtally.core.demonstration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.core.InvalidValue;
import palmtally.core.demonstration.Showing.Mark;
import palmtally.core.demonstration.Showing.What;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sheet;

/** Plan clock and real clock. Three covered steps of a minute with a client, 20 s in class: 20, 40 and 60 s of plan clock. */
class ShowingTest {
    private final Showing showing = Showing.of(once(minute("a"), minute("b"), minute("c")), Profile.bySeconds());

    private static palmtally.core.sequence.Plans.Made minute(String id) {
        return step(id).seconds(60).inClass(20).sheet(Sheet.THROUGH);
    }

    private static Mark started(int index, double at) {
        return new Mark(What.STARTED, index, at);
    }

    @Test
    void the_plan_clock_runs_on_class_doses() {
        assertThat(showing.timeline().totalSeconds()).isEqualTo(60);
        assertThat(Showing.token(showing.timeline().spans().get(0).stint())).isTrue();
    }

    @Test
    void nothing_marked_yet_is_on_time() {
        assertThat(showing.progress(List.of(), 300).words()).isEqualTo("on time");
        assertThat(showing.progress(List.of(), 300).current()).isEqualTo(-1);
    }

    /** By hand: b is planned at 20 and began at 50: 30 late; at 75 it has had 25 of its 20 s: 35 late. */
    @Test
    void drift_grows_only_once_a_step_has_had_its_time() {
        var marks = List.of(started(0, 0), started(1, 50));
        assertThat(showing.progress(marks, 60).driftSeconds()).isEqualTo(30);
        assertThat(showing.progress(marks, 70).driftSeconds()).isEqualTo(30);
        assertThat(showing.progress(marks, 75).driftSeconds()).isEqualTo(35);
        assertThat(showing.progress(marks, 75).driftFrom()).isEqualTo(70);
        assertThat(showing.progress(marks, 60).words()).isEqualTo("running 0:30 over");
    }

    @Test
    void a_step_passed_over_is_left_out_and_time_is_won() {
        var p = showing.progress(List.of(started(0, 0), started(2, 20)), 25);
        assertThat(p.leftOut()).containsExactly(1);
        assertThat(p.words()).isEqualTo("0:20 ahead");
    }

    @Test
    void the_end_keeps_what_was_shown_and_how_long() {
        var p = showing.progress(List.of(started(0, 0), started(1, 30), new Mark(What.FINISHED, 1, 50)), 400);
        assertThat(p.finished()).isTrue();
        assertThat(p.shownSeconds()).containsExactly(30.0, 20.0, 0.0);
        assertThat(p.leftOut()).containsExactly(2);
        assertThat(p.driftFrom()).isInfinite();
    }

    @Test
    void going_back_adds_to_what_was_shown() {
        var p = showing.progress(List.of(started(0, 0), started(1, 20), started(0, 30)), 35);
        assertThat(p.shownSeconds().get(0)).isEqualTo(25);
        assertThat(p.current()).isZero();
    }

    @Test
    void marks_that_run_backwards_or_point_nowhere_are_refused_together() {
        assertThatThrownBy(() -> showing.progress(List.of(started(0, 10), started(1, 5), started(9, 20)), 30))
                .isInstanceOfSatisfying(
                        InvalidValue.class,
                        e -> assertThat(e.faults())
                                .extracting(InvalidValue.Fault::field)
                                .containsExactly("marks/1/atSeconds", "marks/2/index"));
    }

    @ParameterizedTest
    @CsvSource({
        "0, on time",
        "9.9, on time",
        "-9.9, on time",
        "10, running 0:10 over",
        "-75, 1:15 ahead",
        "3600, running 60:00 over"
    })
    void drift_is_said_in_plain_words(double drift, String words) {
        assertThat(Showing.words(drift)).isEqualTo(words);
    }
}
