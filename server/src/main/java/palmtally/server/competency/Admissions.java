package palmtally.server.competency;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.TreeSet;
import java.util.UUID;
import org.springframework.stereotype.Service;
import palmtally.core.body.Zone;
import palmtally.core.people.ClientNote;
import palmtally.core.practical.Clash;
import palmtally.core.practical.Practical;
import palmtally.server.note.ClientNotes;
import palmtally.server.people.Caller;
import palmtally.server.practical.Admission;
import palmtally.server.practical.Practicals;

/** Looks at the notes of the one on the table, and at what the one who works has shown so far. */
@Service
class Admissions implements Admission {
    private final Tracking tracking;
    private final ClientNotes notes;

    Admissions(Tracking tracking, ClientNotes notes) {
        this.tracking = tracking;
        this.notes = notes;
    }

    @Override
    public Ready look(Caller caller, Practicals.Brief brief, Practical asked, List<ClientNote> today) {
        var spared = new ArrayList<>(today);
        if (brief.partner() != null) spared.addAll(notes.notes(caller, brief.partner()));
        var worked = new TreeSet<Zone>();
        asked.brief().forEach(s -> worked.addAll(s.step().zones()));
        return new Ready(
                Clash.of(asked, List.copyOf(new java.util.LinkedHashSet<>(spared))),
                tracking.gates(Objects.requireNonNull(brief.term()), Objects.requireNonNull(brief.student()), worked));
    }

    @Override
    public void keep(Caller caller, UUID partner, List<ClientNote> today) {
        notes.keepForToday(caller, partner, today);
    }
}
