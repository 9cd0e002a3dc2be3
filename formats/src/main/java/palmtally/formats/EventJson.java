package palmtally.formats;

import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.practical.event.Event;
import palmtally.core.practical.event.Observation;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JacksonModule;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.deser.std.StdDeserializer;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.node.JsonNodeFactory;

/** An event in JSON: the name of its kind stands beside what it carries. */
final class EventJson {
    private EventJson() {}

    static JacksonModule module() {
        return new SimpleModule("events")
                .addDeserializer(Event.class, new Reader())
                .setMixInAnnotation(Event.class, Written.class);
    }

    @JsonPropertyOrder({"id", "device", "seq", "atMs", "wall", "kind", "data"})
    private interface Written {
        @JsonProperty
        String kind();
    }

    private record Envelope(
            String id,
            String device,
            long seq,
            long atMs,
            @Nullable Instant wall,
            String kind,
            @Nullable JsonNode data) {}

    private static final class Reader extends StdDeserializer<Event> {
        Reader() {
            super(Event.class);
        }

        @Override
        public Event deserialize(JsonParser parser, DeserializationContext context) {
            var read = context.readValue(parser, Envelope.class);
            var type = Observation.KINDS.get(read.kind);
            if (type == null)
                return (Event) context.handleWeirdStringValue(Event.class, read.kind, "is no kind of event");
            var carried = read.data == null || read.data.isNull() ? JsonNodeFactory.instance.objectNode() : read.data;
            try {
                return new Event(
                        read.id, read.device, read.seq, read.atMs, read.wall, context.readTreeAsValue(carried, type));
            } catch (InvalidValue e) {
                return (Event) context.handleInstantiationProblem(Event.class, read.id, e);
            }
        }
    }
}
