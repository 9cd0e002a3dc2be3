package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.practical.Due.Kind;
import palmtally.core.practical.RunProgress.At;
import palmtally.core.practical.RunProgress.Had;
import palmtally.core.practical.RunProgress.On;
import palmtally.core.practical.event.Attend;
import palmtally.core.practical.event.Break;
import palmtally.core.practical.event.ClientWord;
import palmtally.core.practical.event.Consent;
import palmtally.core.practical.event.Consent.Answer;
import palmtally.core.practical.event.Instead;
import palmtally.core.practical.event.Note;
import palmtally.core.practical.event.Report;
import palmtally.core.practical.event.ReportAnswer.Response;
import palmtally.core.practical.event.SafetyStop;
import palmtally.core.practical.event.Say.Style;
import palmtally.core.practical.event.StepStart;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.detail.Branch;

/** The moments are those of the profile by seconds: a look every 20 s, a question every 3 min, a band of 1–3 while warming. */
class RunProgressTest {
    private static final Sequence PLAN = Plans.eachSide(
            step("warm").on(Zone.CALF).seconds(60).deep(1).sheet(Sheet.OPEN),
            step("hip").on(Zone.GLUTEALS).seconds(60).deep(2).sheet(Sheet.OPEN));

    private static final Sequence COVERED = Plans.eachSide(
            step("greet").on(Zone.CALF).seconds(20).deep(0).sheet(Sheet.COVERED),
            step("warm").on(Zone.CALF).seconds(60).sheet(Sheet.OPEN),
            step("firm").on(Zone.CALF).seconds(60).sheet(Sheet.OPEN),
            step("rest").on(Zone.CALF).seconds(20).deep(0).sheet(Sheet.COVERED));

    private static RunProgress of(Seen seen) {
        return RunProgress.of(Run.of(seen.practical()), null);
    }

    private static List<Kind> kinds(RunProgress progress) {
        return progress.dues().stream().map(Due::kind).toList();
    }

    private static @Nullable Due due(Seen seen, Kind kind) {
        return of(seen).dues().stream()
                .filter(d -> d.kind() == kind)
                .findFirst()
                .orElse(null);
    }

    private static Seen begun() {
        return Seen.of(PLAN).starts("warm", Side.RIGHT);
    }

    private static Seen begunUnwatched(Sequence plan) {
        return Seen.unwatched(plan).starts("warm", Side.RIGHT);
    }

    private static Branch branch(Branch.Then then) {
        return new Branch(Branch.When.HURTS, then, null, null, List.of(), null, null, null);
    }

    @Nested
    class Counting {
        @Test
        void leaves_out_what_is_taken_back_and_names_the_undo() {
            var seen = begun().at(5).report(3);
            var report = seen.last();
            var undone = of(seen.at(6).undo(report));
            assertThat(undone.counting()).containsExactly("e1", "e2");
            assertThat(undone.takenBack()).isEqualTo(Map.of(report, seen.last()));
            var back = of(seen.at(7).undo(seen.last()));
            assertThat(back.counting()).containsExactly("e1", "e2", report);
            assertThat(back.takenBack().get(report)).isNull();
        }

        @Test
        void goes_by_the_moment_whoever_wrote_it_first() {
            var seen = begun().at(9).report(3).at(4).tapOn("other", Report.of(2));
            assertThat(of(seen).counting()).containsExactly("e1", "e2", "e4", "e3");
        }
    }

    @Nested
    class Doing {
        @Test
        void is_what_began_last_and_each_has_had_its_time() {
            var seen = begun().at(5)
                    .starts("hip", Side.RIGHT)
                    .at(9)
                    .stops()
                    .at(10)
                    .starts("warm", Side.RIGHT)
                    .at(12)
                    .report(1);
            var progress = of(seen);
            assertThat(progress.on()).isEqualTo(new On("warm", Side.RIGHT, 10_000));
            assertThat(progress.had())
                    .containsExactly(
                            new Had("warm", Side.RIGHT, 5000, 10_000L), new Had("hip", Side.RIGHT, 4000, null));
        }

