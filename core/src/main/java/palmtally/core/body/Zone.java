package palmtally.core.body;

import static palmtally.core.body.DrapeUnit.*;
import static palmtally.core.body.Region.*;

import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import palmtally.core.Texts;

/**
 * What a step works on and a hand touches. Each zone carries its site ceiling on the 0–5 depth scale: the least and the most
 * a teacher would allow (common practice, no source; teaching defaults, local texts win). A zone without a listed ceiling says
 * so through {@link #ceiling()}.
 */
public enum Zone {
    SCALP("Scalp", HEAD_FACE, HEAD, false, null),
    FACE("Face", HEAD_FACE, HEAD, true, null),
    EARS("Ears", HEAD_FACE, HEAD, true, null),
    BASE_OF_SKULL("Base of the skull", NECK, HEAD, true, site(3, 3, "bone edge: broad pads", true)),
    BELOW_EAR("Just below the ear", JAW, HEAD, true, site(1, 1, "a bone spur and a nerve lie here", true)),
    JAW_MUSCLES("Jaw muscles", JAW, HEAD, true, null),
    INSIDE_MOUTH("Inside of the mouth", JAW, HEAD, true, null),
    NECK_BACK("Back of the neck", NECK, HEAD, true, null),
    NECK_SIDE("Side of the neck, before the strap muscle", NECK, HEAD, true, site(1, 1, "vessels and nerves", true)),
    STRAP_MUSCLE(
            "Strap muscle (sternocleidomastoid), scalenes",
            NECK,
            HEAD,
            true,
            site(2, 3, "vessels run through; slowly", false)),
    THROAT("Front of the throat", NECK, HEAD, false, site(0, 0, "vessels and airway", true)),
    TOP_OF_SHOULDER(
            "Top of the shoulder (upper trapezius)",
            SHOULDER,
            BACK,
            true,
            site(4, 4, "lighten at the bend of the neck", false)),
    UPPER_BACK("Upper back, beside the spine", SHOULDER, BACK, true, null),
    SHOULDER_BLADE("Shoulder blade (rotator cuff)", SHOULDER, BACK, true, null),
    SPINE("Spinous processes", SHOULDER, BACK, false, site(0, 0, "bone edge: work beside, never across", true)),
    CHEST_WALL("Chest (pectorals)", Region.CHEST, DrapeUnit.CHEST, true, null),
    BREAST(
            "Breast tissue",
            Region.CHEST,
            DrapeUnit.CHEST,
            true,
            site(0, 0, "only where the local code and written consent allow", true)),
    STERNUM(
            "Sternum and its edges",
            Region.CHEST,
            DrapeUnit.CHEST,
            false,
            site(1, 2, "bone close under the skin: flat pads, over the sheet", true)),
    ARMPIT("Armpit, upper ribs", Region.CHEST, ARM, true, site(2, 2, "nerves, ticklish: flat steady fingers", true)),
    BELLY("Abdomen", Region.ABDOMEN, DrapeUnit.ABDOMEN, false, site(2, 2, "organs and aorta: on the out-breath", true)),
    RIB_EDGE(
            "Under the rib edge",
            Region.ABDOMEN,
            DrapeUnit.ABDOMEN,
            true,
            site(2, 2, "organs: on the out-breath", true)),
    LUMBAR("Low back, beside the spine", LOW_BACK, BACK, true, null),
    KIDNEYS("Over the kidneys, below the last rib", LOW_BACK, BACK, true, site(2, 2, "organs", true)),
    SACRUM("Edge of the sacrum", Region.HIP, BACK, true, null),
    GLUTEALS("Gluteals", Region.HIP, DrapeUnit.HIP, true, null),
    HIP_ROTATORS(
            "Hip rotators, through the gluteals",
            Region.HIP,
            DrapeUnit.HIP,
            true,
            site(5, 5, "deep layer: slowly, warmed", false)),
    UPPER_ARM_OUTER("Upper arm, outer", UPPER_ARM, ARM, true, null),
    UPPER_ARM_INNER("Upper arm, inner", UPPER_ARM, ARM, true, site(1, 2, "nerve and artery", true)),
    ELBOW_INSIDE("Inside of the elbow", FOREARM_HAND, ARM, true, site(1, 2, "nerve and artery", true)),
    FOREARM_FLEXORS("Forearm, palm side (flexors)", FOREARM_HAND, ARM, true, null),
    FOREARM_EXTENSORS("Forearm, back (extensors)", FOREARM_HAND, ARM, true, null),
    WRIST("Wrist", FOREARM_HAND, ARM, true, null),
    HAND("Hand", FOREARM_HAND, ARM, true, null),
    GROIN("Groin, upper inner thigh", THIGH, LEG, true, site(1, 1, "vessels and privacy: the hand tapers off", true)),
    HAMSTRINGS("Back of the thigh (hamstrings)", THIGH, LEG, true, site(5, 5, "thick muscle, warmed", false)),
    THIGH_FRONT("Front of the thigh (quadriceps)", THIGH, LEG, true, null),
    THIGH_OUTER("Outer thigh", THIGH, LEG, true, null),
    THIGH_INNER("Inner thigh", THIGH, LEG, true, null),
    KNEE_BACK("Back of the knee", KNEE, LEG, true, site(1, 1, "artery and nerve: skin only", true)),
    KNEECAP("Kneecap", KNEE, LEG, true, site(1, 1, "bone: ease off and resume", true)),
    KNEE_INNER("Inner knee tendons and bursa", KNEE, LEG, true, site(1, 1, "irritable", true)),
    CALF("Calf", LOWER_LEG, LEG, true, site(4, 4, "takes clearly less than the thigh", false)),
    CALF_CENTRE("Centre line of the calf", LOWER_LEG, LEG, true, site(3, 3, "veins: with care", true)),
    SHIN("Shin, outer side", LOWER_LEG, LEG, true, null),
    SHIN_LOWER("Shin, lower third", LOWER_LEG, LEG, true, site(4, 4, "pointed tools hurt here", true)),
    ACHILLES("Heel cord", Region.FOOT, LEG, true, null),
    SOLE("Sole of the foot", Region.FOOT, LEG, true, null),
    FOOT_TOP("Top of the foot, toes", Region.FOOT, LEG, true, null);

