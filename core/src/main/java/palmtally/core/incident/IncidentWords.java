package palmtally.core.incident;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Texts;

/**
 * What a record of an incident says. It may be kept unfinished; it is signed whole.
 *
 * @param who who was concerned, and as what: therapist, client, bystander
 * @param what what happened
 * @param done what was done
 * @param told who was told, and when
 */
public record IncidentWords(String who, String what, String done, String told) {
    static final int MOST = 4000;

    /** @throws InvalidValue naming each part that is too long or cannot be kept */
    public IncidentWords {
        who = who == null ? "" : who.strip();
        what = what == null ? "" : what.strip();
        done = done == null ? "" : done.strip();
        told = told == null ? "" : told.strip();
        var faults = new ArrayList<Fault>();
        new TreeMap<>(Map.of("who", who, "what", what, "done", done, "told", told)).forEach((part, text) -> {
            if (text.length() > MOST)
                faults.add(new Fault(part, text.length() + " characters", "must be at most " + MOST + " characters"));
            Texts.unkept(text).ifPresent(why -> faults.add(new Fault(part, "", why)));
        });
        if (!faults.isEmpty()) throw new InvalidValue("incident", faults);
    }

    /** What still has to be said before somebody signs it. */
    public List<Fault> missing() {
        var faults = new ArrayList<Fault>();
        if (who.isEmpty()) faults.add(new Fault("who", "", "is missing: say who was concerned"));
        if (what.isEmpty()) faults.add(new Fault("what", "", "is missing: say what happened"));
        if (done.isEmpty()) faults.add(new Fault("done", "", "is missing: say what was done, if it was nothing too"));
        if (told.isEmpty()) faults.add(new Fault("told", "", "is missing: say who was told, if it was nobody too"));
        return faults;
    }
}
