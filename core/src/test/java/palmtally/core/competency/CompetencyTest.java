package palmtally.core.competency;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.hipparchus.filtering.kalman.Measurement;
import org.hipparchus.filtering.kalman.ProcessEstimate;
import org.hipparchus.filtering.kalman.linear.LinearEvolution;
import org.hipparchus.filtering.kalman.linear.LinearKalmanFilter;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.QRDecomposer;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import palmtally.core.InvalidValue;
import palmtally.core.competency.Competency.State;
import palmtally.core.profile.Choices;
import palmtally.core.profile.Numbers;
import palmtally.core.profile.Profile;

class CompetencyTest {
    private static final Profile A = Profile.bySeconds();

    /** Annual flow of the Nile at Aswan 1871–1970, 10⁸ m³ (Cobb 1978; Durbin &amp; Koopman 2001; from memory). */
    private static final double[] NILE = {
        1120, 1160, 963, 1210, 1160, 1160, 813, 1230, 1370, 1140, 995, 935, 1110, 994, 1020, 960, 1180, 799, 958, 1140,
        1100, 1210, 1150, 1250, 1260, 1220, 1030, 1100, 774, 840, 874, 694, 940, 833, 701, 916, 692, 1020, 1050, 969,
        831, 726, 456, 824, 702, 1120, 1100, 832, 764, 821, 768, 845, 864, 862, 698, 845, 744, 796, 1040, 759, 781, 865,
        845, 944, 984, 897, 822, 1010, 771, 676, 649, 846, 812, 742, 801, 1040, 860, 874, 848, 890, 744, 749, 838, 1050,
        918, 986, 797, 923, 975, 815, 1020, 906, 901, 1170, 912, 746, 919, 718, 714, 740
    };

    @Nested
    class Local_level {
        /**
         * With the published variances 15099 (noise) and 1469.1 (level) the filter settles at a predicted variance of 5501.3 and a
         * filtered one of 4032.2, and ends at 798.4 (Durbin &amp; Koopman, section 2.2 and figures 2.1 and 2.2; from memory).
         */
        @Test
        void follows_the_nile() {
            var level = new LocalLevel(0, 1e7);
            double predicted = 0;
            for (int i = 0; i < NILE.length; i++) {
                if (i > 0) level = level.after(1, 1469.1);
                predicted = level.variance();
                level = level.seeing(NILE[i], 15099);
            }
            assertThat(predicted).isCloseTo(5501.3, within(0.5));
            assertThat(level.variance()).isCloseTo(4032.2, within(0.5));
            assertThat(level.mean()).isCloseTo(798.37, within(0.05));
        }

        /** Against the Kalman filter of Hipparchus, step by step. */
        @Test
        void agrees_with_a_reference_filter_on_the_nile() {
            var one = MatrixUtils.createRealIdentityMatrix(1);
            var filter = new LinearKalmanFilter<Flow>(
                    new QRDecomposer(1e-15),
                    m -> new LinearEvolution(
                            one, one, new ArrayRealVector(1), new Array2DRowRealMatrix(new double[][] {{1469.1}}), one),
                    new ProcessEstimate(
                            0,
                            new ArrayRealVector(new double[] {0}),
                            new Array2DRowRealMatrix(new double[][] {{1e7 - 1469.1}})));
            var level = new LocalLevel(0, 1e7);
            for (int i = 0; i < NILE.length; i++) {
                if (i > 0) level = level.after(1, 1469.1);
                level = level.seeing(NILE[i], 15099);
                var reference = filter.estimationStep(new Flow(i + 1, NILE[i]));
                assertThat(level.mean()).isCloseTo(reference.getState().getEntry(0), within(1e-6));
                assertThat(level.variance()).isCloseTo(reference.getCovariance().getEntry(0, 0), within(1e-5));
            }
        }

        private record Flow(double time, double flow) implements Measurement {
            @Override
            public double getTime() {
                return time;
            }

            @Override
            public RealVector getValue() {
                return new ArrayRealVector(new double[] {flow});
            }

