package palmtally.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import palmtally.core.sequence.check.Checks;

/**
 * What each rule that is not about plans is worth where a school says nothing else, and whose score it belongs to: common practice, no
 * source. Those about plans say it in the test of each.
 */
class RuleTest {
    private static final String WORTH = """
            stop order: TERM-PREREQ/front-after-back-of-neck, TERM-PREREQ/gluteal-after-drapes, TERM-PREREQ/jaw-after-neck, TERM-TAUGHT
            stop pressure: PRESS-ANSWER
            warn draping: DRAPE-FAULT
            warn mechanics: MECH-LOOK
            warn order: HOURS-MISSED, HOURS-SHORT, ORDER-COVER, ORDER-RUN, ORDER-WAY, TERM-AGAIN, TERM-ASSESSED, TERM-FULL, TERM-HOURS, TERM-HOURS/kinds, TERM-PRACTISED, TERM-SEQUENCE
            warn pressure: PRESS-DEPTH
            hint mechanics: MECH-BALANCE
            hint order: HOURS-UNMARKED, TERM-COVER
            hint pressure: PRESS-BAND
            hint communication: COMM-REPLY
            """;

    @Test
    void every_rule_is_worth_what_it_was_and_belongs_where_it_did() {
        var ofPlans = Checks.rules();
        var now = new StringBuilder();
        for (var severity : Severity.values())
            for (var criterion : Criterion.values()) {
                var rules = Rule.all().stream()
                        .filter(r -> r.severity() == severity && r.criterion() == criterion && !ofPlans.contains(r))
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
        assertThat(Rule.all().stream().map(Rule::toString)).doesNotHaveDuplicates();
        assertThat(Rule.all())
                .allSatisfy(r -> assertThat(r.meaning()).as(r.toString()).endsWith("."));
    }
}
