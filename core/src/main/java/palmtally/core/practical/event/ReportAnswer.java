package palmtally.core.practical.event;

import palmtally.core.Texts;

/** What the therapist does about a report. */
public record ReportAnswer(Response response) implements Observation {
    /** Nothing is an answer too. */
    public enum Response {
        EASED,
        BROADER,
        SLOWER,
        STOPPED,
        NONE;

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
        }
    }

    @Override
    public boolean judges() {
        return true;
    }
}
