package palmtally.core.profile;

/** What may be unlawful or beyond scope somewhere. Local codes and licensed practice decide; a school sets how it teaches each. */
public enum ScopeTopic {
    FRONT_OF_NECK("Front and side of the neck", "Vessels, nerves and the airway lie here."),
    INSIDE_MOUTH("Work inside the mouth", "Gloves, written consent, and a licence that allows it."),
    BREAST_TISSUE("Breast tissue", "Only where the local code and written consent allow it."),
    JOINT_MOVEMENT("Graded joint movement", "In many places reserved to other licences."),
    HEAT_AND_COLD("Heat and cold", "Not on numb, inflamed or newly injured skin; ask about allergy to cold."),
    PRENATAL("Work in pregnancy", "Side-lying, joints supported, no deep work on the legs."),
    ABDOMINAL("Abdominal work", "On the out-breath, no deeper than 2, never on fresh wounds or unexplained pain."),
    EXERCISE_ADVICE("Advice on exercise", "A plan of exercises is treatment of its own kind in many places."),
    DIAGNOSIS("Words that sound like a diagnosis", "Say what is felt and seen; naming a disease is for others.");

    /** How a school treats a topic. */
    public enum Level {
        NOT_TAUGHT("not taught"),
        THEORY_ONLY("theory only"),
        SUPERVISED("supervised"),
        ALLOWED("allowed");

        private final String label;

        Level(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return name().toLowerCase().replace('_', '-');
        }
    }

    /** Stands beside every caution, on screen and on paper. */
    public static final String WHO_DECIDES = "Local codes and licensed practice decide.";

    private final String label;
    private final String caution;

    ScopeTopic(String label, String caution) {
        this.label = label;
        this.caution = caution;
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
        return name().toLowerCase().replace('_', '-');
    }
}
