package palmtally.core.sequence.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.findings;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;
import static palmtally.core.sequence.check.CheckTest.fist;
import static palmtally.core.sequence.check.CheckTest.friction;
import static palmtally.core.sequence.check.CheckTest.gluteal;
import static palmtally.core.sequence.check.CheckTest.heat;
import static palmtally.core.sequence.check.CheckTest.neck;
import static palmtally.core.sequence.check.CheckTest.note;
import static palmtally.core.sequence.check.CheckTest.point;
import static palmtally.core.sequence.check.CheckTest.scoped;
import static palmtally.core.sequence.check.CheckTest.still;
import static palmtally.core.sequence.check.CheckTest.stretch;
import static palmtally.core.sequence.check.CheckTest.thigh;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import palmtally.core.body.Zone;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.people.ClientNote;
import palmtally.core.profile.Choices;
import palmtally.core.profile.Group;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Care;
import palmtally.core.sequence.Direction;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Stance;
import palmtally.core.technique.Dose;
import palmtally.core.technique.ScopeTopic;
import palmtally.core.technique.Technique.Effort;
import palmtally.core.technique.Tool;

/** What the rules about plans have in common: each has its test, and each either/or of a school moves the rules that it names and no other. */
class RulesTest {
    private static final Profile A = CheckTest.A;
    private static final Profile B = CheckTest.B;

    @Test
    void every_rule_has_its_test() {
        for (var check : Checks.all()) {
            var name = check.getClass().getName() + "Test";
            assertThatCode(() -> assertThat(Class.forName(name)).isAssignableTo(CheckTest.class))
                    .as(name)
                    .doesNotThrowAnyException();
        }
        assertThat(Checks.all().size()).isGreaterThanOrEqualTo(53);
    }

    @Test
    void a_sound_plan_gets_hints_only() {
        var found = Checks.run(ChecksTest.sound(), A).findings();
        assertThat(found).filteredOn(f -> f.severity() != Severity.HINT).isEmpty();
        assertThat(found).extracting(f -> f.rule()).containsOnly(Rule.of("ORDER-OPPOSE"));
    }

    /** Of several opponents the first of the body is named, from start to start the same. */
    @Test
    void the_opponent_that_is_left_out_is_always_the_same() {
        var chest = once(step("c").on(Zone.CHEST_WALL).deep(4).seconds(60));
        assertThat(Checks.run(chest, A).findings())
                .filteredOn(f -> f.rule().equals(Rule.of("ORDER-OPPOSE")))
                .singleElement()
                .satisfies(f ->
                        assertThat(f.sentence()).contains("its opponent, upper back, beside the spine, is left out"));
        assertThat(List.copyOf(java.util.EnumSet.of(Zone.UPPER_BACK, Zone.SHOULDER_BLADE))
                        .get(0))
                .isEqualTo(Zone.UPPER_BACK);
    }

    @Test
    void every_topic_of_scope_is_refused_where_it_is_not_taught_and_silent_where_it_is_allowed() {
        var plans = Map.of(
                ScopeTopic.FRONT_OF_NECK, eachSide(neck("a").on(Zone.THROAT)),
                ScopeTopic.INSIDE_MOUTH, eachSide(neck("a").on(Zone.INSIDE_MOUTH)),
                ScopeTopic.BREAST_TISSUE, eachSide(neck("a").on(Zone.BREAST)),
                ScopeTopic.JOINT_MOVEMENT, eachSide(neck("a").technique("joint-glide")),
                ScopeTopic.HEAT_AND_COLD, eachSide(heat("a")),
                ScopeTopic.PRENATAL, eachSide(thigh("a")),
                ScopeTopic.ABDOMINAL, once(neck("a").on(Zone.BELLY).side(Sides.MIDLINE)),
                ScopeTopic.EXERCISE_ADVICE, eachSide(step("a").saying("Repeat this exercise at home.")),
                ScopeTopic.DIAGNOSIS, eachSide(step("a").saying("That is sciatica.")));
        assertThat(plans.keySet()).containsExactlyInAnyOrder(ScopeTopic.values());
        plans.forEach((topic, plan) -> {
            var notes = topic == ScopeTopic.PRENATAL ? List.of(note(ClientNote.Kind.PREGNANT)) : List.<ClientNote>of();
            for (var level : ScopeTopic.Level.values()) {
                var found = Checks.run(plan, scoped(A, topic, level), notes).findings().stream()
                        .filter(f -> f.rule().equals(Rule.of("SCOPE"))
                                && f.sentence().contains(topic.caution()))
                        .toList();
                if (level == ScopeTopic.Level.ALLOWED) {
                    assertThat(found).as(topic + " " + level).isEmpty();
                    continue;
                }
                assertThat(found).as(topic + " " + level).hasSize(1);
                assertThat(found.get(0).sentence()).endsWith(ScopeTopic.WHO_DECIDES);
                assertThat(found.get(0).severity())
                        .isEqualTo(level == ScopeTopic.Level.SUPERVISED ? Severity.HINT : Severity.STOP);
            }
        });
    }

