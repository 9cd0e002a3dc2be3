package palmtally.server.practical;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;
import palmtally.core.practical.Outcome;
import palmtally.core.sequence.Sides;
import palmtally.server.practical.Practicals.Kind;

@Mapper
interface PracticalRows {
    record Row(
            UUID id,
            UUID termId,
            UUID studentId,
            @Nullable UUID partnerId,
            UUID graderId,
            UUID sequenceVersionId,
            UUID profileVersionId,
            String asked,
            Sides sides,
            int tableNumber,
            Instant startedAt,
            boolean finished,
            @Nullable Double limitSeconds,
            @Nullable String today,
            @Nullable String despite,
            @Nullable String voidReason,
            @Nullable UUID retakeOf,
            Kind kind,
            @Nullable Criterion criterion,
            @Nullable UUID beside,
            @Nullable UUID watches) {
        /** The same run, asked the same and with the same clock, in the eyes of somebody else. */
        Row of(UUID id, UUID grader, Kind kind, @Nullable UUID beside, @Nullable UUID watches) {
            return new Row(
                    id,
                    termId,
                    studentId,
                    partnerId,
                    grader,
                    sequenceVersionId,
                    profileVersionId,
                    asked,
                    sides,
                    tableNumber,
                    startedAt,
                    false,
                    limitSeconds,
                    today,
                    despite,
                    null,
                    retakeOf,
                    kind,
                    criterion,
                    beside,
                    watches);
        }
    }

    record EventRow(
            String id,
            String device,
            long seq,
            long atMs,
            @Nullable Instant wall,
            String kind,
            String data) {}

    record AwardRow(
            UUID practicalId,
            int revision,
            Award body,
            Outcome.Result result,
            @Nullable Double mean,
            boolean released,
            UUID awardedBy,
            Instant awardedAt,
            @Nullable Integer events,
            @Nullable Judged judged) {
        /** How close a mean must be to be the one that was awarded: what is shown is whole points. */
        private static final double SAME = 0.5;

        /**
         * What it came to when it was given, for an award of which no more was kept: it stands as it was given, whatever the rules of
         * another day, or taps that came in later, would make of it.
         */
        Outcome outcome(Outcome today) {
            boolean same = today.result() == result
                    && (mean == null
                            ? today.mean() == null
                            : today.mean() != null && Math.abs(today.mean() - mean) < SAME);
            return same
                    ? today
                    : new Outcome(
                            result,
                            mean,
                            mean == null ? null : Outcome.Band.of(mean),
                            List.of(
                                    "It stands as it was awarded; by today’s rules and taps it would come to something else."));
        }
    }

    String COLUMNS =
            "id, term_id, student_id, partner_id, grader_id, sequence_version_id, profile_version_id, asked::text as asked, sides, table_number, started_at, finished, limit_seconds, today::text as today, despite, void_reason, retake_of, kind, criterion, beside, watches";

    @Insert("""
            insert into practical (id, term_id, student_id, partner_id, grader_id, sequence_version_id, profile_version_id,
                                   asked, sides, table_number, started_at, finished, limit_seconds, today, despite, retake_of, kind,
                                   criterion, beside, watches)
            values (#{id}, #{termId}, #{studentId}, #{partnerId}, #{graderId}, #{sequenceVersionId}, #{profileVersionId},
                    #{asked}::jsonb, #{sides}, #{tableNumber}, #{startedAt}, #{finished}, #{limitSeconds}, #{today}::jsonb,
                    #{despite}, #{retakeOf}, #{kind}, #{criterion}, #{beside}, #{watches})""")
    void add(Row row);

    @Select("select " + COLUMNS + " from practical where id = #{id}")
    Optional<Row> byId(UUID id);

    @Select("select " + COLUMNS + " from practical where term_id = #{term}")
    List<Row> ofTerm(UUID term);

    record Kept(
            UUID practicalId,
            boolean awarded,
            @Nullable Double rating,
            @Nullable String selfMark) {}

