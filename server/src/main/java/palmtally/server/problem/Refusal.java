package palmtally.server.problem;

import java.net.URI;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.web.ErrorResponseException;
import palmtally.formats.UnreadableDocument;

/** A request that is refused, with a stable code, what was wrong and what to do. */
public final class Refusal extends ErrorResponseException {
    private Refusal(HttpStatus status, String code, String detail) {
        super(status, problem(status, code, detail), null);
    }

    /** A problem document with its stable code. */
    static ProblemDetail problem(HttpStatus status, String code, String detail) {
        var problem = ProblemDetail.forStatusAndDetail(status, detail);
        problem.setType(URI.create("urn:palm-tally:problem:" + code));
        problem.setProperty("code", code);
        return problem;
    }

    public static Refusal notFound(String what) {
        return new Refusal(HttpStatus.NOT_FOUND, "not-found", "There is no such " + what + ".");
    }

    public static Refusal forbidden(String detail) {
        return new Refusal(HttpStatus.FORBIDDEN, "forbidden", detail);
    }

    public static Refusal conflict(String code, String detail) {
        return new Refusal(HttpStatus.CONFLICT, code, detail);
    }

    /** A stored document that is damaged, and no version of it can be read. */
    public static Refusal unreadable(String what, UnreadableDocument why) {
        return new Refusal(
                HttpStatus.CONFLICT,
                "unreadable",
                "This " + what + " cannot be read: " + why.getMessage()
                        + ". Go back to an earlier version of it, or read it from a file.");
    }

    public static Refusal invalid(String code, String detail) {
        return new Refusal(HttpStatus.UNPROCESSABLE_CONTENT, code, detail);
    }

    public static Refusal tooLarge(String detail) {
        return new Refusal(HttpStatus.CONTENT_TOO_LARGE, "too-large", detail);
    }

    public static Refusal signIn() {
        return new Refusal(
                HttpStatus.UNAUTHORIZED, "sign-in-refused", "That sign-in and password do not belong together.");
    }

    /** Whoever sends has sent as much as there is room for; again is useless. */
    public static Refusal enough(String detail) {
        return new Refusal(HttpStatus.TOO_MANY_REQUESTS, "enough", detail);
    }

    public static Refusal busy(String detail) {
        return new Refusal(HttpStatus.SERVICE_UNAVAILABLE, "busy", detail);
    }

    public static Refusal tooMany(long seconds) {
        return new Refusal(
                HttpStatus.TOO_MANY_REQUESTS,
                "too-many-tries",
                "Too many tries. Wait " + (seconds < 120 ? seconds + " seconds" : (seconds + 59) / 60 + " minutes")
                        + " and try again.");
    }
}
