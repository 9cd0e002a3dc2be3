package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.people.ClientNote;
import palmtally.core.sequence.ScopeWords;
import palmtally.core.sequence.Step;
import palmtally.core.technique.ScopeTopic;
import palmtally.core.technique.ScopeTopic.Level;

/** Nothing the school does not teach; local codes and licensed practice decide. */
@AutoService(Rule.Source.class)
public final class Scope implements Check {
    public static final Rule RULE = new Rule(
            "SCOPE",
            Criterion.COMMUNICATION,
            Severity.STOP,
            "Nothing the school does not teach; local codes and licensed practice decide.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        if (plan.notes.stream().anyMatch(n -> n.kind() == ClientNote.Kind.PREGNANT))
            report(plan, Where.EVERYWHERE, ScopeTopic.PRENATAL, "This client is pregnant", null);
        if (ScopeWords.DIAGNOSIS.in(plan.sequence.note()))
            report(plan, Where.EVERYWHERE, ScopeTopic.DIAGNOSIS, "The note of the sequence names a condition", null);
        var about = new EnumMap<ScopeTopic, List<Step>>(ScopeTopic.class);
        for (var step : plan.steps)
            for (var topic : step.topics())
                if (words(topic) || step.depth() > 0 || plan.profile.scope(topic) != Level.THEORY_ONLY)
                    about.computeIfAbsent(topic, t -> new ArrayList<>()).add(step);
        about.forEach((topic, steps) -> {
            var first = steps.get(0);
            report(
                    plan,
                    new Where(first.id(), words(topic) ? null : first.zones().get(0), null, null),
                    topic,
                    plan.numbers(steps) + (steps.size() == 1 ? " is" : " are") + " about "
                            + topic.label().toLowerCase(Locale.ROOT),
                    mend(plan, steps, topic));
        });
    }

    /** Whether it is what is said that touches it, not what is done. */
    private static boolean words(ScopeTopic topic) {
        return topic == ScopeTopic.EXERCISE_ADVICE || topic == ScopeTopic.DIAGNOSIS;
    }

    private void report(Plan plan, Where where, ScopeTopic topic, String subject, @Nullable Mend mend) {
        var level = plan.profile.scope(topic);
        if (level == Level.ALLOWED) return;
        var severity = plan.profile.severity(RULE);
        if (level == Level.SUPERVISED && severity.compareTo(Severity.HINT) > 0) severity = Severity.HINT;
        plan.report(
                RULE,
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

    private static @Nullable Mend mend(Plan plan, List<Step> steps, ScopeTopic topic) {
        var name = plan.numbers(steps).toLowerCase(Locale.ROOT);
        var ids = steps.stream().map(Step::id).collect(Collectors.toSet());
        if (words(topic)) {
            if (steps.stream().anyMatch(s -> ScopeWords.DIAGNOSIS.in(s.name()))) return null;
            var words = topic == ScopeTopic.DIAGNOSIS ? ScopeWords.DIAGNOSIS : ScopeWords.EXERCISE;
            return new Mend("Take these words out of " + name, s -> {
                var result = s;
                for (var id : ids)
                    result = result.replacing(id, x -> x.with(e -> e.say.removeIf(w -> words.in(w.words()))));
                return result;
            });
        }
        return ids.size() == plan.steps.size() ? null : new Mend("Take " + name + " out", s -> s.without(ids));
    }
}
