package palmtally.server.earlier;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Region;
import palmtally.core.earlier.ColumnUse;
import palmtally.core.earlier.DayOrder;
import palmtally.core.earlier.MarkScale;
import palmtally.core.earlier.MarksMapping;
import palmtally.core.earlier.MarksTable;
import palmtally.core.finding.Criterion;

/** A mapping as it is sent. */
record MarksMappingForm(
        @Nullable Integer headRow,
        @Nullable List<@Nullable ColumnForm> columns,
        @Nullable DayOrder days,
        @Nullable Map<String, @Nullable String> names,
        @Nullable Map<String, @Nullable String> regions) {
    /** More different names and words than this are no class. */
    private static final int MOST = MarksTable.MOST_ROWS;

    record ColumnForm(
            ColumnUse.@Nullable Use use,
            @Nullable Criterion criterion,
            @Nullable Region region,
            @Nullable ScaleForm scale) {}

    record ScaleForm(
            @Nullable Double worst,
            @Nullable Double best,
            @Nullable Map<String, @Nullable Double> words) {}

    /** @throws InvalidValue naming every field that will not do */
    MarksMapping mapping() {
        var faults = new ArrayList<Fault>();
        var made = new ArrayList<ColumnUse>();
        if (columns == null) faults.add(new Fault("columns", "", "is missing"));
        else if (columns.size() > MarksTable.MOST_COLUMNS)
            faults.add(
                    new Fault("columns", String.valueOf(columns.size()), "must be at most " + MarksTable.MOST_COLUMNS));
        else
            for (int c = 0; c < columns.size(); c++) {
                var column = columns.get(c);
                if (column == null || column.use == null)
                    faults.add(new Fault("columns/" + c + "/use", "", "is missing"));
                else made.add(new ColumnUse(column.use, column.criterion, column.region, scale(column.scale)));
            }
        for (var map : List.of(texts(names), texts(regions)))
            if (map.size() > MOST)
                faults.add(new Fault("names", String.valueOf(map.size()), "must be at most " + MOST));
        if (!faults.isEmpty()) throw new InvalidValue("mapping", faults);
        return new MarksMapping(
                headRow == null ? 0 : headRow,
                made,
                days == null ? DayOrder.DAY_FIRST : days,
                texts(names),
                texts(regions));
    }

    private static @Nullable MarkScale scale(@Nullable ScaleForm form) {
        if (form == null) return null;
        return new MarkScale(
                form.worst == null ? 0 : form.worst,
                form.best == null ? 100 : form.best,
                form.words == null ? Map.of() : form.words);
    }

    private static Map<String, String> texts(@Nullable Map<String, @Nullable String> given) {
        var texts = new HashMap<String, String>();
        if (given != null) given.forEach((k, v) -> texts.put(k, v == null ? "" : v));
        return texts;
    }
}
