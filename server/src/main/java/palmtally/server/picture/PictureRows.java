package palmtally.server.picture;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

@Mapper
interface PictureRows {
    /** The bytes of one. */
    record Kept(byte[] jpeg) {}

    @Insert("""
            insert into picture (id, width, height, jpeg, added_by, added_at, statement)
            values (#{id}, #{picture.width}, #{picture.height}, #{picture.jpeg}, #{by}, #{at}, #{statement})
            on conflict (id) do nothing""")
    void add(String id, Reencoded picture, UUID by, Instant at, String statement);

    @Select("select jpeg from picture where id = #{id}")
    Optional<Kept> byId(String id);
}
