package palmtally.server.backup;

import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Which database is dumped, and by what. */
@Configuration(proxyBeanMethods = false)
class DumpSettings {
    @Bean
    Dumps dumps(
            @Value("${palm.pg-dump}") String program,
            @Value("${spring.datasource.url}") String url,
            @Value("${spring.datasource.username}") String user,
            @Value("${spring.datasource.password}") String password) {
        var programs = Path.of(program).toAbsolutePath().getParent();
        return new Dumps(url, user, password, programs == null ? Path.of("") : programs);
    }
}
