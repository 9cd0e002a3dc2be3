package palmtally.core.sequence;

import palmtally.core.Texts;

/** What the therapist says; the same words in a plan and in a practical. */
public enum SayKind {
    GREETING,
    PURPOSE,
    AREAS_TO_AVOID,
    INVITES_FEEDBACK,
    PRESSURE_QUESTION,
    EXPLAINS,
    WARNS,
    READY_CUE,
    RELAX_CUE,
    CHOICE,
    INTERVIEW,
    CONSENT,
    CLOSING;

    private final String word = Texts.word(this);

    /** Whether it belongs to the opening talk. */
    public boolean opens() {
        return this == GREETING || this == PURPOSE || this == AREAS_TO_AVOID || this == INVITES_FEEDBACK;
    }

    @Override
    public String toString() {
        return word;
    }
}
