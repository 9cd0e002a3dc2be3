package palmtally.server.ical;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.calendar.TermCalendar;
import palmtally.core.calendar.TermCalendar.ReadLab;
import palmtally.core.calendar.TermCalendar.TermChange;
import palmtally.core.timetable.Span;
import palmtally.formats.FormatException;
import palmtally.formats.ical.CalendarEntry;
import palmtally.formats.ical.CalendarFile;
import palmtally.server.calendar.Curricula;
import palmtally.server.people.Caller;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;
import palmtally.server.timetable.PracticalDays;

/** What a calendar that was changed in another program would change here, and taking it. */
@Service
public class CalendarReading {
    /**
     * @param version of the plan of the term that it was compared with
     * @param others entries that are none of this term: they are left
     */
    public record CalendarIncoming(int version, List<TermChange> changes, int others) {}

    private record Move(UUID day, UUID sitting, PracticalDays.PlaceWish to) {}

    private record Compared(CalendarIncoming told, TermCalendar.Reread plan, List<Move> moves) {}

    private final Terms terms;
    private final Curricula curricula;
    private final PracticalDays days;
    private final Clock clock;

    CalendarReading(Terms terms, Curricula curricula, PracticalDays days, Clock clock) {
        this.terms = terms;
        this.curricula = curricula;
        this.days = days;
        this.clock = clock;
    }

    /** @throws FormatException where it is no calendar */
    public CalendarIncoming compare(UUID term, String text) throws FormatException {
        return compared(term, text).told;
    }

    /**
     * Takes what can be taken, all of it or nothing.
     *
     * @param from the version of the plan that was compared with
     * @throws Refusal 409 where the plan was changed meanwhile, or a practical cannot be where it was put
     */
    @Transactional
    public CalendarIncoming take(Caller caller, UUID term, String text, @Nullable Integer from) throws FormatException {
        terms.mustBeOpen(term);
        var compared = compared(term, text);
        if (from == null || from != compared.told.version)
            throw Refusal.conflict("changed", "The plan was changed meanwhile. See again what would change.");
        if (compared.plan.changes().stream().anyMatch(TermChange::taken))
            curricula.save(term, compared.plan.plan(), from, "Times read from a calendar", caller);
        for (var move : compared.moves) days.put(term, move.day, move.sitting, move.to);
        return compared(term, text).told;
    }

    private Compared compared(UUID term, String text) throws FormatException {
        var now = curricula.newest(term);
        var labs = new ArrayList<ReadLab>();
        Map<String, CalendarEntry> sittings = new HashMap<>();
        int others = 0;
        for (var entry : CalendarFile.read(text, clock.getZone())) {
            var lab = CalendarEntries.lab(entry, term);
            var sitting = CalendarEntries.sitting(entry);
            if (lab.length == 2)
                labs.add(new ReadLab(lab[0], lab[1], entry.begins(), entry.place(), entry.cancelled()));
            else if (!sitting.isEmpty()) sittings.put(sitting, entry);
            else if (!entry.uid().endsWith(term.toString())) others++;
        }
        var plan = TermCalendar.reread(now.curriculum(), terms.term(term).startsOn(), labs);
        var changes = new ArrayList<>(plan.changes());
        var moves = new ArrayList<Move>();
        int known = 0;
        for (var day : days.of(term))
            for (var s : days.view(term, day.id()).sittings()) {
                var entry = sittings.get(s.id().toString());
                if (entry == null) continue;
                known++;
                change(day, s, entry, changes, moves);
            }
        return new Compared(
                new CalendarIncoming(now.version(), List.copyOf(changes), others + sittings.size() - known),
                plan,
                moves);
    }

    private static void change(
            PracticalDays.DayLine day,
            PracticalDays.SittingView s,
            CalendarEntry entry,
            List<TermChange> changes,
            List<Move> moves) {
        if (s.begins() == null || s.table() == null) return;
        int at = entry.begins().getHour() * 60 + entry.begins().getMinute();
        var name = "The practical of " + s.student().name() + " on " + day.heldOn() + " at " + Span.clock(s.begins());
        if (entry.cancelled()) {
            changes.add(new TermChange(name + " is cancelled there; here it stays until it is taken out.", false));
            return;
        }
        if (!entry.begins().toLocalDate().equals(day.heldOn())) {
            changes.add(new TermChange(
                    name + " was moved to " + entry.begins().toLocalDate() + "; here it stays in its day.", false));
            return;
        }
        if (at == s.begins()) return;
        if (s.practical() != null) {
            changes.add(new TermChange(name + " has begun; it stays where it was.", false));
            return;
        }
        changes.add(new TermChange(name + " is at " + Span.clock(at) + ".", true));
        moves.add(new Move(
                day.id(),
                s.id(),
                new PracticalDays.PlaceWish(
                        at,
                        s.table(),
                        s.graders().stream().map(PracticalDays.DayPerson::id).toList(),
                        s.client() == null ? null : s.client().id(),
                        null,
                        null,
                        true)));
    }
}
