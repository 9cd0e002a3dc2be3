package palmtally.core.practical;

import java.util.List;
import java.util.function.Predicate;

/** Search in lists that are in order. */
final class Sorted {
    private Sorted() {}

    /** Place of the first of which something holds, where it holds of all behind that one too; the size where it holds of none. */
    static <T> int first(List<T> all, Predicate<? super T> holds) {
        int low = 0;
        int high = all.size();
        while (low < high) {
            int mid = (low + high) >>> 1;
            if (holds.test(all.get(mid))) high = mid;
            else low = mid + 1;
        }
        return low;
    }

    /** Place of the first moment at a time or after, ms. */
    static int firstAt(List<? extends Run.Moment<?>> all, long ms) {
        return first(all, m -> m.atMs() >= ms);
    }
}
