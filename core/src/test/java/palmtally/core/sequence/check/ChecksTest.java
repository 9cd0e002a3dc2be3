package palmtally.core.sequence.check;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.findings;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import palmtally.core.body.Zone;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.Plans.Made;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.technique.Tool;

/** Each check: a plan that raises it, one that does not, and that its mend removes it without raising a stop of another rule. */
class ChecksTest {
    private static final Profile A = Profile.bySeconds();
    private static final Profile B = Profile.byResponse();

    private static Made warm(String id, double seconds) {
        return step(id).on(Zone.HAMSTRINGS).seconds(seconds);
    }

    private static Made knead(String id) {
        return step(id).technique("petrissage").on(Zone.HAMSTRINGS).deep(3).seconds(60);
    }

    private static Made firm(String id) {
        return step(id).technique("fist-glide")
                .on(Zone.HAMSTRINGS)
                .with(Tool.LOOSE_FIST)
                .deep(4)
                .phase(Phase.TREAT)
                .say(SayKind.PRESSURE_QUESTION, 5);
    }

    private static Made flush(String id) {
        return step(id).on(Zone.HAMSTRINGS).seconds(30).phase(Phase.FLUSH);
    }

    /** A sound treatment of the back of the thigh: no rule has anything to say of it but hints. */
    static Sequence sound() {
        return Plans.of(
                660,
                Plans.block(
                        "open",
                        Block.Order.IN_ORDER,
                        Block.Repeat.ONCE,
                        step("s")
                                .technique("still-hold")
                                .on(Zone.HAMSTRINGS)
                                .side(Sides.BOTH)
                                .deep(1)
                                .seconds(20)
                                .sheet(Sheet.COVERED)
                                .phase(Phase.SETTLE)
                                .say(SayKind.GREETING)
                                .say(SayKind.PURPOSE)
                                .say(SayKind.AREAS_TO_AVOID)
                                .say(SayKind.INVITES_FEEDBACK),
                        step("l")
                                .technique("still-hold")
                                .on(Zone.HAMSTRINGS)
                                .side(Sides.BOTH)
                                .deep(1)
                                .seconds(20)
                                .sheet(Sheet.COVERED)
                                .phase(Phase.ASSESS)),
                Plans.block(
                        "work",
                        Block.Order.IN_ORDER,
                        Block.Repeat.EACH_SIDE,
                        warm("w", 60).side(Sides.EACH).say(SayKind.CHOICE, 30),
                        knead("k").side(Sides.EACH),
                        firm("f").side(Sides.EACH).say(SayKind.PRESSURE_QUESTION, 5),
                        flush("x").side(Sides.EACH)),
                Plans.block(
                        "close",
                        Block.Order.IN_ORDER,
                        Block.Repeat.ONCE,
                        step("r")
                                .technique("still-hold")
                                .on(Zone.HAMSTRINGS)
                                .side(Sides.BOTH)
                                .deep(1)
                                .seconds(20)
                                .sheet(Sheet.COVERED)
                                .phase(Phase.RE_CHECK),
                        step("c")
                                .technique("still-hold")
                                .on(Zone.HAMSTRINGS)
                                .side(Sides.BOTH)
                                .deep(1)
                                .seconds(10)
                                .sheet(Sheet.COVERED)
                                .phase(Phase.COVER)
                                .say(SayKind.CLOSING)));
    }

    private static Sequence gluteals(SayKind... says) {
        var open = step("o").on(Zone.LUMBAR).phase(Phase.SETTLE).deep(1);
        var press = step("g").on(Zone.GLUTEALS).sheet(Sheet.THROUGH).deep(2);
        for (var s : says) press.say(s);
        return eachSide(open, press);
    }

    @Nested
    class Warm_up {
        @Test
        void counts_on_that_zone_and_that_side_only() {
            var right = warm("w", 120).side(Sides.RIGHT);
            var left = firm("f").side(Sides.LEFT);
            assertThat(findings(once(right, left), A, Rule.of("ORDER-WARM")))
                    .singleElement()
                    .satisfies(f -> assertThat(f.sentence()).contains("after 0 s of warm-up"));
        }

        @Test
        void of_59_seconds_is_too_short_and_of_60_is_enough() {
            assertThat(findings(once(warm("w", 59), firm("f")), A, Rule.of("ORDER-WARM")))
                    .hasSize(1);
            assertThat(findings(once(warm("w", 60), firm("f")), A, Rule.of("ORDER-WARM")))
                    .isEmpty();
        }

        @Test
        void of_60_seconds_is_not_enough_for_the_other_school() {
            assertThat(findings(once(warm("w", 60), firm("f")), B, Rule.of("ORDER-WARM")))
                    .hasSize(1);
        }

        @Test
        void does_not_count_with_a_pointed_tool() {
            var thumb = step("t")
                    .technique("stripping-thumb")
                    .on(Zone.HAMSTRINGS)
                    .with(Tool.SUPPORTED_THUMB)
                    .seconds(200);
            assertThat(findings(once(thumb, firm("f")), A, Rule.of("ORDER-WARM")))
                    .hasSize(1);
        }
    }

