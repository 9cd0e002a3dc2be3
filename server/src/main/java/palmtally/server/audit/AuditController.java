package palmtally.server.audit;

import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.server.answer.Page;
import palmtally.server.people.Allow;
import palmtally.server.people.Permission;

/** The trail, for the lead. */
@RestController
class AuditController {
    private static final int MOST_WORDS = 100;

    private final Audit audit;

    AuditController(Audit audit) {
        this.audit = audit;
    }

    /**
     * A page of the trail, the newest first.
     *
     * @param before the line the page ends before, or null for the newest
     * @param words what must be in the line: a name, or what was done
     */
    @Allow(Permission.LEAD)
    @GetMapping("/api/school/audit")
    Page<Audit.TrailLine> page(
            @RequestParam(required = false) @Nullable Long before, @RequestParam(defaultValue = "") String words) {
        if (words.length() > MOST_WORDS)
            throw new InvalidValue(
                    "trail", new Fault("words", words.length() + " characters", "must be at most " + MOST_WORDS));
        return audit.page(before, words);
    }
}
