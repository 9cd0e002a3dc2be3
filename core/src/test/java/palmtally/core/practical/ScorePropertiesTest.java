package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static palmtally.core.sequence.Plans.step;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.practical.event.Attend;
import palmtally.core.practical.event.BalanceTest;
import palmtally.core.practical.event.Break;
import palmtally.core.practical.event.ClientWord;
import palmtally.core.practical.event.Consent;
import palmtally.core.practical.event.Consent.Answer;
import palmtally.core.practical.event.Contact;
import palmtally.core.practical.event.Event;
import palmtally.core.practical.event.Finish;
import palmtally.core.practical.event.Guarding;
import palmtally.core.practical.event.Hygiene;
import palmtally.core.practical.event.Look;
import palmtally.core.practical.event.Note;
import palmtally.core.practical.event.Observation;
import palmtally.core.practical.event.Praise;
import palmtally.core.practical.event.Reply;
import palmtally.core.practical.event.Report;
import palmtally.core.practical.event.ReportAnswer;
import palmtally.core.practical.event.ReportAnswer.Response;
import palmtally.core.practical.event.Say;
import palmtally.core.practical.event.Say.Style;
import palmtally.core.practical.event.SheetChange;
import palmtally.core.practical.event.SheetChange.Drape;
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
import palmtally.core.sequence.PlannedOrder;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Stint;
import palmtally.core.technique.Tool;

/** What must hold of the scores of any run, tried on seeded random plans and runs: what is fair follows from it. */
@Tag("slow")
class ScorePropertiesTest {
    private static final double EXACT = 1e-9;

    private static final int SEEDS = 100;

    private interface Tried {
        void with(Random random);
    }

    /** A property, tried on every seed; a failure names the seed. */
    private static void always(Tried property) {
        for (int seed = 0; seed < SEEDS; seed++)
            try {
                property.with(new Random(seed));
            } catch (AssertionError | RuntimeException e) {
                throw new AssertionError("seed " + seed + ": " + e.getMessage(), e);
            }
    }

    private static <T> T any(Random random, T[] values) {
        return values[random.nextInt(values.length)];
    }

    private static final Zone[] ZONES = {Zone.CALF, Zone.HAMSTRINGS, Zone.THIGH_FRONT, Zone.GLUTEALS, Zone.LUMBAR};
    private static final String[] TECHNIQUES = {"effleurage", "petrissage", "trigger-point"};
    private static final Tool[] TOOLS = {Tool.PALM, Tool.FOREARM, Tool.LOOSE_FIST, Tool.SUPPORTED_THUMB, Tool.BARE_THUMB
    };

    private static Sequence plan(Random random) {
        var blocks = new Block[1 + random.nextInt(3)];
        int id = 0;
        for (int b = 0; b < blocks.length; b++) {
            boolean each = random.nextBoolean();
            var steps = new Plans.Made[(b == 0 ? 2 : 1) + random.nextInt(4)];
            for (int s = 0; s < steps.length; s++)
                steps[s] = step(String.valueOf(id++))
                        .technique(any(random, TECHNIQUES))
                        .on(any(random, ZONES))
                        .with(any(random, TOOLS))
                        .deep(1 + random.nextInt(5))
                        .importance(any(random, Importance.values()))
                        .side(each || random.nextBoolean() ? Sides.EACH : Sides.RIGHT)
                        .seconds(10 * (1 + random.nextInt(9)));
            blocks[b] = Plans.block(
                    "b" + b,
                    random.nextBoolean() ? Block.Order.IN_ORDER : Block.Order.ANY_ORDER,
                    each ? Block.Repeat.EACH_SIDE : Block.Repeat.ONCE,
                    steps);
        }
        return Plans.of(3600, blocks);
    }

