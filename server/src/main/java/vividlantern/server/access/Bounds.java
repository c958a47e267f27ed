package vividlantern.server.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.IOException;
import java.util.concurrent.Semaphore;
import java.util.regex.Pattern;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.InvalidMediaTypeException;
import org.springframework.http.MediaType;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * How large a request may be, and how many may be answered at a time. Answers that nobody reads, and bodies that arrive slowly,
 * hold their threads until they are given up; both together are fewer than there are threads, so that others are always
 * answered. A small body has a place among the slow ones only until it is here, and needs none if it comes along with the headers.
 */
final class Bounds extends OncePerRequestFilter {

    /** Of 200 threads that answer. */
    private static final int READS_AT_A_TIME = 120;

    /** Where sounds arrive, alone or in a bundle, which are counted by who takes them in. */
    private static final Pattern SOUNDS = Pattern.compile("/api/sessions/([^/]+/media|import|import/preview)");

    private static final int ARRIVING_AT_A_TIME = 40;
    /** So much of what nobody wants is read all the same, so that the sender sees the answer. */
    private static final long MOST_REST_BYTES = 16L << 20;

    private final Semaphore reads = new Semaphore(READS_AT_A_TIME);
    private final Semaphore arriving = new Semaphore(ARRIVING_AT_A_TIME);

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!isReadable(request.getHeader(HttpHeaders.ACCEPT))) {
            OwnWords.closeAfter(request, response);
            ProblemText.send(response, HttpStatus.NOT_ACCEPTABLE, "The header Accept of the request cannot be read.");
        } else if (request.getMethod().equals("GET")) {
            answer(request, response, chain);
        } else if (!hasBody(request)) {
            chain.doFilter(request, response);
        } else {
            takeIn(request, response, chain);
        }
    }

    private void answer(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (hasBody(request) && !new Arrived(request).isHere()) {
            OwnWords.closeAfter(request, response);
        }
        if (!reads.tryAcquire()) {
            busy(response, HttpStatus.TOO_MANY_REQUESTS, "Too much is asked for at once.");
            return;
        }
        try {
            chain.doFilter(request, response);
        } finally {
            reads.release();
        }
    }

    private void takeIn(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Arrived body = new Arrived(request);
        if (body.isHere()) {
            chain.doFilter(body, response);
            return;
        }
        if (!arriving.tryAcquire()) {
            OwnWords.closeAfter(request, response);
            busy(response, HttpStatus.SERVICE_UNAVAILABLE, "Too much is being sent at once.");
            return;
        }
        boolean whole = false;
        try {
            whole = body.comes();
            if (!whole) {
                takeInSlowly(request, body, response, chain);
            }
        } finally {
            if (!whole) {
                readTheRest(request, response);
            }
            arriving.release();
        }
        if (whole) {
            chain.doFilter(body, response);
        }
    }

    private static void takeInSlowly(
            HttpServletRequest request, Arrived body, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean sound = SOUNDS.matcher(request.getRequestURI()).matches();
        if (!sound && request.getContentLengthLong() > TooLarge.MOST_BYTES) {
            ProblemText.send(response, HttpStatus.CONTENT_TOO_LARGE, new TooLarge().getMessage());
        } else {
            chain.doFilter(sound ? body : new Counted(body), response);
        }
    }

    private static void busy(HttpServletResponse response, HttpStatus status, String why) throws IOException {
        response.setHeader(HttpHeaders.RETRY_AFTER, "5");
        ProblemText.send(response, status, why + " Try again in a few seconds.");
    }

    /** Who is answered before all was read gets to see the answer only once it was, or the connection closes. */
    private static void readTheRest(HttpServletRequest request, HttpServletResponse response) {
        try {
            byte[] block = new byte[1 << 14];
            long rest = 0;
            for (int read = 0; read >= 0 && rest <= MOST_REST_BYTES; rest += read) {
                read = request.getInputStream().read(block);
            }
            if (rest <= MOST_REST_BYTES) {
                return;
            }
        } catch (IOException | IllegalStateException gone) {
            // nobody sends any more
        }
        OwnWords.closeAfter(request, response);
    }

    private static boolean hasBody(HttpServletRequest request) {
        return request.getContentLengthLong() > 0 || request.getHeader(HttpHeaders.TRANSFER_ENCODING) != null;
    }

    private static boolean isReadable(String accept) {
        try {
            MediaType.parseMediaTypes(accept);
            return true;
        } catch (InvalidMediaTypeException odd) {
            return false;
        }
    }

    /** A request whose body is counted while it is read. */
    private static final class Counted extends HttpServletRequestWrapper {

        private ServletInputStream body;

        private Counted(HttpServletRequest request) {
            super(request);
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            if (body == null) {
                body = new CountedBody(super.getInputStream());
            }
            return body;
        }

        @Override
        public BufferedReader getReader() throws IOException {
            return Arrived.reader(this);
        }
    }

    private static final class CountedBody extends ServletInputStream {

        private final ServletInputStream body;
        private long read;

        private CountedBody(ServletInputStream body) {
            this.body = body;
        }

        @Override
        public int read() throws IOException {
            int one = body.read();
            count(one < 0 ? 0 : 1);
            return one;
        }

        @Override
        public int read(byte[] to, int at, int length) throws IOException {
            int got = body.read(to, at, length);
            count(Math.max(0, got));
            return got;
        }

        private void count(int more) throws TooLarge {
            read += more;
            if (read > TooLarge.MOST_BYTES) {
                throw new TooLarge();
            }
        }

        @Override
        public boolean isFinished() {
            return body.isFinished();
        }

        @Override
        public boolean isReady() {
            return body.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            body.setReadListener(listener);
        }
    }
}
