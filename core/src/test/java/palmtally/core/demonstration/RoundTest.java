package palmtally.core.demonstration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.core.InvalidValue;
import palmtally.core.body.Position;
import palmtally.core.demonstration.Round.Kind;
import palmtally.core.demonstration.Round.Leg;
import palmtally.core.demonstration.Round.Wish;
import palmtally.core.demonstration.RoundMark.What;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Importance;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;

/** A practice round: a fair share for each, a leg wherever the room must look up, a clock that goes on by itself. */
class RoundTest {
    private static final Profile PROFILE = Profile.bySeconds();

    private static Plans.Made minutes(String id, double minutes) {
        return step(id).seconds(60 * minutes).sheet(Sheet.THROUGH).side(Sides.EACH);
    }

    /** Two steps of three minutes on each side; five seconds to go round the table: 12 min 5 s. */
    private static Sequence bothSides() {
        return eachSide(minutes("a", 3), minutes("b", 3));
    }

    @Nested
    class Parts {
        /** By hand: 60 min less 1, 2 and 3 are 54, 27 each; each has six minutes a side and what is over. */
        @Test
        void each_therapist_has_the_same_time_and_each_side_its_own() {
            var round = Round.of(bothSides(), PROFILE, Wish.of(60, 2));
            assertThat(round.totalSeconds()).isCloseTo(3600, within(1e-6));
            assertThat(round.legs().stream().map(l -> l.kind() + " " + l.role()))
                    .containsExactly(
                            "settle 0",
                            "work 1",
                            "work 1",
                            "again 1",
                            "roles 0",
                            "work 2",
                            "work 2",
                            "again 2",
                            "tidy 0");
            for (int role = 1; role <= 2; role++) assertThat(share(round, role)).isCloseTo(27 * 60, within(1e-6));
            var sides = round.legs().stream()
                    .filter(l -> l.kind() == Kind.WORK)
                    .map(Leg::name)
                    .toList();
            assertThat(sides)
                    .containsExactly("Prone, right side", "Prone, left side", "Prone, right side", "Prone, left side");
        }

        private double share(Round round, int role) {
            return round.legs().stream()
                    .filter(l -> l.role() == role)
                    .mapToDouble(Leg::seconds)
                    .sum();
        }

        @Test
        void steps_are_called_out_where_they_begin() {
            var leg = Round.of(bothSides(), PROFILE, Wish.of(60, 2)).legs().get(1);
            assertThat(leg.calls()).hasSize(2);
            assertThat(leg.calls().get(0).atSeconds()).isZero();
            assertThat(leg.calls().get(1).number()).isEqualTo(2);
            assertThat(leg.calls().get(1).atSeconds()).isCloseTo(180, within(30.0));
            assertThat(leg.calls().get(1).place()).isEqualTo("right side");
        }

        @Test
        void where_time_is_short_the_least_worth_goes_and_is_named() {
            var plan = once(
                    minutes("must", 4)
                            .side(Sides.RIGHT)
                            .importance(Importance.MUST)
                            .least(240),
                    minutes("could", 4)
                            .side(Sides.RIGHT)
                            .importance(Importance.COULD)
                            .least(240));
            var round = Round.of(plan, PROFILE, new Wish(10, 2, 0, 0, 0));
            assertThat(round.leftOut()).containsExactly("could");
            assertThat(round.legs().stream().map(Leg::kind)).doesNotContain(Kind.SETTLE, Kind.ROLES, Kind.TIDY);
        }

        @Test
        void where_not_even_that_fits_the_minutes_it_takes_are_said() {
            var plan = once(minutes("must", 10)
                    .side(Sides.RIGHT)
                    .importance(Importance.MUST)
                    .least(600));
            assertThatThrownBy(() -> Round.of(plan, PROFILE, Wish.of(15, 2)))
                    .isInstanceOfSatisfying(InvalidValue.class, e -> {
                        var reason = e.faults().get(0).reason();
                        int minutes = Integer.parseInt(reason.replaceFirst(".*Maybe (\\d+) minutes.*", "$1"));
                        assertThat(Round.of(plan, PROFILE, Wish.of(minutes, 2)).leftOut())
                                .isEmpty();
                        assertThatThrownBy(() -> Round.of(plan, PROFILE, Wish.of(minutes - 1, 2)))
                                .isInstanceOf(InvalidValue.class);
                    });
        }

