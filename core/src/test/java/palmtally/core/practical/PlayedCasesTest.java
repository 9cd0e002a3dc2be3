package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.block;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.practical.event.Break;
import palmtally.core.practical.event.Consent;
import palmtally.core.practical.event.ReportAnswer.Response;
import palmtally.core.practical.event.ReviewAnswer.Said;
import palmtally.core.profile.MechanicsFault;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.technique.Tool;

/** Whole practicals as they are played, and the marks an experienced instructor would give: each with the range it must lie in. */
class PlayedCasesTest {
    private static final int LONG = 60;
    private static final int BEGIN = 30;

    private static Plans.Made warm(String id) {
        return step(id).on(Zone.HAMSTRINGS).deep(2).phase(Phase.WARM).seconds(LONG);
    }

    private static Plans.Made firm(String id) {
        return step(id).technique("fist-glide")
                .with(Tool.LOOSE_FIST)
                .on(Zone.HAMSTRINGS)
                .deep(4)
                .phase(Phase.TREAT)
                .seconds(LONG);
    }

    /** Nine steps of the back of the thigh on one side: three gentle ones, then six at depth 4. */
    private static final Sequence NINE = once(IntStream.range(0, 9)
            .mapToObj(i -> i < 3 ? warm("s" + i) : firm("s" + i))
            .toArray(Plans.Made[]::new));

    private static final BiConsumer<Seen, Integer> NOTHING = (seen, i) -> {};

    /** What a grader taps of a good run: opening, steps, a question and its number, looks at body and sheet, the closing word. */
    private static Seen good(Seen seen, List<String> steps, Side side, BiConsumer<Seen, Integer> more) {
        opening(seen);
        for (int i = 0; i < steps.size(); i++) {
            int at = BEGIN + LONG * i;
            seen.at(at).starts(steps.get(i), side);
            if (i == 0) seen.at(at + 3).sheetLook();
            talks(seen, at, i < 3 ? 2 : 5);
            for (int look = 20; look <= LONG; look += 20) seen.at(at + look - 1).looks();
            more.accept(seen, i);
        }
        int end = BEGIN + LONG * steps.size();
        seen.at(end).stops().at(end + 3).sheetLook();
        return seen.at(end + 5).says(SayKind.CLOSING).at(end + 8).finish();
    }

    private static void opening(Seen seen) {
        int at = 2;
        for (var kind : List.of(SayKind.GREETING, SayKind.PURPOSE, SayKind.AREAS_TO_AVOID, SayKind.INVITES_FEEDBACK))
            seen.at(at += 4).says(kind);
    }

    private static void talks(Seen seen, int at, int number) {
        seen.at(at + 10).asks().at(at + 12).report(number);
    }

    private static List<String> ids(int n) {
        return IntStream.range(0, n).mapToObj(i -> "s" + i).toList();
    }

    private static Seen nine(BiConsumer<Seen, Integer> more) {
        return good(Seen.of(NINE).sides(Sides.RIGHT), ids(9), Side.RIGHT, more);
    }

    private static Outcome.Result result(Scores scores) {
        return Outcome.of(scores, Map.of(), scores.critical().size(), null).result();
    }

    @Test
    void a_good_run_is_fluent_in_all_five() {
        var seen = nine(NOTHING);
        for (var c : Criterion.values()) assertThat(seen.score(c)).as(c.label()).isGreaterThanOrEqualTo(95);
        assertThat(result(seen.scores())).isEqualTo(Outcome.Result.PASS);
    }

    /** Six of nine steps at depth 1 for 4, with a client who says what the plan wants to hear. */
    @Test
    void light_hands_cannot_pass() {
        var seen = nine((s, i) -> {
            if (i >= 3) s.at(BEGIN + LONG * i + 30).touches(Zone.HAMSTRINGS, 1);
        });
        assertThat(seen.score(Criterion.PRESSURE)).isLessThan(50);
        assertThat(result(seen.scores())).isEqualTo(Outcome.Result.FAIL);
    }

