package palmtally.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import palmtally.core.body.Landmark;
import palmtally.core.body.Position;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;
import palmtally.core.demonstration.Showing;
import palmtally.core.picture.Picture.Kind;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Direction;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Stance;
import palmtally.core.sequence.Stands;
import palmtally.core.sequence.Timeline;
import palmtally.core.sequence.detail.Comparison;
import palmtally.core.sequence.detail.DetailField;
import palmtally.core.sequence.detail.Limb;
import palmtally.core.sequence.detail.OtherHand;
import palmtally.core.sequence.detail.Prop;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;
import palmtally.core.technique.Tool;

/** Lengths, speeds and stations by hand from the places of the landmarks: thousandths of a stature of 1.70 m. */
class StepPictureTest {
    private static List<Picture> pictures(Plans.Made... steps) {
        return Timeline.of(once(steps), Profile.bySeconds()).spans().stream()
                .map(StepPicture::of)
                .toList();
    }

    private static Picture picture(Plans.Made step) {
        return pictures(step).get(0);
    }

    private static Plans.Made glide() {
        return step("g")
                .technique("effleurage")
                .on(Zone.HAMSTRINGS)
                .side(Sides.RIGHT)
                .lying(Position.PRONE)
                .with(Tool.PALM)
                .dose(Dose.passes(6, 15))
                .saying(d -> {
                    d.from = Landmark.KNEE_HOLLOW;
                    d.to = Landmark.SIT_BONE;
                });
    }

    private static List<Point> line(Picture p) {
        return p.motion().lines().get(0);
    }

    private static Point first(Picture p) {
        return line(p).get(0);
    }

    private static Point last(Picture p) {
        return line(p).get(line(p).size() - 1);
    }

    @Test
    void a_glide_from_the_knee_to_the_sit_bone_by_hand() {
        var p = picture(glide());
        // 10 out and 197 up: 197.3 thousandths of 1700 mm are 335 mm; in 15 s that is 22 mm a second.
        assertThat(p.facts().millimetres()).isEqualTo(335);
        assertThat(p.facts().millimetresASecond()).isEqualTo(22);
        assertThat(p.facts().towardHeart()).isTrue();
        assertThat(p.facts().words())
                .containsExactly("335 mm · 22 mm a second", "toward the heart", "hatched: skin only, or not at all");
        assertThat(first(p).x()).isCloseTo(46 * 1.7, within(.01));
        assertThat(first(p).y()).isCloseTo((1000 - 285) * 1.7, within(.01));
        assertThat(last(p).y()).isCloseTo((1000 - 482) * 1.7, within(.01));
        assertThat(p.motion().kind()).isEqualTo(Picture.Kind.GLIDE);
        assertThat(p.motion().seconds()).isEqualTo(15);
        // Fingers lead: up, and a little inward.
        assertThat(p.hands().get(0).degrees()).isCloseTo(-Math.toDegrees(Math.atan2(10, 197)), within(.1));
    }

    /** A class that sees 40 of 90 seconds sees passes of the same length. */
    @Test
    void a_class_sees_the_same_speed() {
        var plan = once(glide().inClass(40));
        var shown = Showing.of(plan, Profile.bySeconds());
        var p = StepPicture.of(shown.timeline().spans().get(0));
        assertThat(p.motion().seconds()).isEqualTo(15);
        assertThat(p.facts().millimetresASecond()).isEqualTo(22);
    }

    @Test
    void stations_beside_the_sacrum_by_hand() {
        var p = picture(step("s")
                .technique("static-press")
                .on(Zone.SACRUM)
                .side(Sides.LEFT)
                .lying(Position.PRONE)
                .dose(Dose.holds(8, 5))
                .saying(d -> {
                    d.from = Landmark.SACRUM_CORNER;
                    d.to = Landmark.SACRUM_EDGE;
                }));
        // 4 in and 30 down: 30.3 thousandths are 51 mm; eight stations on .88 of it stand 6.5 mm apart.
        assertThat(p.facts().millimetres()).isEqualTo(51);
        assertThat(p.motion().stations()).hasSize(8);
        assertThat(p.facts().stationGap()).isEqualTo(6);
        assertThat(p.facts().words()).contains("8 places, 6 mm apart");
        assertThat(p.motion().stations().get(0).x()).isLessThan(0);
        assertThat(p.facts().millimetresASecond()).isNull();
    }

