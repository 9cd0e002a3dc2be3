package palmtally.server.demonstration;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import palmtally.core.calendar.ShownSoFar;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;
import palmtally.server.calendar.Curricula;
import palmtally.server.sequence.Sequences;

/** What a class was shown over a term, beside its plan. */
@Service
class TermLog {
    /** @param demonstrations of the term that showed something, the first first */
    record TermLogView(List<Demonstrations.ShownLine> demonstrations, ShownSoFar shown) {}

    private final Demonstrations demonstrations;
    private final Curricula curricula;
    private final Sequences sequences;

    TermLog(Demonstrations demonstrations, Curricula curricula, Sequences sequences) {
        this.demonstrations = demonstrations;
        this.curricula = curricula;
        this.sequences = sequences;
    }

    TermLogView of(UUID term) {
        var all = demonstrations.inTerm(term);
        var shown = new ArrayList<ShownSoFar.Shown>();
        for (var s : all) {
            Map<String, Step> steps = new LinkedHashMap<>();
            Map<String, Double> seconds = new HashMap<>();
            var spans = s.showing().timeline().spans();
            for (int i = 0; i < spans.size(); i++) {
                var step = spans.get(i).stint().step();
                // What goes before the hands work is no dose.
                double here = Math.max(
                        0,
                        s.progress().shownSeconds().get(i)
                                - (spans.get(i).start() - spans.get(i).begin()));
                // What is still to come was neither shown nor left out.
                if (here <= 0 && !s.progress().leftOut().contains(i)) continue;
                steps.put(step.id(), step);
                seconds.merge(step.id(), here, Double::sum);
            }
            steps.forEach((id, step) -> shown.add(new ShownSoFar.Shown(
                    s.id().toString(), s.showing().sequence().id(), step, seconds.get(id))));
        }
        Map<String, Sequence> byId = new HashMap<>();
        for (var v : sequences.all()) byId.put(v.document().id(), v.document());
        return new TermLogView(
                all.stream().map(Demonstrations.ShownLine::of).toList(),
                ShownSoFar.of(curricula.newest(term).curriculum(), byId, shown));
    }
}
