package palmtally.core.register;

import java.util.Comparator;

/**
 * A lab in its term.
 *
 * @param week from 1
 * @param lab which lab of that week, from 1
 */
public record LabPlace(int week, int lab) implements Comparable<LabPlace> {
    private static final Comparator<LabPlace> ORDER =
            Comparator.comparingInt(LabPlace::week).thenComparingInt(LabPlace::lab);

    @Override
    public int compareTo(LabPlace other) {
        return ORDER.compare(this, other);
    }

    @Override
    public String toString() {
        return "week " + week + ", lab " + lab;
    }
}
