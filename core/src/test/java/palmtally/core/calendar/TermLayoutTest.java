package palmtally.core.calendar;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.core.InvalidValue;
import palmtally.core.body.Region;
import palmtally.core.calendar.TermLayout.Course;
import palmtally.core.calendar.TermLayout.Wish;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Numbers;
import palmtally.core.profile.Profile;

/** A term laid out against its own checks, and against every placing of small terms. */
class TermLayoutTest {
    private static final Profile A = Profile.bySeconds();

    private static Wish wish(Region region) {
        return wish(region, 40, 50, 60, 20);
    }

    private static Wish wish(Region region, double teach, double practise, double assess, double again) {
        boolean leg = region == Region.THIGH || region == Region.LOWER_LEG;
        return new Wish(region, List.of(new Course(null, teach, practise, assess, again, leg)));
    }

    private static Curriculum frame(int weeks, Integer... off) {
        return new Curriculum("t", "Term", weeks, 2, 150, 0, Map.of(), Set.of(off), List.of());
    }

    @Test
    void a_laid_out_term_has_no_finding_that_its_layout_decides() {
        var wishes =
                List.of(Region.JAW, Region.HIP, Region.NECK, Region.SHOULDER, Region.LOWER_LEG, Region.THIGH).stream()
                        .map(TermLayoutTest::wish)
                        .toList();
        var laid = TermLayout.of(frame(15, 8), wishes, A);
        assertThat(laid.overMinutes()).isZero();
        assertThat(laid.missed()).isZero();
        var found = TermChecks.run(laid.term(), List.of(), A).findings().stream()
                .filter(f -> f.severity().compareTo(Severity.WARN) >= 0)
                .toList();
        assertThat(found).isEmpty();
        assertThat(laid.term().regions()).hasSize(6);
        assertThat(laid.term().lessons()).noneMatch(l -> l.week() == 8);
        assertThat(laid.term().regions().indexOf(Region.NECK))
                .isLessThan(laid.term().regions().indexOf(Region.JAW));
        assertThat(laid.term().regions().indexOf(Region.THIGH))
                .isLessThan(laid.term().regions().indexOf(Region.HIP));
    }

    @Test
    void what_does_not_fit_is_said_in_minutes() {
        // One lab of 60 minutes cannot hold 40 + 50 + 60 minutes: 90 are over, whatever is done.
        var one = new Curriculum("t", "Term", 1, 1, 60, 0, Map.of(), Set.of(), List.of());
        var laid = TermLayout.of(one, List.of(wish(Region.NECK)), A);
        assertThat(laid.overMinutes()).isEqualTo(90);
        assertThat(laid.missed()).isEqualTo(3);
        assertThat(found(laid.term())).contains(Rule.of("TERM-FULL"));
    }

    private static List<Rule> found(Curriculum term) {
        return TermChecks.run(term, List.of(), A).findings().stream()
                .map(TermFinding::rule)
                .toList();
    }

    /** Every start of every region in a term where one start fixes all (two weeks a region), recomputed without a bound. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void no_placing_runs_over_by_less(long seed) {
        var random = new Random(seed);
        var profile = with(A, Map.of("meetings", 1, "clean-drapes", 0, "gap-growth", 1, "longest-gap", 1));
        int weeks = 3 + random.nextInt(3);
        var frame = new Curriculum("t", "T", weeks, 1, 60 + 10 * random.nextInt(6), 0, Map.of(), Set.of(), List.of());
        var wishes = new ArrayList<Wish>();
        for (var r : List.of(Region.NECK, Region.SHOULDER, Region.FOREARM_HAND))
            wishes.add(wish(r, 10 + random.nextInt(40), 10, 10 + random.nextInt(60), 10));
        double best = every(frame, wishes, 0, 1, new double[weeks + 2]);
        assertThat(TermLayout.of(frame, wishes, profile).overMinutes()).isEqualTo(best);
    }

    /** Taught and practised in week s; assessed in s + 1 or s + 2, or in s where the term ends before. */
    private static double every(Curriculum frame, List<Wish> wishes, int i, int from, double[] load) {
        if (i == wishes.size()) {
            double over = 0;
            for (double l : load) over += Math.max(0, l - frame.labMinutes());
            return over;
        }
        double best = Double.POSITIVE_INFINITY;
        var w = wishes.get(i).courses().get(0);
        for (int s = from; s <= frame.weeks(); s++)
            for (int gap = 1; gap <= 2; gap++) {
                int assessed = s + gap <= frame.weeks() ? s + gap : s;
                load[s] += w.teach() + w.practise();
                load[assessed] += w.assess();
                best = Math.min(best, every(frame, wishes, i + 1, s, load));
                load[s] -= w.teach() + w.practise();
                load[assessed] -= w.assess();
            }
        return best;
    }

