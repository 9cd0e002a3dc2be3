package palmtally.formats.live;

import java.util.List;
import palmtally.core.body.Side;
import palmtally.core.practical.Run;
import palmtally.formats.draft.PlanView.OpenView;

/** The run as it was observed; milliseconds. */
public record RunView(List<DoneView> done, List<OpenStretch> opens, List<Stretch> attended, long end) {
    public record DoneView(String step, Side side, long start, long end, String event) {}

    public record OpenStretch(OpenView open, long start, long end) {}

    public record Stretch(long start, long end) {}

    public static RunView of(Run run) {
        return new RunView(
                run.done().stream()
                        .map(d -> new DoneView(d.step().id(), d.side(), d.start(), d.end(), d.event()))
                        .toList(),
                run.opens().stream()
                        .map(o -> new OpenStretch(
                                new OpenView(o.unit().unit(), o.unit().side()), o.start(), o.end()))
                        .toList(),
                run.attendedStretches().stream()
                        .map(s -> new Stretch(s[0], s[1]))
                        .toList(),
                run.end());
    }
}
