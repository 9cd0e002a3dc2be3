package palmtally.core.register;

import com.google.auto.service.AutoService;
import java.util.List;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;

/** What the hours of a student are measured by. */
@AutoService(Rule.Source.class)
public final class RegisterRules implements Rule.Source {
    static final Rule SHORT = new Rule(
            "HOURS-SHORT",
            Criterion.ORDER,
            Severity.WARN,
            "The hours of each kind reach what the school asks for by the end of the term.");

    static final Rule MISSED = new Rule(
            "HOURS-MISSED",
            Criterion.ORDER,
            Severity.WARN,
            "No student misses more of the labs than the school allows.");

    static final Rule UNMARKED = new Rule(
            "HOURS-UNMARKED", Criterion.ORDER, Severity.HINT, "Of every lab that was held it is known who was there.");

    @Override
    public List<Rule> rules() {
        return List.of(SHORT, MISSED, UNMARKED);
    }
}
