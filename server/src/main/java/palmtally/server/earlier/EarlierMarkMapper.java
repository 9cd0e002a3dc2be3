package palmtally.server.earlier;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;
import palmtally.core.earlier.MarksMapping;

/** Rows of what was taken over. */
@Mapper
interface EarlierMarkMapper {
    record StoredImport(
            UUID id,
            UUID termId,
            String title,
            String fileName,
            String digest,
            String likeness,
            MarksMapping mapping,
            int marks,
            int leftOut,
            UUID importedBy,
            Instant importedAt,
            @Nullable UUID undoneBy,
            @Nullable Instant undoneAt) {}

    record StoredMark(
            String title,
            @Nullable LocalDate day,
            @Nullable String region,
            @Nullable String criterion,
            String what,
            String grader,
            String given,
            double points) {}

    /** @param student id of the student, or the name of somebody who is not of this school */
    record MarkOf(
            String student,
            @Nullable LocalDate day,
            @Nullable String region,
            @Nullable String criterion,
            String grader,
            double points) {}

    String COLUMNS =
            "id, term_id, title, file_name, digest, likeness, mapping, marks, left_out, imported_by, imported_at, undone_by, undone_at";

    @Insert("insert into marks_import (" + COLUMNS + """
            ) values (#{id}, #{termId}, #{title}, #{fileName}, #{digest}, #{likeness}, #{mapping}, #{marks}, #{leftOut}, #{importedBy},
                #{importedAt}, null, null)""")
    void add(StoredImport made);

    /** @param marks a JSON array of them */
    @Insert("""
            insert into earlier_mark (import_id, line, cell, name, student_id, day, region, criterion, what, grader, given, points)
            select #{id}, m.row, m.column, m.name, m.student, m.day, m.region, m.criterion, m.what, m.grader, m.given, m.points
            from jsonb_to_recordset(#{marks}::jsonb) as m (row int, "column" int, name text, student uuid, day date, region text,
                criterion text, what text, grader text, given text, points double precision)""")
    int addMarks(UUID id, String marks);

    @Select("select " + COLUMNS + " from marks_import where term_id = #{term} order by imported_at desc, id")
    List<StoredImport> ofTerm(UUID term);

    @Select("select " + COLUMNS + " from marks_import where id = #{id}")
    Optional<StoredImport> byId(UUID id);

    /** The last way in which a table with these columns was read. */
    @Select("select mapping from marks_import where likeness = #{likeness} order by imported_at desc limit 1")
    Optional<MarksMapping> mapping(String likeness);

    @Select("""
            select title from marks_import where term_id = #{term} and digest = #{digest} and undone_at is null
            order by imported_at limit 1""")
    Optional<String> taken(UUID term, String digest);

    @Insert("select pg_advisory_xact_lock(7152)")
    void lock();

    @Update("update marks_import set undone_by = #{by}, undone_at = #{at} where id = #{id} and undone_at is null")
    int undo(UUID id, UUID by, Instant at);

    @Delete("delete from earlier_mark where import_id = #{id}")
    int forget(UUID id);

    @Select("""
            select i.title, m.day, m.region, m.criterion, m.what, m.grader, m.given, m.points
            from earlier_mark m join marks_import i on i.id = m.import_id
            where m.student_id = #{student} order by m.day nulls first, i.imported_at, m.line, m.cell""")
    List<StoredMark> ofStudent(UUID student);

    @Select("""
            select coalesce(student_id::text, name) as student, day, region, criterion, grader, points
            from earlier_mark where import_id = #{id} order by line, cell""")
    List<MarkOf> marks(UUID id);
}
