package palmtally.server.archive;

import java.io.IOException;
import java.nio.file.Files;
import java.util.UUID;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;

@RestController
class ArchiveController {
    private final TermArchive archive;

    ArchiveController(TermArchive archive) {
        this.archive = archive;
    }

    @Allow(Permission.TERM_MEMBER)
    @GetMapping(path = "/api/terms/{term}/archive", produces = "application/zip")
    ResponseEntity<StreamingResponseBody> archive(@Me Caller caller, @PathVariable UUID term) throws IOException {
        var whole = archive.make(caller, term);
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=\"" + archive.name(term) + ".zip\"")
                .contentLength(Files.size(whole))
                .body(out -> {
                    try {
                        Files.copy(whole, out);
                    } finally {
                        Files.deleteIfExists(whole);
                    }
                });
    }
}
