package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.sequence.Sheet;

class OpenSheetTest extends CheckTest {
    OpenSheetTest() {
        super(OpenSheet.RULE, "warn draping");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "under a closed sheet",
                                eachSide(thigh("w").sheet(Sheet.COVERED)),
                                eachSide(thigh("w").sheet(Sheet.THROUGH)))
                        .says(
                                "Step 1 works at depth 2 under a closed sheet: neither open nor through it, so nobody sees what the hand does.")
                        .mends("Open the sheet: Step 1, Step w: sheet covered → open."),
                of("oil through the sheet", eachSide(gluteal("g").oiled()), eachSide(gluteal("g")))
                        .says("Step 1 puts lubricant where the sheet is not open: it ends up in the linen.")
                        .mends("Work dry through the sheet: Step 1, Step g: lubricant oil → dry."),
                of(
                                "oil under the sheet at the end",
                                eachSide(thigh("w").sheet(Sheet.COVERED).deep(1).oiled()),
                                eachSide(thigh("w").sheet(Sheet.COVERED).deep(1)))
                        .says("Step 1 puts lubricant where the sheet is not open: it ends up in the linen.")
                        .mends("Leave the lubricant out: Step 1, Step w: lubricant oil → dry."));
    }
}
