package palmtally.core.jot;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Landmark;
import palmtally.core.body.Position;
import palmtally.core.body.Region;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Direction;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Stands;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.StepEdit;
import palmtally.core.sequence.detail.ClientPart;
import palmtally.core.sequence.detail.Comparison;
import palmtally.core.sequence.detail.Detail;
import palmtally.core.sequence.detail.DetailField;
import palmtally.core.sequence.detail.End;
import palmtally.core.sequence.detail.FibreAngle;
import palmtally.core.sequence.detail.Limb;
import palmtally.core.sequence.detail.OtherHand;
import palmtally.core.sequence.detail.Prop;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Stroke;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Tool;

/**
 * A step out of what was read: what is not said is as the technique is usually given, and lies as the step before.
 *
 * <p>Long, as each part of a step that was not said is filled in from the parts before it: technique, place, position, sheet and dose hang on
 * one another in this order, and what was read is asked by all of them.
 */
final class Making {
    private final Reading read;
    private final @Nullable Step before;
    private final Context context;
    private final Meant meant;

    Making(Reading read, Context context) {
        this.read = read;
        this.before = context.before();
        this.context = context;
        this.meant = new Meant(read, before);
    }

    private boolean faceDown() {
        return lies() == Position.PRONE;
    }

    /** Those that are reached as the client lies, where there are any: of the trapezius that of the neck, for who lies on the back. */
    private List<Zone> reached(List<Zone> all) {
        var some =
                all.stream().filter(z -> lies() != null && z.reachedIn(lies())).toList();
        return some.isEmpty() ? all : some;
    }

    private static final Set<Zone> ASKED_BEFORE = EnumSet.of(
            Zone.GLUTEALS,
            Zone.HIP_ROTATORS,
            Zone.GROIN,
            Zone.THIGH_INNER,
            Zone.CHEST_WALL,
            Zone.BREAST,
            Zone.BELLY,
            Zone.RIB_EDGE,
            Zone.INSIDE_MOUTH);

    /** Who lay on the side for the work before lies on the back again for these. */
    private static final Set<Zone> FROM_THE_FRONT =
            EnumSet.of(Zone.BELLY, Zone.RIB_EDGE, Zone.STERNUM, Zone.CHEST_WALL, Zone.FACE, Zone.KNEECAP, Zone.SHIN);

    private static final Set<Zone> SMALL = EnumSet.of(
            Zone.FACE,
            Zone.EARS,
            Zone.JAW_MUSCLES,
            Zone.INSIDE_MOUTH,
            Zone.STRAP_MUSCLE,
            Zone.NECK_SIDE,
            Zone.BASE_OF_SKULL);

    /** No forearm is used on these, unless it is said. */
    private static final Set<Zone> FINE =
            EnumSet.of(Zone.HAND, Zone.WRIST, Zone.SCALP, Zone.SOLE, Zone.FOOT_TOP, Zone.KNEECAP, Zone.ACHILLES);

    private static final Set<Prop> ON_THE_SIDE =
            EnumSet.of(Prop.PILLOW_BETWEEN_KNEES, Prop.PILLOW_HUGGED, Prop.PILLOW_UNDER_BELLY);

    private static final Set<Stroke> WITH_PADS = EnumSet.of(
            Stroke.EFFLEURAGE,
            Stroke.PETRISSAGE,
            Stroke.COMPRESSION,
            Stroke.STATIC_COMPRESSION,
            Stroke.CIRCULAR_FRICTION);

    private static final Set<DrapeUnit> LIMBS = Set.of(DrapeUnit.LEG, DrapeUnit.ARM);

    /** Up a limb is toward the trunk, up the trunk toward the head; over both it is neither. */
    private static @Nullable Direction updown(Direction said, List<Zone> on) {
        boolean up = said == Direction.PROXIMAL;
        if (on.stream().allMatch(z -> LIMBS.contains(z.unit()))) return said;
        if (on.stream().anyMatch(z -> LIMBS.contains(z.unit()))) return null;
        return up ? Direction.CRANIAL : Direction.CAUDAL;
    }

    /** Lying on the belly, the knee is bent for these. */
    private static final Set<Zone> BELOW_THE_KNEE = EnumSet.of(
            Zone.CALF, Zone.CALF_CENTRE, Zone.SHIN, Zone.SHIN_LOWER, Zone.ACHILLES, Zone.SOLE, Zone.FOOT_TOP);

    /** Ankle and wrist: circles without a hand that rubs are theirs. */
    private static final Set<Zone> ENDS = EnumSet.of(Zone.FOOT_TOP, Zone.WRIST);

    private static final Set<Zone> JOINTS =
            EnumSet.of(Zone.FOOT_TOP, Zone.WRIST, Zone.HAND, Zone.TOP_OF_SHOULDER, Zone.GLUTEALS, Zone.KNEECAP);

