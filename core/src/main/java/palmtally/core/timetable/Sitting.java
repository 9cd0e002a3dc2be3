package palmtally.core.timetable;

import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Region;

/**
 * One practical that is to be held.
 *
 * @param student who is graded
 * @param minutes how long it takes with what extra time they have, 5 to 240
 * @param sensitive whether only those who agreed to it are its client
 * @param twice whether two graders mark it
 * @param held where it must stay: it was locked, or has begun; null where it may go anywhere
 */
public record Sitting(
        String id,
        String student,
        Region region,
        int minutes,
        boolean sensitive,
        boolean twice,
        @Nullable Placed held) {
    public Sitting {
        if (minutes < 5 || minutes > 240)
            throw new InvalidValue("sitting " + id, new Fault("minutes", String.valueOf(minutes), "must be 5 to 240"));
    }
}
