package palmtally.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.block;
import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.findings;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import palmtally.core.body.Position;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.people.ClientNote;
import palmtally.core.profile.Choices;
import palmtally.core.profile.Profile;
import palmtally.core.profile.ScopeTopic;
import palmtally.core.sequence.Plans.Made;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Technique.Effort;
import palmtally.core.technique.Tool;

/**
 * Each rule about plans: a plan that raises it, one that does not, and that its mend removes it without raising a stop of another
 * rule. What the rules say is common practice, no source.
 */
class RulesTest {
    private static final Profile A = Profile.bySeconds();
    private static final Profile B = Profile.byResponse();

    /**
     * @param fine a plan as near as can be that does not raise it
     * @param mendable whether a mend is offered
     */
    record Case(
            Rule rule,
            String about,
            Profile profile,
            Sequence faulty,
            Sequence fine,
            boolean mendable,
            List<ClientNote> notes) {
        @Override
        public String toString() {
            return rule + ", " + about;
        }

        Case without() {
            return new Case(rule, about, profile, faulty, fine, false, notes);
        }

        Case under(UnaryOperator<Profile> change) {
            return new Case(rule, about, change.apply(profile), faulty, fine, mendable, notes);
        }
    }

    private static Case of(Rule rule, String about, Sequence faulty, Sequence fine) {
        return new Case(rule, about, A, faulty, fine, true, List.of());
    }

    private static Case client(String about, ClientNote note, Sequence faulty, Sequence fine) {
        return new Case(Rule.CLIENT, about, A, faulty, fine, true, List.of(note));
    }

    private static ClientNote note(ClientNote.Kind kind) {
        return new ClientNote(kind, null, null);
    }

    private static Made thigh(String id) {
        return step(id).on(Zone.HAMSTRINGS);
    }

    private static Made fist(String id) {
        return thigh(id).technique("fist-glide").with(Tool.LOOSE_FIST).deep(4).phase(Phase.TREAT);
    }

    private static Made point(String id) {
        return thigh(id)
                .technique("trigger-point")
                .with(Tool.SUPPORTED_THUMB)
                .deep(4)
                .dose(Dose.holds(3, 9))
                .phase(Phase.TREAT);
    }

    private static Made stretch(String id) {
        return thigh(id).technique("stretch").seconds(30).phase(Phase.LENGTHEN);
    }

    private static Made friction(String id) {
        return step(id).technique("cross-fibre")
                .on(Zone.ACHILLES)
                .with(Tool.SUPPORTED_THUMB)
                .deep(3)
                .dose(Dose.cycles(90, 1.5))
                .phase(Phase.TREAT);
    }

    private static Made heat(String id) {
        return step(id).technique("heat").on(Zone.LUMBAR).deep(1).seconds(300).phase(Phase.RESET);
    }

    private static Made neck(String id) {
        return step(id).on(Zone.NECK_BACK).lying(Position.SUPINE);
    }

    private static Made jaw(String id) {
        return step(id).technique("circular-friction")
                .on(Zone.JAW_MUSCLES)
                .with(Tool.FINGER_PADS)
                .seconds(120)
                .lying(Position.SUPINE);
    }

    private static Made gluteal(String id) {
        return step(id).on(Zone.GLUTEALS).sheet(Sheet.THROUGH).say(SayKind.CONSENT);
    }

    private static Made still(String id) {
        return thigh(id).technique("still-hold").deep(1).seconds(20).phase(Phase.SETTLE);
    }

    private static Made talking(Made m) {
        return m.say(SayKind.GREETING)
                .say(SayKind.PURPOSE)
                .say(SayKind.AREAS_TO_AVOID)
                .say(SayKind.INVITES_FEEDBACK);
    }

    static Stream<Case> cases() {
        return Stream.of(order(), prerequisites(), dose(), sheet(), hands(), words(), scope())
                .flatMap(s -> s);
    }

