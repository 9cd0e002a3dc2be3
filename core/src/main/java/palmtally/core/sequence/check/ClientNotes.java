package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.EnumSet;
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
import palmtally.core.technique.Tool;

/** A clash with what a client's body must be spared. */
@AutoService(Rule.Source.class)
public final class ClientNotes implements Check {
    public static final Rule RULE =
            new Rule("CLIENT", Criterion.PRESSURE, Severity.STOP, "Nothing that this client's body must be spared.");

    @Override
    public Rule rule() {
        return RULE;
    }

    /** Where a light hand tickles most (common practice, no source); where the ceiling is 1 a firm hand is no remedy. */
    private static final Set<Zone> TICKLISH = EnumSet.of(Zone.SOLE, Zone.ARMPIT, Zone.RIB_EDGE, Zone.BELLY);

    private static final Set<Zone> BARE = EnumSet.of(Zone.WRIST, Zone.HAND, Zone.SOLE, Zone.FOOT_TOP);

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
                                severity(plan, note),
                                new Where(step.id(), clash.zone, null, null),
                                clash.sentence + " " + ScopeTopic.WHO_DECIDES,
                                clash.remedy,
                                clash.mend);
    }

    /** Tickling hurts nobody. */
    private static Severity severity(Plan plan, ClientNote note) {
        var severity = plan.profile.severity(RULE);
        boolean mild = note.kind() == ClientNote.Kind.TICKLISH && severity.compareTo(Severity.WARN) > 0;
        return mild ? Severity.WARN : severity;
    }

    /** A foot may be squeezed at a middle depth (common practice, no source); the rest of a leg is worked lightly. */
    private static boolean deepOnLeg(Step step, Zone zone) {
        return zone.unit() == DrapeUnit.LEG && step.depth() > (zone.region() == Region.FOOT ? 3 : 2);
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
                            new Mend(
                                    "Side-lying for all prone steps",
                                    s -> lying(s, Position.PRONE, Position.SIDE_LEFT))));
                else if (step.zones().stream().anyMatch(z -> deepOnLeg(step, z)))
                    found.add(new Clash(
                            step,
                            step.zones().get(0),
                            name + " works deep on the leg, and this client is pregnant: vessels are at risk.",
                            "No deep work on the legs.",
                            lower(step, 2)));
            }
            case LATE_PREGNANCY -> {
                // From memory: flat on the back the weight of the child lies on the large vein.
                if (step.position() == Position.SUPINE)
                    found.add(new Clash(
                            step,
                            null,
                            name + " lies flat on the back, and this client is past the third month: the weight lies on"
                                    + " a large vein.",
                            "Half sitting, or on the side.",
                            new Mend(
                                    "Half sitting for all that lies on the back",
                                    s -> lying(s, Position.SUPINE, Position.SEMI_RECLINED))));
            }
            case NECK_INJURY -> {
                boolean neck = step.works(Region.NECK);
                boolean moved = switch (stroke) {
                    case TRACTION, JOINT_GLIDE, STRETCH, RANGE_OF_MOTION, CONTRACT_RELAX, TAPOTEMENT -> true;
                    default -> false;
                };
                if (neck && moved)
                    found.add(new Clash(
                            step,
                            step.zones().get(0),
                            name + " moves or jolts a neck that was injured once: what was torn may be loose.",
                            "Leave it out; calm, broad work at most.",
                            out));
                else if (neck && step.depth() > 2)
                    found.add(new Clash(
                            step,
                            step.zones().get(0),
                            name + " works deep on a neck that was injured once: it guards.",
                            "Stay light and broad.",
                            lower(step, 2)));
            }
            case TICKLISH -> {
                var zone = step.zones().stream().filter(TICKLISH::contains).findFirst();
                boolean brushes = stroke == Stroke.EFFLEURAGE
                        || stroke == Stroke.TAPOTEMENT
                        || stroke == Stroke.CIRCULAR_FRICTION;
                if (zone.isPresent() && brushes && step.depth() == 1)
                    found.add(new Clash(
                            step,
                            zone.get(),
                            name + " brushes over " + zone.get().label().toLowerCase(Locale.ROOT)
                                    + ", and this client is ticklish: a flat firm hand is felt as touch.",
                            "A flat, firm, slow hand, or another place first.",
                            new Mend(
                                    "Use a flat palm at depth 2",
                                    s -> s.replacing(
                                            step.id(),
                                            x -> x.with(e -> {
                                                e.tool = Tool.PALM;
                                                e.hand = null;
                                                e.depth = Math.min(2, plan.ceiling(step));
                                            })))));
            }
            case CLOTHED -> {
                if (step.lubricant() != Lubricant.DRY && dressed(step))
                    found.add(new Clash(
                            step,
                            step.zones().get(0),
                            name + " uses lubricant over clothes.",
                            "Work dry: compress, knead, rock, stretch.",
                            new Mend(
                                    "Work dry wherever there are clothes",
                                    s -> s.withBlocks(s.blocks().stream()
                                            .map(b -> b.withSteps(b.steps().stream()
                                                    .map(x -> dressed(x) ? x.with(e -> e.lubricant = Lubricant.DRY) : x)
                                                    .toList()))
                                            .toList()))));
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
                if (stroke.cools())
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

    /** Whether there are clothes where it is done: hands and feet are bare. */
    private static boolean dressed(Step step) {
        return step.zones().stream().anyMatch(z -> z.unit().draped() && !BARE.contains(z));
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

    private static Sequence lying(Sequence s, Position from, Position to) {
        return s.withBlocks(s.blocks().stream()
                .map(b -> b.withSteps(b.steps().stream()
                        .map(x -> x.position() == from ? x.with(e -> e.position = to) : x)
                        .toList()))
                .toList());
    }
}
