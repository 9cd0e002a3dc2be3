package palmtally.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Position;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Stint;
import palmtally.core.technique.Dose;

/** What is kept is what would be measured anew, whatever of the step is otherwise. */
class MeasuredTest {
    private static Stint only(Plans.Made made) {
        return Stint.of(Plans.once(made)).get(0);
    }

    private static void holds(Stint stint) {
        var anew = Geometry.of(stint);
        assertThat(Measured.of(stint))
                .isEqualTo(new Measured(
                        anew.length(),
                        anew.speed(),
                        anew.travel.dose().kind(),
                        anew.within(),
                        anew.reach(),
                        anew.therapist.comfortable()));
    }

    @Test
    void of_each_otherwise_than_the_last_is_its_own() {
        for (var made : List.of(
                step("a").on(Zone.CALF).side(Sides.RIGHT),
                step("a").on(Zone.CALF).side(Sides.LEFT),
                step("a").on(Zone.HAMSTRINGS).side(Sides.LEFT),
                step("a").on(Zone.HAMSTRINGS).side(Sides.LEFT).lying(Position.SIDE_LEFT),
                step("a").on(Zone.HAMSTRINGS).side(Sides.LEFT).dose(Dose.passes(3, 4)),
                step("a").on(Zone.HAMSTRINGS).side(Sides.LEFT).dose(Dose.passes(3, 8)))) {
            holds(only(made));
            // And once more, as it was kept.
            holds(only(made));
        }
    }

    @Test
    void of_a_second_side_that_is_dosed_otherwise_is_its_own() {
        var both = Stint.of(Plans.eachSide(
                step("a").on(Zone.CALF).side(Sides.EACH).dose(Dose.passes(3, 4)).second(Dose.passes(3, 9))));
        assertThat(Measured.of(both.get(0)).speed())
                .isGreaterThan(Measured.of(both.get(1)).speed());
        both.forEach(MeasuredTest::holds);
    }
}
