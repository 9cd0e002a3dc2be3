package palmtally.server.settings;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import palmtally.server.problem.Refusal;

/** The certificate of the school's own authority, for devices to install; it is public by its nature. */
@RestController
class AuthorityController {
    private static final MediaType CERTIFICATE = MediaType.parseMediaType("application/x-x509-ca-cert");
    private final String file;

    AuthorityController(@Value("${palm.authority}") String file) {
        this.file = file;
    }

    /** @throws Refusal 404 where this server has none: it is served on its own machine alone, or by a certificate that is known anyway */
    @GetMapping("/authority.crt")
    ResponseEntity<byte[]> authority() throws IOException {
        if (file.isBlank() || !Files.isRegularFile(Path.of(file))) throw Refusal.notFound("authority");
        return ResponseEntity.ok()
                .contentType(CERTIFICATE)
                .header("Content-Disposition", "attachment; filename=\"palm-tally-authority.crt\"")
                .body(Files.readAllBytes(Path.of(file)));
    }
}
