package palmtally.server.settings;

import java.time.Clock;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.observation.SecurityObservationSettings;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.firewall.RequestRejectedHandler;
import org.springframework.session.web.http.CookieSerializer;
import palmtally.server.people.Access;
import palmtally.server.people.Permissions;
import palmtally.server.problem.Problems;

/** The outer door: what the permissions on the endpoints say goes for {@code /api}; besides, the app and its files are for everybody to read. */
@Configuration(proxyBeanMethods = false)
class SecurityConfig {
    /** Nobody collects them, and each request would pay for each filter. */
    @Bean
    SecurityObservationSettings noObservations() {
        return SecurityObservationSettings.noObservations();
    }

    @Bean
    SecurityFilterChain chain(HttpSecurity http, SecurityContextRepository contexts, Permissions permissions) {
        // A handset is nobody's session: its code alone lets it speak, and a device need not be a browser. Who verifies
        // a file changes nothing.
        http.csrf(csrf -> csrf.spa().ignoringRequestMatchers("/api/handsets/*/reports", "/api/verify"))
                .securityContext(c -> c.securityContextRepository(contexts))
                .requestCache(c -> c.disable())
                .logout(l -> l.disable())
                .headers(h -> h.contentSecurityPolicy(
                                p -> p.policyDirectives(
                                        "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; font-src 'self'; connect-src 'self'; frame-ancestors 'none'; base-uri 'none'; form-action 'self'"))
                        .referrerPolicy(r -> {}))
                .exceptionHandling(e -> e.authenticationEntryPoint((request, response, x) ->
                                Problems.write(response, HttpStatus.UNAUTHORIZED, "sign-in", "Sign in first."))
                        .accessDeniedHandler((request, response, x) -> {
                            if (x instanceof Permissions.Denied denied)
                                Problems.write(
                                        response,
                                        denied.status(),
                                        denied.status() == HttpStatus.NOT_FOUND ? "not-found" : "forbidden",
                                        String.valueOf(denied.getMessage()));
                            else
                                Problems.write(
                                        response,
                                        HttpStatus.FORBIDDEN,
                                        "forbidden",
                                        "This is not open to your sign-in.");
                        }))
                .authorizeHttpRequests(r -> r.requestMatchers("/api/**")
                        .access(permissions)
                        .requestMatchers(HttpMethod.GET, "/actuator/health/**")
                        .permitAll()
                        .requestMatchers("/actuator/**")
                        .denyAll()
                        .requestMatchers(HttpMethod.GET, "/**")
                        .permitAll()
                        .requestMatchers("/error")
                        .permitAll()
                        .anyRequest()
                        .denyAll());
        return http.build();
    }

    /** An address with signs in it that none here has. */
    @Bean
    RequestRejectedHandler rejected() {
        return (request, response, x) -> Problems.write(
                response, HttpStatus.BAD_REQUEST, "address", "This address has signs in it that no address here has.");
    }

    @Bean
    TapContexts contexts(CookieSerializer cookies, Access access, Clock clock) {
        return new TapContexts(cookies, access, clock);
    }
}
