package palmtally.server.timetable;

import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palmtally.server.answer.Made;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.practical.Practicals;

/** The timetable: days of practicals. */
@RestController
class DayController {
    record DayAway(@Nullable List<PracticalDays.AwayView> away) {}

    record DaySittings(@Nullable List<PracticalDays.SittingWish> sittings) {}

    record DayWithdrawn(boolean withdrawn) {}

    record DayShown(boolean shown) {}

    record SittingToday(@Nullable List<Practicals.Spared> today) {}

    record SittingBegun(@Nullable UUID practical) {}

    private final PracticalDays days;
    private final DaySearch search;
    private final SittingStart start;
    private final OwnSittings own;
    private final Retakes retakes;

    DayController(PracticalDays days, DaySearch search, SittingStart start, OwnSittings own, Retakes retakes) {
        this.days = days;
        this.search = search;
        this.start = start;
        this.own = own;
        this.retakes = retakes;
    }

    private static String at(UUID term, UUID day) {
        return "/api/terms/" + term + "/days/" + day;
    }

    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/days")
    List<PracticalDays.DayLine> days(@PathVariable UUID term) {
        return days.of(term);
    }

    /** The re-takes that are owed and are on no day to come. */
    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/retakes")
    List<Practicals.OwedRetake> retakes(@PathVariable UUID term) {
        return retakes.owed(term);
    }

    /** Makes a day and begins to look for its timetable. */
    @Allow(Permission.TERM_PLANNER)
    @PostMapping("/api/terms/{term}/days")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<PracticalDays.DayView> make(
            @Me Caller caller, @PathVariable UUID term, @RequestBody PracticalDays.DayWish wish) {
        var id = days.make(caller, term, wish);
        search.begin(term, id);
        return Made.at(at(term, id), days.view(term, id));
    }

    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/days/{day}")
    PracticalDays.DayView day(@PathVariable UUID term, @PathVariable UUID day) {
        return days.view(term, day);
    }

    @Allow(Permission.TERM_PLANNER)
    @PutMapping("/api/terms/{term}/days/{day}")
    PracticalDays.DayView change(
            @PathVariable UUID term, @PathVariable UUID day, @RequestBody PracticalDays.DayWish wish) {
        days.change(term, day, wish);
        return lookAgain(term, day);
    }

    private PracticalDays.DayView lookAgain(UUID term, UUID day) {
        search.begin(term, day);
        return days.view(term, day);
    }

    /** Takes a day away, or brings it back. */
    @Allow(Permission.TERM_PLANNER)
    @PutMapping("/api/terms/{term}/days/{day}/withdrawn")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(@PathVariable UUID term, @PathVariable UUID day, @RequestBody DayWithdrawn given) {
        days.withdraw(term, day, given.withdrawn);
    }

    /** Shows students and graders where they are in it, or hides that again. */
    @Allow(Permission.TERM_PLANNER)
    @PutMapping("/api/terms/{term}/days/{day}/shown")
    PracticalDays.DayView show(@PathVariable UUID term, @PathVariable UUID day, @RequestBody DayShown given) {
        days.show(term, day, given.shown);
        return days.view(term, day);
    }

    /** Looks for a better timetable, from the one that is there. */
    @Allow(Permission.TERM_PLANNER)
    @PostMapping("/api/terms/{term}/days/{day}/search")
    PracticalDays.DayView search(@PathVariable UUID term, @PathVariable UUID day) {
        return lookAgain(term, day);
    }

    /** Ends the search with the best it has found. */
    @Allow(Permission.TERM_PLANNER)
    @DeleteMapping("/api/terms/{term}/days/{day}/search")
    PracticalDays.DayView stop(@PathVariable UUID term, @PathVariable UUID day) {
        search.stop(term, day);
        return days.view(term, day);
    }

    /** Finds everything anew that is not locked and has not begun. */
    @Allow(Permission.TERM_PLANNER)
    @PostMapping("/api/terms/{term}/days/{day}/anew")
    PracticalDays.DayView anew(@PathVariable UUID term, @PathVariable UUID day) {
        days.clear(term, day);
        return lookAgain(term, day);
    }

    /** Says who is not there, and finds again what cannot stay for it. */
    @Allow(Permission.TERM_PLANNER)
    @PutMapping("/api/terms/{term}/days/{day}/away")
    PracticalDays.DayView away(@PathVariable UUID term, @PathVariable UUID day, @RequestBody DayAway given) {
        days.setAway(term, day, Objects.requireNonNullElse(given.away, List.of()));
        return lookAgain(term, day);
    }

    @Allow(Permission.TERM_PLANNER)
    @PostMapping("/api/terms/{term}/days/{day}/sittings")
    PracticalDays.DayView add(@PathVariable UUID term, @PathVariable UUID day, @RequestBody DaySittings given) {
        days.add(term, day, Objects.requireNonNullElse(given.sittings, List.of()));
        return lookAgain(term, day);
    }

    @Allow(Permission.TERM_PLANNER)
    @DeleteMapping("/api/terms/{term}/days/{day}/sittings/{sitting}")
    PracticalDays.DayView remove(@PathVariable UUID term, @PathVariable UUID day, @PathVariable UUID sitting) {
        days.remove(term, day, sitting);
        return days.view(term, day);
    }

    /** Puts a practical somewhere by hand, or locks it where it is. */
    @Allow(Permission.TERM_PLANNER)
    @PutMapping("/api/terms/{term}/days/{day}/sittings/{sitting}")
    PracticalDays.DayView put(
            @PathVariable UUID term,
            @PathVariable UUID day,
            @PathVariable UUID sitting,
            @RequestBody PracticalDays.PlaceWish wish) {
        boolean looked = days.searching(term, day);
        days.put(term, day, sitting, wish);
        if (looked || wish.begins() == null) search.begin(term, day);
        return days.view(term, day);
    }

    /** Begins a practical at its table. */
    @Allow(Permission.TERM_STAFF)
    @PostMapping("/api/terms/{term}/days/{day}/sittings/{sitting}/start")
    SittingBegun start(
            @Me Caller caller,
            @PathVariable UUID term,
            @PathVariable UUID day,
            @PathVariable UUID sitting,
            @RequestBody SittingToday given) {
        boolean looked = days.searching(term, day);
        var practical = start.start(caller, term, day, sitting, given.today);
        if (looked) search.begin(term, day);
        return new SittingBegun(practical);
    }

    /** Says which practical was begun of it. */
    @Allow(Permission.TERM_STAFF)
    @PutMapping("/api/terms/{term}/days/{day}/sittings/{sitting}/practical")
    PracticalDays.DayView started(
            @PathVariable UUID term,
            @PathVariable UUID day,
            @PathVariable UUID sitting,
            @RequestBody SittingBegun given) {
        start.started(term, day, sitting, given.practical);
        return days.view(term, day);
    }

    /** The practicals to come that the caller has to do with. */
    @Allow(Permission.SIGNED_IN)
    @GetMapping("/api/me/sittings")
    List<OwnSittings.MySitting> mine(@Me Caller caller) {
        return own.of(caller);
    }
}