    /** A plan of each-side blocks alone. */
    private static Sequence bothSides(Random random) {
        var steps = new Plans.Made[2 + random.nextInt(5)];
        for (int s = 0; s < steps.length; s++)
            steps[s] = step(String.valueOf(s))
                    .technique(any(random, TECHNIQUES))
                    .on(Zone.CALF, Zone.HAMSTRINGS)
                    .with(any(random, TOOLS))
                    .deep(1 + random.nextInt(5))
                    .importance(any(random, Importance.values()))
                    .side(Sides.EACH)
                    .seconds(10 * (1 + random.nextInt(9)));
        return Plans.of(3600, Plans.block("b", Block.Order.IN_ORDER, Block.Repeat.EACH_SIDE, steps));
    }

    private static List<Stint> brief(Sequence plan) {
        return new Practical(plan, Profile.bySeconds(), List.of(), Sides.EACH, List.of()).brief();
    }

    /** Each stint for its whole dose, one after another, watched from first to last. */
    private static double order(Sequence plan, List<Stint> stints) {
        return order(plan, stints, Sides.EACH);
    }

    private static double order(Sequence plan, List<Stint> stints, Sides sides) {
        var seen = Seen.of(plan).sides(sides);
        double now = 0;
        for (var stint : stints) {
            seen.at(now).starts(stint.step().id(), stint.side());
            now += stint.dose().totalSeconds();
        }
        return seen.at(now).finish().score(Criterion.ORDER);
    }

    @Nested
    class Order {
        @Test
        void a_run_in_full_and_in_order_is_worth_100() {
            always(random -> {
                var plan = plan(random);
                assertThat(order(plan, brief(plan))).isCloseTo(100, within(EXACT));
            });
        }

        @Test
        void changing_places_of_two_comparable_steps_lowers_it() {
            always(random -> {
                var plan = plan(random);
                var stints = brief(plan);
                var order = PlannedOrder.of(plan, stints, Profile.bySeconds());
                for (int i = 0; i < stints.size(); i++)
                    for (int j = i + 1; j < stints.size(); j++)
                        if (order.comparable(i, j)) {
                            var swapped = new ArrayList<>(stints);
                            Collections.swap(swapped, i, j);
                            assertThat(order(plan, swapped))
                                    .as("%s and %s", i, j)
                                    .isLessThan(100 - EXACT);
                        }
            });
        }

        @Test
        void leaving_out_a_warm_up_is_never_better_than_doing_it_last() {
            always(random -> {
                var plan = plan(random);
                var stints = brief(plan);
                var order = PlannedOrder.of(plan, stints, Profile.bySeconds());
                for (int i = 0; i < stints.size(); i++) {
                    int warm = i;
                    if (stints.size() < 2 || IntStream.range(0, stints.size()).noneMatch(j -> order.safety(warm, j)))
                        continue;
                    var out = new ArrayList<>(stints);
                    var late = out.remove(i);
                    double without = order(plan, out);
                    out.add(late);
                    assertThat(order(plan, out)).as("stint %s", i).isGreaterThanOrEqualTo(without - EXACT);
                }
            });
        }

        /** Its own prerequisites before it; on one side, as a gentle restart is another matter. */
        @Test
        void doing_a_step_late_is_never_worse_than_leaving_it_out() {
            for (int times = 0; times < 20; times++) {
                int more = SEEDS * times;
                always(seed -> {
                    var random = new Random(seed.nextLong() + more);
                    var plan = plan(random);
                    var stints = new ArrayList<>(brief(plan).stream()
                            .filter(s -> s.side() != palmtally.core.body.Side.LEFT)
                            .toList());
                    var order = PlannedOrder.of(plan, stints, Profile.bySeconds());
                    var run = new ArrayList<>(stints);
                    Collections.shuffle(run, random);
                    while (run.size() > 2 && random.nextInt(4) == 0) run.remove(0);
                    var late = run.remove(random.nextInt(run.size()));
                    int s = stints.indexOf(late);
                    for (int i = 0; i < stints.size(); i++)
                        if (order.safety(i, s) && !run.contains(stints.get(i))) return;
                    if (run.isEmpty()) return;
                    double without = order(plan, run, Sides.RIGHT);
                    run.add(late);
                    assertThat(order(plan, run, Sides.RIGHT)).isGreaterThanOrEqualTo(without - EXACT);
                });
            }
        }

