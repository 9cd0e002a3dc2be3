package palmtally.core.earlier;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Region;
import palmtally.core.earlier.ColumnUse.Use;
import palmtally.core.earlier.MarksReading.EarlierMark;
import palmtally.core.earlier.MarksReading.LeftOut;
import palmtally.core.earlier.MarksReading.NameRead;
import palmtally.core.earlier.StudentNames.Found;

/** One reading from the first row to the last. */
final class MarksPass {
    /** No name, and nothing else that is kept of a row, is longer. */
    private static final int MOST_LETTERS = 200;

    /** Rows that are reckoned from the others. */
    private static final Set<String> RECKONED = Set.of(
            "average",
            "mean",
            "total",
            "totals",
            "sum",
            "median",
            "class average",
            "class mean",
            "min",
            "max",
            "mittelwert",
            "durchschnitt",
            "summe",
            "moyenne",
            "media");

    private final MarksTable table;
    private final MarksMapping mapping;
    private final StudentNames students;
    private final List<String> head;
    private final List<EarlierMark> marks = new ArrayList<>();
    private final List<LeftOut> leftOut = new ArrayList<>();
    private final Map<String, Integer> names = new LinkedHashMap<>();
    private final Map<String, StudentNames.Match> matches = new HashMap<>();
    private final Set<String> regions = new LinkedHashSet<>();
    private final List<Integer> repeated = new ArrayList<>();

    MarksPass(MarksTable table, MarksMapping mapping, StudentNames students) {
        this.table = table;
        this.mapping = mapping;
        this.students = students;
        this.head = table.head(mapping.headRow());
    }

    MarksReading run() {
        var seen = new HashSet<List<String>>();
        for (int r = mapping.headRow(); r < table.rows().size(); r++) {
            var row = table.rows().get(r).stream().map(MarkScale::plain).toList();
            if (row.stream().allMatch(String::isEmpty)) continue;
            if (seen.add(row)) row(r);
            else repeated.add(r + 1);
        }
        var read = names.entrySet().stream()
                .map(n -> new NameRead(
                        n.getKey(),
                        n.getValue(),
                        matches.get(n.getKey()),
                        mapping.names().containsKey(n.getKey()),
                        student(n.getKey())))
                .toList();
        return new MarksReading(
                List.copyOf(marks), List.copyOf(leftOut), read, List.copyOf(regions), List.copyOf(repeated));
    }

    /** The first filled cell of a use. */
    private String first(int row, Use use) {
        for (int c = 0; c < mapping.columns().size(); c++)
            if (mapping.columns().get(c).use() == use) {
                var cell = table.cell(row, c).strip();
                if (!cell.isEmpty()) return cell.replaceAll("\\s+", " ");
            }
        return "";
    }

    private void row(int r) {
        var signIn = first(r, Use.SIGN_IN);
        var name = name(r);
        if (name.isEmpty() && signIn.isEmpty()) {
            leftOut.add(new LeftOut(r + 1, 0, "", "has no student"));
            return;
        }
        if (RECKONED.contains(MarkScale.plain(name).replaceAll("[:.]+$", ""))) {
            leftOut.add(new LeftOut(r + 1, 0, name, "is reckoned from the others and no student's"));
            return;
        }
        var called = name.isEmpty() ? signIn : name;
        for (var kept : List.of(called, first(r, Use.WHAT), first(r, Use.GRADER)))
            if (kept.length() > MOST_LETTERS) {
                leftOut.add(new LeftOut(
                        r + 1,
                        0,
                        kept.substring(0, kept.offsetByCodePoints(0, 20)) + "…",
                        "is longer than " + MOST_LETTERS + " letters"));
                return;
            }
        names.merge(called, 1, Integer::sum);
        matches.computeIfAbsent(called, k -> {
            var bySignIn = signIn.isEmpty() ? null : students.ofSignIn(signIn);
            return bySignIn != null && bySignIn.found() == Found.EXACT ? bySignIn : students.of(called);
        });
        var day = day(r);
        var rowRegion = region(r);
        var rowCriterion = MarksTable.criterion(first(r, Use.CRITERION)).orElse(null);
        for (int c = 0; c < mapping.columns().size(); c++) {
            var column = mapping.columns().get(c);
            if (column.use() != Use.MARK || column.scale() == null) continue;
            var cell = table.cell(r, c).strip();
            var read = column.scale().read(cell);
            if (read.fault() != null) leftOut.add(new LeftOut(r + 1, c + 1, cell, read.fault()));
            if (read.points() == null) continue;
            var what = first(r, Use.WHAT);
            marks.add(new EarlierMark(
                    r + 1,
                    c + 1,
                    called,
                    student(called),
                    day,
                    column.region() != null ? column.region() : rowRegion,
                    column.criterion() != null ? column.criterion() : rowCriterion,
                    what.isEmpty() ? head.get(c) : what,
                    first(r, Use.GRADER),
                    cell,
                    read.points()));
        }
    }

    private String name(int r) {
        var whole = first(r, Use.NAME);
        if (!whole.isEmpty()) return whole;
        return (first(r, Use.FIRST_NAME) + " " + first(r, Use.LAST_NAME)).strip();
    }

    private @Nullable LocalDate day(int r) {
        var cell = first(r, Use.DAY);
        if (cell.isEmpty()) return null;
        var day = mapping.days().read(cell);
        if (day.isEmpty()) leftOut.add(new LeftOut(r + 1, 0, cell, "is no date; its marks are kept without one"));
        return day.orElse(null);
    }

    private @Nullable Region region(int r) {
        var cell = first(r, Use.REGION);
        if (cell.isEmpty()) return null;
        var chosen = mapping.regions().get(cell);
        if (chosen != null)
            return Arrays.stream(Region.values())
                    .filter(x -> x.toString().equals(chosen))
                    .findFirst()
                    .orElse(null);
        var known = MarksTable.region(cell);
        if (known.isEmpty()) regions.add(cell);
        return known.orElse(null);
    }

    /** Who is meant by a name: whoever was chosen, else who it is or nearly is. */
    private @Nullable String student(String name) {
        var chosen = mapping.names().get(name);
        if (chosen != null) return chosen.isEmpty() ? null : chosen;
        var match = matches.get(name);
        return match != null && (match.found() == Found.EXACT || match.found() == Found.NEAR)
                ? match.candidates().get(0).id()
                : null;
    }
}
