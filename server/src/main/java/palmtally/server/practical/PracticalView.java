package palmtally.server.practical;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;
import palmtally.core.people.ClientNote;
import palmtally.core.practical.Again;
import palmtally.core.practical.Extent;
import palmtally.core.practical.Goal;
import palmtally.core.practical.MarkRules;
import palmtally.core.practical.Practical;
import palmtally.core.practical.Run;
import palmtally.core.practical.RunProgress;
import palmtally.core.practical.Scores;
import palmtally.core.practical.event.Event;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Timeline;
import palmtally.formats.Json;
import palmtally.formats.ScoreView;
import palmtally.formats.draft.PlanView.SpanView;
import palmtally.formats.live.RunView;
import palmtally.server.people.Person;
import palmtally.server.practical.PracticalRows.AwardRow;

/**
 * A practical with everything that belongs to it, as far as whoever asks may see it.
 *
 * @param today what the body on the table must be spared, for staff
 * @param beside the other grader's practical of the same run, for staff
 * @param scores null of a finished practical until the grader gave the one rating of the whole, of a running one only how much was seen;
 *     of an awarded one as they were then
 * @param anew what they would be by today's rules and taps, for staff, where that may be something else than what was awarded
 */
public record PracticalView(
        UUID id,
        UUID term,
        Person student,
        @Nullable Person partner,
        Person grader,
        Instant startedAt,
        long elapsedMs,
        boolean finished,
        int tableNumber,
        @Nullable Double limitSeconds,
        @Nullable List<ClientNote> today,
        @Nullable String despite,
        @Nullable String voidReason,
        List<String> asked,
        long pausedMs,
        Sides sides,
        Extent extent,
        Sequence sequence,
        Profile profile,
        List<SpanView> spans,
        List<Event> events,
        RunView run,
        RunProgress progress,
        @Nullable Double rating,
        @Nullable ScoreView scores,
        @Nullable ScoreView anew,
        @Nullable AwardView award,
        @Nullable UUID retakeOf,
        Practicals.Kind kind,
        @Nullable Criterion criterion,
        @Nullable UUID beside,
        List<Goal> goals,
        List<Again> again,
        @Nullable Map<Criterion, Double> selfMarks) {

    /**
     * @param since how many taps reached the school afterwards, and are not counted in it
     * @param rules number of the rules it was given by, or null for one of before they had one
     * @param earlier whether they are other rules than today's
     */
    record AwardView(
            int revision,
            Award award,
            ScoreView.OutcomeView outcome,
            String by,
            Instant at,
            int since,
            @Nullable Integer rules,
            boolean earlier) {
        static AwardView of(AwardRow row, String by, Practical practical, ScoreView.OutcomeView outcome) {
            int since = row.events() == null ? 0 : Math.max(0, Records.taps(practical) - row.events());
            Integer rules =
                    row.judged() == null ? null : Integer.valueOf(row.judged().rules());
            return new AwardView(
                    row.revision(),
                    row.body(),
                    outcome,
                    by,
                    row.awardedAt(),
                    since,
                    rules,
                    rules == null || rules != MarkRules.NUMBER);
        }
    }

    static PracticalView of(OpenedPractical opened, Instant now, boolean staff) {
        var row = opened.row();
        var practical = opened.practical();
        var given = opened.award();
        if (given != null && given.judged() != null) return awarded(opened, now, staff, given, given.judged());
        var scores = Scores.of(practical);
        // The rating of the whole comes before any score; till then only how much was seen.
        boolean hidden = opened.rating() == null && given == null;
        AwardView award = null;
        List<Goal> goals = hidden ? List.of() : Goal.of(scores, Set.of());
        List<Again> again = List.of();
        if (given != null) {
            var body = given.body();
            var outcome = given.outcome(Awards.outcome(scores, body, opened.rating()));
            goals = Goal.of(scores, body.struckKeys());
            again = Again.of(scores, outcome, body.values(), body.struckKeys());
            award = AwardView.of(given, opened.by(), practical, ScoreView.OutcomeView.of(outcome));
        }
        return of(
                opened,
                now,
                staff,
                scores.run(),
                !hidden
                        ? ScoreView.of(scores, Awards.computed(scores, opened.rating()))
                        : row.finished() ? null : ScoreView.seen(scores),
                null,
                award,
                goals,
                again);
    }

    /** An award as it was given; beside it, for who may give another one, what would come of it today. */
    private static PracticalView awarded(
            OpenedPractical opened, Instant now, boolean staff, AwardRow given, Judged judged) {
        var practical = opened.practical();
        var award = AwardView.of(given, opened.by(), practical, judged.outcome());
        boolean other = staff && (award.since > 0 || award.earlier);
        var today = other ? Scores.of(practical) : null;
        return of(
                opened,
                now,
                staff,
                today == null ? Run.of(practical) : today.run(),
                judged.scores(),
                today == null ? null : ScoreView.of(today, Awards.computed(today, opened.rating())),
                award,
                today == null ? judged.goals() : Goal.of(today, given.body().struckKeys()),
                judged.again());
    }

    private static PracticalView of(
            OpenedPractical opened,
            Instant now,
            boolean staff,
            Run run,
            @Nullable ScoreView scores,
            @Nullable ScoreView anew,
            @Nullable AwardView award,
            List<Goal> goals,
            List<Again> again) {
        var row = opened.row();
        var practical = opened.practical();
        return new PracticalView(
                row.id(),
                row.termId(),
                opened.student(),
                opened.partner(),
                opened.grader(),
                row.startedAt(),
                Math.max(0, now.toEpochMilli() - row.startedAt().toEpochMilli()),
                row.finished(),
                row.tableNumber(),
                row.limitSeconds(),
                !staff || row.today() == null ? null : List.of(Json.MAPPER.readValue(row.today(), ClientNote[].class)),
                row.despite(),
                row.voidReason(),
                practical.asked(),
                run.paused(),
                practical.sides(),
                practical.extent(),
                practical.sequence(),
                practical.profile(),
                Timeline.of(practical.brief(), practical.profile()).spans().stream()
                        .map(s -> SpanView.of(s, practical.sequence(), practical.profile()))
                        .toList(),
                practical.events(),
                RunView.of(run),
                RunProgress.of(run, row.limitSeconds()),
                opened.rating(),
                scores,
                anew,
                award,
                row.retakeOf(),
                row.kind(),
                row.criterion(),
                opened.beside(),
                goals,
                again,
                opened.selfMarks());
    }
}
