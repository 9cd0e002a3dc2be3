package palmtally.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static palmtally.core.picture.Pictures.first;
import static palmtally.core.picture.Pictures.glide;
import static palmtally.core.picture.Pictures.last;
import static palmtally.core.picture.Pictures.line;
import static palmtally.core.picture.Pictures.picture;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import palmtally.core.body.Landmark;
import palmtally.core.body.Position;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Direction;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.detail.DetailField;
import palmtally.core.sequence.detail.OtherHand;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Tool;

/** Where a stroke goes: by landmarks, words, structures and zones, and where a joint lets a limb go. */
class WayTest {
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

    /** One hand holds the head, so the other is on the shoulder. */
    @Test
    void with_the_head_in_one_hand_the_other_lengthens_the_neck_at_the_shoulder() {
        var neck = step("n")
                .technique("stretch")
                .on(Zone.NECK_BACK)
                .side(Sides.RIGHT)
                .lying(Position.SUPINE);
        double head = first(picture(neck)).y();
        var p = picture(neck.saying(d -> d.otherHand = OtherHand.CRADLES_THE_HEAD));
        var shoulder = picture(step("s")
                .technique("stretch")
                .on(Zone.TOP_OF_SHOULDER)
                .side(Sides.RIGHT)
                .lying(Position.SUPINE));
        assertThat(line(p)).isEqualTo(line(shoulder));
        assertThat(first(p).y()).isGreaterThan(head + 150);
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
}
