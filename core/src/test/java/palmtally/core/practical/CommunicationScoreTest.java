package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.practical.event.Attend;
import palmtally.core.practical.event.Reply;
import palmtally.core.practical.event.Report;
import palmtally.core.practical.event.ReviewAnswer.Said;
import palmtally.core.practical.event.Say;
import palmtally.core.practical.event.Say.Style;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Tool;

/** Client communication, by hand-computed cases. */
class CommunicationScoreTest {
    private static final Sequence CALF = once(step("c").on(Zone.CALF).seconds(600));

    private static Seen calf() {
        return Seen.of(CALF).sides(Sides.RIGHT).at(0).starts("c", Side.RIGHT);
    }

    private Seen opened() {
        var seen = calf();
        int at = 1;
        for (var kind :
                new SayKind[] {SayKind.GREETING, SayKind.PURPOSE, SayKind.AREAS_TO_AVOID, SayKind.INVITES_FEEDBACK})
            seen.at(at++).says(kind);
        return seen;
    }

    @Test
    void the_opening_is_the_share_of_four() {
        var seen = calf().at(1)
                .says(SayKind.GREETING)
                .at(2)
                .says(SayKind.PURPOSE)
                .at(60)
                .finish();
        assertThat(seen.part(Criterion.COMMUNICATION, "opening")).isEqualTo(0.5);
        assertThat(seen.findings(Rule.of("COMM-OPEN"))).hasSize(1);
    }

    @Test
    void an_opening_that_was_missed_in_part_counts_only_when_it_is_whole() {
        var plan = calf().practical().sequence();
        var late = Seen.unwatched(plan).at(20).eyes(true).says(SayKind.GREETING);
        late.at(40).starts(plan.steps().get(0).id(), Side.RIGHT).at(60).finish();
        assertThat(late.part(Criterion.COMMUNICATION, "opening")).isNull();
        assertThat(late.findings(Rule.of("COMM-OPEN"))).isEmpty();
    }

    /** By hand: a silence of 180 s may pass; from then on 20 s are silent, and 200–380 of 180–600 s lie near the question. */
    @Test
    void silence_is_the_share_of_watched_time_near_a_question() {
        var late = calf().at(200).asks().at(600).finish();
        assertThat(late.part(Criterion.COMMUNICATION, "silence")).isCloseTo(180.0 / 420, within(1e-9));
        assertThat(late.findings(Rule.of("COMM-GAP"))).hasSize(2);
        var early = calf().at(60).asks().at(600).finish();
        assertThat(early.part(Criterion.COMMUNICATION, "silence")).isCloseTo(180.0 / 540, within(1e-9));
    }

    /** By hand: the first 250 s have no question: the silence counts from 180 s, and from the question at 1 s it would not. */
    @Test
    void a_stretch_counts_from_its_first_question_or_after_one_silence() {
        var seen = calf().at(250)
                .eyes(false)
                .at(400)
                .eyes(true)
                .at(410)
                .asks()
                .at(500)
                .finish();
        assertThat(seen.part(Criterion.COMMUNICATION, "silence")).isCloseTo(90.0 / (70 + 90), within(1e-9));
    }

    @Test
    void a_glance_away_does_not_cut_a_stretch() {
        for (int away : new int[] {4, 6}) {
            var seen = calf().at(1)
                    .asks()
                    .at(300)
                    .eyes(false)
                    .at(300 + away)
                    .eyes(true)
                    .at(400)
                    .finish();
            // With the glance the silence from 181 s goes on; after a longer look away it starts anew.
            assertThat(seen.part(Criterion.COMMUNICATION, "silence"))
                    .isCloseTo(away == 4 ? 180.0 / (399 - 4) : 180.0 / 299, within(1e-9));
        }
    }

    /** A number that is said, and a reply, stand for the question before them, unless they were volunteered. */
    @Test
    void a_number_stands_for_its_question() {
        var asked = calf().at(10).report(5).at(180).tap(Reply.heard()).at(350).finish();
        assertThat(asked.part(Criterion.COMMUNICATION, "silence")).isEqualTo(1);
        var told = calf().at(10)
                .tap(new Report(5, null, null, true))
                .at(20)
                .tap(new Report(5, null, Report.Source.HANDSET, null))
                .at(30)
                .tap(new Reply(true, null, true))
                .at(340)
                .asks()
                .at(350)
                .finish();
        assertThat(told.part(Criterion.COMMUNICATION, "silence")).isCloseTo(10.0 / 170, within(1e-9));
    }

    @Test
    void a_closed_question_breaks_no_silence() {
        var closed = calf().at(100).asks(Style.CLOSED).at(500).asks().at(600).finish();
        assertThat(closed.part(Criterion.COMMUNICATION, "silence")).isCloseTo(100.0 / 420, within(1e-9));
    }

