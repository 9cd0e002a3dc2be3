package palmtally.core.sequence;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Position;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.people.ClientNote;
import palmtally.core.profile.ScopeTopic;
import palmtally.core.profile.ScopeTopic.Level;
import palmtally.core.technique.Stroke;
import palmtally.core.technique.Technique;

/** Checks against what the school teaches and what one body must be spared (common practice, no source). */
final class ScopeChecks {
    private ScopeChecks() {}

    /** Words that make a plan of exercises, or a diagnosis, out of a remark. Ours, and on the careful side. */
    private static final Pattern EXERCISE = Pattern.compile(
            "\\b(exercises?|sets of|repetitions|reps|at home|every (morning|evening|day)|daily)\\b",
            Pattern.CASE_INSENSITIVE);

    private static final Pattern DIAGNOSIS = Pattern.compile(
            "\\b(diagnos\\w*|you have (a|an|got)\\b|torn|rupture\\w*|hernia\\w*|slipped disc|prolapse\\w*|arthritis|bursitis|sciatica|pinched nerve|fracture\\w*|scoliosis|thrombosis)|tend[io]nitis",
            Pattern.CASE_INSENSITIVE);

    /** Which topics a step touches. */
    static Set<ScopeTopic> topics(Step step) {
        var topics = java.util.EnumSet.noneOf(ScopeTopic.class);
        var zones = step.zones();
        var stroke = step.library().stroke();
        if (zones.stream().anyMatch(PrerequisiteChecks.FRONT_OF_NECK::contains)) topics.add(ScopeTopic.FRONT_OF_NECK);
        if (zones.contains(Zone.INSIDE_MOUTH)) topics.add(ScopeTopic.INSIDE_MOUTH);
        if (zones.contains(Zone.BREAST)) topics.add(ScopeTopic.BREAST_TISSUE);
        if (stroke == Stroke.JOINT_GLIDE) topics.add(ScopeTopic.JOINT_MOVEMENT);
        if (stroke.passiveModality()) topics.add(ScopeTopic.HEAT_AND_COLD);
        if (zones.stream().anyMatch(z -> z.unit() == DrapeUnit.ABDOMEN)) topics.add(ScopeTopic.ABDOMINAL);
        if (!step.say().isEmpty() && step.say().stream().anyMatch(s -> said(EXERCISE, s.words())))
            topics.add(ScopeTopic.EXERCISE_ADVICE);
        if (said(DIAGNOSIS, step.name()) || step.say().stream().anyMatch(s -> said(DIAGNOSIS, s.words())))
            topics.add(ScopeTopic.DIAGNOSIS);
        return topics;
    }

    private static boolean said(Pattern pattern, @Nullable String words) {
        return words != null && words.length() > 2 && pattern.matcher(words).find();
    }

    static final class Taught implements Check {
        @Override
        public Rule rule() {
            return Rule.SCOPE;
        }

        @Override
        public void look(Plan plan) {
            var steps = plan.steps;
            if (plan.notes.stream().anyMatch(n -> n.kind() == ClientNote.Kind.PREGNANT))
                report(plan, Where.EVERYWHERE, ScopeTopic.PRENATAL, "This client is pregnant", null);
            if (said(DIAGNOSIS, plan.sequence.note()))
                report(
                        plan,
                        Where.EVERYWHERE,
                        ScopeTopic.DIAGNOSIS,
                        "The note of the sequence names a condition",
                        null);
            for (var step : steps)
                for (var topic : topics(step)) {
                    boolean words = topic == ScopeTopic.EXERCISE_ADVICE || topic == ScopeTopic.DIAGNOSIS;
                    if (!words && step.depth() == 0 && plan.profile.scope(topic) == Level.THEORY_ONLY) continue;
                    var where = new Where(step.id(), words ? null : step.zones().get(0), null, null);
                    report(
                            plan,
                            where,
                            topic,
                            plan.number(step) + " is about " + topic.label().toLowerCase(Locale.ROOT),
                            mend(plan, step, topic));
                }
        }

        private void report(Plan plan, Where where, ScopeTopic topic, String subject, @Nullable Mend mend) {
            var level = plan.profile.scope(topic);
            if (level == Level.ALLOWED) return;
            var severity = plan.profile.severity(rule());
            if (level == Level.SUPERVISED && severity.compareTo(Severity.HINT) > 0) severity = Severity.HINT;
            plan.report(
                    rule(),
                    severity,
                    where,
                    subject
                            + switch (level) {
                                case NOT_TAUGHT -> ", which this school does not teach. ";
                                case THEORY_ONLY -> ", which this school teaches as theory only, never hands on. ";
                                default -> ": only with the instructor at the table. ";
                            }
                            + topic.caution() + " " + ScopeTopic.WHO_DECIDES,
                    level == Level.SUPERVISED ? "Do it under supervision." : "Leave it out.",
                    level == Level.SUPERVISED ? null : mend);
        }

        private static @Nullable Mend mend(Plan plan, Step step, ScopeTopic topic) {
            var name = plan.number(step).toLowerCase(Locale.ROOT);
            if (topic == ScopeTopic.EXERCISE_ADVICE || topic == ScopeTopic.DIAGNOSIS) {
                if (said(DIAGNOSIS, step.name())) return null;
                var pattern = topic == ScopeTopic.DIAGNOSIS ? DIAGNOSIS : EXERCISE;
                return new Mend(
                        "Take these words out of " + name,
                        s -> s.replacing(step.id(), x -> x.with(e -> e.say.removeIf(w -> said(pattern, w.words())))));
            }
            if (plan.steps.size() == 1) return null;
            return new Mend("Take " + name + " out", s -> s.without(Set.of(step.id())));
        }
    }

    /** A clash with what a client's body must be spared. */
    static final class Client implements Check {
        @Override
        public Rule rule() {
            return Rule.CLIENT;
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
                                    rule(),
                                    new Where(step.id(), clash.zone, null, null),
                                    clash.sentence + " " + ScopeTopic.WHO_DECIDES,
                                    clash.remedy,
                                    clash.mend);
        }

        private List<Clash> clashes(Plan plan, ClientNote note, Step step) {
            var found = new ArrayList<Clash>();
            var name = plan.number(step);
            var stroke = step.library().stroke();
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
            return new Mend(
                    "Lower to depth " + to, s -> s.replacing(step.id(), x -> x.withDepth(Math.min(x.depth(), to))));
        }

        private static Sequence sideLying(Sequence s) {
            return s.withBlocks(s.blocks().stream()
                    .map(b -> b.withSteps(b.steps().stream()
                            .map(x -> x.position() == Position.PRONE ? x.with(e -> e.position = Position.SIDE_LEFT) : x)
                            .toList()))
                    .toList());
        }
    }
}
