package palmtally.core.agreement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.dkpro.statistics.agreement.coding.CodingAnnotationStudy;
import org.dkpro.statistics.agreement.coding.CohenKappaAgreement;
import org.dkpro.statistics.agreement.coding.KrippendorffAlphaAgreement;
import org.dkpro.statistics.agreement.coding.WeightedKappaAgreement;
import org.dkpro.statistics.agreement.distance.IDistanceFunction;
import org.dkpro.statistics.agreement.distance.IntervalDistanceFunction;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.core.InvalidValue;
import palmtally.core.agreement.Agreement.Limits;
import palmtally.core.agreement.Agreement.Weights;

class AgreementTest {
    /** Six runs × four judges (Shrout &amp; Fleiss 1979, table 2; from memory). */
    private static final double[][] SIX_BY_FOUR = {
        {9, 2, 5, 8}, {6, 1, 3, 2}, {8, 4, 6, 8}, {7, 1, 2, 6}, {10, 5, 6, 9}, {6, 2, 4, 7}
    };

    @Nested
    class Kappa {
        /** The usual worked example: 20 and 15 alike, 5 and 10 not, is 0.40 (many textbooks; from memory). */
        @Test
        void is_two_fifths_on_the_table_of_the_textbooks() {
            var a = new ArrayList<Integer>();
            var b = new ArrayList<Integer>();
            int[][] table = {{20, 5}, {10, 15}};
            for (int i = 0; i < 2; i++)
                for (int j = 0; j < 2; j++)
                    for (int n = 0; n < table[i][j]; n++) {
                        a.add(i);
                        b.add(j);
                    }
            assertThat(Agreement.kappa(ints(a), ints(b), 2, Weights.EXACT)).isCloseTo(0.4, within(1e-12));
        }

        @ParameterizedTest
        @ValueSource(longs = {1, 2, 3, 4, 5})
        void is_what_a_reference_library_says_exact_and_weighted(long seed) {
            var random = new Random(seed);
            var study = new CodingAnnotationStudy(2);
            var a = new ArrayList<Integer>();
            var b = new ArrayList<Integer>();
            for (int i = 0; i < 40; i++) {
                int x = random.nextInt(4);
                int y = random.nextInt(3) == 0 ? random.nextInt(4) : x;
                a.add(x);
                b.add(y);
                study.addItem(x, y);
            }
            assertThat(Agreement.kappa(ints(a), ints(b), 4, Weights.EXACT))
                    .isCloseTo(new CohenKappaAgreement(study).calculateAgreement(), within(1e-9));
            IDistanceFunction squares = new IntervalDistanceFunction();
            assertThat(Agreement.kappa(ints(a), ints(b), 4, Weights.QUADRATIC))
                    .isCloseTo(new WeightedKappaAgreement(study, squares).calculateAgreement(), within(1e-9));
            IDistanceFunction steps = (s, x, y) -> Math.abs((Integer) x - (Integer) y);
            assertThat(Agreement.kappa(ints(a), ints(b), 4, Weights.LINEAR))
                    .isCloseTo(new WeightedKappaAgreement(study, steps).calculateAgreement(), within(1e-9));
        }

        @Test
        void is_nothing_where_both_always_say_the_same() {
            assertThat(Agreement.kappa(new int[12], new int[12], 2, Weights.EXACT))
                    .isNaN();
        }
    }

    @Nested
    class Intraclass_correlation {
        /** .29 and .71 (Shrout &amp; Fleiss 1979, table 4; from memory). */
        @Test
        void is_that_of_the_published_table() {
            assertThat(Agreement.icc21(SIX_BY_FOUR)).isCloseTo(0.29, within(0.005));
            assertThat(Agreement.icc31(SIX_BY_FOUR)).isCloseTo(0.71, within(0.005));
        }

        @Test
        void of_these_very_graders_does_not_mind_one_being_severer() {
            double[][] runs = {{40, 30}, {55, 45}, {70, 60}, {90, 80}};
            assertThat(Agreement.icc31(runs)).isCloseTo(1, within(1e-12));
            assertThat(Agreement.icc21(runs)).isLessThan(0.95);
        }
    }

