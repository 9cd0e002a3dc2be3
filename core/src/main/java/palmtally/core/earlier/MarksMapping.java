package palmtally.core.earlier;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Region;
import palmtally.core.earlier.ColumnUse.Use;

/**
 * How a table of marks is read.
 *
 * @param headRow the row that names the columns, from 1; 0 for none
 * @param columns what each holds, in their order
 * @param names a name as it is written → the id of the student that is meant, or an empty text for nobody of this school
 * @param regions a region as it is written → the region that is meant, or an empty text for none
 */
public record MarksMapping(
        int headRow, List<ColumnUse> columns, DayOrder days, Map<String, String> names, Map<String, String> regions) {
    public MarksMapping {
        columns = List.copyOf(columns);
        names = Map.copyOf(names);
        regions = Map.copyOf(regions);
        var faults = new ArrayList<Fault>();
        if (headRow < 0) faults.add(new Fault("headRow", String.valueOf(headRow), "must be 0 or more"));
        for (int c = 0; c < columns.size(); c++) {
            var column = columns.get(c);
            if ((column.use() == Use.MARK) == (column.scale() == null))
                faults.add(new Fault("columns/" + c + "/scale", "", "belongs to a column of marks, and to each"));
        }
        regions.forEach((given, word) -> {
            if (!word.isEmpty()
                    && java.util.Arrays.stream(Region.values())
                            .noneMatch(r -> r.toString().equals(word)))
                faults.add(new Fault("regions", word, "is no region"));
        });
        if (!faults.isEmpty()) throw new InvalidValue("mapping", faults);
    }

    boolean has(Use use) {
        return columns.stream().anyMatch(c -> c.use() == use);
    }
}
