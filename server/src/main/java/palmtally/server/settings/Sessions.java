package palmtally.server.settings;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.session.config.SessionRepositoryCustomizer;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;

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
}