    /** Who never taps a question may not listen for them: the grader says it at the review. */
    @Test
    void without_any_question_tapped_asks_the_grader() {
        var open = calf().at(5)
                .says(SayKind.GREETING)
                .at(590)
                .says(SayKind.CLOSING)
                .at(600)
                .finish();
        assertThat(open.scored(Criterion.COMMUNICATION).why()).isEqualTo("1 question at review");
        assertThat(open.scored(Criterion.COMMUNICATION).questions())
                .singleElement()
                .satisfies(q -> {
                    assertThat(q.key()).isEqualTo("heard/questions");
                    assertThat(q.answers()).containsExactly(Said.HEARD_NOTHING, Said.NOT_LISTENING);
                });
        assertThat(open.findings(Rule.of("COMM-GAP"))).isEmpty();
        open.reviewed("heard/questions", Said.HEARD_NOTHING);
        assertThat(open.part(Criterion.COMMUNICATION, "silence")).isZero();
        open.reviewed("heard/questions", Said.NOT_LISTENING);
        assertThat(open.part(Criterion.COMMUNICATION, "silence")).isNull();
        assertThat(open.scored(Criterion.COMMUNICATION).questions()).isEmpty();
    }

    @Test
    void a_lazy_grader_is_asked_and_nothing_is_held_against_the_student() {
        var plan = once(
                step("p")
                        .technique("trigger-point")
                        .with(Tool.SUPPORTED_THUMB)
                        .on(Zone.SHOULDER_BLADE)
                        .seconds(30),
                step("a").effort(Technique.Effort.ACTIVE).seconds(300));
        var seen = Seen.of(plan).sides(Sides.RIGHT).at(30).starts("p", Side.RIGHT);
        seen.at(60).starts("a", Side.RIGHT).at(400).finish();
        assertThat(seen.scored(Criterion.COMMUNICATION).questions())
                .extracting(Question::key)
                .containsExactlyInAnyOrder(
                        "heard/opening",
                        "heard/questions",
                        "heard/warnings-and-cues",
                        "heard/interviews",
                        "heard/closing");
        assertThat(seen.scored(Criterion.COMMUNICATION).findings()).isEmpty();
    }

    /** One of two graders listens for questions, and is at the table in the first half alone. */
    @Test
    void what_is_missing_needs_eyes_that_listen_for_it() {
        var seen = calf().at(1).asks().at(300).eyes(false);
        seen.tapOn("t2", new Attend(true))
                .at(590)
                .tapOn("t2", Say.of(SayKind.CLOSING))
                .at(600)
                .finish();
        assertThat(seen.part(Criterion.COMMUNICATION, "silence")).isCloseTo(180.0 / 299, within(1e-9));
        assertThat(seen.part(Criterion.COMMUNICATION, "closing")).isEqualTo(1);
    }

    @Test
    void a_heavier_tool_wants_a_question_within_twenty_seconds() {
        var plan = once(
                step("p").on(Zone.HAMSTRINGS).seconds(60),
                step("f")
                        .technique("fist-glide")
                        .with(Tool.LOOSE_FIST)
                        .on(Zone.HAMSTRINGS)
                        .deep(4)
                        .seconds(60));
        var soon = Seen.of(plan)
                .sides(Sides.RIGHT)
                .at(0)
                .starts("p", Side.RIGHT)
                .at(60)
                .starts("f", Side.RIGHT);
        soon.at(79).asks().at(120).finish();
        assertThat(soon.part(Criterion.COMMUNICATION, "tool questions")).isEqualTo(1);
        var late = Seen.of(plan)
                .sides(Sides.RIGHT)
                .at(0)
                .starts("p", Side.RIGHT)
                .at(60)
                .starts("f", Side.RIGHT);
        late.at(81).asks().at(120).finish();
        assertThat(late.part(Criterion.COMMUNICATION, "tool questions")).isZero();
        assertThat(late.findings(Rule.of("COMM-TOOL"))).hasSize(1);
    }

    @ParameterizedTest
    @CsvSource({"1234, 1", "1324, 0.75", "4321, 0.25", "12, 0.5", "1, 0.25"})
    void an_interview_counts_what_comes_in_order(String order, double credit) {
        var plan = once(step("p")
                .technique("trigger-point")
                .with(Tool.SUPPORTED_THUMB)
                .on(Zone.SHOULDER_BLADE)
                .deep(4)
                .phase(Phase.TREAT)
                .dose(Dose.holds(3, 9)));
        var seen = Seen.of(plan).sides(Sides.RIGHT).at(0).starts("p", Side.RIGHT);
        for (int i = 0; i < order.length(); i++) seen.at(5 + i).interview(order.charAt(i) - '0');
        assertThat(seen.at(30).finish().part(Criterion.COMMUNICATION, "interviews"))
                .isEqualTo(credit);
        // The missing ones may have been asked while the eyes were elsewhere.
        if (credit < 1)
            assertThat(seen.at(20).eyes(false).part(Criterion.COMMUNICATION, "interviews"))
                    .isNull();
    }

