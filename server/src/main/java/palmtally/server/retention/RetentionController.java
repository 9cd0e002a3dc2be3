package palmtally.server.retention;

import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;

/** How long what is kept, and what will go. */
@RestController
class RetentionController {
    record RetentionForm(@Nullable Map<String, @Nullable Integer> months) {}

    record HoldForm(@Nullable String why) {}

    private final Retention retention;

    RetentionController(Retention retention) {
        this.retention = retention;
    }

    @Allow(Permission.LEAD)
    @GetMapping("/api/school/retention")
    Retention.RetentionView view() {
        return retention.view();
    }

    @Allow(Permission.LEAD)
    @PutMapping("/api/school/retention")
    Retention.RetentionView set(@Me Caller caller, @RequestBody RetentionForm form) {
        return retention.set(caller, form.months == null ? Map.of() : form.months);
    }

    @Allow(Permission.LEAD)
    @PutMapping("/api/school/retention/{kind}/{item}/hold")
    Retention.RetentionView hold(
            @Me Caller caller, @PathVariable String kind, @PathVariable String item, @RequestBody HoldForm form) {
        return retention.hold(caller, kind, item, form.why);
    }

    @Allow(Permission.LEAD)
    @DeleteMapping("/api/school/retention/{kind}/{item}/hold")
    Retention.RetentionView letGo(@PathVariable String kind, @PathVariable String item) {
        return retention.letGo(kind, item);
    }
}
