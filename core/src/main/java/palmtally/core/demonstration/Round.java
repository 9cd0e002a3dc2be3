package palmtally.core.demonstration;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Sums;
import palmtally.core.Texts;
import palmtally.core.body.Side;
import palmtally.core.finding.Spoken;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Stint;
import palmtally.core.sequence.Timeline;
import palmtally.core.sequence.Timeline.Span;
import palmtally.core.sequence.fit.Fit;

/**
 * A practice round: what all tables do when, so that everybody is therapist for the same time and each side gets its own. The sequence
 * is fitted to a therapist's share of the time by the same search as a plan to its slot ({@link Fit}), at client doses.
 *
 * @param legs in the order they come
 * @param leftOut ids of the steps there is no time for
 */
public record Round(List<Leg> legs, List<String> leftOut) {
    /** What a part of a round is. */
    public enum Kind {
        SETTLE,
        WORK,
        /** Time that the sequence leaves over: what somebody wants to feel again. */
        AGAIN,
        ROLES,
        TIDY;

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
        }
    }

    /**
     * One part of a round.
     *
     * @param role whose turn it is to be therapist, from 1; 0 while nobody is
     * @param name as it is called out
     * @param seconds above 0
     * @param calls the steps that fall into it
     */
    public record Leg(Kind kind, int role, String name, double seconds, List<Call> calls) {
        public Leg {
            calls = List.copyOf(calls);
        }
    }

    /**
     * A step to call out.
     *
     * @param atSeconds after its leg begins, with what goes before the hands work
     * @param number of the step in its sequence as it was planned, from 1
     */
    public record Call(double atSeconds, int number, String name, String place) {}

    /**
     * What is asked of a round; times in seconds.
     *
     * @param minutes in all, above 0 and at most 480
     * @param roles how many at a table are therapist, one after another: 2 or 3
     * @param settle for finding tables, 0–900
     * @param change for a change of roles, 0–900
     * @param tidy at the end, 0–900
     */
    public record Wish(double minutes, int roles, double settle, double change, double tidy) {
        public Wish {
            var faults = new ArrayList<Fault>();
            if (!(minutes > 0 && minutes <= 480))
                faults.add(new Fault("minutes", String.valueOf(minutes), "must be above 0 and at most 480"));
            if (roles < 2 || roles > 3) faults.add(new Fault("roles", String.valueOf(roles), "must be 2 or 3"));
            pause(faults, "settle", settle);
            pause(faults, "change", change);
            pause(faults, "tidy", tidy);
            if (!faults.isEmpty()) throw new InvalidValue("round", faults);
        }

        /** A minute to find the table, two to change roles, three to tidy (common practice, no source). */
        public static Wish of(double minutes, int roles) {
            return new Wish(minutes, roles, 60, 120, 180);
        }

        private static void pause(List<Fault> faults, String field, double seconds) {
            if (!(seconds >= 0 && seconds <= 900))
                faults.add(new Fault(field, String.valueOf(seconds), "must be 0 to 900 seconds"));
        }

        /** Seconds each has as therapist. */
        double each() {
            return (minutes * 60 - settle - tidy - (roles - 1) * change) / roles;
        }
    }

    /** A part of the work shorter than this is none of its own, seconds. */
    private static final double SHORT = 90;

    /** Time over that is worth a leg of its own, seconds. */
    private static final double WORTH = 30;

    public Round {
        legs = List.copyOf(legs);
        leftOut = List.copyOf(leftOut);
    }

    /** @throws InvalidValue when not even what must be practised fits, with the minutes it would take */
    public static Round of(Sequence planned, Profile profile, Wish wish) {
        double each = wish.each();
        // Less than the shortest step there is fits into nothing.
        var fit = each < 1 ? null : Fit.to(planned, profile, Math.min(each, 14400));
        if (fit == null || !fit.found()) {
            double lacking = fit == null ? planned.slotSeconds() - each : fit.missingSeconds();
            throw new InvalidValue(
                    "round",
                    new Fault(
                            "minutes",
                            Spoken.number(wish.minutes),
                            "is too short for what must be practised: each therapist lacks "
                                    + Spoken.mmss(Math.max(1, lacking)) + ". Maybe "
                                    + (int) Math.ceil(wish.minutes + Math.max(1, lacking) * wish.roles / 60)
                                    + " minutes"));
        }
        var kept = fit.sequence();
        var legs = new ArrayList<Leg>();
        if (wish.settle > 0) legs.add(new Leg(Kind.SETTLE, 0, "Find your table", wish.settle, List.of()));
        for (int role = 1; role <= wish.roles; role++) {
            if (role > 1 && wish.change > 0) legs.add(new Leg(Kind.ROLES, 0, "Change roles", wish.change, List.of()));
            legs.addAll(work(planned, kept, profile, role, each));
        }
        if (wish.tidy > 0) legs.add(new Leg(Kind.TIDY, 0, "Tidy the table", wish.tidy, List.of()));
        var ids = kept.steps().stream().map(Step::id).toList();
        return new Round(
                legs,
                planned.steps().stream()
                        .map(Step::id)
                        .filter(id -> !ids.contains(id))
                        .toList());
    }

    /** The work of one therapist: a new leg wherever the side changes or the client turns, unless it were over at once. */
    private static List<Leg> work(Sequence planned, Sequence kept, Profile profile, int role, double each) {
        var timeline = Timeline.of(kept, profile);
        var numbers = planned.steps().stream().map(Step::id).toList();
        var legs = new ArrayList<Leg>();
        var parts = parts(timeline.spans());
        for (int p = 0; p < parts.size(); p++) {
            var part = parts.get(p);
            double begin = part.get(0).begin();
            double end = p + 1 < parts.size() ? parts.get(p + 1).get(0).begin() : timeline.totalSeconds();
            legs.add(new Leg(
                    Kind.WORK,
                    role,
                    name(part),
                    end - begin,
                    part.stream().map(s -> call(s, begin, numbers)).toList()));
        }
        double over = each - timeline.totalSeconds();
        if (over >= WORTH) legs.add(new Leg(Kind.AGAIN, role, "Again what you want to feel", over, List.of()));
        else if (over > 0) {
            // A few seconds more for the last: every therapist has the same.
            var last = legs.remove(legs.size() - 1);
            legs.add(new Leg(last.kind, last.role, last.name, last.seconds + over, last.calls));
        }
        return legs;
    }

    private static List<List<Span>> parts(List<Span> spans) {
        var parts = new ArrayList<List<Span>>();
        for (var span : spans) {
            var last = parts.isEmpty() ? null : parts.get(parts.size() - 1);
            if (last != null && together(last.get(0).stint(), span.stint())) last.add(span);
            else parts.add(new ArrayList<>(List.of(span)));
        }
        // What is over before a room has looked up is no part of its own: it opens the next, or closes the one before.
        for (int p = 0; p < parts.size() && parts.size() > 1; ) {
            var part = parts.get(p);
            double seconds = part.get(part.size() - 1).end() - part.get(0).begin();
            int to = p + 1 < parts.size() && samePosition(part, parts.get(p + 1)) ? p + 1 : p - 1;
            if (seconds >= SHORT || to < 0 || !samePosition(part, parts.get(to))) {
                p++;
                continue;
            }
            if (to > p) parts.get(to).addAll(0, part);
            else parts.get(to).addAll(part);
            parts.remove(p);
        }
        return parts;
    }

    private static boolean samePosition(List<Span> a, List<Span> b) {
        return a.get(0).stint().position() == b.get(0).stint().position();
    }

    private static Call call(Span span, double legBegin, List<String> numbers) {
        var stint = span.stint();
        return new Call(
                span.begin() - legBegin,
                numbers.indexOf(stint.step().id()) + 1,
                stint.step().name(),
                Moment.place(stint.side()));
    }

    private static boolean together(Stint a, Stint b) {
        return a.position() == b.position() && one(a.side()) == one(b.side());
    }

    private static Side one(Side side) {
        return side == Side.LEFT || side == Side.RIGHT ? side : Side.MIDLINE;
    }

    /** The position, and the side that most of a part is on. */
    private static String name(List<Span> part) {
        var said = part.get(0).stint().position().toString().replace('-', ' ');
        var name = Character.toUpperCase(said.charAt(0)) + said.substring(1);
        var seconds = new EnumMap<Side, Double>(Side.class);
        for (var span : part) seconds.merge(one(span.stint().side()), span.seconds(), Double::sum);
        var most = Collections.max(seconds.entrySet(), Map.Entry.comparingByValue())
                .getKey();
        return most == Side.MIDLINE ? name : name + ", " + Moment.place(most);
    }

    public double totalSeconds() {
        return Sums.of(legs.stream().mapToDouble(Leg::seconds));
    }

    /**
     * How it stands.
     *
     * @param marks in the order they were made
     * @param now real second, not before the last mark
     * @throws InvalidValue naming each mark that runs backwards, points at no leg, or adds what cannot be
     */
    public RoundStanding standing(List<RoundMark> marks, double now) {
        return RoundStanding.of(this, marks, now);
    }
}
