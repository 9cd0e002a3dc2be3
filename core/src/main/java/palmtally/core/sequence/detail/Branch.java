package palmtally.core.sequence.detail;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Texts;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Sheet;
import palmtally.core.technique.Tool;

/**
 * What is done instead when something comes up (common practice, no source).
 *
 * @param tool another hand, or null for the step's
 * @param technique id of another technique, or null for the step's
 * @param zones other zones; empty for the step's
 * @param depth another depth, 0–5, or null for the step's
 * @param sheet through it, say; or null as in the step
 * @param words in the teacher's own words, or null
 */
public record Branch(
        When when,
        Then then,
        @Nullable Tool tool,
        @Nullable String technique,
        List<Zone> zones,
        @Nullable Integer depth,
        @Nullable Sheet sheet,
        @Nullable String words) {
    public static final int MOST_WORDS = 400;

    /** What comes up. */
    public enum When {
        HURTS("it hurts"),
        NUMBER_STAYS("the number does not fall"),
        SLIDES_OFF("the finger slides off"),
        TICKLISH("it tickles"),
        WILL_NOT_LET_GO("the muscle will not let go"),
        SHOOTS("it shoots, tingles or goes numb"),
        HOT_OR_SWOLLEN("it is hot or swollen"),
        CANNOT_REACH("it cannot be reached"),
        GRIP_DOES_NOT_FIT("the muscle does not fit the grip"),
        DECLINES_SKIN("the client wants no hand on the skin"),
        STAYS_CLOTHED("the client stays clothed"),
        CLIENT_HELPS("the client helps"),
        LITTLE_TIME("time is short"),
        OVER_LENGTHENED("the muscle is over-lengthened"),
        OTHER("something else comes up");

        private final String word = Texts.word(this);

        private final String words;

        When(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        @Override
        public String toString() {
            return word;
        }
    }

    /** What is done then. */
    public enum Then {
        BROADER("broader"),
        LIGHTER("lighter"),
        SLOWER("slower"),
        OTHER_ANGLE("from another angle"),
        OTHER_GRIP("with the other grip"),
        OTHER_TECHNIQUE("something else there"),
        OTHER_PLACE("another place first"),
        STILL_HAND("a flat, still hand"),
        ROCKING("rock it"),
        SHORTENED("shorten the muscle, then sink"),
        THROUGH_THE_SHEET("through the sheet"),
        CLOTHED("go on over the clothes"),
        WALK_ROUND("walk round the table"),
        ASK_TO_LET_FALL("ask to let it fall"),
        ASK("ask and note"),
        OPPOSITE("work its opposite"),
        LATER("leave it for another day, and say so"),
        MOVE_ON("move on"),
        SKIP("leave it out"),
        STOP("stop");

        private final String word = Texts.word(this);

        private final String words;

        Then(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** Whether the step is not done any further. */
        public boolean ends() {
            return this == LATER || this == MOVE_ON || this == SKIP || this == STOP;
        }

        @Override
        public String toString() {
            return word;
        }
    }

    public Branch {
        zones = List.copyOf(zones);
        if (depth != null && (depth < 0 || depth > 5))
            throw new InvalidValue("branch", new Fault("depth", depth.toString(), "must be 0 to 5"));
        if (words != null && words.length() > MOST_WORDS)
            throw new InvalidValue(
                    "branch", new Fault("words", words.length() + " characters", "must be at most " + MOST_WORDS));
        if (zones.size() > 20)
            throw new InvalidValue("branch", new Fault("zones", zones.size() + " zones", "must be at most 20"));
    }

    public static Branch of(When when, Then then, @Nullable String words) {
        return new Branch(when, then, null, null, List.of(), null, null, words);
    }

    /** As it stands on a line of a cell: {@code hurts: broader; tool forearm; depth 2; "the whole forearm"}. */
    String written() {
        var all = new StringBuilder(when + ": " + then);
        if (tool != null) all.append("; tool ").append(tool);
        if (technique != null) all.append("; technique ").append(technique);
        if (!zones.isEmpty())
            all.append("; zones ").append(zones.stream().map(Zone::toString).collect(Collectors.joining(", ")));
        if (depth != null) all.append("; depth ").append(depth);
        if (sheet != null) all.append("; sheet ").append(sheet);
        if (words != null)
            all.append("; \"").append(words.replaceAll("\\R", " ")).append('"');
        return all.toString();
    }

    static Branch read(String line) {
        int quote = line.indexOf('"');
        @Nullable String words = null;
        var rest = line;
        if (quote >= 0) {
            int end = line.lastIndexOf('"');
            words = end > quote ? line.substring(quote + 1, end) : line.substring(quote + 1);
            rest = line.substring(0, quote);
        }
        var parts = rest.split(";");
        var head = parts[0].split(":", 2);
        if (head.length < 2)
            throw new InvalidValue("branch", new Fault("", line, "must be written as in 'hurts: broader'"));
        @Nullable Tool tool = null;
        @Nullable String technique = null;
        var zones = new ArrayList<Zone>();
        @Nullable Integer depth = null;
        @Nullable Sheet sheet = null;
        for (int i = 1; i < parts.length; i++) {
            if (parts[i].isBlank()) continue;
            var pair = parts[i].trim().split("\\s+", 2);
            var value = pair.length < 2 ? "" : pair[1];
            switch (pair[0].toLowerCase(Locale.ROOT)) {
                case "tool" -> tool = Written.one(value, Tool.values());
                case "technique" -> technique = value;
                case "zones" -> {
                    for (var zone : value.split(",")) zones.add(Written.one(zone, Zone.values()));
                }
                case "depth" -> depth = Written.whole(value);
                case "sheet" -> sheet = Written.one(value, Sheet.values());
                default ->
                    throw new InvalidValue(
                            "branch", new Fault("", parts[i].trim(), "must be tool, technique, zones, depth or sheet"));
            }
        }
        return new Branch(
                Written.one(head[0], When.values()),
                Written.one(head[1], Then.values()),
                tool,
                technique,
                zones,
                depth,
                sheet,
                words);
    }

    /** As people read it: {@code if it hurts: broader, with the forearm}. */
    public String words(java.util.function.Function<String, String> techniqueName) {
        var all = new StringBuilder("if " + when.words() + ": " + then.words());
        if (tool != null) all.append(", with ").append(tool.label());
        if (technique != null) all.append(", ").append(techniqueName.apply(technique));
        if (!zones.isEmpty())
            all.append(", on ").append(zones.stream().map(Zone::label).collect(Collectors.joining(", ")));
        if (depth != null) all.append(", depth ").append(depth);
        if (sheet != null) all.append(", sheet ").append(sheet);
        if (words != null) all.append(" (").append(words).append(')');
        return all.toString();
    }
}
