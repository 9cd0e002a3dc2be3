package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.sequence.SayKind;

class OpeningWordsTest extends CheckTest {
    OpeningWordsTest() {
        super(OpeningWords.RULE, "warn communication");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "no greeting",
                                eachSide(still("s").say(SayKind.PURPOSE), thigh("w")),
                                eachSide(talking(still("s")), thigh("w")))
                        .says(
                                "The opening leaves out: greeting, pain, injuries and areas to avoid, inviting feedback. A client who knows what will be done and may speak up is safer.")
                        .mends(
                                "Add to the opening: Step 1, Step s: words purpose “…” at 0 s → purpose “…” at 0 s; greeting “Hello, I am your therapist today.” at 0 s; areas-to-avoid “Any pain, injuries, allergies or places to avoid?” at 0 s; invites-feedback “Tell me at any time if it is too much.” at 0 s."));
    }
}
