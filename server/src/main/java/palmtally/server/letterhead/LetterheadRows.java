package palmtally.server.letterhead;

import java.time.Instant;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

@Mapper
interface LetterheadRows {
    /**
     * @param lines with line breaks between them
     * @param logo a JPEG, or null
     */
    record Kept(String lines, byte @Nullable [] logo) {}

    @Select("select lines, logo from letterhead")
    Kept kept();

    @Update("update letterhead set lines = #{lines}, set_by = #{by}, set_at = #{at}")
    void setLines(String lines, UUID by, Instant at);

    @Update("update letterhead set logo = #{logo}, set_by = #{by}, set_at = #{at}")
    void setLogo(byte @Nullable [] logo, UUID by, Instant at);
}
