package palmtally.server.demonstration;

import jakarta.servlet.http.HttpServletRequest;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import palmtally.server.live.Live;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;

/** The class screen: open to everyone who has its address. */
@RestController
class ClassScreenController {
    private final ClassScreens screens;
    private final Live live;

    ClassScreenController(ClassScreens screens, Live live) {
        this.screens = screens;
        this.live = live;
    }

    @Allow(Permission.ANYBODY)
    @GetMapping("/api/screens/{code}")
    ClassScreens.ScreenView one(@PathVariable String code) {
        return screens.screen(code);
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
