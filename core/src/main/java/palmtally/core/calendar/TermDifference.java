package palmtally.core.calendar;

import java.time.DayOfWeek;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;

/** What lies between two versions of a term, as sentences people read. */
public final class TermDifference {
    private TermDifference() {}

    public static List<String> between(Curriculum before, Curriculum after) {
        var said = new ArrayList<String>();
        change(said, "The term", "name", before.name(), after.name());
        change(said, "The term", "weeks", before.weeks(), after.weeks());
        change(said, "The term", "labs a week", before.labsAWeek(), after.labsAWeek());
        change(said, "The term", "minutes of a lab", before.labMinutes(), after.labMinutes());
        change(said, "The term", "hours asked for", before.targetHours(), after.targetHours());
        change(said, "The term", "hours asked for by region", before.regionHours(), after.regionHours());
        change(said, "The term", "hours asked for by kind", before.kindHours(), after.kindHours());
        change(said, "The term", "weeks off", before.off(), after.off());
        change(said, "The term", "times of the labs", times(before), times(after));
        Map<String, Lesson> had = new LinkedHashMap<>();
        before.lessons().forEach(l -> had.put(l.id(), l));
        for (var l : after.lessons()) {
            var was = had.remove(l.id());
            if (was == null) {
                said.add("Added: " + place(l) + ", " + TermPlan.what(l) + ", " + FastMath.round(l.minutes()) + " min.");
                continue;
            }
            var what = "\"" + TermPlan.what(was) + "\" of week " + was.week();
            change(said, what, "place", place(was), place(l));
            change(said, what, "region", was.region().label(), l.region().label());
            change(said, what, "aim", was.aim(), l.aim());
            change(said, what, "minutes", was.minutes(), l.minutes());
            change(said, what, "sequence", was.sequence(), l.sequence());
            change(said, what, "steps", String.join(", ", was.steps()), String.join(", ", l.steps()));
            change(said, what, "note", was.note(), l.note());
        }
        for (var l : had.values()) said.add("Taken out: " + place(l) + ", " + TermPlan.what(l) + ".");
        return List.copyOf(said);
    }

    private static String times(Curriculum term) {
        return term.times().stream()
                .map(t -> DayOfWeek.of(t.day()).getDisplayName(TextStyle.SHORT, Locale.ENGLISH) + " " + t.begins()
                        + (t.room().isEmpty() ? "" : " in " + t.room()))
                .collect(Collectors.joining(", "));
    }

    private static String place(Lesson l) {
        return "week " + l.week() + ", lab " + l.lab();
    }

    private static void change(
            List<String> said, String what, String field, @Nullable Object before, @Nullable Object after) {
        if (!Objects.equals(before, after))
            said.add(what + ": " + field + " " + words(before) + " → " + words(after) + ".");
    }

    private static String words(@Nullable Object value) {
        if (value == null || value.equals("")) return "none";
        return value instanceof Double d && d == FastMath.rint(d) ? String.valueOf(d.longValue()) : value.toString();
    }
}
