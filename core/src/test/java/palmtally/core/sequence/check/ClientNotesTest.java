package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import palmtally.core.body.Position;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.people.ClientNote;
import palmtally.core.sequence.Sides;
import palmtally.core.technique.Technique.Effort;

class ClientNotesTest extends CheckTest {
    ClientNotesTest() {
        super(ClientNotes.RULE, "stop pressure");
    }

    @Override
    List<Case> cases() {
        return List.of(
                client(
                                "pregnant, prone",
                                note(ClientNote.Kind.PREGNANT),
                                eachSide(thigh("w")),
                                eachSide(thigh("w").lying(Position.SIDE_LEFT)))
                        .says(
                                "Step 1 lies prone, and this client is pregnant. Local codes and licensed practice decide.")
                        .mends("Side-lying for all prone steps: Step 1, Step w: position prone → side-left."),
                client(
                                "pregnant, deep on the leg",
                                note(ClientNote.Kind.PREGNANT),
                                eachSide(thigh("w").deep(3).lying(Position.SIDE_LEFT)),
                                eachSide(thigh("w").deep(2).lying(Position.SIDE_LEFT)))
                        .says(
                                "Step 1 works deep on the leg, and this client is pregnant: vessels are at risk. Local codes and licensed practice decide.")
                        .mends("Lower to depth 2: Step 1, Step w: depth 3 → 2."),
                client(
                                "back pain, hip flexors stretched",
                                note(ClientNote.Kind.BACK_PAIN),
                                eachSide(thigh("w"), stretch("s").on(Zone.THIGH_FRONT)),
                                eachSide(thigh("w"), stretch("s")))
                        .says(
                                "Step 2 stretches the hip flexors, which pull on a painful low back. Local codes and licensed practice decide.")
                        .mends("Take step 2 out: Step 2, Step s, is gone."),
                client(
                                "back pain, resisted effort",
                                note(ClientNote.Kind.BACK_PAIN),
                                eachSide(stretch("s").effort(Effort.RESISTED)),
                                eachSide(stretch("s")))
                        .says(
                                "Step 1 asks for resisted effort around a painful low back. Local codes and licensed practice decide.")
                        .mends("Keep the client passive: Step 1, Step s: client's part resisted → passive."),
                client(
                                "inflamed, deep",
                                new ClientNote(ClientNote.Kind.INFLAMED, Zone.HAMSTRINGS, Side.LEFT),
                                eachSide(thigh("w"), thigh("k").deep(3)),
                                once(thigh("k").deep(3).side(Sides.RIGHT)))
                        .says(
                                "Step 2 works deep on back of the thigh (hamstrings), which is hot, swollen or inflamed on this client: no deep work, ask, refer. Local codes and licensed practice decide.")
                        .mends("Lower to depth 2: Step 2, Step k: depth 3 → 2."),
                client(
                                "not to be touched",
                                new ClientNote(ClientNote.Kind.SPARE, Zone.HAMSTRINGS, null),
                                eachSide(step("c"), thigh("w")),
                                eachSide(step("c")))
                        .says(
                                "Step 2 touches back of the thigh (hamstrings), which this client asks to be left alone. Local codes and licensed practice decide.")
                        .mends("Take step 2 out: Step 2, Step w, is gone."),
                client(
                                "no lubricant",
                                note(ClientNote.Kind.NO_LUBRICANT),
                                eachSide(thigh("w").oiled()),
                                eachSide(thigh("w")))
                        .says(
                                "Step 1 uses lubricant, and this client must be spared it. Local codes and licensed practice decide.")
                        .mends("Do all of it dry: Step 1, Step w: lubricant oil → dry."),
                client(
                                "no cold",
                                note(ClientNote.Kind.NO_COLD),
                                eachSide(
                                        step("w").on(Zone.LUMBAR),
                                        heat("c").technique("cold").seconds(60)),
                                eachSide(step("w").on(Zone.LUMBAR), heat("c")))
                        .says(
                                "Step 2 uses cold, and this client must be spared it. Local codes and licensed practice decide.")
                        .mends("Take step 2 out: Step 2, Step c, is gone."));
    }
}
