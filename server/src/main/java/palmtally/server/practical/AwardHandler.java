package palmtally.server.practical;

import org.springframework.stereotype.Component;
import palmtally.server.column.JsonHandler;

@Component
class AwardHandler extends JsonHandler<Award> {
    AwardHandler() {
        super(Award.class);
    }
}
