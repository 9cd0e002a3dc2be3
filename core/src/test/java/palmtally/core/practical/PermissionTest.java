package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.practical.event.Consent;
import palmtally.core.practical.event.Consent.Answer;
import palmtally.core.practical.event.ReviewAnswer;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;

/** Permission to touch sensitive zones. */
class PermissionTest {
    private final Sequence hip =
            once(step("g").on(Zone.GLUTEALS).sheet(Sheet.THROUGH).seconds(60));
    private final Sequence bare =
            once(step("g").on(Zone.GLUTEALS).sheet(Sheet.OPEN).seconds(60));

    private Seen start(Sequence plan) {
        return Seen.of(plan).sides(Sides.RIGHT);
    }

    @Test
    void asked_and_given_first_is_fine() {
        var seen = start(hip).at(1).consent(Answer.ASKED, Zone.GLUTEALS).at(3).consent(Answer.YES, Zone.GLUTEALS);
        assertThat(seen.at(5).starts("g", Side.RIGHT).at(60).finish().scores().critical())
                .isEmpty();
    }

    private static List<String> asked(Seen seen) {
        return seen.scored(Criterion.DRAPING).questions().stream()
                .map(Question::key)
                .toList();
    }

    /** Nobody heard it asked: only the grader can say whether it was. Until then it is neither good nor bad. */
    @Test
    void that_nobody_heard_is_a_question() {
        var seen = start(hip).at(5).starts("g", Side.RIGHT).at(60).finish();
        assertThat(asked(seen)).containsExactly("permission/gluteals/through");
        assertThat(seen.scores().critical()).isEmpty();
        assertThat(seen.scored(Criterion.DRAPING).questions()).singleElement().satisfies(q -> {
            assertThat(q.sentence())
                    .isEqualTo("Gluteals: touched at 0:05 through the sheet, and no permission was heard.");
            assertThat(q.atMs()).isEqualTo(5000);
            assertThat(q.answers())
                    .containsExactly(
                            ReviewAnswer.Said.ASKED, ReviewAnswer.Said.NOT_ASKED, ReviewAnswer.Said.CANNOT_SAY);
        });
    }

    @ParameterizedTest
    @CsvSource({"ASKED, 0", "CANNOT_SAY, 0", "NOT_ASKED, 1"})
    void is_critical_where_the_grader_says_it_was_not_asked(ReviewAnswer.Said answer, int critical) {
        var seen = start(hip).at(5).starts("g", Side.RIGHT).at(60).finish();
        seen.reviewed("permission/gluteals/through", answer);
        assertThat(asked(seen)).isEmpty();
        assertThat(seen.scores().critical()).hasSize(critical);
        if (critical > 0)
            assertThat(seen.scores().critical()).singleElement().satisfies(f -> {
                assertThat(f.rule()).isEqualTo(Rule.of("CONSENT-BEFORE"));
                assertThat(f.severity()).isEqualTo(Severity.CRITICAL);
            });
    }

    @Test
    void late_is_a_question_and_refused_is_critical() {
        var late = start(hip).at(5).starts("g", Side.RIGHT).at(9).consent(Answer.YES, Zone.GLUTEALS);
        assertThat(asked(late.at(60).finish())).hasSize(1);
        var refused = start(hip).at(1).consent(Answer.NO, Zone.GLUTEALS).at(5).starts("g", Side.RIGHT);
        assertThat(refused.at(60).finish().scores().critical())
                .singleElement()
                .satisfies(f -> assertThat(f.sentence()).isEqualTo("Gluteals: touched at 0:05 after a no."));
        assertThat(asked(refused)).isEmpty();
    }

    @Test
    void that_was_only_asked_for_is_not_given() {
        var seen = start(hip).at(1).consent(Answer.ASKED, Zone.GLUTEALS).at(5).starts("g", Side.RIGHT);
        assertThat(asked(seen.at(60).finish())).hasSize(1);
    }

    @Test
    void through_the_sheet_does_not_cover_skin() {
        var seen = start(bare).at(1).tap(new Consent(Answer.YES, Zone.GLUTEALS, Sheet.THROUGH));
        seen.at(5).starts("g", Side.RIGHT).at(60).finish();
        assertThat(asked(seen)).containsExactly("permission/gluteals");
        seen.reviewed("permission/gluteals", ReviewAnswer.Said.NOT_ASKED);
        assertThat(seen.scores().critical())
                .singleElement()
                .satisfies(f -> assertThat(f.rule()).isEqualTo(Rule.of("CONSENT-SCOPE")));
    }

    @Test
    void on_skin_covers_the_sheet_too() {
        var seen = start(hip).at(1).tap(new Consent(Answer.YES, Zone.GLUTEALS, Sheet.OPEN));
        assertThat(asked(seen.at(5).starts("g", Side.RIGHT).at(60).finish())).isEmpty();
    }

    /** Asked anew, the old yes stands until the answer, for twenty seconds. */
    @ParameterizedTest
    @CsvSource({"YES, 39, 0", "YES, 41, 1", "YES, 20.5, 0", ", 0, 1"})
    void asked_anew_stands_for_twenty_seconds(Answer answer, double at, int questions) {
        var seen = start(hip).at(1).consent(Answer.YES, Zone.GLUTEALS).at(5).starts("g", Side.RIGHT);
        seen.at(20).consent(Answer.ASKED, Zone.GLUTEALS);
        if (answer != null) seen.at(at).consent(answer, Zone.GLUTEALS);
        assertThat(asked(seen.at(60).finish())).hasSize(questions);
    }

