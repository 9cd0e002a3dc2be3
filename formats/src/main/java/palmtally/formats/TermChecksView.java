package palmtally.formats;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Position;
import palmtally.core.body.Region;
import palmtally.core.calendar.Aim;
import palmtally.core.calendar.Coverage;
import palmtally.core.calendar.TermChecks;
import palmtally.core.calendar.TermFinding;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Severity;
import palmtally.core.technique.Tool;

/** What the checks say of a term, as it leaves the program: the command line prints and the server sends this one shape. */
public record TermChecksView(
        double plannedHours,
        double roomHours,
        double targetHours,
        List<LabView> labs,
        List<RegionView> regions,
        List<TermFindingView> findings,
        List<CellView> cells) {
    /** Minutes of one lab, of those that have any. */
    public record LabView(int week, int lab, double minutes, boolean over) {}

    /** @param reach how far each criterion gets in this region */
    public record RegionView(Region region, double hours, Map<Criterion, Aim> reach, int expected, int covered) {}

    /** @param mend label of the edit that would mend it, or null where there is none to propose */
    public record TermFindingView(
            String key,
            String rule,
            Severity severity,
            TermFinding.TermPlace where,
            String sentence,
            String remedy,
            String meaning,
            @Nullable String mend) {
        static TermFindingView of(TermFinding f) {
            var mend = f.mend();
            return new TermFindingView(
                    f.key(),
                    f.rule().toString(),
                    f.severity(),
                    f.where(),
                    f.sentence(),
                    f.remedy(),
                    f.rule().meaning(),
                    mend == null ? null : mend.label());
        }
    }

    public record CellView(
            Region region,
            Tool tool,
            Position position,
            boolean expected,
            Map<Criterion, Aim> reach,
            double seconds,
            List<Coverage.Source> sources) {}

    public static TermChecksView of(TermChecks checks) {
        var term = checks.term();
        var labs = new ArrayList<LabView>();
        for (int w = 1; w <= term.weeks(); w++)
            for (int l = 1; l <= term.labsAWeek(); l++) {
                double minutes = term.minutes(w, l);
                if (minutes > 0)
                    labs.add(new LabView(w, l, minutes, term.off().contains(w) || minutes > term.labMinutes() + 1e-6));
            }
        var cells = checks.coverage().cells();
        var regions = term.regions().stream()
                .map(r -> new RegionView(
                        r,
                        checks.hours(r),
                        checks.coverage().reach(r),
                        (int) cells.stream()
                                .filter(c -> c.region() == r && c.expected())
                                .count(),
                        (int) cells.stream()
                                .filter(c -> c.region() == r && c.expected() && !c.empty())
                                .count()))
                .toList();
        return new TermChecksView(
                term.plannedHours(),
                term.roomHours(),
                term.targetHours(),
                labs,
                regions,
                checks.findings().stream().map(TermFindingView::of).toList(),
                cells.stream()
                        .map(c -> new CellView(
                                c.region(), c.tool(), c.position(), c.expected(), c.reach(), c.seconds(), c.sources()))
                        .toList());
    }
}
