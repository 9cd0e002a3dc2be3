package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.sequence.Sheet;

class SettleFirstTest extends CheckTest {
    SettleFirstTest() {
        super(SettleFirst.RULE, "hint order");
    }

    @Override
    List<Case> cases() {
        return List.of(
                of("strokes at once", eachSide(thigh("w")), eachSide(still("s"), thigh("w")))
                        .says(
                                "Step 1 starts to stroke at once: still hands first let the client arrive and feel where you are.")
                        .mends(
                                "Settle for 20 s first: New step 1: Settle, 20 s. (open-1, still-hold, palm, depth 1, hamstrings, each, through, dry, settle)"),
                of(
                                "still hands where movement opens",
                                eachSide(still("s"), thigh("w")),
                                eachSide(thigh("m").technique("rocking").deep(1).sheet(Sheet.THROUGH), thigh("w")))
                        .says(
                                "Step 1 opens with the sheet or with still hands; this school opens with movement, clothed or through the sheet, and then offers the choice.")
                        .mends(
                                "Rock for 60 s through the sheet first: New step 1: Clothed opening, rocking, 60 s. (open-1, rocking, palm, depth 1, hamstrings, each, through, dry, settle)")
                        .under(B));
    }
}