    /** A word that names no zone is about those of the step that is on, or of the next. */
    @Test
    void that_names_no_zone_is_for_the_running_or_the_next_step() {
        var plan = once(
                step("h").on(Zone.HAMSTRINGS).seconds(60),
                step("g").on(Zone.GLUTEALS).sheet(Sheet.THROUGH).seconds(60),
                step("i").on(Zone.THIGH_INNER).sheet(Sheet.THROUGH).seconds(60));
        for (int yes : new int[] {5, 70}) {
            var seen = start(plan).at(2).starts("h", Side.RIGHT);
            seen.at(yes).tap(new Consent(Answer.YES, null, null));
            seen.at(65)
                    .starts("g", Side.RIGHT)
                    .at(120)
                    .starts("i", Side.RIGHT)
                    .at(180)
                    .finish();
            assertThat(asked(seen))
                    .isEqualTo(
                            yes == 5
                                    ? List.of("permission/thigh-inner/through")
                                    : List.of("permission/gluteals/through"));
        }
    }

    @Test
    void withdrawn_ends_it() {
        var seen = start(hip).at(1).consent(Answer.YES, Zone.GLUTEALS).at(5).starts("g", Side.RIGHT);
        seen.at(20)
                .consent(Answer.WITHDRAWN, Zone.GLUTEALS)
                .at(40)
                .stops()
                .at(60)
                .finish();
        assertThat(seen.scores().critical())
                .singleElement()
                .satisfies(f -> assertThat(f.rule()).isEqualTo(Rule.of("CONSENT-SCOPE")));
    }

    /** A hand needs a moment to leave, and what is given again within it was never broken. */
    @Test
    void withdrawn_and_renewed_a_second_later_stands() {
        for (var again : new int[] {21, 23}) {
            var seen = start(hip).at(1).consent(Answer.YES, Zone.GLUTEALS).at(5).starts("g", Side.RIGHT);
            seen.at(20).consent(Answer.WITHDRAWN, Zone.GLUTEALS).at(again).consent(Answer.YES, Zone.GLUTEALS);
            assertThat(seen.at(60).finish().scores().critical()).hasSize(again == 21 ? 0 : 1);
        }
    }

    /** What a yes was asked for, and the zones beside it that it never covers. */
    @ParameterizedTest
    @CsvSource({
        "HAMSTRINGS, GROIN, 1",
        "HAMSTRINGS, THIGH_INNER, 1",
        "SACRUM, GLUTEALS, 1",
        "CHEST_WALL, BREAST, 1",
        "GLUTEALS, GLUTEALS, 0",
        "GLUTEALS, HIP_ROTATORS, 0",
        "HIP_ROTATORS, GLUTEALS, 1",
        "GROIN, GROIN, 0"
    })
    void covers_the_zone_it_was_asked_for(Zone given, Zone touched, int questions) {
        var plan = once(step("g").on(touched).sheet(Sheet.OPEN).seconds(60));
        var seen = start(plan).at(1).consent(Answer.YES, given).at(5).starts("g", Side.RIGHT);
        assertThat(asked(seen.at(60).finish())).hasSize(questions);
    }

    @Test
    void a_no_binds_its_scope_alone() {
        var through = start(hip).at(1).tap(new Consent(Answer.YES, Zone.GLUTEALS, Sheet.THROUGH));
        through.at(3).tap(new Consent(Answer.NO, Zone.GLUTEALS, Sheet.OPEN));
        assertThat(through.at(5)
                        .starts("g", Side.RIGHT)
                        .at(60)
                        .finish()
                        .scores()
                        .critical())
                .isEmpty();
        var skin = start(bare).at(1).consent(Answer.YES, Zone.GLUTEALS);
        skin.at(3).tap(new Consent(Answer.NO, Zone.GLUTEALS, Sheet.OPEN));
        assertThat(skin.at(5).starts("g", Side.RIGHT).at(60).finish().scores().critical())
                .singleElement()
                .satisfies(f -> assertThat(f.sentence()).endsWith("after a no."));
    }

    @Test
    void is_not_judged_where_nobody_watched() {
        var seen = Seen.unwatched(hip)
                .sides(Sides.RIGHT)
                .at(5)
                .starts("g", Side.RIGHT)
                .at(60)
                .finish();
        assertThat(seen.scores().critical()).isEmpty();
        assertThat(asked(seen)).isEmpty();
        var refused = Seen.unwatched(hip).sides(Sides.RIGHT).at(1).consent(Answer.NO, Zone.GLUTEALS);
        refused.at(5).starts("g", Side.RIGHT).at(60).finish();
        assertThat(refused.scores().critical()).isEmpty();
    }

    /** As in the plan: still hands through the sheet before the work are no treatment; a hand that was seen on skin is. */
    @Test
    void settling_through_the_sheet_asks_none() {
        var settle = once(step("s")
                .technique("still-hold")
                .on(Zone.GLUTEALS)
                .sheet(Sheet.THROUGH)
                .deep(1)
                .phase(Phase.SETTLE)
                .seconds(60));
        assertThat(asked(start(settle).at(5).starts("s", Side.RIGHT).at(60).finish()))
                .isEmpty();
        var touched = start(settle).at(5).starts("s", Side.RIGHT).at(20).touches(Zone.GLUTEALS, 3);
        assertThat(asked(touched.at(60).finish())).hasSize(1);
    }
}
