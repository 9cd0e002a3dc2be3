package palmtally.core.calendar;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.core.body.Zone;
import palmtally.core.calendar.LayOut.Need;
import palmtally.core.sequence.Stance;
import palmtally.core.sequence.detail.Prop;

class LayOutTest {
    @ParameterizedTest
    @CsvSource({"0, 0", "1, 1", "2, 1", "15, 8", "16, 8"})
    void students_work_in_pairs(int students, int tables) {
        assertThat(LayOut.tables(students)).isEqualTo(tables);
    }

    @Test
    void each_thing_is_named_once_and_counted_at_every_table() {
        var one = once(
                step("a").technique("effleurage").on(Zone.CALF).saying(d -> d.props.add(Prop.BOLSTER_UNDER_ANKLES)),
                step("b").technique("effleurage").on(Zone.CALF).saying(d -> d.props.add(Prop.BLANKET_ASIDE)));
        var two = once(step("c")
                .technique("static-press")
                .on(Zone.BASE_OF_SKULL)
                .stance(Stance.SEATED)
                .saying(d -> {
                    d.props.add(Prop.BLANKET);
                    d.props.add(Prop.BOLSTER_UNDER_ANKLES);
                }));
        assertThat(LayOut.of(List.of(one, two), 8))
                .filteredOn(n -> !n.what().equals("lubricant"))
                .containsExactly(
                        new Need("table", 1, 8),
                        new Need("blanket", 1, 8),
                        new Need("bolster under ankles", 1, 8),
                        new Need("stool", 1, 8));
    }

    @Test
    void a_lab_without_a_sequence_or_without_students_needs_nothing() {
        assertThat(LayOut.of(List.of(), 8)).isEmpty();
        assertThat(LayOut.of(List.of(once(step("a"))), 0)).isEmpty();
    }
}