    /** Of each practical of a term whether it is awarded, its rating and the student's own marks. */
    @Select("""
            select p.id as practical_id, exists (select 1 from award where practical_id = p.id) as awarded,
                r.value as rating, m.body::text as self_mark
            from practical p
            left join rating r on r.practical_id = p.id
            left join self_mark m on m.practical_id = p.id
            where p.term_id = #{term}""")
    List<Kept> kept(UUID term);

    @Select("select " + COLUMNS + " from practical where id = #{id} for update")
    Optional<Row> lock(UUID id);

    /** Open practicals of a grader that were begun since, table by table. */
    @Select("select " + COLUMNS + """
             from practical where grader_id = #{grader} and not finished and void_reason is null and started_at > #{since}
            order by table_number, started_at, id""")
    List<Row> open(UUID grader, Instant since);

    record NewsRow(
            UUID practicalId,
            long nth,
            String id,
            String device,
            long seq,
            long atMs,
            @Nullable Instant wall,
            String kind,
            String data) {}

    /** Events of a grader's open practicals that were stored after another, and those of the last seconds again: what is stored at once need not be seen at once. */
    @Select("""
            select e.practical_id, e.nth, e.id, e.device, e.seq, e.at_ms, e.wall, e.kind, e.data::text as data
            from event e join practical p on p.id = e.practical_id
            where p.grader_id = #{grader} and not p.finished and p.void_reason is null and (e.nth > #{after} or e.stored_at > #{lately})
            order by e.nth limit #{most}""")
    List<NewsRow> news(UUID grader, long after, Instant lately, int most);

    @Update("update practical set finished = #{finished} where id = #{id}")
    void finish(UUID id, boolean finished);

    /** The practical of the other grader of the same run, while it counts. */
    @Select("select " + COLUMNS + " from practical where void_reason is null"
            + " and (beside = #{id} or id = (select beside from practical where id = #{id}))")
    Optional<Row> other(UUID id);

    @Select("select body::text from self_mark where practical_id = #{id}")
    Optional<String> selfMark(UUID id);

    @Insert("""
            insert into self_mark (practical_id, body, given_at) values (#{id}, #{body}::jsonb, #{at})
            on conflict (practical_id) do nothing""")
    int addSelfMark(UUID id, String body, Instant at);

    record ToMark(UUID id, String sequence, Instant startedAt) {}

    /** Finished practicals of a student that no result has been shown of, and no mark of their own given. */
    @Select("""
            select p.id, v.name as sequence, p.started_at from counted_practical p
            join document_version v on v.id = p.sequence_version_id
            where p.student_id = #{student} and p.finished and p.kind <> 'peer-look'
              and not exists (select 1 from self_mark m where m.practical_id = p.id)
              and not exists (select 1 from newest_award a where a.practical_id = p.id and a.released)
            order by p.started_at desc""")
    List<ToMark> toMark(UUID student);

    /** Looks of a student at another's practical that still goes on, the newest first. */
    @Select("select " + COLUMNS
            + " from practical w where kind = 'peer-look' and grader_id = #{observer} and not finished"
            + " and void_reason is null and (select not p.finished and p.void_reason is null from practical p where p.id = w.watches)"
            + " order by started_at desc")
    List<Row> watching(UUID observer);

    /** Ends the looks at a practical that is over; a look that saw nothing is left as it is. */
    @Update("""
            update practical p set finished = #{finished} where p.watches = #{id}
              and exists (select 1 from event e where e.practical_id = p.id)""")
    void finishLooks(UUID id, boolean finished);

    @Select("select " + COLUMNS + " from practical where watches = #{id} and grader_id = #{observer}")
    Optional<Row> watch(UUID id, UUID observer);

    /** Says that it does not count, or with null that it does after all. */
    @Update("""
            update practical set void_reason = #{reason}, voided_by = #{by},
                voided_at = case when #{reason}::text is null then null else #{at}::timestamptz end
            where id = #{id}""")
    void setVoid(UUID id, @Nullable String reason, UUID by, Instant at);

    /** All of one practical as a JSON array of what their columns hold, by time. */
    @Select("""
            select coalesce(json_agg(json_build_object('id', id, 'device', device, 'seq', seq, 'atMs', at_ms, 'wall', wall,
                'kind', kind, 'data', data) order by at_ms, device, seq, id), '[]')::text
            from event where practical_id = #{id}""")
    String events(UUID id);

