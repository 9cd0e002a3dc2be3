package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static palmtally.core.sequence.Plans.step;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.practical.EventData.ConsentAnswer;
import palmtally.core.practical.EventData.Drape;
import palmtally.core.practical.EventData.Response;
import palmtally.core.practical.EventData.Style;
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
class ScorePropertiesTest {
    private static final double EXACT = 1e-9;

    private static final int SEEDS = 200;

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
            var steps = new Plans.Made[1 + random.nextInt(4)];
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

    private static List<Stint> brief(Sequence plan) {
        return new Practical(plan, Profile.bySeconds(), List.of(), Sides.EACH, List.of()).brief();
    }

    /** Each stint for its whole dose, one after another, watched from first to last. */
    private static double order(Sequence plan, List<Stint> stints) {
        var seen = Seen.of(plan);
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
     * Thirty minutes at a table: steps in some order, words, reports, touches, sheet and looks as they come, eyes that come and go.
     */
    private record Ran(Sequence plan, List<Event> events) {
        static Ran of(Random random) {
            var plan = ScorePropertiesTest.plan(random);
            var stints = brief(plan);
            var events = new ArrayList<Event>();
            add(events, 0, EventKind.ATTEND, EventData.with().on(true));
            for (long now = 1000; now < 1_800_000; now += 1000 + random.nextInt(20_000)) {
                var data = EventData.with();
                switch (random.nextInt(12)) {
                    case 0, 1 -> {
                        var stint = stints.get(random.nextInt(stints.size()));
                        add(
                                events,
                                now,
                                EventKind.STEP_START,
                                data.step(stint.step().id()).side(stint.side()));
                    }
                    case 2 -> add(events, now, EventKind.REPORT, data.number(random.nextInt(11)));
                    case 3 -> add(events, now, EventKind.REPORT_ANSWER, data.response(any(random, Response.values())));
                    case 4 ->
                        add(
                                events,
                                now,
                                EventKind.SAY,
                                data.saying(SayKind.PRESSURE_QUESTION).style(any(random, Style.values())));
                    case 5 ->
                        add(events, now, EventKind.SAY, data.saying(any(random, new SayKind[] {
                            SayKind.GREETING, SayKind.PURPOSE, SayKind.WARNS, SayKind.CLOSING
                        })));
                    case 6 ->
                        add(
                                events,
                                now,
                                EventKind.SAY,
                                data.saying(SayKind.INTERVIEW).number(1 + random.nextInt(4)));
                    case 7 ->
                        add(
                                events,
                                now,
                                EventKind.LOOK,
                                data.asked(random.nextBoolean())
                                        .faults(
                                                random.nextBoolean()
                                                        ? List.of()
                                                        : List.of(any(random, MechanicsFault.values()))));
                    case 8 ->
                        add(
                                events,
                                now,
                                EventKind.CONTACT,
                                data.zone(any(random, ZONES)).depth(random.nextInt(6)));
                    case 9 -> add(events, now, EventKind.SHEET_CHANGE, data.drape(any(random, Drape.values())));
                    case 10 -> add(events, now, EventKind.CONSENT, data.answer(any(random, ConsentAnswer.values())));
                    default -> add(events, now, EventKind.ATTEND, data.on(random.nextInt(3) > 0));
                }
            }
            add(events, 1_800_000, EventKind.FINISH, EventData.with());
            return new Ran(plan, events);
        }

        private static void add(List<Event> events, long at, EventKind kind, EventData.Builder data) {
            events.add(event("e" + (events.size() + 1), at, kind, data.build()));
        }

        Scores scores() {
            return scores(events);
        }

        Scores scores(List<Event> other) {
            return Scores.of(new Practical(plan, Profile.bySeconds(), List.of(), Sides.EACH, other));
        }

        Scores and(Event more) {
            var other = new ArrayList<>(events);
            other.add(more);
            return scores(other);
        }
    }

    private static Event event(String id, long at, EventKind kind, EventData data) {
        return new Event(id, "t1", Long.parseLong(id.substring(1)), at, null, kind, data);
    }

    /** No score is lower than it was, and none is lost. */
    private static void neverLower(Scores before, Scores after) {
        for (var criterion : Criterion.values()) {
            var was = before.get(criterion).score();
            if (was != null)
                assertThat(after.get(criterion).score())
                        .as("%s", criterion)
                        .isNotNull()
                        .isGreaterThanOrEqualTo(was - EXACT);
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
                var undo = event(
                        "e90000",
                        1_800_000,
                        EventKind.UNDO,
                        EventData.with().ref(gone.id()).build());
                assertThat(ran.and(undo).criteria())
                        .isEqualTo(ran.scores(without).criteria());
            });
        }

