package palmtally.core.sequence.check;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.step;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import palmtally.core.body.Position;
import palmtally.core.body.Zone;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.people.ClientNote;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Difference;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.Plans.Made;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Dose;
import palmtally.core.technique.ScopeTopic;
import palmtally.core.technique.Tool;

/**
 * What every rule about plans is asked: a plan that raises it and what is said of it, one as near as can be that does not, what its mend
 * does to the last detail, and that the mend raises no stop of another rule. What the rules say is common practice, no source.
 */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
public abstract class CheckTest {
    static final Profile A = Profile.bySeconds();
    static final Profile B = Profile.byResponse();

    /** With this set the cases print what is said and done now, for whoever writes one. */
    private static final boolean TELL = System.getenv("PALM_TELL_CASES") != null;

    final Rule rule;
    private final String worth;

    /** @param worth severity where a school says nothing else, and criterion, such as {@code stop order} */
    protected CheckTest(Rule rule, String worth) {
        this.rule = rule;
        this.worth = worth;
    }

    protected abstract List<Case> cases();

    /**
     * @param fine a plan as near as can be that does not raise it
     * @param says the sentences of the faulty plan, in order
     * @param mends the label of each mend and what it changes
     */
    protected record Case(
            String about,
            Profile profile,
            Sequence faulty,
            Sequence fine,
            List<ClientNote> notes,
            List<String> says,
            List<String> mends) {
        @Override
        public String toString() {
            return about;
        }

        public Case under(Profile other) {
            return new Case(about, other, faulty, fine, notes, says, mends);
        }

        public Case under(UnaryOperator<Profile> change) {
            return under(change.apply(profile));
        }

        public Case says(String... sentences) {
            return new Case(about, profile, faulty, fine, notes, List.of(sentences), mends);
        }

        public Case mends(String... edits) {
            return new Case(about, profile, faulty, fine, notes, says, List.of(edits));
        }
    }

    protected static Case of(String about, Sequence faulty, Sequence fine) {
        return new Case(about, A, faulty, fine, List.of(), List.of(), List.of());
    }

    protected static Case client(String about, ClientNote note, Sequence faulty, Sequence fine) {
        return new Case(about, A, faulty, fine, List.of(note), List.of(), List.of());
    }

    protected static ClientNote note(ClientNote.Kind kind) {
        return new ClientNote(kind, null, null);
    }

    protected static Made thigh(String id) {
        return step(id).on(Zone.HAMSTRINGS);
    }

    protected static Made fist(String id) {
        return thigh(id).technique("fist-glide").with(Tool.LOOSE_FIST).deep(4).phase(Phase.TREAT);
    }

    protected static Made point(String id) {
        return thigh(id)
                .technique("trigger-point")
                .with(Tool.SUPPORTED_THUMB)
                .deep(4)
                .dose(Dose.holds(3, 9))
                .phase(Phase.TREAT);
    }

    protected static Made stretch(String id) {
        return thigh(id).technique("stretch").seconds(30).phase(Phase.LENGTHEN);
    }

    protected static Made friction(String id) {
        return step(id).technique("cross-fibre")
                .on(Zone.ACHILLES)
                .with(Tool.SUPPORTED_THUMB)
                .deep(3)
                .dose(Dose.cycles(90, 1.5))
                .phase(Phase.TREAT);
    }

    protected static Made heat(String id) {
        return step(id).technique("heat").on(Zone.LUMBAR).deep(1).seconds(300).phase(Phase.RESET);
    }

    protected static Made neck(String id) {
        return step(id).on(Zone.NECK_BACK).lying(Position.SUPINE);
    }

    protected static Made jaw(String id) {
        return step(id).technique("circular-friction")
                .on(Zone.JAW_MUSCLES)
                .with(Tool.FINGER_PADS)
                .seconds(120)
                .lying(Position.SUPINE);
    }

    protected static Made gluteal(String id) {
        return step(id).on(Zone.GLUTEALS).sheet(Sheet.THROUGH).say(SayKind.CONSENT);
    }

    protected static Made still(String id) {
        return thigh(id).technique("still-hold").deep(1).seconds(20).phase(Phase.SETTLE);
    }

    protected static Made talking(Made m) {
        return m.say(SayKind.GREETING)
                .say(SayKind.PURPOSE)
                .say(SayKind.AREAS_TO_AVOID)
                .say(SayKind.INVITES_FEEDBACK);
    }

    static Profile scoped(Profile p, ScopeTopic topic, ScopeTopic.Level level) {
        var scope = new EnumMap<ScopeTopic, ScopeTopic.Level>(p.scope());
        scope.put(topic, level);
        return p.withScope(scope);
    }

