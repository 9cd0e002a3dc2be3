package palmtally.core.sequence.check;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Position;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Finding;
import palmtally.core.people.ClientNote;
import palmtally.core.sequence.ForWhom;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.technique.Technique.Effort;

class ClientNotesTest extends CheckTest {
    ClientNotesTest() {
        super(ClientNotes.RULE, "stop pressure");
    }

    @Override
    protected List<Case> cases() {
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
                // A foot may be squeezed: common practice, no source.
                client(
                                "pregnant, deep on the foot",
                                note(ClientNote.Kind.PREGNANT),
                                eachSide(thigh("w").on(Zone.SOLE).deep(4).lying(Position.SIDE_LEFT)),
                                eachSide(thigh("w").on(Zone.SOLE).deep(3).lying(Position.SIDE_LEFT)))
                        .says(
                                "Step 1 works deep on the leg, and this client is pregnant: vessels are at risk. Local codes and licensed practice decide.")
                        .mends("Lower to depth 2: Step 1, Step w: depth 4 → 2."),
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
                        .mends("Take step 2 out: Step 2, Step c, is gone."),
                client(
                                "past the third month, flat on the back",
                                note(ClientNote.Kind.LATE_PREGNANCY),
                                eachSide(thigh("w").on(Zone.THIGH_FRONT).lying(Position.SUPINE)),
                                eachSide(thigh("w").on(Zone.THIGH_FRONT).lying(Position.SEMI_RECLINED)))
                        .says(
                                "Step 1 lies flat on the back, and this client is past the third month: the weight lies on a large vein. Local codes and licensed practice decide.")
                        .mends(
                                "Half sitting for all that lies on the back: Step 1, Step w: position supine → semi-reclined."),
                client(
                                "a neck injured once, pulled",
                                note(ClientNote.Kind.NECK_INJURY),
                                once(
                                        step("w").on(Zone.NECK_BACK),
                                        step("t")
                                                .technique("traction")
                                                .on(Zone.NECK_BACK)
                                                .deep(2)),
                                once(
                                        step("w").on(Zone.NECK_BACK),
                                        step("t")
                                                .technique("traction")
                                                .on(Zone.CALF)
                                                .deep(2)))
                        .says(
                                "Step 2 moves or jolts a neck that was injured once: what was torn may be loose. Local codes and licensed practice decide.")
                        .mends("Take step 2 out: Step 2, Step t, is gone."),
                client(
                                "a neck injured once, deep",
                                note(ClientNote.Kind.NECK_INJURY),
                                once(step("w").on(Zone.NECK_BACK).deep(3)),
                                once(step("w").on(Zone.NECK_BACK).deep(2)))
                        .says(
                                "Step 1 works deep on a neck that was injured once: it guards. Local codes and licensed practice decide.")
                        .mends("Lower to depth 2: Step 1, Step w: depth 3 → 2."),
                client(
                                "ticklish soles, brushed",
                                note(ClientNote.Kind.TICKLISH),
                                eachSide(step("f")
                                        .technique("feather")
                                        .on(Zone.SOLE)
                                        .deep(1)),
                                eachSide(step("f")
                                        .technique("still-hold")
                                        .on(Zone.SOLE)
                                        .deep(1)))
                        .says(
                                "Step 1 brushes over sole of the foot, and this client is ticklish: a flat firm hand is felt as touch. Local codes and licensed practice decide.")
                        .mends("Use a flat palm at depth 2: Step 1, Step f: depth 1 → 2."),
                client(
                                "lubricant over clothes",
                                note(ClientNote.Kind.CLOTHED),
                                eachSide(
                                        thigh("w").oiled(),
                                        step("h").on(Zone.HAND).oiled()),
                                eachSide(thigh("w"), step("h").on(Zone.HAND).oiled()))
                        .says("Step 1 uses lubricant over clothes. Local codes and licensed practice decide.")
                        .mends("Work dry wherever there are clothes: Step 1, Step w: lubricant oil → dry."));
    }

    @Test
    void a_plan_for_such_a_body_raises_what_its_note_would() {
        for (var whom : ForWhom.values()) {
            var plan = eachSide(
                    thigh("w").deep(3).oiled(),
                    step("t").technique("traction").on(Zone.NECK_BACK).deep(2),
                    step("f").technique("feather").on(Zone.SOLE).deep(1).lying(Position.SUPINE),
                    stretch("s").on(Zone.THIGH_FRONT));
            var noted = Checks.run(plan, A, whom.notes()).findings();
            var meant = Checks.run(plan.meantFor(Set.of(whom)), A).findings();
            assertThat(meant).as(whom.label()).isEqualTo(noted);
            assertThat(meant).extracting(Finding::rule).contains(rule);
        }
    }

    @Test
    void clothes_lift_every_rule_about_the_sheet_and_no_other() {
        var plan = eachSide(
                thigh("w").sheet(Sheet.COVERED).deep(3),
                step("o").on(Zone.UPPER_BACK).sheet(Sheet.OPEN),
                stretch("s").sheet(Sheet.OPEN));
        var open = rules(Checks.run(plan, A));
        assertThat(open).contains("DRAPE-OPEN", "DRAPE-SECURE", "DRAPE-END");
        open.removeIf(r -> r.startsWith("DRAPE"));
        assertThat(rules(Checks.run(plan.meantFor(Set.of(ForWhom.CLOTHED)), A))).isEqualTo(open);
    }

    private static TreeSet<String> rules(Checks checks) {
        return checks.findings().stream().map(f -> f.rule().toString()).collect(Collectors.toCollection(TreeSet::new));
    }
}
