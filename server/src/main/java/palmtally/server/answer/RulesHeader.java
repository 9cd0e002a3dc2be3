package palmtally.server.answer;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import palmtally.formats.RulesHash;

/** Says with every answer by which rules it was made: a page that computes by the same says the same. */
@Component
class RulesHeader implements HandlerInterceptor, WebMvcConfigurer {
    static final String NAME = "X-Palm-Rules";

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/api/**");
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        response.setHeader(NAME, RulesHash.HASH);
        return true;
    }
}
