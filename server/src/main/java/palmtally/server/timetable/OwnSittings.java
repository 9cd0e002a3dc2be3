package palmtally.server.timetable;

import java.time.Clock;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.Texts;
import palmtally.server.people.Caller;
import palmtally.server.sequence.Sequences;

/** Where somebody is in the days of practicals to come. */
@Service
public class OwnSittings {
    /** What somebody does in a practical. */
    public enum DoesWhat {
        SHOWS,
        IS_CLIENT,
        GRADES,
        GRADES_BESIDE;

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
        }
    }

    /**
     * A practical that somebody has to do with.
     *
     * @param begins minutes after midnight by the school's clock
     * @param practical the one that was begun of it, told to those who grade
     */
    public record MySitting(
            UUID id,
            UUID day,
            UUID term,
            LocalDate heldOn,
            int begins,
            int minutes,
            int table,
            DoesWhat does,
            String sequence,
            String student,
            @Nullable String client,
            @Nullable String grader,
            boolean begun,
            @Nullable UUID practical) {}

    private final DayRows rows;
    private final Sequences sequences;
    private final Clock clock;

    OwnSittings(DayRows rows, Sequences sequences, Clock clock) {
        this.rows = rows;
        this.sequences = sequences;
        this.clock = clock;
    }

    /** Those of today and later, of days that are shown. */
    public List<MySitting> of(Caller caller) {
        return of(caller, LocalDate.now(clock));
    }

    /** Those of a day and later. */
    public List<MySitting> of(Caller caller, LocalDate since) {
        Map<String, String> names = new HashMap<>();
        return rows.mine(caller.id(), since).stream()
                .map(m -> new MySitting(
                        m.id(),
                        m.dayId(),
                        m.termId(),
                        m.heldOn(),
                        m.begins(),
                        m.minutes(),
                        m.tableNumber(),
                        does(m, caller.id()),
                        names.computeIfAbsent(
                                m.sequence(),
                                id -> sequences
                                        .find(id)
                                        .map(v -> v.document().name())
                                        .orElse("")),
                        m.student(),
                        m.client(),
                        m.grader(),
                        m.practicalId() != null,
                        caller.role().staff() ? m.practicalId() : null))
                .toList();
    }

    private static DoesWhat does(DayRows.Mine m, UUID who) {
        if (who.equals(m.studentId())) return DoesWhat.SHOWS;
        if (who.equals(m.clientId())) return DoesWhat.IS_CLIENT;
        return who.equals(m.graderId()) ? DoesWhat.GRADES : DoesWhat.GRADES_BESIDE;
    }
}
