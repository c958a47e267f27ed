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

/** A request of whose body some was read beforehand, to see whether a thread has to wait for it. */
final class Arrived extends HttpServletRequestWrapper {

    private static final int SMALL_BYTES = 1 << 16;

    private final byte[] first;
    private int length;
    private ServletInputStream body;

    Arrived(HttpServletRequest request) {
        super(request);
        long said = request.getContentLengthLong();
        first = new byte[said > 0 && said <= SMALL_BYTES ? (int) said : 0];
    }

    /** Whether it is small and came along with the headers; comes back at once. */
    boolean isHere() throws IOException {
        ServletInputStream in = super.getInputStream();
        int got = 1;
        while (length < first.length && got > 0 && in.available() > 0) {
            got = in.read(first, length, first.length - length);
            length += Math.max(0, got);
        }
        return isWhole();
    }

    /** Whether it is small and all of it came; waits for what is still to come, which often is the next packet. */
    boolean comes() throws IOException {
        length += super.getInputStream().readNBytes(first, length, first.length - length);
        return isWhole();
    }

    private boolean isWhole() {
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
