package palmtally.core.practical;

import static palmtally.core.sequence.Plans.step;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.practical.event.Attend;
import palmtally.core.practical.event.BalanceTest;
import palmtally.core.practical.event.Break;
import palmtally.core.practical.event.Consent;
import palmtally.core.practical.event.Contact;
import palmtally.core.practical.event.Event;
import palmtally.core.practical.event.Finish;
import palmtally.core.practical.event.Guarding;
import palmtally.core.practical.event.HoldStart;
import palmtally.core.practical.event.HoldStop;
import palmtally.core.practical.event.Look;
import palmtally.core.practical.event.Observation;
import palmtally.core.practical.event.OffPlan;
import palmtally.core.practical.event.RateTap;
import palmtally.core.practical.event.Reply;
import palmtally.core.practical.event.Report;
import palmtally.core.practical.event.ReportAnswer;
import palmtally.core.practical.event.ReviewAnswer;
import palmtally.core.practical.event.Say;
import palmtally.core.practical.event.SheetChange;
import palmtally.core.practical.event.SheetLook;
import palmtally.core.practical.event.StepStart;
import palmtally.core.practical.event.StepStop;
import palmtally.core.practical.event.StrokeFault;
import palmtally.core.practical.event.Undo;
import palmtally.core.profile.DrapingFault;
import palmtally.core.profile.MechanicsFault;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Importance;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Stint;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Tool;

/**
 * Some run of some plan, as a seed has it: a student who mostly follows the plan and sometimes does not, one grader or two who look away,
 * everything that can be tapped, and answers at the review. On a grid of whole steps of time the moments at which a rule turns are met.
 */
public final class AnyRun {
    private static final Zone[] ZONES = {
        Zone.CALF,
        Zone.HAMSTRINGS,
        Zone.GLUTEALS,
        Zone.HIP_ROTATORS,
        Zone.LUMBAR,
        Zone.SPINE,
        Zone.SOLE,
        Zone.THROAT,
        Zone.ACHILLES,
        Zone.SHOULDER_BLADE
    };
    private static final String[] TECHNIQUES = {
        "effleurage", "petrissage", "fist-glide", "trigger-point", "cross-fibre", "stretch", "cold", "sacral-press"
    };

    private final Random random;
    private final List<Event> events = new ArrayList<>();
    private final long grid;
    private long now;

    private AnyRun(long seed) {
        random = new Random(seed);
        grid = random.nextBoolean() ? 5_000 : 1;
    }

    public static Practical of(long seed) {
        return new AnyRun(seed).practical();
    }

    private <T> T any(T[] values) {
        return values[random.nextInt(values.length)];
    }

    private boolean oneIn(int n) {
        return random.nextInt(n) == 0;
    }

    private <T> @Nullable T maybe(T value) {
        return random.nextBoolean() ? value : null;
    }

    private Sequence plan() {
        var blocks = new Block[1 + random.nextInt(2)];
        int id = 0;
        for (int b = 0; b < blocks.length; b++) {
            boolean each = random.nextInt(3) > 0;
            var steps = new Plans.Made[2 + random.nextInt(4)];
            for (int s = 0; s < steps.length; s++) {
                var technique = any(TECHNIQUES);
                var made = step("s" + id++)
                        .technique(technique)
                        .on(any(ZONES))
                        .with(any(Tool.values()))
                        .deep(random.nextInt(6))
                        .importance(any(Importance.values()))
                        .phase(any(Phase.values()))
                        .sheet(any(Sheet.values()))
                        .side(each || random.nextBoolean() ? Sides.EACH : any(Sides.values()))
                        .dose(
                                technique.equals("cross-fibre")
                                        ? Dose.cycles(60, 1.5)
                                        : technique.equals("trigger-point")
                                                ? Dose.holds(2, 8)
                                                : Dose.seconds(20 + 10 * random.nextInt(6)));
                if (oneIn(4)) made.effort(any(Technique.Effort.values()));
                if (oneIn(3)) made.least(10);
                if (oneIn(5) && s + 1 < steps.length) made.before("s" + id);
                steps[s] = made;
            }
            blocks[b] = Plans.block(
                    "b" + b, any(Block.Order.values()), each ? Block.Repeat.EACH_SIDE : Block.Repeat.ONCE, steps);
        }
        return Plans.of(3600, blocks);
    }