    @Test
    void refuses_a_region_twice_and_a_term_without_a_week() {
        assertThatThrownBy(() -> TermLayout.of(frame(8), List.of(wish(Region.NECK), wish(Region.NECK)), A))
                .isInstanceOf(InvalidValue.class)
                .hasMessageContaining("twice");
        assertThatThrownBy(() -> TermLayout.of(frame(1, 1), List.of(wish(Region.NECK)), A))
                .isInstanceOf(InvalidValue.class)
                .hasMessageContaining("leaves no week");
    }

    @Test
    void minutes_come_from_the_sequence() {
        var none = Wish.of(Region.NECK, List.of(), A).courses().get(0);
        assertThat(List.of(none.teach(), none.practise(), none.assess(), none.again()))
                .containsExactly(45.0, 60.0, 60.0, 20.0);
    }

    private static Profile with(Profile profile, Map<String, Integer> numbers) {
        for (var n : numbers.entrySet())
            profile = Numbers.find(n.getKey()).orElseThrow().set(profile, n.getValue());
        return profile;
    }

    /** A region of three sequences teaches all three, the next at the next meeting, and comes back with each in turn. */
    @Test
    void every_sequence_of_a_region_is_taught_and_practised() {
        var courses = List.of("a", "b", "c").stream()
                .map(s -> new Course(s, 30, 40, 50, 20, false))
                .toList();
        for (int weeks : new int[] {12, 2, 1}) {
            var laid = TermLayout.of(frame(weeks), List.of(new Wish(Region.SHOULDER, courses)), A)
                    .term();
            for (var aim : List.of(Aim.TEACH, Aim.PRACTISE))
                assertThat(laid.lessons().stream()
                                .filter(l -> l.aim() == aim)
                                .map(Lesson::sequence)
                                .distinct())
                        .as(aim + " in " + weeks + " weeks")
                        .containsExactly("a", "b", "c");
            for (var s : List.of("a", "b", "c")) {
                var of = laid.lessons().stream()
                        .filter(l -> s.equals(l.sequence()))
                        .toList();
                assertThat(of.get(0).aim()).as(s + " in " + weeks + " weeks").isEqualTo(Aim.TEACH);
            }
        }
    }

    /** In one week of two labs there is no other room for the neck than the second: the jaw does not slip in before it. */
    @Test
    void nothing_is_laid_before_what_it_rests_on() {
        var one = new Curriculum("t", "Term", 3, 2, 100, 0, Map.of(), Set.of(), List.of());
        var laid = TermLayout.of(
                        one,
                        List.of(
                                wish(Region.SHOULDER, 60, 20, 20, 10),
                                wish(Region.NECK, 60, 20, 20, 10),
                                wish(Region.JAW, 15, 10, 10, 5)),
                        A)
                .term();
        var lessons = laid.lessons();
        var taught = lessons.stream()
                .filter(l -> l.region() == Region.NECK && l.aim() == Aim.TEACH)
                .findFirst()
                .orElseThrow();
        assertThat(lessons.stream().filter(l -> l.region() == Region.JAW))
                .allSatisfy(l -> assertThat(lessons.indexOf(l)).isGreaterThan(lessons.indexOf(taught)));
        var hip = TermLayout.of(
                        new Curriculum("t", "Term", 6, 2, 100, 0, Map.of(), Set.of(), List.of()),
                        List.of(wish(Region.THIGH, 60, 30, 20, 10), wish(Region.HIP, 20, 10, 10, 5)),
                        A)
                .term();
        assertThat(found(hip)).doesNotContain(Rule.of("TERM-PREREQ/gluteal-after-drapes"));
    }
}
