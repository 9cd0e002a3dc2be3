package palmtally.core.practical.event;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.profile.DrapePoint;
import palmtally.core.profile.DrapingFault;

/**
 * A look at the sheet: at a change of it, or at how it lies.
 *
 * @param missed what was missed of the way it is draped here, each once; empty for a clean one
 * @param points which points of the method that is, or null where that was not said; each is also in {@code missed}
 * @param asked the app asked for it
 */
public record SheetLook(
        List<DrapingFault> missed,
        @Nullable List<DrapePoint> points,
        @Nullable Boolean asked) implements Observation {
    public SheetLook {
        points = points == null || points.isEmpty() ? null : List.copyOf(new LinkedHashSet<>(points));
        var all = new LinkedHashSet<>(missed);
        if (points != null) for (var point : points) all.add(point.fault());
        missed = List.copyOf(all);
    }

    public SheetLook(List<DrapingFault> missed, @Nullable Boolean asked) {
        this(missed, null, asked);
    }

    /** What was missed, a thing each: the points of the method, and beside them the faults that none of them is. */
    public List<Miss> misses() {
        var all = new ArrayList<Miss>();
        var of = points == null ? List.<DrapePoint>of() : points;
        for (var point : of) all.add(new Miss(point.fault(), point));
        for (var fault : missed) if (of.stream().noneMatch(p -> p.fault() == fault)) all.add(new Miss(fault, null));
        return all;
    }

    /** @param point which point of the method it is, or null where it is none of them */
    public record Miss(DrapingFault fault, @Nullable DrapePoint point) {
        public String label() {
            return point == null ? fault.label() : point.missed();
        }
    }

    public static SheetLook asked(DrapingFault... missed) {
        return new SheetLook(List.of(missed), true);
    }

    @Override
    public boolean judges() {
        return true;
    }

    @Override
    public void apply(Course course) {
        if (missed.contains(DrapingFault.LEFT_OPEN)) course.leaveOpen();
    }
}
