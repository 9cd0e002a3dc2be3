package palmtally.core.sequence.check;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Zone;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Plans.Made;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sheet;
import palmtally.core.technique.Tool;

/** What each rule binds by itself, with every other off, and what one plan's end binds always. */
class LinksOfRulesTest {
    private static Made firm(String id) {
        return step(id).technique("fist-glide").with(Tool.LOOSE_FIST).deep(4).phase(Phase.TREAT);
    }

    private static Made point(String id) {
        return step(id).technique("trigger-point")
                .with(Tool.SUPPORTED_THUMB)
                .deep(4)
                .phase(Phase.TREAT);
    }

    private static String bound(Rule only, Made... steps) {
        var off = Checks.all().stream()
                .map(Check::rule)
                .filter(r -> r != only)
                .collect(Collectors.toMap(r -> r, r -> Severity.OFF));
        return links(Profile.bySeconds().withSeverities(off), steps);
    }

    private static String links(Profile profile, Made... steps) {
        var links = HardLinks.of(new Plan(once(steps), profile, List.of()));
        var all = new ArrayList<String>();
        for (int i = 0; i < links.steps().size(); i++) {
            int from = i;
            links.after(i).stream()
                    .forEach(j -> all.add(
                            links.steps().get(from).id() + links.steps().get(j).id()));
        }
        return String.join(" ", all);
    }

    @Test
    void gentle_before_strong_on_each_zone() {
        var rule = GentleToStrong.RULE;
        var roll = step("r").technique("skin-rolling").with(Tool.PINCER).deep(2).phase(Phase.TREAT);
        var friction = step("x")
                .technique("cross-fibre")
                .with(Tool.REINFORCED_FINGERS)
                .deep(3)
                .phase(Phase.TREAT);
        var stretch = step("s").technique("stretch").deep(2).phase(Phase.TREAT);
        var warm = step("w").deep(2).phase(Phase.WARM);
        assertThat(bound(rule, warm, roll, firm("f"), point("p"), friction, stretch))
                .isEqualTo("rf rp rx fp fx px");
        assertThat(bound(rule, firm("f"), firm("g"))).isEqualTo("");
        assertThat(bound(rule, point("p"), firm("f"), friction)).isEqualTo("px fx");
        assertThat(bound(rule, roll, firm("f").on(Zone.LUMBAR))).isEqualTo("");
    }

    @Test
    void the_first_broad_hand_before_each_point() {
        var rule = BroadFirst.RULE;
        assertThat(bound(rule, step("h").deep(0), step("a"), step("b"), point("p"), step("c"), point("q")))
                .isEqualTo("ap aq");
        assertThat(bound(rule, point("p"), step("a"))).isEqualTo("");
    }

    @Test
    void a_cause_before_the_last_that_follows_it() {
        var rule = LengthenAfterPoint.RULE;
        var length = step("s").technique("stretch").deep(2).phase(Phase.LENGTHEN);
        var more = step("t").technique("stretch").deep(2).phase(Phase.LENGTHEN);
        assertThat(bound(rule, step("a"), point("p"), length, point("q"), more, step("z")))
                .isEqualTo("pt qt");
        assertThat(bound(rule, point("p"), length.on(Zone.LUMBAR))).isEqualTo("");
    }

    @Test
    void permission_before_what_it_is_for() {
        var rule = ConsentBefore.RULE;
        var settles =
                step("s").technique("still-hold").deep(1).phase(Phase.SETTLE).say(SayKind.CONSENT);
        var before = step("b").say(SayKind.CONSENT);
        var there = step("t").on(Zone.GLUTEALS).sheet(Sheet.THROUGH).say(SayKind.CONSENT);
        var glute = step("g").on(Zone.GLUTEALS).sheet(Sheet.THROUGH);
        assertThat(bound(rule, settles, step("a"), glute)).isEqualTo("sg");
        assertThat(bound(rule, step("a"), before, glute)).isEqualTo("bg");
        assertThat(bound(rule, before, step("a"), glute)).isEqualTo("");
        assertThat(bound(rule, there, step("a"), glute)).isEqualTo("tg");
        assertThat(bound(rule, before, step("a"))).isEqualTo("");
    }

    @Test
    void covering_after_all_and_a_re_check_after_what_it_checks() {
        var off = Checks.all().stream().map(Check::rule).collect(Collectors.toMap(r -> r, r -> Severity.OFF));
        var none = Profile.bySeconds().withSeverities(off);
        var check = step("c").phase(Phase.RE_CHECK);
        var cover = step("z").deep(1).sheet(Sheet.COVERED).phase(Phase.COVER);
        assertThat(links(none, step("a"), step("l").on(Zone.LUMBAR), check, step("b")))
                .isEqualTo("ac");
        assertThat(links(none, step("a"), cover, step("b"))).isEqualTo("az");
        assertThat(bound(CoverAtEnd.RULE, step("a"), step("b"), cover)).isEqualTo("az bz");
        assertThat(links(none, step("a"), step("b"))).isEqualTo("");
    }

    @Test
    void a_chain_of_own_links_closes_no_circle_however_long() {
        var off = Checks.all().stream().map(Check::rule).collect(Collectors.toMap(r -> r, r -> Severity.OFF));
        var none = Profile.bySeconds().withSeverities(off);
        assertThat(links(
                        none,
                        step("a"),
                        step("b").before("a"),
                        step("c").before("b"),
                        step("d").before("c")))
                .isEqualTo("ba cb dc");
        // Cover would come last: a, linked to come after it, keeps its place.
        var cover = step("z").deep(1).sheet(Sheet.COVERED).phase(Phase.COVER).before("a");
        assertThat(Stream.of(links(none, step("a"), step("b"), cover).split(" ")))
                .containsExactly("bz", "za");
    }
}
