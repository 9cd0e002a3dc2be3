package palmtally.core.incident;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Zone;
import palmtally.core.incident.SafetyStops.Stopped;
import palmtally.core.practical.Extent;
import palmtally.core.practical.Practical;
import palmtally.core.practical.event.Event;
import palmtally.core.practical.event.Observation;
import palmtally.core.practical.event.SafetyStop;
import palmtally.core.practical.event.Undo;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.Sides;

class IncidentTest {
    private static final class Log {
        private final List<Event> events = new ArrayList<>();

        Log at(int seconds, Observation what) {
            int n = events.size();
            events.add(new Event("e" + n, "d", n, seconds * 1000L, null, what));
            return this;
        }

        List<Stopped> stops() {
            return SafetyStops.of(new Practical(
                    Plans.once(Plans.step("a").on(Zone.CALF).seconds(60)),
                    Profile.bySeconds(),
                    List.of(),
                    Sides.EACH,
                    Extent.WHOLE,
                    events));
        }
    }

    private static SafetyStop said(String words) {
        return new SafetyStop(words, null);
    }

    @Test
    void each_stop_asks_for_a_record_and_two_of_one_moment_for_one() {
        assertThat(new Log().stops()).isEmpty();
        var stops = new Log()
                .at(60, new SafetyStop(null, true))
                .at(75, said("cramp in the calf"))
                .at(600, said("faint"))
                .stops();
        assertThat(stops)
                .containsExactly(new Stopped(60_000, true, "cramp in the calf"), new Stopped(600_000, false, "faint"));
        assertThat(new Log().at(60, said("a")).at(180, said("b")).stops()).hasSize(1);
        assertThat(new Log().at(60, said("a")).at(181, said("b")).stops()).hasSize(2);
    }

    @Test
    void a_stop_that_was_taken_back_asks_for_nothing() {
        assertThat(new Log().at(60, said("a slip")).at(62, new Undo("e0")).stops())
                .isEmpty();
    }

    @Test
    void a_record_is_signed_whole() {
        assertThat(new IncidentWords("", " ", "", "").missing())
                .extracting(Fault::field)
                .containsExactly("who", "what", "done", "told");
        assertThat(new IncidentWords("client", "cramp", "stretched", "").missing())
                .extracting(Fault::field)
                .containsExactly("told");
        assertThat(new IncidentWords("client", "cramp", "stretched", "nobody").missing())
                .isEmpty();
    }

    @Test
    void a_record_of_more_than_a_page_a_part_is_refused() {
        assertThat(new IncidentWords("x".repeat(4000), "", "", "").who()).hasSize(4000);
        assertThatThrownBy(() -> new IncidentWords("x".repeat(4001), "a\0", "", ""))
                .isInstanceOf(InvalidValue.class)
                .hasMessageContaining("who must be at most 4000 characters")
                .hasMessageContaining("what must not hold a null character");
    }
}
