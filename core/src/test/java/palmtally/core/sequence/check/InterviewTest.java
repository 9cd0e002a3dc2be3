package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.sequence.SayKind;

class InterviewTest extends CheckTest {
    InterviewTest() {
        super(Interview.RULE, "warn communication");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "a point without a question",
                                eachSide(thigh("w"), point("p")),
                                eachSide(thigh("w"), point("p").say(SayKind.INTERVIEW)))
                        .says("Step 2 holds a point and asks nothing; in this school the client's number ends a hold.")
                        .mends(
                                "Add the interview: Step 2, Step p: words none → interview “Is it tender? What number, 0 to 10? Does it travel?” at 0 s."));
    }
}