        @Test
        void leaving_out_a_step_never_raises_it() {
            always(random -> {
                var plan = plan(random);
                var stints = brief(plan);
                for (int i = 0; i < stints.size() && stints.size() > 1; i++) {
                    var out = new ArrayList<>(stints);
                    out.remove(i);
                    assertThat(order(plan, out)).as("without %s", i).isLessThan(100 - EXACT);
                }
            });
        }
    }

    /**
     * Thirty minutes at a table: one side or both, one grader or two on devices of their own, steps in some order, words, reports,
     * touches, sheet and looks as they come, eyes that come and go, breaks, and stretches in which nothing is tapped.
     */
    record Ran(Sequence plan, Sides sides, List<Event> events) {
        static Ran of(Random random) {
            return of(random, ScorePropertiesTest.plan(random), random.nextInt(3) == 0 ? Sides.RIGHT : Sides.EACH);
        }

        static Ran of(Random random, Sequence plan, Sides sides) {
            var stints = brief(plan);
            var events = new ArrayList<Event>();
            int graders = 1 + random.nextInt(2);
            for (int g = 0; g < graders; g++) add(events, "t" + (1 + g), 0, new Attend(true));
            boolean resting = false;
            for (long now = 1000; now < 1_800_000; now += 1000 + random.nextInt(20_000)) {
                var device = "t" + (1 + random.nextInt(graders));
                if (random.nextInt(40) == 0) now = Math.min(1_799_000, now + 120_000);
                if (resting || random.nextInt(60) == 0) {
                    resting = !resting;
                    add(events, device, now, new Break(resting, null));
                    continue;
                }
                add(events, device, now, any(random, stints));
            }
            add(events, "t1", 1_900_000, new Finish());
            return new Ran(plan, sides, events);
        }

        private static Observation any(Random random, List<Stint> stints) {
            return switch (random.nextInt(16)) {
                case 0, 1, 2 -> {
                    var stint = stints.get(random.nextInt(stints.size()));
                    yield new StepStart(stint.step().id(), stint.side());
                }
                case 3 -> Report.of(random.nextInt(11));
                case 4 -> new ReportAnswer(ScorePropertiesTest.any(random, Response.values()));
                case 5 -> Say.question(ScorePropertiesTest.any(random, Style.values()));
                case 6 ->
                    Say.of(ScorePropertiesTest.any(
                            random, new SayKind[] {SayKind.GREETING, SayKind.PURPOSE, SayKind.WARNS, SayKind.CLOSING}));
                case 7 -> Say.interview(1 + random.nextInt(4));
                case 8 ->
                    random.nextInt(4) == 0
                            ? new BalanceTest(random.nextBoolean())
                            : new Look(
                                    random.nextBoolean()
                                            ? List.of()
                                            : List.of(ScorePropertiesTest.any(random, MechanicsFault.values())),
                                    random.nextBoolean());
                case 9 -> Contact.on(ScorePropertiesTest.any(random, ZONES)).depth(random.nextInt(6));
                case 10 -> SheetChange.of(ScorePropertiesTest.any(random, Drape.values()));
                case 11 ->
                    new SheetLook(
                            random.nextBoolean()
                                    ? List.of()
                                    : List.of(ScorePropertiesTest.any(random, DrapingFault.values())),
                            random.nextBoolean());
                case 12 -> new Consent(ScorePropertiesTest.any(random, Answer.values()), null, null);
                case 13 -> new StrokeFault(ScorePropertiesTest.any(random, StrokeFault.Flaw.values()));
                case 14 -> random.nextBoolean() ? new Guarding() : random.nextBoolean() ? Reply.vague() : Reply.asked();
                default -> new Attend(random.nextInt(3) > 0);
            };
        }

