package palmtally.server.letterhead;

import java.util.Base64;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;

/** What stands at the head of papers, for the lead. */
@RestController
class LetterheadController {
    private final Letterhead letterhead;

    LetterheadController(Letterhead letterhead) {
        this.letterhead = letterhead;
    }

    /** @param logo as a page carries it, a JPEG in the address itself; null where there is none */
    record LetterheadView(List<String> lines, @Nullable String logo) {}

    record LetterheadForm(@Nullable List<@Nullable String> lines) {}

    @Allow(Permission.LEAD)
    @GetMapping("/api/school/letterhead")
    LetterheadView get() {
        return new LetterheadView(
                letterhead.lines(),
                letterhead
                        .logo()
                        .map(l ->
                                "data:image/jpeg;base64," + Base64.getEncoder().encodeToString(l))
                        .orElse(null));
    }

    @Allow(Permission.LEAD)
    @PutMapping("/api/school/letterhead")
    LetterheadView setLines(@Me Caller me, @RequestBody LetterheadForm form) {
        if (form.lines == null) throw new InvalidValue("letterhead", new Fault("lines", "", "is missing"));
        letterhead.setLines(form.lines.stream().map(l -> l == null ? "" : l).toList(), me.id());
        return get();
    }

    /** @param sent the bytes of a PNG, JPEG or WebP picture */
    @Allow(Permission.LEAD)
    @PutMapping("/api/school/letterhead/logo")
    LetterheadView setLogo(@Me Caller me, @RequestBody byte[] sent) {
        letterhead.setLogo(sent, me.id());
        return get();
    }

    @Allow(Permission.LEAD)
    @DeleteMapping("/api/school/letterhead/logo")
    LetterheadView dropLogo(@Me Caller me) {
        letterhead.setLogo(null, me.id());
        return get();
    }
}
