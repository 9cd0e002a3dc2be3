package palmtally.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static palmtally.core.picture.Pictures.first;
import static palmtally.core.picture.Pictures.foot;
import static palmtally.core.picture.Pictures.glide;
import static palmtally.core.picture.Pictures.picture;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import palmtally.core.body.Position;
import palmtally.core.body.Zone;
import palmtally.core.picture.Picture.Kind;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Stands;
import palmtally.core.sequence.detail.Comparison;
import palmtally.core.sequence.detail.OtherHand;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Tool;

/** Both hands of a step: where they are, from where they come, what they touch. */
class HandsTest {
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
    void feet_under_the_sheet_are_held_through_it() {
        var settle = step("s").technique("still-hold").on(Zone.SOLE).lying(Position.SUPINE);
        assertThat(picture(settle.sheet(Sheet.THROUGH)).hands())
                .extracting(Picture.Hand::under)
                .containsOnly(false);
        assertThat(picture(settle.sheet(Sheet.OPEN)).hands())
                .extracting(Picture.Hand::under)
                .containsOnly(true);
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

    /** From chin to ear: the palm comes from the forehead, the fingers lie on the chin, none reaches below the throat. */
    @Test
    void a_palm_on_the_face_is_the_flat_fingers() {
        var jaw = step("j")
                .technique("effleurage")
                .on(Zone.JAW_MUSCLES, Zone.FACE)
                .side(Sides.RIGHT)
                .lying(Position.SUPINE)
                .standing(Stands.HEAD);
        var face = picture(jaw).hands().get(0);
        var neck = picture(jaw.on(Zone.STRAP_MUSCLE)).hands().get(0);
        // In the hand's own measure the fingers point up, to where y is below 0.
        assertThat(tip(face)).isCloseTo(tip(neck) + 75, within(.5));
        // The right cheek of who lies on the back is to the left: there the palm is, and not over the nose.
        var other = picture(jaw.on(Zone.JAW_MUSCLES, Zone.FACE).side(Sides.LEFT))
                .hands()
                .get(0);
        assertThat(Math.sin(Math.toRadians(face.degrees()))).isGreaterThan(.5);
        assertThat(Math.sin(Math.toRadians(other.degrees()))).isLessThan(-.5);
    }

    private static double tip(Picture.Hand hand) {
        return hand.shapes().stream()
                .flatMap(s -> Points.of(s.path()).stream())
                .mapToDouble(Point::y)
                .min()
                .orElseThrow();
    }
}
