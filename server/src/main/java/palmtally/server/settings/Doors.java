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
import org.springframework.session.web.http.CookieSerializer;
import palmtally.server.people.People;
import palmtally.server.problem.Problems;

/** Who may call what. Everything that is not allowed here is denied; services check each record besides. */
@Configuration(proxyBeanMethods = false)
class Doors {
    private static final String[] STAFF = {"LEAD", "INSTRUCTOR", "GRADER"};

    /** Nobody collects them, and each request would pay for each filter. */
    @Bean
    SecurityObservationSettings noObservations() {
        return SecurityObservationSettings.noObservations();
    }

    @Bean
    SecurityFilterChain chain(HttpSecurity http, SecurityContextRepository contexts) {
        // A handset is nobody's session: its code alone lets it speak, and a device need not be a browser.
        http.csrf(csrf -> csrf.spa().ignoringRequestMatchers("/api/handsets/*/reports"))
                .securityContext(c -> c.securityContextRepository(contexts))
                .requestCache(c -> c.disable())
                .logout(l -> l.disable())
                .headers(h -> h.contentSecurityPolicy(
                                p -> p.policyDirectives(
                                        "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; font-src 'self'; connect-src 'self'; frame-ancestors 'none'; base-uri 'none'; form-action 'self'"))
                        .referrerPolicy(r -> {}))
                .exceptionHandling(e -> e.authenticationEntryPoint((request, response, x) ->
                                Problems.write(response, HttpStatus.UNAUTHORIZED, "sign-in", "Sign in first."))
                        .accessDeniedHandler((request, response, x) -> Problems.write(
                                response, HttpStatus.FORBIDDEN, "forbidden", "This is not open to your sign-in.")))
                .authorizeHttpRequests(r -> r.requestMatchers(
                                HttpMethod.GET,
                                "/",
                                "/index.html",
                                "/assets/**",
                                "/formats/**",
                                "/mark.svg",
                                "/authority.crt",
                                "/install",
                                "/sw.js",
                                "/registerSW.js",
                                "/workbox-*.js",
                                "/manifest.webmanifest",
                                "/sign-in",
                                "/setup",
                                "/plan/**",
                                "/term",
                                "/techniques",
                                "/show/**",
                                "/class/*",
                                "/client/*",
                                "/floor",
                                "/grade/**",
                                "/review/**",
                                "/compare/**",
                                "/peer",
                                "/track/**",
                                "/me",
                                "/school/**")
                        .permitAll()
                        .requestMatchers(HttpMethod.GET, "/actuator/health/**")
                        .permitAll()
                        .requestMatchers("/api/session", "/api/setup")
                        .permitAll()
                        // The class looks on without a sign-in; what it gets is nobody's record.
                        .requestMatchers(HttpMethod.GET, "/api/screens/*", "/api/screens/*/live")
                        .permitAll()
                        // The one on the table speaks without a sign-in, and is told nothing.
                        .requestMatchers(HttpMethod.GET, "/api/handsets/*")
                        .permitAll()
                        .requestMatchers(HttpMethod.POST, "/api/handsets/*/reports")
                        .permitAll()
                        .requestMatchers(
                                HttpMethod.GET,
                                "/api/catalogue",
                                "/api/competency/students/*",
                                "/api/competency/students/*/live",
                                "/api/competency/students/*/evidence",
                                "/api/competency/students/*/report",
                                "/api/students/*/data",
                                "/api/practicals/*",
                                "/api/me/to-mark",
                                "/api/me/peer-looks",
                                "/api/notes/*")
                        .authenticated()
                        .requestMatchers(
                                HttpMethod.POST,
                                "/api/session/password",
                                "/api/practicals/*/self-marks",
                                "/api/practicals/*/events")
                        .authenticated()
                        .requestMatchers("/api/people/**", "/api/school/**")
                        .hasRole("LEAD")
                        .requestMatchers("/api/**")
                        .hasAnyRole(STAFF)
                        .requestMatchers("/error")
                        .permitAll()
                        .anyRequest()
                        .denyAll());
        return http.build();
    }

    @Bean
    TapContexts contexts(CookieSerializer cookies, People people, Clock clock) {
        return new TapContexts(cookies, people, clock);
    }
}
