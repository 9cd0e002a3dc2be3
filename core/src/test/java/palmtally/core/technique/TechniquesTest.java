package palmtally.core.technique;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/** What ships, and what a school makes of it. */
class TechniquesTest {
    private static final Technique ROCKING = Techniques.SHIPPED.get("rocking");

    private static Technique sweep(String... aliases) {
        return new TechniqueEdit(
                        "harbour-sweep", "Harbour sweep", Stroke.EFFLEURAGE, Tool.FOREARM, 3, Dose.passes(4, 12))
                .also(aliases)
                .technique();
    }

    private static List<String> said(Techniques techniques) {
        return techniques.faults().stream().map(TechniquesTest::said).toList();
    }

    private static String said(Fault f) {
        return f.field() + ": " + f.value() + " " + f.reason();
    }

    /** TRADE 2 and 13; common practice, no source. */
    @Test
    void every_stroke_has_a_technique_that_ships() {
        assertThat(Techniques.SHIPPED.all().stream().map(Technique::stroke).collect(Collectors.toSet()))
                .isEqualTo(EnumSet.allOf(Stroke.class));
    }

    /** TRADE 2; common practice, no source. */
    @Test
    void what_is_done_in_several_ways_ships_in_each() {
        assertThat(efforts(Stroke.RANGE_OF_MOTION))
                .isEqualTo(Set.of(Technique.Effort.PASSIVE, Technique.Effort.ACTIVE, Technique.Effort.RESISTED));
        assertThat(efforts(Stroke.PIN_AND_LENGTHEN))
                .isEqualTo(Set.of(Technique.Effort.PASSIVE, Technique.Effort.ACTIVE));
        assertThat(efforts(Stroke.STATIC_COMPRESSION)).contains(Technique.Effort.BREATH);
    }

    private static Set<Technique.Effort> efforts(Stroke stroke) {
        return Techniques.SHIPPED.all().stream()
                .filter(t -> t.stroke() == stroke)
                .map(Technique::effort)
                .collect(Collectors.toSet());
    }

    @Test
    void what_ships_can_be_told_apart_by_every_word() {
        assertThat(Techniques.SHIPPED.faults()).isEmpty();
        assertThat(Techniques.SHIPPED.taken()).isEmpty();
    }

    @Test
    void a_school_adds_and_renames_and_what_ships_stays_as_it_is() {
        var renamed = ROCKING.with(e -> e.name = "Boat rock");
        var school = Techniques.SHIPPED.with(List.of(sweep("sweep"), renamed)).checked();
        assertThat(school.get("harbour-sweep")).isEqualTo(sweep("sweep"));
        assertThat(school.get("rocking").name()).isEqualTo("Boat rock");
        assertThat(Techniques.SHIPPED.get("rocking")).isEqualTo(ROCKING);
        assertThat(school.all()).hasSize(Techniques.SHIPPED.all().size() + 1).endsWith(sweep("sweep"));
        assertThat(school.with(List.of(ROCKING)).own()).containsExactly(sweep("sweep"));
    }

    @Test
    void what_ships_cannot_become_another_stroke() {
        var other = ROCKING.with(e -> e.stroke = Stroke.TRACTION);
        assertThat(said(Techniques.SHIPPED.with(List.of(other))))
                .singleElement()
                .asString()
                .startsWith("rocking: Vibration, rocking must stay what it is");
        assertThat(said(Techniques.SHIPPED.with(List.of(sweep().with(e -> e.stroke = Stroke.TRACTION)))))
                .isEmpty();
    }

    @Test
    void two_cannot_be_called_the_same() {
        var renamed = ROCKING.with(e -> e.name = "harbour SWEEP");
        assertThat(said(Techniques.SHIPPED.with(List.of(sweep(), renamed))))
                .containsExactly("harbour-sweep/name: Harbour sweep is what \"harbour SWEEP\" is called");
        assertThat(said(Techniques.SHIPPED.with(List.of(sweep("Vibration, Rocking")))))
                .containsExactly("harbour-sweep/aliases: Vibration, Rocking is what \"Vibration, rocking\" is called");
        assertThat(said(Techniques.SHIPPED.with(List.of(sweep("stretch")))))
                .containsExactly("harbour-sweep/aliases: stretch is what \"Stretch, passive\" is called");
    }

    @Test
    void a_nickname_that_ships_yields_to_the_schools_own_and_is_told() {
        var school = Techniques.SHIPPED.with(List.of(sweep("Wring")));
        assertThat(school.faults()).isEmpty();
        assertThat(school.taken().stream().map(TechniquesTest::said))
                .containsExactly("harbour-sweep/aliases: wring is what \"Petrissage, wringing\" is called");
        assertThat(aliases(school, "wringing")).isEmpty();
        assertThat(aliases(school, "rocking")).containsExactly("jostling");
    }

