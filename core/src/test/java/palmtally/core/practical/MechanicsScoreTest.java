package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.practical.event.BalanceTest;
import palmtally.core.profile.MechanicsFault;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.core.technique.Tool;

/** Body mechanics, by hand-computed cases. */
class MechanicsScoreTest {
    private static final Sequence CALF = once(step("c").on(Zone.CALF).seconds(600));

    private static Seen calf() {
        return Seen.of(CALF).sides(Sides.RIGHT).at(0).starts("c", Side.RIGHT);
    }

    /** By hand: 1, 1 − ½, 1 − 1, max(0, 1 − 2) over four looks. */
    @Test
    void is_the_weighted_clean_share_of_the_looks_asked_for() {
        var seen = calf().at(20).looks().at(40).looks(MechanicsFault.DROPPED_HEAD);
        seen.at(60).looks(MechanicsFault.LEANING).at(80).looks(MechanicsFault.TWISTED, MechanicsFault.BENT_WAIST);
        assertThat(seen.at(100).finish().score(Criterion.MECHANICS)).isEqualTo(37.5);
    }

    /** By hand: three clean looks that were due, a fault in between at half the weight: 3 ÷ 3½. */
    @Test
    void counts_what_was_noticed_in_between_by_half_and_says_it() {
        var seen = calf().at(20).looks().at(40).looks().at(60).looks();
        seen.at(65).notes(MechanicsFault.LEANING).at(100).finish();
        assertThat(seen.score(Criterion.MECHANICS)).isCloseTo(300 / 3.5, within(1e-9));
        assertThat(seen.scored(Criterion.MECHANICS).observations()).isEqualTo(3);
        assertThat(seen.findings(Rule.of("MECH-LOOK"))).hasSize(1);
        assertThat(seen.scored(Criterion.MECHANICS).interval().high()).isEqualTo(100);
    }

    /** By hand: (0.8 · 1 + 0.1 · ½) ÷ 0.9. */
    @Test
    void weighs_the_balance_by_a_tenth() {
        var seen = calf().at(20).looks().at(40).looks().at(60).looks();
        seen.at(70).tap(new BalanceTest(false)).at(80).tap(new BalanceTest(true));
        seen.at(100).finish();
        assertThat(seen.findings(Rule.of("MECH-BALANCE"))).hasSize(1);
        assertThat(seen.score(Criterion.MECHANICS)).isCloseTo(85 / 0.9, within(1e-9));
    }

    /** By hand: 40 s of 100 on a bare thumb, of which 20 are allowed: ½. (0.8 + 0.1 · ½) ÷ 0.9; the pointed 40 s are allowed. */
    @Test
    void weighs_thumbs_that_were_seen_by_a_tenth() {
        var seen = calf().at(20).looks().at(40).looks().at(50).touches(Zone.CALF, Tool.BARE_THUMB);
        seen.at(60).looks().at(90).touches(Zone.CALF, Tool.PALM).at(100).finish();
        assertThat(seen.part(Criterion.MECHANICS, "thumbs")).isCloseTo(0.5, within(1e-9));
        assertThat(seen.score(Criterion.MECHANICS)).isCloseTo(85 / 0.9, within(1e-9));
    }

    @Test
    void of_two_looks_in_nine_minutes_says_too_little_was_seen() {
        var seen = calf().at(100)
                .looks(MechanicsFault.LEANING)
                .at(300)
                .looks(MechanicsFault.LEANING)
                .at(540)
                .finish();
        var mechanics = seen.scored(Criterion.MECHANICS);
        assertThat(mechanics.score()).isNull();
        assertThat(mechanics.applicable()).isTrue();
        assertThat(mechanics.why()).isEqualTo("too little seen: 2 of 3 looks");
        assertThat(mechanics.findings()).hasSize(2);
    }

    /** Forty seconds ask for two looks; volunteered ones count half; in a part of a practical two of three will do. */
    @Test
    void wants_no_more_looks_than_fell_due() {
        var brief = calf().at(20).looks().at(39).looks().at(45).finish();
        assertThat(brief.score(Criterion.MECHANICS)).isEqualTo(100);
        var noticed = calf().at(20).notes().at(30).notes().at(45).finish();
        assertThat(noticed.scored(Criterion.MECHANICS).why()).isEqualTo("too little seen: 1 of 2 looks");
        var part = calf().at(20)
                .looks()
                .at(40)
                .looks()
                .at(300)
                .finish()
                .practical()
                .of(Extent.PART);
        assertThat(Scores.of(part).get(Criterion.MECHANICS).score()).isEqualTo(100);
    }

    @Test
    void without_a_look_is_not_observed() {
        assertThat(calf().at(30).finish().scored(Criterion.MECHANICS).why()).isEqualTo("too little seen: 0 of 1 looks");
    }

    @Test
    void where_nobody_worked_is_not_asked() {
        var none = Seen.of(CALF).at(60).finish().scored(Criterion.MECHANICS);
        assertThat(none.applicable()).isFalse();
        assertThat(none.why()).isEqualTo("nothing called for looks");
    }

    /** 31 s in a row, and all of the hands-on time: both limits of profile A. */
    @Test
    void a_bare_thumb_too_long_is_a_finding() {
        var seen = calf().at(10)
                .touches(Zone.CALF, Tool.BARE_THUMB)
                .at(41.5)
                .touches(Zone.CALF, Tool.PALM)
                .at(600)
                .finish();
        assertThat(seen.findings(Rule.of("HAND-BARE")))
                .singleElement()
                .satisfies(f -> assertThat(f.sentence()).contains("31.5 s in a row"));
    }

    /**
     * Wilson's interval (Wilson, E. B. 1927, JASA 22). Cases: 81 of 263 and 15 of 148 and 0 of 20 and 1 of 29, 95 %, as tabled by
     * Newcombe, R. G. (1998), Statistics in Medicine 17, 857–872, Table I, method 3 (from memory).
     */
    @ParameterizedTest
    @CsvSource({"81, 263, 0.2553, 0.3662", "15, 148, 0.0624, 0.1605", "0, 20, 0.0000, 0.1611", "1, 29, 0.0061, 0.1718"})
    void wilsons_interval_is_as_published(int clean, int looks, double low, double high) {
        var interval = WilsonInterval.of(clean, looks);
        assertThat(interval.low() / 100).isCloseTo(low, within(0.00006));
        assertThat(interval.high() / 100).isCloseTo(high, within(0.00006));
    }
}
