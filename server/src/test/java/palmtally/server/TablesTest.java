package palmtally.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.io.IOException;
import java.lang.annotation.Annotation;
import java.lang.reflect.Method;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.junit.jupiter.api.Test;

/** Whose tables are whose: a feature writes its own alone, and reads of others what they show. */
class TablesTest {
    private static final Path MIGRATIONS = Path.of("src/main/resources/db/migration");
    private static final Pattern MADE = Pattern.compile("create (?:table|view) ([a-z_]+)");
    private static final Pattern DROPPED = Pattern.compile("drop table ([a-z_, ]+)");
    private static final Pattern READ = Pattern.compile("\\b(?:from|join)\\s+([a-z_]+)");
    private static final Pattern WRITTEN =
            Pattern.compile("\\b(?:insert into|(?<!for )(?<!do )update|delete from)\\s+([a-z_]+)");

    private static final Pattern TABLE = Pattern.compile("(?s)create table ([a-z_]+) \\((.*?)\\n\\);");
    private static final Pattern TIMED = Pattern.compile("(?m)^\\s*([a-z_]+) timestamptz not null default now\\(\\)");
    private static final Pattern INSERT = Pattern.compile("insert into ([a-z_]+)\\s*\\(([^)]*)\\)");

    private static final Map<String, Set<String>> OWN = Map.ofEntries(
            Map.entry(
                    "people",
                    Set.of(
                            "account",
                            "term",
                            "enrolment",
                            "duty",
                            "school",
                            "left_term",
                            "substitute",
                            "known_device",
                            "sign_in_try",
                            "spring_session",
                            "spring_session_attributes")),
            Map.entry(
                    "statement",
                    Set.of("initials", "award_signature", "statement", "statement_signature", "statement_file")),
            Map.entry("letterhead", Set.of("letterhead")),
            Map.entry("earlier", Set.of("marks_import", "earlier_mark")),
            Map.entry("secondlook", Set.of("second_look", "second_look_days")),
            Map.entry("incident", Set.of("incident", "incident_named", "incident_addition")),
            Map.entry("retention", Set.of("retention_rule", "retention_notice")),
            Map.entry("graderpractice", Set.of("practice_run", "practice_mark", "grader_duty")),
            Map.entry("version", Set.of("document_version")),
            Map.entry("note", Set.of("client_note", "agreed_region")),
            Map.entry(
                    "practical",
                    Set.of(
                            "practical",
                            "event",
                            "rating",
                            "award",
                            "self_mark",
                            "handset",
                            "evidence",
                            "roll_up",
                            "step_look")),
            Map.entry(
                    "demonstration",
                    Set.of(
                            "demonstration",
                            "demonstration_mark",
                            "class_screen",
                            "practice_round",
                            "round_seat",
                            "round_mark")),
            Map.entry("competency", Set.of("carried")),
            Map.entry("picture", Set.of("picture")),
            Map.entry("register", Set.of("register_lab", "register_mark", "entered_hours")),
            Map.entry("pairing", Set.of("kept_apart", "partner_plan", "planned_seat", "lab_seat")),
            Map.entry("timetable", Set.of("practical_day", "day_grader", "day_away", "sitting")),
            Map.entry("ical", Set.of("calendar_address")),
            Map.entry("audit", Set.of("audit")));

    /** What any feature may read: by the views, and what practicals come to. */
    private static final Set<String> SHOWN = Set.of(
            "person",
            "document_version",
            "counted_practical",
            "practical_run",
            "newest_award",
            "evidence",
            "roll_up",
            "step_look",
            "round_table");

    @Test
    void every_table_is_somebodys() throws IOException {
        var owned = OWN.values().stream().flatMap(Set::stream).collect(Collectors.toCollection(TreeSet::new));
        owned.addAll(SHOWN);
        assertThat(relations()).isEqualTo(owned);
    }

