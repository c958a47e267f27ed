package vividlantern.server.api;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.springframework.core.NestedExceptionUtils;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.TransactionException;
import org.springframework.util.ClassUtils;
import org.springframework.web.HttpMediaTypeNotAcceptableException;
import org.springframework.web.HttpMediaTypeNotSupportedException;
import org.springframework.web.HttpRequestMethodNotSupportedException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.servlet.NoHandlerFoundException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import tools.jackson.core.JacksonException;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.core.exc.StreamReadException;
import tools.jackson.databind.exc.InvalidFormatException;
import tools.jackson.databind.exc.InvalidTypeIdException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;
import vividlantern.basics.Refused;
import vividlantern.format.Documents;
import vividlantern.server.access.TooLarge;
import vividlantern.server.desk.NotFound;
import vividlantern.server.store.StoreWatch;
import vividlantern.server.store.Unreadable;
import vividlantern.units.Decibels;

/** Answers everything that cannot be done with a sentence a person can act on, as RFC 9457 lays it out. */
@RestControllerAdvice
class Problems extends ResponseEntityExceptionHandler {

    private final StoreWatch watch;

    Problems(StoreWatch watch) {
        this.watch = watch;
    }

    @ExceptionHandler
    ProblemDetail refused(Refused refused) {
        boolean conflict = refused.field().equals("basedOn");
        ProblemDetail problem = problem(
                conflict ? HttpStatus.CONFLICT : HttpStatus.UNPROCESSABLE_CONTENT,
                refused.getMessage(),
                refused.field().isEmpty() ? "" : "/" + refused.field());
        refused.instead().ifPresent(instead -> problem.setProperty("instead", instead));
        return problem;
    }

    @ExceptionHandler
    ProblemDetail notFound(NotFound missing) {
        return problem(HttpStatus.NOT_FOUND, missing.getMessage(), "");
    }

