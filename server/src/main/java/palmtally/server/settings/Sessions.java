package palmtally.server.settings;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.session.config.SessionRepositoryCustomizer;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.web.servlet.DispatcherServlet;
import org.springframework.web.servlet.FlashMap;
import org.springframework.web.servlet.FlashMapManager;

/** How sign-ins are kept: that somebody is still there is noted once a minute, so that no tap waits for the disk to note it. */
@Configuration(proxyBeanMethods = false)
class Sessions {
    static final int NOTED_MS = 60_000;

    @Bean
    SessionRepositoryCustomizer<JdbcIndexedSessionRepository> notedOnceAMinute() {
        return sessions -> sessions.setUpdateSessionQuery("""
                update %TABLE_NAME% s set session_id = n.session_id, last_access_time = n.last_access_time,
                    max_inactive_interval = n.max_inactive_interval, expiry_time = n.expiry_time, principal_name = n.principal_name
                from (values (?, ?::bigint, ?::int, ?::bigint, ?, ?))
                    as n (session_id, last_access_time, max_inactive_interval, expiry_time, principal_name, primary_id)
                where s.primary_id = n.primary_id and (s.session_id <> n.session_id
                    or s.principal_name is distinct from n.principal_name
                    or s.max_inactive_interval <> n.max_inactive_interval
                    or n.last_access_time - s.last_access_time >=""" + " " + NOTED_MS + ")");
    }

    /** Nothing is handed from one request to the next in a session: to look for it would read the session at every tap. */
    @Bean(DispatcherServlet.FLASH_MAP_MANAGER_BEAN_NAME)
    FlashMapManager nothingHandedOn() {
        return new FlashMapManager() {
            @Override
            public @Nullable FlashMap retrieveAndUpdate(HttpServletRequest request, HttpServletResponse response) {
                return null;
            }

            @Override
            public void saveOutputFlashMap(FlashMap map, HttpServletRequest request, HttpServletResponse response) {
                throw new UnsupportedOperationException("nothing is handed on from request to request");
            }
        };
    }
}