        private static void add(List<Event> events, String device, long at, Observation seen) {
            int n = events.size() + 1;
            events.add(new Event("e" + n, device, n, at, null, seen));
        }

        Scores scores() {
            return scores(events);
        }

        Scores scores(List<Event> other) {
            return Scores.of(new Practical(plan, Profile.bySeconds(), List.of(), sides, other));
        }

        Scores and(Event more) {
            var other = new ArrayList<>(events);
            other.add(more);
            return scores(other);
        }

        /** A device whose grader listens for a kind, if any does: the same ears hear the more that is added. */
        String listener(java.util.function.Predicate<Observation> kind) {
            return events.stream()
                    .filter(e -> kind.test(e.data()))
                    .map(Event::device)
                    .findFirst()
                    .orElse("t1");
        }
    }

    private static Event event(String id, long at, Observation seen) {
        return event(id, "t1", at, seen);
    }

    private static Event event(String id, String device, long at, Observation seen) {
        return new Event(id, device, Long.parseLong(id.substring(1)), at, null, seen);
    }

    private static Event like(Event was, Observation seen) {
        return new Event(was.id(), was.device(), was.seq(), was.atMs(), null, seen);
    }

    /** What of two scores can be compared: a score that was not observed is compared with nothing. */
    private static void neverLower(Scores before, Scores after) {
        for (var criterion : Criterion.values()) {
            var was = before.get(criterion).score();
            var is = after.get(criterion).score();
            if (was != null && is != null) assertThat(is).as("%s", criterion).isGreaterThanOrEqualTo(was - EXACT);
        }
    }

    @Nested
    class Whatever_was_seen {
        @Test
        void a_score_lies_between_0_and_100_or_says_why_there_is_none() {
            always(random -> {
                for (var scored : Ran.of(random).scores().criteria())
                    if (scored.score() == null) assertThat(scored.why()).isNotBlank();
                    else assertThat(scored.score()).isBetween(0.0, 100.0);
            });
        }

        @Test
        void every_part_opens_to_events_of_the_run() {
            always(random -> {
                var ran = Ran.of(random);
                var ids = ran.events.stream().map(Event::id).toList();
                for (var scored : ran.scores().criteria())
                    for (var part : scored.parts()) assertThat(ids).containsAll(part.events());
            });
        }

        @Test
        void the_order_in_which_the_log_arrives_does_not_matter() {
            always(random -> {
                var ran = Ran.of(random);
                var shuffled = new ArrayList<>(ran.events);
                Collections.shuffle(shuffled, random);
                shuffled.addAll(ran.events.subList(0, ran.events.size() / 2));
                assertThat(ran.scores(shuffled).criteria())
                        .isEqualTo(ran.scores().criteria());
            });
        }

        @Test
        void what_was_undone_counts_as_never_seen() {
            always(random -> {
                var ran = Ran.of(random);
                int i = random.nextInt(ran.events.size() - 1);
                var without = new ArrayList<>(ran.events);
                var gone = without.remove(i);
                var undo = event("e90000", 1_900_000, new Undo(gone.id()));
                assertThat(ran.and(undo).criteria())
                        .isEqualTo(ran.scores(without).criteria());
            });
        }

        @Test
        void an_open_question_more_never_lowers_a_score() {
            always(random -> {
                var ran = Ran.of(random);
                var before = ran.scores();
                var ears = ran.listener(Listening.QUESTIONS::shownBy);
                for (int n = 0; n < 10; n++)
                    neverLower(
                            before,
                            ran.and(event("e90000", ears, random.nextInt(1_800_000), Say.question(Style.OPEN))));
            });
        }

        @Test
        void easing_after_a_report_never_lowers_a_score() {
            always(random -> {
                var ran = Ran.of(random);
                var before = ran.scores();
                var ears = ran.listener(Listening.ANSWERS::shownBy);
                for (int n = 0; n < 10; n++)
                    neverLower(
                            before,
                            ran.and(event(
                                    "e90000", ears, random.nextInt(1_800_000), new ReportAnswer(Response.EASED))));
            });
        }

