package palmtally.core.technique;

import java.util.ArrayList;
import java.util.List;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/**
 * A school's own word for a hand.
 *
 * @param name as it is said and jotted down
 * @param like the hand it is to the rules: how broad it is and how deep it goes
 */
public record HandName(String name, Tool like) {
    public static final int MOST_LETTERS = 60;

    /** What many teachers say for a hand, beyond the trade's few names (common practice, no source). */
    public static final List<HandName> TAUGHT = List.of(
            new HandName("thumb side of the fist", Tool.LOOSE_FIST),
            new HandName("rolling-pin fist", Tool.LOOSE_FIST),
            new HandName("narrow channel of the knuckles", Tool.KNUCKLES),
            new HandName("ulnar edge of the forearm", Tool.FOREARM),
            new HandName("curled fingers", Tool.REINFORCED_FINGERS),
            new HandName("interlaced palms", Tool.HEEL_OF_HAND),
            new HandName("pads of three fingers", Tool.FINGER_PADS),
            new HandName("web of the thumb", Tool.PALM),
            new HandName("little-finger edge", Tool.PALM),
            new HandName("whole-hand cup", Tool.PALM));

    public HandName {
        var faults = new ArrayList<Fault>();
        Technique.text(faults, "name", name, MOST_LETTERS);
        if (!faults.isEmpty()) throw new InvalidValue("hand", faults);
    }
}
