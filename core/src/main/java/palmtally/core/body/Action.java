package palmtally.core.body;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import palmtally.core.Texts;

/** A movement that a muscle makes, and how it is asked for so that the muscle stands out under the hand (from memory). */
public enum Action {
    JAW_CLOSING(Joint.JAW, "closes the jaw", "clench the teeth", "JAW_OPENING", null),
    JAW_OPENING(Joint.JAW, "opens the jaw", "open the mouth", "JAW_CLOSING", null),
    JAW_FORWARD(Joint.JAW, "brings the jaw forward", "push the chin forward", "JAW_BACK", null),
    JAW_BACK(Joint.JAW, "draws the jaw back", "draw the chin back", "JAW_FORWARD", null),
    JAW_SIDEWAYS(
            Joint.JAW,
            "moves the jaw to the other side",
            "move the chin away from my finger",
            null,
            "its fellow on the other side"),
    SCALP_BACK(Joint.SCALP, "draws the scalp back", "draw the ears back", "SCALP_FORWARD", null),
    SCALP_FORWARD(Joint.SCALP, "lifts the brows", "lift the brows", "SCALP_BACK", null),
    NECK_SKIN_TIGHTENING(
            Joint.NECK,
            "tightens the skin of the neck",
            "draw the corners of the mouth down",
            null,
            "nothing: skin gives way by itself"),
    HEAD_NODDING(Joint.HEAD, "nods the head", "nod, as if to say yes", "HEAD_TILTING", null),
    HEAD_TILTING(Joint.HEAD, "tips the head back", "tip the head back", "HEAD_NODDING", null),
    HEAD_TURNING(
            Joint.HEAD,
            "turns the head to its own side",
            "turn the head towards my hand",
            null,
            "its fellow on the other side"),
    NECK_FLEXION(Joint.NECK, "bends the neck forward", "lift the head", "NECK_EXTENSION", null),
    NECK_EXTENSION(Joint.NECK, "straightens the neck", "press the head back", "NECK_FLEXION", null),
    NECK_SIDE_BENDING(
            Joint.NECK, "bends the neck to its side", "ear to the shoulder", null, "its fellow on the other side"),
    NECK_TURNING_TO(Joint.NECK, "turns the neck to its own side", "turn towards my hand", "NECK_TURNING_AWAY", null),
    NECK_TURNING_AWAY(
            Joint.NECK, "turns the neck to the other side", "turn away from my hand", "NECK_TURNING_TO", null),
    BLADE_LIFTING(Joint.SHOULDER_BLADE, "lifts the shoulder", "shrug", "BLADE_LOWERING", null),
    BLADE_LOWERING(Joint.SHOULDER_BLADE, "lowers the shoulder", "shoulder down to the foot", "BLADE_LIFTING", null),
    BLADE_BACK(
            Joint.SHOULDER_BLADE, "draws the shoulder blade back", "shoulder blades together", "BLADE_FORWARD", null),
    BLADE_FORWARD(
            Joint.SHOULDER_BLADE, "brings the shoulder blade forward", "reach for the ceiling", "BLADE_BACK", null),
    BLADE_TURNING_UP(
            Joint.SHOULDER_BLADE,
            "turns the shoulder blade upward",
            "lift the arm past the ear",
            "BLADE_TURNING_DOWN",
            null),
    BLADE_TURNING_DOWN(
            Joint.SHOULDER_BLADE,
            "turns the shoulder blade downward",
            "draw the raised arm down",
            "BLADE_TURNING_UP",
            null),
    COLLAR_BONE_LOWERING(
            Joint.COLLAR_BONE,
            "draws the collar bone down",
            "press the shoulder down and forward",
            "COLLAR_BONE_LIFTING",
            null),
    COLLAR_BONE_LIFTING(
            Joint.COLLAR_BONE, "lifts the collar bone", "lift the head and turn it", "COLLAR_BONE_LOWERING", null),
    SHOULDER_FLEXION(Joint.SHOULDER, "lifts the arm forward", "lift the arm to the front", "SHOULDER_EXTENSION", null),
    SHOULDER_EXTENSION(Joint.SHOULDER, "draws the arm back", "draw the elbow back", "SHOULDER_FLEXION", null),
    SHOULDER_ABDUCTION(
            Joint.SHOULDER,
            "lifts the arm to the side",
            "lift the arm sideways, to thirty degrees",
            "SHOULDER_ADDUCTION",
            null),
    SHOULDER_ADDUCTION(
            Joint.SHOULDER, "draws the arm to the side", "press the arm to the ribs", "SHOULDER_ABDUCTION", null),
    SHOULDER_TURNING_IN(
            Joint.SHOULDER, "turns the arm in", "press the palm to the belly", "SHOULDER_TURNING_OUT", null),
    SHOULDER_TURNING_OUT(
            Joint.SHOULDER, "turns the arm out", "press the back of the hand outward", "SHOULDER_TURNING_IN", null),
    SHOULDER_CROSSING(
            Joint.SHOULDER,
            "brings the arm across the chest",
            "reach for the other shoulder",
            "SHOULDER_SPREADING",
            null),
    SHOULDER_SPREADING(Joint.SHOULDER, "draws the raised arm back", "open the raised arm", "SHOULDER_CROSSING", null),
    ELBOW_FLEXION(Joint.ELBOW, "bends the elbow", "bend the elbow", "ELBOW_EXTENSION", null),
    ELBOW_EXTENSION(Joint.ELBOW, "straightens the elbow", "straighten the elbow", "ELBOW_FLEXION", null),
    FOREARM_PRONATION(Joint.FOREARM, "turns the palm down", "turn the palm down", "FOREARM_SUPINATION", null),
    FOREARM_SUPINATION(Joint.FOREARM, "turns the palm up", "turn the palm up", "FOREARM_PRONATION", null),
    WRIST_FLEXION(Joint.WRIST, "bends the wrist to the palm", "bend the wrist to the palm", "WRIST_EXTENSION", null),
    WRIST_EXTENSION(Joint.WRIST, "bends the wrist back", "bend the wrist back", "WRIST_FLEXION", null),
    WRIST_TO_THUMB(
            Joint.WRIST, "bends the wrist to the thumb", "thumb side to the elbow", "WRIST_TO_LITTLE_FINGER", null),
    WRIST_TO_LITTLE_FINGER(
            Joint.WRIST,
            "bends the wrist to the little finger",
            "little finger side to the elbow",
            "WRIST_TO_THUMB",
            null),
    FINGER_FLEXION(Joint.FINGERS, "bends the fingers", "press the fingers into my hand", "FINGER_EXTENSION", null),
    FINGER_EXTENSION(
            Joint.FINGERS, "straightens the fingers", "lift the fingers off the table", "FINGER_FLEXION", null),
    FINGER_SPREADING(Joint.FINGERS, "spreads the fingers", "spread the fingers", "FINGER_CLOSING", null),
    FINGER_CLOSING(
            Joint.FINGERS, "closes the fingers", "hold a sheet of paper between the fingers", "FINGER_SPREADING", null),
    THUMB_CLOSING(Joint.THUMB, "brings the thumb to the fingers", "thumb to the little finger", "THUMB_OPENING", null),
    THUMB_OPENING(Joint.THUMB, "opens the thumb", "lift the thumb off the table", "THUMB_CLOSING", null),
    TRUNK_FLEXION(Joint.TRUNK, "curls the trunk", "lift the head and shoulders", "TRUNK_EXTENSION", null),
    TRUNK_EXTENSION(Joint.TRUNK, "straightens the trunk", "lift the chest off the table", "TRUNK_FLEXION", null),
    TRUNK_SIDE_BENDING(
            Joint.TRUNK,
            "bends the trunk to its side, or hikes the hip",
            "draw the hip up to the ribs",
            null,
            "its fellow on the other side"),
    TRUNK_TURNING_TO(Joint.TRUNK, "turns the trunk to its own side", "this shoulder back", "TRUNK_TURNING_AWAY", null),
    TRUNK_TURNING_AWAY(
            Joint.TRUNK,
            "turns the trunk to the other side",
            "this shoulder towards the opposite hip",
            "TRUNK_TURNING_TO",
            null),
    BREATHING_IN(Joint.RIBS, "widens the ribs", "breathe in against my hand", "BREATHING_OUT", null),
    BREATHING_OUT(Joint.RIBS, "narrows the ribs", "breathe all the way out", "BREATHING_IN", null),
    BELLY_DRAWING_IN(Joint.BELLY, "draws the belly in", "draw the navel in", "BELLY_FILLING", null),
    BELLY_FILLING(Joint.BELLY, "fills the belly with breath", "breathe into the belly", "BELLY_DRAWING_IN", null),
    HIP_FLEXION(Joint.HIP, "bends the hip", "lift the knee", "HIP_EXTENSION", null),
    HIP_EXTENSION(Joint.HIP, "straightens the hip", "lift the leg off the table", "HIP_FLEXION", null),
    HIP_ABDUCTION(Joint.HIP, "takes the leg outward", "lift the upper leg", "HIP_ADDUCTION", null),
    HIP_ADDUCTION(Joint.HIP, "draws the leg inward", "press the knees together", "HIP_ABDUCTION", null),
    HIP_TURNING_OUT(Joint.HIP, "turns the leg out", "press the foot inward, knee bent", "HIP_TURNING_IN", null),
    HIP_TURNING_IN(Joint.HIP, "turns the leg in", "press the foot outward, knee bent", "HIP_TURNING_OUT", null),
    KNEE_FLEXION(Joint.KNEE, "bends the knee", "heel to the seat", "KNEE_EXTENSION", null),
    KNEE_EXTENSION(Joint.KNEE, "straightens the knee", "straighten the knee", "KNEE_FLEXION", null),
    KNEE_TURNING_IN(Joint.KNEE, "turns the bent knee in", "toes inward, knee bent", "KNEE_TURNING_OUT", null),
    KNEE_TURNING_OUT(Joint.KNEE, "turns the bent knee out", "toes outward, knee bent", "KNEE_TURNING_IN", null),
    FOOT_POINTING(Joint.ANKLE, "points the foot", "press the foot down", "FOOT_LIFTING", null),
    FOOT_LIFTING(Joint.ANKLE, "lifts the foot", "draw the foot up", "FOOT_POINTING", null),
    SOLE_TURNING_IN(Joint.FOOT, "turns the sole in", "turn the sole inward", "SOLE_TURNING_OUT", null),
    SOLE_TURNING_OUT(Joint.FOOT, "turns the sole out", "turn the sole outward", "SOLE_TURNING_IN", null),
    TOE_FLEXION(Joint.TOES, "curls the toes", "curl the toes", "TOE_EXTENSION", null),
    TOE_EXTENSION(Joint.TOES, "lifts the toes", "lift the toes", "TOE_FLEXION", null),
    TOE_SPREADING(
            Joint.TOES,
            "spreads the toes",
            "spread the toes",
            null,
            "the shoe: nothing of its own draws them together firmly");

    private final Joint joint;

    private final String word = Texts.word(this);
    private final String does;
    private final String ask;
    private final @Nullable String opposite;
    private final @Nullable String alone;

    Action(Joint joint, String does, String ask, @Nullable String opposite, @Nullable String alone) {
        this.joint = joint;
        this.does = does;
        this.ask = ask;
        this.opposite = opposite;
        this.alone = alone;
    }

    public Joint joint() {
        return joint;
    }

    /** What it does, as in "bends the elbow". */
    public String does() {
        return does;
    }

    /** What the client is asked for, against light resistance. */
    public String ask() {
        return ask;
    }

    /** The movement that undoes it; empty where no muscle of the same side makes one. */
    public Optional<Action> opposite() {
        return Optional.ofNullable(opposite).map(Action::valueOf);
    }

    /** What undoes it where no movement of the same side does. */
    public Optional<String> alone() {
        return Optional.ofNullable(alone);
    }

    @Override
    public String toString() {
        return word;
    }
}
