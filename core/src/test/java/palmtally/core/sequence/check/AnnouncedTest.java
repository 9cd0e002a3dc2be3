package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.sequence.SayKind;

class AnnouncedTest extends CheckTest {
    AnnouncedTest() {
        super(Announced.RULE, "warn communication");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "stretch unannounced",
                                eachSide(stretch("s")),
                                eachSide(stretch("s").say(SayKind.WARNS)))
                        .says(
                                "Step 1 brings stretch, passive unannounced: what comes as a surprise is guarded against.")
                        .mends(
                                "Announce it: Step 1, Step s: words none → warns “This may feel strong; tell me and I ease at once.” at 0 s."));
    }
}
