package palmtally.server.version;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** The table of versions. What is kept of a version by a server is known by its row as well: one that was mended by hand is read anew. */
@Mapper
interface VersionRows {
    /** @param mark another as soon as the row is another */
    record Row(UUID id, String document, int number, String mark) {}

    String COLUMNS = "select id, document, number, xmin::text as mark from document_version ";

    @Select("""
            select distinct on (document) id, document, number, xmin::text as mark from document_version
            where kind = #{kind} order by document, number desc""")
    List<Row> newestOfEach(String kind);

    @Select(COLUMNS + "where kind = #{kind} and document = #{document} order by number desc limit 1")
    Optional<Row> newest(String kind, String document);

    @Select(COLUMNS + "where kind = #{kind} and document = #{document} order by number desc")
    List<Row> all(String kind, String document);

    @Select(COLUMNS + "where kind = #{kind} and document = #{document} and number = #{number}")
    Optional<Row> numbered(String kind, String document, int number);

    @Select(COLUMNS + "where kind = #{kind} and id = #{id}")
    Optional<Row> byId(String kind, UUID id);

    @Select("select body::text from document_version where id = #{id}")
    String body(UUID id);

    @Select("""
            select name, region from document_version
            where kind = #{kind} and document = #{document} order by number desc limit 1""")
    Kind.Called called(String kind, String document);

    @Select("""
            select number as version, what, created_at from document_version
            where kind = #{kind} and document = #{document} and (#{before}::int is null or number < #{before}) order by number desc limit #{most}""")
    List<VersionLine> lines(String kind, String document, @Nullable Integer before, int most);

    @Insert("""
            insert into document_version (id, kind, document, number, name, region, what, body, created_by, created_at)
            values (#{id}, #{kind}, #{document}, #{number}, #{called.name}, #{called.region}, #{what}, #{body}::jsonb, #{by}, #{at})
            on conflict (kind, document, number) do nothing""")
    int add(
            UUID id,
            String kind,
            String document,
            int number,
            Kind.Called called,
            String what,
            String body,
            @Nullable UUID by,
            Instant at);
}
