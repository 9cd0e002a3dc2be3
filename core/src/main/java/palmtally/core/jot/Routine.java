package palmtally.core.jot;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.IntFunction;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.detail.Detail;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Stroke;
import palmtally.core.technique.Techniques;

/**
 * A routine of several lines, each going on from the one before. A line that says only what is done when something comes up, or that the
 * other side follows, belongs to the step before it. Where every line begins with a time, and each later than the one before, these are
 * the moments at which something begins: a step takes as long as there is to the next.
 */
public final class Routine {
    private static final Pattern TIMED = Pattern.compile("^\\s*(\\d{1,3}):([0-5]\\d)\\b[\\s,.:–-]*(.*)$");
    private static final Pattern REPEATS = Pattern.compile(
            "^(?:(?:and|now|then|re ?drape|re ?cover|cover(?: it| up)?) )*(?:(?:the )?(?:other|second|opposite) (?:side|leg|arm|foot|hand)|(?:repeat|same|do the same|all of it|all again)"
                    + "(?: again)?(?: on| for| to)?(?: the)? ?(?:other|second|opposite|left|right|l|r)? ?(?:side|leg|arm|foot|hand)?|both sides"
                    + "|(?:turn|roll|change)(?: them| her| him)?(?: over)?(?: and)?(?: do)?(?: the)? same(?: on)?(?: the)?(?: other| second)? ?(?:side)?)$");

    /** Nothing is done by it: it says how the sheet lies, or what to mind. */
    private static final Pattern REMARK = Pattern.compile(
            "^(?:and |then )*(?:sheet|drape|blanket|never|always|avoid|careful|mind|watch|remember|note|no|help) ");

    /** A place and nothing else, with a colon or a mark of a heading. */
    private static final Pattern HEADING = Pattern.compile("^\\s*(?:[-*#•]+\\s*)?[^:]{2,60}:\\s*$");

    private static final Pattern OF_A_LIST =
            Pattern.compile("(?i)(?:routine|sequence|work|massage|part|section|area|protocol|series|set)s?");

    /** What is uncovered for the work that follows. */
    private static final Pattern UNCOVERS = Pattern.compile("\\b(?:undrape|uncover|expose)\\b.*");

    private static final int LOOKED_AHEAD = 4;

    private final Techniques library;
    private final Map<String, Consumer<Reading>> own;
    private final List<Jotted> all = new ArrayList<>();
    private @Nullable Step last;
    /** Zones and side of a heading, until a step is made under it. */
    private List<Zone> headed = List.of();

    private @Nullable Sides side;
    /** What a heading told beside its place: said of the step that follows. */
    private @Nullable String told;

    /** Whether the client stays dressed. */
    private boolean clothed;

    /** Where the last step stands among the lines; none where it was there before. */
    private int lastAt = -1;

    private Routine(Techniques library, @Nullable Step before) {
        this.library = library;
        this.own = JotWords.own(library);
        this.last = before;
    }

    /**
     * @param id id of the step of a line by its number, from 1
     * @param before the step that the first line comes after, or null
     * @return as many as there are lines; a line that belongs to the step before it has no step of its own and asks nothing
     */
    public static List<Jotted> of(
            List<String> lines, Techniques library, IntFunction<String> id, @Nullable Step before) {
        var times = lines.stream()
                .map(TIMED::matcher)
                .map(m -> m.matches() ? Integer.parseInt(m.group(1)) * 60 + Integer.parseInt(m.group(2)) : -1)
                .toList();
        boolean timed = lines.size() > 1
                && IntStream.range(0, lines.size())
                        .allMatch(i -> times.get(i) >= 0 && (i == 0 || times.get(i) > times.get(i - 1)));
        var routine = new Routine(library, before);
        for (int i = 0; i < lines.size(); i++) {
            var line = lines.get(i);
            var m = TIMED.matcher(line);
            @Nullable
            Integer seconds = timed && i + 1 < lines.size() ? (Integer) (times.get(i + 1) - times.get(i)) : null;
            var ahead =
                    routine.last != null && routine.last.depth() > 1 ? List.<Zone>of() : routine.ahead(lines, i + 1);
            routine.take(
                    line,
                    timed && m.matches() ? m.group(3) : line,
                    id.apply(i + 1),
                    seconds,
                    ahead,
                    i + 1 < lines.size());
        }
        return List.copyOf(routine.all);
    }

