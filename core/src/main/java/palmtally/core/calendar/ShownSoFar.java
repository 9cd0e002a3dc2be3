package palmtally.core.calendar;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import palmtally.core.Sums;
import palmtally.core.body.Position;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Stint;
import palmtally.core.technique.Tool;

/**
 * What a class has been shown of a term's plan: region × tool × position, the sum of its demonstrations beside what the lessons that
 * teach mean to show. A step counts for the regions of its own zones, as in {@link Coverage}.
 *
 * @param cells every cell that is announced by the plan or was shown
 */
public record ShownSoFar(List<Cell> cells) {
    /**
     * One step of a demonstration, its sides together.
     *
     * @param demonstration id of it
     * @param sequence id of what was demonstrated
     * @param seconds the hands worked, 0 for not at all
     */
    public record Shown(String demonstration, String sequence, Step step, double seconds) {}

    /**
     * @param seconds shown so far
     * @param announced class doses of all lessons that teach; what was left for another day is not announced twice
     * @param reached how much of that was shown, in seconds: a step that ran over makes up for no other
     * @param sources demonstrations, with the steps that count
     */
    public record Cell(
            Region region,
            Tool tool,
            Position position,
            double seconds,
            double announced,
            double reached,
            List<Demonstrated> sources) {}

    /**
     * @param shown ids of steps that were shown
     * @param leftOut ids of steps that were in its plan and were not
     */
    public record Demonstrated(String demonstration, double seconds, List<String> shown, List<String> leftOut) {}

    private record Key(Region region, Tool tool, Position position) {}

    /** @param sequences by id */
    public static ShownSoFar of(Curriculum term, Map<String, Sequence> sequences, List<Shown> demonstrated) {
        Map<Key, Map<List<String>, Double>> announced = new LinkedHashMap<>();
        for (var lesson : term.lessons()) {
            var sequence = lesson.sequence() == null ? null : sequences.get(lesson.sequence());
            if (sequence == null || lesson.aim() != Aim.TEACH || !lesson.steps().isEmpty()) continue;
            for (var stint : Stint.of(sequence))
                for (var key : keys(stint.step()))
                    announced
                            .computeIfAbsent(key, k -> new LinkedHashMap<>())
                            .merge(
                                    List.of(sequence.id(), stint.step().id()),
                                    stint.step().shownInClass(),
                                    Double::sum);
        }
        Map<Key, Map<String, List<Shown>>> shown = new LinkedHashMap<>();
        announced.keySet().forEach(k -> shown.put(k, new LinkedHashMap<>()));
        for (var one : demonstrated)
            for (var key : keys(one.step))
                shown.computeIfAbsent(key, k -> new LinkedHashMap<>())
                        .computeIfAbsent(one.demonstration, d -> new ArrayList<>())
                        .add(one);
        var cells = new ArrayList<Cell>();
        shown.forEach((key, by) -> {
            var sources = by.entrySet().stream()
                    .map(e -> source(e.getKey(), e.getValue()))
                    .toList();
            cells.add(new Cell(
                    key.region,
                    key.tool,
                    key.position,
                    Sums.of(sources.stream().mapToDouble(Demonstrated::seconds)),
                    sum(announced.getOrDefault(key, Map.of())),
                    reached(announced.getOrDefault(key, Map.of()), by),
                    sources));
        });
        return new ShownSoFar(List.copyOf(cells));
    }

    private static double sum(Map<?, Double> seconds) {
        return Sums.of(seconds.values().stream().mapToDouble(Double::doubleValue));
    }

    private static double reached(Map<List<String>, Double> announced, Map<String, List<Shown>> by) {
        Map<List<String>, Double> had = new HashMap<>();
        for (var all : by.values())
            for (var one : all) had.merge(List.of(one.sequence, one.step.id()), one.seconds, Double::sum);
        return Sums.of(announced.entrySet().stream()
                .mapToDouble(e -> Math.min(e.getValue(), had.getOrDefault(e.getKey(), 0.0))));
    }

    private static Demonstrated source(String demonstration, List<Shown> all) {
        return new Demonstrated(
                demonstration,
                Sums.of(all.stream().mapToDouble(Shown::seconds)),
                all.stream().filter(s -> s.seconds > 0).map(s -> s.step.id()).toList(),
                all.stream().filter(s -> s.seconds <= 0).map(s -> s.step.id()).toList());
    }

    private static List<Key> keys(Step step) {
        return step.zones().stream()
                .map(Zone::region)
                .distinct()
                .map(r -> new Key(r, step.tool(), step.position()))
                .toList();
    }
}
