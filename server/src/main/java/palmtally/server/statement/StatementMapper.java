package palmtally.server.statement;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import palmtally.core.statement.Statement;

/** Rows of what was stated, its signatures and its files; and what of the awards is stated. */
@Mapper
interface StatementMapper {
    record Stored(
            UUID id, String code, UUID termId, UUID studentId, Statement facts, UUID issuedBy, Instant issuedAt) {}

    record SignatureRow(
            UUID subject,
            int revision,
            String name,
            String typed,
            @Nullable String drawn,
            Instant at,
            int nth) {
        Statement.Signed signed(Clock clock) {
            return new Statement.Signed(name, typed, LocalDate.ofInstant(at, clock.getZone()), nth);
        }
    }

    record ResultRow(
            UUID practical,
            int revision,
            Instant at,
            String sequence,
            String grader,
            @Nullable Integer mean,
            String result) {}

    record FileRow(String digest, UUID statementId, int signatures, String lines, Instant madeAt) {}

    /** Practicals that count and are shown to the student, the first first. */
    @Select("""
            select p.id as practical, a.revision, p.started_at as at, v.name as sequence, g.name as grader,
                   round(a.mean)::int as mean, a.result
            from counted_practical p
            join newest_award a on a.practical_id = p.id and a.released
            join document_version v on v.id = p.sequence_version_id
            join person g on g.id = a.awarded_by
            where p.term_id = #{term} and p.student_id = #{student} and p.kind = 'practical'
            order by p.started_at, p.id""")
    List<ResultRow> results(UUID term, UUID student);

    /** The last initials under each award of a student that stands. */
    @Select("""
            select distinct on (n.practical_id) n.practical_id as subject, n.revision, g.name, i.typed, i.drawn::text as drawn,
                   n.signed_at as at, n.nth
            from award_signature n
            join counted_practical p on p.id = n.practical_id
            join newest_award a on a.practical_id = p.id and a.revision = n.revision
            join initials i on i.id = n.initials_id
            join person g on g.id = i.account_id
            where p.term_id = #{term} and p.student_id = #{student}
            order by n.practical_id, n.nth desc""")
    List<SignatureRow> awardSignatures(UUID term, UUID student);

    String SIGNED = """
            select n.statement_id as subject, 0 as revision, g.name, i.typed, i.drawn::text as drawn, n.signed_at as at, n.nth
            from statement_signature n
            join statement s on s.id = n.statement_id
            join initials i on i.id = n.initials_id
            join person g on g.id = i.account_id""";

    @Select(SIGNED + " where s.term_id = #{term} order by n.statement_id, n.nth")
    List<SignatureRow> signaturesOfTerm(UUID term);

    @Select(SIGNED + " where s.id = #{id} order by n.nth")
    List<SignatureRow> signatures(UUID id);

    @Insert("""
            insert into statement (id, code, term_id, student_id, facts, issued_by, issued_at)
            values (#{id}, #{code}, #{termId}, #{studentId}, #{facts}, #{issuedBy}, #{issuedAt})""")
    void add(Stored statement);

    String COLUMNS = "select id, code, term_id, student_id, facts, issued_by, issued_at from statement";

    @Select(COLUMNS + " where id = #{id}")
    Optional<Stored> byId(UUID id);

    @Select(COLUMNS + " where code = #{code}")
    Optional<Stored> byCode(String code);

    @Select(COLUMNS + " where term_id = #{term} order by issued_at desc, id")
    List<Stored> ofTerm(UUID term);

    @Select(COLUMNS + " where student_id = #{student} order by issued_at desc, id")
    List<Stored> ofStudent(UUID student);

    @Select("select id from statement where id = #{id} for update")
    Optional<UUID> lock(UUID id);

    @Insert("""
            insert into statement_signature (statement_id, nth, initials_id, signed_at)
            values (#{id}, (select count(*) + 1 from statement_signature where statement_id = #{id}), #{initials}, #{at})""")
    void sign(UUID id, UUID initials, Instant at);

    @Insert("""
            insert into statement_file (digest, statement_id, signatures, lines, made_at)
            values (#{digest}, #{statementId}, #{signatures}, #{lines}::jsonb, #{madeAt}) on conflict do nothing""")
    void addFile(FileRow file);

    String FILE = "select digest, statement_id, signatures, lines::text as lines, made_at from statement_file";

    @Select(FILE + " where digest = #{digest}")
    Optional<FileRow> file(String digest);

    @Select(FILE + " where statement_id = #{id} order by made_at, digest")
    List<FileRow> files(UUID id);
}