    private static final Set<Zone> BENT_LYING =
            EnumSet.of(Zone.GLUTEALS, Zone.HIP_ROTATORS, Zone.LUMBAR, Zone.HAMSTRINGS, Zone.CALF);

    private static final Set<Zone> DRAWN = EnumSet.of(Zone.LUMBAR, Zone.UPPER_BACK, Zone.BELLY, Zone.THIGH_OUTER);

    /** Whether the line names no stroke, and the hand says which. */
    private boolean strokeless;

    /** What lies between the two ends of the stroke. */
    private List<Zone> between() {
        return Span.between(
                read.more.from,
                read.more.words.getOrDefault(DetailField.FROM, ""),
                read.more.to,
                read.more.words.getOrDefault(DetailField.TO, ""),
                lies(),
                read.position == Position.SUPINE);
    }

    private @Nullable Position lies() {
        return read.position != null
                ? read.position
                : context.lies() != null
                        ? context.lies()
                        : context.told() != null ? context.told() : before != null ? before.position() : null;
    }

    /** Where the work is: as said, else where what was named lies, else nearby, else as before. */
    private List<Zone> on() {
        var all = new LinkedHashSet<>(read.zones);
        // Nobody works on the spine beside something else.
        if (all.size() > 1) all.remove(Zone.SPINE);
        // "Arm: extensors pinned" is not the upper arm.
        if (read.head().equals(List.of(Zone.UPPER_ARM_OUTER))
                && all.size() > 1
                && (gives("pin-lengthen") || gives("pin-lengthen-passive"))
                && all.stream().allMatch(z -> z.region().ofArm())) all.remove(Zone.UPPER_ARM_OUTER);
        // From the breastbone along the ribs is on the chest.
        if (all.containsAll(List.of(Zone.STERNUM, Zone.ARMPIT))) {
            all.removeAll(List.of(Zone.STERNUM, Zone.ARMPIT));
            all.add(Zone.CHEST_WALL);
        }
        // The ribs of who was told to lie face down are those of the back.
        if (all.equals(Set.of(Zone.ARMPIT)) && read.structures.isEmpty() && faceDown()) {
            all.clear();
            all.add(Zone.UPPER_BACK);
        }
        if (all.equals(Set.of(Zone.ARMPIT)) && read.ends.contains(List.of(Zone.CHEST_WALL))) {
            all.clear();
            all.add(Zone.CHEST_WALL);
        }
        if (all.equals(Set.of(Zone.SPINE)) && gives("feather")) {
            all.clear();
            all.addAll(List.of(Zone.UPPER_BACK, Zone.LUMBAR));
        }
        // "The arm from wrist to shoulder", "down beside the spine from neck to sacrum": all of it.
        if (all.equals(Set.of(Zone.UPPER_ARM_OUTER)) || all.equals(Set.of(Zone.UPPER_BACK))) all.addAll(between());
        // A long stroke of the back is all the way down.
        if (read.back && all.equals(Set.of(Zone.UPPER_BACK)) && (gives("effleurage") || gives("feather")))
            all.add(Zone.LUMBAR);
        if (read.leg
                && (all.isEmpty()
                        || read.legs
                                && read.phase != Phase.COVER
                                && all.stream().noneMatch(z -> z.unit() == DrapeUnit.LEG))) {
            var lies = lies() == null ? Position.PRONE : lies();
            // To the sit bone is behind.
            if (lies == Position.SUPINE
                    && read.position == null
                    && read.ends.stream().anyMatch(e -> !e.get(0).reachedIn(Position.SUPINE))) lies = Position.PRONE;
            all.addAll(
                    lies == Position.SUPINE
                            ? List.of(Zone.THIGH_FRONT, Zone.SHIN)
                            : List.of(Zone.HAMSTRINGS, Zone.CALF));
        }
        if (all.isEmpty() && read.body)
            all.addAll(
                    lies() == Position.SUPINE
                            ? List.of(Zone.UPPER_ARM_OUTER, Zone.THIGH_FRONT, Zone.SHIN)
                            : List.of(Zone.UPPER_BACK, Zone.LUMBAR, Zone.HAMSTRINGS, Zone.CALF));
        if (all.isEmpty()) all.addAll(between());
        // "Drain toward the knee" goes on where it was.
        boolean only = read.nearby.size() == read.toward
                && (read.more.to != null || read.more.words.containsKey(DetailField.TO))
                && read.more.from == null
                && !read.more.words.containsKey(DetailField.FROM);
        if (all.isEmpty() && only) {
            if (!context.headed().isEmpty()) return context.headed();
            if (before != null && !before.settles()) return before.zones();
        }
        // From here to there is where both ends lie.
        if (all.isEmpty() && !read.nearby.isEmpty()) {
            // "Chin to ear" stays on the face.
            if (read.nearby.size() > 1) read.nearby.remove(List.of(Zone.EARS));
            List<List<Zone>> near = new ArrayList<>(read.nearby);
            // "Groove beside the spine, up to the neck" begins below it.
            if (read.toward == read.ends.size() && near.size() > read.ends.size()) near.removeAll(read.ends);
            var shared = shared(near);
            // "Between the bones of the forearm toward the elbow" is at the forearm.
            if (shared.isEmpty() && near.removeAll(read.ends)) {
                if (near.isEmpty()) near.addAll(read.nearby);
                shared = shared(near);
            }
            if (shared.equals(List.of(Zone.ARMPIT)) && read.structures.isEmpty() && faceDown())
                all.add(Zone.UPPER_BACK);
            else if (shared.isEmpty()) near.forEach(in -> all.add(in.get(0)));
            else
                all.add(shared.stream()
                        .filter(z -> lies() != null && z.reachedIn(lies()))
                        .findFirst()
                        .orElse(shared.get(0)));
        }
        if (all.isEmpty() && (before == null || read.tool == null)) all.addAll(read.moved);
        // "Calf pump, I hold the thumb on it."
        if (all.isEmpty() && read.laidOn) read.moved.stream().limit(1).forEach(all::add);
        if (all.isEmpty()) all.addAll(context.headed());
        return all.isEmpty() && before != null ? before.zones() : List.copyOf(all);
    }

