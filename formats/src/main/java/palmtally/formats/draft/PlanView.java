package palmtally.formats.draft;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Side;
import palmtally.core.profile.Band;
import palmtally.core.profile.DrapeMethod;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Timeline;
import palmtally.core.sequence.check.Checks;
import palmtally.formats.ScoreView.FindingView;

/** A plan in time, and what the checks say of it. Seconds. */
public record PlanView(
        String profile, double totalSeconds, double slotSeconds, List<SpanView> spans, List<CheckView> findings) {
    /**
     * One step on one side in time.
     *
     * @param drape how the sheet is opened for it; null where it is never covered
     */
    public record SpanView(
            int index,
            String step,
            Side side,
            boolean second,
            double begin,
            double start,
            double end,
            Map<Timeline.Transition, Double> transitions,
            List<OpenView> open,
            @Nullable DrapeMethod drape,
            Band band) {
        public static SpanView of(Timeline.Span s, Sequence sequence, Profile profile) {
            return new SpanView(
                    s.stint().index(),
                    s.stint().step().id(),
                    s.stint().side(),
                    s.stint().second(),
                    s.begin(),
                    s.start(),
                    s.end(),
                    s.transitions(),
                    s.open().stream().map(o -> new OpenView(o.unit(), o.side())).toList(),
                    sequence.blocks()
                            .get(s.stint().block())
                            .drapeFor(s.stint().step(), profile)
                            .orElse(null),
                    s.stint().step().bandUnder(profile));
        }
    }

    /** What the sheet has open. */
    public record OpenView(DrapeUnit unit, Side side) {}

    /** A finding, and what the button of its mend says. */
    public record CheckView(FindingView finding, @Nullable String mend) {}

    public static PlanView of(Checks checks) {
        return new PlanView(
                checks.profile().id(),
                checks.timeline().totalSeconds(),
                checks.sequence().slotSeconds(),
                checks.timeline().spans().stream()
                        .map(s -> SpanView.of(s, checks.sequence(), checks.profile()))
                        .toList(),
                checks.found().stream()
                        .map(f -> new CheckView(
                                FindingView.of(f.finding()),
                                f.mend().map(m -> m.label()).orElse(null)))
                        .toList());
    }
}
