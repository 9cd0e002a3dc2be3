package palmtally.core.finding;

import static palmtally.core.finding.Criterion.*;
import static palmtally.core.finding.Severity.*;

/**
 * Every rule there is, one id each. A plan's checks and a practical's scores speak of the same thing under the same id. The
 * meaning is common practice, no source; severities are defaults that a school profile changes.
 */
public enum Rule {
    ORDER_WARM(ORDER, STOP, "Warm a zone, on that side, before the first firm stroke."),
    ORDER_BROAD(ORDER, WARN, "Broad tool before pointed tool on a zone."),
    ORDER_FLUSH(ORDER, WARN, "Calm a zone with a light broad stroke after the last deep one."),
    ORDER_SIDES(ORDER, WARN, "Both sides, the second from its gentle opening, in about the same time."),
    ORDER_RUN(ORDER, WARN, "Steps in the planned order."),
    ORDER_COVER(ORDER, WARN, "Every step asked, at its least dose."),
    DOSE_WINDOW(PRESSURE, WARN, "A dose inside the window of the dose table."),
    DOSE_RATE(PRESSURE, WARN, "Friction at the rate of the dose table."),
    DOSE_SLOT(ORDER, WARN, "The whole fills its time slot and does not run over."),
    PRESS_CEILING(PRESSURE, STOP, "No deeper than the site allows."),
    PRESS_STEP(PRESSURE, WARN, "Depth on a zone rises one grade at a time."),
    PRESS_BAND(PRESSURE, HINT, "What the client reports stays in the band of the step."),
    PRESS_ANSWER(PRESSURE, STOP, "A report over the band is answered at once: ease, broaden, slow or stop."),
    CONSENT_BEFORE(DRAPING, STOP, "Permission before touching a sensitive zone."),
    CONSENT_SCOPE(DRAPING, STOP, "Work stays inside the permission: zone, skin or through the sheet, until withdrawn."),
    DRAPE_IDLE(DRAPING, WARN, "Nothing stays open that is not being worked."),
    DRAPE_FAULT(DRAPING, WARN, "The sheet is tucked, secured and closed again."),
    HAND_BARE(MECHANICS, WARN, "The bare thumb rests often: supported thumb, fist or forearm instead."),
    MECH_LOOK(MECHANICS, WARN, "Stance, back, arms and hands are clean when looked at."),
    MECH_BALANCE(MECHANICS, HINT, "Balanced with the front foot lifted: the force comes from the back leg."),
    COMM_TOOL(COMMUNICATION, WARN, "A question about pressure after each heavier or more pointed tool."),
    COMM_GAP(COMMUNICATION, WARN, "No silence longer than the profile allows."),
    COMM_OPEN(COMMUNICATION, WARN, "Opening: greet, purpose, areas to avoid, invite feedback."),
    COMM_WARN(COMMUNICATION, WARN, "Strong work is announced."),
    COMM_CUE(COMMUNICATION, WARN, "Ready cue and relax cue around the client's own movement."),
    COMM_INTERVIEW(COMMUNICATION, WARN, "Trigger-point interview: tender, number, travelling, easing, in this order."),
    COMM_CLOSE(COMMUNICATION, HINT, "A closing word and a re-check.");

    private final Criterion criterion;
    private final Severity severity;
    private final String meaning;

    Rule(Criterion criterion, Severity severity, String meaning) {
        this.criterion = criterion;
        this.severity = severity;
        this.meaning = meaning;
    }

    public Criterion criterion() {
        return criterion;
    }

    public Severity severity() {
        return severity;
    }

    public String meaning() {
        return meaning;
    }

    /** The id as it is shown and written in files, such as {@code ORDER-WARM}. */
    @Override
    public String toString() {
        return name().replace('_', '-');
    }
}