    @ExceptionHandler
    ProblemDetail unreadable(Unreadable unreadable) {
        return problem(HttpStatus.UNPROCESSABLE_CONTENT, unreadable.getMessage(), "");
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> busy(RenderingQueue.Busy busy) {
        return ResponseEntity.status(HttpStatus.TOO_MANY_REQUESTS)
                .header(HttpHeaders.RETRY_AFTER, "10")
                .body(problem(HttpStatus.TOO_MANY_REQUESTS, busy.getMessage(), ""));
    }

    @ExceptionHandler({DataAccessException.class, TransactionException.class})
    ProblemDetail notStored(Exception failed) {
        logger.warn("Something could not be read or stored: " + NestedExceptionUtils.getMostSpecificCause(failed));
        return problem(
                HttpStatus.INSUFFICIENT_STORAGE, "This could not be stored, so it was not done. " + watch.failed(), "");
    }

    /** An answer that was begun and cannot be finished ends as an error of the connection, never as a short file. */
    @ExceptionHandler({RuntimeException.class, DataIntegrityViolationException.class})
    ProblemDetail broken(RuntimeException fault, HttpServletResponse response) {
        logger.error("A request met an error in the program.", fault);
        if (response.isCommitted()) {
            throw fault;
        }
        return problem(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "The program met an error; nothing was changed. The log says more.",
                "");
    }

    @ExceptionHandler
    ProblemDetail cannotBeRead(InvalidParameterException odd) {
        return problem(HttpStatus.BAD_REQUEST, "The request cannot be read.", "");
    }

    @ExceptionHandler
    ProblemDetail tooLarge(TooLarge large) {
        return problem(HttpStatus.CONTENT_TOO_LARGE, large.getMessage(), "");
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
        if (isTooLarge(unreadable)) {
            return createResponseEntity(tooLarge(new TooLarge()), headers, HttpStatus.CONTENT_TOO_LARGE, request);
        }
        ProblemDetail problem = unreadable.getCause() instanceof JacksonException json
                ? problem(HttpStatus.BAD_REQUEST, sentence(json), pointer(json))
                : problem(HttpStatus.BAD_REQUEST, "The request has no body that can be read.", "");
        return createResponseEntity(problem, headers, HttpStatus.BAD_REQUEST, request);
    }

    private static boolean isTooLarge(Throwable reason) {
        return reason instanceof TooLarge || reason.getCause() != null && isTooLarge(reason.getCause());
    }

    /** Whatever else cannot be answered, in a sentence of our own. */
    @Override
    protected ResponseEntity<Object> handleExceptionInternal(
            Exception reason, Object body, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        ProblemDetail problem = problem(HttpStatus.valueOf(status.value()), sentence(reason), pointer(reason));
        return createResponseEntity(problem, headers, status, request);
    }

    private static String sentence(Exception reason) {
        if (reason instanceof MethodArgumentTypeMismatchException unfit) {
            return "\"" + unfit.getValue() + "\" does not fit \"" + unfit.getName() + "\": it takes "
                    + takes(unfit.getRequiredType()) + ".";
        }
        if (reason instanceof MissingServletRequestParameterException missing) {
            return "The request needs \"" + missing.getParameterName() + "\".";
        }
        if (reason instanceof NoResourceFoundException nowhere) {
            return "There is nothing at /" + nowhere.getResourcePath() + ".";
        }
        if (reason instanceof NoHandlerFoundException nowhere) {
            return "There is nothing at " + nowhere.getRequestURL() + ".";
        }
        if (reason instanceof HttpRequestMethodNotSupportedException method) {
            return "Nothing answers " + method.getMethod() + " here; "
                    + String.join(
                            ", ",
                            Objects.requireNonNullElse(method.getSupportedHttpMethods(), Set.<HttpMethod>of()).stream()
                                    .map(HttpMethod::name)
                                    .toList())
                    + " does.";
        }
        if (reason instanceof HttpMediaTypeNotSupportedException type) {
            return "This is sent as " + type.getContentType() + "; " + words(type.getSupportedMediaTypes())
                    + " can be read here.";
        }
        if (reason instanceof HttpMediaTypeNotAcceptableException type) {
            return "The answer is " + words(type.getSupportedMediaTypes()) + ", which was not asked for.";
        }
        return "The request cannot be read.";
    }

    private static String words(List<MediaType> types) {
        return types.isEmpty()
                ? "something else"
                : types.stream().map(MediaType::toString).collect(Collectors.joining(", "));
    }

    private static String pointer(Exception reason) {
        if (reason instanceof MethodArgumentTypeMismatchException unfit) {
            return "/" + unfit.getName();
        }
        return reason instanceof MissingServletRequestParameterException missing
                ? "/" + missing.getParameterName()
                : "";
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
        if (json instanceof StreamConstraintsException) {
            return "A text, a number or a list is too long.";
        }
        if (json instanceof StreamReadException) {
            return "This is not JSON. Reading stopped at line "
                    + json.getLocation().getLineNr() + ", column "
                    + json.getLocation().getColumnNr() + ".";
        }
        String field = pointer(json).replaceFirst(".*/", "");
        if (json instanceof InvalidFormatException unfit) {
            return "\"" + unfit.getValue() + "\" does not fit \"" + field + "\": it takes "
                    + takes(unfit.getTargetType()) + ".";
        }
        return "The field \"" + field + "\" is missing or holds something else than it should.";
    }

    /** What a type takes, in words. */
    private static String takes(Class<?> type) {
        Class<?> wanted = ClassUtils.resolvePrimitiveIfNecessary(type == null ? Object.class : type);
        if (wanted == Decibels.class) {
            return "a number of dB or \"off\"";
        }
        if (wanted.isEnum()) {
            return Arrays.stream(wanted.getEnumConstants())
                    .map(word -> "\"" + Documents.word((Enum<?>) word) + "\"")
                    .collect(Collectors.joining(", "));
        }
        if (wanted == Boolean.class) {
            return "true or false";
        }
        boolean whole = wanted == Integer.class || wanted == Long.class;
        return whole ? "a whole number" : Number.class.isAssignableFrom(wanted) ? "a number" : "something else";
    }

    private static String pointer(JacksonException json) {
        List<JacksonException.Reference> path = json.getPath();
        return path.stream()
                .map(step -> "/" + (step.getPropertyName() == null ? step.getIndex() : step.getPropertyName()))
                .collect(Collectors.joining());
    }
}
