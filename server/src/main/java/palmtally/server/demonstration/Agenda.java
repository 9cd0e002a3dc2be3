package palmtally.server.demonstration;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.calendar.Aim;
import palmtally.core.calendar.Curriculum;
import palmtally.core.calendar.Lesson;
import palmtally.core.demonstration.Showing;
import palmtally.server.calendar.Curricula;
import palmtally.server.people.Caller;
import palmtally.server.people.Term;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;

/** What the plan of the term has for now: the lessons of this week, and the clock each is bound to. */
@Service
class Agenda {
    /** A lab counts as the one that is on from this long before it begins. */
    private static final Duration EARLY = Duration.ofMinutes(20);

    /** A lesson in its term. */
    record Place(
            UUID term,
            Curriculum plan,
            Lesson lesson,
            @Nullable Instant labBegins) {
        private Instant labEnds(Instant begins) {
            return begins.plusSeconds(Math.round(60 * plan.labMinutes()));
        }

        private boolean on(Instant now) {
            return labBegins != null && !now.isBefore(labBegins.minus(EARLY)) && now.isBefore(labEnds(labBegins));
        }

        @Nullable
        Instant begins() {
            return labBegins == null ? null : labBegins.plusSeconds(Math.round(60 * plan.minutesBefore(lesson)));
        }

        /** When the lesson is over by plan, while its lab is on and enough of it is left to be worth its name. */
        @Nullable
        Instant endsAt(Instant now, double slotSeconds) {
            var begins = begins();
            if (begins == null || !on(now)) return null;
            var ends = begins.plusSeconds(Math.round(60 * lesson.minutes()));
            return Duration.between(now, ends).toSeconds() >= Showing.TOKEN_SHARE * slotSeconds ? ends : null;
        }

        /** When the lab is over, while it is on. */
        @Nullable
        Instant roomUntil(Instant now) {
            return labBegins != null && on(now) ? labEnds(labBegins) : null;
        }

        String room() {
            return plan.times().isEmpty()
                    ? ""
                    : plan.times().get(lesson.lab() - 1).room();
        }
    }

    private final Terms terms;
    private final Curricula curricula;
    private final Clock clock;

    Agenda(Terms terms, Curricula curricula, Clock clock) {
        this.terms = terms;
        this.curricula = curricula;
        this.clock = clock;
    }

    /** The week of a term that it is now, from 1; 0 before it begins. */
    int week(Term term) {
        var now = clock.instant();
        return term.day(now, clock.getZone()) < 0 ? 0 : (int) Math.floor(term.week(now, clock.getZone())) + 1;
    }

    /** Lessons of this week with a sequence, in the order of the calendar; of the newest term somebody is in. */
    List<Place> now(Caller caller) {
        return terms.newestOf(caller.id())
                .filter(t -> t.archivedAt() == null)
                .map(t -> {
                    var plan = curricula.newest(t.id()).curriculum();
                    return plan.week(week(t)).stream()
                            .filter(l -> l.sequence() != null)
                            .map(l -> place(t, plan, l))
                            .sorted(Comparator.comparing(
                                    Place::begins, Comparator.nullsFirst(Comparator.naturalOrder())))
                            .toList();
                })
                .orElse(List.of());
    }

    /**
     * @param lesson id, or null for the first of this week that teaches the whole sequence
     * @return null where there is none
     * @throws Refusal 404 where a lesson is named that the term has not, 400 where it is about another sequence
     */
    @Nullable
    Place place(Caller caller, String sequence, @Nullable String lesson) {
        if (lesson == null)
            return now(caller).stream()
                    .filter(p -> p.lesson.aim() == Aim.TEACH
                            && p.lesson.steps().isEmpty()
                            && sequence.equals(p.lesson.sequence()))
                    .findFirst()
                    .orElse(null);
        var term = terms.newestOf(caller.id()).orElseThrow(() -> Refusal.notFound("lesson"));
        var plan = curricula.newest(term.id()).curriculum();
        var found = plan.lesson(lesson).orElseThrow(() -> Refusal.notFound("lesson"));
        if (!sequence.equals(found.sequence()))
            throw Refusal.invalid("another-sequence", "This lesson is about another sequence. Open the lesson again.");
        return place(term, plan, found);
    }

    private Place place(Term term, Curriculum plan, Lesson lesson) {
        return new Place(
                term.id(),
                plan,
                lesson,
                plan.begins(term.startsOn(), lesson.week(), lesson.lab())
                        .map(t -> t.atZone(clock.getZone()).toInstant())
                        .orElse(null));
    }
}
