package palmtally.core.competency;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.core.InvalidValue;
import palmtally.core.body.Region;
import palmtally.core.competency.Competency.State;
import palmtally.core.competency.Watch.Chance;
import palmtally.core.competency.Watch.Standing;
import palmtally.core.finding.Criterion;
import palmtally.core.profile.Profile;

class WatchTest {
    private static final Profile A = Profile.bySeconds();
    private static final Chance SOON = new Chance(3, true, 20);

    private static Evidence seen(double week, double score) {
        return new Evidence("p" + week, week, (int) (week * 7), score, 1, false);
    }

    private static Competency now(Evidence... pieces) {
        return Competency.of(List.of(pieces), 9, 15, A);
    }

    private static Standing standing(String student, Criterion criterion, Evidence... pieces) {
        return new Standing(student, Region.LOWER_LEG, criterion, now(pieces));
    }

    private static List<Watch.Look> best(double minutes, Standing... standings) {
        return Watch.best(List.of(standings), Map.of(Region.LOWER_LEG, SOON), minutes, A);
    }

    private static Watch.Look look(double minutes, Chance chance, Standing... standings) {
        return Watch.best(List.of(standings), Map.of(Region.LOWER_LEG, chance), minutes, A)
                .get(0);
    }

    /** By hand: what it changes and 0.15 for one day alone (0.3 for none), by a half and the other half as one (two) of three labs are needed. */
    @Test
    void a_look_says_why_and_what_it_is_worth() {
        var once = standing("a", Criterion.ORDER, seen(8, 62));
        double change = Watch.change(once.competency().level(), 0.5, A);
        var reason = look(7, SOON, once).reasons().get(0);
        assertThat(reason.worth()).isCloseTo((change + 0.15) * (0.5 + 0.5 / 3), within(1e-12));
        assertThat(reason.why())
                .isEqualTo("seen on one day only; a look would move what is known by about " + Math.round(100 * change)
                        + " points of a hundred.");
        var never = standing("a", Criterion.ORDER);
        double wide = Watch.change(never.competency().level(), 0.5, A);
        assertThat(look(7, SOON, never).reasons().get(0).worth())
                .isCloseTo((wide + 0.3) * (0.5 + 0.5 * 2 / 3), within(1e-12));
        assertThat(look(7, new Chance(1, true, 20), once).reasons().get(0).why())
                .endsWith("; this is the last lab of this region.");
        assertThat(look(7, new Chance(0, true, 20), once).reasons().get(0).why())
                .endsWith("; no lab of this region is planned any more.");
        var twice = standing("a", Criterion.ORDER, seen(7, 62), seen(8, 66));
        assertThat(look(7, SOON, twice).reasons().get(0).why()).startsWith("not sure yet");
    }

    /** Most for its minutes first; of the same worth a minute in the order in which they were given. */
    @Test
    void looks_come_in_the_order_of_their_worth_a_minute() {
        var looks = best(
                9,
                standing("b", Criterion.ORDER, seen(8, 62)),
                standing("a", Criterion.ORDER, seen(8, 62)),
                standing("c", Criterion.ORDER));
        assertThat(looks).extracting(Watch.Look::student).containsExactly("c", "b", "a");
        assertThat(best(0, standing("a", Criterion.ORDER))).isEmpty();
        // A whole practical is worth more than one spot check, and less by the minute.
        var mixed = new ArrayList<Standing>();
        for (var c : Criterion.values()) mixed.add(standing("w", c));
        mixed.add(standing("s", Criterion.ORDER));
        assertThat(best(23, mixed.toArray(Standing[]::new)))
                .extracting(l -> l.student() + (l.whole() ? " whole" : " spot"))
                .containsExactly("s spot", "w whole");
    }

    @Nested
    class A_look {
        /** At the cut, of no known spread before and a sure look after, it settles the question: E|P′ − ½| = ½. */
        @Test
        void that_settles_an_even_question_is_worth_a_half() {
            var wide = new LocalLevel(60, 1e9);
            assertThat(Watch.change(wide, 1, A)).isCloseTo(0.5, within(0.01));
            assertThat(Watch.change(new LocalLevel(60, 0), 1, A)).isZero();
        }

        /** By simulation of 200,000 looks: what the formula expects is what they change on average. */
        @Test
        void changes_on_average_what_is_expected_of_it() {
            var level = new LocalLevel(55, 90);
            var random = new Random(11);
            double sum = 0;
            int n = 200_000;
            for (int i = 0; i < n; i++) {
                double score = 55 + Math.sqrt(90 + 100) * random.nextGaussian();
                sum += Math.abs(level.seeing(score, 100).probabilityAtLeast(60) - level.probabilityAtLeast(60));
            }
            assertThat(Watch.change(level, 1, A)).isCloseTo(sum / n, within(0.002));
        }

