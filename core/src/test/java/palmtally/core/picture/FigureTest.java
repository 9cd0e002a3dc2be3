package palmtally.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import palmtally.core.body.Landmark;
import palmtally.core.body.Position;
import palmtally.core.body.Region;
import palmtally.core.body.Side;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;
import palmtally.core.sequence.detail.Limb;

class FigureTest {
    private static Figure figure(Position position, Limb... limbs) {
        return new Figure(position, true, Set.of(limbs), Side.RIGHT, Build.MIDDLE, 1.7);
    }

    /** Heights of the joints by Drillis and Contini, 1966, in thousandths of the stature (from memory). */
    @Test
    void joints_are_where_the_table_of_segment_lengths_has_them() {
        assertThat(Pose.SHOULDER.up()).isEqualTo(818);
        assertThat(Pose.ELBOW.up()).isEqualTo(630);
        assertThat(Pose.WRIST.up()).isEqualTo(485);
        assertThat(Pose.HIP.up()).isEqualTo(530);
        assertThat(Pose.KNEE.up()).isEqualTo(285);
        assertThat(Pose.ANKLE.up()).isEqualTo(39);
        assertThat(Part.HAND.end().up()).isEqualTo(377);
        assertThat(Part.HEAD.begin().up()).isEqualTo(1000);
        // Chin .870; breadth of the hips .191, of the shoulders over the arms .259.
        assertThat(Part.HEAD.last()).isCloseTo(870, within(4.0));
        assertThat(2 * Part.TRUNK.skinAt(524).outer()).isCloseTo(191, within(6.0));
        var shoulder =
                Part.UPPER_ARM.axisAt(780).out() + Part.UPPER_ARM.skinAt(780).outer();
        assertThat(2 * shoulder).isCloseTo(259, within(26.0));
    }

    @Test
    void face_down_the_right_is_to_the_right_and_face_up_to_the_left() {
        assertThat(figure(Position.PRONE).at(Landmark.SIT_BONE, Side.RIGHT).x()).isEqualTo(36 * 1.7);
        assertThat(figure(Position.PRONE).at(Landmark.SIT_BONE, Side.LEFT).x()).isEqualTo(-36 * 1.7);
        assertThat(figure(Position.SUPINE).at(Landmark.KNEECAP_TOP, Side.RIGHT).x())
                .isEqualTo(-46 * 1.7);
        assertThat(figure(Position.SUPINE).at(Landmark.KNEECAP_TOP, Side.RIGHT).y())
                .isCloseTo(700 * 1.7, within(.001));
    }

    @Test
    void on_the_left_side_the_right_is_up_and_the_face_to_the_right() {
        var left = figure(Position.SIDE_LEFT);
        assertThat(left.facing(Landmark.TROCHANTER, Side.RIGHT)).isGreaterThan(.9);
        assertThat(left.facing(Landmark.TROCHANTER, Side.LEFT)).isLessThan(-.9);
        assertThat(left.at(Landmark.CHIN, Side.RIGHT).x()).isEqualTo(50 * 1.7);
        assertThat(figure(Position.SIDE_RIGHT).at(Landmark.CHIN, Side.RIGHT).x())
                .isEqualTo(-50 * 1.7);
        assertThat(left.below(Side.LEFT)).isTrue();
        assertThat(left.below(Side.RIGHT)).isFalse();
    }

    @Test
    void each_side_is_the_mirror_of_the_other() {
        var prone = figure(Position.PRONE);
        for (var part : Part.values()) {
            if (!part.paired()) continue;
            var right = prone.outline(part, Side.RIGHT);
            var left = new ArrayList<>(prone.outline(part, Side.LEFT));
            for (var p : right)
                assertThat(left.stream()
                                .mapToDouble(q -> Math.hypot(q.x() + p.x(), q.y() - p.y()))
                                .min()
                                .orElse(99))
                        .as(part.toString())
                        .isLessThan(.01);
        }
    }

    /** A thigh keeps its length however it lies: what is lost in the picture points at the one who looks. */
    @Test
    void a_bent_knee_shortens_the_lower_leg_and_moves_the_foot() {
        var straight = figure(Position.PRONE);
        var bent = figure(Position.PRONE, Limb.KNEE_BENT);
        var knee = straight.at(Landmark.KNEE_HOLLOW, Side.RIGHT);
        assertThat(knee.minus(straight.at(Landmark.HEEL, Side.RIGHT)).length()).isGreaterThan(350);
        assertThat(bent.at(Part.SHANK, Side.RIGHT, Pose.ANKLE)
                        .minus(bent.at(Part.SHANK, Side.RIGHT, Pose.KNEE))
                        .length())
                .isCloseTo(246 * 1.7 * Math.hypot(.3, 0) / Math.hypot(.3, .95), within(2.0));
        // The other leg lies as it did.
        assertThat(bent.at(Landmark.HEEL, Side.LEFT)).isEqualTo(straight.at(Landmark.HEEL, Side.LEFT));
    }

    @Test
    void an_arm_overhead_lies_beside_the_head() {
        var hand = figure(Position.SUPINE, Limb.ARM_OVERHEAD).at(Landmark.KNUCKLES, Side.RIGHT);
        assertThat(hand.y()).isLessThan(0);
        assertThat(figure(Position.SUPINE).at(Landmark.KNUCKLES, Side.RIGHT).y())
                .isGreaterThan(900);
    }