    /** For each either/or a plan on which nothing but its flip changes what is found. */
    private static final Map<String, Sequence> FLIPS = Map.ofEntries(
            Map.entry("hold-end", eachSide(thigh("w"), point("p").dose(Dose.holds(3, 3)))),
            Map.entry("hold-decided-by", eachSide(thigh("w"), point("p").say(SayKind.INTERVIEW))),
            Map.entry(
                    "first-on-skin",
                    eachSide(
                            thigh("o").oiled(),
                            thigh("r").technique("skin-rolling").with(Tool.PINCER))),
            Map.entry("first-leg-stroke", eachSide(thigh("t").going(Direction.PROXIMAL), step("c"), thigh("x"))),
            Map.entry("gluteals", eachSide(thigh("t"), gluteal("g").sheet(Sheet.OPEN))),
            Map.entry("consent", eachSide(thigh("t"), gluteal("g"))),
            Map.entry(
                    "chest-sheet",
                    eachSide(step("s")
                            .technique("stretch")
                            .on(Zone.CHEST_WALL)
                            .say(SayKind.CONSENT)
                            .with(Care.SHEET_SECURED))),
            Map.entry(
                    "front-of-neck",
                    eachSide(neck("n"), neck("f").on(Zone.STRAP_MUSCLE).say(SayKind.CONSENT))),
            Map.entry("elbow", eachSide(thigh("w"), thigh("e").with(Tool.ELBOW))),
            Map.entry("on-table", eachSide(thigh("w").stance(Stance.ON_TABLE))),
            Map.entry(
                    "scalp",
                    once(neck("s").on(Zone.SCALP).side(Sides.MIDLINE), neck("n").side(Sides.BOTH))),
            Map.entry(
                    "client-part",
                    eachSide(stretch("s")
                            .effort(Effort.ACTIVE)
                            .say(SayKind.READY_CUE)
                            .say(SayKind.RELAX_CUE))),
            Map.entry(
                    "after-friction",
                    eachSide(
                            friction("f"),
                            step("c").technique("cold").on(Zone.ACHILLES).deep(1))),
            Map.entry("ears", once(step("e").on(Zone.EARS).side(Sides.BOTH))),
            Map.entry("opening", eachSide(still("s"), thigh("w"))),
            Map.entry(
                    "ceiling-end",
                    eachSide(neck("n"), neck("f").on(Zone.STRAP_MUSCLE).deep(3).say(SayKind.CONSENT))));

    static Stream<Choices.Row> eitherOrs() {
        return Choices.all().stream();
    }

    @ParameterizedTest
    @MethodSource("eitherOrs")
    void flipping_one_setting_alone_changes_what_its_rule_finds(Choices.Row setting) {
        if (setting.rules().isEmpty()) return; // changes marks: see the tests of outcomes and of competency
        if (setting.group() == Group.HOURS) return; // changes what is said of hours: see RegisterTest
        var plan = FLIPS.get(setting.id());
        assertThat(plan).as("a plan for " + setting.id()).isNotNull();
        var said = setting.options().stream()
                .map(o -> Checks.run(plan, setting.choose(A, o.id())).findings())
                .collect(Collectors.toSet());
        assertThat(said).as("answers to " + setting.question()).hasSizeGreaterThan(1);
        var others = setting.options().stream()
                .map(o -> Checks.run(plan, setting.choose(A, o.id())).findings().stream()
                        .filter(f -> !setting.rules().contains(f.rule()))
                        .toList())
                .collect(Collectors.toSet());
        assertThat(others).as("what other rules say").hasSize(1);
    }

    @ParameterizedTest
    @MethodSource("eitherOrs")
    void a_setting_reads_back_what_was_chosen_and_touches_nothing_else(Choices.Row setting) {
        for (var option : setting.options()) {
            var changed = setting.choose(A, option.id());
            assertThat(setting.chosen(changed)).isEqualTo(option.id());
            assertThat(setting.choose(changed, setting.chosen(A))).isEqualTo(A);
        }
    }

    @Test
    void the_two_that_ship_disagree_on_six_rules_and_more_about_one_plan() {
        var plan = eachSide(
                still("s"),
                thigh("w").seconds(70).going(Direction.PROXIMAL),
                thigh("k").deep(3).seconds(10).oiled(),
                thigh("r").technique("skin-rolling").with(Tool.PINCER),
                point("p").say(SayKind.INTERVIEW),
                thigh("e").with(Tool.ELBOW),
                stretch("t"),
                gluteal("g"));
        var a = rules(plan, A);
        var b = rules(plan, B);
        var different = Stream.concat(a.stream(), b.stream())
                .filter(r -> a.contains(r) != b.contains(r))
                .collect(Collectors.toSet());
        assertThat(different).hasSizeGreaterThanOrEqualTo(6);
    }

    private static Set<Rule> rules(Sequence plan, Profile profile) {
        return Checks.run(plan, profile).findings().stream().map(f -> f.rule()).collect(Collectors.toSet());
    }

    @Test
    void a_longer_warm_up_of_the_other_school_is_found_missing() {
        var plan = eachSide(thigh("w").seconds(60), thigh("k").deep(3).seconds(10), fist("f"), thigh("x"));
        assertThat(findings(plan, A, Rule.of("ORDER-WARM"))).isEmpty();
        assertThat(findings(plan, B, Rule.of("ORDER-WARM"))).hasSize(1);
    }
}
