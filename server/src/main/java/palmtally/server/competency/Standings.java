package palmtally.server.competency;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeSet;
import java.util.UUID;
import java.util.function.Predicate;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import palmtally.core.body.Region;
import palmtally.core.competency.Competency;
import palmtally.core.competency.Competency.Carried;
import palmtally.core.competency.Evidence;
import palmtally.core.competency.LocalLevel;
import palmtally.core.finding.Criterion;
import palmtally.core.profile.Profile;
import palmtally.formats.Json;
import palmtally.server.column.WordHandler;
import palmtally.server.people.Term;
import palmtally.server.people.Terms;
import palmtally.server.profile.Profiles;
import palmtally.server.sequence.Sequences;

/** How everybody in a term stands, recomputed from the evidence whenever it is asked for. */
@Component
class Standings {
    record Row(
            UUID practicalId,
            UUID studentId,
            Region region,
            Criterion criterion,
            double score,
            double weight,
            boolean critical,
            Instant seenAt,
            boolean released) {}

    record RollUpRow(
            UUID practicalId,
            String facet,
            String subject,
            Criterion criterion,
            double score,
            double weight,
            boolean critical,
            Instant seenAt,
            boolean released) {}

    record CarriedRow(
            UUID studentId,
            Region region,
            Criterion criterion,
            double mean,
            double variance,
            int days,
            boolean critical) {}

    @Mapper
    interface Rows {
        /**
         * Pieces of evidence in the order they were seen, as one JSON array of arrays: thousands of rows are read in a tenth of the time
         * that mapping them one by one takes.
         */
        @Select("""
                <script>
                select coalesce(json_agg(json_build_array(e.practical_id, e.student_id, e.region, e.criterion, e.score, e.weight,
                    e.critical, (extract(epoch from e.seen_at) * 1000000)::bigint, e.released) order by e.seen_at, e.practical_id),
                    '[]'::json)::text
                from evidence e join counted_practical p on p.id = e.practical_id
                where p.term_id = #{term}
                <if test="student != null">and e.student_id = #{student}</if>
                </script>""")
        String evidence(UUID term, @Nullable UUID student);

        @Select("""
                select e.practical_id, e.facet, e.subject, e.criterion, e.score, e.weight, e.critical, e.seen_at,
                       e.released
                from roll_up e join counted_practical p on p.id = e.practical_id
                where p.term_id = #{term} and e.student_id = #{student}
                order by e.facet desc, e.subject, e.seen_at, e.practical_id""")
        List<RollUpRow> rollUps(UUID term, UUID student);

        @Select("""
                select student_id, region, criterion, mean, variance, days, critical from carried where term_id = #{term}""")
        List<CarriedRow> carried(UUID term);
    }

    record Key(UUID student, Region region, Criterion criterion) {}

    /** One student, region and criterion: what was seen, what was brought along, and what that comes to. */
    record Standing(
            Key key, List<Evidence> pieces, @Nullable Carried carried, Competency competency) {}

    /** A term as it stands now. */
    record Whole(Term term, Profile profile, double week, List<Region> regions, Map<Key, Standing> standings) {
        Standing at(UUID student, Region region, Criterion criterion) {
            var key = new Key(student, region, criterion);
            var there = standings.get(key);
            return there != null
                    ? there
                    : new Standing(key, List.of(), null, Competency.of(List.of(), null, week, term.weeks(), profile));
        }
    }

    private static final Map<String, Region> REGIONS = WordHandler.words(Region.class);
    private static final Map<String, Criterion> CRITERIA = WordHandler.words(Criterion.class);

    private final Rows rows;
    private final Terms terms;
    private final Profiles profiles;
    private final Sequences sequences;
    private final Clock clock;

    Standings(Rows rows, Terms terms, Profiles profiles, Sequences sequences, Clock clock) {
        this.rows = rows;
        this.terms = terms;
        this.profiles = profiles;
        this.sequences = sequences;
        this.clock = clock;
    }

    Whole ofTerm(UUID termId) {
        return whole(terms.term(termId), evidence(termId, null), r -> true);
    }

    /** @param own whether the student asks, who sees nothing of what is not released */
    Whole ofStudent(Term term, UUID student, boolean own) {
        var evidence = evidence(term.id(), student).stream()
                .filter(r -> !own || r.released)
                .toList();
        return whole(term, evidence, r -> r.studentId.equals(student));
    }

