package palmtally.core.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import palmtally.core.InvalidValue;
import palmtally.core.body.Zone;
import palmtally.core.finding.Rule;

/** Every number of a profile can be read and changed by itself. */
class NumbersTest {
    private static final Profile A = Profile.bySeconds();
    private static final Profile B = Profile.byResponse();

    static List<Numbers.Row> all() {
        return Numbers.all();
    }

    private static double other(Numbers.Row row, double now) {
        double step = row.whole() ? 1 : Math.min(1, (row.most() - row.least()) / 10);
        return now + step <= row.most() ? now + step : now - step;
    }

    @ParameterizedTest
    @MethodSource("all")
    void changes_itself_and_nothing_else(Numbers.Row row) {
        for (var profile : Profile.shipped()) {
            double now = row.value(profile);
            double other = other(row, now);
            var changed = row.set(profile, other);
            assertThat(row.value(changed)).isEqualTo(other);
            for (var o : Numbers.all())
                if (!o.id().equals(row.id()) && !follows(o, row))
                    assertThat(o.value(changed)).as(o.id()).isEqualTo(o.value(profile));
            for (var c : Choices.all()) assertThat(c.chosen(changed)).isEqualTo(c.chosen(profile));
            assertThat(row.set(changed, now)).isEqualTo(profile);
        }
    }

    /** A site that no school and no trade names a ceiling for has that of all such sites. */
    private static boolean follows(Numbers.Row row, Numbers.Row other) {
        return other.id().equals("unlisted-ceiling") && row.group() == Group.SITES;
    }

    @ParameterizedTest
    @MethodSource("all")
    void refuses_what_lies_outside_its_bounds(Numbers.Row row) {
        for (double bad : new double[] {row.least() - 1, row.most() + 1, Double.NaN})
            assertThatThrownBy(() -> row.set(A, bad))
                    .isInstanceOf(InvalidValue.class)
                    .hasMessageContaining(row.id());
        if (row.whole()) assertThatThrownBy(() -> row.set(A, row.least() + 0.5)).hasMessageContaining("whole number");
        if (row.above()) assertThatThrownBy(() -> row.set(A, row.least())).hasMessageContaining("above");
    }

    @ParameterizedTest
    @MethodSource("all")
    void ships_within_its_bounds(Numbers.Row row) {
        for (var profile : Profile.shipped()) assertThat(row.value(profile)).isBetween(row.least(), row.most());
    }

    @Test
    void ids_are_unique_and_no_either_or_has_the_same() {
        assertThat(Numbers.all()).extracting(Numbers.Row::id).doesNotHaveDuplicates();
        assertThat(Choices.all()).extracting(Choices.Row::id).doesNotHaveDuplicates();
        assertThat(Choices.all())
                .extracting(Choices.Row::id)
                .doesNotContainAnyElementsOf(
                        Numbers.all().stream().map(Numbers.Row::id).toList());
        assertThat(Numbers.find("moon")).isEmpty();
    }

    /** What both shipped profiles say, in the unit that a school sees. */
    @ParameterizedTest
    @CsvSource({
        "warm-up, 60, 90",
        "firm-depth, 4, 4",
        "side-ratio, 80, 80",
        "soft-cap, 90, 90",
        "unlisted-ceiling, 4, 4",
        "warm-band-low, 1, 1",
        "warm-band-high, 3, 3",
        "specific-band-low, 4, 3",
        "specific-band-high, 6, 5",
        "too-much, 7, 7",
        "idle-grace, 20, 20",
        "price-loose, 5, 5",
        "price-left-open, 10, 10",
        "price-lifted-too-high, 5, 5",
        "price-not-secured, 10, 10",
        "price-not-covered-at-end, 15, 15",
        "bare-thumb-row, 30, 30",
        "bare-thumb-share, 20, 15",
        "pointed-share, 40, 30",
        "look-every, 20, 20",
        "spoils-bent-elbows, 100, 100",
        "spoils-tense-hand, 50, 50",
        "largest-silence, 180, 120",
        "tool-question, 20, 20",
        "sheet-seconds, 25, 25",
        "sensitive-sheet-seconds, 45, 45",
        "turn-seconds, 60, 60",
        "place-seconds, 5, 5",
        "lubricant-seconds, 10, 10",
        "question-seconds, 5, 5",
        "weight-pressure, 20, 20",
        "weight-draping, 20, 20",
        "cut, 60, 70",
        "floor, 50, 50",
        "mechanics-looks, 0.8, 0.8",
        "mechanics-balance, 0.1, 0.1",
        "mechanics-thumb, 0.1, 0.1",
        "least-pressure, 4, 4",
        "least-order, 2, 2",
        "least-mechanics, 3, 3",
        "least-communication, 3, 3",
        "least-draping, 2, 2",
        "order-safety, 60, 60",
        "order-out-of-place, 25, 25",
        "order-restart, 10, 10",
        "order-time, 5, 5",
        "answer-full, 5, 5",
        "answer-allowance, 2, 2",
        "answer-nothing, 15, 15",
        "prior-mean, 45, 45",
        "prior-sd, 25, 25",
        "week-variance, 9, 9",
        "score-variance, 100, 100",
        "secure-from, 80, 80",
        "fading-share, 50, 50",
        "meetings, 3, 2",
        "clean-drapes, 3, 3",
        "gap-growth, 1.2, 1",
        "longest-gap, 5, 6",
        "ceiling-scalp, 4, 4",
        "ceiling-groin, 1, 1",
        "ceiling-upper-arm-inner, 1, 2",
        "ceiling-throat, 0, 0",
        "dose-least-points-strap, 3, 3",
        "dose-most-points-strap, 5, 5",
        "dose-least-jaw, 120, 120",
        "dose-least-heat, 300, 300",
        "dose-most-cross-fibre, 120, 120",
        "rate-low-cross-fibre, 1, 1",
        "rate-high-cross-fibre, 2, 2"
    })
    void ship_as_written(String id, double a, double b) {
        var row = Numbers.find(id).orElseThrow();
        assertThat(row.value(A)).isEqualTo(a);
        assertThat(row.value(B)).isEqualTo(b);
    }

