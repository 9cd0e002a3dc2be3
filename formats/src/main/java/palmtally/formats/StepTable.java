package palmtally.formats;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.BiConsumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Position;
import palmtally.core.body.Region;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.profile.Band;
import palmtally.core.profile.DrapeMethod;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Care;
import palmtally.core.sequence.Direction;
import palmtally.core.sequence.ForWhom;
import palmtally.core.sequence.Importance;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Saying;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Stance;
import palmtally.core.sequence.Stands;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.StepEdit;
import palmtally.core.sequence.TableHeight;
import palmtally.core.sequence.detail.Detail;
import palmtally.core.sequence.detail.DetailField;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;
import palmtally.core.technique.Tool;

/**
 * Steps as a table that a spreadsheet opens and gives back: one row a step, RFC 4180, UTF-8, header first. Several sequences may
 * share a file; what belongs to a sequence or a block is written in each of its rows and read from the first. Lists lie in one cell,
 * parted by semicolons; words to say one a line: kind, second, words. A cell that a spreadsheet would take for a formula is written with an apostrophe in front, and read without.
 */
public final class StepTable {
    /** Longest file that is read, characters. */
    public static final int MOST_CHARACTERS = 16 * 1024 * 1024;

    /** The teacher's own words beside what is said of a step, one a line: {@code other hand: as if it carried a bowl}. */
    private static final String OWN_WORDS = "own words";

    /** What is on the line of a step; what else is said of it comes after. */
    private static final List<String> LINE = List.of(
            "sequence",
            "sequence name",
            "region",
            "slot seconds",
            "first side",
            "note",
            "table",
            "for whom",
            "block",
            "block name",
            "order",
            "repeat",
            "step",
            "name",
            "technique",
            "zones",
            "side",
            "hand",
            "hand name",
            "depth",
            "band low",
            "band high",
            "dose",
            "dose seconds",
            "dose count",
            "dose per second",
            "second side",
            "second side seconds",
            "second side count",
            "second side per second",
            "lubricant",
            "sheet",
            "position",
            "client's part",
            "stance",
            "stands",
            "direction",
            "phase",
            "importance",
            "least seconds",
            "target seconds",
            "class seconds",
            "words",
            "before",
            "care",
            "drape");

    private static final List<String> COLUMNS = Stream.concat(
                    LINE.stream(),
                    Stream.concat(Arrays.stream(DetailField.values()).map(DetailField::column), Stream.of(OWN_WORDS)))
            .toList();
    private static final List<String> NEEDED = List.of("sequence", "block", "step", "technique", "zones");

    private StepTable() {}

