package palmtally.core.practical;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Spoken;
import palmtally.core.practical.EventData.ConsentAnswer;
import palmtally.core.practical.Intervals.Stretch;
import palmtally.core.practical.Scored.Part;
import palmtally.core.profile.DrapingFault;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Stint;

/**
 * Draping: 100 · (1 − idle seconds beyond the grace ÷ open seconds), both in attended time, less the prices of faults, never below 0.
 * Not applicable where nothing was opened and nothing asked for it. Touching a sensitive zone before, beyond or after the end of
 * its permission is critical.
 */
final class DrapingScore {
    private DrapingScore() {}

    static Scored of(Run run) {
        var profile = run.practical().profile();
        var findings = new Findings(profile);
        consent(run, findings);

        long open = 0;
        long idle = 0;
        long grace = Math.round(profile.draping().idleGraceSeconds() * 1000);
        for (var o : run.opens()) {
            var watched = run.attended().and(o.start(), o.end());
            open += watched.length();
            var worked = new ArrayList<Stretch>();
            for (var c : run.contacts())
                if (c.zone().unit() == o.unit().unit()
                        && (o.unit().side() == Side.MIDLINE
                                || c.side().reaches(o.unit().side()))) worked.add(new Stretch(c.start(), c.end()));
            var hands = Intervals.union(worked);
            for (var s : watched.stretches()) {
                long clock = s.start();
                for (var h : hands.and(s.start(), s.end()).stretches()) {
                    idle += idle(run, findings, o, clock, h.start(), grace);
                    clock = h.end();
                }
                idle += idle(run, findings, o, clock, s.end(), grace);
            }
        }

        double price = 0;
        var events = new ArrayList<String>();
        var priced = new ArrayList<String>();
        for (var e : run.events(EventKind.SHEET_CHANGE)) {
            events.add(e.id());
            var fault = fault(e);
            if (fault == null) continue;
            double p = profile.draping().prices().getOrDefault(fault, 0.0);
            price += p;
            priced.add(e.id());
            findings.add(
                    Rule.DRAPE_FAULT,
                    run.at(e.atMs()).map(Run.Done::step).orElse(null),
                    null,
                    null,
                    e.atMs(),
                    "At " + Spoken.mmss(e.atMs() / 1000.0) + ": " + fault.label() + " (" + Spoken.number(p)
                            + " points).",
                    remedy(fault),
                    List.of(e.id()));
        }
        boolean asked = run.practical().brief().stream()
                .anyMatch(s -> s.step().sheet() == Sheet.OPEN
                        && !palmtally.core.sequence.Timeline.unitsOpenedBy(s).isEmpty());
        if (run.opens().isEmpty() && events.isEmpty()) {
            if (!asked)
                return new Scored(
                        Criterion.DRAPING,
                        null,
                        "nothing was opened and nothing asked for it",
                        false,
                        List.of(),
                        findings.all(),
                        0,
                        null);
            return Scored.unseen(Criterion.DRAPING, "nothing was seen opened", List.of(), findings.all());
        }
        if (open == 0 && events.isEmpty())
            return Scored.unseen(Criterion.DRAPING, "nobody was watching while it was open", List.of(), findings.all());
        double share = open == 0 ? 1 : 1 - (double) idle / open;
        double score = Math.max(0, 100 * share - price);
        var parts = List.of(
                new Part(
                        "open and worked",
                        share,
                        1,
                        "idle beyond the grace " + Spoken.mmss(idle / 1000.0) + " of " + Spoken.mmss(open / 1000.0)
                                + " open and watched",
                        events),
                new Part(
                        "faults",
                        -price / 100,
                        1,
                        priced.size() + " faults cost " + Spoken.number(price) + " points",
                        priced));
        return new Scored(
                Criterion.DRAPING,
                score,
                null,
                true,
                parts,
                findings.all(),
                run.opens().size() + events.size(),
                null);
    }

    private static long idle(Run run, Findings findings, Run.Open open, long start, long end, long grace) {
        long beyond = end - start - grace;
        if (beyond <= 0) return 0;
        findings.add(
                Rule.DRAPE_IDLE,
                run.at(start).map(Run.Done::step).orElse(null),
                null,
                open.unit().side(),
                start,
                "The " + open.unit() + " lay open and unworked for " + Spoken.mmss((end - start) / 1000.0) + " from "
                        + Spoken.mmss(start / 1000.0) + ".",
                "Cover what is not being worked.",
                List.of());
        return beyond;
    }

    private static @org.jspecify.annotations.Nullable DrapingFault fault(Event e) {
        return switch (java.util.Objects.requireNonNull(e.data().drape())) {
            case LOOSE -> DrapingFault.LOOSE;
            case LEFT_OPEN -> DrapingFault.LEFT_OPEN;
            case LIFTED_TOO_HIGH -> DrapingFault.LIFTED_TOO_HIGH;
            case NOT_SECURED -> DrapingFault.NOT_SECURED;
            case NOT_COVERED_AT_END -> DrapingFault.NOT_COVERED_AT_END;
            case OPEN, COVER, SECURED -> null;
        };
    }