    /** The landmarks of a stroke beside the spine lie on it: they say how high, the hand stays beside. */
    @Test
    void a_stroke_beside_the_spine_is_not_on_it() {
        var p = picture(step("f")
                .technique("forearm-glide")
                .on(Zone.UPPER_BACK)
                .side(Sides.RIGHT)
                .lying(Position.PRONE)
                .with(Tool.FOREARM)
                .dose(Dose.passes(4, 15))
                .saying(d -> {
                    d.from = Landmark.C7;
                    d.to = Landmark.T12;
                }));
        assertThat(first(p).y()).isCloseTo((1000 - 838) * 1.7, within(.01));
        assertThat(last(p).y()).isCloseTo((1000 - 655) * 1.7, within(.01));
        assertThat(line(p)).allMatch(q -> q.x() > 30 && q.x() < 110);
        // The hand of the forearm hangs out to the side, the elbow is the inner end.
        var hand = p.hands().get(0);
        double outward = hand.mirrored() ? 1 : -1;
        assertThat(new Point(outward, 0).turned(Math.toRadians(hand.degrees())).x())
                .isGreaterThan(.9);
    }

    @Test
    void a_strip_along_a_muscle_by_hand() {
        var p = picture(step("m")
                .technique("stripping-thumb")
                .on(Zone.HAMSTRINGS)
                .side(Sides.RIGHT)
                .lying(Position.PRONE)
                .with(Tool.SUPPORTED_THUMB)
                .dose(Dose.passes(3, 20))
                .saying(d -> d.structures.add(Structure.BICEPS_FEMORIS)));
        // Sit bone (36, 482) to head of the fibula (70, 264): 220.6 thousandths, 375 mm, five sixths of it without its
        // ends: 313 mm.
        assertThat(p.facts().millimetres()).isCloseTo(313, within(2));
        assertThat(p.facts().fibre()).isEqualTo(0);
        assertThat(p.facts().millimetresASecond()).isEqualTo(16);
        assertThat(last(p).y()).as("toward the trunk").isLessThan(first(p).y());
    }

    @Test
    void a_pull_draws_the_limb_out_and_a_stretch_swings_it_round_its_joint() {
        var pulled = picture(step("t")
                .technique("traction")
                .on(Zone.HAMSTRINGS)
                .side(Sides.RIGHT)
                .lying(Position.SUPINE));
        // Held above the ankle, 80 thousandths up; drawn 130 mm away from the hip.
        assertThat(first(pulled).y()).isCloseTo((1000 - 80) * 1.7, within(2.0));
        assertThat(last(pulled).y() - first(pulled).y()).isCloseTo(130, within(1.0));
        assertThat(pulled.motion().kind()).isEqualTo(Picture.Kind.MOVE);
        assertThat(pulled.hands().get(0).at()).isEqualTo(first(pulled));
        var turned = picture(step("s")
                .technique("stretch")
                .on(Zone.HAMSTRINGS)
                .side(Sides.RIGHT)
                .lying(Position.SUPINE));
        var hip = new Point(-50 * 1.7, (1000 - 530) * 1.7);
        assertThat(first(turned).minus(hip).length())
                .isCloseTo(last(turned).minus(hip).length(), within(3.0));
        // Away from the other leg, which is to the right of it.
        assertThat(last(turned).x()).isLessThan(first(turned).x() - 200);
    }

    @Test
    void away_from_the_trunk_runs_the_other_way() {
        var there = picture(step("d")
                .technique("effleurage")
                .on(Zone.CALF)
                .side(Sides.RIGHT)
                .going(Direction.DISTAL)
                .lying(Position.PRONE));
        assertThat(last(there).y()).isGreaterThan(first(there).y());
        assertThat(there.facts().towardHeart()).isFalse();
    }

    @Test
    void down_the_back_is_toward_the_feet_however_the_client_lies() {
        for (var position : List.of(Position.PRONE, Position.SIDE_LEFT, Position.SEATED)) {
            var back = step("b")
                    .technique("effleurage")
                    .on(Zone.UPPER_BACK, Zone.LUMBAR)
                    .side(Sides.RIGHT)
                    .lying(position);
            var down = picture(back.going(Direction.CAUDAL));
            assertThat(last(down).y() - first(down).y()).isGreaterThan(250);
            var up = picture(back.going(Direction.CRANIAL));
            assertThat(first(up)).isEqualTo(last(down));
        }
    }

