package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.body.Position;
import palmtally.core.sequence.Stance;
import palmtally.core.sequence.TableHeight;

class TableSettingTest extends CheckTest {
    TableSettingTest() {
        super(TableSetting.RULE, "warn mechanics");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "deep on a high table",
                                eachSide(thigh("w"), thigh("k").deep(3), fist("f"), thigh("x"))
                                        .onTable(TableHeight.HIGH),
                                eachSide(thigh("w"), thigh("k").deep(3), fist("f"), thigh("x"))
                                        .onTable(TableHeight.LOW))
                        .says("Step 3 goes deep on a high table: the shoulders push where the weight should sink.")
                        .mends("Set the table low: Table: high → low."),
                of(
                                "side-lying on a low table",
                                eachSide(thigh("w").lying(Position.SIDE_LEFT)).onTable(TableHeight.LOW),
                                eachSide(thigh("w").lying(Position.SIDE_LEFT)).onTable(TableHeight.MIDDLE))
                        .says("Step 1 works a side-lying client on a low table: the back bends to reach the top.")
                        .mends("Set the table high: Table: low → high."),
                of(
                                "kneeling on it",
                                eachSide(thigh("w").stance(Stance.ON_TABLE)),
                                eachSide(thigh("w").stance(Stance.HORSE)))
                        .says(
                                "Step 1 is done sitting or kneeling on the table; this school keeps the therapist's feet on the floor.")
                        .mends("Stand in horse stance: Step 1, Step w: stance on-table → horse."));
    }
}
