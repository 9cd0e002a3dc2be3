package palmtally.core.picture;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;

/** Points of path data, read by another way than they were written. */
final class Points {
    private static final Pattern PAIR = Pattern.compile("(-?[\\d.]+),(-?[\\d.]+)");

    private Points() {}

    static List<Point> of(String path) {
        var all = new ArrayList<Point>();
        var m = PAIR.matcher(path);
        while (m.find()) all.add(new Point(Double.parseDouble(m.group(1)), Double.parseDouble(m.group(2))));
        return all;
    }
}
