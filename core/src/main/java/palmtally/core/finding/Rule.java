package palmtally.core.finding;

import static palmtally.core.finding.Criterion.*;
import static palmtally.core.finding.Severity.*;

import java.util.Locale;

/**
 * Every rule there is, one id each. A plan's checks and a practical's scores speak of the same thing under the same id. The
 * meaning is common practice, no source; severities are defaults that a school profile changes.
 */
public enum Rule {
    ORDER_WARM(ORDER, STOP, "Warm a zone, on that side, before the first firm stroke."),
    ORDER_BROAD(ORDER, WARN, "Broad tool before pointed tool on a zone."),
    ORDER_FLUSH(ORDER, WARN, "Calm a zone with a light broad stroke after the last deep one."),
    ORDER_SIDES(ORDER, WARN, "Both sides, the second from its gentle opening, in about the same time."),
    ORDER_FIRST(ORDER, WARN, "The first pass over a zone is never the deepest."),
    ORDER_LIMB(ORDER, WARN, "A limb is worked in the order the school teaches."),
    ORDER_DRY(ORDER, WARN, "Grip work on dry skin, or lubricant first, as the school teaches."),
    ORDER_OPPOSE(ORDER, HINT, "The opposing muscles are treated too."),
    ORDER_TURNS(ORDER, WARN, "No more turns of the client than the order of the steps needs."),
    PREREQ_LINK(ORDER, WARN, "A step after those it was linked behind."),
    PREREQ_SETTLE_FIRST(ORDER, HINT, "The opening: still hands, or clothed movement, as the school teaches."),
    PREREQ_ASSESS_FIRST(ORDER, HINT, "Look, ask and find the landmarks before deep pressure, because bodies vary."),
    PREREQ_THIGH_BEFORE_GLUTEAL(ORDER, WARN, "Ease in to guarded areas: the thigh before the gluteals."),
    PREREQ_BACK_BEFORE_FRONT_OF_NECK(ORDER, WARN, "The back of the neck before its front."),
    PREREQ_NECK_BEFORE_JAW(ORDER, WARN, "The neck before the jaw."),
    PREREQ_MUSCLE_BEFORE_JOINT(ORDER, WARN, "The muscles before their joint."),
    PREREQ_DISTRACTION_BEFORE_GLIDE(ORDER, WARN, "A gentle distraction before a joint glide."),
    PREREQ_GENTLE_TO_STRONG(
            ORDER,
            WARN,
            "Gentle to strong inside a protocol: fascia, skin rolling, muscle, points, friction, stretch, joint, cold."),
    PREREQ_LENGTHEN_AFTER_POINT(ORDER, HINT, "Find, press, release, then restore length."),
    PREREQ_MOVING_ON_TENDON(ORDER, WARN, "Static on a trigger point, moving on a tendon."),
    PREREQ_FLUSH_AFTER_HEAT(ORDER, WARN, "After heat: flush the zone."),
    PREREQ_STRETCH_AFTER_HEAT(ORDER, HINT, "After heat: stretch again."),
    PREREQ_AFTER_FRICTION(ORDER, WARN, "After friction: cold or heat, as the school teaches."),
    PREREQ_SCALP(ORDER, HINT, "The scalp first or last, as the school teaches."),
    PREREQ_COMPARE_AFTER(ORDER, HINT, "Compare before and after."),
    ORDER_RUN(ORDER, WARN, "Steps in the planned order."),
    ORDER_COVER(ORDER, WARN, "Every step asked, at its least dose."),
    ORDER_WAY(ORDER, WARN, "Strokes go the way the school teaches, on their landmark."),
    DOSE_WINDOW(PRESSURE, WARN, "A dose inside the window of the dose table."),
    DOSE_RATE(PRESSURE, WARN, "Friction at the rate of the dose table."),
    DOSE_CAP(PRESSURE, STOP, "Never over the cap of the dose table."),
    DOSE_SLOT(ORDER, WARN, "The whole fills its time slot and does not run over."),
    PRESS_CEILING(PRESSURE, STOP, "No deeper than the site allows."),
    PRESS_STEP(PRESSURE, WARN, "Depth on a zone rises one grade at a time."),
    PRESS_POINT(PRESSURE, WARN, "No pointed tool where the site, or the school, wants a broad one."),
    PRESS_DEPTH(PRESSURE, WARN, "The depth that the plan asks, neither lighter nor deeper."),
    PRESS_BAND(PRESSURE, HINT, "What the client reports stays in the band of the step."),
    PRESS_ANSWER(PRESSURE, STOP, "A report over the band is answered at once: ease, broaden, slow or stop."),
    CONSENT_BEFORE(DRAPING, STOP, "Permission before touching a sensitive zone."),
    CONSENT_SCOPE(DRAPING, STOP, "Work stays inside the permission: zone, skin or through the sheet, until withdrawn."),
    DRAPE_IDLE(DRAPING, WARN, "Nothing stays open that is not being worked."),
    DRAPE_OPEN(DRAPING, WARN, "Work where the sheet is open, or through it; never under a closed sheet."),
    DRAPE_TWO(DRAPING, WARN, "Never two limbs open at once."),
    DRAPE_SECURE(DRAPING, WARN, "The sheet is secured before a big stretch or limb lift."),
    DRAPE_END(DRAPING, WARN, "Covered at the end."),
    DRAPE_FAULT(DRAPING, WARN, "The sheet is tucked, secured and closed again."),
    HAND_BARE(MECHANICS, WARN, "The bare thumb rests often: supported thumb, fist or forearm instead."),
    HAND_LOAD(MECHANICS, HINT, "Thumbs and the elbow point rest: broad tools carry most of the time."),
    REACH(MECHANICS, WARN, "No pointed tool across the table: walk round instead."),
    TABLE(
            MECHANICS,
            WARN,
            "The table fits the work: low for deep, higher for light or side-lying, and nobody on its edge where the school forbids it."),
    MECH_LOOK(MECHANICS, WARN, "Stance, back, arms and hands are clean when looked at."),
    MECH_BALANCE(MECHANICS, HINT, "Balanced with the front foot lifted: the force comes from the back leg."),
    COMM_TOOL(COMMUNICATION, WARN, "A question about pressure after each heavier or more pointed tool."),
    COMM_GAP(COMMUNICATION, WARN, "No silence longer than the profile allows."),
    COMM_OPEN(COMMUNICATION, WARN, "Opening: greet, purpose, areas to avoid, invite feedback."),
    COMM_WARN(COMMUNICATION, WARN, "Strong work is announced."),
    COMM_CUE(
            COMMUNICATION,
            WARN,
            "Ready cue and relax cue around the client's own movement, and the part in it that the school gives the client."),
    COMM_INTERVIEW(COMMUNICATION, WARN, "Trigger-point interview: tender, number, travelling, easing, in this order."),
    COMM_REPLY(COMMUNICATION, HINT, "A vague reply is asked after."),
    COMM_CLOSE(COMMUNICATION, HINT, "A closing word and a re-check."),
    CLEAN_FACE(DRAPING, WARN, "Hands wiped before the face."),
    SCOPE(COMMUNICATION, STOP, "Nothing the school does not teach; local codes and licensed practice decide."),
    CLIENT(PRESSURE, STOP, "Nothing that this client's body must be spared."),
    TERM_TAUGHT(ORDER, STOP, "A region is taught before it is practised, assessed or met again."),
    TERM_PRACTISED(ORDER, WARN, "A region is practised between teaching and assessing."),
    TERM_ASSESSED(ORDER, WARN, "Every region that is taught is assessed."),
    TERM_AGAIN(ORDER, WARN, "A region that was taught comes back often enough, at gaps that grow."),
    TERM_FULL(ORDER, WARN, "No lab holds more than its hours, and none is planned in a week off."),
    TERM_HOURS(ORDER, WARN, "The hours of the term and of each region reach the school's target."),
    TERM_SEQUENCE(ORDER, WARN, "A lesson has a sequence of its region that fits it and has no stop."),
    TERM_COVER(ORDER, HINT, "Each region is worked with the tools, in the positions and on the criteria it can be."),
    TERM_PREREQ_JAW_AFTER_NECK(ORDER, STOP, "The neck is taught before the jaw."),
    TERM_PREREQ_FRONT_AFTER_BACK_OF_NECK(ORDER, STOP, "The back of the neck is taught before its front."),
    TERM_PREREQ_GLUTEAL_AFTER_DRAPES(ORDER, STOP, "Clean drapes of the leg come before the gluteals.");

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

    /** Whether it is one row of ORDER-PREREQ, the family of "this before that". */
    public boolean prerequisite() {
        return name().startsWith("PREREQ_");
    }

    /** Whether it looks at a term, not at a sequence or a practical. */
    public boolean ofTerm() {
        return name().startsWith("TERM_");
    }

    /** The id as it is shown and written in files, such as {@code ORDER-WARM} or {@code ORDER-PREREQ/neck-before-jaw}. */
    @Override
    public String toString() {
        if (prerequisite()) return "ORDER-PREREQ/" + row("PREREQ_");
        return name().startsWith("TERM_PREREQ_") ? "TERM-PREREQ/" + row("TERM_PREREQ_") : name().replace('_', '-');
    }

    private String row(String family) {
        return name().substring(family.length()).toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
