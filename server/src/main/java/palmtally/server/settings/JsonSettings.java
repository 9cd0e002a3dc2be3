package palmtally.server.settings;

import java.io.IOException;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.jackson.autoconfigure.JsonFactoryBuilderCustomizer;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.ResolvableType;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.MediaType;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.http.converter.json.JacksonJsonHttpMessageConverter;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.formats.Json;
import palmtally.formats.Shape;
import palmtally.server.technique.Library;
import tools.jackson.core.JacksonException;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.databind.json.JsonMapper;

/** The server speaks the very JSON of the open formats, and takes in nothing that is not whole. */
@Configuration(proxyBeanMethods = false)
class JsonSettings {
    @Bean
    JsonMapperBuilderCustomizer strictJson(ObjectProvider<Library> library) {
        return builder -> Json.knowing(
                Json.strict(builder), id -> library.getObject().techniques().find(id));
    }

    @Bean
    JsonFactoryBuilderCustomizer boundedJson() {
        return Json::bounded;
    }

    @Bean
    JacksonJsonHttpMessageConverter wholeJson(JsonMapper mapper) {
        return new Whole(mapper);
    }

    /** Reads a body only when its shape will do: every fault of it at once, before anything is made of it. */
    private static final class Whole extends JacksonJsonHttpMessageConverter {
        private final JsonMapper mapper;

        Whole(JsonMapper mapper) {
            super(mapper);
            this.mapper = mapper;
        }

        /** Files come and go as text and as bytes, by the converters that are made for those. */
        private static boolean ours(Class<?> type) {
            return type != String.class && type != byte[].class && !Resource.class.isAssignableFrom(type);
        }

        @Override
        public boolean canRead(ResolvableType type, @Nullable MediaType media) {
            return ours(type.toClass()) && super.canRead(type, media);
        }

        @Override
        public boolean canWrite(ResolvableType type, Class<?> value, @Nullable MediaType media) {
            return ours(value) && super.canWrite(type, value, media);
        }

        @Override
        public Object read(ResolvableType type, HttpInputMessage message, @Nullable Map<String, Object> hints)
                throws IOException {
            try {
                var node = mapper.readTree(message.getBody());
                var faults = Shape.faults(node, type.getType());
                if (!faults.isEmpty()) throw new InvalidValue("request", faults);
                return mapper.treeToValue(node, mapper.constructType(type.getType()));
            } catch (StreamConstraintsException e) {
                throw new InvalidValue("request", new Fault("", "", Json.TOO_MUCH));
            } catch (JacksonException e) {
                throw new HttpMessageNotReadableException(e.getOriginalMessage(), e, message);
            }
        }
    }
}
