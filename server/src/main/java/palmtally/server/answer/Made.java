package palmtally.server.answer;

import java.net.URI;
import java.net.URISyntaxException;
import org.springframework.http.ResponseEntity;

/** The answer to a request that made something: 201, and where it is. */
public final class Made {
    private Made() {}

    /** @param path of what was made, as it is: an id may have signs in it that an address writes otherwise */
    public static <T> ResponseEntity<T> at(String path, T body) {
        try {
            return ResponseEntity.created(new URI(null, null, path, null)).body(body);
        } catch (URISyntaxException e) {
            throw new IllegalStateException(e);
        }
    }
}
