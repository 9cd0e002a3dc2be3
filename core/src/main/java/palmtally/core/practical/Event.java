package palmtally.core.practical;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/**
 * One thing seen in a practical. Append-only: a mistake is undone by another event.
 *
 * @param id made by the device, unique in its practical; the same id twice is the same event
 * @param device which device saw it
 * @param seq the device's own count, from 1
 * @param atMs milliseconds since the start of the practical, by a clock that only runs forward
 * @param wall wall time of the device, for people; null where it is not known
 */
public record Event(
        String id,
        String device,
        long seq,
        long atMs,
        @Nullable Instant wall,
        EventKind kind,
        EventData data) {
    /** By monotonic time, then device and number. */
    public static final Comparator<Event> ORDER = Comparator.comparingLong(Event::atMs)
            .thenComparing(Event::device)
            .thenComparingLong(Event::seq)
            .thenComparing(Event::id);

    /** Twelve hours: a practical is never longer. */
    public static final long MOST_MS = 12L * 3600 * 1000;

    public Event {
        var faults = new ArrayList<Fault>();
        if (id.isBlank() || id.length() > 64) faults.add(new Fault("id", id, "must be 1 to 64 characters"));
        if (device.isBlank() || device.length() > 64)
            faults.add(new Fault("device", device, "must be 1 to 64 characters"));
        if (seq < 0) faults.add(new Fault("seq", String.valueOf(seq), "must be 0 or more"));
        if (atMs < 0) faults.add(new Fault("atMs", String.valueOf(atMs), "is before the start"));
        if (atMs > MOST_MS)
            faults.add(new Fault("atMs", String.valueOf(atMs), "is more than twelve hours after the start"));
        for (var detail : Detail.values()) {
            boolean there = detail.of(data) != null;
            if (kind.needed().contains(detail) && !there)
                faults.add(new Fault("data/" + detail.field(), "", "is missing: " + kind + " needs it"));
            if (there && !kind.allowed().contains(detail))
                faults.add(new Fault(
                        "data/" + detail.field(), String.valueOf(detail.of(data)), "does not belong to " + kind));
        }
        var depth = data.depth();
        if (depth != null && (depth < 0 || depth > 5))
            faults.add(new Fault("data/depth", depth.toString(), "must be 0 to 5"));
        var number = data.number();
        if (number != null && kind == EventKind.REPORT && (number < 0 || number > 10))
            faults.add(new Fault("data/number", number.toString(), "must be 0 to 10"));
        if (number != null && kind == EventKind.SAY && (number < 1 || number > 4))
            faults.add(new Fault("data/number", number.toString(), "must be 1 to 4: the place in the interview"));
        var text = data.text();
        if (text != null && text.length() > 4000)
            faults.add(new Fault("data/text", text.length() + " characters", "must be at most 4000 characters"));
        // No database and no file keeps it.
        for (var kept : new String[] {id, device, text == null ? "" : text})
            if (kept.indexOf('\0') >= 0)
                faults.add(new Fault(kept.equals(text) ? "data/text" : "id", "", "must not hold a null character"));
        if (!faults.isEmpty()) throw new InvalidValue("event " + id, faults);
    }
}
