package palmtally.core.sequence.check;

import java.util.List;
import palmtally.core.finding.Rule;

/**
 * One rule about plans: what it finds, what mends it, and how it binds the order of the steps. A class in this package that is
 * registered as a source of rules is a rule of every school; severity and silence are the profile's.
 */
public interface Check extends Rule.Source {
    Rule rule();

    @Override
    default List<Rule> rules() {
        return List.of(rule());
    }

    void look(Plan plan);

    /** Whether it is about the sheet alone, which nobody has over a client who stays clothed. */
    default boolean aboutSheet() {
        return false;
    }

    /** Links that keep the rule as the author has met it, whatever else moves; asked only where the school has the rule on. */
    default void bind(HardLinks links) {}
}
