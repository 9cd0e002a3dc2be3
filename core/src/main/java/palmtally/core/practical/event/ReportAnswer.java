package palmtally.core.practical.event;

import java.util.Locale;

/** What the therapist does about a report. */
public record ReportAnswer(Response response) implements Observation {
    /** Nothing is an answer too. */
    public enum Response {
        EASED,
        BROADER,
        SLOWER,
        STOPPED,
        NONE;

        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    @Override
    public boolean judges() {
        return true;
    }
}
