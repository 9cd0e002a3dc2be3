package palmtally.server.backup;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** The tables of a school's database as it tells of them itself, each after those it points to. */
record Catalogue(List<TableInfo> tables) {
    /** What passes by itself, and what the migrations keep for themselves. */
    private static final Set<String> NOT_OF_THE_SCHOOL =
            Set.of("spring_session", "spring_session_attributes", "flyway_schema_history");
    /** What a person knows a row by, of the tables that most others point to. */
    private static final Map<String, String> KNOWN_BY = Map.of("account", "name", "term", "name");

    /**
     * @param key columns of the primary key, in order
     * @param counter the column that counts up by itself, or null
     */
    record TableInfo(
            String name,
            List<ColumnInfo> columns,
            List<String> key,
            List<Pointer> pointers,
            @Nullable String counter) {
        /** What is told beside a pointer for who reads it, as column of this table → name of the told column. */
        Map<String, String> told() {
            var told = new LinkedHashMap<String, String>();
            for (var p : pointers)
                if (p.columns.size() == 1 && KNOWN_BY.containsKey(p.to))
                    told.put(p.columns.get(0), p.columns.get(0) + " (" + KNOWN_BY.get(p.to) + ")");
            return told;
        }

        Pointer pointer(String column) {
            return pointers.stream()
                    .filter(p -> p.columns.equals(List.of(column)))
                    .findFirst()
                    .orElseThrow();
        }

        /** The column whose value is a file of its own, or null. */
        @Nullable
        Filed filed() {
            return Filed.OF.get(name);
        }
    }

    /** @param type as PostgreSQL writes it, such as {@code timestamp with time zone} */
    record ColumnInfo(String name, String type, boolean required) {}

    record Pointer(List<String> columns, String to, List<String> toColumns) {
        String knownBy() {
            return KNOWN_BY.getOrDefault(to, toColumns.get(0));
        }
    }

    /**
     * A column whose values are files of their own.
     *
     * @param folder expression of the folder
     * @param stem expression of the name of the file, before it is made plain
     * @param bytes expression of what is in the file
     */
    record Filed(String column, String folder, String stem, String bytes, String ending, String mediatype) {
        static final Map<String, Filed> OF = Map.of(
                "document_version",
                new Filed(
                        "body",
                        "'documents/' || kind",
                        "document || '-v' || number",
                        "convert_to(jsonb_pretty(body), 'UTF8')",
                        ".json",
                        "application/json"),
                "picture",
                new Filed("jpeg", "'pictures'", "id", "jpeg", ".jpg", "image/jpeg"));
    }

    /** @throws SQLException where the tables point to one another in a ring */
    static Catalogue of(Connection database) throws SQLException {
        var byName = new TreeMap<String, TableInfo>();
        var columns = new LinkedHashMap<String, List<ColumnInfo>>();
        var counters = new HashMap<String, String>();
        each(database, """
                select c.relname, a.attname, format_type(a.atttypid, a.atttypmod), a.attnotnull::text, a.attidentity <> ''
                from pg_class c
                join pg_namespace n on n.oid = c.relnamespace and n.nspname = 'public'
                join pg_attribute a on a.attrelid = c.oid and a.attnum > 0 and not a.attisdropped
                where c.relkind = 'r' order by c.relname, a.attnum""", r -> {
            if (NOT_OF_THE_SCHOOL.contains(r.get(0))) return;
            columns.computeIfAbsent(r.get(0), k -> new ArrayList<>())
                    .add(new ColumnInfo(r.get(1), r.get(2), r.get(3).equals("true")));
            if (r.get(4).equals("t")) counters.put(r.get(0), r.get(1));
        });
        var keys = new HashMap<String, List<String>>();
        var pointers = new HashMap<String, List<Pointer>>();
        each(database, """
                select c.relname, k.contype::text, coalesce(f.relname, ''),
                    (select string_agg(a.attname, ',' order by o.n) from unnest(k.conkey) with ordinality o (num, n)
                     join pg_attribute a on a.attrelid = k.conrelid and a.attnum = o.num),
                    coalesce((select string_agg(a.attname, ',' order by o.n) from unnest(k.confkey) with ordinality o (num, n)
                     join pg_attribute a on a.attrelid = k.confrelid and a.attnum = o.num), '')
                from pg_constraint k
                join pg_class c on c.oid = k.conrelid
                join pg_namespace n on n.oid = c.relnamespace and n.nspname = 'public'
                left join pg_class f on f.oid = k.confrelid
                where k.contype in ('p', 'f') order by c.relname, k.conname""", r -> {
            var of = List.of(r.get(3).split(","));
            if (r.get(1).equals("p")) keys.put(r.get(0), of);
            else
                pointers.computeIfAbsent(r.get(0), k -> new ArrayList<>())
                        .add(new Pointer(of, r.get(2), List.of(r.get(4).split(","))));
        });
        columns.forEach((name, of) -> byName.put(
                name,
                new TableInfo(
                        name,
                        of,
                        keys.getOrDefault(
                                name, of.stream().map(ColumnInfo::name).toList()),
                        pointers.getOrDefault(name, List.of()),
                        counters.get(name))));
        return new Catalogue(inOrder(byName));
    }

    private static List<TableInfo> inOrder(Map<String, TableInfo> byName) throws SQLException {
        var left = new LinkedHashSet<>(byName.keySet());
        var done = new HashSet<String>();
        var order = new ArrayList<TableInfo>();
        while (!left.isEmpty()) {
            var next = left.stream()
                    .filter(name ->
                            byName.get(name).pointers.stream().allMatch(p -> p.to.equals(name) || done.contains(p.to)))
                    .collect(Collectors.toList());
            if (next.isEmpty()) throw new SQLException("tables point to one another in a ring: " + left);
            next.forEach(name -> order.add(byName.get(name)));
            done.addAll(next);
            next.forEach(left::remove);
        }
        return order;
    }

    private interface Each {
        void row(List<String> cells);
    }

    private static void each(Connection database, String sql, Each each) throws SQLException {
        try (var s = database.createStatement();
                var r = s.executeQuery(sql)) {
            int width = r.getMetaData().getColumnCount();
            while (r.next()) {
                var cells = new ArrayList<String>();
                for (int i = 1; i <= width; i++) cells.add(r.getString(i));
                each.row(cells);
            }
        }
    }

    /** A name of the catalogue, quoted. */
    static String quoted(String name) {
        return '"' + name.replace("\"", "\"\"") + '"';
    }
}