    @Test
    void the_clients_own_movement_wants_a_ready_and_a_relax_cue() {
        var plan = once(step("a")
                .technique("pin-lengthen")
                .effort(Technique.Effort.ACTIVE)
                .seconds(30));
        var seen =
                Seen.of(plan).sides(Sides.RIGHT).at(1).says(SayKind.WARNS).at(2).starts("a", Side.RIGHT);
        seen.at(4).says(SayKind.READY_CUE).at(40).finish();
        assertThat(seen.findings(Rule.of("COMM-CUE")))
                .singleElement()
                .satisfies(f -> assertThat(f.sentence()).contains("no relax cue"));
    }

    /** Half for each cue, and each is told; where nobody watched to the end, only both that were heard say anything. */
    @ParameterizedTest
    @CsvSource({
        "true, true, 1, ",
        "true, false, 0.5, “Step a” had no relax cue.",
        "false, true, 0.5, “Step a” had no ready cue.",
        "false, false, 0, “Step a” had neither a ready nor a relax cue."
    })
    void a_movement_counts_by_its_cues(boolean ready, boolean relax, double credit, String told) {
        var plan = once(step("a").effort(Technique.Effort.ACTIVE).seconds(30));
        for (boolean watched : new boolean[] {true, false}) {
            var seen = Seen.of(plan)
                    .sides(Sides.RIGHT)
                    .at(1)
                    .says(SayKind.WARNS)
                    .at(2)
                    .starts("a", Side.RIGHT);
            if (ready) seen.at(4).says(SayKind.READY_CUE);
            if (relax) seen.at(36).says(SayKind.RELAX_CUE);
            if (!watched) seen.at(20).eyes(false);
            seen.at(32).stops().at(60).finish();
            var part = seen.part(Criterion.COMMUNICATION, "warnings and cues");
            if (watched || ready && relax) assertThat(part).isEqualTo(credit);
            else assertThat(part).isNull();
            assertThat(seen.findings(Rule.of("COMM-CUE")))
                    .extracting(f -> f.sentence())
                    .isEqualTo(watched && told != null ? java.util.List.of(told) : java.util.List.of());
        }
    }

    /** By hand: two strong steps, one of them announced up to 30 s before; a movement with one cue of two: (1 + 0 + ½) ÷ 3. */
    @Test
    void strong_work_is_announced_and_movement_is_cued() {
        var plan = once(
                step("p")
                        .technique("trigger-point")
                        .with(Tool.SUPPORTED_THUMB)
                        .on(Zone.SHOULDER_BLADE)
                        .seconds(30),
                step("q")
                        .technique("trigger-point")
                        .with(Tool.SUPPORTED_THUMB)
                        .on(Zone.SHOULDER_BLADE)
                        .seconds(30),
                step("a").effort(Technique.Effort.ACTIVE).seconds(30));
        var seen = Seen.of(plan).sides(Sides.RIGHT).at(1).says(SayKind.WARNS);
        seen.at(20).starts("p", Side.RIGHT).at(60).starts("q", Side.RIGHT);
        seen.at(90)
                .starts("a", Side.RIGHT)
                .at(92)
                .says(SayKind.READY_CUE)
                .at(120)
                .finish();
        assertThat(seen.part(Criterion.COMMUNICATION, "warnings and cues")).isCloseTo(0.5, within(1e-12));
        assertThat(seen.findings(Rule.of("COMM-WARN"))).hasSize(1);
    }

    /** By hand: of three vague replies one was asked after as it was tapped, one by the word that followed, one let go. */
    @Test
    void vague_replies_are_asked_after() {
        var seen = calf().at(20)
                .tap(Reply.asked())
                .at(30)
                .tap(Reply.vague())
                .at(40)
                .tap(Reply.heard());
        seen.at(50).tap(Reply.vague()).at(55).tap(Reply.asked()).at(60).finish();
        assertThat(seen.part(Criterion.COMMUNICATION, "vague replies")).isCloseTo(2.0 / 3, within(1e-12));
        assertThat(seen.findings(Rule.of("COMM-REPLY")))
                .singleElement()
                .satisfies(f -> assertThat(f.where().atMs()).isEqualTo(30_000));
    }