    List<Found> said(Case c, Sequence plan) {
        return Checks.run(plan, c.profile, c.notes).found().stream()
                .filter(f -> f.finding().rule().equals(rule))
                .toList();
    }

    /** What an edit changes, in words; of a new step all that the words of a difference leave out. */
    private static String edit(Mend mend, Sequence before) {
        var after = mend.apply(before);
        var words = new ArrayList<>(Difference.between(before, after));
        for (var s : after.steps()) if (before.step(s.id()).isEmpty()) words.add(detail(s));
        return mend.label() + ": " + String.join(" ", words);
    }

    private static String detail(Step s) {
        return "(" + s.id() + ", " + s.technique().id() + ", " + s.tool() + ", depth " + s.depth() + ", "
                + s.zones().stream().map(Zone::toString).collect(Collectors.joining(" and ")) + ", " + s.side() + ", "
                + s.sheet() + ", " + s.lubricant() + ", " + s.phase()
                + s.say().stream().map(w -> ", " + w.kind()).collect(Collectors.joining())
                + s.care().stream().map(w -> ", " + w).collect(Collectors.joining()) + ")";
    }

    /** What is found where nothing should be. */
    void alarm(Sequence plan) {
        assertThat(Plans.findings(plan, A, rule)).as("%s", plan).hasSize(1);
    }

    void silent(Sequence plan) {
        assertThat(Plans.findings(plan, A, rule)).isEmpty();
    }

    @Test
    void is_worth_what_it_was_and_belongs_where_it_did() {
        assertThat(rule.severity() + " " + rule.criterion()).isEqualTo(worth);
        assertThat(rule.meaning()).endsWith(".");
        assertThat(Checks.rules()).contains(rule);
        assertThat(cases()).isNotEmpty();
    }

    @ParameterizedTest
    @MethodSource("cases")
    void is_raised_by_a_plan_that_breaks_it_and_not_by_one_that_does_not(Case c) {
        var said = said(c, c.faulty).stream().map(f -> f.finding().sentence()).toList();
        if (TELL) tell(c);
        assertThat(said).isNotEmpty().containsExactlyElementsOf(c.says);
        assertThat(said(c, c.fine)).as("not raised").isEmpty();
    }

    private void tell(Case c) {
        var found = said(c, c.faulty);
        System.out.println("CASE\t" + rule + "\t" + c.about + "\t"
                + found.stream().map(f -> f.finding().sentence()).collect(Collectors.joining("\u001f")) + "\t"
                + found.stream()
                        .flatMap(f -> f.mend().stream())
                        .map(m -> edit(m, c.faulty))
                        .collect(Collectors.joining("\u001f")));
    }

    @ParameterizedTest
    @MethodSource("cases")
    void a_mend_does_what_it_says_removes_its_finding_and_raises_no_stop_of_another_rule(Case c) {
        var before = Checks.run(c.faulty, c.profile, c.notes);
        var mends = said(c, c.faulty).stream().filter(f -> f.mend().isPresent()).toList();
        assertThat(mends)
                .extracting(f -> edit(f.mend().orElseThrow(), c.faulty))
                .containsExactlyElementsOf(c.mends);
        for (var found : mends) {
            var after = Checks.run(before.mended(found.finding().key()), c.profile, c.notes);
            assertThat(after.findings())
                    .extracting(f -> f.key())
                    .doesNotContain(found.finding().key());
            assertThat(said(c, after.sequence()).size())
                    .isLessThan(said(c, c.faulty).size());
            assertThat(stops(after))
                    .as("stops after %s", found.mend().get().label())
                    .allSatisfy((r, n) -> assertThat(n)
                            .as(r.toString())
                            .isLessThanOrEqualTo(stops(before).getOrDefault(r, 0L)));
        }
    }

    private static Map<Rule, Long> stops(Checks checks) {
        return checks.findings().stream()
                .filter(f -> f.severity() == Severity.STOP)
                .collect(Collectors.groupingBy(f -> f.rule(), TreeMap::new, Collectors.counting()));
    }

    @ParameterizedTest
    @MethodSource("cases")
    void a_finding_says_what_why_and_how_to_mend_it(Case c) {
        for (var found : said(c, c.faulty)) {
            assertThat(found.finding().sentence()).endsWith(".").hasSizeGreaterThan(25);
            assertThat(found.finding().remedy()).endsWith(".");
            assertThat(found.finding().key()).startsWith(rule.toString());
        }
    }

    @ParameterizedTest
    @MethodSource("cases")
    void a_rule_that_is_off_stays_silent(Case c) {
        assertThat(said(c.under(p -> p.withSeverities(Map.of(rule, Severity.OFF))), c.faulty))
                .isEmpty();
    }
}
