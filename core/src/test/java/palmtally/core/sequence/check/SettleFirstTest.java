package palmtally.core.sequence.check;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;

class SettleFirstTest extends CheckTest {
    SettleFirstTest() {
        super(SettleFirst.RULE, "hint order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of("strokes at once", eachSide(thigh("w")), eachSide(still("s"), thigh("w")))
                        .says(
                                "Step 1 starts to stroke at once: still hands first let the client arrive and feel where you are.")
                        .mends(
                                "Settle for 20 s first: New step 1: Settle, 20 s. (open-1, still-hold, palm, depth 1, hamstrings, each, through, dry, settle)"),
                of(
                                "still hands where movement opens",
                                eachSide(still("s"), thigh("w")),
                                eachSide(thigh("m").technique("rocking").deep(1).sheet(Sheet.THROUGH), thigh("w")))
                        .says(
                                "Step 1 opens with the sheet or with still hands; this school opens with movement, clothed or through the sheet, and then offers the choice.")
                        .mends(
                                "Rock for 60 s through the sheet first: New step 1: Clothed opening, rocking, 60 s. (open-1, rocking, palm, depth 1, hamstrings, each, through, dry, settle)")
                        .under(B));
    }

    /** The opening that a mend adds is never on a sensitive place, and raises no stop. */
    @Test
    void the_opening_is_put_where_nothing_is_sensitive() {
        for (var profile : List.of(A, B)) {
            var plan = eachSide(gluteal("g"));
            var checks = Checks.run(plan, profile);
            var key = checks.findings().stream()
                    .filter(f -> f.rule().equals(rule))
                    .findFirst()
                    .orElseThrow()
                    .key();
            var opened = checks.mended(key).steps().get(0);
            assertThat(opened.phase()).isEqualTo(Phase.SETTLE);
            assertThat(opened.zones()).containsExactly(Zone.UPPER_BACK);
            assertThat(opened.side()).isEqualTo(Sides.BOTH);
        }
    }
}
