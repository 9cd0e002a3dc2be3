package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.profile.Choices;
import palmtally.core.technique.Dose;

class DoseInWindowTest extends CheckTest {
    DoseInWindowTest() {
        super(DoseInWindow.RULE, "warn pressure");
    }

    @Override
    List<Case> cases() {
        return List.of(
                of(
                                "10 s of stretch",
                                eachSide(stretch("s").seconds(10)),
                                eachSide(stretch("s").seconds(30)))
                        .says("Step 1 gives 10 s; the dose table says at least 30 s (passive, supported).")
                        .mends("Set to 30 s: Step 1, Step s: dose 10 s → 30 s."),
                of(
                                "seconds, where breaths count",
                                eachSide(thigh("w"), point("p")),
                                eachSide(thigh("w"), point("p").dose(Dose.breaths(3))))
                        .says(
                                "Step 2 is measured in holds; this school counts the client's breaths, because they slow the hand down.")
                        .mends("Set to 3 breaths: Step 2, Step p: dose 3 holds × 9 s → 3 breaths.")
                        .under(p -> Choices.find("hold-end").orElseThrow().choose(p, "by-breaths")));
    }
}
