package palmtally.server.people;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.authorization.AuthorizationManager;
import org.springframework.security.core.Authentication;
import org.springframework.security.web.access.intercept.RequestAuthorizationContext;
import org.springframework.stereotype.Component;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.springframework.web.util.ServletRequestPathUtils;

/** Decides who may call an endpoint, by the permission on the method that would answer. */
@Component
public final class Permissions
        implements AuthorizationManager<RequestAuthorizationContext>, SmartInitializingSingleton {
    private static final int UUID_LENGTH = 36;
    private static final String OURS = "palmtally.";

    private final RequestMappingHandlerMapping endpoints;
    private final Terms terms;
    private final Access access;

    Permissions(RequestMappingHandlerMapping requestMappingHandlerMapping, Terms terms, Access access) {
        this.endpoints = requestMappingHandlerMapping;
        this.terms = terms;
        this.access = access;
    }

    /** @throws IllegalStateException naming an endpoint of ours without a permission */
    @Override
    public void afterSingletonsInstantiated() {
        endpoints.getHandlerMethods().forEach((info, method) -> {
            var paths = info.getPatternValues();
            if (!method.getBeanType().getName().startsWith(OURS)
                    || paths.stream().noneMatch(p -> p.startsWith("/api/"))) return;
            var permission = of(method);
            if (permission == null) throw new IllegalStateException(info + " has no @Allow: say who may call it");
            if (permission.ofTerm() && paths.stream().anyMatch(p -> !p.contains("/{term}")))
                throw new IllegalStateException(info + " is for those of a term, and its path names no {term}");
        });
    }

    public static @Nullable Permission of(HandlerMethod method) {
        var allow = method.getMethodAnnotation(Allow.class);
        return allow == null ? null : allow.value();
    }

    @Override
    public AuthorizationDecision authorize(
            Supplier<? extends @Nullable Authentication> who, RequestAuthorizationContext context) {
        var request = context.getRequest();
        var permission = permission(request);
        if (permission == Permission.ANYBODY) return new AuthorizationDecision(true);
        var authentication = who.get();
        if (authentication == null || !(authentication.getPrincipal() instanceof Caller caller))
            return new AuthorizationDecision(false);
        // Nothing answers there, or not to such a request: that is said to staff.
        if (permission == null) return new AuthorizationDecision(caller.role().staff());
        if (!permission.allows(caller.role())) throw new Denied(HttpStatus.FORBIDDEN, permission.refusal());
        if (permission.ofTerm()) mustTeach(request, caller, permission);
        return new AuthorizationDecision(true);
    }

    private @Nullable Permission permission(HttpServletRequest request) {
        if (!ServletRequestPathUtils.hasParsedRequestPath(request)) ServletRequestPathUtils.parseAndCache(request);
        try {
            var found = endpoints.getHandler(request);
            return found != null && found.getHandler() instanceof HandlerMethod method ? of(method) : null;
        } catch (Exception e) {
            // Another method or kind of content than there is: the endpoints say so themselves.
            return null;
        }
    }

    private void mustTeach(HttpServletRequest request, Caller caller, Permission permission) {
        var named = request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
        var id = String.valueOf(((Map<?, ?>) Objects.requireNonNull(named)).get("term"));
        var term = id.length() == UUID_LENGTH ? UUID.fromString(id) : null;
        if (caller.role() == Role.LEAD) {
            if (term == null || !terms.has(term)) throw new Denied(HttpStatus.NOT_FOUND, "There is no such term.");
        } else if (term == null || !access.teaches(caller, term))
            throw new Denied(HttpStatus.FORBIDDEN, "This term is not yours to see.");
        else if (!permission.ofSubstitutes() && !access.belongs(caller, term))
            throw new Denied(
                    HttpStatus.FORBIDDEN,
                    "You take a lab of this term today; this stays with those who have the term.");
    }

    /** Somebody who is signed in is refused, in words of ours. */
    public static final class Denied extends AccessDeniedException {
        private static final long serialVersionUID = 1;

        private final HttpStatus status;

        Denied(HttpStatus status, String words) {
            super(words);
            this.status = status;
        }

        public HttpStatus status() {
            return status;
        }
    }
}