    private static Stream<Case> order() {
        return Stream.of(
                of(
                        Rule.ORDER_WARM,
                        "30 and 20 s before the fist",
                        eachSide(thigh("w").seconds(30), thigh("k").seconds(20).deep(3), fist("f"), thigh("x")),
                        eachSide(thigh("w").seconds(40), thigh("k").seconds(20).deep(3), fist("f"), thigh("x"))),
                of(
                        Rule.ORDER_BROAD,
                        "thumb first",
                        eachSide(step("t").technique("stripping-thumb").with(Tool.SUPPORTED_THUMB), step("x")),
                        eachSide(
                                step("x"),
                                step("t").technique("stripping-thumb").with(Tool.SUPPORTED_THUMB))),
                of(
                        Rule.ORDER_FIRST,
                        "three, then three",
                        eachSide(thigh("a").deep(3), thigh("b").deep(3)),
                        eachSide(thigh("a").deep(2), thigh("b").deep(3))),
                of(
                        Rule.ORDER_FLUSH,
                        "no flush",
                        eachSide(thigh("w"), thigh("k").deep(3), fist("f")),
                        eachSide(thigh("w"), thigh("k").deep(3), fist("f"), thigh("x"))),
                of(
                        Rule.ORDER_SIDES,
                        "one side left out",
                        once(thigh("w").side(Sides.RIGHT)),
                        once(thigh("w").side(Sides.EACH))),
                of(
                        Rule.ORDER_SIDES,
                        "20 s against 60",
                        eachSide(thigh("w").seconds(60).second(Dose.seconds(20))),
                        eachSide(thigh("w").seconds(60).second(Dose.seconds(48)))),
                of(
                        Rule.ORDER_SIDES,
                        "one ear after the other",
                        once(step("e").on(Zone.EARS).side(Sides.EACH)),
                        once(step("e").on(Zone.EARS).side(Sides.BOTH))),
                of(
                        Rule.ORDER_LIMB,
                        "calf before thigh",
                        eachSide(step("c"), thigh("t"), thigh("f")),
                        eachSide(thigh("t"), step("c"), thigh("f"))),
                of(
                        Rule.ORDER_LIMB,
                        "no flush of the whole",
                        eachSide(thigh("t"), step("c")),
                        eachSide(thigh("t"), step("c"), thigh("f"))),
                of(
                                Rule.ORDER_LIMB,
                                "not from the sheet's edge",
                                eachSide(thigh("t").going(Direction.PROXIMAL), step("c")),
                                eachSide(thigh("t").going(Direction.DISTAL), step("c")))
                        .under(p ->
                                Choices.find("first-leg-stroke").orElseThrow().choose(p, "from-sheet-edge")),
                of(
                        Rule.ORDER_DRY,
                        "rolling after oil",
                        eachSide(
                                thigh("o").oiled(),
                                thigh("r").technique("skin-rolling").with(Tool.PINCER)),
                        eachSide(
                                thigh("r").technique("skin-rolling").with(Tool.PINCER),
                                thigh("o").oiled())),
                of(
                        Rule.ORDER_DRY,
                        "rolling in oil",
                        eachSide(thigh("r")
                                .technique("skin-rolling")
                                .with(Tool.PINCER)
                                .oiled()),
                        eachSide(thigh("r").technique("skin-rolling").with(Tool.PINCER))),
                new Case(
                        Rule.ORDER_DRY,
                        "lubricant late, where it comes first",
                        B,
                        eachSide(thigh("d"), thigh("o").oiled()),
                        eachSide(thigh("d").oiled(), thigh("o").oiled()),
                        true,
                        List.of()),
                of(
                                Rule.ORDER_OPPOSE,
                                "hamstrings without quadriceps",
                                eachSide(thigh("w"), thigh("k").deep(3), fist("f"), thigh("x")),
                                eachSide(
                                        thigh("w"),
                                        thigh("k").deep(3),
                                        fist("f"),
                                        thigh("x"),
                                        step("q").on(Zone.THIGH_FRONT).lying(Position.SUPINE)))
                        .without(),
                of(
                        Rule.ORDER_TURNS,
                        "prone, supine, prone",
                        once(
                                step("a").side(Sides.EACH),
                                step("b").on(Zone.SHIN).side(Sides.EACH).lying(Position.SUPINE),
                                thigh("c").side(Sides.EACH)),
                        once(
                                step("a").side(Sides.EACH).before("b"),
                                step("b")
                                        .on(Zone.SHIN)
                                        .side(Sides.EACH)
                                        .lying(Position.SUPINE)
                                        .before("c"),
                                thigh("c").side(Sides.EACH))));
    }