    @Nested
    class Alpha {
        /** Four observers, twelve units, marks missing: 0.849 for interval data (Krippendorff 2011; from memory). */
        private static final Double[][] TWELVE = {
            {1.0, 1.0, null, 1.0},
            {2.0, 2.0, 3.0, 2.0},
            {3.0, 3.0, 3.0, 3.0},
            {3.0, 3.0, 3.0, 3.0},
            {2.0, 2.0, 2.0, 2.0},
            {1.0, 2.0, 3.0, 4.0},
            {4.0, 4.0, 4.0, 4.0},
            {1.0, 1.0, 2.0, 1.0},
            {2.0, 2.0, 2.0, 2.0},
            {null, 5.0, 5.0, 5.0},
            {null, null, 1.0, 1.0},
            {null, 3.0, null, null}
        };

        @Test
        void is_that_of_the_published_table_and_of_a_reference_library() {
            assertThat(Agreement.alpha(TWELVE)).isCloseTo(0.849, within(0.0005));
            var study = new CodingAnnotationStudy(4);
            for (var unit : TWELVE) study.addItem((Object[]) unit);
            assertThat(Agreement.alpha(TWELVE))
                    .isCloseTo(
                            new KrippendorffAlphaAgreement(study, new IntervalDistanceFunction()).calculateAgreement(),
                            within(1e-9));
        }
    }

    @Nested
    class Limits_of_agreement {
        /** Peak flow by two meters, l/min: mean difference −2.1, sd 38.8, limits −79.7 and 75.5 (Bland &amp; Altman 1986; from memory). */
        @Test
        void are_those_of_the_published_meters() {
            double[] large = {494, 395, 516, 434, 476, 557, 413, 442, 650, 433, 417, 656, 267, 478, 178, 423, 427};
            double[] mini = {512, 430, 520, 428, 500, 600, 364, 380, 658, 445, 432, 626, 260, 477, 259, 350, 451};
            var l = Limits.of(large, mini);
            assertThat(l.mean()).isCloseTo(-2.1, within(0.05));
            assertThat(l.sd()).isCloseTo(38.8, within(0.05));
            // The paper takes twice the standard deviation, here it is 1.96 times.
            assertThat(l.mean() - 2 * l.sd()).isCloseTo(-79.7, within(0.1));
            assertThat(l.low()).isCloseTo(-2.12 - 1.96 * 38.77, within(0.1));
        }
    }

    @Nested
    class A_practical {
        /** Alpha is the published ICC(3,k) of the same table, .91 (Shrout &amp; Fleiss 1979, table 4; from memory). */
        @Test
        void is_as_reliable_as_the_published_table_says() {
            assertThat(Reliability.cronbach(SIX_BY_FOUR)).isCloseTo(0.91, within(0.005));
            double one = Agreement.icc31(SIX_BY_FOUR);
            assertThat(Reliability.cronbach(SIX_BY_FOUR)).isCloseTo(4 * one / (1 + 3 * one), within(1e-12));
        }

        /** By hand: items (1, 2, 3) and (2, 2, 5): α = 2·(1 − (1 + 3) ÷ 7), sem of the means √(7 ÷ 4)·√(1 − α). */
        @Test
        void has_the_error_computed_by_hand() {
            double[][] scores = {{1, 2}, {2, 2}, {3, 5}};
            double alpha = 2 * (1 - 4 / 7.0);
            assertThat(Reliability.cronbach(scores)).isCloseTo(alpha, within(1e-12));
            assertThat(Reliability.sem(scores)).isCloseTo(Math.sqrt(7.0 / 4) * Math.sqrt(1 - alpha), within(1e-12));
        }

        /** y = 3 + x ÷ 2, R² 0.67, residual error 1.237 (Anscombe, F. J. (1973), The American Statistician 27; from memory). */
        @Test
        void has_its_cut_on_the_line_of_the_published_data() {
            double[] x = {10, 8, 13, 9, 11, 14, 6, 4, 12, 7, 5};
            double[] y = {8.04, 6.95, 7.58, 8.81, 8.33, 9.96, 7.24, 4.26, 10.84, 4.82, 5.68};
            var cut = Reliability.Cut.of(x, y, 9);
            assertThat(cut.cut()).isCloseTo(7.5, within(0.01));
            assertThat(cut.slope()).isCloseTo(0.5, within(0.001));
            assertThat(cut.fit()).isCloseTo(0.67, within(0.005));
            assertThat(cut.error()).isCloseTo(1.237 / Math.sqrt(11), within(0.001));
            assertThat(Reliability.Cut.of(x, y, 14).error())
                    .isCloseTo(1.237 * Math.sqrt(1.0 / 11 + 25.0 / 110), within(0.001));
        }
    }