        /** Hands off, and the sheet closed sooner or later, before anything else happens. */
        @Test
        void covering_sooner_never_lowers_a_score() {
            always(random -> {
                var ran = Ran.of(random);
                var others = ran.events.stream().map(Event::atMs).sorted().toList();
                for (int i = 1; i < others.size(); i += 7) {
                    long room = others.get(i) - others.get(i - 1);
                    if (room < 4000) continue;
                    long off = others.get(i - 1) + 500;
                    long late = off + 1 + (long) (random.nextDouble() * (room - 1000));
                    long soon = off + (long) (random.nextDouble() * (late - off));
                    var covered = new ArrayList<Scores>();
                    for (long at : new long[] {soon, late}) {
                        var events = new ArrayList<>(ran.events);
                        events.add(event("e90000", off, new StepStop(null, null)));
                        events.add(event("e90001", at, SheetChange.of(Drape.COVER)));
                        covered.add(ran.scores(events));
                    }
                    neverLower(covered.get(1), covered.get(0));
                }
            });
        }

        @Test
        void a_clean_look_at_the_sheet_more_never_lowers_a_score() {
            always(random -> {
                var ran = Ran.of(random);
                var before = ran.scores();
                for (int n = 0; n < 5; n++)
                    neverLower(
                            before,
                            ran.and(event("e90000", random.nextInt(1_800_000), new SheetLook(List.of(), true))));
            });
        }

        /** The same look with something wrong costs, unless the score lies at nothing or at the cap already. */
        @Test
        void a_fault_always_costs_against_the_same_look_clean() {
            always(random -> {
                var ran = Ran.of(random);
                for (int i = 0; i < ran.events.size(); i++) {
                    var e = ran.events.get(i);
                    Observation clean;
                    Observation wrong;
                    Criterion criterion;
                    if (e.data() instanceof Look look) {
                        criterion = Criterion.MECHANICS;
                        clean = new Look(List.of(), look.asked());
                        wrong = new Look(List.of(any(random, MechanicsFault.values())), look.asked());
                    } else if (e.data() instanceof SheetLook look) {
                        criterion = Criterion.DRAPING;
                        clean = new SheetLook(List.of(), look.asked());
                        wrong = new SheetLook(List.of(any(random, DrapingFault.values())), look.asked());
                    } else continue;
                    if (ran.scores().run().inBreak(e.atMs())) continue;
                    var well = with(ran, i, clean).get(criterion).score();
                    var badly = with(ran, i, wrong).get(criterion).score();
                    if (well == null || badly == null || badly == 0 || badly == 59) continue;
                    assertThat(badly).as("%s", e).isLessThan(well);
                }
            });
        }

        private Scores with(Ran ran, int i, Observation seen) {
            var other = new ArrayList<>(ran.events);
            other.set(i, like(ran.events.get(i), seen));
            return ran.scores(other);
        }

        /** One thing done better at its moment, and all else as it was. */
        @Test
        void doing_better_in_one_thing_lowers_no_score() {
            always(random -> {
                var ran = Ran.of(random);
                var before = ran.scores();
                for (int i = 0; i < ran.events.size(); i++) {
                    var e = ran.events.get(i);
                    var better = better(random, before.run(), e);
                    if (better == null) continue;
                    try {
                        neverLower(before, with(ran, i, better));
                    } catch (AssertionError x) {
                        throw new AssertionError(e + " as " + better + ": " + x.getMessage(), x);
                    }
                }
            });
        }

