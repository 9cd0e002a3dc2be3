package palmtally.core.profile;

/**
 * The either/ors of one school that are no numbers: where teachers disagree, each takes a side (common practice, no source).
 *
 * @param scalp when the scalp is worked, within a treatment of the head
 * @param afterFriction what follows cross-fibre friction
 * @param ears how the ears are worked
 * @param opening what a treatment opens with
 * @param decides who decides that a hold has done its work
 * @param elbow whether the point of the elbow is used
 * @param chest what keeps the sheet on an opened chest
 * @param onTable sitting or kneeling on the table
 * @param clientPart what the client does in lengthening work
 * @param termMark which marks stand for the term
 */
public record Ways(
        Scalp scalp,
        AfterFriction afterFriction,
        Ears ears,
        Opening opening,
        HoldDecision decides,
        ElbowPoint elbow,
        ChestSheet chest,
        OnTable onTable,
        ClientPart clientPart,
        TermMark termMark) {
    /** One side that can be taken, with its words. */
    public interface Choice {
        String label();
    }

    /** When the scalp is worked, within a treatment of the head. */
    public enum Scalp implements Choice {
        FIRST("scalp first"),
        LAST("scalp last"),
        EITHER("either");

        private final String label;

        Scalp(String label) {
            this.label = label;
        }

        @Override
        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return name().toLowerCase().replace('_', '-');
        }
    }

    /** What follows cross-fibre friction. */
    public enum AfterFriction implements Choice {
        COLD("cold"),
        HEAT("heat");

        private final String label;

        AfterFriction(String label) {
            this.label = label;
        }

        @Override
        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return name().toLowerCase().replace('_', '-');
        }
    }

    /** How the ears are worked. */
    public enum Ears implements Choice {
        TOGETHER("both together"),
        ONE_AT_A_TIME("one at a time");

        private final String label;

        Ears(String label) {
            this.label = label;
        }

        @Override
        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return name().toLowerCase().replace('_', '-');
        }
    }

    /** What a treatment opens with. */
    public enum Opening implements Choice {
        SETTLE("settle, with still hands"),
        CLOTHED_MOVEMENT("movement, clothed or through the sheet");

        private final String label;

        Opening(String label) {
            this.label = label;
        }

        @Override
        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return name().toLowerCase().replace('_', '-');
        }
    }

    /** Who decides that a hold has done its work. */
    public enum HoldDecision implements Choice {
        REPORT("what the client reports"),
        TOUCH("what the hand feels"),
        BOTH("both");

        private final String label;

        HoldDecision(String label) {
            this.label = label;
        }

        @Override
        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return name().toLowerCase().replace('_', '-');
        }
    }

    /** Whether the point of the elbow is used. */
    public enum ElbowPoint implements Choice {
        USED("elbow point used"),
        FOREARM_ONLY("forearm only");

        private final String label;

        ElbowPoint(String label) {
            this.label = label;
        }

        @Override
        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return name().toLowerCase().replace('_', '-');
        }
    }

    /** What keeps the sheet on an opened chest. */
    public enum ChestSheet implements Choice {
        ARMS_OVER_SHEET("arms over the sheet"),
        CHEST_DRAPE("a tight chest drape");

        private final String label;

        ChestSheet(String label) {
            this.label = label;
        }

        @Override
        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return name().toLowerCase().replace('_', '-');
        }
    }

    /** Sitting or kneeling on the table. */
    public enum OnTable implements Choice {
        ALLOWED("allowed"),
        NOT("not allowed");

        private final String label;

        OnTable(String label) {
            this.label = label;
        }

        @Override
        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return name().toLowerCase().replace('_', '-');
        }
    }

    /** What the client does in lengthening work. */
    public enum ClientPart implements Choice {
        PASSIVE("stays passive"),
        ACTIVE("moves actively"),
        EITHER("either");

        private final String label;

        ClientPart(String label) {
            this.label = label;
        }

        @Override
        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return name().toLowerCase().replace('_', '-');
        }
    }

    /** Which marks stand for the term. */
    public enum TermMark implements Choice {
        LOCAL_LEVEL("level with its uncertainty"),
        LATEST("latest"),
        BEST("best"),
        LAST_THREE("mean of the last three"),
        FADING("fading mean");

        private final String label;

        TermMark(String label) {
            this.label = label;
        }

        @Override
        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return name().toLowerCase().replace('_', '-');
        }
    }

    Ways withScalp(Scalp to) {
        return new Ways(to, afterFriction, ears, opening, decides, elbow, chest, onTable, clientPart, termMark);
    }

    Ways withAfterFriction(AfterFriction to) {
        return new Ways(scalp, to, ears, opening, decides, elbow, chest, onTable, clientPart, termMark);
    }

    Ways withEars(Ears to) {
        return new Ways(scalp, afterFriction, to, opening, decides, elbow, chest, onTable, clientPart, termMark);
    }

    Ways withOpening(Opening to) {
        return new Ways(scalp, afterFriction, ears, to, decides, elbow, chest, onTable, clientPart, termMark);
    }

    Ways withDecides(HoldDecision to) {
        return new Ways(scalp, afterFriction, ears, opening, to, elbow, chest, onTable, clientPart, termMark);
    }

    Ways withElbow(ElbowPoint to) {
        return new Ways(scalp, afterFriction, ears, opening, decides, to, chest, onTable, clientPart, termMark);
    }

    Ways withChest(ChestSheet to) {
        return new Ways(scalp, afterFriction, ears, opening, decides, elbow, to, onTable, clientPart, termMark);
    }

    Ways withOnTable(OnTable to) {
        return new Ways(scalp, afterFriction, ears, opening, decides, elbow, chest, to, clientPart, termMark);
    }

    Ways withClientPart(ClientPart to) {
        return new Ways(scalp, afterFriction, ears, opening, decides, elbow, chest, onTable, to, termMark);
    }

    Ways withTermMark(TermMark to) {
        return new Ways(scalp, afterFriction, ears, opening, decides, elbow, chest, onTable, clientPart, to);
    }
}