    @Test
    void across_the_fibre_is_ninety_degrees() {
        var p = picture(step("x")
                .technique("cross-fibre")
                .on(Zone.ACHILLES)
                .side(Sides.RIGHT)
                .lying(Position.PRONE)
                .saying(d -> d.structures.add(Structure.HEEL_CORD)));
        assertThat(p.facts().fibre()).isEqualTo(90);
        assertThat(p.facts().words()).contains("across the fibre");
        assertThat(p.motion().kind()).isEqualTo(Picture.Kind.ACROSS);
    }

    @Test
    void the_second_side_is_the_mirror_of_the_first() {
        var both = Timeline.of(eachSide(glide().side(Sides.EACH)), Profile.bySeconds()).spans().stream()
                .map(StepPicture::of)
                .toList();
        assertThat(both).hasSize(2);
        for (int i = 0; i < line(both.get(0)).size(); i++) {
            assertThat(line(both.get(1)).get(i).x())
                    .isCloseTo(-line(both.get(0)).get(i).x(), within(.01));
            assertThat(line(both.get(1)).get(i).y())
                    .isCloseTo(line(both.get(0)).get(i).y(), within(.01));
        }
        assertThat(both.get(0).hands().get(0).mirrored())
                .isNotEqualTo(both.get(1).hands().get(0).mirrored());
    }

    @Test
    void the_sheet_is_cut_out_where_it_is_open_and_lies_over_the_rest() {
        var open = linen(picture(glide()));
        var through = linen(picture(glide().sheet(Sheet.THROUGH)));
        // The middle of the right thigh, and that of the left.
        var right = new Point(60 * 1.7, 600 * 1.7);
        assertThat(inside(right, open)).isFalse();
        assertThat(inside(new Point(-right.x(), right.y()), open)).isTrue();
        assertThat(inside(right, through)).isTrue();
    }

    private static String linen(Picture p) {
        return p.shapes().stream()
                .filter(s -> s.role() == Role.LINEN)
                .map(Shape::path)
                .findFirst()
                .orElse("");
    }

    /** Whether a point is in one of the outlines of a path, by its corners. */
    private static boolean inside(Point p, String path) {
        boolean any = false;
        for (var outline : path.split("Z")) {
            var edge = Points.of(outline);
            boolean in = false;
            for (int i = 0; i < edge.size(); i++) {
                var a = edge.get(i);
                var b = edge.get((i + 1) % edge.size());
                if (a.y() > p.y() != b.y() > p.y()
                        && p.x() < (b.x() - a.x()) * (p.y() - a.y()) / (b.y() - a.y()) + a.x()) in = !in;
            }
            any |= in;
        }
        return any;
    }

    @Test
    void the_therapist_stands_where_the_plan_says() {
        var same = picture(glide().standing(Stands.SAME_SIDE).stance(Stance.LUNGE));
        var across = picture(glide().standing(Stands.ACROSS).stance(Stance.LUNGE));
        assertThat(foot(same).x()).isGreaterThan(Therapist.TABLE_HALF);
        assertThat(foot(across).x()).isLessThan(-Therapist.TABLE_HALF);
        // From 535 mm beside the middle: 474 to the knee, 170 more across the table.
        assertThat(same.facts().reach()).isCloseTo(474, within(2));
        assertThat(across.facts().reach()).isCloseTo(535 + 78, within(2));
        assertThat(same.facts().within()).isTrue();
        var head = picture(glide().on(Zone.NECK_BACK)
                .saying(d -> {
                    d.from = null;
                    d.to = null;
                })
                .lying(Position.SUPINE)
                .standing(Stands.HEAD));
        assertThat(foot(head).y()).isLessThan(0);
        assertThat(head.hands().get(0).degrees()).as("fingers toward the feet").isEqualTo(180);
    }

