package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import palmtally.core.body.Position;
import palmtally.core.body.Zone;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sheet;

class ConsentScopeTest extends CheckTest {
    ConsentScopeTest() {
        super(ConsentScope.RULE, "stop draping");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "bare, where the sheet stays on",
                                eachSide(thigh("t"), gluteal("g").sheet(Sheet.OPEN)),
                                eachSide(thigh("t"), gluteal("g")))
                        .says(
                                "Step 2 bares gluteals; this school works them through a taut sheet, which is a full alternative.")
                        .mends("Work through the sheet: Step 2, Step g: sheet open → through."),
                of(
                                "opened after a yes through the sheet",
                                eachSide(
                                        step("c")
                                                .on(Zone.CHEST_WALL)
                                                .sheet(Sheet.THROUGH)
                                                .say(SayKind.CONSENT)
                                                .lying(Position.SUPINE),
                                        step("o").on(Zone.CHEST_WALL).lying(Position.SUPINE)),
                                eachSide(
                                        step("c")
                                                .on(Zone.CHEST_WALL)
                                                .sheet(Sheet.THROUGH)
                                                .say(SayKind.CONSENT)
                                                .lying(Position.SUPINE),
                                        step("o")
                                                .on(Zone.CHEST_WALL)
                                                .say(SayKind.CONSENT)
                                                .lying(Position.SUPINE)))
                        .says(
                                "Step 2 opens chest (pectorals) and permission was given through the sheet only: ask again once it is open.")
                        .mends(
                                "Ask again in step 2: Step 2, Step o: words none → consent “Is it all right without the sheet, on the chest (pectorals)?” at 0 s."));
    }
}
