package palmtally.core.earlier;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Region;
import palmtally.core.earlier.ColumnUse.Use;
import palmtally.core.finding.Criterion;

/**
 * A table of marks as somebody else's program or spreadsheet wrote it: a student a row, or a mark a row.
 *
 * @param rows all rows of the sheet, cells as text; rows may be of different lengths
 */
public record MarksTable(List<List<String>> rows) {
    /** Larger ones are taken for a mistake. */
    public static final int MOST_ROWS = 20_000;

    public static final int MOST_COLUMNS = 200;

    /** The head is looked for in so many first rows. */
    private static final int HEAD_WITHIN = 10;

    /** What a column is called (common practice, no source). */
    private static final Map<Use, List<String>> CALLED = new EnumMap<>(Map.ofEntries(
            Map.entry(
                    Use.NAME,
                    List.of(
                            "name",
                            "student",
                            "student name",
                            "full name",
                            "learner",
                            "pupil",
                            "candidate",
                            "schüler",
                            "nom",
                            "nombre")),
            Map.entry(Use.FIRST_NAME, List.of("first name", "first", "given name", "forename", "vorname", "prénom")),
            Map.entry(
                    Use.LAST_NAME,
                    List.of("last name", "last", "surname", "family name", "nachname", "nom de famille", "apellido")),
            Map.entry(Use.SIGN_IN, List.of("sign-in", "sign in", "user name", "username", "login")),
            Map.entry(Use.DAY, List.of("date", "day", "on", "datum", "fecha", "graded on", "date of practical")),
            Map.entry(Use.REGION, List.of("region", "area", "body part", "body region", "bereich")),
            Map.entry(Use.CRITERION, List.of("criterion", "criteria", "skill", "competency", "aspect")),
            Map.entry(
                    Use.WHAT,
                    List.of(
                            "practical",
                            "assessment",
                            "exam",
                            "test",
                            "sequence",
                            "task",
                            "what",
                            "title",
                            "prüfung",
                            "technique")),
            Map.entry(
                    Use.GRADER,
                    List.of(
                            "grader",
                            "teacher",
                            "instructor",
                            "examiner",
                            "marked by",
                            "graded by",
                            "assessor",
                            "lehrer",
                            "prüfer",
                            "initials")),
            Map.entry(
                    Use.MARK,
                    List.of(
                            "mark", "grade", "score", "points", "result", "total", "overall", "mean", "average",
                            "percent", "%", "note", "punkte")),
            Map.entry(
                    Use.NOTHING,
                    List.of(
                            "no",
                            "no.",
                            "nr",
                            "nr.",
                            "#",
                            "id",
                            "comment",
                            "comments",
                            "remarks",
                            "notes",
                            "feedback",
                            "bemerkung",
                            "email",
                            "e-mail",
                            "phone",
                            "class",
                            "cohort",
                            "group"))));

    /**
     * How words begin that name one of the five criteria (common practice, no source). One that is cut short, as in "Drap." or where it
     * stands alone, is taken for what it begins.
     */
    private static final Map<Criterion, List<String>> CRITERIA = new EnumMap<>(Map.of(
            Criterion.PRESSURE, List.of("pressure", "depth", "force", "intensit", "druck", "pression", "presión"),
            Criterion.ORDER,
                    List.of("order", "flow", "sequencing", "continuity", "reihenfolge", "ablauf", "ordre", "orden"),
            Criterion.MECHANICS,
                    List.of(
                            "mechanic",
                            "biomechanic",
                            "posture",
                            "ergonom",
                            "stance",
                            "haltung",
                            "mécanique",
                            "postura"),
            Criterion.COMMUNICATION,
                    List.of(
                            "communicat",
                            "talk",
                            "rapport",
                            "consult",
                            "listening",
                            "kommunikation",
                            "gespräch",
                            "comunicación"),
            Criterion.DRAPING, List.of("drap", "towel", "linen", "covering", "modesty", "abdeck", "drapé")));

    /** Shorter ones stand for too much. */
    private static final int LEAST_CUT = 3;

    /** What may stand beside any criterion, and means how one is with a client where no other is named and it tells none from another. */
    private static final String CLIENT = "client";

    private static final Set<String> TELLS_A_CLIENT = Set.of("name", "no", "nr", "number", "id", "age", "code");

    /** A scale in words of its own has no more of them. */
    private static final int MOST_OWN_WORDS = 8;

    /** Words that do not tell one region from another. */
    private static final Set<String> VAGUE = Set.of("upper", "lower", "back", "arm", "leg", "body", "and");

    /** @throws InvalidValue where it is empty or too large */
    public MarksTable {
        if (rows.stream().allMatch(r -> r.stream().allMatch(String::isBlank)))
            throw new InvalidValue("table", new Fault("", "", "has no row"));
        if (rows.size() > MOST_ROWS)
            throw new InvalidValue(
                    "table", new Fault("rows", String.valueOf(rows.size()), "must be at most " + MOST_ROWS));
        int width = rows.stream().mapToInt(List::size).max().orElse(0);
        if (width > MOST_COLUMNS)
            throw new InvalidValue(
                    "table", new Fault("columns", String.valueOf(width), "must be at most " + MOST_COLUMNS));
        rows = List.copyOf(rows);
    }