        /** The same thing at the same moment a little better, or null where there is no better or it was none of the student's. */
        private @Nullable Observation better(Random random, Run run, Event e) {
            var step = run.about(e.atMs()).map(Run.Done::step).orElse(null);
            if (e.data() instanceof Report report) {
                var band = PressureScore.band(Profile.bySeconds(), step);
                int to = report.number()
                        + Integer.signum(
                                Math.min(band.high(), Math.max(band.low(), report.number())) - report.number());
                return to == report.number() ? null : Report.of(to);
            }
            if (e.data() instanceof Guarding)
                return Report.of(PressureScore.band(Profile.bySeconds(), step).high());
            if (e.data() instanceof ReportAnswer answer)
                return answer.response() == Response.NONE ? new ReportAnswer(Response.SLOWER) : null;
            if (e.data() instanceof Contact touch) {
                var on = run.at(e.atMs()).map(Run.Done::step).orElse(null);
                if (on == null || touch.depth() == null) return null;
                int to = touch.depth() + Integer.signum(on.depth() - touch.depth());
                // Not into what the site does not take; a hand that hovers is no lighter touch, and a firm one no
                // gentler restart.
                int most = Profile.bySeconds().pressure().ceiling(java.util.Objects.requireNonNull(touch.zone()));
                int firm = Profile.bySeconds().order().firmDepth();
                boolean other = touch.depth() == 0 || to > most || touch.depth() < firm && to >= firm;
                return to == touch.depth() || other
                        ? null
                        : Contact.on(touch.zone()).depth(to);
            }
            if (e.data() instanceof Say say) return say.style() == Style.CLOSED ? Say.question(Style.CHOICE) : null;
            if (e.data() instanceof Look look)
                return look.faults().isEmpty() ? null : new Look(less(random, look.faults()), look.asked());
            if (e.data() instanceof SheetLook look)
                return look.missed().isEmpty() ? null : new SheetLook(less(random, look.missed()), look.asked());
            if (e.data() instanceof SheetChange change)
                return change.drape() == Drape.LOOSE ? SheetChange.of(Drape.SECURED) : null;
            if (e.data() instanceof Reply reply) return reply.vagueAndLeft() ? Reply.asked() : null;
            if (e.data() instanceof BalanceTest test) return test.clear() ? null : new BalanceTest(true);
            if (e.data() instanceof StrokeFault fault)
                return switch (fault.flaw()) {
                    case WRONG_DIRECTION, WRONG_LANDMARK, TOO_FAST -> new Praise(null);
                    case TOO_LIGHT, TOO_DEEP -> null;
                };
            return null;
        }

        private <T> List<T> less(Random random, List<T> faults) {
            var left = new ArrayList<>(faults);
            left.remove(random.nextInt(left.size()));
            return left;
        }

        @Test
        void what_judges_nothing_changes_nothing() {
            always(random -> {
                var ran = Ran.of(random);
                var other = new ArrayList<>(ran.events);
                int n = 90_000;
                for (Observation more : new Observation[] {
                    new Note("well"),
                    new Praise(null),
                    new Hygiene("wiped hands"),
                    new ClientWord(ClientWord.Word.COLD),
                    Say.question(Style.CLOSED)
                }) other.add(event("e" + n++, random.nextInt(1_800_000), more));
                assertThat(ran.scores(other).criteria()).isEqualTo(ran.scores().criteria());
            });
        }

        @Test
        void names_of_devices_change_nothing() {
            always(random -> {
                var ran = Ran.of(random);
                var renamed = ran.events.stream()
                        .map(e -> new Event(e.id(), "phone-" + e.device(), e.seq(), e.atMs(), null, e.data()))
                        .toList();
                assertThat(ran.scores(renamed).criteria())
                        .isEqualTo(ran.scores().criteria());
            });
        }

        /** Left for right and right for left: which side comes first is the student's choice. */
        @Test
        void the_mirror_image_has_the_same_scores() {
            always(random -> {
                var plan = bothSides(random);
                var ran = Ran.of(random, plan, Sides.EACH);
                var mirrored = ran.events.stream()
                        .map(e -> e.data() instanceof StepStart s
                                ? like(e, new StepStart(s.step(), mirror(s.side())))
                                : e)
                        .toList();
                var was = ran.scores();
                var is = ran.scores(mirrored);
                for (var c : Criterion.values())
                    if (was.get(c).score() == null)
                        assertThat(is.get(c).score()).as("%s", c).isNull();
                    else
                        assertThat(is.get(c).score())
                                .as("%s", c)
                                .isCloseTo(was.get(c).score(), within(EXACT));
            });
        }

