package palmtally.server.competency;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.agreement.Agreement;
import palmtally.core.agreement.Figure;
import palmtally.core.agreement.Reliability;
import palmtally.core.agreement.Severity;
import palmtally.core.body.Region;
import palmtally.core.finding.Criterion;
import palmtally.core.practical.Outcome;
import palmtally.server.people.Terms;
import palmtally.server.practical.Awards;
import palmtally.server.profile.Profiles;

/** How well the graders of a term agree, and how much its practicals can be relied on. */
@Service
public class Graders {
    /** @param criterion one of the five, or null for the mean of a practical */
    public record AgreementLine(@Nullable Criterion criterion, int pairs, List<Figure> figures) {}

    public record RatedSequence(String sequence, String name, int practicals, List<Figure> figures) {}

    public record GraderLine(String name, Figure severity, Figure drift) {}

    public record GraderQuality(
            int pairs, List<AgreementLine> agreement, List<GraderLine> graders, List<RatedSequence> sequences) {}

    record MarkRow(String grader, UUID studentId, Region region, Criterion criterion, Instant seenAt, double score) {}

    record FiveRow(UUID id, Criterion criterion, double score) {}

    @Mapper
    interface Rows {
        @Select("""
                select g.id || '/' || g.name as grader, e.student_id, e.region, e.criterion, e.seen_at, e.score
                from evidence e join counted_practical p on p.id = e.practical_id join person g on g.id = p.grader_id
                where p.term_id = #{term} and p.kind <> 'peer-look'""")
        List<MarkRow> marks(UUID term);

        @Select("""
                select p.id, e.criterion, e.score
                from evidence e
                join counted_practical p on p.id = e.practical_id
                join document_version v on v.id = p.sequence_version_id and v.region = e.region
                where p.term_id = #{term} and p.kind = 'practical'""")
        List<FiveRow> fives(UUID term);
    }

    private final Rows rows;
    private final Terms terms;
    private final Awards awards;
    private final Profiles profiles;
    private final Clock clock;

    Graders(Rows rows, Terms terms, Awards awards, Profiles profiles, Clock clock) {
        this.rows = rows;
        this.terms = terms;
        this.awards = awards;
        this.profiles = profiles;
        this.clock = clock;
    }

    /** For instructors and the lead: who is severe is nobody else's business. */
    public GraderQuality of(UUID termId) {
        var term = terms.term(termId);
        double cut = profiles.ofSchool().document().marking().cut();
        var pairs = awards.markedTwice(termId);
        var agreement = new ArrayList<AgreementLine>();
        agreement.add(line(null, pairs, cut));
        for (var c : Criterion.values()) agreement.add(line(c, pairs, cut));
        var marks = rows.marks(termId).stream()
                .map(m -> new Severity.Mark(
                        m.grader,
                        m.studentId.toString(),
                        m.region + "/" + m.criterion,
                        term.week(m.seenAt, clock.getZone()),
                        m.score))
                .toList();
        return new GraderQuality(
                pairs.size(),
                agreement,
                Severity.of(marks).stream()
                        .map(s -> new GraderLine(
                                s.grader().substring(s.grader().indexOf('/') + 1), s.severity(), s.drift()))
                        .sorted(java.util.Comparator.comparing(GraderLine::name))
                        .toList(),
                sequences(termId, cut));
    }

    private static AgreementLine line(@Nullable Criterion criterion, List<Awards.Twice> pairs, double cut) {
        var first = new ArrayList<Double>();
        var second = new ArrayList<Double>();
        for (var p : pairs) {
            var a = value(p.first(), criterion);
            var b = value(p.second(), criterion);
            if (a == null || b == null) continue;
            first.add(a);
            second.add(b);
        }
        return new AgreementLine(
                criterion,
                first.size(),
                Agreement.of(
                        doubles(first),
                        doubles(second),
                        cut,
                        x -> Outcome.Band.of(x).ordinal(),
                        Outcome.Band.values().length));
    }

    private static @Nullable Double value(Map<Criterion, Double> marks, @Nullable Criterion criterion) {
        if (criterion != null) return marks.get(criterion);
        return marks.isEmpty()
                ? null
                : Double.valueOf(marks.values().stream()
                        .mapToDouble(Double::doubleValue)
                        .average()
                        .orElseThrow());
    }

    private List<RatedSequence> sequences(UUID term, double cut) {
        Map<UUID, Map<Criterion, Double>> fives = new LinkedHashMap<>();
        for (var f : rows.fives(term))
            fives.computeIfAbsent(f.id, k -> new EnumMap<>(Criterion.class)).put(f.criterion, f.score);
        Map<String, List<Awards.Rated>> bySequence = new LinkedHashMap<>();
        for (var r : awards.rated(term))
            bySequence.computeIfAbsent(r.sequence(), k -> new ArrayList<>()).add(r);
        var lines = new ArrayList<RatedSequence>();
        bySequence.forEach((sequence, of) -> {
            var rated = of.stream().filter(r -> r.mean() != null).toList();
            var complete = of.stream()
                    .map(r -> fives.getOrDefault(r.id(), Map.of()))
                    .filter(m -> m.size() == Criterion.values().length)
                    .map(m ->
                            m.values().stream().mapToDouble(Double::doubleValue).toArray())
                    .toArray(double[][]::new);
            lines.add(new RatedSequence(
                    sequence,
                    of.get(of.size() - 1).name(),
                    of.size(),
                    Reliability.of(
                            rated.stream().mapToDouble(Awards.Rated::rating).toArray(),
                            rated.stream()
                                    .mapToDouble(r -> Objects.requireNonNull(r.mean()))
                                    .toArray(),
                            complete,
                            cut)));
        });
        return lines;
    }

    private static double[] doubles(List<Double> list) {
        return list.stream().mapToDouble(Double::doubleValue).toArray();
    }
}
