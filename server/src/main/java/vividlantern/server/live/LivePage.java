package vividlantern.server.live;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.ArrayDeque;
import java.util.Queue;
import java.util.concurrent.Executor;
import org.springframework.web.socket.BinaryMessage;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketMessage;
import org.springframework.web.socket.WebSocketSession;
import vividlantern.engine.Tape;
import vividlantern.session.SessionId;

/**
 * One page that follows a session. Whoever tells it something puts that into its queue and goes on; one thread at a time
 * sends what is in there, so that a page that does not read makes nobody wait but itself. Text is never dropped: a page that
 * is too far behind is cut off, and then fetches everything afresh. Levels and sound are dropped while it is slow.
 */
final class LivePage {

    private static final int MOST_TEXTS = 2000;
    private static final int MOST_CHARACTERS = 8 << 20;
    /** Half a second at 50 a second. */
    private static final int MOST_SOUNDS = 25;

    private final WebSocketSession socket;
    private final SessionId session;
    private final String person;
    private final Executor senders;
    private final Queue<String> texts = new ArrayDeque<>();
    private final Queue<ByteBuffer> sounds = new ArrayDeque<>();
    private ByteBuffer levels;
    private int characters;
    private boolean sending;
    private boolean closed;
    private volatile String listensTo = "";
    private long nextFrame = -1;
    private int knownLayout = -1;

    /** @param senders threads that may be held up by a page */
    LivePage(WebSocketSession socket, SessionId session, String person, Executor senders) {
        this.socket = socket;
        this.session = session;
        this.person = person;
        this.senders = senders;
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

    /** Tells it something; if too much waits already, it is cut off. */
    synchronized void text(String json) {
        if (closed) {
            return;
        }
        texts.add(json);
        characters += json.length();
        if (texts.size() > MOST_TEXTS || characters > MOST_CHARACTERS) {
            cutOff();
        } else {
            send();
        }
    }

    /** Shows it levels, in place of those that have not been sent yet. */
    synchronized void levels(ByteBuffer frame) {
        levels = frame;
        send();
    }

    /** Sends what the tape has of a pair since the last time. */
    void play(Tape tape, int[] outputs, int sampleRate) {
        long written = tape.written();
        if (nextFrame < 0 || nextFrame > written || !tape.holds(nextFrame)) {
            nextFrame = written;
        }
        int frames = (int) (written - nextFrame);
        if (frames > 0) {
            sound(LiveFrames.audio(tape, outputs, sampleRate, nextFrame, frames));
            nextFrame = written;
        }
    }

    void listensNoMore() {
        nextFrame = -1;
    }

    private synchronized void sound(ByteBuffer frame) {
        if (sounds.size() < MOST_SOUNDS) {
            sounds.add(frame);
            send();
        }
    }

    private void send() {
        if (!sending && !closed) {
            sending = true;
            senders.execute(this::drain);
        }
    }

    private void drain() {
        try {
            for (WebSocketMessage<?> next = next(); next != null; next = next()) {
                socket.sendMessage(next);
            }
        } catch (IOException | RuntimeException gone) {
            close();
        }
    }

    /** What is to be sent next, text before sound before levels; null once there is nothing. */
    private synchronized WebSocketMessage<?> next() {
        String text = closed ? null : texts.poll();
        if (text != null) {
            characters -= text.length();
            return new TextMessage(text);
        }
        ByteBuffer sound = closed ? null : sounds.poll();
        if (sound != null) {
            return new BinaryMessage(sound);
        }
        ByteBuffer latest = closed ? null : levels;
        levels = null;
        sending = latest != null;
        return latest == null ? null : new BinaryMessage(latest);
    }

    private void cutOff() {
        closed = true;
        texts.clear();
        sounds.clear();
        senders.execute(this::close);
    }

    private void close() {
        synchronized (this) {
            closed = true;
        }
        try {
            socket.close(CloseStatus.SESSION_NOT_RELIABLE);
        } catch (IOException | RuntimeException alreadyGone) {
            // nothing is left to tell it
        }
    }
}
