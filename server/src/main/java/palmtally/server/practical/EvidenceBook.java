package palmtally.server.practical;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import palmtally.core.competency.Evidence;
import palmtally.core.finding.Criterion;
import palmtally.core.practical.Excerpt;
import palmtally.core.practical.Scored;
import palmtally.core.practical.Scores;
import palmtally.core.practical.StepLook;
import palmtally.core.practical.StepLook.Wrong;
import palmtally.core.sequence.Step;
import palmtally.formats.Json;
import palmtally.server.people.Terms;
import palmtally.server.practical.PracticalRows.Row;

/** What an award says, written down for Track: by region, by technique, tool and position, and step by step. */
@Component
class EvidenceBook {
    record EvidenceRow(
            UUID practicalId,
            UUID studentId,
            String facet,
            String subject,
            Criterion criterion,
            double score,
            @Nullable Double computed,
            double weight,
            boolean critical,
            Instant seenAt,
            boolean released) {
        EvidenceRow shown(boolean toStudent) {
            return new EvidenceRow(
                    practicalId,
                    studentId,
                    facet,
                    subject,
                    criterion,
                    score,
                    computed,
                    weight,
                    critical,
                    seenAt,
                    toStudent);
        }
    }

    record LookRow(
            UUID practicalId,
            int place,
            String step,
            boolean missed,
            boolean outOfOrder,
            boolean overCeiling,
            boolean leftSilent) {}

    /** What an award says for Track: by region, by technique, tool and position, and step by step. */
    record Counted(List<EvidenceRow> regions, List<EvidenceRow> rollUps, List<LookRow> looks) {}

    @Mapper
    interface Rows {
        @Delete("delete from evidence where practical_id = #{id}")
        void clearEvidence(UUID id);

        @Delete("delete from roll_up where practical_id = #{id}")
        void clearRollUps(UUID id);

        @Delete("delete from step_look where practical_id = #{id}")
        void clearLooks(UUID id);

        // One parameter for all rows: a statement of a thousand placeholders takes longer to read than to carry out.
        @Insert("""
                insert into evidence (practical_id, student_id, region, criterion, score, computed, weight, critical, seen_at, released)
                select "practicalId", "studentId", subject, criterion, score, computed, weight, critical, "seenAt", released
                from jsonb_to_recordset(#{rows}::jsonb) as x ("practicalId" uuid, "studentId" uuid, subject text, criterion text,
                    score double precision, computed double precision, weight double precision, critical boolean,
                    "seenAt" timestamptz, released boolean)""")
        void addEvidence(String rows);

        @Insert("""
                insert into roll_up (practical_id, student_id, facet, subject, criterion, score, weight, critical, seen_at, released)
                select "practicalId", "studentId", facet, subject, criterion, score, weight, critical, "seenAt", released
                from jsonb_to_recordset(#{rows}::jsonb) as x ("practicalId" uuid, "studentId" uuid, facet text, subject text,
                    criterion text, score double precision, weight double precision, critical boolean, "seenAt" timestamptz,
                    released boolean)""")
        void addRollUps(String rows);

        @Insert("""
                insert into step_look (practical_id, place, step, missed, out_of_order, over_ceiling, left_silent)
                select "practicalId", place, step, missed, "outOfOrder", "overCeiling", "leftSilent"
                from jsonb_to_recordset(#{rows}::jsonb) as x ("practicalId" uuid, place int, step text, missed boolean,
                    "outOfOrder" boolean, "overCeiling" boolean, "leftSilent" boolean)""")
        void addLooks(String rows);

        @Select("select pg_notify('track', #{term}::text)")
        @Nullable
        String tell(UUID term);

        @Select("select pg_notify('own_track', #{student}::text)")
        @Nullable
        String tellOwn(UUID student);
    }

    private static final Map<String, Function<Step, String>> FACETS = Map.of(
            "technique", s -> s.technique().id(),
            "tool", s -> s.tool().toString(),
            "position", s -> s.position().toString());

    private final Rows rows;
    private final Terms terms;

    EvidenceBook(Rows rows, Terms terms) {
        this.rows = rows;
        this.terms = terms;
    }

