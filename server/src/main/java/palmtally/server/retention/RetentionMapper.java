package palmtally.server.retention;

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

/** How long what is kept, and what will go. */
@Mapper
interface RetentionMapper {
    record KindMonths(String kind, int months) {}

    record NoticeRow(
            String kind,
            String item,
            String name,
            LocalDate since,
            LocalDate shownOn,
            @Nullable String heldBy,
            @Nullable String heldWhy) {}

    /** Two servers of a school do not work it off at the same time. */
    @Insert("select pg_advisory_xact_lock(7152)")
    void lock();

    @Select("select kind, months from retention_rule")
    List<KindMonths> rules();

    @Delete("delete from retention_rule where kind = #{kind}")
    void keepForEver(String kind);

    @Insert("""
            insert into retention_rule (kind, months, set_by, set_at) values (#{kind}, #{months}, #{by}, #{at})
            on conflict (kind) do update set months = #{months}, set_by = #{by}, set_at = #{at}""")
    void keepFor(String kind, int months, UUID by, Instant at);

    String NOTICES = """
            select n.kind, n.item, n.name, n.since, n.shown_on, a.name as held_by, n.held_why
            from retention_notice n left join person a on a.id = n.held_by
            """;

    @Select(NOTICES + "order by n.since, n.kind, n.item")
    List<NoticeRow> notices();

    @Select(NOTICES + "where n.kind = #{kind} and n.item = #{item}")
    Optional<NoticeRow> notice(String kind, String item);

    @Insert("""
            insert into retention_notice (kind, item, name, since, shown_on) values (#{kind}, #{item}, #{name}, #{since}, #{on})
            on conflict (kind, item) do update set name = #{name}, since = #{since}""")
    void show(String kind, String item, String name, LocalDate since, LocalDate on);

    @Delete("delete from retention_notice where kind = #{kind} and item = #{item}")
    void forget(String kind, String item);

    /** Without a holder it goes in its time again, shown anew. */
    @Update("""
            update retention_notice set held_by = #{by}, held_why = #{why}, shown_on = #{on}
            where kind = #{kind} and item = #{item}""")
    int hold(String kind, String item, @Nullable UUID by, @Nullable String why, LocalDate on);
}
