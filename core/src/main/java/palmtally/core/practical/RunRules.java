package palmtally.core.practical;

import com.google.auto.service.AutoService;
import java.util.List;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;

/** What only a run can break: a plan has no check for it. */
@AutoService(Rule.Source.class)
public final class RunRules implements Rule.Source {
    static final Rule ORDER_RUN = new Rule("ORDER-RUN", Criterion.ORDER, Severity.WARN, "Steps in the planned order.");

    static final Rule ORDER_COVER =
            new Rule("ORDER-COVER", Criterion.ORDER, Severity.WARN, "Every step asked, at its least dose.");

    static final Rule ORDER_WAY = new Rule(
            "ORDER-WAY", Criterion.ORDER, Severity.WARN, "Strokes go the way the school teaches, on their landmark.");

    static final Rule PRESS_DEPTH = new Rule(
            "PRESS-DEPTH",
            Criterion.PRESSURE,
            Severity.WARN,
            "The depth that the plan asks, neither lighter nor deeper.");

    static final Rule PRESS_BAND = new Rule(
            "PRESS-BAND", Criterion.PRESSURE, Severity.HINT, "What the client reports stays in the band of the step.");

    static final Rule PRESS_ANSWER = new Rule(
            "PRESS-ANSWER",
            Criterion.PRESSURE,
            Severity.STOP,
            "A report over the band is answered at once: ease, broaden, slow or stop.");

    static final Rule DRAPE_FAULT =
            new Rule("DRAPE-FAULT", Criterion.DRAPING, Severity.WARN, "The sheet is tucked, secured and closed again.");

    static final Rule MECH_LOOK = new Rule(
            "MECH-LOOK", Criterion.MECHANICS, Severity.WARN, "Stance, back, arms and hands are clean when looked at.");

    static final Rule MECH_BALANCE = new Rule(
            "MECH-BALANCE",
            Criterion.MECHANICS,
            Severity.HINT,
            "Balanced with the front foot lifted: the force comes from the back leg.");

    static final Rule COMM_REPLY =
            new Rule("COMM-REPLY", Criterion.COMMUNICATION, Severity.HINT, "A vague reply is asked after.");

    @Override
    public List<Rule> rules() {
        return List.of(
                ORDER_RUN,
                ORDER_COVER,
                ORDER_WAY,
                PRESS_DEPTH,
                PRESS_BAND,
                PRESS_ANSWER,
                DRAPE_FAULT,
                MECH_LOOK,
                MECH_BALANCE,
                COMM_REPLY);
    }
}
