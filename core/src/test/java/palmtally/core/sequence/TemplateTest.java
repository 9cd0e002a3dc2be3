package palmtally.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import palmtally.core.InvalidValue;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.finding.Finding;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.check.Checks;
import palmtally.core.technique.Tool;

class TemplateTest {
    static Stream<Arguments> everyTemplateOnEveryZone() {
        return Arrays.stream(Template.values())
                .flatMap(t -> Arrays.stream(Zone.values())
                        .filter(z -> Profile.bySeconds().pressure().ceiling(z) > 0)
                        .flatMap(z -> Profile.shipped().stream().map(p -> Arguments.of(t, z, p))));
    }

    @ParameterizedTest(name = "{0} on {1}")
    @MethodSource("everyTemplateOnEveryZone")
    void lays_down_nothing_that_stops(Template template, Zone zone, Profile profile) {
        var made = template.sequence("t", "T", zone.region(), 1200, List.of(zone), profile);
        var wrong = Checks.run(made, profile).findings().stream()
                .filter(f -> f.severity() == Severity.STOP)
                // What a school does not teach, or asks for at its start, is for the author to see.
                .filter(f -> !f.rule().equals(Rule.of("SCOPE")) && !f.rule().equals(Rule.of("CONSENT-BEFORE")))
                .toList();
        assertThat(wrong).isEmpty();
    }

    @Test
    void a_ladder_goes_from_broad_to_pointed_on_each_zone_and_each_side() {
        var made = Template.TOOL_LADDER.sequence(
                "t", "T", Region.THIGH, 3600, List.of(Zone.HAMSTRINGS, Zone.THIGH_OUTER), Profile.bySeconds());
        assertThat(made.blocks()).hasSize(4);
        assertThat(made.blocks().get(1).repeat()).isEqualTo(Block.Repeat.EACH_SIDE);
        assertThat(made.blocks().get(2).steps())
                .extracting(Step::tool)
                .containsExactly(
                        Tool.PALM,
                        Tool.PALM,
                        Tool.LOOSE_FIST,
                        Tool.REINFORCED_FINGERS,
                        Tool.SUPPORTED_THUMB,
                        Tool.PALM);
        assertThat(Checks.run(made, Profile.bySeconds()).findings())
                .extracting(Finding::rule)
                .doesNotContain(
                        Rule.of("ORDER-WARM"),
                        Rule.of("PRESS-STEP"),
                        Rule.of("ORDER-FLUSH"),
                        Rule.of("COMM-TOOL"),
                        Rule.of("COMM-OPEN"));
    }

    @Test
    void laid_over_a_sequence_takes_no_id_twice() {
        var made = Template.PROTOCOL.sequence("t", "T", Region.LOWER_LEG, 900, List.of(Zone.CALF), Profile.bySeconds());
        var more = Template.PROTOCOL.blocks(made, List.of(Zone.CALF, Zone.CALF), Profile.bySeconds());
        var all = Stream.concat(made.blocks().stream(), more.stream()).toList();
        assertThat(made.withBlocks(all).steps()).hasSize(made.steps().size() + 12);
    }

    @Test
    void no_zone_too_many_or_a_forbidden_one_is_refused() {
        var a = Profile.bySeconds();
        var some = Template.PROTOCOL.sequence("t", "T", Region.FOOT, 900, List.of(Zone.SOLE), a);
        assertThatThrownBy(() -> Template.PROTOCOL.blocks(some, List.of(), a)).isInstanceOf(InvalidValue.class);
        assertThatThrownBy(() -> Template.PROTOCOL.blocks(some, java.util.Collections.nCopies(21, Zone.CALF), a))
                .isInstanceOf(InvalidValue.class);
        assertThatThrownBy(() -> Template.TOOL_LADDER.blocks(some, List.of(Zone.SPINE), a))
                .isInstanceOf(InvalidValue.class)
                .hasMessageContaining("takes no pressure");
    }

    /** It would raise the stop that it is meant to spare: still hands lie where nobody minds. */
    @Test
    void the_settling_step_is_never_on_a_sensitive_place() {
        for (var profile : Profile.shipped())
            for (var zone : profile.draping().sensitive()) {
                if (profile.pressure().ceiling(zone) == 0) continue;
                var open = Template.PROTOCOL
                        .sequence("t", "T", zone.region(), 900, List.of(zone), profile)
                        .steps()
                        .get(0);
                assertThat(open.phase()).isEqualTo(Phase.SETTLE);
                assertThat(open.zones())
                        .doesNotContainAnyElementsOf(profile.draping().sensitive());
                assertThat(open.position()).isEqualTo(zone.usualPosition());
            }
    }
}
