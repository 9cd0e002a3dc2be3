package palmtally.core.statement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.statement.Statement.ResultLine;
import palmtally.core.statement.Statement.Signed;

class StatementChangeTest {
    private static final LocalDate DAY = LocalDate.of(2026, 11, 3);

    private static final Signed NK = new Signed("Nadia Kerr", "NK", DAY, 1);

    private static ResultLine line(String id, int revision, Integer mean, String result, Signed signed) {
        return new ResultLine(id, revision, DAY, "Calves", "Nadia Kerr", mean, result, signed);
    }

    private static Statement of(List<Signed> signed, ResultLine... results) {
        return new Statement(
                "Harbour School",
                "Ana Vale",
                "Autumn",
                DAY,
                List.of(),
                List.of(results),
                List.of(),
                signed,
                null,
                null);
    }

    @Test
    void nothing_has_changed_where_all_is_as_it_was() {
        var one = of(List.of(NK), line("a", 1, 71, "pass", NK), line("b", 2, null, "incomplete", null));
        assertThat(StatementChange.between(one, one)).isEmpty();
    }

    @Test
    void another_award_is_told_with_both_marks_and_on_paper_with_none() {
        var changes = StatementChange.between(
                of(List.of(), line("a", 1, 71, "pass", NK)), of(List.of(), line("a", 2, 48, "fail", null)));
        assertThat(changes)
                .containsExactly(new StatementChange(
                        StatementChange.Kind.AWARDED_ANEW,
                        "The practical of 3 Nov 2026, Calves, was awarded anew: it was 71, pass and is 48, fail.",
                        "The practical of 3 Nov 2026, Calves, was awarded anew after this was issued."));
        assertThat(changes.get(0).kind().outdates()).isTrue();
    }

    @Test
    void what_counts_no_more_and_what_came_later_are_told() {
        var changes = StatementChange.between(
                of(List.of(), line("a", 1, null, "incomplete", null)), of(List.of(), line("b", 1, 80, "pass", null)));
        assertThat(changes)
                .extracting(StatementChange::kind)
                .containsExactly(StatementChange.Kind.NO_LONGER_COUNTS, StatementChange.Kind.LATER_PRACTICAL);
        assertThat(changes.get(0).words())
                .isEqualTo(
                        "The practical of 3 Nov 2026, Calves, does not count any more; the statement says no mean, incomplete.");
        assertThat(changes.get(1).words()).isEqualTo("A practical of 3 Nov 2026, Calves, came after it: 80, pass.");
        assertThat(changes.get(1).plain()).isEqualTo("A practical of 3 Nov 2026, Calves, came after it.");
        assertThat(changes.get(1).kind().outdates()).isFalse();
    }

    private static Statement hours(double supervised, Statement.Kind kind) {
        var line = new Statement.HoursLine("supervised practice", supervised, 40);
        return new Statement(
                "Harbour School",
                "Ana Vale",
                "Autumn",
                DAY,
                List.of(),
                List.of(),
                List.of(line),
                List.of(),
                kind,
                null);
    }

    @Test
    void a_certificate_of_hours_is_outdated_by_fewer_hours_and_not_by_more() {
        var then = hours(12.5, Statement.Kind.HOURS);
        assertThat(StatementChange.between(then, hours(14, Statement.Kind.HOURS)))
                .isEmpty();
        var changes = StatementChange.between(then, hours(11, Statement.Kind.HOURS));
        assertThat(changes)
                .containsExactly(new StatementChange(
                        StatementChange.Kind.FEWER_HOURS,
                        "The hours of supervised practice were counted anew: it says 12.5, and 11.0 count now.",
                        "The hours of supervised practice were counted anew after this was issued, and are fewer."));
        assertThat(changes.get(0).kind().outdates()).isTrue();
        assertThat(Statement.Kind.of("hours")).isEqualTo(Statement.Kind.HOURS);
        assertThatThrownBy(() -> Statement.Kind.of("hats")).hasMessageContaining("must be results, hours or letter");
        // Results are stated with the hours of their day, which move.
        assertThat(StatementChange.between(hours(12.5, null), hours(11, null))).isEmpty();
    }

    @Test
    void initials_that_came_again_are_told_also_where_they_look_the_same() {
        var again = new Signed("Nadia Kerr", "NK", DAY, 2);
        var changes = StatementChange.between(
                of(
                        List.of(),
                        line("a", 1, 71, "pass", NK),
                        line("b", 1, 60, "pass", null),
                        line("c", 1, 60, "pass", NK)),
                of(
                        List.of(),
                        line("a", 1, 71, "pass", again),
                        line("b", 1, 60, "pass", NK),
                        line("c", 1, 60, "pass", null)));
        assertThat(changes)
                .extracting(StatementChange::kind)
                .containsExactly(
                        StatementChange.Kind.SIGNED_ANEW,
                        StatementChange.Kind.SIGNED_LATER,
                        StatementChange.Kind.SIGNED_ANEW);
        assertThat(StatementChange.Kind.SIGNED_ANEW.outdates()).isTrue();
        assertThat(StatementChange.Kind.SIGNED_LATER.outdates()).isFalse();
        assertThat(changes)
                .extracting(StatementChange::words)
                .containsExactly(
                        "The practical of 3 Nov 2026, Calves, was signed again by Nadia Kerr on 3 Nov 2026, after this was issued.",
                        "The practical of 3 Nov 2026, Calves, was signed by Nadia Kerr on 3 Nov 2026, after this was issued.",
                        "The practical of 3 Nov 2026, Calves, has no initials any more.");
    }

    @Test
    void a_statement_that_was_signed_after_the_paper_was_made_is_told() {
        var then = new ArrayList<Signed>();
        assertThat(StatementChange.between(of(then), of(List.of(NK))))
                .extracting(StatementChange::words)
                .containsExactly("The statement was signed by Nadia Kerr on 3 Nov 2026, after this paper was made.");
        assertThat(StatementChange.between(of(List.of(NK)), of(List.of(NK, NK))))
                .extracting(StatementChange::plain)
                .containsExactly(
                        "The statement was signed again by Nadia Kerr on 3 Nov 2026, after this paper was made.");
    }
}
