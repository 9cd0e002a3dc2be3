package palmtally.core.sequence;

import java.util.Locale;

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

    /** Whether it belongs to the opening talk. */
    public boolean opens() {
        return this == GREETING || this == PURPOSE || this == AREAS_TO_AVOID || this == INVITES_FEEDBACK;
    }

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
