package palmtally.core.earlier;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import palmtally.core.Texts;

/** Which of two numbers is the day, in dates such as 3/11/2025. Dates that begin with the year are read the same in each. */
public enum DayOrder {
    DAY_FIRST,
    MONTH_FIRST;

    private static final Pattern YEAR_FIRST =
            Pattern.compile("(\\d{4})[-/.](\\d{1,2})[-/.](\\d{1,2})(?:[T ]\\d{1,2}:\\d{2}.*)?");
    private static final Pattern YEAR_LAST =
            Pattern.compile("(\\d{1,2})\\s*[-/.]\\s*(\\d{1,2})\\s*[-/.]\\s*(\\d{4}|\\d{2})(?:[ ,]+\\d{1,2}:\\d{2}.*)?");
    private static final Pattern NAMED = Pattern.compile(
            "(?:[a-z]{2,9}\\.?,? )?(?:(\\d{1,2})(?:st|nd|rd|th)?\\.? ([a-z]{3,9})\\.?|([a-z]{3,9})\\.? (\\d{1,2})(?:st|nd|rd|th)?),? (\\d{4})");
    private static final List<String> MONTHS =
            List.of("jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec");

    private final String word = Texts.word(this);

    /** The order in which the most dates of a column are dates; the day first where both do. */
    public static DayOrder of(Collection<String> cells) {
        long days = cells.stream().filter(c -> DAY_FIRST.read(c).isPresent()).count();
        long months =
                cells.stream().filter(c -> MONTH_FIRST.read(c).isPresent()).count();
        return months > days ? MONTH_FIRST : DAY_FIRST;
    }

    /** The day of a cell, nothing where it is no date. */
    public Optional<LocalDate> read(String given) {
        var cell = MarkScale.plain(given);
        try {
            var first = YEAR_FIRST.matcher(cell);
            if (first.matches()) return day(first.group(1), first.group(2), first.group(3));
            var last = YEAR_LAST.matcher(cell);
            if (last.matches()) {
                var year = last.group(3).length() == 2 ? "20" + last.group(3) : last.group(3);
                return this == DAY_FIRST
                        ? day(year, last.group(2), last.group(1))
                        : day(year, last.group(1), last.group(2));
            }
            var named = NAMED.matcher(cell);
            if (!named.matches()) return Optional.empty();
            var month = named.group(2) != null ? named.group(2) : named.group(3);
            int n = MONTHS.indexOf(month.substring(0, 3).toLowerCase(Locale.ROOT));
            if (n < 0) return Optional.empty();
            return day(named.group(5), String.valueOf(n + 1), named.group(1) != null ? named.group(1) : named.group(4));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    private static Optional<LocalDate> day(String year, String month, String day) {
        return Optional.of(LocalDate.of(Integer.parseInt(year), Integer.parseInt(month), Integer.parseInt(day)));
    }

    @Override
    public String toString() {
        return word;
    }
}
