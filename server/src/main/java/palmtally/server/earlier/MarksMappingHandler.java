package palmtally.server.earlier;

import org.springframework.stereotype.Component;
import palmtally.core.earlier.MarksMapping;
import palmtally.server.column.JsonHandler;

@Component
class MarksMappingHandler extends JsonHandler<MarksMapping> {
    MarksMappingHandler() {
        super(MarksMapping.class);
    }
}
