package palmtally.server.problem;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.formats.FormatException;
import palmtally.formats.Json;
import tools.jackson.core.JacksonException;

/** Turns everything that goes wrong into a problem document with a code, and every fault at once. */
@RestControllerAdvice
public class Problems extends ResponseEntityExceptionHandler {
    private static final Logger log = LoggerFactory.getLogger(Problems.class);

    @ExceptionHandler
    ResponseEntity<ProblemDetail> invalid(InvalidValue e) {
        return faults("invalid", e.faults());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> file(FormatException e) {
        return faults("bad-file", e.faults());
    }

    private static final String GONE =
            "The database did not answer; nothing of this was stored. Try again in a moment.";

    @ExceptionHandler
    ResponseEntity<ProblemDetail> database(DataAccessException e) {
        log.error("database", e);
        return problem(HttpStatus.SERVICE_UNAVAILABLE, "database", GONE);
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> transaction(TransactionException e) {
        log.error("database", e);
        return problem(HttpStatus.SERVICE_UNAVAILABLE, "database", GONE);
    }

    /** What the database refuses as it is: sent again it would be refused again. */
    @ExceptionHandler
    ResponseEntity<ProblemDetail> refused(DataIntegrityViolationException e) {
        log.warn(
                "the database refused what was sent: {}",
                e.getMostSpecificCause().getMessage());
        return problem(
                HttpStatus.CONFLICT,
                "not-kept",
                "This cannot be kept: what it belongs to is not there any more, or a part of it does not fit. Nothing of it was stored.");
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> unexpected(RuntimeException e) {
        if (e instanceof org.springframework.security.access.AccessDeniedException denied) throw denied;
        log.error("unexpected", e);
        return problem(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "unexpected",
                "Something went wrong here; nothing of this was stored. Try again, and tell the lead if it stays.");
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        var found = new ArrayList<Fault>();
        var at = new StringBuilder();
        for (Throwable cause = e.getCause(); cause != null; cause = cause.getCause()) {
            if (cause instanceof JacksonException json) {
                at.setLength(0);
                for (var ref : json.getPath())
                    at.append(at.isEmpty() ? "" : "/")
                            .append(
                                    ref.getPropertyName() != null
                                            ? ref.getPropertyName()
                                            : String.valueOf(ref.getIndex()));
                if (found.isEmpty()) found.add(new Fault(at.toString(), "", json.getOriginalMessage()));
            }
            if (cause instanceof InvalidValue invalid) {
                found.clear();
                invalid.faults().forEach(f -> found.add(at.isEmpty() ? f : f.under(at.toString())));
            }
        }
        var body = faults("invalid", found);
        return ResponseEntity.status(body.getStatusCode()).headers(headers).body(body.getBody());
    }

    private static ResponseEntity<ProblemDetail> faults(String code, List<Fault> faults) {
        var first = faults.isEmpty()
                ? "The request could not be read."
                : faults.get(0).toString();
        var problem = Refusal.problem(
                HttpStatus.UNPROCESSABLE_CONTENT,
                code,
                faults.size() > 1 ? first + " (and " + (faults.size() - 1) + " more)" : first);
        problem.setProperty("faults", faults);
        return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT).body(problem);
    }

    private static ResponseEntity<ProblemDetail> problem(HttpStatus status, String code, String detail) {
        return ResponseEntity.status(status).body(Refusal.problem(status, code, detail));
    }

    /** The same document where a filter refuses before any controller is reached. */
    public static void write(HttpServletResponse response, HttpStatus status, String code, String detail)
            throws IOException {
        response.setStatus(status.value());
        response.setContentType("application/problem+json");
        response.setCharacterEncoding("UTF-8");
        var body = new java.util.LinkedHashMap<String, Object>();
        body.put("type", "urn:palm-tally:problem:" + code);
        body.put("title", status.getReasonPhrase());
        body.put("status", status.value());
        body.put("detail", detail);
        body.put("code", code);
        response.getWriter().write(Json.MAPPER.writeValueAsString(body));
    }
}
