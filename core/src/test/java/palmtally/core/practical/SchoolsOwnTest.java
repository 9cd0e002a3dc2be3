package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static palmtally.core.sequence.Plans.findings;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.EnumSet;
import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.practical.event.Contact;
import palmtally.core.practical.event.RateTap;
import palmtally.core.profile.Numbers;
import palmtally.core.profile.Profile;
import palmtally.core.profile.ZoneSets;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.core.technique.Dose;

/** Plans and marks are held to what a school sets itself: how deep a site, how long a dose, which zones are asked for. */
class SchoolsOwnTest {
    private static final Profile A = Profile.bySeconds();

    private static Profile with(String number, double value) {
        return Numbers.find(number).orElseThrow().set(A, value);
    }

    private static Sequence sole(int depth) {
        return once(step("s").on(Zone.SOLE).deep(depth).phase(Phase.TREAT).seconds(60));
    }

    private static Seen seen(Sequence plan, Profile profile) {
        return Seen.of(plan, profile).sides(Sides.RIGHT).at(0).starts("s", Side.RIGHT);
    }

    @Test
    void a_site_the_trade_names_no_ceiling_for_has_one_once_the_school_names_it() {
        var own = with("ceiling-sole", 2);
        assertThat(findings(sole(3), A, Rule.of("PRESS-CEILING"))).isEmpty();
        assertThat(findings(sole(5), A, Rule.of("PRESS-CEILING")))
                .extracting(Finding::severity)
                .containsExactly(Severity.HINT);
        assertThat(findings(sole(3), own, Rule.of("PRESS-CEILING")))
                .extracting(Finding::severity, Finding::sentence)
                .containsExactly(tuple(
                        Severity.STOP,
                        "Step 1 goes to depth 3 on sole of the foot; this site takes 2 at most at this school."));
        var deep = seen(sole(2), own).at(10).tap(Contact.on(Zone.SOLE).depth(3));
        assertThat(deep.at(60).finish().findings(Rule.of("PRESS-CEILING")))
                .extracting(Finding::severity, Finding::sentence)
                .containsExactly(tuple(
                        Severity.STOP,
                        "Depth 3 on sole of the foot at 0:10; this site takes 2 at most at this school."));
    }

    @Test
    void a_site_that_is_forbidden_at_the_school_is_critical_to_touch() {
        var run = seen(sole(2), with("ceiling-sole", 0)).at(10).tap(Contact.on(Zone.SOLE));
        assertThat(run.at(60).finish().findings(Rule.of("PRESS-CEILING")))
                .extracting(Finding::severity)
                .containsExactly(Severity.CRITICAL);
    }

    @Test
    void a_dose_is_held_to_the_window_of_the_school() {
        var stretch = once(
                step("s").technique("stretch").on(Zone.CALF).phase(Phase.TREAT).seconds(40));
        assertThat(findings(stretch, A, Rule.of("DOSE-WINDOW"))).isEmpty();
        assertThat(findings(stretch, with("dose-least-stretch", 60), Rule.of("DOSE-WINDOW")))
                .extracting(Finding::sentence)
                .containsExactly("Step 1 gives 40 s; the dose table says at least 60 s (passive, supported).");
    }

    private static double rate(Profile profile) {
        var plan = once(step("s")
                .technique("cross-fibre")
                .on(Zone.ACHILLES)
                .phase(Phase.TREAT)
                .dose(Dose.cycles(60, 2)));
        var run = seen(plan, profile);
        for (int i = 0; i < 5; i++) run.at(10 + 0.35 * i).tap(new RateTap());
        return run.at(60).finish().part(Criterion.PRESSURE, "rate");
    }

    /** 2.86 a second: over 2 by more than a quarter, over 2.5 by less, within 3. */
    @Test
    void a_rate_is_held_to_the_window_of_the_school() {
        assertThat(rate(A)).isZero();
        assertThat(rate(with("rate-high-cross-fibre", 2.5))).isEqualTo(0.5);
        assertThat(rate(with("rate-high-cross-fibre", 3))).isEqualTo(1);
    }

    @Test
    void a_zone_is_asked_for_where_the_school_says_so() {
        var sensitive = ZoneSets.find("sensitive").orElseThrow();
        var zones = EnumSet.copyOf(sensitive.chosen(A));
        zones.add(Zone.SOLE);
        var asks = sensitive.choose(A, zones);
        assertThat(asked(A)).isEmpty();
        assertThat(asked(asks)).containsExactly("permission/sole");
        assertThat(findings(sole(2), A, Rule.of("CONSENT-BEFORE"))).isEmpty();
        assertThat(findings(sole(2), asks, Rule.of("CONSENT-BEFORE"))).hasSize(1);
    }

    private static List<String> asked(Profile profile) {
        return seen(sole(2), profile).at(60).finish().scores().questions().stream()
                .filter(Question::permission)
                .map(Question::key)
                .toList();
    }
}
