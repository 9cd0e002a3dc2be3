package palmtally.core.sequence;

import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Words that make a plan of exercises, or a diagnosis, out of a remark. Ours, and on the careful side. */
public enum ScopeWords {
    EXERCISE("\\b(exercises?|sets of|repetitions|reps|at home|every (morning|evening|day)|daily)\\b"),
    DIAGNOSIS(
            "\\b(diagnos\\w*|you have (a|an|got)\\b|torn|rupture\\w*|hernia\\w*|slipped disc|prolapse\\w*|arthritis|bursitis|sciatica|pinched nerve|fracture\\w*|scoliosis|thrombosis)|tend[io]nitis");

    private final Pattern pattern;

    ScopeWords(String pattern) {
        this.pattern = Pattern.compile(pattern, Pattern.CASE_INSENSITIVE);
    }

    public boolean in(@Nullable String words) {
        return words != null && words.length() > 2 && pattern.matcher(words).find();
    }
}