        private Side mirror(Side side) {
            return side == Side.LEFT ? Side.RIGHT : side == Side.RIGHT ? Side.LEFT : side;
        }

        @Test
        void a_clean_look_more_never_lowers_and_a_fault_more_never_raises_body_mechanics() {
            always(random -> {
                var ran = Ran.of(random);
                var before = ran.scores();
                long at = random.nextInt(1_800_000);
                neverLower(before, ran.and(event("e90000", at, new Look(List.of(), true))));
                var was = before.get(Criterion.MECHANICS).score();
                var bad = ran.and(event("e90000", at, new Look(List.of(MechanicsFault.BENT_ELBOWS), true)))
                        .get(Criterion.MECHANICS);
                if (was != null) assertThat(bad.score()).isLessThanOrEqualTo(was + EXACT);
            });
        }

        /**
         * A student must not gain by being slow: the answer comes later, but before anything else that was said about pressure, and while
         * it is still to what it was to.
         */
        @Test
        void a_later_answer_never_raises_pressure_control() {
            always(random -> {
                var ran = Ran.of(random);
                var before = ran.scores().get(Criterion.PRESSURE).score();
                for (int i = 0; i < ran.events.size(); i++) {
                    var answer = ran.events.get(i);
                    if (!(answer.data() instanceof ReportAnswer) || before == null) continue;
                    long next = 1_800_000;
                    for (var e : ran.events.subList(i + 1, ran.events.size()))
                        if (e.data() instanceof Report
                                || e.data() instanceof Guarding
                                || e.data() instanceof ReportAnswer
                                || e.data() instanceof Break) {
                            next = e.atMs();
                            break;
                        }
                    for (var e : ran.events.subList(0, i))
                        if ((e.data() instanceof Report || e.data() instanceof Guarding)
                                && e.atMs() >= answer.atMs() - 30_000) {
                            next = Math.min(next, e.atMs() + 30_000);
                            break;
                        }
                    var later = new ArrayList<>(ran.events);
                    later.set(
                            i,
                            event(
                                    answer.id(),
                                    answer.device(),
                                    answer.atMs() + (long) (random.nextDouble() * (next - answer.atMs() - 1)),
                                    answer.data()));
                    assertThat(ran.scores(later).get(Criterion.PRESSURE).score())
                            .as("%s", answer)
                            .isNotNull()
                            .isLessThanOrEqualTo(before + EXACT);
                }
            });
        }

        /** What nobody watched is neither good nor bad: without eyes nothing is found missing, whatever was tapped. */
        @Test
        void nothing_is_missing_where_nobody_watched() {
            always(random -> {
                var ran = Ran.of(random);
                var unwatched = ran.events.stream()
                        .filter(e -> !(e.data() instanceof Attend))
                        .toList();
                assertThat(ran.scores(unwatched).findings())
                        .noneMatch(f -> OMISSIONS.contains(f.rule())
                                || f.sentence().contains("was left out")
                                || f.sentence().contains("no answer was seen"));
            });
        }
    }

    private static final Set<Rule> OMISSIONS = Set.of(
            Rule.of("COMM-OPEN"),
            Rule.of("COMM-GAP"),
            Rule.of("COMM-TOOL"),
            Rule.of("COMM-WARN"),
            Rule.of("COMM-CUE"),
            Rule.of("COMM-INTERVIEW"),
            Rule.of("COMM-CLOSE"),
            Rule.of("DRAPE-IDLE"),
            Rule.of("CONSENT-BEFORE"),
            Rule.of("CONSENT-SCOPE"));
}
