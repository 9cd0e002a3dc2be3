package palmtally.core.technique;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Doses and windows in words. The windows are those of the dose table (common practice, no source). */
class WordsTest {
    record Said(Dose dose, String words) {}

    static List<Said> doses() {
        return List.of(
                new Said(Dose.seconds(40), "40 s"),
                new Said(Dose.seconds(7.5), "7.5 s"),
                new Said(Dose.passes(6, 10), "6 × 10 s"),
                new Said(new Dose(Dose.Kind.HOLDS, 9.0, 3, null), "3 holds × 9 s"),
                new Said(Dose.breaths(4), "4 breaths"),
                new Said(Dose.cycles(120, 1.5), "120 at 1.5/s"),
                new Said(Dose.untilSoft(90), "until soft, at most 90 s"));
    }

    @ParameterizedTest
    @MethodSource("doses")
    void a_dose_is_written_as_teachers_write_it(Said said) {
        assertThat(said.dose.words()).isEqualTo(said.words);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "cross-fibre | at most 120 s, 1–2 a second",
                "trigger-point | 3–5 s a hold, never over 10 s",
                "trigger-point | Shoulder blade (rotator cuff): 8–10 s a hold",
                "skin-rolling | at least 30 s",
                "fascia-indirect | at least 90 s",
                "stretch | at least 30 s",
                "heat | at least 300 s"
            })
    void a_technique_names_its_windows(String technique, String window) {
        assertThat(DoseTable.windows(Techniques.SHIPPED.get(technique)))
                .anySatisfy(line -> assertThat(line).contains(window).endsWith("."));
    }

    /** A school's own window stands alone, but for what is never passed over the vessels of the neck. */
    @Test
    void a_window_of_the_schools_own_stands_before_the_table() {
        var own = Techniques.SHIPPED.get("trigger-point").with(e -> e.window = new Window(DoseTable.Per.HOLD, 4, 12.0));
        assertThat(DoseTable.windows(own))
                .containsExactly(
                        "This school's own: 4–12 s a hold.",
                        "Strap muscle (sternocleidomastoid), scalenes: never over 10 s.");
    }

    @Test
    void one_without_a_row_has_none() {
        assertThat(DoseTable.windows(Techniques.SHIPPED.get("effleurage"))).isEmpty();
    }

    @Test
    void every_technique_that_ships_is_drawn_by_one_of_the_tools_and_has_a_name_of_its_own() {
        var all = Techniques.SHIPPED.all();
        assertThat(all).extracting(Technique::name).doesNotHaveDuplicates();
        assertThat(all).allSatisfy(t -> assertThat(t.tool()).isNotNull());
    }
}