    @Nested
    class A_grader {
        private static List<Severity.Mark> marks(int weeks, double severer, double drift) {
            var random = new Random(7);
            var marks = new ArrayList<Severity.Mark>();
            for (int w = 0; w < weeks; w++)
                for (var student : List.of("a", "b", "c")) {
                    double truth = 60 + random.nextGaussian();
                    marks.add(new Severity.Mark("one", student, "draping", w, truth));
                    marks.add(new Severity.Mark("two", student, "draping", w, truth - severer + drift * (w - 4.5)));
                }
            return marks;
        }

        @Test
        void who_marks_lower_than_others_is_found_with_an_interval() {
            var found = Severity.of(marks(10, 8, 0));
            assertThat(found).extracting(Severity::grader).containsExactly("one", "two");
            var two = found.get(1).severity();
            assertThat(two.value()).isCloseTo(-8, within(0.5));
            assertThat(two.low()).isLessThan(two.value());
            assertThat(two.high()).isNegative();
            assertThat(two.meaning()).endsWith("These are 8 points lower than the others’.");
            assertThat(found.get(1).drift().meaning()).endsWith("No drift is told from chance.");
        }

        @Test
        void who_gets_milder_by_a_point_a_week_drifts_by_it() {
            var drift = Severity.of(marks(10, 0, 1)).get(1).drift();
            assertThat(drift.value()).isCloseTo(1, within(0.2));
            assertThat(drift.meaning()).contains("get milder by ");
        }

        /** One marks in the first half of the term and the other in the second, both alike: students gained two points a week. */
        @Test
        void who_marks_later_is_not_taken_for_milder() {
            var marks = new ArrayList<Severity.Mark>();
            for (int w = 0; w < 12; w++)
                for (var student : List.of("a", "b", "c", "d"))
                    marks.add(new Severity.Mark(w < 6 ? "one" : "two", student, "order", w, 40 + 2 * w + w % 2));
            assertThat(Severity.of(marks))
                    .allSatisfy(s -> assertThat(s.severity().value()).isBetween(-1.5, 1.5));
        }

        @Test
        void whose_marks_cannot_be_compared_gets_no_number() {
            var alone = marks(10, 5, 0).stream()
                    .filter(m -> m.grader().equals("one"))
                    .toList();
            var figure = Severity.of(alone).get(0).severity();
            assertThat(figure.value()).isNull();
            assertThat(figure.meaning()).contains("There is none of 20 marks that can be compared, too few");
        }
    }

    @Nested
    class Figures {
        private static final java.util.function.ToIntFunction<Double> BAND = x -> (int) Math.min(3, x / 25);

        @ParameterizedTest
        @ValueSource(ints = {0, 1, 9})
        void of_too_few_pairs_are_no_number(int n) {
            var figures = Agreement.of(new double[n], new double[n], 60, BAND, 4);
            assertThat(figures).hasSize(6).allSatisfy(f -> {
                assertThat(f.value()).isNull();
                assertThat(f.meaning()).endsWith("too few for a number.");
            });
            assertThat(Reliability.of(new double[19], new double[19], new double[19][5], 60))
                    .allSatisfy(f -> assertThat(f.value()).isNull());
        }

        @Test
        void of_pairs_that_never_differ_say_that_there_is_nothing_to_agree_about() {
            var figures = Agreement.of(new double[12], new double[12], 60, BAND, 4);
            assertThat(figures.get(0).value()).isNull();
            assertThat(figures.get(0).meaning()).contains("nothing to agree about");
        }

        @Test
        void of_enough_pairs_are_each_explained_in_two_sentences() {
            double[] a = {20, 35, 40, 45, 50, 55, 60, 62, 70, 80, 85, 90};
            double[] b = {25, 30, 45, 42, 61, 50, 58, 70, 66, 85, 80, 95};
            assertThat(Agreement.of(a, b, 60, BAND, 4)).allSatisfy(f -> {
                assertThat(f.value()).isNotNull();
                assertThat(f.meaning().split("[.:] ")).hasSizeBetween(2, 3);
            });
        }

        @Test
        void need_as_many_marks_of_each() {
            assertThatThrownBy(() -> Agreement.of(new double[10], new double[11], 60, BAND, 4))
                    .isInstanceOf(InvalidValue.class)
                    .hasMessageContaining("10 and 11");
        }
    }

    private static int[] ints(List<Integer> list) {
        return list.stream().mapToInt(Integer::intValue).toArray();
    }
}
