package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Sheet;
import palmtally.core.technique.Tool;

/** The run as it unfolds, for an observation to change. Every change is made at the moment of the event that is being applied. */
public interface Course {
    /** @param side on which; the first that is due where it is not said */
    void start(String step, @Nullable Side side);

    /** The step goes on by a branch of the plan, or is left out by it. */
    void instead(Instead branch);

    /** @param step of those that go on beside the hands, which; what the hands do where it is not said */
    void stop(@Nullable String step, @Nullable Side side);

    /** Hands on a zone from now on; what is not said is as the plan has it. */
    void touch(Zone zone, @Nullable Side side, @Nullable Tool tool, @Nullable Integer depth, @Nullable Sheet sheet);

    /** The hands stay where they are, and work otherwise. */
    void change(@Nullable Tool tool, @Nullable Integer depth, @Nullable Sheet sheet);

    /** Hands on a zone, and no step of the plan any more. */
    void leavePlan(Zone zone, @Nullable Side side, @Nullable Tool tool, @Nullable Integer depth, @Nullable Sheet sheet);

    void hold();

    void letGo();

    /** @param unit which part of the sheet; that of the step that is on where it is not said */
    void open(@Nullable DrapeUnit unit, @Nullable Side side);

    /** @param unit which part of the sheet; all of it where it is not said */
    void cover(@Nullable DrapeUnit unit, @Nullable Side side);

    /** What is open stays so, whatever the plan says. */
    void leaveOpen();

    /** Nobody works any more. */
    void handsOff();
}
