package palmtally.server.demo;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import palmtally.core.body.Zone;
import palmtally.core.practical.Practical;
import palmtally.core.practical.Scores;
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
import palmtally.core.practical.event.Praise;
import palmtally.core.practical.event.RateTap;
import palmtally.core.practical.event.Report;
import palmtally.core.practical.event.ReportAnswer;
import palmtally.core.practical.event.ReportAnswer.Response;
import palmtally.core.practical.event.ReviewAnswer;
import palmtally.core.practical.event.ReviewAnswer.Said;
import palmtally.core.practical.event.Say;
import palmtally.core.practical.event.Say.Style;
import palmtally.core.practical.event.SheetLook;
import palmtally.core.practical.event.StepStart;
import palmtally.core.practical.event.StepStop;
import palmtally.core.practical.event.StrokeFault;
import palmtally.core.practical.event.StrokeFault.Flaw;
import palmtally.core.profile.Band;
import palmtally.core.profile.DrapingFault;
import palmtally.core.profile.MechanicsFault;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Stint;
import palmtally.core.sequence.Timeline;
import palmtally.core.sequence.Timeline.OpenUnit;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Tool;
import palmtally.server.demo.Habits.Weakness;

/**
 * Plays a student with given habits through a sequence and writes down what a grader at the table would have tapped. Only events are
 * made up; every mark comes from the real scorer. The same seed plays the same run.
 */
final class PlayedRun {
    private static final MechanicsFault[] FAULTS = MechanicsFault.values();

    private final Habits habits;
    private final Sequence sequence;
    private final Profile profile;
    private final Instant startedAt;
    private final SplittableRandom chance;
    private final double skill;
    private final List<Event> events = new ArrayList<>();
    private Set<OpenUnit> open = Set.of();
    private long clock = 3_000;
    private long nextLook = 20_000;
    private long seq;

    private PlayedRun(Habits habits, Sequence sequence, Profile profile, double week, Instant startedAt, long seed) {
        this.habits = habits;
        this.sequence = sequence;
        this.profile = profile;
        this.startedAt = startedAt;
        this.chance = new SplittableRandom(seed);
        // Nobody has the same day twice.
        this.skill = Math.max(0.1, Math.min(0.98, habits.skill(week) + (chance.nextDouble() - 0.5) * 0.14));
    }

    /** The same run in the eyes of another: some is missed, some looks otherwise. */
    static Practical inOtherEyes(Practical played, long seed) {
        var chance = new SplittableRandom(seed);
        var seen = new ArrayList<Event>();
        for (var e : played.events()) {
            boolean word = e.data() instanceof Say || e.data() instanceof ReportAnswer;
            if (word && chance.nextDouble() < 0.07) continue;
            Observation data = e.data();
            if (data instanceof Look look && chance.nextDouble() < 0.2)
                data = new Look(
                        look.faults().isEmpty() ? List.of(FAULTS[chance.nextInt(FAULTS.length)]) : List.of(),
                        look.asked());
            seen.add(new Event("s" + e.id(), "second", e.seq(), e.atMs(), e.wall(), data));
        }
        return new Practical(played.sequence(), played.profile(), played.asked(), played.sides(), seen);
    }

    static Practical of(Habits habits, Sequence sequence, Profile profile, double week, Instant startedAt, long seed) {
        var run = new PlayedRun(habits, sequence, profile, week, startedAt, seed);
        run.play();
        return new Practical(sequence, profile, List.of(), Sides.EACH, run.events);
    }

    /** The same with what the grader says at the review: who was there and heard nothing knows that there was nothing. */
    static Practical reviewed(Practical played, Instant startedAt) {
        var events = new ArrayList<>(played.events());
        long at = events.get(events.size() - 1).atMs() + 120_000;
        int n = 0;
        for (var question : Scores.of(played).questions()) {
            var said =
                    question.permission() ? Said.NOT_ASKED : question.answers().get(0);
            n++;
            events.add(new Event(
                    "review-" + n,
                    "review",
                    n,
                    at + 4_000L * n,
                    startedAt.plusMillis(at + 4_000L * n),
                    new ReviewAnswer(question.key(), said)));
        }
        return played.with(played.asked(), events);
    }

    private boolean happens(double probability) {
        return chance.nextDouble() < probability;
    }

    private boolean weak(Weakness w) {
        return habits.has(w) && happens(0.85 - 0.35 * skill);
    }

    private void at(long ms, Observation seen) {
        seq++;
        events.add(new Event("t1-" + seq, "t1", seq, ms, startedAt.plusMillis(ms), seen));
    }

    private void play() {
        at(0, new Attend(true));
        var stints = order(new Practical(sequence, profile, List.of(), Sides.EACH, List.of()).brief());
        boolean oneSide = habits.has(Weakness.SECOND_SIDE_FORGOTTEN) && happens(0.75 - 0.5 * skill);
        for (int i = 0; i < stints.size(); i++) {
            var stint = stints.get(i);
            if (oneSide && stint.second()) continue;
            boolean last = i == stints.size() - 1;
            if (!last && i > 0 && happens(0.10 * (1 - skill))) continue;
            step(stint, i == 0, last);
        }
        boolean left = happens(0.25 * (1 - skill) + (weak(Weakness.LOOSE_SHEET) ? 0.3 : 0));
        at(clock, new SheetLook(left ? List.of(DrapingFault.NOT_COVERED_AT_END) : List.of(), true));
        at(clock + 2_000, new Finish());
    }

