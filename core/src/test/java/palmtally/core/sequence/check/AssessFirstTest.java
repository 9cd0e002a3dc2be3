package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.detail.Comparison;
import palmtally.core.sequence.detail.Comparison.What;
import palmtally.core.sequence.detail.Comparison.When;

class AssessFirstTest extends CheckTest {
    AssessFirstTest() {
        super(AssessFirst.RULE, "hint order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "deep unseen",
                                eachSide(thigh("w"), thigh("k").deep(3), fist("f"), thigh("x")),
                                eachSide(
                                        still("l").phase(Phase.ASSESS),
                                        thigh("w"),
                                        thigh("k").deep(3),
                                        fist("f"),
                                        thigh("x")))
                        .says("Step 3 goes deep and nobody has looked, asked or felt for the landmarks: bodies vary.")
                        .mends(
                                "Add a look at the landmarks before step 3: New step 3: Still hold, 20 s. (assess-1, still-hold, palm, depth 1, hamstrings, each, open, dry, assess)"));
    }

    @Test
    void a_comparison_is_a_look_too() {
        silent(eachSide(
                still("l").saying(d -> d.compares = new Comparison(Set.of(What.RANGE), When.BEFORE)),
                thigh("w"),
                thigh("k").deep(3),
                fist("f"),
                thigh("x")));
        alarm(eachSide(
                still("l").saying(d -> d.compares = new Comparison(Set.of(What.RANGE), When.BETWEEN)),
                thigh("w"),
                thigh("k").deep(3),
                fist("f"),
                thigh("x")));
    }
}
