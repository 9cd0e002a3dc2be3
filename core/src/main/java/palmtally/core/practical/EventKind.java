package palmtally.core.practical;

import static palmtally.core.practical.Detail.*;

import java.util.EnumSet;
import java.util.Set;

/** What can be seen in a practical, and what each kind must and may carry. */
public enum EventKind {
    STEP_START(EnumSet.of(STEP), EnumSet.of(SIDE)),
    STEP_STOP(EnumSet.noneOf(Detail.class), EnumSet.of(STEP, SIDE)),
    STEP_SKIP(EnumSet.of(STEP), EnumSet.of(SIDE, TEXT)),
    CONTACT(EnumSet.noneOf(Detail.class), EnumSet.of(ZONE, SIDE, TOOL, DEPTH, SHEET)),
    OFF_PLAN(EnumSet.of(ZONE), EnumSet.of(SIDE, TOOL, DEPTH, SHEET)),
    HOLD_START(EnumSet.noneOf(Detail.class), EnumSet.noneOf(Detail.class)),
    HOLD_STOP(EnumSet.noneOf(Detail.class), EnumSet.noneOf(Detail.class)),
    RATE_TAP(EnumSet.noneOf(Detail.class), EnumSet.noneOf(Detail.class)),
    SHEET_CHANGE(EnumSet.of(DRAPE), EnumSet.of(UNIT, SIDE)),
    CONSENT(EnumSet.of(ANSWER), EnumSet.of(ZONE, SHEET)),
    SAY(EnumSet.of(SAYING), EnumSet.of(STYLE, NUMBER, TEXT)),
    REPLY(EnumSet.of(CLEAR), EnumSet.of(FOLLOWED_UP)),
    REPORT(EnumSet.of(NUMBER), EnumSet.of(TEXT, SOURCE)),
    REPORT_ANSWER(EnumSet.of(RESPONSE), EnumSet.noneOf(Detail.class)),
    LOOK(EnumSet.of(FAULTS), EnumSet.of(ASKED)),
    BALANCE_TEST(EnumSet.of(CLEAR), EnumSet.noneOf(Detail.class)),
    LUBRICANT(EnumSet.of(DRESSING), EnumSet.of(ZONE, SIDE)),
    TURN(EnumSet.of(POSITION), EnumSet.noneOf(Detail.class)),
    HYGIENE(EnumSet.of(TEXT), EnumSet.noneOf(Detail.class)),
    MEASURE(EnumSet.of(MEASURED, NUMBER), EnumSet.of(AFTER, ZONE, SIDE)),
    ATTEND(EnumSet.of(ON), EnumSet.noneOf(Detail.class)),
    /** Hands and clock rest: somebody is late, the fire bell rings. Off when it goes on. */
    BREAK(EnumSet.of(ON), EnumSet.of(TEXT)),
    SAFETY_STOP(EnumSet.noneOf(Detail.class), EnumSet.of(TEXT)),
    NOTE(EnumSet.of(TEXT), EnumSet.noneOf(Detail.class)),
    UNDO(EnumSet.of(REF), EnumSet.noneOf(Detail.class)),
    FINISH(EnumSet.noneOf(Detail.class), EnumSet.noneOf(Detail.class));

    private final Set<Detail> needed;
    private final Set<Detail> allowed;

    EventKind(EnumSet<Detail> needed, EnumSet<Detail> optional) {
        this.needed = Set.copyOf(needed);
        var all = EnumSet.copyOf(needed);
        all.addAll(optional);
        this.allowed = Set.copyOf(all);
    }

    public Set<Detail> needed() {
        return needed;
    }

    /** Everything it may carry, what it needs included. */
    public Set<Detail> allowed() {
        return allowed;
    }

    @Override
    public String toString() {
        return name().toLowerCase().replace('_', '-');
    }
}