    /** The planned order with neighbours on the same side swapped now and then. */
    private List<Stint> order(List<Stint> planned) {
        var stints = new ArrayList<>(planned);
        double swap = 0.10 * (1 - skill) + (habits.has(Weakness.OUT_OF_ORDER) ? 0.22 * (1.3 - skill) : 0);
        for (int i = 1; i + 2 < stints.size(); i++)
            if (stints.get(i).side() == stints.get(i + 1).side() && happens(swap)) Collections.swap(stints, i, i + 1);
        return stints;
    }

    private void step(Stint stint, boolean first, boolean last) {
        var step = stint.step();
        boolean sensitive = step.zones().stream()
                .anyMatch(z -> profile.draping().sensitive().contains(z));
        boolean late = sensitive && weak(Weakness.LATE_CONSENT);
        boolean silent = habits.has(Weakness.SILENT);
        boolean asks = step.say().stream().anyMatch(s -> s.kind() == SayKind.CONSENT);
        if (sensitive && asks && !late) consent(clock - 2_000, step.zones().get(0));
        warn(stint, silent);
        long start = clock;
        at(start, new StepStart(step.id(), stint.side()));
        if (sensitive && asks && late && happens(0.6))
            consent(start + 9_000, step.zones().get(0));
        double share = Math.max(0.35, Math.min(1.15, 0.62 + 0.42 * skill + (chance.nextDouble() - 0.5) * 0.25));
        // The second side gets less of everything from those who do not watch the clock.
        if (stint.second()) share *= 0.80 + 0.20 * skill;
        long length = Math.max(4_000, Math.round(stint.dose().totalSeconds() * share * 1000));
        long end = start + length;
        if (first) opening(start, length, silent);
        observe(stint, start, length);
        talk(stint, start, end, silent);
        holds(stint, start, end);
        draping(stint, start, length);
        way(start, length);
        looks(stint, end);
        if (last && happens(silent ? 0.3 : 0.55 + 0.45 * skill)) at(end - 1_500, Say.of(SayKind.CLOSING));
        clock = end + 3_000 + Math.round(chance.nextDouble() * 9_000 * (1.4 - skill));
        at(end, new StepStop(step.id(), stint.side()));
    }

    private void consent(long at, Zone zone) {
        at(Math.max(0, at - 2_500), Consent.of(Answer.ASKED, zone));
        at(Math.max(0, at), Consent.of(Answer.YES, zone));
    }

    private void warn(Stint stint, boolean silent) {
        boolean planned =
                stint.step().say().stream().anyMatch(s -> s.kind() == SayKind.WARNS || s.kind() == SayKind.EXPLAINS);
        if (planned && happens(silent ? 0.25 + 0.2 * skill : 0.45 + 0.5 * skill))
            at(Math.max(0, clock - 1_500), Say.of(SayKind.WARNS));
    }

    private void opening(long start, long length, boolean silent) {
        var kinds = List.of(SayKind.GREETING, SayKind.PURPOSE, SayKind.AREAS_TO_AVOID, SayKind.INVITES_FEEDBACK);
        for (int i = 0; i < kinds.size(); i++) {
            var kind = kinds.get(i);
            if (kind == SayKind.GREETING || happens(silent ? 0.35 : 0.5 + 0.5 * skill))
                at(start + length * (i + 1) / 6, Say.of(kind));
        }
    }

    /** What the grader sees of tool and depth. */
    private void observe(Stint stint, long start, long length) {
        var step = stint.step();
        boolean thumb = step.tool() == Tool.SUPPORTED_THUMB && weak(Weakness.BARE_THUMBS);
        if (!thumb && !happens(0.45)) return;
        int depth = step.depth();
        if (depth > 0 && (weak(Weakness.HEAVY_HANDS) || happens(0.22 * (1 - skill)))) depth = Math.min(5, depth + 1);
        else if (depth > 1 && happens(0.3 * (1 - skill))) depth--;
        var zone = step.zones().get(chance.nextInt(step.zones().size()));
        var touch = Contact.on(zone).depth(depth);
        at(start + Math.min(4_000, length / 3), thumb ? touch.tool(Tool.BARE_THUMB) : touch);
    }