    @Test
    void a_feature_writes_its_own_tables_and_reads_of_others_what_they_show() throws IOException {
        var relations = relations();
        var faults = new ArrayList<String>();
        statements().forEach((where, sqls) -> {
            var feature = where.split("\\.")[2];
            var own = OWN.getOrDefault(feature, Set.of());
            for (var sql : sqls) {
                for (var table : named(WRITTEN, sql))
                    if (relations.contains(table) && !own.contains(table)) faults.add(where + " writes " + table);
                for (var table : named(READ, sql))
                    if (relations.contains(table) && !own.contains(table) && !SHOWN.contains(table))
                        faults.add(where + " reads " + table);
            }
        });
        assertThat(faults).isEmpty();
    }

    /** Of two clocks one is wrong: what is stored has its time from the app's, and no row waits for the database's. */
    @Test
    void the_database_tells_no_time() throws IOException {
        var timed = new TreeMap<String, String>();
        try (var files = Files.list(MIGRATIONS)) {
            for (var file : files.sorted().toList())
                for (var table : TABLE.matcher(Files.readString(file)).results().toList())
                    TIMED.matcher(table.group(2)).results().forEach(c -> timed.put(table.group(1), c.group(1)));
        }
        assertThat(timed).containsEntry("event", "stored_at").containsEntry("audit", "at");
        var faults = new ArrayList<String>();
        statements()
                .forEach((where, sqls) -> sqls.forEach(sql -> {
                    if (sql.matches("(?is).*\\b(now\\(\\)|current_timestamp|clock_timestamp).*"))
                        faults.add(where + " asks for the time");
                    for (var insert : INSERT.matcher(sql).results().toList()) {
                        var column = timed.get(insert.group(1));
                        if (column != null
                                && !List.of(insert.group(2).split("[\\s,]+")).contains(column))
                            faults.add(where + " leaves " + column + " to the database");
                    }
                }));
        assertThat(faults).isEmpty();
    }

    @Test
    void the_statements_are_found() {
        var statements = statements();
        assertThat(statements.keySet())
                .contains("palmtally.server.practical.PracticalRows.add", "palmtally.server.people.TermRows.track");
        assertThat(named(READ, "select 1 from a join lateral (select 1 from b_c where x) y on true"))
                .containsExactly("a", "lateral", "b_c");
        assertThat(named(WRITTEN, "insert into a select 1 from b; update c set x = 1; delete from d"))
                .containsExactly("a", "c", "d");
    }

    /** Tables and views as the migrations leave them. */
    private static Set<String> relations() throws IOException {
        var all = new TreeSet<String>();
        try (var files = Files.list(MIGRATIONS)) {
            for (var file : files.sorted().toList()) {
                all.addAll(named(MADE, Files.readString(file)));
            }
        }
        try (var files = Files.list(MIGRATIONS)) {
            for (var file : files.sorted().toList())
                for (var dropped : named(DROPPED, Files.readString(file)))
                    List.of(dropped.split(", *")).forEach(all::remove);
        }
        return all;
    }

    private static List<String> named(Pattern pattern, String sql) {
        return pattern.matcher(sql).results().map(r -> r.group(1)).toList();
    }

    /** SQL by the method it stands on. */
    private static Map<String, List<String>> statements() {
        JavaClasses classes = new ClassFileImporter()
                .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
                .importPackages("palmtally.server");
        Map<String, List<String>> all = new TreeMap<>();
        for (var mapper : classes)
            if (mapper.isAnnotatedWith(Mapper.class))
                for (Method method : mapper.reflect().getDeclaredMethods())
                    for (Annotation a : method.getAnnotations()) {
                        var sql = sql(a);
                        if (!sql.isEmpty())
                            all.computeIfAbsent(
                                            mapper.getName().replace('$', '.') + "." + method.getName(),
                                            k -> new ArrayList<>())
                                    .add(sql);
                    }
        return all;
    }

    private static String sql(Annotation a) {
        String[] lines = {};
        if (a instanceof Select s) lines = s.value();
        if (a instanceof Insert s) lines = s.value();
        if (a instanceof Update s) lines = s.value();
        if (a instanceof Delete s) lines = s.value();
        return String.join(" ", lines);
    }
}
