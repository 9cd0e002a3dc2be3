package palmtally.core.sequence.check;

import java.util.List;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Care;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Saying;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Tool;

/**
 * What a mend of a prerequisite adds beside a step.
 *
 * @param label as on the button of the mend
 * @param zones where it is done, or none for those of the step it is put beside
 */
record Added(String label, String technique, List<Zone> zones, int depth, double seconds, Phase phase) {
    Step beside(Plan plan, Sequence s, Step like) {
        var t = plan.use(technique);
        return like.with(e -> {
            if (!zones.isEmpty()) e.zones = zones;
            int most = e.zones.stream()
                    .mapToInt(plan.profile.pressure()::ceiling)
                    .min()
                    .orElse(5);
            e.made(
                    s.freshId(phase.toString()),
                    t.name(),
                    t,
                    t.tool().pointed() ? Tool.PALM : t.tool(),
                    Math.min(depth, most),
                    seconds,
                    phase);
            if (t.stroke().grip() || t.stroke().passiveModality() || phase == Phase.ASSESS) e.lubricant = Lubricant.DRY;
            if (!zones.isEmpty() && zones.stream().noneMatch(Zone::paired)) e.side = Sides.MIDLINE;
            else if (!zones.isEmpty() && e.side == Sides.MIDLINE) e.side = Sides.BOTH;
            if (e.zones.stream().noneMatch(like.zones()::contains)) e.sheet = Sheet.THROUGH;
            if (t.stroke().bigMovement() && e.sheet == Sheet.OPEN) e.care.add(Care.SHEET_SECURED);
            if (t.strong()) e.say.add(Saying.of(SayKind.WARNS, "This may feel strong; tell me."));
        });
    }
}
