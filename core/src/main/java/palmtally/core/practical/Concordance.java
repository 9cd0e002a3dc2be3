package palmtally.core.practical;

import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.sequence.PlannedOrder;

/**
 * Kendall's tau-a of what was done against the planned order: concordant less discordant pairs, over all comparable pairs (Kendall, M.
 * G. (1938), "A new measure of rank correlation", Biometrika 30, 81–93). A figure beside the score of the order, not a part of it.
 */
final class Concordance {
    private Concordance() {}

    /**
     * @param met when each was met, ms; null where it was never done
     * @return −1 to 1; null where no two that were done are comparable
     */
    static @Nullable Double of(PlannedOrder order, List<@Nullable Long> met) {
        int pairs = 0;
        int sum = 0;
        for (int i = 0; i < met.size(); i++)
            for (int j = i + 1; j < met.size(); j++) {
                var a = met.get(i);
                var b = met.get(j);
                if (a == null || b == null || !order.comparable(i, j)) continue;
                pairs++;
                sum += Long.signum(b - a);
            }
        return pairs == 0 ? null : Double.valueOf((double) sum / pairs);
    }
}
