package palmtally.core.calendar;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import palmtally.core.calendar.TermCalendar.ReadLab;

class TermCalendarTest {
    /** A Wednesday. */
    private static final LocalDate STARTS = LocalDate.of(2026, 9, 2);

    private static final Curriculum PLAN = new Curriculum(
            "t",
            "T",
            4,
            2,
            150,
            0,
            Map.of(),
            Map.of(),
            Set.of(3),
            List.of(),
            List.of(new LabTime(2, "18:00", "Loft"), new LabTime(4, "18:30", "")));

    private static List<ReadLab> read(UnaryOperator<ReadLab> changed) {
        return TermCalendar.labs(PLAN, STARTS).stream()
                .map(l -> changed.apply(new ReadLab(l.week(), l.lab(), l.begins(), l.room(), false)))
                .toList();
    }

    @Test
    void labs_are_on_their_day_of_the_terms_weeks_and_none_in_a_week_off() {
        var labs = TermCalendar.labs(PLAN, STARTS);
        assertThat(labs).hasSize(6);
        // The term begins on a Wednesday: its first Tuesday is of the week after, its first Thursday the next day.
        assertThat(labs.get(0).begins()).isEqualTo(LocalDateTime.of(2026, 9, 8, 18, 0));
        assertThat(labs.get(1).begins()).isEqualTo(LocalDateTime.of(2026, 9, 3, 18, 30));
        assertThat(labs).extracting(TermCalendar.CalendarLab::week).containsExactly(1, 1, 2, 2, 4, 4);
        assertThat(TermCalendar.labs(PLAN.withTimes(List.of()), STARTS)).isEmpty();
    }

    @Test
    void what_is_as_it_was_changes_nothing() {
        var same = TermCalendar.reread(PLAN, STARTS, read(r -> r));
        assertThat(same.changes()).isEmpty();
        assertThat(same.plan()).isEqualTo(PLAN);
    }

    @Test
    void a_lab_that_moved_every_week_moves_in_the_plan() {
        var moved = TermCalendar.reread(
                PLAN,
                STARTS,
                read(r -> r.lab() == 2
                        ? new ReadLab(r.week(), 2, r.begins().plusDays(1).plusMinutes(45), "Quay ", false)
                        : r));
        assertThat(moved.changes())
                .containsExactly(new TermCalendar.TermChange(
                        "Lab 2 is on Friday at 19:15, Quay, not on Thursday at 18:30.", true));
        assertThat(moved.plan().times())
                .containsExactly(new LabTime(2, "18:00", "Loft"), new LabTime(5, "19:15", "Quay"));
    }

    @Test
    void what_the_plan_cannot_be_is_told_and_stays() {
        var one = TermCalendar.reread(
                PLAN,
                STARTS,
                read(r -> r.week() == 2 && r.lab() == 1
                        ? new ReadLab(2, 1, r.begins().minusDays(1), r.room(), false)
                        : r.week() == 4 && r.lab() == 1
                                ? new ReadLab(4, 1, r.begins().plusWeeks(1), r.room(), false)
                                : r.week() == 1 && r.lab() == 2 ? new ReadLab(1, 2, r.begins(), "", true) : r));
        assertThat(one.plan()).isEqualTo(PLAN);
        assertThat(one.changes())
                .containsExactly(
                        new TermCalendar.TermChange(
                                "Week 4, lab 1 was moved to 2026-10-06, out of its week; here it stays on Tuesday at 18:00, Loft.",
                                false),
                        new TermCalendar.TermChange(
                                "Week 2, lab 1 is on Monday at 18:00, Loft there. Labs are at the same time each week, so here it stays on Tuesday at 18:00, Loft.",
                                false),
                        new TermCalendar.TermChange(
                                "Week 1, lab 2 is cancelled there; here it stays. A week without labs is set in the plan.",
                                false));
    }

    @Test
    void labs_that_are_none_of_the_term_are_left() {
        var odd = TermCalendar.reread(
                PLAN,
                STARTS,
                List.of(
                        new ReadLab(9, 1, STARTS.atStartOfDay(), "", false),
                        new ReadLab(1, 3, STARTS.atStartOfDay(), "", false)));
        assertThat(odd.changes()).isEmpty();
        assertThat(odd.plan()).isEqualTo(PLAN);
    }
}
