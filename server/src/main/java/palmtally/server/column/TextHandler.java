package palmtally.server.column;

import java.sql.CallableStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import org.apache.ibatis.type.BaseTypeHandler;
import org.jspecify.annotations.Nullable;

/** A value that is read from the text of its column. */
abstract class TextHandler<T> extends BaseTypeHandler<T> {
    /** @throws SQLException where the text is none of the values */
    abstract T of(String text) throws SQLException;

    private @Nullable T read(@Nullable String text) throws SQLException {
        return text == null ? null : of(text);
    }

    @Override
    public @Nullable T getNullableResult(ResultSet rows, String column) throws SQLException {
        return read(rows.getString(column));
    }

    @Override
    public @Nullable T getNullableResult(ResultSet rows, int column) throws SQLException {
        return read(rows.getString(column));
    }

    @Override
    public @Nullable T getNullableResult(CallableStatement call, int column) throws SQLException {
        return read(call.getString(column));
    }
}