    private static Stream<Case> prerequisites() {
        return Stream.of(
                of(
                        Rule.PREREQ_LINK,
                        "against its own link",
                        eachSide(thigh("a"), thigh("b").before("a")),
                        eachSide(thigh("b").before("a"), thigh("a"))),
                of(Rule.PREREQ_SETTLE_FIRST, "strokes at once", eachSide(thigh("w")), eachSide(still("s"), thigh("w"))),
                new Case(
                        Rule.PREREQ_SETTLE_FIRST,
                        "still hands where movement opens",
                        B,
                        eachSide(still("s"), thigh("w")),
                        eachSide(thigh("m").technique("rocking").deep(1).sheet(Sheet.THROUGH), thigh("w")),
                        true,
                        List.of()),
                of(
                        Rule.PREREQ_ASSESS_FIRST,
                        "deep unseen",
                        eachSide(thigh("w"), thigh("k").deep(3), fist("f"), thigh("x")),
                        eachSide(
                                still("l").phase(Phase.ASSESS),
                                thigh("w"),
                                thigh("k").deep(3),
                                fist("f"),
                                thigh("x"))),
                of(
                        Rule.PREREQ_THIGH_BEFORE_GLUTEAL,
                        "gluteals at once",
                        eachSide(gluteal("g"), thigh("t")),
                        eachSide(thigh("t"), gluteal("g"))),
                of(
                        Rule.PREREQ_BACK_BEFORE_FRONT_OF_NECK,
                        "strap muscle at once",
                        eachSide(neck("f").on(Zone.STRAP_MUSCLE).say(SayKind.CONSENT)),
                        eachSide(neck("b"), neck("f").on(Zone.STRAP_MUSCLE).say(SayKind.CONSENT))),
                of(Rule.PREREQ_NECK_BEFORE_JAW, "jaw at once", eachSide(jaw("j")), eachSide(neck("n"), jaw("j"))),
                of(
                        Rule.PREREQ_MUSCLE_BEFORE_JOINT,
                        "jaw joint before its muscles",
                        eachSide(neck("n"), jaw("g").technique("range-of-motion"), jaw("j")),
                        eachSide(neck("n"), jaw("j"), jaw("g").technique("range-of-motion"))),
                of(
                        Rule.PREREQ_DISTRACTION_BEFORE_GLIDE,
                        "glide at once",
                        eachSide(
                                step("k").on(Zone.WRIST).lying(Position.SUPINE),
                                step("g")
                                        .technique("joint-glide")
                                        .on(Zone.WRIST)
                                        .dose(Dose.holds(3, 9))
                                        .lying(Position.SUPINE)),
                        eachSide(
                                step("k").on(Zone.WRIST).lying(Position.SUPINE),
                                step("d").technique("traction").on(Zone.WRIST).lying(Position.SUPINE),
                                step("g")
                                        .technique("joint-glide")
                                        .on(Zone.WRIST)
                                        .dose(Dose.holds(3, 9))
                                        .lying(Position.SUPINE))),
                of(
                        Rule.PREREQ_GENTLE_TO_STRONG,
                        "points before rolling",
                        eachSide(
                                thigh("w"),
                                point("p"),
                                thigh("r")
                                        .technique("skin-rolling")
                                        .with(Tool.PINCER)
                                        .phase(Phase.TREAT)),
                        eachSide(
                                thigh("w"),
                                thigh("r")
                                        .technique("skin-rolling")
                                        .with(Tool.PINCER)
                                        .phase(Phase.TREAT),
                                point("p"))),
                of(
                        Rule.PREREQ_LENGTHEN_AFTER_POINT,
                        "point left short",
                        eachSide(thigh("w"), point("p")),
                        eachSide(thigh("w"), point("p"), stretch("s"))),
                of(
                        Rule.PREREQ_MOVING_ON_TENDON,
                        "hold on the heel cord",
                        eachSide(point("p").on(Zone.ACHILLES).deep(3)),
                        eachSide(friction("f"))),
                of(
                        Rule.PREREQ_FLUSH_AFTER_HEAT,
                        "heat left there",
                        eachSide(heat("h")),
                        eachSide(heat("h"), step("x").on(Zone.LUMBAR))),
                of(
                        Rule.PREREQ_STRETCH_AFTER_HEAT,
                        "heat unused",
                        eachSide(heat("h")),
                        eachSide(heat("h"), stretch("s").on(Zone.LUMBAR))),
                of(
                        Rule.PREREQ_AFTER_FRICTION,
                        "friction without cold",
                        eachSide(friction("f")),
                        eachSide(
                                friction("f"),
                                step("c").technique("cold").on(Zone.ACHILLES).deep(1))),
                of(
                        Rule.PREREQ_SCALP,
                        "scalp before the neck, where it comes last",
                        once(
                                neck("s").on(Zone.SCALP).side(Sides.MIDLINE),
                                neck("n").side(Sides.BOTH)),
                        once(
                                neck("n").side(Sides.BOTH),
                                neck("s").on(Zone.SCALP).side(Sides.MIDLINE))),
                of(
                        Rule.PREREQ_COMPARE_AFTER,
                        "nothing checked again",
                        eachSide(thigh("w"), thigh("k").deep(3), fist("f"), thigh("x")),
                        eachSide(
                                thigh("w"),
                                thigh("k").deep(3),
                                fist("f"),
                                still("r").phase(Phase.RE_CHECK))));
    }

