package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.detail.Comparison;
import palmtally.core.sequence.detail.Comparison.What;
import palmtally.core.sequence.detail.Comparison.When;

class CompareAfterTest extends CheckTest {
    CompareAfterTest() {
        super(CompareAfter.RULE, "hint order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "nothing checked again",
                                eachSide(thigh("w"), thigh("k").deep(3), fist("f"), thigh("x")),
                                eachSide(
                                        thigh("w"),
                                        thigh("k").deep(3),
                                        fist("f"),
                                        still("r").phase(Phase.RE_CHECK)))
                        .says(
                                "Nothing is checked again after the treatment: without a comparison nobody knows whether it helped.")
                        .mends(
                                "Add a 20 s re-check after step 4: New step 5: Still hold, 20 s. (re-check-1, still-hold, palm, depth 1, hamstrings, each, open, dry, re-check)"));
    }

    @Test
    void a_comparison_is_a_look_too() {
        silent(eachSide(
                thigh("w"),
                thigh("k").deep(3),
                fist("f"),
                still("l").saying(d -> d.compares = new Comparison(Set.of(What.RANGE), When.AFTER))));
        alarm(eachSide(
                thigh("w"),
                thigh("k").deep(3),
                fist("f"),
                still("l").saying(d -> d.compares = new Comparison(Set.of(What.RANGE), When.BETWEEN))));
    }
}