    private final String word = Texts.word(this);

    /**
     * How deep a site may be worked.
     *
     * @param low the careful end of the range, 0–5
     * @param high the generous end, 0–5; equal to {@code low} where teachers agree
     * @param why the reason, as it is shown
     * @param broadOnly whether pointed tools have no place here at any depth
     */
    public record Ceiling(int low, int high, String why, boolean broadOnly) {}

    /** The gluteals with what is reached through them. */
    public static final Set<Zone> GLUTEAL = Set.of(GLUTEALS, HIP_ROTATORS);

    /** Where vessels and nerves lie close under the hand. */
    public static final Set<Zone> FRONT_OF_NECK = Set.of(THROAT, NECK_SIDE, STRAP_MUSCLE);

    private final String label;
    private final Region region;
    private final DrapeUnit unit;
    private final boolean paired;
    private final @Nullable Ceiling ceiling;

    Zone(String label, Region region, DrapeUnit unit, boolean paired, @Nullable Ceiling ceiling) {
        this.label = label;
        this.region = region;
        this.unit = unit;
        this.paired = paired;
        this.ceiling = ceiling;
    }

    private static Ceiling site(int low, int high, String why, boolean broadOnly) {
        return new Ceiling(low, high, why, broadOnly);
    }

    public String label() {
        return label;
    }

    public Region region() {
        return region;
    }

    public DrapeUnit unit() {
        return unit;
    }

    /** Whether there is a left and a right one; work on a paired zone is due on both sides. */
    public boolean paired() {
        return paired;
    }

    /** The listed ceiling, or empty where the trade names none. */
    public Optional<Ceiling> ceiling() {
        return Optional.ofNullable(ceiling);
    }

