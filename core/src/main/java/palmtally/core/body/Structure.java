package palmtally.core.body;

import static palmtally.core.body.Action.*;
import static palmtally.core.body.Landmark.*;
import static palmtally.core.body.Structure.Facts.*;
import static palmtally.core.body.Zone.*;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import palmtally.core.Texts;

/**
 * What lies in the zones and what a teacher names: muscles, tendons, fasciae, ligaments and joints. A row says all that is known of one:
 * the zones it lies in, its course from origin to insertion, what it does, where the sensation of its points is usually felt, and what to
 * spare. All of it is from memory; where texts differ, the commoner. What stands out under the hand and what opposes it follow. Long because it is one table, a row each.
 *
 * <p>It is long because it is a table: a row a structure.
 */
public enum Structure {
    TEMPORALIS(muscle("Temporalis", "musculus temporalis")
            .in(JAW_MUSCLES, FACE, SCALP)
            .along(TEMPLE_LINE, CHEEKBONE, JAW_BRANCH)
            .broad(17)
            .atTheSurface()
            .does(JAW_CLOSING, JAW_BACK)
            .refers(FACE)
            .called("temple muscle", "temporal")),
    MASSETER(muscle("Masseter", "musculus masseter")
            .in(JAW_MUSCLES, FACE)
            .along(CHEEKBONE, JAW_ANGLE)
            .broad(9)
            .atTheSurface()
            .does(JAW_CLOSING)
            .refers(EARS, FACE)
            .spare("the gland and the facial nerve lie over its back edge")
            .called("chewing muscle", "cheek muscle")),
    PTERYGOID_MEDIAL(muscle("Medial pterygoid", "musculus pterygoideus medialis")
            .in(INSIDE_MOUTH, JAW_MUSCLES)
            .along(PALATE_WING, JAW_ANGLE)
            .does(JAW_CLOSING, JAW_SIDEWAYS)
            .refers(EARS)
            .spare("inside the mouth only with a glove, asked afresh, where the local code allows it")
            .called("inner pterygoid", "pterygoids", "pterygoid")),
    PTERYGOID_LATERAL(muscle("Lateral pterygoid", "musculus pterygoideus lateralis")
            .in(INSIDE_MOUTH, JAW_MUSCLES)
            .along(PALATE_WING, JAW_JOINT_LINE)
            .does(JAW_OPENING, JAW_FORWARD, JAW_SIDEWAYS)
            .refers(FACE)
            .spare("inside the mouth only with a glove, asked afresh, where the local code allows it")
            .called("outer pterygoid", "pterygoids", "pterygoid")),
    OCCIPITALIS(muscle("Occipitalis", "venter occipitalis")
            .in(SCALP, BASE_OF_SKULL)
            .along(SKULL_RIDGE, VERTEX)
            .broad(18)
            .atTheSurface()
            .does(SCALP_BACK)
            .refers(SCALP)),
    FRONTALIS(muscle("Frontalis", "venter frontalis")
            .in(FACE, SCALP)
            .along(BROW, VERTEX)
            .broad(16)
            .atTheSurface()
            .does(SCALP_FORWARD)
            .refers(FACE)
            .called("forehead muscle")),
    SUPRAHYOIDS(muscle("Muscles under the jaw", "musculi suprahyoidei")
            .in(JAW_MUSCLES, THROAT)
            .along(JAW_ANGLE, CHIN, TONGUE_BONE)
            .does(JAW_OPENING)
            .refers(THROAT)
            .spare("airway and glands: soft fingers only")
            .called("suprahyoids", "digastric", "mylohyoid")),
    PLATYSMA(muscle("Platysma", "platysma")
            .in(THROAT, NECK_SIDE, CHEST_WALL)
            .along(CHIN, COLLAR_BONE)
            .broad(14)
            .does(NECK_SKIN_TIGHTENING)
            .spare("skin only, over vessels")),
    SUBOCCIPITALS(muscle("Suboccipitals", "musculi suboccipitales")
            .in(BASE_OF_SKULL, NECK_BACK)
            .along(C2, SKULL_BASE)
            .broad(8)
            .does(HEAD_TILTING, HEAD_TURNING)
            .refers(SCALP, EARS)
            .spare("an artery runs beneath: no thrust, no deep point")
            .called("subocc", "suboccs", "sub occ", "sub occs", "sub occipitals", "suboccip")),
    DEEP_NECK_FLEXORS(muscle("Deep neck flexors", "musculi longi colli et capitis")
            .in(THROAT, NECK_SIDE)
            .along(C6_SIDE, C4_SIDE, SKULL_BASE)
            .broad(7)
            .does(HEAD_NODDING, NECK_FLEXION)
            .spare("behind airway and vessels: trained, not pressed")
            .called("longus colli", "longus capitis")),
    SPLENIUS(muscle("Splenius of head and neck", "musculi splenii")
            .in(NECK_BACK, BASE_OF_SKULL, UPPER_BACK)
            .along(T3, C7, MASTOID)
            .broad(8)
            .does(NECK_EXTENSION, NECK_TURNING_TO)
            .refers(SCALP)
            .called("splenii", "splenius capitis", "splenius cervicis")),
    SEMISPINALIS(muscle("Semispinalis", "musculus semispinalis")
            .in(NECK_BACK, BASE_OF_SKULL, UPPER_BACK)
            .along(T7, C7, SKULL_RIDGE)
            .broad(9)
            .does(NECK_EXTENSION, HEAD_TILTING)
            .refers(SCALP)
            .called("semispinalis capitis")),
    LEVATOR_SCAPULAE(muscle("Levator scapulae", "musculus levator scapulae")
            .in(NECK_BACK, TOP_OF_SHOULDER, NECK_SIDE)
            .along(C4_SIDE, BLADE_UPPER_ANGLE)
            .broad(6)
            .does(BLADE_LIFTING, BLADE_TURNING_DOWN, NECK_SIDE_BENDING)
            .refers(NECK_BACK, SHOULDER_BLADE)
            .called("levator", "lev scap", "levator scap", "lev", "levs")),
    TRAPEZIUS_UPPER(muscle("Upper trapezius", "pars descendens musculi trapezii")
            .in(TOP_OF_SHOULDER, NECK_BACK, BASE_OF_SKULL)
            .along(SKULL_RIDGE, C7, COLLAR_BONE_OUTER)
            .broad(15)
            .atTheSurface()
            .does(BLADE_LIFTING, BLADE_TURNING_UP, NECK_SIDE_BENDING)
            .refers(SCALP, JAW_MUSCLES)
            .spare("lighten at the bend of the neck")
            .called("upper traps", "upper trap", "trapezius", "traps", "trap", "ut")),
    STERNOCLEIDOMASTOID(muscle("Sternocleidomastoid", "musculus sternocleidomastoideus")
            .in(STRAP_MUSCLE, NECK_SIDE)
            .along(COLLAR_BONE_INNER, MASTOID)
            .broad(8)
            .atTheSurface()
            .does(NECK_FLEXION, NECK_TURNING_AWAY, NECK_SIDE_BENDING, COLLAR_BONE_LIFTING)
            .refers(FACE, EARS)
            .spare("vessels run beneath: lifted between the fingers, one side at a time")
            .called("scm", "strap muscle", "sternomastoid")),
    SCALENE_ANTERIOR(muscle("Anterior scalene", "musculus scalenus anterior")
            .in(STRAP_MUSCLE, NECK_SIDE)
            .along(C4_SIDE, RIB_1)
            .does(NECK_FLEXION, NECK_SIDE_BENDING, BREATHING_IN)
            .refers(CHEST_WALL, UPPER_ARM_OUTER)
            .spare("nerves of the arm run behind it")
            .called("front scalene", "scalenes", "scalene")),
    SCALENE_MIDDLE(muscle("Middle scalene", "musculus scalenus medius")
            .in(STRAP_MUSCLE, NECK_SIDE)
            .along(C4_SIDE, RIB_1)
            .does(NECK_SIDE_BENDING, BREATHING_IN)
            .refers(UPPER_ARM_OUTER, FOREARM_EXTENSORS)
            .spare("nerves of the arm run before it")
            .called("scalenes", "scalene")),
    SCALENE_POSTERIOR(muscle("Posterior scalene", "musculus scalenus posterior")
            .in(STRAP_MUSCLE, NECK_SIDE)
            .along(C6_SIDE, RIB_2)
            .does(NECK_SIDE_BENDING, BREATHING_IN)
            .refers(UPPER_BACK)
            .called("back scalene", "scalenes", "scalene")),
    TRAPEZIUS_MIDDLE(muscle("Middle trapezius", "pars transversa musculi trapezii")
            .in(UPPER_BACK, SHOULDER_BLADE, TOP_OF_SHOULDER)
            .along(T3, BLADE_SPINE, ACROMION)
            .broad(17)
            .atTheSurface()
            .does(BLADE_BACK)
            .refers(UPPER_BACK)
            .called("mid trap", "mid traps", "trapezius", "traps", "trap", "middle trap", "middle traps", "mt")),
    TRAPEZIUS_LOWER(muscle("Lower trapezius", "pars ascendens musculi trapezii")
            .in(UPPER_BACK, SHOULDER_BLADE)
            .along(T12, T7, BLADE_SPINE)
            .broad(15)
            .atTheSurface()
            .does(BLADE_LOWERING, BLADE_TURNING_UP)
            .refers(NECK_BACK)
            .called("lower trap", "lower traps", "trapezius", "traps", "trap")),
    RHOMBOIDS(muscle("Rhomboids", "musculi rhomboidei")
            .in(UPPER_BACK, SHOULDER_BLADE)
            .along(C7, T3, BLADE_INNER_EDGE)
            .broad(15)
            .does(BLADE_BACK, BLADE_LIFTING, BLADE_TURNING_DOWN)
            .refers(UPPER_BACK)
            .called("rhomboid", "rhomb", "rhombs", "rhoms", "rhomboid major", "rhomboid minor")),
    SUPRASPINATUS(muscle("Supraspinatus", "musculus supraspinatus")
            .in(SHOULDER_BLADE, TOP_OF_SHOULDER)
            .along(BLADE_UPPER_ANGLE, HUMERUS_HEAD)
            .broad(9)
            .does(SHOULDER_ABDUCTION)
            .refers(UPPER_ARM_OUTER, FOREARM_EXTENSORS)
            .called("rotator cuff", "cuff", "supra", "supraspin", "supra spin", "sup spin")),
    INFRASPINATUS(muscle("Infraspinatus", "musculus infraspinatus")
            .in(SHOULDER_BLADE)
            .along(BLADE_INNER_EDGE, HUMERUS_HEAD)
            .broad(19)
            .atTheSurface()
            .does(SHOULDER_TURNING_OUT, SHOULDER_SPREADING)
            .refers(UPPER_ARM_OUTER)
            .called("infra", "rotator cuff", "cuff", "infraspin", "infra spin", "inf spin")),
    TERES_MINOR(muscle("Teres minor", "musculus teres minor")
            .in(SHOULDER_BLADE)
            .along(BLADE_OUTER_EDGE, HUMERUS_HEAD)
            .broad(7)
            .does(SHOULDER_TURNING_OUT)
            .refers(UPPER_ARM_OUTER)
            .called("rotator cuff", "cuff", "teres")),
    TERES_MAJOR(muscle("Teres major", "musculus teres major")
            .in(SHOULDER_BLADE, ARMPIT)
            .along(BLADE_ANGLE, HUMERUS_GROOVE)
            .broad(11)
            .atTheSurface()
            .does(SHOULDER_TURNING_IN, SHOULDER_EXTENSION, SHOULDER_ADDUCTION)
            .refers(UPPER_ARM_OUTER)
            .called("teres")),
    SUBSCAPULARIS(muscle("Subscapularis", "musculus subscapularis")
            .in(ARMPIT, SHOULDER_BLADE)
            .along(BLADE_FRONT, HUMERUS_GROOVE)
            .broad(18)
            .does(SHOULDER_TURNING_IN)
            .refers(SHOULDER_BLADE, WRIST)
            .spare("nerves and vessels of the armpit: flat fingers, asked")
            .called("subscap", "rotator cuff", "cuff")),
    DELTOID_FRONT(muscle("Front deltoid", "pars clavicularis musculi deltoidei")
            .in(UPPER_ARM_OUTER)
            .along(COLLAR_BONE_OUTER, DELTOID_POINT)
            .broad(13)
            .atTheSurface()
            .does(SHOULDER_FLEXION, SHOULDER_CROSSING)
            .refers(UPPER_ARM_OUTER)
            .called("anterior deltoid", "deltoid", "delts", "delt", "front delt", "anterior delt", "ant delt")),
    DELTOID_MIDDLE(muscle("Middle deltoid", "pars acromialis musculi deltoidei")
            .in(UPPER_ARM_OUTER)
            .along(ACROMION, DELTOID_POINT)
            .broad(13)
            .atTheSurface()
            .does(SHOULDER_ABDUCTION)
            .refers(UPPER_ARM_OUTER)
            .called("lateral deltoid", "deltoid", "delts", "delt", "middle delt", "side delt")),
    DELTOID_BACK(muscle("Back deltoid", "pars spinalis musculi deltoidei")
            .in(UPPER_ARM_OUTER, SHOULDER_BLADE)
            .along(BLADE_SPINE, DELTOID_POINT)
            .broad(13)
            .atTheSurface()
            .does(SHOULDER_EXTENSION, SHOULDER_SPREADING)
            .refers(UPPER_ARM_OUTER)
            .called(
                    "posterior deltoid",
                    "rear deltoid",
                    "deltoid",
                    "delts",
                    "delt",
                    "rear delt",
                    "back delt",
                    "posterior delt",
                    "post delt")),
    PECTORALIS_CLAVICULAR(muscle("Pectoralis major, collar bone part", "pars clavicularis musculi pectoralis majoris")
            .in(CHEST_WALL)
            .along(COLLAR_BONE, HUMERUS_GROOVE)
            .broad(13)
            .atTheSurface()
            .does(SHOULDER_CROSSING, SHOULDER_FLEXION)
            .refers(CHEST_WALL, UPPER_ARM_INNER)
            .called(
                    "upper pec",
                    "clavicular pec",
                    "pectoralis major",
                    "pec major",
                    "pecs",
                    "pec",
                    "pectoralis",
                    "pectorals")),
    PECTORALIS_STERNAL(muscle("Pectoralis major, breastbone part", "pars sternocostalis musculi pectoralis majoris")
            .in(CHEST_WALL, ARMPIT, STERNUM)
            .along(STERNUM_EDGE, HUMERUS_GROOVE)
            .broad(23)
            .atTheSurface()
            .does(SHOULDER_CROSSING, SHOULDER_ADDUCTION, SHOULDER_TURNING_IN)
            .refers(CHEST_WALL, UPPER_ARM_INNER)
            .spare("around breast tissue, never on it")
            .called("pectoralis major", "pec major", "pecs", "pec", "pectoralis", "pectorals")),
    PECTORALIS_MINOR(muscle("Pectoralis minor", "musculus pectoralis minor")
            .in(CHEST_WALL, ARMPIT)
            .along(RIB_3, CORACOID)
            .broad(10)
            .does(BLADE_FORWARD, BLADE_LOWERING, BLADE_TURNING_DOWN)
            .refers(UPPER_ARM_INNER, FOREARM_FLEXORS)
            .spare("nerves and vessels of the arm run beneath")
            .called("pec minor")),
    SUBCLAVIUS(muscle("Subclavius", "musculus subclavius")
            .in(CHEST_WALL)
            .along(RIB_1, COLLAR_BONE)
            .does(COLLAR_BONE_LOWERING)
            .refers(UPPER_ARM_INNER)
            .spare("vessels lie behind it: along the bone, not behind it")),
    SERRATUS_ANTERIOR(muscle("Serratus anterior", "musculus serratus anterior")
            .in(ARMPIT, CHEST_WALL, SHOULDER_BLADE)
            .along(RIB_8, RIB_5, BLADE_FRONT, BLADE_INNER_EDGE)
            .broad(18)
            .atTheSurface()
            .does(BLADE_FORWARD, BLADE_TURNING_UP)
            .refers(ARMPIT, UPPER_BACK)
            .spare("ticklish, over ribs: flat steady fingers")
            .called("serratus")),
    LATISSIMUS(muscle("Latissimus dorsi", "musculus latissimus dorsi")
            .in(UPPER_BACK, LUMBAR, ARMPIT, SHOULDER_BLADE)
            .along(HIP_CREST, T12, BLADE_ANGLE, HUMERUS_GROOVE)
            .broad(24)
            .atTheSurface()
            .does(SHOULDER_EXTENSION, SHOULDER_ADDUCTION, SHOULDER_TURNING_IN, BLADE_LOWERING)
            .refers(UPPER_BACK)
            .called("lats", "lat", "latissimus", "lat dorsi")),
    BICEPS(muscle("Biceps of the arm", "musculus biceps brachii")
            .in(UPPER_ARM_OUTER, UPPER_ARM_INNER, ELBOW_INSIDE)
            .along(HUMERUS_GROOVE, ELBOW_CREASE)
            .broad(16)
            .atTheSurface()
            .does(ELBOW_FLEXION, FOREARM_SUPINATION)
            .refers(ELBOW_INSIDE)
            .spare("nerve and artery along its inner edge")
            .called("biceps brachii", "bis", "bicep")),
    BRACHIALIS(muscle("Brachialis", "musculus brachialis")
            .in(UPPER_ARM_OUTER, ELBOW_INSIDE)
            .along(HUMERUS_SHAFT, ELBOW_CREASE)
            .broad(13)
            .does(ELBOW_FLEXION)
            .refers(HAND)
            .spare("nerve and artery along its inner edge")
            .called("brach")),
    TRICEPS(muscle("Triceps", "musculus triceps brachii")
            .in(UPPER_ARM_OUTER)
            .along(BLADE_OUTER_EDGE, HUMERUS_SHAFT, ELBOW_POINT)
            .broad(16)
            .atTheSurface()
            .does(ELBOW_EXTENSION, SHOULDER_EXTENSION)
            .refers(UPPER_ARM_OUTER, FOREARM_EXTENSORS)
            .called("triceps brachii", "tris", "tricep")),
    ANCONEUS(muscle("Anconeus", "musculus anconeus")
            .in(FOREARM_EXTENSORS)
            .along(EPICONDYLE_OUTER, ELBOW_POINT)
            .does(ELBOW_EXTENSION)
            .refers(FOREARM_EXTENSORS)),
    CORACOBRACHIALIS(muscle("Coracobrachialis", "musculus coracobrachialis")
            .in(UPPER_ARM_INNER, ARMPIT)
            .along(CORACOID, HUMERUS_SHAFT)
            .does(SHOULDER_FLEXION, SHOULDER_ADDUCTION)
            .refers(UPPER_ARM_INNER)
            .spare("a nerve pierces it, the artery lies beside it")),
    BRACHIORADIALIS(muscle("Brachioradialis", "musculus brachioradialis")
            .in(FOREARM_EXTENSORS, ELBOW_INSIDE)
            .along(EPICONDYLE_OUTER, RADIAL_STYLOID)
            .broad(8)
            .atTheSurface()
            .does(ELBOW_FLEXION)
            .refers(FOREARM_EXTENSORS, HAND)),
    PRONATOR_TERES(muscle("Pronator teres", "musculus pronator teres")
            .in(FOREARM_FLEXORS, ELBOW_INSIDE)
            .along(EPICONDYLE_INNER, FOREARM_MIDDLE)
            .does(FOREARM_PRONATION, ELBOW_FLEXION)
            .refers(WRIST)
            .spare("a nerve passes through it")
            .called("pronators")),
    PRONATOR_QUADRATUS(muscle("Pronator quadratus", "musculus pronator quadratus")
            .in(FOREARM_FLEXORS, WRIST)
            .along(ULNAR_STYLOID, RADIAL_STYLOID)
            .does(FOREARM_PRONATION)
            .called("pronators")),
    FLEXOR_CARPI_RADIALIS(muscle("Wrist flexor, thumb side", "musculus flexor carpi radialis")
            .in(FOREARM_FLEXORS)
            .along(EPICONDYLE_INNER, THUMB_BASE)
            .broad(7)
            .atTheSurface()
            .does(WRIST_FLEXION, WRIST_TO_THUMB)
            .refers(WRIST)
            .called("fcr", "radial wrist flexor", "wrist flexors")),
    PALMARIS_LONGUS(muscle("Long palm muscle", "musculus palmaris longus")
            .in(FOREARM_FLEXORS)
            .along(EPICONDYLE_INNER, CARPAL_ROWS)
            .broad(5)
            .atTheSurface()
            .does(WRIST_FLEXION)
            .refers(HAND)
            .called("palmaris", "wrist flexors")),
    FLEXOR_CARPI_ULNARIS(muscle("Wrist flexor, little finger side", "musculus flexor carpi ulnaris")
            .in(FOREARM_FLEXORS)
            .along(EPICONDYLE_INNER, PEA_BONE)
            .broad(8)
            .atTheSurface()
            .does(WRIST_FLEXION, WRIST_TO_LITTLE_FINGER)
            .refers(WRIST)
            .spare("a nerve lies beneath it at the elbow")
            .called("fcu", "ulnar wrist flexor", "wrist flexors")),
    FLEXOR_DIGITORUM_SUPERFICIALIS(muscle("Finger flexor, shallow", "musculus flexor digitorum superficialis")
            .in(FOREARM_FLEXORS, HAND)
            .along(EPICONDYLE_INNER, CARPAL_ROWS, KNUCKLES)
            .does(FINGER_FLEXION, WRIST_FLEXION)
            .refers(HAND)
            .called("fds", "superficial finger flexor", "finger flexors")),
    FLEXOR_DIGITORUM_PROFUNDUS(muscle("Finger flexor, deep", "musculus flexor digitorum profundus")
            .in(FOREARM_FLEXORS, HAND)
            .along(FOREARM_MIDDLE, CARPAL_ROWS, FINGERTIPS)
            .does(FINGER_FLEXION)
            .refers(HAND)
            .called("fdp", "deep finger flexor", "finger flexors")),
    SUPINATOR(muscle("Supinator", "musculus supinator")
            .in(FOREARM_EXTENSORS, ELBOW_INSIDE)
            .along(EPICONDYLE_OUTER, FOREARM_MIDDLE)
            .does(FOREARM_SUPINATION)
            .refers(FOREARM_EXTENSORS, HAND)
            .spare("a nerve passes through it")),
    EXTENSOR_CARPI_RADIALIS_LONGUS(muscle("Wrist extensor, thumb side, long", "musculus extensor carpi radialis longus")
            .in(FOREARM_EXTENSORS)
            .along(EPICONDYLE_OUTER, KNUCKLES)
            .broad(7)
            .does(WRIST_EXTENSION, WRIST_TO_THUMB)
            .refers(FOREARM_EXTENSORS, HAND)
            .called(
                    "ecrl",
                    "long radial extensor",
                    "wrist extensors",
                    "radial extensors",
                    "wrist exts",
                    "ext carpi rad",
                    "extensor carpi radialis")),
    EXTENSOR_CARPI_RADIALIS_BREVIS(
            muscle("Wrist extensor, thumb side, short", "musculus extensor carpi radialis brevis")
                    .in(FOREARM_EXTENSORS)
                    .along(EPICONDYLE_OUTER, CARPAL_ROWS)
                    .does(WRIST_EXTENSION, WRIST_TO_THUMB)
                    .refers(FOREARM_EXTENSORS)
                    .called(
                            "ecrb",
                            "short radial extensor",
                            "wrist extensors",
                            "radial extensors",
                            "wrist exts",
                            "ext carpi rad",
                            "extensor carpi radialis")),
    EXTENSOR_CARPI_ULNARIS(muscle("Wrist extensor, little finger side", "musculus extensor carpi ulnaris")
            .in(FOREARM_EXTENSORS)
            .along(EPICONDYLE_OUTER, ULNAR_STYLOID, CARPAL_ROWS)
            .broad(7)
            .atTheSurface()
            .does(WRIST_EXTENSION, WRIST_TO_LITTLE_FINGER)
            .refers(WRIST)
            .called("ecu", "ulnar extensor", "wrist extensors", "wrist exts")),
    EXTENSOR_DIGITORUM(muscle("Finger extensor", "musculus extensor digitorum")
            .in(FOREARM_EXTENSORS, HAND)
            .along(EPICONDYLE_OUTER, CARPAL_ROWS, FINGERTIPS)
            .broad(8)
            .atTheSurface()
            .does(FINGER_EXTENSION, WRIST_EXTENSION)
            .refers(HAND)
            .called("finger extensors", "finger exts", "ext dig")),
    THUMB_OPENERS(muscle("Long thumb muscles of the back", "musculi pollicis longi dorsales")
            .in(FOREARM_EXTENSORS, WRIST, HAND)
            .along(FOREARM_MIDDLE, THUMB_BASE)
            .does(THUMB_OPENING)
            .refers(HAND)
            .called("abductor pollicis longus", "extensor pollicis longus")),
    THENAR(muscle("Pad of the thumb", "thenar")
            .in(HAND)
            .along(CARPAL_ROWS, THUMB_BASE)
            .broad(9)
            .atTheSurface()
            .does(THUMB_CLOSING)
            .refers(HAND)
            .called("thenar eminence", "thumb pad", "thenar pad", "ball of the thumb")),
    HYPOTHENAR(muscle("Pad of the little finger", "hypothenar")
            .in(HAND)
            .along(PEA_BONE, KNUCKLES)
            .broad(8)
            .atTheSurface()
            .does(FINGER_SPREADING)
            .refers(HAND)
            .called("hypothenar eminence", "little finger pad")),
    HAND_INTEROSSEI(muscle("Muscles between the hand bones", "musculi interossei manus")
            .in(HAND)
            .along(CARPAL_ROWS, KNUCKLES)
            .does(FINGER_CLOSING, FINGER_SPREADING)
            .refers(HAND)
            .called("interossei", "lumbricals")),
    SPINALIS(muscle("Spinalis", "musculus spinalis")
            .in(UPPER_BACK, LUMBAR)
            .along(L4, T12, T3)
            .broad(6)
            .does(TRUNK_EXTENSION)
            .refers(UPPER_BACK)
            .called("erectors", "erector", "erector spinae", "back extensors", "spinal erectors", "es")),
    LONGISSIMUS(muscle("Longissimus", "musculus longissimus")
            .in(UPPER_BACK, LUMBAR, NECK_BACK)
            .along(SACRUM_CORNER, LAMINA_GROOVE, MASTOID)
            .broad(10)
            .does(TRUNK_EXTENSION, TRUNK_SIDE_BENDING)
            .refers(LUMBAR, GLUTEALS)
            .called("erectors", "erector", "erector spinae", "back extensors", "paraspinals", "spinal erectors", "es")),
    ILIOCOSTALIS(muscle("Iliocostalis", "musculus iliocostalis")
            .in(UPPER_BACK, LUMBAR)
            .along(HIP_CREST, RIB_12, BLADE_INNER_EDGE)
            .broad(10)
            .does(TRUNK_EXTENSION, TRUNK_SIDE_BENDING)
            .refers(LUMBAR, UPPER_BACK)
            .called("erectors", "erector", "erector spinae", "back extensors", "paraspinals", "spinal erectors", "es")),
    MULTIFIDI(muscle("Multifidi", "musculi multifidi")
            .in(LUMBAR, UPPER_BACK)
            .along(SACRUM_CORNER, LAMINA_GROOVE, T12)
            .broad(8)
            .does(TRUNK_EXTENSION, TRUNK_TURNING_AWAY)
            .refers(LUMBAR)
            .called("multifidus", "paraspinals")),
    QUADRATUS_LUMBORUM(muscle("Quadratus lumborum", "musculus quadratus lumborum")
            .in(LUMBAR, KIDNEYS)
            .along(HIP_CREST, L2_SIDE, RIB_12)
            .broad(15)
            .does(TRUNK_SIDE_BENDING, BREATHING_OUT)
            .refers(GLUTEALS, SACRUM)
            .spare("kidney before it: below the last rib, from the side, slowly")
            .called("ql", "quadratus")),
    INTERCOSTALS(muscle("Intercostals", "musculi intercostales")
            .in(CHEST_WALL, ARMPIT, UPPER_BACK)
            .along(RIB_5, RIB_8)
            .broad(6)
            .does(BREATHING_IN, BREATHING_OUT)
            .refers(CHEST_WALL)
            .spare("vessels and nerves under each rib")),
    DIAPHRAGM(muscle("Diaphragm", "diaphragma")
            .in(RIB_EDGE, BELLY)
            .along(STERNUM_TIP, RIB_MARGIN, RIB_8)
            .broad(12)
            .does(BREATHING_IN, BELLY_FILLING)
            .refers(TOP_OF_SHOULDER)
            .spare("organs behind the rib edge: on the out-breath only")),
    RECTUS_ABDOMINIS(muscle("Straight belly muscle", "musculus rectus abdominis")
            .in(BELLY)
            .along(RIB_MARGIN, BELLY_CENTRE, PUBIC_BONE)
            .broad(16)
            .atTheSurface()
            .does(TRUNK_FLEXION)
            .refers(LUMBAR)
            .called("rectus abdominis", "rectus", "abs", "rec ab", "rectus abd", "rec abs")),
    OBLIQUE_EXTERNAL(muscle("External oblique", "musculus obliquus externus abdominis")
            .in(BELLY, RIB_EDGE)
            .along(RIB_8, HIP_CREST, PUBIC_BONE)
            .broad(22)
            .atTheSurface()
            .does(TRUNK_TURNING_AWAY, TRUNK_SIDE_BENDING, TRUNK_FLEXION)
            .refers(BELLY)
            .called("outer oblique", "obliques", "oblique")),
    OBLIQUE_INTERNAL(muscle("Internal oblique", "musculus obliquus internus abdominis")
            .in(BELLY)
            .along(HIP_CREST, RIB_MARGIN)
            .broad(18)
            .does(TRUNK_TURNING_TO, TRUNK_SIDE_BENDING, TRUNK_FLEXION)
            .refers(BELLY)
            .called("inner oblique", "obliques", "oblique")),
    TRANSVERSUS(muscle("Transversus abdominis", "musculus transversus abdominis")
            .in(BELLY, LUMBAR)
            .along(HIP_CREST, RIB_12, BELLY_CENTRE)
            .broad(20)
            .does(BELLY_DRAWING_IN, BREATHING_OUT)
            .refers(BELLY)
            .called("tva")),
    GLUTEUS_MAXIMUS(muscle("Gluteus maximus", "musculus gluteus maximus")
            .in(GLUTEALS, SACRUM)
            .along(SACRUM_EDGE, TROCHANTER)
            .broad(33)
            .atTheSurface()
            .does(HIP_EXTENSION, HIP_TURNING_OUT)
            .refers(SACRUM, GLUTEALS)
            .spare("the sciatic nerve runs beneath")
            .called("glute max", "glute maximus", "gluteals", "glutes", "glute", "gluteus", "gmax", "glutes max")),
    GLUTEUS_MEDIUS(muscle("Gluteus medius", "musculus gluteus medius")
            .in(GLUTEALS)
            .along(HIP_CREST, TROCHANTER)
            .broad(21)
            .atTheSurface()
            .does(HIP_ABDUCTION, HIP_TURNING_IN)
            .refers(SACRUM, LUMBAR)
            .called("glute med", "glute medius", "glutes", "glute", "gluteus", "gmed", "glutes med")),
    GLUTEUS_MINIMUS(muscle("Gluteus minimus", "musculus gluteus minimus")
            .in(GLUTEALS)
            .along(HIP_SPINE_FRONT, HIP_CREST, TROCHANTER)
            .broad(17)
            .does(HIP_ABDUCTION, HIP_TURNING_IN)
            .refers(THIGH_OUTER, CALF)
            .called("glute min", "glute minimus", "glutes", "glute", "gluteus", "gmin", "glutes min")),
    PIRIFORMIS(muscle("Piriformis", "musculus piriformis")
            .in(HIP_ROTATORS, GLUTEALS)
            .along(SACRUM_EDGE, TROCHANTER)
            .broad(10)
            .does(HIP_TURNING_OUT, HIP_ABDUCTION)
            .refers(SACRUM, HAMSTRINGS)
            .spare("the sciatic nerve passes under or through it")
            .called("piri")),
    HIP_ROTATORS_SHORT(muscle("Short hip rotators", "musculi gemelli, obturatorii, quadratus femoris")
            .in(HIP_ROTATORS, GLUTEALS)
            .along(SIT_BONE, TROCHANTER)
            .broad(11)
            .does(HIP_TURNING_OUT)
            .refers(GLUTEALS, HAMSTRINGS)
            .spare("the sciatic nerve runs over them")
            .called("short rotators", "deep six", "gemelli", "quadratus femoris", "obturators")),
    TENSOR_FASCIAE_LATAE(muscle("Tensor of the thigh band", "musculus tensor fasciae latae")
            .in(THIGH_OUTER, THIGH_FRONT)
            .along(HIP_SPINE_FRONT, TROCHANTER)
            .broad(11)
            .atTheSurface()
            .does(HIP_FLEXION, HIP_ABDUCTION, HIP_TURNING_IN)
            .refers(THIGH_OUTER)
            .called("tfl", "tensor fasciae latae", "tensor fascia lata", "tensor", "tensor fascia")),
    ILIOPSOAS(muscle("Iliopsoas", "musculus iliopsoas")
            .in(BELLY, GROIN)
            .along(L2_SIDE, HIP_BOWL, TROCHANTER_LESSER)
            .broad(12)
            .does(HIP_FLEXION, HIP_TURNING_OUT)
            .refers(LUMBAR, THIGH_FRONT)
            .spare("organs and the great vessels: slowly, on the out-breath, asked")
            .called("psoas", "iliacus")),
    BICEPS_FEMORIS(muscle("Biceps of the thigh", "musculus biceps femoris")
            .in(HAMSTRINGS, KNEE_BACK)
            .along(SIT_BONE, FIBULA_HEAD)
            .broad(15)
            .atTheSurface()
            .does(KNEE_FLEXION, HIP_EXTENSION, KNEE_TURNING_OUT)
            .refers(KNEE_BACK)
            .spare("a nerve runs at the head of the fibula")
            .called("biceps femoris", "biceps fem", "outer hamstring", "hamstrings", "hamstring", "hams", "bf")),
    SEMITENDINOSUS(muscle("Semitendinosus", "musculus semitendinosus")
            .in(HAMSTRINGS, KNEE_INNER)
            .along(SIT_BONE, KNEE_HOLLOW_INNER, SHARED_TENDON)
            .broad(11)
            .atTheSurface()
            .does(KNEE_FLEXION, HIP_EXTENSION, KNEE_TURNING_IN)
            .refers(GLUTEALS)
            .called(
                    "semiten",
                    "inner hamstring",
                    "hamstrings",
                    "hamstring",
                    "hams",
                    "semit",
                    "semi t",
                    "semitend",
                    "semis")),
    SEMIMEMBRANOSUS(muscle("Semimembranosus", "musculus semimembranosus")
            .in(HAMSTRINGS, KNEE_BACK)
            .along(SIT_BONE, KNEE_HOLLOW_INNER)
            .broad(13)
            .atTheSurface()
            .does(KNEE_FLEXION, HIP_EXTENSION, KNEE_TURNING_IN)
            .refers(GLUTEALS)
            .called("hamstrings", "hamstring", "hams", "semimem", "semi m", "semis")),
    RECTUS_FEMORIS(muscle("Rectus femoris", "musculus rectus femoris")
            .in(THIGH_FRONT, KNEECAP)
            .along(HIP_SPINE_LOWER, KNEECAP_TOP)
            .broad(16)
            .atTheSurface()
            .does(KNEE_EXTENSION, HIP_FLEXION)
            .refers(KNEECAP)
            .called("quads", "quadriceps", "quad", "rec fem", "rf")),
    VASTUS_LATERALIS(muscle("Vastus lateralis", "musculus vastus lateralis")
            .in(THIGH_OUTER, THIGH_FRONT)
            .along(TROCHANTER, KNEECAP_TOP)
            .broad(16)
            .atTheSurface()
            .does(KNEE_EXTENSION)
            .refers(THIGH_OUTER)
            .called("vl", "outer quad", "quads", "quadriceps", "quad", "vasti", "v lat", "vastus lat")),
    VASTUS_MEDIALIS(muscle("Vastus medialis", "musculus vastus medialis")
            .in(THIGH_FRONT, THIGH_INNER)
            .along(THIGH_SHAFT, KNEECAP_TOP)
            .broad(15)
            .atTheSurface()
            .does(KNEE_EXTENSION)
            .refers(KNEECAP)
            .called("vm", "vmo", "inner quad", "quads", "quadriceps", "quad", "vasti", "vastus med")),
    VASTUS_INTERMEDIUS(muscle("Vastus intermedius", "musculus vastus intermedius")
            .in(THIGH_FRONT)
            .along(HIP_SPINE_LOWER, KNEECAP_TOP)
            .broad(14)
            .does(KNEE_EXTENSION)
            .refers(THIGH_FRONT)
            .called("quads", "quadriceps", "quad", "vasti")),
    SARTORIUS(muscle("Sartorius", "musculus sartorius")
            .in(THIGH_FRONT, THIGH_INNER, KNEE_INNER)
            .along(HIP_SPINE_FRONT, ADDUCTOR_TUBERCLE, SHARED_TENDON)
            .broad(7)
            .atTheSurface()
            .does(HIP_FLEXION, HIP_TURNING_OUT, KNEE_FLEXION)
            .refers(THIGH_INNER)
            .spare("the vessels of the thigh run beneath it")
            .called("tailor muscle")),
    PECTINEUS(muscle("Pectineus", "musculus pectineus")
            .in(GROIN, THIGH_INNER)
            .along(PUBIC_BONE, TROCHANTER_LESSER)
            .broad(9)
            .does(HIP_ADDUCTION, HIP_FLEXION)
            .refers(GROIN)
            .spare("vessels and privacy")
            .called("adductors", "adductor")),
    ADDUCTOR_BREVIS(muscle("Short adductor", "musculus adductor brevis")
            .in(THIGH_INNER, GROIN)
            .along(PUBIC_BRANCH, THIGH_SHAFT)
            .does(HIP_ADDUCTION)
            .refers(THIGH_INNER)
            .spare("privacy: the sheet is tucked first")
            .called("adductor brevis", "adductors", "adductor")),
    ADDUCTOR_LONGUS(muscle("Long adductor", "musculus adductor longus")
            .in(THIGH_INNER, GROIN)
            .along(PUBIC_BONE, THIGH_SHAFT)
            .broad(11)
            .atTheSurface()
            .does(HIP_ADDUCTION, HIP_FLEXION)
            .refers(THIGH_INNER, KNEE_INNER)
            .spare("privacy: the sheet is tucked first")
            .called("adductor longus", "adductors", "adductor")),
    ADDUCTOR_MAGNUS(muscle("Great adductor", "musculus adductor magnus")
            .in(THIGH_INNER, HAMSTRINGS)
            .along(SIT_BONE, ADDUCTOR_TUBERCLE)
            .broad(17)
            .does(HIP_ADDUCTION, HIP_EXTENSION)
            .refers(THIGH_INNER)
            .spare("privacy: the sheet is tucked first")
            .called("adductor magnus", "adductors", "adductor", "add mag")),
    GRACILIS(muscle("Gracilis", "musculus gracilis")
            .in(THIGH_INNER, KNEE_INNER)
            .along(PUBIC_BRANCH, SHARED_TENDON)
            .broad(6)
            .atTheSurface()
            .does(HIP_ADDUCTION, KNEE_FLEXION)
            .refers(THIGH_INNER)
            .spare("privacy: the sheet is tucked first")
            .called("adductors", "adductor")),
    GASTROCNEMIUS(muscle("Gastrocnemius", "musculus gastrocnemius")
            .in(CALF, CALF_CENTRE, KNEE_BACK)
            .along(KNEE_HOLLOW, CALF_MIDDLE, HEEL)
            .broad(23)
            .atTheSurface()
            .does(FOOT_POINTING, KNEE_FLEXION)
            .refers(CALF, SOLE)
            .spare("hot, swollen, painful calf: none of it")
            .called("gastroc", "gastrocs", "calf muscle", "calves")),
    SOLEUS(muscle("Soleus", "musculus soleus")
            .in(CALF, CALF_CENTRE, ACHILLES)
            .along(FIBULA_HEAD, CALF_MIDDLE, HEEL)
            .broad(22)
            .does(FOOT_POINTING)
            .refers(ACHILLES, SOLE)
            .spare("deep veins run beneath")),
    POPLITEUS(muscle("Popliteus", "musculus popliteus")
            .in(KNEE_BACK, CALF)
            .along(KNEE_HOLLOW, SHIN_BACK)
            .does(KNEE_TURNING_IN, KNEE_FLEXION)
            .refers(KNEE_BACK)
            .spare("artery and nerve of the knee hollow: skin only there")),
    TIBIALIS_POSTERIOR(muscle("Tibialis posterior", "musculus tibialis posterior")
            .in(CALF, ACHILLES)
            .along(SHIN_BACK, ANKLE_INNER, ARCH_BONE)
            .does(SOLE_TURNING_IN, FOOT_POINTING)
            .refers(ACHILLES, SOLE)
            .spare("artery and nerve behind the inner ankle")
            .called("tib post", "posterior tibialis", "tibialis post")),
    FLEXOR_HALLUCIS_LONGUS(muscle("Long flexor of the big toe", "musculus flexor hallucis longus")
            .in(CALF, ACHILLES, SOLE)
            .along(SHIN_BACK, ANKLE_INNER, BALL_OF_FOOT)
            .does(TOE_FLEXION, FOOT_POINTING)
            .refers(SOLE)
            .spare("artery and nerve behind the inner ankle")
            .called("fhl", "toe flexors")),
    FLEXOR_DIGITORUM_LONGUS(muscle("Long flexor of the toes", "musculus flexor digitorum longus")
            .in(CALF, ACHILLES, SOLE)
            .along(SHIN_BACK, ANKLE_INNER, TOE_TIPS)
            .does(TOE_FLEXION, FOOT_POINTING)
            .refers(SOLE)
            .spare("artery and nerve behind the inner ankle")
            .called("fdl", "toe flexors")),
    TIBIALIS_ANTERIOR(muscle("Tibialis anterior", "musculus tibialis anterior")
            .in(SHIN, SHIN_LOWER)
            .along(KNEE_OUTER, SHIN_EDGE, ARCH_BONE)
            .broad(9)
            .atTheSurface()
            .does(FOOT_LIFTING, SOLE_TURNING_IN)
            .refers(FOOT_TOP)
            .spare("pointed tools hurt at the bone")
            .called("tib ant", "anterior tibialis", "tib anterior", "tibialis ant")),
    EXTENSOR_HALLUCIS_LONGUS(muscle("Long extensor of the big toe", "musculus extensor hallucis longus")
            .in(SHIN, SHIN_LOWER, FOOT_TOP)
            .along(SHIN_EDGE, ANKLE_FRONT, TOE_JOINTS)
            .does(TOE_EXTENSION, FOOT_LIFTING)
            .refers(FOOT_TOP)
            .called("ehl", "toe extensors")),
    EXTENSOR_DIGITORUM_LONGUS(muscle("Long extensor of the toes", "musculus extensor digitorum longus")
            .in(SHIN, SHIN_LOWER, FOOT_TOP)
            .along(FIBULA_HEAD, ANKLE_FRONT, TOE_TIPS)
            .broad(7)
            .atTheSurface()
            .does(TOE_EXTENSION, FOOT_LIFTING, SOLE_TURNING_OUT)
            .refers(FOOT_TOP)
            .called("edl", "toe extensors")),
    FIBULARIS_LONGUS(muscle("Long fibular muscle", "musculus fibularis longus")
            .in(SHIN, CALF)
            .along(FIBULA_HEAD, ANKLE_OUTER, BALL_OF_FOOT)
            .broad(8)
            .atTheSurface()
            .does(SOLE_TURNING_OUT, FOOT_POINTING)
            .refers(FOOT_TOP)
            .spare("a nerve runs at the head of the fibula")
            .called(
                    "fibularis longus",
                    "peroneus longus",
                    "fibulares",
                    "fibulars",
                    "peroneals",
                    "peroneus",
                    "fibularis",
                    "peronei",
                    "fibularii")),
    FIBULARIS_BREVIS(muscle("Short fibular muscle", "musculus fibularis brevis")
            .in(SHIN, SHIN_LOWER)
            .along(FIBULA_SHAFT, ANKLE_OUTER, FIFTH_FOOT_BONE)
            .does(SOLE_TURNING_OUT, FOOT_POINTING)
            .refers(FOOT_TOP)
            .called(
                    "fibularis brevis",
                    "peroneus brevis",
                    "fibulares",
                    "fibulars",
                    "peroneals",
                    "peroneus",
                    "fibularis",
                    "peronei",
                    "fibularii")),
    ABDUCTOR_HALLUCIS(muscle("Sole, inner edge", "musculus abductor hallucis")
            .in(SOLE)
            .along(HEEL_UNDER, BALL_OF_FOOT)
            .broad(8)
            .does(TOE_SPREADING, TOE_FLEXION)
            .refers(SOLE)
            .called("abductor hallucis", "sole layers")),
    FLEXOR_DIGITORUM_BREVIS(muscle("Sole, first layer", "musculus flexor digitorum brevis")
            .in(SOLE)
            .along(HEEL_UNDER, TOE_JOINTS)
            .broad(12)
            .does(TOE_FLEXION)
            .refers(SOLE)
            .called("short toe flexor", "fdb", "sole layers")),
    ABDUCTOR_DIGITI_MINIMI(muscle("Sole, outer edge", "musculus abductor digiti minimi pedis")
            .in(SOLE)
            .along(HEEL_UNDER, FIFTH_FOOT_BONE)
            .does(TOE_SPREADING)
            .refers(SOLE)),
    QUADRATUS_PLANTAE(muscle("Sole, second layer", "musculus quadratus plantae")
            .in(SOLE)
            .along(HEEL_UNDER, BALL_OF_FOOT)
            .broad(12)
            .does(TOE_FLEXION)
            .refers(SOLE)
            .called("sole layers")),
    FLEXOR_HALLUCIS_BREVIS(muscle("Sole, third layer", "musculus flexor hallucis brevis")
            .in(SOLE)
            .along(ARCH_BONE, BALL_OF_FOOT)
            .does(TOE_FLEXION)
            .refers(SOLE)
            .called("sole layers")),
    EXTENSOR_DIGITORUM_BREVIS(muscle("Short extensor of the toes", "musculus extensor digitorum brevis")
            .in(FOOT_TOP)
            .along(ANKLE_OUTER, TOE_JOINTS)
            .does(TOE_EXTENSION)
            .refers(FOOT_TOP)
            .called("edb")),
    HEEL_CORD(tendon("Heel cord", "tendo calcaneus")
            .in(ACHILLES, CALF)
            .along(CALF_MIDDLE, HEEL)
            .broad(8)
            .atTheSurface()
            .spare("irritable: no strong friction while it is hot or thick")
            .called("achilles tendon", "achilles")),
    SUPRASPINATUS_TENDON(tendon("Supraspinatus tendon", "tendo musculi supraspinati")
            .in(UPPER_ARM_OUTER)
            .along(ACROMION, HUMERUS_HEAD)
            .spare("often irritated under the roof of the shoulder")
            .called("cuff tendon", "rotator cuff tendon")),
    BICEPS_LONG_TENDON(tendon("Long tendon of the biceps", "tendo capitis longi musculi bicipitis")
            .in(UPPER_ARM_OUTER, UPPER_ARM_INNER)
            .along(HUMERUS_GROOVE, HUMERUS_SHAFT)
            .spare("it slips out of its groove: across it gently")
            .called("biceps tendon")),
    EXTENSOR_ORIGIN(tendon("Common origin of the extensors", "origo communis extensorum")
            .in(FOREARM_EXTENSORS)
            .along(EPICONDYLE_OUTER, FOREARM_MIDDLE)
            .called(
                    "common extensor tendon",
                    "common extensor origin",
                    "common extensors",
                    "cet",
                    "ceo",
                    "outer elbow tendon",
                    "outer elbow tendons",
                    "outer elbow")),
    FLEXOR_ORIGIN(tendon("Common origin of the flexors", "origo communis flexorum")
            .in(FOREARM_FLEXORS, ELBOW_INSIDE)
            .along(EPICONDYLE_INNER, FOREARM_MIDDLE)
            .spare("a nerve lies behind the inner bump")
            .called(
                    "common flexor tendon",
                    "common flexor origin",
                    "common flexors",
                    "inner elbow tendon",
                    "inner elbow tendons")),
    HAMSTRING_ORIGIN(tendon("Common origin of the hamstrings", "origo communis flexorum cruris")
            .in(HAMSTRINGS, GLUTEALS)
            .along(SIT_BONE, THIGH_SHAFT)
            .spare("beside the sciatic nerve; privacy")),
    KNEECAP_TENDON(tendon("Tendon below the kneecap", "ligamentum patellae")
            .in(KNEECAP)
            .along(KNEECAP_TIP, SHIN_BUMP)
            .called("patellar tendon", "patellar ligament", "patella tendon")),
    SHARED_KNEE_TENDON(tendon("Shared tendon at the inner knee", "pes anserinus superficialis")
            .in(KNEE_INNER)
            .along(ADDUCTOR_TUBERCLE, SHARED_TENDON)
            .spare("a bursa lies beneath")
            .called("goose foot tendon", "pes anserine")),
    WRIST_BAND(ligament("Band over the wrist tendons", "retinaculum flexorum")
            .in(WRIST, HAND)
            .along(PEA_BONE, THUMB_BASE)
            .spare("a nerve lies beneath: no lasting pressure")
            .called(
                    "flexor retinaculum",
                    "carpal tunnel",
                    "retinaculum of the wrist",
                    "carpal band",
                    "carpal ligament")),
    PALM_FASCIA(fascia("Fascia of the palm", "aponeurosis palmaris")
            .in(HAND)
            .along(CARPAL_ROWS, KNUCKLES)
            .broad(14)
            .atTheSurface()
            .called("palmar fascia")),
    PLANTAR_FASCIA(fascia("Plantar fascia", "aponeurosis plantaris")
            .in(SOLE)
            .along(HEEL_UNDER, BALL_OF_FOOT)
            .broad(14)
            .atTheSurface()
            .called("pf")),
    LUMBAR_FASCIA(fascia("Fascia of the low back", "fascia thoracolumbalis")
            .in(LUMBAR, SACRUM)
            .along(T12, HIP_CREST, SACRUM_CORNER)
            .broad(18)
            .called("thoracolumbar fascia", "lumbodorsal fascia", "tl fascia", "tlf")),
    THIGH_BAND(fascia("Band of the outer thigh", "tractus iliotibialis")
            .in(THIGH_OUTER)
            .along(HIP_CREST, TROCHANTER, KNEE_OUTER)
            .broad(9)
            .atTheSurface()
            .spare("it does not lengthen: glide beside it")
            .called("itb", "it band", "iliotibial band", "itband", "i t band", "iliotibial tract", "it tract")),
    NAPE_BAND(ligament("Band of the nape", "ligamentum nuchae")
            .in(NECK_BACK)
            .along(SKULL_RIDGE, C7)
            .called("nuchal ligament", "nuchal band")),
    SIT_BONE_BAND(ligament("Band from sacrum to sit bone", "ligamentum sacrotuberale")
            .in(GLUTEALS, SACRUM)
            .along(COCCYX, SIT_BONE)
            .spare("privacy; near the sciatic nerve")
            .called("sacrotuberous ligament", "sacrotuberous band", "sacrotuberous")),
    LOIN_BAND(ligament("Band from loin to hip bone", "ligamentum iliolumbale")
            .in(LUMBAR)
            .along(L4, HIP_CREST)
            .called("iliolumbar ligament", "iliolumbar band")),
    SACRUM_BACK_BAND(ligament("Back bands of the sacrum", "ligamenta sacroiliaca posteriora")
            .in(SACRUM)
            .along(SACRUM_CORNER, HIP_SPINE_BACK)),
    ANKLE_OUTER_BAND(ligament("Outer bands of the ankle", "ligamenta collateralia lateralia")
            .in(FOOT_TOP, ACHILLES)
            .along(ANKLE_OUTER, HEEL)
            .spare("fresh sprain: none of it")
            .called("lateral ankle ligaments")),
    JAW_JOINT(joint("Jaw joint", "articulatio temporomandibularis")
            .in(JAW_MUSCLES, BELOW_EAR)
            .along(JAW_JOINT_LINE, JAW_BRANCH)
            .spare("a clicking or locked jaw is for the dentist first")
            .called("tmj")),
    BREASTBONE_JOINT(joint("Joint of collar bone and breastbone", "articulatio sternoclavicularis")
            .in(STERNUM, CHEST_WALL)
            .along(STERNUM_TOP, COLLAR_BONE_INNER)
            .spare("vessels lie behind")
            .called("sternoclavicular joint")),
    SHOULDER_ROOF_JOINT(joint("Joint of collar bone and shoulder roof", "articulatio acromioclavicularis")
            .in(TOP_OF_SHOULDER, UPPER_ARM_OUTER)
            .along(COLLAR_BONE_OUTER, ACROMION)
            .called("ac joint")),
    SHOULDER_JOINT(joint("Shoulder joint", "articulatio humeri")
            .in(UPPER_ARM_OUTER, TOP_OF_SHOULDER)
            .along(ACROMION, HUMERUS_HEAD)
            .spare("once out of place: no pull, no glide")
            .called("glenohumeral joint")),
    SACROILIAC_JOINT(joint("Sacroiliac joint", "articulatio sacroiliaca")
            .in(SACRUM)
            .along(SACRUM_CORNER, SACRUM_EDGE)
            .called("si joint", "sij")),
    HIP_JOINT(joint("Hip joint", "articulatio coxae")
            .in(GROIN, THIGH_FRONT, GLUTEALS)
            .along(HIP_SPINE_LOWER, TROCHANTER)
            .spare("a replaced hip keeps to its surgeon's limits")),
    KNEE_JOINT(joint("Knee joint", "articulatio genus")
            .in(KNEECAP, KNEE_BACK, KNEE_INNER)
            .along(KNEE_HOLLOW_INNER, KNEECAP_TIP)),
    ANKLE_JOINT(joint("Ankle joint", "articulatio talocruralis")
            .in(FOOT_TOP, ACHILLES)
            .along(ANKLE_INNER, ANKLE_OUTER)),
    WRIST_JOINT(joint("Wrist joint", "articulatio radiocarpalis").in(WRIST).along(RADIAL_STYLOID, ULNAR_STYLOID));

