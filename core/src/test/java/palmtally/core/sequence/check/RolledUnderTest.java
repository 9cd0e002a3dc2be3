package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.core.sequence.Sequence;

class RolledUnderTest extends CheckTest {
    RolledUnderTest() {
        super(RolledUnder.RULE, "warn draping");
    }

    private static Sequence noting(String words) {
        return once(step("s").saying(d -> d.note = words));
    }

    @Override
    protected List<Case> cases() {
        return List.of(of("a note", noting("the edge is rolled over and tucked"), noting("the edge is rolled under"))
                .says("Step 1 rolls the edge of the sheet over: it lies loose on top and opens with the limb."));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "roll the sheet over",
                "fold its edge back over the hip",
                "rolling over the edge",
                "edges rolled over"
            })
    void however_it_is_said(String words) {
        alarm(noting(words));
        alarm(once(step("s").saying(words)));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "roll the sheet under",
                "never over",
                "roll over the shin",
                "the client rolls over under the sheet"
            })
    void what_is_no_edge(String words) {
        silent(noting(words));
    }
}