    private static String remedy(DrapingFault fault) {
        return switch (fault) {
            case LOOSE -> "Tuck the edge under, firm enough to lift the limb.";
            case LEFT_OPEN -> "Close each part before opening the next.";
            case LIFTED_TOO_HIGH -> "Lift the knee only as high as the sheet needs.";
            case NOT_SECURED -> "Secure the sheet before a big stretch or a limb lift.";
            case NOT_COVERED_AT_END -> "Cover and tuck before the closing word.";
        };
    }

    /** Permission of a zone: what was last answered, for skin or through the sheet. */
    private record Permission(ConsentAnswer answer, Sheet scope, String event) {}

    /**
     * Walks touches and answers in time. An answer that names no zone is about all sensitive ones. Touch that nobody watched is not
     * judged.
     */
    private static void consent(Run run, Findings findings) {
        var sensitive = run.practical().profile().draping().sensitive();
        var answers = run.events(EventKind.CONSENT);
        var reported = new java.util.HashSet<String>();
        for (var c : run.contacts()) {
            if (!sensitive.contains(c.zone()) || (c.depth() != null && c.depth() == 0) || c.end() <= c.start())
                continue;
            if (c.sheet() == Sheet.COVERED && !c.seen()) continue;
            Map<Zone, Permission> now = new EnumMap<>(Zone.class);
            long withdrawnAt = -1;
            for (var a : answers) {
                if (a.atMs() > c.end()) break;
                boolean mine = a.data().zone() == null
                        || a.data().zone() == c.zone()
                        || (a.data().zone().region() == c.zone().region());
                if (!mine) continue;
                var answer = java.util.Objects.requireNonNull(a.data().answer());
                if (a.atMs() <= c.start()) {
                    if (answer != ConsentAnswer.ASKED)
                        now.put(
                                c.zone(),
                                new Permission(
                                        answer,
                                        a.data().sheet() != null ? a.data().sheet() : Sheet.OPEN,
                                        a.id()));
                } else if (answer == ConsentAnswer.WITHDRAWN || answer == ConsentAnswer.NO) {
                    if (withdrawnAt < 0 && c.end() - a.atMs() > 2000) {
                        withdrawnAt = a.atMs();
                        reportOnce(
                                run,
                                findings,
                                reported,
                                c,
                                Rule.CONSENT_SCOPE,
                                a.atMs(),
                                "Work on " + c.zone().label().toLowerCase()
                                        + " went on after permission was withdrawn at " + Spoken.mmss(a.atMs() / 1000.0)
                                        + ".",
                                List.of(a.id(), c.event()));
                    }
                }
            }
            if (!run.attended().contains(c.start())) continue;
            var permission = now.get(c.zone());
            if (permission == null || permission.answer == ConsentAnswer.NO)
                reportOnce(
                        run,
                        findings,
                        reported,
                        c,
                        Rule.CONSENT_BEFORE,
                        c.start(),
                        permission == null
                                ? zone(c) + ": touched at " + Spoken.mmss(c.start() / 1000.0)
                                        + ", and no permission was heard."
                                : zone(c) + ": touched at " + Spoken.mmss(c.start() / 1000.0) + " after a no.",
                        permission == null ? List.of(c.event()) : List.of(permission.event, c.event()));
            else if (permission.answer == ConsentAnswer.WITHDRAWN)
                reportOnce(
                        run,
                        findings,
                        reported,
                        c,
                        Rule.CONSENT_SCOPE,
                        c.start(),
                        zone(c) + ": touched again at " + Spoken.mmss(c.start() / 1000.0)
                                + " after permission was withdrawn.",
                        List.of(permission.event, c.event()));
            else if (permission.scope == Sheet.THROUGH && c.sheet() == Sheet.OPEN)
                reportOnce(
                        run,
                        findings,
                        reported,
                        c,
                        Rule.CONSENT_SCOPE,
                        c.start(),
                        zone(c) + ": worked on skin; the permission was through the sheet.",
                        List.of(permission.event, c.event()));
        }
    }

    private static String zone(Run.Contact c) {
        return c.zone().label();
    }

    private static void reportOnce(
            Run run,
            Findings findings,
            java.util.Set<String> reported,
            Run.Contact c,
            Rule rule,
            long at,
            String sentence,
            List<String> events) {
        if (reported.add(rule + c.zone().toString() + c.side()))
            findings.critical(
                    rule,
                    c.step(),
                    c.zone(),
                    Stint.halves(c.zone(), c.side()).size() == 1 ? c.side() : null,
                    at,
                    sentence,
                    "Ask first: which zone, skin or through the sheet; a no or a change of mind is always fine.",
                    events);
    }
}
