package palmtally.server.column;

import java.sql.CallableStatement;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.UUID;
import org.apache.ibatis.type.BaseTypeHandler;
import org.apache.ibatis.type.JdbcType;
import org.apache.ibatis.type.MappedTypes;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** UUIDs as PostgreSQL's own type. */
@Component
@MappedTypes(UUID.class)
public class UuidHandler extends BaseTypeHandler<UUID> {
    @Override
    public void setNonNullParameter(PreparedStatement s, int i, UUID value, @Nullable JdbcType type)
            throws SQLException {
        s.setObject(i, value);
    }

    @Override
    public @Nullable UUID getNullableResult(ResultSet rows, String column) throws SQLException {
        return rows.getObject(column, UUID.class);
    }

    @Override
    public @Nullable UUID getNullableResult(ResultSet rows, int column) throws SQLException {
        return rows.getObject(column, UUID.class);
    }

    @Override
    public @Nullable UUID getNullableResult(CallableStatement call, int column) throws SQLException {
        return call.getObject(column, UUID.class);
    }
}
