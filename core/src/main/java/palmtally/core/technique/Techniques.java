package palmtally.core.technique;

import static palmtally.core.technique.Technique.Effort.*;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/** The library of techniques that ships (common practice, no source). */
public final class Techniques {
    private static final Techniques STANDARD = new Techniques();
    private final Map<String, Technique> byId = new LinkedHashMap<>();

    private Techniques() {
        add(
                "still-hold",
                "Still hold",
                Stroke.STILL_HOLD,
                Tool.PALM,
                1,
                Dose.seconds(30),
                PASSIVE,
                false,
                null,
                "settle",
                "feather hold");
        add(
                "effleurage",
                "Effleurage (glide)",
                Stroke.EFFLEURAGE,
                Tool.PALM,
                2,
                Dose.passes(6, 10),
                PASSIVE,
                false,
                null,
                "palm glide",
                "glide");
        add(
                "fist-glide",
                "Effleurage with loose fist",
                Stroke.EFFLEURAGE,
                Tool.LOOSE_FIST,
                4,
                Dose.passes(6, 10),
                PASSIVE,
                false,
                null,
                "fist glide");
        add(
                "forearm-glide",
                "Effleurage with forearm",
                Stroke.EFFLEURAGE,
                Tool.FOREARM,
                4,
                Dose.passes(6, 10),
                PASSIVE,
                false,
                "The fleshy side only; the point of the elbow stays off.",
                "forearm sweep");
        add(
                "petrissage",
                "Petrissage (kneading)",
                Stroke.PETRISSAGE,
                Tool.PALM,
                3,
                Dose.seconds(60),
                PASSIVE,
                false,
                null,
                "knead",
                "wring");
        add(
                "broadening",
                "Petrissage, broadening squeeze",
                Stroke.PETRISSAGE,
                Tool.HEEL_OF_HAND,
                3,
                Dose.seconds(60),
                PASSIVE,
                false,
                null,
                "broadening squeeze");
        add(
                "compression",
                "Compression, rhythmic",
                Stroke.COMPRESSION,
                Tool.PALM,
                3,
                Dose.seconds(60),
                PASSIVE,
                false,
                null,
                "palm press");
        add(
                "rocking",
                "Vibration, rocking",
                Stroke.VIBRATION,
                Tool.PALM,
                1,
                Dose.seconds(40),
                PASSIVE,
                false,
                null,
                "jostling");
        add(
                "stripping-fingers",
                "Stripping with reinforced fingers",
                Stroke.STRIPPING,
                Tool.REINFORCED_FINGERS,
                4,
                Dose.passes(4, 15),
                PASSIVE,
                true,
                null,
                "finger strip");
        add(
                "stripping-thumb",
                "Stripping with supported thumb",
                Stroke.STRIPPING,
                Tool.SUPPORTED_THUMB,
                4,
                Dose.passes(3, 15),
                PASSIVE,
                true,
                "Support the thumb; a bare thumb tires and hurts first.",
                "thumb strip");
        add(
                "cross-fibre",
                "Friction, cross-fibre",
                Stroke.FRICTION,
                Tool.SUPPORTED_THUMB,
                3,
                Dose.cycles(120, 1.5),
                PASSIVE,
                true,
                "At most 2 minutes on a first visit; pain not lower at 2 minutes: stop. Then flush, stretch, cold.",
                "cross friction");
        add(
                "circular-friction",
                "Friction, circular",
                Stroke.FRICTION,
                Tool.FINGER_PADS,
                3,
                Dose.cycles(60, 1),
                PASSIVE,
                false,
                null,
                "circles");
        add(
                "trigger-point",
                "Ischaemic compression of a trigger point",
                Stroke.TRIGGER_POINT,
                Tool.SUPPORTED_THUMB,
                4,
                Dose.holds(3, 9),
                PASSIVE,
                true,
                "No fall of the number: change the angle, go lighter, move on. A shooting, numb or tingling report stops it.",
                "point hold");
        add(
                "sacral-press",
                "Compression, edge of the sacrum",
                Stroke.COMPRESSION,
                Tool.FINGER_PADS,
                3,
                Dose.holds(8, 6),
                PASSIVE,
                true,
                "Beside the bone, never on it; find the edge with the palm.",
                "edge press");
        add(
                "skin-rolling",
                "Skin rolling",
                Stroke.SKIN_ROLLING,
                Tool.PINCER,
                2,
                Dose.seconds(45),
                PASSIVE,
                true,
                "Within tolerance; dry.",
                "roll");
        add(
                "fascia-indirect",
                "Fascial spread, indirect",
                Stroke.FASCIAL_SPREAD,
                Tool.PALM,
                2,
                Dose.seconds(90),
                PASSIVE,
                false,
                "Dry.",
                "long hold");
        add(
                "fascia-direct",
                "Fascial spread, direct glide",
                Stroke.FASCIAL_SPREAD,
                Tool.FOREARM,
                3,
                Dose.passes(4, 8),
                PASSIVE,
                true,
                "Dry or nearly; slow.",
                "slow spread");
        add(
                "pin-lengthen",
                "Pin and lengthen, active",
                Stroke.PIN_AND_LENGTHEN,
                Tool.SUPPORTED_THUMB,
                4,
                Dose.holds(5, 6),
                ACTIVE,
                true,
                null,
                "pin and move");
        add(
                "contract-relax",
                "Contract–relax",
                Stroke.CONTRACT_RELAX,
                Tool.PALM,
                2,
                Dose.holds(3, 8),
                RESISTED,
                true,
                "About 20 % of strength; not with sacroiliac or low-back pain.",
                "push and let go");
        add(
                "range-of-motion",
                "Range of motion, passive",
                Stroke.RANGE_OF_MOTION,
                Tool.PALM,
                1,
                Dose.seconds(30),
                PASSIVE,
                false,
                "Secure the sheet first.",
                "passive circles");
        add(
                "stretch",
                "Stretch, passive",
                Stroke.STRETCH,
                Tool.PALM,
                2,
                Dose.seconds(30),
                PASSIVE,
                true,
                "Supported; secure the sheet first.",
                "lengthen");
        add(
                "traction",
                "Traction",
                Stroke.TRACTION,
                Tool.PALM,
                2,
                Dose.holds(3, 8),
                PASSIVE,
                true,
                "Gentle; stop on any tingling.",
                "long pull");
        add(
                "joint-glide",
                "Joint glide, graded",
                Stroke.JOINT_GLIDE,
                Tool.PALM,
                3,
                Dose.holds(3, 9),
                PASSIVE,
                true,
                "Distraction first; only where the local code and the licence allow it.",
                "joint mobilisation");
        add(
                "heat",
                "Heat, warm pack",
                Stroke.HEAT,
                Tool.PALM,
                1,
                Dose.seconds(300),
                PASSIVE,
                false,
                "Test on your own forearm first; not on numb or inflamed skin.",
                "warm pack");
        add(
                "cold",
                "Cold strokes",
                Stroke.COLD,
                Tool.PALM,
                1,
                Dose.seconds(60),
                PASSIVE,
                true,
                "Until numb, no longer; ask about cold allergy.",
                "ice stroke");
        add(
                "feather",
                "Feather stroke",
                Stroke.EFFLEURAGE,
                Tool.FINGER_PADS,
                1,
                Dose.seconds(20),
                PASSIVE,
                false,
                null,
                "nerve stroke");
    }