    private static List<Zone> shared(List<List<Zone>> all) {
        var shared = new ArrayList<>(all.get(0));
        all.forEach(shared::retainAll);
        return shared;
    }

    /** The zones that are named, and those of the structures that are, nothing filled in. */
    List<Zone> named() {
        var all = new LinkedHashSet<>(read.zones);
        for (var group : read.structures.values()) for (var s : group) all.addAll(s.zones());
        return List.copyOf(all);
    }

    /** Where the work is, from what is named alone. */
    List<Zone> where() {
        read.structures.values().forEach(this::zone);
        return on();
    }

    /** What was understood; null where it names no stroke or no zone. */
    @Nullable
    Step step(String id) {
        if (read.heelNamed)
            if (read.placeless()) {
                read.nearby.add(Landmark.HEEL.zones());
                if (read.pairNamed && read.side == null) read.side = Sides.BOTH;
            } else if (read.tool == null
                    && !(read.weak && read.zones.stream().allMatch(z -> z.region() == Region.FOOT))
                    && (read.technique == null
                            || !MOVED_FROM_BEHIND.contains(read.technique.stroke()) && !gives("rocking")))
                read.tool = Tool.HEEL_OF_HAND;
        if (read.turned && read.position == null)
            read.position = before == null || before.position() == Position.PRONE
                    ? Position.SUPINE
                    : read.more.props.contains(Prop.BOLSTER_UNDER_KNEES)
                            ? Position.SUPINE
                            : before.position() == Position.SUPINE
                                    ? Position.PRONE
                                    : before.position().turnedOver();
        // "Left side, pillow under the belly": on that one the client lies.
        if (read.position == null
                && !read.sideLying
                && (read.side == Sides.LEFT || read.side == Sides.RIGHT)
                && read.more.props.stream().anyMatch(ON_THE_SIDE::contains)) {
            read.position = read.side == Sides.LEFT ? Position.SIDE_LEFT : Position.SIDE_RIGHT;
            read.side = null;
        }
        // What is bent to a side is the neck.
        if (read.bends && read.placeless()) read.zones.add(Zone.NECK_BACK);
        // A bolster says how the client lies.
        if (read.position == null && !read.sideLying && read.placeless()) {
            if (read.more.props.contains(Prop.BOLSTER_UNDER_KNEES)) read.position = Position.SUPINE;
            else if (read.more.props.contains(Prop.BOLSTER_UNDER_ANKLES) || read.more.props.contains(Prop.FACE_REST))
                read.position = Position.PRONE;
        }
        if (read.forearmNamed)
            if (read.tool != null
                    || read.technique != null
                            && (read.placeless() && read.technique.stroke() == Stroke.PETRISSAGE
                                    || read.technique.id().equals("stripping-thumb"))) {
                if (read.placeless() && read.limbNamed == null) read.zones.addAll(Reading.FOREARM);
            } else read.tool = Tool.FOREARM;
        // Nothing but a gloved finger is inside the mouth.
        if (read.technique == null
                && read.tool == null
                && (read.zones.contains(Zone.INSIDE_MOUTH)
                        || read.more.props.contains(Prop.GLOVES)
                                && read.structures.values().stream()
                                        .anyMatch(all -> all.get(0).zones().contains(Zone.INSIDE_MOUTH)))
                && (read.seconds != null || read.count != null || read.unknown.contains("theory")))
            read.tool = Tool.FINGER_PADS;
        // "Pull a finger", "traction of the fingers" are the client's.
        if ((read.fingerNamed || read.tool == Tool.REINFORCED_FINGERS)
                && read.technique != null
                && MOVED_FROM_BEHIND.contains(read.technique.stroke())
                && read.placeless()) {
            read.tool = null;
            read.zones.add(Zone.HAND);
        }
        if (read.palmNamed)
            if (read.tool == null) read.tool = Tool.PALM;
            else if (read.tool != Tool.PALM && read.placeless()) read.zones.add(Zone.HAND);
        if (read.handNamed)
            if (read.placeless() && read.limbNamed == null && !(read.handsNamed && read.weak))
                read.zones.add(Zone.HAND);
            else if (read.tool == null) read.tool = Tool.PALM;
        // The arm on the therapist's lap is what is worked, where nothing else is named.
        if (read.placeless() && read.limbNamed != null && !read.workless()) read.words(new Clause(read.limbNamed));
        if (read.placeless() && read.technique != null && read.technique.id().equals("ear-suction"))
            read.zones.add(Zone.EARS);
        if (read.more.limb.contains(Limb.HEEL_TO_HIP) && read.position == null && before != null)
            read.position = before.position();
        if (read.finds && read.weak) {
            read.phase = Phase.ISOLATE;
            if (read.tool == null) read.tool = Tool.FINGER_PADS;
        }
        strokeless = read.technique == null;
        // "Thumb pressure along the shin" is drawn along it.
        boolean drawn = read.goesOn && !read.across && read.tool != null && read.tool.pointed();
        if (read.pressed && strokeless && !read.placeless() && read.direction == Direction.CIRCULAR)
            read.stroke(read.library.toUse("circular-friction"), false);
        else if (read.pressed && strokeless && !read.placeless() && !drawn)
            read.stroke(read.library.toUse("static-press"), true);
        // "Press to number 6": so is a point pressed, with a thumb.
        if (gives("static-press") && read.tool == null && read.band != null)
            read.technique = read.library.toUse("trigger-point");
        // "Find the edge, pads along it 2 passes" goes along.
        boolean along = read.finds && read.tool != null && (read.goesOn || read.counted == Dose.Kind.PASSES);
        if (along) read.technique = null;
        if (read.technique == null || read.weak && !read.finds) read.technique = meant.technique(read.technique);
        read.technique =
                read.technique == null || read.tool == null ? read.technique : meant.forTool(read.technique, read.tool);
        // Pressed for seconds each time is held.
        if (gives("lifting") && "interlaced palms".equals(read.hand))
            read.technique = read.library.toUse("interlaced-squeeze");
        if (gives("compression") && read.count != null && read.seconds != null && read.seconds >= 5)
            read.technique = read.library.toUse("static-press");
        if (read.toAndFro != null)
            if (crosses()) read.more.fibre = FibreAngle.ACROSS;
            else read.aside.add(read.toAndFro);
        if (read.more.fibre == FibreAngle.ACROSS && crosses()) read.technique = read.library.toUse("cross-fibre");
        read.structures.values().forEach(this::zone);
        if (read.thigh && read.zones.stream().noneMatch(z -> z.region() == Region.THIGH))
            read.zones.add(lies() == Position.SUPINE ? Zone.THIGH_FRONT : Zone.HAMSTRINGS);
        if (read.lowerLeg && !read.sideLying && !onTheSide(lies())) read.zones.add(Zone.CALF);
        if (read.waist) read.zones.add(lies() == Position.SUPINE ? Zone.BELLY : Zone.LUMBAR);
        var on = on();
        // "Client pushes 6 s x 3, then lengthen" is one technique.
        if (gives("stretch")
                && read.more.part.stream().anyMatch(p -> p.does() == ClientPart.Does.PUSHES)
                && !on.isEmpty()) {
            read.technique = read.library.toUse("contract-relax");
            read.seconds = read.more.part.stream().anyMatch(p -> p.seconds() != null) ? null : read.seconds;
        }
        // "Contract-relax 20 %, 7 s": so much is pushed, for so long.
        if (gives("contract-relax")
                && read.percent != null
                && read.percent > 0
                && read.more.part.stream().noneMatch(p -> p.does() == ClientPart.Does.PUSHES)) {
            read.more.part.add(new ClientPart(ClientPart.Does.PUSHES, null, read.seconds, read.percent));
        } else if (read.percent != null && !pushedBy(read.percent)) read.aside.add(read.percent + " %");
        // "One hand pins, the other bends the elbow": the client does nothing.
        if (gives("pin-lengthen")
                && read.more.otherHand == OtherHand.MOVES_THE_LIMB
                && read.more.part.stream().noneMatch(p -> p.does().active()))
            read.technique = read.library.toUse("pin-lengthen-passive");
        // The hand on the sole stretches the calf.
        if (gives("stretch") && on.containsAll(List.of(Zone.CALF, Zone.SOLE))) on = List.of(Zone.CALF);
        // No forearms part a point.
        if (gives("parting") && (read.tool == Tool.FOREARM || read.tool == Tool.PALM))
            read.technique = read.library.toUse("fascia-direct");
        // A foot is circled at its ankle.
        if (gives("range-of-motion") && on.equals(List.of(Zone.SOLE))) on = List.of(Zone.FOOT_TOP);
        if (gives("circular-friction") && read.across && read.rubbed)
            read.technique = read.library.toUse("cross-fibre");
        // No thumb saws.
        if (gives("sawing") && read.across && read.tool != null && read.tool != Tool.FOREARM)
            read.technique = read.library.toUse("cross-fibre");
        // A tendon is rubbed across.
        if (gives("circular-friction") && read.rubs && (read.tendon || onTendon(on)))
            read.technique = read.library.toUse("cross-fibre");
        // A strap muscle that is pinched and rolled is kneaded.
        if (gives("skin-rolling") && on.equals(List.of(Zone.STRAP_MUSCLE))) {
            read.technique = read.library.toUse("petrissage");
            if (read.tool == null) read.tool = Tool.PINCER;
        }
        // "Roll on the fist" rolls no skin.
        if (gives("skin-rolling")
                && (read.tool == Tool.LOOSE_FIST || read.tool == Tool.KNUCKLES || read.tool == Tool.FOREARM))
            read.technique = meant.usual(read.tool);
        if (gives("skin-rolling")
                && read.more.otherHand == OtherHand.WORKS_TOGETHER
                && on.stream().allMatch(z -> LIMBS.contains(z.unit())))
            read.technique = read.library.toUse("petrissage");
        // "Ankle, both ways, 5 circles" moves the joint.
        if (gives("circular-friction")
                && read.tool == null
                && (read.bothWays && JOINTS.containsAll(on)
                        || read.seconds == null && !read.round && !on.isEmpty() && ENDS.containsAll(on)))
            read.technique = read.library.toUse("range-of-motion");
        // Whoever pulls at the trunk draws it toward them.
        if (gives("traction")
                && (read.more.otherHand == OtherHand.WORKS_ALTERNATELY || !on.isEmpty() && DRAWN.containsAll(on)))
            read.technique = read.library.toUse("pulling");
        boolean still = read.technique == null && saysOnly();
        if (still) {
            read.technique = read.library.toUse("still-hold");
        }
        // How the client lies next is told of the work that follows.
        boolean arranged = still && read.say.isEmpty() && read.placeless() && read.phase == null;
        if (arranged && !context.ahead().isEmpty()) on = List.of();
        if (on.isEmpty() && (still || read.comparing != null)) {
            // Whoever only lies down is not touched where one asks before.
            boolean resting = read.say.isEmpty()
                    && read.comparing == null
                    && context.ahead().stream().anyMatch(ASKED_BEFORE::contains);
            on = context.ahead().isEmpty() || resting
                    ? List.of(Zone.neutral(read.position != null ? read.position : Position.PRONE, Set.of()))
                    : context.ahead();
        }
        if (read.technique == null || on.isEmpty()) return null;
        // Who was turned over is not touched where they lie on now.
        if (still && read.placeless() && lies() != null && on.stream().noneMatch(z -> z.reachedIn(lies())))
            on = List.of(Zone.neutral(lies(), Set.of()));
        var t = read.technique;
        var edit = StepEdit.of(id, t, on);
        if (before != null) {
            if (on.stream()
                            .allMatch(z ->
                                    z.reachedIn(before.position()) && !(lies(before) && FROM_THE_FRONT.contains(z)))
                    // Whoever was not moved lies as before, where the work goes on.
                    || read.placeless() && before.zones().containsAll(on)
                    // A hip and a calf are stretched on the back as well.
                    || before.position() == Position.SUPINE
                            && MOVED_FROM_BEHIND.contains(t.stroke())
                            && BENT_LYING.containsAll(on)) edit.position = before.position();
            // Who was turned for one step lies as it was said again.
            var told = context.told();
            if (told != null && on.stream().allMatch(z -> z.reachedIn(told))) edit.position = told;
            if (!t.stroke().grip()) edit.lubricant = before.lubricant();
            boolean there = on.stream().allMatch(z -> before.zones().contains(z));
            if (there
                    && !context.bared()
                    && before.sheet() != Sheet.COVERED
                    && !before.settles()
                    && read.lubricant == null) edit.sheet = before.sheet();
            if (read.zones.isEmpty()
                    && read.nearby.isEmpty()
                    && !read.leg
                    && !read.turned
                    && read.position == null
                    && context.headed().isEmpty()) edit.side = before.side();
        }
        var names = new ArrayList<String>(List.of(t.shortName()));
        read.structures.forEach(
                (group, all) -> names.add(all.size() == 1 ? all.get(0).label().toLowerCase(Locale.ROOT) : group));
        edit.name = Aside.cut(String.join(", ", names), 200);
        // A whole palm is not worked with on the face or between jaw and collarbone.
        if (read.tool == null
                && edit.tool == Tool.PALM
                && !gives("ear-suction")
                && SMALL.containsAll(on)
                && WITH_PADS.contains(t.stroke())) edit.tool = Tool.FINGER_PADS;
        // The belly is circled with the whole hand.
        if (read.tool == null && edit.tool == Tool.FINGER_PADS && on.equals(List.of(Zone.BELLY))) edit.tool = Tool.PALM;
        if (read.tool == null
                && edit.tool == Tool.FOREARM
                && on.stream().allMatch(z -> SMALL.contains(z) || FINE.contains(z))) edit.tool = Tool.FINGER_PADS;
        if (read.tool != null) {
            edit.tool = read.tool;
            edit.hand = read.hand;
        } else if (read.same && before != null) {
            edit.tool = before.tool();
            edit.hand = before.hand();
        }
        if (read.otherSide) edit.side = other(before == null ? Sides.EACH : before.side());
        if (context.side() != null && on.stream().allMatch(z -> z.unit().paired())) edit.side = context.side();
        if (read.side != null) edit.side = read.side;
        else if (read.shown != null && on.stream().allMatch(z -> z.unit().paired() || z.region() == Region.NECK))
            edit.side = read.shown;
        // What is not said is never deeper than a site bears.
        int most = on.stream()
                .flatMap(z -> z.ceiling().stream())
                .mapToInt(Zone.Ceiling::high)
                .min()
                .orElse(5);
        edit.depth = read.depth != null
                ? read.depth
                : read.deeper != 0 && before != null
                        ? Math.max(1, Math.min(5, before.depth() + read.deeper))
                        : Math.min(edit.depth, most);
        // A number of 5 is not reached at a firm depth.
        if (read.depth == null && read.band != null && read.band.low() <= 1 && read.band.high() <= 5)
            edit.depth = Math.min(edit.depth, 3);
        edit.band = read.band;
        if (read.sheet != null) edit.sheet = read.sheet;
        else if (context.clothed() && on.stream().anyMatch(z -> z.unit().draped())) edit.sheet = Sheet.THROUGH;
        if (edit.sheet != Sheet.OPEN && on.stream().anyMatch(z -> z.unit().draped())) edit.lubricant = Lubricant.DRY;
        if (read.lubricant != null) edit.lubricant = read.lubricant;
        if (seatedAtHead() && read.position == null && on.stream().allMatch(z -> z.reachedIn(Position.SUPINE)))
            edit.position = Position.SUPINE;
        boolean below = before != null
                && before.position() == Position.PRONE
                && on.stream().allMatch(BELOW_THE_KNEE::contains);
        if (read.more.limb.contains(Limb.ANKLE_ON_SHOULDER) && !below
                || read.more.limb.containsAll(Set.of(Limb.LEG_STRAIGHT, Limb.LEG_LIFTED))
                        && (before == null || !lies(before))) edit.position = Position.SUPINE;
        // Nobody stretches the back of the thigh from below.
        if (t.stroke() == Stroke.STRETCH && on.equals(List.of(Zone.HAMSTRINGS)) && (before == null || !lies(before)))
            edit.position = Position.SUPINE;
        if (context.lies() != null && on.stream().allMatch(z -> z.reachedIn(context.lies())))
            edit.position = context.lies();
        if (read.more.limb.contains(Limb.LEG_ACROSS) && (before == null || !lies(before)))
            edit.position = Position.SUPINE;
        if (read.position != null) edit.position = read.position;
        if (read.sideLying && !onTheSide(read.position))
            edit.position = edit.side == Sides.LEFT ? Position.SIDE_RIGHT : Position.SIDE_LEFT;
        if (read.phase != null) edit.phase = read.phase;
        if (read.importance != null) edit.importance = read.importance;
        edit.direction = read.direction;
        if (read.direction == null && read.updown != null) edit.direction = updown(read.updown, on);
        edit.usual();
        if (read.stands != null) edit.stands = read.stands;
        if (read.stance != null) edit.stance = read.stance;
        edit.care.addAll(read.care);
        edit.say = new ArrayList<>(read.say);
        edit.dose = Doses.of(t, read);
        if (still) rests(edit);
        if (read.more.compares != null
                && read.more.compares.when() == Comparison.When.BEFORE
                && !read.sayBefore
                && worked()) read.more.compares = new Comparison(read.more.compares.what(), Comparison.When.AFTER);
        if (read.comparing != null && read.phase == null && strokeless && read.more.compares != null)
            edit.phase = read.more.compares.when() == Comparison.When.BEFORE ? Phase.ASSESS : Phase.RE_CHECK;
        if (read.effort != null) edit.effort = read.effort;
        else if (edit.effort == Technique.Effort.PASSIVE) edit.effort = takesPart();
        edit.detail = said(edit);
        return edit.step();
    }

