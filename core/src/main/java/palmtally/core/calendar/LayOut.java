package palmtally.core.calendar;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.TreeSet;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Stance;
import palmtally.core.sequence.detail.Prop;
import palmtally.core.technique.Stroke;

/** What a lab needs on its tables, summed over them: students work in pairs, an odd one makes a three (common practice, no source). */
public final class LayOut {
    /**
     * One thing.
     *
     * @param each of it at a table
     * @param all of it in the room
     */
    public record Need(String what, int each, int all) {}

    private LayOut() {}

    /** How many tables so many students need. */
    public static int tables(int students) {
        return (students + 1) / 2;
    }

    /** What the sequences of a lab need, at so many tables, by name; the table itself comes first. */
    public static List<Need> of(Collection<Sequence> sequences, int tables) {
        var names = new TreeSet<String>();
        for (var sequence : sequences)
            for (var step : sequence.steps()) {
                if (step.lubricant() != Lubricant.DRY) names.add("lubricant");
                if (step.technique().stroke() == Stroke.HEAT) names.add("hot pack");
                if (step.technique().stroke() == Stroke.COLD || step.technique().stroke() == Stroke.ICE_MASSAGE)
                    names.add("cold pack");
                if (step.stance() == Stance.SEATED) names.add("stool");
                // A blanket that is put aside is one that is there.
                for (var prop : step.details().props())
                    names.add(plain(prop == Prop.BLANKET_ASIDE ? Prop.BLANKET : prop));
            }
        var needs = new ArrayList<Need>();
        if (sequences.isEmpty() || tables == 0) return needs;
        needs.add(new Need("table", 1, tables));
        names.forEach(name -> needs.add(new Need(name, 1, tables)));
        return needs;
    }

    private static String plain(Object value) {
        return value.toString().replace('-', ' ');
    }
}
