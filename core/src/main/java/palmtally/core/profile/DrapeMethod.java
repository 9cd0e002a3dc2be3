package palmtally.core.profile;

import static palmtally.core.profile.DrapePoint.*;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import palmtally.core.Texts;
import palmtally.core.body.DrapeUnit;

/** A way to open a part of the sheet, as its points in the order in which they are done (common practice, no source). */
public enum DrapeMethod {
    LEG_TUCK(
            "leg, tucked",
            DrapeUnit.LEG,
            BLANKET_ASIDE,
            AT_THE_WAIST,
            EDGE_SEEN,
            WITH_THE_LEGS,
            AS_HIGH_AS_NEEDED,
            UP_TO_THE_HIP,
            LAID_DOWN,
            ROLLED_UNDER,
            GATHERED),
    LEG_THREAD(
            "leg, threaded", DrapeUnit.LEG, FAN_FOLDED, PINCHED, THREADED, AS_HIGH_AS_NEEDED, ROLLED_UNDER, GATHERED),
    GLUTEAL_BY_STROKE("gluteal, by a stroke", DrapeUnit.HIP, ONE_SIDE, PUSHED_BY_STROKE, ROLLED_UNDER),
    GLUTEAL_BY_HAND("gluteal, by hand", DrapeUnit.HIP, ONE_SIDE, DRAWN_BY_HAND, ROLLED_UNDER),
    GLUTEAL_OVER_SHEET("gluteal, over a taut sheet", DrapeUnit.HIP, HELD_TAUT),
    BACK("back, folded to the hips", DrapeUnit.BACK, TO_THE_HIPS, TUCKED_IN, ROLLED_UNDER),
    ARM("arm, out over the sheet", DrapeUnit.ARM, ARM_OUT, SIDE_CLOSED),
    CHEST_ARMS("chest, arms over the sheet", DrapeUnit.CHEST, FAR_ARM_FIRST, DOWN_A_LITTLE, ARMS_SNUG),
    CHEST_DRAPE("chest, under a chest drape", DrapeUnit.CHEST, CHEST_DRAPE_LAID, CHEST_DRAPE_TIGHT),
    ABDOMEN("abdomen, chest drape first", DrapeUnit.ABDOMEN, CHEST_DRAPE_LAID, CHEST_DRAPE_TIGHT, TO_THE_HIPS),
    SIDE_LYING("side-lying", null, FRONT_AND_BACK, LEG_WRAPPED, ROLLED_UNDER),
    CLOTHED("clothed", null, CLOTHES_AS_THEY_ARE, OWN_TOWEL);

    private final String word = Texts.word(this);

    private final String label;
    private final Set<DrapeUnit> units;
    private final List<DrapePoint> points;

    DrapeMethod(String label, @Nullable DrapeUnit unit, DrapePoint... own) {
        this.label = label;
        this.units = unit == null ? EnumSet.complementOf(EnumSet.of(DrapeUnit.HEAD)) : EnumSet.of(unit);
        var points = new ArrayList<>(List.of(own));
        if (!points.contains(CLOTHES_AS_THEY_ARE)) {
            points.add(COVERED_WHEN_DONE);
            points.add(COVERED_AT_END);
        }
        this.points = List.copyOf(points);
    }

    public String label() {
        return label;
    }

    /** Whether it opens such a part of the sheet. */
    public boolean opens(DrapeUnit unit) {
        return units.contains(unit);
    }

    /** What is looked at, in the order in which it is done. */
    public List<DrapePoint> points() {
        return points;
    }

    /**
     * How a school opens a part of the sheet.
     *
     * @param side whether the client lies on the side
     * @param through whether the work goes through the sheet
     * @return nothing for what is never covered
     */
    public static Optional<DrapeMethod> of(DrapeUnit unit, boolean side, boolean through, Profile profile) {
        var ways = profile.ways();
        if (!unit.draped()) return Optional.empty();
        if (unit == DrapeUnit.HIP && through) return Optional.of(GLUTEAL_OVER_SHEET);
        if (side) return Optional.of(SIDE_LYING);
        return Optional.of(
                switch (unit) {
                    case LEG -> ways.leg() == Ways.LegSheet.TUCK ? LEG_TUCK : LEG_THREAD;
                    case HIP -> ways.gluteal() == Ways.GlutealSheet.BY_STROKE ? GLUTEAL_BY_STROKE : GLUTEAL_BY_HAND;
                    case CHEST -> ways.chest() == Ways.ChestSheet.CHEST_DRAPE ? CHEST_DRAPE : CHEST_ARMS;
                    case ABDOMEN -> ABDOMEN;
                    case ARM -> ARM;
                    case BACK, HEAD -> BACK;
                });
    }

    @Override
    public String toString() {
        return word;
    }
}