    private boolean gives(String id) {
        return read.technique != null && read.technique.id().equals(id);
    }

    private static boolean lies(Step on) {
        return onTheSide(on.position());
    }

    private static boolean onTheSide(@Nullable Position lies) {
        return lies == Position.SIDE_LEFT || lies == Position.SIDE_RIGHT;
    }

    /** Whether the client pushes, and it is said by itself how hard: "pushes 6 s, 20 %". */
    private boolean pushedBy(int percent) {
        for (int i = 0; i < read.more.part.size(); i++) {
            var part = read.more.part.get(i);
            if (part.does() != ClientPart.Does.PUSHES || part.percent() != null || percent < 1) continue;
            read.more.part.set(i, new ClientPart(part.does(), part.times(), part.seconds(), percent));
            return true;
        }
        return false;
    }

    private boolean onTendon(List<Zone> on) {
        return read.zones.equals(List.of(Zone.ACHILLES))
                || !read.structures.isEmpty()
                        && read.structures.values().stream()
                                .allMatch(all -> all.stream()
                                        .allMatch(s -> s.kind() == Structure.Kind.TENDON
                                                || s.kind() == Structure.Kind.LIGAMENT));
    }

    /** Across the fibre, with what can feel it: cross-fibre friction. */
    private boolean crosses() {
        if (read.technique == null)
            return read.tool == null
                    ? read.seconds != null || read.count != null || !read.structures.isEmpty()
                    : read.tool.pointed() || read.tool == Tool.FINGER_PADS || read.tool == Tool.REINFORCED_FINGERS;
        return switch (read.technique.stroke()) {
            case CIRCULAR_FRICTION, TRIGGER_POINT -> true;
            case STRIPPING -> strokeless;
            default -> false;
        };
    }

