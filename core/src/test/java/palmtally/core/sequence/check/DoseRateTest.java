package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.technique.Dose;

class DoseRateTest extends CheckTest {
    DoseRateTest() {
        super(DoseRate.RULE, "warn pressure");
    }

    @Override
    protected List<Case> cases() {
        return List.of(of(
                        "3 a second",
                        eachSide(friction("f").dose(Dose.cycles(60, 3))),
                        eachSide(friction("f").dose(Dose.cycles(60, 2))))
                .says("Step 1 runs at 3 cycles a second; 1 to 2 keep the tissue under the finger.")
                .mends("Set to 2 a second: Step 1, Step f: dose 60 at 3.0/s → 40 at 2.0/s."));
    }
}
