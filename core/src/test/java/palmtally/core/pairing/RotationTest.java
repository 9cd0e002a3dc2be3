package palmtally.core.pairing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.core.InvalidValue;

/** Who works with whom over a term, held to what is known of such schedules and to a program of its own. */
class RotationTest {
    private static List<String> people(int n) {
        return IntStream.range(0, n)
                .mapToObj(i -> "p" + (char) ('a' + i / 26) + (char) ('a' + i % 26))
                .toList();
    }

    private static List<SeatingWish> rounds(int n, int rounds, int atTable) {
        return Collections.nCopies(rounds, new SeatingWish(people(n), n, atTable));
    }

    private static List<List<String>> tables(List<Seating> seatings) {
        return seatings.stream().flatMap(s -> s.tables().stream()).toList();
    }

    /** How often somebody meets somebody they met before. */
    private static int repeats(List<Seating> seatings) {
        return Seating.met(tables(seatings)).values().stream()
                .mapToInt(t -> t - 1)
                .sum();
    }

    private static void everybodySitsOnce(SeatingWish wish, Seating seating) {
        assertThat(seating.tables().stream().flatMap(List::stream)).containsExactlyInAnyOrderElementsOf(wish.people());
        assertThat(seating.tables()).hasSizeLessThanOrEqualTo(wish.tables());
        assertThat(seating.tables()).allSatisfy(t -> assertThat(t).hasSizeBetween(2, 3));
    }

    @Nested
    class Known_schedules {
        /** The circle method: n people, n even, meet each other once in n − 1 rounds (Kirkman 1847, from memory). */
        @ParameterizedTest
        @ValueSource(ints = {2, 4, 6, 8, 12, 16, 20, 24})
        void everybody_meets_everybody_once_in_one_round_less_than_they_are(int n) {
            var seatings = Rotation.of(rounds(n, n - 1, 2), Set.of(), List.of());
            assertThat(repeats(seatings)).isZero();
            assertThat(Seating.met(tables(seatings))).hasSize(n * (n - 1) / 2);
            seatings.forEach(s -> assertThat(s.unmet()).isZero());
        }

        /** After that they meet twice, nobody a third time before all have met twice. */
        @Test
        void and_again_before_anybody_meets_a_third_time() {
            var met = Seating.met(tables(Rotation.of(rounds(8, 14, 2), Set.of(), List.of())));
            assertThat(met)
                    .hasSize(28)
                    .allSatisfy((p, times) -> assertThat(times).isEqualTo(2));
        }

        /**
         * Fifteen in threes for seven days, so that no two walk together twice (T. P. Kirkman 1850; this solution is from memory, and is
         * checked here before it is used). Six days without a repeat are asked of the plan, and at most two repeats in seven.
         */
        @Test
        void fifteen_in_threes() {
            var kirkman = List.of(
                    "abc def ghi jkl mno",
                    "adg beh cmj fkn ilo",
                    "aeo bik cgn dlm fhj",
                    "aij bfm clh dko egn",
                    "afl bdj cek gmh ino",
                    "ahk bgl cfi djn emo",
                    "amn bno cdo ehl fgj");
            assertThat(kirkman).hasSize(7);
            var six = Rotation.of(rounds(15, 6, 3), Set.of(), List.of());
            assertThat(repeats(six)).isZero();
            var seven = Rotation.of(rounds(15, 7, 3), Set.of(), List.of());
            assertThat(repeats(seven)).isLessThanOrEqualTo(2);
        }

        /** Nine in threes: the four directions of the affine plane of order three (from memory). */
        @Test
        void nine_in_threes_meet_everybody_in_four_rounds() {
            var met = Seating.met(tables(Rotation.of(rounds(9, 4, 3), Set.of(), List.of())));
            assertThat(met)
                    .hasSize(36)
                    .allSatisfy((p, times) -> assertThat(times).isOne());
        }
    }

    @Nested
    class Promises {
        /** Random classes with people kept apart, absences and bodies to be spared: checked by what is promised, not by any cost. */
        @RepeatedTest(50)
        void are_kept_in_any_class(RepetitionInfo school) {
            var random = new Random(school.getCurrentRepetition());
            int n = 6 + random.nextInt(20);
            var all = people(n);
            var apart = new HashSet<Pair>();
            for (int i = random.nextInt(n / 2); i > 0; i--) {
                var a = all.get(random.nextInt(n));
                var b = all.get(random.nextInt(n));
                if (!a.equals(b)) apart.add(new Pair(a, b));
            }
            var wishes = new ArrayList<SeatingWish>();
            for (int r = 0; r < 8; r++) {
                var there = new ArrayList<>(all);
                Collections.shuffle(there, random);
                var present = there.subList(0, Math.max(6, n - random.nextInt(4)));
                var spared = random.nextInt(3) == 0 ? Set.of(present.get(0)) : Set.<String>of();
                wishes.add(new SeatingWish(present, n, 2 + random.nextInt(2), spared, List.of()));
            }
            var seatings = Rotation.of(wishes, apart, List.of());
            for (int r = 0; r < wishes.size(); r++) {
                var wish = wishes.get(r);
                var seating = seatings.get(r);
                everybodySitsOnce(wish, seating);
                assertThat(seating.unmet()).isZero();
                assertThat(Seating.met(seating.tables()).keySet()).noneMatch(apart::contains);
                for (var table : seating.tables()) {
                    long spared =
                            table.stream().filter(wish.notClients()::contains).count();
                    if (spared > 0)
                        assertThat(table.size() - spared)
                                .as("bodies to work on at " + table)
                                .isGreaterThan(1);
                }
            }
            assertThat(seatings).isEqualTo(Rotation.of(wishes, apart, List.of()));
        }

