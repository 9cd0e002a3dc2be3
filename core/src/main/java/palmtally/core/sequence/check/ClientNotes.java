package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Position;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.people.ClientNote;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;
import palmtally.core.technique.ScopeTopic;
import palmtally.core.technique.Stroke;
import palmtally.core.technique.Technique;

/** A clash with what a client's body must be spared. */
@AutoService(Rule.Source.class)
public final class ClientNotes implements Check {
    public static final Rule RULE =
            new Rule("CLIENT", Criterion.PRESSURE, Severity.STOP, "Nothing that this client's body must be spared.");

    @Override
    public Rule rule() {
        return RULE;
    }

    private record Clash(
            Step step,
            @Nullable Zone zone,
            String sentence,
            String remedy,
            @Nullable Mend mend) {}

    @Override
    public void look(Plan plan) {
        var seen = new HashSet<String>();
        for (var note : plan.notes)
            for (var step : plan.steps)
                for (var clash : clashes(plan, note, step))
                    if (seen.add(note.kind() + "/" + step.id() + "/" + clash.zone))
                        plan.report(
                                RULE,
                                new Where(step.id(), clash.zone, null, null),
                                clash.sentence + " " + ScopeTopic.WHO_DECIDES,
                                clash.remedy,
                                clash.mend);
    }

    private List<Clash> clashes(Plan plan, ClientNote note, Step step) {
        var found = new ArrayList<Clash>();
        var name = plan.number(step);
        var stroke = step.technique().stroke();
        Predicate<Step> only = s -> plan.steps.size() > 1;
        var out = only.test(step)
                ? new Mend("Take " + name.toLowerCase(Locale.ROOT) + " out", s -> s.without(Set.of(step.id())))
                : null;
        switch (note.kind()) {
            case PREGNANT -> {
                if (step.position() == Position.PRONE)
                    found.add(new Clash(
                            step,
                            null,
                            name + " lies prone, and this client is pregnant.",
                            "Side-lying, with the joints supported.",
                            new Mend("Side-lying for all prone steps", s -> sideLying(s))));
                else if (step.depth() > 2 && step.zones().stream().anyMatch(z -> z.unit() == DrapeUnit.LEG))
                    found.add(new Clash(
                            step,
                            step.zones().get(0),
                            name + " works deep on the leg, and this client is pregnant: vessels are at risk.",
                            "No deep work on the legs.",
                            lower(step, 2)));
            }
            case BACK_PAIN -> {
                if (stroke == Stroke.STRETCH && step.zones().contains(Zone.THIGH_FRONT))
                    found.add(new Clash(
                            step,
                            Zone.THIGH_FRONT,
                            name + " stretches the hip flexors, which pull on a painful low back.",
                            "Leave this stretch out.",
                            out));
                if (step.effort() == Technique.Effort.RESISTED
                        && step.zones().stream()
                                .anyMatch(z -> z.region() == Region.HIP
                                        || z.region() == Region.LOW_BACK
                                        || z.region() == Region.THIGH))
                    found.add(new Clash(
                            step,
                            step.zones().get(0),
                            name + " asks for resisted effort around a painful low back.",
                            "Keep the client passive.",
                            new Mend(
                                    "Keep the client passive",
                                    s -> s.replacing(
                                            step.id(), x -> x.with(e -> e.effort = Technique.Effort.PASSIVE)))));
            }
            case INFLAMED, NUMB, INJURED -> {
                for (var zone : covered(note, step))
                    if (step.depth() > 2 || stroke.passiveModality())
                        found.add(new Clash(
                                step,
                                zone,
                                name + " works deep on " + zone.label().toLowerCase(Locale.ROOT) + ", which is "
                                        + note.kind().label() + " on this client: no deep work, ask, refer.",
                                "Stay light, or leave it out.",
                                stroke.passiveModality() ? out : lower(step, 2)));
            }
            case SPARE -> {
                for (var zone : covered(note, step))
                    if (step.depth() > 0)
                        found.add(new Clash(
                                step,
                                zone,
                                name + " touches " + zone.label().toLowerCase(Locale.ROOT)
                                        + ", which this client asks to be left alone.",
                                "Leave it out.",
                                step.zones().size() > 1
                                        ? new Mend(
                                                "Leave " + zone.label().toLowerCase(Locale.ROOT) + " out of "
                                                        + name.toLowerCase(Locale.ROOT),
                                                s -> s.replacing(step.id(), x -> x.with(e -> e.zones.remove(zone))))
                                        : out));
            }
            case NO_LUBRICANT -> {
                if (step.lubricant() != Lubricant.DRY)
                    found.add(new Clash(
                            step,
                            null,
                            name + " uses lubricant, and this client must be spared it.",
                            "Work dry.",
                            new Mend(
                                    "Do all of it dry",
                                    s -> s.withBlocks(s.blocks().stream()
                                            .map(b -> b.withSteps(b.steps().stream()
                                                    .map(x -> x.with(e -> e.lubricant = Lubricant.DRY))
                                                    .toList()))
                                            .toList()))));
            }
            case NO_COLD -> {
                if (stroke == Stroke.COLD)
                    found.add(new Clash(
                            step,
                            step.zones().get(0),
                            name + " uses cold, and this client must be spared it.",
                            "Leave the cold out.",
                            out));
            }
        }
        return found;
    }

    private static List<Zone> covered(ClientNote note, Step step) {
        var side = switch (step.side()) {
            case LEFT -> palmtally.core.body.Side.LEFT;
            case RIGHT -> palmtally.core.body.Side.RIGHT;
            default -> palmtally.core.body.Side.BOTH;
        };
        return step.zones().stream().filter(z -> note.covers(z, side)).toList();
    }

    private static Mend lower(Step step, int to) {
        return new Mend("Lower to depth " + to, s -> s.replacing(step.id(), x -> x.withDepth(Math.min(x.depth(), to))));
    }

    private static Sequence sideLying(Sequence s) {
        return s.withBlocks(s.blocks().stream()
                .map(b -> b.withSteps(b.steps().stream()
                        .map(x -> x.position() == Position.PRONE ? x.with(e -> e.position = Position.SIDE_LEFT) : x)
                        .toList()))
                .toList());
    }
}
