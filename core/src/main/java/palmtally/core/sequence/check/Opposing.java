package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Step;

/** The opposing muscles are treated too. */
@AutoService(Rule.Source.class)
public final class Opposing implements Check {
    public static final Rule RULE =
            new Rule("ORDER-OPPOSE", Criterion.ORDER, Severity.HINT, "The opposing muscles are treated too.");

    /** Muscles that pull against each other; each list is one side of a joint. */
    private static final Map<Set<Zone>, Set<Zone>> PAIRS = new LinkedHashMap<>();

    private static final Map<Structure, List<Structure>> OPPOSED = new EnumMap<>(Structure.class);

    static {
        for (var s : Structure.values()) OPPOSED.put(s, opposing(s));
        PAIRS.put(EnumSet.of(Zone.UPPER_BACK, Zone.SHOULDER_BLADE), EnumSet.of(Zone.CHEST_WALL));
        PAIRS.put(EnumSet.of(Zone.HAMSTRINGS), EnumSet.of(Zone.THIGH_FRONT));
        PAIRS.put(EnumSet.of(Zone.FOREARM_FLEXORS), EnumSet.of(Zone.FOREARM_EXTENSORS));
        PAIRS.put(EnumSet.of(Zone.CALF, Zone.CALF_CENTRE), EnumSet.of(Zone.SHIN));
        PAIRS.put(EnumSet.of(Zone.LUMBAR), EnumSet.of(Zone.BELLY));
    }

    /** What does the opposite of what it does first of all, from another place. */
    private static List<Structure> opposing(Structure worked) {
        var first =
                worked.standsOut().stream().flatMap(a -> a.opposite().stream()).toList();
        return worked.opposedBy().stream()
                .filter(o -> o.actions().stream().anyMatch(first::contains))
                .filter(o -> !worked.zones().contains(o.zones().get(0)))
                .toList();
    }

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        var touched = new HashSet<Zone>();
        plan.steps.forEach(s -> touched.addAll(s.zones()));
        for (var step : plan.steps) if (step.depth() >= plan.firm()) judge(plan, touched, step);
        PAIRS.forEach((one, other) -> {
            judge(plan, touched, one, other);
            judge(plan, touched, other, one);
        });
    }

    /** What a step says it works on is opposed by what the body has against it, and not by what usually lies there. */
    private void judge(Plan plan, Set<Zone> touched, Step step) {
        @Nullable Structure first = null;
        for (var worked : step.details().structures()) {
            var opposing = Objects.requireNonNull(OPPOSED.get(worked));
            if (opposing.stream().anyMatch(o -> touched.contains(o.zones().get(0)))) return;
            if (first == null && !opposing.isEmpty()) first = worked;
        }
        if (first == null) return;
        var opposing = Objects.requireNonNull(OPPOSED.get(first)).get(0);
        plan.report(
                RULE,
                new Where(step.id(), step.zones().get(0), null, null),
                plan.number(step) + " treats " + first.label().toLowerCase(Locale.ROOT) + " and nothing treats "
                        + opposing.label().toLowerCase(Locale.ROOT)
                        + " against it: what is loosened on one side is pulled back from the other.",
                "Treat the opposing muscles here, or in another sequence of the term.",
                null);
    }

    private void judge(Plan plan, Set<Zone> touched, Set<Zone> worked, Set<Zone> opposing) {
        if (opposing.stream().anyMatch(touched::contains)) return;
        for (var step : plan.steps) {
            var zone = step.zones().stream().filter(worked::contains).findFirst();
            if (zone.isEmpty()
                    || step.depth() < plan.firm()
                    || !step.details().structures().isEmpty()) continue;
            var missing = opposing.iterator().next();
            plan.report(
                    RULE,
                    new Where(step.id(), zone.get(), null, null),
                    zone.get().label() + " is treated and its opponent, "
                            + missing.label().toLowerCase(Locale.ROOT)
                            + ", is left out: what is loosened on one side is pulled back from the other.",
                    "Treat the opposing muscles here, or in another sequence of the term.",
                    null);
            return;
        }
    }
}
