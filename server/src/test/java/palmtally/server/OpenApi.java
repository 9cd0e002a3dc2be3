package palmtally.server;

import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.oas.models.media.Schema;
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
            var schema = chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
            var raw = mappers.jsonMapper().constructType(type.getType()).getRawClass();
            if (schema == null || !raw.isRecord()) return schema;
            // A generic record is named with what it holds, so that its own name does not find it.
            var ref = schema.get$ref();
            var target = ref == null ? schema : context.getDefinedModels().get(ref.substring(ref.lastIndexOf('/') + 1));
            if (target == null || target.getProperties() == null) return schema;
            var required = new TreeSet<String>();
            for (var part : raw.getRecordComponents())
                if (!part.getAnnotatedType().isAnnotationPresent(Nullable.class)
                        && target.getProperties().containsKey(part.getName())) required.add(part.getName());
            target.setRequired(java.util.List.copyOf(required));
            return schema;
        }
    }
}