    private static Point foot(Picture p) {
        return p.table().stream()
                .filter(s -> s.role() == Role.FOOT)
                .map(s -> Points.of(s.path()).get(0))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void who_cannot_reach_is_told() {
        // From the head down to the sole of a foot: further than arm and lean.
        var far = picture(step("f")
                .technique("effleurage")
                .on(Zone.CALF)
                .side(Sides.RIGHT)
                .lying(Position.PRONE)
                .standing(Stands.HEAD));
        assertThat(far.facts().within()).isFalse();
        assertThat(far.facts().words()).anyMatch(w -> w.startsWith("out of reach from there: 1"));
        assertThat(far.facts().reach()).isGreaterThan(1500);
    }

    @Test
    void the_other_hand_is_where_it_is_said_to_be() {
        var p = picture(step("h")
                .technique("cross-fibre")
                .on(Zone.ACHILLES)
                .side(Sides.RIGHT)
                .lying(Position.PRONE)
                .saying(d -> d.otherHand = OtherHand.HOLDS_THE_JOINT));
        assertThat(p.hands()).hasSize(2);
        var other = p.hands().stream().filter(h -> !h.works()).findFirst().orElseThrow();
        // The ankle is too near to the working hand: it is held as far beyond as a hand needs.
        assertThat(other.at().minus(p.hands().get(1).at()).length()).isCloseTo(130, within(.1));
        assertThat(other.at().y()).isGreaterThan((1000 - 60) * 1.7);
        assertThat(other.shapes()).allMatch(s -> s.role() == Role.OTHER_HAND);
        var two = picture(glide().saying(d -> d.otherHand = OtherHand.WORKS_TOGETHER));
        assertThat(two.hands()).extracting(Picture.Hand::mirrored).containsExactly(true, false);
        assertThat(two.hands().get(0).at().x())
                .isLessThan(two.hands().get(1).at().x());
    }

    /** One hand on another is one tool: nobody has a third. The left one comes over the right from its own side. */
    @Test
    void a_tool_of_two_hands_is_not_reinforced_again() {
        for (var tool : List.of(Tool.REINFORCED_FINGERS, Tool.SUPPORTED_THUMB)) {
            var p = picture(glide().with(tool).saying(d -> d.otherHand = OtherHand.REINFORCES));
            assertThat(p.hands()).hasSize(1);
            var over = HandShape.of(tool, false).stream()
                    .filter(s -> s.role() == Role.OTHER_HAND)
                    .flatMap(s -> Points.of(s.path()).stream())
                    .toList();
            assertThat(over).anyMatch(q -> q.x() < -120 && q.y() > 100).noneMatch(q -> q.x() > 120);
        }
        assertThat(picture(glide().saying(d -> d.otherHand = OtherHand.REINFORCES))
                        .hands())
                .hasSize(2);
    }

    @Test
    void the_neck_of_who_lies_on_the_back_is_worked_from_beneath() {
        for (var position : List.of(Position.SUPINE, Position.PRONE)) {
            var p = picture(step("n")
                    .technique("effleurage")
                    .on(Zone.NECK_BACK)
                    .side(Sides.RIGHT)
                    .lying(position));
            assertThat(p.hands().get(0).under()).isEqualTo(position == Position.SUPINE);
        }
        var cradled = picture(step("c")
                .technique("effleurage")
                .on(Zone.STRAP_MUSCLE)
                .side(Sides.RIGHT)
                .lying(Position.SUPINE)
                .saying(d -> d.otherHand = OtherHand.CRADLES_THE_HEAD));
        assertThat(cradled.hands()).extracting(Picture.Hand::under).containsExactly(true, false);
    }

    /** What is lengthened on one side is bent to the other. */
    @ParameterizedTest
    @EnumSource(
            value = Sides.class,
            names = {"LEFT", "RIGHT"})
    void a_stretch_of_the_neck_bends_the_head_away(Sides side) {
        var p = picture(
                step("n").technique("stretch").on(Zone.NECK_BACK).side(side).lying(Position.SUPINE));
        // The right side of who lies on the back is to the left of who looks.
        double away = side == Sides.RIGHT ? 1 : -1;
        assertThat(away * (last(p).x() - first(p).x())).isGreaterThan(40);
        assertThat(p.hands().get(0).under()).isFalse();
    }

    @Test
    void a_jaw_opens_and_a_shoulder_is_lengthened_toward_the_feet_a_wrist_away_from_the_elbow() {
        var jaw = picture(
                step("j").technique("contract-relax").on(Zone.JAW_MUSCLES).lying(Position.SUPINE));
        assertThat(last(jaw).y() - first(jaw).y()).isCloseTo(42, within(.1));
        var shoulder = picture(step("s")
                .technique("stretch")
                .on(Zone.TOP_OF_SHOULDER)
                .side(Sides.LEFT)
                .lying(Position.SUPINE));
        assertThat(last(shoulder).y() - first(shoulder).y()).isCloseTo(42, within(.1));
        var wrist = picture(step("w")
                .technique("stretch")
                .on(Zone.FOREARM_FLEXORS)
                .side(Sides.LEFT)
                .lying(Position.SUPINE));
        assertThat(last(wrist).y() - first(wrist).y()).isGreaterThan(100);
    }

    @Test
    void a_ball_joint_goes_round_and_a_hinge_there_and_back() {
        var round = picture(step("r")
                .technique("range-of-motion")
                .on(Zone.SOLE)
                .side(Sides.RIGHT)
                .lying(Position.SUPINE));
        assertThat(last(round).minus(first(round)).length()).isCloseTo(0, within(.1));
        // Twice pi times 55 mm, in twelve chords.
        assertThat(Way.length(line(round))).isCloseTo(2 * 12 * 55 * Math.sin(Math.PI / 12), within(1.0));
        var hinge = picture(step("h")
                .technique("range-of-motion")
                .on(Zone.KNEECAP)
                .side(Sides.RIGHT)
                .lying(Position.SUPINE));
        assertThat(last(hinge).minus(first(hinge)).length()).isGreaterThan(100);
    }

    /** The erectors run from the sacrum to the skull: of the low back their part of it is worked. */
    @Test
    void a_long_muscle_is_worked_in_the_zone_of_the_step() {
        var p = picture(step("e")
                .technique("compression")
                .on(Zone.LUMBAR)
                .side(Sides.RIGHT)
                .lying(Position.PRONE)
                .saying(d -> d.structures.add(Structure.LONGISSIMUS)));
        // From 663 down to 588; what is pressed is in the zone, what is drawn along may come from 45 mm beyond.
        assertThat(line(p)).allMatch(q -> q.y() > (1000 - 663) * 1.7 - 11 && q.y() < (1000 - 588) * 1.7 + 11);
        assertThat(p.facts().millimetres()).isGreaterThan(80);
        var drawn = picture(step("e")
                .technique("effleurage")
                .on(Zone.LUMBAR)
                .side(Sides.RIGHT)
                .lying(Position.PRONE)
                .saying(d -> d.structures.add(Structure.LONGISSIMUS)));
        assertThat(drawn.facts().millimetres() - p.facts().millimetres()).isBetween(20, 60);
    }

    @Test
    void a_stroke_to_the_midline_from_beside_it_ends_there() {
        var p = picture(step("s")
                .technique("static-press")
                .on(Zone.SACRUM)
                .side(Sides.RIGHT)
                .lying(Position.PRONE)
                .dose(Dose.holds(8, 5))
                .saying(d -> {
                    d.from = Landmark.SACRUM_CORNER;
                    d.to = Landmark.COCCYX;
                }));
        assertThat(first(p).x()).isCloseTo(22 * 1.7, within(.1));
        assertThat(last(p).x()).isBetween(5.0, 30.0);
    }

    /** What is said in words that are no landmark still says where to: from the shoulder blade to the hip is down. */
    @Test
    void words_that_name_a_joint_or_a_zone_are_places() {
        var p = picture(step("w")
                .technique("forearm-glide")
                .on(Zone.UPPER_BACK)
                .side(Sides.RIGHT)
                .lying(Position.PRONE)
                .with(Tool.FOREARM)
                .saying(d -> {
                    d.words.put(DetailField.FROM, "the shoulder blade");
                    d.words.put(DetailField.TO, "hip");
                }));
        // From the middle of the blade (812 to 736) to the joint at 530.
        assertThat(first(p).y()).isCloseTo((1000 - 774) * 1.7, within(3.0));
        assertThat(last(p).y()).isCloseTo((1000 - 530) * 1.7, within(.1));
        assertThat(p.facts().towardHeart()).isFalse();
        var chest = picture(step("c")
                .technique("effleurage")
                .on(Zone.CHEST_WALL)
                .side(Sides.RIGHT)
                .lying(Position.SUPINE)
                .saying(d -> {
                    d.words.put(DetailField.FROM, "sternum");
                    d.words.put(DetailField.TO, "shoulder");
                }));
        assertThat(last(chest).x() - first(chest).x())
                .as("outward, to the left of who looks")
                .isLessThan(-120);
        var unknown = picture(glide().saying(d -> {
            d.from = null;
            d.to = null;
            d.words.put(DetailField.FROM, "where it hurts");
        }));
        assertThat(line(unknown)).isEqualTo(line(picture(glide().saying(d -> {
            d.from = null;
            d.to = null;
        }))));
    }

    @Test
    void long_strokes_from_the_chin_to_the_ear_go_outward_and_up() {
        var p = picture(step("f")
                .technique("effleurage")
                .on(Zone.FACE)
                .side(Sides.LEFT)
                .lying(Position.SUPINE)
                .saying(d -> {
                    d.from = Landmark.CHIN;
                    d.words.put(DetailField.TO, "ear");
                }));
        // The ears are level with the eyes and the nose, some 130 mm apart on an adult (from memory).
        assertThat(last(p).x() - first(p).x()).isBetween(40.0, 75.0);
        assertThat(first(p).y() - last(p).y()).isBetween(40.0, 110.0);
    }

    /** Who asks and looks lays no hand on; who feels how warm or how tense it is, or holds a joint, does. */
    @Test
    void a_question_or_a_look_has_no_hand() {
        var asked = step("a")
                .technique("still-hold")
                .on(Zone.FACE)
                .side(Sides.RIGHT)
                .lying(Position.SUPINE)
                .phase(Phase.ASSESS)
                .say(SayKind.INTERVIEW);
        var p = picture(asked);
        assertThat(p.motion().kind()).isEqualTo(Kind.LOOK);
        assertThat(p.hands()).isEmpty();
        assertThat(p.motion().stations()).isEmpty();
        assertThat(p.shapes()).extracting(Shape::role).doesNotContain(Role.STATION, Role.WAY);
        assertThat(p.facts().words()).containsExactly("asked and looked at, no hand laid on");
        var felt = picture(
                asked.saying(d -> d.compares = new Comparison(Set.of(Comparison.What.TISSUE), Comparison.When.BEFORE)));
        assertThat(felt.hands()).hasSize(1);
        var seen = picture(
                asked.saying(d -> d.compares = new Comparison(Set.of(Comparison.What.LOOK), Comparison.When.BEFORE)));
        assertThat(seen.hands()).isEmpty();
        asked.saying(d -> d.compares = null);
        assertThat(picture(asked.phase(Phase.SETTLE)).hands()).hasSize(1);
        assertThat(picture(asked.phase(Phase.RE_CHECK)).hands()).isEmpty();
        assertThat(picture(asked.effort(Technique.Effort.RESISTED)).hands())
                .as("the client pushes against it")
                .hasSize(1);
        asked.effort(Technique.Effort.PASSIVE).saying(d -> d.otherHand = OtherHand.HOLDS_THE_JOINT);
        assertThat(picture(asked).hands()).hasSize(2);
    }

    @Test
    void up_the_back_and_over_the_top_of_the_shoulder_the_hand_goes_on_outward() {
        var p = picture(step("u")
                .technique("effleurage")
                .on(Zone.UPPER_BACK, Zone.TOP_OF_SHOULDER, Zone.SHOULDER_BLADE)
                .side(Sides.RIGHT)
                .lying(Position.PRONE));
        assertThat(first(p).x()).as("beside the spine").isBetween(20.0, 90.0);
        assertThat(last(p).x()).as("at the shoulder, 112 out").isBetween(130.0, 200.0);
        assertThat(last(p).y()).isLessThan(first(p).y() - 150);
    }

    @Test
    void feet_under_the_sheet_are_held_through_it() {
        var settle = step("s").technique("still-hold").on(Zone.SOLE).lying(Position.SUPINE);
        assertThat(picture(settle.sheet(Sheet.THROUGH)).hands())
                .extracting(Picture.Hand::under)
                .containsOnly(false);
        assertThat(picture(settle.sheet(Sheet.OPEN)).hands())
                .extracting(Picture.Hand::under)
                .containsOnly(true);
    }

    @Test
    void a_palm_comes_from_before_what_is_shorter_than_it() {
        var p = picture(step("k").technique("effleurage").on(Zone.KNEE_BACK).lying(Position.PRONE));
        assertThat(p.facts().millimetres()).isEqualTo(110);
        var finger = picture(step("k")
                .technique("effleurage")
                .on(Zone.KNEE_BACK)
                .lying(Position.PRONE)
                .with(Tool.FINGER_PADS));
        assertThat(finger.facts().millimetres()).isLessThan(80);
    }

    @Test
    void the_trunk_is_rocked_across_the_table_and_a_thigh_across_its_length() {
        var hip = picture(step("h")
                .technique("rocking")
                .on(Zone.GLUTEALS)
                .side(Sides.RIGHT)
                .lying(Position.PRONE));
        assertThat(hip.motion().aside()).isEqualTo(new Point(70, 0));
        var thigh = picture(step("t")
                .technique("rocking")
                .on(Zone.HAMSTRINGS)
                .side(Sides.RIGHT)
                .lying(Position.PRONE));
        var aside = java.util.Objects.requireNonNull(thigh.motion().aside());
        assertThat(aside.length()).isCloseTo(70, within(.1));
        assertThat(aside.dot(last(thigh).minus(first(thigh)))).isCloseTo(0, within(2000.0));
        assertThat(picture(glide()).motion().aside()).isNull();
    }

    @Test
    void circles_do_not_run_into_one_another() {
        for (var zone : List.of(Zone.FACE, Zone.BASE_OF_SKULL, Zone.THIGH_FRONT)) {
            var p = picture(step("c")
                    .technique("circular-friction")
                    .on(zone)
                    .side(Sides.RIGHT)
                    .lying(Position.SUPINE)
                    .with(Tool.FINGER_PADS));
            var places = p.motion().stations();
            assertThat(java.util.Objects.requireNonNull(p.motion().radius()))
                    .isLessThanOrEqualTo(
                            Math.max(9, places.get(1).minus(places.get(0)).length() / 2));
        }
    }

    /** Who stands beside the table lays both hands down from there, the far one above the near one. */
    @Test
    void two_hands_on_both_sides_come_from_where_the_therapist_stands() {
        var p = picture(step("b")
                .technique("still-hold")
                .on(Zone.LUMBAR)
                .side(Sides.BOTH)
                .lying(Position.PRONE));
        double feet = foot(p).x();
        assertThat(p.hands()).hasSize(2).allSatisfy(h -> {
            var fingers = new Point(0, -1).turned(Math.toRadians(h.degrees()));
            assertThat(fingers.x() * feet).as("away from the therapist").isNegative();
        });
        var far = p.hands().stream()
                .filter(h -> h.at().x() * feet < 0)
                .findFirst()
                .orElseThrow();
        var near = p.hands().stream().filter(h -> h != far).findFirst().orElseThrow();
        assertThat(near.at().y() - far.at().y()).isCloseTo(80, within(.1));
        // Who looks across the table from its right has the right hand toward the head.
        assertThat(far.mirrored()).isEqualTo(feet < 0);
        assertThat(near.mirrored()).isEqualTo(feet > 0);
    }

    @Test
    void a_palm_goes_round_once_and_fingers_in_several_places() {
        var palm = picture(step("p")
                .technique("circular-friction")
                .on(Zone.BELLY)
                .lying(Position.SUPINE)
                .with(Tool.PALM));
        assertThat(palm.motion().stations()).hasSize(1);
        assertThat(java.util.Objects.requireNonNull(palm.motion().radius())).isEqualTo(75);
        var fingers = picture(step("f")
                .technique("circular-friction")
                .on(Zone.BELLY)
                .lying(Position.SUPINE)
                .with(Tool.FINGER_PADS));
        assertThat(fingers.motion().stations()).hasSize(3);
    }

    /** One hand behind the other, and not on it. */
    @Test
    void a_hand_that_follows_is_behind() {
        var p = picture(glide().saying(d -> d.otherHand = OtherHand.FOLLOWS));
        var follows = p.hands().get(0);
        // 130 of 335 mm; at its beginning the way has room for 22 hundredths.
        assertThat(follows.behind()).isCloseTo(130 / 335.4, within(.001));
        assertThat(follows.at()).isEqualTo(first(p));
        assertThat(follows.at().minus(p.hands().get(1).at()).length()).isCloseTo(.22 * 335.4, within(.2));
    }

    /** Arms come from two shoulders, so they part from the hands on. */
    @ParameterizedTest
    @EnumSource(
            value = Stands.class,
            names = {"SAME_SIDE", "ACROSS", "HEAD"})
    void the_arms_of_two_hands_that_work_together_do_not_cross(Stands stands) {
        var p = picture(step("t")
                .technique("compression")
                .on(Zone.UPPER_BACK)
                .side(Sides.RIGHT)
                .lying(Position.PRONE)
                .standing(stands)
                .saying(d -> d.otherHand = OtherHand.WORKS_TOGETHER));
        var hands = p.hands();
        assertThat(hands).hasSize(2);
        assertThat(elbow(hands.get(0)).minus(elbow(hands.get(1))).length())
                .isGreaterThan(hands.get(0).at().minus(hands.get(1).at()).length());
    }

    private static Point elbow(Picture.Hand hand) {
        return hand.at().plus(new Point(0, 260).turned(Math.toRadians(hand.degrees())));
    }

    @Test
    void hands_that_wring_go_against_one_another() {
        assertThat(picture(glide().saying(d -> d.otherHand = OtherHand.WORKS_OPPOSITE))
                        .motion()
                        .opposed())
                .isTrue();
        assertThat(picture(glide().saying(d -> d.otherHand = OtherHand.WORKS_TOGETHER))
                        .motion()
                        .opposed())
                .isFalse();
    }

    @Test
    void what_is_spared_near_the_work_is_shown_and_what_is_worked_is_not_spared() {
        var roles = picture(glide()).shapes().stream()
                .filter(s -> s.role() == Role.SPARED)
                .toList();
        // The hollow of both knees.
        assertThat(roles).hasSizeGreaterThanOrEqualTo(1);
        var knee = picture(glide().on(Zone.KNEE_BACK).saying(d -> {
            d.from = null;
            d.to = null;
        }));
        var hollow = new Point(46 * 1.7, (1000 - 278) * 1.7);
        assertThat(knee.shapes().stream().filter(s -> s.role() == Role.SPARED))
                .noneMatch(s -> inside(hollow, s.path()));
        assertThat(picture(glide()).shapes().stream().filter(s -> s.role() == Role.SPARED))
                .anyMatch(s -> inside(hollow, s.path()));
    }

    @Test
    void limbs_and_props_lie_where_they_are_said_to() {
        var p = picture(glide().saying(d -> {
            d.limb.add(Limb.KNEE_BENT);
            d.props.add(Prop.BOLSTER_UNDER_ANKLES);
        }));
        var prop = p.shapes().stream()
                .filter(s -> s.role() == Role.PROP)
                .findFirst()
                .orElseThrow();
        assertThat(Points.of(prop.path()).stream()
                        .mapToDouble(Point::y)
                        .average()
                        .orElse(0))
                .isCloseTo((1000 - 78) * 1.7, within(25.0));
        // The bent leg is a body of its own, over the other.
        assertThat(p.shapes().stream().filter(s -> s.role() == Role.BODY)).hasSize(2);
        assertThat(picture(glide()).shapes().stream().filter(s -> s.role() == Role.BODY))
                .hasSize(1);
    }

    @ParameterizedTest
    @EnumSource(Tool.class)
    void every_hand_has_a_shape_that_touches_at_the_middle(Tool tool) {
        var shapes = HandShape.of(tool, false);
        var touch = shapes.stream().filter(s -> s.role() == Role.TOUCH).toList();
        assertThat(touch).isNotEmpty();
        assertThat(touch.stream()
                        .flatMap(s -> Points.of(s.path()).stream())
                        .mapToDouble(Point::length)
                        .min()
                        .orElse(99))
                .isLessThan(48);
        assertThat(HandShape.of(tool, true)).allMatch(s -> s.role() == Role.OTHER_HAND);
    }

    /** Whatever is planned has a picture: numbers that are numbers, a box that holds the work. */
    @ParameterizedTest
    @EnumSource(Zone.class)
    void every_zone_in_every_position_and_with_every_technique(Zone zone) {
        for (var position : Position.values())
            isWhole(picture(step("z").technique("effleurage").on(zone).lying(position)));
        for (var technique : Techniques.SHIPPED.offered())
            isWhole(picture(step("z").technique(technique.id()).on(zone).lying(zone.usualPosition())));
    }

    private static void isWhole(Picture p) {
        for (var s : p.shapes()) {
            assertThat(s.path()).startsWith("M").doesNotContain("N");
            var last = Points.of(s.path().substring(s.path().lastIndexOf(' ') + 1));
            assertThat(last).allMatch(q -> Math.abs(q.x()) < 1500 && q.y() > -1500 && q.y() < 3200);
        }
        var box = p.box();
        for (var line : p.motion().lines())
            for (var q : line) {
                assertThat(q.x()).isBetween(box.x(), box.x() + box.width());
                assertThat(q.y()).isBetween(box.y(), box.y() + box.height());
            }
        assertThat(p.hands()).isNotEmpty();
    }
}
