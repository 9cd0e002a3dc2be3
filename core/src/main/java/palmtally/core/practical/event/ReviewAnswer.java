package palmtally.core.practical.event;

import palmtally.core.Texts;

/**
 * The grader says at the review what only they can say. It is about the run, not a moment of it, and counts after the finish too; of
 * several answers to one question the last stands.
 *
 * @param question key of the question
 * @param said what it is answered by
 */
public record ReviewAnswer(String question, Said said) implements Observation {
    /** What a question can be answered by. */
    public enum Said {
        ASKED("It was asked"),
        NOT_ASKED("It was not asked"),
        CANNOT_SAY("I cannot say"),
        HEARD_NOTHING("I listened, and there was nothing"),
        NOT_LISTENING("I was not listening"),
        LEFT_OUT("It was left out"),
        NOT_SEEN("I did not see");

        private final String word = Texts.word(this);

        private final String label;

        Said(String label) {
            this.label = label;
        }

        /** As the grader says it. */
        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return word;
        }
    }

    @Override
    public void within(Bounds bounds) {
        bounds.text("question", question, 1, 120);
    }
}