    @Test
    void a_closing_word_counts_whole_and_its_absence_only_for_who_listened_at_the_end() {
        var closed = calf().at(50).says(SayKind.CLOSING).at(60).finish();
        assertThat(closed.part(Criterion.COMMUNICATION, "closing")).isEqualTo(1);
        var silent = calf().at(60).finish();
        assertThat(silent.part(Criterion.COMMUNICATION, "closing")).isNull();
        assertThat(silent.scored(Criterion.COMMUNICATION).questions())
                .extracting(Question::key)
                .contains("heard/closing");
        silent.reviewed("heard/closing", Said.HEARD_NOTHING);
        assertThat(silent.part(Criterion.COMMUNICATION, "closing")).isZero();
        assertThat(silent.findings(Rule.of("COMM-CLOSE"))).hasSize(1);
        var away = calf().at(50).eyes(false).at(60).finish().reviewed("heard/closing", Said.HEARD_NOTHING);
        assertThat(away.part(Criterion.COMMUNICATION, "closing")).isNull();
        assertThat(away.findings(Rule.of("COMM-CLOSE"))).isEmpty();
    }

    /** An extra open question never lowers any score: tried over random moments. */
    @Test
    void asking_more_never_costs() {
        var random = new Random(5);
        for (int i = 0; i < 200; i++) {
            var before = opened().at(100).asks().at(300).report(2);
            var after = opened().at(100).asks().at(300).report(2);
            after.at(5 + random.nextInt(590)).asks();
            before.at(600).finish();
            after.at(600).finish();
            for (var c : Criterion.values()) {
                var a = before.scored(c).score();
                var b = after.scored(c).score();
                if (a != null) assertThat(b).as(c.label()).isGreaterThanOrEqualTo(a);
            }
        }
    }

    /** By hand: the opening and three silences of 180 s in 600 s; thirty questions are no more chances than one. */
    @Test
    void chatter_gives_no_more_chances() {
        for (int questions : new int[] {1, 30}) {
            var seen = opened();
            for (int i = 0; i < questions; i++) seen.at(60 + i).asks();
            assertThat(seen.at(600).finish().scored(Criterion.COMMUNICATION).observations())
                    .isEqualTo(4);
        }
    }

    /** Three chances to speak, or as many as fell due; what nobody watched fell due all the same. */
    @Test
    void wants_three_chances_that_were_watched() {
        var two = opened().at(170).eyes(false).at(600).finish();
        assertThat(two.scored(Criterion.COMMUNICATION).why()).isEqualTo("too little seen: 1 of 3 chances to speak");
        var three = opened().at(60)
                .tap(Reply.asked())
                .at(70)
                .tap(Reply.asked())
                .at(170)
                .eyes(false);
        assertThat(three.at(600).finish().score(Criterion.COMMUNICATION)).isEqualTo(100);
    }

    /** Of a part of a practical the opening and the closing are asked only where it says so. */
    @Test
    void a_part_has_no_opening_and_no_closing() {
        var practical = calf().at(5)
                .says(SayKind.GREETING)
                .at(10)
                .asks()
                .at(600)
                .finish()
                .practical();
        var part = Scores.of(practical.of(Extent.PART)).get(Criterion.COMMUNICATION);
        assertThat(part.score()).isCloseTo(100 * 180.0 / 590, within(1e-9));
        assertThat(part.questions()).isEmpty();
    }

    @Test
    void nobody_watching_is_no_score() {
        assertThat(Seen.unwatched(CALF)
                        .at(0)
                        .starts("c", Side.RIGHT)
                        .at(60)
                        .finish()
                        .scored(Criterion.COMMUNICATION)
                        .score())
                .isNull();
    }

    /** Opening, tool question, closing, all well: .2, .2 and .05 of the weights sum to a hair over their own sum. */
    @Test
    void nobody_is_better_than_100() {
        for (var criteria :
                new double[][] {{0.2, 0.2, 0.05}, {0.2, 0.25, 0.2, 0.1}, {0.15, 0.05, 0.05}, {0.8, 0.1, 0.1}}) {
            var parts = new java.util.ArrayList<Scored.Part>();
            for (double w : criteria) parts.add(new Scored.Part("p", 1.0, w, "", List.of()));
            var rests = new Scored.Rests(Criterion.COMMUNICATION, 5, 5, "chances");
            for (double more : new double[] {0, 1e-13}) {
                var scored = Scored.of(CALF_PRACTICAL, rests, Scored.mean(parts) + more, parts, List.of(), null);
                assertThat(scored.score()).isLessThanOrEqualTo(100).isGreaterThan(99.9999);
            }
        }
    }

    private static final Practical CALF_PRACTICAL = calf().practical();
}
