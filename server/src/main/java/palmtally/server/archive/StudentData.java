package palmtally.server.archive;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.formats.Json;
import palmtally.server.audit.Audit;
import palmtally.server.people.Accounts;
import palmtally.server.people.Caller;
import palmtally.server.people.Person;
import palmtally.server.people.Role;
import palmtally.server.problem.Refusal;
import tools.jackson.databind.JsonNode;

/**
 * Everything the school keeps of one student: handed out as one file, and erased when the student has left and asks for it. The audit
 * trail says that it was done, by whom and when, and keeps nothing of what was erased.
 */
@Service
class StudentData {
    /** What there is of a student, by table: how many rows are handed out, and erased. */
    record Erased(Map<String, Integer> rows) {}

    @Mapper
    interface Rows {
        /**
         * One row a kind of thing, its rows as one JSON array.
         *
         * @param own whether the student asks: of what is not released they are told that it is there, and no more; a second grader's
         *     half of a run is not theirs to see
         */
        @Select("""
                select 'account' as what, (select jsonb_agg(x)::text from (
                    select name, sign_in as "signIn", role, created_at as "createdAt" from account where id = #{id}) x) as body
                union all select 'terms', (select jsonb_agg(x)::text from (
                    select t.name, t.cohort, t.starts_on as "startsOn", t.weeks from term t
                    join enrolment e on e.term_id = t.id where e.account_id = #{id} order by t.starts_on, t.id) x)
                union all select 'bodyNotes', (select jsonb_agg(x)::text from (
                    select kind, zone, side, until, written_at as "writtenAt", withdrawn_at as "withdrawnAt" from client_note
                    where account_id = #{id} order by written_at, id) x)
                union all select 'practicals', (select jsonb_agg(jsonb_strip_nulls(to_jsonb(x)))::text from (
                    select p.id, p.kind, v.name as sequence, p.started_at as "startedAt", p.finished, p.void_reason as "voidReason",
                           g.name as grader, b.name as "onTheTable", s.released,
                           case when s.open then (select value from rating where practical_id = p.id) end as rating,
                           case when s.open then (select jsonb_agg(e order by e.at_ms, e.seq) from (
                               select id, at_ms, seq, kind, data from event where practical_id = p.id) e) end as events,
                           case when s.open then
                               (select jsonb_agg(a.body || jsonb_build_object('result', a.result, 'mean', a.mean) order by a.revision)
                                from award a where a.practical_id = p.id and (a.released or not #{own})) end as awards,
                           (select body from self_mark where practical_id = p.id) as "selfMarks"
                    from practical p join document_version v on v.id = p.sequence_version_id
                    join account g on g.id = p.grader_id left join account b on b.id = p.partner_id
                    cross join lateral (select r as released, (r and p.void_reason is null) or not #{own} as open from (
                        select coalesce((select a.released from award a where a.practical_id = p.id
                                         order by a.revision desc limit 1), false) as r) n) s
                    where p.student_id = #{id} and (p.beside is null or not #{own}) order by p.started_at, p.id) x)
                union all select 'onTheTable', (select jsonb_agg(x)::text from (
                    select p.id, v.name as sequence, p.started_at as "startedAt", p.today from practical p
                    join document_version v on v.id = p.sequence_version_id
                    where p.partner_id = #{id} order by p.started_at, p.id) x)
                union all select 'evidence', (select jsonb_agg(x)::text from (
                    select practical_id as practical, region, criterion, score, weight, critical, seen_at as "seenAt" from evidence
                    where student_id = #{id} and (released or not #{own}) order by seen_at, region, criterion) x)
                union all select 'carriedOver', (select jsonb_agg(x)::text from (
                    select region, criterion, mean, variance, days, critical from carried
                    where student_id = #{id} order by region, criterion) x)
                union all select 'watched', (select jsonb_agg(x)::text from (
                    select id, started_at as "startedAt" from practical where grader_id = #{id} order by started_at, id) x)
                union all select 'rounds', (select jsonb_agg(x)::text from (
                    select r.opened_at as "openedAt", s.table_number as "table" from round_seat s
                    join practice_round r on r.id = s.round_id where s.account_id = #{id} order by r.opened_at) x)
                union all select 'readBy', (select jsonb_agg(x)::text from (
                    select a.at, b.name as by,
                           case when #{own} then regexp_replace(a.what, ' [0-9a-f-]{36}$', '') else a.what end as what from audit a left join account b on b.id = a.account_id
                    where a.subject = #{id} order by a.id) x)""")
        List<Part> all(UUID id, boolean own);

        @Select(
                "select exists (select 1 from enrolment e join term t on t.id = e.term_id where e.account_id = #{id} and t.archived_at is null)")
        boolean inOpenTerm(UUID id);

        @Select("""
                select id from account a where role = 'student' and erased_at is null and not exists (
                    select 1 from enrolment e join term t on t.id = e.term_id where e.account_id = a.id and t.archived_at is null)
                order by name, id""")
        List<UUID> gone();

        @Select("select erased_at is not null from account where id = #{id}")
        boolean erased(UUID id);

        /** Practicals of the student, and looks at them by others or second graders; the student's own looks at others are theirs. */
        @Select("""
                select id from practical where student_id = #{id}
                union select w.id from practical w join practical p on p.id = w.watches or p.id = w.beside where p.student_id = #{id}""")
        List<UUID> practicals(UUID id);

        @Update("update practical set retake_of = null where retake_of = #{practical}")
        void unlink(UUID practical);

