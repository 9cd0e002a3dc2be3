package palmtally.core.demonstration;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;
import palmtally.core.finding.Criterion;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Timeline.OpenUnit;
import palmtally.core.sequence.Timeline.Span;
import palmtally.core.sequence.detail.Detail;
import palmtally.core.sequence.detail.DetailField;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;

/**
 * What a class is shown of one stint, in words to be read from afar.
 *
 * @param number of the step in its sequence, from 1
 * @param place the side in words, empty on the midline
 * @param cues a line each, in the order of the lanes
 * @param more what else the teacher says of it, but for the way it goes
 * @param caution what to mind at this site, or else with this technique, or null
 * @param leadSeconds before the hands work: turning, sheet, lubricant, questions
 * @param clientSeconds what a client needs on this side
 * @param beat what is counted during it, or null where nothing is
 */
public record Moment(
        Span span,
        int number,
        String place,
        List<Cue> cues,
        List<Detail.InWords> more,
        @Nullable String caution,
        double leadSeconds,
        double clientSeconds,
        @Nullable Beat beat) {
    /** One line of what to do. */
    public record Cue(Criterion lane, String name, String text) {}

    /**
     * What is counted: a station, a breath, a pass or a cycle of friction.
     *
     * @param count how many a client needs
     * @param seconds length of one
     */
    public record Beat(String unit, int count, double seconds) {}

    /** Moments of a demonstration in planned order. */
    public static List<Moment> of(Showing showing, Techniques library) {
        var ids = showing.sequence().blocks().stream()
                .flatMap(b -> b.steps().stream())
                .map(Step::id)
                .toList();
        return showing.timeline().spans().stream()
                .map(s -> of(s, ids.indexOf(s.stint().step().id()) + 1, showing.profile(), library))
                .toList();
    }

    private static Moment of(Span span, int number, Profile profile, Techniques library) {
        var stint = span.stint();
        var step = stint.step();
        return new Moment(
                span,
                number,
                place(stint.side()),
                cues(span, profile),
                more(step, library),
                caution(step, library),
                span.start() - span.begin(),
                step.dose().totalSeconds(),
                beat(step.dose()));
    }

    /** A side in words, empty on the midline. */
    static String place(Side side) {
        return switch (side) {
            case LEFT -> "left side";
            case RIGHT -> "right side";
            case BOTH -> "both sides";
            case MIDLINE -> "";
        };
    }

    private static List<Detail.InWords> more(Step step, Techniques library) {
        boolean way = way(step) != null;
        return step.details().lines(id -> library.find(id).map(Technique::name).orElse(id)).stream()
                .filter(l -> l.field() != DetailField.PICTURE)
                .filter(l -> !way || l.field() != DetailField.FROM && l.field() != DetailField.TO)
                .toList();
    }

    /** From where to where; null where it is not said of both. */
    private static @Nullable String way(Step step) {
        var said = new EnumMap<DetailField, String>(DetailField.class);
        for (var line : step.details().lines(t -> t)) said.put(line.field(), line.words());
        return said.containsKey(DetailField.FROM) && said.containsKey(DetailField.TO)
                ? said.get(DetailField.FROM) + " → " + said.get(DetailField.TO)
                : null;
    }

    private static List<Cue> cues(Span span, Profile profile) {
        var step = span.stint().step();
        var cues = new ArrayList<Cue>();
        cues.add(new Cue(Criterion.MECHANICS, "Stand", step.stance() + ", " + step.handWords()));
        cues.add(new Cue(
                Criterion.ORDER,
                "Travel",
                way(step) != null
                        ? way(step) + ", " + step.dose().words()
                        : step.zones().stream().map(z -> z.label()).collect(Collectors.joining(", ")) + ", "
                                + step.dose().words()));
        var band = step.bandUnder(profile);
        cues.add(new Cue(
                Criterion.PRESSURE,
                "Sink",
                "depth " + step.depth() + " of 5, client keeps it at " + band.low() + "–" + band.high()));
        cues.add(new Cue(
                Criterion.DRAPING,
                "Cover",
                step.sheet() == Sheet.OPEN
                        ? "open: " + open(span)
                        : step.sheet() == Sheet.THROUGH ? "through the sheet" : "covered"));
        step.say().stream()
                .filter(s -> s.words() != null)
                .limit(2)
                .forEach(s -> cues.add(new Cue(Criterion.COMMUNICATION, "Say", "“" + s.words() + "”")));
        return List.copyOf(cues);
    }

    private static String open(Span span) {
        var units = span.open().stream().map(Moment::unit).sorted().collect(Collectors.joining(", "));
        return units.isEmpty() ? "nothing under the sheet" : units;
    }

    private static String unit(OpenUnit open) {
        var unit = open.unit().toString().replace('-', ' ');
        return open.side() == Side.MIDLINE ? unit : open.side() + " " + unit;
    }

    private static @Nullable String caution(Step step, Techniques library) {
        for (var zone : step.zones()) {
            var ceiling = zone.ceiling().orElse(null);
            if (ceiling != null && ceiling.high() <= 3)
                return (ceiling.high() == 1 ? "skin weight only: " : "depth " + ceiling.low() + " at most: ")
                        + ceiling.why();
        }
        return library.find(step.technique().id()).orElse(step.technique()).caution();
    }

    private static @Nullable Beat beat(Dose dose) {
        var count = dose.count();
        if (count == null) return null;
        return new Beat(
                switch (dose.kind()) {
                    case HOLDS -> "station";
                    case BREATHS -> "breath";
                    case CYCLES -> "cycle";
                    default -> "pass";
                },
                count,
                dose.totalSeconds() / count);
    }
}
