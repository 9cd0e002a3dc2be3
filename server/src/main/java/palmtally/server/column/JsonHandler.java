package palmtally.server.column;

import java.sql.CallableStatement;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import org.apache.ibatis.type.BaseTypeHandler;
import org.apache.ibatis.type.JdbcType;
import org.jspecify.annotations.Nullable;
import palmtally.formats.Json;

/** A value that is stored whole, as jsonb. */
public abstract class JsonHandler<T> extends BaseTypeHandler<T> {
    private final Class<T> type;

    protected JsonHandler(Class<T> type) {
        this.type = type;
    }

    @Override
    public void setNonNullParameter(PreparedStatement s, int i, T value, @Nullable JdbcType jdbc) throws SQLException {
        s.setObject(i, Json.MAPPER.writeValueAsString(value), Types.OTHER);
    }

    @Override
    public @Nullable T getNullableResult(ResultSet rows, String column) throws SQLException {
        return of(rows.getString(column));
    }

    @Override
    public @Nullable T getNullableResult(ResultSet rows, int column) throws SQLException {
        return of(rows.getString(column));
    }

    @Override
    public @Nullable T getNullableResult(CallableStatement call, int column) throws SQLException {
        return of(call.getString(column));
    }

    private @Nullable T of(@Nullable String json) {
        return json == null ? null : Json.MAPPER.readValue(json, type);
    }
}