    public static String write(List<Sequence> sequences) {
        var out = new StringBuilder();
        try (var printer = CSVFormat.RFC4180
                .builder()
                .setHeader(COLUMNS.toArray(String[]::new))
                .get()
                .print(out)) {
            for (var s : sequences)
                for (var b : s.blocks()) for (var step : b.steps()) printer.printRecord((Iterable<?>) row(s, b, step));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    private static List<String> row(Sequence s, Block b, Step x) {
        var d = x.dose();
        var t = x.secondSide();
        var row = new ArrayList<>(List.of(
                text(s.id()),
                text(s.name()),
                s.region().toString(),
                number(s.slotSeconds()),
                s.firstSide().toString(),
                text(s.note()),
                s.table() == null ? "" : s.table().toString(),
                list(s.forWhom()),
                text(b.id()),
                text(b.name()),
                b.order().toString(),
                b.repeat().toString(),
                text(x.id()),
                text(x.name()),
                x.technique().id(),
                list(x.zones()),
                x.side().toString(),
                x.tool().toString(),
                text(x.hand()),
                String.valueOf(x.depth()),
                x.band() == null ? "" : String.valueOf(x.band().low()),
                x.band() == null ? "" : String.valueOf(x.band().high()),
                d.kind().toString(),
                number(d.seconds()),
                d.count() == null ? "" : d.count().toString(),
                number(d.perSecond()),
                t == null ? "" : t.kind().toString(),
                t == null ? "" : number(t.seconds()),
                t == null || t.count() == null ? "" : t.count().toString(),
                t == null ? "" : number(t.perSecond()),
                x.lubricant().toString(),
                x.sheet().toString(),
                x.position().toString(),
                x.effort().toString(),
                x.stance().toString(),
                x.stands().toString(),
                x.direction() == null ? "" : x.direction().toString(),
                x.phase().toString(),
                x.importance().toString(),
                number(x.minimumSeconds()),
                number(x.targetSeconds()),
                number(x.classSeconds()),
                x.say().stream()
                        .map(w -> w.kind() + " " + number(w.atSeconds())
                                + (w.words() == null ? "" : " " + w.words().replaceAll("\\R", " ")))
                        .collect(Collectors.joining("\n")),
                list(x.before()),
                list(x.care()),
                b.drape() == null ? "" : b.drape().toString()));
        for (var field : DetailField.values()) row.add(text(field.write(x.details())));
        row.add(text(x.details().words().entrySet().stream()
                .map(w -> w.getKey().column() + ": " + w.getValue().replaceAll("\\R", " "))
                .collect(Collectors.joining("\n"))));
        return row;
    }

    private static String list(java.util.Collection<?> values) {
        return values.stream().map(Object::toString).collect(Collectors.joining("; "));
    }

    private static String number(@Nullable Double value) {
        if (value == null) return "";
        return value == Math.rint(value) ? String.valueOf(Math.round(value)) : value.toString();
    }

    private static String text(@Nullable String value) {
        if (value == null) return "";
        return !value.isEmpty() && "=+-@\t\r'".indexOf(value.charAt(0)) >= 0 ? "'" + value : value;
    }

    /**
     * Reads a table.
     *
     * @throws FormatException naming every faulty row once, by its number in the file as a spreadsheet counts (the header is row 1), with
     *     the first column at fault and all reasons; nothing is read then
     */
    public static List<Sequence> read(String text, Techniques library) throws FormatException {
        if (text.length() > MOST_CHARACTERS)
            throw new FormatException(
                    List.of(new Fault("file", text.length() + " characters", "must be at most 16 MiB")));
        var plain = text.startsWith("\uFEFF") ? text.substring(1) : text;
        var first = plain.lines().findFirst().orElse("");
        char comma = first.chars().filter(c -> c == ';').count()
                        > first.chars().filter(c -> c == ',').count()
                ? ';'
                : ',';
        List<CSVRecord> records;
        try (var parser = CSVParser.parse(
                new StringReader(plain),
                CSVFormat.RFC4180
                        .builder()
                        .setDelimiter(comma)
                        .setIgnoreEmptyLines(true)
                        .get())) {
            records = parser.getRecords();
        } catch (IOException | UncheckedIOException e) {
            throw new FormatException(
                    List.of(new Fault("file", "", "is no table of comma-separated values: " + e.getMessage())));
        }
        return new Reading(records, library).sequences();
    }

    /** One row on its way to a step. */
    private static final class Row {
        final int number;
        final CSVRecord record;
        final Map<String, List<String>> faults = new TreeMap<>(java.util.Comparator.comparingInt(COLUMNS::indexOf));

        @Nullable
        Step step;

        Row(int number, CSVRecord record) {
            this.number = number;
            this.record = record;
        }

        void fault(String column, String reason) {
            faults.computeIfAbsent(column, c -> new ArrayList<>()).add(reason);
        }
    }

    private static final class Reading {
        private final List<Fault> general = new ArrayList<>();
        private final Map<String, Integer> place = new LinkedHashMap<>();
        private final List<Row> rows = new ArrayList<>();
        private final Techniques library;

        Reading(List<CSVRecord> records, Techniques library) {
            this.library = library;
            if (records.isEmpty()) {
                general.add(new Fault("row 1", "", "must be the header: " + String.join(", ", COLUMNS)));
                return;
            }
            var header = records.get(0);
            for (int i = 0; i < header.size(); i++) {
                var name = header.get(i).trim().toLowerCase(Locale.ROOT);
                if (!COLUMNS.contains(name))
                    general.add(new Fault(
                            "row 1, column " + (i + 1), header.get(i), "is no column here. Maybe it is misspelt"));
                else if (place.putIfAbsent(name, i) != null)
                    general.add(new Fault("row 1, column " + (i + 1), name, "is there twice"));
            }
            for (var need : NEEDED)
                if (!place.containsKey(need)) general.add(new Fault("row 1", need, "is a column that is needed"));
            if (records.size() == 1) general.add(new Fault("row 2", "", "is missing: no step is in the file"));
            for (int i = 1; i < records.size(); i++) rows.add(new Row(i + 1, records.get(i)));
        }

        List<Sequence> sequences() throws FormatException {
            refuse();
            for (var row : rows) step(row);
            links();
            refuse();
            var bySequence = new LinkedHashMap<String, List<Row>>();
            for (var row : rows)
                bySequence
                        .computeIfAbsent(cell(row, "sequence"), k -> new ArrayList<>())
                        .add(row);
            var all = new ArrayList<Sequence>();
            bySequence.forEach((id, its) -> {
                var made = sequence(id, its);
                if (made != null) all.add(made);
            });
            refuse();
            return all;
        }

        private void refuse() throws FormatException {
            var faults = new ArrayList<>(general);
            for (var row : rows) {
                if (row.faults.isEmpty()) continue;
                var column = row.faults.keySet().iterator().next();
                var reasons = new ArrayList<String>(row.faults.get(column));
                row.faults.forEach((c, r) -> {
                    if (!c.equals(column)) r.forEach(x -> reasons.add("also " + c + " " + x));
                });
                faults.add(
                        new Fault("row " + row.number + ", " + column, cell(row, column), String.join("; ", reasons)));
            }
            if (!faults.isEmpty()) throw new FormatException(faults);
        }

        private String cell(Row row, String column) {
            Integer at = place.get(column);
            if (at == null || at >= row.record.size()) return "";
            var value = row.record.get(at).trim();
            return value.length() > 1 && value.charAt(0) == '\'' && "=+-@\t\r'".indexOf(value.charAt(1)) >= 0
                    ? value.substring(1)
                    : value;
        }

        /** By id, name or nickname. */
        private Optional<Technique> named(String cell) {
            var known = library.find(cell);
            if (known.isPresent()) return known;
            return library.offered().stream()
                    .filter(t -> t.name().equalsIgnoreCase(cell)
                            || t.aliases().stream().anyMatch(a -> a.equalsIgnoreCase(cell)))
                    .findFirst();
        }

        private void step(Row row) {
            if (row.record.size() > place.size() && row.record.size() > COLUMNS.size())
                row.fault(OWN_WORDS, "is followed by more cells than there are columns");
            for (var need : NEEDED) if (cell(row, need).isEmpty()) row.fault(need, "is empty");
            var technique = named(cell(row, "technique"));
            if (technique.isEmpty() && !cell(row, "technique").isEmpty())
                row.fault("technique", "is not in the library of techniques");
            var zones = new LinkedHashSet<Zone>();
            for (var part : parts(cell(row, "zones"))) pick(row, "zones", part, Zone.values(), zones::add);
            var edit = StepEdit.of(
                    cell(row, "step"),
                    technique.orElse(library.toUse("effleurage")),
                    zones.isEmpty() ? List.of(Zone.CALF) : List.copyOf(zones));
            if (!cell(row, "name").isEmpty()) edit.name = cell(row, "name");
            choose(row, "side", Sides.values(), (e, v) -> e.side = v, edit);
            choose(row, "hand", Tool.values(), (e, v) -> e.tool = v, edit);
            edit.hand = blankToNull(cell(row, "hand name"));
            details(row, edit);
            Double depth = real(row, "depth");
            if (depth != null) {
                if (depth != Math.rint(depth) || depth < 0 || depth > 5)
                    row.fault("depth", "must be a whole number from 0 to 5");
                else edit.depth = (int) Math.round(depth);
            }
            choose(row, "lubricant", Lubricant.values(), (e, v) -> e.lubricant = v, edit);
            choose(row, "sheet", Sheet.values(), (e, v) -> e.sheet = v, edit);
            choose(row, "position", Position.values(), (e, v) -> e.position = v, edit);
            choose(row, "client's part", Technique.Effort.values(), (e, v) -> e.effort = v, edit);
            choose(row, "stance", Stance.values(), (e, v) -> e.stance = v, edit);
            choose(row, "stands", Stands.values(), (e, v) -> e.stands = v, edit);
            choose(row, "direction", Direction.values(), (e, v) -> e.direction = v, edit);
            choose(row, "phase", Phase.values(), (e, v) -> e.phase = v, edit);
            choose(row, "importance", Importance.values(), (e, v) -> e.importance = v, edit);
            edit.minimumSeconds = real(row, "least seconds");
            edit.targetSeconds = real(row, "target seconds");
            edit.classSeconds = real(row, "class seconds");
            edit.before = new ArrayList<>(parts(cell(row, "before")));
            edit.care = new TreeSet<>();
            for (var part : parts(cell(row, "care"))) pick(row, "care", part, Care.values(), edit.care::add);
            edit.say = new ArrayList<>();
            for (var line : cell(row, "words").lines().filter(l -> !l.isBlank()).toList())
                words(row, line.trim(), edit);
            var dose = dose(row, "dose");
            if (dose != null) edit.dose = dose;
            edit.secondSide = dose(row, "second side");
            band(row, edit);
            if (!row.faults.isEmpty()) return;
            try {
                row.step = edit.step();
            } catch (InvalidValue e) {
                for (var f : e.faults()) row.fault(columnOf(f.field()), f.reason());
            }
        }

        private void details(Row row, StepEdit edit) {
            var more = Detail.NONE.edit();
            for (var field : DetailField.values()) {
                var cell = cell(row, field.column());
                if (!cell.isEmpty()) detail(row, field.column(), () -> field.read(cell, more));
            }
            for (var line :
                    cell(row, OWN_WORDS).lines().filter(l -> !l.isBlank()).toList()) {
                var pair = line.split(":", 2);
                var of = Arrays.stream(DetailField.values())
                        .filter(f -> f.column().equalsIgnoreCase(pair[0].strip()))
                        .findFirst();
                if (pair.length == 2 && of.isPresent()) more.words.put(of.get(), pair[1].strip());
                else
                    row.fault(
                            OWN_WORDS,
                            "needs what the words are of, as in 'other hand: as if it carried a bowl': '" + line.strip()
                                    + "'");
            }
            detail(row, OWN_WORDS, () -> edit.detail = more.detail());
        }

        private static void detail(Row row, String column, Runnable reading) {
            try {
                reading.run();
            } catch (InvalidValue e) {
                for (var f : e.faults())
                    row.fault(
                            COLUMNS.contains(f.field()) ? f.field() : column,
                            (f.value().isEmpty() ? "" : "'" + f.value() + "' ") + f.reason());
            }
        }

        /** The dose in four columns that begin with {@code stem}, or null where all four are empty. */
        private @Nullable Dose dose(Row row, String stem) {
            var kind = cell(row, stem);
            var seconds = real(row, stem + " seconds");
            var count = real(row, stem + " count");
            var rate = real(row, stem + " per second");
            if (kind.isEmpty() && seconds == null && count == null && rate == null) return null;
            if (count != null && count != Math.rint(count)) {
                row.fault(stem + " count", "must be a whole number");
                return null;
            }
            var picked = new ArrayList<Dose.Kind>();
            if (kind.isEmpty()) picked.add(Dose.Kind.SECONDS);
            else pick(row, stem, kind, Dose.Kind.values(), picked::add);
            if (picked.isEmpty()) return null;
            try {
                return new Dose(
                        picked.get(0), seconds, count == null ? null : (int) Math.min(count, Integer.MAX_VALUE), rate);
            } catch (InvalidValue e) {
                for (var f : e.faults())
                    row.fault(
                            switch (f.field()) {
                                case "count" -> stem + " count";
                                case "perSecond" -> stem + " per second";
                                default -> stem + " seconds";
                            },
                            f.reason());
                return null;
            }
        }

        private void band(Row row, StepEdit edit) {
            var low = real(row, "band low");
            var high = real(row, "band high");
            if (low == null && high == null) return;
            if (low == null || high == null || low != Math.rint(low) || high != Math.rint(high)) {
                row.fault("band low", "must be two whole numbers, low and high");
                return;
            }
            try {
                edit.band = new Band((int) Math.round(low), (int) Math.round(high));
            } catch (InvalidValue e) {
                row.fault("band low", e.faults().get(0).reason());
            }
        }

        private void words(Row row, String part, StepEdit edit) {
            var pieces = part.split(" ", 3);
            var kinds = new ArrayList<SayKind>();
            pick(row, "words", pieces[0], SayKind.values(), kinds::add);
            if (kinds.isEmpty()) return;
            try {
                double at = pieces.length > 1 ? Double.parseDouble(pieces[1]) : 0;
                edit.say.add(new Saying(kinds.get(0), pieces.length > 2 ? pieces[2] : null, at));
            } catch (NumberFormatException e) {
                row.fault("words", "needs the second after the kind, as in 'warns 0 This may feel strong'");
            } catch (InvalidValue e) {
                row.fault("words", e.faults().get(0).toString());
            }
        }

        private static String columnOf(String field) {
            return switch (field) {
                case "id" -> "step";
                case "minimumSeconds" -> "least seconds";
                case "targetSeconds" -> "target seconds";
                case "classSeconds" -> "class seconds";
                case "tool" -> "hand";
                default -> COLUMNS.contains(field) ? field : "step";
            };
        }

        private @Nullable Double real(Row row, String column) {
            var value = cell(row, column);
            if (value.isEmpty()) return null;
            try {
                double number = Double.parseDouble(value);
                if (Double.isFinite(number)) return number;
            } catch (NumberFormatException e) {
                // told below
            }
            row.fault(column, "is no number");
            return null;
        }

        private <E extends Enum<E>> void choose(
                Row row, String column, E[] values, BiConsumer<StepEdit, E> set, StepEdit edit) {
            var value = cell(row, column);
            if (!value.isEmpty()) pick(row, column, value, values, v -> set.accept(edit, v));
        }

        private <E extends Enum<E>> void pick(
                Row row, String column, String value, E[] values, java.util.function.Consumer<E> take) {
            for (var v : values)
                if (v.toString().equalsIgnoreCase(value)) {
                    take.accept(v);
                    return;
                }
            row.fault(
                    column,
                    values.length > 14
                            ? "'" + value + "' is not known here"
                            : "must be one of "
                                    + Arrays.stream(values)
                                            .map(Object::toString)
                                            .collect(Collectors.joining(", ")));
        }

        private static List<String> parts(String cell) {
            return Arrays.stream(cell.split(";"))
                    .map(String::trim)
                    .filter(p -> !p.isEmpty())
                    .toList();
        }

        private static @Nullable String blankToNull(String value) {
            return value.isEmpty() ? null : value;
        }

        /** Ids used twice and links to nowhere, told at the row that is at fault. Ids of faulty rows count as there. */
        private void links() {
            var known = new LinkedHashMap<String, Map<String, Integer>>();
            for (var row : rows) {
                var ids = known.computeIfAbsent(cell(row, "sequence"), k -> new LinkedHashMap<>());
                var earlier = ids.putIfAbsent(cell(row, "step"), row.number);
                if (earlier != null && !cell(row, "step").isEmpty())
                    row.fault("step", "is used twice, first in row " + earlier);
            }
            for (var row : rows)
                for (var to : parts(cell(row, "before")))
                    if (!known.getOrDefault(cell(row, "sequence"), Map.of()).containsKey(to))
                        row.fault("before", "names no step of this sequence: '" + to + "'");
        }

        private @Nullable Sequence sequence(String id, List<Row> its) {
            var first = its.get(0);
            var byBlock = new LinkedHashMap<String, List<Row>>();
            for (var row : its)
                byBlock.computeIfAbsent(cell(row, "block"), k -> new ArrayList<>())
                        .add(row);
            var region = one(
                    first,
                    "region",
                    Region.values(),
                    its.get(0).step == null
                            ? Region.WHOLE_BODY
                            : first.step.zones().get(0).region());
            var side = one(first, "first side", Side.values(), Side.LEFT);
            Double slot = real(first, "slot seconds");
            var table = new ArrayList<TableHeight>();
            if (!cell(first, "table").isEmpty())
                pick(first, "table", cell(first, "table"), TableHeight.values(), table::add);
            var blocks = new ArrayList<Block>();
            byBlock.forEach((blockId, steps) -> {
                var order = one(steps.get(0), "order", Block.Order.values(), Block.Order.IN_ORDER);
                var repeat = one(steps.get(0), "repeat", Block.Repeat.values(), Block.Repeat.ONCE);
                var held = steps.stream()
                        .map(r -> r.step)
                        .filter(java.util.Objects::nonNull)
                        .toList();
                var drape = new ArrayList<DrapeMethod>();
                if (!cell(steps.get(0), "drape").isEmpty())
                    pick(steps.get(0), "drape", cell(steps.get(0), "drape"), DrapeMethod.values(), drape::add);
                try {
                    blocks.add(new Block(
                            blockId,
                            cell(steps.get(0), "block name"),
                            order,
                            repeat,
                            drape.isEmpty() ? null : drape.get(0),
                            held));
                } catch (InvalidValue e) {
                    steps.get(0).fault("block", e.faults().get(0).reason());
                }
            });
            if (its.stream().anyMatch(r -> !r.faults.isEmpty())) return null;
            var name = cell(first, "sequence name");
            var whom = new LinkedHashSet<ForWhom>();
            for (var part : parts(cell(first, "for whom"))) pick(first, "for whom", part, ForWhom.values(), whom::add);
            if (!first.faults.isEmpty()) return null;
            try {
                return new Sequence(
                        id,
                        name.isEmpty() ? id : name,
                        region,
                        slot == null ? 1200 : slot,
                        side,
                        cell(first, "note"),
                        table.isEmpty() ? null : table.get(0),
                        whom,
                        blocks);
            } catch (InvalidValue e) {
                for (var f : e.faults())
                    first.fault(
                            switch (f.field()) {
                                case "name" -> "sequence name";
                                case "slotSeconds" -> "slot seconds";
                                case "firstSide" -> "first side";
                                default -> "sequence";
                            },
                            f.reason());
                return null;
            }
        }

        private <E extends Enum<E>> E one(Row row, String column, E[] values, E otherwise) {
            var picked = new ArrayList<E>();
            var value = cell(row, column);
            if (!value.isEmpty()) pick(row, column, value, values, picked::add);
            return picked.isEmpty() ? otherwise : picked.get(0);
        }
    }
}
