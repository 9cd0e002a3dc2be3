package palmtally.core.register;

import org.jspecify.annotations.Nullable;
import palmtally.core.calendar.HourKind;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;

/**
 * One thing a rule has to say about the hours of a student, or of a term.
 *
 * @param where the lab it is about, or null
 * @param kind the kind of hours it is about, or null for all
 * @param sentence one plain sentence with the reason
 * @param remedy what would mend it
 */
public record RegisterFinding(
        Rule rule,
        Severity severity,
        @Nullable LabPlace where,
        @Nullable HourKind kind,
        String sentence,
        String remedy) {}
