package palmtally.core.practical;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.practical.Intervals.Stretch;
import palmtally.core.practical.event.Attend;
import palmtally.core.practical.event.Break;
import palmtally.core.practical.event.Course;
import palmtally.core.practical.event.Event;
import palmtally.core.practical.event.Finish;
import palmtally.core.practical.event.Instead;
import palmtally.core.practical.event.Observation;
import palmtally.core.practical.event.ReviewAnswer;
import palmtally.core.practical.event.Undo;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Stint;
import palmtally.core.sequence.Timeline;
import palmtally.core.sequence.Timeline.OpenUnit;
import palmtally.core.technique.Tool;

/**
 * The run as it was observed: the event log folded into what was done, touched, open and attended. Times in milliseconds. For a
 * started step the plan supplies zone, side, tool, depth and sheet until the grader says otherwise; it never supplies consent,
 * words, reports, looks or answers. Heat or cold goes on beside the steps started after it, until it is stopped by name or started
 * anew, nothing else is left to stop, or the practical ends. In a break nothing counts: hands are off, and nobody attends.
 */
public final class Run {
    /** A step done on a side, from–to. */
    public record Done(Step step, Side side, long start, long end, String event) {
        public Stint.Key key() {
            return new Stint.Key(step.id(), side);
        }
    }

    /**
     * Hands on a zone.
     *
     * @param depth as the grader said last or, until then, as the plan has it
     * @param seen whether the grader gave it (contact, off-plan stroke), not the plan
     * @param seenDepth the depth that was seen in this moment; null where it says where, not how deep
     * @param toolSeen whether the tool is what the grader saw
     * @param step the step that was on, or null off plan
     */
    public record Touch(
            Zone zone,
            Side side,
            @Nullable Tool tool,
            @Nullable Integer depth,
            Sheet sheet,
            boolean seen,
            @Nullable Integer seenDepth,
            boolean toolSeen,
            @Nullable Step step,
            long start,
            long end,
            String event) {}

    /** A unit of the sheet open, from–to. */
    public record Open(OpenUnit unit, long start, long end) {}

    /** A step that a branch of the plan ends, or leaves out: from then on it is done. */
    public record Left(Stint.Key key, long atMs, String event) {}

    /** What was observed at a moment. */
    public record Moment<T extends Observation>(Event event, T of) {
        public String id() {
            return event.id();
        }

        public long atMs() {
            return event.atMs();
        }

        boolean after(Moment<?> other) {
            return Event.ORDER.compare(event, other.event) > 0;
        }
    }

    /** A step that goes on, since when. */
    public record Ongoing(Step step, Side side, long since) {
        public Stint.Key key() {
            return new Stint.Key(step.id(), side);
        }
    }

    /** A hold, from–to, and the step in which it began. */
    public record Hold(@Nullable Step step, long start, long end, String event) {}

    /** So long after a step a report is still of it, ms. */
    private static final long STILL_ABOUT_MS = 5_000;

    private final Practical practical;
    private final List<Event> live;
    private final List<Done> done = new ArrayList<>();
    private final List<Touch> contacts = new ArrayList<>();
    private final List<Open> opens = new ArrayList<>();
    private final List<Hold> holds = new ArrayList<>();
    private final List<Left> left = new ArrayList<>();
    /** What goes on at the end of the log: what the hands are at first, then what lies beside them. */
    private final List<Ongoing> ongoing = new ArrayList<>();
    /** Whether the hands are at the first of these. */
    private boolean atWork;
    /** What of the sheet is open at the end of the log. */
    private final List<Open> openNow = new ArrayList<>();
    /** When each device was watched by. */
    private final Map<String, Intervals> eyes;

    private final Intervals attended;
    private final Intervals breaks;
    private final Map<Listening, Set<String>> listeners;
    private final Map<Listening, Intervals> listened = new EnumMap<>(Listening.class);
    private final Map<String, ReviewAnswer.Said> reviewed = new HashMap<>();
    private final Map<Class<?>, List<?>> moments = new HashMap<>();
    private final long[] latestEnd;
    private final long end;

