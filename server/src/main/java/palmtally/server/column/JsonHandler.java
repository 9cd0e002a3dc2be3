package palmtally.server.column;

import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Types;
import org.apache.ibatis.type.JdbcType;
import org.jspecify.annotations.Nullable;
import palmtally.formats.Json;

/** A value that is stored whole, as jsonb. */
public abstract class JsonHandler<T> extends TextHandler<T> {
    private final Class<T> type;

    protected JsonHandler(Class<T> type) {
        this.type = type;
    }

    @Override
    public void setNonNullParameter(PreparedStatement s, int i, T value, @Nullable JdbcType jdbc) throws SQLException {
        s.setObject(i, Json.MAPPER.writeValueAsString(value), Types.OTHER);
    }

    @Override
    T of(String json) {
        return Json.MAPPER.readValue(json, type);
    }
}
