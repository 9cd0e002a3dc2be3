package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
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
import palmtally.core.practical.event.SheetChange.Drape;
import palmtally.core.practical.event.SheetLook;
import palmtally.core.profile.DrapePoint;
import palmtally.core.profile.DrapingFault;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;

/** Draping, by hand-computed cases. */
class DrapingScoreTest {
    private static final Sequence CALF = once(step("c").on(Zone.CALF).seconds(600));

    private static Seen calf() {
        return Seen.of(CALF).sides(Sides.RIGHT).at(0).starts("c", Side.RIGHT);
    }

    /** The sheet was looked at twice, and was well. */
    private static Seen looked() {
        return calf().at(1).sheetLook().at(2).sheetLook();
    }

    @Test
    void worked_all_the_time_and_looked_at_scores_100() {
        assertThat(looked().at(600).finish().score(Criterion.DRAPING)).isEqualTo(100);
    }

    /** Nothing was said of the sheet: that is not a clean one. */
    @Test
    void without_a_look_there_is_no_score() {
        var silent = calf().at(600).finish().scored(Criterion.DRAPING);
        assertThat(silent.score()).isNull();
        assertThat(silent.applicable()).isTrue();
        assertThat(silent.why()).isEqualTo("too little seen: 0 of 2 looks at the sheet");
    }

    /** One opening and the cover at the end fall due; of a part the opening alone. */
    @Test
    void wants_two_looks_or_as_many_as_fell_due() {
        var one = calf().at(1).sheetLook().at(600).finish();
        assertThat(one.scored(Criterion.DRAPING).why()).isEqualTo("too little seen: 1 of 2 looks at the sheet");
        assertThat(Scores.of(one.practical().of(Extent.PART))
                        .get(Criterion.DRAPING)
                        .score())
                .isEqualTo(100);
    }

    /** By hand: hands on for 500 s of 600, off for 100 of which 20 are grace: 500 ÷ 580. */
    @Test
    void open_and_unworked_beyond_the_grace_costs_its_share() {
        var seen = looked().at(3).sheet(Drape.OPEN).at(300).stops().at(400).starts("c", Side.RIGHT);
        seen.at(600).finish();
        assertThat(seen.score(Criterion.DRAPING)).isCloseTo(100 * 500.0 / 580, within(1e-9));
        assertThat(seen.findings(Rule.of("DRAPE-IDLE"))).hasSize(1);
    }

