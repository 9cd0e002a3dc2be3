package palmtally.server.demonstration;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

/** One class screen for each who shows. */
@Mapper
interface ScreenRows {
    String CHANNEL = "class_screen";

    record Row(
            String code,
            @Nullable UUID demonstrationId,
            @Nullable UUID roundId,
            Instant madeAt,
            Look look) {}

    @Insert("""
            insert into class_screen (code, account_id, made_at) values (#{code}, #{account}, #{at}) on conflict do nothing""")
    void add(String code, UUID account, Instant at);

    /** Takes another code; none where somebody has that one already. */
    @Update("""
            update class_screen set code = #{code}, made_at = #{at} where account_id = #{account}
            and not exists (select 1 from class_screen where code = #{code})""")
    int renew(UUID account, String code, Instant at);

    @Select("select code, demonstration_id, round_id, made_at, look from class_screen where account_id = #{account}")
    Optional<Row> of(UUID account);

    @Select("select code, demonstration_id, round_id, made_at, look from class_screen where code = #{code}")
    Optional<Row> byCode(String code);

    @Update("""
            update class_screen set demonstration_id = #{demonstration}, round_id = #{round}
            where account_id = #{account}
            and (demonstration_id is distinct from #{demonstration} or round_id is distinct from #{round})""")
    void show(UUID account, @Nullable UUID demonstration, @Nullable UUID round);

    @Update("update class_screen set look = #{look} where account_id = #{account}")
    void look(UUID account, Look look);

    /** Told to every server when the transaction is stored, and not at all when it is not. */
    @Select("select pg_notify('" + CHANNEL + "', code)::text as told from class_screen where account_id = #{account}")
    @Options(flushCache = Options.FlushCachePolicy.TRUE, useCache = false)
    Optional<String> changed(UUID account);
}
