package palmtally.core.practical;

import java.util.ArrayList;
import java.util.List;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.practical.event.Attend;
import palmtally.core.practical.event.Consent;
import palmtally.core.practical.event.Consent.Answer;
import palmtally.core.practical.event.Contact;
import palmtally.core.practical.event.Event;
import palmtally.core.practical.event.Finish;
import palmtally.core.practical.event.HoldStart;
import palmtally.core.practical.event.HoldStop;
import palmtally.core.practical.event.Look;
import palmtally.core.practical.event.Observation;
import palmtally.core.practical.event.Report;
import palmtally.core.practical.event.ReportAnswer;
import palmtally.core.practical.event.ReportAnswer.Response;
import palmtally.core.practical.event.ReviewAnswer;
import palmtally.core.practical.event.Say;
import palmtally.core.practical.event.Say.Style;
import palmtally.core.practical.event.SheetChange;
import palmtally.core.practical.event.SheetChange.Drape;
import palmtally.core.practical.event.SheetLook;
import palmtally.core.practical.event.StepStart;
import palmtally.core.practical.event.StepStop;
import palmtally.core.practical.event.Undo;
import palmtally.core.profile.DrapingFault;
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
        return new Seen(sequence, profile).tap(new Attend(true));
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

    Seen tap(Observation seen) {
        return tapOn("t1", seen);
    }

    /** Seen by somebody else. */
    Seen tapOn(String device, Observation seen) {
        seq++;
        events.add(new Event("e" + seq, device, seq, Math.round(now * 1000), null, seen));
        return this;
    }

    String last() {
        return "e" + seq;
    }

    Seen starts(String step, Side side) {
        return tap(new StepStart(step, side));
    }

    Seen stops() {
        return tap(new StepStop(null, null));
    }

    Seen report(int number) {
        return tap(Report.of(number));
    }

    Seen answers(Response response) {
        return tap(new ReportAnswer(response));
    }

    Seen says(SayKind kind) {
        return tap(Say.of(kind));
    }

    Seen asks(Style style) {
        return tap(Say.question(style));
    }

    Seen asks() {
        return asks(Style.OPEN);
    }

    Seen interview(int number) {
        return tap(Say.interview(number));
    }

    Seen looks(MechanicsFault... faults) {
        return tap(new Look(List.of(faults), true));
    }

    Seen notes(MechanicsFault... faults) {
        return tap(new Look(List.of(faults), false));
    }

    Seen touches(Zone zone, int depth) {
        return tap(Contact.on(zone).depth(depth));
    }

    Seen touches(Zone zone, Tool tool) {
        return tap(Contact.on(zone).tool(tool));
    }

    Seen sheet(Drape drape) {
        return tap(SheetChange.of(drape));
    }

    Seen consent(Answer answer, Zone zone) {
        return tap(Consent.of(answer, zone));
    }

    Seen holds(double seconds) {
        tap(new HoldStart());
        now += seconds;
        return tap(new HoldStop());
    }

    Seen eyes(boolean on) {
        return tap(new Attend(on));
    }

    Seen undo(String event) {
        return tap(new Undo(event));
    }

    /** What the grader says at the review, an hour later. */
    Seen reviewed(String question, ReviewAnswer.Said answer) {
        now += 3600;
        return tap(new ReviewAnswer(question, answer));
    }

    Seen sheetLook(DrapingFault... missed) {
        return tap(SheetLook.asked(missed));
    }

    Seen finish() {
        return tap(new Finish());
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
                .map(Scored.Part::value)
                .orElse(null);
    }

    List<palmtally.core.finding.Finding> findings(Rule rule) {
        return scores().findings().stream().filter(f -> f.rule().equals(rule)).toList();
    }
}
