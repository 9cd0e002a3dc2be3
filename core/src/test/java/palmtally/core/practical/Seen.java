package palmtally.core.practical;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.practical.EventData.ConsentAnswer;
import palmtally.core.practical.EventData.Drape;
import palmtally.core.practical.EventData.Response;
import palmtally.core.practical.EventData.Style;
import palmtally.core.profile.MechanicsFault;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.core.technique.Tool;

/** A log written by a grader who says what was seen, second by second. */
final class Seen {
    private final Sequence sequence;
    private final Profile profile;
    private final List<Event> events = new ArrayList<>();
    private Sides sides = Sides.EACH;
    private double now;
    private long seq;

    private Seen(Sequence sequence, Profile profile) {
        this.sequence = sequence;
        this.profile = profile;
    }

    /** A grader whose eyes are on the table from the start. */
    static Seen of(Sequence sequence) {
        return of(sequence, Profile.bySeconds());
    }

    static Seen of(Sequence sequence, Profile profile) {
        return new Seen(sequence, profile).tap(EventKind.ATTEND, d -> d.on(true));
    }

    static Seen unwatched(Sequence sequence) {
        return new Seen(sequence, Profile.bySeconds());
    }

    Seen at(double second) {
        now = second;
        return this;
    }

    Seen sides(Sides asked) {
        sides = asked;
        return this;
    }

    Seen tap(EventKind kind, Consumer<EventData.Builder> fill) {
        var data = EventData.with();
        fill.accept(data);
        seq++;
        events.add(new Event("e" + seq, "t1", seq, Math.round(now * 1000), null, kind, data.build()));
        return this;
    }

    String last() {
        return "e" + seq;
    }

    Seen starts(String step, Side side) {
        return tap(EventKind.STEP_START, d -> d.step(step).side(side));
    }

    Seen stops() {
        return tap(EventKind.STEP_STOP, d -> {});
    }

    Seen report(int number) {
        return tap(EventKind.REPORT, d -> d.number(number));
    }

    Seen answers(Response response) {
        return tap(EventKind.REPORT_ANSWER, d -> d.response(response));
    }

    Seen says(SayKind kind) {
        return tap(EventKind.SAY, d -> d.saying(kind));
    }

    Seen asks(Style style) {
        return tap(EventKind.SAY, d -> d.saying(SayKind.PRESSURE_QUESTION).style(style));
    }

    Seen asks() {
        return asks(Style.OPEN);
    }

    Seen interview(int number) {
        return tap(EventKind.SAY, d -> d.saying(SayKind.INTERVIEW).number(number));
    }

    Seen looks(MechanicsFault... faults) {
        return tap(EventKind.LOOK, d -> d.asked(true).faults(List.of(faults)));
    }

    Seen notes(MechanicsFault... faults) {
        return tap(EventKind.LOOK, d -> d.asked(false).faults(List.of(faults)));
    }

    Seen touches(Zone zone, int depth) {
        return tap(EventKind.CONTACT, d -> d.zone(zone).depth(depth));
    }

    Seen touches(Zone zone, Tool tool) {
        return tap(EventKind.CONTACT, d -> d.zone(zone).tool(tool));
    }

    Seen sheet(Drape drape) {
        return tap(EventKind.SHEET_CHANGE, d -> d.drape(drape));
    }

    Seen consent(ConsentAnswer answer, Zone zone) {
        return tap(EventKind.CONSENT, d -> d.answer(answer).zone(zone));
    }

    Seen holds(double seconds) {
        tap(EventKind.HOLD_START, d -> {});
        now += seconds;
        return tap(EventKind.HOLD_STOP, d -> {});
    }

    Seen eyes(boolean on) {
        return tap(EventKind.ATTEND, d -> d.on(on));
    }

    Seen undo(String event) {
        return tap(EventKind.UNDO, d -> d.ref(event));
    }

    Seen finish() {
        return tap(EventKind.FINISH, d -> {});
    }

    Practical practical() {
        return new Practical(sequence, profile, List.of(), sides, events);
    }

    List<Event> events() {
        return List.copyOf(events);
    }

    Scores scores() {
        return Scores.of(practical());
    }

    Scored scored(Criterion criterion) {
        return scores().get(criterion);
    }

    double score(Criterion criterion) {
        var score = scored(criterion).score();
        if (score == null)
            throw new AssertionError(
                    criterion + " was not observed: " + scored(criterion).why());
        return score;
    }

    /** Value of a part, or null where it was not observed. */
    Double part(Criterion criterion, String name) {
        return scored(criterion).parts().stream()
                .filter(p -> p.name().equals(name))
                .findFirst()
                .orElseThrow()
                .value();
    }

    List<palmtally.core.finding.Finding> findings(Rule rule) {
        return scores().findings().stream().filter(f -> f.rule() == rule).toList();
    }
}
