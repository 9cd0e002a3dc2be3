package palmtally.server.statement;

import java.util.List;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import palmtally.core.Texts;
import palmtally.core.statement.Statement;
import palmtally.server.answer.Made;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;

/** Initials under awards, and statements of results: issued, signed, handed out and verified. */
@RestController
class StatementController {
    /** Who has not set any has none. */
    record OwnInitials(Initials.@Nullable InitialsView initials) {}

    record LetterText(@Nullable String text) {}

    record AwardsToSign(@Nullable List<Initials.@Nullable AwardToSign> awards) {}

    private final Initials initials;
    private final Statements statements;
    private final Verification verification;

    StatementController(Initials initials, Statements statements, Verification verification) {
        this.initials = initials;
        this.statements = statements;
        this.verification = verification;
    }

    @Allow(Permission.STAFF)
    @GetMapping("/api/me/initials")
    OwnInitials initials(@Me Caller caller) {
        return new OwnInitials(initials.of(caller).orElse(null));
    }

    /** What was signed keeps the initials it was signed with. */
    @Allow(Permission.STAFF)
    @PutMapping("/api/me/initials")
    OwnInitials setInitials(@Me Caller caller, @RequestBody Initials.InitialsForm form) {
        return new OwnInitials(initials.set(caller, form));
    }

    /** The caller's own awards that have no initials yet, the oldest first. */
    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/unsigned")
    List<Initials.UnsignedAward> unsigned(@Me Caller caller, @PathVariable UUID term) {
        return initials.unsigned(caller, term);
    }

    /** Puts the caller's initials to awards of theirs: to all that are named, or to none. */
    @Allow(Permission.TERM_STAFF)
    @PostMapping("/api/terms/{term}/signatures")
    List<Initials.UnsignedAward> sign(@Me Caller caller, @PathVariable UUID term, @RequestBody AwardsToSign form) {
        initials.sign(caller, term, form.awards == null ? List.of() : form.awards);
        return initials.unsigned(caller, term);
    }

    @Allow(Permission.TERM_MEMBER)
    @GetMapping("/api/terms/{term}/statements")
    List<Statements.StatementLine> ofTerm(@Me Caller caller, @PathVariable UUID term) {
        return statements.ofTerm(caller, term);
    }

    @Allow(Permission.TERM_PLANNER)
    @PostMapping("/api/terms/{term}/statements/{student}")
    ResponseEntity<Statements.StatementLine> issue(
            @Me Caller caller,
            @PathVariable UUID term,
            @PathVariable UUID student,
            @RequestParam(defaultValue = "results") String kind) {
        var made = statements.issue(caller, term, student, Statement.Kind.of(kind));
        return Made.at("/api/statements/" + made.id() + "/file", made);
    }

    /** A letter to a student, drafted from what is stated of them: nothing of it is kept. */
    @Allow(Permission.TERM_PLANNER)
    @GetMapping("/api/terms/{term}/letters/{student}")
    LetterText letter(@Me Caller caller, @PathVariable UUID term, @PathVariable UUID student) {
        return new LetterText(statements.letter(caller, term, student));
    }

    /** Issues a letter as it was edited. */
    @Allow(Permission.TERM_PLANNER)
    @PostMapping("/api/terms/{term}/letters/{student}")
    ResponseEntity<Statements.StatementLine> write(
            @Me Caller caller, @PathVariable UUID term, @PathVariable UUID student, @RequestBody LetterText form) {
        var made = statements.write(caller, term, student, form.text == null ? "" : form.text);
        return Made.at("/api/statements/" + made.id() + "/file", made);
    }

    /** The papers of a cohort, one a student, as they still hold. */
    @Allow(Permission.TERM_PLANNER)
    @GetMapping(path = "/api/terms/{term}/statements/files", produces = "application/zip")
    ResponseEntity<StreamingResponseBody> files(
            @Me Caller caller,
            @PathVariable UUID term,
            @RequestParam(defaultValue = "results") String kind,
            @RequestParam(defaultValue = "a4") String paper) {
        var about = Statement.Kind.of(kind);
        var all = statements.toHandOut(caller, term, about);
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=\"" + about + ".zip\"")
                .body(out -> {
                    try (var zip = new ZipOutputStream(out)) {
                        int n = 1;
                        for (var s : all) {
                            // Two of one name are two files.
                            zip.putNextEntry(
                                    new ZipEntry("%03d-%s.pdf".formatted(n++, Texts.idOf(s.name(), 60, "student"))));
                            zip.write(statements.file(caller, s.id(), paper));
                            zip.closeEntry();
                        }
                    }
                });
    }

    /** What was stated of who asks. */
    @Allow(Permission.SIGNED_IN)
    @GetMapping("/api/me/statements")
    List<Statements.StatementLine> own(@Me Caller caller) {
        return statements.own(caller);
    }

    @Allow(Permission.SIGNED_IN)
    @GetMapping(path = "/api/statements/{id}/file", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> file(
            @Me Caller caller, @PathVariable UUID id, @RequestParam(defaultValue = "a4") String paper) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header("Content-Disposition", "inline; filename=\"statement.pdf\"")
                .body(statements.file(caller, id, paper));
    }

    @Allow(Permission.PLANNER)
    @PostMapping("/api/statements/{id}/signature")
    Statements.StatementLine signStatement(@Me Caller caller, @PathVariable UUID id) {
        return statements.sign(caller, id);
    }

    /** Whether a file or a code is one of the school's, and what has changed since: for whoever holds it, without names and marks. */
    @Allow(Permission.ANYBODY)
    @PostMapping("/api/verify")
    Verification.VerifyView verify(@RequestBody Verification.VerifyForm form) {
        return verification.verify(form);
    }

    /** @param sent the bytes of a PDF */
    @Allow(Permission.STAFF)
    @PostMapping("/api/statements/check")
    Verification.FileCheck check(@Me Caller caller, @RequestBody byte[] sent) {
        return verification.check(caller, sent);
    }
}
