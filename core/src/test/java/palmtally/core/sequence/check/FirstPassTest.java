package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;

class FirstPassTest extends CheckTest {
    FirstPassTest() {
        super(FirstPass.RULE, "warn order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(of(
                        "three, then three",
                        eachSide(thigh("a").deep(3), thigh("b").deep(3)),
                        eachSide(thigh("a").deep(2), thigh("b").deep(3)))
                .says(
                        "Step 1 is the first pass over back of the thigh (hamstrings) and at depth 3 as deep as any later one: the first pass asks, a later one may go deeper.")
                .mends("Lower to depth 2: Step 1, Step a: depth 3 → 2."));
    }
}
