package palmtally.server.archive;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.formats.Json;
import palmtally.server.audit.Audit;
import palmtally.server.people.Accounts;
import palmtally.server.people.Caller;
import palmtally.server.people.KeptOfStudent;
import palmtally.server.people.Person;
import palmtally.server.people.Retained;
import palmtally.server.people.Role;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;
import tools.jackson.databind.JsonNode;

/**
 * Everything the school keeps of one student, feature by feature: handed out as one file, and erased when the student has left and asks
 * for it. The audit trail says that it was done, by whom and when, and keeps nothing of what was erased.
 */
@Service
class StudentData implements Retained {
    /** How many rows of what were erased. */
    record Erased(Map<String, Integer> rows) {}

    private final List<KeptOfStudent> kept;
    private final Accounts accounts;
    private final Terms terms;
    private final Audit audit;

    /** @param kept of every feature, in its order */
    StudentData(List<KeptOfStudent> kept, Accounts accounts, Terms terms, Audit audit) {
        this.kept = kept;
        this.accounts = accounts;
        this.terms = terms;
        this.audit = audit;
    }

    /** Students who are in no open term any more: what is kept of them can be erased. */
    List<Person> gone() {
        return accounts.gone();
    }

    /** For the student, and the lead. */
    JsonNode all(Caller caller, UUID id) {
        if (!caller.id().equals(id) && caller.role() != Role.LEAD)
            throw Refusal.forbidden("The lead, and the student, take everything along that is kept of a student.");
        accounts.student(id);
        audit.read(caller, id, "all that is kept");
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("format", "palm-tally/student");
        all.put("version", 1);
        for (var feature : kept)
            for (var part : feature.told(id, caller.id().equals(id)))
                all.put(part.what(), part.body() == null ? List.of() : Json.MAPPER.readTree(part.body()));
        return Json.MAPPER.valueToTree(all);
    }

    /**
     * Erases everything of a student who is in no open term any more.
     *
     * @param name the name, typed by whoever asks for it, so that it is never the wrong one
     */
    @Transactional
    public Erased erase(Caller caller, UUID id, @Nullable String name) {
        var person = accounts.student(id);
        if (terms.inOpen(id))
            throw Refusal.conflict(
                    "in-term", "This student is in a term that is open. Take them out of it first, then erase.");
        if (!person.name().equals(name == null ? "" : name.strip()))
            throw Refusal.invalid("another-name", "The name is not that of this student. Nothing was erased.");
        var erased = eraseAll(id);
        audit.changed(caller, id, "erased a student", "");
        return erased;
    }

    private Erased eraseAll(UUID id) {
        var erased = new KeptOfStudent.Erased();
        for (int i = kept.size() - 1; i >= 0; i--) kept.get(i).erase(id, erased);
        return new Erased(erased.rows());
    }

    @Override
    public String kind() {
        return "students";
    }

    @Override
    public String words() {
        return "All that is kept of a student, from the end of their last term";
    }

    @Override
    public List<Item> countingFrom(LocalDate day, int most) {
        return accounts.goneSince(day, most).stream()
                .map(s -> new Item(s.id().toString(), s.name(), s.since()))
                .toList();
    }

    /** A student who came back since stays. */
    @Override
    public void remove(String id) {
        var student = UUID.fromString(id);
        if (!terms.inOpen(student)) eraseAll(student);
    }
}
