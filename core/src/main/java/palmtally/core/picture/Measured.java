package palmtally.core.picture;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Position;
import palmtally.core.body.Side;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Stint;
import palmtally.core.technique.Dose;

/**
 * What is checked of where a step goes, on an adult of middle height and build and by one of middle height. It is kept: most steps of a
 * plan stay as they are from one question to the next.
 *
 * @param length along the way of one side, millimetres
 * @param speed of a pass, millimetres a second, or null where nothing glides
 * @param dose how it is dosed
 * @param within whether it is reached without bending in the waist
 * @param reach from between the feet to the far end of the work, millimetres
 * @param comfortable how far is within, millimetres
 */
record Measured(
        double length, @Nullable Double speed, Dose.Kind dose, boolean within, double reach, double comfortable) {
    /** All that it depends on. */
    private record Of(Step step, Side side, Position position, Dose dose) {}

    /** Twenty full plans. */
    private static final int MOST = 4000;

    private static final Map<Of, Measured> KNOWN = new ConcurrentHashMap<>();

    static Measured of(Stint stint) {
        if (KNOWN.size() >= MOST) KNOWN.clear();
        return KNOWN.computeIfAbsent(
                new Of(stint.step(), stint.side(), stint.position(), stint.dose()), of -> measured(stint));
    }

    private static Measured measured(Stint stint) {
        var geometry = Geometry.of(stint);
        return new Measured(
                geometry.length(),
                geometry.speed(),
                geometry.travel.dose().kind(),
                geometry.within(),
                geometry.reach(),
                geometry.therapist.comfortable());
    }
}
