package palmtally.server.settings;

import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Every address of the app opens the one page; its hashed files may be kept for ever. */
@Configuration(proxyBeanMethods = false)
class Pages implements WebMvcConfigurer {
    @Override
    public void addViewControllers(ViewControllerRegistry pages) {
        for (var path : new String[] {
            "/",
            "/sign-in",
            "/install",
            "/setup",
            "/plan",
            "/plan/{id}",
            "/term",
            "/techniques",
            "/show",
            "/show/{id}",
            "/show/rounds/{id}",
            "/class/{code}",
            "/client/{code}",
            "/floor",
            "/grade",
            "/grade/{id}",
            "/review",
            "/review/{id}",
            "/compare/{first}/{second}",
            "/compare/{id}/shown/{demonstration}",
            "/peer",
            "/track",
            "/track/{id}",
            "/me",
            "/school",
            "/school/profile/{id}"
        }) pages.addViewController(path).setViewName("forward:/index.html");
    }

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry files) {
        files.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/static/assets/")
                .setCacheControl(
                        CacheControl.maxAge(java.time.Duration.ofDays(365)).immutable());
    }
}
