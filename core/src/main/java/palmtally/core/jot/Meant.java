package palmtally.core.jot;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Direction;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.detail.ClientPart;
import palmtally.core.sequence.detail.Comparison;
import palmtally.core.sequence.detail.DetailField;
import palmtally.core.sequence.detail.End;
import palmtally.core.sequence.detail.Limb;
import palmtally.core.sequence.detail.OtherHand;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Stroke;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Tool;

/** Which technique is meant where none is named, or only that the hand stays: by the dose, the hand and what the client does. */
final class Meant {
    /** There the hand goes in with the breath, as often as is said. */
    private static final Set<Zone> SUNK_INTO = EnumSet.of(Zone.BELLY, Zone.RIB_EDGE);

    private static final Set<Tool> BROAD = EnumSet.of(Tool.FOREARM, Tool.LOOSE_FIST, Tool.KNUCKLES);

    private final Reading read;
    private final @Nullable Step before;

    Meant(Reading read, @Nullable Step before) {
        this.read = read;
        this.before = before;
    }

    /** What is meant where no stroke is named, or only that the hand stays: by the dose, else by the hand; null where neither says. */
    @Nullable
    Technique technique(@Nullable Technique stays) {
        boolean way = read.updown != null
                || read.more.from != null
                || read.more.to != null
                || read.more.words.containsKey(DetailField.FROM)
                || read.more.words.containsKey(DetailField.TO);
        // "Thumb toward the coracoid, 10 s x 3" goes nowhere.
        boolean leaves = read.updown != null || read.more.from != null || read.more.words.containsKey(DetailField.FROM);
        // "Two fingers down masseter", "cradle the head, thumb down SCM": drawn along what is named.
        boolean drawn = read.tool != null
                && !read.across
                && !face()
                && (read.tool.pointed() || read.fewFingers)
                && way
                && !read.structures.isEmpty()
                && (read.depth == null || read.depth > 1)
                && read.counted != Dose.Kind.HOLDS
                && read.counted != Dose.Kind.BREATHS
                && (leaves || !(read.count != null && read.counted == null && read.seconds != null))
                && read.until == null;
        if (drawn && !breathed())
            return read.library.toUse(
                    read.tool == Tool.KNUCKLES
                            ? "fist-glide"
                            : read.tool == Tool.ELBOW ? "forearm-glide" : "stripping-fingers");
        // "Hold pec minor 20 s, client reaches for the ceiling": it is pinned.
        if (stays != null
                && read.tool == null
                && read.seconds != null
                && !read.structures.isEmpty()
                && read.more.part.stream().anyMatch(p -> p.does() == ClientPart.Does.MOVES)
                && read.more.part.stream().noneMatch(p -> p.does() == ClientPart.Does.PUSHES)
                && !read.bends) return read.library.toUse("pin-lengthen");
        // "Client shrugs, holds 5 s, lets go": the client works, and no hand.
        if (stays != null
                && read.tool == null
                && read.counted != Dose.Kind.HOLDS
                && read.more.part.stream().anyMatch(p -> p.does().active())) return byTheClient();
        // "Side-bend the neck, hold 20 s."
        if (read.tool == null
                && read.bends
                && (stays != null || read.seconds != null || read.count != null)
                && read.counted != Dose.Kind.BREATHS) return read.library.toUse("stretch");
        // "Hold the kneecap and move it in all directions."
        if (stays != null && read.tool == null && read.bendsJoint && read.counted != Dose.Kind.BREATHS)
            return read.library.toUse("range-of-motion");
        if (stays != null) {
            // "Bring the heel to the buttock and hold."
            if (read.tool == null && read.more.limb.contains(Limb.HEEL_TO_HIP)) return byTheClient();
            // "Fist, hold the ankle, rotate in and out": pinned meanwhile.
            if (read.tool != null && read.tool != Tool.PALM && read.more.otherHand == OtherHand.MOVES_THE_LIMB)
                return read.library.toUse("pin-lengthen-passive");
            if (read.tool != null && read.tool.pointed() && read.counted != Dose.Kind.BREATHS)
                return read.library.toUse("trigger-point");
            if (read.more.part.stream()
                            .anyMatch(p ->
                                    p.does() == ClientPart.Does.BREATHES_OUT || p.does() == ClientPart.Does.BREATHES_IN)
                    && read.phase != Phase.SETTLE) return read.library.toUse("breath-hold");
            if (read.tool == null && read.more.part.stream().anyMatch(p -> p.does() == ClientPart.Does.PUSHES))
                return read.library.toUse("contract-relax");
            // "Begin with a hand on the sacrum for two breaths": it only rests.
            if (read.counted == Dose.Kind.BREATHS && rests()) return read.library.toUse("still-hold");
            // Held over breaths, but not as hands that only rest.
            if (read.counted == Dose.Kind.BREATHS && stays.stroke() != Stroke.STILL_HOLD)
                return read.library.toUse("breath-hold");
            if (read.tool == null || read.tool == Tool.PALM || read.counted == Dose.Kind.BREATHS) return stays;
            return read.library.toUse(read.tool.pointed() ? "trigger-point" : "static-press");
        }
        // Held there while the other hand bends the joint.
        if (read.tool != null
                && read.more.otherHand == OtherHand.MOVES_THE_LIMB
                && !way
                && !read.goesOn
                && read.counted == null
                && read.count != null) return read.library.toUse("pin-lengthen-passive");
        if (read.tool != null
                && read.tool != Tool.PALM
                && read.tool != Tool.FINGER_PADS
                && read.tool != Tool.PINCER
                && read.more.otherHand == OtherHand.MOVES_THE_LIMB
                && !way
                && !read.along
                && !read.across
                && read.direction == null
                && read.more.pace == null
                && read.counted != Dose.Kind.PASSES) return read.library.toUse("pin-lengthen-passive");
        // "Hip flexor: client hugs the other knee, leg hangs, 25 s."
        if (read.tool == null
                && read.seconds != null
                && read.more.words.getOrDefault(DetailField.LIMB, "").contains("hang")
                && read.more.structures.contains(Structure.ILIOPSOAS)) return read.library.toUse("stretch");
        // "Palms on the forehead, 30 s" rest there.
        if (read.laidOn
                && read.tool == Tool.PALM
                && read.direction == null
                && !way
                && read.count == null
                && (read.seconds != null || !read.say.isEmpty())
                && !moved()) return read.library.toUse("still-hold");
        // "Thumb on soleus, client points the foot": pinned while the client moves.
        boolean asOften = read.tool != null
                && read.count != null
                && read.counted == null
                && read.more.part.stream().anyMatch(p -> p.does() == ClientPart.Does.MOVES);
        if ((read.laidOn || asOften) && moved() && !way && read.counted != Dose.Kind.BREATHS)
            return read.library.toUse(read.tool == Tool.PALM ? "range-of-motion" : "pin-lengthen");
        if (read.counted == Dose.Kind.BREATHS && read.laidOn && rests()
                || read.laidOn
                        && quiet()
                        && read.seconds == null
                        && !read.more.part.isEmpty()
                        && read.more.part.stream().allMatch(p -> p.does() == ClientPart.Does.BREATHES_SLOWLY)) {
            if (read.count != null) read.counted = Dose.Kind.BREATHS;
            return read.library.toUse("still-hold");
        }
        // "Belly, clockwise, flat hand, with the breath": it goes round.
        if (read.tool == Tool.PALM && read.direction == Direction.CIRCULAR && breathed())
            return read.library.toUse("circular-friction");
        if (read.counted == Dose.Kind.BREATHS
                || breathed()
                        && read.tool != null
                        && read.seconds == null
                        && (read.count == null
                                || read.counted == null && (read.laidOn || sunkInto() || !read.goesOn && narrow()))
                        && !way) {
            if (read.count != null) read.counted = Dose.Kind.BREATHS;
            return read.library.toUse("breath-hold");
        }
        if (read.comparing != null)
            return read.library.toUse(
                    read.more.compares != null && read.more.compares.what().contains(Comparison.What.RANGE)
                            ? "range-of-motion"
                            : "still-hold");
        // "Thumbs round the kneecap."
        if (read.tool != null && read.tool.pointed() && read.round && !way && read.count == null)
            return read.library.toUse("circular-friction");
        // "Thumb across the tendon, 1.5 a second."
        if (read.tool != null
                && narrow()
                && read.across
                && (!way || read.updown == null && read.tool.pointed() && !read.structures.isEmpty())
                && (read.rate != null || !read.structures.isEmpty() || read.seconds != null && read.count == null))
            return read.library.toUse("cross-fibre");
        // "Sink beside the navel with the out-breath, four times."
        if (read.tool == null && read.sinks && breathed()) {
            if (read.count != null) read.counted = Dose.Kind.BREATHS;
            return read.library.toUse("breath-hold");
        }
        // "With the fist in circles."
        if (read.tool != null && read.tool != Tool.PALM && read.direction == Direction.CIRCULAR && !way)
            return read.library.toUse("circular-friction");
        // "Three points, 6 s each" are pressed.
        if (read.tool == null && read.counted == Dose.Kind.HOLDS && read.seconds != null && !read.placeless())
            return read.library.toUse("static-press");
        // "Sartorius, trace it from the hip to the knee."
        if (read.traces && read.tool == null && way && !read.structures.isEmpty()) {
            read.tool = Tool.REINFORCED_FINGERS;
            return read.library.toUse("stripping-fingers");
        }
        // "Belly, warm hands, clockwise ten rounds."
        if (read.tool == null
                && read.direction == Direction.CIRCULAR
                && (read.count != null || read.seconds != null)
                && read.more.part.isEmpty()
                && !read.placeless()) {
            if (!read.zones.contains(Zone.BELLY)) return read.library.toUse("circular-friction");
            read.tool = Tool.PALM;
            return read.library.toUse("effleurage");
        }
        if (read.feathers && read.tool == null) return read.library.toUse("feather");
        if (read.tool == null && (read.same || read.deeper != 0) && before != null) return before.technique();
        // "Both hands, 6 slow strokes."
        if (read.tool == null
                && (read.more.otherHand == OtherHand.WORKS_TOGETHER
                        || read.more.otherHand == OtherHand.WORKS_ALTERNATELY)
                && (read.count != null || read.seconds != null)
                && read.more.part.isEmpty()) read.tool = Tool.PALM;
        // "Spread oil, ankle to hip", "six long strokes".
        if ((read.tool == null || read.tool == Tool.PALM)
                && (read.oils && (way || !read.placeless()) || read.strokes)
                && read.more.part.isEmpty()) return read.library.toUse("effleurage");
        // "Pronator teres, thumb, she turns the palm up and down": it is pinned.
        if (read.tool != null
                && read.tool.pointed()
                && !way
                && !read.goesOn
                && read.more.pace == null
                && read.counted != Dose.Kind.PASSES
                && !read.structures.isEmpty()
                && read.more.part.stream().anyMatch(p -> p.does() == ClientPart.Does.MOVES)
                && read.more.part.stream().noneMatch(p -> p.does() == ClientPart.Does.PUSHES))
            return read.library.toUse("pin-lengthen");
        // "Take the arm overhead, lean back, 20 s."
        if (read.tool == null && read.leansBack && (read.limbNamed != null || !read.more.limb.isEmpty()))
            return read.library.toUse("traction");
        // "Toes: bend each up and down", "kneecap: push it up and down".
        if (read.tool == null
                && read.bendsJoint
                && read.more.part.isEmpty()
                && (read.count != null || read.seconds != null || read.bothWays)
                && !read.placeless()) return read.library.toUse("range-of-motion");
        // "Hollow of the knee, one pass": a pass is a glide.
        if (read.tool == null
                && read.counted == Dose.Kind.PASSES
                && read.depth != null
                && read.more.part.isEmpty()
                && !read.placeless()) return read.library.toUse("effleurage");
        // "Piriformis until it softens" is pressed; beneath the skull the fingers wait.
        if (read.tool == null
                && (read.until == End.When.SOFTENS || read.until == End.When.NUMBER_FALLS)
                && !read.structures.isEmpty()
                && read.more.part.isEmpty()
                && !way) {
            if (!under(Structure.SUBOCCIPITALS)) return read.library.toUse("trigger-point");
            read.tool = Tool.FINGER_PADS;
            return read.library.toUse("static-press");
        }
        if (read.tool == null || read.heelNamed && read.more.limb.contains(Limb.HEEL_TO_HIP)) return byTheClient();
        if (read.sheet == Sheet.THROUGH
                && !read.across
                && !read.tool.pointed()
                && !way
                && read.direction == null
                && read.count == null) return read.library.toUse("compression");
        // Fifteen seconds of a broad hand, again and again, are a slow pass.
        boolean slow = BROAD.contains(read.tool) && read.count != null && read.seconds != null && read.seconds >= 15;
        boolean held = read.sinks && !slow && read.direction == null && read.counted != Dose.Kind.PASSES
                || read.laidOn && read.tool == Tool.ELBOW && read.counted != Dose.Kind.PASSES
                || read.tool == Tool.ELBOW
                        && read.zones.stream().noneMatch(Meant::onALimb)
                        && read.seconds != null
                        && read.updown == null
                        && !read.goesOn
                        && read.counted == null
                        && read.direction == null
                        && read.more.pace == null
                || read.updown == null
                        && !read.goesOn
                        && read.count != null
                        && read.counted == null
                        && (read.each != null || read.seconds != null && read.seconds >= 5)
                        && !slow;
        if (read.counted == Dose.Kind.HOLDS
                || read.until == End.When.SOFTENS
                || read.until == End.When.NUMBER_FALLS
                || held && (!way || !leaves && read.tool.pointed()))
            return read.library.toUse(read.tool.pointed() ? "trigger-point" : "static-press");
        // "Thumb into levator, 8 seconds" presses.
        if (read.tool.pointed()
                && (read.laidOn || read.band != null)
                && !way
                && !read.goesOn
                && read.count == null
                && read.seconds != null
                && read.seconds <= 12) return read.library.toUse("trigger-point");
        // Curled under the skull for so long, the fingers wait.
        if ((read.tool == Tool.REINFORCED_FINGERS || read.tool == Tool.FINGER_PADS)
                && !way
                && read.count == null
                && read.seconds != null
                && read.seconds >= 45
                && under(Structure.SUBOCCIPITALS)) return read.library.toUse("static-press");
        // Fingers that are so many seconds on a muscle press it.
        if (read.tool == Tool.FINGER_PADS
                && !way
                && !read.structures.isEmpty()
                && read.count == null
                && read.seconds != null
                && read.seconds <= 20) return read.library.toUse("static-press");
        // "Two fingers on masseter, client clenches": they feel it.
        if (read.tool == Tool.FINGER_PADS
                && read.laidOn
                && read.seconds == null
                && read.count == null
                && read.more.part.stream().anyMatch(p -> p.does().active())) return read.library.toUse("static-press");
        // "Under pec major from the armpit, 20 s": from there the fingers come, and stay.
        if (read.tool == Tool.FINGER_PADS
                && read.more.to == null
                && !read.more.words.containsKey(DetailField.TO)
                && read.updown == null
                && !read.structures.isEmpty()
                && read.count == null
                && read.seconds != null
                && read.seconds <= 30) return read.library.toUse("static-press");
        if (read.tool == Tool.FINGER_PADS && (read.counted == Dose.Kind.PASSES || way))
            return read.library.toUse("effleurage");
        // Down along something, no heel of a hand broadens.
        if (read.tool == Tool.HEEL_OF_HAND && way && !read.across) return read.library.toUse("effleurage");
        // The face is stroked.
        if (face() && (way || read.count != null && read.seconds == null)) return read.library.toUse("effleurage");
        // Light fingers that go along something stroke it.
        if (read.tool == Tool.REINFORCED_FINGERS && read.depth != null && read.depth <= 1 && read.goesOn)
            return read.library.toUse("effleurage");
        return usual(read.tool);
    }

