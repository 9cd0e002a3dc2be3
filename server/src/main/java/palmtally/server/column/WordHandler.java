package palmtally.server.column;

import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.apache.ibatis.type.JdbcType;
import org.jspecify.annotations.Nullable;

/** An enum is stored as the word it is called by, such as {@code spot-check}; a word that is none of its is an error that names both. */
public class WordHandler<E extends Enum<E>> extends TextHandler<E> {
    private final Class<E> type;
    private final Map<String, E> byWord;

    public WordHandler(Class<E> type) {
        this.type = type;
        this.byWord = words(type);
    }

    /** The values of an enum by the words they are stored as. */
    public static <E extends Enum<E>> Map<String, E> words(Class<E> type) {
        return Arrays.stream(type.getEnumConstants()).collect(Collectors.toMap(E::toString, Function.identity()));
    }

    @Override
    public void setNonNullParameter(PreparedStatement s, int i, E value, @Nullable JdbcType jdbc) throws SQLException {
        s.setString(i, value.toString());
    }

    @Override
    E of(String word) throws SQLException {
        var value = byWord.get(word);
        if (value == null) throw new SQLException("\"" + word + "\" is no " + type.getSimpleName());
        return value;
    }
}
