package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile.FirstOnSkin;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Stint.Half;
import palmtally.core.sequence.Timeline.Span;
import palmtally.core.technique.Stroke;

/** Grip work on dry skin, or lubricant first, as the school teaches. */
@AutoService(Rule.Source.class)
public final class DrySkin implements Check {
    public static final Rule RULE = new Rule(
            "ORDER-DRY",
            Criterion.ORDER,
            Severity.WARN,
            "Grip work on dry skin, or lubricant first, as the school teaches.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        boolean dryFirst = plan.profile.order().firstOnSkin() == FirstOnSkin.DRY;
        var seen = new HashSet<String>();
        for (var entry : plan.over.entrySet()) {
            var half = entry.getKey();
            @Nullable Span wet = null;
            for (var span : entry.getValue()) {
                var step = span.stint().step();
                if (step.lubricant() != Lubricant.DRY
                        && !step.technique().stroke().grip()) {
                    if (wet == null) wet = span;
                } else if (dryFirst && wet != null && step.technique().stroke().grip() && seen.add(step.id()))
                    slides(plan, half, span, wet);
                if (step.lubricant() != Lubricant.DRY
                        && step.technique().stroke().grip()
                        && dryFirst
                        && seen.add(step.id()))
                    plan.report(
                            RULE,
                            plan.at(span, half.zone(), span.stint().side()),
                            plan.number(step)
                                    + " grips the skin with lubricant on it: the hand slides instead of taking hold.",
                            "Do grip work dry.",
                            new Mend(
                                    "Do it dry",
                                    s -> s.replacing(step.id(), x -> x.with(e -> e.lubricant = Lubricant.DRY))));
            }
            if (!dryFirst) dryGlides(plan, half, entry.getValue(), seen);
        }
    }

    private void slides(Plan plan, Half half, Span span, Span wet) {
        var step = span.stint().step();
        var before = wet.stint().step();
        plan.report(
                RULE,
                plan.at(span, half.zone(), span.stint().side()),
                plan.number(step) + " needs grip on " + half.zone().label().toLowerCase(Locale.ROOT) + " after "
                        + plan.number(before).toLowerCase(Locale.ROOT)
                        + " has put lubricant there: the hand slides instead of taking hold.",
                "Do grip work on this zone before the lubricant.",
                plan.canMove(step, before)
                        ? new Mend(
                                "Move it before " + plan.number(before).toLowerCase(Locale.ROOT),
                                s -> s.moving(step.id(), before.id(), 0))
                        : null);
    }

    /** Lubricant first: a glide over a zone that is dry, though it is lubricated later. */
    private void dryGlides(Plan plan, Half half, List<Span> spans, Set<String> seen) {
        boolean later = spans.stream().anyMatch(s -> s.stint().step().lubricant() != Lubricant.DRY);
        if (!later) return;
        for (var span : spans) {
            var step = span.stint().step();
            if (step.lubricant() != Lubricant.DRY) return;
            if (step.technique().stroke() == Stroke.EFFLEURAGE && step.sheet() == Sheet.OPEN && seen.add(step.id()))
                plan.report(
                        RULE,
                        plan.at(span, half.zone(), span.stint().side()),
                        plan.number(step) + " glides over dry "
                                + half.zone().label().toLowerCase(Locale.ROOT)
                                + " and the lubricant comes later; this school starts with it.",
                        "Begin with the lubricant.",
                        new Mend(
                                "Use a light film here",
                                s -> s.replacing(step.id(), x -> x.with(e -> e.lubricant = Lubricant.FILM))));
        }
    }

    @Override
    public void bind(HardLinks links) {
        if (links.plan().profile.order().firstOnSkin() != FirstOnSkin.DRY) return;
        for (var touched : links.touches()) {
            var grips = new ArrayList<Step>();
            for (var step : touched)
                if (step.technique().stroke().grip()) grips.add(step);
                else if (step.lubricant() != Lubricant.DRY) for (var g : grips) links.link(g, step);
        }
    }
}
