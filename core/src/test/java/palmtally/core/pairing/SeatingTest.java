package palmtally.core.pairing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.core.InvalidValue;

/** Who is at which table with whom. */
class SeatingTest {
    private static List<String> people(int n) {
        return IntStream.range(0, n).mapToObj(i -> "p" + (char) ('a' + i)).toList();
    }

    /** The circle method: n people, n even, meet each other once in n − 1 rounds (Kirkman 1847, from memory). */
    @ParameterizedTest
    @ValueSource(ints = {2, 4, 6, 8, 12, 16, 20})
    void everybody_meets_everybody_once_before_anybody_meets_twice(int n) {
        var groups = new ArrayList<List<String>>();
        for (int round = 1; round < n; round++) {
            var seating = Seating.of(people(n), n / 2, 2, groups);
            assertThat(seating.repeats()).as("round " + round).isZero();
            groups.addAll(seating.tables());
        }
        assertThat(Seating.met(groups))
                .hasSize(n * (n - 1) / 2)
                .allSatisfy((p, times) -> assertThat(times).isOne());
        assertThat(Seating.of(people(n), n / 2, 2, groups).repeats()).isEqualTo(n / 2);
    }

    /** By definition: the least Σ times² over every way to make pairs. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void partners_are_those_who_met_least(int seed) {
        var random = new Random(seed);
        var people = people(8);
        var before = new ArrayList<List<String>>();
        for (var a : people)
            for (var b : people)
                for (int times = random.nextInt(4); a.compareTo(b) < 0 && times > 0; times--) before.add(List.of(a, b));
        var met = Seating.met(before);
        var seating = Seating.of(people, 4, 2, before);
        assertThat(cost(seating.tables(), met)).isEqualTo(least(people, met));
    }

    private static long cost(List<List<String>> tables, Map<Pair, Integer> met) {
        return Seating.met(tables).keySet().stream()
                .mapToLong(p -> (long) met.getOrDefault(p, 0) * met.getOrDefault(p, 0))
                .sum();
    }

    private static long least(List<String> people, Map<Pair, Integer> met) {
        if (people.isEmpty()) return 0;
        long best = Long.MAX_VALUE;
        for (int i = 1; i < people.size(); i++) {
            var rest = new ArrayList<>(people);
            var pair = new Pair(rest.remove(0), rest.remove(i - 1));
            long times = met.getOrDefault(pair, 0);
            best = Math.min(best, times * times + least(rest, met));
        }
        return best;
    }

    @ParameterizedTest
    @CsvSource({"7,4,2,2 2 3", "12,4,2,3 3 3 3", "12,9,2,2 2 2 2 2 2", "9,9,3,3 3 3", "8,8,3,2 3 3", "2,5,3,2"})
    void tables_are_twos_and_threes_as_people_come_out(int people, int tables, int atTable, String sizes) {
        var seating = Seating.of(people(people), tables, atTable, List.of());
        assertThat(seating.tables().stream().map(t -> String.valueOf(t.size()))).containsExactly(sizes.split(" "));
        assertThat(seating.tables().stream().flatMap(List::stream)).containsExactlyInAnyOrderElementsOf(people(people));
    }

    @Test
    void who_is_therapist_first_changes_with_the_rounds() {
        var first = Seating.of(people(4), 2, 2, List.of());
        var second = Seating.of(people(4), 2, 2, first.tables());
        var began = first.tables().stream().map(t -> t.get(0)).toList();
        assertThat(second.tables()).allSatisfy(t -> {
            if (began.contains(t.get(0))) assertThat(began).contains(t.get(1));
        });
    }

    @ParameterizedTest
    @CsvSource({"1,3,2,people", "8,2,2,tables", "8,0,2,tables", "8,4,4,atTable"})
    void what_cannot_be_seated_is_refused(int people, int tables, int atTable, String field) {
        assertThatThrownBy(() -> Seating.of(people(people), tables, atTable, List.of()))
                .isInstanceOfSatisfying(
                        InvalidValue.class,
                        e -> assertThat(e.faults()).anyMatch(f -> f.field().equals(field)));
    }

    @Test
    void nobody_sits_twice() {
        assertThatThrownBy(() -> Seating.of(List.of("a", "b", "a"), 2, 2, List.of()))
                .hasMessageContaining("twice");
    }
}