    private static Stream<Case> dose() {
        return Stream.of(
                of(
                        Rule.DOSE_WINDOW,
                        "10 s of stretch",
                        eachSide(stretch("s").seconds(10)),
                        eachSide(stretch("s").seconds(30))),
                of(
                                Rule.DOSE_WINDOW,
                                "seconds, where breaths count",
                                eachSide(thigh("w"), point("p")),
                                eachSide(thigh("w"), point("p").dose(Dose.breaths(3))))
                        .under(p -> Choices.find("hold-end").orElseThrow().choose(p, "by-breaths")),
                of(
                        Rule.DOSE_CAP,
                        "12 s on the strap muscle",
                        eachSide(neck("p")
                                .technique("trigger-point")
                                .on(Zone.STRAP_MUSCLE)
                                .dose(Dose.holds(1, 12))),
                        eachSide(neck("p")
                                .technique("trigger-point")
                                .on(Zone.STRAP_MUSCLE)
                                .dose(Dose.holds(1, 10)))),
                of(
                        Rule.DOSE_CAP,
                        "friction beyond 2 min",
                        eachSide(friction("f").dose(Dose.cycles(200, 1.5))),
                        eachSide(friction("f").dose(Dose.cycles(180, 1.5)))),
                of(
                        Rule.DOSE_RATE,
                        "3 a second",
                        eachSide(friction("f").dose(Dose.cycles(60, 3))),
                        eachSide(friction("f").dose(Dose.cycles(60, 2)))),
                of(
                                Rule.DOSE_SLOT,
                                "145 of 100 s",
                                Plans.of(
                                        100,
                                        block(
                                                "b",
                                                Block.Order.IN_ORDER,
                                                Block.Repeat.ONCE,
                                                thigh("w").seconds(120))),
                                Plans.of(
                                        150,
                                        block(
                                                "b",
                                                Block.Order.IN_ORDER,
                                                Block.Repeat.ONCE,
                                                thigh("w").seconds(120))))
                        .without(),
                of(
                        Rule.PRESS_CEILING,
                        "back of the knee at 2",
                        eachSide(step("k").on(Zone.KNEE_BACK).deep(2)),
                        eachSide(step("k").on(Zone.KNEE_BACK).deep(1))),
                of(
                        Rule.PRESS_STEP,
                        "2 to 4 at once",
                        eachSide(thigh("w"), fist("f"), thigh("x")),
                        eachSide(thigh("w"), thigh("k").deep(3), fist("f"), thigh("x"))),
                of(
                        Rule.PRESS_POINT,
                        "thumb under the ear",
                        eachSide(neck("t")
                                .on(Zone.BELOW_EAR)
                                .with(Tool.SUPPORTED_THUMB)
                                .deep(1)),
                        eachSide(neck("t").on(Zone.BELOW_EAR).deep(1))),
                of(
                                Rule.PRESS_POINT,
                                "elbow, where the forearm is used",
                                eachSide(thigh("w"), thigh("e").with(Tool.ELBOW)),
                                eachSide(thigh("w"), thigh("e").with(Tool.FOREARM)))
                        .under(p -> Choices.find("elbow").orElseThrow().choose(p, "forearm-only")));
    }

    private static Stream<Case> sheet() {
        return Stream.of(
                of(
                        Rule.DRAPE_OPEN,
                        "under a closed sheet",
                        eachSide(thigh("w").sheet(Sheet.COVERED)),
                        eachSide(thigh("w").sheet(Sheet.THROUGH))),
                of(
                        Rule.DRAPE_OPEN,
                        "oil through the sheet",
                        eachSide(gluteal("g").oiled()),
                        eachSide(gluteal("g"))),
                of(
                        Rule.DRAPE_IDLE,
                        "a look of 40 s at an open leg",
                        eachSide(thigh("l").deep(0).seconds(40).phase(Phase.ASSESS), thigh("w")),
                        eachSide(thigh("l").deep(0).seconds(20).phase(Phase.ASSESS), thigh("w"))),
                of(
                        Rule.DRAPE_TWO,
                        "both legs",
                        once(thigh("w").side(Sides.BOTH)),
                        once(thigh("w").side(Sides.EACH))),
                of(
                        Rule.DRAPE_SECURE,
                        "a stretch",
                        eachSide(stretch("s")),
                        eachSide(stretch("s").with(Care.SHEET_SECURED))),
                of(
                                Rule.DRAPE_SECURE,
                                "the arm that is the anchor",
                                eachSide(step("s")
                                        .technique("stretch")
                                        .on(Zone.CHEST_WALL)
                                        .say(SayKind.CONSENT)
                                        .seconds(30)),
                                eachSide(step("s")
                                        .technique("stretch")
                                        .on(Zone.CHEST_WALL)
                                        .say(SayKind.CONSENT)
                                        .seconds(30)
                                        .sheet(Sheet.THROUGH)))
                        .under(p -> Choices.find("chest-sheet").orElseThrow().choose(p, "arms-over-sheet")),
                of(
                        Rule.DRAPE_END,
                        "left open",
                        eachSide(thigh("w")),
                        once(
                                thigh("w").side(Sides.EACH),
                                still("c").side(Sides.BOTH).sheet(Sheet.COVERED).phase(Phase.COVER))),
                of(
                        Rule.CONSENT_BEFORE,
                        "never asked",
                        eachSide(thigh("t"), step("g").on(Zone.GLUTEALS).sheet(Sheet.THROUGH)),
                        eachSide(thigh("t"), gluteal("g"))),
                new Case(
                        Rule.CONSENT_BEFORE,
                        "at the moment, not at the start",
                        B,
                        eachSide(thigh("t"), gluteal("g")),
                        eachSide(still("s").say(SayKind.CONSENT), gluteal("g")),
                        true,
                        List.of()),
                of(
                        Rule.CONSENT_SCOPE,
                        "bare, where the sheet stays on",
                        eachSide(thigh("t"), gluteal("g").sheet(Sheet.OPEN)),
                        eachSide(thigh("t"), gluteal("g"))),
                of(
                        Rule.CONSENT_SCOPE,
                        "opened after a yes through the sheet",
                        eachSide(
                                step("c")
                                        .on(Zone.CHEST_WALL)
                                        .sheet(Sheet.THROUGH)
                                        .say(SayKind.CONSENT)
                                        .lying(Position.SUPINE),
                                step("o").on(Zone.CHEST_WALL).lying(Position.SUPINE)),
                        eachSide(
                                step("c")
                                        .on(Zone.CHEST_WALL)
                                        .sheet(Sheet.THROUGH)
                                        .say(SayKind.CONSENT)
                                        .lying(Position.SUPINE),
                                step("o")
                                        .on(Zone.CHEST_WALL)
                                        .say(SayKind.CONSENT)
                                        .lying(Position.SUPINE))),
                of(
                        Rule.CLEAN_FACE,
                        "from the foot to the face",
                        once(
                                step("f").on(Zone.SOLE).side(Sides.EACH).lying(Position.SUPINE),
                                step("n").on(Zone.FACE).side(Sides.BOTH).lying(Position.SUPINE)),
                        once(
                                step("f").on(Zone.SOLE).side(Sides.EACH).lying(Position.SUPINE),
                                step("n")
                                        .on(Zone.FACE)
                                        .side(Sides.BOTH)
                                        .lying(Position.SUPINE)
                                        .with(Care.HANDS_WIPED))));
    }

