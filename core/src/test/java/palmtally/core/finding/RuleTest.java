package palmtally.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** What each rule is worth where a school says nothing else, and whose score it belongs to: common practice, no source. */
class RuleTest {
    private static final String WORTH = """
            stop draping: CONSENT-BEFORE, CONSENT-SCOPE
            stop order: ORDER-WARM, TERM-TAUGHT, TERM-PREREQ/jaw-after-neck, TERM-PREREQ/front-after-back-of-neck, TERM-PREREQ/gluteal-after-drapes
            stop pressure: DOSE-CAP, PRESS-CEILING, PRESS-ANSWER, CLIENT
            stop communication: SCOPE
            warn draping: DRAPE-IDLE, DRAPE-OPEN, DRAPE-TWO, DRAPE-SECURE, DRAPE-END, DRAPE-FAULT, CLEAN-FACE
            warn mechanics: HAND-BARE, REACH, TABLE, MECH-LOOK
            warn order: ORDER-BROAD, ORDER-FLUSH, ORDER-SIDES, ORDER-FIRST, ORDER-LIMB, ORDER-DRY, ORDER-TURNS, ORDER-PREREQ/link, ORDER-PREREQ/thigh-before-gluteal, ORDER-PREREQ/back-before-front-of-neck, ORDER-PREREQ/neck-before-jaw, ORDER-PREREQ/muscle-before-joint, ORDER-PREREQ/distraction-before-glide, ORDER-PREREQ/gentle-to-strong, ORDER-PREREQ/moving-on-tendon, ORDER-PREREQ/flush-after-heat, ORDER-PREREQ/after-friction, ORDER-RUN, ORDER-COVER, ORDER-WAY, DOSE-SLOT, TERM-PRACTISED, TERM-ASSESSED, TERM-AGAIN, TERM-FULL, TERM-HOURS, TERM-SEQUENCE
            warn pressure: DOSE-WINDOW, DOSE-RATE, PRESS-STEP, PRESS-POINT, PRESS-DEPTH
            warn communication: COMM-TOOL, COMM-GAP, COMM-OPEN, COMM-WARN, COMM-CUE, COMM-INTERVIEW
            hint mechanics: HAND-LOAD, MECH-BALANCE
            hint order: ORDER-OPPOSE, ORDER-PREREQ/settle-first, ORDER-PREREQ/assess-first, ORDER-PREREQ/lengthen-after-point, ORDER-PREREQ/stretch-after-heat, ORDER-PREREQ/scalp, ORDER-PREREQ/compare-after, TERM-COVER
            hint pressure: PRESS-BAND
            hint communication: COMM-REPLY, COMM-CLOSE
            """;

    @Test
    void every_rule_is_worth_what_it_was_and_belongs_where_it_did() {
        var now = new StringBuilder();
        for (var severity : Severity.values())
            for (var criterion : Criterion.values()) {
                var rules = Arrays.stream(Rule.values())
                        .filter(r -> r.severity() == severity && r.criterion() == criterion)
                        .map(Rule::toString)
                        .toList();
                if (!rules.isEmpty())
                    now.append(severity)
                            .append(" ")
                            .append(criterion)
                            .append(": ")
                            .append(String.join(", ", rules))
                            .append("\n");
            }
        assertThat(now.toString().lines().sorted().collect(Collectors.joining("\n")))
                .isEqualTo(WORTH.lines().sorted().collect(Collectors.joining("\n")));
    }

    @Test
    void no_two_rules_have_one_name() {
        assertThat(Arrays.stream(Rule.values()).map(Rule::toString)).doesNotHaveDuplicates();
        assertThat(Rule.values())
                .allSatisfy(r -> assertThat(r.meaning()).as(r.toString()).endsWith("."));
    }
}
