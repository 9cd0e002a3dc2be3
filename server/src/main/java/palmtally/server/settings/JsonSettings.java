package palmtally.server.settings;

import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import palmtally.formats.Json;

/** The server speaks the very JSON of the open formats. */
@Configuration(proxyBeanMethods = false)
class JsonSettings {
    @Bean
    JsonMapperBuilderCustomizer strictJson() {
        return Json::strict;
    }
}