    /** Nothing was said of the sheet: neither good nor bad, and no outcome. */
    @Test
    void silence_about_the_sheet_is_no_clean_sheet() {
        var seen = Seen.of(NINE).sides(Sides.RIGHT);
        opening(seen);
        for (int i = 0; i < 9; i++) {
            seen.at(BEGIN + LONG * i).starts("s" + i, Side.RIGHT);
            talks(seen, BEGIN + LONG * i, i < 3 ? 2 : 5);
            seen.at(BEGIN + LONG * i + 19).looks();
        }
        seen.at(575).says(SayKind.CLOSING).at(580).finish();
        assertThat(seen.scored(Criterion.DRAPING).score()).isNull();
        assertThat(seen.scored(Criterion.DRAPING).why()).isEqualTo("too little seen: 0 of 2 looks at the sheet");
        assertThat(result(seen.scores())).isEqualTo(Outcome.Result.INCOMPLETE);
    }

    /** From the floor alone: no opening, no closing, no silence; looks are evidence of their moments. */
    @Test
    void the_floor_alone_knows_what_it_saw() {
        var seen = Seen.unwatched(NINE).sides(Sides.RIGHT);
        for (int i = 0; i < 9; i++) {
            int at = BEGIN + LONG * i;
            seen.at(at).starts("s" + i, Side.RIGHT).at(at + 19).looks();
            if (i % 3 == 0) seen.at(at + 10).asks().at(at + 12).report(i < 3 ? 2 : 5);
            if (i == 1 || i == 8) seen.at(at + 30).sheetLook();
        }
        seen.at(580).finish();
        assertThat(seen.part(Criterion.COMMUNICATION, "opening")).isNull();
        assertThat(seen.part(Criterion.COMMUNICATION, "closing")).isNull();
        assertThat(seen.part(Criterion.COMMUNICATION, "silence")).isNull();
        assertThat(seen.scored(Criterion.COMMUNICATION).findings()).isEmpty();
        assertThat(seen.score(Criterion.MECHANICS)).isEqualTo(100);
        assertThat(seen.score(Criterion.DRAPING)).isEqualTo(100);
    }

    @Test
    void two_looks_both_faulty_are_too_few_to_say() {
        var seen = Seen.of(NINE).sides(Sides.RIGHT);
        for (int i = 0; i < 9; i++) seen.at(BEGIN + LONG * i).starts("s" + i, Side.RIGHT);
        seen.at(200).looks(MechanicsFault.BENT_ELBOWS).at(400).looks(MechanicsFault.BENT_ELBOWS);
        seen.at(580).finish();
        assertThat(seen.scored(Criterion.MECHANICS).why()).isEqualTo("too little seen: 2 of 3 looks");
    }

    /** Asked while the grader was at another table: a question, and the answer that it was asked leaves nothing. */
    @Test
    void permission_that_nobody_could_hear_is_asked_for_at_the_review() {
        var plan = once(
                warm("s0"), step("g").on(Zone.GLUTEALS).sheet(Sheet.THROUGH).seconds(LONG));
        var seen = Seen.of(plan)
                .sides(Sides.RIGHT)
                .at(5)
                .starts("s0", Side.RIGHT)
                .at(40)
                .eyes(false);
        seen.at(70).eyes(true).starts("g", Side.RIGHT).at(130).finish();
        assertThat(seen.scores().critical()).isEmpty();
        assertThat(seen.scores().questions()).extracting(Question::key).contains("permission/gluteals/through");
        seen.reviewed("permission/gluteals/through", Said.ASKED);
        assertThat(seen.scores().critical()).isEmpty();
        assertThat(seen.scored(Criterion.DRAPING).questions()).isEmpty();
    }