            @Override
            public RealMatrix getCovariance() {
                return new Array2DRowRealMatrix(new double[][] {{15099}});
            }
        }

        @Test
        void grows_less_sure_while_nothing_is_seen_and_surer_by_every_look() {
            var random = new Random(2);
            var level = new LocalLevel(45, 625);
            for (int i = 0; i < 100; i++) {
                var later = level.after(random.nextDouble() * 3, 9);
                assertThat(later.variance()).isGreaterThanOrEqualTo(level.variance());
                assertThat(later.mean()).isEqualTo(level.mean());
                level = later.seeing(random.nextDouble() * 100, 100 / (0.1 + random.nextDouble()));
                assertThat(level.variance()).isLessThan(later.variance());
            }
        }

        /** Φ(0) = ½ and Φ(1.959964) = 0.975 (any table of the normal distribution; from memory). */
        @Test
        void gives_the_probability_of_being_at_a_cut() {
            assertThat(new LocalLevel(60, 100).probabilityAtLeast(60)).isCloseTo(0.5, within(1e-12));
            assertThat(new LocalLevel(60 + 19.59964, 100).probabilityAtLeast(60))
                    .isCloseTo(0.975, within(1e-6));
            assertThat(new LocalLevel(60, 0).probabilityAtLeast(60)).isEqualTo(1);
        }

        @Test
        void refuses_what_cannot_be() {
            assertThatThrownBy(() -> new LocalLevel(Double.NaN, 1)).isInstanceOf(InvalidValue.class);
            assertThatThrownBy(() -> new LocalLevel(1, -1)).isInstanceOf(InvalidValue.class);
            assertThatThrownBy(() -> new LocalLevel(1, 1).after(-1, 9)).isInstanceOf(InvalidValue.class);
            assertThatThrownBy(() -> new LocalLevel(1, 1).seeing(50, 0)).isInstanceOf(InvalidValue.class);
        }
    }

    private static Evidence seen(double week, double score) {
        return new Evidence("p" + week, week, (int) (week * 7), score, 1, false);
    }

    private static Competency of(double now, Evidence... pieces) {
        return Competency.of(List.of(pieces), now, 15, A);
    }

    @Nested
    class A_student_is {
        @Test
        void not_seen_before_anybody_looked() {
            assertThat(of(9).state()).isEqualTo(State.NOT_SEEN);
        }

        @Test
        void emerging_after_one_look_however_good() {
            assertThat(of(2, seen(2, 100)).state()).isEqualTo(State.EMERGING);
            assertThat(of(2, seen(2, 100)).why()).contains("second day");
        }

        @Test
        void emerging_after_two_good_looks_on_one_day() {
            assertThat(of(2, seen(2.00, 95), seen(2.01, 95)).state()).isEqualTo(State.EMERGING);
        }

        @Test
        void secure_after_two_good_looks_on_two_days() {
            assertThat(of(4, seen(2, 85), seen(3, 85)).state()).isEqualTo(State.SECURE);
        }

        @Test
        void due_again_when_it_was_secure_and_long_unseen_and_secure_again_after_one_good_look() {
            var just = new Evidence[] {seen(1, 70), seen(2, 68)};
            assertThat(of(2, just).state()).isEqualTo(State.SECURE);
            var later = of(8, just);
            assertThat(later.state()).isEqualTo(State.DUE_AGAIN);
            assertThat(later.why()).contains("6 weeks ago");
            assertThat(of(8, just[0], just[1], seen(8, 80)).state()).isEqualTo(State.SECURE);
        }

        @Test
        void at_risk_when_two_looks_stay_low() {
            assertThat(of(6, seen(3, 35), seen(5, 36)).state()).isEqualTo(State.AT_RISK);
            assertThat(of(6, seen(3, 35)).state()).as("one look is no forecast").isEqualTo(State.EMERGING);
        }

        @Test
        void open_critical_until_a_later_run_is_clean() {
            var critical = new Evidence("c", 4, 28, 95, 1, true);
            assertThat(of(5, seen(2, 90), critical).state()).isEqualTo(State.OPEN_CRITICAL);
            assertThat(of(6, seen(2, 90), critical, seen(5, 90)).state()).isEqualTo(State.SECURE);
        }
    }

