package vividlantern.server.access;

import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.concurrent.locks.LockSupport;

/** A request of whose body some was read beforehand, to see whether a thread has to wait for it. */
final class Arrived extends HttpServletRequestWrapper {

    private static final int SMALL_BYTES = 1 << 16;
    private static final long MOMENT_NANOS = 250_000_000;
    private static final long LOOK_NANOS = 2_000_000;

    private final byte[] first;
    private int length;
    private ServletInputStream body;

    Arrived(HttpServletRequest request) {
        super(request);
        long said = request.getContentLengthLong();
        first = new byte[said > 0 && said <= SMALL_BYTES ? (int) said : 0];
    }

    /** Whether it is small and has arrived within a moment; its packets often follow that of the headers. */
    boolean isSoonWhole() throws IOException {
        ServletInputStream in = super.getInputStream();
        long latest = System.nanoTime() + MOMENT_NANOS;
        while (length < first.length && System.nanoTime() < latest) {
            if (in.available() > 0) {
                length += Math.max(0, in.read(first, length, first.length - length));
            } else {
                LockSupport.parkNanos(LOOK_NANOS);
            }
        }
        return length > 0 && length == first.length;
    }

    @Override
    public ServletInputStream getInputStream() throws IOException {
        if (body == null) {
            body = new ArrivedBody(new ByteArrayInputStream(first, 0, length), super.getInputStream());
        }
        return body;
    }

    @Override
    public BufferedReader getReader() throws IOException {
        return reader(this);
    }

    /** A reader of a request's body in the encoding that it says. */
    static BufferedReader reader(HttpServletRequest request) throws IOException {
        Charset charset = Optional.ofNullable(request.getCharacterEncoding())
                .map(Charset::forName)
                .orElse(StandardCharsets.UTF_8);
        return new BufferedReader(new InputStreamReader(request.getInputStream(), charset));
    }

    /** What was read beforehand, and then the rest. */
    private static final class ArrivedBody extends ServletInputStream {

        private final InputStream before;
        private final ServletInputStream rest;
        private boolean ended;

        private ArrivedBody(InputStream before, ServletInputStream rest) {
            this.before = before;
            this.rest = rest;
        }

        @Override
        public int read() throws IOException {
            int one = before.read();
            one = one < 0 ? rest.read() : one;
            ended = one < 0;
            return one;
        }

        @Override
        public int read(byte[] to, int at, int length) throws IOException {
            int got = before.read(to, at, length);
            got = got < 0 ? rest.read(to, at, length) : got;
            ended = got < 0;
            return got;
        }

        @Override
        public boolean isFinished() {
            return ended;
        }

        @Override
        public boolean isReady() {
            return true;
        }

        @Override
        public void setReadListener(ReadListener listener) {
            rest.setReadListener(listener);
        }
    }
}