    /** @param whole the run of which this one is a part, and whose listeners are this one's; or null */
    private Run(Practical practical, @Nullable Run whole) {
        this.practical = practical;
        this.live = live(practical.events());
        this.end = live.stream()
                .filter(e -> e.data() instanceof Finish)
                .mapToLong(Event::atMs)
                .findFirst()
                .orElseGet(() -> live.stream()
                        .filter(e -> !(e.data() instanceof ReviewAnswer))
                        .mapToLong(Event::atMs)
                        .max()
                        .orElse(0));
        this.breaks = on(live, end, d -> d instanceof Break b ? b.on() : null);
        this.eyes = attention(live, end, breaks);
        this.attended = Intervals.union(
                eyes.values().stream().flatMap(e -> e.stretches().stream()).toList());
        this.listeners = whole == null ? listeners() : whole.listeners;
        for (var e : live) if (e.data() instanceof ReviewAnswer answer) reviewed.put(answer.question(), answer.said());
        new Fold().run();
        this.latestEnd = new long[done.size()];
        for (int i = 0; i < latestEnd.length; i++)
            latestEnd[i] = Math.max(i == 0 ? 0 : latestEnd[i - 1], done.get(i).end());
    }

    public static Run of(Practical practical) {
        return new Run(practical, null);
    }

    /** A part of it: who listened there is known from the whole. */
    Run part(Practical part) {
        return new Run(part, this);
    }

    /** Which devices showed that somebody listens for a kind. */
    private Map<Listening, Set<String>> listeners() {
        var all = new EnumMap<Listening, Set<String>>(Listening.class);
        for (var e : live)
            if (e.atMs() <= end && e.data().judges() && !breaks.contains(e.atMs()))
                for (var kind : Listening.values())
                    if (kind.shownBy(e.data()))
                        all.computeIfAbsent(kind, k -> new HashSet<>()).add(e.device());
        return all;
    }

    /** Events that no live undo takes back; undos themselves are left out. An undo can be undone. */
    static List<Event> live(List<Event> events) {
        var undone = takenBack(events);
        return events.stream()
                .filter(e -> !(e.data() instanceof Undo) && !undone.containsKey(e.id()))
                .toList();
    }

    /** By the id of each event that a live undo takes back the id of that undo. */
    static Map<String, String> takenBack(List<Event> events) {
        var undone = new LinkedHashMap<String, String>();
        for (int i = events.size() - 1; i >= 0; i--) {
            var e = events.get(i);
            if (e.data() instanceof Undo undo && !undone.containsKey(e.id())) undone.put(undo.ref(), e.id());
        }
        return undone;
    }

    /** Of several who watch, each turns their own eyes; in a break nobody watches. */
    private static Map<String, Intervals> attention(List<Event> live, long end, Intervals breaks) {
        Map<String, List<Event>> eyes = new LinkedHashMap<>();
        for (var e : live)
            if (e.data() instanceof Attend)
                eyes.computeIfAbsent(e.device(), d -> new ArrayList<>()).add(e);
        Map<String, Intervals> when = new LinkedHashMap<>();
        eyes.forEach((device, turns) -> when.put(
                device,
                on(turns, end, d -> d instanceof Attend a ? a.on() : null).less(breaks)));
        return when;
    }

    /** From an event that turns it on to the next that turns it off, or to the end. */
    private static Intervals on(List<Event> live, long end, Function<Observation, @Nullable Boolean> turned) {
        var stretches = new ArrayList<Stretch>();
        long since = -1;
        for (var e : live) {
            var on = turned.apply(e.data());
            if (on == null) continue;
            if (on && since < 0) since = e.atMs();
            if (!on && since >= 0) {
                stretches.add(new Stretch(since, Math.min(e.atMs(), end)));
                since = -1;
            }
        }
        if (since >= 0) stretches.add(new Stretch(since, end));
        return Intervals.union(stretches);
    }

    /** Heat or cold that lies where it was put while the hands do something else. */
    private record Beside(Step step, Side side, long since, String event, List<Touch> touching) {}

    /** One pass over the live events. */
    private final class Fold implements Course {
        private long at;
        private String event = "";
        private final Map<String, Step> steps = new HashMap<>();
        private final Set<Stint.Key> seenKeys = new HashSet<>();
        private @Nullable Step step;
        private Side side = Side.MIDLINE;
        private long stepSince;
        private String stepEvent = "";
        private final List<Touch> touching = new ArrayList<>();
        private final Map<Stint.Key, Beside> beside = new LinkedHashMap<>();
        private final Map<OpenUnit, Long> open = new LinkedHashMap<>();
        private final Set<OpenUnit> openByGrader = new LinkedHashSet<>();
        private long holdSince = -1;
        private String holdEvent = "";
        private @Nullable Step holdStep;