    private void talk(Stint stint, long start, long end, boolean silent) {
        var step = stint.step();
        int interview = 0;
        for (var say : step.say()) {
            long at = Math.min(end - 1_200, start + 3_000 + Math.round(say.atSeconds() * 1000) + chance.nextInt(7_000));
            if (at <= start) continue;
            switch (say.kind()) {
                case PRESSURE_QUESTION, CHOICE -> {
                    if (!happens(silent ? 0.22 + 0.25 * skill : 0.45 + 0.52 * skill)) continue;
                    at(at, new Say(say.kind(), happens(0.8) ? Style.OPEN : Style.CLOSED, null, null));
                    report(stint, at + 2_500, end);
                }
                case INTERVIEW -> {
                    interview++;
                    int n = interview;
                    if (happens(silent ? 0.4 : 0.5 + 0.48 * skill)) at(start + (end - start) * n / 5, Say.interview(n));
                }
                case READY_CUE, RELAX_CUE -> {
                    if (happens(silent ? 0.3 : 0.5 + 0.48 * skill))
                        at(say.kind() == SayKind.READY_CUE ? start + 1_000 : end - 1_200, Say.of(say.kind()));
                }
                default -> {}
            }
        }
    }

    private void report(Stint stint, long at, long end) {
        if (at >= end) return;
        var step = stint.step();
        Band band = step.bandUnder(profile);
        double middle = (band.low() + band.high()) / 2.0;
        double spread = 0.6 + 2.6 * (1 - skill);
        double lean = habits.has(Weakness.HEAVY_HANDS) ? 2.2 * (1.1 - skill) : 0;
        int number = (int) Math.max(
                0,
                Math.min(10, Math.round(middle + lean + (chance.nextDouble() + chance.nextDouble() - 1) * 2 * spread)));
        at(at, Report.of(number));
        if (number <= band.high()) return;
        if (happens(0.12 * (1 - skill))) {
            at(at + 9_000, new ReportAnswer(Response.NONE));
            return;
        }
        long delay = Math.round(1_500 + chance.nextDouble() * (3_000 + 12_000 * (1 - skill)));
        var response =
                List.of(Response.EASED, Response.BROADER, Response.SLOWER).get(chance.nextInt(3));
        at(at + delay, new ReportAnswer(response));
    }

    private void holds(Stint stint, long start, long end) {
        var dose = stint.dose();
        if (dose.kind() == Dose.Kind.HOLDS && dose.seconds() != null) {
            long at = start + 1_500;
            for (int i = 0; i < 3; i++) {
                double factor = 1 + (chance.nextDouble() - 0.55) * 1.3 * (1.05 - skill);
                long hold = Math.max(1_000, Math.round(dose.seconds() * 1000 * factor));
                if (at + hold > end) break;
                at(at, new HoldStart());
                at(at + hold, new HoldStop());
                at += hold + 1_200;
            }
        }
        if (dose.kind() == Dose.Kind.CYCLES && dose.perSecond() != null) {
            double rate = dose.perSecond() * (1 + (chance.nextDouble() - 0.3) * 1.4 * (1 - skill));
            for (int i = 0; i < 6; i++) {
                long tap = start + 6_000 + Math.round(i * 1000 / rate);
                if (tap < end) at(tap, new RateTap());
            }
        }
    }

    /** Each change of the sheet is looked at, but for now and then; a big movement wants it secured. */
    private void draping(Stint stint, long start, long length) {
        if (stint.step().technique().stroke().bigMovement())
            at(
                    start + 500,
                    happens(0.45 + 0.5 * skill)
                            ? new SheetLook(List.of(), false)
                            : new SheetLook(List.of(DrapingFault.NOT_SECURED), false));
        var now = Timeline.unitsOpenedBy(stint);
        boolean changed = !open.containsAll(now) || now.isEmpty() && !open.isEmpty();
        open = now;
        if (!changed || happens(0.1)) return;
        double fault = 0.3 * (1 - skill) + (habits.has(Weakness.LOOSE_SHEET) ? 0.45 * (1.3 - skill) : 0);
        var missed = happens(fault)
                ? List.of(List.of(
                                DrapingFault.LOOSE,
                                DrapingFault.LOOSE,
                                DrapingFault.LIFTED_TOO_HIGH,
                                DrapingFault.OTHER)
                        .get(chance.nextInt(4)))
                : List.<DrapingFault>of();
        at(start + Math.min(6_000, length / 2), new SheetLook(missed, true));
    }

    /** A stroke the wrong way, or beside its landmark, now and then; and a word of praise. */
    private void way(long start, long length) {
        if (happens(0.09 * (1 - skill)))
            at(start + length / 3, new StrokeFault(happens(0.5) ? Flaw.WRONG_DIRECTION : Flaw.WRONG_LANDMARK));
        if (happens(0.05 * skill)) at(start + length / 2, new Praise(null));
    }

    private void looks(Stint stint, long end) {
        for (; nextLook < end; nextLook += 20_000) {
            // Now and then the grader is busy: not observed.
            if (happens(0.15)) continue;
            var faults = new ArrayList<MechanicsFault>();
            boolean pointed = stint.step().tool().pointed();
            if (pointed && weak(Weakness.BARE_THUMBS)) faults.add(MechanicsFault.BARE_THUMB);
            if (weak(Weakness.BENT_BACK) && happens(0.6)) faults.add(MechanicsFault.BENT_WAIST);
            if (happens(0.46 * (1 - skill))) faults.add(FAULTS[chance.nextInt(FAULTS.length)]);
            var found = faults.stream().distinct().toList();
            at(nextLook + chance.nextInt(3_000), new Look(found, true));
        }
    }
}