    /** Whether it names no stroke, but tells something to say, how the client lies, what is laid under, or that it is over. */
    private boolean saysOnly() {
        if (!read.say.isEmpty() || read.phase == Phase.COVER) return true;
        // At the head of all lines, how the sheet is laid is where it begins.
        if (read.drapes && before == null && read.workless()) return true;
        if (read.arranges && read.tool == null && read.seconds == null && read.count == null) return true;
        // Who names a place means to work there, unless all the rest is about how the client lies.
        if (!read.placeless()) {
            boolean posture = read.position != null || read.sideLying || read.turned;
            boolean arranged = !read.more.props.isEmpty()
                    || !read.more.limb.isEmpty()
                    || read.more.words.containsKey(DetailField.LIMB);
            return (posture && arranged || !read.more.props.isEmpty() || read.more.limb.contains(Limb.ARM_OVER_SHEET))
                    && read.tool == null
                    && read.seconds == null
                    && read.count == null;
        }
        return read.turned
                || read.position != null
                || read.sideLying
                || read.stands != null
                || read.stance != null
                || !read.more.props.isEmpty()
                || read.bolster;
    }

    /** Still hands while something is said, looked at or arranged; nothing is treated. */
    private void rests(StepEdit edit) {
        // Who asks to work, or about the health, asks before.
        boolean anew =
                read.say.stream().anyMatch(s -> s.kind() != SayKind.PRESSURE_QUESTION && s.kind() != SayKind.EXPLAINS)
                        && (before == null || Collections.disjoint(before.zones(), edit.zones));
        boolean posture = read.say.isEmpty()
                && (read.position != null || read.sideLying || read.turned || !read.more.props.isEmpty());
        if (read.phase == null)
            edit.phase =
                    worked() && !anew && !posture ? Phase.RE_CHECK : read.say.isEmpty() ? Phase.SETTLE : Phase.ASSESS;
        if (read.depth == null) edit.depth = Math.min(edit.depth, 1);
        if (read.sheet == null) edit.sheet = Sheet.COVERED;
        if (read.sheet == null && read.lubricant == null) edit.lubricant = Lubricant.DRY;
        if (read.seconds == null && read.count == null) edit.dose = Dose.seconds(20);
    }

