package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.body.Zone;
import palmtally.core.technique.Dose;

class DoseCapTest extends CheckTest {
    DoseCapTest() {
        super(DoseCap.RULE, "stop pressure");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "12 s on the strap muscle",
                                eachSide(neck("p")
                                        .technique("trigger-point")
                                        .on(Zone.STRAP_MUSCLE)
                                        .dose(Dose.holds(1, 12))),
                                eachSide(neck("p")
                                        .technique("trigger-point")
                                        .on(Zone.STRAP_MUSCLE)
                                        .dose(Dose.holds(1, 10))))
                        .says(
                                "Step 1 goes on for 12 s a hold; never over 10 s a hold (sliding off: the tissue is not ready, go lighter).")
                        .mends("Set to 5 s a hold: Step 1, Step p: dose 1 holds × 12 s → 1 holds × 5 s."),
                of(
                                "friction beyond 2 min",
                                eachSide(friction("f").dose(Dose.cycles(200, 1.5))),
                                eachSide(friction("f").dose(Dose.cycles(180, 1.5))))
                        .says("Step 1 goes on for 133.33 s; never over 120 s (pain not lower at 2 minutes: stop).")
                        .mends("Set to 120 s: Step 1, Step f: dose 200 at 1.5/s → 180 at 1.5/s."));
    }
}
