package palmtally.core.practical;

import java.util.EnumSet;
import java.util.Set;
import palmtally.core.Texts;
import palmtally.core.finding.Criterion;
import palmtally.core.practical.event.Observation;
import palmtally.core.practical.event.Reply;
import palmtally.core.practical.event.Report;
import palmtally.core.practical.event.ReportAnswer;
import palmtally.core.practical.event.Say;
import palmtally.core.sequence.SayKind;

/**
 * What a grader listens or watches for. A grader who tapped none of a kind may not have listened for it: only where one of it was
 * tapped, or the grader says at the review that there was nothing to hear, does its absence count.
 */
enum Listening {
    OPENING(Criterion.COMMUNICATION, "No word of an opening was tapped: no greeting, no purpose, nothing to avoid."),
    QUESTIONS(Criterion.COMMUNICATION, "No question to the client was tapped."),
    WARNINGS_AND_CUES(Criterion.COMMUNICATION, "No warning before strong work and no cue was tapped."),
    INTERVIEWS(Criterion.COMMUNICATION, "No question of a trigger-point interview was tapped."),
    CLOSING(Criterion.COMMUNICATION, "No closing word was tapped."),
    ANSWERS(Criterion.PRESSURE, "The client said too much, and no answer to it was tapped.");

    private final String word = Texts.word(this);

    static final Set<SayKind> OPENINGS =
            EnumSet.of(SayKind.GREETING, SayKind.PURPOSE, SayKind.AREAS_TO_AVOID, SayKind.INVITES_FEEDBACK);
    static final Set<SayKind> WARNINGS = EnumSet.of(SayKind.WARNS, SayKind.EXPLAINS);

    private final Criterion criterion;
    private final String untapped;

    Listening(Criterion criterion, String untapped) {
        this.criterion = criterion;
        this.untapped = untapped;
    }

    Criterion criterion() {
        return criterion;
    }

    /** What the log lacks, as a sentence. */
    String untapped() {
        return untapped;
    }

    /** Key of the question whether the grader listened for it. */
    String key() {
        return "heard/" + this;
    }

    /** Whether who tapped this listens for it. */
    boolean shownBy(Observation tapped) {
        if (this == ANSWERS) return tapped instanceof ReportAnswer;
        if (this == QUESTIONS && tapped instanceof Report report) return report.wasAsked();
        if (this == QUESTIONS && tapped instanceof Reply reply) return reply.wasAsked();
        if (!(tapped instanceof Say say)) return false;
        return switch (this) {
            case OPENING -> OPENINGS.contains(say.saying());
            case QUESTIONS -> say.asks();
            case WARNINGS_AND_CUES ->
                WARNINGS.contains(say.saying())
                        || say.saying() == SayKind.READY_CUE
                        || say.saying() == SayKind.RELAX_CUE;
            case INTERVIEWS -> say.saying() == SayKind.INTERVIEW;
            case CLOSING -> say.saying() == SayKind.CLOSING;
            case ANSWERS -> false;
        };
    }

    @Override
    public String toString() {
        return word;
    }
}
