package palmtally.server.people;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.function.Consumer;

/** A kind of record that lies in rows of a feature's own tables and counts by the days of the school's clock. */
public abstract class RetainedRows implements Retained {
    /** Those whose time counts from that day or an earlier one, in the school's zone. */
    @FunctionalInterface
    public interface Found {
        List<Item> countingFrom(LocalDate day, String zone, int most);
    }

    private final String kind;
    private final String words;
    private final Found found;
    private final Consumer<String> gone;
    private final Clock clock;

    /** @param gone removes one by its id */
    protected RetainedRows(String kind, String words, Found found, Consumer<String> gone, Clock clock) {
        this.kind = kind;
        this.words = words;
        this.found = found;
        this.gone = gone;
        this.clock = clock;
    }

    @Override
    public final String kind() {
        return kind;
    }

    @Override
    public final String words() {
        return words;
    }

    @Override
    public final List<Item> countingFrom(LocalDate day, int most) {
        return found.countingFrom(day, clock.getZone().getId(), most);
    }

    @Override
    public final void remove(String id) {
        gone.accept(id);
    }
}
