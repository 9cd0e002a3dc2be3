package palmtally.core.earlier;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Region;
import palmtally.core.finding.Criterion;

/**
 * What was read of a table of marks.
 *
 * @param marks row by row
 * @param leftOut cells and rows that are no marks, with why
 * @param names each name once, in the order of their first rows
 * @param regions regions as they are written that nobody knows, each once
 * @param repeated rows that are the same as one before, and were left out
 */
public record MarksReading(
        List<EarlierMark> marks,
        List<LeftOut> leftOut,
        List<NameRead> names,
        List<String> regions,
        List<Integer> repeated) {
    /** More than these are no scale. */
    private static final int MOST_WORDS = 20;

    /**
     * One mark.
     *
     * @param row as the file counts, from 1
     * @param column from 1
     * @param name as it is written
     * @param student id of the student, or null for somebody who is not of this school
     * @param what what it was of, as it is written; blank for nothing
     * @param grader as written; blank for nobody
     * @param given the cell
     * @param points 0–100
     */
    public record EarlierMark(
            int row,
            int column,
            String name,
            @Nullable String student,
            @Nullable LocalDate day,
            @Nullable Region region,
            @Nullable Criterion criterion,
            String what,
            String grader,
            String given,
            double points) {}

    /**
     * A cell that is no mark, or a row of nobody's.
     *
     * @param column from 1, or 0 for the row
     */
    public record LeftOut(int row, int column, String value, String reason) {}

    /**
     * A name of the table.
     *
     * @param rows how often it stands there
     * @param chosen whether somebody said who is meant
     * @param student id of who is meant, or null
     */
    public record NameRead(
            String given,
            int rows,
            StudentNames.Match match,
            boolean chosen,
            @Nullable String student) {}

    /** Words in columns of marks of which nobody said what they are worth, each once in small letters, as they come. */
    public List<String> wordsWithoutWorth() {
        return leftOut.stream()
                .filter(l -> l.column() > 0 && l.reason().equals(MarkScale.NO_MARK))
                .map(l -> MarkScale.plain(l.value()))
                .distinct()
                .limit(MOST_WORDS)
                .toList();
    }
}
