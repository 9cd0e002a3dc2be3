package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import palmtally.core.body.Position;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Plans.Made;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sheet;

class SternumAskedTest extends CheckTest {
    SternumAskedTest() {
        super(SternumAsked.RULE, "stop draping");
    }

    private static Made chest(String id) {
        return step(id).on(Zone.CHEST_WALL)
                .deep(2)
                .lying(Position.SUPINE)
                .sheet(Sheet.THROUGH)
                .say(SayKind.CONSENT);
    }

    private static Made line(String id) {
        return step(id).on(Zone.STERNUM).deep(1).lying(Position.SUPINE).sheet(Sheet.THROUGH);
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "asked for the chest alone",
                                once(chest("c"), line("s")),
                                once(chest("c"), line("s").say(SayKind.CONSENT), line("t")))
                        .says(
                                "Step 2 touches the sternum and asks nothing as it comes there: a yes to the chest is none to the line between the breasts.")
                        .mends(
                                "Ask in step 2: Step 2, Step s: words none → consent “May I work along the breastbone, over the sheet?” at 0 s."),
                of(
                                "bared",
                                once(line("s").say(SayKind.CONSENT).sheet(Sheet.OPEN)),
                                once(line("s").say(SayKind.CONSENT)))
                        .says("Step 1 bares the line of the sternum: it is worked over the sheet.")
                        .mends("Work dry, over the sheet: Step 1, Step s: sheet open → through."));
    }
}