        void run() {
            practical.sequence().steps().forEach(s -> steps.put(s.id(), s));
            for (var e : live) {
                if (e.atMs() > end) break;
                take(e);
            }
            at = end;
            if (!finished()) {
                atWork = step != null;
                if (step != null) ongoing.add(new Ongoing(step, side, stepSince));
                beside.values().forEach(b -> ongoing.add(new Ongoing(b.step, b.side, b.since)));
                open.forEach((unit, since) -> openNow.add(new Open(unit, since, end)));
            }
            handsOff();
            for (var unit : new ArrayList<>(open.keySet())) close(unit);
            done.sort(java.util.Comparator.comparingLong(Done::start));
        }

        private void take(Event e) {
            at = e.atMs();
            event = e.id();
            e.data().apply(this);
        }

        @Override
        public void start(String id, @Nullable Side given) {
            var started = java.util.Objects.requireNonNull(steps.get(id));
            begin(started, given != null ? given : due(started));
        }

        private void begin(Step started, Side of) {
            leave();
            step = started;
            side = of;
            stepSince = at;
            stepEvent = event;
            var key = new Stint.Key(started.id(), side);
            seenKeys.add(key);
            stopBeside(key);
            var stint = new Stint(started, side, false, started.dose(), 0, 0);
            var planned = Timeline.unitsOpenedBy(stint);
            for (var unit : new ArrayList<>(open.keySet()))
                if (!planned.contains(unit) && !openByGrader.contains(unit)) close(unit);
            for (var unit : planned) open.putIfAbsent(unit, at);
            for (var zone : started.zones())
                add(
                        zone,
                        zone.paired() ? side : Side.MIDLINE,
                        started.tool(),
                        started.depth(),
                        started.sheet(),
                        false,
                        null,
                        false);
        }

        /** From here on the branch is the plan: what is seen is held against it. */
        @Override
        public void instead(Instead taken) {
            var planned = java.util.Objects.requireNonNull(steps.get(taken.step()));
            var of = taken.side() != null ? taken.side() : on(planned) ? side : due(planned);
            for (var branch : taken.among(planned)) {
                if (!branch.then().ends()) begin(planned.taking(branch, practical.sequence()), of);
                else {
                    if (on(planned) && side == of) stopStep();
                    stopBeside(new Stint.Key(planned.id(), of));
                    left.add(new Left(new Stint.Key(planned.id(), of), at, event));
                }
            }
        }

        private boolean on(Step planned) {
            return step != null && step.id().equals(planned.id());
        }

        @Override
        public void stop(@Nullable String named, @Nullable Side of) {
            var rests = beside.keySet().stream()
                    .filter(k -> k.step().equals(named) && (of == null || k.side() == of))
                    .toList();
            if (!rests.isEmpty()) rests.forEach(this::stopBeside);
            else if (named == null && step == null && !touching.isEmpty()) endTouch();
            else if (named == null && step == null) stopBeside();
            else if (named == null || step != null && step.id().equals(named) && (of == null || of == side)) stopStep();
        }

        @Override
        public void touch(
                Zone zone, @Nullable Side of, @Nullable Tool tool, @Nullable Integer depth, @Nullable Sheet sheet) {
            endTouch();
            add(
                    zone,
                    of != null ? of : zone.paired() ? side : Side.MIDLINE,
                    tool != null ? tool : step == null ? null : step.tool(),
                    depth != null ? depth : step == null ? null : Integer.valueOf(step.depth()),
                    sheet != null ? sheet : step == null ? Sheet.OPEN : step.sheet(),
                    true,
                    depth,
                    tool != null);
        }

        @Override
        public void change(@Nullable Tool tool, @Nullable Integer depth, @Nullable Sheet sheet) {
            var now = List.copyOf(touching);
            endTouch();
            for (var t : now)
                add(
                        t.zone,
                        t.side,
                        tool != null ? tool : t.tool,
                        depth != null ? depth : t.depth,
                        sheet != null ? sheet : t.sheet,
                        true,
                        depth,
                        tool != null || t.toolSeen);
        }

        @Override
        public void leavePlan(
                Zone zone, @Nullable Side of, @Nullable Tool tool, @Nullable Integer depth, @Nullable Sheet sheet) {
            stopStep();
            add(
                    zone,
                    of != null ? of : zone.paired() ? side : Side.MIDLINE,
                    tool,
                    depth,
                    sheet != null ? sheet : Sheet.OPEN,
                    true,
                    depth,
                    tool != null);
        }

        @Override
        public void hold() {
            holdSince = at;
            holdEvent = event;
            holdStep = step;
        }

        @Override
        public void letGo() {
            if (holdSince >= 0) holds.add(new Hold(holdStep, holdSince, at, holdEvent));
            holdSince = -1;
        }

