package palmtally.core.jot;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.Spelling;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Stroke;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;

/**
 * A step out of a line as teachers jot it down: "forearm glide hamstrings 90s x3 firm". Words may come in any order; what is not said
 * is as the technique is usually given, and lies and is lubricated as the step before. Understood are techniques by their names and
 * nicknames, hands, zones, structures in English, Latin and short ("ql", "infraspinatus"), sides, depth (skin to deep, or "depth 3"), doses ("90s", "1:30", "2 min", "x3", "5 breaths", "8 holds", "90
 * cycles 1.5/s", "until soft"), sheet, lubricant, position, phase, importance, and words to say in quotes.
 */
public final class Jot {
    private static final int MOST_LETTERS = 500;

    /** The number or the mark of a line in a list. */
    private static final Pattern LISTED = Pattern.compile("^\\s*(?:\\d{1,3}[.)](?=\\s)|[-*•–]+(?=\\s))\\s*");

    private Jot() {}

    /**
     * Reads a line as far as it can be: nothing refuses it. A number that no step can have, and words that are not known, stay in the note.
     *
     * @param library whose names, aliases and usual doses are meant
     * @param id id of the new step
     * @param before the step it comes after, whose zones, position, sheet and lubricant go on, or null
     */
    public static Jotted jot(String text, Techniques library, String id, @Nullable Step before) {
        return made(
                text,
                read(text, library, JotWords.own(library)),
                id,
                new Context(before, List.of(), false, List.of(), null, false, null, null));
    }

    /** What is understood of a line; nothing, where it is too long to be one. */
    static Reading read(String text, Techniques library, Map<String, Consumer<Reading>> own) {
        var reading = new Reading(library, own);
        if (text.length() <= MOST_LETTERS) reading.take(unlisted(text));
        return reading;
    }

    /** A line without its number or mark in a list. */
    static String unlisted(String text) {
        return LISTED.matcher(text).replaceFirst("");
    }

    /** A step of what was understood, or the one question where it is none. */
    static Jotted made(String text, Reading reading, String id, Context context) {
        if (text.length() > MOST_LETTERS) return new Jotted(text, null, List.of(text), asked(reading), null);
        boolean spares = reading.onlySpares();
        @Nullable Step step;
        try {
            step = new Making(reading, context).step(id);
        } catch (InvalidValue e) {
            e.faults().forEach(f -> reading.aside.add((f.field() + " " + f.value()).strip()));
            reading.forgetNumbers();
            step = new Making(reading, context).step(id);
        }
        return step == null
                ? new Jotted(text, null, List.of(text.strip()), spares ? null : asked(reading), null)
                : new Jotted(text, step, reading.note(), null, null);
    }

    /** Where the work of a line is, if it names a place; empty else. */
    static List<Zone> placed(String text, Techniques library, Map<String, Consumer<Reading>> own) {
        var read = made(text, read(text, library, own), "ahead", Context.NONE).step();
        return read == null || read.technique().stroke() == Stroke.STILL_HOLD ? List.of() : read.zones();
    }

    /** What most lines are about. */
    private static final List<String> USUAL = List.of("effleurage", "petrissage", "static-press", "stretch");

    private static Jotted.Asked asked(Reading reading) {
        var library = reading.library;
        var what = reading.technique == null && reading.tool == null ? Jotted.What.STROKE : Jotted.What.ZONE;
        var offered = what == Jotted.What.STROKE
                ? library.offered().stream().map(Technique::shortName).toList()
                : Arrays.stream(Zone.values()).map(Zone::label).toList();
        // By any name that it has.
        var called = new LinkedHashMap<String, String>();
        if (what == Jotted.What.STROKE)
            for (var t : library.offered()) {
                called.put(JotWords.plain(t.shortName()), t.shortName());
                t.aliases().forEach(a -> called.put(JotWords.plain(a), t.shortName()));
            }
        else offered.forEach(o -> called.put(JotWords.plain(o), o));
        var near = new ArrayList<String>();
        for (var word : reading.unknown) {
            var nearest = Spelling.nearest(word, called.keySet());
            if (nearest != null && !near.contains(called.get(nearest))) near.add(called.get(nearest));
        }
        var usual = what == Jotted.What.STROKE
                ? USUAL.stream().map(id -> library.toUse(id).shortName()).toList()
                : offered;
        usual.stream().limit(4).filter(o -> !near.contains(o)).forEach(near::add);
        return new Jotted.Asked(what, near.stream().limit(4).toList());
    }
}
