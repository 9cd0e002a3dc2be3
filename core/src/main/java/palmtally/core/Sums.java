package palmtally.core;

import java.util.OptionalDouble;
import java.util.PrimitiveIterator;
import java.util.stream.DoubleStream;

/**
 * Sums and means that come out the same to the last bit wherever they are made. Each sum carries what rounding took from it (W. Kahan,
 * "Further remarks on reducing truncation errors", Communications of the ACM 8, 1965), as the JDK's streams do and not every other's.
 */
public final class Sums {
    private double sum;
    private double lost;
    private long count;

    private Sums(DoubleStream values) {
        for (PrimitiveIterator.OfDouble v = values.iterator(); v.hasNext(); count++) add(v.nextDouble());
    }

    private void add(double value) {
        double full = value - lost;
        double next = sum + full;
        lost = next - sum - full;
        sum = next;
    }

    private double total() {
        return sum - lost;
    }

    /** In the order of the stream; 0 of nothing. */
    public static double of(DoubleStream values) {
        return new Sums(values).total();
    }

    /** Nothing of nothing. */
    public static OptionalDouble mean(DoubleStream values) {
        var all = new Sums(values);
        return all.count == 0 ? OptionalDouble.empty() : OptionalDouble.of(all.total() / all.count);
    }
}
