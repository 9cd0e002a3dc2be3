package palmtally.core.register;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import palmtally.core.Texts;

/**
 * What somebody was never there to see: a sequence was shown, perhaps more than once, and each time they were away, came after it, left
 * before it or were not in the term yet. Seen is what they were there for half of, in one of its showings; where nothing is marked of
 * them in one of its labs nobody knows, and nothing is said. Common practice, no source.
 *
 * @param sequence id of what was shown
 * @param place the last lab it was shown in
 * @param why they did not see it there
 */
public record MissedShowing(String sequence, LabPlace place, Why why) {
    private static final double SEEN_SHARE = 0.5;

    /**
     * One time a sequence was shown.
     *
     * @param from minutes from the beginning of its lab
     * @param to minutes from the beginning of its lab, above {@code from}
     */
    public record Showing(String sequence, LabPlace place, double from, double to) {}

    /**
     * Where somebody stands in one lab.
     *
     * @param joined whether they were in the term by then
     * @param presence what is marked of them, or null
     */
    public record Attendance(boolean joined, @Nullable Presence presence) {}

    public enum Why {
        NOT_YET("was not in the term yet in"),
        AWAY("was away in"),
        LATE("came late to"),
        LEFT("left early in");

        private final String words;

        Why(String words) {
            this.words = words;
        }

        @Override
        public String toString() {
            return Texts.word(this);
        }
    }

    /**
     * @param showings of all that matters, in the order they were held
     * @param of where the student stood in a lab
     */
    public static List<MissedShowing> of(List<Showing> showings, Function<LabPlace, Attendance> of) {
        Map<String, List<Showing>> bySequence = new LinkedHashMap<>();
        for (var s : showings)
            bySequence.computeIfAbsent(s.sequence, k -> new ArrayList<>()).add(s);
        var missed = new ArrayList<MissedShowing>();
        bySequence.forEach((sequence, all) -> {
            Showing last = null;
            Why why = null;
            for (var s : all) {
                var there = of.apply(s.place);
                why = why(s, there);
                if (why == null) return;
                last = s;
            }
            if (last != null) missed.add(new MissedShowing(sequence, last.place, why));
        });
        return List.copyOf(missed);
    }

    /** Why they did not see one showing; null where they saw it, or nobody knows. */
    private static @Nullable Why why(Showing s, Attendance there) {
        if (!there.joined) return Why.NOT_YET;
        var presence = there.presence;
        if (presence == null) return null;
        if (!presence.there()) return Why.AWAY;
        double left = presence.leftMinutes() == null ? s.to : presence.leftMinutes();
        double seen = Math.max(0, Math.min(s.to, left) - Math.max(s.from, presence.lateMinutes()));
        if (seen >= SEEN_SHARE * (s.to - s.from)) return null;
        return presence.lateMinutes() - s.from >= s.to - left ? Why.LATE : Why.LEFT;
    }

    /** As in "was away in week 2, lab 1, when Calves was shown: show it to them before they work". */
    public String words(String sequenceName) {
        return why.words + " " + place + ", when " + sequenceName + " was shown: show it to them before they work";
    }
}