    @Test
    void a_thin_piece_weighs_less() {
        assertThat(Evidence.weight(Evidence.Kind.PRACTICAL, 5, 10)).isEqualTo(0.5);
        assertThat(Evidence.weight(Evidence.Kind.PRACTICAL, 30, 10)).isEqualTo(1);
        assertThat(Evidence.weight(Evidence.Kind.PEER_LOOK, 10, 10)).isEqualTo(0.25);
        assertThat(Evidence.weight(Evidence.Kind.SELF, 10, 10)).isZero();
        var thin = Competency.of(List.of(new Evidence("a", 2, 14, 100, 0.2, false)), 2, 15, A);
        assertThat(thin.level().mean()).isLessThan(of(2, seen(2, 100)).level().mean());
    }

    @Test
    void pieces_may_come_in_any_order() {
        var pieces = new ArrayList<>(List.of(seen(1, 40), seen(3, 60), seen(5, 80)));
        var sorted = Competency.of(pieces, 6, 15, A);
        java.util.Collections.reverse(pieces);
        assertThat(Competency.of(pieces, 6, 15, A)).isEqualTo(sorted);
    }

    @Test
    void a_rising_student_is_forecast_above_a_falling_one_at_the_same_level() {
        var rising = of(6, seen(2, 40), seen(4, 50), seen(6, 60));
        var falling = of(6, seen(2, 80), seen(4, 70), seen(6, 60));
        assertThat(rising.forecast() / rising.secureProbability())
                .isGreaterThan(falling.forecast() / falling.secureProbability());
    }

    private static Competency by(String mark, Evidence... pieces) {
        var way = Choices.find("term-mark").orElseThrow();
        return Competency.of(List.of(pieces), 8, 15, way.choose(A, mark));
    }

    /** The same three pieces, cut 60: 80, 70, 40. By hand: latest 40, best 80, mean 63.3, fading ((80 + 70)/2 + 40)/2 = 57.5. */
    @Test
    void which_marks_stand_for_the_term_changes_who_is_secure() {
        Evidence[] pieces = {seen(2, 80), seen(4, 70), seen(6, 40)};
        assertThat(by("latest", pieces).level().mean()).isEqualTo(40);
        assertThat(by("best", pieces).level().mean()).isEqualTo(80);
        assertThat(by("last-three", pieces).level().mean()).isCloseTo(190 / 3.0, within(1e-9));
        assertThat(by("fading", pieces).level().mean()).isCloseTo(57.5, within(1e-9));
        var most = Numbers.find("fading-share").orElseThrow();
        var fading = Choices.find("term-mark").orElseThrow().choose(A, "fading");
        assertThat(Competency.of(List.of(pieces), 8, 15, most.set(fading, 80))
                        .level()
                        .mean())
                .as("0.8·40 + 0.2·(0.8·70 + 0.2·80)")
                .isCloseTo(46.4, within(1e-9));
        assertThat(by("best", pieces).state()).isEqualTo(State.SECURE);
        assertThat(by("last-three", pieces).state()).isEqualTo(State.SECURE);
        assertThat(by("latest", pieces).state()).isNotEqualTo(State.SECURE);
        assertThat(by("local-level", pieces)).isEqualTo(Competency.of(List.of(pieces), 8, 15, A));
        assertThat(by("best", pieces).why()).contains("by the best, 80");
    }

    @Test
    void evidence_off_the_scale_is_refused() {
        assertThatThrownBy(() -> new Evidence("a", -1, 0, 50, 1, false)).isInstanceOf(InvalidValue.class);
        assertThatThrownBy(() -> new Evidence("a", 1, 0, 101, 1, false)).isInstanceOf(InvalidValue.class);
        assertThatThrownBy(() -> new Evidence("a", 1, 0, 50, 0, false)).isInstanceOf(InvalidValue.class);
    }
}