    private Practical practical() {
        var plan = plan();
        var profile = any(Profile.shipped().toArray(Profile[]::new));
        var asked =
                plan.steps().stream().map(s -> s.id()).filter(s -> !oneIn(8)).toList();
        var sides = any(new Sides[] {Sides.EACH, Sides.EACH, Sides.LEFT, Sides.RIGHT});
        var extent = oneIn(4) ? Extent.PART : Extent.WHOLE;
        if (oneIn(12)) extent = extent.only(any(Criterion.values()));
        var brief = new ArrayList<>(new Practical(plan, profile, asked, sides, List.of()).brief());
        tap("t1", new Attend(!oneIn(10)));
        if (oneIn(2)) for (var kind : SayKind.values()) if (oneIn(2)) tap("t1", Say.of(kind));
        for (int i = 0; i + 1 < brief.size(); i++)
            if (oneIn(5)) java.util.Collections.swap(brief, i, i + 1 + random.nextInt(brief.size() - i - 1));
        for (var stint : brief) {
            if (oneIn(7)) continue;
            pass(1 + random.nextInt(20));
            tap("t1", new StepStart(stint.step().id(), oneIn(6) ? null : stint.side()));
            double seconds = stint.dose().totalSeconds() * any(new Double[] {0.3, 0.8, 1.0, 1.0, 1.6});
            long until = now + Math.round(seconds * 1000);
            while (now < until) {
                pass(1 + random.nextInt(15));
                tap(oneIn(5) ? "t2" : "t1", seen(stint));
            }
            if (oneIn(3)) tap("t1", new StepStop(maybe(stint.step().id()), oneIn(4) ? stint.side() : null));
            if (oneIn(10)) rest();
        }
        pass(1 + random.nextInt(30));
        if (random.nextBoolean()) tap("t1", Say.of(SayKind.CLOSING));
        if (random.nextInt(6) > 0) {
            tap("t1", new Finish());
            answers(new Practical(plan, profile, asked, sides, extent, events));
        }
        return new Practical(plan, profile, asked, sides, extent, events);
    }

    private void pass(int seconds) {
        long to = now + seconds * 1000L + (grid == 1 ? random.nextInt(1000) : 0);
        now = (to + grid - 1) / grid * grid;
    }

    private void rest() {
        tap("t1", new Break(true, null));
        pass(60);
        if (oneIn(2)) tap("t1", new Look(List.of(), true));
        pass(30);
        tap("t1", new Break(false, null));
    }

    private void tap(String device, Observation seen) {
        int n = events.size() + 1;
        events.add(new Event("e" + n, device, n, now, null, seen));
    }

    private void answers(Practical run) {
        for (var question : Scores.of(run).questions()) {
            pass(1);
            if (random.nextBoolean())
                tap(
                        "t1",
                        new ReviewAnswer(question.key(), any(question.answers().toArray(ReviewAnswer.Said[]::new))));
        }
    }

    private Observation seen(Stint stint) {
        var zone = oneIn(3) ? any(ZONES) : stint.step().zones().get(0);
        return switch (random.nextInt(24)) {
            case 0, 1 -> Report.of(random.nextInt(11));
            case 2 -> new ReportAnswer(any(ReportAnswer.Response.values()));
            case 3, 4 -> Say.question(any(Say.Style.values()));
            case 5 -> Say.of(any(SayKind.values()));
            case 6 -> Say.interview(1 + random.nextInt(4));
            case 7, 8 -> new Look(oneIn(2) ? List.of() : List.of(any(MechanicsFault.values())), !oneIn(4));
            case 9, 10 ->
                new Contact(
                        oneIn(3) ? null : zone,
                        oneIn(4) ? any(Side.values()) : null,
                        oneIn(3) ? any(Tool.values()) : null,
                        maybe(random.nextInt(6)),
                        oneIn(5) ? any(Sheet.values()) : null,
                        null);
            case 11 ->
                new SheetChange(
                        any(SheetChange.Drape.values()),
                        oneIn(3) ? any(DrapeUnit.values()) : null,
                        oneIn(3) ? any(Side.values()) : null);
            case 12 -> new SheetLook(oneIn(2) ? List.of() : List.of(any(DrapingFault.values())), !oneIn(3));
            case 13, 14 ->
                new Consent(any(Consent.Answer.values()), maybe(zone), oneIn(2) ? null : any(Sheet.values()));
            case 15 -> new StrokeFault(any(StrokeFault.Flaw.values()));
            case 16 -> oneIn(3) ? new Guarding() : new Reply(oneIn(3), maybe(oneIn(2)), oneIn(4) ? true : null);
            case 17 -> new HoldStart();
            case 18 -> new HoldStop();
            case 19, 20 -> new RateTap();
            case 21 ->
                oneIn(3)
                        ? new BalanceTest(oneIn(2))
                        : new OffPlan(zone, null, maybe(any(Tool.values())), maybe(3), null);
            case 22 -> new Attend(random.nextInt(3) > 0);
            default ->
                oneIn(2) ? new Undo(events.get(random.nextInt(events.size())).id()) : new StepStop(null, null);
        };
    }
}
