package palmtally.server.demonstration;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import palmtally.core.demonstration.RoundMark;

/** Practice rounds as they are kept. */
@Mapper
interface RoundRows {
    record Row(
            UUID id,
            UUID termId,
            UUID sequenceVersionId,
            UUID ledBy,
            Instant openedAt,
            int week,
            String round,
            boolean calls) {}

    record Seat(UUID roundId, int tableNumber, int place, UUID accountId, String name) {}

    @Insert("""
            insert into practice_round (id, term_id, sequence_version_id, led_by, opened_at, week, round, calls)
            values (#{id}, #{termId}, #{sequenceVersionId}, #{ledBy}, #{openedAt}, #{week},
                #{round}::jsonb, #{calls})""")
    void add(Row row);

    @Insert("""
            insert into round_seat (round_id, table_number, place, account_id)
            values (#{round}, #{table}, #{place}, #{account})""")
    void seat(UUID round, int table, int place, UUID account);

    @Select("""
            select id, term_id, sequence_version_id, led_by, opened_at, week, round::text as round, calls
            from practice_round where id = #{id}""")
    Optional<Row> byId(UUID id);

    @Select("select id from practice_round where id = #{id} for update")
    Optional<UUID> lock(UUID id);

    @Select("""
            select round_id, table_number, place, account_id, a.name from round_seat
            join person a on a.id = account_id
            where round_id = #{round} order by table_number, place""")
    List<Seat> seats(UUID round);

    @Select("""
            select count(distinct s.round_id) from round_seat s join practice_round r on r.id = s.round_id
            where r.term_id = #{term} and s.account_id = #{account}""")
    int sat(UUID term, UUID account);

    @Select("""
            select distinct o.account_id from round_seat s
            join practice_round r on r.id = s.round_id
            join round_seat o on o.round_id = s.round_id and o.table_number = s.table_number
            where r.term_id = #{term} and s.account_id = #{account} and o.account_id <> #{account}""")
    Set<UUID> satWith(UUID term, UUID account);

    @Select("""
            select what, leg, at_seconds, seconds from round_mark
            where round_id = #{round} order by at_seconds, seq""")
    List<RoundMark> marks(UUID round);

    @Insert("""
            insert into round_mark (round_id, id, what, leg, at_seconds, seconds)
            values (#{round}, #{id}, #{what}, #{leg}, #{at}, #{seconds})
            on conflict do nothing""")
    void mark(UUID round, String id, RoundMark.What what, int leg, double at, double seconds);
}
