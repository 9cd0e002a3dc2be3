package palmtally.core.practical;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Finding;
import palmtally.core.people.ClientNote;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.check.Checks;
import palmtally.core.sequence.check.ClientNotes;

/**
 * Where what is asked clashes with what the body on the table must be spared, and the ways out: leave the steps out, ask for one
 * side only, or ask another onto the table.
 *
 * @param findings what the plan's own check CLIENT says of the steps asked
 * @param blocked ids of the steps that must not be done on this body, in planned order
 * @param side a side on which nothing clashes, or null
 * @param rest how many of the steps asked could be done on it
 */
public record Clash(
        List<Finding> findings,
        Set<String> blocked,
        @Nullable Sides side,
        int rest) {
    /** @param notes what the body must be spared, standing notes and what was answered today */
    public static Clash of(Practical asked, List<ClientNote> notes) {
        var findings = findings(asked, asked.sides(), notes);
        var blocked = new LinkedHashSet<String>();
        for (var f : findings)
            if (f.where().step() != null) blocked.add(f.where().step());
        Sides clear = null;
        if (!findings.isEmpty() && asked.sides() == Sides.EACH)
            for (var side : new Sides[] {Sides.RIGHT, Sides.LEFT})
                if (clear == null && findings(asked, side, notes).isEmpty()) clear = side;
        int steps = steps(asked, asked.sides()).size();
        return new Clash(findings, blocked, clear, steps - blocked.size());
    }

    private static Set<String> steps(Practical asked, Sides sides) {
        return new Practical(asked.sequence(), asked.profile(), asked.asked(), sides, List.of())
                .brief().stream().map(s -> s.step().id()).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    private static List<Finding> findings(Practical asked, Sides sides, List<ClientNote> notes) {
        if (notes.isEmpty()) return List.of();
        var steps = steps(asked, sides);
        return Checks.run(asked.sequence().onto(sides), asked.profile(), notes).findings().stream()
                .filter(f -> f.rule().equals(ClientNotes.RULE)
                        && steps.contains(f.where().step()))
                .toList();
    }

    public boolean none() {
        return findings.isEmpty();
    }

    /** The sentences of the findings, one after another. */
    public String sentence() {
        return findings.stream().map(Finding::sentence).distinct().collect(Collectors.joining(" "));
    }

    public Clash {
        findings = List.copyOf(findings);
        blocked = java.util.Collections.unmodifiableSet(new LinkedHashSet<>(blocked));
    }
}
