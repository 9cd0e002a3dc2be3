package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Timeline.Span;

/** Gentle to strong inside a protocol: fascia, skin rolling, muscle, points, friction, stretch, joint, cold. */
@AutoService(Rule.Source.class)
public final class GentleToStrong implements Check {
    public static final Rule RULE = new Rule(
            "ORDER-PREREQ/gentle-to-strong",
            Criterion.ORDER,
            Severity.WARN,
            "Gentle to strong inside a protocol: fascia, skin rolling, muscle, points, friction, stretch, joint, cold.");

    /** Up to here the rule speaks: a stretch in between is followed by another round as often as not. */
    private static final int MOST = 6;

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        var seen = new HashSet<String>();
        for (var entry : plan.over.entrySet()) {
            List<Span> spans = entry.getValue();
            // Fascia, rolling, muscle, points and friction; a stretch in between is followed by another round as
            // often as not.
            for (int i = 0; i < spans.size(); i++) {
                var step = spans.get(i).stint().step();
                int rank = strength(step);
                if (rank == 0 || rank > MOST) continue;
                for (int j = 0; j < i; j++) {
                    var before = spans.get(j).stint().step();
                    int stronger = strength(before);
                    if (stronger <= rank || stronger > MOST || before.id().equals(step.id()) || !seen.add(step.id()))
                        continue;
                    plan.report(
                            RULE,
                            new Where(step.id(), entry.getKey().zone(), null, null),
                            plan.number(step) + " is " + STRENGTHS[rank] + " and comes after " + STRENGTHS[stronger]
                                    + " in " + plan.number(before).toLowerCase(Locale.ROOT)
                                    + ": gentle work prepares for strong work, not the other way round.",
                            "Do the gentler one first.",
                            plan.canMove(step, before)
                                    ? new Mend(
                                            "Move it before "
                                                    + plan.number(before).toLowerCase(Locale.ROOT),
                                            s -> s.moving(step.id(), before.id(), 0))
                                    : null);
                    break;
                }
            }
        }
    }

    @Override
    public void bind(HardLinks links) {
        for (var touched : links.touches())
            for (int i = 0; i < touched.size(); i++) {
                int rank = strength(touched.get(i));
                if (rank == 0 || rank > MOST) continue;
                for (int j = i + 1; j < touched.size(); j++) {
                    int later = strength(touched.get(j));
                    if (later > rank && later <= MOST) links.link(touched.get(i), touched.get(j));
                }
            }
    }

    /** Rank of a step inside a protocol, gentle to strong; 0 where it has no place in one. */
    static int strength(Step step) {
        if (step.phase() == Phase.WARM
                || step.phase() == Phase.SETTLE
                || step.phase() == Phase.ASSESS
                || step.phase().closing()) return 0;
        return switch (step.technique().stroke()) {
            case FASCIA_INDIRECT -> 1;
            case FASCIA_DIRECT -> 2;
            case SKIN_ROLLING -> 3;
            // A lighter glide is the flush that closes.
            case EFFLEURAGE -> step.depth() >= 4 ? 4 : 0;
            case PETRISSAGE, STRIPPING, COMPRESSION, STATIC_COMPRESSION, CIRCULAR_FRICTION -> step.depth() >= 3 ? 4 : 0;
            case TRIGGER_POINT -> 5;
            case CROSS_FIBRE_FRICTION -> 6;
            case STRETCH, CONTRACT_RELAX, PIN_AND_LENGTHEN -> 8;
            case RANGE_OF_MOTION, TRACTION, JOINT_GLIDE -> 9;
            case COLD, ICE_MASSAGE -> 10;
            default -> 0;
        };
    }

    private static final String[] STRENGTHS = {
        "",
        "indirect fascia",
        "direct fascia",
        "skin rolling",
        "muscle work",
        "trigger points",
        "friction",
        "flush",
        "stretch",
        "joint work",
        "cold"
    };
}
