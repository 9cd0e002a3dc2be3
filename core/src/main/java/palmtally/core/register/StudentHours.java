package palmtally.core.register;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Region;
import palmtally.core.calendar.HourKind;

/**
 * The hours of one student in a term, each sum with what it is made of.
 *
 * @param kinds every kind there is, in order
 * @param all of all kinds together, beside what the school asks of the term or of the kinds, whichever is more
 * @param labs those of their time in the term that were held, the first first
 * @param missed what they missed and have not made up, with when it comes again
 */
public record StudentHours(
        String student,
        List<KindHours> kinds,
        KindHours all,
        List<LabHours> labs,
        List<EnteredHours> entered,
        List<Missed> missed,
        int labsMissed,
        List<RegisterFinding> findings) {
    /**
     * In hours as the school counts them.
     *
     * @param kind null for all kinds together
     * @param attended in labs
     * @param madeUp of labs that were missed
     * @param entered done elsewhere
     * @param excused missed, and counted all the same
     * @param toCome in the labs that are still to come, if none is missed; of what is done elsewhere, what is not yet due
     * @param asked by the school, 0 for nothing asked
     * @param missing what is then lacking at the end of the term
     */
    public record KindHours(
            @Nullable HourKind kind,
            double attended,
            double madeUp,
            double entered,
            double excused,
            double toCome,
            double asked,
            double missing) {
        /** What counts so far. */
        public double counts() {
            return attended + madeUp + entered + excused;
        }
    }

    /**
     * One lab of one student.
     *
     * @param presence null where nothing is marked
     * @param counted minutes by kind
     * @param missed minutes by kind, none where nothing is marked
     * @param madeUp minutes that make up for it
     */
    public record LabHours(
            LabPlace place,
            @Nullable Presence presence,
            Map<HourKind, Double> counted,
            Map<HourKind, Double> missed,
            double madeUp) {}

    /**
     * A part of a lab that was missed.
     *
     * @param again the next lab that has the region for the same kind of hours, or null where none is to come
     */
    public record Missed(
            LabPlace place,
            HourKind kind,
            @Nullable Region region,
            double minutes,
            @Nullable LabPlace again) {}
}