    /** @param student one of them, or null for all */
    List<Row> evidence(UUID term, @Nullable UUID student) {
        var all = new ArrayList<Row>();
        for (var r : Json.MAPPER.readTree(rows.evidence(term, student)))
            all.add(new Row(
                    UUID.fromString(r.get(0).asString()),
                    UUID.fromString(r.get(1).asString()),
                    Objects.requireNonNull(REGIONS.get(r.get(2).asString())),
                    Objects.requireNonNull(CRITERIA.get(r.get(3).asString())),
                    r.get(4).asDouble(),
                    r.get(5).asDouble(),
                    r.get(6).asBoolean(),
                    Instant.EPOCH.plus(r.get(7).asLong(), ChronoUnit.MICROS),
                    r.get(8).asBoolean()));
        return all;
    }

    private Whole whole(Term term, List<Row> evidence, Predicate<CarriedRow> mine) {
        var profile = profiles.ofSchool().document();
        // A term that is over stands still.
        double week = Math.min(term.week(clock.instant(), clock.getZone()), term.weeks());
        Map<Key, List<Evidence>> pieces = new HashMap<>();
        for (var r : evidence)
            pieces.computeIfAbsent(new Key(r.studentId, r.region, r.criterion), k -> new ArrayList<>())
                    .add(piece(term, r.practicalId, r.seenAt, r.score, r.weight, r.critical));
        Map<Key, Carried> carried = new HashMap<>();
        for (var c : rows.carried(term.id()))
            if (mine.test(c))
                carried.put(
                        new Key(c.studentId, c.region, c.criterion),
                        new Carried(new LocalLevel(c.mean, c.variance), c.days, c.critical));
        Map<Key, Standing> standings = new HashMap<>();
        var keys = new java.util.HashSet<>(pieces.keySet());
        keys.addAll(carried.keySet());
        for (var key : keys) {
            var own = pieces.getOrDefault(key, List.of());
            var before = carried.get(key);
            double latest = own.stream().mapToDouble(Evidence::week).max().orElse(0);
            standings.put(
                    key,
                    new Standing(
                            key,
                            own,
                            before,
                            Competency.of(own, before, Math.max(week, latest), term.weeks(), profile)));
        }
        var regions = new TreeSet<Region>();
        sequences.all().forEach(s -> regions.add(s.document().region()));
        keys.forEach(k -> regions.add(k.region));
        return new Whole(term, profile, week, List.copyOf(regions), standings);
    }

    /** By technique, tool and position: the competency in each, in the order facet, subject, criterion. */
    Map<String, Map<String, Map<Criterion, Competency>>> rollUps(
            Term term, UUID student, double week, Profile profile, boolean own) {
        Map<String, Map<String, Map<Criterion, List<Evidence>>>> pieces = new java.util.LinkedHashMap<>();
        for (var r : rows.rollUps(term.id(), student))
            if (!own || r.released)
                pieces.computeIfAbsent(r.facet, k -> new java.util.LinkedHashMap<>())
                        .computeIfAbsent(r.subject, k -> new java.util.EnumMap<>(Criterion.class))
                        .computeIfAbsent(r.criterion, k -> new ArrayList<>())
                        .add(piece(term, r.practicalId, r.seenAt, r.score, r.weight, r.critical));
        Map<String, Map<String, Map<Criterion, Competency>>> all = new java.util.LinkedHashMap<>();
        pieces.forEach((facet, subjects) -> subjects.forEach((subject, criteria) -> {
            var of = all.computeIfAbsent(facet, k -> new java.util.LinkedHashMap<>())
                    .computeIfAbsent(subject, k -> new java.util.EnumMap<>(Criterion.class));
            for (var criterion : Criterion.values()) {
                var its = criteria.getOrDefault(criterion, List.of());
                double latest = its.stream().mapToDouble(Evidence::week).max().orElse(0);
                of.put(criterion, Competency.of(its, Math.max(week, latest), term.weeks(), profile));
            }
        }));
        return all;
    }

    private Evidence piece(Term term, UUID practical, Instant seenAt, double score, double weight, boolean critical) {
        var zone = clock.getZone();
        return new Evidence(
                practical.toString(), term.week(seenAt, zone), term.day(seenAt, zone), score, weight, critical);
    }
}
