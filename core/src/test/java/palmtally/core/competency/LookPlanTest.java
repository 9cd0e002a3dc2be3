package palmtally.core.competency;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import palmtally.core.InvalidValue;
import palmtally.core.competency.LookPlan.LookLab;
import palmtally.core.finding.Criterion;

class LookPlanTest {
    private static final Set<Criterion> ALL = EnumSet.allOf(Criterion.class);
    private static final Set<Criterion> CLOTHED = EnumSet.complementOf(EnumSet.of(Criterion.DRAPING));

    private static List<LookLab> labs(int n, double minutes, Set<Criterion> criteria) {
        var labs = new ArrayList<LookLab>();
        for (int i = 0; i < n; i++) labs.add(new LookLab(i + 1, 1, minutes, criteria));
        return labs;
    }

    /** By hand: 12 students at six tables, 15 labs of 60 minutes: 20 looks a lab, 300 in all, 60 a criterion, 5 each. */
    @Test
    void one_grader_to_six_tables_sees_everybody_often_enough_in_a_term() {
        var reach = LookPlan.of(labs(15, 60, ALL), 12, 1);
        assertThat(reach.days()).isEqualTo(5);
        assertThat(reach.onOneMore()).isZero();
        assertThat(reach.enough()).isEqualTo(12);
        assertThat(reach.there()).isEqualTo(900);
        assertThat(reach.needed()).isEqualTo(360);
        assertThat(reach.sentence())
                .isEqualTo("One grader sees each of 12 students in all five criteria on 5 days; 2 are asked.");
    }

    /** By hand: 24 students, 8 labs of 45 minutes: 15 looks a lab, 120 in all, 24 a criterion: one each; 360 of 720 minutes. */
    @Test
    void too_few_minutes_say_how_many_would_do() {
        var reach = LookPlan.of(labs(8, 45, ALL), 24, 1);
        assertThat(reach.days()).isEqualTo(1);
        assertThat(reach.enough()).isZero();
        assertThat(reach.sentence())
                .isEqualTo(
                        "One grader sees each of 24 students in all five criteria on 1 day; 2 are asked. 360 minutes more of"
                                + " practice would do, or another grader.");
        assertThat(LookPlan.of(labs(8, 45, ALL), 24, 2).enough()).isEqualTo(24);
        // One lab more: 135 looks, 27 a criterion: three of the class on a second day.
        var more = LookPlan.of(labs(9, 45, ALL), 24, 1);
        assertThat(more.onOneMore()).isEqualTo(3);
        assertThat(more.enough()).isEqualTo(3);
        assertThat(more.sentence()).contains("on 1 day, 3 of them on one more; 2 are asked.");
    }

    @Test
    void what_is_shown_in_few_labs_is_what_holds_back() {
        var labs = new ArrayList<>(labs(20, 120, CLOTHED));
        labs.addAll(labs(1, 120, ALL));
        // Draping is seen in one lab alone, so on one day, whatever the minutes.
        var reach = LookPlan.of(labs, 12, 1);
        assertThat(reach.days()).isEqualTo(1);
        assertThat(reach.sentence())
                .endsWith("There are minutes enough, in too few labs: spread what is seldom shown over more of them.");
        var never = LookPlan.of(labs(20, 120, CLOTHED), 12, 1);
        assertThat(never.never()).containsExactly(Criterion.DRAPING);
        assertThat(never.enough()).isZero();
        assertThat(never.sentence())
                .startsWith(
                        "One grader sees each of 12 students in pressure control, stroke order, body mechanics and client"
                                + " communication on ")
                .endsWith("No lab can show draping: plan a sequence that does.");
    }

    @Test
    void nothing_to_look_at_is_said() {
        assertThat(LookPlan.of(labs(3, 60, ALL), 0, 1).sentence()).isEqualTo("There is no student in this term yet.");
        assertThat(LookPlan.of(List.of(), 12, 1).sentence()).startsWith("No lab to come has students");
        assertThatThrownBy(() -> LookPlan.of(List.of(), 12, 0)).isInstanceOf(InvalidValue.class);
    }

    /** Against a program of its own that hands looks out one by one, with augmenting paths, on 200 random terms. */
    @Test
    void as_many_looks_as_can_be_handed_out_are_counted() {
        var random = new Random(23);
        for (int t = 0; t < 200; t++) {
            var labs = new ArrayList<LookLab>();
            for (int l = 0, n = 1 + random.nextInt(6); l < n; l++) {
                var criteria = EnumSet.noneOf(Criterion.class);
                for (var c : Criterion.values()) if (random.nextInt(3) > 0) criteria.add(c);
                labs.add(new LookLab(l + 1, 1, 3 * random.nextInt(12), criteria));
            }
            int students = 1 + random.nextInt(5);
            var reach = LookPlan.of(labs, students, 1);
            int told = reach.days() * students + reach.onOneMore();
            var shown = EnumSet.allOf(Criterion.class);
            shown.removeAll(reach.never());
            if (shown.isEmpty()) continue;
            assertThat(canBe(labs, shown, students, told)).as("term " + t).isTrue();
            assertThat(canBe(labs, shown, students, told + 1)).as("term " + t).isFalse();
        }
    }

    /** Whether each criterion can get so many looks. */
    private static boolean canBe(List<LookLab> labs, Set<Criterion> criteria, int students, int looks) {
        Map<Criterion, int[]> given = new EnumMap<>(Criterion.class);
        for (var c : criteria) given.put(c, new int[labs.size()]);
        var left = labs.stream().mapToInt(l -> (int) (l.minutes() / 3)).toArray();
        for (var c : criteria)
            for (int i = 0; i < looks; i++)
                if (!give(labs, given, left, students, c, EnumSet.noneOf(Criterion.class))) return false;
        return true;
    }

    /** One look more of a criterion, moving one of another to another lab where there is no room. */
    private static boolean give(
            List<LookLab> labs,
            Map<Criterion, int[]> given,
            int[] left,
            int students,
            Criterion c,
            Set<Criterion> tried) {
        tried.add(c);
        for (int l = 0; l < labs.size(); l++)
            if (labs.get(l).criteria().contains(c) && given.get(c)[l] < students && left[l] > 0) {
                given.get(c)[l]++;
                left[l]--;
                return true;
            }
        for (int l = 0; l < labs.size(); l++) {
            if (!labs.get(l).criteria().contains(c) || given.get(c)[l] >= students) continue;
            for (var other : given.keySet()) {
                if (tried.contains(other) || given.get(other)[l] == 0) continue;
                given.get(other)[l]--;
                given.get(c)[l]++;
                if (give(labs, given, left, students, other, tried)) return true;
                given.get(other)[l]++;
                given.get(c)[l]--;
            }
        }
        return false;
    }
}
