package palmtally.server.earlier;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Component;
import palmtally.server.people.RetainedRows;

/** Marks of before, file by file, from the day they were taken over. */
@Component
class EarlierMarksKept extends RetainedRows {
    @Mapper
    interface Rows {
        @Select("""
                select id, name, since from (
                    select m.id::text as id, m.title || ', ' || m.marks || ' marks' as name,
                           (m.imported_at at time zone #{zone})::date as since
                    from marks_import m) x
                where since <= #{day} order by since, id limit #{most}""")
        List<Item> countingFrom(LocalDate day, String zone, int most);

        @Delete("delete from earlier_mark where import_id = #{id}")
        void marks(UUID id);

        @Delete("delete from marks_import where id = #{id}")
        void file(UUID id);
    }

    EarlierMarksKept(Rows rows, Clock clock) {
        super(
                "earlier-marks",
                "Earlier marks out of a file, from the day it was taken over",
                rows::countingFrom,
                id -> {
                    rows.marks(UUID.fromString(id));
                    rows.file(UUID.fromString(id));
                },
                clock);
    }
}
