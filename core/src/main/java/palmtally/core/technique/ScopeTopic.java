package palmtally.core.technique;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import palmtally.core.Choice;
import palmtally.core.Texts;

/** What may be unlawful or beyond scope somewhere. Local codes and licensed practice decide; a school sets how it teaches each. */
public enum ScopeTopic {
    FRONT_OF_NECK(
            "Front and side of the neck",
            "Vessels, nerves and the airway lie here.",
            Level.SUPERVISED,
            Level.ALLOWED,
            "Is the front of the neck taught?"),
    INSIDE_MOUTH(
            "Work inside the mouth",
            "Gloves, written consent, and a licence that allows it.",
            Level.THEORY_ONLY,
            Level.THEORY_ONLY,
            null),
    BREAST_TISSUE(
            "Breast tissue",
            "Only where the local code and written consent allow it.",
            Level.NOT_TAUGHT,
            Level.NOT_TAUGHT,
            null),
    JOINT_MOVEMENT(
            "Graded joint movement",
            "In many places reserved to other licences.",
            Level.SUPERVISED,
            Level.ALLOWED,
            null),
    HEAT_AND_COLD(
            "Heat and cold",
            "Not on numb, inflamed or newly injured skin; ask about allergy to cold.",
            Level.ALLOWED,
            Level.ALLOWED,
            null),
    PRENATAL(
            "Work in pregnancy",
            "Side-lying, joints supported, no deep work on the legs.",
            Level.SUPERVISED,
            Level.SUPERVISED,
            null),
    ABDOMINAL(
            "Abdominal work",
            "On the out-breath, no deeper than 2, never on fresh wounds or unexplained pain.",
            Level.SUPERVISED,
            Level.SUPERVISED,
            null),
    EXERCISE_ADVICE(
            "Advice on exercise",
            "A plan of exercises is treatment of its own kind in many places.",
            Level.NOT_TAUGHT,
            Level.NOT_TAUGHT,
            null),
    DIAGNOSIS(
            "Words that sound like a diagnosis",
            "Say what is felt and seen; naming a disease is for others.",
            Level.NOT_TAUGHT,
            Level.NOT_TAUGHT,
            null);

    /** How a school treats a topic. */
    public enum Level implements Choice {
        NOT_TAUGHT("not taught"),
        THEORY_ONLY("theory only"),
        SUPERVISED("supervised"),
        ALLOWED("allowed");

        private final String word = Texts.word(this);

        private final String label;

        Level(String label) {
            this.label = label;
        }

        @Override
        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return word;
        }
    }

    /** Stands beside every caution, on screen and on paper. */
    public static final String WHO_DECIDES = "Local codes and licensed practice decide.";

    private final String word = Texts.word(this);

    private final String label;
    private final String caution;
    private final Level a;
    private final Level b;
    private final @Nullable String question;

    ScopeTopic(String label, String caution, Level a, Level b, @Nullable String question) {
        this.label = label;
        this.caution = caution;
        this.a = a;
        this.b = b;
        this.question = question;
    }

    /** How a profile that ships teaches it. */
    public Level shipped(boolean inB) {
        return inB ? b : a;
    }

    /** What is asked of a school where teachers disagree about it. */
    public Optional<String> question() {
        return Optional.ofNullable(question);
    }

    public String label() {
        return label;
    }

    /** What to mind, one sentence. */
    public String caution() {
        return caution;
    }

    @Override
    public String toString() {
        return word;
    }
}
