package palmtally.server.statement;

import org.springframework.stereotype.Component;
import palmtally.core.statement.Statement;
import palmtally.server.column.JsonHandler;

@Component
class StatementHandler extends JsonHandler<Statement> {
    StatementHandler() {
        super(Statement.class);
    }
}
