package palmtally.formats;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue.Fault;

/**
 * A class list: pasted lines or CSV (RFC 4180), separated by comma, semicolon or tab. The first row may name the columns
 * <i>name</i>, <i>sign-in</i> and <i>role</i> in any order; without it the first column is the name, the second the sign-in, the third the
 * role. Every fault is reported by row and column; the list is read whole or not at all.
 */
public final class ClassList {
    /** More rows than this are taken for a mistake. */
    public static final int MOST_ROWS = 2000;

    private static final List<String> ROLES = List.of("student", "grader", "instructor", "lead");

    private ClassList() {}

    /**
     * One line.
     *
     * @param row as the file counts, from 1
     * @param signIn as given, or null where one is to be made of the name
     * @param role student where none is given
     */
    public record Entry(int row, String name, @Nullable String signIn, String role) {}

    /** @throws FormatException naming each faulty row and column: no name, a name too long, a sign-in used twice, an unknown role */
    public static List<Entry> read(String given) throws FormatException {
        var text = given.startsWith("\uFEFF") ? given.substring(1) : given;
        if (text.length() > 1_000_000)
            throw new FormatException(
                    List.of(new Fault("", text.length() + " characters", "must be at most 1 million")));
        var records = records(text);
        var faults = new ArrayList<Fault>();
        var entries = new ArrayList<Entry>();
        Map<String, Integer> columns = null;
        boolean named = false;
        Map<String, Integer> seen = new HashMap<>();
        for (var record : records) {
            if (record.stream().allMatch(String::isBlank)) continue;
            int row = (int) record.getRecordNumber();
            if (columns == null) {
                columns = header(record);
                if (columns != null) {
                    named = true;
                    continue;
                }
                columns = Map.of("name", 0, "sign-in", 1, "role", 2);
            }
            var name = cell(record, columns.get("name"));
            var signIn = cell(record, columns.get("sign-in"));
            var role = cell(record, columns.get("role")).toLowerCase(Locale.ROOT);
            if (name.isEmpty() || name.length() > 200)
                faults.add(new Fault("row " + row + ", name", name, "must be 1 to 200 characters"));
            if (signIn.length() > 100)
                faults.add(new Fault("row " + row + ", sign-in", signIn, "must be at most 100 characters"));
            if (!signIn.isEmpty()) {
                var before = seen.putIfAbsent(signIn.toLowerCase(Locale.ROOT), row);
                if (before != null)
                    faults.add(new Fault("row " + row + ", sign-in", signIn, "is that of row " + before + " as well"));
            }
            if (!role.isEmpty() && !ROLES.contains(role))
                faults.add(new Fault("row " + row + ", role", role, "must be student, grader, instructor or lead"));
            if (!named && record.size() > 3 && record.stream().skip(3).anyMatch(c -> !c.isBlank()))
                faults.add(new Fault("row " + row, "", "has " + record.size() + " columns; three are known"));
            entries.add(new Entry(row, name, signIn.isEmpty() ? null : signIn, role.isEmpty() ? "student" : role));
        }
        if (entries.isEmpty() && faults.isEmpty())
            faults.add(new Fault("", "", "holds no name. Write one a line, or paste rows of a spreadsheet"));
        if (entries.size() > MOST_ROWS)
            faults.add(new Fault("", entries.size() + " rows", "must be at most " + MOST_ROWS));
        if (!faults.isEmpty()) throw new FormatException(faults);
        return List.copyOf(entries);
    }

    private static List<CSVRecord> records(String text) throws FormatException {
        var first = text.lines().findFirst().orElse("");
        char separator =
                first.indexOf('\t') >= 0 ? '\t' : first.indexOf(';') >= 0 && first.indexOf(',') < 0 ? ';' : ',';
        var format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(separator)
                .setIgnoreSurroundingSpaces(true)
                .get();
        try (var parser = format.parse(new java.io.StringReader(text))) {
            return parser.getRecords();
        } catch (UncheckedIOException | IOException e) {
            throw new FormatException(List.of(new Fault("", "", "is no CSV: " + e.getMessage())));
        }
    }

    /** Columns of a first row that names them, or null where it is a person. */
    private static @Nullable Map<String, Integer> header(CSVRecord record) {
        var columns = new HashMap<String, Integer>();
        for (int i = 0; i < record.size(); i++)
            switch (record.get(i).strip().toLowerCase(Locale.ROOT)) {
                case "name" -> columns.putIfAbsent("name", i);
                case "sign-in", "sign in", "login", "user" -> columns.putIfAbsent("sign-in", i);
                case "role" -> columns.putIfAbsent("role", i);
                default -> {
                    // A column of another name is none of ours.
                }
            }
        return columns.containsKey("name") ? columns : null;
    }

    private static String cell(CSVRecord record, @Nullable Integer column) {
        return column == null || column >= record.size()
                ? ""
                : record.get(column).strip();
    }
}
