package palmtally.core.practical.event;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Texts;

/**
 * One thing seen in a practical. Append-only: a mistake is undone by another event.
 *
 * @param id made by the device, unique in its practical; the same id twice is the same event
 * @param device which device saw it
 * @param seq the device's own count, from 1
 * @param atMs milliseconds since the start of the practical, by a clock that only runs forward
 * @param wall wall time of the device, for people; null where it is not known
 * @param data what it is
 */
public record Event(
        String id,
        String device,
        long seq,
        long atMs,
        @Nullable Instant wall,
        Observation data) {
    /** By monotonic time, then device and number. */
    public static final Comparator<Event> ORDER = Comparator.comparingLong(Event::atMs)
            .thenComparing(Event::device)
            .thenComparingLong(Event::seq)
            .thenComparing(Event::id);

    /** Twelve hours: a practical is never longer. */
    public static final long MOST_MS = 12L * 3600 * 1000;

    /** @throws InvalidValue naming every field that is out of its bounds */
    public Event {
        var faults = new ArrayList<Fault>();
        name("id", id, faults);
        name("device", device, faults);
        if (seq < 0) faults.add(new Fault("seq", String.valueOf(seq), "must be 0 or more"));
        if (atMs < 0) faults.add(new Fault("atMs", String.valueOf(atMs), "is before the start"));
        if (atMs > MOST_MS)
            faults.add(new Fault("atMs", String.valueOf(atMs), "is more than twelve hours after the start"));
        faults.addAll(OutOfBounds.of(data));
        if (!faults.isEmpty()) throw new InvalidValue("event " + id, faults);
    }

    private static void name(String field, String value, List<Fault> faults) {
        if (value.isBlank() || value.length() > 64) faults.add(new Fault(field, value, "must be 1 to 64 characters"));
        Texts.unkept(value).ifPresent(why -> faults.add(new Fault(field, "", why)));
    }

    /** Its kind's name in files. */
    public String kind() {
        return data.kind();
    }
}