        @Override
        public void open(@Nullable DrapeUnit unit, @Nullable Side of) {
            for (var u : units(unit, of)) {
                open.putIfAbsent(u, at);
                openByGrader.add(u);
            }
        }

        @Override
        public void cover(@Nullable DrapeUnit unit, @Nullable Side of) {
            for (var u : unit == null ? List.copyOf(open.keySet()) : units(unit, of)) close(u);
        }

        @Override
        public void leaveOpen() {
            openByGrader.addAll(open.keySet());
        }

        @Override
        public void handsOff() {
            holdSince = -1;
            stopStep();
            stopBeside();
        }

        /** The side a step is due on when the grader names none: the first planned one not seen yet. */
        private Side due(Step started) {
            Side last = Side.MIDLINE;
            for (var stint : practical.brief()) {
                if (!stint.step().id().equals(started.id())) continue;
                if (!seenKeys.contains(stint.key())) return stint.side();
                last = stint.side();
            }
            return last;
        }

        /** Hands go on to something else: heat and cold stay where they are. */
        private void leave() {
            if (step != null && step.technique().stroke().passiveModality()) {
                beside.put(
                        new Stint.Key(step.id(), side),
                        new Beside(step, side, stepSince, stepEvent, List.copyOf(touching)));
                touching.clear();
                step = null;
            } else stopStep();
        }

        private void stopBeside() {
            for (var key : List.copyOf(beside.keySet())) stopBeside(key);
        }

        private void stopBeside(Stint.Key key) {
            var rest = beside.remove(key);
            if (rest == null) return;
            done.add(new Done(rest.step, rest.side, rest.since, at, rest.event));
            for (var t : rest.touching) contacts.add(ended(t));
        }

        private void stopStep() {
            if (step != null) done.add(new Done(step, side, stepSince, at, stepEvent));
            step = null;
            endTouch();
        }

        private void add(
                Zone zone,
                Side of,
                @Nullable Tool tool,
                @Nullable Integer depth,
                Sheet sheet,
                boolean seen,
                @Nullable Integer seenDepth,
                boolean toolSeen) {
            touching.add(new Touch(zone, of, tool, depth, sheet, seen, seenDepth, toolSeen, step, at, at, event));
        }

        private void endTouch() {
            for (var t : touching) contacts.add(ended(t));
            touching.clear();
        }

        private Touch ended(Touch t) {
            return new Touch(
                    t.zone,
                    t.side,
                    t.tool,
                    t.depth,
                    t.sheet,
                    t.seen,
                    t.seenDepth,
                    t.toolSeen,
                    t.step,
                    t.start,
                    at,
                    t.event);
        }

        private List<OpenUnit> units(@Nullable DrapeUnit unit, @Nullable Side of) {
            if (unit == null) {
                if (step == null) return List.of();
                var now = step;
                return now.zones().stream()
                        .filter(z -> z.unit().draped())
                        .flatMap(z -> Stint.halves(z, side).stream())
                        .map(h -> new OpenUnit(h.zone().unit(), h.zone().unit().paired() ? h.side() : Side.MIDLINE))
                        .distinct()
                        .toList();
            }
            return List.of(new OpenUnit(unit, unit.paired() ? of != null ? of : side : Side.MIDLINE));
        }

        private void close(OpenUnit unit) {
            var since = open.remove(unit);
            openByGrader.remove(unit);
            if (since != null) opens.add(new Open(unit, since, at));
        }
    }

    public Practical practical() {
        return practical;
    }

    /** Events that count, in order. */
    public List<Event> events() {
        return live;
    }

    /** What was observed of one kind up to the end, in order; what judges, and was seen in a break, is left out. */
    @SuppressWarnings("unchecked")
    public <T extends Observation> List<Moment<T>> all(Class<T> kind) {
        return (List<Moment<T>>) moments.computeIfAbsent(kind, k -> {
            var all = new ArrayList<Moment<T>>();
            for (var e : live)
                if (kind.isInstance(e.data()) && e.atMs() <= end && !(e.data().judges() && inBreak(e.atMs())))
                    all.add(new Moment<>(e, kind.cast(e.data())));
            return List.copyOf(all);
        });
    }

    /** Whether a moment lies in a break, in which nothing that is seen counts. */
    boolean inBreak(long ms) {
        return breaks.contains(ms);
    }

    /** Watched time of those who listened for a kind: of all who watched, where the grader says that there was nothing to hear. */
    Intervals listened(Listening kind) {
        return listened.computeIfAbsent(kind, k -> {
            if (reviewed.get(k.key()) == ReviewAnswer.Said.HEARD_NOTHING) return attended;
            return Intervals.union(listeners.getOrDefault(k, Set.of()).stream()
                    .flatMap(d -> eyes.getOrDefault(d, Intervals.NONE).stretches().stream())
                    .toList());
        });
    }

