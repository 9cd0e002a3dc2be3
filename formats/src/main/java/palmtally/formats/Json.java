package palmtally.formats;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import palmtally.core.practical.event.Event;
import palmtally.core.practical.event.Observation;
import palmtally.core.technique.Technique;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.core.json.JsonFactoryBuilder;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.MapperFeature;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.cfg.ContextAttributes;
import tools.jackson.databind.cfg.EnumFeature;
import tools.jackson.databind.json.JsonMapper;

/** The one JSON mapper: strict going in, without nulls going out, enums by their trade names. */
public final class Json {
    /** No document is deeper than a quarter of it. */
    private static final int MOST_NESTED = 40;

    /** Twice what a practical has with as many events as it may have. Each becomes some hundred bytes of the heap. */
    private static final long MOST_PARTS = 1_000_000;

    /** What is said of it. */
    public static final String TOO_MUCH =
            "is nested deeper than 40 or has more than 1,000,000 parts: nothing here is that large";

    /** Shared and thread-safe. */
    public static final JsonMapper MAPPER =
            strict(JsonMapper.builder(bounded(JsonFactory.builder()).build())).build();

    private Json() {}

    /** What an event carries, as it is stored beside the name of its kind. */
    public static Observation observation(String kind, String data) {
        return MAPPER.readValue(data, kind(kind));
    }

    /** Events as they are stored: an array of objects with {@code id, device, seq, atMs, wall, kind, data}. */
    public static List<Event> events(String stored) {
        var events = new ArrayList<Event>();
        for (var e : MAPPER.readTree(stored))
            events.add(new Event(
                    e.get("id").asString(),
                    e.get("device").asString(),
                    e.get("seq").asLong(),
                    e.get("atMs").asLong(),
                    e.hasNonNull("wall")
                            ? OffsetDateTime.parse(e.get("wall").asString()).toInstant()
                            : null,
                    MAPPER.treeToValue(e.get("data"), kind(e.get("kind").asString()))));
        return events;
    }

    private static Class<? extends Observation> kind(String name) {
        var type = Observation.KINDS.get(name);
        if (type == null) throw new IllegalArgumentException("no kind of event is named " + name);
        return type;
    }

    /** What is nested deeper or has more parts than anything here means is read no further. */
    public static JsonFactoryBuilder bounded(JsonFactoryBuilder builder) {
        return builder.streamReadConstraints(StreamReadConstraints.builder()
                .maxNestingDepth(MOST_NESTED)
                .maxTokenCount(MOST_PARTS)
                .build());
    }

    /** A mapper that also knows what a school calls its own, where a sequence names a technique that does not stand beside its blocks. */
    public static JsonMapper.Builder knowing(
            JsonMapper.Builder builder, Function<String, Optional<Technique>> techniques) {
        return builder.defaultAttributes(
                ContextAttributes.getEmpty().withSharedAttribute(SequenceJson.KNOWN, techniques));
    }

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
                .addModule(EventJson.module())
                .addModule(RuleJson.module())
                .addModule(SequenceJson.module())
                .changeDefaultPropertyInclusion(i -> i.withValueInclusion(JsonInclude.Include.NON_NULL));
    }
}
