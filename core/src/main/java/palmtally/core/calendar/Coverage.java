package palmtally.core.calendar;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import palmtally.core.body.Position;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.profile.Profile;
import palmtally.core.profile.Ways;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Tool;

/**
 * What a term gives the occasion to learn and to see: region × tool × position × criterion, with the cells that stay empty.
 *
 * <p>A step counts for the regions of its own zones. It exercises <i>pressure</i> and <i>mechanics</i> where a hand works (depth above
 * 0); <i>order</i> where its place is asked for, by an ordered block or a link; <i>communication</i> where something is said or
 * where firm or sensitive work asks for it; <i>draping</i> where the sheet is opened or worked through. A cell is <i>expected</i> where
 * some zone of the region usually lies open to that position, may be worked as deep as the tool starts, and wants no broad tool
 * instead (common practice, no source).
 *
 * @param cells every cell that is expected or covered
 */
public record Coverage(List<Cell> cells) {
    /**
     * @param reach how far each criterion gets: the furthest aim of the lessons that exercise it
     * @param seconds client time of the steps, over all lessons
     * @param sources lessons, each with the steps that count
     */
    public record Cell(
            Region region,
            Tool tool,
            Position position,
            Map<Criterion, Aim> reach,
            double seconds,
            boolean expected,
            List<Source> sources) {
        public boolean empty() {
            return reach.isEmpty();
        }
    }

    /** A lesson that covers a cell, with the steps of its sequence that do. */
    public record Source(String lesson, String sequence, List<String> steps) {}

    private record Key(Region region, Tool tool, Position position) {}

    /** @param sequences by id; a lesson without a sequence covers no cell, since nothing says which tools it uses */
    public static Coverage of(Curriculum term, Map<String, Sequence> sequences, Profile profile) {
        Map<Key, Map<Criterion, Aim>> reach = new LinkedHashMap<>();
        Map<Key, Double> seconds = new LinkedHashMap<>();
        Map<Key, List<Source>> sources = new LinkedHashMap<>();
        var expected = expected(term.regions(), profile);
        for (var lesson : term.lessons()) {
            var sequence = lesson.sequence() == null ? null : sequences.get(lesson.sequence());
            if (sequence == null || lesson.aim() == Aim.EXPLAIN) continue;
            Map<Key, List<String>> steps = new LinkedHashMap<>();
            for (var block : sequence.blocks())
                for (var step : block.steps()) {
                    if (!lesson.means(step.id())) continue;
                    for (var region :
                            step.zones().stream().map(Zone::region).distinct().toList()) {
                        var key = new Key(region, step.tool(), step.position());
                        var exercised = exercised(block, step, profile);
                        if (exercised.isEmpty()) continue;
                        steps.computeIfAbsent(key, k -> new ArrayList<>()).add(step.id());
                        seconds.merge(key, step.dose().totalSeconds(), Double::sum);
                        var cell = reach.computeIfAbsent(key, k -> new EnumMap<>(Criterion.class));
                        for (var c : exercised) cell.merge(c, lesson.aim(), (a, b) -> a.compareTo(b) >= 0 ? a : b);
                    }
                }
            steps.forEach((key, ids) -> sources.computeIfAbsent(key, k -> new ArrayList<>())
                    .add(new Source(lesson.id(), sequence.id(), List.copyOf(ids))));
        }
        var keys = new ArrayList<>(expected);
        reach.keySet().stream().filter(k -> !expected.contains(k)).forEach(keys::add);
        var cells = new ArrayList<Cell>();
        for (var k : keys)
            cells.add(new Cell(
                    k.region,
                    k.tool,
                    k.position,
                    Collections.unmodifiableMap(reach.getOrDefault(k, Map.of())),
                    seconds.getOrDefault(k, 0.0),
                    expected.contains(k),
                    List.copyOf(sources.getOrDefault(k, List.of()))));
        return new Coverage(List.copyOf(cells));
    }

    private static Set<Criterion> exercised(Block block, Step step, Profile profile) {
        var found = EnumSet.noneOf(Criterion.class);
        if (step.depth() > 0) {
            found.add(Criterion.PRESSURE);
            found.add(Criterion.MECHANICS);
        }
        if (block.order() == Block.Order.IN_ORDER && block.steps().size() > 1
                || !step.before().isEmpty()) found.add(Criterion.ORDER);
        boolean sensitive = step.zones().stream().anyMatch(profile.draping().sensitive()::contains);
        if (!step.say().isEmpty() || step.depth() >= profile.order().firmDepth() || sensitive)
            found.add(Criterion.COMMUNICATION);
        if (step.sheet() != Sheet.COVERED
                && step.zones().stream().anyMatch(z -> z.unit().draped())) found.add(Criterion.DRAPING);
        return found;
    }

    private static Set<Key> expected(List<Region> regions, Profile profile) {
        var keys = new java.util.LinkedHashSet<Key>();
        boolean elbow = profile.ways().elbow() == Ways.ElbowPoint.USED;
        for (var region : regions)
            for (var position : Position.values())
                for (var tool : Tool.values()) {
                    if (tool == Tool.BARE_THUMB || tool == Tool.ELBOW && !elbow) continue;
                    for (var zone : Zone.values())
                        if (zone.region() == region && zone.usualPosition() == position && takes(zone, tool, profile)) {
                            keys.add(new Key(region, tool, position));
                            break;
                        }
                }
        return keys;
    }

    private static boolean takes(Zone zone, Tool tool, Profile profile) {
        boolean broadOnly = zone.ceiling().map(Zone.Ceiling::broadOnly).orElse(false);
        return profile.pressure().ceiling(zone) >= tool.usualDepth() && !(broadOnly && tool.pointed());
    }

    /** Cells that should be covered and are not. */
    public List<Cell> gaps() {
        return cells.stream().filter(c -> c.expected && c.empty()).toList();
    }

    /** The furthest each criterion gets in a region, whatever the tool and the position. */
    public Map<Criterion, Aim> reach(Region region) {
        var all = new EnumMap<Criterion, Aim>(Criterion.class);
        for (var c : cells)
            if (c.region == region) c.reach.forEach((k, v) -> all.merge(k, v, (a, b) -> a.compareTo(b) >= 0 ? a : b));
        return all;
    }
}
