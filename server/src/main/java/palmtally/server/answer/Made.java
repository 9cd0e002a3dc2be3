package palmtally.server.answer;

import java.net.URI;
import org.springframework.http.ResponseEntity;

/** The answer to a request that made something: 201, and where it is. */
public final class Made {
    private Made() {}

    /** @param path of what was made */
    public static <T> ResponseEntity<T> at(String path, T body) {
        return ResponseEntity.created(URI.create(path)).body(body);
    }
}
