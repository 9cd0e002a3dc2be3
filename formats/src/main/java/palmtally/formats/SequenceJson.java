package palmtally.formats;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.BeanDescription;
import tools.jackson.databind.DeserializationConfig;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JacksonModule;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.annotation.JsonDeserialize;
import tools.jackson.databind.annotation.JsonSerialize;
import tools.jackson.databind.deser.ValueDeserializerModifier;
import tools.jackson.databind.deser.std.DelegatingDeserializer;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.node.ObjectNode;

/** A sequence in JSON: its steps name their techniques, and these stand once beside the blocks. */
final class SequenceJson {
    /** Where a mapper keeps what finds a technique that does not stand beside the blocks. */
    static final String KNOWN = "palmtally.techniques.known";

    private static final String BESIDE = "palmtally.techniques.beside";

    private SequenceJson() {}

    static JacksonModule module() {
        return new SimpleModule("sequences")
                .setMixInAnnotation(Step.class, Named.class)
                .setMixInAnnotation(Sequence.class, Standing.class)
                .setDeserializerModifier(new ValueDeserializerModifier() {
                    @Override
                    public ValueDeserializer<?> modifyDeserializer(
                            DeserializationConfig config, BeanDescription.Supplier of, ValueDeserializer<?> usual) {
                        return of.getBeanClass() == Sequence.class ? new Reader(usual) : usual;
                    }
                });
    }

    private abstract static class Named {
        @JsonSerialize(using = Id.class)
        @JsonDeserialize(using = ById.class)
        abstract Technique technique();
    }

    private abstract static class Standing {
        @JsonProperty("techniques")
        abstract List<Technique> techniques();
    }

    private static final class Id extends ValueSerializer<Technique> {
        @Override
        public void serialize(Technique technique, JsonGenerator out, SerializationContext context) {
            out.writeString(technique.id());
        }
    }

    private static final class ById extends ValueDeserializer<Technique> {
        @Override
        public Technique deserialize(JsonParser parser, DeserializationContext context) {
            var id = parser.getString();
            var beside = beside(context);
            var there = beside.get(id);
            if (there != null) return there;
            var found = known(context)
                    .apply(id)
                    .orElseThrow(() ->
                            new InvalidValue("technique", new Fault("", id, "is not in the library of techniques")));
            // Asked for once in a sequence, however many steps name it.
            beside.put(id, found);
            return found;
        }

        @SuppressWarnings("unchecked")
        private static Map<String, Technique> beside(DeserializationContext context) {
            return context.getAttribute(BESIDE) instanceof Map<?, ?> beside
                    ? (Map<String, Technique>) beside
                    : new HashMap<>();
        }

        @SuppressWarnings("unchecked")
        private static Function<String, Optional<Technique>> known(DeserializationContext context) {
            return context.getAttribute(KNOWN) instanceof Function<?, ?> known
                    ? (Function<String, Optional<Technique>>) known
                    : Techniques::shipped;
        }
    }

    private static final class Reader extends DelegatingDeserializer {
        Reader(ValueDeserializer<?> usual) {
            super(usual);
        }

        @Override
        protected ValueDeserializer<?> newDelegatingInstance(ValueDeserializer<?> usual) {
            return new Reader(usual);
        }

        @Override
        public @Nullable Object deserialize(JsonParser parser, DeserializationContext context) {
            JsonNode tree = context.readTree(parser);
            var beside = new HashMap<String, Technique>();
            if (tree instanceof ObjectNode sequence) {
                for (var node : sequence.path("techniques")) {
                    var t = context.readTreeAsValue(node, Technique.class);
                    beside.put(t.id(), t);
                }
                sequence.remove("techniques");
            }
            context.setAttribute(BESIDE, beside);
            try (var again = context.treeAsTokens(tree)) {
                again.nextToken();
                return super.deserialize(again, context);
            } finally {
                context.setAttribute(BESIDE, null);
            }
        }
    }
}
