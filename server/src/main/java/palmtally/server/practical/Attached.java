package palmtally.server.practical;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import palmtally.server.practical.PracticalRows.AwardRow;
import palmtally.server.practical.PracticalRows.Row;

/**
 * What belongs to a practical beside its taps, by its id: asked for of each, or read at once of all of a term.
 *
 * @param selfMarks the student's own marks, as they are stored
 * @param others the practical of the other grader of the same run, while it counts
 */
record Attached(
        Function<UUID, Optional<Double>> ratings,
        Function<UUID, Optional<AwardRow>> awards,
        Function<UUID, Optional<String>> selfMarks,
        Function<UUID, Optional<Row>> others) {
    Optional<Double> rating(UUID practical) {
        return ratings.apply(practical);
    }

    Optional<AwardRow> award(UUID practical) {
        return awards.apply(practical);
    }

    Optional<String> selfMark(UUID practical) {
        return selfMarks.apply(practical);
    }

    Optional<Row> other(UUID practical) {
        return others.apply(practical);
    }

    static Attached each(PracticalRows rows) {
        return new Attached(rows::rating, rows::award, rows::selfMark, rows::other);
    }

    /** @param practicals of the term, by their ids */
    static Attached ofTerm(Map<UUID, Row> practicals, PracticalRows rows, UUID term) {
        var others = new HashMap<UUID, Row>();
        for (var row : practicals.values()) {
            var first = row.beside() == null ? null : practicals.get(row.beside());
            if (first == null) continue;
            if (row.voidReason() == null) others.put(first.id(), row);
            if (first.voidReason() == null) others.put(row.id(), first);
        }
        var awards = new HashMap<UUID, AwardRow>();
        rows.awards(term).forEach(a -> awards.put(a.practicalId(), a));
        var ratings = new HashMap<UUID, @Nullable Double>();
        var marks = new HashMap<UUID, @Nullable String>();
        for (var kept : rows.kept(term)) {
            ratings.put(kept.practicalId(), kept.rating());
            marks.put(kept.practicalId(), kept.selfMark());
        }
        return new Attached(
                id -> Optional.ofNullable(ratings.get(id)),
                id -> Optional.ofNullable(awards.get(id)),
                id -> Optional.ofNullable(marks.get(id)),
                id -> Optional.ofNullable(others.get(id)));
    }
}