    private static Stream<Case> hands() {
        return Stream.of(
                of(
                        Rule.HAND_BARE,
                        "40 s in a row",
                        eachSide(
                                thigh("w").seconds(300),
                                thigh("t").with(Tool.BARE_THUMB).seconds(40)),
                        eachSide(
                                thigh("w").seconds(300),
                                thigh("t").with(Tool.BARE_THUMB).seconds(30))),
                of(
                        Rule.HAND_BARE,
                        "a third of the work",
                        eachSide(
                                thigh("w").seconds(40),
                                thigh("t").with(Tool.BARE_THUMB).seconds(20)),
                        eachSide(
                                thigh("w").seconds(80),
                                thigh("t").with(Tool.BARE_THUMB).seconds(20))),
                of(
                        Rule.HAND_LOAD,
                        "half on the thumb",
                        eachSide(
                                thigh("w").seconds(60),
                                thigh("t").with(Tool.SUPPORTED_THUMB).seconds(60)),
                        eachSide(
                                thigh("w").seconds(90),
                                thigh("t").with(Tool.SUPPORTED_THUMB).seconds(60))),
                of(
                        Rule.REACH,
                        "thumb from across",
                        eachSide(
                                thigh("w"),
                                thigh("t").with(Tool.SUPPORTED_THUMB).standing(Stands.ACROSS)),
                        eachSide(thigh("w").standing(Stands.ACROSS), thigh("t").with(Tool.SUPPORTED_THUMB))),
                of(
                        Rule.TABLE,
                        "deep on a high table",
                        eachSide(thigh("w"), thigh("k").deep(3), fist("f"), thigh("x"))
                                .onTable(TableHeight.HIGH),
                        eachSide(thigh("w"), thigh("k").deep(3), fist("f"), thigh("x"))
                                .onTable(TableHeight.LOW)),
                of(
                        Rule.TABLE,
                        "side-lying on a low table",
                        eachSide(thigh("w").lying(Position.SIDE_LEFT)).onTable(TableHeight.LOW),
                        eachSide(thigh("w").lying(Position.SIDE_LEFT)).onTable(TableHeight.MIDDLE)),
                of(
                        Rule.TABLE,
                        "kneeling on it",
                        eachSide(thigh("w").stance(Stance.ON_TABLE)),
                        eachSide(thigh("w").stance(Stance.HORSE))));
    }

    private static Stream<Case> words() {
        return Stream.of(
                of(
                        Rule.COMM_TOOL,
                        "fist in silence",
                        eachSide(thigh("w"), thigh("k").deep(3), fist("f"), thigh("x")),
                        eachSide(
                                thigh("w"),
                                thigh("k").deep(3),
                                fist("f").say(SayKind.PRESSURE_QUESTION, 5),
                                thigh("x"))),
                of(
                        Rule.COMM_GAP,
                        "ten minutes of silence",
                        eachSide(thigh("a").seconds(300)),
                        eachSide(
                                thigh("a").seconds(120).say(SayKind.PRESSURE_QUESTION, 60),
                                thigh("b").seconds(120).say(SayKind.PRESSURE_QUESTION),
                                thigh("c").seconds(60).say(SayKind.CHOICE))),
                of(
                        Rule.COMM_WARN,
                        "stretch unannounced",
                        eachSide(stretch("s")),
                        eachSide(stretch("s").say(SayKind.WARNS))),
                of(
                        Rule.COMM_CUE,
                        "active without cues",
                        eachSide(stretch("s").effort(Effort.ACTIVE)),
                        eachSide(stretch("s")
                                .effort(Effort.ACTIVE)
                                .say(SayKind.READY_CUE)
                                .say(SayKind.RELAX_CUE))),
                new Case(
                        Rule.COMM_CUE,
                        "passive, where the client moves",
                        B,
                        eachSide(stretch("s")),
                        eachSide(stretch("s")
                                .effort(Effort.ACTIVE)
                                .say(SayKind.READY_CUE)
                                .say(SayKind.RELAX_CUE)),
                        true,
                        List.of()),
                of(
                        Rule.COMM_INTERVIEW,
                        "a point without a question",
                        eachSide(thigh("w"), point("p")),
                        eachSide(thigh("w"), point("p").say(SayKind.INTERVIEW))),
                of(
                        Rule.COMM_OPEN,
                        "no greeting",
                        eachSide(still("s").say(SayKind.PURPOSE), thigh("w")),
                        eachSide(talking(still("s")), thigh("w"))),
                of(
                        Rule.COMM_CLOSE,
                        "no last word",
                        eachSide(thigh("w")),
                        eachSide(thigh("w").say(SayKind.CLOSING))));
    }