    @Test
    void a_turned_head_looks_away_from_the_side_that_is_worked() {
        var turned = figure(Position.SUPINE, Limb.HEAD_TURNED);
        // Work on the right, which is to the left as it is seen: the chin goes to the right.
        assertThat(turned.at(Landmark.CHIN, Side.RIGHT).x()).isGreaterThan(40);
        var other = new Figure(Position.SUPINE, true, Set.of(Limb.HEAD_TURNED), Side.LEFT, Build.MIDDLE, 1.7);
        assertThat(other.at(Landmark.CHIN, Side.RIGHT).x()).isLessThan(-40);
        // Bent away, the crown goes the same way.
        assertThat(figure(Position.SUPINE, Limb.HEAD_TILTED)
                        .at(Landmark.VERTEX, Side.RIGHT)
                        .x())
                .isGreaterThan(60);
    }

    /** The thigh points forward, away from who stands behind; the shank hangs. Shares from Pose, of 1.70 m. */
    @Test
    void who_sits_has_the_knees_before_the_hips_and_the_feet_below_them() {
        var sits = figure(Position.SEATED);
        double hip = sits.at(Landmark.TROCHANTER, Side.RIGHT).y();
        double knee = sits.at(Landmark.KNEECAP_TIP, Side.RIGHT).y();
        double heel = sits.at(Landmark.HEEL, Side.RIGHT).y();
        assertThat(knee - hip).isBetween(60.0, 200.0);
        assertThat(heel - knee).isBetween(400.0, 510.0);
        assertThat(figure(Position.PRONE).at(Landmark.KNEECAP_TIP, Side.RIGHT).y() - hip)
                .isGreaterThan(380);
    }

    @Test
    void the_heavier_build_is_broader_and_as_tall() {
        var heavy = new Figure(Position.PRONE, true, Set.of(), Side.RIGHT, Build.HEAVY, 1.7);
        var middle = figure(Position.PRONE);
        assertThat(broad(heavy.outline(Part.TRUNK, Side.RIGHT)))
                .isCloseTo(broad(middle.outline(Part.TRUNK, Side.RIGHT)) * 1.28, within(1.0));
        assertThat(heavy.at(Landmark.VERTEX, Side.RIGHT)).isEqualTo(middle.at(Landmark.VERTEX, Side.RIGHT));
        assertThat(heavy.at(Landmark.HIP_CREST, Side.RIGHT).x())
                .isCloseTo(middle.at(Landmark.HIP_CREST, Side.RIGHT).x() * 1.28, within(.5));
    }

    private static double broad(List<Point> outline) {
        return outline.stream().mapToDouble(Point::x).max().orElseThrow()
                - outline.stream().mapToDouble(Point::x).min().orElseThrow();
    }

    @ParameterizedTest
    @EnumSource(Zone.class)
    void every_zone_is_seen_as_it_is_usually_worked(Zone zone) {
        // Felt from below: the head lies in the hands.
        if (zone == Zone.BASE_OF_SKULL) return;
        var figure = figure(zone == Zone.ARMPIT ? Position.SIDE_LEFT : zone.usualPosition());
        assertThat(ZoneArea.of(zone).visible(figure, Side.RIGHT)).isTrue();
    }

    /** What is felt in a zone is drawn in it or at its edge: no further than 4.5 % of the stature. */
    @ParameterizedTest
    @EnumSource(Landmark.class)
    void a_landmark_lies_at_the_zone_it_is_found_from(Landmark landmark) {
        var zone = landmark.zones().get(0);
        // These lie within the body or around the bend of it.
        if (EnumSet.of(Landmark.L2_SIDE, Landmark.HIP_BOWL, Landmark.TROCHANTER_LESSER, Landmark.BLADE_FRONT)
                .contains(landmark)) return;
        double least = 999;
        for (var position : Position.values()) {
            if (position == Position.SEATED || position == Position.SIDE_RIGHT) continue;
            var figure = figure(position);
            if (!ZoneArea.of(zone).visible(figure, Side.RIGHT)) continue;
            var edge = ZoneArea.of(zone).seen(figure, Side.RIGHT).edge(figure, Side.RIGHT);
            least = Math.min(least, away(figure.at(landmark, Side.RIGHT), edge));
        }
        assertThat(least / 1.7).as(landmark + " from " + zone).isLessThan(45);
    }

    /** How far a point is outside an edge; 0 within. */
    private static double away(Point p, List<Point> edge) {
        boolean inside = false;
        double least = 999;
        for (int i = 0; i < edge.size(); i++) {
            var a = edge.get(i);
            var b = edge.get((i + 1) % edge.size());
            if (a.y() > p.y() != b.y() > p.y() && p.x() < (b.x() - a.x()) * (p.y() - a.y()) / (b.y() - a.y()) + a.x())
                inside = !inside;
            var way = b.minus(a);
            double t = Math.max(0, Math.min(1, p.minus(a).dot(way) / Math.max(1e-9, way.dot(way))));
            least = Math.min(least, p.minus(a.plus(way.times(t))).length());
        }
        return inside ? 0 : least;
    }

    @ParameterizedTest
    @EnumSource(Structure.class)
    void a_structure_runs_through_its_landmarks(Structure structure) {
        var figure = figure(structure.zones().get(0).usualPosition());
        var line = new Course(structure, Side.RIGHT, figure).line();
        for (var landmark : structure.course()) {
            var at = figure.beside(landmark, Side.RIGHT);
            assertThat(line.stream()
                            .mapToDouble(p -> p.minus(at).length())
                            .min()
                            .orElse(999))
                    .as(landmark.toString())
                    .isLessThan(.001);
        }
        assertThat(line.get(0)).isEqualTo(figure.beside(structure.course().get(0), Side.RIGHT));
        assertThat(structure.zones().get(0).region()).isNotEqualTo(Region.WHOLE_BODY);
    }
}
