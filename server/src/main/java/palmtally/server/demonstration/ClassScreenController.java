package palmtally.server.demonstration;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import palmtally.core.picture.Picture;
import palmtally.server.live.Live;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.picture.Pictures;
import palmtally.server.problem.Refusal;

/** The class screen: open to everyone who has its address. */
@RestController
class ClassScreenController {
    private final ClassScreens screens;
    private final Pictures pictures;
    private final Live live;

    ClassScreenController(ClassScreens screens, Pictures pictures, Live live) {
        this.screens = screens;
        this.pictures = pictures;
        this.live = live;
    }

    @Allow(Permission.ANYBODY)
    @GetMapping("/api/screens/{code}")
    ClassScreens.ScreenView one(@PathVariable String code) {
        return screens.screen(code);
    }

    /** A picture of what is shown on the screen now, and no other. */
    @Allow(Permission.ANYBODY)
    @GetMapping(path = "/api/screens/{code}/pictures/{id}", produces = MediaType.IMAGE_JPEG_VALUE)
    ResponseEntity<byte[]> picture(@PathVariable String code, @PathVariable String id) {
        var jpeg = screens.shows(code, id) ? pictures.jpeg(id) : Optional.<byte[]>empty();
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(CacheControl.noStore())
                .body(jpeg.orElseThrow(() -> Refusal.notFound("picture on this screen")));
    }

    /** What a step of the demonstration on the screen looks like. */
    @Allow(Permission.ANYBODY)
    @GetMapping("/api/screens/{code}/steps/{index}/picture")
    Picture seen(@PathVariable String code, @PathVariable String index) {
        return screens.picture(code, index);
    }

    @Allow(Permission.ANYBODY)
    @GetMapping(path = "/api/screens/{code}/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    ResponseEntity<SseEmitter> live(
            @Me @Nullable Caller caller, @PathVariable String code, HttpServletRequest request) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .body(live.open(
                        screens, screens.known(code), Live.Who.of(request, caller == null ? null : caller.id())));
    }
}
