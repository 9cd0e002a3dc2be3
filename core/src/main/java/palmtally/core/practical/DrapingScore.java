package palmtally.core.practical;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import org.hipparchus.util.FastMath;
import palmtally.core.body.Side;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Spoken;
import palmtally.core.practical.Intervals.Stretch;
import palmtally.core.practical.Scored.Part;
import palmtally.core.practical.event.SheetChange;
import palmtally.core.practical.event.SheetLook;
import palmtally.core.practical.event.SheetLook.Miss;
import palmtally.core.profile.DrapingFault;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Timeline;
import palmtally.core.sequence.Timeline.OpenUnit;
import palmtally.core.sequence.check.IdleSheet;

/**
 * Draping, by looks at the sheet: each change of it and the cover at the end fall due as one, and without any there is no score. 100 ×
 * worked ÷ (worked + idle seconds beyond the grace), in watched time, by drape unit, less the prices of what was missed, never below
 * 0; at most the cap where at least two looks, and more than half, had a fault. Not asked where nothing was opened and nothing asked
 * for it. Permission is judged whatever else is.
 */
final class DrapingScore {
    /** From so many looks with a fault the cap may bind. */
    private static final int REPEATED = 2;

    private final Run run;
    private final Profile profile;
    private final Findings findings;
    private long worked;
    private long idle;

    private DrapingScore(Run run) {
        this.run = run;
        this.profile = run.practical().profile();
        this.findings = new Findings(profile);
    }

    static Scored of(Run run) {
        return new DrapingScore(run).score();
    }

    /** A look at the sheet and what it missed. */
    private record Looked(String event, long atMs, List<Miss> missed) {}

    private Scored score() {
        var questions = Permission.judge(run, findings);
        open();
        var looks = looks();
        double price = 0;
        var priced = new ArrayList<String>();
        var events = new ArrayList<String>();
        for (var look : looks) {
            events.add(look.event);
            for (var miss : look.missed) price += price(look, miss);
            if (!look.missed.isEmpty()) priced.add(look.event);
        }
        double ratio = worked + idle == 0 ? 1 : (double) worked / (worked + idle);
        boolean capped = priced.size() >= REPEATED && 2 * priced.size() > looks.size();
        double score = Math.max(0, 100 * ratio - price);
        if (capped) score = Math.min(score, profile.draping().faultyCap());
        var parts = new ArrayList<Part>();
        parts.add(new Part(
                "open and worked",
                worked + idle == 0 ? null : Double.valueOf(ratio),
                1,
                worked + idle == 0
                        ? "nothing open was watched"
                        : Spoken.mmss(worked / 1000.0) + " worked, and " + Spoken.mmss(idle / 1000.0)
                                + " open and idle beyond the grace",
                List.of()));
        parts.add(new Part(
                "looks at the sheet",
                looks.isEmpty() ? null : Double.valueOf(-price / 100),
                1,
                looks.isEmpty()
                        ? "no look at the sheet was answered"
                        : (looks.size() - priced.size()) + " of " + Spoken.counted(looks.size(), "look")
                                + " clean; what was missed costs " + Spoken.number(price) + " points"
                                + (capped
                                        ? ", and at most "
                                                + Spoken.number(
                                                        profile.draping().faultyCap())
                                                + " as more than half of them had a fault"
                                        : ""),
                events));
        var rests = new Scored.Rests(Criterion.DRAPING, looks.size(), due(), "looks at the sheet");
        return Scored.of(run.practical(), rests, score, parts, findings.all(), null)
                .waitingFor(questions);
    }

    /** Looks that were asked for, and what was noticed of the sheet in between; both count. */
    private List<Looked> looks() {
        var looks = new ArrayList<Looked>();
        for (var look : run.all(SheetLook.class))
            looks.add(new Looked(look.id(), look.atMs(), look.of().misses()));
        for (var change : run.all(SheetChange.class))
            if (change.of().looks())
                looks.add(new Looked(
                        change.id(),
                        change.atMs(),
                        change.of().fault() == null
                                ? List.of()
                                : List.of(new Miss(change.of().fault(), null))));
        looks.sort(java.util.Comparator.comparingLong(Looked::atMs));
        return looks;
    }

    /** Each moment at which something was opened, and the cover at the end where that is asked and the plan opens something. */
    private int due() {
        int openings =
                (int) run.opens().stream().mapToLong(Run.Open::start).distinct().count();
        boolean opens = openings > 0
                || run.practical().brief().stream()
                        .anyMatch(s -> s.step().sheet() == Sheet.OPEN
                                && !Timeline.unitsOpenedBy(s).isEmpty());
        return openings + (opens && run.practical().extent().closing() ? 1 : 0);
    }

    private double price(Looked look, Miss miss) {
        double points = profile.draping().prices().getOrDefault(miss.fault(), 0.0);
        findings.add(
                RunRules.DRAPE_FAULT,
                run.at(look.atMs).map(Run.Done::step).orElse(null),
                null,
                null,
                look.atMs,
                "At " + Spoken.mmss(look.atMs / 1000.0) + ": " + miss.label() + " (" + Spoken.number(points)
                        + " points).",
                miss.point() == null ? remedy(miss.fault()) : miss.point().words() + ".",
                List.of(look.event));
        return points;
    }

    /** What was worked and what lay idle beyond the grace, of each open unit while somebody watched. */
    private void open() {
        long grace = FastMath.round(profile.draping().idleGraceSeconds() * 1000);
        var hands = new HashMap<OpenUnit, Intervals>();
        for (var open : run.opens()) {
            var on = hands.computeIfAbsent(open.unit(), this::hands).and(open.start(), open.end());
            long clock = open.start();
            for (var h : on.stretches()) {
                worked += run.attended().length(h.start(), h.end());
                idle(open, clock, h.start(), grace);
                clock = h.end();
            }
            idle(open, clock, open.end(), grace);
        }
    }

    /** When hands were on a unit; work on the midline is work on both sides. */
    private Intervals hands(OpenUnit unit) {
        return Intervals.union(run.contacts().stream()
                .filter(c -> c.zone().unit() == unit.unit()
                        && (unit.side() == Side.MIDLINE
                                || c.side() == Side.MIDLINE
                                || c.side().reaches(unit.side())))
                .map(c -> new Stretch(c.start(), c.end()))
                .toList());
    }

    private void idle(Run.Open open, long start, long end, long grace) {
        long watched = run.attended().length(start, end);
        if (watched <= grace) return;
        idle += watched - grace;
        findings.add(
                IdleSheet.RULE,
                run.at(start).map(Run.Done::step).orElse(null),
                null,
                open.unit().side(),
                start,
                "The " + open.unit() + " lay open and unworked for " + Spoken.mmss(watched / 1000.0) + " from "
                        + Spoken.mmss(start / 1000.0) + ".",
                "Cover what is not being worked.",
                List.of());
    }

    private static String remedy(DrapingFault fault) {
        return switch (fault) {
            case LOOSE -> "Tuck the edge under, firm enough to lift the limb.";
            case LEFT_OPEN -> "Close each part before opening the next.";
            case LIFTED_TOO_HIGH -> "Lift the knee only as high as the sheet needs.";
            case NOT_SECURED -> "Secure the sheet before a big stretch or a limb lift.";
            case NOT_COVERED_AT_END -> "Cover and tuck before the closing word.";
            case OTHER -> "Go through the school’s way of draping it, point by point.";
        };
    }
}
