package palmtally.server.timetable;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import palmtally.server.people.Person;
import palmtally.server.people.Terms;
import palmtally.server.practical.Practicals;

/** The re-takes that a term owes its students. */
@Service
class Retakes {
    private final DayRows rows;
    private final Practicals practicals;
    private final Terms terms;
    private final Clock clock;

    Retakes(DayRows rows, Practicals practicals, Terms terms, Clock clock) {
        this.rows = rows;
        this.practicals = practicals;
        this.terms = terms;
        this.clock = clock;
    }

    /** Those of students who are in the term that are on no day to come, by name. */
    List<Practicals.OwedRetake> owed(UUID term) {
        var planned = rows.retakesPlanned(term, LocalDate.now(clock));
        var students = terms.students(term).stream().map(Person::id).toList();
        return practicals.owed(term).stream()
                .filter(r -> students.contains(r.student()) && !planned.contains(r.practical()))
                .toList();
    }
}
