package palmtally.core.demonstration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.core.demonstration.Mark.What;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Importance;
import palmtally.core.sequence.Plans.Made;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;

/** What is left of a demonstration, fitted to the time that is left. */
class RefitTest {
    private static final Profile PROFILE = Profile.bySeconds();

    private static Made minute(String id, Importance importance) {
        return step(id).seconds(60).sheet(Sheet.THROUGH).importance(importance);
    }

    private static Showing five(double slot) {
        return Showing.of(
                once(
                        minute("a", Importance.MUST),
                        minute("b", Importance.MUST),
                        minute("c", Importance.SHOULD),
                        minute("d", Importance.COULD),
                        minute("e", Importance.SHOULD)),
                PROFILE,
                slot);
    }

    private static final List<Mark> BEGUN = List.of(new Mark(What.STARTED, 0, 0));

    @Test
    void nothing_is_offered_while_it_ends_on_time() {
        var refit = five(305).refit(BEGUN, 60);
        assertThat(refit.needed()).isFalse();
        assertThat(refit.changes()).isEmpty();
    }

    /** By hand: 25 s too much; off the one that could be they cost 25/60 of its worth of one, off any other twice that. */
    @Test
    void what_is_left_is_shortened_to_end_with_the_slot() {
        var refit = five(300).refit(BEGUN, 85);
        assertThat(refit.found()).isTrue();
        assertThat(refit.endsAt()).isEqualTo(300);
        assertThat(refit.seconds()).containsExactly(60.0, 60.0, 60.0, 35.0, 60.0);
        assertThat(refit.words()).isEqualTo("shorten 4: ends on time");
    }

    @Test
    void what_is_worth_least_goes_first_and_what_must_be_never() {
        assertThat(five(300).refit(BEGUN, 120).words()).isEqualTo("drop 4: ends on time");
        var late = five(300).refit(BEGUN, 265);
        assertThat(late.seconds()).containsExactly(60.0, 35.0, 0.0, 0.0, 0.0);
        assertThat(late.words()).isEqualTo("shorten 2, drop 3, 4 and 5: ends on time");
    }

    @Test
    void what_cannot_end_on_time_is_said_and_by_how_much() {
        var refit = five(300).refit(BEGUN, 285);
        assertThat(refit.found()).isFalse();
        assertThat(refit.missingSeconds()).isEqualTo(15, within(1e-6));
        assertThat(refit.words()).isEqualTo("cannot end on time: 0:15 too long even when all that may go is gone");
    }

    @Test
    void after_the_last_step_there_is_nothing_to_shorten() {
        var refit = five(300).refit(List.of(new Mark(What.STARTED, 4, 0)), 400);
        assertThat(refit.found()).isFalse();
        assertThat(refit.words()).isEqualTo("nothing is left to shorten");
    }

    /** The search against every plan there is, on the grid of five seconds (the definition of worth, written out again). */
    @ParameterizedTest
    @ValueSource(ints = {75, 95, 120, 155, 180, 200, 215})
    void no_plan_that_ends_in_time_is_worth_more(int now) {
        var showing = five(300);
        var refit = showing.refit(BEGUN, now);
        double left = 300 - Math.max(now, 60);
        var weights = new double[] {4, 2, 1, 2};
        assertThat(worth(refit.seconds().subList(1, 5), weights)).isEqualTo(best(weights, 0, left, 0), within(1e-9));
    }

    private static double worth(List<Double> seconds, double[] weights) {
        double worth = 0;
        for (int i = 0; i < weights.length; i++) worth += worth(seconds.get(i), weights[i]);
        return worth;
    }

    private static double worth(double seconds, double weight) {
        return seconds == 0 ? 0 : weight * (0.5 + 0.5 * (seconds - 30) / 30);
    }

    private static double best(double[] weights, int i, double left, double sofar) {
        if (left < 0) return -1;
        if (i == weights.length) return sofar;
        double best = weights[i] == 4 ? -1 : best(weights, i + 1, left, sofar);
        for (int s = 30; s <= 60; s += 5)
            best = Math.max(best, best(weights, i + 1, left - s, sofar + worth(s, weights[i])));
        return best;
    }

    /** Random plans with open sheets, turns and both sides, random delays: a taken offer keeps its word. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void a_taken_offer_ends_on_time(long seed) {
        var random = new Random(seed);
        var steps = new ArrayList<Made>();
        for (int i = 0; i < 6 + random.nextInt(8); i++) {
            var step = step("s" + i)
                    .seconds(20 + 5 * random.nextInt(20))
                    .importance(Importance.values()[random.nextInt(3)]);
            if (random.nextBoolean()) step.sheet(Sheet.THROUGH);
            steps.add(step);
        }
        Sequence plan = random.nextBoolean()
                ? once(steps.toArray(Made[]::new))
                : palmtally.core.sequence.Plans.eachSide(steps.toArray(Made[]::new));
        double total = Showing.of(plan, PROFILE).timeline().totalSeconds();
        var showing = Showing.of(plan, PROFILE, total);
        var marks = new ArrayList<Mark>();
        double clock = 0;
        int done = 1 + random.nextInt(steps.size() / 2);
        for (int i = 0; i < done; i++) {
            marks.add(new Mark(What.STARTED, i, clock));
            clock = showing.timeline().spans().get(i).end() + (i + 1) * 40;
        }
        if (random.nextBoolean()) marks.add(new Mark(What.PARKED, done + 1, clock));
        var refit = showing.refit(marks, clock);
        assertThat(refit.needed()).isTrue();
        if (!refit.found()) return;
        marks.add(new Mark(What.REFITTED, done - 1, clock, null, refit.seconds()));
        var after = showing.progress(marks, clock);
        assertThat(after.endsAt()).isEqualTo(refit.endsAt()).isLessThanOrEqualTo(total + 1);
        assertThat(after.driftSeconds()).isEqualTo(0, within(1e-6));
        for (int i : after.leftOut())
            assertThat(showing.timeline().spans().get(i).stint().step().importance())
                    .isNotEqualTo(Importance.MUST);
        assertThat(showing.refit(marks, clock).needed()).isFalse();
    }
}