        @Test
        void goes_on_by_a_branch_of_the_plan_or_ends_by_it_and_is_done() {
            var plan = Plans.once(
                    step("a")
                            .on(Zone.CALF)
                            .saying(d -> d.instead = List.of(branch(Branch.Then.LIGHTER), branch(Branch.Then.STOP))),
                    step("b").on(Zone.CALF).saying(d -> d.instead = List.of(branch(Branch.Then.SKIP))));
            var begun = Seen.of(plan).tap(new StepStart("a", null)).at(4);
            var lighter = of(Seen.of(plan)
                    .tap(new StepStart("a", null))
                    .at(4)
                    .tap(new Instead("a", null, Branch.When.HURTS, Branch.Then.LIGHTER)));
            assertThat(lighter.on().since()).isEqualTo(4000);
            assertThat(lighter.had()).extracting(Had::ms).containsExactly(4000L);
            var skipped = of(begun.tap(new Instead("b", null, Branch.When.HURTS, Branch.Then.SKIP)));
            assertThat(skipped.on().since()).isZero();
            assertThat(skipped.had()).extracting(Had::step).containsExactly("a", "b");
            assertThat(skipped.next()).isNull();
            var stopped = of(begun.at(5).tap(new Instead("a", null, Branch.When.HURTS, Branch.Then.STOP)));
            assertThat(stopped.on()).isNull();
        }

        @Test
        void ends_at_a_safety_stop_a_break_and_the_finish() {
            assertThat(of(begun()).on()).isNotNull();
            assertThat(of(begun().at(9).tap(new SafetyStop(null, null))).on()).isNull();
            assertThat(of(begun().at(9).tap(new Break(true, null))).on()).isNull();
            assertThat(of(begun().at(9).finish()).on()).isNull();
        }

        @Test
        void heat_that_lies_there_goes_on_beside_what_the_hands_do() {
            var plan = Plans.once(
                    step("warm").technique("heat").on(Zone.LUMBAR), step("calf").on(Zone.CALF));
            var progress = of(Seen.of(plan)
                    .tap(new StepStart("warm", null))
                    .at(30)
                    .tap(new StepStart("calf", null))
                    .at(50)
                    .report(1));
            assertThat(progress.on().step()).isEqualTo("calf");
            assertThat(progress.had())
                    .extracting(Had::step, Had::since)
                    .containsExactly(
                            org.assertj.core.groups.Tuple.tuple("warm", 0L),
                            org.assertj.core.groups.Tuple.tuple("calf", 30_000L));
        }

        @Test
        void is_followed_by_the_next_of_the_plan_that_was_not_begun() {
            assertThat(of(Seen.of(PLAN)).next()).isEqualTo(new At("warm", Side.RIGHT));
            assertThat(of(begun()).next()).isEqualTo(new At("hip", Side.RIGHT));
            // What was jumped over comes after all that lies ahead.
            var late = Seen.of(PLAN).starts("warm", Side.LEFT);
            assertThat(of(late).next()).isEqualTo(new At("hip", Side.LEFT));
            assertThat(of(late.at(60).starts("hip", Side.LEFT)).next()).isEqualTo(new At("warm", Side.RIGHT));
        }

        @Test
        void says_whether_hands_were_on_and_anything_was_treated() {
            assertThat(of(Seen.of(PLAN)).begun()).isFalse();
            assertThat(of(begun()).begun()).isTrue();
            assertThat(of(begun()).treated()).isFalse();
            var treated = Plans.once(step("warm").on(Zone.CALF).phase(Phase.TREAT));
            assertThat(of(Seen.of(treated).tap(new StepStart("warm", null))).treated())
                    .isTrue();
        }
    }

    @Nested
    class Looks {
        @Test
        void at_one_table_are_due_every_turn_from_when_the_eyes_came() {
            assertThat(of(begunUnwatched(PLAN)).lookFrom()).isNull();
            var eyes = Seen.unwatched(PLAN).at(1).eyes(true);
            assertThat(of(eyes).lookFrom()).isEqualTo(21_000);
            // A fault noted in between answers nothing.
            assertThat(of(eyes.at(22).notes()).lookFrom()).isEqualTo(21_000);
            assertThat(of(eyes.at(22).looks()).lookFrom()).isEqualTo(41_000);
            assertThat(of(eyes.at(41).looks()).lookFrom()).isEqualTo(61_000);
        }

        @Test
        void of_who_watches_without_the_plan_go_by_the_same_turns() {
            var eyes = Seen.unwatched(PLAN).at(1).eyes(true).at(22).looks();
            var whole = of(eyes);
            var watched = RunProgress.watched(eyes.events(), 20);
            assertThat(watched.lookFrom()).isEqualTo(41_000);
            assertThat(watched.counting()).isEqualTo(whole.counting());
            assertThat(RunProgress.watched(eyes.at(23).undo("e2").events(), 20).lookFrom())
                    .isEqualTo(21_000);
        }

        @Test
        void over_several_tables_count_from_the_last_that_was_due_or_from_the_first_hands() {
            assertThat(of(Seen.of(PLAN)).lookedAt()).isNull();
            var seen = Seen.unwatched(PLAN).at(10).starts("warm", Side.RIGHT);
            assertThat(of(seen).lookedAt()).isEqualTo(10_000);
            assertThat(of(seen.at(75).notes()).lookedAt()).isEqualTo(10_000);
            assertThat(of(seen.at(80).looks()).lookedAt()).isEqualTo(80_000);
        }