    private boolean under(Structure structure) {
        return read.structures.values().stream().anyMatch(all -> all.contains(structure));
    }

    /** Each breath a press, where nothing broad glides. */
    private boolean narrow() {
        return read.tool.pointed() || read.tool == Tool.FINGER_PADS || read.tool == Tool.REINFORCED_FINGERS;
    }

    private boolean rests() {
        return quiet() && !breathed();
    }

    private boolean quiet() {
        return (read.tool == null || read.tool == Tool.PALM) && !read.sinks && !read.pressed && !sunkInto();
    }

    private boolean sunkInto() {
        return read.zones.stream().anyMatch(SUNK_INTO::contains)
                || read.nearby.stream().anyMatch(z -> SUNK_INTO.contains(z.get(0)))
                || read.structures.values().stream()
                        .anyMatch(all -> SUNK_INTO.contains(all.get(0).zones().get(0)));
    }

    private boolean face() {
        return read.zones.contains(Zone.FACE)
                || read.structures.values().stream()
                        .anyMatch(all -> all.get(0).zones().get(0) == Zone.FACE)
                || read.structures.isEmpty() && read.nearby.stream().anyMatch(z -> z.contains(Zone.FACE));
    }

    private boolean moved() {
        return read.more.part.stream()
                .anyMatch(p -> p.does() == ClientPart.Does.MOVES || p.does() == ClientPart.Does.OPENS);
    }

