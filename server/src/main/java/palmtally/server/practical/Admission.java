package palmtally.server.practical;

import java.util.List;
import java.util.UUID;
import palmtally.core.competency.Gate;
import palmtally.core.people.ClientNote;
import palmtally.core.practical.Clash;
import palmtally.core.practical.Practical;
import palmtally.server.people.Caller;
import palmtally.server.problem.Refusal;

/** What is in the way of a practical before hands-on: what the body on the table must be spared, and gates that are closed. */
public interface Admission {
    /** @param gates the gates on the way, open or not */
    record Ready(Clash clash, List<Gate.Passage> gates) {
        public List<Gate.Passage> closed() {
            return gates.stream().filter(g -> !g.open()).toList();
        }
    }

    Ready look(Caller caller, Practicals.Brief brief, Practical asked, List<ClientNote> today);

    /** Keeps what was answered today for the rest of the day. */
    void keep(Caller caller, UUID partner, List<ClientNote> today);

    /**
     * @throws Refusal 409 where a step clashes with the body on the table, or a gate is closed and nobody says why to go on
     */
    default void pass(Caller caller, Practicals.Brief brief, Practical asked) {
        var ready = look(caller, brief, asked, brief.notes());
        if (!ready.clash.none())
            throw Refusal.conflict(
                    "clash",
                    ready.clash.sentence()
                            + " Leave these steps out, or ask another onto the table; nothing was started.");
        if (!ready.closed().isEmpty()
                && (brief.despite() == null || brief.despite().isBlank()))
            throw Refusal.conflict(
                    "gate-closed",
                    String.join(
                                    " ",
                                    ready.closed().stream()
                                            .map(Gate.Passage::why)
                                            .toList()) + " Say why to go on all the same; nothing was started.");
        if (brief.partner() != null && brief.today() != null) keep(caller, brief.partner(), brief.notes());
    }
}