        @Test
        void what_cannot_be_met_is_counted_and_everybody_sits_all_the_same() {
            var all = people(4);
            var apart = new HashSet<Pair>();
            for (var other : all.subList(1, 4)) apart.add(new Pair(all.get(0), other));
            var seating = Rotation.of(List.of(new SeatingWish(all, 2, 2)), apart, List.of())
                    .get(0);
            assertThat(seating.unmet()).isOne();
            everybodySitsOnce(new SeatingWish(all, 2, 2), seating);
        }

        @Test
        void a_class_of_odd_number_shares_out_its_threes() {
            var seatings = Rotation.of(rounds(11, 11, 2), Set.of(), List.of());
            Map<String, Integer> threes = new HashMap<>();
            for (var table : tables(seatings))
                if (table.size() == 3) table.forEach(p -> threes.merge(p, 1, Integer::sum));
            assertThat(threes)
                    .hasSize(11)
                    .allSatisfy((p, times) -> assertThat(times).isBetween(2, 4));
        }

        @Test
        void who_is_therapist_first_is_shared_out() {
            Map<String, Integer> first = new HashMap<>();
            for (var table : tables(Rotation.of(rounds(8, 14, 2), Set.of(), List.of())))
                first.merge(table.get(0), 1, Integer::sum);
            assertThat(first)
                    .hasSize(8)
                    .allSatisfy((p, times) -> assertThat(times).isBetween(6, 8));
        }
    }

    @Nested
    class On_the_day {
        private final List<String> all = people(24);
        private final Seating planned = Rotation.of(List.of(new SeatingWish(all, 12, 2)), Set.of(), List.of())
                .get(0);

        private SeatingWish without(List<String> away) {
            var present = new ArrayList<>(all);
            present.removeAll(away);
            return new SeatingWish(present, 12, 2, Set.of(), planned.tables());
        }

        private long whole(Seating seating) {
            var now = Seating.met(seating.tables()).keySet();
            return Seating.met(planned.tables()).keySet().stream()
                    .filter(now::contains)
                    .count();
        }

        @Test
        void one_who_is_away_leaves_one_who_joins_a_table() {
            var seating = Rotation.of(List.of(without(List.of(all.get(5)))), Set.of(), List.of())
                    .get(0);
            assertThat(whole(seating)).isEqualTo(11);
            assertThat(seating.tables()).filteredOn(t -> t.size() == 3).hasSize(1);
        }

        @Test
        void two_who_are_away_leave_two_who_work_together() {
            var away = List.of(
                    planned.tables().get(0).get(0), planned.tables().get(3).get(1));
            var seating =
                    Rotation.of(List.of(without(away)), Set.of(), List.of()).get(0);
            assertThat(whole(seating)).isEqualTo(10);
            assertThat(seating.tables())
                    .contains(sorted(
                            seating,
                            planned.tables().get(0).get(1),
                            planned.tables().get(3).get(0)));
            // Unless they are kept apart: then two tables change, and no more.
            var apart = Set.of(new Pair(
                    planned.tables().get(0).get(1), planned.tables().get(3).get(0)));
            var other = Rotation.of(List.of(without(away)), apart, List.of()).get(0);
            assertThat(other.unmet()).isZero();
            assertThat(whole(other)).isEqualTo(9);
        }

        private List<String> sorted(Seating seating, String a, String b) {
            return seating.tables().stream()
                    .filter(t -> t.contains(a) && t.contains(b))
                    .findFirst()
                    .orElseThrow();
        }

        @Test
        void a_class_of_sixty_is_seated_anew() {
            var many = people(60);
            var before = Rotation.of(List.of(new SeatingWish(many, 30, 2)), Set.of(), List.of())
                    .get(0);
            var present = new ArrayList<>(many);
            present.removeAll(List.of(many.get(3), many.get(7), many.get(20), many.get(41), many.get(59)));
            var wish = new SeatingWish(present, 30, 2, Set.of(many.get(0)), before.tables());
            var seating = Rotation.of(List.of(wish), Set.of(new Pair(many.get(1), many.get(2))), List.of())
                    .get(0);
            // Five are away, of as many tables: as many partners are left over, and one is a client of nobody.
            var now = Seating.met(seating.tables()).keySet();
            assertThat(Seating.met(before.tables()).keySet().stream()
                            .filter(now::contains)
                            .count())
                    .isGreaterThanOrEqualTo(24);
            everybodySitsOnce(wish, seating);
            assertThat(seating.unmet()).isZero();
        }
    }

    @ParameterizedTest
    @CsvSource({"1,3,2,people", "301,150,2,people", "8,2,2,tables", "8,0,2,tables", "8,4,4,atTable"})
    void what_cannot_be_seated_is_refused(int n, int tables, int atTable, String field) {
        assertThatThrownBy(() -> new SeatingWish(people(n), tables, atTable))
                .isInstanceOfSatisfying(
                        InvalidValue.class,
                        e -> assertThat(e.faults()).anyMatch(f -> f.field().equals(field)));
    }
}