    /** What the client does is the work, where no hand of the therapist's is named. */
    private @Nullable Technique byTheClient() {
        var does = read.more.part.stream().map(ClientPart::does).toList();
        if (read.more.limb.contains(Limb.HEEL_TO_HIP)) {
            if (read.placeless()) read.zones.add(Zone.THIGH_FRONT);
            read.tool = null;
            return read.library.toUse("stretch");
        }
        // In: they hold and push back against the hand. Out: it sinks.
        if (does.contains(ClientPart.Does.PUSHES) && does.contains(ClientPart.Does.BREATHES_IN)) {
            if (read.count != null) read.counted = Dose.Kind.BREATHS;
            return read.library.toUse("breath-hold");
        }
        if (does.contains(ClientPart.Does.PUSHES)) return read.library.toUse("contract-relax");
        // "Suboccipitals, let it sink, two minutes"; hands on the back that follow the breath.
        if (does.equals(List.of(ClientPart.Does.LETS_GO)) && read.seconds != null && read.count == null)
            return read.library.toUse("still-hold");
        if (read.laidOn && !does.isEmpty() && does.stream().allMatch(ClientPart.Does::breath)) {
            if (read.count != null && read.seconds == null) read.counted = Dose.Kind.BREATHS;
            return read.library.toUse("still-hold");
        }
        // "Masseter: clench three times": fingers feel it.
        if (does.contains(ClientPart.Does.CLENCHES) && read.tool == null) {
            read.tool = Tool.FINGER_PADS;
            return read.library.toUse("static-press");
        }
        return does.stream().anyMatch(ClientPart.Does::active) ? read.library.toUse("range-of-motion") : null;
    }

