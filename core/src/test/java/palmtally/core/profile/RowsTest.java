package palmtally.core.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.core.Choice;
import palmtally.core.body.Zone;
import palmtally.core.technique.DoseTable;
import palmtally.core.technique.ScopeTopic;

/** A profile is made from the rows that stand at its parts, and all that a school reads of them is in one list. */
class RowsTest {
    private static final Profile A = Profile.bySeconds();
    private static final Profile B = Profile.byResponse();
    private static final Path WORDS = Path.of("src", "test", "resources", "what-a-school-decides.txt");

    /** Made anew, each section says what the profile says that ships. */
    @Test
    void ship_what_the_profiles_say() {
        for (boolean b : new boolean[] {false, true}) {
            var profile = b ? B : A;
            assertThat(Rows.shipped(Profile.Ordering.class, b)).isEqualTo(profile.order());
            assertThat(Rows.shipped(Profile.Dosing.class, b)).isEqualTo(profile.dose());
            assertThat(Rows.shipped(Profile.Pressing.class, b)).isEqualTo(profile.pressure());
            assertThat(Rows.shipped(Profile.Draping.class, b)).isEqualTo(profile.draping());
            assertThat(Rows.shipped(Profile.Mechanics.class, b)).isEqualTo(profile.mechanics());
            assertThat(Rows.shipped(Marking.class, b)).isEqualTo(profile.marking());
            assertThat(Rows.shipped(Ways.class, b)).isEqualTo(profile.ways());
            assertThat(Rows.shipped(Terms.class, b)).isEqualTo(profile.terms());
        }
        assertThat(Rows.shipped(Profile.Pressing.class, true).specificBand()).isEqualTo(new Band(3, 5));
        assertThat(Rows.shipped(Profile.Pressing.class, true).ceilingEnd()).isEqualTo(Profile.CeilingEnd.UPPER);
        assertThat(Rows.shipped(Profile.Ordering.class, true).warmUpSeconds()).isEqualTo(90);
        assertThat(Rows.shipped(Profile.Draping.class, true).prices()).containsEntry(DrapingFault.LEFT_OPEN, 10.0);
        assertThat(Rows.shipped(Marking.class, false).enough()).containsValue(10);
    }

    @Test
    void are_found_wherever_one_stands() {
        var paths = new ArrayList<List<String>>();
        Rows.walk((path, part) -> paths.add(path));
        assertThat(paths)
                .contains(
                        List.of("id"),
                        List.of("order", "warmUpSeconds"),
                        List.of("pressure", "specificBand"),
                        List.of("marking", "pressure", "overPrice"),
                        List.of("scope"))
                .doesNotContain(
                        List.of("order"), List.of("pressure", "specificBand", "low"), List.of("marking", "pressure"));
        assertThat(Rows.retired())
                .contains(List.of("marking", "safetyEdge"), List.of("marking", "pressure", "ceilings"));
    }

    @Test
    void are_counted_or_measured() {
        var counted = new TreeSet<String>();
        Rows.walk((path, part) -> {
            if (part.isAnnotationPresent(Amount.class) && Rows.whole(part)) counted.add(String.join("/", path));
        });
        assertThat(counted)
                .contains(
                        "order/firmDepth",
                        "pressure/specificBand",
                        "pressure/ownCeilings",
                        "marking/enough",
                        "terms/meetings")
                .doesNotContain("order/warmUpSeconds", "dose/ownLeast", "marking/criteria", "draping/prices");
    }

    /** Whatever a school can decide, in the words it reads; {@code PALM_WRITE_WORDS=1} writes them anew, to be read again. */
    @Test
    void say_what_a_school_decides() throws IOException {
        var lines = new ArrayList<String>();
        for (var row : Numbers.all())
            lines.add(row.id() + " — " + row.group().label() + ": " + row.name() + ", " + row.least() + " to "
                    + row.most() + " " + row.unit() + (row.above() ? ", above" : "") + (row.whole() ? ", whole" : "")
                    + (row.added() ? ", added" : "") + " " + row.rules() + " A " + row.value(A) + " B " + row.value(B));
        for (var row : Choices.all()) {
            lines.add(row.id() + " — " + row.group().label() + ": " + row.question() + (row.added() ? " (added)" : "")
                    + " " + row.rules() + " A " + row.chosen(A) + " B " + row.chosen(B));
            for (var option : row.options()) lines.add("  " + option.id() + ": " + option.label());
        }
        // Not by way of the lists, which were made when the program began.
        var kinds = new TreeSet<>((Class<?> x, Class<?> y) -> x.getName().compareTo(y.getName()));
        Rows.walk((path, part) -> {
            if (Choice.class.isAssignableFrom(part.getType())) kinds.add(part.getType());
        });
        kinds.add(ScopeTopic.Level.class);
        for (var kind : kinds)
            for (var option : kind.getEnumConstants())
                lines.add(kind.getSimpleName() + " " + option + ": " + ((Choice) option).label());
        for (Weighed[] all : new Weighed[][] {DrapingFault.values(), MechanicsFault.values()})
            for (var one : all) lines.add(one + ": " + one.label() + " " + one.usual() + (one.added() ? " added" : ""));
        for (var topic : ScopeTopic.values())
            lines.add(topic + ": " + topic.label() + " " + topic.caution() + " "
                    + topic.question().orElse("–") + " A " + topic.shipped(false) + " B " + topic.shipped(true));
        if (System.getenv("PALM_WRITE_WORDS") != null) Files.write(WORDS, lines);
        assertThat(lines).isEqualTo(Files.readAllLines(WORDS));
    }