    record EventKey(UUID practicalId, String id) {}

    /** Stores events given as a JSON array of rows. @return those that were not there before */
    @Select(value = """
            insert into event (practical_id, id, device, seq, at_ms, wall, kind, data, account_id, stored_at)
            select practical, id, device, seq, at_ms, wall, kind, data, account, #{at}
            from jsonb_to_recordset(#{rows}::jsonb) as r(practical uuid, id text, device text, seq bigint, at_ms bigint,
                wall timestamptz, kind text, data jsonb, account uuid)
            on conflict (practical_id, id) do nothing
            returning practical_id, id""", affectData = true)
    @Options(flushCache = Options.FlushCachePolicy.TRUE, useCache = false)
    List<EventKey> addAll(String rows, Instant at);

    @Select("""
            <script>
            select id, device, seq, at_ms, wall, kind, data::text as data from event
            where practical_id = #{practical} and id in
            <foreach collection="ids" item="i" open="(" separator="," close=")">#{i}</foreach>
            </script>""")
    List<EventRow> eventsOf(UUID practical, List<String> ids);

    @Delete("""
            <script>
            delete from event where practical_id = #{practical} and id in
            <foreach collection="ids" item="i" open="(" separator="," close=")">#{i}</foreach>
            </script>""")
    void removeEvents(UUID practical, List<String> ids);

    @Select("select count(*) from event where practical_id = #{practical}")
    int countEvents(UUID practical);

    @Select("select count(*) from event where practical_id = #{practical} and device = #{device}")
    int countOf(UUID practical, String device);

    @Select("select value from rating where practical_id = #{id}")
    Optional<Double> rating(UUID id);

    @Insert("""
            insert into rating (practical_id, value, given_by, given_at) values (#{id}, #{value}, #{by}, #{at})
            on conflict (practical_id) do nothing""")
    int rate(UUID id, double value, UUID by, Instant at);

    @Select("""
            select practical_id, revision, body, result, mean, released, awarded_by, awarded_at, events, judged from award
            where practical_id = #{id} and revision = 1""")
    Optional<AwardRow> firstAward(UUID id);

    /** Runs that two graders marked and awarded; the first grader's practical of each. */
    @Select("select " + COLUMNS
            + " from practical f where term_id = #{term} and beside is null and void_reason is null and exists (select 1 from award"
            + " where practical_id = f.id) and exists (select 1 from practical b join award a on a.practical_id = b.id where"
            + " b.beside = f.id and b.void_reason is null) order by started_at, id")
    List<Row> pairs(UUID term);

    @Select("""
            select practical_id, revision, body, result, mean, released, awarded_by, awarded_at, events, judged from newest_award
            where practical_id = #{id}""")
    Optional<AwardRow> award(UUID id);

    @Insert("""
            insert into award (practical_id, revision, body, result, mean, released, awarded_by, awarded_at, events, judged)
            values (#{practicalId}, #{revision}, #{body}, #{result}, #{mean}, #{released}, #{awardedBy}, #{awardedAt},
                    #{events}, #{judged})
            on conflict do nothing""")
    int addAward(AwardRow row);

    /** Whole practicals of a term that count, rated and awarded, by sequence. */
    @Select("""
            select p.id, v.document as sequence, v.name, r.value as rating, a.mean
            from counted_practical p
            join document_version v on v.id = p.sequence_version_id
            join rating r on r.practical_id = p.id
            join newest_award a on a.practical_id = p.id
            where p.term_id = #{term} and p.kind = 'practical'
            order by v.document, p.started_at, p.id""")
    List<Awards.Rated> rated(UUID term);

    @Select("select exists (select 1 from practical where term_id = #{term})")
    boolean any(UUID term);

    /** A second marking of the run {@code p} that is still at work: something was seen in it since, and it is not awarded. */
    String SECOND_AT_WORK = """
            exists (select 1 from practical b where b.beside = p.id and b.void_reason is null
                    and not exists (select 1 from award a where a.practical_id = b.id)
                    and exists (select 1 from event e where e.practical_id = b.id and e.stored_at > #{left}))""";