        @Test
        void an_open_question_more_never_lowers_a_score() {
            always(random -> {
                var ran = Ran.of(random);
                var before = ran.scores();
                for (int n = 0; n < 10; n++)
                    neverLower(
                            before,
                            ran.and(event(
                                    "e90000",
                                    random.nextInt(1_800_000),
                                    EventKind.SAY,
                                    EventData.with()
                                            .saying(SayKind.PRESSURE_QUESTION)
                                            .style(Style.OPEN)
                                            .build())));
            });
        }

        @Test
        void a_clean_look_more_never_lowers_and_a_fault_more_never_raises_body_mechanics() {
            always(random -> {
                var ran = Ran.of(random);
                var before = ran.scores();
                long at = random.nextInt(1_800_000);
                neverLower(
                        before,
                        ran.and(event(
                                "e90000",
                                at,
                                EventKind.LOOK,
                                EventData.with().asked(true).faults(List.of()).build())));
                var was = before.get(Criterion.MECHANICS).score();
                var bad = ran.and(event(
                                "e90000",
                                at,
                                EventKind.LOOK,
                                EventData.with()
                                        .asked(true)
                                        .faults(List.of(MechanicsFault.BENT_ELBOWS))
                                        .build()))
                        .get(Criterion.MECHANICS);
                if (was != null) assertThat(bad.score()).isLessThanOrEqualTo(was + EXACT);
            });
        }

        /** A student must not gain by being slow: the answer comes later, but before anything else that was said about pressure. */
        @Test
        void a_later_answer_never_raises_pressure_control() {
            always(random -> {
                var ran = Ran.of(random);
                var before = ran.scores().get(Criterion.PRESSURE).score();
                for (int i = 0; i < ran.events.size(); i++) {
                    var answer = ran.events.get(i);
                    if (answer.kind() != EventKind.REPORT_ANSWER || before == null) continue;
                    long next = 1_800_000;
                    for (var e : ran.events.subList(i + 1, ran.events.size()))
                        if (e.kind() == EventKind.REPORT || e.kind() == EventKind.REPORT_ANSWER) {
                            next = e.atMs();
                            break;
                        }
                    var later = new ArrayList<>(ran.events);
                    later.set(
                            i,
                            event(
                                    answer.id(),
                                    answer.atMs() + (long) (random.nextDouble() * (next - answer.atMs() - 1)),
                                    answer.kind(),
                                    answer.data()));
                    assertThat(ran.scores(later).get(Criterion.PRESSURE).score())
                            .as("%s", answer)
                            .isNotNull()
                            .isLessThanOrEqualTo(before + EXACT);
                }
            });
        }

        /** What nobody watched is neither good nor bad: taking the eyes away from a stretch of silence never lowers communication. */
        @Test
        void nothing_is_lost_for_what_nobody_watched() {
            always(random -> {
                var ran = Ran.of(random);
                var unwatched = ran.events.stream()
                        .filter(e -> e.kind() != EventKind.ATTEND && e.kind() != EventKind.SAY)
                        .toList();
                var scores = ran.scores(unwatched);
                for (var part : scores.get(Criterion.COMMUNICATION).parts())
                    if (!part.name().equals("answers"))
                        assertThat(part.value()).as(part.name()).isNull();
                assertThat(scores.critical()).noneMatch(f -> f.rule() == palmtally.core.finding.Rule.CONSENT_BEFORE);
            });
        }
    }
}