    private final String word = Texts.word(this);

    /** What kind of thing it is. */
    public enum Kind {
        MUSCLE(8),
        TENDON(6),
        FASCIA(16),
        LIGAMENT(6),
        JOINT(10);

        private final double usualBreadth;

        Kind(double usualBreadth) {
            this.usualBreadth = usualBreadth;
        }

        @Override
        public String toString() {
            return Texts.word(this);
        }
    }

    /** A row while it is written. */
    static final class Facts {
        private final Kind kind;
        private final String label;
        private final String latin;
        private List<Zone> zones = List.of();
        private List<Landmark> course = List.of();
        private double breadth;
        private boolean surface;
        private List<Action> actions = List.of();
        private List<Zone> refers = List.of();
        private @Nullable String caution;
        private List<String> also = List.of();

        private Facts(Kind kind, String label, String latin) {
            this.kind = kind;
            this.label = label;
            this.latin = latin;
            breadth = kind.usualBreadth;
        }

        static Facts muscle(String label, String latin) {
            return new Facts(Kind.MUSCLE, label, latin);
        }

        static Facts tendon(String label, String latin) {
            return new Facts(Kind.TENDON, label, latin);
        }

        static Facts fascia(String label, String latin) {
            return new Facts(Kind.FASCIA, label, latin);
        }

