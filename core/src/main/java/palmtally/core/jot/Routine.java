package palmtally.core.jot;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.IntFunction;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Position;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.detail.Detail;
import palmtally.core.sequence.detail.DetailEdit;
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
            "^(?:(?:and|now|then|(?:put|tuck) (?:the )?(?:left |right )?leg away|re ?drape|re ?cover|cover(?: it| up| (?:the )?(?:left |right |first )?(?:leg|arm|side|foot|back))?|(?:turn|roll)(?: them| her| him| client)? (?:over|to (?:the )?(?:other|second) side)) )*(?:(?:the )?(?:other|second|opposite|left|right|l|r) (?:side|leg|arm|foot|hand|hip|shoulder)(?: (?:the )?(?:same|too|as well|likewise|as before|like before|like the first))*|(?:repeat(?: it| this| that| all)?|(?:the )?same|do (?:it|the same)|all of it|all again)"
                    + "(?: again)?(?: on| for| to)?(?: the)? ?(?:other|second|opposite|left|right|l|r)? ?(?:side|leg|arm|foot|hand)?|both sides"
                    + "|(?:turn|roll|change)(?: them| her| him)?(?: over)?(?: and)?(?: do)?(?: the)? same(?: on)?(?: the)?(?: other| second)? ?(?:side)?)$");

    /** Nothing is done by it: it says how the sheet lies, or what to mind. */
    private static final Pattern REMARK = Pattern.compile(
            "^(?:and |then )*(?:sheet|drape|blanket|never|always|avoid|careful|mind|watch|remember|note|no|help|lighten|ease off|go easy"
                    + "|(?:fold|slide|bring|draw|tuck|lay|pull|roll|open|undo|close|uncover|lift|turn|push) (?:\\w+ ){0,3}(?:sheet|drape|blanket|edge)\\b|skip|spare|keep off|stay off|stop (?:short|before|above|below)|not) ");

    /** "Replace the sheet, tuck it, other leg the same." */
    private static final Pattern COVERED_FIRST = Pattern.compile(
            "(?i)^(?:(?:sheet (?:back|over|up)|replace|redrape|re-drape|cover|recover|tuck|close|put|pull|draw|lay|bring)\\b[^,;.]{0,40}[,;.] ?)+(?=\\S)");

    /** Who teaches walks round, or takes the other hand. */
    private static final Pattern CHANGES = Pattern.compile(
            "^(?:and |then |now )*(?:change|switch|swap|walk|go|come|move) (?:over |round |around )?(?:sides?|hands?|to the other side|round|around)(?: of the table)?$");

    /** "Switch to the left leg" is a heading. */
    private static final Pattern GOES_TO = Pattern.compile(
            "(?i)^(?:(?:and|then|now) )*(?:switch|change|swap|move|go|come)(?: on| over| across| round| around)? to (?=(?:the )?(?:left|right|other|second|opposite) (?:leg|arm|side|foot|hand|calf|thigh|hip|shoulder)\\b)");

    /** A place and nothing else, with a colon or a mark of a heading. */
    private static final Pattern HEADING = Pattern.compile("^\\s*(?:[-*#•]+\\s*)?[^:]{2,60}:\\s*$");

    /** What the whole of the lines is called, at their head: "shoulder protocol, 25 min". */
    private static final Pattern TITLE =
            Pattern.compile("(?i)^[^,:;.]{0,60}\\b(?:protocol|routine|sequence|session|treatment|lesson|practice)\\b");

    private static final Pattern OF_A_LIST = Pattern.compile(
            "(?i)(?:(?:routine|sequence|work|massage|part|section|area|protocol|treatment|session|series|set|min|minutes?|about|\\d+)s? ?)+");

    /** What is uncovered for the work that follows. */
    private static final Pattern UNCOVERS = Pattern.compile(
            "^open (?:the )?(?:left |right )?(?:back|leg|arm|belly|chest|buttock|hip|gluteals?|glutes?|thigh)\\b.*|\\b(?:undrape|uncover|expose|open (?:the )?(?:sheet|drape)(?: (?:over|at|on|from))?)\\b.*|^(?:the )?(?:left |right )?(?:leg|arm|back|belly|chest) (?:is )?(?:bare|uncovered|undraped|open)\\b(?! (?:and|for)\\b).*");

    private static final int LONG = 600;

    private static final Pattern MINUTES = Pattern.compile("(?i)\\b\\d+ ?(?:min|mins|minutes)\\b");

    private static final Pattern TUCKED = Pattern.compile("\\b(?:sheet )?(?:tuck(?:ed)?|secured?|hold)\\b.*");

    private static final int LOOKED_AHEAD = 4;

    private final Techniques library;
    private final Map<String, Consumer<Reading>> own;
    private final List<Jotted> all = new ArrayList<>();
    /** Where each line works, as several before it ask. */
    private final Map<String, List<Zone>> placed = new HashMap<>();

    private @Nullable Step last;
    /** Zones and side of a heading, and how the client lies by it, until a step is made under it. */
    private List<Zone> headed = List.of();

    private @Nullable Sides side;
    /** Whether something was uncovered since the last step. */
    private boolean bared;

    private @Nullable Position lies;
    /** How the client lies, as it was last said. */
    private @Nullable Position declared;
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
     * @return as many as there are lines; a line that belongs to the step before it has no step of its own and asks nothing, and where that
     *     step was there before, it holds it changed
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
            var ahead = routine.ahead(lines, i + 1);
            routine.take(
                    line,
                    m.matches() && (timed || times.get(i) == 0) ? m.group(3) : line,
                    id.apply(i + 1),
                    seconds,
                    ahead,
                    i + 1 < lines.size());
        }
        return List.copyOf(routine.all);
    }

    /** Whether a line says that what was done is done on the other side as well. */
    static boolean repeats(String line) {
        return REPEATS.matcher(
                        JotWords.plain(COVERED_FIRST.matcher(Jot.unlisted(line)).replaceAll("")))
                .matches();
    }

    private void take(String line, String text, String id, @Nullable Integer seconds, List<Zone> ahead, boolean more) {
        var said = GOES_TO.matcher(Jot.unlisted(text)).replaceFirst("");
        if (last != null && repeats(text)) {
            note(said);
            belongs(line, List.of(said.strip()));
            return;
        }
        var reading = Jot.read(said, library, own);
        if (reading.position != null || reading.turned || reading.sideLying) side = null;
        boolean turns = reading.position != null || reading.turned || reading.sideLying;
        if (reading.clothed != null) clothed = reading.clothed;
        if (last != null && last.technique().stroke() != Stroke.STILL_HOLD && reading.onlyAsksHowItFeels()) {
            change(s -> s.with(e -> e.say.addAll(reading.say)));
            belongs(line, List.of());
            return;
        }
        if (last != null && last.technique().stroke() != Stroke.STILL_HOLD && reading.onlyDose()) {
            var technique = last.technique();
            var dose = Doses.of(technique, reading);
            change(s -> s.with(e -> {
                e.dose = dose;
                if (reading.side != null) e.side = reading.side;
            }));
            belongs(line, List.of());
            return;
        }
        if (heads(said, reading, more)) {
            all.add(new Jotted(line, null, told == null ? List.of() : List.of(said.strip()), null, null));
            return;
        }
        // Making a step fills in what was not said: what was is asked first.
        var instead = reading.onlyInstead();
        var how = reading.onlyHow();
        boolean spares = reading.onlySpares();
        boolean remarks = spares || reading.onlyRemarks(said);
        var read = Jot.made(said, reading, id, new Context(last, ahead, clothed, headed, side, bared, lies, declared));
        if (read.step() == null && last != null && saysOfIt(line, said, instead, how, remarks)) return;
        // What must not be done is told of the step that follows, where there is none yet.
        if (read.step() == null && spares) {
            told = told == null ? said.strip() : told + "; " + said.strip();
            all.add(new Jotted(line, null, List.of(said.strip()), null, null));
            return;
        }
        if (read.step() != null && (turns || reading.position != null)) {
            var lies = read.step().position();
            // On the side nearly everything is reached, so it is no sign of where the work after next is done.
            declared = lies == Position.SUPINE || lies == Position.PRONE ? lies : null;
        }

        all.add(
                read.step() == null
                        ? new Jotted(line, null, read.note(), read.asked(), null)
                        : made(line, read, reading.side, seconds));
    }

    /** What a heading told belongs to the first step under it; its time is that to the next line, where lines are timed. */
    private Jotted made(String line, Jotted read, @Nullable Sides said, @Nullable Integer seconds) {
        var step = read.step();
        if (told != null) {
            var first = told;
            step = step.with(e -> e.detail = e.detail.with(
                    d -> d.note = Aside.cut(d.note == null ? first : first + "; " + d.note, Detail.MOST_NOTE)));
            told = null;
        }
        if (seconds != null && seconds <= Dose.MOST_SECONDS) step = step.with(e -> e.dose = Dose.seconds(seconds));
        last = step;
        lastAt = all.size();
        headed = List.of();
        lies = null;
        bared = false;
        if (step.settles())
            side = step.side() != Sides.EACH
                            && (said != null
                                    || step.zones().stream()
                                            .allMatch(z -> z.unit().paired()))
                    ? step.side()
                    : null;
        return new Jotted(line, step, read.note(), null, null);
    }

    /** Whether a line that is no step says something of the step before it: what is done instead, or a remark. */
    private boolean saysOfIt(
            String line, String said, @Nullable Detail instead, @Nullable Detail how, boolean remarks) {
        if (instead != null) {
            change(s -> s.with(e -> e.detail = e.detail.with(d -> {
                d.instead.addAll(instead.instead());
                if (d.instead.size() > Detail.MOST_BRANCHES) d.instead = d.instead.subList(0, Detail.MOST_BRANCHES);
                own(d, instead);
            })));
            belongs(line, List.of());
            return true;
        }
        if (how != null) {
            change(s -> s.with(e -> e.detail = e.detail.with(d -> {
                d.limb.addAll(how.limb());
                d.manner.addAll(how.manner());
                if (how.otherHand() != null) d.otherHand = how.otherHand();
                if (how.pace() != null) d.pace = how.pace();
                if (how.fibre() != null) d.fibre = how.fibre();
                if (how.end() != null) d.end = how.end();
                own(d, how);
            })));
            belongs(line, List.of());
            return true;
        }
        var plain = JotWords.plain(said);
        if (!remarks && !REMARK.matcher(plain).find() && !CHANGES.matcher(plain).matches()) return false;
        note(said);
        belongs(line, List.of(said.strip()));
        return true;
    }

    /** Whether a line tells only where the lines after it work, by a heading or by what is uncovered; then it is kept for them. */
    private boolean heads(String said, Reading reading, boolean more) {
        // "Jaw and face, 15 min" is no step of a quarter of an hour.
        if (reading.seconds != null && reading.seconds >= LONG && reading.count == null) {
            var rest = Jot.read(MINUTES.matcher(said).replaceAll(" "), library, own);
            if (rest.onlyPlaces()) return heads(MINUTES.matcher(said).replaceAll(" "), rest, more);
        }
        var plain = JotWords.plain(said);
        var uncovers = UNCOVERS.matcher(plain);
        if (uncovers.find()) {
            // "Left leg: undrape, tuck under the right thigh": the left one.
            var open = TUCKED.matcher(uncovers.group()).replaceAll("");
            var before = plain.substring(0, uncovers.start());
            boolean named = Jot.read(before, library, own).onlyPlaces();
            var place = Jot.read(named ? before + " " + open : open, library, own);
            if (!reading.workless() || !place.onlyPlaces()) return false;
            headed = place.zonesNamed();
            side = place.side;
            bared = true;
            told = told == null ? said.strip() : told + "; " + said.strip();
            return true;
        }
        // "Belly: chest drape on, sheet to the hips."
        if (reading.drapes && reading.onlyPlaces() && said.contains(":")) {
            headed = reading.zonesNamed();
            side = reading.side;
            bared = true;
            told = told == null ? said.strip() : told + "; " + said.strip();
            return true;
        }
        boolean title = TITLE.matcher(said).find() && reading.technique == null && reading.tool == null;
        // "Jaw: clench three times" is felt there.
        if (!reading.onlyPlaces() && !title
                || reading.more.part.stream().anyMatch(p -> p.does().active())) return false;
        // "Feet" above the lines about them.
        boolean bare = more
                && said.strip().split("\\s+").length <= 8
                && reading.note().stream().allMatch(w -> OF_A_LIST.matcher(w).matches());
        if (!bare && !title && !HEADING.matcher(said).matches()) return false;
        headed = reading.placeless() && !reading.handNamed ? List.of() : reading.zonesNamed();
        side = reading.side;
        lies = reading.sideLying ? side == Sides.LEFT ? Position.SIDE_RIGHT : Position.SIDE_LEFT : reading.position;
        if (lies == Position.SUPINE || lies == Position.PRONE) declared = lies;
        return true;
    }

    /** What is said in the teacher's own words is said beside what was. */
    private static void own(DetailEdit d, Detail said) {
        said.words().forEach((f, w) -> d.words.merge(f, w, (x, y) -> Aside.cut(x + "; " + y, Detail.MOST_WORDS)));
    }

    /** Where the next line that names a place works; of the few that follow. */
    private List<Zone> ahead(List<String> lines, int from) {
        for (int i = from; i < Math.min(lines.size(), from + LOOKED_AHEAD); i++) {
            var zones = placed.computeIfAbsent(lines.get(i), l -> Jot.placed(l, library, own));
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

    /** A line that belongs to the step before it. */
    private void belongs(String line, List<String> note) {
        all.add(new Jotted(line, null, note, null, lastAt < 0 ? last : null));
    }

    private void change(UnaryOperator<Step> changed) {
        last = changed.apply(last);
        if (lastAt < 0) return;
        var was = all.get(lastAt);
        all.set(lastAt, new Jotted(was.line(), last, was.note(), null, null));
    }
}
