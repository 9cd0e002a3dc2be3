package palmtally.formats;

import com.fasterxml.jackson.annotation.JsonInclude;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.MapperFeature;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.cfg.EnumFeature;
import tools.jackson.databind.json.JsonMapper;

/** The one JSON mapper: strict going in, without nulls going out, enums by their trade names. */
public final class Json {
    /** Shared and thread-safe. */
    public static final JsonMapper MAPPER = strict(JsonMapper.builder()).build();

    private Json() {}

    /** The same settings on any builder, so that the server speaks the very same JSON. */
    public static JsonMapper.Builder strict(JsonMapper.Builder builder) {
        return builder.enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
                .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
                .disable(DeserializationFeature.ACCEPT_FLOAT_AS_INT)
                .disable(MapperFeature.ALLOW_COERCION_OF_SCALARS)
                .disable(SerializationFeature.FAIL_ON_EMPTY_BEANS)
                .enable(EnumFeature.READ_ENUMS_USING_TO_STRING)
                .enable(EnumFeature.WRITE_ENUMS_USING_TO_STRING)
                .enable(EnumFeature.FAIL_ON_NUMBERS_FOR_ENUMS)
                .changeDefaultPropertyInclusion(i -> i.withValueInclusion(JsonInclude.Include.NON_NULL));
    }
}
