package palmtally.core.sequence.detail;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.core.InvalidValue;
import palmtally.core.body.Landmark;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Sheet;
import palmtally.core.technique.Tool;

/** What else is said of a step, as people read it and as it stands in the cells of a table. */
class DetailTest {
    /** Something of everything. */
    public static final Detail ALL = Detail.NONE.with(e -> {
        e.structures = List.of(Structure.SOLEUS, Structure.HEEL_CORD);
        e.from = Landmark.HEEL;
        e.to = Landmark.KNEE_HOLLOW;
        e.fibre = FibreAngle.ALONG;
        e.pace = Pace.SLOW;
        e.otherHand = OtherHand.MOVES_THE_LIMB;
        e.manner = Set.of(Manner.LEANS_IN, Manner.PIVOTS);
        e.limb = Set.of(Limb.FOOT_OFF_END);
        e.props = Set.of(Prop.WIPES, Prop.BOLSTER_UNDER_ANKLES);
        e.part = List.of(new ClientPart(ClientPart.Does.PUSHES, 3, 6.5, 20), ClientPart.of(ClientPart.Does.LETS_GO));
        e.end = new End(End.When.SOFTENS, 90.0);
        e.compares = new Comparison(Set.of(Comparison.What.RANGE, Comparison.What.SIDES), Comparison.When.BETWEEN);
        e.instead = List.of(
                new Branch(
                        Branch.When.HURTS,
                        Branch.Then.BROADER,
                        Tool.FOREARM,
                        "forearm-glide",
                        List.of(Zone.CALF, Zone.SHIN),
                        2,
                        Sheet.THROUGH,
                        "the fleshy side; no \"elbow\""),
                Branch.of(Branch.When.SHOOTS, Branch.Then.STOP, null));
        e.why = "It is tight after rowing.";
        e.note = "Like a slow tide.";
        e.words = Map.of(DetailField.OTHER_HAND, "bends the foot down");
        e.picture = "0123456789abcdef0123456789abcdef";
    });

    @ParameterizedTest
    @EnumSource(DetailField.class)
    void each_thing_is_read_out_of_its_cell_as_it_was_written(DetailField field) {
        var cell = field.write(ALL);
        assertThat(cell).isNotEmpty();
        assertThat(field.write(Detail.NONE)).isEmpty();
        var read = Detail.NONE.edit();
        field.read(cell, read);
        assertThat(field.write(read.detail())).isEqualTo(cell);
        assertThat(field.words(read.detail(), t -> t)).isEqualTo(field.words(ALL, t -> t));
    }

    @Test
    void all_cells_together_say_the_same() {
        var read = Detail.NONE.edit();
        for (var field : DetailField.values()) field.read(field.write(ALL), read);
        read.words.putAll(ALL.words());
        assertThat(read.detail()).isEqualTo(ALL);
    }

    @Test
    void people_read_a_line_for_each_thing_in_its_order() {
        assertThat(ALL.lines(t -> t.equals("forearm-glide") ? "Effleurage with forearm" : t))
                .extracting(l -> l.label() + ": " + l.words())
                .containsExactly(
                        "Muscles and bands: Soleus, Heel cord",
                        "From: heel",
                        "To: hollow of the knee",
                        "To the fibre: along",
                        "Pace: slow",
                        "Other hand: moves the limb – bends the foot down",
                        "Therapist: pivots, leans in",
                        "Limb: foot off end",
                        "Props: bolster under ankles, wipes",
                        "Client: pushes × 3, 6.5 s at 20 % → lets go",
                        "Ends: until the tissue softens, at most 90 s",
                        "Compare: the range, left with right, between the sides",
                        "Instead: if it hurts: broader, with forearm, Effleurage with forearm, on Calf, Shin, outer side, depth 2,"
                                + " sheet through (the fleshy side; no \"elbow\"); if it shoots, tingles or goes numb: stop",
                        "Why: It is tight after rowing.",
                        "Note: Like a slow tide.",
                        "Picture: of the school's own");
    }

