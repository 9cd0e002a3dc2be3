package palmtally.core.technique;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Texts;

/**
 * One way of working, defined once and used in several regions. A sequence keeps those it was made with.
 *
 * @param id short name in files, such as {@code forearm-glide}
 * @param name the standard term, or what the school calls its own
 * @param aliases what teachers also call it
 * @param stroke what it is to the rules
 * @param tool the usual hand
 * @param hand the school's own word for that hand, or null
 * @param depth usual depth, 0–5
 * @param dose what teachers usually give
 * @param window what a dose of it is to keep to, in the place of the dose table's, or null
 * @param effort what the client does
 * @param strong whether it is to be announced before it starts
 * @param caution what to mind, or null; always shown with the line that local codes and licensed practice decide
 * @param topics what it touches that may be beyond scope somewhere, beside what its stroke and its zones say
 * @param retired whether it is offered no more; what was made with it stays as it is
 */
public record Technique(
        String id,
        String name,
        List<String> aliases,
        Stroke stroke,
        Tool tool,
        @Nullable String hand,
        int depth,
        Dose dose,
        @Nullable Window window,
        Effort effort,
        boolean strong,
        @Nullable String caution,
        Set<ScopeTopic> topics,
        boolean retired) {
    private static final Pattern ID = Pattern.compile("[a-z0-9]+(-[a-z0-9]+)*");

    /** The client's part. */
    public enum Effort {
        PASSIVE,
        BREATH,
        ACTIVE,
        RESISTED,
        MOVES_ASIDE;

        private final String word = Texts.word(this);

        /** Whether the client moves and so needs a ready cue and a relax cue. */
        public boolean needsCues() {
            return this == ACTIVE || this == RESISTED;
        }

        @Override
        public String toString() {
            return word;
        }
    }

    public Technique {
        aliases = List.copyOf(aliases);
        topics = topics.isEmpty() ? Set.of() : Collections.unmodifiableSet(EnumSet.copyOf(topics));
        var faults = new ArrayList<Fault>();
        if (id.length() > 64 || !ID.matcher(id).matches())
            faults.add(new Fault("id", id, "must be small letters, digits and single hyphens, at most 64"));
        text(faults, "name", name, 200);
        if (aliases.size() > 20) faults.add(new Fault("aliases", aliases.size() + " aliases", "must be at most 20"));
        for (var a : aliases)
            if (a.isBlank() || a.length() > 60) faults.add(new Fault("aliases", a, "must be 1 to 60 characters each"));
        if (hand != null) text(faults, "hand", hand, HandName.MOST_LETTERS);
        if (depth < 0 || depth > 5) faults.add(new Fault("depth", String.valueOf(depth), "must be 0 to 5"));
        if (caution != null) text(faults, "caution", caution, 500);
        if (!faults.isEmpty()) throw new InvalidValue("technique " + id, faults);
    }

    static void text(List<Fault> faults, String field, String given, int most) {
        if (given.isBlank() || given.length() > most)
            faults.add(new Fault(
                    field,
                    given.isBlank() ? "" : given.length() + " characters",
                    "must be 1 to " + most + " characters"));
    }

    /** The name without what stands in brackets: what a step is called that says nothing else. */
    public String shortName() {
        return name.replaceAll("\\s*\\(.*\\)", "");
    }

    /** This technique with one thing or several changed. */
    public Technique with(Consumer<TechniqueEdit> change) {
        var edit = new TechniqueEdit(this);
        change.accept(edit);
        return edit.technique();
    }

    /** Another one, that is done as this one is. */
    public Technique as(String newId, String newName) {
        return new Technique(
                newId, newName, List.of(), stroke, tool, hand, depth, dose, window, effort, strong, caution, topics,
                false);
    }

    /** Whether it is the same to a rule: only words and what is usual may differ. */
    public boolean sameToRules(Technique other) {
        return stroke == other.stroke && effort == other.effort && strong == other.strong;
    }
}
