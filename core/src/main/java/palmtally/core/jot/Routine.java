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
import palmtally.core.sequence.Step;
import palmtally.core.sequence.detail.Detail;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Techniques;

/**
 * A routine of several lines, each going on from the one before. A line that says only what is done when something comes up, or that the
 * other side follows, belongs to the step before it. Where every line begins with a time, and each later than the one before, these are
 * the moments at which something begins: a step takes as long as there is to the next.
 */
public final class Routine {
    private static final Pattern TIMED = Pattern.compile("^\\s*(\\d{1,3}):([0-5]\\d)\\b[\\s,.:–-]*(.*)$");
    private static final Pattern REPEATS = Pattern.compile(
            "^(?:(?:and|now|then) )*(?:(?:the )?(?:other|second|opposite) (?:side|leg|arm|foot|hand)|(?:repeat|same|do the same|all of it|all again)"
                    + "(?: again)?(?: on| for| to)?(?: the)? ?(?:other|second|opposite|left|right)? ?(?:side|leg|arm|foot|hand)?|both sides"
                    + "|(?:turn|roll|change)(?: them| her| him)?(?: over)?(?: and)?(?: do)?(?: the)? same(?: on)?(?: the)?(?: other| second)? ?(?:side)?)$");

    /** Nothing is done by it: it says how the sheet lies, or what to mind. */
    private static final Pattern REMARK = Pattern.compile(
            "^(?:and |then )*(?:sheet|drape|blanket|never|always|avoid|careful|mind|watch|remember|note|no|help) ");

    private static final int LOOKED_AHEAD = 4;

    private final Techniques library;
    private final Map<String, Consumer<Reading>> own;
    private final List<Jotted> all = new ArrayList<>();
    private @Nullable Step last;
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
            routine.take(line, timed && m.matches() ? m.group(3) : line, id.apply(i + 1), seconds, ahead);
        }
        return List.copyOf(routine.all);
    }

    private void take(String line, String said, String id, @Nullable Integer seconds, List<Zone> ahead) {
        if (lastAt >= 0 && REPEATS.matcher(JotWords.plain(said)).matches()) {
            note(said);
            all.add(new Jotted(line, null, List.of(said.strip()), null));
            return;
        }
        var read = Jot.jot(said, library, own, id, last, ahead);
        var step = read.step();
        if (step == null && last != null && lastAt >= 0) {
            var instead = Jot.onlyInstead(said, library, own);
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
        if (step != null && seconds != null && seconds <= Dose.MOST_SECONDS)
            step = step.with(e -> e.dose = Dose.seconds(seconds));
        if (step != null) {
            last = step;
            lastAt = all.size();
        }
        all.add(new Jotted(line, step, read.note(), read.asked()));
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