    private static Stream<Case> scope() {
        var heat = ScopeTopic.HEAT_AND_COLD;
        return Stream.of(
                of(Rule.SCOPE, "heat, not taught", eachSide(thigh("w"), heat("h")), eachSide(thigh("w")))
                        .under(p -> scoped(p, heat, ScopeTopic.Level.NOT_TAUGHT)),
                of(
                        Rule.SCOPE,
                        "a diagnosis",
                        eachSide(step("d").saying("You have a torn muscle.")),
                        eachSide(step("d").saying("This feels tight to my hand."))),
                of(
                        Rule.SCOPE,
                        "exercises to take home",
                        eachSide(step("d").saying("Do three sets of ten daily.")),
                        eachSide(step("d").saying("Rest a little."))),
                of(
                        Rule.SCOPE,
                        "hands-on inside the mouth, theory only",
                        eachSide(neck("n"), neck("m").on(Zone.INSIDE_MOUTH).say(SayKind.CONSENT)),
                        eachSide(neck("n"), neck("m").on(Zone.INSIDE_MOUTH).deep(0))),
                client(
                        "pregnant, prone",
                        note(ClientNote.Kind.PREGNANT),
                        eachSide(thigh("w")),
                        eachSide(thigh("w").lying(Position.SIDE_LEFT))),
                client(
                        "pregnant, deep on the leg",
                        note(ClientNote.Kind.PREGNANT),
                        eachSide(thigh("w").deep(3).lying(Position.SIDE_LEFT)),
                        eachSide(thigh("w").deep(2).lying(Position.SIDE_LEFT))),
                client(
                        "back pain, hip flexors stretched",
                        note(ClientNote.Kind.BACK_PAIN),
                        eachSide(thigh("w"), stretch("s").on(Zone.THIGH_FRONT)),
                        eachSide(thigh("w"), stretch("s"))),
                client(
                        "back pain, resisted effort",
                        note(ClientNote.Kind.BACK_PAIN),
                        eachSide(stretch("s").effort(Effort.RESISTED)),
                        eachSide(stretch("s"))),
                client(
                        "inflamed, deep",
                        new ClientNote(ClientNote.Kind.INFLAMED, Zone.HAMSTRINGS, Side.LEFT),
                        eachSide(thigh("w"), thigh("k").deep(3)),
                        once(thigh("k").deep(3).side(Sides.RIGHT))),
                client(
                        "not to be touched",
                        new ClientNote(ClientNote.Kind.SPARE, Zone.HAMSTRINGS, null),
                        eachSide(step("c"), thigh("w")),
                        eachSide(step("c"))),
                client(
                        "no lubricant",
                        note(ClientNote.Kind.NO_LUBRICANT),
                        eachSide(thigh("w").oiled()),
                        eachSide(thigh("w"))),
                client(
                        "no cold",
                        note(ClientNote.Kind.NO_COLD),
                        eachSide(
                                step("w").on(Zone.LUMBAR),
                                heat("c").technique("cold").seconds(60)),
                        eachSide(step("w").on(Zone.LUMBAR), heat("c"))));
    }

    static Profile scoped(Profile p, ScopeTopic topic, ScopeTopic.Level level) {
        var scope = new EnumMap<ScopeTopic, ScopeTopic.Level>(p.scope());
        scope.put(topic, level);
        return p.withScope(scope);
    }

    @ParameterizedTest
    @MethodSource("cases")
    void is_raised_by_a_plan_that_breaks_it_and_not_by_one_that_does_not(Case c) {
        assertThat(said(c, c.faulty)).as("raised").isNotEmpty();
        assertThat(said(c, c.fine)).as("not raised").isEmpty();
    }

    private static List<Found> said(Case c, Sequence plan) {
        return Checks.run(plan, c.profile, c.notes).found().stream()
                .filter(f -> f.finding().rule() == c.rule)
                .toList();
    }

    @ParameterizedTest
    @MethodSource("cases")
    void a_mend_removes_its_finding_and_raises_no_stop_of_another_rule(Case c) {
        var before = Checks.run(c.faulty, c.profile, c.notes);
        var mends = said(c, c.faulty).stream().filter(f -> f.mend().isPresent()).toList();
        assertThat(!mends.isEmpty()).as("has a mend").isEqualTo(c.mendable);
        for (var found : mends) {
            var after = Checks.run(before.mended(found.finding().key()), c.profile, c.notes);
            assertThat(after.findings())
                    .extracting(f -> f.key())
                    .doesNotContain(found.finding().key());
            assertThat(said(c, after.sequence()).size())
                    .isLessThan(said(c, c.faulty).size());
            assertThat(stops(after))
                    .as("stops after %s", found.mend().get().label())
                    .allSatisfy((r, n) -> assertThat(n)
                            .as(r.toString())
                            .isLessThanOrEqualTo(stops(before).getOrDefault(r, 0L)));
        }
    }

