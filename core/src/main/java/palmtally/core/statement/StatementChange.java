package palmtally.core.statement;

import java.time.LocalDate;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import palmtally.core.Texts;

/**
 * Something that is no longer as a statement says, or came after it.
 *
 * @param words for who may see the marks
 * @param plain the same without a mark, for whoever holds the paper
 */
public record StatementChange(Kind kind, String words, String plain) {
    /** What happened. */
    public enum Kind {
        AWARDED_ANEW,
        NO_LONGER_COUNTS,
        SIGNED_ANEW,
        SIGNED_LATER,
        FEWER_HOURS,
        LATER_PRACTICAL;

        private final String word = Texts.word(this);

        /** Whether what the paper says is no longer so; a later practical, and initials where there were none, leave it as it was. */
        public boolean outdates() {
            return this != LATER_PRACTICAL && this != SIGNED_LATER;
        }

        @Override
        public String toString() {
            return word;
        }
    }

    /**
     * What is otherwise now than when a statement was issued, in the order of its lines.
     *
     * @param then as it was issued, and as it was signed when the paper was made
     * @param now the same student in the same term today
     */
    public static List<StatementChange> between(Statement then, Statement now) {
        var all = new ArrayList<StatementChange>();
        Map<String, Statement.ResultLine> today = new HashMap<>();
        now.results().forEach(r -> today.put(r.practical(), r));
        for (var was : then.results()) {
            var is = today.remove(was.practical());
            var of = "The practical of " + day(was.on()) + ", " + was.sequence() + ",";
            if (is == null) {
                all.add(new StatementChange(
                        Kind.NO_LONGER_COUNTS,
                        of + " does not count any more; the statement says " + marks(was) + ".",
                        of + " does not count any more."));
                continue;
            }
            if (is.revision() != was.revision())
                all.add(new StatementChange(
                        Kind.AWARDED_ANEW,
                        of + " was awarded anew: it was " + marks(was) + " and is " + marks(is) + ".",
                        of + " was awarded anew after this was issued."));
            else if (!Objects.equals(is.signed(), was.signed()))
                all.add(new StatementChange(
                        was.signed() == null ? Kind.SIGNED_LATER : Kind.SIGNED_ANEW,
                        of + signed(was, is),
                        of + signed(was, is)));
        }
        for (var later : now.results())
            if (today.containsKey(later.practical())) {
                var of = "A practical of " + day(later.on()) + ", " + later.sequence() + ", came after it";
                all.add(new StatementChange(Kind.LATER_PRACTICAL, of + ": " + marks(later) + ".", of + "."));
            }
        if (then.about() == Statement.Kind.HOURS) all.addAll(fewerHours(then, now));
        for (int i = then.signed().size(); i < now.signed().size(); i++) {
            var s = now.signed().get(i);
            var words = "The statement was signed " + (i == 0 ? "" : "again ") + "by " + s.name() + " on " + day(s.on())
                    + ", after this paper was made.";
            all.add(new StatementChange(i == 0 ? Kind.SIGNED_LATER : Kind.SIGNED_ANEW, words, words));
        }
        return List.copyOf(all);
    }

    /** A certificate of hours stays so while more are added; one that says more than count is not. */
    private static List<StatementChange> fewerHours(Statement then, Statement now) {
        var all = new ArrayList<StatementChange>();
        for (var was : then.hours()) {
            double is = now.hours().stream()
                    .filter(h -> h.kind().equals(was.kind()))
                    .mapToDouble(Statement.HoursLine::hours)
                    .findFirst()
                    .orElse(0);
            if (is >= was.hours()) continue;
            var of = "The hours of " + was.kind() + " were counted anew";
            all.add(new StatementChange(
                    Kind.FEWER_HOURS,
                    of + ": it says " + was.hours() + ", and " + is + " count now.",
                    of + " after this was issued, and are fewer."));
        }
        return all;
    }

    private static String signed(Statement.ResultLine was, Statement.ResultLine is) {
        var s = is.signed();
        if (s == null) return " has no initials any more.";
        return (was.signed() == null ? " was signed" : " was signed again") + " by " + s.name() + " on " + day(s.on())
                + ", after this was issued.";
    }

    private static String marks(Statement.ResultLine line) {
        return mean(line.mean()) + ", " + line.result();
    }

    private static String mean(@Nullable Integer mean) {
        return mean == null ? "no mean" : mean.toString();
    }

    private static String day(LocalDate day) {
        return day.getDayOfMonth() + " " + day.getMonth().getDisplayName(TextStyle.SHORT, Locale.UK) + " "
                + day.getYear();
    }
}
