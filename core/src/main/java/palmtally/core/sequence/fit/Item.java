package palmtally.core.sequence.fit;

import java.util.ArrayList;
import java.util.List;
import palmtally.core.sequence.Importance;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Dose;

/** A step with the doses it may get, gentlest first; level 0 of a choice means dropped. */
final class Item {
    /** Whole units of time, seconds. */
    private static final double GRID = 5;

    final Step step;
    final List<Dose> doses = new ArrayList<>();
    final double[] seconds;
    final double[] value;

    Item(Step step) {
        this.step = step;
        double least = step.minimum();
        double target = step.targetSeconds() != null
                ? step.targetSeconds()
                : step.dose().totalSeconds();
        doses.addAll(levels(step.dose(), least, target));
        seconds = doses.stream().mapToDouble(Dose::totalSeconds).toArray();
        value = new double[seconds.length];
        double weight = step.importance().weight();
        for (int i = 0; i < value.length; i++) {
            double share =
                    target - least < 1e-9 ? 1 : Math.max(0, Math.min(1, (seconds[i] - least) / (target - least)));
            value[i] = weight * (0.5 + 0.5 * share);
        }
    }

    boolean must() {
        return step.importance() == Importance.MUST;
    }

    private static List<Dose> levels(Dose dose, double least, double target) {
        var all = new ArrayList<Dose>();
        if (dose.kind() == Dose.Kind.SECONDS
                || dose.kind() == Dose.Kind.UNTIL_SOFT
                || dose.kind() == Dose.Kind.CYCLES) {
            for (double s = Math.ceil(least / GRID - 1e-9) * GRID; s <= target + 1e-9; s += GRID)
                if (s > 0) add(all, dose.withTotalSeconds(s), target);
        } else {
            double unit = dose.withTotalSeconds(1e-6).totalSeconds();
            for (int n = (int) Math.max(1, Math.ceil(least / unit - 1e-9)); n * unit <= target + 1e-9; n++)
                add(all, dose.withTotalSeconds(n * unit), target);
        }
        add(all, dose.withTotalSeconds(target), Double.POSITIVE_INFINITY);
        return all;
    }

    private static void add(List<Dose> all, Dose dose, double most) {
        if (dose.totalSeconds() > most + 1e-9) return;
        if (all.isEmpty() || dose.totalSeconds() > all.get(all.size() - 1).totalSeconds() + 1e-9) all.add(dose);
    }
}
