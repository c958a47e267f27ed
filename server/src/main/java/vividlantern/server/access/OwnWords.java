package vividlantern.server.access;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ErrorReportValve;
import org.apache.coyote.ActionCode;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;

/** What the web server answers where no request reached the program: a problem like all others. */
public final class OwnWords extends ErrorReportValve {

    private static final String CLOSES = OwnWords.class.getName() + ".closes";

    /** Has the connection closed after the answer, instead of a thread waiting for what may still be sent. */
    static void closeAfter(HttpServletRequest request, HttpServletResponse response) {
        response.setHeader(HttpHeaders.CONNECTION, "close");
        request.setAttribute(CLOSES, true);
    }

    @Override
    public void invoke(Request request, Response response) throws IOException, ServletException {
        super.invoke(request, response);
        if (request.getAttribute(CLOSES) != null) {
            response.finishResponse();
            request.getCoyoteRequest().action(ActionCode.CLOSE_NOW, null);
        }
    }

    @Override
    protected void report(Request request, Response response, Throwable thrown) {
        HttpStatus status = HttpStatus.resolve(response.getStatus());
        if (status == null || !status.isError() || response.getContentWritten() > 0 || !response.setErrorReported()) {
            return;
        }
        try {
            ProblemText.send(response.getResponse(), status, sentence(status));
        } catch (IOException gone) {
            // Whoever asked has gone away.
            response.setAppCommitted(true);
        }
    }

    /** In words of our own what a bare status means. */
    public static String sentence(HttpStatus status) {
        return switch (status) {
            case BAD_REQUEST -> "The request cannot be read.";
            case NOT_FOUND -> "There is nothing here.";
            case METHOD_NOT_ALLOWED -> "Nothing answers this kind of request here.";
            case CONTENT_TOO_LARGE -> new TooLarge().getMessage();
            default ->
                status.is5xxServerError()
                        ? "The program met an error; nothing was changed. The log says more."
                        : "The request cannot be answered.";
        };
    }
}
