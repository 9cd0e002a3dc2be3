package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import palmtally.core.body.Region;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile.ConsentMoment;
import palmtally.core.sequence.Importance;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Saying;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Tool;

/**
 * Permission for a sensitive region, skin or sheet. At the moment: asked in the first step that touches it, or in the one
 * before. At the start, confirmed: asked while settling or assessing, and again in that first step. Each side that is opened
 * anew asks anew because the step is repeated with its words.
 */
@AutoService(Rule.Source.class)
public final class ConsentBefore implements Check {
    public static final Rule RULE = new Rule(
            "CONSENT-BEFORE", Criterion.DRAPING, Severity.STOP, "Permission before touching a sensitive zone.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        boolean atStart = plan.profile.draping().consent() == ConsentMoment.AT_THE_START_CONFIRMED;
        var spans = plan.timeline.spans();
        boolean askedAtStart = spans.stream()
                .map(s -> s.stint().step())
                .anyMatch(s -> (s.phase() == Phase.SETTLE || s.phase() == Phase.ASSESS) && asksConsent(s));
        var done = new HashSet<Region>();
        for (int i = 0; i < spans.size(); i++) {
            var span = spans.get(i);
            var step = span.stint().step();
            if (step.depth() == 0 || step.settles() || step.sheet() == Sheet.COVERED && step.depth() <= 1) continue;
            for (var zone : step.zones()) {
                if (!plan.profile.draping().sensitive().contains(zone) || !done.add(zone.region())) continue;
                boolean now = asksConsent(step)
                        || (i > 0
                                && !atStart
                                && asksConsent(spans.get(i - 1).stint().step()));
                if (now && (!atStart || askedAtStart)) continue;
                var first = spans.get(0).stint().step();
                plan.report(
                        RULE,
                        plan.at(span, zone, null),
                        plan.number(step) + " touches " + zone.label().toLowerCase(Locale.ROOT)
                                + (now
                                        ? ", confirmed at the moment but never asked at the start, as this school does."
                                        : " without asking first: it is the client's to give, with its scope, and to withdraw."),
                        "Ask: which zone, skin or through the sheet; a no or a change of mind is always fine.",
                        new Mend("Ask before " + plan.number(step).toLowerCase(Locale.ROOT), s -> {
                            var asked = now ? s : s.replacing(step.id(), x -> x.saying(question(zone.label())));
                            return atStart && !askedAtStart ? askAtStart(plan, asked, first, zone.label()) : asked;
                        }));
            }
        }
    }

    private static boolean asksConsent(Step step) {
        return step.say().stream().anyMatch(s -> s.kind() == SayKind.CONSENT);
    }

    private static Saying question(String zone) {
        return Saying.of(
                SayKind.CONSENT, "May I work on the " + zone.toLowerCase(Locale.ROOT) + ", with the sheet or without?");
    }

    private static Sequence askAtStart(Plan plan, Sequence s, Step first, String zone) {
        if (first.phase() == Phase.SETTLE || first.phase() == Phase.ASSESS)
            return s.replacing(first.id(), x -> x.saying(question(zone)));
        var ask = first.with(e -> {
            e.made(s.freshId("ask"), "Agree areas and sheet", plan.use("still-hold"), Tool.PALM, 1, 20, Phase.SETTLE);
            e.zones = List.of(plan.neutral(first.position()));
            e.side = Sides.BOTH;
            e.lubricant = Lubricant.DRY;
            e.sheet = Sheet.THROUGH;
            e.say.add(question(zone));
            e.importance = Importance.MUST;
        });
        return s.inserting(first.id(), ask, 0);
    }

    @Override
    public void bind(HardLinks links) {
        var steps = links.steps();
        var sensitive = links.plan().profile.draping().sensitive();
        for (int j = 0; j < steps.size(); j++)
            for (var zone : steps.get(j).zones()) if (sensitive.contains(zone)) asked(links, j, zone.region());
    }

    private static void asked(HardLinks links, int j, Region region) {
        var steps = links.steps();
        for (int i = 0; i < j; i++) {
            var before = steps.get(i);
            boolean here = before.zones().stream().anyMatch(z -> z.region() == region);
            boolean opening = before.phase() == Phase.SETTLE || before.phase() == Phase.ASSESS;
            if (before.says(SayKind.CONSENT) && (here || opening || i == j - 1)) links.link(before, steps.get(j));
        }
    }
}
