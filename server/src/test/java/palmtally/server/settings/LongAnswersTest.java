package palmtally.server.settings;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerAdapter;
import palmtally.server.App;

/** What is written while it is sent may take long: the papers of a cohort on a busy machine, a term over a slow line. */
@ExtendWith(App.class)
class LongAnswersTest {
    @Test
    void are_not_cut_off_after_half_a_minute(App.Running app) {
        assertThat(app.bean(RequestMappingHandlerAdapter.class))
                .extracting("asyncRequestTimeout")
                .isEqualTo(Duration.ofHours(1).toMillis());
    }
}
