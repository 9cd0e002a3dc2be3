package palmtally.solver;

import ai.timefold.solver.core.api.domain.solution.PlanningEntityCollectionProperty;
import ai.timefold.solver.core.api.domain.solution.PlanningScore;
import ai.timefold.solver.core.api.domain.solution.PlanningSolution;
import ai.timefold.solver.core.api.domain.valuerange.ValueRangeProvider;
import ai.timefold.solver.core.api.score.buildin.hardmediumsoft.HardMediumSoftScore;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.NullUnmarked;
import palmtally.core.timetable.Placed;
import palmtally.core.timetable.PracticalDay;
import palmtally.core.timetable.Timetable;

/** A whole day as the solver holds it. */
@PlanningSolution
@NullUnmarked
public class DaySolution {
    @ValueRangeProvider(id = "places")
    private List<Place> places;

    @PlanningEntityCollectionProperty
    private List<Assignment> assignments;

    @PlanningScore
    private HardMediumSoftScore score;

    DaySolution() {}

    /** @param first where everything is put to begin with */
    DaySolution(PracticalDay day, Timetable before, Timetable first) {
        places = new ArrayList<>();
        for (int begins : day.starts())
            for (int table = 1; table <= day.tables(); table++) places.add(new Place(begins, table));
        assignments = new ArrayList<>();
        for (var s : day.sittings())
            assignments.add(new Assignment(
                    day, s, before.placed().get(s.id()), first.placed().get(s.id())));
    }

    Timetable timetable() {
        Map<String, Placed> placed = new HashMap<>();
        for (var a : assignments) {
            var at = a.sitting().held() != null ? a.sitting().held() : a.placed();
            if (at != null) placed.put(a.id(), at);
        }
        return new Timetable(placed);
    }

    HardMediumSoftScore score() {
        return score;
    }
}