    @Nested
    class Pressure {
        @ParameterizedTest
        @EnumSource(Zone.class)
        void at_the_ceiling_is_fine_and_one_deeper_is_not(Zone zone) {
            int ceiling = A.pressure().ceiling(zone);
            assertThat(findings(once(step("s").on(zone).deep(ceiling)), A, Rule.of("PRESS-CEILING")))
                    .isEmpty();
            if (ceiling == 5) return;
            var over = findings(once(step("s").on(zone).deep(ceiling + 1)), A, Rule.of("PRESS-CEILING"));
            assertThat(over).hasSize(1);
            assertThat(over.get(0).severity()).isEqualTo(zone.ceiling().isPresent() ? Severity.STOP : Severity.HINT);
        }

        @Test
        void the_generous_school_allows_the_upper_end_of_a_range() {
            var strap = once(step("s").on(Zone.STRAP_MUSCLE).deep(3));
            assertThat(findings(strap, A, Rule.of("PRESS-CEILING"))).hasSize(1);
            assertThat(findings(strap, B, Rule.of("PRESS-CEILING"))).isEmpty();
        }

        @Test
        void a_forbidden_site_has_no_mend() {
            var checks = Checks.run(once(step("s").on(Zone.SPINE).deep(1)), A);
            assertThat(checks.found())
                    .filteredOn(f -> f.finding().rule().equals(Rule.of("PRESS-CEILING")))
                    .singleElement()
                    .satisfies(f -> assertThat(f.mend()).isEmpty());
        }

        @Test
        void may_fall_by_any_number_of_grades() {
            var plan = once(warm("a", 60).deep(4), warm("b", 60).deep(1));
            assertThat(findings(plan, A, Rule.of("PRESS-STEP"))).isEmpty();
        }
    }

    @Nested
    class Time_slot {
        @Test
        void over_is_a_warning_and_says_by_how_much() {
            var plan = Plans.of(100, Plans.block("b", Block.Order.IN_ORDER, Block.Repeat.ONCE, warm("w", 120)));
            assertThat(findings(plan, A, Rule.of("DOSE-SLOT"))).singleElement().satisfies(f -> {
                assertThat(f.severity()).isEqualTo(Severity.WARN);
                assertThat(f.sentence()).contains("0:45 too long"); // 120 s and 25 s for the sheet
            });
        }

        @Test
        void well_filled_is_silent() {
            var plan = Plans.of(150, Plans.block("b", Block.Order.IN_ORDER, Block.Repeat.ONCE, warm("w", 120)));
            assertThat(findings(plan, A, Rule.of("DOSE-SLOT"))).isEmpty();
        }
    }

    @Test
    void the_second_side_must_begin_gently() {
        var left = List.of(firm("f").side(Sides.EACH), warm("w", 60).side(Sides.EACH));
        var plan = eachSide(left.get(0), left.get(1));
        assertThat(findings(plan, A, Rule.of("ORDER-SIDES")))
                .anySatisfy(f -> assertThat(f.sentence()).startsWith("The second side starts with"));
    }

    @Test
    void two_schools_say_different_things_of_the_same_plan() {
        var plan = eachSide(
                step("o").on(Zone.LUMBAR).phase(Phase.SETTLE).deep(1),
                step("g")
                        .on(Zone.GLUTEALS)
                        .sheet(Sheet.THROUGH)
                        .deep(3)
                        .seconds(65)
                        .say(SayKind.CONSENT));
        assertThat(Checks.run(plan, A).findings())
                .isNotEqualTo(Checks.run(plan, B).findings());
        assertThat(findings(plan, A, Rule.of("CONSENT-BEFORE"))).isEmpty();
        assertThat(findings(plan, B, Rule.of("CONSENT-BEFORE"))).hasSize(1);
    }

    @Test
    void the_same_plan_gets_the_same_findings_again() {
        assertThat(Checks.run(gluteals(), A).findings())
                .isEqualTo(Checks.run(gluteals(), A).findings());
    }

    @Test
    void the_gravest_come_first_and_then_what_is_first_in_time() {
        var found = Checks.run(eachSide(firm("f"), warm("w", 60), firm("g")), A).findings();
        assertThat(found).hasSizeGreaterThan(8).isSortedAccordingTo((a, b) -> {
            if (a.severity() != b.severity()) return b.severity().compareTo(a.severity());
            long at = a.where().atMs() == null ? Long.MAX_VALUE : a.where().atMs();
            long other = b.where().atMs() == null ? Long.MAX_VALUE : b.where().atMs();
            return at != other ? Long.compare(at, other) : a.rule().compareTo(b.rule());
        });
        assertThat(found).extracting(f -> f.severity()).contains(Severity.STOP, Severity.WARN, Severity.HINT);
    }

    @Test
    void a_school_has_those_prerequisites_that_are_not_off() {
        var all = Checks.prerequisites(A);
        assertThat(all).hasSizeGreaterThan(5);
        var off = all.get(0).rule();
        assertThat(Checks.prerequisites(A.withSeverities(Map.of(off, Severity.OFF))))
                .containsExactlyElementsOf(all.subList(1, all.size()));
    }
}
