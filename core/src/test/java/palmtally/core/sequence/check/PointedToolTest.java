package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.body.Zone;
import palmtally.core.profile.Choices;
import palmtally.core.technique.Tool;

class PointedToolTest extends CheckTest {
    PointedToolTest() {
        super(PointedTool.RULE, "warn pressure");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "thumb under the ear",
                                eachSide(neck("t")
                                        .on(Zone.BELOW_EAR)
                                        .with(Tool.SUPPORTED_THUMB)
                                        .deep(1)),
                                eachSide(neck("t").on(Zone.BELOW_EAR).deep(1)))
                        .says(
                                "Step 1 uses the supported thumb on just below the ear, which wants a broad tool: a bone spur and a nerve lie here.")
                        .mends("Use the palm: Step 1, Step t: hand supported thumb → palm."),
                of(
                                "elbow, where the forearm is used",
                                eachSide(thigh("w"), thigh("e").with(Tool.ELBOW)),
                                eachSide(thigh("w"), thigh("e").with(Tool.FOREARM)))
                        .says(
                                "Step 2 uses the elbow point; this school leaves the point of the elbow out and uses the forearm.")
                        .mends("Use the forearm: Step 2, Step e: hand elbow point → forearm.")
                        .under(p -> Choices.find("elbow").orElseThrow().choose(p, "forearm-only")));
    }
}