    @ParameterizedTest
    @ValueSource(strings = {"outcome", "hold-end", "ceiling-end"})
    void take_every_side_there_is_and_no_other(String id) {
        var row = Choices.find(id).orElseThrow();
        for (var option : row.options())
            assertThat(row.chosen(row.choose(A, option.id()))).isEqualTo(option.id());
        assertThatThrownBy(() -> row.choose(A, "moon")).hasMessageContaining("must be one of");
        assertThat(Choices.find("moon")).isEmpty();
    }

    @Test
    void of_a_map_that_holds_only_what_is_set_are_there_where_they_mean_something() {
        assertThat(Otherwise.SITE_CEILING.has(Zone.SOLE)).isTrue();
        assertThat(Otherwise.DOSE_LEAST.has(DoseTable.Row.HEAT)).isTrue();
        assertThat(Otherwise.DOSE_MOST.has(DoseTable.Row.HEAT)).isFalse();
        assertThat(Otherwise.DOSE_MOST.has(DoseTable.Row.JAW)).isTrue();
        assertThat(Otherwise.RATE_LOW.has(DoseTable.Row.CROSS_FIBRE)).isTrue();
        assertThat(Otherwise.RATE_HIGH.has(DoseTable.Row.JAW)).isFalse();
        assertThatThrownBy(() -> Otherwise.HELD.of(A, Zone.SOLE)).isInstanceOf(IllegalStateException.class);
    }

    @Test
    void a_site_is_named_by_the_trade_or_by_the_school() {
        assertThat(A.pressure().names(Zone.CALF)).isTrue();
        assertThat(A.pressure().names(Zone.SOLE)).isFalse();
        var own = Numbers.find("ceiling-sole").orElseThrow().set(A, 2);
        assertThat(own.pressure().names(Zone.SOLE)).isTrue();
        assertThat(own.pressure().ceiling(Zone.SOLE)).isEqualTo(2);
        assertThat(A.pressure().ceiling(Zone.SOLE)).isEqualTo(4);
        assertThat(B.pressure().ceiling(Zone.UPPER_ARM_INNER)).isEqualTo(2);
    }

    @Test
    void a_dose_may_be_as_long_as_it_is_short_and_reach_its_bound() {
        var least = Numbers.find("dose-least-points-strap").orElseThrow();
        assertThat(least.value(least.set(A, 5))).isEqualTo(5);
        var most = Numbers.find("dose-most-points-strap").orElseThrow();
        assertThat(most.value(most.set(A, 10))).isEqualTo(10);
        var low = Numbers.find("rate-low-cross-fibre").orElseThrow();
        assertThat(low.value(low.set(A, 2))).isEqualTo(2);
    }

    @Test
    void a_profile_is_another_by_name_scope_and_gravity() {
        var other = A.named("ours", "Ours");
        assertThat(other.id()).isEqualTo("ours");
        assertThat(other.name()).isEqualTo("Ours");
        assertThat(other.order()).isEqualTo(A.order());
        var scope = new java.util.EnumMap<ScopeTopic, ScopeTopic.Level>(A.scope());
        scope.put(ScopeTopic.ABDOMINAL, ScopeTopic.Level.NOT_TAUGHT);
        assertThat(A.withScope(scope).scope(ScopeTopic.ABDOMINAL)).isEqualTo(ScopeTopic.Level.NOT_TAUGHT);
        assertThat(Profile.shipped()).containsExactly(A, B);
        assertThat(new Band(3, 6)).hasToString("3–6");
        assertThat(ZoneSets.find("sensitive").map(ZoneSets.Row::id)).contains("sensitive");
        assertThat(Arrays.stream(Group.values()).map(Group::label))
                .doesNotHaveDuplicates()
                .noneMatch(String::isBlank);
    }

    @Test
    void bounds_are_told_as_they_are_written() {
        assertThatThrownBy(() -> Numbers.find("gap-growth").orElseThrow().set(A, 9))
                .hasMessageContaining("1 to 4");
        assertThatThrownBy(() -> Numbers.find("mechanics-looks").orElseThrow().set(A, -1))
                .hasMessageContaining("0 to");
        assertThat(Set.of("s", "min", "%", "grade", "weeks", "times", "points", ""))
                .containsAll(Numbers.all().stream().map(Numbers.Row::unit).toList());
    }
}