    /**
     * The other side first, an 8 eased in 3 s and the thumb swapped for the forearm after it, a step done again, one break for the
     * fire bell: nothing of it is a fault.
     */
    @Test
    void messy_and_good_is_good() {
        var plan = Plans.of(
                1800,
                block(
                        "b",
                        Block.Order.IN_ORDER,
                        Block.Repeat.EACH_SIDE,
                        warm("s0").side(Sides.EACH),
                        warm("s1").side(Sides.EACH),
                        firm("s2").side(Sides.EACH),
                        step("s3")
                                .technique("stripping-thumb")
                                .with(Tool.SUPPORTED_THUMB)
                                .on(Zone.HAMSTRINGS)
                                .deep(4)
                                .phase(Phase.TREAT)
                                .side(Sides.EACH)
                                .seconds(LONG),
                        warm("s4").phase(Phase.FLUSH).side(Sides.EACH)));
        var first = new Practical(plan, palmtally.core.profile.Profile.bySeconds(), List.of(), Sides.EACH, List.of())
                .brief()
                .get(0)
                .side();
        var other = first == Side.LEFT ? Side.RIGHT : Side.LEFT;
        var seen = Seen.of(plan);
        opening(seen);
        int at = BEGIN;
        for (var side : List.of(other, first)) {
            for (int i = 0; i < 5; i++) {
                seen.at(at).starts("s" + i, side);
                if (i == 0) seen.at(at + 3).sheetLook();
                boolean strong = i == 3 && side == other;
                if (strong) {
                    seen.at(at - 4)
                            .says(SayKind.WARNS)
                            .at(at + 8)
                            .asks()
                            .at(at + 10)
                            .report(8);
                    seen.at(at + 13).answers(Response.EASED).at(at + 16).touches(Zone.HAMSTRINGS, Tool.FOREARM);
                    seen.at(at + 22).asks().at(at + 24).report(5);
                } else {
                    if (i == 3) seen.at(at - 4).says(SayKind.WARNS);
                    talks(seen, at, i == 2 || i == 3 ? 5 : 2);
                }
                for (int look = 20; look <= LONG; look += 20)
                    seen.at(at + look - 1).looks();
                at += LONG;
                if (i == 1 && side == other) {
                    seen.at(at).tap(new Break(true, "fire bell")).at(at + 90).tap(new Break(false, null));
                    at += 92;
                }
            }
            if (side == other) {
                // Once more over what was kneaded, because it had not softened.
                seen.at(at).starts("s1", side).at(at + 10).asks().at(at + 19).looks();
                at += 30;
            }
        }
        seen.at(at)
                .stops()
                .at(at + 3)
                .sheetLook()
                .at(at + 5)
                .says(SayKind.CLOSING)
                .at(at + 8)
                .finish();
        for (var c : Criterion.values()) assertThat(seen.score(c)).as(c.label()).isGreaterThanOrEqualTo(90);
        assertThat(result(seen.scores())).isEqualTo(Outcome.Result.PASS);
    }

    /** Two who watch in turn, half the time each: what one did not watch is missing for neither, and their marks are alike. */
    @Test
    void two_graders_with_eyes_at_different_times_agree() {
        var scores = new ArrayList<Scores>();
        for (int mine = 0; mine < 2; mine++) {
            int turn = mine;
            var watched = new ArrayList<long[]>();
            var seen = Seen.unwatched(NINE).sides(Sides.RIGHT);
            boolean eyes = false;
            for (int at = 0; at < 600; at++) {
                boolean now = (at / 90) % 2 == turn;
                if (now != eyes) {
                    seen.at(at).eyes(now);
                    if (now) watched.add(new long[] {at * 1000L, (at + 90) * 1000L});
                    if (now && at > BEGIN) seen.starts("s" + Math.min(8, (at - BEGIN) / LONG), Side.RIGHT);
                    eyes = now;
                }
                if (now) tapWhatHappens(seen.at(at), at);
            }
            seen.at(600).finish();
            for (var q : seen.scores().questions())
                seen.reviewed(q.key(), q.answers().contains(Said.NOT_SEEN) ? Said.NOT_SEEN : Said.NOT_LISTENING);
            scores.add(seen.scores());
            for (var f : seen.scores().findings())
                if (Set.of(
                                Rule.of("COMM-OPEN"),
                                Rule.of("COMM-CLOSE"),
                                Rule.of("COMM-GAP"),
                                Rule.of("COMM-TOOL"),
                                Rule.of("DRAPE-IDLE"),
                                Rule.of("ORDER-COVER"))
                        .contains(f.rule()))
                    assertThat(watched)
                            .as(f.sentence())
                            .anyMatch(w -> f.where().atMs() >= w[0] && f.where().atMs() <= w[1]);
        }
        int both = 0;
        for (var c : Criterion.values()) {
            var a = scores.get(0).get(c).score();
            var b = scores.get(1).get(c).score();
            if (a == null || b == null) continue;
            both++;
            assertThat(Math.abs(a - b)).as(c.label()).isLessThanOrEqualTo(15);
        }
        assertThat(both).isGreaterThanOrEqualTo(3);
    }

