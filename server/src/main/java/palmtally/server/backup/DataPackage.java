package palmtally.server.backup;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What an exported school says of itself: a Data Package of Table Schemas (Frictionless Standards, version 1), so that other programs know
 * the type of each column, the keys, and where a column points to.
 *
 * @param palmTally what is ours in it
 * @param created in ISO 8601
 */
@JsonIgnoreProperties(ignoreUnknown = true)
record DataPackage(
        @Nullable String profile,
        @Nullable String name,
        @Nullable String title,
        @Nullable String created,
        @Nullable Origin palmTally,
        @Nullable List<@Nullable Resource> resources) {
    static final String FILE = "datapackage.json";
    static final String FORMAT = "palm-tally/school";
    static final int VERSION = 1;

    /** @param schema version of the newest migration of the database it came from */
    @JsonIgnoreProperties(ignoreUnknown = true)
    record Origin(
            @Nullable String format, int version, @Nullable String schema) {}

    /**
     * One file.
     *
     * @param hash as {@code sha256:} and hexadecimal digits
     * @param rows of a table, without its header; null of another file
     */
    @JsonIgnoreProperties(ignoreUnknown = true)
    record Resource(
            @Nullable String name,
            @Nullable String path,
            @Nullable String profile,
            @Nullable String format,
            @Nullable String mediatype,
            @Nullable String encoding,
            @Nullable Long bytes,
            @Nullable String hash,
            @Nullable Long rows,
            @Nullable Dialect dialect,
            @Nullable TableSchema schema) {}

    /** How the CSV is written, so that nobody has to guess. */
    @JsonIgnoreProperties(ignoreUnknown = true)
    record Dialect(
            @Nullable String delimiter,
            @Nullable String lineTerminator,
            @Nullable String quoteChar,
            boolean doubleQuote,
            boolean header) {
        static final Dialect OURS = new Dialect(",", "\n", "\"", true, true);
    }

    @JsonIgnoreProperties(ignoreUnknown = true)
    record TableSchema(
            @Nullable List<@Nullable Field> fields,
            @Nullable List<@Nullable String> primaryKey,
            @Nullable List<@Nullable ForeignKey> foreignKeys) {}

    /** @param description of a column that is told for the reader alone, and is not read again */
    @JsonIgnoreProperties(ignoreUnknown = true)
    record Field(
            @Nullable String name,
            @Nullable String type,
            @Nullable String format,
            @Nullable String description,
            @Nullable Constraints constraints) {}

    @JsonIgnoreProperties(ignoreUnknown = true)
    record Constraints(boolean required) {}

    @JsonIgnoreProperties(ignoreUnknown = true)
    record ForeignKey(
            @Nullable List<@Nullable String> fields,
            @Nullable Reference reference) {}

    @JsonIgnoreProperties(ignoreUnknown = true)
    record Reference(@Nullable String resource, @Nullable List<@Nullable String> fields) {}
}
