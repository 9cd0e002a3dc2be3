package palmtally.server;

import java.time.Clock;
import java.time.InstantSource;
import org.mybatis.spring.annotation.MapperScan;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.scheduling.annotation.EnableScheduling;
import palmtally.server.people.SchoolZone;

/** The server: the core over HTTP, its data in PostgreSQL. */
@SpringBootApplication(exclude = UserDetailsServiceAutoConfiguration.class)
@EnableScheduling
@MapperScan(basePackages = "palmtally.server", annotationClass = org.apache.ibatis.annotations.Mapper.class)
public class PalmTally {
    public static void main(String[] args) {
        SpringApplication.run(PalmTally.class, args);
    }

    /** The one clock of app, demo and tests; its days are those of the school, its time the computer's unless somebody else tells it. */
    @Bean
    Clock clock(SchoolZone zone, @Qualifier("time") ObjectProvider<InstantSource> time) {
        return new SchoolClock(time.getIfAvailable(Clock::systemUTC), zone::zone);
    }
}
