package palmtally.core.sequence.check;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.once;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.detail.OtherHand;
import palmtally.core.technique.Tool;

class BareThumbTest extends CheckTest {
    BareThumbTest() {
        super(BareThumb.RULE, "warn mechanics");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "40 s in a row",
                                eachSide(
                                        thigh("w").seconds(300),
                                        thigh("t").with(Tool.BARE_THUMB).seconds(40)),
                                eachSide(
                                        thigh("w").seconds(300),
                                        thigh("t").with(Tool.BARE_THUMB).seconds(30)))
                        .says("The bare thumb works 40 s in a row; after 30 s its joint pays for it.")
                        .mends("Use supported thumb in step 2: Step 2, Step t: hand bare thumb → supported thumb."),
                of(
                                "a third of the work",
                                eachSide(
                                        thigh("w").seconds(40),
                                        thigh("t").with(Tool.BARE_THUMB).seconds(20)),
                                eachSide(
                                        thigh("w").seconds(80),
                                        thigh("t").with(Tool.BARE_THUMB).seconds(20)))
                        .says(
                                "The bare thumb does 33 % of the work; 20 % is the most this school allows, because thumbs are what gives out first.")
                        .mends("Use supported thumb in step 2: Step 2, Step t: hand bare thumb → supported thumb."));
    }

    @Test
    void a_thumb_that_the_other_hand_reinforces_is_not_bare() {
        var thumb = thigh("t").with(Tool.BARE_THUMB).seconds(600);
        assertThat(Plans.findings(once(thumb), A, BareThumb.RULE)).hasSize(1);
        silent(once(thumb.saying(e -> e.otherHand = OtherHand.REINFORCES)));
    }
}