    private static List<String> aliases(Techniques of, String id) {
        return of.all().stream()
                .filter(t -> t.id().equals(id))
                .findFirst()
                .orElseThrow()
                .aliases();
    }

    @Test
    void a_retired_one_is_known_and_no_longer_offered_and_frees_its_words() {
        var school = Techniques.SHIPPED.with(List.of(sweep("sweep").with(e -> e.retired = true)));
        assertThat(school.find("harbour-sweep")).isPresent();
        assertThat(school.offered()).extracting(Technique::id).doesNotContain("harbour-sweep");
        assertThat(school.with(List.of(ROCKING.with(e -> e.aliases = List.of("sweep"))))
                        .faults())
                .isEmpty();
    }

    @Test
    void a_mend_uses_another_of_the_stroke_where_the_school_has_retired_what_it_asks_for() {
        var without = Techniques.SHIPPED.with(
                List.of(Techniques.SHIPPED.get("petrissage").with(e -> e.retired = true)));
        assertThat(without.toUse("petrissage").id()).isEqualTo("wringing");
        assertThat(Techniques.SHIPPED.toUse("petrissage").id()).isEqualTo("petrissage");
        var none = Techniques.SHIPPED.with(
                List.of(Techniques.SHIPPED.get("traction").with(e -> e.retired = true)));
        assertThat(none.toUse("traction").id()).isEqualTo("traction");
        assertThatThrownBy(() -> none.get("nothing")).isInstanceOf(IllegalArgumentException.class);
    }

    /** Each by itself could be taught; together they are too many, or called the same. */
    @Test
    void of_what_a_sequence_brings_it_takes_what_there_is_room_and_a_name_for() {
        var same = sweep("sweep").as("other-sweep", "Harbour sweep");
        assertThat(Techniques.SHIPPED.teachable(List.of(sweep("sweep"), same, ROCKING)))
                .containsExactly(sweep("sweep"));
        var many = IntStream.range(0, 600)
                .mapToObj(i -> sweep().as("sweep-" + i, "Sweep " + i))
                .toList();
        var school = Techniques.SHIPPED.with(List.of(sweep("sweep")));
        assertThat(school.teachable(many)).hasSize(Techniques.MOST_OWN - 1).startsWith(many.get(0));
        assertThat(school.with(school.teachable(many)).own()).hasSize(Techniques.MOST_OWN);
    }

    @Test
    void hands_have_words_of_their_own() {
        var school = Techniques.SHIPPED.withHands(List.of(
                new HandName("river stone", Tool.PALM),
                new HandName("River Stone", Tool.LOOSE_FIST),
                new HandName("rocking", Tool.PALM)));
        assertThat(said(school))
                .containsExactly(
                        "hands/1: River Stone is said twice",
                        "hands/2: rocking is what \"Vibration, rocking\" is called");
        assertThatThrownBy(() -> new HandName(" ", Tool.PALM)).hasMessageContaining("1 to 60 characters");
    }

    @Test
    void ids_are_made_of_names() {
        assertThat(Techniques.SHIPPED.freshId("Hafen-Streichung über Kopf")).isEqualTo("hafen-streichung-uber-kopf");
        assertThat(Techniques.SHIPPED.freshId("Stretch!")).isEqualTo("stretch-2");
        assertThat(Techniques.SHIPPED.freshId("波")).isEqualTo("technique");
        assertThat(Techniques.SHIPPED.freshId("x".repeat(90))).hasSize(48);
    }

    @Test
    void a_technique_says_all_that_is_wrong_with_it() {
        assertThatThrownBy(() -> new TechniqueEdit("A b", " ", Stroke.RESET, Tool.PALM, 6, Dose.seconds(1))
                        .also(" ")
                        .technique())
                .isInstanceOf(InvalidValue.class)
                .hasMessageContaining("single hyphens")
                .hasMessageContaining("1 to 200 characters")
                .hasMessageContaining("1 to 60 characters each")
                .hasMessageContaining("0 to 5");
        assertThatThrownBy(() -> new Window(DoseTable.Per.HOLD, 20, 10.0)).hasMessageContaining("not below the least");
    }

    @Test
    void more_than_five_hundred_of_its_own_are_a_mistake() {
        var many = Collections.nCopies(Techniques.MOST_OWN + 1, new HandName("river stone", Tool.PALM));
        assertThatThrownBy(() -> Techniques.SHIPPED.withHands(many)).hasMessageContaining("at most 500");
        assertThatThrownBy(() -> new Techniques(List.of(ROCKING, ROCKING), List.of()))
                .hasMessageContaining("is used twice");
    }
}
