package palmtally.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
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

    private static String laid(Template template, Zone zone) {
        return template
                .sequence("s", "S", zone.region(), 1800, List.of(zone, zone), Profile.bySeconds())
                .blocks()
                .stream()
                .skip(1)
                .limit(2)
                .map(b -> b.id() + ": "
                        + b.steps().stream()
                                .map(x -> x.id().substring(zone.toString().length() + 1) + " "
                                        + x.technique().id() + " " + x.depth() + " " + x.phase() + " "
                                        + Math.round(x.dose().totalSeconds())
                                        + (x.sheet() == Sheet.THROUGH ? " through" : "")
                                        + x.care().stream().map(c -> " " + c).collect(Collectors.joining())
                                        + x.say().stream()
                                                .map(y -> " " + y.kind())
                                                .collect(Collectors.joining()))
                                .collect(Collectors.joining(", ")))
                .collect(Collectors.joining("\n"));
    }

    /** What each lays down, twice over one zone, to the word (common practice, no source). */
    @Test
    void lays_down_what_it_says_and_takes_no_id_twice() {
        assertThat(laid(Template.TOOL_LADDER, Zone.HAMSTRINGS))
                .isEqualTo(
                        "hamstrings: palm effleurage 2 warm 40, knead petrissage 3 warm 40, fist fist-glide 4 treat 60"
                                + " pressure-question, fingers stripping-fingers 4 treat 60 warns pressure-question,"
                                + " thumb stripping-thumb 4 treat 45 warns pressure-question, flush effleurage 2 flush 20\n"
                                + "hamstrings-2: palm-2 effleurage 2 warm 40, knead-2 petrissage 3 warm 40,"
                                + " fist-2 fist-glide 4 treat 60 pressure-question,"
                                + " fingers-2 stripping-fingers 4 treat 60 warns pressure-question,"
                                + " thumb-2 stripping-thumb 4 treat 45 warns pressure-question, flush-2 effleurage 2 flush 20");
        assertThat(laid(Template.PROTOCOL, Zone.HAMSTRINGS))
                .startsWith(
                        "hamstrings: warm effleurage 2 warm 40, isolate petrissage 3 isolate 40,"
                                + " compress compression 4 treat 60 pressure-question,"
                                + " lengthen stretch 2 lengthen 30 sheet-secured warns, reset rocking 1 reset 40, flush effleurage 2 flush 20\n");
        assertThat(laid(Template.INTERVIEW, Zone.HAMSTRINGS))
                .startsWith("hamstrings: find effleurage 2 warm 40, search petrissage 3 isolate 40,"
                        + " point trigger-point 4 treat 27 warns interview interview,"
                        + " lengthen stretch 2 lengthen 30 sheet-secured warns, flush effleurage 2 flush 20\n");
        // A bone edge takes no point, and asks first, through the sheet.
        assertThat(laid(Template.TOOL_LADDER, Zone.STERNUM))
                .startsWith("sternum: palm effleurage 1 warm 40 through consent, knead petrissage 1 warm 40 through,"
                        + " flush effleurage 1 flush 20 through\n");
        for (var template : Template.values())
            assertThat(template.label() + template.words())
                    .doesNotStartWith("null")
                    .hasSizeGreaterThan(20);
    }
}
