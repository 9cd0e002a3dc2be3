package palmtally.core.calendar;

import org.jspecify.annotations.Nullable;
import palmtally.core.body.Region;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;

/**
 * One thing a rule has to say about a term.
 *
 * @param sentence one plain sentence with the reason
 * @param remedy what would mend it
 * @param mend the edit that does, or null where there is none to propose
 */
public record TermFinding(
        Rule rule,
        Severity severity,
        TermPlace where,
        String sentence,
        String remedy,
        @Nullable TermMend mend) {
    /**
     * The place of a finding.
     *
     * @param week from 1, or null
     * @param lab from 1, or null
     * @param lesson id of the lesson, or null
     */
    public record TermPlace(
            @Nullable Integer week,
            @Nullable Integer lab,
            @Nullable String lesson,
            @Nullable Region region) {
        static final TermPlace TERM = new TermPlace(null, null, null, null);

        static TermPlace of(Lesson l) {
            return new TermPlace(l.week(), l.lab(), l.id(), l.region());
        }

        static TermPlace of(Region r) {
            return new TermPlace(null, null, null, r);
        }

        static TermPlace lab(int week, int lab) {
            return new TermPlace(week, lab, null, null);
        }
    }

    /**
     * An edit of the term.
     *
     * @param label what it does, as on its button
     */
    public record TermMend(String label, Curriculum mended) {}

    /** Stable name of this finding within one term: the rule and its place; a lesson is known by its id wherever it goes. */
    public String key() {
        var at = where.lesson != null ? where.lesson : where.week == null ? "-" : where.week + "." + where.lab;
        return rule + "@" + at + "/" + (where.region == null ? "-" : where.region);
    }

    TermFinding with(@Nullable TermMend found) {
        return new TermFinding(rule, severity, where, sentence, remedy, found);
    }
}