    /** The stroke as the hand that is said gives it. */
    Technique forTool(Technique t, Tool tool) {
        return switch (t.id()) {
            case "effleurage" ->
                switch (tool) {
                    case LOOSE_FIST, KNUCKLES -> read.library.toUse("fist-glide");
                    case FOREARM, ELBOW -> read.library.toUse("forearm-glide");
                    default -> t;
                };
            case "lifting" ->
                "interlaced palms".equals(read.hand)
                        ? read.library.toUse("interlaced-squeeze")
                        : tool == Tool.HEEL_OF_HAND ? read.library.toUse("broadening") : t;
            case "stripping-fingers", "stripping-thumb" ->
                switch (tool) {
                    case FOREARM, ELBOW -> read.library.toUse("forearm-glide");
                    case LOOSE_FIST, KNUCKLES -> read.library.toUse("fist-glide");
                    case SUPPORTED_THUMB, BARE_THUMB -> read.library.toUse("stripping-thumb");
                    case REINFORCED_FINGERS, FINGER_PADS -> read.library.toUse("stripping-fingers");
                    default -> t;
                };
            default -> t;
        };
    }

    private boolean breathed() {
        return read.more.part.stream().anyMatch(p -> p.does().breath());
    }

    /** On these an elbow goes along; elsewhere it stays. */
    private static boolean onALimb(Zone zone) {
        return zone.region().ofArm() || zone.region().ofLeg();
    }

    Technique usual(Tool tool) {
        return read.library.toUse(
                switch (tool) {
                    case LOOSE_FIST, KNUCKLES -> "fist-glide";
                    case FOREARM, ELBOW -> "forearm-glide";
                    case REINFORCED_FINGERS -> "stripping-fingers";
                    case SUPPORTED_THUMB, BARE_THUMB -> "stripping-thumb";
                    case FINGER_PADS ->
                        read.goesOn && !read.across && read.depth != null && read.depth <= 2
                                ? "effleurage"
                                : "circular-friction";
                    case PINCER -> "lifting";
                    case HEEL_OF_HAND -> "broadening";
                    case PALM -> "effleurage";
                });
    }
}
