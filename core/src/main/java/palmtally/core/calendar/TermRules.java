package palmtally.core.calendar;

import com.google.auto.service.AutoService;
import java.util.List;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;

/** What a plan of a term is measured by. */
@AutoService(Rule.Source.class)
public final class TermRules implements Rule.Source {
    static final Rule TAUGHT = new Rule(
            "TERM-TAUGHT",
            Criterion.ORDER,
            Severity.STOP,
            "A region is taught before it is practised, assessed or met again.");

    static final Rule PRACTISED = new Rule(
            "TERM-PRACTISED", Criterion.ORDER, Severity.WARN, "A region is practised between teaching and assessing.");

    static final Rule ASSESSED =
            new Rule("TERM-ASSESSED", Criterion.ORDER, Severity.WARN, "Every region that is taught is assessed.");

    static final Rule AGAIN = new Rule(
            "TERM-AGAIN",
            Criterion.ORDER,
            Severity.WARN,
            "A region that was taught comes back often enough, at gaps that grow.");

    static final Rule FULL = new Rule(
            "TERM-FULL",
            Criterion.ORDER,
            Severity.WARN,
            "No lab holds more than its hours, and none is planned in a week off.");

    static final Rule HOURS = new Rule(
            "TERM-HOURS",
            Criterion.ORDER,
            Severity.WARN,
            "The hours of the term and of each region reach the school's target.");

    static final Rule HOURS_OF_KINDS = new Rule(
            "TERM-HOURS/kinds",
            Criterion.ORDER,
            Severity.WARN,
            "The labs have the hours of each kind that the school asks for.");

    static final Rule SEQUENCE = new Rule(
            "TERM-SEQUENCE",
            Criterion.ORDER,
            Severity.WARN,
            "A lesson has a sequence of its region that fits it and has no stop.");

    static final Rule COVER = new Rule(
            "TERM-COVER",
            Criterion.ORDER,
            Severity.HINT,
            "Each region is worked with the tools, in the positions and on the criteria it can be.");

    static final Rule PREREQ_JAW_AFTER_NECK = new Rule(
            "TERM-PREREQ/jaw-after-neck", Criterion.ORDER, Severity.STOP, "The neck is taught before the jaw.");

    static final Rule PREREQ_FRONT_AFTER_BACK_OF_NECK = new Rule(
            "TERM-PREREQ/front-after-back-of-neck",
            Criterion.ORDER,
            Severity.STOP,
            "The back of the neck is taught before its front.");

    static final Rule PREREQ_GLUTEAL_AFTER_DRAPES = new Rule(
            "TERM-PREREQ/gluteal-after-drapes",
            Criterion.ORDER,
            Severity.STOP,
            "Clean drapes of the leg come before the gluteals.");

    @Override
    public List<Rule> rules() {
        return List.of(
                TAUGHT,
                PRACTISED,
                ASSESSED,
                AGAIN,
                FULL,
                HOURS,
                HOURS_OF_KINDS,
                SEQUENCE,
                COVER,
                PREREQ_JAW_AFTER_NECK,
                PREREQ_FRONT_AFTER_BACK_OF_NECK,
                PREREQ_GLUTEAL_AFTER_DRAPES);
    }
}