    @Test
    void who_says_nothing_has_no_line_and_own_words_alone_are_one() {
        assertThat(Detail.NONE.lines(t -> t)).isEmpty();
        var own = Detail.NONE.with(e -> e.words.put(DetailField.LIMB, "as if asleep"));
        assertThat(own.lines(t -> t)).extracting(Detail.InWords::words).containsExactly("as if asleep");
        assertThat(Detail.NONE.with(e -> {
                    e.why = "  ";
                    e.note = "";
                    e.words.put(DetailField.FROM, " ");
                }))
                .isEqualTo(Detail.NONE);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "structures | rotator cuff | supraspinatus; infraspinatus; teres-minor; subscapularis",
                "structures | Soleus; musculus soleus | soleus",
                "from | Sit bone | sit-bone",
                "to | calcaneus | heel"
            })
    void bodies_are_named_by_any_of_their_names(String field, String cell, String written) {
        var of = Arrays.stream(DetailField.values())
                .filter(f -> f.toString().equals(field))
                .findFirst()
                .orElseThrow();
        var read = Detail.NONE.edit();
        of.read(cell, read);
        assertThat(of.write(read.detail())).isEqualTo(written);
    }

    @Test
    void a_place_that_is_no_landmark_stays_in_words() {
        var read = Detail.NONE.edit();
        DetailField.FROM.read("just above the knee", read);
        assertThat(read.detail().words()).containsExactly(Map.entry(DetailField.FROM, "just above the knee"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "PART | clenches xx",
                "PART | pushes x99",
                "PART | pushes 601s",
                "PART | pushes 101%",
                "PART | dances",
                "END | softens soon",
                "END | tomorrow",
                "COMPARES | before:",
                "COMPARES | before: moon",
                "INSTEAD | broader",
                "INSTEAD | hurts: fly",
                "INSTEAD | hurts: broader; depth 7",
                "INSTEAD | hurts: broader; depth two",
                "INSTEAD | hurts: broader; moon 3",
                "STRUCTURES | moon",
                "PICTURE | ../../etc/passwd",
                "PACE | hurried"
            })
    void what_nobody_can_mean_is_refused_with_a_reason(DetailField field, String cell) {
        assertThatThrownBy(() -> {
                    var read = Detail.NONE.edit();
                    field.read(cell, read);
                    read.detail();
                })
                .isInstanceOfSatisfying(
                        InvalidValue.class,
                        e -> assertThat(e.faults().get(0).reason()).contains(" "));
    }

    @ParameterizedTest
    @ValueSource(ints = {20, 21})
    void lists_and_texts_have_their_most(int structures) {
        var many = Arrays.stream(Structure.values()).limit(structures).toList();
        var made = org.assertj.core.api.Assertions.catchThrowable(() -> Detail.NONE.with(e -> e.structures = many));
        assertThat(made == null).isEqualTo(structures <= Detail.MOST_STRUCTURES);
        assertThatThrownBy(() -> Detail.NONE.with(e -> {
                    e.why = "x".repeat(Detail.MOST_WHY + 1);
                    e.note = "x".repeat(Detail.MOST_NOTE + 1);
                    e.words.put(DetailField.PART, "x".repeat(Detail.MOST_WORDS + 1));
                    e.part = java.util.Collections.nCopies(13, ClientPart.of(ClientPart.Does.HOLDS));
                }))
                .isInstanceOfSatisfying(
                        InvalidValue.class,
                        e -> assertThat(new TreeSet<>(
                                        e.faults().stream().map(f -> f.field()).toList()))
                                .containsExactly("note", "part", "why", "words/part"));
    }

    @Test
    void words_that_mean_something_to_the_rules() {
        assertThat(Branch.Then.values())
                .filteredOn(Branch.Then::ends)
                .containsExactly(Branch.Then.LATER, Branch.Then.MOVE_ON, Branch.Then.SKIP, Branch.Then.STOP);
        assertThat(ClientPart.Does.values())
                .filteredOn(ClientPart.Does::breath)
                .containsExactly(
                        ClientPart.Does.BREATHES_IN, ClientPart.Does.BREATHES_OUT, ClientPart.Does.BREATHES_SLOWLY);
        assertThat(ClientPart.Does.values())
                .filteredOn(ClientPart.Does::active)
                .containsExactly(
                        ClientPart.Does.CLENCHES,
                        ClientPart.Does.OPENS,
                        ClientPart.Does.MOVES,
                        ClientPart.Does.SHRUGS,
                        ClientPart.Does.LIFTS_THE_HEAD);
        assertThat(Branch.of(Branch.When.HURTS, Branch.Then.ASK, "how?").words(t -> t))
                .isEqualTo("if it hurts: ask and note (how?)");
        assertThat(DetailField.NOTE.column() + ", " + DetailField.OTHER_HAND.column())
                .isEqualTo("step note, other hand");
    }

    @Test
    void what_is_changed_keeps_the_rest() {
        var said = Detail.NONE.with(d -> d.words.put(DetailField.LIMB, "over my knee"));
        assertThat(said.with(d -> d.why = "w").words())
                .containsExactly(java.util.Map.entry(DetailField.LIMB, "over my knee"));
        assertThat(Detail.NONE.with(d -> d.why = "x".repeat(400)).why()).hasSize(400);
    }
}
