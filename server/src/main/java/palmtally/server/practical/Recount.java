package palmtally.server.practical;

import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Brings what is written down for Track up to what counts now: after an upgrade, and where a second marking was left for a week. */
@Component
class Recount {
    private static final Logger log = LoggerFactory.getLogger(Recount.class);
    private final Awards awards;

    Recount(Awards awards) {
        this.awards = awards;
    }

    @EventListener(ApplicationReadyEvent.class)
    @Scheduled(initialDelay = 1, fixedDelay = 1, timeUnit = TimeUnit.DAYS)
    void recount() {
        int n = awards.recount();
        if (n > 0) log.info("the evidence of {} practicals was written down anew", n);
    }
}