    /** Whether something was treated already: what is looked at now is looked at after it. */
    private boolean worked() {
        return before != null
                && switch (before.phase()) {
                    case ISOLATE, TREAT, LENGTHEN, RESET, FLUSH, RE_CHECK, COVER -> true;
                    case SETTLE, ASSESS, WARM -> false;
                };
    }

    static final Set<Stroke> MOVED_FROM_BEHIND =
            EnumSet.of(Stroke.STRETCH, Stroke.RANGE_OF_MOTION, Stroke.TRACTION, Stroke.CONTRACT_RELAX);

    /** The head is held, turned or let sink from behind it: then the client lies on the back. */
    private boolean seatedAtHead() {
        boolean prone = context.told() == Position.PRONE
                && before != null
                && before.position() == Position.PRONE
                && !read.zones.isEmpty()
                && read.zones.stream().allMatch(z -> z.reachedIn(Position.PRONE));
        // Nobody is turned over by where the therapist stands.
        boolean stays = before != null
                && before.position() == Position.PRONE
                && (read.technique == null || !MOVED_FROM_BEHIND.contains(read.technique.stroke()));
        return read.behindTheHead && !prone && (before == null || before.position() != Position.SEATED)
                || read.stands == Stands.HEAD && !stays
                || read.more.otherHand == OtherHand.CRADLES_THE_HEAD
                || read.more.limb.contains(Limb.HEAD_TURNED)
                || read.more.limb.contains(Limb.HEAD_TILTED)
                || read.technique != null
                        && MOVED_FROM_BEHIND.contains(read.technique.stroke())
                        && (read.zones.isEmpty() && read.nearby.stream().anyMatch(z -> z.contains(Zone.NECK_BACK))
                                || !read.zones.isEmpty()
                                        && read.zones.stream().allMatch(z -> z.region() == Region.NECK));
    }

