package palmtally.core.jot;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.core.body.Position;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Direction;
import palmtally.core.sequence.Importance;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Saying;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.detail.Limb;
import palmtally.core.sequence.detail.OtherHand;
import palmtally.core.sequence.detail.Pace;
import palmtally.core.technique.Dose;
import palmtally.core.technique.HandName;
import palmtally.core.technique.Techniques;
import palmtally.core.technique.Tool;

class JotTest {
    private static Step read(String text) {
        return read(text, (Step) null);
    }

    @Test
    void a_line_as_teachers_jot_it_becomes_a_step() {
        var step = read("forearm glide hamstrings 90s x3 firm");
        assertThat(step.technique().id()).isEqualTo("forearm-glide");
        assertThat(step.tool()).isEqualTo(Tool.FOREARM);
        assertThat(step.zones()).containsExactly(Zone.HAMSTRINGS);
        assertThat(step.dose()).isEqualTo(Dose.passes(3, 90));
        assertThat(step.depth()).isEqualTo(4);
        assertThat(step.side()).isEqualTo(Sides.EACH);
        assertThat(step.position()).isEqualTo(Position.PRONE);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "knead calf 1:30 | petrissage | CALF | 90 | seconds",
                "knead calf 2 min light | petrissage | CALF | 120 | seconds",
                "trigger point shoulder blade 3 holds 9s | trigger-point | SHOULDER_BLADE | 27 | holds",
                "point hold low back 4 breaths | trigger-point | LUMBAR | 40 | breaths",
                "cross friction achilles 90 cycles 1.5/s | cross-fibre | ACHILLES | 60 | cycles",
                "trigger point glutes until soft 60s | trigger-point | GLUTEALS | 60 | until-soft",
                "stretch quads | stretch | THIGH_FRONT | 30 | seconds",
                "fist glide back x4 | fist-glide | UPPER_BACK | 40 | passes",
                "Skin rolling, upper back, 45 s | skin-rolling | UPPER_BACK | 45 | seconds",
                "glide calves 6x | effleurage | CALF | 60 | passes",
                "thumb forearm-flexors 30s | stripping-thumb | FOREARM_FLEXORS | 30 | seconds"
            })
    void doses_and_names_are_understood_in_any_order(
            String text, String technique, Zone zone, double seconds, String kind) {
        var step = read(text);
        assertThat(step.technique().id()).isEqualTo(technique);
        assertThat(step.zones()).containsExactly(zone);
        assertThat(step.dose().totalSeconds()).isEqualTo(seconds);
        assertThat(step.dose().kind().toString()).isEqualTo(kind);
    }

    /** Anatomy from memory. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "strip infraspinatus 40s | stripping-fingers | SHOULDER_BLADE | infraspinatus",
                "thumb strip ql 60s | stripping-thumb | LUMBAR | quadratus lumborum",
                "knead masseter 30s | petrissage | JAW_MUSCLES | masseter",
                "point hold piriformis 3 holds 9s | trigger-point | HIP_ROTATORS | piriformis",
                "cross friction supraspinatus tendon 90 cycles 1.5/s | cross-fibre | UPPER_ARM_OUTER | supraspinatus tendon",
                "glide erector spinae 90s | effleurage | UPPER_BACK | erector spinae",
                "knead musculus soleus 45s | petrissage | CALF | soleus",
                "strip levator scapulae 40s | stripping-fingers | NECK_BACK | levator scapulae",
                "strip scm 20s light | stripping-fingers | STRAP_MUSCLE | sternocleidomastoid"
            })
    void a_structure_is_worked_where_it_lies_and_stays_in_the_name(
            String text, String technique, Zone zone, String named) {
        var step = read(text);
        assertThat(step.technique().id()).isEqualTo(technique);
        assertThat(step.zones()).containsExactly(zone);
        assertThat(step.name()).endsWith(", " + named);
    }

    @Test
    void a_structure_lies_in_the_zone_that_is_said_beside_it() {
        assertThat(read("knead piriformis glutes 30s").zones()).containsExactly(Zone.GLUTEALS);
        assertThat(read("glide semitendinosus calf 30s").zones()).containsExactly(Zone.CALF, Zone.HAMSTRINGS);
        assertThat(read("strip rotator cuff 60s").zones()).containsExactly(Zone.SHOULDER_BLADE);
        assertThat(read("knead adductors 30s").zones()).containsExactly(Zone.THIGH_INNER);
        assertThat(read("knead gastroc soleus 30s").zones()).containsExactly(Zone.CALF);
        assertThat(read("knead gastroc soleus 30s").name()).isEqualTo("Petrissage, gastrocnemius, soleus");
        assertThat(read("glide hamstrings 60s").name()).isEqualTo("Effleurage");
    }

    @ParameterizedTest
    @EnumSource(Structure.class)
    void every_structure_is_known_by_its_names(Structure structure) {
        for (var name : List.of(structure.label(), structure.latin(), structure.toString()))
            assertThat(read("stretch " + name).zones()).as(name).containsAnyElementsOf(structure.zones());
        for (var name : structure.also())
            assertThat(read("stretch " + name).zones()).as(name).isNotEmpty();
    }

    @Test
    void sides_sheet_lubricant_position_phase_and_words_are_understood() {
        var step = read("palm glide chest left through the sheet supine assess must \"May I work here?\"");
        assertThat(step.side()).isEqualTo(Sides.LEFT);
        assertThat(step.sheet()).isEqualTo(Sheet.THROUGH);
        assertThat(step.lubricant()).isEqualTo(Lubricant.DRY);
        assertThat(step.phase()).isEqualTo(Phase.ASSESS);
        assertThat(step.importance()).isEqualTo(Importance.MUST);
        assertThat(step.say()).containsExactly(Saying.of(SayKind.CONSENT, "May I work here?"));
    }

    @Test
    void what_is_not_said_goes_on_from_the_step_before() {
        var before = read("palm glide calf right oil prone");
        var next = read("knead 40s", before);
        assertThat(next.zones()).isEqualTo(before.zones());
        assertThat(next.side()).isEqualTo(Sides.RIGHT);
        assertThat(next.lubricant()).isEqualTo(Lubricant.OIL);
    }

    @Test
    void what_is_not_known_becomes_the_note_of_the_step() {
        var jotted = Jot.jot("gull press quads 40s wibble", Techniques.SHIPPED, "a", null);
        assertThat(jotted.note()).containsExactly("gull", "wibble");
        assertThat(jotted.step().details().note()).isEqualTo("gull; wibble");
        assertThat(jotted.step().technique().id()).isEqualTo("static-press");
        assertThat(jotted.asked()).isNull();
    }

    @Test
    void a_long_word_may_be_misspelt_by_a_letter_or_two() {
        assertThat(read("glide hamstrigns 90s").zones()).containsExactly(Zone.HAMSTRINGS);
        assertThat(read("foreram glide infraspinatis x4").details().structures())
                .containsExactly(Structure.INFRASPINATUS);
        assertThat(Jot.jot("glide calf wobbly", Techniques.SHIPPED, "a", null).note())
                .containsExactly("wobbly");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "90s | STROKE",
                "wibble wobble | STROKE",
                "glide wibble | ZONE",
                "if ticklish rest a flat still hand first | STROKE"
            })
    void one_question_is_asked_where_stroke_or_zone_is_unknown_and_the_line_is_kept(String line, Jotted.What what) {
        var jotted = Jot.jot(line, Techniques.SHIPPED, "a", null);
        assertThat(jotted.step()).isNull();
        assertThat(jotted.asked().what()).isEqualTo(what);
        assertThat(jotted.asked().nearest()).hasSize(4).doesNotHaveDuplicates();
        assertThat(jotted.note()).containsExactly(line);
    }

    @Test
    void the_nearest_stroke_is_found_by_any_of_its_names() {
        var asked = Jot.jot("kneadle the calf", Techniques.SHIPPED, "a", null).asked();
        assertThat(asked.nearest().get(0)).isEqualTo("Petrissage");
    }

    @Test
    void a_number_that_no_step_can_have_stays_in_the_note() {
        assertThat(Jot.jot("glide calf depth 9", Techniques.SHIPPED, "a", null).note())
                .containsExactly("depth 9");
        assertThat(Jot.jot("glide calf x99999999", Techniques.SHIPPED, "a", null)
                        .note())
                .isNotEmpty();
    }

    @Test
    void times_at_the_head_of_every_line_give_the_doses() {
        var lines = Routine.of(
                List.of("0:00 palm glide calf", "2:10 knuckles, deeper", "3:00 flush"),
                Techniques.SHIPPED,
                n -> "s" + n,
                null);
        assertThat(lines)
                .extracting(j -> j.step().id() + " " + j.step().technique().id() + " "
                        + j.step().depth() + " " + j.step().dose().words())
                .containsExactly("s1 effleurage 2 130 s", "s2 fist-glide 3 50 s", "s3 effleurage 2 6 × 10 s");
        // One alone is a dose.
        assertThat(read("2:10 knuckles calf").dose()).isEqualTo(Dose.seconds(130));
    }

    @ParameterizedTest
    @EnumSource(Zone.class)
    void every_zone_is_known_by_its_id_and_its_label(Zone zone) {
        assertThat(read("glide " + zone).zones()).isEqualTo(List.of(zone));
        assertThat(read("glide \n" + zone.toString().replace('-', ' ')).zones()).contains(zone);
    }

    @Test
    void every_technique_is_known_by_name_and_nickname() {
        for (var t : Techniques.SHIPPED.all()) {
            assertThat(read(t.name() + " calf").technique().id()).as(t.name()).isEqualTo(t.id());
            for (var alias : t.aliases())
                assertThat(read(alias + " calf").technique().id()).as(alias).isEqualTo(t.id());
        }
    }

    @Test
    void a_school_jots_down_its_own_techniques_and_hands() {
        var glide = Techniques.SHIPPED.get("effleurage");
        var own = glide.with(e -> {
            e.name = "Long slow tide up and down the whole back";
            e.aliases = List.of("tide");
            e.dose = Dose.passes(2, 30);
            e.hand = "river stone";
        });
        var school = Techniques.SHIPPED
                .with(List.of(own))
                .withHands(List.of(new HandName("rolling-pin fist", Tool.LOOSE_FIST)));
        for (var line : List.of("tide upper back", own.name() + " upper back")) {
            var step = read(line, school, null);
            assertThat(step.technique()).isEqualTo(own);
            assertThat(step.dose()).isEqualTo(Dose.passes(2, 30));
            assertThat(step.handWords()).isEqualTo("river stone");
        }
        var fist = read("tide upper back rolling-pin fist", school, null);
        assertThat(fist.tool()).isEqualTo(Tool.LOOSE_FIST);
        assertThat(fist.handWords()).isEqualTo("rolling-pin fist");
        assertThat(read("tide upper back palm", school, null).handWords()).isEqualTo("palm");
        var retired = school.with(List.of(own.with(e -> e.retired = true)));
        assertThat(Jot.jot("tide upper back", retired, "n", null).step()).isNull();
    }

    /** Toes after the calf are worked as the client lies: nobody is turned for them. */
    @Test
    void what_can_be_reached_as_the_client_lies_turns_nobody() {
        var calf = read("glide calf 60 s", null);
        assertThat(calf.position()).isEqualTo(Position.PRONE);
        assertThat(read("passive circles toes 20 s", calf).position()).isEqualTo(Position.PRONE);
        assertThat(read("passive circles toes 20 s", null).position()).isEqualTo(Position.SUPINE);
        assertThat(read("glide quads 60 s", calf).position()).isEqualTo(Position.SUPINE);
        assertThat(read("passive circles toes supine", calf).position()).isEqualTo(Position.SUPINE);
        var lying = read("glide hamstrings side-lying", null);
        assertThat(read("glutes fist glide", lying).position()).isEqualTo(Position.SIDE_LEFT);
    }

    private static Step read(String line, @Nullable Step before) {
        return read(line, Techniques.SHIPPED, before);
    }

    private static Step read(String line, Techniques library, @Nullable Step before) {
        var step = Jot.jot(line, library, "a", before).step();
        assertThat(step).as(line).isNotNull();
        return step;
    }

    private static List<Jotted> routine(String... lines) {
        return Routine.of(List.of(lines), Techniques.SHIPPED, n -> "s" + n, null);
    }

    private static String told(Jotted j) {
        var s = j.step();
        return s == null
                ? "no step, asks " + (j.asked() == null ? "nothing" : j.asked().what()) + ", " + j.note()
                : s.technique().id() + " " + s.zones() + " " + s.position() + " " + s.phase();
    }

    /** How the client lies is said once, and where the work is before it begins. */
    @Test
    void who_lies_down_stays_so_and_what_is_asked_is_about_what_follows() {
        assertThat(routine(
                                "client on the back, I sit on a stool at the head, pillow under the knees",
                                "ask: any clicking, any dental work?",
                                "slow palm glides from C7 to the skull, 1 min each side",
                                "turn over, bolster under the ankles",
                                "ask how that is now")
                        .stream()
                        .map(JotTest::told))
                .containsExactly(
                        "still-hold [neck-back] supine settle",
                        "still-hold [neck-back] supine assess",
                        "effleurage [neck-back] supine warm",
                        "still-hold [neck-back] prone settle",
                        "still-hold [neck-back] prone assess");
    }

    /** Typed line by line, the step before was there already: it is handed back changed. */
    @Test
    void a_line_typed_alone_says_it_of_the_step_that_was_there() {
        var before = routine("knuckles calf 60 s").get(0).step();
        var after = Routine.of(
                List.of("never over the veins", "if it hurts use the forearm, lighter", "how is that?", "other side"),
                Techniques.SHIPPED,
                n -> "x" + n,
                before);
        assertThat(after)
                .allSatisfy(j -> assertThat(j.step()).isNull())
                .allSatisfy(j -> assertThat(j.asked()).isNull());
        var onto = after.get(3).onto();
        assertThat(onto.id()).isEqualTo(before.id());
        assertThat(onto.details().note()).isEqualTo("never over the veins; other side");
        assertThat(onto.details().instead()).extracting(b -> b.tool()).containsExactly(Tool.FOREARM);
        assertThat(onto.say()).extracting(Saying::kind).containsExactly(SayKind.PRESSURE_QUESTION);
        // The first says the least: each goes on from the one before it.
        assertThat(after.get(0).onto().details().instead()).isEmpty();
    }

    @Test
    void how_it_is_done_may_be_told_on_a_line_of_its_own() {
        var all = routine(
                "trigger point infraspinatus", "arm off the table, other hand on top", "slowly", "from the moon");
        var how = all.get(0).step().details();
        assertThat(how.limb()).containsExactly(Limb.ARM_OFF_TABLE);
        assertThat(how.otherHand()).isEqualTo(OtherHand.REINFORCES);
        assertThat(how.pace()).isEqualTo(Pace.SLOW);
        assertThat(all.stream().map(j -> j.asked() != null)).containsExactly(false, false, false, true);
    }

    @Test
    void a_heading_and_what_is_uncovered_stand_for_the_lines_under_them() {
        var all = routine(
                "Left arm:",
                "petrissage 30 s",
                "cover the arm, undrape the right leg, tuck the sheet",
                "effleurage 4x",
                "knead calf");
        assertThat(all.stream()
                        .map(j -> j.step() == null
                                ? "-"
                                : j.step().zones() + " " + j.step().side()))
                .containsExactly("-", "[upper-arm-outer] left", "-", "[hamstrings, calf] right", "[calf] right");
        assertThat(all.get(3).step().details().note())
                .isEqualTo("cover the arm, undrape the right leg, tuck the sheet");
    }

    @Test
    void who_stays_dressed_stays_so_until_the_skin_is_bare() {
        assertThat(routine(
                                "clothed, face down",
                                "palm press upper back",
                                "knead calf",
                                "undraped: glide calf",
                                "knead calf")
                        .stream()
                        .map(j -> j.step().sheet()))
                .containsExactly(Sheet.THROUGH, Sheet.THROUGH, Sheet.THROUGH, Sheet.OPEN, Sheet.OPEN);
    }

    /** Such lines say something of the step before them, which keeps it. */
    @Test
    void what_is_done_instead_and_what_is_to_mind_belong_to_the_step_before() {
        var all = routine(
                "knuckles calf 60 s",
                "if it hurts use the forearm, lighter",
                "if it shoots to the toes stop and note it",
                "never over the veins",
                "other side");
        assertThat(all.subList(1, 5).stream().map(JotTest::told))
                .containsExactly(
                        "no step, asks nothing, []",
                        "no step, asks nothing, []",
                        "no step, asks nothing, [never over the veins]",
                        "no step, asks nothing, [other side]");
        var detail = Objects.requireNonNull(all.get(0).step()).details();
        assertThat(detail.instead())
                .extracting(b -> b.when() + " " + b.then() + " " + b.tool())
                .containsExactly("hurts lighter forearm", "shoots stop null");
        assertThat(detail.note()).isEqualTo("never over the veins; other side");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "client points and flexes the foot x5 while I pin soleus with the thumb | pin-lengthen [calf] prone treat",
                "warm the forearm: palm glide wrist to elbow 5 x 12 s | effleurage [forearm-flexors, forearm-extensors] supine warm",
                "friction on the heel cord, across, 60 s | cross-fibre [achilles] prone treat",
                "across the fibre with the thumb on biceps femoris | cross-fibre [hamstrings] prone treat",
                "circle the hip, big and slow | range-of-motion [gluteals] prone lengthen",
                "squeeze the calf with both heels of the hands | broadening [calf] prone warm",
                "palm glide from the sternum to the shoulder | effleurage [chest-wall] supine warm",
                "hold the tender point in masseter; may be felt in the ear | trigger-point [jaw-muscles] supine treat",
                "loose fist over gluteus medius through the sheet | compression [gluteals] prone treat",
                "cover the calf | still-hold [calf] prone cover",
                "compare both legs from the foot end | still-hold [hamstrings, calf] prone assess"
            })
    void lines_of_a_routine_are_what_they_mean(String line, String told) {
        assertThat(told(routine(line).get(0))).isEqualTo(told);
    }

    /** Pressing what a teacher said to spare would be the worst that a reading can do. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "Do not press on the kidneys",
                "Don't use the elbow on the neck",
                "We do not press over the throat",
                "You must never press the eyes",
                "The kidneys are not pressed",
                "Keep your thumbs off the spine",
                "Nobody presses the front of the neck here",
                "Please don't rub the fresh scar on the knee",
                "Refrain from pressing the abdomen",
                "Shouldn't press the armpit",
                "Can't press here: back of the knee",
                "Leave the kneecap alone"
            })
    void what_must_not_be_done_is_told_and_never_a_step(String line) {
        var first = routine(line, "knead the calf");
        assertThat(told(first.get(0))).isEqualTo("no step, asks nothing, [" + line + "]");
        assertThat(Objects.requireNonNull(first.get(1).step()).details().note()).isEqualTo(line);
        var second = routine("knead the calf", line);
        assertThat(second.get(1).step()).isNull();
        assertThat(Objects.requireNonNull(second.get(0).step()).details().note())
                .isEqualTo(line);
    }

    @Test
    void what_is_spared_beside_the_work_is_not_worked() {
        var step = read("Elbow on the low back but not on the kidneys");
        assertThat(step.zones()).containsExactly(Zone.LUMBAR);
        assertThat(step.depth()).isEqualTo(4);
    }

    /** Up a limb is toward the trunk, up the trunk toward the head; both ways and over both is no direction. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            nullValues = "-",
            value = {
                "palm strokes up the leg x5 | PROXIMAL",
                "both fists down the hamstrings | DISTAL",
                "palm down the whole back beside the spine x6 | CAUDAL",
                "palm strokes up the back beside the spine x6 | CRANIAL",
                "fingers down the masseter x3 | CAUDAL",
                "strokes on the low back toward the feet | CAUDAL",
                "palm glide, upper back, cranial, 40 s | CRANIAL",
                "up and down the back with the palms | -",
                "up and down the hamstrings with the palms 40 s | -"
            })
    void up_and_down_are_read_by_what_is_worked(String line, @Nullable Direction direction) {
        assertThat(read(line).direction()).isEqualTo(direction);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "both palms across the low back 40 s | PALM | WORKS_TOGETHER",
                "knead the gluteals with both fists | LOOSE_FIST | WORKS_TOGETHER",
                "both forearms on the back 1 min | FOREARM | WORKS_TOGETHER",
                "IT band shear with both palms opposite ways, 30 s | PALM | WORKS_OPPOSITE",
                "both palms on the back, alternating, 1 min | PALM | WORKS_ALTERNATELY"
            })
    void both_hands_work_whatever_they_are_called_by(String line, Tool tool, OtherHand other) {
        var step = read(line);
        assertThat(step.tool()).isEqualTo(tool);
        assertThat(step.details().otherHand()).isEqualTo(other);
    }
}
