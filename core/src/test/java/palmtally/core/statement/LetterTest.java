package palmtally.core.statement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.InvalidValue;
import palmtally.core.statement.Statement.CompetencyLine;
import palmtally.core.statement.Statement.HoursLine;
import palmtally.core.statement.Statement.ResultLine;

class LetterTest {
    private static final LocalDate DAY = LocalDate.of(2026, 11, 3);

    private static CompetencyLine line(String region, String criterion, Integer level) {
        return new CompetencyLine(region, criterion, "secure", level, DAY, "Nadia Kerr", null);
    }

    private static Statement of(List<CompetencyLine> lines, List<ResultLine> results, List<HoursLine> hours) {
        return new Statement(
                "Harbour School",
                "Ana Vale",
                "Autumn",
                DAY,
                lines,
                results,
                hours,
                List.of(),
                Statement.Kind.LETTER,
                null);
    }

    @Test
    void it_says_what_was_marked_what_goes_well_what_to_practise_and_what_lacks() {
        var facts = of(
                List.of(
                        line("Neck", "Draping", 85),
                        line("Neck", "Pressure control", 35),
                        line("Lower leg", "Stroke order", 62),
                        line("Lower leg", "Body mechanics", 59),
                        line("Lower leg", "Client communication", null)),
                List.of(
                        new ResultLine("a", 1, DAY, "Calves", "Nadia Kerr", 48, "fail", null),
                        new ResultLine("b", 1, DAY.plusDays(7), "Calves again", "Nadia Kerr", 71, "pass", null)),
                List.of(
                        new HoursLine("clinic", 12.5, 20),
                        new HoursLine("theory", 30, 30),
                        new HoursLine("practical", 1, 3)));
        assertThat(Letter.draft(facts, "Nadia Kerr")).isEqualTo("""
                Dear Ana Vale,

                this term we marked 2 practicals of yours; the last was on 10 November, “Calves again”: pass, 71 of 100.

                What goes well: draping at the neck (fluent) and stroke order at the lower leg (competent).

                What to practise next: pressure control at the neck (not yet) and body mechanics at the lower leg (emerging).

                Hours that are still to be done: 7.5 of clinic and 2 of practical.

                Nadia Kerr
                Harbour School""");
    }

    @Test
    void it_mentions_three_at_most_and_leaves_out_what_there_is_nothing_of() {
        var many = List.of(
                line("Neck", "Draping", 10),
                line("Jaw", "Draping", 20),
                line("Hip", "Draping", 30),
                line("Foot", "Draping", 39));
        assertThat(Letter.draft(of(many, List.of(), List.of()), "N"))
                .contains("this term no practical of yours was marked yet.")
                .contains(
                        "next: draping at the neck (not yet), draping at the jaw (not yet) and draping at the hip (not yet).")
                .doesNotContain("foot")
                .doesNotContain("goes well")
                .doesNotContain("Hours");
    }

    @Test
    void it_is_edited_within_bounds_and_read_by_paragraphs() {
        assertThat(Letter.checked(" Γεια σου\r\n\r\nНадя ")).isEqualTo("Γεια σου\n\nНадя");
        for (var none : new String[] {" \n", "x".repeat(6001), "a\0b"})
            assertThatThrownBy(() -> Letter.checked(none)).isInstanceOf(InvalidValue.class);
        assertThat(Letter.paragraphs("a\nb\n \n\nc")).containsExactly(List.of("a", "b"), List.of("c"));
    }
}
