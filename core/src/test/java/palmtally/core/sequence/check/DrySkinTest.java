package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.technique.Tool;

class DrySkinTest extends CheckTest {
    DrySkinTest() {
        super(DrySkin.RULE, "warn order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "rolling after oil",
                                eachSide(
                                        thigh("o").oiled(),
                                        thigh("r").technique("skin-rolling").with(Tool.PINCER)),
                                eachSide(
                                        thigh("r").technique("skin-rolling").with(Tool.PINCER),
                                        thigh("o").oiled()))
                        .says(
                                "Step 2 needs grip on back of the thigh (hamstrings) after step 1 has put lubricant there: the hand slides instead of taking hold.")
                        .mends("Move it before step 1: Step o moved from place 1 to place 2."),
                of(
                                "rolling in oil",
                                eachSide(thigh("r")
                                        .technique("skin-rolling")
                                        .with(Tool.PINCER)
                                        .oiled()),
                                eachSide(thigh("r").technique("skin-rolling").with(Tool.PINCER)))
                        .says("Step 1 grips the skin with lubricant on it: the hand slides instead of taking hold.")
                        .mends("Do it dry: Step 1, Step r: lubricant oil → dry."),
                of(
                                "lubricant late, where it comes first",
                                eachSide(thigh("d"), thigh("o").oiled()),
                                eachSide(thigh("d").oiled(), thigh("o").oiled()))
                        .says(
                                "Step 1 glides over dry back of the thigh (hamstrings) and the lubricant comes later; this school starts with it.")
                        .mends("Use a light film here: Step 1, Step d: lubricant dry → film.")
                        .under(B));
    }
}
