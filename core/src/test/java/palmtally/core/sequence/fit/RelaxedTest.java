package palmtally.core.sequence.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Timeline;
import palmtally.core.sequence.check.WarmUp;

/** What the search believes of a choice, against the timeline and the checks themselves; and its bound against every choice there is. */
class RelaxedTest {
    private static final Profile A = Profile.bySeconds();

    /** A choice of levels, and the way the search goes through it: null where it holds it for forbidden. */
    private record Way(int[] levels, @Nullable Label label) {}

    private static List<Way> ways(Problem problem, Box box) {
        var all = new ArrayList<Way>();
        go(problem, box, new int[problem.size()], 0, Label.start(problem), all);
        return all;
    }

    private static void go(Problem problem, Box box, int[] levels, int at, @Nullable Label label, List<Way> all) {
        if (at == problem.size()) {
            all.add(new Way(levels.clone(), label));
            return;
        }
        for (int level = box.low()[at]; level <= box.high()[at]; level++) {
            levels[at] = level;
            go(problem, box, levels, at + 1, label == null ? null : label.with(problem, at, level, true), all);
        }
    }

    private static boolean exact(Sequence plan) {
        return plan.steps().stream()
                .noneMatch(s -> s.technique().stroke().passiveModality()
                        || s.lubricant() != Lubricant.DRY && s.side() == Sides.BOTH);
    }

    /** Whether the blocks of what was chosen lie as this problem has it. */
    private static boolean lies(Problem problem, Set<String> kept) {
        var blocks = problem.sequence.blocks();
        return IntStream.range(0, blocks.size()).allMatch(b -> {
            var left = blocks.get(b).steps().stream()
                    .filter(s -> kept.contains(s.id()))
                    .toList();
            if (!Lying.matters(blocks, b)) return true;
            if (left.isEmpty())
                return blocks.get(b).steps().stream()
                        .allMatch(s -> problem.lying.dropped().contains(s.id()));
            return blocks.get(b).withSteps(left).position()
                    == problem.lying.blocks().get(b);
        });
    }

    @ParameterizedTest
    @ValueSource(longs = {0, 200, 400, 600})
    void time_value_and_what_is_forbidden_are_those_of_the_plan_itself(long from) {
        int exact = 0;
        int forbidden = 0;
        for (long seed = from; seed < from + 14; seed++) {
            var plan = seed % 4 == 3 ? FitTest.turning(seed) : FitTest.random(seed);
            var allowed = Soundness.grave(plan, A);
            for (var problem : Problem.all(plan, A))
                for (var way : ways(problem, problem.all())) {
                    var kept = new HashSet<String>();
                    for (int i = 0; i < way.levels.length; i++)
                        if (way.levels[i] > 0)
                            kept.add(problem.items.get(i).step.id());
                    if (kept.isEmpty()) continue;
                    var chosen = Chosen.applied(plan, problem.items, way.levels);
                    if (!lies(problem, kept)) continue;
                    var added = Soundness.added(Soundness.grave(chosen, A), allowed);
                    var broken = problem.items.stream()
                            .anyMatch(i -> !kept.contains(i.step.id())
                                    && i.step.before().stream().anyMatch(kept::contains));
                    var idle = problem.items.stream()
                            .anyMatch(i -> !i.must()
                                    && kept.contains(i.step.id())
                                    && i.step.preparesOnly() != null
                                    && !kept.contains(i.step.preparesOnly()));
                    var said = "seed %d, levels %s".formatted(seed, java.util.Arrays.toString(way.levels));
                    if (way.label == null) {
                        forbidden++;
                        assertThat(broken || idle || !added.isEmpty()).as(said).isTrue();
                        continue;
                    }
                    assertThat(broken || idle).as(said).isFalse();
                    if (allowed.isEmpty() && exact(plan))
                        assertThat(added).as(said).doesNotContain(WarmUp.RULE);
                    assertThat(way.label.levels(problem.size())).as(said).isEqualTo(way.levels);
                    assertThat(way.label.value())
                            .as(said)
                            .isCloseTo(FitTest.value(problem.items, way.levels), within(1e-9));
                    double real = Timeline.of(chosen, A).totalSeconds();
                    if (exact(plan)) {
                        exact++;
                        assertThat(way.label.time()).as(said).isCloseTo(real, within(1e-6));
                    } else assertThat(way.label.time()).as(said).isLessThanOrEqualTo(real + 1e-6);
                }
        }
        assertThat(exact).isGreaterThan(300);
        assertThat(forbidden).isGreaterThan(20);
    }

    /** Of each partial plan: the best of value + price · seconds left over every way on, no less and no more. */
    @ParameterizedTest
    @ValueSource(doubles = {0.3, 0.5, 0.7, 0.9})
    void the_bound_is_the_best_of_every_way_on_at_its_price(double share) {
        int tried = 0;
        for (long seed = 800; tried < 8; seed++) {
            var plan = seed % 4 == 3 ? FitTest.turning(seed) : FitTest.random(seed);
            double slot = share * Timeline.of(plan, A).totalSeconds();
            for (var problem : Problem.all(plan, A)) {
                // Links and warming are left out of the bound.
                if (problem.linked || problem.warmLines > 0) continue;
                tried++;
                var box = problem.all();
                var all = ways(problem, box).stream()
                        .map(Way::label)
                        .map(Objects::requireNonNull)
                        .toList();
                var bound = new Bound(box, slot, Bound.MOST_STATES);
                var dry = new Bound(box, slot, 1);
                var best = new IdentityHashMap<Label, Double>();
                var dearest = new IdentityHashMap<Label, Double>();
                var quickest = new IdentityHashMap<Label, Double>();
                for (var end : all) {
                    double left = slot - end.time();
                    for (Label l = end; l != null; l = l.before()) {
                        best.merge(l, end.value() + bound.price() * left, Math::max);
                        quickest.merge(l, end.time(), Math::min);
                        dearest.merge(l, end.value() + dry.price() * left, Math::max);
                    }
                }
                for (var end : all) {
                    int at = problem.size();
                    for (Label l = end; l != null; l = l.before(), at--) {
                        double says = bound.of(l, at);
                        if (says == Double.NEGATIVE_INFINITY) {
                            assertThat(quickest.get(l)).isGreaterThan(slot);
                        } else {
                            assertThat(says).as("seed %d, place %d", seed, at).isCloseTo(best.get(l), within(1e-9));
                            assertThat(dry.of(l, at)).isGreaterThanOrEqualTo(dearest.get(l) - 1e-9);
                        }
                    }
                }
                if (all.stream().noneMatch(e -> e.time() <= slot)) continue;
                // Lowest at its price, as near as that is narrowed down.
                double at = bound.price();
                for (double other = 0; other <= 2; other += 0.01) {
                    double price = other;
                    double whole = all.stream()
                            .mapToDouble(e -> e.value() + price * (slot - e.time()))
                            .max()
                            .orElseThrow();
                    assertThat(bound.of(Label.start(problem), 0))
                            .as("seed %d, price %s, not %s", seed, at, price)
                            .isLessThan(whole + 0.002 * slot);
                }
            }
        }
    }
}
