package palmtally.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static palmtally.core.picture.Pictures.first;
import static palmtally.core.picture.Pictures.foot;
import static palmtally.core.picture.Pictures.glide;
import static palmtally.core.picture.Pictures.last;
import static palmtally.core.picture.Pictures.line;
import static palmtally.core.picture.Pictures.picture;
import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import palmtally.core.body.Landmark;
import palmtally.core.body.Position;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;
import palmtally.core.demonstration.Showing;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Stance;
import palmtally.core.sequence.Stands;
import palmtally.core.sequence.Timeline;
import palmtally.core.sequence.detail.Limb;
import palmtally.core.sequence.detail.Prop;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Techniques;
import palmtally.core.technique.Tool;

/** Lengths, speeds and stations by hand from the places of the landmarks: thousandths of a stature of 1.70 m. */
class StepPictureTest {
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

    @Test
    void who_sits_has_a_stool_and_the_therapist_close_by() {
        var glide = step("b").technique("effleurage").on(Zone.UPPER_BACK).side(Sides.RIGHT);
        var sits = picture(glide.lying(Position.SEATED));
        var stool = sits.table().stream()
                .filter(s -> s.role() == Role.TABLE)
                .flatMap(s -> Points.of(s.path()).stream())
                .toList();
        assertThat(stool).allSatisfy(p -> assertThat(Math.abs(p.x())).isLessThan(240));
        assertThat(stool).allSatisfy(p -> assertThat(p.y()).isBetween(590.0, 1070.0));
        assertThat(picture(glide.lying(Position.PRONE)).facts().reach())
                .isGreaterThan(sits.facts().reach() + 80);
    }

    @Test
    void a_joint_that_is_moved_has_no_way_to_the_fibre() {
        var soleus = step("m")
                .on(Zone.CALF)
                .side(Sides.RIGHT)
                .lying(Position.PRONE)
                .saying(d -> d.structures.add(Structure.SOLEUS));

        assertThat(picture(soleus.technique("effleurage")).facts().words())
                .anyMatch(w -> w.contains("along the fibre"));
        assertThat(picture(soleus.technique("range-of-motion")).facts().words()).noneMatch(w -> w.contains("fibre"));
    }
}