    void clear(UUID practical) {
        rows.clearEvidence(practical);
        rows.clearRollUps(practical);
        rows.clearLooks(practical);
    }

    /** Tells every open Track of the term and the student's own page that something changed, once what changed is stored. */
    void tell(Row row) {
        terms.track(row.termId());
        rows.tell(row.termId());
        rows.tellOwn(row.studentId());
    }

    /** In place of what was written before. */
    void write(Row row, Counted counted, boolean released) {
        clear(row.id());
        if (!counted.regions.isEmpty()) rows.addEvidence(json(counted.regions, released));
        if (!counted.rollUps.isEmpty()) rows.addRollUps(json(counted.rollUps, released));
        if (!counted.looks.isEmpty()) rows.addLooks(Json.MAPPER.writeValueAsString(counted.looks));
        tell(row);
    }

    private static String json(List<EvidenceRow> lines, boolean released) {
        return Json.MAPPER.writeValueAsString(
                lines.stream().map(l -> l.shown(released)).toList());
    }

    /**
     * What an award says. A practical over several regions is judged by the steps of each; a criterion that the grader changed has
     * that value in all of them.
     */
    static Counted counted(Row row, Scores scores, Award award) {
        var kind = row.kind().evidence;
        var struck = award.struckKeys();
        var regions = new ArrayList<EvidenceRow>();
        Excerpt.regions(scores.run().practical()).forEach((region, steps) -> {
            var part = Excerpt.of(scores, s -> steps.contains(s.id()));
            for (var c : part.criteria()) {
                var line = line(row, kind, part, c, award, struck, "region", region.toString());
                if (line != null) regions.add(line);
            }
        });
        if (kind != Evidence.Kind.PRACTICAL) return new Counted(regions, List.of(), List.of());
        var looks = new ArrayList<LookRow>();
        for (var look : StepLook.of(scores, struck))
            looks.add(new LookRow(
                    row.id(),
                    looks.size(),
                    look.step(),
                    look.wrong().contains(Wrong.MISSED),
                    look.wrong().contains(Wrong.OUT_OF_ORDER),
                    look.wrong().contains(Wrong.OVER_CEILING),
                    look.wrong().contains(Wrong.LEFT_SILENT)));
        return new Counted(regions, rollUps(row, scores, award, struck), looks);
    }

    private static List<EvidenceRow> rollUps(Row row, Scores scores, Award award, Set<String> struck) {
        var lines = new ArrayList<EvidenceRow>();
        FACETS.forEach((facet, subjectOf) -> {
            var subjects = new LinkedHashSet<String>();
            scores.run().practical().brief().forEach(s -> subjects.add(subjectOf.apply(s.step())));
            for (var subject : subjects) {
                var part = Excerpt.of(scores, s -> subjectOf.apply(s).equals(subject));
                for (var c : part.criteria()) {
                    var line = line(row, Evidence.Kind.PRACTICAL, part, c, award, struck, facet, subject);
                    if (line != null) lines.add(line);
                }
            }
        });
        return lines;
    }

    private static @Nullable EvidenceRow line(
            Row row,
            Evidence.Kind kind,
            Scores part,
            Scored c,
            Award award,
            Set<String> struck,
            String facet,
            String subject) {
        var change = award.criteria().get(c.criterion());
        boolean region = facet.equals("region");
        // What the grader changed is about the run; of a technique in it only what was seen there speaks.
        Double value = change == null || !region ? c.score() : change.value();
        boolean critical = part.critical().stream()
                .anyMatch(f -> f.rule().criterion() == c.criterion() && !struck.contains(f.key()));
        // Harm seen where there was nothing to score, as touch without permission through a sheet that nobody opened,
        // stands open too.
        boolean nothing = value == null || !region && c.observations() == 0;
        if (nothing && !critical) return null;
        int enough = part.run().practical().profile().marking().enough().getOrDefault(c.criterion(), 1);
        return new EvidenceRow(
                row.id(),
                row.studentId(),
                facet,
                subject,
                c.criterion(),
                nothing || value == null ? 0 : value,
                c.score(),
                nothing ? Evidence.HARM_ONLY : Evidence.weight(kind, Math.max(1, c.observations()), enough),
                critical,
                row.startedAt(),
                award.released());
    }
}