        @Test
        void of_less_weight_changes_less() {
            var level = new LocalLevel(58, 80);
            assertThat(Watch.change(level, 0.5, A)).isLessThan(Watch.change(level, 1, A));
        }
    }

    @Nested
    class First_comes {
        @Test
        void what_is_open_critical_then_what_is_unseen_then_what_is_doubtful_and_last_what_is_secure() {
            var looks = best(
                    12,
                    standing("sure", Criterion.DRAPING, seen(5, 95), seen(6, 95), seen(8, 95)),
                    standing("doubt", Criterion.DRAPING, seen(5, 62), seen(6, 58), seen(8, 61)),
                    standing("unseen", Criterion.DRAPING),
                    standing("critical", Criterion.DRAPING, new Evidence("c", 8, 56, 90, 1, true)));
            assertThat(looks).extracting(Watch.Look::student).containsExactly("critical", "unseen", "doubt", "sure");
            assertThat(looks.get(0).reasons().get(0).why()).startsWith("what was critical must be shown clean");
            assertThat(looks.get(1).reasons().get(0).why()).startsWith("nobody has looked yet");
            assertThat(looks).noneMatch(Watch.Look::whole);
        }

        @Test
        void the_region_whose_last_lab_this_is() {
            var last = new Standing("a", Region.NECK, Criterion.ORDER, now(seen(4, 58)));
            var often = new Standing("b", Region.LOWER_LEG, Criterion.ORDER, now(seen(4, 58)));
            var elsewhere = new Standing("c", Region.FOOT, Criterion.ORDER, now(seen(4, 58)));
            var looks = Watch.best(
                    List.of(often, elsewhere, last),
                    Map.of(
                            Region.NECK, new Chance(1, true, 20),
                            Region.LOWER_LEG, new Chance(6, true, 20),
                            Region.FOOT, new Chance(1, false, 20)),
                    9,
                    A);
            assertThat(looks).extracting(Watch.Look::student).containsExactly("a", "b", "c");
            assertThat(looks.get(0).reasons().get(0).why()).contains("the last lab of this region");
        }

        @Test
        void nothing_where_the_lab_has_no_such_region_and_a_whole_practical_where_everything_is_unseen() {
            assertThat(Watch.best(List.of(standing("a", Criterion.ORDER)), Map.of(), 60, A))
                    .isEmpty();
            var all = new ArrayList<Standing>();
            for (var c : Criterion.values()) all.add(standing("a", c));
            var cheap = Watch.best(all, Map.of(Region.LOWER_LEG, new Chance(3, true, 14)), 60, A);
            assertThat(cheap).singleElement().satisfies(l -> {
                assertThat(l.whole()).isTrue();
                assertThat(l.reasons()).hasSize(5);
                assertThat(l.minutes()).isEqualTo(14);
            });
        }
    }

    /** Against every choice there is, on small cases. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void no_other_choice_is_worth_more(long seed) {
        var random = new Random(seed);
        var standings = new ArrayList<Standing>();
        for (int s = 0; s < 3; s++)
            for (var c : List.of(Criterion.PRESSURE, Criterion.DRAPING)) {
                var pieces = new Evidence[random.nextInt(4)];
                for (int i = 0; i < pieces.length; i++) pieces[i] = seen(2 + 2 * i, 40 + random.nextInt(50));
                standings.add(standing("s" + s, c, pieces));
            }
        var chance = Map.of(Region.LOWER_LEG, new Chance(2, true, 7));
        int minutes = random.nextInt(22);
        double got = Watch.best(standings, chance, minutes, A).stream()
                .mapToDouble(Watch.Look::worth)
                .sum();
        double spent = Watch.best(standings, chance, minutes, A).stream()
                .mapToDouble(Watch.Look::minutes)
                .sum();
        assertThat(spent).isLessThanOrEqualTo(minutes);
        // Of each student alone everything that fits some minutes; then every way to share the minutes among the three.
        double most = 0;
        for (int a = 0; a <= minutes; a++)
            for (int b = 0; a + b <= minutes; b++)
                most = Math.max(
                        most, alone(standings, 0, a) + alone(standings, 1, b) + alone(standings, 2, minutes - a - b));
        assertThat(got).isCloseTo(most, within(1e-9));
    }

    /** Spot checks of one or both criteria, or the whole practical of seven minutes, tried one by one. */
    private static double alone(List<Standing> standings, int student, int minutes) {
        var own = standings.subList(2 * student, 2 * student + 2);
        var chance = Map.of(Region.LOWER_LEG, new Chance(2, true, 7));
        double most = 0;
        for (var set : List.of(List.of(own.get(0)), List.of(own.get(1)), own)) {
            int spots = 3 * set.size();
            if (spots <= minutes) most = Math.max(most, worth(set, chance, spots, false));
            if (set.size() == 2 && minutes >= 7) most = Math.max(most, worth(set, chance, 7, true));
        }
        return most;
    }