    private static Map<Rule, Long> stops(Checks checks) {
        return checks.findings().stream()
                .filter(f -> f.severity() == Severity.STOP)
                .collect(Collectors.groupingBy(f -> f.rule(), () -> new EnumMap<>(Rule.class), Collectors.counting()));
    }

    @ParameterizedTest
    @MethodSource("cases")
    void a_finding_says_what_why_and_how_to_mend_it(Case c) {
        for (var found : said(c, c.faulty)) {
            assertThat(found.finding().sentence()).endsWith(".").hasSizeGreaterThan(25);
            assertThat(found.finding().remedy()).endsWith(".");
            assertThat(found.finding().key()).startsWith(c.rule.toString());
        }
    }

    @ParameterizedTest
    @MethodSource("cases")
    void a_rule_that_is_off_stays_silent(Case c) {
        assertThat(said(c.under(p -> p.withSeverities(Map.of(c.rule, Severity.OFF))), c.faulty))
                .isEmpty();
    }

    @Test
    void every_rule_about_plans_has_its_case() {
        assertThat(cases().map(Case::rule).collect(Collectors.toSet()))
                .containsExactlyInAnyOrderElementsOf(Checks.rules());
    }

    @Test
    void a_sound_plan_gets_hints_only() {
        var found = Checks.run(ChecksTest.sound(), A).findings();
        assertThat(found).filteredOn(f -> f.severity() != Severity.HINT).isEmpty();
        assertThat(found).extracting(f -> f.rule()).containsOnly(Rule.ORDER_OPPOSE);
    }

    /** Of several opponents the first of the body is named, from start to start the same. */
    @Test
    void the_opponent_that_is_left_out_is_always_the_same() {
        var chest = once(step("c").on(Zone.CHEST_WALL).deep(4).seconds(60));
        assertThat(Checks.run(chest, A).findings())
                .filteredOn(f -> f.rule() == Rule.ORDER_OPPOSE)
                .singleElement()
                .satisfies(f ->
                        assertThat(f.sentence()).contains("its opponent, upper back, beside the spine, is left out"));
        assertThat(List.copyOf(java.util.EnumSet.of(Zone.UPPER_BACK, Zone.SHOULDER_BLADE))
                        .get(0))
                .isEqualTo(Zone.UPPER_BACK);
    }

    @Test
    void every_topic_of_scope_is_refused_where_it_is_not_taught_and_silent_where_it_is_allowed() {
        var plans = Map.of(
                ScopeTopic.FRONT_OF_NECK, eachSide(neck("a").on(Zone.THROAT)),
                ScopeTopic.INSIDE_MOUTH, eachSide(neck("a").on(Zone.INSIDE_MOUTH)),
                ScopeTopic.BREAST_TISSUE, eachSide(neck("a").on(Zone.BREAST)),
                ScopeTopic.JOINT_MOVEMENT, eachSide(neck("a").technique("joint-glide")),
                ScopeTopic.HEAT_AND_COLD, eachSide(heat("a")),
                ScopeTopic.PRENATAL, eachSide(thigh("a")),
                ScopeTopic.ABDOMINAL, once(neck("a").on(Zone.BELLY).side(Sides.MIDLINE)),
                ScopeTopic.EXERCISE_ADVICE, eachSide(step("a").saying("Repeat this exercise at home.")),
                ScopeTopic.DIAGNOSIS, eachSide(step("a").saying("That is sciatica.")));
        assertThat(plans.keySet()).containsExactlyInAnyOrder(ScopeTopic.values());
        plans.forEach((topic, plan) -> {
            var notes = topic == ScopeTopic.PRENATAL ? List.of(note(ClientNote.Kind.PREGNANT)) : List.<ClientNote>of();
            for (var level : ScopeTopic.Level.values()) {
                var found = Checks.run(plan, scoped(A, topic, level), notes).findings().stream()
                        .filter(f -> f.rule() == Rule.SCOPE && f.sentence().contains(topic.caution()))
                        .toList();
                if (level == ScopeTopic.Level.ALLOWED) {
                    assertThat(found).as(topic + " " + level).isEmpty();
                    continue;
                }
                assertThat(found).as(topic + " " + level).hasSize(1);
                assertThat(found.get(0).sentence()).endsWith(ScopeTopic.WHO_DECIDES);
                assertThat(found.get(0).severity())
                        .isEqualTo(level == ScopeTopic.Level.SUPERVISED ? Severity.HINT : Severity.STOP);
            }
        });
    }

