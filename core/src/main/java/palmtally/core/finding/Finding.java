package palmtally.core.finding;

import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;

/**
 * One thing a rule has to say.
 *
 * @param where which step, zone, side and moment
 * @param sentence one plain sentence with the reason
 * @param remedy what would mend it
 * @param evidence ids of the events it rests on; empty for a plan
 */
public record Finding(
        Rule rule, Severity severity, Where where, String sentence, String remedy, List<String> evidence) {
    /**
     * The place of a finding.
     *
     * @param step id of the step, or null where it is about no single step
     * @param atMs milliseconds from the start of the plan or the practical, or null
     */
    public record Where(
            @Nullable String step,
            @Nullable Zone zone,
            @Nullable Side side,
            @Nullable Long atMs) {
        public static final Where EVERYWHERE = new Where(null, null, null, null);

        public static Where step(String step) {
            return new Where(step, null, null, null);
        }

        public static Where at(long atMs) {
            return new Where(null, null, null, atMs);
        }
    }

    public Finding {
        evidence = List.copyOf(evidence);
    }

    /** Stable name of this finding within one plan or practical: the rule and its place. */
    public String key() {
        return rule + "@" + or(where.step) + "/" + or(where.zone) + "/" + or(where.side) + "/" + or(where.atMs);
    }

    private static String or(@Nullable Object part) {
        return part == null ? "-" : part.toString();
    }
}
