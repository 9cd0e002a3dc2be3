package palmtally.server.audit;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import palmtally.server.audit.Deeds.Deed;
import palmtally.server.audit.Deeds.Line;
import palmtally.server.people.Caller;

/** Writes a line for each request that leaves one: who, what, about whom, from where, and whether it was refused. */
@Component
class Trail implements HandlerInterceptor, WebMvcConfigurer {
    private static final Logger log = LoggerFactory.getLogger(Trail.class);
    private static final String BEFORE = Trail.class.getName() + ".before";
    private static final int MOST_DETAIL = 200;

    private final Audit audit;

    Trail(Audit audit) {
        this.audit = audit;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/api/**");
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        // Who signs out is nobody afterwards.
        var caller = caller();
        if (caller != null) request.setAttribute(BEFORE, caller);
        return true;
    }

    @Override
    public void afterCompletion(
            HttpServletRequest request, HttpServletResponse response, Object handler, @Nullable Exception failed) {
        var pattern = request.getAttribute(HandlerMapping.BEST_MATCHING_PATTERN_ATTRIBUTE);
        var deed = Deeds.of(request.getMethod() + " " + pattern).orElse(null);
        if (deed == null || deed.line() != Line.DONE && deed.line() != Line.TRIED) return;
        boolean refused = failed != null || response.getStatus() >= 400;
        if (refused && deed.line() != Line.TRIED) return;
        try {
            write(request, deed, refused);
        } catch (DataAccessException e) {
            log.error("the line \"{}\" could not be written: {}", deed.words(), e.getMessage());
        }
    }

    private void write(HttpServletRequest request, Deed deed, boolean refused) {
        var before = request.getAttribute(BEFORE);
        var caller = before instanceof Caller c ? c : caller();
        var detail = new StringBuilder();
        UUID subject = null;
        if (request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE) instanceof Map<?, ?> parts)
            for (var part : parts.entrySet()) {
                var value = String.valueOf(part.getValue());
                if (part.getKey().equals(deed.about())) subject = UUID.fromString(value);
                else detail.append(detail.isEmpty() ? "" : " ").append(value);
            }
        if (request.getAttribute(Caller.TRIED) instanceof String tried && !tried.isBlank())
            detail.append(detail.isEmpty() ? "" : " ").append(tried);
        audit.line(
                caller == null ? null : caller.id(),
                refused ? deed.words() + ": refused" : deed.words(),
                subject,
                detail.length() > MOST_DETAIL ? detail.substring(0, MOST_DETAIL) : detail.toString(),
                request.getRemoteAddr());
    }

    private static @Nullable Caller caller() {
        var known = SecurityContextHolder.getContext().getAuthentication();
        return known != null && known.getPrincipal() instanceof Caller c ? c : null;
    }
}
