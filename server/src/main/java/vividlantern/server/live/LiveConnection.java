package vividlantern.server.live;

import java.io.IOException;
import java.nio.ByteBuffer;
import org.springframework.web.socket.BinaryMessage;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;
import org.springframework.web.socket.handler.ConcurrentWebSocketSessionDecorator;
import vividlantern.session.SessionId;

/**
 * One page that follows a session. Binary frames are dropped while it is slow; text that cannot be sent closes it, and the
 * page then fetches everything afresh.
 */
final class LiveConnection {

    private static final int SEND_MILLIS = 10_000;
    private static final int TEXT_LIMIT = 4 << 20;
    private static final int SLOW = 256 << 10;

    private final ConcurrentWebSocketSessionDecorator socket;
    private final SessionId session;
    private final String person;
    private volatile String listensTo = "";
    private long nextFrame = -1;
    private int knownLayout = -1;

    LiveConnection(WebSocketSession socket, SessionId session, String person) {
        this.socket = new ConcurrentWebSocketSessionDecorator(
                socket, SEND_MILLIS, TEXT_LIMIT, ConcurrentWebSocketSessionDecorator.OverflowStrategy.TERMINATE);
        this.session = session;
        this.person = person;
    }

    String id() {
        return socket.getId();
    }

    SessionId session() {
        return session;
    }

    String person() {
        return person;
    }

    void listen(String to) {
        listensTo = to;
    }

    String listensTo() {
        return listensTo;
    }

    /** Whether the page must be told this layout of meters; it counts as told from now on. */
    boolean learns(int layout) {
        boolean news = knownLayout != layout;
        knownLayout = layout;
        return news;
    }

    void text(String json) {
        try {
            socket.sendMessage(new TextMessage(json));
        } catch (IOException | RuntimeException gone) {
            close();
        }
    }

    void binary(ByteBuffer frame) {
        if (socket.getBufferSize() > SLOW) {
            return;
        }
        try {
            socket.sendMessage(new BinaryMessage(frame));
        } catch (IOException | RuntimeException gone) {
            close();
        }
    }

    /** Sends what the tape has of a pair since the last time. */
    void play(Tape tape, int[] outputs, int sampleRate) {
        long written = tape.written();
        if (nextFrame < 0 || nextFrame > written || !tape.holds(nextFrame)) {
            nextFrame = written;
        }
        int frames = (int) (written - nextFrame);
        if (frames > 0) {
            binary(LiveFrames.audio(tape, outputs, sampleRate, nextFrame, frames));
            nextFrame = written;
        }
    }

    void listensNoMore() {
        nextFrame = -1;
    }

    private void close() {
        try {
            socket.close(CloseStatus.SESSION_NOT_RELIABLE);
        } catch (IOException | RuntimeException alreadyGone) {
            // nothing is left to tell it
        }
    }
}