    private void add(
            String id,
            String name,
            Stroke stroke,
            Tool tool,
            int depth,
            Dose dose,
            Technique.Effort effort,
            boolean strong,
            @Nullable String caution,
            String... aliases) {
        byId.put(id, new Technique(id, name, List.of(aliases), stroke, tool, depth, dose, effort, strong, caution));
    }

    public static Techniques standard() {
        return STANDARD;
    }

    /**
     * This library with what a school does otherwise: aliases, usual hand, depth and dose, caution. What a technique is (its name,
     * stroke, the client's part, whether it is strong) stays, because the rules rest on it.
     *
     * @throws InvalidValue naming each technique that is unknown or would become another, and each alias that two share
     */
    public Techniques with(Collection<Technique> changes) {
        var faults = new ArrayList<Fault>();
        var library = new Techniques(byId);
        for (var t : changes) {
            var was = byId.get(t.id());
            if (was == null) faults.add(new Fault(t.id(), t.name(), "is not in the library of techniques"));
            else if (!was.name().equals(t.name())
                    || was.stroke() != t.stroke()
                    || was.effort() != t.effort()
                    || was.strong() != t.strong())
                faults.add(new Fault(
                        t.id(), t.name(), "must stay what it is: name, stroke, client's part and strong are standard"));
            else library.byId.put(t.id(), t);
        }
        var names = new HashMap<String, String>();
        for (var t : library.byId.values()) {
            names.put(t.name().toLowerCase(Locale.ROOT), t.id());
            names.put(t.id(), t.id());
        }
        for (var t : library.byId.values())
            for (var alias : t.aliases()) {
                var other = names.putIfAbsent(alias.toLowerCase(Locale.ROOT), t.id());
                if (other != null && !other.equals(t.id()))
                    faults.add(new Fault(
                            t.id() + "/aliases",
                            alias,
                            "is what \"" + byId.get(other).name() + "\" is called"));
            }
        if (!faults.isEmpty()) throw new InvalidValue("techniques", faults);
        return library;
    }

    private Techniques(Map<String, Technique> known) {
        byId.putAll(known);
    }

    public Optional<Technique> find(String id) {
        return Optional.ofNullable(byId.get(id));
    }

    /**
     * The technique of that id.
     *
     * @throws IllegalArgumentException if there is none
     */
    public Technique get(String id) {
        return find(id).orElseThrow(() -> new IllegalArgumentException("no technique '" + id + "'"));
    }

    public Collection<Technique> all() {
        return java.util.Collections.unmodifiableCollection(byId.values());
    }
}
