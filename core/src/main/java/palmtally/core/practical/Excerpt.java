package palmtally.core.practical;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import palmtally.core.Sums;
import palmtally.core.body.Region;
import palmtally.core.finding.Finding;
import palmtally.core.practical.event.Attend;
import palmtally.core.practical.event.Event;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Stint;

/**
 * A part of a practical: some of its steps, scored as if only they had been asked and only they had been watched. What was done
 * before and beside them still happened — the warm-up of a zone, the state of the sheet, permission — but what was seen, said and
 * reported counts only while one of them was on or came next.
 */
public final class Excerpt {
    private Excerpt() {}

    /** Share of the time asked from which a region is judged on its own (ours). */
    private static final double SHARE = 0.2;

    /**
     * The steps of a practical by the region they are evidence of: that of the zone a step works on first, where that region has a
     * fifth of the time that was asked or the plan is of the whole body, and else that of the plan.
     */
    public static Map<Region, Set<String>> regions(Practical practical) {
        var brief = practical.brief();
        Map<Region, Double> seconds = new EnumMap<>(Region.class);
        for (var s : brief)
            seconds.merge(
                    s.step().zones().get(0).region(), Math.max(1e-9, s.dose().totalSeconds()), Double::sum);
        double all = Sums.of(seconds.values().stream().mapToDouble(Double::doubleValue));
        var own = practical.sequence().region();
        Map<Region, Set<String>> steps = new EnumMap<>(Region.class);
        for (var s : brief) {
            var zone = s.step().zones().get(0).region();
            boolean counts = own == Region.WHOLE_BODY || seconds.getOrDefault(zone, 0.0) >= SHARE * all;
            steps.computeIfAbsent(counts ? zone : own, r -> new LinkedHashSet<>())
                    .add(s.step().id());
        }
        return steps;
    }

    /**
     * The five scores of the chosen steps alone; the same as the whole where all that was asked is chosen.
     *
     * @param chosen which of the steps that were asked; at least one must be
     */
    public static Scores of(Scores whole, Predicate<Step> chosen) {
        var practical = whole.run().practical();
        var brief = practical.brief();
        if (brief.stream().allMatch(s -> chosen.test(s.step()))) return whole;
        var ids = new LinkedHashSet<String>();
        for (Stint s : brief) if (chosen.test(s.step())) ids.add(s.step().id());
        var part = practical
                .with(List.copyOf(ids), seen(whole.run(), ids))
                .of(practical.extent().inPart());
        var scores = Scores.of(whole.run().part(part));
        return new Scores(
                scores.run(),
                scores.criteria().stream()
                        .map(c -> new Scored(
                                c.criterion(),
                                c.score(),
                                c.why(),
                                c.applicable(),
                                c.parts(),
                                c.findings().stream().filter(f -> about(f, ids)).toList(),
                                c.observations(),
                                c.interval(),
                                c.questions()))
                        .toList());
    }

    private static boolean about(Finding finding, Set<String> ids) {
        return finding.where().step() == null || ids.contains(finding.where().step());
    }

    /** From one moment on, the step that is on or comes next is one of the chosen, or none of them. */
    private record Turn(long since, boolean chosen) {}

    private static List<Event> seen(Run run, Set<String> ids) {
        var turns = new ArrayList<Turn>();
        long from = 0;
        for (var d : run.done().stream()
                .sorted(java.util.Comparator.comparingLong(Run.Done::start))
                .toList()) {
            turns.add(new Turn(from, ids.contains(d.step().id())));
            from = d.end();
        }
        var events = new ArrayList<Event>();
        var eyes = new LinkedHashMap<String, Eyes>();
        int next = 0;
        boolean on = turns.isEmpty() || turns.get(0).chosen;
        for (var e : run.events()) {
            while (next < turns.size() && turns.get(next).since <= e.atMs()) {
                on = turns.get(next).chosen;
                for (var one : eyes.values()) one.turn(events, turns.get(next).since, on);
                next++;
            }
            if (e.data() instanceof Attend attend) {
                var one = eyes.computeIfAbsent(e.device(), d -> new Eyes(d, eyes.size() + 1));
                one.attends = attend.on();
                one.turn(events, e.atMs(), on);
            } else if (on || !e.data().judges()) {
                events.add(e);
            }
        }
        return events;
    }

    /** Who watches, as far as the part is concerned. */
    private static final class Eyes {
        private final String device;
        private final int number;
        private boolean attends;
        private boolean told;
        private int made;

        Eyes(String device, int number) {
            this.device = device;
            this.number = number;
        }

        void turn(List<Event> events, long atMs, boolean chosen) {
            if (told == (attends && chosen)) return;
            told = attends && chosen;
            made++;
            // The id is none that a device makes.
            var id = "excerpt " + number + " " + made;
            events.add(new Event(id, device, made, atMs, null, new Attend(told)));
        }
    }
}
