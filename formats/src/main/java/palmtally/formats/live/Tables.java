package palmtally.formats.live;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.practical.Extent;
import palmtally.core.practical.Practical;
import palmtally.core.practical.event.Event;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;

/**
 * The practicals that go on in front of one grader. Each is opened with all that is known of it; after that only what is new is told.
 * What cannot be of a practical is refused with an {@link InvalidValue}, and changes nothing.
 */
public final class Tables {
    private final Map<String, Open> open = new HashMap<>();

    /**
     * @param id of the practical
     * @param extent how much is asked; the whole where whoever asks was not told
     * @param rated whether the one rating of the whole was given
     */
    public record Opened(
            String id,
            Sequence sequence,
            Profile profile,
            List<String> asked,
            Sides sides,
            @Nullable Extent extent,
            @Nullable Double limitSeconds,
            boolean rated,
            List<Event> events) {}

    /** What an observer tapped. */
    public record Watched(List<Event> events, double lookEverySeconds) {}

    /**
     * @param id of the practical
     * @param after how many events whoever asks takes to be known here
     */
    public record Seen(String id, int after, List<Event> events) {}

    private record Open(Practical practical, @Nullable Double limitSeconds, boolean rated, int known) {
        SoFar soFar() {
            return SoFar.of(practical, limitSeconds, rated);
        }
    }

    public SoFar open(Opened table) {
        var extent = table.extent == null ? Extent.WHOLE : table.extent;
        return keep(
                table.id,
                new Open(
                        new Practical(table.sequence, table.profile, table.asked, table.sides, extent, table.events),
                        table.limitSeconds,
                        table.rated,
                        table.events.size()));
    }

    /** @throws InvalidValue too where something else is known of it than whoever asks takes to be known: it is to be opened anew */
    public SoFar see(Seen seen) {
        var table = open.get(seen.id);
        if (table == null || table.known != seen.after)
            throw new InvalidValue(
                    "practical",
                    new Fault("after", seen.after + " events", "are not what is known here; open it anew"));
        var events = new ArrayList<>(table.practical.events());
        events.addAll(seen.events);
        return keep(
                seen.id,
                new Open(
                        table.practical.with(table.practical.asked(), events),
                        table.limitSeconds,
                        table.rated,
                        table.known + seen.events.size()));
    }

    public static SoFar watch(Watched watched) {
        return SoFar.watched(watched.events, watched.lookEverySeconds);
    }

    private SoFar keep(String id, Open table) {
        var soFar = table.soFar();
        open.put(id, table);
        return soFar;
    }
}