    private static double worth(List<Standing> set, Map<Region, Chance> chance, int minutes, boolean whole) {
        var looks = Watch.best(set, chance, minutes, A);
        return looks.stream()
                .filter(l -> l.whole() == whole)
                .mapToDouble(Watch.Look::worth)
                .sum();
    }

    @Test
    void minutes_off_the_scale_are_refused() {
        assertThatThrownBy(() -> best(481)).isInstanceOf(InvalidValue.class);
        assertThatThrownBy(() -> best(Double.NaN)).isInstanceOf(InvalidValue.class);
        assertThat(best(0, standing("a", Criterion.ORDER))).isEmpty();
        // A whole practical is worth more than one spot check, and less by the minute.
        var mixed = new ArrayList<Standing>();
        for (var c : Criterion.values()) mixed.add(standing("w", c));
        mixed.add(standing("s", Criterion.ORDER));
        assertThat(best(23, mixed.toArray(Standing[]::new)))
                .extracting(l -> l.student() + (l.whole() ? " whole" : " spot"))
                .containsExactly("s spot", "w whole");
    }

    @Nested
    class A_pace {
        private static List<Evidence> with(List<Evidence> pieces, int looks, double score, double from) {
            var all = new ArrayList<>(pieces);
            for (int i = 0; i < looks; i++) all.add(new Evidence("more" + i, from + i, 1000 + i, score, 1, false));
            return all;
        }

        @Test
        void of_what_is_secure_is_none() {
            assertThat(Pace.of(List.of(seen(7, 90), seen(8, 90)), null, 9, 15, A))
                    .isNull();
        }

        @Test
        void of_what_nobody_has_seen_is_two_days() {
            var pace = Pace.of(List.of(), null, 9, 15, A);
            assertThat(pace.looks()).isEqualTo(2);
            assertThat(pace.firstByWeek()).isEqualTo(14);
            assertThat(pace.why()).startsWith("2 looks at 80 or better on different days");
        }

        @Test
        void is_kept_by_just_so_many_looks_and_not_by_one_less() {
            var low = List.of(seen(3, 30), seen(5, 34), seen(7, 32));
            var pace = Pace.of(low, null, 9, 15, A);
            int n = pace.looks();
            assertThat(Competency.of(with(low, n, pace.score(), 15 - n), 14, 15, A)
                            .state())
                    .isEqualTo(State.SECURE);
            assertThat(Competency.of(with(low, n - 1, pace.score(), 15 - n + 1), 14, 15, A)
                            .state())
                    .isNotEqualTo(State.SECURE);
        }

        @Test
        void cannot_be_kept_in_the_last_week_by_one_seen_never() {
            var pace = Pace.of(List.of(), null, 14.5, 15, A);
            assertThat(pace.looks()).isNull();
            assertThat(pace.why()).startsWith("Even a good look in each");
            assertThat(Pace.of(List.of(), null, 16.5, 15, A).why()).isEqualTo("The term is over.");
        }
    }

    @Nested
    class What_was_carried_over {
        private static final Competency.Carried GOOD = new Competency.Carried(new LocalLevel(82, 60), 3, false);

        private static Competency of(Competency.Carried carried, double week, Evidence... pieces) {
            return Competency.of(List.of(pieces), carried, week, 15, A);
        }

        @Test
        void is_secure_at_first_and_due_again_while_nobody_looks() {
            assertThat(of(GOOD, 0).state()).isEqualTo(State.SECURE);
            assertThat(of(GOOD, 0).why()).isEqualTo("Carried over from the term before, and clearly at the cut of 60.");
            var later = of(new Competency.Carried(new LocalLevel(69, 90), 3, false), 10);
            assertThat(later.state()).isEqualTo(State.DUE_AGAIN);
            assertThat(of(new Competency.Carried(new LocalLevel(69, 90), 3, false), 10, seen(9.9, 85))
                            .state())
                    .isEqualTo(State.SECURE);
        }

        @Test
        void stays_open_where_something_critical_was() {
            var open = new Competency.Carried(new LocalLevel(82, 60), 3, true);
            assertThat(of(open, 2).state()).isEqualTo(State.OPEN_CRITICAL);
            assertThat(of(open, 2, seen(1, 80)).state()).isEqualTo(State.SECURE);
        }
    }
}