    /** By hand: of 100 s without hands 40 were watched: 20 beyond the grace; 440 ÷ 460. */
    @Test
    void idle_time_is_judged_by_what_was_watched_of_it() {
        var seen = looked().at(3)
                .sheet(Drape.OPEN)
                .at(300)
                .stops()
                .at(320)
                .eyes(false)
                .at(380)
                .eyes(true);
        seen.at(400).starts("c", Side.RIGHT).at(540).finish();
        assertThat(seen.score(Criterion.DRAPING)).isCloseTo(100 * 440.0 / 460, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({
        "LOOSE, 95",
        "LEFT_OPEN, 90",
        "LIFTED_TOO_HIGH, 95",
        "NOT_SECURED, 90",
        "NOT_COVERED_AT_END, 85",
        "SECURED, 100"
    })
    void what_is_noticed_of_the_sheet_is_a_look_and_costs_its_price(Drape fault, double score) {
        var seen = calf().at(100).sheetLook().at(300).sheet(fault).at(600).finish();
        assertThat(seen.score(Criterion.DRAPING)).isEqualTo(score);
        assertThat(seen.scored(Criterion.DRAPING).observations()).isEqualTo(2);
    }

    /** By hand: 5 and 3 points in one look. */
    @Test
    void a_look_names_all_that_was_missed() {
        var seen = looked().at(300)
                .sheetLook(DrapingFault.LOOSE, DrapingFault.OTHER)
                .at(600)
                .finish();
        assertThat(seen.score(Criterion.DRAPING)).isEqualTo(92);
        assertThat(seen.findings(Rule.of("DRAPE-FAULT")))
                .extracting(f -> f.sentence())
                .containsExactly("At 5:00: loose tuck (5 points).", "At 5:00: something else missed (3 points).");
    }

    /** By hand: three points of the method, 3, 10 and 3, and a loose tuck that none of them is, 5. */
    @Test
    void a_look_names_the_points_of_the_method() {
        var seen = looked().at(300)
                .tap(new SheetLook(
                        List.of(DrapingFault.LOOSE),
                        List.of(DrapePoint.BLANKET_ASIDE, DrapePoint.ROLLED_UNDER, DrapePoint.LAID_DOWN),
                        true));
        seen.at(600).finish();
        assertThat(seen.score(Criterion.DRAPING)).isEqualTo(79);
        assertThat(seen.findings(Rule.of("DRAPE-FAULT")))
                .extracting(f -> f.sentence() + " " + f.remedy())
                .containsExactly(
                        "At 5:00: blanket in the way (3 points). The blanket is folded aside first.",
                        "At 5:00: edge rolled over (10 points). Its edges are rolled under, never over.",
                        "At 5:00: leg dropped (3 points). The leg is laid down.",
                        "At 5:00: loose tuck (5 points). Tuck the edge under, firm enough to lift the limb.");
    }

    /** By hand: two of three faulty cost 6 points, and 59 is the most; two of four are not more than half; one of one is not twice. */
    @ParameterizedTest
    @CsvSource({"1, 2, 59", "2, 2, 94", "0, 2, 59", "1, 1, 97"})
    void a_sheet_that_is_mostly_wrong_is_at_most_59(int clean, int faulty, double score) {
        var seen = calf();
        for (int i = 0; i < clean; i++) seen.at(10 + i).sheetLook();
        for (int i = 0; i < faulty; i++) seen.at(20 + i).sheetLook(DrapingFault.OTHER);
        assertThat(seen.at(600).finish().score(Criterion.DRAPING)).isEqualTo(score);
    }

    @Test
    void never_falls_below_nothing() {
        var seen = calf();
        for (int i = 1; i < 20; i++) seen.at(i).sheet(Drape.NOT_COVERED_AT_END);
        assertThat(seen.at(600).finish().score(Criterion.DRAPING)).isZero();
    }

    /** The ratio is 1 where nothing open was watched: the looks alone count. */
    @Test
    void rests_on_the_looks_alone_where_nothing_open_was_watched() {
        var seen = Seen.unwatched(CALF).sides(Sides.RIGHT).at(0).starts("c", Side.RIGHT);
        seen.at(10).sheetLook(DrapingFault.LOOSE).at(20).sheetLook().at(600).finish();
        assertThat(seen.score(Criterion.DRAPING)).isEqualTo(95);
        assertThat(seen.findings(Rule.of("DRAPE-IDLE"))).isEmpty();
    }

    @Test
    void does_not_apply_where_nothing_is_opened() {
        var plan = once(step("n").on(Zone.NECK_BACK).seconds(60));
        var scored = Seen.of(plan)
                .sides(Sides.RIGHT)
                .at(0)
                .starts("n", Side.RIGHT)
                .at(60)
                .finish()
                .scored(Criterion.DRAPING);
        assertThat(scored.score()).isNull();
        assertThat(scored.applicable()).isFalse();
    }

    /** What is planned open and was never opened still wants its cover at the end. */
    @Test
    void is_asked_where_the_plan_opens_something() {
        assertThat(Seen.of(CALF).at(60).finish().scored(Criterion.DRAPING).why())
                .isEqualTo("too little seen: 0 of 1 looks at the sheet");
    }

    /** Not −0, which no database and no other program keeps apart from it. */
    @Test
    void nothing_missed_takes_nothing_off() {
        var seen = Seen.of(once(step("a").on(Zone.CALF).sheet(Sheet.OPEN).seconds(60)))
                .sides(Sides.RIGHT)
                .at(0)
                .starts("a", Side.RIGHT)
                .at(5)
                .sheetLook()
                .at(60)
                .finish();
        assertThat(Double.doubleToRawLongBits(seen.part(Criterion.DRAPING, "looks at the sheet")))
                .isZero();
    }
}