    /** Whether the award of a run waits for that of its second grader. */
    @Select("select " + SECOND_AT_WORK + " from practical p where p.id = #{id}")
    boolean waitsForSecond(UUID id, Instant left);

    /** Awarded by whoever marks them, and yet without a look at any step: those of which nothing was seen included. */
    @Select("""
            select p.id from counted_practical p where p.kind = 'practical'
              and exists (select 1 from award a where a.practical_id = p.id)
              and not exists (select 1 from step_look l where l.practical_id = p.id)
              and not\s""" + SECOND_AT_WORK)
    List<UUID> awardedWithoutLooks(Instant left);

    String LINES = """
            select p.id, p.student_id, s.name as student, g.name as grader, v.name as sequence, v.region, p.started_at,
                   p.table_number, p.finished, a.result, a.mean, a.released, p.void_reason,
                   p.kind, p.criterion, p.beside, p.grader_id,
                   nullif((select count(*) from event e where e.practical_id = p.id and a.events is not null and e.kind != 'attend') - a.events, 0)::int as since
            from practical p
            join person s on s.id = p.student_id
            join person g on g.id = p.grader_id
            join document_version v on v.id = p.sequence_version_id
            left join newest_award a on a.practical_id = p.id
            where p.term_id = #{term}\s""";

    /** What waits for nobody: void, or awarded and shown with no tap since, or the second half of a run that is awarded. */
    String DONE = """
            (p.void_reason is not null or a.result is not null and (a.released or p.beside is not null)
                and not (a.awarded_at > #{lately} and coalesce(a.events <
                    (select count(*) from event e where e.practical_id = p.id and e.kind != 'attend'), false)))""";

    /** All of a term, or of one student in it, the newest first. */
    @Select("<script>" + LINES + """
            <if test="student != null">and p.student_id = #{student}</if>
            order by p.started_at desc, p.id desc
            </script>""")
    List<PracticalLine> lines(UUID term, @Nullable UUID student);

    /**
     * Those that still wait for something.
     *
     * @param lately what was awarded since waits again where taps came after the award
     */
    @Select(LINES + "and not " + DONE + " order by p.started_at desc, p.id desc")
    List<PracticalLine> due(UUID term, Instant lately);

    /** Those that wait for nothing, from one on. */
    @Select(LINES + "and " + DONE + """
             and (#{before}::uuid is null
                  or (p.started_at, p.id) < (select b.started_at, b.id from practical b where b.id = #{before} and b.term_id = #{term}))
            order by p.started_at desc, p.id desc limit #{most}""")
    List<PracticalLine> done(UUID term, @Nullable UUID before, int most, Instant lately);

    @Select("""
            select distinct p.student_id from practical p join document_version v on v.id = p.sequence_version_id
            where p.term_id = #{term} and v.document = #{sequence} and p.void_reason is null and p.kind = 'practical'
            order by p.student_id""")
    List<UUID> studentsOf(UUID term, String sequence);

    /**
     * The last of a student's practicals of each sequence, where it was not passed: what came before it is over. While one of two who mark
     * a run has not awarded, its result is nobody's yet.
     */
    @Select("""
            select p.id as practical, p.student_id as student, s.name, p.document as sequence, p.name as sequence_name,
                   p.started_at, a.result
            from (
                select distinct on (q.student_id, v.document) q.id, q.student_id, q.started_at, v.document, v.name
                from counted_practical q
                join document_version v on v.id = q.sequence_version_id
                where q.term_id = #{term} and q.kind = 'practical'
                order by q.student_id, v.document, q.started_at desc, q.id) p
            join person s on s.id = p.student_id
            join newest_award a on a.practical_id = p.id
            where a.result <> 'pass'
              and not exists (select 1 from practical b where b.beside = p.id and b.void_reason is null
                    and not exists (select 1 from award c where c.practical_id = b.id))
            order by s.name, p.started_at, p.id""")
    List<Practicals.OwedRetake> owed(UUID term);
}
