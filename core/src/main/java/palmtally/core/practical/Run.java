package palmtally.core.practical;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.practical.Intervals.Stretch;
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
     * @param seen whether the grader gave it (contact, off-plan stroke), not the plan
     * @param step the step that was on, or null off plan
     */
    public record Contact(
            Zone zone,
            Side side,
            @Nullable Tool tool,
            @Nullable Integer depth,
            Sheet sheet,
            boolean seen,
            @Nullable Step step,
            long start,
            long end,
            String event) {}

    /** A unit of the sheet open, from–to. */
    public record Open(OpenUnit unit, long start, long end) {}

    /** A hold, from–to, and the step it was part of. */
    public record Hold(@Nullable Step step, long start, long end, String event) {}

    private final Practical practical;
    private final List<Event> live;
    private final List<Done> done = new ArrayList<>();
    private final List<Contact> contacts = new ArrayList<>();
    private final List<Open> opens = new ArrayList<>();
    private final List<Hold> holds = new ArrayList<>();
    private final Intervals attended;
    private final Intervals breaks;
    private final long end;

    private Run(Practical practical) {
        this.practical = practical;
        this.live = live(practical.events());
        this.end = live.stream()
                .filter(e -> e.kind() == EventKind.FINISH)
                .mapToLong(Event::atMs)
                .findFirst()
                .orElse(live.isEmpty() ? 0 : live.get(live.size() - 1).atMs());
        this.breaks = on(EventKind.BREAK, live, end);
        this.attended = on(EventKind.ATTEND, live, end).less(breaks);
        new Fold().run();
    }

    public static Run of(Practical practical) {
        return new Run(practical);
    }

    /** Events that no live undo takes back; undos themselves are left out. An undo can be undone. */
    private static List<Event> live(List<Event> events) {
        var undone = new HashSet<String>();
        for (int i = events.size() - 1; i >= 0; i--) {
            var e = events.get(i);
            if (e.kind() == EventKind.UNDO
                    && !undone.contains(e.id())
                    && e.data().ref() != null) undone.add(e.data().ref());
        }
        return events.stream()
                .filter(e -> e.kind() != EventKind.UNDO && !undone.contains(e.id()))
                .toList();
    }

    /** From an event that turns it on to the next that turns it off, or to the end. */
    private static Intervals on(EventKind kind, List<Event> live, long end) {
        var stretches = new ArrayList<Stretch>();
        long since = -1;
        for (var e : live) {
            if (e.kind() != kind) continue;
            boolean on = Boolean.TRUE.equals(e.data().on());
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
    private record Beside(Step step, Side side, long since, String event, List<Contact> touching) {}

    /** One pass over the live events. */
    private final class Fold {
        private final Map<String, Step> steps = new HashMap<>();
        private final Set<Stint.Key> seenKeys = new HashSet<>();
        private @Nullable Step step;
        private Side side = Side.MIDLINE;
        private long stepSince;
        private String stepEvent = "";
        private final List<Contact> touching = new ArrayList<>();
        private final Map<Stint.Key, Beside> beside = new LinkedHashMap<>();
        private final Map<OpenUnit, Long> open = new LinkedHashMap<>();
        private final Set<OpenUnit> openByGrader = new LinkedHashSet<>();
        private long holdSince = -1;
        private String holdEvent = "";

        void run() {
            practical.sequence().steps().forEach(s -> steps.put(s.id(), s));
            for (var e : live) {
                if (e.atMs() > end) break;
                take(e);
            }
            stopStep(end);
            stopBeside(end);
            for (var unit : new ArrayList<>(open.keySet())) close(unit, end);
            done.sort(java.util.Comparator.comparingLong(Done::start));
        }

        private void take(Event e) {
            var data = e.data();
            switch (e.kind()) {
                case STEP_START -> start(e);
                case STEP_STOP -> {
                    var rests = beside.keySet().stream()
                            .filter(k ->
                                    k.step().equals(data.step()) && (data.side() == null || k.side() == data.side()))
                            .toList();
                    if (!rests.isEmpty()) rests.forEach(k -> stopBeside(k, e.atMs()));
                    else if (step != null || data.step() != null) stopStep(e.atMs());
                    else stopBeside(e.atMs());
                }
                case CONTACT -> {
                    if (data.zone() != null) {
                        var zone = data.zone();
                        var at = data.side() != null ? data.side() : zone.paired() ? side : Side.MIDLINE;
                        endTouch(e.atMs());
                        touch(
                                zone,
                                at,
                                data.tool() != null ? data.tool() : step == null ? null : step.tool(),
                                data.depth() != null
                                        ? data.depth()
                                        : step == null ? null : Integer.valueOf(step.depth()),
                                data.sheet() != null ? data.sheet() : step == null ? Sheet.OPEN : step.sheet(),
                                true,
                                e);
                    } else {
                        var now = List.copyOf(touching);
                        endTouch(e.atMs());
                        for (var c : now)
                            touch(
                                    c.zone,
                                    c.side,
                                    data.tool() != null ? data.tool() : c.tool,
                                    data.depth() != null ? data.depth() : c.depth,
                                    data.sheet() != null ? data.sheet() : c.sheet,
                                    true,
                                    e);
                    }
                }
                case OFF_PLAN -> {
                    stopStep(e.atMs());
                    var zone = java.util.Objects.requireNonNull(data.zone());
                    touch(
                            zone,
                            data.side() != null ? data.side() : zone.paired() ? side : Side.MIDLINE,
                            data.tool(),
                            data.depth(),
                            data.sheet() != null ? data.sheet() : Sheet.OPEN,
                            true,
                            e);
                }
                case SHEET_CHANGE -> sheet(e);
                case HOLD_START -> {
                    holdSince = e.atMs();
                    holdEvent = e.id();
                }
                case HOLD_STOP -> {
                    if (holdSince >= 0) holds.add(new Hold(step, holdSince, e.atMs(), holdEvent));
                    holdSince = -1;
                }
                case SAFETY_STOP, BREAK -> {
                    stopStep(e.atMs());
                    stopBeside(e.atMs());
                }
                default -> {}
            }
        }

        private void start(Event e) {
            leave(e.atMs());
            var started = steps.get(java.util.Objects.requireNonNull(e.data().step()));
            step = started;
            side = e.data().side() != null ? e.data().side() : due(started);
            stepSince = e.atMs();
            stepEvent = e.id();
            var key = new Stint.Key(started.id(), side);
            seenKeys.add(key);
            stopBeside(key, e.atMs());
            var stint = new Stint(started, side, false, started.dose(), 0, 0);
            var planned = Timeline.unitsOpenedBy(stint);
            for (var unit : new ArrayList<>(open.keySet()))
                if (!planned.contains(unit) && !openByGrader.contains(unit)) close(unit, e.atMs());
            for (var unit : planned) open.putIfAbsent(unit, e.atMs());
            for (var zone : started.zones())
                touch(
                        zone,
                        zone.paired() ? side : Side.MIDLINE,
                        started.tool(),
                        started.depth(),
                        started.sheet(),
                        false,
                        e);
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
        private void leave(long at) {
            if (step != null && step.library().stroke().passiveModality()) {
                beside.put(
                        new Stint.Key(step.id(), side),
                        new Beside(step, side, stepSince, stepEvent, List.copyOf(touching)));
                touching.clear();
                step = null;
            } else stopStep(at);
        }

        private void stopBeside(long at) {
            for (var key : List.copyOf(beside.keySet())) stopBeside(key, at);
        }

        private void stopBeside(Stint.Key key, long at) {
            var rest = beside.remove(key);
            if (rest == null) return;
            done.add(new Done(rest.step, rest.side, rest.since, at, rest.event));
            for (var c : rest.touching) contacts.add(ended(c, at));
        }

        private void stopStep(long at) {
            if (step != null) done.add(new Done(step, side, stepSince, at, stepEvent));
            step = null;
            endTouch(at);
        }

        private void touch(
                Zone zone, Side at, @Nullable Tool tool, @Nullable Integer depth, Sheet sheet, boolean seen, Event e) {
            touching.add(new Contact(zone, at, tool, depth, sheet, seen, step, e.atMs(), e.atMs(), e.id()));
        }

        private void endTouch(long at) {
            for (var c : touching) contacts.add(ended(c, at));
            touching.clear();
        }

        private static Contact ended(Contact c, long at) {
            return new Contact(c.zone, c.side, c.tool, c.depth, c.sheet, c.seen, c.step, c.start, at, c.event);
        }

        private void sheet(Event e) {
            var drape = java.util.Objects.requireNonNull(e.data().drape());
            switch (drape) {
                case OPEN ->
                    units(e).forEach(u -> {
                        open.putIfAbsent(u, e.atMs());
                        openByGrader.add(u);
                    });
                case LEFT_OPEN -> openByGrader.addAll(open.keySet());
                case COVER -> {
                    var units = e.data().unit() == null ? List.copyOf(open.keySet()) : units(e);
                    units.forEach(u -> close(u, e.atMs()));
                }
                default -> {}
            }
        }

        private List<OpenUnit> units(Event e) {
            DrapeUnit unit = e.data().unit();
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
            var at = unit.paired() ? e.data().side() != null ? e.data().side() : side : Side.MIDLINE;
            return List.of(new OpenUnit(unit, at));
        }

        private void close(OpenUnit unit, long at) {
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

    List<Event> events(EventKind kind) {
        return live.stream().filter(e -> e.kind() == kind && e.atMs() <= end).toList();
    }

    public List<Done> done() {
        return done;
    }

    public List<Contact> contacts() {
        return contacts;
    }

    public List<Open> opens() {
        return opens;
    }

    List<Hold> holds() {
        return holds;
    }

    Intervals attended() {
        return attended;
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

    /** The step the hands were at, or else what lay there, at a moment. */
    Optional<Done> at(long ms) {
        for (int i = done.size() - 1; i >= 0; i--)
            if (done.get(i).start() <= ms && ms <= done.get(i).end()) return Optional.of(done.get(i));
        return Optional.empty();
    }
}
