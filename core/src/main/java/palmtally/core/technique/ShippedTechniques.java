package palmtally.core.technique;

import static palmtally.core.technique.Technique.Effort.ACTIVE;
import static palmtally.core.technique.Technique.Effort.BREATH;
import static palmtally.core.technique.Technique.Effort.RESISTED;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The techniques that ship, one a row, in the order in which they are offered (common practice, no source). */
final class ShippedTechniques {
    private static final String SECURE = "Secure the sheet first.";
    private static final String CALM = "On the in-breath hold, on the out-breath sink; let the breath set the pace.";
    private static final String FLESH = "Fleshy parts only: never over the kidneys, the spine or bone.";

    private static final List<TechniqueEdit> ROWS = List.of(
            row("still-hold", "Still hold", Stroke.STILL_HOLD, Tool.PALM, 1, Dose.seconds(30))
                    .also("settle", "feather hold"),
            row("effleurage", "Effleurage (glide)", Stroke.EFFLEURAGE, Tool.PALM, 2, Dose.passes(6, 10))
                    .also("palm glide", "glide"),
            row("fist-glide", "Effleurage with loose fist", Stroke.EFFLEURAGE, Tool.LOOSE_FIST, 4, Dose.passes(6, 10))
                    .also("fist glide"),
            row("forearm-glide", "Effleurage with forearm", Stroke.EFFLEURAGE, Tool.FOREARM, 4, Dose.passes(6, 10))
                    .also("forearm sweep")
                    .caution("The fleshy side only; the point of the elbow stays off."),
            row("shoulder-loop", "Looping stroke over the top", Stroke.EFFLEURAGE, Tool.PALM, 2, Dose.passes(6, 8))
                    .also("loop"),
            row("ringing", "Ringing around a joint", Stroke.EFFLEURAGE, Tool.FINGER_PADS, 2, Dose.seconds(30))
                    .also("rings"),
            row("raking", "Raking between the ribs", Stroke.EFFLEURAGE, Tool.FINGER_PADS, 2, Dose.passes(4, 8))
                    .also("rib raking"),
            row("feather", "Feather stroke", Stroke.EFFLEURAGE, Tool.FINGER_PADS, 1, Dose.seconds(20))
                    .also("nerve stroke"),
            row("petrissage", "Petrissage (kneading)", Stroke.PETRISSAGE, Tool.PALM, 3, Dose.seconds(60))
                    .also("knead"),
            row("wringing", "Petrissage, wringing", Stroke.PETRISSAGE, Tool.PALM, 3, Dose.seconds(45))
                    .also("wring"),
            row(
                            "broadening",
                            "Petrissage, broadening squeeze",
                            Stroke.PETRISSAGE,
                            Tool.HEEL_OF_HAND,
                            3,
                            Dose.seconds(60))
                    .also("broadening squeeze"),
            row("lifting", "Petrissage, lifting", Stroke.PETRISSAGE, Tool.PINCER, 3, Dose.seconds(45))
                    .also("picking up"),
            row("fulling", "Petrissage, fulling", Stroke.PETRISSAGE, Tool.LOOSE_FIST, 3, Dose.seconds(45))
                    .also("fists spreading"),
            row("push-pull", "Petrissage, push and pull", Stroke.PETRISSAGE, Tool.PALM, 3, Dose.seconds(45))
                    .also("push pull"),
            row("pulling", "Petrissage, alternate pulling", Stroke.PETRISSAGE, Tool.PALM, 2, Dose.seconds(45))
                    .also("shingling"),
            row("sawing", "Petrissage, sawing with the forearms", Stroke.PETRISSAGE, Tool.FOREARM, 3, Dose.seconds(40))
                    .also("forearm saw"),
            row("compression", "Compression, rhythmic", Stroke.COMPRESSION, Tool.PALM, 3, Dose.seconds(60))
                    .also("palm press"),
            row(
                            "interlaced-squeeze",
                            "Compression between interlaced palms",
                            Stroke.COMPRESSION,
                            Tool.HEEL_OF_HAND,
                            3,
                            Dose.seconds(45))
                    .also("heel squeeze"),
            row("static-press", "Compression, static", Stroke.STATIC_COMPRESSION, Tool.PALM, 3, Dose.holds(3, 10))
                    .also("lean and wait"),
            row("breath-hold", "Compression on the breath", Stroke.STATIC_COMPRESSION, Tool.PALM, 2, Dose.breaths(4))
                    .also("breath press")
                    .client(BREATH)
                    .caution(CALM),
            row("hooking", "Hooking under an edge", Stroke.STATIC_COMPRESSION, Tool.FINGER_PADS, 3, Dose.holds(4, 8))
                    .also("hook and wait")
                    .strong(),
            row(
                            "sacral-press",
                            "Compression, edge of the sacrum",
                            Stroke.STATIC_COMPRESSION,
                            Tool.FINGER_PADS,
                            3,
                            Dose.holds(8, 6))
                    .also("edge press")
                    .strong()
                    .caution("Beside the bone, never on it; find the edge with the palm."),
            row("ear-suction", "Suction of the ears", Stroke.STATIC_COMPRESSION, Tool.PALM, 1, Dose.holds(3, 4))
                    .also("palms over the ears")
                    .caution("Announce it; let go slowly. Not with trouble of the ear."),
            row("rocking", "Vibration, rocking", Stroke.VIBRATION, Tool.PALM, 1, Dose.seconds(40))
                    .also("jostling"),
            row("shaking", "Vibration, shaking", Stroke.VIBRATION, Tool.PALM, 2, Dose.seconds(30))
                    .also("shake out"),
            row("tapotement", "Tapotement (tapping)", Stroke.TAPOTEMENT, Tool.FINGER_PADS, 1, Dose.seconds(20))
                    .also("tapping", "percussion")
                    .strong()
                    .caution(FLESH),
            row("cupping-hands", "Tapotement with cupped hands", Stroke.TAPOTEMENT, Tool.PALM, 2, Dose.seconds(20))
                    .also("cupped hands")
                    .strong()
                    .caution(FLESH),
            row(
                            "stripping-fingers",
                            "Stripping with reinforced fingers",
                            Stroke.STRIPPING,
                            Tool.REINFORCED_FINGERS,
                            4,
                            Dose.passes(4, 15))
                    .also("finger strip")
                    .strong(),
            row(
                            "stripping-thumb",
                            "Stripping with supported thumb",
                            Stroke.STRIPPING,
                            Tool.SUPPORTED_THUMB,
                            4,
                            Dose.passes(3, 15))
                    .also("thumb strip")
                    .strong()
                    .caution("Support the thumb; a bare thumb tires and hurts first."),
            row("peeling", "Peeling off an edge", Stroke.STRIPPING, Tool.FINGER_PADS, 3, Dose.passes(3, 10))
                    .also("peel")
                    .strong(),
            row(
                            "circular-friction",
                            "Friction, circular",
                            Stroke.CIRCULAR_FRICTION,
                            Tool.FINGER_PADS,
                            3,
                            Dose.cycles(60, 1))
                    .also("circles"),
            row(
                            "cross-fibre",
                            "Friction, cross-fibre",
                            Stroke.CROSS_FIBRE_FRICTION,
                            Tool.SUPPORTED_THUMB,
                            3,
                            Dose.cycles(120, 1.5))
                    .also("cross friction")
                    .strong()
                    .caution(
                            "At most 2 minutes on a first visit; pain not lower at 2 minutes: stop. Then flush, stretch, cold."),
            row(
                            "trigger-point",
                            "Ischaemic compression of a trigger point",
                            Stroke.TRIGGER_POINT,
                            Tool.SUPPORTED_THUMB,
                            4,
                            Dose.holds(3, 9))
                    .also("point hold")
                    .strong()
                    .caution(
                            "No fall of the number: change the angle, go lighter, move on. A shooting, numb or tingling report stops it."),
            row("skin-rolling", "Skin rolling", Stroke.SKIN_ROLLING, Tool.PINCER, 2, Dose.seconds(45))
                    .also("roll")
                    .strong()
                    .caution("Within tolerance; dry."),
            row("skin-bend", "Skin rolling, S or C bend", Stroke.SKIN_ROLLING, Tool.PINCER, 2, Dose.seconds(40))
                    .also("skin bend")
                    .strong()
                    .caution("At a sticking place; within tolerance; dry."),
            row("fascia-indirect", "Fascial spread, indirect", Stroke.FASCIA_INDIRECT, Tool.PALM, 2, Dose.seconds(90))
                    .also("long hold")
                    .caution("Dry."),
            row(
                            "fascia-direct",
                            "Fascial spread, direct glide",
                            Stroke.FASCIA_DIRECT,
                            Tool.FOREARM,
                            3,
                            Dose.passes(4, 8))
                    .also("slow spread")
                    .strong()
                    .caution("Dry or nearly; slow."),
            row(
                            "parting",
                            "Spreading with parting fingertips",
                            Stroke.FASCIA_DIRECT,
                            Tool.FINGER_PADS,
                            2,
                            Dose.passes(4, 6))
                    .also("part a point")
                    .caution("Dry or nearly; slow."),
            row(
                            "pin-lengthen",
                            "Pin and lengthen, active",
                            Stroke.PIN_AND_LENGTHEN,
                            Tool.SUPPORTED_THUMB,
                            4,
                            Dose.holds(5, 6))
                    .also("pin and move")
                    .client(ACTIVE)
                    .strong(),
            row(
                            "pin-lengthen-passive",
                            "Pin and lengthen, passive",
                            Stroke.PIN_AND_LENGTHEN,
                            Tool.HEEL_OF_HAND,
                            3,
                            Dose.holds(5, 6))
                    .also("pin and stretch")
                    .strong()
                    .caution("One hand pins, the other moves the limb slowly; secure the sheet first."),
            row("contract-relax", "Contract–relax", Stroke.CONTRACT_RELAX, Tool.PALM, 2, Dose.holds(3, 8))
                    .also("push and let go")
                    .client(RESISTED)
                    .strong()
                    .caution("About 20 % of strength; not with sacroiliac or low-back pain."),
            row("range-of-motion", "Range of motion, passive", Stroke.RANGE_OF_MOTION, Tool.PALM, 1, Dose.seconds(30))
                    .also("passive circles")
                    .caution(SECURE),
            row(
                            "range-of-motion-active",
                            "Range of motion, active",
                            Stroke.RANGE_OF_MOTION,
                            Tool.PALM,
                            1,
                            Dose.seconds(30))
                    .also("active movement")
                    .client(ACTIVE)
                    .caution("The client's own pace, inside what is free of pain."),
            row(
                            "range-of-motion-resisted",
                            "Range of motion, resisted",
                            Stroke.RANGE_OF_MOTION,
                            Tool.PALM,
                            2,
                            Dose.holds(3, 6))
                    .also("resisted movement")
                    .client(RESISTED)
                    .strong()
                    .caution("About 20 % of strength; not with sacroiliac or low-back pain."),
            row("stretch", "Stretch, passive", Stroke.STRETCH, Tool.PALM, 2, Dose.seconds(30))
                    .also("lengthen")
                    .strong()
                    .caution("Supported; secure the sheet first."),
            row("traction", "Traction", Stroke.TRACTION, Tool.PALM, 2, Dose.holds(3, 8))
                    .also("long pull")
                    .strong()
                    .caution("Gentle; stop on any tingling."),
            row("joint-glide", "Joint glide, graded", Stroke.JOINT_GLIDE, Tool.PALM, 3, Dose.holds(3, 9))
                    .also("joint mobilisation")
                    .strong()
                    .caution("Distraction first; only where the local code and the licence allow it."),
            row(
                            "reset-strokes",
                            "Reset, plus and minus at the attachments",
                            Stroke.RESET,
                            Tool.FINGER_PADS,
                            2,
                            Dose.passes(6, 5))
                    .also("plus minus"),
            row("heat", "Heat, hot pack", Stroke.HEAT, Tool.PALM, 1, Dose.seconds(300))
                    .also("warm pack", "hot pack")
                    .caution("Test on your own forearm first; not on numb or inflamed skin."),
            row("cold-pack", "Cold, pack laid on", Stroke.COLD, Tool.PALM, 1, Dose.seconds(600))
                    .also("cold pack", "ice pack")
                    .strong()
                    .caution("A cloth between; not on numb skin; ask about cold allergy. Not too heavy."),
            row("cold", "Cold strokes", Stroke.COLD, Tool.PALM, 1, Dose.seconds(60))
                    .also("ice stroke")
                    .strong()
                    .caution("Until numb, no longer; ask about cold allergy."),
            row("ice", "Ice over a tendon", Stroke.ICE_MASSAGE, Tool.FINGER_PADS, 1, Dose.seconds(120))
                    .also("ice massage")
                    .strong()
                    .caution("Keep it moving; until numb, no longer; ask about cold allergy."));

    /** Those that ship by their ids. */
    static final Map<String, Technique> BY_ID = byId();

    private ShippedTechniques() {}

    private static TechniqueEdit row(String id, String name, Stroke stroke, Tool tool, int depth, Dose dose) {
        return new TechniqueEdit(id, name, stroke, tool, depth, dose);
    }

    private static Map<String, Technique> byId() {
        var byId = new LinkedHashMap<String, Technique>();
        for (var row : ROWS) {
            var t = row.technique();
            byId.put(t.id(), t);
        }
        return Collections.unmodifiableMap(byId);
    }
}