        static Facts ligament(String label, String latin) {
            return new Facts(Kind.LIGAMENT, label, latin);
        }

        static Facts joint(String label, String latin) {
            return new Facts(Kind.JOINT, label, latin);
        }

        /** Zones it lies in, the one it is worked in first. */
        Facts in(Zone... all) {
            zones = List.of(all);
            return this;
        }

        /** Its course, from origin to insertion. */
        Facts along(Landmark... all) {
            course = List.of(all);
            return this;
        }

        /** Half its breadth where it is broadest, in thousandths of the stature; by eye. */
        Facts broad(double half) {
            breadth = half;
            return this;
        }

        /** Nothing but skin lies over it. */
        Facts atTheSurface() {
            surface = true;
            return this;
        }

        /** What it does, that by which it is found first. */
        Facts does(Action... all) {
            actions = List.of(all);
            return this;
        }

        /** Where the sensation of its points is usually felt. */
        Facts refers(Zone... all) {
            refers = List.of(all);
            return this;
        }

        /** What to spare there. */
        Facts spare(String why) {
            caution = why;
            return this;
        }

        /** Short forms, and names of a group that it belongs to. */
        Facts called(String... all) {
            also = List.of(all);
            return this;
        }
    }

    private final Facts facts;

    Structure(Facts facts) {
        this.facts = facts;
    }