    /** The zone in which this site lies: what warms, opens or flushes that one does so here; its ceiling is its own. */
    public Optional<Zone> within() {
        return Optional.ofNullable(
                switch (this) {
                    case CALF_CENTRE -> CALF;
                    case SHIN_LOWER -> SHIN;
                    case HIP_ROTATORS -> GLUTEALS;
                    case GROIN -> THIGH_INNER;
                    case BREAST, STERNUM -> CHEST_WALL;
                    case RIB_EDGE -> BELLY;
                    case KIDNEYS -> LUMBAR;
                    default -> null;
                });
    }

    /** Whether a big movement of it takes the sheet along: not of toes, of a wrist that bends, of a hand or of the head, nor of the belly, which no limb moves. */
    public boolean movesSheet() {
        return unit.draped()
                && region != FOOT
                && unit != HEAD
                && unit != DrapeUnit.ABDOMEN
                && this != FOREARM_FLEXORS
                && this != FOREARM_EXTENSORS
                && this != WRIST
                && this != HAND;
    }

    /**
     * Where still hands rest and nobody minds, as the client lies (common practice, no source).
     *
     * @param sensitive what a school holds sensitive: never one of these while there is another
     */
    public static Zone neutral(Position position, Set<Zone> sensitive) {
        var usual = position == Position.PRONE ? UPPER_BACK : TOP_OF_SHOULDER;
        return Stream.of(usual, TOP_OF_SHOULDER, UPPER_BACK, SOLE, HAND, SCALP)
                .filter(z -> !sensitive.contains(z))
                .findFirst()
                .orElse(usual);
    }

    /** How the client usually lies while it is worked (common practice, no source). */
    public Position usualPosition() {
        return switch (this) {
            case SCALP,
                    FACE,
                    EARS,
                    BASE_OF_SKULL,
                    BELOW_EAR,
                    JAW_MUSCLES,
                    INSIDE_MOUTH,
                    NECK_SIDE,
                    STRAP_MUSCLE,
                    THROAT,
                    CHEST_WALL,
                    BREAST,
                    STERNUM,
                    ARMPIT,
                    BELLY,
                    RIB_EDGE,
                    UPPER_ARM_INNER,
                    ELBOW_INSIDE,
                    FOREARM_FLEXORS,
                    FOREARM_EXTENSORS,
                    WRIST,
                    HAND,
                    GROIN,
                    THIGH_FRONT,
                    THIGH_INNER,
                    KNEECAP,
                    KNEE_INNER,
                    SHIN,
                    SHIN_LOWER,
                    FOOT_TOP -> Position.SUPINE;
            default -> Position.PRONE;
        };
    }

    /**
     * Whether it can be worked as the client lies or sits, so that nobody is turned for it: as it usually is, lying on a side, and what
     * hands and feet or neck and shoulders are reached by either way (common practice, no source).
     */
    public boolean reachedIn(Position position) {
        if (position == usualPosition() || position == Position.SIDE_LEFT || position == Position.SIDE_RIGHT)
            return true;
        return switch (this) {
            case SCALP, BASE_OF_SKULL, NECK_BACK, TOP_OF_SHOULDER, HAND, WRIST, FOREARM_FLEXORS, FOREARM_EXTENSORS ->
                true;
            case UPPER_ARM_OUTER -> true;
            case THIGH_OUTER, ACHILLES, SOLE, FOOT_TOP -> position != Position.SEATED;
            // Whoever sits on a chair has the back free.
            case UPPER_BACK,
                    SHOULDER_BLADE,
                    SPINE,
                    LUMBAR,
                    KIDNEYS,
                    UPPER_ARM_INNER,
                    FACE,
                    EARS,
                    JAW_MUSCLES,
                    CHEST_WALL ->
                position == Position.SEATED || position == Position.SEMI_RECLINED && usualPosition() == Position.SUPINE;
            default -> position == Position.SEMI_RECLINED && usualPosition() == Position.SUPINE;
        };
    }

    @Override
    public String toString() {
        return word;
    }
}