    public int width() {
        return rows.stream().mapToInt(List::size).max().orElse(0);
    }

    /** A cell, blank where the row is shorter; row and column from 0. */
    public String cell(int row, int column) {
        var of = rows.get(row);
        return column < of.size() ? of.get(column) : "";
    }

    /** What the columns are called in a row, from 1; blank ones where it is 0. */
    public List<String> head(int headRow) {
        var names = new ArrayList<String>();
        for (int c = 0; c < width(); c++)
            names.add(
                    headRow < 1 || headRow > rows.size()
                            ? ""
                            : cell(headRow - 1, c).strip());
        return names;
    }

    /** By which a table of the same program is known again: what its columns are called. */
    public String likeness() {
        return head(headRow()).stream().map(MarkScale::plain).collect(Collectors.joining("|"));
    }

    /** The row that names the columns, from 1: of the first ones, that in which the most cells are names of columns; 0 where none does. */
    public int headRow() {
        int best = 0;
        int most = 0;
        for (int r = 0; r < Math.min(HEAD_WITHIN, rows.size()); r++) {
            int known = (int) rows.get(r).stream().filter(c -> named(c) != null).count();
            if (known > most) {
                most = known;
                best = r + 1;
            }
        }
        return best;
    }

    /** How the table is likely to be read. */
    public MarksMapping guess() {
        int headRow = headRow();
        var head = head(headRow);
        var columns = new ArrayList<ColumnUse>();
        for (int c = 0; c < width(); c++) columns.add(guess(head.get(c), column(headRow, c)));
        shareScale(headRow, columns);
        sums(headRow, columns);
        if (columns.stream()
                .noneMatch(u -> u.use() == Use.NAME || u.use() == Use.LAST_NAME || u.use() == Use.SIGN_IN)) {
            // Whoever heads no column with "name" writes names all the same: the column with the most different words.
            int best = -1;
            long most = 0;
            for (int c = 0; c < width(); c++) {
                if (columns.get(c).use() != Use.NOTHING) continue;
                long words = column(headRow, c).stream()
                        .filter(v -> v.strip().matches("\\p{L}[\\p{L}\\p{M}'’., -]+"))
                        .distinct()
                        .count();
                if (words > most) {
                    most = words;
                    best = c;
                }
            }
            if (best >= 0) columns.set(best, new ColumnUse(Use.NAME));
        }
        var days = new ArrayList<String>();
        for (int c = 0; c < columns.size(); c++) if (columns.get(c).use() == Use.DAY) days.addAll(column(headRow, c));
        return new MarksMapping(headRow, columns, DayOrder.of(days), Map.of(), Map.of());
    }

    /** A slip of the pen does not stretch a column of a criterion beyond the scale that most of the others have. */
    private void shareScale(int headRow, List<ColumnUse> columns) {
        var often = columns.stream()
                .filter(u -> u.criterion() != null && u.scale() != null)
                .collect(Collectors.groupingBy(u -> u.scale().best(), Collectors.counting()));
        var most = often.entrySet().stream()
                .filter(e -> e.getValue() >= 2)
                .max(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey);
        if (most.isEmpty()) return;
        for (int c = 0; c < columns.size(); c++) {
            var u = columns.get(c);
            if (u.criterion() == null || u.scale() == null || u.scale().best() <= most.get()) continue;
            var common = new MarkScale(0, most.get(), u.scale().words());
            var cells = column(headRow, c);
            long within =
                    cells.stream().filter(v -> common.read(v).points() != null).count();
            if (within * 4 >= cells.size() * 3L)
                columns.set(c, new ColumnUse(u.use(), u.criterion(), u.region(), common));
        }
    }

    /** A column of the whole that adds up those of the criteria has the sum of their scales. */
    private void sums(int headRow, List<ColumnUse> columns) {
        for (int c = 0; c < columns.size(); c++) {
            var whole = columns.get(c);
            if (whole.use() != Use.MARK || whole.criterion() != null || whole.scale() == null) continue;
            int told = 0;
            int alike = 0;
            double best = 0;
            for (int r = headRow; r < rows.size(); r++) {
                var sum = MarkScale.number(cell(r, c));
                if (sum.isEmpty()) continue;
                double parts = 0;
                double of = 0;
                for (int k = 0; k < columns.size(); k++) {
                    var scale = columns.get(k).scale();
                    var part = MarkScale.number(cell(r, k));
                    if (columns.get(k).criterion() == null || scale == null || part.isEmpty()) continue;
                    parts += part.getAsDouble();
                    of += scale.best();
                }
                if (of == 0) continue;
                told++;
                best = Math.max(best, of);
                if (Math.abs(parts - sum.getAsDouble()) < 1e-6) alike++;
            }
            if (told > 0 && alike * 2 > told)
                columns.set(
                        c,
                        new ColumnUse(
                                Use.MARK,
                                null,
                                whole.region(),
                                new MarkScale(0, best, whole.scale().words())));
        }
    }

