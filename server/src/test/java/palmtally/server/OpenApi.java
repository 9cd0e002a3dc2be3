package palmtally.server;

import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.oas.models.media.ArraySchema;
import io.swagger.v3.oas.models.media.ObjectSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.Type;
import java.util.Iterator;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.filters.GlobalOpenApiMethodFilter;
import org.springdoc.core.providers.ObjectMapperProvider;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.boot.autoconfigure.condition.ConditionalOnClass;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import palmtally.core.finding.Rule;
import palmtally.core.practical.event.Event;
import palmtally.core.practical.event.Observation;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Technique;
import palmtally.server.people.Me;

/**
 * The OpenAPI document says what the records say: what is not nullable is always there, and enums go by their trade names.
 * Found by the app of the server's own tests alone: the browser's tests start the same app without what writes the document.
 */
@Configuration(proxyBeanMethods = false)
@ConditionalOnClass(name = "org.springdoc.core.providers.ObjectMapperProvider")
class OpenApi {
    OpenApi(ObjectMapperProvider mappers) {
        SpringDocUtils.getConfig().addAnnotationsToIgnore(Me.class);
        mappers.jsonMapper().enable(com.fasterxml.jackson.databind.SerializationFeature.WRITE_ENUMS_USING_TO_STRING);
    }

    /** Live streams are read by the browser's own means, and a certificate is a file: neither is a call with types. */
    @Bean
    GlobalOpenApiMethodFilter calls() {
        return method -> !method.getGenericReturnType().getTypeName().contains(SseEmitter.class.getName())
                && !method.getDeclaringClass().getSimpleName().equals("AuthorityController");
    }

    @Component
    @ConditionalOnClass(name = "org.springdoc.core.providers.ObjectMapperProvider")
    static class Required implements ModelConverter {
        private final ObjectMapperProvider mappers;

        Required(ObjectMapperProvider mappers) {
            this.mappers = mappers;
        }

        @Override
        @SuppressWarnings({"rawtypes", "unchecked"})
        public @Nullable Schema resolve(
                AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
            var raw = mappers.jsonMapper().constructType(type.getType()).getRawClass();
            if (raw == Observation.class) return observation(context);
            if (raw == Rule.class) return rule(context);
            var schema = chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
            if (schema == null || !raw.isRecord()) return schema;
            // A generic record is named with what it holds, so that its own name does not find it.
            var ref = schema.get$ref();
            var target = ref == null ? schema : context.getDefinedModels().get(ref.substring(ref.lastIndexOf('/') + 1));
            if (target == null || target.getProperties() == null) return schema;
            var required = new TreeSet<String>();
            for (var part : raw.getRecordComponents())
                if (!part.getAnnotatedType().isAnnotationPresent(Nullable.class)
                        && target.getProperties().containsKey(part.getName())) required.add(part.getName());
            if (raw == Event.class) {
                var kind = new StringSchema();
                Observation.KINDS.keySet().forEach(kind::addEnumItem);
                target.addProperty("kind", kind);
                required.add("kind");
            }
            if (raw == Step.class) target.addProperty("technique", new StringSchema());
            if (raw == Sequence.class) {
                target.addProperty(
                        "techniques",
                        new ArraySchema()
                                .items(context.resolve(new AnnotatedType(Technique.class).resolveAsRef(true))));
                required.add("techniques");
            }
            target.setRequired(java.util.List.copyOf(required));
            return schema;
        }

        /** The id of a rule: all of them stand in one place. */
        @SuppressWarnings("rawtypes")
        private static Schema rule(ModelConverterContext context) {
            var ids = new StringSchema();
            ids.setName("Rule");
            Rule.all().forEach(r -> ids.addEnumItem(r.id()));
            context.defineModel("Rule", ids);
            return new Schema().$ref("#/components/schemas/Rule");
        }

        /** What an event may carry, of whatever kind it is. */
        @SuppressWarnings({"rawtypes", "unchecked"})
        private static Schema observation(ModelConverterContext context) {
            var all = new ObjectSchema();
            all.setName("EventData");
            for (var kind : Observation.KINDS.values())
                for (var part : kind.getRecordComponents())
                    all.addProperty(
                            part.getName(),
                            part.getGenericType() instanceof ParameterizedType list
                                    ? new ArraySchema().items(context.resolve(of(list.getActualTypeArguments()[0])))
                                    : context.resolve(of(part.getGenericType())));
            context.defineModel("EventData", all);
            return new Schema().$ref("#/components/schemas/EventData");
        }

        private static AnnotatedType of(Type type) {
            return new AnnotatedType(type).skipSchemaName(true);
        }
    }
}
