package palmtally.formats;

import palmtally.core.finding.Rule;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JacksonModule;
import tools.jackson.databind.KeyDeserializer;
import tools.jackson.databind.deser.std.StdDeserializer;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.ser.std.ToStringSerializer;

/** A rule in JSON: its id. */
final class RuleJson {
    private RuleJson() {}

    static JacksonModule module() {
        return new SimpleModule("rules")
                .addSerializer(Rule.class, new ToStringSerializer(Rule.class))
                .addDeserializer(Rule.class, new Reader())
                .addKeyDeserializer(Rule.class, new Key());
    }

    private static Rule read(String id, DeserializationContext context) {
        try {
            return Rule.of(id);
        } catch (IllegalArgumentException e) {
            return (Rule) context.handleWeirdStringValue(Rule.class, id, "is no rule");
        }
    }

    private static final class Reader extends StdDeserializer<Rule> {
        Reader() {
            super(Rule.class);
        }

        @Override
        public Rule deserialize(JsonParser parser, DeserializationContext context) {
            return read(parser.getString(), context);
        }
    }

    private static final class Key extends KeyDeserializer {
        @Override
        public Object deserializeKey(String id, DeserializationContext context) {
            return read(id, context);
        }
    }
}
