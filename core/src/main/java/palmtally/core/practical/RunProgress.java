package palmtally.core.practical;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.practical.Due.Kind;
import palmtally.core.practical.event.Attend;
import palmtally.core.practical.event.ClientWord;
import palmtally.core.practical.event.Consent;
import palmtally.core.practical.event.Event;
import palmtally.core.practical.event.Look;
import palmtally.core.practical.event.Report;
import palmtally.core.practical.event.ReportAnswer;
import palmtally.core.practical.event.SafetyStop;
import palmtally.core.practical.event.SheetLook;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Stint;
import palmtally.core.sequence.Timeline;

/**
 * How far a run has come while it goes on, and what it waits for. Only a tap changes it: what changes with the clock says from which
 * moment it does. Moments and lengths in milliseconds of the practical.
 *
 * @param counting ids of the events that count, in order
 * @param takenBack by the id of each event that is taken back the undo that does it
 * @param on what the hands are at, or null
 * @param had how long each step was worked on, in the order in which they were begun
 * @param next what comes next by the plan: the first after what is on that was not begun yet, else the first of all; or null
 * @param begun whether hands were on
 * @param treated whether anything was treated: what is measured now is measured after the work
 * @param restingSince since when it rests, or null
 * @param rested how long breaks took, one that goes on left out
 * @param silentSince since when no question was heard while somebody watched, or null
 * @param lookFrom when the next look at the body is due at this table alone, or null where nobody ever watched
 * @param lookedAt when somebody looked last because it was due, or it began: from there the tables take turns; or null before
 * @param sheetSince since when a look at the sheet is due, or null
 * @param coverDue whether the cover at the end is still to be looked at
 * @param said the last number the client said, or null
 * @param permissions how things stand with each sensitive zone that the plan works
 * @param dues what it waits for or will, the most pressing first
 */
