package palmtally.server.people;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.crypto.password.PasswordEncoder;

/** How passwords are kept. */
@Configuration(proxyBeanMethods = false)
class PasswordHashing {
    @Bean
    PasswordEncoder passwords(@Value("${palm.password-strength}") int strength) {
        return LongPasswords.withEarlier(strength);
    }
}