        /** A short opening on the midline belongs to the side that follows; a turn is always a part of its own. */
        @Test
        void what_is_over_at_once_is_no_part_of_its_own() {
            var plan = Plans.of(
                    3600,
                    Plans.block(
                            "open",
                            Block.Order.IN_ORDER,
                            Block.Repeat.ONCE,
                            step("settle").seconds(30).sheet(Sheet.THROUGH).side(Sides.BOTH)),
                    Plans.block("both", Block.Order.IN_ORDER, Block.Repeat.EACH_SIDE, minutes("a", 3)));
            var names = Round.of(plan, PROFILE, new Wish(20, 2, 0, 0, 0)).legs().stream()
                    .filter(l -> l.role() == 1)
                    .map(Leg::name)
                    .toList();
            assertThat(names).containsExactly("Prone, right side", "Prone, left side", "Again what you want to feel");
            var turned = once(
                    minutes("a", 3).side(Sides.RIGHT),
                    step("b").seconds(20).sheet(Sheet.THROUGH).lying(Position.SUPINE));
            assertThat(Round.of(turned, PROFILE, new Wish(20, 2, 0, 0, 0)).legs().stream()
                            .map(Leg::name))
                    .startsWith("Prone, right side", "Supine, right side");
        }

        @ParameterizedTest
        @CsvSource({
            "0,2,60,60,60,minutes",
            "481,2,60,60,60,minutes",
            "60,4,60,60,60,roles",
            "60,1,60,60,60,roles",
            "60,2,-1,60,60,settle",
            "60,2,60,901,60,change",
            "60,2,60,60,NaN,tidy"
        })
        void what_cannot_be_asked_is_refused(
                double minutes, int roles, double settle, double change, double tidy, String field) {
            assertThatThrownBy(() -> new Wish(minutes, roles, settle, change, tidy))
                    .isInstanceOfSatisfying(
                            InvalidValue.class,
                            e -> assertThat(e.faults().get(0).field()).isEqualTo(field));
        }
    }

    @Nested
    class ItsClock {
        /** Four legs of 10 s. */
        private final Round round = new Round(
                IntStream.range(0, 4)
                        .mapToObj(i -> new Leg(Kind.WORK, 1, "leg " + i, 10, List.of()))
                        .toList(),
                List.of());

        private RoundMark mark(What what, int leg, double at, double seconds) {
            return new RoundMark(what, leg, at, seconds);
        }

        @Test
        void it_goes_from_part_to_part_by_itself_and_ends() {
            var marks = List.of(mark(What.STARTED, 0, 5, 0));
            assertThat(round.standing(List.of(), 3).leg()).isEqualTo(-1);
            assertThat(round.standing(marks, 14.9).leg()).isZero();
            assertThat(round.standing(marks, 15).leg()).isEqualTo(1);
            assertThat(round.standing(marks, 31).startedAt()).isEqualTo(25);
            assertThat(round.standing(marks, 31).endsAt()).isEqualTo(45);
            assertThat(round.standing(marks, 45).finished()).isTrue();
            assertThat(round.standing(marks, 900).endsAt()).isEqualTo(45);
        }

        /** By hand: 4 s into the first, a pause of 20 s, then 6 s more: the second begins at 35. */
        @Test
        void a_pause_moves_all_that_comes() {
            var marks = new ArrayList<>(List.of(mark(What.STARTED, 0, 5, 0), mark(What.PAUSED, 0, 9, 0)));
            var paused = round.standing(marks, 19);
            assertThat(paused.paused()).isTrue();
            assertThat(19 - paused.startedAt()).isEqualTo(4);
            assertThat(paused.endsAt()).isEqualTo(55);
            marks.add(mark(What.RESUMED, 0, 29, 0));
            assertThat(round.standing(marks, 34.9).leg()).isZero();
            assertThat(round.standing(marks, 35).leg()).isEqualTo(1);
        }

