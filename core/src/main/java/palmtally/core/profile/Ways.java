package palmtally.core.profile;

import palmtally.core.Choice;
import palmtally.core.Texts;

/**
 * The either/ors of one school that are no numbers: where teachers disagree, each takes a side (common practice, no source).
 */
public record Ways(
        @Pick(
                id = "scalp",
                question = "When is the scalp worked?",
                group = Group.ORDER,
                a = "last",
                b = "first",
                moves = "ORDER-PREREQ/scalp",
                added = true)
        Scalp scalp,

        @Pick(
                id = "after-friction",
                question = "What follows cross-fibre friction?",
                group = Group.ORDER,
                a = "cold",
                b = "heat",
                moves = "ORDER-PREREQ/after-friction",
                added = true)
        AfterFriction afterFriction,

        @Pick(
                id = "ears",
                question = "How are the ears worked?",
                group = Group.ORDER,
                a = "together",
                b = "one-at-a-time",
                moves = "ORDER-SIDES",
                added = true)
        Ears ears,

        @Pick(
                id = "opening",
                question = "What does a treatment open with?",
                group = Group.ORDER,
                a = "settle",
                b = "clothed-movement",
                moves = "ORDER-PREREQ/settle-first",
                added = true)
        Opening opening,

        @Pick(
                id = "hold-decided-by",
                question = "Who decides that a hold has done its work?",
                group = Group.DOSE,
                a = "report",
                b = "both",
                moves = "COMM-INTERVIEW",
                added = true)
        HoldDecision decides,

        @Pick(
                id = "elbow",
                question = "Is the point of the elbow used?",
                group = Group.PRESSURE,
                a = "used",
                b = "forearm-only",
                moves = "PRESS-POINT",
                added = true)
        ElbowPoint elbow,

        @Pick(
                id = "chest-sheet",
                question = "What keeps the sheet on an opened chest?",
                group = Group.DRAPING,
                a = "chest-drape",
                b = "arms-over-sheet",
                moves = {"DRAPE-SECURE", "DRAPE-CHEST"},
                added = true)
        ChestSheet chest,

        @Pick(id = "leg-sheet", question = "How is a leg opened?", group = Group.DRAPING, a = "tuck", added = true)
        LegSheet leg,

        @Pick(
                id = "gluteal-sheet",
                question = "How is one side of the gluteals bared?",
                group = Group.DRAPING,
                a = "by-stroke",
                added = true)
        GlutealSheet gluteal,

        @Pick(
                id = "on-table",
                question = "Sitting or kneeling on the table?",
                group = Group.MECHANICS,
                a = "not",
                b = "allowed",
                moves = "TABLE",
                added = true)
        OnTable onTable,

        @Pick(
                id = "client-part",
                question = "What does the client do in lengthening work?",
                group = Group.COMMUNICATION,
                a = "either",
                b = "active",
                moves = "COMM-CUE",
                added = true)
        ClientPart clientPart,

        @Pick(
                id = "term-mark",
                question = "Which marks stand for the term?",
                group = Group.TRACKING,
                a = "local-level",
                added = true)
        TermMark termMark) {
    /** When the scalp is worked, within a treatment of the head. */
    public enum Scalp implements Choice {
        FIRST("scalp first"),
        LAST("scalp last"),
        EITHER("either");

        private final String word = Texts.word(this);

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
            return word;
        }
    }

    /** What follows cross-fibre friction. */
    public enum AfterFriction implements Choice {
        COLD("cold"),
        HEAT("heat");

        private final String word = Texts.word(this);

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
            return word;
        }
    }

    /** How the ears are worked. */
    public enum Ears implements Choice {
        TOGETHER("both together"),
        ONE_AT_A_TIME("one at a time");

        private final String word = Texts.word(this);

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
            return word;
        }
    }

    /** What a treatment opens with. */
    public enum Opening implements Choice {
        SETTLE("settle, with still hands"),
        CLOTHED_MOVEMENT("movement, clothed or through the sheet");

        private final String word = Texts.word(this);

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
            return word;
        }
    }

    /** Who decides that a hold has done its work. */
    public enum HoldDecision implements Choice {
        REPORT("what the client reports"),
        TOUCH("what the hand feels"),
        BOTH("both");

        private final String word = Texts.word(this);

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
            return word;
        }
    }

    /** Whether the point of the elbow is used. */
    public enum ElbowPoint implements Choice {
        USED("elbow point used"),
        FOREARM_ONLY("forearm only");

        private final String word = Texts.word(this);

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
            return word;
        }
    }

    /** What keeps the sheet on an opened chest. */
    public enum ChestSheet implements Choice {
        ARMS_OVER_SHEET("arms over the sheet"),
        CHEST_DRAPE("a tight chest drape");

        private final String word = Texts.word(this);

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
            return word;
        }
    }

    /** How a leg is opened. */
    public enum LegSheet implements Choice {
        TUCK("tucked: scooped between the legs and drawn under the thigh"),
        THREAD("threaded: folded to the knee and slid under it");

        private final String word = Texts.word(this);

        private final String label;

        LegSheet(String label) {
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

    /** How one side of the gluteals is bared. */
    public enum GlutealSheet implements Choice {
        BY_STROKE("a stroke pushes the edge on"),
        BY_HAND("a hand draws the edge on");

        private final String word = Texts.word(this);

        private final String label;

        GlutealSheet(String label) {
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

    /** Sitting or kneeling on the table. */
    public enum OnTable implements Choice {
        ALLOWED("allowed"),
        NOT("not allowed");

        private final String word = Texts.word(this);

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
            return word;
        }
    }

    /** What the client does in lengthening work. */
    public enum ClientPart implements Choice {
        PASSIVE("stays passive"),
        ACTIVE("moves actively"),
        EITHER("either");

        private final String word = Texts.word(this);

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
            return word;
        }
    }

    /** Which marks stand for the term. */
    public enum TermMark implements Choice {
        LOCAL_LEVEL("level with its uncertainty"),
        LATEST("latest"),
        BEST("best"),
        LAST_THREE("mean of the last three"),
        FADING("fading mean");

        private final String word = Texts.word(this);

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
            return word;
        }
    }
}
