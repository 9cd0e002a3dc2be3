package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Position;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Plans.Made;
import palmtally.core.sequence.SayKind;

class IdleSheetTest extends CheckTest {
    IdleSheetTest() {
        super(IdleSheet.RULE, "warn draping");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "a look of 40 s at an open leg",
                                eachSide(thigh("l").deep(0).seconds(40).phase(Phase.ASSESS), thigh("w")),
                                eachSide(thigh("l").deep(0).seconds(20).phase(Phase.ASSESS), thigh("w")))
                        .says(
                                "The right leg lies open and unworked for 40 s around step 1; after 20 s it gets cold and feels forgotten.")
                        .mends("Cover it during step 1: Step 1, Step l: sheet open → covered."),
                // Ten seconds of oil and two questions of five before the look of its ten.
                of(
                                "talk and oil before a look of 10 s",
                                eachSide(thigh("w"), asking("l", 2)),
                                eachSide(thigh("w"), asking("l", 0)))
                        .says(
                                "The right leg lies open and unworked for 30 s around step 2; after 20 s it gets cold and feels forgotten.")
                        .mends("Cover it during step 2: Step 2, Step l: sheet open → covered; lubricant oil → dry."),
                of(
                                "more talk than anybody has before the next stroke",
                                eachSide(thigh("w"), talked("x", 5)),
                                eachSide(thigh("w"), talked("x", 3)))
                        .says(
                                "The right leg lies open and unworked for 25 s around step 2; after 20 s it gets cold and feels forgotten."));
    }

    private static Made asking(String id, int questions) {
        var look = thigh(id).deep(0).oiled().seconds(10).phase(Phase.ASSESS);
        for (int i = 0; i < questions; i++) look.say(SayKind.PRESSURE_QUESTION);
        return look;
    }

    private static Made talked(String id, int questions) {
        var stroke = thigh(id);
        for (int i = 0; i < questions; i++) stroke.say(SayKind.PRESSURE_QUESTION);
        return stroke;
    }

    @Test
    void a_sheet_that_was_just_turned_has_waited_for_nobody() {
        var look = asking("l", 2);
        silent(eachSide(look, thigh("w")));
        silent(eachSide(thigh("w").lying(Position.SUPINE), asking("l", 2)));
    }
}
