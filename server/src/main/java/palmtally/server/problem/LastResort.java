package palmtally.server.problem;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.filter.OncePerRequestFilter;

/** What goes wrong before a controller is reached, as while the session is read, is told by the same problem documents. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class LastResort extends OncePerRequestFilter {
    private static final Logger log = LoggerFactory.getLogger(LastResort.class);

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws IOException, ServletException {
        try {
            chain.doFilter(request, response);
        } catch (DataAccessException | TransactionException e) {
            log.error("the database did not answer: {}", e.getMessage());
            if (response.isCommitted()) throw e;
            response.reset();
            Problems.write(
                    response,
                    HttpStatus.SERVICE_UNAVAILABLE,
                    "database",
                    "The database did not answer; nothing of this was stored. Try again in a moment.");
        }
    }
}