    private static Sides other(Sides side) {
        return switch (side) {
            case LEFT -> Sides.RIGHT;
            case RIGHT -> Sides.LEFT;
            default -> side;
        };
    }

    /** What the client does, out of the pattern. */
    private Technique.Effort takesPart() {
        var does = read.more.part.stream().map(ClientPart::does).toList();
        if (does.contains(ClientPart.Does.MOVES_TISSUE_ASIDE)) return Technique.Effort.MOVES_ASIDE;
        if (does.contains(ClientPart.Does.PUSHES)) return Technique.Effort.RESISTED;
        if (does.stream().anyMatch(ClientPart.Does::active)) return Technique.Effort.ACTIVE;
        if (does.stream().anyMatch(ClientPart.Does::breath) || read.counted == Dose.Kind.BREATHS)
            return Technique.Effort.BREATH;
        return Technique.Effort.PASSIVE;
    }

    private Detail said(StepEdit edit) {
        for (var all : read.structures.values())
            for (var s : all)
                if (read.more.structures.size() < Detail.MOST_STRUCTURES && !read.more.structures.contains(s))
                    read.more.structures.add(s);
        if (read.more.part.size() > Detail.MOST_PARTS) read.more.part = read.more.part.subList(0, Detail.MOST_PARTS);
        if (read.more.instead.size() > Detail.MOST_BRANCHES)
            read.more.instead = read.more.instead.subList(0, Detail.MOST_BRANCHES);
        if (read.until != null)
            read.more.end =
                    new End(read.until, read.capped && read.seconds != null && read.seconds > 0 ? read.seconds : null);
        if (read.bolster)
            read.more.props.add(edit.position == Position.PRONE ? Prop.BOLSTER_UNDER_ANKLES : Prop.BOLSTER_UNDER_KNEES);
        var left = read.note();
        read.more.note = left.isEmpty() ? null : Aside.cut(String.join("; ", left), Detail.MOST_NOTE);
        return read.more.detail();
    }

