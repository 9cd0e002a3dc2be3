package palmtally.core.profile;

import palmtally.core.Choice;
import palmtally.core.Texts;

/**
 * How attendance becomes hours. Schools and the boards they answer to disagree, so that each says its own (common practice, no source;
 * that a period of 50 to 60 minutes is one hour: 34 CFR 600.2, clock hour, from memory).
 */
public record Hours(
        @Amount(
                id = "hour-minutes",
                name = "Minutes of a lab that are one hour",
                group = Group.HOURS,
                unit = "min",
                least = 45,
                most = 60,
                a = 60,
                b = 50,
                moves = "HOURS-SHORT",
                added = true)
        double hourMinutes,

        @Amount(
                id = "late-grace",
                name = "Late by so much is in time",
                group = Group.HOURS,
                unit = "min",
                least = 0,
                most = 60,
                a = 0,
                b = 10,
                moves = "HOURS-SHORT",
                added = true)
        double graceMinutes,

        @Amount(
                id = "late-missed",
                name = "Late by so much is the lab missed",
                group = Group.HOURS,
                unit = "min",
                least = 1,
                most = 480,
                a = 480,
                b = 45,
                moves = {"HOURS-SHORT", "HOURS-MISSED"},
                added = true)
        double missedFromMinutes,

        @Amount(
                id = "excused-share",
                name = "Share of the hours asked for that counts where the absence was excused",
                group = Group.HOURS,
                unit = "%",
                least = 0,
                most = 1,
                a = 0,
                b = 0.1,
                moves = "HOURS-SHORT",
                added = true)
        double excusedShare,

        @Amount(
                id = "missed-share",
                name = "Share of the labs that may be missed before it is said",
                group = Group.HOURS,
                unit = "%",
                least = 0,
                most = 1,
                a = 0.1,
                b = 0.2,
                moves = "HOURS-MISSED",
                added = true)
        double missedShare,

        @Pick(
                id = "time-counted",
                question = "How is time in a lab counted?",
                group = Group.HOURS,
                a = "minutes",
                b = "quarter-hours",
                moves = "HOURS-SHORT",
                added = true)
        Counted counted,

        @Pick(
                id = "open-minutes",
                question = "What are minutes of a lab that no lesson takes?",
                group = Group.HOURS,
                a = "practice",
                b = "break",
                moves = "HOURS-SHORT",
                added = true)
        OpenMinutes openMinutes) {
    /** How finely time is counted. */
    public enum Counted implements Choice {
        MINUTES("to the minute"),
        QUARTER_HOURS("in full quarter hours");

        private final String word = Texts.word(this);

        private final String label;

        Counted(String label) {
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

    /** What the minutes of a lab are that no lesson takes. */
    public enum OpenMinutes implements Choice {
        PRACTICE("supervised practice"),
        BREAK("a break, not counted");

        private final String word = Texts.word(this);

        private final String label;

        OpenMinutes(String label) {
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
