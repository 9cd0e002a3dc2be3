package palmtally.core.practical.event;

import palmtally.core.Texts;

/** Something is wrong with the stroke that is on. */
public record StrokeFault(Flaw flaw) implements Observation {
    /** What is wrong with it. */
    public enum Flaw {
        TOO_LIGHT("too light"),
        TOO_DEEP("too deep"),
        TOO_FAST("too fast"),
        WRONG_DIRECTION("in the wrong direction"),
        WRONG_LANDMARK("beside its landmark");

        private final String word = Texts.word(this);

        private final String label;

        Flaw(String label) {
            this.label = label;
        }

        /** As it is said to people. */
        public String label() {
            return label;
        }

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