    /** Where something that was named lies: in a zone that was said, if it lies in one of those; else where it is worked. */
    private void zone(List<Structure> named) {
        // "Erectors from C7 to the sacrum" is all of the way; a muscle at the side of a leg is not behind it.
        var home = named.get(0).zones().get(0);
        var way = between().stream()
                .filter(z -> named.stream().anyMatch(s -> s.zones().contains(z)))
                .toList();
        if (!way.isEmpty() && (way.contains(home) || home.unit() != DrapeUnit.LEG)) {
            way.stream().filter(z -> !read.zones.contains(z)).forEach(read.zones::add);
            return;
        }
        if (named.stream().anyMatch(s -> s.zones().stream().anyMatch(read.zones::contains))) return;
        // From outside, unless the inside is said.
        if (read.more.props.contains(Prop.GLOVES)
                && named.stream().anyMatch(s -> s.zones().contains(Zone.INSIDE_MOUTH))) {
            read.zones.add(Zone.INSIDE_MOUTH);
            return;
        }
        // Between the ribs of who lies face down is behind.
        if (named.equals(List.of(Structure.INTERCOSTALS)) && faceDown()) {
            read.zones.add(Zone.UPPER_BACK);
            return;
        }
        // "Serratus, fingers under the edge of the blade, hand behind the back": there it is reached.
        if (lies() != null
                && read.position == null
                && named.stream().flatMap(s -> s.zones().stream()).noneMatch(z -> z.reachedIn(lies()))
                && read.more.limb.contains(Limb.ARM_BEHIND_BACK)) {
            read.zones.add(Zone.SHOULDER_BLADE);
            return;
        }
        var first = named.stream()
                .map(s -> s.zones().get(0) == Zone.INSIDE_MOUTH && s.zones().size() > 1
                        ? s.zones().get(1)
                        : s.zones().get(0))
                .toList();
        // A group is worked where all of it lies, such as the adductors at the inner thigh and not in the groin.
        first.stream()
                .filter(z -> named.stream().allMatch(s -> s.zones().contains(z)))
                .max(Comparator.comparingInt(z -> Collections.frequency(first, z)))
                .ifPresentOrElse(read.zones::add, () -> read.zones.addAll(reached(first)));
    }
}