    /** A student who is well but for elbows now and then, a late answer and a loose tuck. */
    private static void tapWhatHappens(Seen seen, int at) {
        if (at == 4) seen.says(SayKind.GREETING);
        if (at == 8) seen.says(SayKind.PURPOSE);
        if (at == 12) seen.says(SayKind.AREAS_TO_AVOID);
        if (at == 16) seen.says(SayKind.INVITES_FEEDBACK);
        if (at == 33) seen.sheetLook();
        if (at == 400) seen.sheetLook();
        if (at == 250) seen.sheetLook(palmtally.core.profile.DrapingFault.LOOSE);
        if (at == 580) seen.sheetLook();
        if (at >= BEGIN && at < BEGIN + 9 * LONG && (at - BEGIN) % LONG == 0)
            seen.starts("s" + (at - BEGIN) / LONG, Side.RIGHT);
        int in = at < BEGIN ? -1 : (at - BEGIN) % LONG;
        if (at < BEGIN + 9 * LONG) {
            if (in == 10) seen.asks();
            if (in == 12) seen.report((at - BEGIN) / LONG < 3 ? 2 : at % 7 == 0 ? 7 : 5);
            if (in == 15) seen.answers(Response.EASED);
            if (in == 30) seen.touches(Zone.HAMSTRINGS, (at - BEGIN) / LONG < 3 ? 2 : 4);
            if (in == 19 || in == 39 || in == 59) {
                if (in == 39 && Set.of(1, 2, 4, 5).contains((at - BEGIN) / LONG))
                    seen.looks(MechanicsFault.BENT_ELBOWS);
                else seen.looks();
            }
        }
        if (at == 590) seen.says(SayKind.CLOSING);
    }

    /** Who only taps the steps of a perfect student is asked, and nothing is critical. */
    @Test
    void a_lazy_grader_is_asked_and_a_perfect_student_keeps_everything() {
        var plan = once(
                warm("s0"),
                warm("s1"),
                step("g").on(Zone.GLUTEALS).sheet(Sheet.THROUGH).deep(3).seconds(LONG));
        var seen = Seen.of(plan).sides(Sides.RIGHT).at(30).starts("s0", Side.RIGHT);
        seen.at(90)
                .starts("s1", Side.RIGHT)
                .at(150)
                .starts("g", Side.RIGHT)
                .at(400)
                .finish();
        assertThat(seen.scores().critical()).isEmpty();
        assertThat(seen.scores().questions())
                .extracting(Question::key)
                .contains("permission/gluteals/through", "heard/opening", "heard/questions", "heard/closing");
        assertThat(result(seen.scores())).isEqualTo(Outcome.Result.INCOMPLETE);
        assertThat(seen.scored(Criterion.COMMUNICATION).findings()).isEmpty();
    }