    /** Whether nobody who watched tapped any of a kind, and the grader has not said yet whether they listened. */
    boolean unsaid(Listening kind) {
        return !reviewed.containsKey(kind.key()) && listened(kind).isEmpty();
    }

    /** What the grader said at the review. */
    Optional<ReviewAnswer.Said> reviewed(String question) {
        return Optional.ofNullable(reviewed.get(question));
    }

    public List<Done> done() {
        return done;
    }

    /** What the hands are at when the log ends. */
    Optional<Ongoing> on() {
        return atWork ? Optional.of(ongoing.get(0)) : Optional.empty();
    }

    /** What goes on when the log ends: what the hands are at first, then what lies beside them. */
    List<Ongoing> ongoing() {
        return ongoing;
    }

    /** Whether a step was done on a side, or ended or left out by a branch of the plan. */
    boolean has(Stint.Key key) {
        return done.stream().anyMatch(d -> d.key().equals(key))
                || left.stream().anyMatch(l -> l.key().equals(key));
    }

    /** Steps that a branch of the plan ended or left out, in the order of the run. */
    public List<Left> left() {
        return left;
    }

    public List<Touch> contacts() {
        return contacts;
    }

    public List<Open> opens() {
        return opens;
    }

    /** Whether it is over. */
    boolean finished() {
        return live.stream().anyMatch(e -> e.data() instanceof Finish);
    }

    /** What of the sheet is open when the log ends. */
    List<Open> openNow() {
        return openNow;
    }

    List<Hold> holds() {
        return holds;
    }

    Intervals attended() {
        return attended;
    }

    /** Since when it rests, where the log ends in a break. */
    Optional<Long> restingSince() {
        Long since = null;
        for (var e : live)
            if (e.data() instanceof Break b) since = !b.on() ? null : since == null ? Long.valueOf(e.atMs()) : since;
        return Optional.ofNullable(since);
    }

    /** Since when somebody watches, where somebody does when the log ends; a glance away does not count, a break does. */
    Optional<Long> watchedSince() {
        var watching = new HashSet<String>();
        Long since = null;
        long away = 0;
        boolean rests = false;
        for (var e : live) {
            if (e.data() instanceof Attend a && !a.on()) {
                if (watching.remove(e.device()) && watching.isEmpty()) away = e.atMs();
            } else if (e.data() instanceof Attend) {
                boolean glance = since != null && e.atMs() - away < Heard.GLANCE_MS;
                if (watching.isEmpty() && !rests && !glance) since = e.atMs();
                watching.add(e.device());
            } else if (e.data() instanceof Break b) {
                rests = b.on();
                since = rests || watching.isEmpty() ? null : Long.valueOf(e.atMs());
            }
        }
        return watching.isEmpty() || rests ? Optional.empty() : Optional.ofNullable(since);
    }

    /** Milliseconds that breaks took. */
    public long paused() {
        return breaks.length();
    }

    /** Stretches of attended time as start and end, ms. */
    public List<long[]> attendedStretches() {
        return attended.stretches().stream()
                .map(s -> new long[] {s.start(), s.end()})
                .toList();
    }

    /** End of the practical: its finish, or the last event. */
    public long end() {
        return end;
    }

    /** The step that a report is about: the one that is on, or that ended less than five seconds before. */
    Optional<Done> about(long ms) {
        var on = at(ms);
        if (on.isPresent()) return on;
        for (int i = lastBegun(ms); i >= 0 && ms - latestEnd[i] < STILL_ABOUT_MS; i--)
            if (done.get(i).end() <= ms && ms - done.get(i).end() < STILL_ABOUT_MS) return Optional.of(done.get(i));
        return Optional.empty();
    }

    /** The step the hands were at, or else what lay there, at a moment. */
    Optional<Done> at(long ms) {
        for (int i = lastBegun(ms); i >= 0 && latestEnd[i] >= ms; i--)
            if (ms <= done.get(i).end()) return Optional.of(done.get(i));
        return Optional.empty();
    }

    /** The step that begins next after a moment. */
    Optional<Done> next(long ms) {
        int i = lastBegun(ms) + 1;
        return i < done.size() ? Optional.of(done.get(i)) : Optional.empty();
    }

    /** The last that began at a moment or before, by its place; −1 where none did. */
    private int lastBegun(long ms) {
        return Sorted.first(done, d -> d.start() > ms) - 1;
    }
}
