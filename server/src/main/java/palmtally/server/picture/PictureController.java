package palmtally.server.picture;

import java.time.Duration;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palmtally.server.answer.Made;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.problem.Refusal;

/** Pictures in and out. */
@RestController
class PictureController {
    private final Pictures pictures;

    PictureController(Pictures pictures) {
        this.pictures = pictures;
    }

    /**
     * @param sent the bytes of a PNG, JPEG or WebP picture
     * @param agreed whether whoever sends it says that it is the school's own and that anyone recognisable agreed in writing
     */
    @Allow(Permission.PLANNER)
    @PostMapping("/api/pictures")
    ResponseEntity<Pictures.Added> add(
            @Me Caller me, @RequestParam(defaultValue = "false") boolean agreed, @RequestBody byte[] sent) {
        var added = pictures.add(sent, agreed, me.id());
        return Made.at("/api/pictures/" + added.id(), added);
    }

    @Allow(Permission.STAFF)
    @GetMapping(path = "/api/pictures/{id}", produces = MediaType.IMAGE_JPEG_VALUE)
    ResponseEntity<byte[]> one(@PathVariable String id) {
        return jpeg(pictures.jpeg(id).orElseThrow(() -> Refusal.notFound("picture")));
    }

    private static ResponseEntity<byte[]> jpeg(byte[] body) {
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable())
                .body(body);
    }
}
