package palmtally.core.picture;

import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.Texts;

/**
 * A step as it is seen from above the table, the client's head at the top. Millimetres of the client, without colours.
 *
 * @param box what of it is worth looking at
 * @param shapes in the order in which they are painted; muscles, fibres and structures are cut by the body
 * @param hands over them; they move
 * @param motion how the working hands move
 * @param table all of the table, with where the therapist stands
 * @param tableBox all of that
 * @param facts numbers out of the geometry
 */
public record Picture(
        Box box, List<Shape> shapes, List<Hand> hands, Motion motion, List<Shape> table, Box tableBox, Facts facts) {
    /** A piece of the plane. */
    public record Box(double x, double y, double width, double height) {}

    /**
     * A hand where it begins.
     *
     * @param shapes at the size of a hand, what touches at the origin, fingers up
     * @param mirrored whether it is a left hand
     * @param degrees how far it is turned, clockwise
     * @param works whether it moves with the stroke
     * @param behind how far it is behind the other, 0 to 1 of the way; below 0 where it works in turn with it
     * @param under whether it is beneath the client, and seen through them
     */
    public record Hand(
            List<Shape> shapes,
            boolean mirrored,
            Point at,
            double degrees,
            boolean works,
            double behind,
            boolean under) {}

    /** How hands move. */
    public enum Kind {
        GLIDE,
        KNEAD,
        PRESS,
        HOLD,
        CIRCLE,
        ACROSS,
        ROCK,
        TAP,
        MOVE,
        /** No hand is laid on: it is asked and looked at. */
        LOOK;

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
        }
    }

    /**
     * @param lines the way of each side that is worked, in equal pieces
     * @param stations where it is held or pressed, one after another; empty where it glides
     * @param aside from the middle of the way to one end of a rub or a rock, millimetres; null where it is neither
     * @param radius of a circle round a station, millimetres; null where nothing circles
     * @param seconds of one pass, hold or breath
     * @param perSecond cycles a second, of what is rubbed, rocked or beaten
     * @param opposed whether two hands go against one another, as they wring
     * @param breathes whether it goes with the breath
     */
    public record Motion(
            Kind kind,
            List<List<Point>> lines,
            List<Point> stations,
            @Nullable Point aside,
            @Nullable Double radius,
            double seconds,
            double perSecond,
            boolean opposed,
            boolean breathes) {}

    /**
     * @param millimetres along the way of one side
     * @param millimetresASecond of a pass, or null where nothing glides
     * @param stationGap from one station to the next, millimetres, or null
     * @param fibre how it lies to the fibre, degrees from 0 along to 90 across, or null where no structure is named
     * @param towardHeart whether it ends nearer to the heart than it begins
     * @param reach from between the therapist's feet to the far end of the work, millimetres
     * @param comfortable how far is reached without bending in the waist, millimetres
     * @param within whether the work is
     * @param table how high the table stands for it, millimetres
     * @param words all of it in a few lines, as it stands beside the picture
     */
    public record Facts(
            int millimetres,
            @Nullable Integer millimetresASecond,
            @Nullable Integer stationGap,
            @Nullable Integer fibre,
            boolean towardHeart,
            int reach,
            int comfortable,
            boolean within,
            int table,
            List<String> words) {}
}
