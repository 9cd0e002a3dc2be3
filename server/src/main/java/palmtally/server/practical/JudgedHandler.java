package palmtally.server.practical;

import org.springframework.stereotype.Component;
import palmtally.server.column.JsonHandler;

@Component
class JudgedHandler extends JsonHandler<Judged> {
    JudgedHandler() {
        super(Judged.class);
    }
}