        @Update("update practical set beside = null, watches = null where id = #{practical}")
        void loosen(UUID practical);

        @Update("update event set account_id = null where account_id = #{id}")
        void seenByThem(UUID id);

        @Delete("delete from event where practical_id = #{practical}")
        int events(UUID practical);

        @Delete("delete from award where practical_id = #{practical}")
        int awards(UUID practical);

        @Delete("delete from rating where practical_id = #{practical}")
        int ratings(UUID practical);

        @Delete("delete from evidence where practical_id = #{practical}")
        int evidence(UUID practical);

        @Delete("delete from roll_up where practical_id = #{practical}")
        int rollUps(UUID practical);

        @Delete("delete from step_look where practical_id = #{practical}")
        int looks(UUID practical);

        @Delete("delete from self_mark where practical_id = #{practical}")
        int selfMarks(UUID practical);

        @Delete("delete from handset where practical_id = #{practical}")
        int handsets(UUID practical);

        @Delete("delete from practical where id = #{practical}")
        int practical(UUID practical);

        @Update("update practical set partner_id = null, today = null where partner_id = #{id}")
        int onTheTable(UUID id);

        @Delete("delete from client_note where account_id = #{id}")
        int notes(UUID id);

        @Update("update client_note set written_by = account_id where written_by = #{id}")
        void notesOfOthers(UUID id);

        @Delete("delete from carried where student_id = #{id}")
        int carried(UUID id);

        @Delete("delete from round_seat where account_id = #{id}")
        int rounds(UUID id);

        @Delete("delete from enrolment where account_id = #{id}")
        int enrolments(UUID id);

        @Delete("delete from duty where account_id = #{id}")
        void duties(UUID id);

        @Delete("delete from spring_session where principal_name = #{id}::text")
        void sessions(UUID id);

        /** What was done stays said, not to what end. */
        @Update("update audit set detail = '' where subject = #{id} or account_id = #{id}")
        void audit(UUID id);

        /** No password has this form, so that nobody signs in with it. */
        @Update("""
                update account set name = 'Removed student', sign_in = 'removed-' || id, password = '', erased_at = #{at}
                where id = #{id}""")
        void account(UUID id, Instant at);
    }

    record Part(
            String what, @org.jspecify.annotations.Nullable String body) {}

    private final Rows rows;
    private final Accounts accounts;
    private final Audit audit;
    private final Clock clock;

    StudentData(Rows rows, Accounts accounts, Audit audit, Clock clock) {
        this.rows = rows;
        this.accounts = accounts;
        this.audit = audit;
        this.clock = clock;
    }

    /** Students who are in no open term any more: what is kept of them can be erased. */
    List<Person> gone() {
        return rows.gone().stream().map(accounts::person).toList();
    }

    /** For the student, and the lead. */
    JsonNode all(Caller caller, UUID id) {
        must(caller, id);
        audit.read(caller, id, "all that is kept");
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("format", "palm-tally/student");
        all.put("version", 1);
        for (var part : rows.all(id, caller.id().equals(id)))
            all.put(part.what, part.body == null ? List.of() : Json.MAPPER.readTree(part.body));
        return Json.MAPPER.valueToTree(all);
    }

    /**
     * Erases everything of a student who is in no open term any more.
     *
     * @param name the name, typed by whoever asks for it, so that it is never the wrong one
     */
    @Transactional
    public Erased erase(Caller caller, UUID id, @org.jspecify.annotations.Nullable String name) {
        var person = student(id);
        if (rows.inOpenTerm(id))
            throw Refusal.conflict(
                    "in-term", "This student is in a term that is open. Take them out of it first, then erase.");
        if (!person.name().equals(name == null ? "" : name.strip()))
            throw Refusal.invalid("another-name", "The name is not that of this student. Nothing was erased.");
        Map<String, Integer> gone = new LinkedHashMap<>();
        var practicals = new ArrayList<>(rows.practicals(id));
        practicals.forEach(rows::unlink);
        practicals.forEach(rows::loosen);
        for (var p : practicals) {
            add(gone, "events", rows.events(p));
            add(gone, "awards", rows.awards(p) + rows.ratings(p));
            add(gone, "evidence", rows.evidence(p) + rows.rollUps(p) + rows.looks(p));
            add(gone, "selfMarks", rows.selfMarks(p));
            rows.handsets(p);
        }
        for (var p : practicals) add(gone, "practicals", rows.practical(p));
        add(gone, "onTheTable", rows.onTheTable(id));
        add(gone, "bodyNotes", rows.notes(id));
        rows.notesOfOthers(id);
        add(gone, "carriedOver", rows.carried(id));
        add(gone, "rounds", rows.rounds(id));
        add(gone, "terms", rows.enrolments(id));
        rows.seenByThem(id);
        rows.duties(id);
        rows.sessions(id);
        rows.audit(id);
        rows.account(id, clock.instant());
        audit.changed(caller, id, "erased a student", "");
        return new Erased(gone);
    }

    private static void add(Map<String, Integer> gone, String what, int rows) {
        gone.merge(what, rows, Integer::sum);
    }

    private Person student(UUID id) {
        var person = accounts.person(id);
        if (person.role() != Role.STUDENT || rows.erased(id)) throw Refusal.notFound("student");
        return person;
    }

    private void must(Caller caller, UUID id) {
        if (!caller.id().equals(id) && caller.role() != Role.LEAD)
            throw Refusal.forbidden("The lead, and the student, take everything along that is kept of a student.");
        student(id);
    }
}
