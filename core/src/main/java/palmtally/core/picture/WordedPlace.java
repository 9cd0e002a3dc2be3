package palmtally.core.picture;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Landmark;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;

/**
 * Where a stroke begins or ends when the plan says it in words that are no landmark: “from the knee”, “to the shoulder blade”. A joint, a
 * landmark or a zone of that name; of anything else nothing is known.
 */
final class WordedPlace {
    /** A joint, or what has no landmark, in the standing body's right side. */
    private record Named(String word, Part part, Vec at) {}

    private static final Named[] PLACES = {
        new Named("shoulder", Part.UPPER_ARM, Pose.SHOULDER),
        new Named("elbow", Part.UPPER_ARM, Pose.ELBOW),
        new Named("wrist", Part.FOREARM, Pose.WRIST),
        new Named("hip", Part.THIGH, Pose.HIP),
        new Named("knee", Part.THIGH, Pose.KNEE),
        new Named("ankle", Part.SHANK, Pose.ANKLE),
        new Named("fingers", Part.HAND, new Vec(156, 400, 0)),
        new Named("fingertips", Part.HAND, new Vec(156, 384, 0)),
        new Named("toes", Part.FOOT, new Vec(48, 8, 100)),
        new Named("ear", Part.HEAD, new Vec(58, 928, 0)),
        new Named("ears", Part.HEAD, new Vec(58, 928, 0)),
        new Named("forehead", Part.HEAD, new Vec(12, 968, 40)),
        new Named("skull", Part.HEAD, new Vec(24, 905, -40)),
        new Named("neck", Part.NECK, new Vec(22, 862, -20)),
    };

    private WordedPlace() {}

    /** @param words such as “knee” or “the shoulder blade”, or null */
    static @Nullable Point of(@Nullable String words, Side side, Figure figure) {
        if (words == null) return null;
        var said = words.toLowerCase(Locale.ROOT).strip().replaceFirst("^(the|his|her|their) ", "");
        for (var j : PLACES) if (j.word.equals(said)) return figure.at(j.part, side, j.at);
        var landmark = Landmark.named(said);
        if (landmark.isPresent()) return figure.beside(landmark.get(), side);
        return zone(said)
                .map(z -> ZoneArea.of(z).at(figure, z.paired() ? side : Side.RIGHT, .5, .5))
                .orElse(null);
    }

    private static Optional<Zone> zone(String said) {
        return Arrays.stream(Zone.values())
                .filter(z -> z.label().equalsIgnoreCase(said)
                        || z.toString().replace('-', ' ').equals(said))
                .findFirst();
    }
}
