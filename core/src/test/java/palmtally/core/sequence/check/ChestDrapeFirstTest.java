package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Position;
import palmtally.core.body.Zone;
import palmtally.core.profile.Choices;
import palmtally.core.profile.DrapeMethod;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sheet;

class ChestDrapeFirstTest extends CheckTest {
    ChestDrapeFirstTest() {
        super(ChestDrapeFirst.RULE, "stop draping");
    }

    private static Plans.Made belly() {
        return step("b").on(Zone.BELLY).lying(Position.SUPINE).say(SayKind.CONSENT);
    }

    private static Profile arms(Profile p) {
        return Choices.find("chest-sheet").orElseThrow().choose(p, "arms-over-sheet");
    }

    @Override
    protected List<Case> cases() {
        return List.of(of(
                        "arms that hold the sheet", once(belly()), once(belly()).draping("b", DrapeMethod.ABDOMEN))
                .says("Step 1 opens the abdomen with nothing on the chest but the sheet that is drawn down for it.")
                .mends("Chest drape first: Blocks: b (in-order, once) → b (in-order, once, sheet: abdomen, chest"
                        + " drape first).")
                .under(ChestDrapeFirstTest::arms));
    }

    /** The method of the school holds it, unless the block says another. */
    @Test
    void the_methods_that_hold_it() {
        silent(once(belly()));
        silent(once(belly()).draping("b", DrapeMethod.CHEST_DRAPE));
        silent(once(belly().sheet(Sheet.THROUGH)).draping("b", DrapeMethod.CHEST_ARMS));
        alarm(once(belly()).draping("b", DrapeMethod.CHEST_ARMS));
    }
}
