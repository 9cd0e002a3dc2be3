package palmtally.core.earlier;

import org.jspecify.annotations.Nullable;
import palmtally.core.Texts;
import palmtally.core.body.Region;
import palmtally.core.finding.Criterion;

/**
 * What a column of a table of marks holds.
 *
 * @param criterion of a column of marks, or null where the row says it or they are of the whole
 * @param region of a column of marks, or null where the row says it or nobody does
 * @param scale of a column of marks, else null
 */
public record ColumnUse(
        Use use,
        @Nullable Criterion criterion,
        @Nullable Region region,
        @Nullable MarkScale scale) {
    public enum Use {
        NOTHING,
        NAME,
        FIRST_NAME,
        LAST_NAME,
        SIGN_IN,
        DAY,
        REGION,
        CRITERION,
        WHAT,
        GRADER,
        MARK;

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
        }
    }

    public ColumnUse(Use use) {
        this(use, null, null, null);
    }
}
