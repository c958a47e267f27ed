package vividlantern.engine;

import java.util.List;
import vividlantern.playback.Reel;

/** Keeps what backing tracks play some seconds ahead of the engine, on a thread of its own, the only one that waits for a disk. */
final class ReadAhead {

    private static final long LOOK_MILLIS = 20;

    private final Engine engine;
    private final Thread thread;
    private volatile boolean ended;

    ReadAhead(Engine engine) {
        this.engine = engine;
        thread = new Thread(this::run, "reels");
        thread.setDaemon(true);
    }

    void start() {
        thread.start();
    }

    void end() {
        ended = true;
        thread.interrupt();
    }

    private void run() {
        List<Reel> known = List.of();
        try {
            while (!ended) {
                List<Reel> now = engine.reels();
                close(known, now);
                known = now;
                long songFrame = engine.transport().songFrameAt(engine.frame());
                now.forEach(reel -> reel.readAhead(songFrame));
                Thread.sleep(LOOK_MILLIS);
            }
        } catch (InterruptedException over) {
            Thread.currentThread().interrupt();
        } finally {
            close(known, List.of());
        }
    }

    /** Lets go of those that are not played any more. */
    private static void close(List<Reel> before, List<Reel> now) {
        before.stream().filter(reel -> !now.contains(reel)).forEach(Reel::close);
    }
}