    /** Two minutes for one criterion: half of what a practical needs is enough. */
    @ParameterizedTest
    @EnumSource(Criterion.class)
    void a_spot_check_comes_to_a_mark(Criterion criterion) {
        var seen = Seen.of(NINE).sides(Sides.RIGHT).at(1).starts("s3", Side.RIGHT);
        switch (criterion) {
            case PRESSURE -> seen.at(10).report(5).at(40).touches(Zone.HAMSTRINGS, 4);
            case ORDER -> {}
            case MECHANICS -> seen.at(20).looks().at(40).looks();
            case COMMUNICATION ->
                seen.at(10)
                        .tap(palmtally.core.practical.event.Reply.asked())
                        .at(30)
                        .asks();
            case DRAPING -> seen.at(10).sheetLook();
        }
        seen.at(61).starts("s4", Side.RIGHT).at(70).asks().at(121).finish();
        var practical = new Practical(
                NINE,
                palmtally.core.profile.Profile.bySeconds(),
                List.of("s3", "s4"),
                Sides.RIGHT,
                Extent.PART,
                seen.events());
        var only = Scores.of(practical).only(criterion);
        assertThat(only.get(criterion).score()).as(only.get(criterion).why()).isGreaterThanOrEqualTo(90);
        assertThat(only.questions()).isEmpty();
        assertThat(result(only)).isEqualTo(Outcome.Result.PASS);
    }

    /** Two steps shown again: neither the opening nor the rest of the plan is asked. */
    @Test
    void a_re_take_of_two_steps_asks_for_those_alone() {
        var seen = Seen.of(NINE)
                .sides(Sides.RIGHT)
                .at(5)
                .starts("s2", Side.RIGHT)
                .at(8)
                .sheetLook();
        talks(seen, 5, 2);
        seen.at(25).looks().at(45).looks().at(65).starts("s3", Side.RIGHT);
        talks(seen, 65, 5);
        seen.at(85).looks().at(125).finish();
        var practical = new Practical(
                NINE,
                palmtally.core.profile.Profile.bySeconds(),
                List.of("s2", "s3"),
                Sides.RIGHT,
                Extent.PART,
                seen.events());
        var scores = Scores.of(practical);
        assertThat(scores.findings()).isEmpty();
        assertThat(scores.questions()).isEmpty();
        for (var c : List.of(Criterion.PRESSURE, Criterion.ORDER, Criterion.MECHANICS, Criterion.DRAPING))
            assertThat(scores.get(c).score()).as(c.label()).isNotNull().isGreaterThanOrEqualTo(95);
    }

    /** Clothed all through: draping is not asked, and its absence keeps nobody from passing. */
    @Test
    void a_clothed_session_asks_nothing_of_the_sheet() {
        var plan = once(IntStream.range(0, 9)
                .mapToObj(i -> (i < 3 ? warm("s" + i) : firm("s" + i)).sheet(Sheet.THROUGH))
                .toArray(Plans.Made[]::new));
        var seen = Seen.of(plan).sides(Sides.RIGHT);
        opening(seen);
        for (int i = 0; i < 9; i++) {
            seen.at(BEGIN + LONG * i).starts("s" + i, Side.RIGHT);
            talks(seen, BEGIN + LONG * i, i < 3 ? 2 : 5);
            seen.at(BEGIN + LONG * i + 19).looks();
        }
        seen.at(575).says(SayKind.CLOSING).at(580).finish();
        assertThat(seen.scored(Criterion.DRAPING).applicable()).isFalse();
        assertThat(result(seen.scores())).isEqualTo(Outcome.Result.PASS);
    }

    @Test
    void every_step_begun_at_8_and_eased_is_at_most_59() {
        var seen = Seen.of(NINE).sides(Sides.RIGHT);
        for (int i = 0; i < 9; i++) {
            int at = BEGIN + LONG * i;
            seen.at(at)
                    .starts("s" + i, Side.RIGHT)
                    .at(at + 5)
                    .report(8)
                    .at(at + 8)
                    .answers(Response.EASED);
            seen.at(at + 30).report(i < 3 ? 2 : 5);
        }
        assertThat(seen.at(600).finish().score(Criterion.PRESSURE)).isEqualTo(59);
    }

