package palmtally.core.statement;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Texts;

/**
 * What a school states of a student at one moment: competencies, results and hours, each with its day and who stands for it.
 *
 * @param on the day it was issued
 * @param signed by whom the whole was signed so far, the first first
 * @param kind what it states; null of those that were issued before there were two, which state results
 * @param text of a letter, as it was edited; null of all else
 */
public record Statement(
        String school,
        String student,
        String term,
        LocalDate on,
        List<CompetencyLine> competencies,
        List<ResultLine> results,
        List<HoursLine> hours,
        List<Signed> signed,
        @Nullable Kind kind,
        @Nullable String text) {
    /** What a statement is about. */
    public enum Kind {
        /** Competencies, practicals and hours. */
        RESULTS("Statement of results"),
        /** Hours alone. */
        HOURS("Certificate of hours"),
        /** What a teacher wrote to the student, on what the results were then. */
        LETTER("Letter");

        private final String word = Texts.word(this);
        private final String title;

        Kind(String title) {
            this.title = title;
        }

        /** @throws InvalidValue where it is none */
        public static Kind of(String word) {
            for (var kind : values()) if (kind.word.equals(word)) return kind;
            throw new InvalidValue("statement", new Fault("kind", word, "must be results, hours or letter"));
        }

        public String title() {
            return title;
        }

        @Override
        public String toString() {
            return word;
        }
    }

    /** What it states. */
    public Kind about() {
        return kind == null ? Kind.RESULTS : kind;
    }

    /**
     * One criterion in one region.
     *
     * @param state as it was called, such as "secure"
     * @param level whole points, 0–100, or null where nothing was seen
     * @param seenOn the day of the last evidence, or null
     * @param grader who awarded that, or null
     * @param signed the initials under that award, or null
     */
    public record CompetencyLine(
            String region,
            String criterion,
            String state,
            @Nullable Integer level,
            @Nullable LocalDate seenOn,
            @Nullable String grader,
            @Nullable Signed signed) {}

    /**
     * One practical that counts.
     *
     * @param practical its id
     * @param revision of the award that is stated, from 1
     * @param mean whole points, 0–100, or null
     * @param result such as "pass"
     * @param signed who signed this revision last, or null
     */
    public record ResultLine(
            String practical,
            int revision,
            LocalDate on,
            String sequence,
            String grader,
            @Nullable Integer mean,
            String result,
            @Nullable Signed signed) {}

    /** Hours of one kind as the school counts them, and how many it asks for; 0 for nothing asked. */
    public record HoursLine(String kind, double hours, double asked) {}

    /**
     * Initials under an award or a statement.
     *
     * @param initials as they are typed; drawn ones stand beside
     * @param times how often it was signed, from 1
     */
    public record Signed(String name, String initials, LocalDate on, int times) {}
}