        @Test
        void a_minute_more_belongs_to_the_part_that_is_on() {
            var marks = List.of(mark(What.STARTED, 0, 0, 0), mark(What.LONGER, 0, 12, 60));
            assertThat(round.standing(marks, 60).leg()).isEqualTo(1);
            assertThat(round.standing(marks, 60).seconds()).containsExactly(10.0, 70.0, 10.0, 10.0);
            var less = List.of(mark(What.STARTED, 0, 0, 0), mark(What.LONGER, 0, 2, -60));
            assertThat(round.standing(less, 3).leg()).isEqualTo(1);
        }

        @Test
        void a_part_can_be_begun_again_and_the_round_ended() {
            var back = List.of(mark(What.STARTED, 2, 0, 0), mark(What.STARTED, 0, 3, 0));
            assertThat(round.standing(back, 5).leg()).isZero();
            var ended = List.of(mark(What.STARTED, 0, 0, 0), mark(What.FINISHED, 0, 3, 0));
            assertThat(round.standing(ended, 50).finished()).isTrue();
            assertThat(round.standing(ended, 50).endsAt()).isEqualTo(3);
        }

        /** Second oracle: the clock walked in steps of a tenth of a second. */
        @ParameterizedTest
        @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
        void it_is_where_a_clock_that_ticks_would_be(long seed) {
            var random = new Random(seed);
            var marks = new ArrayList<RoundMark>();
            int leg = -1;
            double into = 0;
            boolean paused = false;
            double[] seconds = {10, 10, 10, 10};
            for (int tick = 0; tick < 600; tick++) {
                double now = tick / 10.0;
                while (!paused && leg >= 0 && leg < 4 && into >= seconds[leg] - 1e-6) into -= seconds[leg++];
                if (random.nextInt(60) == 0) {
                    var what = What.values()[random.nextInt(4)];
                    var mark = mark(what, random.nextInt(4), now, random.nextInt(9) - 2);
                    marks.add(mark);
                    boolean on = leg >= 0 && leg < 4;
                    switch (what) {
                        case STARTED -> {
                            leg = mark.leg();
                            into = 0;
                            paused = false;
                        }
                        case PAUSED -> paused |= on;
                        case RESUMED -> paused = false;
                        case LONGER -> {
                            if (on) seconds[leg] = Math.max(0, seconds[leg] + mark.seconds());
                        }
                        default -> throw new AssertionError(what);
                    }
                }
                while (!paused && leg >= 0 && leg < 4 && into >= seconds[leg] - 1e-6) into -= seconds[leg++];
                var standing = round.standing(marks, now);
                assertThat(standing.leg()).as("leg at " + now).isEqualTo(leg);
                if (leg >= 0 && leg < 4)
                    assertThat(now - standing.startedAt())
                            .as("into it at " + now)
                            .isCloseTo(into, within(1e-3));
                if (!paused) into += 0.1;
            }
        }

        @Test
        void marks_that_cannot_be_are_all_named() {
            var marks =
                    List.of(mark(What.STARTED, 9, 5, 0), mark(What.LONGER, 0, 4, 1e9), mark(What.STARTED, -1, 6, 0));
            assertThatThrownBy(() -> round.standing(marks, 7))
                    .isInstanceOfSatisfying(
                            InvalidValue.class,
                            e -> assertThat(e.faults().stream().map(f -> f.field()))
                                    .containsExactly(
                                            "marks/0/leg", "marks/1/atSeconds", "marks/1/seconds", "marks/2/leg"));
            assertThatThrownBy(() -> round.standing(List.of(mark(What.STARTED, 0, 5, 0)), 2))
                    .isInstanceOf(InvalidValue.class);
        }
    }
}