    public Kind kind() {
        return facts.kind;
    }

    public String label() {
        return facts.label;
    }

    public String latin() {
        return facts.latin;
    }

    /** The zones it lies in, the one it is worked in first. */
    public List<Zone> zones() {
        return facts.zones;
    }

    /** The landmarks it runs along, from origin to insertion; the fibre runs as it does. */
    public List<Landmark> course() {
        return facts.course;
    }

    /** Half its breadth where it is broadest, in thousandths of the stature. */
    public double breadth() {
        return facts.breadth;
    }

    /** Whether nothing but skin lies over it. */
    public boolean atTheSurface() {
        return facts.surface;
    }

    /** What it does, that by which it is found first; empty for what moves nothing by itself. */
    public List<Action> actions() {
        return facts.actions;
    }

    /** Where the sensation of its points is usually felt. */
    public List<Zone> refers() {
        return facts.refers;
    }

    /** What to spare there. */
    public Optional<String> caution() {
        return Optional.ofNullable(facts.caution);
    }

    /** What else it is called, and the groups it belongs to: others may be called so too. */
    public List<String> also() {
        return facts.also;
    }

    /** The resisted movement that makes it stand out under the hand. */
    public Optional<Action> standsOut() {
        return actions().stream().findFirst();
    }

    /** What does the opposite of something that it does. */
    public List<Structure> opposedBy() {
        var against = actions().stream().flatMap(a -> a.opposite().stream()).toList();
        var all = new ArrayList<Structure>();
        for (var other : values()) if (other.actions().stream().anyMatch(against::contains)) all.add(other);
        return all;
    }

    /** Along its course, millimetres on a body of a stature in metres. */
    public double length(double statureMetres) {
        double sum = 0;
        for (int i = 1; i < course().size(); i++) sum += course().get(i - 1).distance(course().get(i), statureMetres);
        return sum;
    }

    /** All that lie in a zone, those that are worked in it first. */
    public static List<Structure> in(Zone zone) {
        return Arrays.stream(values())
                .filter(s -> s.zones().contains(zone))
                .sorted((a, b) ->
                        Integer.compare(a.zones().indexOf(zone), b.zones().indexOf(zone)))
                .toList();
    }

    @Override
    public String toString() {
        return word;
    }
}
