package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;
import palmtally.core.Texts;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Sheet;

/**
 * Permission is asked for, given, refused or taken back.
 *
 * @param zone of which; of all that are sensitive where it is not said
 * @param sheet on skin or through the sheet; on skin where it is not said
 */
public record Consent(
        Answer answer, @Nullable Zone zone, @Nullable Sheet sheet) implements Observation {
    /** What becomes of a request. */
    public enum Answer {
        ASKED,
        YES,
        NO,
        WITHDRAWN;

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
        }
    }

    public static Consent of(Answer answer, Zone zone) {
        return new Consent(answer, zone, null);
    }
}
