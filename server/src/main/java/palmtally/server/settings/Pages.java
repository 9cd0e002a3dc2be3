package palmtally.server.settings;

import java.io.IOException;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.PathResourceResolver;

/** Its hashed files may be kept for ever; every address that is no file opens the one page, whose router knows what stands there. */
@Configuration(proxyBeanMethods = false)
class Pages implements WebMvcConfigurer {
    private static final String ROOT = "classpath:/static/";

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry files) {
        files.addResourceHandler("/assets/**")
                .addResourceLocations(ROOT + "assets/")
                .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).immutable());
        files.addResourceHandler("/**")
                .addResourceLocations(ROOT)
                .resourceChain(false)
                .addResolver(new FileOrPage());
    }

    private static final class FileOrPage extends PathResourceResolver {
        @Override
        protected @Nullable Resource getResource(String path, Resource location) throws IOException {
            var file = super.getResource(path, location);
            boolean page = !path.contains(".") && !path.startsWith("api/") && !path.startsWith("actuator/");
            return file == null && page ? super.getResource("index.html", location) : file;
        }
    }
}
