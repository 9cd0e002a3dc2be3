package palmtally.core.sequence.check;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Zone;
import palmtally.core.profile.Choices;
import palmtally.core.sequence.Care;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.detail.OtherHand;

class SecuredSheetTest extends CheckTest {
    SecuredSheetTest() {
        super(SecuredSheet.RULE, "warn draping");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of("a stretch", eachSide(stretch("s")), eachSide(stretch("s").with(Care.SHEET_SECURED)))
                        .says(
                                "Step 1 is a big movement with the sheet open and not secured: it slides when the limb goes.")
                        .mends("Secure the sheet first: Step 1, Step s: care none → sheet-secured."),
                of(
                                "the arm that is the anchor",
                                eachSide(step("s")
                                        .technique("stretch")
                                        .on(Zone.CHEST_WALL)
                                        .say(SayKind.CONSENT)
                                        .seconds(30)),
                                eachSide(step("s")
                                        .technique("stretch")
                                        .on(Zone.CHEST_WALL)
                                        .say(SayKind.CONSENT)
                                        .seconds(30)
                                        .sheet(Sheet.THROUGH)))
                        .says(
                                "Step 1 moves the arm that holds the sheet on the chest: the anchor goes and the sheet with it.")
                        .mends(
                                "Move through the sheet: Step 1, Step s: sheet open → through; care none → sheet-secured.")
                        .under(p -> Choices.find("chest-sheet").orElseThrow().choose(p, "arms-over-sheet")));
    }

    /** Toes, a wrist, a hand and the head move under no sheet, and the rib edge with the breath alone. */
    @Test
    void what_moves_no_sheet_needs_none_secured() {
        silent(eachSide(step("t").technique("range-of-motion").on(Zone.FOOT_TOP)));
        silent(eachSide(step("w").technique("traction").on(Zone.WRIST)));
        silent(eachSide(
                step("e").technique("stretch").on(Zone.FOREARM_EXTENSORS).seconds(30)));
        silent(eachSide(step("n").technique("stretch").on(Zone.NECK_BACK).seconds(30)));
        silent(eachSide(step("n").technique("traction").on(Zone.BASE_OF_SKULL)));
        silent(eachSide(step("d").technique("contract-relax").on(Zone.RIB_EDGE)));
    }

    @Test
    void the_other_hand_may_hold_it() {
        silent(eachSide(stretch("s").saying(e -> e.otherHand = OtherHand.HOLDS_THE_SHEET)));
        assertThat(Plans.findings(
                        eachSide(stretch("s").saying(e -> e.otherHand = OtherHand.MOVES_THE_LIMB)),
                        A,
                        SecuredSheet.RULE))
                .hasSize(1);
    }
}