        @Test
        void at_the_sheet_are_due_at_each_change_of_it_and_not_where_it_stays() {
            assertThat(of(Seen.of(COVERED).starts("greet", Side.RIGHT)).sheetSince())
                    .isNull();
            var seen = Seen.of(COVERED).starts("greet", Side.RIGHT).at(10).starts("warm", Side.RIGHT);
            assertThat(of(seen).sheetSince()).isEqualTo(10_000);
            assertThat(due(seen, Kind.SHEET).lateFrom()).isEqualTo(30_000);
            assertThat(of(seen.at(20).sheetLook()).sheetSince()).isNull();
            assertThat(of(seen.at(30).starts("firm", Side.RIGHT)).sheetSince()).isNull();
            assertThat(of(seen.at(40).starts("rest", Side.RIGHT)).sheetSince()).isEqualTo(40_000);
            assertThat(of(seen.at(50).finish()).sheetSince()).isNull();
        }

        @Test
        void at_the_sheet_are_due_once_more_at_the_end_where_something_was_open() {
            assertThat(of(Seen.of(COVERED).starts("greet", Side.RIGHT)).coverDue())
                    .isFalse();
            // The last step opened it itself: the look at that is not the one at the end.
            var seen = Seen.of(COVERED).at(10).starts("warm", Side.RIGHT).at(20).sheetLook();
            assertThat(of(seen).coverDue()).isTrue();
            assertThat(of(seen.at(30).starts("firm", Side.RIGHT)).coverDue()).isTrue();
            assertThat(of(seen.at(90).sheetLook()).coverDue()).isFalse();
        }
    }

    @Nested
    class Dues {
        @Test
        void a_number_over_the_band_waits_for_its_answer() {
            var seen = begun().at(5).report(4);
            assertThat(of(seen).said()).isEqualTo(new RunProgress.SaidNumber(4, true));
            assertThat(of(seen).dues().get(0))
                    .isEqualTo(new Due(Kind.ANSWER, "said 4: answer?", 5000, 5000L, null, null));
            assertThat(kinds(of(seen.at(7).answers(Response.EASED)))).doesNotContain(Kind.ANSWER);
            assertThat(kinds(of(begun().at(5).report(3)))).doesNotContain(Kind.ANSWER);
            // The answer that was there before is to the number before.
            assertThat(kinds(of(seen.at(9).report(6)))).contains(Kind.ANSWER);
        }

        @Test
        void permission_is_due_before_a_sensitive_zone_and_late_with_hands_on_it() {
            assertThat(due(begun(), Kind.CONSENT))
                    .isEqualTo(new Due(Kind.CONSENT, "gluteals: asked?", 0, null, null, null));
            var on = begun().at(60).starts("hip", Side.RIGHT);
            assertThat(due(on, Kind.CONSENT).lateFrom()).isZero();
            assertThat(kinds(of(on.at(61).consent(Answer.ASKED, Zone.GLUTEALS))))
                    .contains(Kind.CONSENT);
            assertThat(kinds(of(on.at(62).consent(Answer.YES, Zone.GLUTEALS)))).doesNotContain(Kind.CONSENT);
            assertThat(of(on).permissions())
                    .containsExactly(new RunProgress.PermissionOf(Zone.GLUTEALS, Answer.YES, true));
            assertThat(kinds(of(on.at(63).consent(Answer.WITHDRAWN, Zone.GLUTEALS))))
                    .contains(Kind.CONSENT);
            assertThat(of(on).permissions())
                    .containsExactly(new RunProgress.PermissionOf(Zone.GLUTEALS, Answer.WITHDRAWN, false));
        }

        @Test
        void through_the_sheet_is_no_leave_for_the_skin() {
            var on = begun().at(60).starts("hip", Side.RIGHT);
            on.at(61).tap(new Consent(Answer.YES, Zone.GLUTEALS, Sheet.THROUGH));
            assertThat(of(on).permissions()).containsExactly(new RunProgress.PermissionOf(Zone.GLUTEALS, null, false));
        }

        @Test
        void nobody_asks_for_a_hand_that_only_rests_through_the_sheet() {
            var plan = Plans.once(
                    step("rest").on(Zone.GLUTEALS).phase(Phase.SETTLE).deep(1).sheet(Sheet.THROUGH));
            assertThat(of(Seen.of(plan).tap(new StepStart("rest", null))).permissions())
                    .isEmpty();
        }

