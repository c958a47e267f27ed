package vividlantern.server.access;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import vividlantern.format.Documents;

/** A problem as RFC 9457 lays it out, for answers that are given before or beside the controllers. */
public final class ProblemText {

    private ProblemText() {}

    /** Answers with a problem, unless an answer was begun. */
    public static void send(HttpServletResponse response, HttpStatus status, String sentence) throws IOException {
        if (response.isCommitted()) {
            return;
        }
        response.resetBuffer();
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding(StandardCharsets.UTF_8);
        response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
        response.getWriter().write(of(status, sentence));
        response.flushBuffer();
    }

    /** A problem written out. */
    static String of(HttpStatus status, String sentence) {
        Map<String, Object> problem = new LinkedHashMap<>();
        problem.put("title", status.getReasonPhrase());
        problem.put("status", status.value());
        problem.put("detail", sentence);
        problem.put("pointer", "");
        return Documents.write(problem);
    }
}
