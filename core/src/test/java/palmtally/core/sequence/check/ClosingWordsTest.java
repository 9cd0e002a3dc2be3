package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.sequence.SayKind;

class ClosingWordsTest extends CheckTest {
    ClosingWordsTest() {
        super(ClosingWords.RULE, "hint communication");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of("no last word", eachSide(thigh("w")), eachSide(thigh("w").say(SayKind.CLOSING)))
                        .says("The treatment ends without a word: the client does not know that it is over.")
                        .mends(
                                "Add a closing word: Step 1, Step w: words none → closing “That was it. Take your time getting up.” at 0 s."));
    }
}
