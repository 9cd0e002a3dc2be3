package palmtally.core.sequence.check;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sheet;

class ConsentBeforeTest extends CheckTest {
    ConsentBeforeTest() {
        super(ConsentBefore.RULE, "stop draping");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "never asked",
                                eachSide(thigh("t"), step("g").on(Zone.GLUTEALS).sheet(Sheet.THROUGH)),
                                eachSide(thigh("t"), gluteal("g")))
                        .says(
                                "Step 2 touches gluteals without asking first: it is the client's to give, with its scope, and to withdraw.")
                        .mends(
                                "Ask before step 2: Step 2, Step g: words none → consent “May I work on the gluteals, with the sheet or without?” at 0 s."),
                of(
                                "at the moment, not at the start",
                                eachSide(thigh("t"), gluteal("g")),
                                eachSide(still("s").say(SayKind.CONSENT), gluteal("g")))
                        .says(
                                "Step 2 touches gluteals, confirmed at the moment but never asked at the start, as this school does.")
                        .mends(
                                "Ask before step 2: New step 1: Agree areas and sheet, 20 s. (ask-1, still-hold, palm, depth 1, upper-back, both, through, dry, settle, consent)")
                        .under(B));
    }

    /** Still hands through the sheet are no treatment: they ask no permission. */
    @Test
    void settling_through_the_sheet_asks_nothing() {
        silent(eachSide(still("s").on(Zone.GLUTEALS).sheet(Sheet.THROUGH), thigh("w")));
        assertThat(Plans.findings(eachSide(still("s").on(Zone.GLUTEALS), thigh("w")), A, rule))
                .as("on skin it does")
                .hasSize(1);
        assertThat(Plans.findings(eachSide(still("s").on(Zone.GLUTEALS).deep(2).sheet(Sheet.THROUGH)), A, rule))
                .hasSize(1);
    }
}
