package palmtally.server.ical;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.formats.FormatException;
import palmtally.server.answer.Made;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.problem.Refusal;

/** Calendars for other programs. */
@RestController
class CalendarController {
    record AddressName(@Nullable String name) {}

    /** @param path where the calendar is read, told here and never again */
    record MadeAddress(String path, List<CalendarAddresses.CalendarAddress> addresses) {}

    record CalendarText(@Nullable String text, @Nullable Integer from) {}

    private static final String TYPE = "text/calendar;charset=UTF-8";

    private final CalendarAddresses addresses;
    private final CalendarEntries entries;
    private final CalendarReading reading;

    CalendarController(CalendarAddresses addresses, CalendarEntries entries, CalendarReading reading) {
        this.addresses = addresses;
        this.entries = entries;
        this.reading = reading;
    }

    private static ResponseEntity<String> file(String text, String name) {
        return ResponseEntity.ok()
                .header("Content-Type", TYPE)
                .header("Content-Disposition", "attachment; filename=\"" + name + ".ics\"")
                .cacheControl(CacheControl.noStore())
                .body(text);
    }

    /** The caller's own calendar as a file. */
    @Allow(Permission.SIGNED_IN)
    @GetMapping(path = "/api/me/calendar", produces = TYPE)
    ResponseEntity<String> own(@Me Caller caller) {
        return file(entries.own(caller), "calendar");
    }

    @Allow(Permission.SIGNED_IN)
    @GetMapping("/api/me/calendar/addresses")
    List<CalendarAddresses.CalendarAddress> addresses(@Me Caller caller) {
        return addresses.of(caller);
    }

    /** A new address of the caller's calendar, for one program. */
    @Allow(Permission.SIGNED_IN)
    @PostMapping("/api/me/calendar/addresses")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<MadeAddress> make(@Me Caller caller, @RequestBody AddressName given) {
        var path = "/api/calendar/" + addresses.make(caller, given.name);
        return Made.at("/api/me/calendar/addresses", new MadeAddress(path, addresses.of(caller)));
    }

    /** Ends an address: from now on it opens nothing. */
    @Allow(Permission.SIGNED_IN)
    @DeleteMapping("/api/me/calendar/addresses/{id}")
    List<CalendarAddresses.CalendarAddress> revoke(@Me Caller caller, @PathVariable UUID id) {
        addresses.revoke(caller, id);
        return addresses.of(caller);
    }

    /** The calendar that an address opens, for programs that do not sign in. */
    @Allow(Permission.ANYBODY)
    @GetMapping(path = "/api/calendar/{code}", produces = TYPE)
    ResponseEntity<String> at(@PathVariable String code) {
        return file(
                entries.own(addresses.owner(code).orElseThrow(() -> Refusal.notFound("calendar at this address"))),
                "calendar");
    }

    /** The calendar of a term as a file. */
    @Allow(Permission.TERM_STAFF)
    @GetMapping(path = "/api/terms/{term}/calendar", produces = TYPE)
    ResponseEntity<String> ofTerm(@PathVariable UUID term) {
        return file(entries.ofTerm(term), "term");
    }

    private static String text(CalendarText given) {
        if (given.text == null) throw new InvalidValue("calendar", new Fault("text", "", "is missing"));
        return given.text;
    }

    /** What a calendar file of another program would change. */
    @Allow(Permission.TERM_PLANNER)
    @PostMapping("/api/terms/{term}/calendar/incoming/preview")
    CalendarReading.CalendarIncoming compare(@PathVariable UUID term, @RequestBody CalendarText given)
            throws FormatException {
        return reading.compare(term, text(given));
    }

    /** Takes it. */
    @Allow(Permission.TERM_PLANNER)
    @PostMapping("/api/terms/{term}/calendar/incoming")
    CalendarReading.CalendarIncoming take(@Me Caller caller, @PathVariable UUID term, @RequestBody CalendarText given)
            throws FormatException {
        return reading.take(caller, term, text(given), given.from);
    }
}