    @Test
    void say_where_they_stand_and_what_they_move() {
        var warm = Numbers.find("warm-up").orElseThrow();
        assertThat(warm.path()).containsExactly("order", "warmUpSeconds");
        assertThat(warm.rules()).containsExactly(Rule.of("ORDER-WARM"));
        assertThat(warm.group()).isEqualTo(Group.ORDER);
        assertThat(Numbers.find("price-loose").orElseThrow().name()).isEqualTo("Points off: loose tuck");
        assertThat(Numbers.find("specific-band-high").orElseThrow().path())
                .containsExactly("pressure", "specificBand", "high");
    }

    @Test
    void what_older_files_hold_and_nothing_means_is_known() {
        assertThat(Numbers.retired()).contains(List.of("marking", "safetyEdge"));
    }

    @Test
    void a_band_whose_ends_cross_is_refused() {
        var low = Numbers.find("specific-band-low").orElseThrow();
        assertThatThrownBy(() -> low.set(A, 9)).hasMessageContaining("low end first");
    }

    @Test
    void an_answer_that_earns_nothing_before_it_earns_less_is_refused() {
        var nothing = Numbers.find("answer-nothing").orElseThrow();
        assertThatThrownBy(() -> nothing.set(A, 7)).hasMessageContaining("must be later than the full mark");
    }

    @Test
    void what_a_school_sets_itself_stands_and_the_rest_follows_the_trade() {
        var inner = Numbers.find("ceiling-upper-arm-inner").orElseThrow();
        var strap = Numbers.find("ceiling-strap-muscle").orElseThrow();
        var own = inner.set(A, 0);
        assertThat(own.pressure().ownCeilings()).containsExactly(java.util.Map.entry(Zone.UPPER_ARM_INNER, 0));
        var generous = Choices.find("ceiling-end").orElseThrow().choose(own, "upper");
        assertThat(inner.value(generous)).isEqualTo(0);
        assertThat(strap.value(generous)).isEqualTo(3);
        assertThat(inner.usual(generous)).hasValue(2);
        assertThat(inner.set(generous, 2).pressure().ownCeilings()).isEmpty();
        assertThat(Numbers.find("unlisted-ceiling").orElseThrow().usual(A)).isEmpty();
    }

    @Test
    void a_dose_without_an_upper_end_has_none_to_set_and_only_friction_has_a_rate() {
        assertThat(Numbers.find("dose-most-heat")).isEmpty();
        assertThat(Numbers.find("rate-low-heat")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "dose-least-points-strap, 6, must not be below the least",
        "dose-most-points-strap, 11, must be at most 10: vessels run there",
        "dose-most-jaw, 100, must not be below the least",
        "rate-low-cross-fibre, 3, must not be below the least"
    })
    void a_dose_that_contradicts_itself_or_may_harm_is_refused(String id, double value, String why) {
        var row = Numbers.find(id).orElseThrow();
        assertThatThrownBy(() -> row.set(A, value)).hasMessageContaining(why);
    }
}
