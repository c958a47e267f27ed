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
import java.io.InputStreamReader;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import java.util.concurrent.locks.LockSupport;
import java.util.regex.Pattern;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.InvalidMediaTypeException;
import org.springframework.http.MediaType;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * How large a request may be, and how many may be answered at a time. Answers that nobody reads, and bodies that arrive slowly,
 * hold their threads until they are given up; both together are fewer than there are threads, so that others are always
 * answered. A body that is there after a moment needs no place among the slow ones.
 */
final class Bounds extends OncePerRequestFilter {

    /** Of 200 threads that answer. */
    private static final int READS_AT_A_TIME = 120;

    /** Where sounds arrive, alone or in a bundle, which are counted by who takes them in. */
    private static final Pattern SOUNDS = Pattern.compile("/api/sessions/([^/]+/media|import|import/preview)");

    private static final int ARRIVING_AT_A_TIME = 40;
    /** As much as the server takes in before anybody reads it. */
    private static final int SMALL_BYTES = 4096;

    private static final long MOMENT_NANOS = 250_000_000;
    private static final long LOOK_NANOS = 2_000_000;

    private final Semaphore reads = new Semaphore(READS_AT_A_TIME);
    private final Semaphore arriving = new Semaphore(ARRIVING_AT_A_TIME);

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!isReadable(request.getHeader(HttpHeaders.ACCEPT))) {
            ProblemText.send(response, HttpStatus.NOT_ACCEPTABLE, "The header Accept of the request cannot be read.");
            return;
        }
        boolean sound = SOUNDS.matcher(request.getRequestURI()).matches();
        if (!sound && request.getContentLengthLong() > TooLarge.MOST_BYTES) {
            ProblemText.send(response, HttpStatus.CONTENT_TOO_LARGE, new TooLarge().getMessage());
            return;
        }
        HttpServletRequest bounded = sound ? request : new Counted(request);
        if (request.getMethod().equals("GET")) {
            holding(reads, "Too much is asked for at once.", request, response, chain);
        } else if (isSoonThere(request)) {
            chain.doFilter(bounded, response);
        } else {
            holding(arriving, "Too much is being sent at once.", bounded, response, chain);
        }
    }

    private static boolean isReadable(String accept) {
        try {
            MediaType.parseMediaTypes(accept);
            return true;
        } catch (InvalidMediaTypeException odd) {
            return false;
        }
    }

    /** Whether a small body has arrived within a moment, or there is none; its packet often follows that of the headers. */
    private static boolean isSoonThere(HttpServletRequest request) throws IOException {
        long length = request.getContentLengthLong();
        if (length <= 0) {
            return request.getHeader(HttpHeaders.TRANSFER_ENCODING) == null;
        }
        long latest = System.nanoTime() + MOMENT_NANOS;
        while (length <= SMALL_BYTES && request.getInputStream().available() < length) {
            if (System.nanoTime() > latest) {
                return false;
            }
            LockSupport.parkNanos(LOOK_NANOS);
        }
        return length <= SMALL_BYTES;
    }

    private static void holding(
            Semaphore places, String none, HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!places.tryAcquire()) {
            response.setHeader(HttpHeaders.RETRY_AFTER, "5");
            ProblemText.send(response, HttpStatus.TOO_MANY_REQUESTS, none + " Try again in a few seconds.");
            return;
        }
        try {
            chain.doFilter(request, response);
        } finally {
            places.release();
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
            Charset charset = Optional.ofNullable(getCharacterEncoding())
                    .map(Charset::forName)
                    .orElse(StandardCharsets.UTF_8);
            return new BufferedReader(new InputStreamReader(getInputStream(), charset));
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
