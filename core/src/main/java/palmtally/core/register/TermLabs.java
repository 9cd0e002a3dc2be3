package palmtally.core.register;

import java.util.List;
import java.util.Set;
import palmtally.core.calendar.Curriculum;

/**
 * The labs of a term as they stand on one day.
 *
 * @param plan what the school asks for, and what is to come
 * @param held those that were marked, the first first, as they were held
 * @param toCome those that are not over and not marked, the first first, as they are planned
 * @param unmarked those that are over without anybody marked
 */
public record TermLabs(Curriculum plan, List<HeldLab> held, List<HeldLab> toCome, List<LabPlace> unmarked) {
    public TermLabs {
        held = List.copyOf(held);
        toCome = List.copyOf(toCome);
        unmarked = List.copyOf(unmarked);
    }

    /**
     * @param held labs that were marked
     * @param over those of the plan that are over
     */
    public static TermLabs of(Curriculum plan, List<HeldLab> held, Set<LabPlace> over) {
        var marked = held.stream().map(HeldLab::place).toList();
        var toCome = new java.util.ArrayList<HeldLab>();
        var unmarked = new java.util.ArrayList<LabPlace>();
        for (int week = 1; week <= plan.weeks(); week++)
            for (int lab = 1; lab <= plan.labsAWeek(); lab++) {
                var place = new LabPlace(week, lab);
                if (plan.off().contains(week) || marked.contains(place)) continue;
                if (over.contains(place)) unmarked.add(place);
                else toCome.add(HeldLab.planned(plan, week, lab));
            }
        return new TermLabs(
                plan,
                held.stream()
                        .sorted(java.util.Comparator.comparing(HeldLab::place))
                        .toList(),
                toCome,
                unmarked);
    }
}
