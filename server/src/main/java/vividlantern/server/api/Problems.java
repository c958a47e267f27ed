package vividlantern.server.api;

import java.io.IOException;
import java.util.List;
import java.util.stream.Collectors;
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
import tools.jackson.core.JacksonException;
import tools.jackson.core.exc.StreamReadException;
import tools.jackson.databind.exc.InvalidFormatException;
import tools.jackson.databind.exc.InvalidTypeIdException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;
import vividlantern.history.Refused;
import vividlantern.server.desk.NotFound;

/** Answers everything that cannot be done with a sentence a person can act on, as RFC 9457 lays it out. */
@RestControllerAdvice
class Problems extends ResponseEntityExceptionHandler {

    @ExceptionHandler
    ProblemDetail refused(Refused refused) {
        boolean conflict = refused.field().equals("basedOn");
        return problem(
                conflict ? HttpStatus.CONFLICT : HttpStatus.UNPROCESSABLE_CONTENT,
                refused.getMessage(),
                refused.field().isEmpty() ? "" : "/" + refused.field());
    }

    @ExceptionHandler
    ProblemDetail notFound(NotFound missing) {
        return problem(HttpStatus.NOT_FOUND, missing.getMessage(), "");
    }

    @ExceptionHandler({DataAccessException.class, TransactionException.class})
    ProblemDetail notStored(Exception failed) {
        logger.warn("Something could not be read or stored.", failed);
        return problem(
                HttpStatus.INSUFFICIENT_STORAGE,
                "This could not be stored, so it was not done. See whether the disk is full, then try again.",
                "");
    }

    @ExceptionHandler({RuntimeException.class, DataIntegrityViolationException.class})
    ProblemDetail broken(RuntimeException fault) {
        logger.error("A request met a fault of the program.", fault);
        return problem(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "The program met a fault of its own; nothing was changed. The log says more.",
                "");
    }

    /** Whoever asked has gone away in the middle of an answer. */
    @ExceptionHandler
    void gone(IOException closed) {
        logger.debug("An answer was not wanted any more.", closed);
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException unreadable,
            HttpHeaders headers,
            HttpStatusCode status,
            WebRequest request) {
        ProblemDetail problem = unreadable.getCause() instanceof JacksonException json
                ? problem(HttpStatus.BAD_REQUEST, sentence(json), pointer(json))
                : problem(HttpStatus.BAD_REQUEST, "The request has no body that can be read.", "");
        return createResponseEntity(problem, headers, HttpStatus.BAD_REQUEST, request);
    }

    @Override
    protected ResponseEntity<Object> createResponseEntity(
            Object body, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        if (body instanceof ProblemDetail problem
                && (problem.getProperties() == null || !problem.getProperties().containsKey("pointer"))) {
            problem.setProperty("pointer", "");
        }
        return super.createResponseEntity(body, headers, status, request);
    }

    private static ProblemDetail problem(HttpStatus status, String detail, String pointer) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
        problem.setProperty("pointer", pointer);
        return problem;
    }

    private static String sentence(JacksonException json) {
        if (json instanceof InvalidTypeIdException kind) {
            return kind.getTypeId() == null
                    ? "Every edit and every command needs a \"kind\"."
                    : "There is no kind \"" + kind.getTypeId() + "\".";
        }
        if (json instanceof UnrecognizedPropertyException extra) {
            return "There is no field \"" + extra.getPropertyName() + "\" here.";
        }
        if (json instanceof StreamReadException) {
            return "This is not JSON: " + json.getOriginalMessage();
        }
        String field = pointer(json).replaceFirst(".*/", "");
        if (json instanceof InvalidFormatException unfit) {
            String reason = json.getOriginalMessage().replaceFirst("(?s).*?\": ", "");
            return "\"" + unfit.getValue() + "\" does not fit \"" + field + "\": " + reason;
        }
        return "The field \"" + field + "\" is missing or holds something else than it should.";
    }

    private static String pointer(JacksonException json) {
        List<JacksonException.Reference> path = json.getPath();
        return path.stream()
                .map(step -> "/" + (step.getPropertyName() == null ? step.getIndex() : step.getPropertyName()))
                .collect(Collectors.joining());
    }
}
