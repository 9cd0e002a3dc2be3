package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.sequence.SayKind;
import palmtally.core.technique.Technique.Effort;

class CuesTest extends CheckTest {
    CuesTest() {
        super(Cues.RULE, "warn communication");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "active without cues",
                                eachSide(stretch("s").effort(Effort.ACTIVE)),
                                eachSide(stretch("s")
                                        .effort(Effort.ACTIVE)
                                        .say(SayKind.READY_CUE)
                                        .say(SayKind.RELAX_CUE)))
                        .says(
                                "Step 1 asks the client to move without a ready cue and a relax cue: nobody knows when it starts and when it is over.")
                        .mends(
                                "Add ready and relax cue: Step 1, Step s: words none → ready-cue “Ready? And now.” at 0 s; relax-cue “And let go.” at 30 s."),
                of(
                                "passive, where the client moves",
                                eachSide(stretch("s")),
                                eachSide(stretch("s")
                                        .effort(Effort.ACTIVE)
                                        .say(SayKind.READY_CUE)
                                        .say(SayKind.RELAX_CUE)))
                        .says("Step 1 lengthens a passive client; in this school the client moves.")
                        .mends(
                                "Let the client move: Step 1, Step s: client's part passive → active; words none → ready-cue “Ready? And now.” at 0 s; relax-cue “And let go.” at 30 s.")
                        .under(B));
    }
}