    private void take(String line, String said, String id, @Nullable Integer seconds, List<Zone> ahead, boolean more) {
        if (lastAt >= 0 && REPEATS.matcher(JotWords.plain(said)).matches()) {
            note(said);
            all.add(new Jotted(line, null, List.of(said.strip()), null));
            return;
        }
        var reading = Jot.read(said, library, own);
        if (reading.position != null || reading.turned || reading.sideLying) side = null;
        if (reading.clothed != null) clothed = reading.clothed;
        if (lastAt >= 0
                && last != null
                && last.technique().stroke() != Stroke.STILL_HOLD
                && reading.onlyAsksHowItFeels()) {
            change(s -> s.with(e -> e.say.addAll(reading.say)));
            all.add(new Jotted(line, null, List.of(), null));
            return;
        }
        var uncovers = UNCOVERS.matcher(JotWords.plain(said));
        var place = more && uncovers.find() ? Jot.read(uncovers.group(), library, own) : reading;
        if (more && (place == reading ? heads(said, reading) : reading.workless() && place.onlyPlaces())) {
            headed = place.zonesNamed();
            side = place.side;
            if (UNCOVERS.matcher(JotWords.plain(said)).find())
                told = told == null ? said.strip() : told + "; " + said.strip();
            all.add(new Jotted(line, null, place == reading ? List.of() : List.of(said.strip()), null));
            return;
        }
        var read = Jot.made(said, reading, id, new Context(last, ahead, clothed, headed, side));
        var step = read.step();
        if (step == null && last != null && lastAt >= 0) {
            var instead = reading.onlyInstead();
            if (instead != null) {
                change(s -> s.with(e -> e.detail = e.detail.with(d -> {
                    d.instead.addAll(instead.instead());
                    if (d.instead.size() > Detail.MOST_BRANCHES) d.instead = d.instead.subList(0, Detail.MOST_BRANCHES);
                    instead.words()
                            .forEach((f, w) ->
                                    d.words.merge(f, w, (x, y) -> Aside.cut(x + "; " + y, Detail.MOST_WORDS)));
                })));
                all.add(new Jotted(line, null, List.of(), null));
                return;
            }
            if (REMARK.matcher(JotWords.plain(said)).find()) {
                note(said);
                all.add(new Jotted(line, null, List.of(said.strip()), null));
                return;
            }
        }
        if (step != null && told != null) {
            var first = told;
            step = step.with(e -> e.detail = e.detail.with(
                    d -> d.note = Aside.cut(d.note == null ? first : first + "; " + d.note, Detail.MOST_NOTE)));
            told = null;
        }
        if (step != null && seconds != null && seconds <= Dose.MOST_SECONDS)
            step = step.with(e -> e.dose = Dose.seconds(seconds));
        if (step != null) {
            last = step;
            lastAt = all.size();
            headed = List.of();
            if (step.settles()) side = null;
        }
        all.add(new Jotted(line, step, read.note(), read.asked()));
    }

    /** Whether a line tells only where the lines after it work. */
    private static boolean heads(String said, Reading reading) {
        if (!reading.onlyPlaces()) return false;
        // "Feet" above the lines about them.
        boolean bare =
                reading.note().stream().allMatch(w -> OF_A_LIST.matcher(w).matches());
        return HEADING.matcher(said).matches() || bare && said.strip().split("\\s+").length <= 3;
    }

    /** Where the next line that names a place works; of the few that follow. */
    private List<Zone> ahead(List<String> lines, int from) {
        for (int i = from; i < Math.min(lines.size(), from + LOOKED_AHEAD); i++) {
            var zones = Jot.placed(lines.get(i), library, own);
            if (!zones.isEmpty()) return zones;
        }
        return List.of();
    }

    /** Says of the step before what its line did not. */
    private void note(String words) {
        change(s -> s.with(e -> e.detail = e.detail.with(d -> {
            var note = d.note == null ? words.strip() : d.note + "; " + words.strip();
            d.note = Aside.cut(note, Detail.MOST_NOTE);
        })));
    }

    private void change(java.util.function.UnaryOperator<Step> changed) {
        if (last == null || lastAt < 0) return;
        last = changed.apply(last);
        var was = all.get(lastAt);
        all.set(lastAt, new Jotted(was.line(), last, was.note(), was.asked()));
    }
}
