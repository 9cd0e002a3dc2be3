package palmtally.core.sequence.check;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Zone;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Step;
import palmtally.core.technique.ScopeTopic;

class ScopeTest extends CheckTest {
    ScopeTest() {
        super(Scope.RULE, "stop communication");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of("heat, not taught", eachSide(thigh("w"), heat("h")), eachSide(thigh("w")))
                        .says(
                                "Step 2 is about heat and cold, which this school does not teach. Not on numb, inflamed or newly injured skin; ask about allergy to cold. Local codes and licensed practice decide.")
                        .mends("Take step 2 out: Step 2, Step h, is gone.")
                        .under(p -> scoped(p, ScopeTopic.HEAT_AND_COLD, ScopeTopic.Level.NOT_TAUGHT)),
                of(
                                "a diagnosis",
                                eachSide(step("d").saying("You have a torn muscle.")),
                                eachSide(step("d").saying("This feels tight to my hand.")))
                        .says(
                                "Step 1 is about words that sound like a diagnosis, which this school does not teach. Say what is felt and seen; naming a disease is for others. Local codes and licensed practice decide.")
                        .mends(
                                "Take these words out of step 1: Step 1, Step d: words explains “You have a torn muscle.” at 0 s → none."),
                of(
                                "exercises to take home",
                                eachSide(step("d").saying("Do three sets of ten daily.")),
                                eachSide(step("d").saying("Rest a little.")))
                        .says(
                                "Step 1 is about advice on exercise, which this school does not teach. A plan of exercises is treatment of its own kind in many places. Local codes and licensed practice decide.")
                        .mends(
                                "Take these words out of step 1: Step 1, Step d: words explains “Do three sets of ten daily.” at 0 s → none."),
                of(
                                "hands-on inside the mouth, theory only",
                                eachSide(
                                        neck("n"),
                                        neck("m").on(Zone.INSIDE_MOUTH).say(SayKind.CONSENT)),
                                eachSide(
                                        neck("n"),
                                        neck("m").on(Zone.INSIDE_MOUTH).deep(0)))
                        .says(
                                "Step 2 is about work inside the mouth, which this school teaches as theory only, never hands on. Gloves, written consent, and a licence that allows it. Local codes and licensed practice decide.")
                        .mends("Take step 2 out: Step 2, Step m, is gone."));
    }

    /** What is said of eleven steps alike is said once. */
    @Test
    void a_topic_is_said_once_with_all_its_steps() {
        var plan = eachSide(thigh("w"), heat("a"), thigh("x"), heat("b"), heat("c"));
        for (var level : List.of(ScopeTopic.Level.SUPERVISED, ScopeTopic.Level.NOT_TAUGHT)) {
            var found = Checks.run(plan, scoped(A, ScopeTopic.HEAT_AND_COLD, level)).found().stream()
                    .filter(f -> f.finding().rule().equals(rule))
                    .toList();
            assertThat(found)
                    .singleElement()
                    .satisfies(f ->
                            assertThat(f.finding().sentence()).startsWith("Steps 2, 4 and 5 are about heat and cold"));
            if (level == ScopeTopic.Level.NOT_TAUGHT)
                assertThat(found.get(0).mend().orElseThrow().apply(plan).steps())
                        .extracting(Step::id)
                        .containsExactly("w", "x");
        }
    }
}
