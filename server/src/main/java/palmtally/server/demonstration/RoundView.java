package palmtally.server.demonstration;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import palmtally.core.demonstration.Round;
import palmtally.core.demonstration.RoundStanding;

/** A practice round as the one who leads it sees it. */
record RoundView(UUID id, String screen, ClassRoundView round, RoundLiveView live) {
    static RoundView of(Rounds.Standing s) {
        return new RoundView(s.id(), s.screen(), ClassRoundView.of(s), RoundLiveView.of(s));
    }

    /**
     * A practice round as the class sees it: the same from its start to its end.
     *
     * @param legs without the steps where nobody wants them called out
     * @param tables names as they are called in class, in the order in which they are therapist; nothing else of anybody
     */
    public record ClassRoundView(UUID round, String name, List<Round.Leg> legs, List<List<String>> tables) {
        static ClassRoundView of(Rounds.Standing s) {
            return new ClassRoundView(
                    s.id(),
                    s.name(),
                    s.calls()
                            ? s.round().legs()
                            : s.round().legs().stream()
                                    .map(l -> new Round.Leg(l.kind(), l.role(), l.name(), l.seconds(), List.of()))
                                    .toList(),
                    called(s.tables()));
        }

        /** First names; where two share one, with the initial of the last, and where they share that too, with a number. Never more. */
        static List<List<String>> called(List<List<Rounds.Seated>> tables) {
            Map<String, Integer> firsts = new HashMap<>();
            Map<String, Integer> initials = new HashMap<>();
            for (var table : tables)
                for (var seated : table) {
                    firsts.merge(first(seated.name()), 1, Integer::sum);
                    initials.merge(withInitial(seated.name()), 1, Integer::sum);
                }
            Map<String, Integer> met = new HashMap<>();
            return tables.stream()
                    .map(t -> t.stream()
                            .map(s -> {
                                var first = first(s.name());
                                var more = withInitial(s.name());
                                if (firsts.get(first) == 1) return first;
                                if (initials.get(more) == 1) return more;
                                return more + " " + met.merge(more, 1, Integer::sum);
                            })
                            .toList())
                    .toList();
        }

        private static String withInitial(String name) {
            var parts = name.strip().split("\\s+");
            var last = parts[parts.length - 1];
            return parts.length < 2
                    ? parts[0]
                    : parts[0] + " " + last.substring(0, last.offsetByCodePoints(0, 1)) + ".";
        }

        private static String first(String name) {
            var stripped = name.strip();
            int space = stripped.indexOf(' ');
            return space < 0 ? stripped : stripped.substring(0, space);
        }
    }

    /** @param elapsedSeconds the clock of the marks now */
    public record RoundLiveView(UUID round, double elapsedSeconds, RoundStanding standing) {
        static RoundLiveView of(Rounds.Standing s) {
            return new RoundLiveView(s.id(), s.elapsedSeconds(), s.standing());
        }
    }
}
