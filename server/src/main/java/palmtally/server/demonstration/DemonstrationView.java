package palmtally.server.demonstration;

import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Position;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.demonstration.Moment;
import palmtally.core.demonstration.Progress;
import palmtally.core.demonstration.Reason;
import palmtally.core.demonstration.Showing;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.detail.Detail;
import palmtally.formats.draft.PlanView.OpenView;

/**
 * A demonstration as its presenter sees it.
 *
 * @param lab which one it is for, or null
 * @param anotherDay the week whose plan has what was left out, or null
 * @param reasons why a step may be skipped, as they are said
 */
record DemonstrationView(
        UUID id,
        String screen,
        Look look,
        Demonstrations.@Nullable Lab lab,
        @Nullable Integer anotherDay,
        List<String> reasons,
        ShownView shown,
        LiveView live) {
    static DemonstrationView of(Demonstrations.Standing s, @Nullable Integer anotherDay) {
        return new DemonstrationView(
                s.id(),
                s.screen(),
                s.look(),
                s.lab(),
                anotherDay,
                Arrays.stream(Reason.values()).map(Reason::words).toList(),
                ShownView.of(s),
                LiveView.of(s));
    }

    /**
     * What is demonstrated: the same from its start to its end.
     *
     * @param planSeconds the plan clock: class doses with transitions
     */
    public record ShownView(
            UUID demonstration,
            String sequence,
            String name,
            double planSeconds,
            double slotSeconds,
            List<MomentView> moments) {
        static ShownView of(Demonstrations.Standing s) {
            return new ShownView(
                    s.id(),
                    s.showing().sequence().id(),
                    s.showing().sequence().name(),
                    s.showing().timeline().totalSeconds(),
                    s.showing().slotSeconds(),
                    s.moments().stream().map(MomentView::of).toList());
        }
    }

    /**
     * One stint in words.
     *
     * @param picture id of the school's own, or null
     */
    public record MomentView(
            int number,
            String name,
            String place,
            List<Moment.Cue> cues,
            List<Detail.InWords> more,
            @Nullable String caution,
            @Nullable String picture,
            Position position,
            List<Zone> zones,
            Side side,
            boolean through,
            List<OpenView> open,
            double leadSeconds,
            double classSeconds,
            double clientSeconds,
            Moment.@Nullable Beat beat) {
        static MomentView of(Moment m) {
            var stint = m.span().stint();
            var step = stint.step();
            return new MomentView(
                    m.number(),
                    step.name(),
                    m.place(),
                    m.cues(),
                    m.more(),
                    m.caution(),
                    step.details().picture(),
                    step.position(),
                    step.zones(),
                    stint.side(),
                    step.sheet() == Sheet.THROUGH,
                    m.span().open().stream()
                            .map(o -> new OpenView(o.unit(), o.side()))
                            .toList(),
                    m.leadSeconds(),
                    stint.dose().totalSeconds(),
                    m.clientSeconds(),
                    m.beat());
        }
    }

    /**
     * How it stands, for the one who shows.
     *
     * @param elapsedSeconds the clock of the marks now
     * @param token whether the class sees less than half of what a client needs, by stint
     */
    public record LiveView(double elapsedSeconds, List<Boolean> token, Progress progress) {
        static LiveView of(Demonstrations.Standing s) {
            return new LiveView(s.elapsedSeconds(), tokens(s), s.progress());
        }
    }

    /** How it stands, for the class: what is on and what comes; no drift, no reasons. */
    public record ClassLiveView(
            UUID demonstration,
            double elapsedSeconds,
            int current,
            double startedAt,
            double allowedSeconds,
            boolean paused,
            double begunAt,
            List<Integer> order,
            List<Integer> ahead,
            List<Double> seconds,
            List<Boolean> token,
            boolean finished,
            Look look) {
        static ClassLiveView of(Demonstrations.Standing s) {
            Progress p = s.progress();
            return new ClassLiveView(
                    s.id(),
                    s.elapsedSeconds(),
                    p.current(),
                    p.startedAt(),
                    p.allowedSeconds(),
                    p.paused(),
                    p.begunAt(),
                    p.order(),
                    p.ahead(),
                    p.seconds(),
                    tokens(s),
                    p.finished(),
                    s.look());
        }
    }

    private static List<Boolean> tokens(Demonstrations.Standing s) {
        var spans = s.showing().timeline().spans();
        return IntStream.range(0, spans.size())
                .mapToObj(i -> Showing.token(
                        spans.get(i).stint(), s.progress().seconds().get(i)))
                .toList();
    }
}