    /** For each either/or a plan on which nothing but its flip changes what is found. */
    private static final Map<String, Sequence> FLIPS = Map.ofEntries(
            Map.entry("hold-end", eachSide(thigh("w"), point("p").dose(Dose.holds(3, 3)))),
            Map.entry("hold-decided-by", eachSide(thigh("w"), point("p").say(SayKind.INTERVIEW))),
            Map.entry(
                    "first-on-skin",
                    eachSide(
                            thigh("o").oiled(),
                            thigh("r").technique("skin-rolling").with(Tool.PINCER))),
            Map.entry("first-leg-stroke", eachSide(thigh("t").going(Direction.PROXIMAL), step("c"), thigh("x"))),
            Map.entry("gluteals", eachSide(thigh("t"), gluteal("g").sheet(Sheet.OPEN))),
            Map.entry("consent", eachSide(thigh("t"), gluteal("g"))),
            Map.entry(
                    "chest-sheet",
                    eachSide(step("s")
                            .technique("stretch")
                            .on(Zone.CHEST_WALL)
                            .say(SayKind.CONSENT)
                            .with(Care.SHEET_SECURED))),
            Map.entry(
                    "front-of-neck",
                    eachSide(neck("n"), neck("f").on(Zone.STRAP_MUSCLE).say(SayKind.CONSENT))),
            Map.entry("elbow", eachSide(thigh("w"), thigh("e").with(Tool.ELBOW))),
            Map.entry("on-table", eachSide(thigh("w").stance(Stance.ON_TABLE))),
            Map.entry(
                    "scalp",
                    once(neck("s").on(Zone.SCALP).side(Sides.MIDLINE), neck("n").side(Sides.BOTH))),
            Map.entry(
                    "client-part",
                    eachSide(stretch("s")
                            .effort(Effort.ACTIVE)
                            .say(SayKind.READY_CUE)
                            .say(SayKind.RELAX_CUE))),
            Map.entry(
                    "after-friction",
                    eachSide(
                            friction("f"),
                            step("c").technique("cold").on(Zone.ACHILLES).deep(1))),
            Map.entry("ears", once(step("e").on(Zone.EARS).side(Sides.BOTH))),
            Map.entry("opening", eachSide(still("s"), thigh("w"))),
            Map.entry(
                    "ceiling-end",
                    eachSide(neck("n"), neck("f").on(Zone.STRAP_MUSCLE).deep(3).say(SayKind.CONSENT))));

    static Stream<Choices.Row> eitherOrs() {
        return Choices.all().stream();
    }

    @ParameterizedTest
    @MethodSource("eitherOrs")
    void flipping_one_setting_alone_changes_what_its_rule_finds(Choices.Row setting) {
        if (setting.rules().isEmpty()) return; // changes marks: see the tests of outcomes and of competency
        var plan = FLIPS.get(setting.id());
        assertThat(plan).as("a plan for " + setting.id()).isNotNull();
        var said = setting.options().stream()
                .map(o -> Checks.run(plan, setting.choose(A, o.id())).findings())
                .collect(Collectors.toSet());
        assertThat(said).as("answers to " + setting.question()).hasSizeGreaterThan(1);
        var others = setting.options().stream()
                .map(o -> Checks.run(plan, setting.choose(A, o.id())).findings().stream()
                        .filter(f -> !setting.rules().contains(f.rule()))
                        .toList())
                .collect(Collectors.toSet());
        assertThat(others).as("what other rules say").hasSize(1);
    }

    @ParameterizedTest
    @MethodSource("eitherOrs")
    void a_setting_reads_back_what_was_chosen_and_touches_nothing_else(Choices.Row setting) {
        for (var option : setting.options()) {
            var changed = setting.choose(A, option.id());
            assertThat(setting.chosen(changed)).isEqualTo(option.id());
            assertThat(setting.choose(changed, setting.chosen(A))).isEqualTo(A);
        }
    }

    @Test
    void the_two_that_ship_disagree_on_six_rules_and_more_about_one_plan() {
        var plan = eachSide(
                still("s"),
                thigh("w").seconds(70).going(Direction.PROXIMAL),
                thigh("k").deep(3).seconds(10).oiled(),
                thigh("r").technique("skin-rolling").with(Tool.PINCER),
                point("p").say(SayKind.INTERVIEW),
                thigh("e").with(Tool.ELBOW),
                stretch("t"),
                gluteal("g"));
        var a = rules(plan, A);
        var b = rules(plan, B);
        var different = Stream.concat(a.stream(), b.stream())
                .filter(r -> a.contains(r) != b.contains(r))
                .collect(Collectors.toSet());
        assertThat(different).hasSizeGreaterThanOrEqualTo(6);
    }

    private static Set<Rule> rules(Sequence plan, Profile profile) {
        return Checks.run(plan, profile).findings().stream().map(f -> f.rule()).collect(Collectors.toSet());
    }

    @Test
    void a_longer_warm_up_of_the_other_school_is_found_missing() {
        var plan = eachSide(thigh("w").seconds(60), thigh("k").deep(3).seconds(10), fist("f"), thigh("x"));
        assertThat(findings(plan, A, Rule.ORDER_WARM)).isEmpty();
        assertThat(findings(plan, B, Rule.ORDER_WARM)).hasSize(1);
    }
}
