package palmtally.core.demonstration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.core.InvalidValue;
import palmtally.core.demonstration.Mark.What;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sheet;
import palmtally.core.technique.Tool;

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
        assertThat(showing.progress(marks, 60).late()).isTrue();
        assertThat(showing.progress(marks, 60).ranOver()).containsExactly(0);
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
        assertThat(p.driftFrom()).isNull();
        assertThat(p.ranOver()).containsExactly(0);
    }

    @Test
    void going_back_adds_to_what_was_shown() {
        var p = showing.progress(List.of(started(0, 0), started(1, 20), started(0, 30)), 35);
        assertThat(p.shownSeconds().get(0)).isEqualTo(25);
        assertThat(p.current()).isZero();
    }

    private static Mark mark(What what, int index, double at) {
        return new Mark(what, index, at);
    }

    @Test
    void the_plan_clock_starts_with_the_first_step() {
        var p = showing.progress(List.of(started(0, 100)), 110);
        assertThat(p.begunAt()).isEqualTo(100);
        assertThat(p.driftSeconds()).isZero();
        assertThat(p.endsAt()).isEqualTo(160);
        assertThat(p.slotEndsAt()).isEqualTo(100 + 3600);
    }

    /** By hand: 5 of 20 s, then a minute of standing still: its 20 s are over at 80, and all of it ends a minute late. */
    @Test
    void a_pause_stops_the_step_and_not_the_clock() {
        var marks = List.of(started(0, 0), mark(What.PAUSED, 0, 5), mark(What.RESUMED, 0, 65));
        var during = showing.progress(marks.subList(0, 2), 30);
        assertThat(during.paused()).isTrue();
        assertThat(during.driftSeconds()).isEqualTo(25);
        assertThat(during.driftFrom()).isEqualTo(30);
        assertThat(during.shownSeconds().get(0)).isEqualTo(5);
        var after = showing.progress(marks, 70);
        assertThat(after.paused()).isFalse();
        assertThat(after.shownSeconds().get(0)).isEqualTo(10);
        assertThat(after.driftFrom()).isEqualTo(80);
        assertThat(after.driftSeconds()).isEqualTo(60);
        assertThat(after.endsAt()).isEqualTo(120);
        // The next step ends a pause that nobody ended.
        var next = List.of(started(0, 0), mark(What.PAUSED, 0, 5), started(1, 20));
        assertThat(showing.progress(next, 25).paused()).isFalse();
        assertThat(showing.progress(next, 25).shownSeconds()).containsExactly(5.0, 5.0, 0.0);
    }

    @Test
    void what_is_put_off_comes_last_and_costs_no_drift() {
        var marks = List.of(started(0, 0), mark(What.PARKED, 1, 10), started(2, 20));
        var p = showing.progress(marks, 25);
        assertThat(p.order()).containsExactly(0, 2, 1);
        assertThat(p.parked()).containsExactly(1);
        assertThat(p.leftOut()).isEmpty();
        assertThat(p.driftSeconds()).isZero();
        assertThat(p.endsAt()).isEqualTo(60);
    }

    /** By hand: b is put off after 5 s; c takes its place at 20 and begins at 25. */
    @Test
    void what_is_on_can_be_put_off_too() {
        var marks = List.of(started(0, 0), started(1, 20), mark(What.PARKED, 1, 25), started(2, 25));
        var p = showing.progress(marks, 30);
        assertThat(p.order()).containsExactly(0, 2, 1);
        assertThat(p.driftSeconds()).isEqualTo(5);
        assertThat(p.shownSeconds()).containsExactly(20.0, 5.0, 5.0);
    }

    @Test
    void what_was_put_off_and_never_shown_is_left_out_in_the_end() {
        var marks = List.of(started(0, 0), mark(What.PARKED, 1, 10), started(2, 20), mark(What.FINISHED, 2, 40));
        assertThat(showing.progress(marks, 50).leftOut()).containsExactly(1);
        assertThat(showing.progress(marks, 50).parked()).isEmpty();
    }

    @Test
    void a_skip_keeps_its_reason_and_wins_time() {
        var marks = List.of(started(0, 0), new Mark(What.SKIPPED, 1, 15, "seen last week", null), started(2, 20));
        var p = showing.progress(marks, 25);
        assertThat(p.skipped()).containsExactly(java.util.Map.entry(1, "seen last week"));
        assertThat(p.leftOut()).containsExactly(1);
        assertThat(p.words()).isEqualTo("0:20 ahead");
        // Wanted after all, it comes in where the hands are.
        var back = new java.util.ArrayList<>(marks);
        back.add(started(1, 40));
        var q = showing.progress(back, 45);
        assertThat(q.skipped()).isEmpty();
        assertThat(q.order()).containsExactly(0, 2, 1);
        assertThat(q.current()).isEqualTo(1);
    }

    /** By hand: b had 5 s at 25 and keeps its 20; c is dropped: it ends at 40 on a clock that begins anew. */
    @Test
    void a_taken_offer_is_the_plan_from_then_on() {
        var marks =
                List.of(started(0, 0), started(1, 20), new Mark(What.REFITTED, 1, 25, null, List.of(20.0, 20.0, 0.0)));
        var p = showing.progress(marks, 25);
        assertThat(p.order()).containsExactly(0, 1);
        assertThat(p.leftOut()).containsExactly(2);
        assertThat(p.driftSeconds()).isZero();
        assertThat(p.endsAt()).isEqualTo(40);
    }

    /** By hand: b had 55 of its 20 s when the offer was taken, which grants them, and stays what ran over. */
    @Test
    void what_an_offer_grants_is_still_said_to_have_run_over() {
        var marks =
                List.of(started(0, 0), started(1, 20), new Mark(What.REFITTED, 1, 75, null, List.of(20.0, 20.0, 10.0)));
        var p = showing.progress(marks, 75);
        assertThat(p.driftSeconds()).isZero();
        assertThat(p.ranOver()).containsExactly(1);
        assertThat(p.plannedSeconds()).containsExactly(20.0, 20.0, 10.0);
    }

    @Test
    void an_offer_with_too_few_times_is_refused() {
        assertThatThrownBy(() ->
                        showing.progress(List.of(started(0, 0), new Mark(What.REFITTED, 0, 5, null, List.of(1.0))), 30))
                .isInstanceOf(InvalidValue.class)
                .hasMessageContaining("must be 3 times");
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

    @Test
    void it_is_over_when_the_room_is_needed_however_late_it_began() {
        var bound = Showing.of(once(minute("a")), Profile.bySeconds(), 600).endingBy(500.0);
        assertThat(bound.progress(List.of(started(0, 0)), 5).slotEndsAt()).isEqualTo(500);
        assertThat(bound.endingBy(900.0).progress(List.of(started(0, 0)), 5).slotEndsAt())
                .isEqualTo(600);
        assertThat(bound.progress(List.of(started(0, 480)), 485).words()).isEqualTo("on time");
        assertThat(bound.refit(List.of(started(0, 480)), 495).needed()).isFalse();
        assertThat(bound.refit(List.of(started(0, 495)), 496).needed()).isTrue();
    }

    @ParameterizedTest
    @CsvSource({
        "No time,true",
        "seen before,false",
        " Seen before ,false",
        "Not on this body,true",
        "Not today,true",
        "Ana was late,true",
        "'',true"
    })
    void what_the_class_knows_already_needs_no_other_day(String reason, boolean comesBack) {
        var marks = List.of(
                started(0, 0), new Mark(What.SKIPPED, 1, 10, reason, null), started(2, 20), mark(What.FINISHED, 2, 40));
        var p = showing.progress(marks, 50);
        assertThat(p.leftOut()).containsExactly(1);
        assertThat(p.forAnotherDay()).isEqualTo(comesBack ? List.of(1) : List.of());
    }

    @Test
    void what_is_left_for_another_day_knows_its_steps_and_its_minutes() {
        var both = Showing.of(
                palmtally.core.sequence.Plans.eachSide(
                        minute("a"), minute("b").seconds(600).inClass(400)),
                Profile.bySeconds());
        // Both sides of b, 400 s each and the way round the table: 805 s are 15 minutes.
        assertThat(both.stepsOf(List.of(3))).containsExactly("b");
        assertThat(both.minutesOf(List.of(3))).isEqualTo(15);
        assertThat(both.stepsOf(List.of(2, 1))).containsExactly("b", "a");
        assertThat(showing.minutesOf(List.of(0))).isEqualTo(5);
    }

    @Nested
    class TheWarmUpOfASide {
        /** Both sides: 30 s of palm, then firm for 30 s; right first. */
        private final Showing two = Showing.of(
                palmtally.core.sequence.Plans.eachSide(
                        step("warm").seconds(30).sheet(Sheet.THROUGH),
                        step("firm").seconds(30).deep(4).with(Tool.LOOSE_FIST).sheet(Sheet.THROUGH)),
                Profile.bySeconds());

        @Test
        void of_each_side_is_shown_in_a_whole_demonstration() {
            var marks = List.of(started(0, 0), started(1, 30), started(2, 60), started(3, 90));
            assertThat(two.progress(marks, 100).cold()).isEmpty();
            assertThat(two.progress(marks.subList(0, 3), 70).coldNext()).isNull();
        }

        @Test
        void of_the_second_side_is_missed_where_it_is_passed_over() {
            var before = two.progress(List.of(started(0, 0), started(1, 30), mark(What.SKIPPED, 2, 50)), 55);
            assertThat(before.coldNext()).isEqualTo(new Progress.Cold(3, "Calf, left: no warm-up was shown here"));
            assertThat(before.cold()).isEmpty();
            var after = two.progress(List.of(started(0, 0), started(1, 30), started(3, 60)), 70);
            assertThat(after.cold()).containsExactly(new Progress.Cold(3, "Calf, left: no warm-up was shown here"));
        }

        @Test
        void of_three_seconds_is_none() {
            var marks = List.of(started(0, 0), started(1, 3));
            assertThat(two.progress(marks, 4).cold()).hasSize(1);
            assertThat(two.progress(List.of(started(0, 0)), 3).coldNext()).isNotNull();
            assertThat(two.progress(List.of(started(0, 0)), 6).coldNext()).isNull();
        }

        @Test
        void is_asked_for_once() {
            var marks = List.of(started(1, 0), started(3, 30), started(1, 60));
            assertThat(two.progress(marks, 70).cold()).hasSize(2);
        }
    }
}
