package palmtally.core.statement;

import java.time.LocalDate;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.hipparchus.util.FastMath;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Texts;
import palmtally.core.practical.Outcome.Band;

/** A letter to a student in plain words: drafted from what is stated of them, and edited by a teacher before it goes. */
public final class Letter {
    /** Letters of it: two pages. */
    public static final int MOST = 6000;

    /** So many of what goes well and of what to practise: more is a list and no letter. */
    private static final int MENTIONED = 3;

    private Letter() {}

    /**
     * A letter to begin with.
     *
     * @param facts what is stated of the student today
     * @param from who writes
     */
    public static String draft(Statement facts, String from) {
        var parts = new ArrayList<String>();
        parts.add("Dear " + facts.student() + ",");
        parts.add(shown(facts.results()));
        var seen = facts.competencies().stream()
                .filter(c -> c.level() != null)
                .sorted(Comparator.comparing(Statement.CompetencyLine::level, Comparator.reverseOrder()))
                .toList();
        var well = seen.stream()
                .filter(c -> of(c).ordinal() >= Band.COMPETENT.ordinal())
                .limit(MENTIONED)
                .toList();
        var practise = new ArrayList<>(seen.stream()
                .filter(c -> of(c).ordinal() < Band.COMPETENT.ordinal())
                .toList());
        Collections.reverse(practise);
        if (!well.isEmpty()) parts.add("What goes well: " + named(well) + ".");
        if (!practise.isEmpty())
            parts.add(
                    "What to practise next: " + named(practise.subList(0, Math.min(MENTIONED, practise.size()))) + ".");
        var lacking = facts.hours().stream()
                .filter(h -> h.asked() > h.hours())
                .map(h -> number(h.asked() - h.hours()) + " of " + h.kind())
                .toList();
        if (!lacking.isEmpty()) parts.add("Hours that are still to be done: " + spoken(lacking) + ".");
        parts.add(from + "\n" + facts.school());
        return String.join("\n\n", parts);
    }

    private static String shown(List<Statement.ResultLine> results) {
        if (results.isEmpty()) return "this term no practical of yours was marked yet.";
        var last = results.get(results.size() - 1);
        return "this term we marked "
                + (results.size() == 1 ? "one practical of yours" : results.size() + " practicals of yours")
                + (results.size() == 1 ? ", on " : "; the last was on ") + day(last.on()) + ", “" + last.sequence()
                + "”: "
                + last.result() + (last.mean() == null ? "" : ", " + last.mean() + " of 100") + ".";
    }

    private static Band of(Statement.CompetencyLine line) {
        var level = line.level();
        return Band.of(level == null ? 0 : level);
    }

    private static String named(List<Statement.CompetencyLine> lines) {
        return spoken(lines.stream()
                .map(c -> c.criterion().toLowerCase(Locale.ROOT) + " at the "
                        + c.region().toLowerCase(Locale.ROOT) + " (" + of(c) + ")")
                .toList());
    }

    private static String spoken(List<String> all) {
        return all.size() < 2
                ? String.join("", all)
                : all.subList(0, all.size() - 1).stream().collect(Collectors.joining(", ")) + " and "
                        + all.get(all.size() - 1);
    }

    private static String number(double hours) {
        double tenth = FastMath.round(hours * 10) / 10.0;
        return tenth == FastMath.floor(tenth) ? String.valueOf((long) tenth) : String.valueOf(tenth);
    }

    private static String day(LocalDate day) {
        return day.getDayOfMonth() + " " + day.getMonth().getDisplayName(TextStyle.FULL, Locale.UK);
    }

    /** @throws InvalidValue where it says nothing, too much, or what cannot be kept */
    public static String checked(String given) {
        var text = given.replace("\r\n", "\n").strip();
        if (text.isEmpty() || text.length() > MOST)
            throw new InvalidValue(
                    "letter",
                    new Fault(
                            "text",
                            text.isEmpty() ? "" : text.length() + " characters",
                            "must be 1 to " + MOST + " characters"));
        Texts.unkept(text).ifPresent(why -> {
            throw new InvalidValue("letter", new Fault("text", "", why));
        });
        return text;
    }

    /** Its paragraphs, each with its lines. */
    public static List<List<String>> paragraphs(String text) {
        return List.of(text.split("\n\\s*\n")).stream()
                .map(p -> List.of(p.strip().split("\n")))
                .toList();
    }
}
