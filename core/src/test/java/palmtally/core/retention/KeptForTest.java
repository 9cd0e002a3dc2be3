package palmtally.core.retention;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import palmtally.core.InvalidValue;

class KeptForTest {
    private static final LocalDate SINCE = LocalDate.of(2024, 1, 31);

    @Test
    void nothing_goes_until_the_school_has_said() {
        assertThat(KeptFor.EVER.over(SINCE)).isNull();
        assertThat(KeptFor.EVER.shownSince(SINCE)).isNull();
        assertThat(KeptFor.EVER.goes(SINCE, SINCE)).isNull();
    }

    @Test
    void months_are_those_of_the_calendar() {
        assertThat(new KeptFor(1).over(SINCE)).isEqualTo(LocalDate.of(2024, 2, 29));
        assertThat(new KeptFor(36).over(SINCE)).isEqualTo(LocalDate.of(2027, 1, 31));
    }

    @Test
    void what_goes_was_shown_for_a_week() {
        var year = new KeptFor(12);
        var over = LocalDate.of(2025, 1, 31);
        assertThat(year.goes(SINCE, over.minusDays(7))).isEqualTo(over);
        assertThat(year.goes(SINCE, over.minusDays(20))).isEqualTo(over);
        assertThat(year.goes(SINCE, over.minusDays(3))).isEqualTo(over.plusDays(4));
        // A table that was made shorter today: what is long over still stays for its week.
        assertThat(year.goes(SINCE, LocalDate.of(2026, 5, 1))).isEqualTo(LocalDate.of(2026, 5, 8));
    }

    @Test
    void it_is_shown_from_a_week_before() {
        assertThat(new KeptFor(12).shownSince(LocalDate.of(2025, 1, 24))).isEqualTo(SINCE);
        assertThat(new KeptFor(12).shownSince(LocalDate.of(2025, 1, 23))).isBefore(SINCE);
    }

    @Test
    void no_time_at_all_is_refused() {
        for (int months : new int[] {0, -1, 1201})
            assertThatThrownBy(() -> new KeptFor(months))
                    .isInstanceOf(InvalidValue.class)
                    .hasMessageContaining("1 to 1200 months");
    }
}