    /** What is written below the head, without blanks. */
    private List<String> column(int headRow, int column) {
        var cells = new ArrayList<String>();
        for (int r = headRow; r < rows.size(); r++) {
            var cell = cell(r, column);
            if (!cell.isBlank()) cells.add(cell);
        }
        return cells;
    }

    private static ColumnUse guess(String head, List<String> cells) {
        var use = named(head);
        var criterion = criterion(head).orElse(null);
        if (use != null && use != Use.MARK && criterion == null) return new ColumnUse(use);
        if (cells.isEmpty()) return new ColumnUse(Use.NOTHING);
        var scale = MarkScale.of(cells, head);
        long marks = cells.stream().filter(c -> scale.read(c).points() != null).count();
        long days = cells.stream()
                .filter(c -> DayOrder.DAY_FIRST.read(c).isPresent()
                        || DayOrder.MONTH_FIRST.read(c).isPresent())
                .count();
        if (use == null && days * 10 >= cells.size() * 8L) return new ColumnUse(Use.DAY);
        if (use == Use.MARK || criterion != null || marks * 10 >= cells.size() * 8L)
            return marks == 0 && !(criterion != null && ofAFewWords(cells))
                    ? new ColumnUse(Use.NOTHING)
                    : new ColumnUse(Use.MARK, criterion, region(head).orElse(null), scale);
        return new ColumnUse(Use.NOTHING);
    }

    /** Whether the same few words come again and again, as those of a scale do. */
    private static boolean ofAFewWords(List<String> cells) {
        long words = cells.stream().map(MarkScale::plain).distinct().count();
        return words <= MOST_OWN_WORDS && words * 2 <= cells.size();
    }

    /** What a column of this name holds, or null. */
    private static @Nullable Use named(String head) {
        var plain = MarkScale.plain(head).replaceAll("[:*]+$", "");
        if (plain.isEmpty()) return null;
        for (var use : CALLED.entrySet()) if (use.getValue().contains(plain)) return use.getKey();
        return criterion(head).isPresent() ? Use.MARK : null;
    }

    /** The criterion that a text names, where it names one. */
    static Optional<Criterion> criterion(String text) {
        var words = Arrays.stream(MarkScale.plain(text).split("[^\\p{L}\\p{M}.]+"))
                .filter(w -> !w.isEmpty())
                .toList();
        var found = Arrays.stream(Criterion.values())
                .filter(c -> words.stream().anyMatch(w -> names(w, words.size() == 1, CRITERIA.get(c))))
                .toList();
        if (found.isEmpty()
                && words.size() > 1
                && words.contains(CLIENT)
                && words.stream().noneMatch(w -> TELLS_A_CLIENT.contains(w.replace(".", ""))))
            return Optional.of(Criterion.COMMUNICATION);
        return found.size() == 1 ? Optional.of(found.get(0)) : Optional.empty();
    }

    private static boolean names(String word, boolean alone, List<String> begins) {
        var cut = word.replaceAll("\\.+$", "");
        boolean mayBeCut = (alone || cut.length() < word.length()) && cut.length() >= LEAST_CUT;
        return begins.stream().anyMatch(b -> word.startsWith(b) || mayBeCut && b.startsWith(cut));
    }

    /** The region that a text names, where it names one and no other. */
    static Optional<Region> region(String text) {
        var words = words(text);
        for (var r : Region.values())
            if (words.equals(words(r.label())) || words.equals(words(r.toString()))) return Optional.of(r);
        var telling = new HashSet<>(words);
        telling.removeAll(VAGUE);
        var found = Arrays.stream(Region.values())
                .filter(r -> {
                    var of = words(r.label());
                    return telling.isEmpty()
                            ? words.size() > 1 && of.containsAll(words)
                            : telling.stream().anyMatch(of::contains);
                })
                .toList();
        return found.size() == 1 ? Optional.of(found.get(0)) : Optional.empty();
    }

    private static Set<String> words(String text) {
        return Arrays.stream(MarkScale.plain(text).split("[^\\p{L}]+"))
                .filter(w -> !w.isEmpty() && !w.equals("and"))
                .map(w -> w.equals("feet")
                        ? "foot"
                        : w.length() > 3 && w.endsWith("s") ? w.substring(0, w.length() - 1) : w)
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /**
     * Reads every mark.
     *
     * @throws InvalidValue where the mapping says of no column whose marks they are, or of none that it holds marks
     */
    public MarksReading read(MarksMapping mapping, StudentNames students) {
        if (!mapping.has(Use.NAME) && !mapping.has(Use.LAST_NAME) && !mapping.has(Use.SIGN_IN))
            throw new InvalidValue(
                    "mapping", new Fault("columns", "", "must say which column holds the students' names"));
        if (!mapping.has(Use.MARK))
            throw new InvalidValue("mapping", new Fault("columns", "", "must say which columns hold marks"));
        return new MarksPass(this, mapping, students).run();
    }
}