public record RunProgress(
        List<String> counting,
        Map<String, String> takenBack,
        @Nullable On on,
        List<Had> had,
        @Nullable At next,
        boolean begun,
        boolean treated,
        @Nullable Long restingSince,
        long rested,
        @Nullable Long silentSince,
        @Nullable Long lookFrom,
        @Nullable Long lookedAt,
        @Nullable Long sheetSince,
        boolean coverDue,
        @Nullable SaidNumber said,
        List<PermissionOf> permissions,
        List<Due> dues) {

    /** A step on a side. */
    public record At(String step, Side side) {
        static At of(Stint.Key key) {
            return new At(key.step(), key.side());
        }
    }

    /** What the hands are at, and since when. */
    public record On(String step, Side side, long since) {}

    /**
     * How long a step was worked on.
     *
     * @param ms without what goes on
     * @param since since when it goes on, or null
     */
    public record Had(
            String step, Side side, long ms, @Nullable Long since) {}

    /** @param waits whether it is over the band, and nobody was seen answering it */
    public record SaidNumber(int number, boolean waits) {}

    /** @param answer the last that stands; null where none was heard */
    public record PermissionOf(Zone zone, Consent.@Nullable Answer answer, boolean given) {}

    /** A change of the sheet that nobody looked at for so long is pressing, ms (ours). */
    private static final long SHEET_LATE_MS = 20_000;
    /** How long a word of the client's handset stands, ms (ours). */
    private static final long SAID_MS = 30_000;
    /** A table that nobody has looked at for as many turns of looks is to be looked at next (ours). */
    private static final int TURNS = 3;
    /** From this share of the largest silence on a question is due (ours). */
    private static final double NEARLY_SILENT = 0.8;
    /** So long after its planned moment the second side is late, ms (ours). */
    private static final long SIDE_LATE_MS = 60_000;

    /** @param limitSeconds how long the practical may take, or null */
    public static RunProgress of(Run run, @Nullable Double limitSeconds) {
        return new Reckoning(run, limitSeconds).progress();
    }

    /**
     * What taps alone tell, for who watches without the plan in hand.
     *
     * @param events in any order
     */
    public static RunProgress watched(List<Event> events, double lookEverySeconds) {
        var ordered = events.stream().sorted(Event.ORDER).toList();
        var live = Run.live(ordered);
        return new RunProgress(
                live.stream().map(Event::id).toList(),
                Run.takenBack(ordered),
                null,
                List.of(),
                null,
                false,
                false,
                null,
                0,
                null,
                lookFrom(live, every(lookEverySeconds)),
                null,
                null,
                false,
                null,
                List.of(),
                List.of());
    }

    private static long every(double lookEverySeconds) {
        return Math.max(1, FastMath.round(lookEverySeconds * 1000));
    }

    /** The first turn after the last look that was due; turns are counted from when somebody watched first. */
    private static @Nullable Long lookFrom(List<Event> live, long every) {
        var watched = live.stream()
                .filter(e -> e.data() instanceof Attend a && a.on())
                .findFirst();
        if (watched.isEmpty()) return null;
        long from = watched.get().atMs();
        long looked = live.stream()
                .filter(e -> e.data() instanceof Look l && l.sample())
                .mapToLong(Event::atMs)
                .max()
                .orElse(from);
        return from + every * (Math.max(0, looked - from) / every + 1);
    }

    private static final class Reckoning {
        private final Run run;
        private final Profile profile;
        private final List<Stint> brief;
        private final @Nullable Double limitSeconds;
        private final @Nullable Stint on;
        private final @Nullable Stint next;
        private final List<Due> dues = new ArrayList<>();

        Reckoning(Run run, @Nullable Double limitSeconds) {
            this.run = run;
            this.profile = run.practical().profile();
            this.brief = run.practical().brief();
            this.limitSeconds = limitSeconds;
            this.on = run.on().flatMap(o -> planned(o.key())).orElse(null);
            this.next = next();
        }

        private Optional<Stint> planned(Stint.Key key) {
            return brief.stream().filter(s -> s.key().equals(key)).findFirst();
        }

        private @Nullable Stint next() {
            int from = on == null ? -1 : on.index();
            var fresh = brief.stream().filter(s -> !run.has(s.key())).toList();
            return fresh.stream()
                    .filter(s -> s.index() > from)
                    .findFirst()
                    .orElse(fresh.isEmpty() ? null : fresh.get(0));
        }

        RunProgress progress() {
            var said = said();
            var resting = run.restingSince().orElse(null);
            var silent = CommunicationScore.silentSince(run).orElse(null);
            var sheet = sheetSince();
            dues(said, resting, silent, sheet);
            return new RunProgress(
                    run.events().stream().map(Event::id).toList(),
                    Run.takenBack(run.practical().events()),
                    run.on()
                            .map(o -> new On(o.step().id(), o.side(), o.since()))
                            .orElse(null),
                    had(),
                    next == null ? null : At.of(next.key()),
                    begun(),
                    run.done().stream().anyMatch(d -> treats(d.step())),
                    resting,
                    run.paused() - (resting == null ? 0 : run.end() - resting),
                    silent,
                    RunProgress.lookFrom(run.events(), every()),
                    lookedAt(),
                    sheet,
                    coverDue(),
                    said,
                    permissions(),
                    List.copyOf(dues));
        }

        private boolean begun() {
            return !run.contacts().isEmpty();
        }

        private static boolean treats(Step step) {
            return step.phase() == Phase.ISOLATE || step.phase() == Phase.TREAT || step.phase() == Phase.LENGTHEN;
        }

        private List<Had> had() {
            var had = new LinkedHashMap<Stint.Key, Had>();
            var going = new HashMap<Stint.Key, Long>();
            for (var o : run.ongoing()) going.put(o.key(), o.since());
            for (var d : run.done()) {
                var since = going.get(d.key());
                long ms = since != null && since == d.start() ? 0 : d.end() - d.start();
                var before = had.get(d.key());
                had.put(d.key(), new Had(d.step().id(), d.side(), ms + (before == null ? 0 : before.ms), since));
            }
            for (var l : run.left())
                had.putIfAbsent(l.key(), new Had(l.key().step(), l.key().side(), 0, null));
            return List.copyOf(had.values());
        }

        private @Nullable SaidNumber said() {
            var reports = run.all(Report.class);
            if (reports.isEmpty()) return null;
            var last = reports.get(reports.size() - 1);
            var about = run.about(last.atMs()).map(Run.Done::step).orElse(null);
            boolean over =
                    last.of().number() > PressureScore.band(profile, about).high();
            return new SaidNumber(
                    last.of().number(),
                    over && run.all(ReportAnswer.class).stream().noneMatch(a -> a.after(last)));
        }

        private @Nullable Long lookedAt() {
            if (!begun()) return null;
            return lastSample()
                    .orElse(run.contacts().stream()
                            .mapToLong(Run.Touch::start)
                            .min()
                            .orElse(0));
        }

        private Optional<Long> lastSample() {
            return run.all(Look.class).stream()
                    .filter(l -> l.of().sample())
                    .reduce((a, b) -> b)
                    .map(Run.Moment::atMs);
        }

        private long every() {
            return RunProgress.every(profile.mechanics().lookEverySeconds());
        }

        private Optional<Long> lastSheetLook() {
            return run.all(SheetLook.class).stream().reduce((a, b) -> b).map(Run.Moment::atMs);
        }

        /** Since the last opening of something that is open still, or since all was covered, where nobody looked at the sheet since. */
        private @Nullable Long sheetSince() {
            if (run.finished() || run.opens().isEmpty()) return null;
            long since = run.openNow().isEmpty()
                    ? run.opens().stream().mapToLong(Run.Open::end).max().orElse(0)
                    : run.openNow().stream().mapToLong(Run.Open::start).max().orElse(0);
            return lastSheetLook().filter(l -> l >= since).isPresent() ? null : Long.valueOf(since);
        }

        /** Something was opened, and nobody looked at the sheet since the last step; a look at that step's own change is not one at the end. */
        private boolean coverDue() {
            if (!run.practical().extent().closing() || run.opens().isEmpty()) return false;
            long last = run.done().stream().mapToLong(Run.Done::start).max().orElse(0);
            long looks = run.all(SheetLook.class).stream()
                    .filter(l -> l.atMs() >= last)
                    .count();
            boolean changed = run.opens().stream().anyMatch(o -> o.start() == last);
            return looks < (changed ? 2 : 1);
        }

        private List<PermissionOf> permissions() {
            var sensitive = new LinkedHashMap<Zone, PermissionOf>();
            for (var stint : brief)
                for (var zone : stint.step().zones())
                    if (Permission.needed(profile, stint.step(), zone)) {
                        var now = permission(stint.step(), zone);
                        sensitive.merge(
                                zone, new PermissionOf(zone, now.word(), now.given()), (a, b) -> a.given ? b : a);
                    }
            return List.copyOf(sensitive.values());
        }

        private Permission.Given permission(Step step, Zone zone) {
            return Permission.given(run, zone, step.sheet() == Sheet.OPEN, run.end());
        }

        private void dues(
                @Nullable SaidNumber said, @Nullable Long resting, @Nullable Long silent, @Nullable Long sheet) {
            clientsWords();
            if (resting != null) {
                dues.add(Due.soon(Kind.BREAK, "break for", resting).since(resting));
                return;
            }
            if (said != null && said.waits)
                dues.add(Due.late(Kind.ANSWER, "said " + said.number + ": answer?", run.end()));
            asksPermission();
            if (sheet != null)
                dues.add(Due.soon(Kind.SHEET, "sheet: look", sheet).lateFrom(sheet + SHEET_LATE_MS));
            if (limitSeconds != null)
                dues.add(Due.late(Kind.OVER, "over its time", FastMath.round(limitSeconds * 1000) + run.paused()));
            if (!begun()) {
                dues.add(Due.soon(Kind.BEGIN, "not begun", 0));
                return;
            }
            unseen();
            if (silent != null) {
                double most = profile.communication().largestSilenceSeconds() * 1000;
                dues.add(Due.soon(Kind.SILENCE, "no question for", silent + FastMath.round(NEARLY_SILENT * most))
                        .lateFrom(silent + FastMath.round(most))
                        .since(silent));
            }
            secondSide();
        }

        /** What stands until hands are on again, and what the client says by handset. */
        private void clientsWords() {
            long begun = run.done().stream().mapToLong(Run.Done::start).max().orElse(-1);
            run.all(SafetyStop.class).stream()
                    .reduce((a, b) -> b)
                    .filter(s -> s.atMs() >= begun)
                    .ifPresent(s -> {
                        boolean client = Boolean.TRUE.equals(s.of().byClient());
                        var text = s.of().text();
                        dues.add(Due.late(
                                client ? Kind.SAID : Kind.STOP,
                                client ? "stop, said the client" : text == null ? "safety stop" : text,
                                s.atMs()));
                    });
            run.all(ClientWord.class).stream()
                    .reduce((a, b) -> b)
                    .ifPresent(w -> dues.add(Due.late(Kind.SAID, w.of().word() + ", said the client", w.atMs())
                            .until(w.atMs() + SAID_MS)));
        }

        /** The first sensitive zone of what is on, or else of what comes next, where nothing lets the hands work there. */
        private void asksPermission() {
            for (var stint : new Stint[] {on, next}) {
                if (stint == null) continue;
                var zone = stint.step().zones().stream()
                        .filter(z -> Permission.needed(profile, stint.step(), z))
                        .findFirst()
                        .orElse(null);
                if (zone == null) continue;
                var text = zone.toString().replace('-', ' ') + ": asked?";
                if (!permission(stint.step(), zone).given())
                    dues.add(stint == on ? Due.late(Kind.CONSENT, text, 0) : Due.soon(Kind.CONSENT, text, 0));
                return;
            }
        }

        private void unseen() {
            if (run.watchedSince().isPresent()) return;
            long away = run.events().stream()
                    .filter(e -> e.data() instanceof Attend a && !a.on())
                    .reduce((a, b) -> b)
                    .map(Event::atMs)
                    .orElse(0L);
            long turns = TURNS * every();
            dues.add(Due.soon(Kind.LOOK, "not looked at for", away + turns)
                    .lateFrom(away + 2 * turns)
                    .since(away));
        }

        /** The first side has had its plan, and the second has not begun. */
        private void secondSide() {
            var second = Timeline.of(brief, profile).spans().stream()
                    .filter(s -> s.stint().second())
                    .findFirst()
                    .orElse(null);
            if (second == null) return;
            var side = second.stint().side();
            boolean begun = run.done().stream()
                    .anyMatch(d -> d.side() == side
                            && planned(d.key()).filter(Stint::second).isPresent());
            if (begun) return;
            long due = FastMath.round(second.start() * 1000) + run.paused();
            dues.add(Due.soon(Kind.SIDE, side + " side due", due).lateFrom(due + SIDE_LATE_MS));
        }
    }
}