        @Test
        void a_table_that_nobody_watches_is_looked_at_after_three_turns() {
            var away = begun().at(9).asks().at(10).eyes(false);
            assertThat(due(away, Kind.LOOK))
                    .isEqualTo(new Due(Kind.LOOK, "not looked at for", 70_000, 130_000L, null, 10_000L));
            assertThat(due(away.at(70).eyes(true), Kind.LOOK)).isNull();
            assertThat(due(begunUnwatched(PLAN), Kind.LOOK).since()).isZero();
        }

        @Test
        void a_silence_is_told_before_it_is_too_long() {
            assertThat(due(begun().at(30).asks(), Kind.SILENCE))
                    .isEqualTo(new Due(Kind.SILENCE, "no question for", 174_000, 210_000L, null, 30_000L));
            // A closed question is none; a number that the client was asked for is one.
            assertThat(of(begun().at(30).asks(Style.CLOSED)).silentSince()).isZero();
            assertThat(of(begun().at(30).report(2)).silentSince()).isEqualTo(30_000);
            // Before hands are on nobody is silent, and what nobody watches nobody knows.
            assertThat(of(Seen.of(PLAN)).silentSince()).isNull();
            assertThat(of(begunUnwatched(PLAN)).silentSince()).isNull();
            // A glance away is no other beginning; a break is.
            assertThat(of(begun().at(50).eyes(false).at(54).eyes(true)).silentSince())
                    .isZero();
            assertThat(of(begun().at(50).eyes(false).at(80).eyes(true)).silentSince())
                    .isEqualTo(80_000);
            var rested = begun().at(50).tap(new Break(true, null)).at(90).tap(new Break(false, null));
            assertThat(of(rested).silentSince()).isEqualTo(90_000);
            // Of two who watch one is enough.
            var two = begun().at(10).tapOn("t2", new Attend(true)).at(20).eyes(false);
            assertThat(of(two).silentSince()).isZero();
        }

        @Test
        void the_second_side_is_due_when_its_time_by_plan_has_come() {
            double planned = palmtally.core.sequence.Timeline.of(PLAN, palmtally.core.profile.Profile.bySeconds())
                    .spans()
                    .get(2)
                    .start();
            long at = Math.round(planned * 1000);
            assertThat(due(begun(), Kind.SIDE))
                    .isEqualTo(new Due(Kind.SIDE, "left side due", at, at + 60_000, null, null));
            assertThat(due(begun().at(125).starts("warm", Side.LEFT), Kind.SIDE))
                    .isNull();
        }

        @Test
        void a_table_that_has_not_begun_says_so_and_one_over_its_time() {
            assertThat(kinds(of(Seen.unwatched(PLAN)))).containsExactly(Kind.BEGIN);
            var limited = RunProgress.of(
                    Run.of(begun().at(5)
                            .tap(new Break(true, null))
                            .at(20)
                            .tap(new Break(false, null))
                            .practical()),
                    60.0);
            assertThat(limited.dues()).contains(new Due(Kind.OVER, "over its time", 75_000, 75_000L, null, null));
        }

        @Test
        void a_stop_stands_until_hands_are_on_again_and_a_word_of_the_handset_for_half_a_minute() {
            var stop = begun().at(9).tap(new SafetyStop(null, true));
            assertThat(of(stop).dues().get(0))
                    .isEqualTo(new Due(Kind.SAID, "stop, said the client", 9000, 9000L, null, null));
            assertThat(kinds(of(stop.at(99).starts("warm", Side.RIGHT)))).doesNotContain(Kind.SAID);
            assertThat(due(begun().at(9).tap(new SafetyStop("cramp", null)), Kind.STOP)
                            .text())
                    .isEqualTo("cramp");
            assertThat(due(begun().at(9).tap(new ClientWord(ClientWord.Word.COLD)), Kind.SAID))
                    .isEqualTo(new Due(Kind.SAID, "cold, said the client", 9000, 9000L, 39_000L, null));
            assertThat(kinds(of(begun().at(9).tap(new Note("a good start"))))).doesNotContain(Kind.SAID);
        }

        @Test
        void nothing_but_what_was_called_out_is_due_in_a_break() {
            var rests = begun().at(5)
                    .report(9)
                    .at(10)
                    .tap(new Break(true, null))
                    .at(20)
                    .tap(new Break(true, null));
            assertThat(of(rests).dues()).containsExactly(new Due(Kind.BREAK, "break for", 10_000, null, null, 10_000L));
            assertThat(of(rests).restingSince()).isEqualTo(10_000);
            assertThat(of(rests).rested()).isZero();
            var on = of(rests.at(40).tap(new Break(false, null)));
            assertThat(on.restingSince()).isNull();
            assertThat(on.rested()).isEqualTo(30_000);
        }
    }
}
