package palmtally.core.technique;

import java.util.ArrayList;
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

    public HandName {
        var faults = new ArrayList<Fault>();
        Technique.text(faults, "name", name, MOST_LETTERS);
        if (!faults.isEmpty()) throw new InvalidValue("hand", faults);
    }
}