    /**
     * One of six tables with one grader, fifteen minutes: half a minute of eyes in every three, and what there is to see in it. Of two
     * tables the grader has planned to see how it begins and ends: they begin one after the other.
     */
    private static Set<Criterion> ofSixTables(int table, boolean planned) {
        var seen = Seen.unwatched(NINE).sides(Sides.RIGHT);
        boolean eyes = false;
        for (int at = 0; at < 900; at++) {
            boolean round = at >= 120 && at < 840 && (at / 30) % 6 == table;
            boolean now = round || planned && (at < 60 || at >= 840);
            // Nine steps of ninety seconds, the first after half a minute.
            int step = at < BEGIN ? -1 : Math.min(8, (at - BEGIN) / 90);
            int in = at < BEGIN ? -1 : (at - BEGIN) % 90;
            if (now != eyes) {
                seen.at(at).eyes(now);
                eyes = now;
                if (round) {
                    seen.at(at).starts("s" + step, Side.RIGHT).at(at + 2).looks();
                    seen.at(at + 8)
                            .touches(Zone.HAMSTRINGS, step < 3 ? 2 : 4)
                            .at(at + 12)
                            .sheetLook();
                }
            }
            if (!now) continue;
            seen.at(at);
            if (at >= 4 && at <= 16 && at % 4 == 0)
                seen.says(List.of(SayKind.GREETING, SayKind.PURPOSE, SayKind.AREAS_TO_AVOID, SayKind.INVITES_FEEDBACK)
                        .get(at / 4 - 1));
            if (step >= 0 && in == 0 && at < 840) seen.starts("s" + step, Side.RIGHT);
            // A question twice in each step: whoever stands there for half a minute hears one in two visits of three.
            if (step >= 0 && (in == 10 || in == 55)) seen.asks();
            if (step >= 0 && (in == 12 || in == 57)) seen.report(step < 3 ? 2 : 5);
            if (at == 880) seen.says(SayKind.CLOSING);
        }
        seen.at(900).finish();
        for (var q : seen.scores().questions())
            seen.reviewed(q.key(), q.answers().contains(Said.NOT_SEEN) ? Said.NOT_SEEN : Said.NOT_LISTENING);
        var came = EnumSet.noneOf(Criterion.class);
        for (var c : seen.scores().criteria()) if (c.score() != null) came.add(c.criterion());
        return came;
    }

    /**
     * Pressure, mechanics and draping come out for everybody in every practical; order and communication where the grader had planned to
     * see how it begins and ends, two tables in each: over three practicals everybody has all five.
     */
    @Test
    void one_grader_of_six_tables_has_all_five_for_each_over_three_practicals() {
        for (int table = 0; table < 6; table++) {
            var passing = ofSixTables(table, false);
            assertThat(passing).contains(Criterion.PRESSURE, Criterion.MECHANICS, Criterion.DRAPING);
            assertThat(passing).as("table %s in passing", table).doesNotContain(Criterion.COMMUNICATION);
            assertThat(ofSixTables(table, true))
                    .as("table %s, planned", table)
                    .containsExactlyInAnyOrder(Criterion.values());
        }
    }

    @ParameterizedTest
    @CsvSource({"YES, 0", "NO, 1"})
    void permission_that_was_heard_needs_no_question(Consent.Answer answer, int critical) {
        var plan = once(
                warm("s0"), step("g").on(Zone.GLUTEALS).sheet(Sheet.THROUGH).seconds(LONG));
        var seen = Seen.of(plan).sides(Sides.RIGHT).at(5).starts("s0", Side.RIGHT);
        seen.at(60)
                .consent(answer, Zone.GLUTEALS)
                .at(65)
                .starts("g", Side.RIGHT)
                .at(130)
                .finish();
        assertThat(seen.scores().critical()).hasSize(critical);
        assertThat(seen.scored(Criterion.DRAPING).questions()).isEmpty();
    }
}
